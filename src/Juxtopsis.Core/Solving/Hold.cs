using Juxtopsis.Core.Light;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Solving;

/// <summary>What is to stay equal while something changes.</summary>
/// <param name="Place">Camera and subject stay; with the framing held too, the focal length gives.</param>
/// <param name="Framing">The height of the picture at the subject stays; without the place, the distance gives.</param>
/// <param name="Blur">The share of the picture's height that a background point's disc has stays; the aperture gives.</param>
/// <param name="Light">The exposure stays; filter, sensitivity, shutter and aperture give.</param>
public readonly record struct Hold(bool Place, bool Framing, bool Blur, bool Light)
{
    /// <summary>In which order they give for the light; what is left out comes after, in its usual order.</summary>
    public IReadOnlyList<ExposureControl> LightGives { get; init; } = [];
}

/// <summary>A rig where it stands.</summary>
/// <param name="Scene">The scene, with the rig's own distance.</param>
/// <param name="Rig">The rig.</param>
/// <param name="Pinned">What a person has pinned: it stays.</param>
public readonly record struct StandingRig(Scene Scene, Rig Rig, Giving Pinned)
{
    /// <summary>True when its filters are parts, which nobody swaps but a person.</summary>
    public bool FiltersAreFixed { get; init; }
}

/// <summary>What a rig gives of the things that can be held; null for what it does not have.</summary>
/// <param name="FieldHeightMm">Height of the picture at the subject, mm.</param>
/// <param name="BlurShare">Height of a background point's disc over the picture's height.</param>
/// <param name="LightStops">How bright the picture is, stops from a mark that is the same for all rigs of a scene.</param>
/// <param name="HasSensitivity">Whether its sensitivity is decided; ISO 100 stands in.</param>
public readonly record struct HeldValues(double? FieldHeightMm, double? BlurShare, double LightStops, bool HasSensitivity)
{
    /// <summary>A picture exposed just right in a scene whose brightness is known.</summary>
    public static HeldValues RightExposure { get; } = new(null, null, 0, true);

    /// <summary>Reads them from a rig's report.</summary>
    /// <param name="conventions">The conventions.</param>
    /// <param name="standing">The rig where it stands.</param>
    /// <returns>The values.</returns>
    public static HeldValues Of(in Conventions conventions, in StandingRig standing)
    {
        var report = RigEvaluator.Evaluate(standing.Scene, conventions, standing.Rig);
        var share = report.Focus?.BackgroundDiscFractionOfHeight;
        return new(
            report.Focus?.FieldHeightMm,
            share > 0 ? share : null,
            report.Light.Settings.BrighterStops(standing.Scene.Light.BrightnessEv ?? 0),
            standing.Rig.SensitivityIso.HasValue);
    }
}

/// <summary>What may give.</summary>
[Flags]
public enum Giving
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>The camera's distance.</summary>
    Distance = 1,

    /// <summary>The focal length.</summary>
    FocalLength = 2,

    /// <summary>The aperture.</summary>
    Aperture = 4,

    /// <summary>The sensitivity.</summary>
    Sensitivity = 8,

    /// <summary>Fixed filters.</summary>
    Filter = 16,

    /// <summary>The shutter.</summary>
    Shutter = 32,
}

/// <summary>A rig after it has followed.</summary>
/// <param name="Scene">The scene as it stands now.</param>
/// <param name="Rig">The rig as it is set now.</param>
/// <param name="Notes">What had to give, and what could not be held; empty when all is as it was.</param>
public sealed record Followed(Scene Scene, Rig Rig, IReadOnlyList<HoldNote> Notes)
{
    /// <summary>True when nothing stopped it.</summary>
    public bool IsHeld => Notes.All(n => n.Outcome != HoldOutcome.Stopped);
}

/// <summary>What one thing that is held asked of a rig.</summary>
/// <param name="Outcome">How it went.</param>
/// <param name="Message">What gave, or why it could not.</param>
/// <param name="Fix">What would help; empty when it is held.</param>
public sealed record HoldNote(HoldOutcome Outcome, string Message, string Fix);

/// <summary>How holding something went.</summary>
public enum HoldOutcome
{
    /// <summary>It is held: something else followed.</summary>
    Followed,

    /// <summary>It gave: the hand moved the very thing that would have followed.</summary>
    ByHand,

    /// <summary>It is not held: a bound stopped what followed.</summary>
    Stopped,
}

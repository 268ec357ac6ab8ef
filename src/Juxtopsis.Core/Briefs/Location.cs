using Juxtopsis.Core.Light;

namespace Juxtopsis.Core.Briefs;

/// <summary>What at a place can hurt somebody, or what a plan there must mind.</summary>
[Flags]
public enum Hazards
{
    /// <summary>Nothing to speak of.</summary>
    None = 0,

    /// <summary>Something hot.</summary>
    Heat = 1,

    /// <summary>Water beside or below.</summary>
    Water = 2,

    /// <summary>Splashes, sparks or chips.</summary>
    Splash = 4,

    /// <summary>Animals.</summary>
    Animals = 8,

    /// <summary>A drop to fall down.</summary>
    Heights = 16,

    /// <summary>The sun may stand in the picture.</summary>
    Sun = 32,

    /// <summary>Tools or vehicles that move.</summary>
    Machines = 64,

    /// <summary>It is reached by air.</summary>
    Flight = 128,
}

/// <summary>Which way the camera looks in a room.</summary>
public enum LooksAlong
{
    /// <summary>Along its length.</summary>
    Length,

    /// <summary>Along its width.</summary>
    Width,
}

/// <summary>A place as people measure it.</summary>
public sealed record Location
{
    /// <summary>Length, mm; null for a place without an end.</summary>
    public double? LengthMm { get; init; }

    /// <summary>Width, mm; null likewise.</summary>
    public double? WidthMm { get; init; }

    /// <summary>Height under the lowest beam, mm; null for the sky.</summary>
    public double? HeightMm { get; init; }

    /// <summary>True when its sides were taped on the spot; else they are as somebody was told.</summary>
    public bool IsTaped { get; init; }

    /// <summary>From the subject to what is behind it, mm; null for the open.</summary>
    public double? BehindMm { get; init; }

    /// <summary>Nearest that the subject may be to what is behind it, mm.</summary>
    public double LeastBehindMm { get; init; }

    /// <summary>Farthest that the subject may be brought from what is behind it, mm; null for as far as there is room.</summary>
    public double? MostBehindMm { get; init; }

    /// <summary>How far every part of the camera must stay from the subject (heat, splashes, animals, water), mm.</summary>
    public double KeepOffMm { get; init; }

    /// <summary>Which way the camera looks.</summary>
    public LooksAlong Along { get; init; }

    /// <summary>How bright it is, and what lamps hang on.</summary>
    public LightSource Light { get; init; } = new();

    /// <summary>What to mind there.</summary>
    public Hazards Hazards { get; init; }

    /// <summary>How long the place is along the axis of a camera, mm; infinite in the open.</summary>
    /// <param name="brief">The shot: overhead, the axis stands upright.</param>
    /// <returns>Millimetres from what is behind the subject to the end behind the camera.</returns>
    public double AxisMm(ShotBrief brief)
    {
        ArgumentNullException.ThrowIfNull(brief);
        return brief.IsOverhead ? (HeightMm ?? double.PositiveInfinity) - brief.Subject.BaseMm
            : (Along == LooksAlong.Length ? LengthMm : WidthMm) ?? double.PositiveInfinity;
    }

    /// <summary>The same place, longer along the axis of a camera.</summary>
    /// <param name="byMm">By how much, mm; below 0 for shorter.</param>
    /// <param name="brief">The shot.</param>
    /// <returns>The place.</returns>
    public Location Longer(double byMm, ShotBrief brief)
    {
        ArgumentNullException.ThrowIfNull(brief);
        return brief.IsOverhead ? this with { HeightMm = HeightMm + byMm }
            : Along == LooksAlong.Length ? this with { LengthMm = LengthMm + byMm } : this with { WidthMm = WidthMm + byMm };
    }

    /// <summary>How wide the place is across that axis, mm; infinite in the open.</summary>
    public double AcrossMm => (Along == LooksAlong.Length ? WidthMm : LengthMm) ?? double.PositiveInfinity;

    /// <summary>From the subject to what is behind it along that axis, mm: overhead, it lies on it.</summary>
    /// <param name="brief">The shot.</param>
    /// <returns>Millimetres; infinite in the open.</returns>
    public double BehindAlongMm(ShotBrief brief)
    {
        ArgumentNullException.ThrowIfNull(brief);
        return brief.IsOverhead ? 0 : BehindMm ?? double.PositiveInfinity;
    }

    /// <summary>From the subject to the end of the place behind the camera, mm; infinite where there is none.</summary>
    /// <param name="brief">The shot.</param>
    /// <returns>Millimetres.</returns>
    public double RoomMm(ShotBrief brief) => double.IsPositiveInfinity(AxisMm(brief)) ? double.PositiveInfinity : AxisMm(brief) - BehindAlongMm(brief);
}

namespace Juxtopsis.Core.Solving;

/// <summary>What stopped a solve.</summary>
public enum SolveBound
{
    /// <summary>Nothing: what was wanted is met.</summary>
    None,

    /// <summary>The nearest focus of the rig.</summary>
    MinimumFocusDistance,

    /// <summary>The farthest focus of a rig with a tube or a close-up lens.</summary>
    MaximumFocusDistance,

    /// <summary>The front of the lens.</summary>
    LensFront,

    /// <summary>The nearest place where the camera may stand.</summary>
    NearestPlace,

    /// <summary>The end of the room.</summary>
    FarthestPlace,

    /// <summary>The short end of the zoom.</summary>
    ZoomShort,

    /// <summary>The long end of the zoom.</summary>
    ZoomLong,

    /// <summary>The widest aperture.</summary>
    WidestAperture,

    /// <summary>The narrowest aperture.</summary>
    NarrowestAperture,

    /// <summary>The highest sensitivity, or one that is not decided.</summary>
    Sensitivity,

    /// <summary>Filters: no more of them, or none that may be moved.</summary>
    Filter,

    /// <summary>What a person has pinned.</summary>
    Pinned,

    /// <summary>Diffraction: met, but softened.</summary>
    Diffraction,

    /// <summary>There is no such picture with any setting.</summary>
    Impossible,
}

/// <summary>An answer to a question asked backwards.</summary>
/// <param name="What">What it answers, in a few words.</param>
/// <param name="Bound">What stopped it; <see cref="SolveBound.None"/> when nothing did.</param>
/// <param name="Message">The answer in a sentence, with the bound and what is reached there.</param>
/// <param name="Fix">What would lift the bound; empty when nothing stopped it.</param>
public sealed record Solution(string What, SolveBound Bound, string Message, string Fix)
{
    /// <summary>True when what was wanted is met, though it may be softened by diffraction.</summary>
    public bool IsMet => Bound is SolveBound.None or SolveBound.Diffraction;

    /// <summary>Where to focus, mm from the chosen mark; null when it stays.</summary>
    public double? SubjectDistanceMm { get; init; }

    /// <summary>True where the ring focuses at that distance in two places and the one racked out farther is meant.</summary>
    public bool RackedFarther { get; init; }

    /// <summary>Focal length to set, mm as marked; null when it stays.</summary>
    public double? FocalLengthMm { get; init; }

    /// <summary>Aperture to set; null when it stays.</summary>
    public double? FNumber { get; init; }

    /// <summary>Sensitivity to set, ISO; null when it stays.</summary>
    public double? SensitivityIso { get; init; }

    /// <summary>Fixed filters to put in place, stops; null when they stay.</summary>
    public double? FilterStops { get; init; }

    /// <summary>Shutter angle to set, degrees; null when it stays.</summary>
    public double? ShutterAngleDeg { get; init; }

    /// <summary>Field across that is reached at the subject, mm; null when there is none.</summary>
    public double? FieldWidthMm { get; init; }

    /// <summary>Field upright that is reached at the subject, mm.</summary>
    public double? FieldHeightMm { get; init; }
}

/// <summary>A size at the subject that is to fill the picture.</summary>
/// <param name="SizeMm">The size, mm.</param>
/// <param name="IsAcross">True for the picture's width, false for its height.</param>
public readonly record struct FramedSize(double SizeMm, bool IsAcross);

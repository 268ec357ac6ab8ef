namespace Juxtopsis.Core.Fitting;

/// <summary>Why a rig does not give a shot.</summary>
public enum MissKind
{
    /// <summary>It does.</summary>
    None,

    /// <summary>The room is shorter than the rig with what must be behind it, or the camera may nowhere stand.</summary>
    NoPlace,

    /// <summary>Too long a lens: the camera would have to go back farther than the place allows.</summary>
    TooLong,

    /// <summary>Too wide a lens: the camera would have to come nearer than it may.</summary>
    TooWide,

    /// <summary>It does not focus so near.</summary>
    NearestFocus,

    /// <summary>A tube or a close-up lens keeps it from focusing so far.</summary>
    FocusEnds,

    /// <summary>The lens does not light the corners.</summary>
    DarkCorners,

    /// <summary>No mode offers the frame rate.</summary>
    RateNotOffered,

    /// <summary>Even the narrowest aperture does not hold what must be sharp.</summary>
    NotSharp,

    /// <summary>The iris stays wide open on this rig, and would have to be closed.</summary>
    IrisStuck,

    /// <summary>It needs more sensitivity than the crew accepts.</summary>
    TooDark,

    /// <summary>Even the widest aperture does not blur what should be soft.</summary>
    NotSoft,

    /// <summary>What must be sharp asks for a narrower aperture than what should be soft allows.</summary>
    Contradiction,
}

/// <summary>How far a rig is from giving a shot.</summary>
/// <param name="Kind">What is in the way.</param>
/// <param name="By">
/// By how much: mm for <see cref="MissKind.NoPlace"/>, <see cref="MissKind.TooLong"/>, <see cref="MissKind.TooWide"/>,
/// <see cref="MissKind.NearestFocus"/> and <see cref="MissKind.FocusEnds"/> (there the farthest), a share of the picture for dark corners, the nearest rate that it offers for frame rates (0 when none is known), stops for the others.
/// </param>
/// <param name="Off">
/// How far it is off altogether, in stops, to tell the nearest miss: a picture with half the sides counts as two stops, since it
/// takes a quarter of the light.
/// </param>
public readonly record struct Shortfall(MissKind Kind, double By, double Off)
{
    /// <summary>Nothing is in the way.</summary>
    public static Shortfall None { get; }
}

namespace Juxtopsis.Core.Measuring;

/// <summary>What a test of a physical unit finds out.</summary>
public enum TestKind
{
    /// <summary>The true focal length at each mark, where the entrance pupil is, and how focusing close shortens it.</summary>
    FocalLength,

    /// <summary>By how much a reducer or extender really multiplies.</summary>
    Magnification,

    /// <summary>The true squeeze.</summary>
    Squeeze,

    /// <summary>How far a squeeze is turned against the sensor.</summary>
    SqueezeTurn,

    /// <summary>The T-number.</summary>
    Transmission,

    /// <summary>How the light falls off to the corners, and the image circle.</summary>
    Falloff,

    /// <summary>How far off the mount's depth, or the distance marks, are.</summary>
    BackFocus,

    /// <summary>The nearest focus.</summary>
    MinimumFocusDistance,

    /// <summary>The largest reproduction ratio.</summary>
    MaximumMagnification,

    /// <summary>The weight.</summary>
    Weight,

    /// <summary>The price.</summary>
    Price,
}

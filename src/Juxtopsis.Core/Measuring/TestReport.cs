using Juxtopsis.Core.Diagnostics;

namespace Juxtopsis.Core.Measuring;

/// <summary>What a test came to.</summary>
/// <param name="Results">What was found; empty while the readings do not tell it.</param>
/// <param name="Readings">What became of each reading, in their order.</param>
/// <param name="Findings">What is to be said of it.</param>
/// <param name="Next">What one more reading would bring; null where that cannot be told.</param>
/// <param name="Charts">Readings against the fit, one for each mark or side.</param>
public sealed record TestReport(
    IReadOnlyList<TestResult> Results, IReadOnlyList<ReadingFit> Readings, IReadOnlyList<Diagnostic> Findings, NextReading? Next, IReadOnlyList<TestChart> Charts);

/// <summary>What a test can find.</summary>
public enum TestQuantity
{
    /// <summary>Focal length at infinity, mm.</summary>
    FocalLength,

    /// <summary>From the sensor mark forward to the entrance pupil, mm, focused at infinity.</summary>
    EntrancePupil,

    /// <summary>How much the angle of view changes from infinity to the nearest reading, a share; above 0 where it grows.</summary>
    Breathing,

    /// <summary>Magnification of a reducer or extender.</summary>
    Magnification,

    /// <summary>Squeeze.</summary>
    Squeeze,

    /// <summary>Turn of the squeeze, degrees.</summary>
    SqueezeTurn,

    /// <summary>T-number.</summary>
    TNumber,

    /// <summary>Light lost in the corners, stops.</summary>
    CornerFalloff,

    /// <summary>Diameter of the image circle, mm.</summary>
    ImageCircle,

    /// <summary>How much too long the mount is, mm.</summary>
    MountError,

    /// <summary>What the distance marks are to be multiplied by.</summary>
    MarkFactor,

    /// <summary>Nearest focus, mm.</summary>
    MinimumFocusDistance,

    /// <summary>Largest reproduction ratio.</summary>
    MaximumMagnification,

    /// <summary>Weight, g.</summary>
    Weight,

    /// <summary>Price.</summary>
    Price,
}

/// <summary>One thing that was found.</summary>
/// <param name="Quantity">What.</param>
/// <param name="AtMm">The mark of the zoom that it holds at, mm; null where there is none.</param>
/// <param name="Value">The best value, in the unit of the quantity.</param>
/// <param name="PlusMinus">Half the width of the interval that holds the truth 95 times in 100.</param>
/// <param name="Marked">What its papers say; null when not known.</param>
/// <param name="Count">How many readings it rests on.</param>
public sealed record TestResult(TestQuantity Quantity, double? AtMm, double Value, double PlusMinus, double? Marked, int Count);

/// <summary>What became of a reading.</summary>
/// <param name="IsUsed">True when it says what the test asks for, and counts.</param>
/// <param name="IsOutlier">True when the others contradict it.</param>
public sealed record ReadingFit(bool IsUsed, bool IsOutlier)
{
    /// <summary>One that lacks what is asked, or was set aside.</summary>
    public static ReadingFit Unused { get; } = new(false, false);
}

/// <summary>What one more reading would bring.</summary>
/// <param name="DistanceMm">Where it would tell most, mm; null where the place does not matter.</param>
/// <param name="PlusMinus">The ± of the first result then.</param>
public sealed record NextReading(double? DistanceMm, double PlusMinus);

/// <summary>Readings against what was fitted to them.</summary>
/// <param name="AtMm">The mark of the zoom; null where there is none.</param>
/// <param name="IsThrough">True for readings through the reducer or extender.</param>
/// <param name="Points">What each reading would say alone.</param>
/// <param name="Line">What was fitted, from left to right.</param>
public sealed record TestChart(double? AtMm, bool IsThrough, IReadOnlyList<ChartPoint> Points, IReadOnlyList<ChartPoint> Line);

/// <summary>A point with its ±.</summary>
/// <param name="X">Distance, mm, or the number of the reading.</param>
/// <param name="Y">Value, in the unit of the first result.</param>
/// <param name="PlusMinus">Its ±.</param>
/// <param name="Reading">Which reading it is, from 0; −1 on a line.</param>
public sealed record ChartPoint(double X, double Y, double PlusMinus, int Reading);

namespace Juxtopsis.Core.Measuring;

/// <summary>What stays as it is during a test. A ± holds 95 of 100 readings.</summary>
/// <param name="UsedWidthMm">Width of the sensor that the picture shows, mm; null when the test does not ask for it.</param>
public readonly record struct TestSetup(double? UsedWidthMm)
{
    /// <summary>Squeeze of lens and attachment; 1 for none.</summary>
    public double Squeeze { get; init; } = 1;

    /// <summary>Focal length as marked, mm; null when each reading says its own, or none is asked for.</summary>
    public double? FocalLengthMm { get; init; }

    /// <summary>f-number that is set; null when it is not asked for.</summary>
    public double? FNumber { get; init; }

    /// <summary>Nearest focus of the lens by its papers, mm from the sensor mark; null when not known.</summary>
    public double? MinimumFocusDistanceMm { get; init; }

    /// <summary>Largest reproduction ratio of the lens by its papers, met there; null when not known.</summary>
    public double? MaximumMagnification { get; init; }

    /// <summary>± of a distance on the tape, mm.</summary>
    public double TapePlusMinusMm { get; init; } = 10;

    /// <summary>± of a width or a height at the target, mm.</summary>
    public double WidthPlusMinusMm { get; init; } = 3;

    /// <summary>± of a mark set on a still, pixels.</summary>
    public double MarkPlusMinusPx { get; init; } = 2;

    /// <summary>± of one comparison of exposures, stops.</summary>
    public double StopsPlusMinus { get; init; } = 0.1;

    /// <summary>± of an angle, degrees.</summary>
    public double AnglePlusMinusDeg { get; init; } = 0.2;

    /// <summary>± of a weight, g.</summary>
    public double WeightPlusMinusG { get; init; } = 5;
}

/// <summary>One reading of a test; each kind of test asks for some of these.</summary>
/// <param name="FocalLengthMm">The mark at which a zoom stands, mm.</param>
public readonly record struct TestReading(double? FocalLengthMm)
{
    /// <summary>Sensor mark to the target, by tape, mm.</summary>
    public double? DistanceMm { get; init; }

    /// <summary>Width at the target that just fills the picture, or of a rectangle that is in it, mm.</summary>
    public double? WidthMm { get; init; }

    /// <summary>Height of a rectangle that is in the picture, mm.</summary>
    public double? HeightMm { get; init; }

    /// <summary>How wide that lies in the picture as recorded, before any desqueeze, pixels.</summary>
    public double? WidthPx { get; init; }

    /// <summary>How high it lies there, pixels.</summary>
    public double? HeightPx { get; init; }

    /// <summary>How far an upright line leans in the desqueezed picture, degrees.</summary>
    public double? LeanDeg { get; init; }

    /// <summary>T-number at which the other lens was set.</summary>
    public double? TNumber { get; init; }

    /// <summary>How much darker this lens was then, stops.</summary>
    public double? Stops { get; init; }

    /// <summary>What the distance mark of the lens says, mm.</summary>
    public double? MarkedMm { get; init; }

    /// <summary>What the scales say, g.</summary>
    public double? WeightG { get; init; }

    /// <summary>What it cost, in the crew's currency.</summary>
    public double? PurchasePrice { get; init; }

    /// <summary>True with the reducer or extender in its place.</summary>
    public bool IsThrough { get; init; }

    /// <summary>True when whoever took it does not want it to count.</summary>
    public bool IsSetAside { get; init; }
}

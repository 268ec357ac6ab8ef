using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Core.Measuring;

namespace Juxtopsis.Contracts.Measuring;

/// <summary>What was read of a physical unit.</summary>
public sealed record MeasureRequest
{
    /// <summary>What is tested.</summary>
    public required TestKind Kind { get; init; }

    /// <summary>What stays as it is.</summary>
    public TestSetup Setup { get; set; } = TestFields.Setup.Untouched;

    /// <summary>The readings, up to 200, in the order in which they were taken.</summary>
    public IReadOnlyList<TestReading> Readings { get; set; } = [];

    /// <summary>The still of an even wall, for the test of corner darkening; null for the others.</summary>
    public WallInput? Wall { get; set; }
}

/// <summary>A still of an even wall, in cells.</summary>
public sealed record WallInput
{
    /// <summary>Cells across, 3 to 96.</summary>
    public required int Columns { get; init; }

    /// <summary>Cells up and down, 3 to 96.</summary>
    public required int Rows { get; init; }

    /// <summary>Light in each cell, row by row from the top left: in proportion to what fell on the sensor, 0 to 1.</summary>
    public required IReadOnlyList<double> Light { get; init; }

    /// <summary>What the still shows of the sensor across, mm.</summary>
    public required double WidthMm { get; init; }

    /// <summary>And up and down, mm.</summary>
    public required double HeightMm { get; init; }

    /// <summary>The still as the core takes it.</summary>
    /// <returns>A grid.</returns>
    public LightGrid ToCore() => new(Columns, Rows, Light, WidthMm, HeightMm);
}

/// <summary>What readings come to.</summary>
/// <param name="Results">What was found, with a ± that holds the truth 95 times in 100.</param>
/// <param name="Readings">What became of each reading.</param>
/// <param name="Findings">What is to be said of them.</param>
/// <param name="Next">What one more reading would bring; null where that cannot be told.</param>
/// <param name="Charts">Readings against the fit.</param>
/// <param name="Falloff">How the light falls off, for that test.</param>
public sealed record MeasureResponse(
    IReadOnlyList<TestResult> Results, IReadOnlyList<ReadingFit> Readings, IReadOnlyList<DiagnosticOutput> Findings, NextReading? Next, IReadOnlyList<TestChart> Charts, FalloffOutput? Falloff);

/// <summary>How the light falls off to the corners.</summary>
/// <param name="SlopeStops">How much brighter one side of the wall was, which was taken out.</param>
/// <param name="Map">Light against the middle, stops, for each cell.</param>
/// <param name="Profile">Stops against the radius, mm.</param>
public sealed record FalloffOutput(double SlopeStops, IReadOnlyList<double> Map, IReadOnlyList<ChartPoint> Profile);

/// <summary>Marks on a still, and what is known of what they mark.</summary>
public sealed record MarksRequest
{
    /// <summary>Two marks, or the four corners of a rectangle from its top left around it, in pixels from the still's top left.</summary>
    public required IReadOnlyList<MarkInput> Marks { get; init; }

    /// <summary>Width of the still, px.</summary>
    public required double PictureWidthPx { get; init; }

    /// <summary>Its height, px.</summary>
    public required double PictureHeightPx { get; init; }

    /// <summary>What lies between two marks, or the rectangle's width, mm.</summary>
    public required double WidthMm { get; init; }

    /// <summary>The rectangle's height, mm; left out for two marks.</summary>
    public double? HeightMm { get; set; }

    /// <summary>From the camera to the rectangle's middle, mm; it only weighs the tilt.</summary>
    public double? DistanceMm { get; set; }

    /// <summary>How much the still is still squeezed; 1 for none.</summary>
    public double Squeeze { get; set; } = 1;

    /// <summary>± of a mark, px.</summary>
    public double MarkPlusMinusPx { get; set; } = 2;
}

/// <summary>What marks on a still tell.</summary>
/// <param name="Field">The field at their distance; null where they tell none.</param>
public sealed record MarkedField(FieldOfMarks? Field);

/// <summary>A mark on a still.</summary>
/// <param name="X">Pixels to the right.</param>
/// <param name="Y">Pixels down.</param>
public sealed record MarkInput(double X, double Y);

using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Measuring;

/// <summary>Readings from the wire to the core, and what they come to back again.</summary>
public static class MeasureMapping
{
    private const int LeastCells = 3;
    private const int MostCells = 96;

    internal static void Check(FieldChecks checks, MeasureRequest request, LengthUnit unit, string prefix = "")
    {
        checks.All(TestFields.Setup, request.Setup, prefix + "setup.", unit);
        if (request.Readings.Count > UnitTest.MostReadings)
        {
            checks.Add(prefix + "readings", $"{request.Readings.Count}", $"up to {UnitTest.MostReadings}", $"{request.Readings.Count} readings are more than {UnitTest.MostReadings} for one test.", "Begin another test.");
            return;
        }

        for (var i = 0; i < request.Readings.Count; i++)
        {
            checks.All(TestFields.Reading, request.Readings[i], $"{prefix}readings[{i}].", unit);
        }

        if (request.Wall is { } wall)
        {
            Check(checks, wall, prefix + "wall.");
        }
    }

    internal static void Check(FieldChecks checks, MarksRequest request, LengthUnit unit)
    {
        if (request.Marks.Count is not (2 or 4))
        {
            checks.Add("marks", $"{request.Marks.Count}", "2 or 4", $"{request.Marks.Count} marks say nothing.", "Set two, or the four corners of a rectangle.");
        }

        checks.NoNull("marks", request.Marks);
        checks.InRange("pictureWidthPx", request.PictureWidthPx, Quantity.StillPixels);
        checks.InRange("pictureHeightPx", request.PictureHeightPx, Quantity.StillPixels);
        checks.InRange("widthMm", request.WidthMm, Quantity.FieldSize, unit);
        checks.InRange("distanceMm", request.DistanceMm, Quantity.SubjectDistance, unit);
        checks.InRange("squeeze", request.Squeeze, Quantity.Squeeze);
        checks.InRange("markPlusMinusPx", request.MarkPlusMinusPx, Quantity.MarkError);
        if (request.Marks.Count == 4)
        {
            checks.Given("heightMm", request.HeightMm, Quantity.FieldSize with { Name = "Height of the rectangle" }, unit);
            checks.Given("distanceMm", request.DistanceMm, Quantity.SubjectDistance, unit);
        }
    }

    /// <summary>What readings come to.</summary>
    /// <param name="request">Readings that were checked.</param>
    /// <returns>The answer.</returns>
    public static MeasureResponse Evaluate(MeasureRequest request)
    {
        ArgumentNullException.ThrowIfNull(request);
        if (request.Kind == TestKind.Falloff)
        {
            return Falloff(request.Wall);
        }

        var report = UnitTest.Evaluate(request.Kind, request.Setup, request.Readings);
        return new(report.Results, report.Readings, [.. report.Findings.Select(f => f.ToWire())], report.Next, report.Charts, null);
    }

    /// <summary>The field that marks on a still tell.</summary>
    /// <param name="request">Marks that were checked.</param>
    /// <returns>The field; null where they tell none.</returns>
    public static FieldOfMarks? Field(MarksRequest request)
    {
        ArgumentNullException.ThrowIfNull(request);
        StillPoint[] marks = [.. request.Marks.Select(m => new StillPoint(m.X, m.Y))];
        return marks.Length == 2
            ? StillMarks.OfTwo(marks[0], marks[1], request.WidthMm, request.PictureWidthPx, request.Squeeze, request.MarkPlusMinusPx)
            : StillMarks.OfRectangle(
                marks, request.WidthMm, request.HeightMm!.Value, request.DistanceMm!.Value, request.PictureWidthPx, request.PictureHeightPx, request.Squeeze, request.MarkPlusMinusPx);
    }

    private static MeasureResponse Falloff(WallInput? wall)
    {
        if (wall is null || FalloffTest.Evaluate(wall.ToCore()) is not { } report)
        {
            DiagnosticOutput[] missing = wall is null ? [] : [new Diagnostic(DiagnosticCode.ReadingsMissing, Severity.Note, "The still is black.", "Take one of a wall that is lit.").ToWire()];
            return new([], [], missing, null, [], null);
        }

        List<TestResult> results = [new(TestQuantity.CornerFalloff, null, report.CornerStops, report.PlusMinus, null, 1)];
        if (report.CircleMm is { } circle)
        {
            results.Add(new(TestQuantity.ImageCircle, null, circle, report.CirclePlusMinusMm, null, 1));
        }

        return new(results, [], [.. report.Findings.Select(f => f.ToWire())], null, [], new(report.SlopeStops, report.Map, report.Profile));
    }

    private static void Check(FieldChecks checks, WallInput wall, string prefix)
    {
        if (wall.Columns is < LeastCells or > MostCells || wall.Rows is < LeastCells or > MostCells)
        {
            checks.Add(prefix + "columns", $"{wall.Columns} × {wall.Rows}", $"{LeastCells} to {MostCells} each", "The still is cut into too few cells, or too many.", "Send between 3 and 96 each way.");
        }
        else if (wall.Light.Count != wall.Columns * wall.Rows || wall.Light.Any(l => l is not (>= 0 and <= 1)))
        {
            checks.Add(prefix + "light", $"{wall.Light.Count}", $"{wall.Columns * wall.Rows} numbers from 0 to 1", "The light of the still is not told for each cell.", "Send a number from 0 to 1 for each.");
        }

        checks.InRange(prefix + "widthMm", wall.WidthMm, Quantity.SensorSide);
        checks.InRange(prefix + "heightMm", wall.HeightMm, Quantity.SensorSide);
    }
}

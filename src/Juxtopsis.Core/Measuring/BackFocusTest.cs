using Juxtopsis.Core.Diagnostics;

namespace Juxtopsis.Core.Measuring;

/// <summary>
/// Distance marks against the tape. A mount that holds the lens δ too far away puts the sharp plane where the image distance is δ longer than
/// the mark's; marks that are engraved wrongly are off by a factor instead. Both are fitted, and the one that the readings agree with is told.
/// </summary>
internal static class BackFocusTest
{
    private static readonly double[] Row = [1];

    /// <summary>How near to the sharpest an eye finds focus, over the f-number, mm: a third of the depth of focus of a 0.03 mm circle, either way.</summary>
    private const double FoundWithin = 0.01;
    private const double UsualFNumber = 2.8;

    public static TestReport Evaluate(in TestSetup setup, IReadOnlyList<TestReading> readings)
    {
        ReadingFit[] fits = [.. readings.Select(_ => ReadingFit.Unused)];
        if (setup.FocalLengthMm is not { } focal)
        {
            return new([], fits, [], null, []);
        }

        var tape = setup.TapePlusMinusMm;
        var found = (setup.FNumber ?? UsualFNumber) * FoundWithin;
        var some = readings.Select((r, i) => (Reading: r, At: i))
            .Where(r => !r.Reading.IsSetAside && r.Reading is { DistanceMm: > 0, MarkedMm: > 0 } && r.Reading.DistanceMm > 4 * focal && r.Reading.MarkedMm > 4 * focal)
            .Select(r => (Tape: r.Reading.DistanceMm!.Value, Mark: r.Reading.MarkedMm!.Value, r.At)).ToArray();
        if (some.Length == 0)
        {
            return new([], fits, [], null, []);
        }

        // The tape is worth more far off, where focus moves less with distance; how well an eye finds focus is worth the same everywhere.
        Observation[] shifts = [.. some.Select(s => new Observation(Row, ImageMm(focal, s.Tape) - ImageMm(focal, s.Mark), ShiftPlusMinus(focal, s.Tape, tape, found) / Distributions.Normal95))];
        Observation[] factors = [.. some.Select(s => new Observation(Row, s.Tape / s.Mark, ShiftPlusMinus(focal, s.Tape, tape, found) / Slope(focal, s.Tape) / s.Mark / Distributions.Normal95))];
        var (shift, factor) = (RobustFit.Of(shifts, [Prior.None])!, RobustFit.Of(factors, [Prior.None])!);
        var isFactor = some.Length > 2 && Misfit(factor) < Misfit(shift) && shift.Scatters;
        var (fit, used) = isFactor ? (factor, factors) : (shift, shifts);
        for (var i = 0; i < some.Length; i++)
        {
            fits[some[i].At] = new(true, fit.IsLeftOut[i]);
        }

        var findings = new List<Diagnostic>();
        TestWords.Scatter(findings, fit, some.Length, null);
        if (some.Length < 3)
        {
            findings.Add(TestWords.Missing("Whether the mount is off or the marks are is told apart by readings at several distances.", "Take one close by and one far off."));
        }

        var (value, plusMinus) = (fit.Fit.Values[0], fit.PlusMinus(Row));
        var near = 10 * focal;
        var next = isFactor ? used[^1] : new Observation(Row, 0, ShiftPlusMinus(focal, near, tape, found) / Distributions.Normal95);
        ChartPoint[] points = [.. some.Select((s, i) => new ChartPoint(s.Tape, used[i].Value, used[i].Sigma * Distributions.Normal95, s.At))];
        return new(
            [new(isFactor ? TestQuantity.MarkFactor : TestQuantity.MountError, null, value, plusMinus, isFactor ? 1 : 0, fit.IsLeftOut.Count(x => !x))], fits, findings,
            new(isFactor ? null : near, fit.Factor * Math.Sqrt(fit.Fit.VarianceWith(Row, next))),
            [new(null, false, points, [.. points.Select(p => p.X).Order().Select(x => new ChartPoint(x, value, plusMinus, -1))])]);
    }

    /// <summary>± of a shift: from the tape, and from how well focus is found.</summary>
    private static double ShiftPlusMinus(double focal, double distance, double tape, double found)
    {
        var byTape = Slope(focal, distance) * tape;
        return Math.Sqrt(byTape * byTape + found * found);
    }

    private static double Misfit(RobustFit fit) => fit.Fit.ChiSquared + 20 * fit.IsLeftOut.Count(x => x);

    /// <summary>Image distance of a thin lens that focuses at D: D − s, with s = (D + √(D² − 4fD))/2.</summary>
    private static double ImageMm(double focal, double distance) => (distance - Math.Sqrt(distance * distance - 4 * focal * distance)) / 2;

    /// <summary>How much the image distance moves with D: −dv/dD.</summary>
    private static double Slope(double focal, double distance)
    {
        var root = Math.Sqrt(distance * distance - 4 * focal * distance);
        return ((distance - 2 * focal) / root - 1) / 2;
    }
}

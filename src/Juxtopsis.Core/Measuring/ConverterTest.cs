using Juxtopsis.Core.Diagnostics;

namespace Juxtopsis.Core.Measuring;

/// <summary>
/// The true factor of a reducer or extender: the same lens read without it and through it. Bare, D = f(2 + m + 1/m) + e; through it the glass
/// in front still works at m/k, so D = kf·(1/m) + c. Each side is fitted, and k is the ratio of the two slopes.
/// </summary>
internal static class ConverterTest
{
    private static readonly double[] Slope = [1, 0];

    public static TestReport Evaluate(in TestSetup setup, IReadOnlyList<TestReading> readings)
    {
        ReadingFit[] fits = [.. readings.Select(_ => ReadingFit.Unused)];
        var findings = new List<Diagnostic>();
        var charts = new List<TestChart>();
        var width = setup.UsedWidthMm * setup.Squeeze;
        if (setup.FocalLengthMm is not { } marked || width is not { } picture)
        {
            return new([], fits, [], null, []);
        }

        var sides = new RobustFit?[2];
        var counts = new int[2];
        for (var side = 0; side < 2; side++)
        {
            var isThrough = side == 1;
            var some = readings.Select((r, i) => (Reading: r, At: i)).Where(r => !r.Reading.IsSetAside && r.Reading.IsThrough == isThrough && r.Reading is { DistanceMm: not null, WidthMm: not null }).ToArray();
            foreach (var (_, at) in some)
            {
                fits[at] = new(true, false);
            }

            if (some.Length == 0)
            {
                continue;
            }

            var (fit, points) = Fit([.. some.Select(r => (r.Reading.DistanceMm!.Value, picture / r.Reading.WidthMm!.Value, r.At))], isThrough, marked, picture, setup);
            if (fit is null)
            {
                continue;
            }

            for (var i = 0; i < some.Length; i++)
            {
                fits[some[i].At] = new(true, fit.IsLeftOut[i]);
            }

            (sides[side], counts[side]) = (fit, fit.IsLeftOut.Count(x => !x));
            TestWords.Scatter(findings, fit, some.Length, null);
            charts.Add(new(null, isThrough, points, [.. points.Select(p => p.X).Order().Select(x => new ChartPoint(x, fit.Fit.Values[0], fit.PlusMinus(Slope), -1))]));
        }

        if (sides[0] is not { } bare || sides[1] is not { } through || !(bare.Fit.Values[0] > 0) || !(through.Fit.Values[0] > 0))
        {
            findings.Add(TestWords.Missing(
                sides[0] is null ? "There is no reading without it yet." : "There is no reading through it yet.", "The factor is the ratio of both: read the width with it and without it, at the same distances where you can."));
            return new([], fits, findings, null, charts);
        }

        var k = through.Fit.Values[0] / bare.Fit.Values[0];
        var share = Math.Sqrt(Square(through.PlusMinus(Slope) / through.Fit.Values[0]) + Square(bare.PlusMinus(Slope) / bare.Fit.Values[0]));

        // The side that is less sure gains most from one more.
        var isThroughNext = through.PlusMinus(Slope) / through.Fit.Values[0] > bare.PlusMinus(Slope) / bare.Fit.Values[0];
        var (weak, strong) = isThroughNext ? (through, bare) : (bare, through);
        var far = 5000.0;
        var then = Math.Sqrt(weak.Fit.VarianceWith(Slope, Of(far, Imagined(weak.Fit.Values[0], far), isThroughNext, weak.Fit.Values[0], picture, setup))) * weak.Factor;
        var next = k * Math.Sqrt(Square(then / weak.Fit.Values[0]) + Square(strong.PlusMinus(Slope) / strong.Fit.Values[0]));
        return new([new(TestQuantity.Magnification, null, k, k * share, null, counts[0] + counts[1])], fits, findings, new(far, next), charts);
    }

    private static (RobustFit? Fit, ChartPoint[] Points) Fit((double DistanceMm, double Magnification, int At)[] readings, bool isThrough, double marked, double pictureWidthMm, in TestSetup setup)
    {
        var slope = readings.Average(r => r.Magnification * r.DistanceMm);
        var loose = Math.Sqrt(Square(isThrough ? 40 : FocalLengthTest.HiatusSigmaMm) + Square(FocalLengthTest.BreathingSigma * marked));
        RobustFit? fit = null;
        Observation[] observations = [];
        for (var round = 0; round < 3; round++)
        {
            var (f, set) = (slope, setup);
            observations = [.. readings.Select(r => Of(r.DistanceMm, r.Magnification, isThrough, f, pictureWidthMm, set))];
            fit = RobustFit.Of(observations, [Prior.None, new(isThrough ? 2 * marked : 0, loose)]);
            slope = fit?.Fit.Values[0] ?? slope;
        }

        return (fit, [.. readings.Select((r, i) => new ChartPoint(
            r.DistanceMm, (r.DistanceMm - (fit?.Fit.Values[1] ?? 0)) / observations[i].Row[0], observations[i].Sigma * Distributions.Normal95 / observations[i].Row[0], r.At))]);
    }

    private static Observation Of(double distanceMm, double m, bool isThrough, double focal, double pictureWidthMm, in TestSetup setup)
    {
        var byWidth = focal / pictureWidthMm * setup.WidthPlusMinusMm;
        return new([isThrough ? 1 / m : 2 + m + 1 / m, 1], distanceMm, Math.Sqrt(Square(setup.TapePlusMinusMm) + Square(byWidth)) / Distributions.Normal95);
    }

    private static double Imagined(double focal, double distanceMm) => focal / Math.Max(focal, distanceMm - 2 * focal);

    private static double Square(double x) => x * x;
}

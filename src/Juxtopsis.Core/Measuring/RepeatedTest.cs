using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Measuring;

/// <summary>Tests in which every reading says the same thing once more: their weighted mean, without slips.</summary>
internal static class RepeatedTest
{
    private static readonly double[] Row = [1];

    /// <summary>True squeeze: what a rectangle of known shape is in the recorded picture.</summary>
    public static TestReport Squeeze(in TestSetup setup, IReadOnlyList<TestReading> readings)
    {
        var pixel = setup.MarkPlusMinusPx;
        return Evaluate(TestQuantity.Squeeze, readings, setup.Squeeze > 1 ? setup.Squeeze : null, r =>
        {
            if (r is not { WidthPx: { } across, HeightPx: { } up })
            {
                return null;
            }

            var shape = (r.WidthMm, r.HeightMm) is ({ } w, { } h) ? w / h : 1;
            var squeeze = shape * up / across;
            return (squeeze, squeeze * pixel * Math.Sqrt(1 / (across * across) + 1 / (up * up)));
        });
    }

    /// <summary>Turn of a squeeze: from how far an upright line leans, see <see cref="Squeezing.UprightLean"/>.</summary>
    public static TestReport Turn(in TestSetup setup, IReadOnlyList<TestReading> readings)
    {
        var (squeeze, angle) = (setup.Squeeze, setup.AnglePlusMinusDeg);
        return Evaluate(TestQuantity.SqueezeTurn, readings, null, r => r.LeanDeg is { } lean && squeeze > 1.001
            ? (TurnOf(squeeze, lean), Math.Abs(TurnOf(squeeze, lean + angle) - TurnOf(squeeze, lean - angle)) / 2)
            : null);
    }

    /// <summary>T-number: that of the other lens, and how much darker this one was.</summary>
    public static TestReport Transmission(in TestSetup setup, IReadOnlyList<TestReading> readings)
    {
        var plusMinus = setup.StopsPlusMinus;
        return Evaluate(TestQuantity.TNumber, readings, setup.FNumber, r =>
        {
            if (r.TNumber is not { } other)
            {
                return null;
            }

            var t = other * PortableMath.Exp2((r.Stops ?? 0) / 2);
            return (t, t * (PortableMath.Exp2(plusMinus / 2) - 1));
        });
    }

    /// <summary>Nearest focus, as taped.</summary>
    public static TestReport Nearest(in TestSetup setup, IReadOnlyList<TestReading> readings)
    {
        var tape = setup.TapePlusMinusMm;
        return Evaluate(TestQuantity.MinimumFocusDistance, readings, setup.MinimumFocusDistanceMm, r => r.DistanceMm is { } d ? (d, tape) : null);
    }

    /// <summary>Largest ratio: the used width over the width seen at the nearest focus.</summary>
    public static TestReport Ratio(in TestSetup setup, IReadOnlyList<TestReading> readings)
    {
        var (picture, width) = (setup.UsedWidthMm * setup.Squeeze, setup.WidthPlusMinusMm);
        return Evaluate(TestQuantity.MaximumMagnification, readings, setup.MaximumMagnification, r =>
            picture is { } across && r.WidthMm is { } seen ? (across / seen, across / seen * width / seen) : null);
    }

    /// <summary>Weight, as the scales say.</summary>
    public static TestReport Weight(in TestSetup setup, IReadOnlyList<TestReading> readings)
    {
        var scales = setup.WeightPlusMinusG;
        return Evaluate(TestQuantity.Weight, readings, null, r => r.WeightG is { } g ? (g, scales) : null);
    }

    /// <summary>Price, as paid: exactly what the last reading says.</summary>
    public static TestReport Price(IReadOnlyList<TestReading> readings)
    {
        var last = readings.Select((r, i) => (r.PurchasePrice, r.IsSetAside, At: i)).LastOrDefault(r => r.PurchasePrice is not null && !r.IsSetAside);
        TestResult[] results = last.PurchasePrice is { } paid ? [new(TestQuantity.Price, null, paid, 0, null, 1)] : [];
        return new(results, [.. readings.Select((_, i) => new ReadingFit(results.Length > 0 && i == last.At, false))], [], null, []);
    }

    private static TestReport Evaluate(TestQuantity quantity, IReadOnlyList<TestReading> readings, double? marked, Func<TestReading, (double Value, double PlusMinus)?> read)
    {
        ReadingFit[] fits = [.. readings.Select(_ => ReadingFit.Unused)];
        var some = readings.Select((r, i) => (Said: r.IsSetAside ? null : read(r), At: i)).Where(r => r.Said is not null).Select(r => (r.Said!.Value.Value, r.Said.Value.PlusMinus, r.At)).ToArray();
        Observation[] observations = [.. some.Select(s => new Observation(Row, s.Value, s.PlusMinus / Distributions.Normal95))];
        if (RobustFit.Of(observations, [Prior.None]) is not { } fit)
        {
            return new([], fits, [], null, []);
        }

        for (var i = 0; i < some.Length; i++)
        {
            fits[some[i].At] = new(true, fit.IsLeftOut[i]);
        }

        var (value, plusMinus) = (fit.Fit.Values[0], fit.PlusMinus(Row));
        var findings = new List<Diagnostics.Diagnostic>();
        TestWords.Scatter(findings, fit, some.Length, null);
        ChartPoint[] points = [.. some.Select(s => new ChartPoint(s.At + 1, s.Value, s.PlusMinus, s.At))];
        var next = fit.Factor * Math.Sqrt(fit.Fit.VarianceWith(Row, observations[^1]));
        return new(
            [new(quantity, null, value, plusMinus, marked, fit.IsLeftOut.Count(x => !x))], fits, findings, new(null, next),
            [new(null, false, points, [new(points[0].X, value, plusMinus, -1), new(points[^1].X, value, plusMinus, -1)])]);
    }

    /// <summary>The turn at which an upright line leans so far; by bisection, since the lean grows with it within the range that is told.</summary>
    private static double TurnOf(double squeeze, double leanDeg)
    {
        var radians = leanDeg * (Math.PI / 180);
        var sine = PortableMath.Sin(radians);
        var lean = sine / Math.Sqrt(1 - sine * sine);
        var (low, high) = (-Squeezing.MaxTurnDeg, Squeezing.MaxTurnDeg);
        for (var i = 0; i < 50; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Squeezing.UprightLean(squeeze, middle) < lean ? (middle, high) : (low, middle);
        }

        return (low + high) / 2;
    }
}

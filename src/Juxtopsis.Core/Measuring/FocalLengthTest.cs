using Juxtopsis.Core.Diagnostics;

namespace Juxtopsis.Core.Measuring;

/// <summary>
/// The true focal length from widths seen at tape distances. With m = used width · squeeze / width seen, a lens whose focal length falls in
/// proportion to m as it focuses closer stands at D = (f − βm)(2 + m + 1/m) + e from the target: a sum of the unknowns f, β and e, fitted by
/// <see cref="RobustFit"/>.
/// </summary>
/// <remarks>
/// e is what lies between the thin lens and the real one (its principal planes are not one, and the mark may be off); β is its breathing.
/// One distance tells neither: they are then taken for what lenses have, within ± 50 mm and ± 60 % of f, and the interval is as wide as
/// that makes it. Source: thin lens, see <see cref="Optics.ThinLens"/>.
/// </remarks>
internal static class FocalLengthTest
{
    /// <summary>What lenses have of e, mm: one standard deviation.</summary>
    public const double HiatusSigmaMm = 25;

    /// <summary>What they have of β over f: one standard deviation.</summary>
    public const double BreathingSigma = 0.3;

    private static readonly double[] OfFocal = [1, 0, 0];
    private static readonly double[] OfPupil = [1, 0, 1];
    private static readonly double[] Candidates = [500, 800, 1200, 2000, 3000, 5000, 8000, 12_000];

    /// <summary>Fits.</summary>
    public static TestReport Evaluate(in TestSetup setup, IReadOnlyList<TestReading> readings)
    {
        ReadingFit[] fits = [.. readings.Select(_ => ReadingFit.Unused)];
        var results = new List<TestResult>();
        var findings = new List<Diagnostic>();
        var charts = new List<TestChart>();
        NextReading? next = null;
        var width = setup.UsedWidthMm * setup.Squeeze;
        var usual = setup.FocalLengthMm;
        var groups = readings.Select((r, i) => (Reading: r, At: i)).Where(r => !r.Reading.IsSetAside && width is not null && r.Reading is { DistanceMm: not null, WidthMm: not null })
            .GroupBy(r => r.Reading.FocalLengthMm ?? usual).OrderBy(g => g.Key);
        foreach (var group in groups)
        {
            var some = group.Select(r => new FieldReading(r.Reading.DistanceMm!.Value, width!.Value / r.Reading.WidthMm!.Value, r.At)).ToArray();
            foreach (var one in some)
            {
                fits[one.At] = new(true, false);
            }

            var (fit, observations) = Fit(some, setup, group.Key, width!.Value);
            if (fit is null || !(fit.Fit.Values[0] > 0))
            {
                continue;
            }

            for (var i = 0; i < some.Length; i++)
            {
                fits[some[i].At] = new(true, fit.IsLeftOut[i]);
            }

            var kept = some.Where((_, i) => !fit.IsLeftOut[i]).ToArray();
            Tell(results, fit, kept, group.Key);
            TestWords.Scatter(findings, fit, some.Length, group.Key);
            charts.Add(Chart(fit, some, observations, group.Key));
            next ??= Next(fit, setup, width!.Value);
        }

        return new(results, fits, findings, next, charts);
    }

    /// <summary>Where one more reading would narrow the focal length most.</summary>
    private static NextReading? Next(RobustFit fit, in TestSetup setup, double pictureWidthMm)
    {
        var focal = fit.Fit.Values[0];
        var (best, least) = (0.0, double.PositiveInfinity);
        foreach (var distance in Candidates)
        {
            if (distance >= (setup.MinimumFocusDistanceMm ?? 0) && distance > 4.5 * focal
                && fit.Fit.VarianceWith(OfFocal, Imagined(focal, distance, setup, pictureWidthMm)) is var variance && variance < least)
            {
                (best, least) = (distance, variance);
            }
        }

        return best > 0 ? new(best, fit.Factor * Math.Sqrt(least)) : null;
    }

    private static void Tell(List<TestResult> results, RobustFit fit, FieldReading[] kept, double? mark)
    {
        var values = fit.Fit.Values;
        var focal = values[0];
        results.Add(new(TestQuantity.FocalLength, mark, focal, fit.PlusMinus(OfFocal), mark, kept.Length));

        // What the readings say no more of than one knew before is not told as found.
        var pupil = Math.Sqrt(fit.Fit.VarianceAt(OfPupil));
        if (pupil < 0.6 * HiatusSigmaMm)
        {
            results.Add(new(TestQuantity.EntrancePupil, mark, focal + values[2], fit.PlusMinus(OfPupil), null, kept.Length));
        }

        var closest = kept.Max(r => r.Magnification);
        if (Math.Sqrt(fit.Fit.VarianceAt([0, 1, 0])) < 0.5 * BreathingSigma * focal && closest > 0.02)
        {
            var shortened = values[1] * closest / focal;
            results.Add(new(TestQuantity.Breathing, mark, shortened, fit.PlusMinus([0, closest / focal, 0]), null, kept.Length));
        }
    }

    private static (RobustFit? Fit, IReadOnlyList<Observation> Observations) Fit(IReadOnlyList<FieldReading> readings, in TestSetup setup, double? mark, double pictureWidthMm)
    {
        var focal = mark ?? readings.Average(r => r.DistanceMm / Spread(r.Magnification));
        var breathing = Breathing(setup, focal);
        (RobustFit? Fit, IReadOnlyList<Observation> Observations) fitted = (null, []);
        for (var round = 0; round < 3; round++)
        {
            var (f, set) = (focal, setup);
            Observation[] observations = [.. readings.Select(r => Of(r, f, set, pictureWidthMm))];
            fitted = (RobustFit.Of(observations, [Prior.None, new(breathing, BreathingSigma * focal), new(0, HiatusSigmaMm)]), observations);
            if (fitted.Fit is null || !(fitted.Fit.Fit.Values[0] > 0))
            {
                break;
            }

            focal = fitted.Fit.Fit.Values[0];
        }

        return fitted;
    }

    /// <summary>β by the lens's papers: what it has lost of its focal length at its nearest focus, over the ratio there; 0 when not known.</summary>
    private static double Breathing(in TestSetup setup, double focal) =>
        setup is { MinimumFocusDistanceMm: { } nearest, MaximumMagnification: { } ratio } ? (focal - nearest * ratio / ((1 + ratio) * (1 + ratio))) / ratio : 0;

    private static Observation Of(in FieldReading reading, double focal, in TestSetup setup, double pictureWidthMm)
    {
        var m = reading.Magnification;
        var spread = Spread(m);
        var byWidth = focal * Math.Abs(1 - 1 / (m * m)) * m * m / pictureWidthMm * setup.WidthPlusMinusMm;
        return new([spread, -m * spread, 1], reading.DistanceMm, Math.Sqrt(setup.TapePlusMinusMm * setup.TapePlusMinusMm + byWidth * byWidth) / Distributions.Normal95);
    }

    /// <summary>A reading as it would be taken at a distance.</summary>
    private static Observation Imagined(double focal, double distanceMm, in TestSetup setup, double pictureWidthMm)
    {
        var away = (distanceMm + Math.Sqrt(distanceMm * distanceMm - 4 * focal * distanceMm)) / 2;
        return Of(new(distanceMm, focal / (away - focal), -1), focal, setup, pictureWidthMm);
    }

    private static TestChart Chart(RobustFit fit, FieldReading[] readings, IReadOnlyList<Observation> observations, double? mark)
    {
        var values = fit.Fit.Values;
        ChartPoint[] points = [.. readings.Select((r, i) => new ChartPoint(
            r.DistanceMm, (r.DistanceMm - values[2]) / Spread(r.Magnification), observations[i].Sigma * Distributions.Normal95 / Spread(r.Magnification), r.At))];
        ChartPoint[] line = [.. readings.OrderBy(r => r.DistanceMm).Select(r => new ChartPoint(r.DistanceMm, values[0] - values[1] * r.Magnification, fit.PlusMinus([1, -r.Magnification, 0]), -1))];
        return new(mark, false, points, line);
    }

    /// <summary>2 + m + 1/m: distance over focal length.</summary>
    private static double Spread(double m) => 2 + m + 1 / m;

    private readonly record struct FieldReading(double DistanceMm, double Magnification, int At);
}

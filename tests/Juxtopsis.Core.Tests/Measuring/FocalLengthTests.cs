using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Measuring;
using TestResult = Juxtopsis.Core.Measuring.TestResult;

namespace Juxtopsis.Core.Tests.Measuring;

public sealed class FocalLengthTests
{
    private const double Picture = 36;
    private const double Ninety5 = 1.959964;
    private static readonly double[] Usual = [700, 1200, 2000, 3500, 6000];

    /// <summary>A width as a lens with breathing and a hiatus shows it at a distance: D = (f − βm)(2 + m + 1/m) + e, by bisection.</summary>
    private static double WidthAt(double distance, double focal, double breathing, double hiatus)
    {
        var (low, high) = (1e-6, 1.0);
        for (var i = 0; i < 200; i++)
        {
            var m = Math.Sqrt(low * high);
            (low, high) = (focal - breathing * m) * (2 + m + 1 / m) + hiatus > distance ? (m, high) : (low, m);
        }

        return Picture / Math.Sqrt(low * high);
    }

    private static TestReading[] Readings(Noise noise, double focal, double breathing, double hiatus, IEnumerable<double> distances, double times = 1) =>
        [.. distances.Select(d => new TestReading(50)
        {
            DistanceMm = d + noise.Normal(times * 10 / Ninety5),
            WidthMm = WidthAt(d, focal, breathing, hiatus) + noise.Normal(times * 3 / Ninety5),
        })];

    private static TestResult? Focal(TestReport report) => report.Results.FirstOrDefault(r => r.Quantity == TestQuantity.FocalLength);

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(5)]
    [InlineData(9)]
    public void The_truth_lies_in_the_interval_as_often_as_it_claims(int count)
    {
        var held = 0;
        for (var seed = 0; seed < 1000; seed++)
        {
            var noise = new Noise(seed);
            var (focal, breathing, hiatus) = (noise.Between(46, 52), noise.Normal(0.3 * 50), noise.Normal(25));
            var distances = Enumerable.Range(0, count).Select(i => Usual[i % Usual.Length]);
            var found = Focal(UnitTest.Evaluate(TestKind.FocalLength, new(Picture), Readings(noise, focal, breathing, hiatus, distances)))!;
            held += Math.Abs(found.Value - focal) <= found.PlusMinus ? 1 : 0;
        }

        Assert.InRange(held, 930, 970);
    }

    [Fact]
    public void Readings_that_scatter_three_times_as_much_as_they_claim_widen_the_interval_to_the_truth()
    {
        var held = 0;
        for (var seed = 0; seed < 1000; seed++)
        {
            var noise = new Noise(seed);
            var distances = Enumerable.Range(0, 12).Select(i => Usual[i % Usual.Length]);
            var found = Focal(UnitTest.Evaluate(TestKind.FocalLength, new(Picture), Readings(noise, 48.6, 12, -8, distances, 3)))!;
            held += Math.Abs(found.Value - 48.6) <= found.PlusMinus ? 1 : 0;
        }

        Assert.InRange(held, 920, 980);
    }

    [Fact]
    public void A_slip_among_five_is_told_and_left_out_and_the_interval_still_claims_what_it_holds()
    {
        var (held, told) = (0, 0);
        for (var seed = 0; seed < 1000; seed++)
        {
            var noise = new Noise(seed);
            var readings = Readings(noise, 48.6, noise.Normal(15), noise.Normal(25), Usual);
            var slip = seed % readings.Length;
            readings[slip] = readings[slip] with { DistanceMm = readings[slip].DistanceMm + (seed % 2 == 0 ? 150 : -150) };
            var report = UnitTest.Evaluate(TestKind.FocalLength, new(Picture), readings);
            told += report.Readings[slip].IsOutlier && report.Findings.Any(f => f.Code == DiagnosticCode.ReadingsContradict) ? 1 : 0;
            held += Math.Abs(Focal(report)!.Value - 48.6) <= Focal(report)!.PlusMinus ? 1 : 0;
        }

        Assert.InRange(told, 900, 1000);
        Assert.InRange(held, 920, 980);
    }

    [Fact]
    public void One_reading_says_what_it_can_and_what_one_more_would_bring()
    {
        var report = UnitTest.Evaluate(TestKind.FocalLength, new(Picture), Readings(new(1), 48.6, 0, 0, [2000]));
        var one = Focal(report)!;
        Assert.InRange(one.PlusMinus, 0.5, 4);
        Assert.Equal(50, one.Marked);
        Assert.DoesNotContain(report.Results, r => r.Quantity == TestQuantity.Breathing);
        var two = Focal(UnitTest.Evaluate(TestKind.FocalLength, new(Picture), Readings(new(1), 48.6, 0, 0, [2000, report.Next!.DistanceMm!.Value])))!;
        Assert.Equal(report.Next.PlusMinus, two.PlusMinus, 0.05 * two.PlusMinus);
    }

    [Fact]
    public void Readings_close_by_and_far_off_tell_breathing_and_the_pupil()
    {
        var (focal, breathing, hiatus) = (48.6, 30.0, 12.0);
        var report = UnitTest.Evaluate(
            TestKind.FocalLength, new(Picture) { TapePlusMinusMm = 2, WidthPlusMinusMm = 0.5 },
            [.. new double[] { 350, 350, 450, 600, 1000, 2000, 4000 }.Select(d => new TestReading(50) { DistanceMm = d, WidthMm = WidthAt(d, focal, breathing, hiatus) })]);
        var pupil = report.Results.Single(r => r.Quantity == TestQuantity.EntrancePupil);
        Assert.Equal(focal + hiatus, pupil.Value, pupil.PlusMinus);
        var closest = Picture / WidthAt(350, focal, breathing, hiatus);
        var breathes = report.Results.Single(r => r.Quantity == TestQuantity.Breathing);
        Assert.Equal(breathing * closest / focal, breathes.Value, breathes.PlusMinus);
        Assert.InRange(breathes.PlusMinus, 0, 0.05);
    }

    [Fact]
    public void Two_that_contradict_each_other_are_told_and_widen_the_interval()
    {
        TestReading[] readings = [new(50) { DistanceMm = 2000, WidthMm = 1400 }, new(50) { DistanceMm = 2000, WidthMm = 1700 }];
        var report = UnitTest.Evaluate(TestKind.FocalLength, new(Picture), readings);
        Assert.Contains(report.Findings, f => f.Code == DiagnosticCode.ReadingsScatter && f.Fix.Contains("another", StringComparison.Ordinal));
        Assert.True(Focal(report)!.PlusMinus > 5);
        Assert.All(report.Readings, r => Assert.False(r.IsOutlier));
    }

    [Fact]
    public void Each_mark_of_a_zoom_is_fitted_on_its_own_and_what_is_set_aside_does_not_count()
    {
        var readings = Readings(new(3), 23.4, 0, 0, [1000, 3000]).Select(r => r with { FocalLengthMm = 24 })
            .Concat(Readings(new(4), 68.2, 0, 0, [1500, 5000]).Select(r => r with { FocalLengthMm = 70 }))
            .Append(new(70) { DistanceMm = 100, WidthMm = 9000, IsSetAside = true }).ToArray();
        var report = UnitTest.Evaluate(TestKind.FocalLength, new(Picture), readings);
        Assert.Equal([24.0, 70.0], report.Results.Where(r => r.Quantity == TestQuantity.FocalLength).Select(r => r.AtMm!.Value));
        Assert.False(report.Readings[^1].IsUsed);
        Assert.Equal(2, report.Charts.Count);
    }

    [Fact]
    public void Readings_without_what_is_asked_say_nothing_and_break_nothing()
    {
        var report = UnitTest.Evaluate(TestKind.FocalLength, new((double?)null), [new(50), new(50) { DistanceMm = 2000 }]);
        Assert.Empty(report.Results);
        Assert.Null(report.Next);
        Assert.Empty(UnitTest.Evaluate(TestKind.FocalLength, new(Picture), []).Results);
    }
}

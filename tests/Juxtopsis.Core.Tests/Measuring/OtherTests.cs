using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Core.Optics;
using TestResult = Juxtopsis.Core.Measuring.TestResult;

namespace Juxtopsis.Core.Tests.Measuring;

public sealed class OtherTests
{
    private const double Ninety5 = 1.959964;

    private static double Held(int seeds, Func<Noise, (double Truth, TestResult Found)> test)
    {
        var held = 0;
        for (var seed = 0; seed < seeds; seed++)
        {
            var (truth, found) = test(new(seed));
            held += Math.Abs(found.Value - truth) <= found.PlusMinus ? 1 : 0;
        }

        return (double)held / seeds;
    }

    [Fact]
    public void A_reducers_factor_is_held_as_often_as_claimed()
    {
        var share = Held(1000, noise =>
        {
            var (focal, k) = (noise.Between(34, 36), noise.Between(0.69, 0.74));
            var (hiatus, track) = (noise.Normal(25), 2 * 35 + noise.Normal(40));
            var readings = new[] { 1000.0, 2500, 6000 }.SelectMany(d => new[] { false, true }.Select(through =>
            {
                var m = through ? k * focal / (d - track) : Magnification(d, focal, hiatus);
                return new TestReading(35) { IsThrough = through, DistanceMm = d + noise.Normal(10 / Ninety5), WidthMm = 23.5 / m + noise.Normal(3 / Ninety5) };
            })).ToArray();
            return (k, UnitTest.Evaluate(TestKind.Magnification, new(23.5) { FocalLengthMm = 35 }, readings).Results[0]);
        });
        Assert.InRange(share, 0.93, 0.985);

        static double Magnification(double distance, double focal, double hiatus)
        {
            var s = (distance - hiatus + Math.Sqrt((distance - hiatus) * (distance - hiatus) - 4 * focal * (distance - hiatus))) / 2;
            return focal / (s - focal);
        }
    }

    [Fact]
    public void A_factor_asks_for_both_sides()
    {
        var report = UnitTest.Evaluate(TestKind.Magnification, new(23.5) { FocalLengthMm = 35 }, [new(35) { DistanceMm = 2000, WidthMm = 1270 }]);
        Assert.Empty(report.Results);
        Assert.Contains(report.Findings, f => f.Code == DiagnosticCode.ReadingsMissing && f.Message.Contains("through it", StringComparison.Ordinal));
    }

    [Fact]
    public void A_squeeze_is_held_as_often_as_claimed()
    {
        var share = Held(1000, noise => (1.29, UnitTest.Evaluate(TestKind.Squeeze, new((double?)null) { Squeeze = 1.33 }, [.. Enumerable.Range(0, 4).Select(_ =>
            new TestReading(50) { WidthMm = 300, HeightMm = 200, WidthPx = 600 / 1.29 + noise.Normal(2 / Ninety5), HeightPx = 400 + noise.Normal(2 / Ninety5) })]).Results[0]));
        Assert.InRange(share, 0.93, 0.97);
    }

    [Theory]
    [InlineData(2, 1.5)]
    [InlineData(1.33, -3)]
    public void A_turn_comes_back_from_the_lean_that_it_makes(double squeeze, double turn)
    {
        var lean = Math.Atan(Squeezing.UprightLean(squeeze, turn)) * 180 / Math.PI;
        var found = UnitTest.Evaluate(TestKind.SqueezeTurn, new((double?)null) { Squeeze = squeeze }, [new(50) { LeanDeg = lean }]).Results[0];
        Assert.Equal(turn, found.Value, 1e-6);
        Assert.InRange(found.PlusMinus, 0.05, 1);
    }

    [Fact]
    public void Without_a_squeeze_nothing_is_turned() =>
        Assert.Empty(UnitTest.Evaluate(TestKind.SqueezeTurn, new((double?)null), [new(50) { LeanDeg = 1 }]).Results);

    [Fact]
    public void A_T_number_is_the_other_lenss_and_what_this_one_took_more()
    {
        TestReading[] readings = [new(50) { TNumber = 2, Stops = 0.33 }, new(50) { TNumber = 2.8, Stops = -0.67 }, new(50) { TNumber = 2, Stops = 0.3 }, new(50) { TNumber = 2, Stops = 2 }];
        var report = UnitTest.Evaluate(TestKind.Transmission, new((double?)null) { FNumber = 2 }, readings);
        Assert.Equal(2.22, report.Results[0].Value, 0.03);
        Assert.Equal(3, report.Results[0].Count);
        Assert.True(report.Readings[3].IsOutlier);
        Assert.True(report.Next!.PlusMinus < report.Results[0].PlusMinus);
    }

    [Theory]
    [InlineData(0.05)]
    [InlineData(-0.03)]
    public void A_mount_that_is_off_is_told_in_millimetres(double off)
    {
        const double focal = 50;
        var readings = new[] { 1000.0, 2000, 4000 }.Select(mark =>
        {
            var image = (mark - Math.Sqrt(mark * mark - 4 * focal * mark)) / 2 + off;
            return new TestReading(50) { MarkedMm = mark, DistanceMm = image + focal * image / (image - focal) };
        }).ToArray();
        var found = UnitTest.Evaluate(TestKind.BackFocus, new((double?)null) { FocalLengthMm = focal, FNumber = 1.4, TapePlusMinusMm = 5 }, readings).Results[0];
        Assert.Equal(TestQuantity.MountError, found.Quantity);
        Assert.Equal(off, found.Value, found.PlusMinus);
        Assert.InRange(found.PlusMinus, 0.005, 0.02);
    }

    [Fact]
    public void Marks_that_are_off_by_a_factor_are_told_as_that()
    {
        var readings = new[] { 800.0, 1500, 3000, 6000 }.Select(mark => new TestReading(50) { MarkedMm = mark, DistanceMm = mark * 1.08 }).ToArray();
        var found = UnitTest.Evaluate(TestKind.BackFocus, new((double?)null) { FocalLengthMm = 50, FNumber = 1.4, TapePlusMinusMm = 5 }, readings).Results[0];
        Assert.Equal(TestQuantity.MarkFactor, found.Quantity);
        Assert.Equal(1.08, found.Value, 0.01);
    }

    [Fact]
    public void Scales_tapes_and_bills_say_what_they_say()
    {
        Assert.Equal(612, UnitTest.Evaluate(TestKind.Weight, new((double?)null), [new(50) { WeightG = 610 }, new(50) { WeightG = 614 }]).Results[0].Value, 1e-9);
        Assert.Equal(430, UnitTest.Evaluate(TestKind.MinimumFocusDistance, new((double?)null), [new(50) { DistanceMm = 430 }]).Results[0].Value, 1e-9);
        Assert.Equal(0.25, UnitTest.Evaluate(TestKind.MaximumMagnification, new(36), [new(50) { WidthMm = 144 }]).Results[0].Value, 1e-9);
        Assert.Equal(850, UnitTest.Evaluate(TestKind.Price, new((double?)null), [new(50) { PurchasePrice = 900 }, new(50) { PurchasePrice = 850 }]).Results[0].Value);
        Assert.Throws<ArgumentOutOfRangeException>(() => UnitTest.Evaluate(TestKind.Falloff, new((double?)null), []));
    }
}

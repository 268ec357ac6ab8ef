using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Margins;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;
using Juxtopsis.Core.Tests.Chains;
using Juxtopsis.Core.Tests.Measuring;

namespace Juxtopsis.Core.Tests.Margins;

/// <summary>How sure what fits is: by hand, and against random sampling of the gear and the place.</summary>
public sealed class FitMarginsTests
{
    private static readonly GearItem Body = Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25) });
    private static readonly GearItem Prime = Made.Lens.With(LensFields.Ratio, null);
    private static readonly GearItem Wide = Prime.With(LensFields.Short, 24.0).With(LensFields.Long, 24.0).With(CommonFields.Name, "Wide").WithId(Guid.Parse("00000000-0000-4000-8000-000000000024"));
    private static readonly GearItem Zoom = Prime.With(LensFields.Short, 30.0).With(LensFields.Long, 70.0).With(CommonFields.Name, "Zoom");

    /// <summary>1 m upright: m = 20.25/1000, D = 35·1.02025²/0.02025 = 1799.11 mm.</summary>
    private static readonly ShotBrief Metre = new(new ShotSubject(SubjectKind.Standing, 1750), ShotSize.Medium) { Typed = new FramedSize(1000, IsAcross: false) };

    private static readonly Location Room = new() { LengthMm = 5000, WidthMm = 4000, HeightMm = 2500, BehindMm = 1500 };

    private static FitResult Ask(Location location, FitRules? rules = null, params GearItem[] items) =>
        new FitSearch(FittingShelf.Of([Made.Near, Made.Far, .. items]), location, Metre, Conventions.Default, RankingCriterion.MostBlur, rules: rules).Finish(withMargins: true);

    private static Spare SpareOf(Fit fit, SpareKind kind) => Assert.Single(fit.Margin!.Spares, s => s.Kind == kind);

    [Fact]
    public void A_prime_has_its_room_by_focal_length_room_and_tape()
    {
        var fit = Ask(Room, null, Body, Prime).Fits[0];
        var spare = SpareOf(fit, SpareKind.Room);

        // 5 m less 1.5 m behind, less 900 for the tripod and whoever stands there, less 1799.11. D goes with f: 3 % of it is 53.97.
        Assert.Equal(800.89, spare.Mm, 0.01);
        Assert.Equal(Math.Sqrt(53.97 * 53.97 + 100 * 100 + 20 * 20), spare.PlusMinusMm, 0.05);
        Assert.Equal([MarginSource.Room, MarginSource.FocalLength, MarginSource.Tape], spare.Parts.Select(p => p.Source));
        Assert.Equal(53.97, fit.Margin!.StandPlusMinusMm!.Value, 0.02);
        Assert.False(spare.IsClose);
        Assert.Null(fit.Margin.Closest);
    }

    [Fact]
    public void What_was_measured_makes_it_surer()
    {
        var tested = Prime.With(LensFields.TestedFocal, new[] { new GearPoint(35, 35.0) }).With(LensFields.TestedFocalPlusMinus, 0.005);
        var spare = SpareOf(Ask(Room with { IsTaped = true }, null, Body, tested).Fits[0], SpareKind.Room);
        Assert.Equal(Math.Sqrt(8.995 * 8.995 + 20 * 20 + 20 * 20), spare.PlusMinusMm, 0.05);
        Assert.All(spare.Parts, p => Assert.True(p.IsMeasured));

        // Where true focal lengths do not count, its test does not either.
        var marked = SpareOf(Ask(Room with { IsTaped = true }, FitRules.All with { Measured = false }, Body, tested).Fits[0], SpareKind.Room);
        Assert.Equal(Math.Sqrt(53.97 * 53.97 + 20 * 20 + 20 * 20), marked.PlusMinusMm, 0.05);

        // Nor where the test found it far off its mark: 3 % of the mark, about the place that the mark gives.
        var off = tested.With(LensFields.TestedFocal, new[] { new GearPoint(35, 31.0) });
        var byMark = SpareOf(Ask(Room with { IsTaped = true }, FitRules.All with { Measured = false }, Body, off).Fits[0], SpareKind.Room);
        Assert.Equal(800.89, byMark.Mm, 0.01);
        Assert.Equal(Math.Sqrt(53.97 * 53.97 + 20 * 20 + 20 * 20), byMark.PlusMinusMm, 0.05);
    }

    [Fact]
    public void What_only_just_fits_says_so_and_what_is_surer()
    {
        var result = Ask(Room with { LengthMm = 4280 }, null, Body, Prime, Wide);
        var fit = result.Fits.Single(f => f.Rig.Lens.Id == Prime.Id);
        var spare = fit.Margin!.Closest!;
        Assert.Equal((SpareKind.Room, true), (spare.Kind, spare.IsClose));
        Assert.Equal("80 mm of room left, ± 12 cm", new FitWords(LengthUnit.Metres).Say(spare));
        Assert.Equal("Wide", fit.Surer!.ItemName);
        Assert.NotNull(fit.Surer.With);
        Assert.Equal("Measure the room, or take the Wide.", FitWords.Surer(spare, fit.Surer?.ItemName));
        Assert.Null(result.Fits.Single(f => f.Rig.Lens.Id == Wide.Id).Margin!.Closest);
    }

    [Fact]
    public void What_only_just_does_not_fit_may()
    {
        var result = Ask(Room with { LengthMm = 4150 }, null, Body, Prime);
        var margin = Assert.Single(result.Misses).Margin!;
        Assert.Equal(-49.11, margin.Mm, 0.01);
        Assert.True(margin.IsClose);
        Assert.Null(Assert.Single(Ask(Room with { LengthMm = 3800 }, null, Body, Prime).Misses).Margin);
    }

    [Fact]
    public void A_zoom_makes_up_for_its_focal_length_but_not_at_its_end()
    {
        // At 30 mm it stands at 1542; nothing but its short end and the room limit it there.
        var fit = Ask(Room, null, Body, Zoom).Fits[0];
        Assert.Null(fit.Margin!.StandPlusMinusMm);
        var spare = SpareOf(fit, SpareKind.Room);
        Assert.Equal(2600 - 1542.09, spare.Mm, 0.02);
        Assert.Equal(Math.Sqrt(46.26 * 46.26 + 100 * 100 + 20 * 20), spare.PlusMinusMm, 0.2);
    }

    [Fact]
    public void Parts_that_are_called_alike_are_not_taken_for_each_other()
    {
        var lens = Made.FarLens.With(LensFields.Ratio, null).With(LensFields.ImageCircle, 70.0);
        var reducer = Made.Adapter.With(AdapterFields.Magnification, 0.71);
        var other = Made.Tube.With(AdapterFields.Magnification, 1.4).With(AdapterFields.Extension, null);
        double Of(params GearItem[] items) => SpareOf(Ask(Room with { LengthMm = 7000 }, null, [Body, .. items]).Fits[0], SpareKind.Room).PlusMinusMm;
        Assert.Equal(Of(lens, reducer), Of(lens.With(CommonFields.Name, reducer.Name), reducer), 1e-9);
        Assert.Equal(Of(Prime, other), Of(Prime.With(CommonFields.Name, other.Name), other), 1e-9);
    }

    [Fact]
    public void A_camera_that_keeps_its_lens_is_as_unsure_as_that()
    {
        var camera = Made.Camera.With(BodyFields.Modes, new[] { Made.Mode("Full", 13.2, 7.425) }).With(LensFields.Long, null);
        var fit = Ask(Room, null, camera).Fits[0];
        Assert.Equal(0.03 * fit.Scene.SubjectDistanceMm, fit.Margin!.StandPlusMinusMm!.Value, 1);
        var part = SpareOf(fit, SpareKind.Room).Parts.Single(p => p.Source == MarginSource.FocalLength);
        Assert.Equal("Camera", part.Item);
    }

    [Fact]
    public void In_the_open_there_is_no_room_to_run_out_of()
    {
        var fit = Ask(new Location(), null, Body, Prime).Fits[0];
        Assert.DoesNotContain(fit.Margin!.Spares, s => s.Kind is SpareKind.Room or SpareKind.KeepOff);
        Assert.Equal(53.97, fit.Margin.StandPlusMinusMm!.Value, 0.02);
    }

    [Theory]
    [InlineData("prime", 5000, 0)]
    [InlineData("zoom", 5000, 0)]
    [InlineData("reduced", 6000, 0)]
    [InlineData("squeezed", 7000, 0)]
    [InlineData("prime", 5000, 1500)]
    [InlineData("zoom", 4600, 900)]
    public void Spares_are_as_unsure_as_random_sampling_says(string rig, double lengthMm, double keepOffMm)
    {
        const int draws = 900;
        var noise = new Noise(4);
        GearItem[] items = rig switch
        {
            "zoom" => [Body, Zoom],
            "reduced" => [Body, Made.FarLens.With(LensFields.Ratio, null).With(LensFields.ImageCircle, 70.0), Made.Adapter.With(AdapterFields.Magnification, 0.71)],
            "squeezed" => [Body, Prime.With(LensFields.Squeeze, 1.5)],
            _ => [Body, Prime],
        };
        var place = Room with { LengthMm = lengthMm, KeepOffMm = keepOffMm };
        var told = Ask(place, null, items).Fits[0];
        var found = told.Margin!.Spares.ToDictionary(s => s.Kind, _ => new List<double>());
        for (var draw = 0; draw < draws; draw++)
        {
            var (room, tape) = (noise.Normal(100 / 1.959964), noise.Normal(20 / 1.959964));
            var there = place with { LengthMm = lengthMm + room, BehindMm = place.BehindMm + tape, KeepOffMm = keepOffMm == 0 ? 0 : keepOffMm + tape };
            var drawn = Ask(there, null, [.. items.Select(i => Drawn(i, noise))]);
            foreach (var spare in Assert.Single(drawn.Fits).Margin!.Spares)
            {
                found[spare.Kind].Add(spare.Mm);
            }
        }

        Assert.NotEmpty(told.Margin.Spares);
        foreach (var spare in told.Margin.Spares)
        {
            var values = found[spare.Kind];
            Assert.Equal(draws, values.Count);
            var mean = values.Average();
            var sampled = 1.959964 * Math.Sqrt(values.Sum(v => (v - mean) * (v - mean)) / draws);
            if (spare.PlusMinusMm > 0.5 || sampled > 0.5)
            {
                Assert.Equal(1, spare.PlusMinusMm / sampled, 0.08);
                Assert.InRange(values.Count(v => Math.Abs(v - spare.Mm) <= spare.PlusMinusMm) / (double)draws, 0.925, 0.975);
            }
        }
    }

    /// <summary>A thing as it may truly be.</summary>
    private static GearItem Drawn(GearItem item, Noise noise)
    {
        double Share(double plusMinus) => 1 + noise.Normal(plusMinus / 1.959964);
        if (item.Kind == GearKind.Lens)
        {
            var by = Share(0.03);
            var (from, to) = (item.Get(LensFields.Short)!.Value, item.Get(LensFields.Long) ?? item.Get(LensFields.Short)!.Value);
            GearPoint[] points = from < to ? [new(from, from * by), new(to, to * by)] : [new(from, from * by)];
            item = item.With(LensFields.TestedFocal, points);
            return item.Get(LensFields.Squeeze) is { } squeeze && squeeze != 1 ? item.With(LensFields.Squeeze, squeeze * Share(0.02)) : item;
        }

        return item.Get(AdapterFields.Magnification) is { } k ? item.With(AdapterFields.Magnification, k * Share(0.02)) : item;
    }
}

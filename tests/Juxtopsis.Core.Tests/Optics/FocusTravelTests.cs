using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Tests.Optics;

/// <summary>How lenses focus, with numbers small enough to follow.</summary>
public sealed class FocusTravelTests
{
    private static FocusTravel Plain(double f, double tube = 0, double dioptres = 0) => FocusTravel.Of(f, null, null, RearGroup.Tube(tube), dioptres);

    [Fact]
    public void A_plain_lens_reaches_life_size_at_four_focal_lengths()
    {
        var travel = Plain(100);
        Assert.Equal(400, travel.NearestMm());
        Assert.Equal(double.PositiveInfinity, travel.FarthestMm());
        var place = travel.FocusAt(400);
        Assert.Equal((200.0, 200.0), (place.SubjectFromLensMm, place.ImageDistanceMm));
        Assert.Equal(1, place.Magnification);
        Assert.Null(travel.MaximumMagnification());
    }

    [Fact]
    public void A_macro_lens_reaches_life_size_where_its_data_say()
    {
        // 105 mm marked, 1:1 at 310 mm: the thin lens there has f = 310·1/2² = 77.5, with s = v = 155.
        var travel = FocusTravel.Of(105, 310, 1, RearGroup.None);
        Assert.Equal(310, travel.NearestMm(), 9);
        var near = travel.FocusAt(310);
        Assert.Equal(77.5, near.FocalLengthMm, 9);
        Assert.Equal(155, near.SubjectFromLensMm, 9);
        Assert.Equal(1, near.Magnification, 9);

        // Far away it is the marked lens: at 10 m a thin lens of 105 mm draws 105/(9889.7 − 105) = 0.01073.
        var far = travel.FocusAt(10_000);
        Assert.Equal(0.01073, far.Magnification, 4);
        Assert.Equal(104.7, far.FocalLengthMm, 1);
    }

    [Fact]
    public void A_reducer_in_its_place_shrinks_the_ratio_and_shortens_the_track()
    {
        // 0.71 that stands 40 mm before the lens's focal plane: 40·0.29 = 11.6 mm nearer to the sensor, and all else as the lens has it.
        var travel = FocusTravel.Of(105, 310, 1, RearGroup.Of([new Converter(0.71, 40)], 0));
        Assert.Equal(310 - 11.6, travel.NearestMm(), 9);
        Assert.Equal(0.71, travel.MaximumMagnification()!.Value, 9);
    }

    [Fact]
    public void A_tube_before_a_reducer_is_another_thing_than_one_behind_it()
    {
        // 50 mm, nearest 450 mm, with 12 mm of tube before a reducer of 0.71 that stands 40 mm off: m = 0.71·12/50 with the ring at infinity,
        // D = 50·1.24²/0.24 − 11.6 there; at its nearest mark 0.1459 is added to 0.24.
        var before = FocusTravel.Of(50, 450, null, RearGroup.Of([new Converter(0.71, 40)], 12));
        Assert.Equal(0.71 * 12 / 50, before.At(0).Magnification, 12);
        Assert.Equal(50 * 1.24 * 1.24 / 0.24 - 11.6, before.FarthestMm(), 9);
        Assert.Equal(237.26, before.NearestMm(), 2);

        // Behind it the sensor is 12 mm farther from the reducer, 28.4 + 12; 1/u = 1/40.4 − 0.29/28.4, so the lens must image u − 40 farther.
        var behind = RearGroup.Of([new Converter(0.71, 40, 12)], 0);
        var u = 1 / (1 / 40.4 - 0.29 / 28.4);
        Assert.Equal(u - 40, behind.ShiftMm - 0, 9);
        Assert.Equal(40.4 / u, behind.Magnification, 12);
        Assert.Equal(40.4 - u, behind.TrackMm, 9);
        Assert.NotEqual(before.FarthestMm(), FocusTravel.Of(50, 450, null, behind).FarthestMm(), 1);
    }

    [Fact]
    public void A_tube_behind_a_reducer_may_be_too_long_for_any_focus()
    {
        var travel = FocusTravel.Of(50, null, null, RearGroup.Of([new Converter(0.71, 40, 80)], 0));
        Assert.False(travel.CanFocus);
        Assert.False(travel.Range().Reaches(300));
        Assert.Null(travel.ForMagnification(0.5));
    }

    [Theory]
    [InlineData(50, 0.9, 0)] // falls to the end
    [InlineData(50, 2.5, 0)] // turns once, at life size
    [InlineData(50, 2.5, 12)] // lengthens: turns once, before life size
    [InlineData(50, 5, -5)] // shortens: turns twice
    [InlineData(50, 5, -7)] // shortens so much that it never turns
    public void A_lens_alone_is_nearest_where_a_fine_scan_of_its_ring_says(double focalLengthMm, double largest, double slopeMm)
    {
        var travel = new FocusTravel(focalLengthMm, slopeMm, largest, RearGroup.None);
        var scanned = Enumerable.Range(1, 200_000).Min(i => travel.At(largest * i / 200_000).SubjectDistanceMm);
        Assert.Equal(scanned, travel.NearestMm(), 6);

        // Each place is found again, the nearer to infinity of those that share a distance.
        foreach (var ring in new[] { 0.01, 0.3, 0.7 })
        {
            Assert.Equal(ring, travel.FocusAt(travel.At(ring).SubjectDistanceMm).Ring, 9);
        }
    }

    [Fact]
    public void Beyond_life_size_one_distance_has_two_places_of_the_ring()
    {
        // 50 mm, nearest 220 mm, 40 mm of tube: m = 1.2 at v = 110, s = 91.67; with v = 91.67 the same distance is drawn at 1/1.2.
        var travel = FocusTravel.Of(50, 220, null, RearGroup.Tube(40));
        var place = travel.ForMagnification(1.2)!.Value;
        Assert.Equal(110 + 110 / 1.2, place.SubjectDistanceMm, 9);
        Assert.True(travel.NeedsRackingFarther(place));
        Assert.Equal(1.2, travel.FocusAt(place.SubjectDistanceMm, rackedFarther: true).Magnification, 9);
        Assert.Equal(1 / 1.2, travel.FocusAt(place.SubjectDistanceMm).Magnification, 9);
        Assert.False(travel.NeedsRackingFarther(travel.FocusAt(place.SubjectDistanceMm)));
    }

    [Fact]
    public void A_close_up_lens_before_the_lens_has_a_place()
    {
        // 2 dioptres 60 mm before a lens of 100 mm at infinity: the subject 500 mm before it, m = 100/500 whatever the gap.
        var travel = FocusTravel.Of(100, 1200, 0.11, RearGroup.None, 2, 60);
        Assert.Equal(500 + 60 + 100, travel.FarthestMm(), 9);
        Assert.Equal(0.2, travel.At(0).Magnification, 12);

        // Racked out to 0.05: the lens alone wants 100·1.05/0.05 = 2100 − a little by its data; traced to the last digit by the program in Reference.
        Assert.True(travel.At(0.05).SubjectFromLensMm < 500);
    }

    [Fact]
    public void A_tube_brings_near_what_is_near_and_takes_away_what_is_far()
    {
        // 50 mm and 10 mm of tube, ring at infinity: v = 60, s = 50·60/10 = 300, so D = 360 and m = 0.2 = 10/50.
        var travel = Plain(50, tube: 10);
        Assert.Equal(360, travel.FarthestMm(), 9);
        Assert.Equal(200, travel.NearestMm());
        var place = travel.FocusAt(360);
        Assert.Equal(0.2, place.Magnification, 9);
        Assert.Equal(0.2, place.RackedOut, 9);
    }

    [Fact]
    public void A_tube_longer_than_the_lens_draws_larger_than_life()
    {
        // 50 mm and 75 mm of tube: v = 125, s = 50·125/75 = 83.33, m = 1.5; racking out further only goes away from the subject.
        var travel = Plain(50, tube: 75);
        Assert.Equal(125 + 250.0 / 3, travel.NearestMm(), 9);
        Assert.Equal(1.5, travel.FocusAt(travel.NearestMm()).Magnification, 9);
        Assert.True(travel.FarthestMm() > travel.NearestMm());
    }

    [Fact]
    public void A_close_up_lens_brings_infinity_to_its_own_focal_length_and_costs_no_light()
    {
        // 2 dioptres: with the lens at infinity the subject is 500 mm away. Sensor 50 mm behind: D = 550, m = 50/500.
        var travel = Plain(50, dioptres: 2);
        Assert.Equal(550, travel.FarthestMm(), 9);
        var place = travel.FocusAt(550);
        Assert.Equal(500, place.SubjectFromLensMm, 9);
        Assert.Equal(0.1, place.Magnification, 9);
        Assert.Equal(0, place.RackedOut, 9);

        // Joined focal length 1/(1/50 + 0.002) = 45.4545; nearest four times that.
        Assert.Equal(4 / 0.022, travel.NearestMm(), 9);
    }

    [Fact]
    public void A_nearest_mark_alone_ends_the_travel_of_a_plain_lens()
    {
        // 50 mm to 450 mm: s = (450 + √(450² − 4·50·450))/2 = 392.70, m = 50/342.70 = 0.1459.
        var travel = FocusTravel.Of(50, 450, null, RearGroup.None);
        Assert.Equal(450, travel.NearestMm(), 6);
        Assert.Equal(0.1459, travel.MaximumMagnification()!.Value, 4);

        // Nearer than a plain 50 mm can: left to the thin lens until the ratio is given.
        Assert.Equal(200, FocusTravel.Of(50, 150, null, RearGroup.None).NearestMm());
    }

    [Fact]
    public void A_ratio_leads_back_to_its_distance()
    {
        Assert.Equal(1352, Plain(50).ForMagnification(0.04)!.Value.SubjectDistanceMm, 9);
        var macro = FocusTravel.Of(105, 310, 1, RearGroup.None);
        Assert.Equal(310, macro.ForMagnification(1)!.Value.SubjectDistanceMm, 6);
        Assert.Equal(0.5, macro.FocusAt(macro.ForMagnification(0.5)!.Value.SubjectDistanceMm).Magnification, 9);
    }

    [Property(MaxTest = 2000)]
    public Property The_search_finds_the_distance_it_was_asked_for() => Prop.ForAll(
        (from f in Gen.Choose(8, 600)
         from ratio in Gen.Choose(5, 200)
         from shortening in Gen.Choose(60, 110)
         from tube in Gen.Choose(0, 30)
         from share in Gen.Choose(0, 1000)
         select (f, ratio: ratio / 100.0, shortening: shortening / 100.0, tube, share: share / 1000.0)).ToArbitrary(),
        lens =>
        {
            var close = lens.f * lens.shortening;
            var travel = FocusTravel.Of(lens.f, close * (1 + lens.ratio) * (1 + lens.ratio) / lens.ratio, lens.ratio, RearGroup.Tube(lens.tube));
            var (near, far) = (travel.NearestMm(), Math.Min(travel.FarthestMm(), 1e7));
            if (!(near < far))
            {
                return true;
            }

            var distance = near * Math.Pow(far / near, lens.share);
            return Math.Abs(travel.FocusAt(distance).SubjectDistanceMm / distance - 1) < 1e-9;
        });

    [Fact]
    public void A_close_up_lens_stays_before_what_a_lens_that_lengthens_focuses_on_at_any_place_of_its_ring()
    {
        // At both ends of its ring this lens focuses beyond 160 mm, between them on 71 mm.
        var travel = FocusTravel.Of(28.5, 3191.5, 18.1, RearGroup.None, 25, 200);
        Assert.Equal(0.9 * (28.5 + travel.FocalLengthSlopeMm + 2 * Math.Sqrt(28.5 * travel.FocalLengthSlopeMm)), travel.CloseUpFromLensMm, 9);
        Assert.Equal(1180, travel.FocusAt(1180).SubjectDistanceMm, 6);
    }

    [Property(MaxTest = 2000)]
    public Property A_close_up_lens_never_turns_the_picture_over() => Prop.ForAll(
        (from f in Gen.Choose(8, 600)
         from largest in Gen.Choose(5, 3000)
         from lengthening in Gen.Choose(60, 1200)
         from tube in Gen.Choose(0, 60)
         from dioptres in Gen.Choose(1, 25)
         from before in Gen.Choose(1, 300)
         select (f, m: largest / 100.0, close: f * lengthening / 100.0, tube, dioptres, before)).ToArbitrary(),
        lens =>
        {
            var travel = FocusTravel.Of(
                lens.f, lens.close * (1 + lens.m) * (1 + lens.m) / lens.m, lens.m, RearGroup.Tube(lens.tube), lens.dioptres, lens.before);
            return Enumerable.Range(0, 101).Select(i => travel.At(lens.m * i / 100)).All(place => place.Magnification > 0 && place.SubjectFromLensMm > 0);
        });
}

using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Tests.Optics;

/// <summary>How lenses focus, with numbers small enough to follow.</summary>
public sealed class FocusTravelTests
{
    private static FocusTravel Plain(double f, double tube = 0, double dioptres = 0) => FocusTravel.Of(f, null, null, 1, tube, dioptres);

    [Fact]
    public void A_plain_lens_reaches_life_size_at_four_focal_lengths()
    {
        var travel = Plain(100);
        Assert.Equal(400, travel.NearestMm());
        Assert.Equal(double.PositiveInfinity, travel.FarthestMm());
        var place = travel.FocusAt(400);
        Assert.Equal((200.0, 200.0), (place.SubjectFromLensMm, place.ImageDistanceMm));
        Assert.Equal(1, place.Magnification);
        Assert.Null(travel.LargestMagnification());
    }

    [Fact]
    public void A_macro_lens_reaches_life_size_where_its_data_say()
    {
        // 105 mm marked, 1:1 at 310 mm: the thin lens there has f = 310·1/2² = 77.5, with s = v = 155.
        var travel = FocusTravel.Of(105, 310, 1, 1, 0, 0);
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
    public void A_reducer_behind_a_lens_with_data_shrinks_its_largest_ratio()
    {
        var travel = FocusTravel.Of(0.71 * 105, 310, 1, 0.71, 0, 0);
        Assert.Equal(310, travel.NearestMm(), 9);
        Assert.Equal(0.71, travel.LargestMagnification()!.Value, 9);
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
        var travel = FocusTravel.Of(50, 450, null, 1, 0, 0);
        Assert.Equal(450, travel.NearestMm(), 6);
        Assert.Equal(0.1459, travel.LargestMagnification()!.Value, 4);

        // Nearer than a plain 50 mm can: left to the thin lens until the ratio is given.
        Assert.Equal(200, FocusTravel.Of(50, 150, null, 1, 0, 0).NearestMm());
    }

    [Fact]
    public void A_ratio_leads_back_to_its_distance()
    {
        Assert.Equal(1352, Plain(50).DistanceForMm(0.04), 9);
        var macro = FocusTravel.Of(105, 310, 1, 1, 0, 0);
        Assert.Equal(310, macro.DistanceForMm(1), 6);
        Assert.Equal(0.5, macro.FocusAt(macro.DistanceForMm(0.5)).Magnification, 9);
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
            var travel = FocusTravel.Of(lens.f, close * (1 + lens.ratio) * (1 + lens.ratio) / lens.ratio, lens.ratio, 1, lens.tube, 0);
            var (near, far) = (travel.NearestMm(), Math.Min(travel.FarthestMm(), 1e7));
            if (!(near < far))
            {
                return true;
            }

            var distance = near * Math.Pow(far / near, lens.share);
            return Math.Abs(travel.FocusAt(distance).SubjectDistanceMm / distance - 1) < 1e-9;
        });
}

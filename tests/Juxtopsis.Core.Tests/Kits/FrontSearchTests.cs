using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits.Front;
using Juxtopsis.Core.Kits;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;
using Juxtopsis.Core.Tests.Chains;
using static Juxtopsis.Core.Tests.Filters.MadeFilters;

namespace Juxtopsis.Core.Tests.Kits;

/// <summary>What the best bag counts beside rigs, by cases worked by hand: filters with their rings, what carries both, batteries.</summary>
public sealed class FrontSearchTests
{
    private static readonly GearItem Body = Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25) });

    private static GearItem Prime(string name, double thread, double weight) => Made.Lens.With(LensFields.Ratio, null).With(LensFields.Short, 50.0)
        .With(LensFields.FilterThread, thread).With(CommonFields.Name, name).With(CommonFields.Weight, weight).WithId(Guid.NewGuid());

    /// <summary>
    /// One metre upright with 50 mm. In full sun at ƒ2 and 1/50 s ISO 0.61 would be right: at ISO 100 filters must take 7.4 stops, and at the 6400 that is accepted they may take 13.4.
    /// </summary>
    private static DayShot Shot(double ev = 15, CameraSupport by = CameraSupport.HandHeld) => new(
        new Location { KeepOffMm = 51.4025 * 50 - 98 - 1, LengthMm = 51.4025 * 50 + 900 + 1, BehindMm = 0, Light = new LightSource { BrightnessEv = ev } },
        new(new ShotSubject(SubjectKind.Standing, 1750), ShotSize.Medium) { Typed = new FramedSize(1000, IsAcross: false), CameraSupport = by });

    private static FrontResult Front(GearItem[] gear, FrontQuestion question, params DayShot[] shots)
    {
        var shelf = FittingShelf.Of([Made.Near, .. gear]);
        var finder = new FilterFinder(shelf.Gear, shelf.Mounts);
        AskedShot Asked(DayShot shot)
        {
            var search = new FitSearch(shelf, shot.Location, shot.Brief, Conventions.Default, RankingCriterion.LeastWeight);
            while (!search.Step(2))
            {
            }

            var asked = AskedShot.Of(search, FitRules.All);
            while (!asked.FindFilters(finder, FitRules.UsualHighestIso, 1))
            {
            }

            return asked;
        }

        return FrontSearch.Of([.. shots.Select(Asked)], [.. shots.Select(s => s.Brief.CameraSupport)], shelf, question).Finish();
    }

    private static IEnumerable<string> Names(IEnumerable<GearItem> items) => items.Select(i => i.Name).Order(StringComparer.Ordinal);

    [Fact]
    public void One_heavy_filter_or_a_light_one_with_its_ring()
    {
        GearItem[] gear = [Body, Prime("50", 67, 250), Fixed(10, 67).With(CommonFields.Weight, 200.0), Fixed(8, 77), Ring(67, 77), Fixed(3, 67)];
        var front = Front(gear, new(FrontCriterion.Filters, FrontCriterion.Weight), Shot(), Shot());
        Assert.Equal([(2, 600 + 250 + 48 + 20), (1, 600 + 250 + 200)], front.Points.Select(p => ((int)p.Value, (int)p.OtherValue)));
        Assert.All(front.Points, p => Assert.True(p.IsProven));
        Assert.Equal(["50", "Body", "ND 8, 77 mm", "Ring 67 to 77"], Names(front.Points[0].Items));
        Assert.All(front.Points[0].Shots, s => Assert.Equal(["ND 8, 77 mm", "Ring 67 to 77"], Names(s.Filters)));
        Assert.All(front.Points[1].Shots, s => Assert.Equal(["ND 10, 67 mm"], Names(s.Filters)));
        Assert.Empty(front.Unfiltered);

        // What is in every bag already costs nothing more.
        var given = Front(gear, new(FrontCriterion.Filters, FrontCriterion.Weight) { Given = [gear[2].Id] }, Shot());
        Assert.Equal([(1, 600 + 250 + 200)], given.Points.Select(p => ((int)p.Value, (int)p.OtherValue)));
        Assert.Equal(["ND 10, 67 mm"], Names(given.Points[0].Shots[0].Filters));
    }

    [Fact]
    public void In_dim_light_nothing_is_put_before_the_lens()
    {
        var front = Front([Body, Prime("50", 67, 250), Fixed(8, 67)], new(FrontCriterion.Things, FrontCriterion.Weight), Shot(ev: 7));
        Assert.Equal(["50", "Body"], Names(Assert.Single(front.Points).Items));
        Assert.Empty(front.Points[0].Shots[0].Filters);
    }

    [Fact]
    public void A_rig_whose_filter_is_not_there_is_left_aside_unless_it_is_so_with_all()
    {
        GearItem[] gear = [Body, Prime("Light", 49, 100), Prime("Heavy", 67, 700)];
        var served = Front([.. gear, Fixed(8, 67)], new(FrontCriterion.Things, FrontCriterion.Weight), Shot());
        Assert.Equal(["Body", "Heavy", "ND 8, 67 mm"], Names(Assert.Single(served.Points).Items));
        Assert.Empty(served.Unfiltered);

        var none = Front(gear, new(FrontCriterion.Things, FrontCriterion.Weight), Shot(ev: 7), Shot());
        Assert.Equal(["Body", "Light"], Names(Assert.Single(none.Points).Items));
        Assert.Equal([1], none.Unfiltered);
        Assert.Empty(none.Impossible);
    }

    [Fact]
    public void What_carries_a_rig_carries_its_filter_too()
    {
        GearItem[] gear = [Body, Prime("50", 67, 250), Made.Gimbal.With(SupportFields.Payload, 900.0), Fixed(10, 67).With(CommonFields.Weight, 200.0)];
        var question = new FrontQuestion(FrontCriterion.Things, FrontCriterion.Weight);
        var tooHeavy = Front(gear, question, Shot(by: CameraSupport.Gimbal));
        Assert.Equal([0], tooHeavy.Impossible);

        // 600, 250 and 48 g are within 900.
        var carried = Front([.. gear, Fixed(8, 67)], question, Shot(by: CameraSupport.Gimbal));
        Assert.Equal(["50", "Body", "Gimbal", "ND 8, 67 mm"], Names(Assert.Single(carried.Points).Items));
        Assert.Equal("Gimbal", carried.Points[0].Shots[0].Support?.Name);
    }

    [Fact]
    public void Two_small_batteries_or_a_large_one_for_what_the_camera_draws()
    {
        // An hour at 20 W and three at 10 W: 50 Wh. One gives 78.4, the other 32.
        var small = Made.Battery.With(CommonFields.Name, "Small").With(BagFields.Energy, 40.0).With(CommonFields.Weight, 100.0).WithId(Guid.NewGuid());
        GearItem[] gear = [Body.With(BodyFields.Power, 20.0).With(BodyFields.Standby, 10.0), Prime("50", 67, 250), Made.Battery, small];
        var question = new FrontQuestion(FrontCriterion.Batteries, FrontCriterion.Weight) { Plan = new() { UsedMinutes = 6, ShootingRatio = 10 } };
        var front = Front(gear, question, Shot(ev: 7));
        Assert.Equal([("Small", 2), ("Battery", 1)], front.Points.Select(p => (p.Battery!.Name, p.Batteries)));
        Assert.Equal([600 + 250 + 200, 600 + 250 + 600], front.Points.Select(p => (int)p.WeightG.Known));

        // One that every bag has gives 32 of the 50; where the mains do, nothing is packed.
        var given = Front(gear, question with { Given = [small.Id] }, Shot(ev: 7));
        Assert.Equal(("Small", 1), (given.Points[0].Battery!.Name, given.Points[0].Batteries));
        var mains = Front(gear, question with { Plan = new() { UsedMinutes = 0, StandbyHours = 0 } }, Shot(ev: 7));
        Assert.Null(Assert.Single(mains.Points).Battery);
    }

    [Fact]
    public void A_camera_of_which_it_is_not_known_what_it_draws_is_as_hungry_as_the_hungriest()
    {
        var hungry = Body.With(CommonFields.Name, "Hungry").With(BodyFields.Power, 60.0).With(CommonFields.Weight, 5000.0).WithId(Guid.NewGuid());
        var front = Front([Body, hungry, Prime("50", 67, 250), Made.Battery], new(FrontCriterion.Things, FrontCriterion.Weight) { Plan = new() { UsedMinutes = 6 } }, Shot(ev: 7));
        var point = Assert.Single(front.Points);
        Assert.Equal(["50", "Body"], Names(point.Items));

        // An hour and three at 60 W: 240 of 78.4 Wh each.
        Assert.Equal((4, 1), (point.Batteries, point.DrawsUnknown));
    }
}

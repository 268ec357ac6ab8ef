using Juxtopsis.Core.Bags;
using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Bags;

/// <summary>What bags reach, what they carry, and what they do in a day, by hand.</summary>
public sealed class BagReachTests
{
    private static readonly GearItem Body = Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25), Made.Mode("Half", 18, 10.125) });

    private static GearItem Lens(string name, double from, double to, double widest = 2, double circle = 44, double grams = 300) => Made.Lens
        .With(CommonFields.Name, name).With(LensFields.Short, from).With(LensFields.Long, to == from ? null : to).With(LensFields.Widest, widest).With(LensFields.ImageCircle, circle)
        .With(LensFields.Ratio, 0.1).With(CommonFields.Weight, grams).With(CommonFields.Ownership, Ownership.Own).WithId(Guid.NewGuid());

    private static FittingShelf Shelf(params GearItem[] items) => FittingShelf.Of([Made.Near, Made.Far, Body, .. items]);

    private static IReadOnlyList<ReachRow> Reach(FittingShelf shelf, params GearItem[] bag) => BagReach.Of(shelf.Only([Body.Id, .. bag.Select(i => i.Id)], []), shelf, 16.0 / 9, Conventions.Default);

    [Fact]
    public void Each_mode_has_its_equivalents_and_a_smaller_circle_does_not_cover_the_larger_mode()
    {
        var (wide, small) = (Lens("24–70", 24, 70, 2.8), Lens("35, small", 35, 35, 1.4, circle: 28));
        var rows = Reach(Shelf(wide, small), wide, small);
        Assert.Equal(["Full", "Half"], rows.Select(r => r.Mode.Name));
        Assert.Equal([(24.0, 70.0, true), (35.0, 35.0, false)], rows[0].Spans.Select(s => (Math.Round(s.Span.FromMm, 6), Math.Round(s.Span.ToMm, 6), s.Covers)));
        Assert.Equal([(48.0, 140.0, true), (70.0, 70.0, true)], rows[1].Spans.Select(s => (Math.Round(s.Span.FromMm, 6), Math.Round(s.Span.ToMm, 6), s.Covers)));
        Assert.Equal((2.8, 2.8), (rows[0].Spans[0].FastestAtFrom, rows[0].Spans[0].FastestAtTo));
        Assert.Equal(360, rows[0].Spans[0].SmallestFieldMm!.Value, 6);

        // What does not cover does not count: no double in the larger mode, one in the smaller.
        Assert.Empty(rows[0].Doubles);
        var twice = Assert.Single(rows[1].Doubles);
        Assert.Equal((wide.Id, small.Id), (twice.One.Id, twice.Other.Id));
        Assert.Equal(70, twice.Span.FromMm, 6);
        Assert.Equal([(24.0, 70.0)], rows[0].Spans[0].Only.Select(o => (Math.Round(o.FromMm, 6), Math.Round(o.ToMm, 6))));
        Assert.Equal([48.0, 73.42], rows[1].Spans[0].Only.Select(o => Math.Round(o.FromMm, 2)));
    }

    [Fact]
    public void A_hole_is_where_neighbours_are_far_apart_and_the_shelf_says_what_fills_it()
    {
        GearItem[] bag = [Lens("24", 24, 24), Lens("35", 35, 35), Lens("100", 100, 100)];
        var (owned, hired, far, tiny) = (Lens("55", 55, 55, grams: 500), Lens("50–90", 50, 90).With(CommonFields.Ownership, Ownership.Hire), Lens("95", 95, 95), Lens("60, small", 60, 60, circle: 20));
        var hole = Assert.Single(Reach(Shelf([.. bag, owned, hired, far, tiny]), bag)[0].Holes);
        Assert.Equal((35.0, 100.0), (Math.Round(hole.Span.FromMm, 6), Math.Round(hole.Span.ToMm, 6)));

        // 55 leaves 55 to 100, a step of 1.8; the zoom leaves none of 1.6 or more.
        Assert.Equal(["50–90", "55"], hole.Fills.Select(f => f.Rig.Lens.Name));
        Assert.Equal([hired.Id], hole.Fills[0].Added.Select(a => a.Id));
        Assert.Empty(Reach(Shelf([.. bag, hired]), [.. bag, hired])[0].Holes);
    }

    [Theory]
    [InlineData(50, 79, 0)]
    [InlineData(50, 81, 1)]
    public void Neighbours_leave_a_hole_beyond_a_ratio_of_one_point_six(double one, double other, int holes)
    {
        GearItem[] bag = [Lens("a", one, one), Lens("b", other, other)];
        Assert.Equal(holes, Reach(Shelf(bag), bag)[0].Holes.Count);
    }

    /// <summary>1 m upright, seen from just where a lens of that focal length must stand.</summary>
    private static DayShot From(double focalLength, CameraSupport by) => new(
        new Location { KeepOffMm = 51.4025 * focalLength - 98 - (by == CameraSupport.Tripod ? 1000 : 1), LengthMm = 51.4025 * focalLength + 2000, BehindMm = 0 },
        new(new ShotSubject(SubjectKind.Standing, 1750), ShotSize.Medium) { Typed = new FramedSize(1000, IsAcross: false), CameraSupport = by });

    [Fact]
    public void A_bag_tells_what_carries_its_rigs_what_it_cannot_do_and_how_often_a_gimbal_is_balanced_anew()
    {
        var (small, large) = (Made.Gimbal.With(SupportFields.Payload, 1000.0).With(CommonFields.Weight, 500.0).With(CommonFields.Name, "Small").WithId(Guid.NewGuid()), Made.Gimbal.With(SupportFields.Payload, 1900.0).WithId(Guid.NewGuid()));
        var (light, heavy) = (Lens("50", 50, 50, grams: 200).With(LensFields.Ratio, null), Lens("85", 85, 85, grams: 900).With(LensFields.Ratio, null));
        var plate = Made.Battery.With(BagFields.Mounted, true).With(CommonFields.Weight, 100.0).WithId(Guid.NewGuid());
        var body = Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25) }).With(CommonFields.Weight, 600.0);
        Bag bag = new([new(body, 1), new(light, 1), new(heavy, 1), new(small, 1), new(large, 1), new(plate, 1, OnRig: true)], 1);
        var rigs = FittingShelf.Of([Made.Near, .. bag.Lines.Select(l => l.Item)]);
        DayShot[] shots = [From(50, CameraSupport.Gimbal), From(85, CameraSupport.Gimbal), From(85, CameraSupport.Gimbal), From(50, CameraSupport.HandHeld), From(50, CameraSupport.Tripod), From(300, CameraSupport.Tripod)];
        var day = new BagSearch(bag, rigs, shots, new Guid?[6], Conventions.Default, FitRules.All with { Findings = false }).Finish();

        Assert.Equal([5], day.Undone);
        Assert.Equal(["Small", "Gimbal", "Gimbal", null, null], day.Carried.Select(c => c.Support?.Name));
        Assert.Equal([900.0, 1600, 1600, 900, 900], day.Carried.Select(c => c.WeightG));
        Assert.Equal((1, 0), (day.Changes - 1, day.Rebalances));
        Assert.Equal([DiagnosticCode.SupportMissing], day.Carried[4].Findings.Select(f => f.Code));

        // With the large one alone it is balanced for the first, and anew for the second.
        var one = new BagSearch(bag with { Lines = [.. bag.Lines.Where(l => l.Item.Id != small.Id)] }, rigs, shots, new Guid?[6], Conventions.Default, FitRules.All with { Findings = false }).Finish();
        Assert.Equal(["Gimbal", "Gimbal", "Gimbal", null, null], one.Carried.Select(c => c.Support?.Name));
        Assert.Equal([false, true, false, false, false], one.Carried.Select(c => c.Rebalances));

        // The small one alone does not carry the heavier lens, and says so.
        var weak = new BagSearch(bag with { Lines = [.. bag.Lines.Where(l => l.Item.Id != large.Id)] }, rigs, shots, new Guid?[6], Conventions.Default, FitRules.All with { Findings = false }).Finish();
        Assert.Equal([DiagnosticCode.RigTooHeavy], weak.Carried[1].Findings.Select(f => f.Code));
    }

    [Fact]
    public void A_rig_balances_where_its_parts_weigh()
    {
        var mount = Made.Near;
        var body = Body.With(CommonFields.Weight, 600.0).With(BodyFields.Depth, 60.0).With(BodyFields.Height, 80.0).With(BodyFields.Width, 130.0);
        var lens = Lens("50", 50, 50, grams: 300).With(CommonFields.Length, 100.0).With(CommonFields.Diameter, 70.0);

        // The body from −42 to 18 mm, the lens from 18 to 118: (600 × −12 + 300 × 68) / 900.
        var layout = ChainAssembler.Assemble([body, lens], new([mount]), new ChainSetting { Mode = "Full" }).Layout;
        Assert.Equal((600 * -12 + 300 * 68) / 900.0, layout.CentreOfGravityMm!.Value, 9);
        Assert.Null(ChainAssembler.Assemble([body, lens.With(CommonFields.Weight, null)], new([mount]), new ChainSetting { Mode = "Full" }).Layout.CentreOfGravityMm);
        Assert.Null(ChainAssembler.Assemble([body, lens.With(CommonFields.Length, null)], new([mount]), new ChainSetting { Mode = "Full" }).Layout.CentreOfGravityMm);
    }
}

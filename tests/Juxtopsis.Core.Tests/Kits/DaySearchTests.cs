using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Kits;

/// <summary>The fewest lenses for a day, by a case worked by hand.</summary>
public sealed class DaySearchTests
{
    private static readonly GearItem Body = Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25) });

    private static GearItem Lens(string name, double from, double to, double weight) =>
        Made.Lens.With(LensFields.Ratio, null).With(CommonFields.Name, name).With(LensFields.Short, from).With(LensFields.Long, to == from ? null : to)
            .With(CommonFields.Weight, weight).WithId(Guid.NewGuid());

    /// <summary>1 m upright, seen from just where a lens of that focal length must stand: D = f(1.02025)²/0.02025 = 51.4025·f.</summary>
    private static DayShot From(double focalLength) => new(
        new Location { KeepOffMm = 51.4025 * focalLength - 98 - 1, LengthMm = 51.4025 * focalLength + 900 + 1, BehindMm = 0 },
        new(new ShotSubject(SubjectKind.Standing, 1750), ShotSize.Medium) { Typed = new FramedSize(1000, IsAcross: false) });

    [Fact]
    public void One_zoom_goes_before_two_primes_and_a_lighter_pair_before_a_heavier()
    {
        GearItem[] lenses = [Lens("24", 24, 24, 200), Lens("50", 50, 50, 250), Lens("85", 85, 85, 400), Lens("20–60", 20, 60, 900), Lens("50 heavy", 50, 50, 700), Lens("70–200", 70, 200, 1500)];
        DayResult Of(params double[] shots) => new DaySearch(FittingShelf.Of([Made.Near, Body, .. lenses]), [.. shots.Select(From)], Conventions.Default).Finish();

        // 24 and 50: the zoom alone; the best with two is the pair of light primes.
        var two = Of(24, 50);
        Assert.Equal(["20–60"], two.Kits[0].Lenses.Select(l => l.Name));
        Assert.Equal(["24", "50"], two.Kits[1].Lenses.Select(l => l.Name).Order());
        Assert.Equal(2, two.Kits.Count);

        // 24, 50 and 85: the zoom and the 85; a bag of one leaves the 85 undone.
        var three = Of(24, 50, 85);
        Assert.Equal(["20–60", "85"], three.Kits[0].Lenses.Select(l => l.Name));
        Assert.Equal(1300 + 600, three.Kits[0].WeightG);
        Assert.Equal(["20–60", "20–60", "85"], three.Kits[0].Shots.Select(s => s.Rig.Lens.Name));

        // The 70–200 does what the 85 does and weighs more, so the next best is the three light primes.
        Assert.Equal(["24", "50", "85"], three.Kits[1].Lenses.Select(l => l.Name));
        Assert.Equal(["20–60"], three.Kits[2].Lenses.Select(l => l.Name));
        Assert.Equal([2], three.Kits[2].Undone);

        // 300 is beyond all of them.
        var beyond = Of(24, 300);
        Assert.Equal([1], beyond.Impossible);
        Assert.Equal([1], beyond.Kits[0].Undone);
    }

    [Fact]
    public void How_sure_a_shot_of_a_bag_is_is_what_its_own_search_says()
    {
        var shelf = FittingShelf.Of([Made.Near, Body, Lens("24", 24, 24, 200), Lens("50", 50, 50, 250)]);
        var roomy = From(50) with { Location = new() { LengthMm = 20_000, BehindMm = 0 } };
        DayShot[] shots = [From(24), roomy, From(50)];
        var told = new DaySearch(shelf, shots, Conventions.Default).Finish().Kits[0].Shots;
        Assert.Equal([true, false, true], told.Select(s => s.Close is not null));
        foreach (var shot in told)
        {
            var own = new FitSearch(shelf, shots[shot.Shot].Location, shots[shot.Shot].Brief, Conventions.Default, RankingCriterion.LeastWeight).Finish(withMargins: true);
            var fit = own.Fits.Single(f => f.Rig.Lens.Id == shot.Rig.Lens.Id);
            Assert.Equal(fit.Margin!.Closest?.Mm, shot.Close?.Mm);
            Assert.Equal(fit.Margin.Closest?.PlusMinusMm, shot.Close?.PlusMinusMm);
        }
    }

    [Fact]
    public void Where_a_shot_is_not_sure_what_else_of_the_bag_gives_it_surely_is_told()
    {
        var shelf = FittingShelf.Of([Made.Near, Body, Lens("24", 24, 24, 200), Lens("85", 85, 85, 400)]);

        // Only the 24, only the 85; and once more the 85 with half a centimetre of room, where the 24 has metres of it.
        var either = From(85) with { Location = new() { LengthMm = 51.4025 * 85 + 900 + 5, BehindMm = 0 } };
        DayShot[] shots = [From(24), From(85), either];
        var told = new DaySearch(shelf, shots, Conventions.Default).Finish().Kits[0].Shots;
        Assert.Equal(["24", "85", "85"], told.Select(s => s.Rig.Lens.Name));
        Assert.All(told, s => Assert.NotNull(s.Close));
        Assert.Equal([null, null, "24"], told.Select(s => s.Surer?.Rig.Lens.Name));
        var own = new FitSearch(shelf, either.Location, either.Brief, Conventions.Default, RankingCriterion.LeastWeight).Finish(withMargins: true);
        Assert.Null(own.Fits.Single(f => f.Rig.Lens.Name == "24").Margin!.Closest);

        // What is not in the bag is not told.
        var alone = new DaySearch(shelf, [From(85), either], Conventions.Default).Finish().Kits[0].Shots;
        Assert.Equal([null, null], alone.Select(s => s.Surer));
    }

    [Fact]
    public void A_few_steps_at_a_time_come_to_the_same_as_all_at_once()
    {
        var shelf = FittingShelf.Of([Made.Near, Body, Lens("24", 24, 24, 200), Lens("50", 50, 50, 250), Lens("20–60", 20, 60, 900)]);
        DayShot[] shots = [From(24), From(50), From(30)];
        var (steps, before) = (0, 0.0);
        var search = new DaySearch(shelf, shots, Conventions.Default);
        for (; !search.Step(1); steps++)
        {
            Assert.InRange(search.Done, before, 1);
            before = search.Done;
        }

        Assert.InRange(steps, 10, 10_000);
        var (slow, fast) = (search.Finish(), new DaySearch(shelf, shots, Conventions.Default).Finish());
        Assert.Equal(fast.Kits.Select(k => k.WeightG), slow.Kits.Select(k => k.WeightG));
        Assert.Equal(fast.Kits.SelectMany(k => k.Shots).Select(s => (s.Shot, s.Rig.Lens.Name, s.Close?.Mm)), slow.Kits.SelectMany(k => k.Shots).Select(s => (s.Shot, s.Rig.Lens.Name, s.Close?.Mm)));
    }

    [Fact]
    public void Without_a_lens_there_is_no_bag()
    {
        var result = new DaySearch(FittingShelf.Of([Made.Near, Body]), [From(50)], Conventions.Default).Finish();
        Assert.Equal([0], result.Impossible);
        Assert.All(result.Kits, k => Assert.Empty(k.Lenses));
    }
}

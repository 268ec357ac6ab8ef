using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Tests.Chains;
using static Juxtopsis.Core.Tests.Filters.MadeFilters;

namespace Juxtopsis.Core.Tests.Filters;

public sealed class FilterDayTests
{
    private static readonly ChainSetting Open = new() { Mode = "Full", FNumber = 4 };

    public static TheoryData<int> Seeds => [.. Enumerable.Range(1, 60)];

    [Fact]
    public void One_ring_serves_the_filter_of_the_larger_thread_on_both_lenses()
    {
        GearItem[] shelf = [Fixed(6, 77), Fixed(6, 67), Ring(67, 77), Fixed(3, 67)];
        var result = FilterDay.Solve(shelf, Made.Mounts, [Need(Lens(50, 67), 6, 8), Need(Lens(85, 77), 6, 8)]);
        var kit = result.Kits[0];
        Assert.Equal(["ND 6, 77 mm"], kit.Filters.Select(f => f.Name));
        Assert.Equal(["Ring 67 to 77"], kit.Rings.Select(r => r.Name));
        Assert.Equal((FilterKitKind.Fewest, 1, true), (kit.Kind, kit.Changes, result.IsProven));
        Assert.Equal([6, 6], kit.Shots.Select(s => s.TakenStops));
        Assert.Single(result.Kits);
    }

    [Fact]
    public void The_next_best_is_one_with_another_filter()
    {
        GearItem[] shelf = [Fixed(6, 67), Fixed(7, 77), Ring(67, 77)];
        var result = FilterDay.Solve(shelf, Made.Mounts, [Need(Lens(50, 67), 6, 8)]);
        Assert.Equal([FilterKitKind.Fewest, FilterKitKind.NextBest], result.Kits.Select(k => k.Kind));
        Assert.Equal(["ND 7, 77 mm"], result.Kits[1].Filters.Select(f => f.Name));
    }

    [Fact]
    public void A_variable_one_replaces_a_set_and_what_it_replaces_is_told()
    {
        GearItem[] shelf = [Fixed(2, 67), Fixed(3, 67), Fixed(4, 67), Variable(2, 5, 67)];
        var lens = Lens(50, 67);
        var result = FilterDay.Solve(shelf, Made.Mounts, [Need(lens, 2, 2), Need(lens, 3, 3), Need(lens, 4, 4)]);
        Assert.Equal(["Variable 2, 67 mm"], result.Kits[0].Filters.Select(f => f.Name));
        Assert.Equal(0, result.Kits[0].Changes);
        var plain = Assert.Single(result.Kits, k => k.Kind == FilterKitKind.FixedOnly);
        Assert.Equal((3, 2), (plain.Filters.Count, plain.Changes));
    }

    [Fact]
    public void What_is_taken_too_much_the_sensitivity_makes_up_as_far_as_is_accepted()
    {
        GearItem[] shelf = [Fixed(6, 67)];
        var lens = Lens(50, 67);
        var result = FilterDay.Solve(shelf, Made.Mounts, [Need(lens, 4, 7), Need(lens, 2, 5), Need(lens, 0.2, 4), null]);
        var shot = Assert.Single(result.Kits[0].Shots);
        Assert.Equal((0, 6, 2), (shot.Shot, shot.TakenStops, shot.RaisedStops));
        Assert.Equal([1], result.Impossible);
        Assert.Equal([2], result.NeedNone);
    }

    [Fact]
    public void A_day_without_a_need_takes_nothing()
    {
        var result = FilterDay.Solve([Fixed(6, 67)], Made.Mounts, [Need(Lens(50, 67), -2, 3), null]);
        Assert.Empty(result.Kits);
        Assert.Empty(result.Impossible);
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void The_fewest_are_what_trying_every_set_finds(int seed)
    {
        var random = new Random(seed);
        var shelf = ShelfOf(random, 5, 3);
        FilterNeed[] needs = [.. Enumerable.Range(0, random.Next(1, 5)).Select(_ => NeedOf(random))];
        var result = FilterDay.Solve(shelf, Made.Mounts, needs);
        Assert.True(result.IsProven);
        var ways = needs.Select(n => BruteForce.Ways(shelf, [.. n.Parts], n.Setting)
            .Where(w => w.Most >= n.LeastStops - FilterNeed.ToleranceStops && w.Least <= n.MostStops + FilterNeed.ToleranceStops)
            .GroupBy(w => w.Key).Select(g => g.OrderBy(w => w.Cuts).First()).Where(w => !w.Cuts).ToArray()).ToArray();
        Assert.Equal(Enumerable.Range(0, needs.Length).Where(i => ways[i].Length == 0), result.Impossible);
        int[] possible = [.. Enumerable.Range(0, needs.Length).Where(i => ways[i].Length > 0)];
        if (possible.Length == 0)
        {
            Assert.Empty(result.Kits);
            return;
        }

        int[]? least = null;
        for (var set = 0; set < 1 << shelf.Length; set++)
        {
            var held = shelf.Where((_, i) => (set >> i & 1) == 1).ToHashSet();
            var usable = possible.Select(i => ways[i].Where(w => w.Added.All(held.Contains)).ToArray()).ToArray();
            if (usable.All(u => u.Length > 0))
            {
                var (raised, changes) = Use(usable, [.. possible.Select(i => needs[i])]);
                int[] cost = [held.Count(i => i.Kind == GearKind.Filter), held.Count(i => i.Kind == GearKind.StepRing), raised, changes];
                least = least is null || Compare(cost, least) < 0 ? cost : least;
            }
        }

        var best = result.Kits[0];
        Assert.Equal<int>(least!, (int[])[best.Filters.Count, best.Rings.Count, best.Shots.Count(s => s.RaisedStops > FilterDay.RaisedStops), best.Changes]);
        Assert.Equal(possible, best.Shots.Select(s => s.Shot));
        Assert.All(best.Shots, s => Assert.True(Made.Assemble(needs[s.Shot].Setting, [.. s.Way.Parts]).Works));
    }

    private static FilterNeed Need(GearItem lens, double least, double most) => new([Made.Body, lens], Open, least, most);

    private static FilterNeed NeedOf(Random random)
    {
        var least = random.Next(1, 8);
        return Need(Lens(random.Next(2) == 0 ? 28 : 85, random.Next(2) == 0 ? 67 : 77), least, least + random.Next(0, 5));
    }

    /// <summary>The fewest shots that are raised, and of those the fewest changes, over every way to use a set.</summary>
    private static (int Raised, int Changes) Use((string Key, GearItem[] Added, double Least, double Most, bool Cuts)[][] usable, FilterNeed[] needs)
    {
        (int Raised, int Changes) best = (int.MaxValue, 0);
        void Go(int shot, string before, int raised, int changes)
        {
            if (shot == usable.Length)
            {
                best = (raised, changes).CompareTo(best) < 0 ? (raised, changes) : best;
                return;
            }

            foreach (var way in usable[shot])
            {
                var more = Math.Clamp(needs[shot].LeastStops, way.Least, way.Most) - needs[shot].LeastStops > FilterDay.RaisedStops ? 1 : 0;
                Go(shot + 1, way.Key, raised + more, changes + (shot > 0 && before != way.Key ? 1 : 0));
            }
        }

        Go(0, "", 0, 0);
        return best;
    }

    private static int Compare(int[] a, int[] b) => a.Zip(b).Select(p => p.First.CompareTo(p.Second)).FirstOrDefault(c => c != 0);
}

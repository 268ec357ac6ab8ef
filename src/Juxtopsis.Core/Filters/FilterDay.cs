using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits;

namespace Juxtopsis.Core.Filters;

/// <summary>What a set of filters is.</summary>
public enum FilterKitKind
{
    /// <summary>The fewest.</summary>
    Fewest,

    /// <summary>The next best with another filter.</summary>
    NextBest,

    /// <summary>The fewest without a variable one.</summary>
    FixedOnly,
}

/// <summary>What a shot takes of a set of filters.</summary>
/// <param name="Shot">Its place among the shots.</param>
/// <param name="Way">Its filters, with the rings.</param>
/// <param name="TakenStops">What they take there, stops.</param>
/// <param name="RaisedStops">How far the sensitivity must be raised above its lowest for it, stops; below zero what is left to the grade.</param>
public sealed record FilterShot(int Shot, FilterWay Way, double TakenStops, double RaisedStops);

/// <summary>Filters and rings that serve all shots.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Filters">The filters, the one with the most shots first.</param>
/// <param name="Rings">The rings likewise.</param>
/// <param name="Shots">For each shot that needs one what it takes, in shooting order.</param>
/// <param name="Changes">How often something must be changed from one of these shots to the next.</param>
public sealed record FilterKit(FilterKitKind Kind, IReadOnlyList<GearItem> Filters, IReadOnlyList<GearItem> Rings, IReadOnlyList<FilterShot> Shots, int Changes)
{
    /// <summary>Filters and rings.</summary>
    public IEnumerable<GearItem> Items => Filters.Concat(Rings);

    /// <summary>What they weigh, g.</summary>
    public PartialSum WeightG => PartialSum.Of(Items, CommonFields.Weight);

    /// <summary>What those cost to buy that are not hired.</summary>
    public PartialSum Purchase => PartialSum.Of(Items.Where(i => i.Value(CommonFields.Ownership) is not Ownership.Hire), CommonFields.Price);

    /// <summary>What the hired ones cost a day.</summary>
    public PartialSum HirePerDay => PartialSum.Of(Items.Where(i => i.Value(CommonFields.Ownership) is Ownership.Hire), CommonFields.Hire);
}

/// <summary>The sets to choose from.</summary>
/// <param name="Kits">The best first; empty where no shot needs a filter.</param>
/// <param name="NeedNone">Shots that are right without a filter.</param>
/// <param name="Impossible">Shots that no filter of the shelf serves.</param>
/// <param name="IsProven">False when the search ended before it was proven that the first is the best.</param>
public sealed record FilterDayResult(IReadOnlyList<FilterKit> Kits, IReadOnlyList<int> NeedNone, IReadOnlyList<int> Impossible, bool IsProven);

/// <summary>
/// The fewest filters, then the fewest rings, that serve all shots of a day with the rigs that are chosen for them: exactly, by the same search as for
/// lenses; of those the set with the fewest shots whose sensitivity is raised, then with the fewest changes, then the lightest. What filters take too much, the sensitivity makes up, as
/// far as is accepted.
/// </summary>
public static class FilterDay
{
    /// <summary>More than this raised is counted against a set, stops.</summary>
    public const double RaisedStops = 1;

    private static readonly KitCriterion[] Order = [KitCriterion.Filters, KitCriterion.Rings, KitCriterion.Pixels, KitCriterion.Changes, KitCriterion.Weight];

    /// <summary>Finds them.</summary>
    /// <param name="shelf">The filters and rings at hand; other gear is left aside.</param>
    /// <param name="mounts">The mounts.</param>
    /// <param name="needs">For each shot, in shooting order, what it needs; null for one that is left aside. Up to 64.</param>
    /// <returns>The sets.</returns>
    public static FilterDayResult Solve(IEnumerable<GearItem> shelf, MountBook mounts, IReadOnlyList<FilterNeed?> needs)
    {
        ArgumentNullException.ThrowIfNull(needs);
        var finder = new FilterFinder(shelf, mounts);
        var ways = needs.Select(need => need is null || need.IsNone ? [] : WaysOf(finder, need)).ToArray();
        int[] asked = [.. Enumerable.Range(0, needs.Count).Where(i => needs[i] is { IsNone: false })];
        int[] possible = [.. asked.Where(i => ways[i].Count > 0)];
        var (kits, isProven) = Kits(needs, ways, possible);
        return new(kits, [.. Enumerable.Range(0, needs.Count).Where(i => needs[i] is { IsNone: true })], [.. asked.Except(possible)], isProven);
    }

    private static IReadOnlyList<FilterWay> WaysOf(FilterFinder finder, FilterNeed need) =>
    [
        .. finder.Found(need.Parts, need.Setting, need.LeastStops - FilterNeed.ToleranceStops, need.MostStops + FilterNeed.ToleranceStops)
            .Where(w => !w.Cuts),
    ];

    private static (IReadOnlyList<FilterKit> Kits, bool IsProven) Kits(IReadOnlyList<FilterNeed?> needs, IReadOnlyList<FilterWay>[] ways, int[] possible)
    {
        if (possible.Length == 0)
        {
            return ([], true);
        }

        var (best, isProven) = Choose(needs, ways, possible, 2);
        List<FilterKit> kits = [.. best.Select((k, i) => k with { Kind = i == 0 ? FilterKitKind.Fewest : FilterKitKind.NextBest })];

        // Where a variable one replaces a set: what the same shots take without it.
        if (kits.Count > 0 && kits[0].Filters.Any(IsVariable))
        {
            IReadOnlyList<FilterWay>[] plain = [.. ways.Select(w => (IReadOnlyList<FilterWay>)[.. w.Where(way => !way.Added.Any(IsVariable))])];
            if (possible.All(i => plain[i].Count > 0) && Choose(needs, plain, possible, 1).Best is [var only])
            {
                kits.RemoveAll(k => k.Kind == FilterKitKind.NextBest && !k.Filters.Any(IsVariable) && k.Filters.Count >= only.Filters.Count);
                kits.Add(only with { Kind = FilterKitKind.FixedOnly });
            }
        }

        return (kits, isProven);
    }

    private static bool IsVariable(GearItem item) => item.Get(FrontFields.Effect) == FilterEffect.Variable;

    private static (IReadOnlyList<FilterKit> Best, bool IsProven) Choose(IReadOnlyList<FilterNeed?> needs, IReadOnlyList<FilterWay>[] ways, int[] possible, int keep)
    {
        var numbers = new Dictionary<GearItem, int>(ReferenceEqualityComparer.Instance);
        int NumberOf(GearItem item) => numbers.TryGetValue(item, out var number) ? number : numbers[item] = numbers.Count;
        IReadOnlyList<KitOption>[] options =
        [
            .. possible.Select(i => ways[i].Select(w => new KitOption([.. w.Added.Select(NumberOf).Order()], Raised(needs[i]!, w) <= RaisedStops)).ToArray()),
        ];
        KitItem[] items = [.. numbers.Keys.Select(i => new KitItem(i.Kind == GearKind.Filter ? KitCriterion.Filters : KitCriterion.Rings, i.Get(CommonFields.Weight)))];
        var solver = new KitSolver(new KitProblem(items, options), Order, keep, asFewOfFirst: true);
        return ([.. solver.Solve().Select(choice => KitOf(choice, needs, ways, possible, options))], solver.IsProven);
    }

    private static double Raised(FilterNeed need, FilterWay way) => need.Taken(way) - need.LeastStops;

    private static FilterKit KitOf(KitChoice choice, IReadOnlyList<FilterNeed?> needs, IReadOnlyList<FilterWay>[] ways, int[] possible, IReadOnlyList<KitOption>[] options)
    {
        FilterShot[] shots =
        [
            .. possible.Select((shot, i) =>
            {
                var (need, way) = (needs[shot]!, ways[shot].Zip(options[i]).First(w => w.Second.Items.AsSpan().SequenceEqual(choice.UsedItems[i])).First);
                return new FilterShot(shot, way, need.Taken(way), Raised(need, way));
            }),
        ];
        GearItem[] taken = [.. shots.SelectMany(s => s.Way.Added).DistinctBy(i => i.Id)];
        IReadOnlyList<GearItem> Of(GearKind kind) =>
            [.. taken.Where(i => i.Kind == kind).OrderByDescending(i => shots.Count(s => s.Way.Added.Any(a => a.Id == i.Id))).ThenBy(i => i.FullName, StringComparer.Ordinal)];
        var changes = choice.UsedItems.Zip(choice.UsedItems.Skip(1)).Count(p => !p.First.AsSpan().SequenceEqual(p.Second));
        return new(FilterKitKind.Fewest, Of(GearKind.Filter), Of(GearKind.StepRing), shots, changes);
    }
}

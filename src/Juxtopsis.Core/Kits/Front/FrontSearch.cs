using Juxtopsis.Core.Bags;
using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Kits.Front;

/// <summary>What bags are looked for.</summary>
/// <param name="One">One axis of the front.</param>
/// <param name="Other">The other.</param>
public sealed record FrontQuestion(FrontCriterion One, FrontCriterion Other)
{
    /// <summary>The most bodies, cameras that keep their lens among them; null for any number.</summary>
    public int? MostBodies { get; init; }

    /// <summary>Things that every bag has, by identity.</summary>
    public IReadOnlyList<Guid> Given { get; init; } = [];

    /// <summary>What the day is like, for batteries.</summary>
    public DayPlan Plan { get; init; } = new();
}

/// <summary>A bag on the front.</summary>
/// <param name="Items">Its bodies, lenses, adapters, supports, filters and rings, and batteries that are given.</param>
/// <param name="Battery">The kind of battery beside those; null where none is needed, or there is none.</param>
/// <param name="Batteries">How many of it.</param>
/// <param name="DrawsUnknown">Of how many of its cameras it is not known what they draw: these are taken to draw as much as the hungriest of which it is.</param>
/// <param name="Shots">How it does each shot that it does.</param>
/// <param name="Undone">Indexes of the shots that it does not.</param>
/// <param name="Changes">How often the rig changes.</param>
/// <param name="WeightG">Weight, g.</param>
/// <param name="Price">To buy what is not hired.</param>
/// <param name="HirePerDay">Hire a day.</param>
/// <param name="Value">Where it lies on one axis.</param>
/// <param name="OtherValue">Where it lies on the other.</param>
/// <param name="AtLeast">No bag with as much of the one has less of the other than this; the same as <paramref name="OtherValue"/> where that is proven.</param>
public sealed record FrontPoint(
    IReadOnlyList<GearItem> Items, GearItem? Battery, int Batteries, int DrawsUnknown, IReadOnlyList<KitShot> Shots, IReadOnlyList<int> Undone, int Changes, PartialSum WeightG, PartialSum Price, PartialSum HirePerDay, double Value, double OtherValue,
    double AtLeast)
{
    /// <summary>True when it is proven that no bag is better on both axes.</summary>
    public bool IsProven => AtLeast >= OtherValue - 1e-6;
}

/// <summary>The front of the best compromises.</summary>
/// <param name="Points">The bags, by what they have of the one criterion, the most first.</param>
/// <param name="Impossible">Indexes of the shots that no bag of this gear does.</param>
/// <param name="Unfiltered">Indexes of the shots that need a filter with each rig, where no filter of this gear serves any: they are reckoned without.</param>
/// <param name="IsCut">True when the front goes on beyond the last point that was looked for.</param>
public sealed record FrontResult(IReadOnlyList<FrontPoint> Points, IReadOnlyList<int> Impossible, IReadOnlyList<int> Unfiltered, bool IsCut);

/// <summary>
/// Asks for the bags of which none is better by one criterion without being worse by another: the front of the best compromises, exactly. Bodies, lenses,
/// adapters, supports, filters with their rings, and batteries count. A rig that needs a filter which is not there does not do a shot, unless none does without.
/// </summary>
public sealed class FrontSearch
{
    private readonly IReadOnlyList<AskedShot> asked;
    private readonly int[] possible;
    private readonly List<GearItem> items = [];
    private readonly Dictionary<Guid, int> numbers = [];
    private readonly Dictionary<FitRig, (int Number, int[] Parts)> rigs = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<FrontWay, FitSearch.Found> foundOf = new(ReferenceEqualityComparer.Instance);
    private readonly List<int[][]> filterItems = [[[]]];
    private readonly Dictionary<FilterSet[], int> numbersOfFilters = new(SameSets.Comparer);
    private readonly GearItem[] batteries;
    private readonly FrontSteps steps;

    private FrontSearch(IReadOnlyList<AskedShot> asked, IReadOnlyList<CameraSupport> carried, FittingShelf shelf, FrontQuestion question)
    {
        this.asked = asked;
        GearItem[] givenItems = [.. shelf.Gear.Where(i => question.Given.Contains(i.Id) && IsCounted(i))];
        HashSet<int> given = [.. givenItems.Select(Number)];
        GearItem[] supports = [.. shelf.Supports];
        FrontWay[][] ways = [.. asked.Select((shot, s) => WaysOf(shot, carried[s], supports).ToArray())];
        possible = [.. Enumerable.Range(0, asked.Count).Where(s => ways[s].Length > 0)];
        batteries = [.. shelf.Gear.Where(i => IsBattery(i) && i.Get(CommonFields.Ownership) != Ownership.Wish).OrderBy(i => i.FullName, StringComparer.Ordinal).ThenBy(i => i.Id)];
        var hungriest = shelf.Gear.Where(i => i.Kind is GearKind.Body or GearKind.FixedLensCamera).Select(CameraDraw.Of).OfType<CameraDraw>()
            .Aggregate(default(CameraDraw), (most, draw) => new(Math.Max(most.RecordingW, draw.RecordingW), Math.Max(most.StandbyW, draw.StandbyW)));
        double GivenWh(GearItem item) => item.Get(BagFields.Energy)!.Value * question.Plan.Usable;
        var problem = new FrontProblem([.. items.Select(CostsOf)], [.. possible.Select(s => ways[s])])
        {
            Filters = [.. filterItems],
            Power = new(
                question.Plan, [.. items.Select(i => IsBody(i) ? CameraDraw.Of(i) ?? hungriest : default)], givenItems.Where(IsBattery).Sum(GivenWh),
                [.. batteries.Select(b => new FrontBattery(CostsOf(b), GivenWh(b)))]),
        };
        steps = FrontSteps.Of(problem, given, question.One, question.Other, question.MostBodies);
    }

    /// <summary>Begins with shots that were asked.</summary>
    /// <param name="ways">For each shot, in shooting order, the rigs that give it, of which it was found which filters they need.</param>
    /// <param name="carried">For each shot how the camera is carried.</param>
    /// <param name="shelf">The gear: its supports and batteries, and what is given.</param>
    /// <param name="question">What is looked for.</param>
    /// <returns>A search.</returns>
    public static FrontSearch Of(IReadOnlyList<AskedShot> ways, IReadOnlyList<CameraSupport> carried, FittingShelf shelf, FrontQuestion question)
    {
        ArgumentNullException.ThrowIfNull(ways);
        ArgumentNullException.ThrowIfNull(carried);
        ArgumentNullException.ThrowIfNull(shelf);
        ArgumentNullException.ThrowIfNull(question);
        return new(ways, carried, shelf, question);
    }

    /// <summary>The axis by which points are told: the one of fewer steps.</summary>
    public FrontCriterion Limited => steps.Limited;

    /// <summary>The axis of which each point has the least.</summary>
    public FrontCriterion Minimised => steps.Minimised;

    /// <summary>How many points were found.</summary>
    public int Found => steps.Found.Count;

    /// <summary>Looks at some more branches.</summary>
    /// <param name="branches">How many at most.</param>
    /// <returns>True when all is done.</returns>
    public bool Step(int branches) => steps.Step(branches);

    /// <summary>Does what is left, and answers.</summary>
    /// <returns>The front.</returns>
    public FrontResult Finish()
    {
        while (!Step(int.MaxValue))
        {
        }

        return SoFar();
    }

    /// <summary>What is known so far.</summary>
    /// <returns>The front, perhaps not all of it.</returns>
    public FrontResult SoFar() => new([.. steps.Found.Select(f => PointOf(f.Choice, f.LowerBound))], [.. Enumerable.Range(0, asked.Count).Except(possible)], [.. possible.Where(s => asked[s].Filters.All(f => f is []))], steps.IsCut);

    private static bool IsBody(GearItem item) => item.Kind is GearKind.Body or GearKind.FixedLensCamera;

    private static bool IsBattery(GearItem item) => item.Get(BagFields.Use) == BagUse.Battery && item.Get(BagFields.Energy) > 0;

    private static bool IsCounted(GearItem item) => IsBody(item) || IsBattery(item)
        || item.Kind is GearKind.Lens or GearKind.Adapter or GearKind.Support or GearKind.CloseUpLens or GearKind.Filter or GearKind.StepRing;

    private static double[] CostsOf(GearItem item)
    {
        var costs = new double[FrontProblem.Criteria];
        costs[(int)FrontCriterion.Things] = 1;
        costs[(int)(item.Kind switch
        {
            GearKind.Lens => FrontCriterion.Lenses,
            GearKind.Body or GearKind.FixedLensCamera => FrontCriterion.Bodies,
            GearKind.Filter or GearKind.StepRing => FrontCriterion.Filters,
            GearKind.BagItem => FrontCriterion.Batteries,
            GearKind.Support => FrontCriterion.Supports,
            _ => FrontCriterion.Adapters,
        })] = 1;
        var isHired = item.Get(CommonFields.Ownership) == Ownership.Hire;
        costs[(int)FrontCriterion.Weight] = Exact(item.WeightG);
        costs[(int)FrontCriterion.Price] = isHired ? 0 : Exact(item.Get(CommonFields.Price));
        costs[(int)FrontCriterion.Hire] = isHired ? Exact(item.Get(CommonFields.Hire)) : 0;
        return costs;
    }

    private static double Exact(double? value) => Math.Round((value ?? FrontProblem.Unknown) / FrontProblem.Least) * FrontProblem.Least;

    /// <summary>What carries a rig as a shot asks; null where hands, a clamp or a shoulder do, or nothing of the shelf does.</summary>
    private static IReadOnlyList<GearItem?> Carriers(CameraSupport by, FitRig rig, IReadOnlyList<GearItem> supports)
    {
        if (CameraSupports.Asks(by) is not { } type)
        {
            return [null];
        }

        GearItem[] able = [.. supports.Where(s => s.Get(SupportFields.Type) == type && SupportLimits.Of(s) is var limits && limits.TooHeavyG(rig.WeightG) == 0 && limits.TooLongMm(rig.FrontMm + rig.BackMm) == 0)];
        return able.Length == 0 ? [null] : [.. able];
    }

    /// <summary>The ways to do a shot: each rig on each support that carries it, with the filters that it needs. Rigs whose filters are not there are left aside, unless it is so with all.</summary>
    private IEnumerable<FrontWay> WaysOf(AskedShot shot, CameraSupport by, IReadOnlyList<GearItem> supports)
    {
        var noneIsServed = shot.Filters.All(f => f is []);
        for (var w = 0; w < shot.Ways.Count; w++)
        {
            var (found, sets) = (shot.Ways[w], noneIsServed ? null : shot.Filters[w]);
            if (sets is [])
            {
                continue;
            }

            if (!rigs.TryGetValue(found.Rig, out var rig))
            {
                rigs[found.Rig] = rig = (rigs.Count, [.. found.Rig.Parts.Select(Number)]);
            }

            foreach (var carrier in Carriers(by, found.Rig, supports))
            {
                var carried = sets is null || carrier is null ? sets : Carried(sets, found.Rig, SupportLimits.Of(carrier));
                if (carried is [])
                {
                    continue;
                }

                var way = new FrontWay([.. (carrier is null ? rig.Parts : [.. rig.Parts, Number(carrier)]).Order()], rig.Number, carried is null ? 0 : Number(carried));
                foundOf.Add(way, found);
                yield return way;
            }
        }
    }

    /// <summary>Of some sets of filters those with which a rig is not too heavy for what carries it.</summary>
    private static FilterSet[] Carried(FilterSet[] sets, FitRig rig, SupportLimits limits) =>
        Array.TrueForAll(sets, s => limits.TooHeavyG(rig.WeightG + s.WeightG) == 0) ? sets : Array.FindAll(sets, s => limits.TooHeavyG(rig.WeightG + s.WeightG) == 0);

    private int Number(FilterSet[] sets)
    {
        if (!numbersOfFilters.TryGetValue(sets, out var number))
        {
            // Other lenses may have other sets of the same things.
            int[][] things = [.. sets.Select(s => (int[])[.. s.Things.Select(Number).Order()])];
            number = filterItems.FindIndex(k => k.Length == things.Length && k.Zip(things).All(p => p.First.AsSpan().SequenceEqual(p.Second)));
            if (number < 0)
            {
                number = filterItems.Count;
                filterItems.Add(things);
            }

            numbersOfFilters.Add(sets, number);
        }

        return number;
    }

    private int Number(GearItem item)
    {
        if (!numbers.TryGetValue(item.Id, out var number))
        {
            numbers.Add(item.Id, number = items.Count);
            items.Add(item);
        }

        return number;
    }

    private FrontPoint PointOf(FrontChoice choice, double lowerBound)
    {
        GearItem[] taken = [.. choice.Items.Select(i => items[i])];
        IReadOnlyList<GearItem> FiltersOf(FrontWay way) => way.Filters == 0 ? []
            : [.. filterItems[way.Filters].Where(set => Array.TrueForAll(set, i => Array.BinarySearch(choice.Items, i) >= 0)).MinBy(set => set.Length)!.Select(i => items[i])];
        KitShot Done(int shot)
        {
            var way = steps.Problem.Shots[shot][choice.Uses[shot]];
            var found = foundOf[way];
            return new(possible[shot], found.Rig, found.Mode, found.Burden.Enlargement <= 1)
            {
                Support = way.Items.Select(i => items[i]).FirstOrDefault(i => i.Kind == GearKind.Support),
                Filters = FiltersOf(way),
            };
        }

        KitShot[] shots = [.. Enumerable.Range(0, choice.Uses.Length).Where(i => choice.Uses[i] >= 0).Select(Done)];
        static bool IsHired(GearItem item) => item.Get(CommonFields.Ownership) == Ownership.Hire;
        var battery = choice.Battery < 0 ? null : batteries[choice.Battery];
        (GearItem Item, int Count)[] things = [.. taken.Select(i => (i, 1)), .. battery is null ? Array.Empty<(GearItem, int)>() : [(battery, choice.Batteries)]];
        return new(
            taken, battery, choice.Batteries, taken.Count(i => IsBody(i) && CameraDraw.Of(i) is null), shots, [.. Enumerable.Range(0, asked.Count).Except(shots.Select(s => s.Shot))],
            (int)choice.Cost[(int)FrontCriterion.Changes], PartialSum.Of(things, CommonFields.Weight), PartialSum.Of(things.Where(t => !IsHired(t.Item)), CommonFields.Price),
            PartialSum.Of(things.Where(t => IsHired(t.Item)), CommonFields.Hire), choice.Cost[(int)steps.Limited], choice.Cost[(int)steps.Minimised], lowerBound);
    }

    /// <summary>The same sets in the same order: each set is one object for one lens.</summary>
    private sealed class SameSets : IEqualityComparer<FilterSet[]>
    {
        public static SameSets Comparer { get; } = new();

        public bool Equals(FilterSet[]? x, FilterSet[]? y) => x.AsSpan().SequenceEqual(y);

        public int GetHashCode(FilterSet[] sets)
        {
            var code = new HashCode();
            foreach (var set in sets)
            {
                code.Add(set);
            }

            return code.ToHashCode();
        }
    }
}

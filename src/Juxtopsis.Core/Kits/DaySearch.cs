using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Kits;

/// <summary>A shot of a day.</summary>
/// <param name="Location">Where.</param>
/// <param name="Brief">What is wanted.</param>
public sealed record DayShot(Location Location, ShotBrief Brief);

/// <summary>How a bag does a shot.</summary>
/// <param name="Shot">Index of the shot.</param>
/// <param name="Rig">The rig.</param>
/// <param name="Mode">Its mode.</param>
/// <param name="Fills">True when enough pixels are recorded for delivery.</param>
public sealed record KitShot(int Shot, FitRig Rig, FitMode Mode, bool Fills)
{
    /// <summary>What of the shelf carries it, where supports are chosen too; null where they are not, or none is needed.</summary>
    public GearItem? Support { get; init; }

    /// <summary>Filters and rings before its lens, where these are chosen too.</summary>
    public IReadOnlyList<GearItem> Filters { get; init; } = [];

    /// <summary>What it is closest to running out of, in so far as that is not sure; null where all is, and where it was not asked.</summary>
    public Spare? Close { get; init; }

    /// <summary>Where it is not sure: what else of the same bag gives the shot, and surely; null where nothing is found.</summary>
    public KitShot? Surer { get; init; }
}

/// <summary>A bag for a day.</summary>
/// <param name="Bodies">Bodies, and cameras that keep their lens.</param>
/// <param name="Lenses">Lenses, the one with the most shots first.</param>
/// <param name="Adapters">What joins them.</param>
/// <param name="Shots">How it does each shot that it does, in shooting order.</param>
/// <param name="Undone">Indexes of the shots that it does not.</param>
/// <param name="Changes">How often the rig changes from one of its shots to the next.</param>
/// <param name="WeightG">Weight of all of it, in so far as it is known, g.</param>
/// <param name="WeightsUnknown">Of how many things the weight is not known.</param>
public sealed record Kit(
    IReadOnlyList<GearItem> Bodies, IReadOnlyList<GearItem> Lenses, IReadOnlyList<GearItem> Adapters, IReadOnlyList<KitShot> Shots, IReadOnlyList<int> Undone, int Changes,
    double WeightG, int WeightsUnknown)
{
    /// <summary>For each thing, by identity, the shots of the bag that could not be done without it.</summary>
    public IReadOnlyDictionary<Guid, IReadOnlyList<int>> Alone { get; init; } = new Dictionary<Guid, IReadOnlyList<int>>();
}

/// <summary>The bags to choose from.</summary>
/// <param name="Kits">Up to three: the best two that do all that can be done, and the best that leaves one shot undone and takes less of what counts first.</param>
/// <param name="Impossible">Indexes of the shots that nothing of this gear does.</param>
/// <param name="IsProven">False when the search ended before it was proven that the first is the best.</param>
public sealed record DayResult(IReadOnlyList<Kit> Kits, IReadOnlyList<int> Impossible, bool IsProven);

/// <summary>
/// Asks what to take for all shots of a day: with least of what counts, in the order that the person gives. Rigs that something spoils are left aside.
/// </summary>
public sealed class DaySearch
{
    /// <summary>The most shots of a day.</summary>
    public const int MostShots = 64;

    /// <summary>For the next best, and for the bags without one shot, of which there are as many as shots, fewer branches each.</summary>
    private const int MostNodesBeside = 400;

    /// <summary>Of the whole work, how much asking is: an estimate, for telling progress.</summary>
    private const double ShareOfAsking = 0.6;

    /// <summary>How sure a rig is takes about so many questions: each thing that is not measured a little more and a little less.</summary>
    private const int QuestionsOfMargin = 9;

    /// <summary>Where a shot of a bag is not sure, how many of the bag's other ways to give it are asked.</summary>
    private const int MostSurerTried = 8;

    private readonly FittingShelf shelf;
    private readonly IReadOnlyList<DayShot> shots;
    private readonly Conventions conventions;
    private readonly IReadOnlyList<KitCriterion> order;
    private readonly FitRules rules;
    private readonly bool alternatives;
    private readonly List<GearItem> items = [];
    private readonly Dictionary<Guid, int> numbers = [];
    private readonly List<List<(KitOption Option, KitShot How)>> ways = [];
    private readonly List<Kit> kits = [];
    private readonly List<FitMargins> margins = [];
    private readonly Dictionary<KitShot, Spare?> closest = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<(int Kit, int Shot), KitShot?> surer = [];
    private FitSearch? search;
    private KitReduction? reduction;
    private KitProblem? problem;
    private KitSolver? solver;
    private KitChoice? best;
    private KitChoice? fewer;
    private int[] possible = [];
    private int solved;
    private bool isProven;

    /// <summary>Begins a search.</summary>
    /// <param name="shelf">The rigs.</param>
    /// <param name="shots">The shots in shooting order, at most <see cref="MostShots"/>.</param>
    /// <param name="conventions">What figures go by.</param>
    /// <param name="order">What counts first; lenses, bodies, adapters and so on when left out.</param>
    /// <param name="rules">What a proposal must keep; all of it when left out.</param>
    /// <param name="alternatives">False when the best bag alone is asked for.</param>
    /// <exception cref="ArgumentOutOfRangeException">There are too many shots.</exception>
    public DaySearch(FittingShelf shelf, IReadOnlyList<DayShot> shots, Conventions conventions, IReadOnlyList<KitCriterion>? order = null, FitRules? rules = null, bool alternatives = true)
    {
        ArgumentNullException.ThrowIfNull(shelf);
        ArgumentNullException.ThrowIfNull(shots);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(shots.Count, MostShots, nameof(shots));
        (this.shelf, this.shots, this.conventions, this.order, this.rules, this.alternatives) = (shelf, shots, conventions, order ?? [], rules ?? FitRules.All, alternatives);
    }

    /// <summary>How much is done, 0 to 1: shots asked, and bags looked for.</summary>
    public double Done => shots.Count == 0 ? 1 : ShareOfAsking * ways.Count / shots.Count + (1 - ShareOfAsking) * solved / ToSolve;

    /// <summary>The best; then the next best, and the best without each shot in turn.</summary>
    private int ToSolve => alternatives ? possible.Length + 2 : 1;

    /// <summary>Asks some more rigs, or looks at some more bags.</summary>
    /// <param name="count">How many at most.</param>
    /// <returns>True when all is done.</returns>
    public bool Step(int count)
    {
        if (ways.Count < shots.Count)
        {
            Ask(count);
            return false;
        }

        if (problem is null)
        {
            Reduce(count);
            return false;
        }

        if (solved >= ToSolve)
        {
            return FindMargins(count);
        }

        solver ??= solved switch
        {
            0 => new(problem, order, 1, KitSolver.MostNodes),
            1 => new(problem, order, 2, MostNodesBeside),
            _ => new(problem.Without(solved - 2), order, 1, MostNodesBeside),
        };
        if (solver.Step(count))
        {
            Note(solver);
            solver = null;
            solved++;
        }

        return false;
    }

    /// <summary>Does all that is left, and answers.</summary>
    /// <returns>The bags.</returns>
    public DayResult Finish()
    {
        while (!Step(int.MaxValue))
        {
        }

        return new(
            [.. kits.Select((k, at) => k with { Shots = [.. k.Shots.Select(s => s with { Close = closest[s], Surer = surer.GetValueOrDefault((at, s.Shot)) })] })],
            [.. Enumerable.Range(0, shots.Count).Except(possible)],
            isProven);
    }

    private int[] WithoutOne => [.. possible.Where((_, i) => i != solved - 2)];

    private void Ask(int count)
    {
        var at = ways.Count;
        search ??= new(shelf, shots[at].Location, shots[at].Brief, conventions, RankingCriterion.LeastWeight, rules: rules);
        if (search.Step(count))
        {
            margins.Add(new(shelf, search.Question));
            ways.Add([.. AskedShot.Of(search, rules).Ways.Select(w => Option(w, at))]);
            search = null;
        }
    }

    /// <summary>Finds how sure some more shots of the bags are, and what of the same bag is surer where one is not.</summary>
    private bool FindMargins(int count)
    {
        foreach (var (kit, shot) in kits.SelectMany((k, at) => k.Shots.Select(s => (at, s))))
        {
            if (count <= 0)
            {
                return false;
            }

            if (!closest.TryGetValue(shot, out var close))
            {
                closest[shot] = close = margins[shot.Shot].Of(shot.Rig, shot.Mode).Closest;
                count -= QuestionsOfMargin;
            }

            if (close is not null && !surer.ContainsKey((kit, shot.Shot)))
            {
                surer[(kit, shot.Shot)] = SurerOf(kits[kit], shot);
                count -= QuestionsOfMargin * MostSurerTried;
            }
        }

        return true;
    }

    /// <summary>Another lens of a bag, on the same body if there is one, with which a shot is sure.</summary>
    private KitShot? SurerOf(Kit kit, KitShot shot)
    {
        var things = kit.Bodies.Concat(kit.Lenses).Concat(kit.Adapters).Select(i => numbers[i.Id]).ToHashSet();
        return ways[shot.Shot]
            .Where(w => w.How.Rig.Group != shot.Rig.Group && (w.How.Fills || !shot.Fills) && w.Option.Items.All(things.Contains))
            .Select(w => w.How)
            .OrderBy(w => w.Rig.Body.Id != shot.Rig.Body.Id)
            .Take(MostSurerTried)
            .FirstOrDefault(w => margins[shot.Shot].Of(w.Rig, w.Mode).Closest is null);
    }

    private void Reduce(int count)
    {
        if (reduction is null)
        {
            possible = [.. Enumerable.Range(0, shots.Count).Where(s => ways[s].Count > 0)];
            reduction = new(
                [.. items.Select(i => new KitItem(KindOf(i), i.Get(CommonFields.Weight)))],
                [.. possible.Select(s => (IReadOnlyList<KitOption>)[.. ways[s].Select(w => w.Option)])]);
        }
        else if (reduction.Step(count))
        {
            problem = reduction.Problem;
        }
    }

    private void Note(KitSolver done)
    {
        switch (solved)
        {
            case 0:
                (best, isProven) = (done.Best.Count > 0 ? done.Best[0] : null, done.IsProven);
                kits.AddRange(done.Best.Select(k => KitOf(k, possible)));
                break;
            case 1:
                kits.AddRange(done.Best.Where(k => best is not null && k.Items.Except(best.Items).Any(i => KindOf(items[i]) != KitCriterion.Adapters)).Take(1).Select(k => KitOf(k, possible)));
                break;
            default:
                // The best bag that leaves out one shot, and with it some of what counts first.
                if (WithoutOne.Length > 0 && done.Best is [var choice, ..] && choice.Cost[0] < (fewer?.Cost[0] ?? best?.Cost[0] ?? 0))
                {
                    if (fewer is not null)
                    {
                        kits.RemoveAt(kits.Count - 1);
                    }

                    fewer = choice;
                    kits.Add(KitOf(choice, WithoutOne));
                }

                break;
        }
    }

    private static KitCriterion KindOf(GearItem item) => item.Kind switch
    {
        GearKind.Body or GearKind.FixedLensCamera => KitCriterion.Bodies,
        GearKind.Lens => KitCriterion.Lenses,
        _ => KitCriterion.Adapters,
    };

    private (KitOption Option, KitShot How) Option(FitSearch.Found found, int shot)
    {
        var fills = found.Burden.Enlargement <= 1;
        return (new([.. found.Rig.Parts.Select(Number).Order()], fills), new(shot, found.Rig, found.Mode, fills));
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

    private Kit KitOf(KitChoice choice, int[] of)
    {
        KitShot[] done = [.. of.Select((s, i) => Used(s, i, choice))];
        GearItem[] taken = [.. done.SelectMany(d => d.Rig.Parts).DistinctBy(p => p.Id)];
        IReadOnlyList<GearItem> Of(KitCriterion kind) =>
            [.. taken.Where(i => KindOf(i) == kind).OrderByDescending(i => done.Count(d => d.Rig.Parts.Any(p => p.Id == i.Id))).ThenBy(i => i.FullName, StringComparer.Ordinal)];
        var changes = done.Zip(done.Skip(1)).Count(p => !p.First.Rig.Parts.SequenceEqual(p.Second.Rig.Parts));
        return new(
            Of(KitCriterion.Bodies), Of(KitCriterion.Lenses), Of(KitCriterion.Adapters), done, [.. Enumerable.Range(0, shots.Count).Except(of)], changes,
            taken.Sum(i => i.Get(CommonFields.Weight) ?? 0), taken.Count(i => i.Get(CommonFields.Weight) is null))
        {
            Alone = taken.ToDictionary(i => i.Id, i => AloneIn(taken, i, of)),
        };
    }

    /// <summary>The shots that the things of a bag do only with one of them.</summary>
    private IReadOnlyList<int> AloneIn(GearItem[] taken, GearItem item, int[] of)
    {
        var rest = taken.Where(t => t.Id != item.Id).Select(t => numbers[t.Id]).ToHashSet();
        return (int[])[.. of.Where(s => !ways[s].Exists(w => w.Option.Items.All(rest.Contains)))];
    }

    /// <summary>The way that a shot uses: the solver's options are those of the ways less the ones of the same things.</summary>
    private KitShot Used(int shot, int at, KitChoice choice)
    {
        var things = choice.UsedItems[at];
        return ways[shot].Where(w => w.Option.Items.SequenceEqual(things)).OrderByDescending(w => w.Option.Fills).First().How;
    }
}

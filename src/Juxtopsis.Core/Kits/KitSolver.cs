using System.Numerics;

namespace Juxtopsis.Core.Kits;

/// <summary>A thing that can be taken along.</summary>
/// <param name="Criterion">What it counts as: lens, body or adapter.</param>
/// <param name="WeightG">Its weight, g; null when not known.</param>
internal readonly record struct KitItem(KitCriterion Criterion, double? WeightG);

/// <summary>A way to do a shot.</summary>
/// <param name="Items">Numbers of the things that it takes, ascending.</param>
/// <param name="Fills">True when enough pixels are recorded.</param>
internal sealed record KitOption(int[] Items, bool Fills);

/// <summary>A bag that does all shots.</summary>
/// <param name="Items">Numbers of its things, ascending.</param>
/// <param name="UsedItems">For each shot the things of the option that is used.</param>
/// <param name="Cost">What it costs, in the order of the criteria.</param>
internal sealed record KitChoice(int[] Items, int[][] UsedItems, double[] Cost);

/// <summary>
/// Chooses the things that do all shots with least of what counts, criterion by criterion in a given order, exactly: by branch and bound over the shots that
/// the fewest options do.
/// </summary>
/// <remarks>
/// A set of things costs what it holds; which option a shot uses of those that the set allows is chosen for it by dynamic programming along the
/// shooting order, with least changes and unfilled pixels. A branch is given up where a bound of each criterion, put in order, is not better than the
/// best known: what is held, and what the shots still open need at least, each alone and together by how many shots one more lens or body could do at most.
/// Where changes or pixels count before things, sets that hold more than they must are tried too. After <see cref="MostNodes"/> it ends unproven.
/// </remarks>
internal sealed class KitSolver
{
    /// <summary>Branches that are looked at before the search ends unproven: a second or two in a browser.</summary>
    public const int MostNodes = 60_000;

    private static readonly KitCriterion[] Usual =
        [KitCriterion.Lenses, KitCriterion.Bodies, KitCriterion.Adapters, KitCriterion.Weight, KitCriterion.Changes, KitCriterion.Pixels];

    private const double UnknownWeightG = 1e9;

    private readonly IReadOnlyList<KitItem> items;
    private readonly IReadOnlyList<IReadOnlyList<KitOption>> shots;
    private readonly KitCriterion[] order;
    private readonly int keep;
    private readonly int mostNodes;
    private readonly bool[] held;
    private readonly double leastChanges;
    private readonly double leastUnfilled;
    private readonly HashSet<string> seen = [];
    private readonly List<KitChoice> best = [];
    private readonly Stack<Frame> frames = [];
    private bool begun;
    private int nodes;

    /// <summary>Begins with the options of some shots.</summary>
    /// <param name="items">The things.</param>
    /// <param name="shots">For each shot the ways to do it; at least one each, at most 64 shots.</param>
    /// <param name="order">What counts first; what is left out comes after, in its usual order.</param>
    /// <param name="keep">How many bags to answer: others than the first differ in a lens or body.</param>
    /// <param name="mostNodes">Branches to look at.</param>
    public KitSolver(IReadOnlyList<KitItem> items, IReadOnlyList<IReadOnlyList<KitOption>> shots, IReadOnlyList<KitCriterion> order, int keep = 1, int mostNodes = MostNodes)
    {
        (this.items, this.keep, this.mostNodes) = (items, keep, mostNodes);
        this.shots = Undominated(items, [.. shots.Select(Useful)]);
        this.order = [.. order.Concat(Usual).Distinct()];
        held = new bool[items.Count];
        Array.Fill(held, true);
        var (_, changes, _) = Assign(changesFirst: true);
        var (_, _, unfilled) = Assign(changesFirst: false);
        (leastChanges, leastUnfilled) = (changes, unfilled);
    }

    /// <summary>True when the answer is proven to be the best.</summary>
    public bool IsProven => nodes <= mostNodes;

    /// <summary>The best bags that are known so far, the best first.</summary>
    public IReadOnlyList<KitChoice> Best => best;

    /// <summary>Looks at some more branches.</summary>
    /// <param name="branches">How many at most.</param>
    /// <returns>True when there is none left, or too many were looked at.</returns>
    public bool Step(int branches)
    {
        if (!begun)
        {
            begun = true;
            Begin();
        }

        for (; branches > 0 && frames.Count > 0 && nodes <= mostNodes; branches--)
        {
            var frame = frames.Peek();
            if (frame.Left.TryDequeue(out var option))
            {
                Enter(option);
                continue;
            }

            frames.Pop();
            foreach (var item in frame.Added)
            {
                held[item] = false;
            }
        }

        return frames.Count == 0 || nodes > mostNodes;
    }

    /// <summary>Looks at all branches.</summary>
    /// <returns>The best bags, the best first; one that is empty when there is no shot.</returns>
    public IReadOnlyList<KitChoice> Solve()
    {
        while (!Step(int.MaxValue))
        {
        }

        return best;
    }

    /// <summary>A first answer, to give up branches against: the things of the way with the fewest changes, or the fewest unfilled.</summary>
    private void Begin()
    {
        foreach (var changesFirst in new[] { true, false })
        {
            Array.Fill(held, true);
            var (uses, _, _) = Assign(changesFirst);
            Array.Clear(held);
            foreach (var item in shots.SelectMany((s, i) => s[uses[i]].Items))
            {
                held[item] = true;
            }

            Keep();
        }

        Array.Clear(held);
        frames.Push(new([], Children()));
    }

    /// <summary>Options of the same things count once, filled before unfilled.</summary>
    private static IReadOnlyList<KitOption> Useful(IReadOnlyList<KitOption> options) =>
        [.. options.GroupBy(o => string.Join(',', o.Items)).Select(g => g.FirstOrDefault(o => o.Fills) ?? g.First())];

    /// <summary>
    /// Leaves out things for which another of the same kind can always stand in: in every option of every shot that takes the one, the other would do as
    /// well, and it weighs no more. Whatever a bag does with the one it does with the other, at no higher cost.
    /// </summary>
    private static IReadOnlyList<IReadOnlyList<KitOption>> Undominated(IReadOnlyList<KitItem> items, IReadOnlyList<IReadOnlyList<KitOption>> shots)
    {
        var byThings = shots.Select(s => s.ToDictionary(o => Things(o.Items), o => o.Fills)).ToArray();
        var uses = new List<(int Shot, KitOption Option)>[items.Count];
        for (var s = 0; s < shots.Count; s++)
        {
            foreach (var option in shots[s])
            {
                foreach (var item in option.Items)
                {
                    (uses[item] ??= []).Add((s, option));
                }
            }
        }

        var gone = new bool[items.Count];
        bool StandsInFor(int other, int item) => !gone[other] && other != item && items[other].Criterion == items[item].Criterion && uses[other] is { } does && does.Count >= uses[item].Count
            && (items[other].WeightG ?? UnknownWeightG) <= (items[item].WeightG ?? UnknownWeightG)
            && uses[item].All(u => byThings[u.Shot].TryGetValue(Things(u.Option.Items, item, other), out var fills) && (fills || !u.Option.Fills));
        for (var item = 0; item < items.Count; item++)
        {
            gone[item] = uses[item] is not null && Enumerable.Range(0, items.Count).Any(other => StandsInFor(other, item));
        }

        return [.. shots.Select(s => (IReadOnlyList<KitOption>)[.. s.Where(o => !o.Items.Any(i => gone[i]))])];
    }

    /// <summary>Things of an option as one number, with another in the place of one of them; the order does not matter.</summary>
    private static UInt128 Things(int[] option, int instead = -1, int of = -1)
    {
        Span<int> things = stackalloc int[option.Length];
        for (var i = 0; i < option.Length; i++)
        {
            things[i] = option[i] == instead ? of : option[i];
        }

        things.Sort();
        var key = UInt128.One;
        foreach (var thing in things)
        {
            key = (key << 16) | (uint)thing;
        }

        return key;
    }

    private bool Has(KitOption option)
    {
        foreach (var item in option.Items)
        {
            if (!held[item])
            {
                return false;
            }
        }

        return true;
    }

    private void Enter(KitOption option)
    {
        if (best.Count >= keep && !IsBetter(Bound(), Added(option)))
        {
            return;
        }

        int[] added = [.. option.Items.Where(i => !held[i])];
        foreach (var item in added)
        {
            held[item] = true;
        }

        frames.Push(new(added, Children()));
    }

    /// <summary>What is to be tried from what is held: the options of the open shot that has the fewest; none where nothing better can come of it.</summary>
    private Queue<KitOption> Children()
    {
        nodes++;
        if (!seen.Add(Key()) || !CanBeBetter())
        {
            return [];
        }

        var (open, fewest) = (-1, int.MaxValue);
        for (var s = 0; s < shots.Count; s++)
        {
            if (!shots[s].Any(Has) && shots[s].Count < fewest)
            {
                (open, fewest) = (s, shots[s].Count);
            }
        }

        if (open >= 0)
        {
            return new(shots[open].OrderBy(Added, Comparer<double[]>.Create(Compare)));
        }

        // Fewer changes or more pixels may be worth another thing, where they count before it.
        var choice = Keep();
        return choice.Cost[Place(KitCriterion.Changes)] > leastChanges || choice.Cost[Place(KitCriterion.Pixels)] > leastUnfilled
            ? new(shots.SelectMany(s => s).Where(o => !Has(o)))
            : [];
    }

    private sealed record Frame(int[] Added, Queue<KitOption> Left);

    private double[] Bound()
    {
        var bound = Held();
        bound[Place(KitCriterion.Changes)] = leastChanges;
        bound[Place(KitCriterion.Pixels)] = leastUnfilled;
        return bound;
    }

    private string Key()
    {
        var text = new char[(held.Length + 15) / 16];
        for (var i = 0; i < held.Length; i++)
        {
            text[i / 16] |= (char)(held[i] ? 1 << (i % 16) : 0);
        }

        return new(text);
    }

    private int Place(KitCriterion criterion) => Array.IndexOf(order, criterion);

    private static int Compare(double[] a, double[] b)
    {
        for (var i = 0; i < a.Length; i++)
        {
            if (Math.Abs(a[i] - b[i]) > 1e-9)
            {
                return a[i].CompareTo(b[i]);
            }
        }

        return 0;
    }

    private double[] Held()
    {
        var cost = new double[order.Length];
        for (var i = 0; i < held.Length; i++)
        {
            if (held[i])
            {
                Count(cost, i);
            }
        }

        return cost;
    }

    private void Count(double[] cost, int item)
    {
        cost[Place(items[item].Criterion)]++;
        cost[Place(KitCriterion.Weight)] += items[item].WeightG ?? UnknownWeightG;
    }

    private double[] Added(KitOption option)
    {
        var cost = new double[order.Length];
        foreach (var item in option.Items)
        {
            if (!held[item])
            {
                Count(cost, item);
            }
        }

        return cost;
    }

    /// <summary>Whether a bound of what this branch will cost is better than the worst bag that is kept.</summary>
    private bool CanBeBetter()
    {
        if (best.Count < keep)
        {
            return true;
        }

        var bound = Bound();
        var more = new double[order.Length];
        var open = new List<(int Shot, List<KitOption> Options)>();
        for (var s = 0; s < shots.Count; s++)
        {
            if (shots[s].Any(Has))
            {
                continue;
            }

            // What costs too much by itself cannot be in a better bag.
            var least = new double[order.Length];
            Array.Fill(least, double.PositiveInfinity);
            var left = new List<KitOption>();
            foreach (var option in shots[s])
            {
                var added = Added(option);
                if (IsBetter(bound, added))
                {
                    left.Add(option);
                    for (var i = 0; i < least.Length; i++)
                    {
                        least[i] = Math.Min(least[i], added[i]);
                    }
                }
            }

            if (left.Count == 0)
            {
                return false;
            }

            open.Add((s, left));
            for (var i = 0; i < more.Length; i++)
            {
                more[i] = Math.Max(more[i], least[i]);
            }
        }

        foreach (var kind in new[] { KitCriterion.Lenses, KitCriterion.Bodies, KitCriterion.Adapters })
        {
            more[Place(kind)] = Math.Max(more[Place(kind)], LeastMore(kind, open));
        }

        return IsBetter(bound, more);
    }

    private bool IsBetter(double[] bound, double[] more)
    {
        var worst = best[^1].Cost;
        for (var i = 0; i < bound.Length; i++)
        {
            var off = bound[i] + more[i] - worst[i];
            if (Math.Abs(off) > 1e-9)
            {
                return off < 0;
            }
        }

        return false;
    }

    /// <summary>How many more lenses or bodies the open shots need at least: as many as it takes when each does as many as any could.</summary>
    private double LeastMore(KitCriterion kind, List<(int Shot, List<KitOption> Options)> open)
    {
        var does = new Dictionary<int, ulong>();
        var need = 0UL;
        foreach (var (shot, options) in open)
        {
            var always = true;
            foreach (var option in options)
            {
                var adds = false;
                foreach (var item in option.Items)
                {
                    if (items[item].Criterion == kind && !held[item])
                    {
                        adds = true;
                        does[item] = does.GetValueOrDefault(item) | 1UL << shot;
                    }
                }

                always &= adds;
            }

            need |= always ? 1UL << shot : 0;
        }

        var most = 1;
        foreach (var (_, mask) in does)
        {
            most = Math.Max(most, BitOperations.PopCount(mask & need));
        }

        return (BitOperations.PopCount(need) + most - 1) / most;
    }

    /// <summary>Costs what is held, with the best use of it, and keeps it where it is among the best.</summary>
    private KitChoice Keep()
    {
        var (uses, changes, unfilled) = Assign(Place(KitCriterion.Changes) < Place(KitCriterion.Pixels));
        var cost = Held();
        cost[Place(KitCriterion.Changes)] = changes;
        cost[Place(KitCriterion.Pixels)] = unfilled;
        var choice = new KitChoice([.. Enumerable.Range(0, held.Length).Where(i => held[i])], [.. uses.Select((u, s) => shots[s][u].Items)], cost);
        var same = best.FindIndex(b => Main(b).SetEquals(Main(choice)));
        if (same >= 0)
        {
            best[same] = Compare(cost, best[same].Cost) < 0 ? choice : best[same];
        }
        else if (best.Count == 0 || Compare(cost, best[0].Cost) < 0 || !Main(best[0]).IsSubsetOf(Main(choice)))
        {
            best.Add(choice);
        }

        best.Sort((a, b) => Compare(a.Cost, b.Cost));
        best.RemoveAll(b => !ReferenceEquals(b, best[0]) && Main(best[0]).IsSubsetOf(Main(b)));
        while (best.Count > keep)
        {
            best.RemoveAt(best.Count - 1);
        }

        return choice;
    }

    private HashSet<int> Main(KitChoice choice) => [.. choice.Items.Where(i => items[i].Criterion is KitCriterion.Lenses or KitCriterion.Bodies)];

    /// <summary>The best option of each shot of those that the held things allow: along the shooting order, by dynamic programming.</summary>
    private (int[] Uses, double Changes, double Unfilled) Assign(bool changesFirst)
    {
        var uses = new int[shots.Count];
        if (shots.Count == 0)
        {
            return (uses, 0, 0);
        }

        var from = new int[shots.Count][];
        var now = shots[0].Select(o => Has(o) ? new Use(0, o.Fills ? 0 : 1) : Use.Never).ToArray();
        from[0] = new int[now.Length];
        for (var s = 1; s < shots.Count; s++)
        {
            (now, from[s]) = Next(shots[s - 1], now, shots[s], changesFirst);
        }

        var last = BestOf(now, changesFirst);
        var total = now[last];
        for (var s = shots.Count - 1; s >= 0; s--)
        {
            uses[s] = last;
            last = from[s][last];
        }

        return (uses, total.Changes, total.Unfilled);
    }

    /// <summary>From the costs up to one shot those up to the next: coming from another rig costs a change, so only the best of these counts beside the same rig.</summary>
    private (Use[] Costs, int[] From) Next(IReadOnlyList<KitOption> before, Use[] costs, IReadOnlyList<KitOption> options, bool changesFirst)
    {
        var bestAt = BestOf(costs, changesFirst);
        var places = new Dictionary<string, int>();
        for (var i = 0; i < costs.Length; i++)
        {
            if (costs[i] != Use.Never)
            {
                places[string.Join(',', before[i].Items)] = i;
            }
        }

        var (next, from) = (new Use[options.Count], new int[options.Count]);
        for (var i = 0; i < next.Length; i++)
        {
            if (!Has(options[i]))
            {
                next[i] = Use.Never;
                continue;
            }

            var own = options[i].Fills ? 0 : 1;
            (next[i], from[i]) = (new(costs[bestAt].Changes + 1, costs[bestAt].Unfilled + own), bestAt);
            if (places.TryGetValue(string.Join(',', options[i].Items), out var same) && new Use(costs[same].Changes, costs[same].Unfilled + own) is var stays && !next[i].IsBetter(stays, changesFirst))
            {
                (next[i], from[i]) = (stays, same);
            }
        }

        return (next, from);
    }

    private static int BestOf(Use[] costs, bool changesFirst)
    {
        var at = 0;
        for (var i = 1; i < costs.Length; i++)
        {
            at = costs[i].IsBetter(costs[at], changesFirst) ? i : at;
        }

        return at;
    }

    private readonly record struct Use(double Changes, double Unfilled)
    {
        public static Use Never { get; } = new(double.PositiveInfinity, double.PositiveInfinity);

        public bool IsBetter(Use other, bool changesFirst) => changesFirst
            ? Changes < other.Changes || Changes == other.Changes && Unfilled < other.Unfilled
            : Unfilled < other.Unfilled || Unfilled == other.Unfilled && Changes < other.Changes;
    }
}

using System.Numerics;

namespace Juxtopsis.Core.Kits;

/// <summary>A bag that does all shots.</summary>
/// <param name="Items">Numbers of its things, ascending.</param>
/// <param name="UsedItems">For each shot the things of the option that is used.</param>
/// <param name="Cost">What it costs, in the order of the criteria.</param>
internal sealed record KitChoice(int[] Items, int[][] UsedItems, double[] Cost);

/// <summary>
/// Chooses the things that do all shots with least of what counts, criterion by criterion in a given order, exactly: by branch and bound over the shots that
/// the fewest options may still do.
/// </summary>
/// <remarks>
/// A set of things costs what it holds; which option a shot uses of those that the set allows is chosen for it by dynamic programming along the
/// shooting order, with least changes and unfilled pixels. A branch is given up where a bound of each criterion, put in order, is not better than the
/// best known: what is held, and what the shots still open need at least, each alone and together by how many shots one more lens or body could do at most.
/// Where changes or pixels count before things, sets that hold more than they must are tried too. After <see cref="MostNodes"/> it ends unproven.
/// </remarks>
internal sealed class KitSolver
{
    /// <summary>Branches that are looked at before the search ends unproven: seconds in a browser, in slices.</summary>
    public const int MostNodes = 60_000;

    private static readonly KitCriterion[] Usual =
        [
            KitCriterion.Lenses, KitCriterion.Bodies, KitCriterion.Adapters, KitCriterion.Filters, KitCriterion.Rings, KitCriterion.Weight, KitCriterion.Changes,
            KitCriterion.Pixels,
        ];

    /// <summary>Bags are told apart by these; adapters and rings only join them.</summary>
    private static readonly KitCriterion[] Main = [KitCriterion.Lenses, KitCriterion.Bodies, KitCriterion.Filters];

    /// <summary>Weights are taken in these, g, so that sums of them, unknown ones too, are exact.</summary>
    private const double LeastWeightG = 1 / 1024.0;

    private readonly IReadOnlyList<KitItem> items;
    private readonly Way[][] shots;
    private readonly Way[][] waysWith;
    private readonly KitCriterion[] order;
    private readonly KitCriterion[] kinds;
    private readonly int[] places = new int[Usual.Length];
    private readonly int keep;
    private readonly int mostNodes;
    private readonly KitSolver? ofFirst;
    private double mostOfFirst = double.PositiveInfinity;
    private readonly double[] weights;
    private readonly bool[] held;
    private readonly double[] heldCost;
    private readonly int[] able;
    private readonly double[] added;
    private readonly double[] more;
    private readonly double[] least;
    private readonly List<(int Shot, int From, int To)> open = [];
    private readonly List<Way> left = [];
    private readonly ulong[] does;
    private readonly List<int> touched = [];
    private readonly WayAssignment assignment;
    private readonly double leastChanges;
    private readonly double leastUnfilled;
    private readonly HashSet<string> seen = [];
    private readonly List<(KitChoice Choice, HashSet<int> Main)> best = [];
    private readonly Stack<Frame> frames = [];
    private bool begun;
    private int nodes;

    /// <summary>Begins.</summary>
    /// <param name="problem">Shots, and the things that do them.</param>
    /// <param name="order">What counts first; what is left out, and there is something of, comes after, in its usual order.</param>
    /// <param name="keep">How many bags to answer: others than the first differ in a lens or body.</param>
    /// <param name="mostNodes">Branches to look at.</param>
    /// <param name="asFewOfFirst">
    /// True to answer only bags with as little of what counts first as any has, found by itself before all else: worth it where few things do many shots in many
    /// ways.
    /// </param>
    public KitSolver(KitProblem problem, IReadOnlyList<KitCriterion> order, int keep = 1, int mostNodes = MostNodes, bool asFewOfFirst = false)
    {
        (items, this.keep, this.mostNodes) = (problem.Items, keep, mostNodes);
        kinds = [.. problem.Shots.SelectMany(s => s).SelectMany(o => o.Items).Select(i => items[i].Criterion).Distinct()];
        this.order = [.. order.Concat(Usual.Where(c => kinds.Contains(c) || c is KitCriterion.Weight or KitCriterion.Changes or KitCriterion.Pixels)).Distinct()];
        for (var i = 0; i < this.order.Length; i++)
        {
            places[(int)this.order[i]] = i;
        }

        // What counts first, alone: no bag has less of it, and the search for all else then leaves aside what would take more.
        var first = this.order[0];
        if (asFewOfFirst && kinds.Contains(first) && kinds.Length > 1)
        {
            ofFirst = new(
                KitProblem.Of(items, [.. problem.Shots.Select(s => (IReadOnlyList<KitOption>)[.. s.Select(o => o with { Items = [.. o.Items.Where(i => items[i].Criterion == first)] })])]),
                [first], mostNodes: mostNodes);
        }

        var same = new Dictionary<UInt128, int>();
        int NumberOf(UInt128 things) => same.TryGetValue(things, out var number) ? number : same[things] = same.Count;
        shots = [.. problem.Shots.Select((s, i) => s.Select(o => new Way(i, o.Items, o.Fills, NumberOf(KitProblem.Things(o.Items))) { MissingOfFirst = o.Items.Count(item => items[item].Criterion == first) }).ToArray())];
        assignment = new(shots);
        var byItem = shots.SelectMany(s => s).SelectMany(w => w.Items.Select(item => (Item: item, Way: w))).ToLookup(u => u.Item, u => u.Way);
        waysWith = [.. Enumerable.Range(0, items.Count).Select(i => byItem[i].ToArray())];
        weights = [.. items.Select(i => Math.Round((i.WeightG ?? KitProblem.UnknownWeightG) / LeastWeightG) * LeastWeightG)];
        (held, does, able) = (new bool[items.Count], new ulong[items.Count], new int[shots.Length]);
        (heldCost, added, more, least) = (new double[this.order.Length], new double[this.order.Length], new double[this.order.Length], new double[this.order.Length]);
        Hold(Enumerable.Range(0, items.Count));
        (_, leastChanges, _) = assignment.Best(changesFirst: true);
        (_, _, leastUnfilled) = assignment.Best(changesFirst: false);
        Release(Enumerable.Range(0, items.Count));
    }

    /// <summary>True when the answer is proven to be the best.</summary>
    public bool IsProven => nodes <= mostNodes;

    /// <summary>The best bags that are known so far, the best first.</summary>
    public IReadOnlyList<KitChoice> Best => [.. best.Select(b => b.Choice)];

    /// <summary>Looks at some more branches.</summary>
    /// <param name="branches">How many at most.</param>
    /// <returns>True when there is none left, or too many were looked at.</returns>
    public bool Step(int branches)
    {
        if (!begun)
        {
            if (ofFirst?.Step(branches) == false)
            {
                return false;
            }

            begun = true;
            mostOfFirst = ofFirst is { IsProven: true, Best: [var least, ..] } ? least.Cost[0] : double.PositiveInfinity;
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
            Release(frame.Added);
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

        return Best;
    }

    /// <summary>A first answer, to give up branches against: the things of the way with the fewest changes, or the fewest unfilled.</summary>
    private void Begin()
    {
        foreach (var changesFirst in new[] { true, false })
        {
            Hold(Enumerable.Range(0, items.Count));
            var (chosen, _, _) = assignment.Best(changesFirst);
            Release(Enumerable.Range(0, items.Count));
            int[] taken = [.. shots.SelectMany((s, i) => s[chosen[i]].Items).Distinct()];
            Hold(taken);
            Keep();
            Release(taken);
        }

        frames.Push(Branch([], [.. shots.Select((ways, s) => new Open(s, ways))]));
    }

    /// <summary>Takes things, none of which is held.</summary>
    private void Hold(IEnumerable<int> taken)
    {
        foreach (var item in taken)
        {
            held[item] = true;
            Count(heldCost, item, 1);
            var isFirst = items[item].Criterion == order[0] ? 1 : 0;
            foreach (var way in waysWith[item])
            {
                able[way.Shot] += --way.Missing == 0 ? 1 : 0;
                way.MissingOfFirst -= isFirst;
            }
        }
    }

    private void Release(IEnumerable<int> taken)
    {
        foreach (var item in taken)
        {
            held[item] = false;
            Count(heldCost, item, -1);
            var isFirst = items[item].Criterion == order[0] ? 1 : 0;
            foreach (var way in waysWith[item])
            {
                able[way.Shot] -= way.Missing++ == 0 ? 1 : 0;
                way.MissingOfFirst += isFirst;
            }
        }
    }

    private void Enter(Way way)
    {
        Add(way);
        if (!IsBetter(added))
        {
            return;
        }

        int[] taken = [.. way.Items.Where(i => !held[i])];
        Hold(taken);
        frames.Push(Branch(taken, frames.Peek().Open));
    }

    /// <summary>
    /// What is to be tried from what is held: the ways of the open shot that has the fewest; none where nothing better can come of it. As more is held a
    /// way only becomes dearer, so of each open shot those need asking that could be in a better bag one step before.
    /// </summary>
    private Frame Branch(int[] taken, Open[] before)
    {
        nodes++;
        if (!seen.Add(Key()) || !CanBeBetter(before))
        {
            return new(taken, [], []);
        }

        if (open.Count > 0)
        {
            Open[] now = [.. open.Select(o => new Open(o.Shot, [.. left.GetRange(o.From, o.To - o.From)]))];
            var fewest = now.MinBy(o => o.Ways.Length)!;
            return new(taken, now, new(fewest.Ways.OrderBy(way => (double[])Add(way).Clone(), Comparer<double[]>.Create(Compare))));
        }

        // Fewer changes or more pixels may be worth another thing, where they count before it.
        var cost = Keep();
        var isLeast = cost[Place(KitCriterion.Changes)] <= leastChanges && cost[Place(KitCriterion.Pixels)] <= leastUnfilled;
        return new(taken, [], isLeast ? [] : new(shots.SelectMany(s => s).Where(way => way.Missing > 0)));
    }

    private sealed record Open(int Shot, Way[] Ways);

    private sealed record Frame(int[] Added, Open[] Open, Queue<Way> Left);

    private string Key()
    {
        var text = new char[(held.Length + 15) / 16];
        for (var i = 0; i < held.Length; i++)
        {
            text[i / 16] |= (char)(held[i] ? 1 << (i % 16) : 0);
        }

        return new(text);
    }

    private int Place(KitCriterion criterion) => places[(int)criterion];

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

    private void Count(double[] cost, int item, int times)
    {
        cost[Place(items[item].Criterion)] += times;
        cost[Place(KitCriterion.Weight)] += times * weights[item];
    }

    /// <summary>What a way costs beside what is held.</summary>
    private double[] Add(Way way)
    {
        Array.Clear(added);
        if (way.Missing > 0)
        {
            foreach (var item in way.Items)
            {
                if (!held[item])
                {
                    Count(added, item, 1);
                }
            }
        }

        return added;
    }

    /// <summary>Whether a bound of what this branch will cost is better than the worst bag that is kept.</summary>
    private bool CanBeBetter(Open[] before)
    {
        Array.Clear(more);
        open.Clear();
        left.Clear();
        var mayTake = Math.Min(mostOfFirst, best.Count < keep ? double.PositiveInfinity : best[^1].Choice.Cost[0]) - heldCost[0] + 1e-9;
        foreach (var (shot, ways) in before)
        {
            if (able[shot] > 0)
            {
                continue;
            }

            // What costs too much by itself cannot be in a better bag.
            Array.Fill(least, double.PositiveInfinity);
            var from = left.Count;
            foreach (var way in ways)
            {
                if (way.MissingOfFirst <= mayTake && IsBetter(Add(way)))
                {
                    left.Add(way);
                    for (var i = 0; i < least.Length; i++)
                    {
                        least[i] = Math.Min(least[i], added[i]);
                    }
                }
            }

            if (left.Count == from)
            {
                return false;
            }

            open.Add((shot, from, left.Count));
            for (var i = 0; i < more.Length; i++)
            {
                more[i] = Math.Max(more[i], least[i]);
            }
        }

        foreach (var kind in kinds)
        {
            more[Place(kind)] = Math.Max(more[Place(kind)], LeastMore(kind));
        }

        return IsBetter(more);
    }

    /// <summary>Whether what is held with something more, and the least that it can take in changes and pixels, is better than the worst bag that is kept.</summary>
    private bool IsBetter(double[] beside)
    {
        if (heldCost[0] + beside[0] > mostOfFirst)
        {
            return false;
        }

        if (best.Count < keep)
        {
            return true;
        }

        var worst = best[^1].Choice.Cost;
        for (var i = 0; i < order.Length; i++)
        {
            var bound = order[i] switch
            {
                KitCriterion.Changes => leastChanges,
                KitCriterion.Pixels => leastUnfilled,
                _ => heldCost[i],
            };
            var off = bound + beside[i] - worst[i];
            if (Math.Abs(off) > 1e-9)
            {
                return off < 0;
            }
        }

        return false;
    }

    /// <summary>How many more lenses or bodies the open shots need at least: as many as it takes when each does as many as any could.</summary>
    private double LeastMore(KitCriterion kind)
    {
        var need = 0UL;
        touched.Clear();
        foreach (var (shot, from, to) in open)
        {
            var always = true;
            for (var i = from; i < to; i++)
            {
                var adds = false;
                foreach (var item in left[i].Items)
                {
                    if (items[item].Criterion == kind && !held[item])
                    {
                        adds = true;
                        if (does[item] == 0)
                        {
                            touched.Add(item);
                        }

                        does[item] |= 1UL << shot;
                    }
                }

                always &= adds;
            }

            need |= always ? 1UL << shot : 0;
        }

        var most = 1;
        foreach (var item in touched)
        {
            most = Math.Max(most, BitOperations.PopCount(does[item] & need));
            does[item] = 0;
        }

        return (BitOperations.PopCount(need) + most - 1) / most;
    }

    /// <summary>Costs what is held, with the best use of it, and keeps it where it is among the best.</summary>
    private double[] Keep()
    {
        var (chosen, changes, unfilled) = assignment.Best(Place(KitCriterion.Changes) < Place(KitCriterion.Pixels));
        var cost = (double[])heldCost.Clone();
        cost[Place(KitCriterion.Changes)] = changes;
        cost[Place(KitCriterion.Pixels)] = unfilled;
        if (cost[0] > mostOfFirst)
        {
            return cost;
        }

        if (best.Count >= keep && Compare(cost, best[^1].Choice.Cost) >= 0)
        {
            return cost;
        }

        int[] taken = [.. Enumerable.Range(0, held.Length).Where(i => held[i])];
        var choice = new KitChoice(taken, [.. chosen.Select((u, s) => shots[s][u].Items)], cost);
        HashSet<int> main = [.. taken.Where(i => Main.Contains(items[i].Criterion))];
        var same = best.FindIndex(b => b.Main.SetEquals(main));
        if (same >= 0)
        {
            best[same] = Compare(cost, best[same].Choice.Cost) < 0 ? (choice, main) : best[same];
        }
        else if (best.Count == 0 || Compare(cost, best[0].Choice.Cost) < 0 || !best[0].Main.IsSubsetOf(main))
        {
            best.Add((choice, main));
        }

        best.Sort((a, b) => Compare(a.Choice.Cost, b.Choice.Cost));
        var first = best[0];
        best.RemoveAll(b => b.Choice != first.Choice && first.Main.IsSubsetOf(b.Main));
        while (best.Count > keep)
        {
            best.RemoveAt(best.Count - 1);
        }

        return cost;
    }
}

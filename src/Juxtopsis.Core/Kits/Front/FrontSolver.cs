namespace Juxtopsis.Core.Kits.Front;

/// <summary>
/// The bag with least of one criterion that keeps within limits of others, then with least of the criteria that follow: by branch and bound along the shots.
/// </summary>
/// <remarks>
/// A branch is given up where a bound below each criterion, taken in order, is not better than the best known, or breaks a limit. Where changes count the shots are
/// gone through in shooting order, and a rig is kept for as long as it does: to change later is never worse, since what does the shots up to a later one does those up to an
/// earlier. Else the shot that the fewest ways may still do is next. A way is taken first, then the filters that it needs. Batteries follow from the cameras that are held, of the kind that is
/// best by the criteria in order. What is limited is bounded by itself, and where a blend is given together with what counts first too.
/// </remarks>
internal sealed class FrontSolver
{
    /// <summary>Costs are exact; what is nearer is the same.</summary>
    private const double Exact = 1e-9;

    private readonly FrontProblem problem;
    private readonly FrontCriterion[] order;
    private readonly double[] limits;
    private readonly bool countsChanges;
    private readonly int mostNodes;
    private readonly FrontBound?[] bounds;
    private readonly IReadOnlySet<int> given;
    private readonly FrontPathBound? path;
    private readonly FrontBlend? blend;
    private readonly FrontHeld held;
    private readonly HashSet<int>[] rigsOf;
    private readonly int[] capped;
    private readonly double[] room;
    private readonly double[][] lackingCosts;
    private readonly FrontSegments? segments;
    private readonly bool[] isOpen;
    private readonly bool[] left;
    private readonly Dictionary<string, int> seen = [];
    private readonly Stack<FrontFrame> frames = [];
    private readonly double[] lower;
    private readonly bool[] isWhole;
    private readonly double[] perWh;
    private readonly int[] kept;
    private int[][] usable;
    private ulong done;
    private double energyWh;
    private int nodes;
    private int undone;
    private int mustLeave;
    private bool begun;

    /// <summary>Begins.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="order">What there is to be least of, what counts first first.</param>
    /// <param name="limits">The most of each criterion that a bag may have, in the order of <see cref="FrontCriterion"/>; infinite for no limit. Unless the last, for shots that are left undone, is above 0, all shots are done.</param>
    /// <param name="bounds">The bounds by each criterion, shared by all searches of one problem; made as they are needed.</param>
    /// <param name="given">Things that every bag has.</param>
    /// <param name="mostNodes">Branches that are looked at before it ends unproven.</param>
    /// <param name="blend">A bound of what counts first and of something that is limited together; null for none.</param>
    public FrontSolver(FrontProblem problem, FrontCriterion[] order, double[] limits, FrontBound?[] bounds, IReadOnlySet<int> given, int mostNodes, FrontBlend? blend = null)
    {
        (this.problem, this.order, this.limits, this.bounds, this.given, this.mostNodes) = (problem, order, limits, bounds, given, mostNodes);
        countsChanges = order.AsSpan(0, Math.Min(2, order.Length)).Contains(FrontCriterion.Changes) || !double.IsInfinity(limits[(int)FrontCriterion.Changes]);
        var shots = problem.Shots;
        (isOpen, left, lower) = (new bool[shots.Length], new bool[shots.Length], new double[FrontProblem.Criteria]);
        kept = new int[shots.Select(ways => ways.Length).DefaultIfEmpty().Max()];
        usable = [.. shots.Select(ways => Enumerable.Range(0, ways.Length).ToArray())];
        isWhole = [.. Enumerable.Range(0, FrontProblem.Criteria).Select(c => problem.Costs.Concat(problem.Power.Batteries.Select(b => b.Costs)).All(costs => costs[c] == Math.Floor(costs[c])))];
        perWh = [.. Enumerable.Range(0, FrontProblem.Criteria).Select(problem.Power.LeastPerWh)];
        capped = [.. Enum.GetValues<FrontCriterion>().Where(FrontProblem.AddsUp).Select(c => (int)c).Where(c => c == (int)order[0] || !double.IsInfinity(limits[c]))];
        held = new(problem);
        (room, lackingCosts) = (new double[capped.Length], [.. capped.Select(_ => new double[problem.Costs.Length])]);
        if (countsChanges && FrontProblem.AddsUp(order[0]) && limits[(int)FrontCriterion.Undone] == 0 && !double.IsInfinity(limits[(int)FrontCriterion.Changes]))
        {
            path = new(problem, order[0], given, (int)limits[(int)FrontCriterion.Changes]);
        }

        rigsOf = countsChanges ? [.. shots.Select(ways => ways.Select(w => w.Rig).ToHashSet())] : [];
        segments = countsChanges && path is null ? new(shots) : null;
        held.Hold(given);
        this.blend = countsChanges ? null : blend;
    }

    /// <summary>The best that is known so far; null when there is none.</summary>
    public FrontChoice? Best { get; private set; }

    /// <summary>How many branches were looked at.</summary>
    public int Nodes => nodes;

    /// <summary>True when it is proven that none is better; where there is none, that there is none.</summary>
    public bool IsProven => nodes <= mostNodes;

    /// <summary>No bag has less of what counts first; after the first step by the bounds alone.</summary>
    public double LowerBound { get; private set; } = double.NegativeInfinity;

    /// <summary>Looks at some more branches.</summary>
    /// <param name="branches">How many at most.</param>
    /// <returns>True when there is none left, or too many were looked at.</returns>
    public bool Step(int branches)
    {
        if (!begun)
        {
            begun = true;
            Push([], -1, 0, -1, 0, usable, 0);
            LowerBound = double.IsNaN(lower[(int)order[0]]) ? LowerBound : lower[(int)order[0]];
        }

        for (; branches > 0 && frames.Count > 0 && nodes <= mostNodes; branches--)
        {
            var frame = frames.Peek();
            if (frame.Next < frame.Children.Count)
            {
                Enter(frame, frame.Children[frame.Next++]);
                continue;
            }

            frames.Pop();
            Leave(frame);
        }

        if (nodes > mostNodes)
        {
            // What was not looked at has at least the least bound of what is still open.
            LowerBound = frames.SelectMany(f => f.Children.Skip(f.Next)).Select(c => c.Bound).Append(Best?.Cost[(int)order[0]] ?? double.PositiveInfinity).Min();
            return true;
        }

        if (frames.Count == 0)
        {
            LowerBound = Best?.Cost[(int)order[0]] ?? double.PositiveInfinity;
        }

        return frames.Count == 0;
    }

    private double LackingWh => Math.Max(0, energyWh - problem.Power.GivenWh);

    /// <summary>The most that a bag may have of what counts first to be worth it.</summary>
    private double Most => Math.Min(limits[(int)order[0]], Best?.Cost[(int)order[0]] ?? double.PositiveInfinity);

    /// <summary>Whether a bound is above something by more than it may be off by rounding: bounds are sums of shares, and beside what is not known those are large.</summary>
    private static bool Exceeds(double bound, double most) => bound > most + Slack(most);

    private static double Slack(double most) => Exact * Math.Max(1, Math.Abs(most));

    private int MayLeave => (int)Math.Min(limits[(int)FrontCriterion.Undone], problem.Shots.Length) - undone;

    private void Enter(FrontFrame from, FrontChild child)
    {
        if (Exceeds(child.Bound, Most))
        {
            return;
        }

        if (child.Way < 0)
        {
            (left[child.Shot], undone) = (true, undone + 1);
            Push([], child.Shot, child.Shot + 1, from.Rig, from.Changes, from.Usable, from.Done);
            return;
        }

        var way = problem.Shots[child.Shot][child.Way];
        var added = held.Lacking(child.Filters ?? way.Items);
        held.Hold(added);
        if (child.Filters is null && !held.HasFilters(way.Filters))
        {
            frames.Push(new(added, -1, FiltersFor(child, way), from.At, from.Rig, from.Changes, from.Usable, from.Done));
            return;
        }

        Push(added, -1, child.Shot + 1, way.Rig, from.Changes + (from.Rig < 0 || from.Rig == way.Rig ? 0 : 1), from.Usable, from.Done);
    }

    /// <summary>The sets of filters of which a way needs one, those first that add least.</summary>
    private List<FrontChild> FiltersFor(FrontChild child, FrontWay way)
    {
        var c = FrontProblem.AddsUp(order[0]) ? (int)order[0] : (int)FrontCriterion.Things;
        var spent = held.Cost[c];
        (FrontChild Child, double Added, int Things) Of(int[] set)
        {
            var more = held.Lacking(set);
            var cost = more.Sum(i => problem.Costs[i][c]);
            return (child with { Filters = set, Bound = FrontProblem.AddsUp(order[0]) ? Math.Max(child.Bound, spent + cost) : child.Bound }, cost, more.Length);
        }

        return [.. problem.Filters[way.Filters].Select(Of).OrderBy(f => f.Added).ThenBy(f => f.Things).Select(f => f.Child)];
    }

    private void Leave(FrontFrame frame)
    {
        held.Release(frame.Added);
        if (frame.LeftShot >= 0)
        {
            (left[frame.LeftShot], undone) = (false, undone - 1);
        }
    }

    /// <summary>Looks at what is held now: a bag, where nothing is open; else what may come next.</summary>
    private void Push(int[] added, int leftShot, int at, int rig, int changes, int[][] usableAbove, ulong doneAbove)
    {
        nodes++;
        (usable, done) = ((int[][])usableAbove.Clone(), doneAbove);
        var children = new List<FrontChild>();
        if (countsChanges)
        {
            // The rig is kept for as long as it does.
            while (at < problem.Shots.Length && rig >= 0 && Does(at, rig))
            {
                at++;
            }
        }

        if (!WasSeen(at, rig, changes) && IsWorthIt(at, rig, changes))
        {
            var shot = countsChanges ? at : Fewest();
            if (shot < 0 || shot == problem.Shots.Length)
            {
                Take();
            }
            else
            {
                children = ChildrenOf(shot, rig);
            }
        }

        frames.Push(new(added, leftShot, children, at, rig, changes, usable, done));
    }

    private bool Does(int shot, int rig)
    {
        foreach (var w in usable[shot])
        {
            if (problem.Shots[shot][w].Rig == rig && held.Does(problem.Shots[shot][w]))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>The open shot that the fewest ways may still do, without those that cost more by what counts first than the best that is known; −1 when none is open.</summary>
    private int Fewest()
    {
        var (fewest, count) = (-1, int.MaxValue);
        var first = (int)order[0];
        var isBounded = Most < double.PositiveInfinity && FrontProblem.AddsUp(order[0]) && MayLeave == 0;
        for (var s = 0; s < problem.Shots.Length; s++)
        {
            if (isOpen[s])
            {
                if (isBounded)
                {
                    usable[s] = Array.FindAll(usable[s], w => !Exceeds(SpentOn(first) + bounds[first]!.With(s, w), Most) && (blend is null || !Exceeds(Blended(blend.Bound.With(s, w)), Most)));
                }

                (fewest, count) = usable[s].Length < count ? (s, usable[s].Length) : (fewest, count);
            }
        }

        return fewest;
    }

    private List<FrontChild> ChildrenOf(int shot, int rig)
    {
        var first = order[0];
        var found = new List<(FrontChild Child, double Added, int Things)>();
        var ways = problem.Shots[shot];
        foreach (var w in usable[shot])
        {
            var (cost, things) = (0.0, 0);
            foreach (var item in ways[w].Items)
            {
                if (!held.Items[item])
                {
                    cost += FrontProblem.AddsUp(first) ? problem.Costs[item][(int)first] : 0;
                    things++;
                }
            }

            var more = path is not null ? path.With(ways[w].Rig, rig >= 0 && rig != ways[w].Rig && rigsOf[shot].Contains(rig))
                : Math.Max(cost, FrontProblem.AddsUp(first) && isOpen[shot] ? bounds[(int)first]!.With(shot, w) : 0);
            var bound = Math.Max(lower[(int)first], Whole((int)first, SpentOn((int)first) + more));
            if (!Exceeds(bound, Most))
            {
                found.Add((new(shot, w, bound), cost, things));
            }
        }

        List<FrontChild> children = [.. found.OrderBy(f => f.Child.Bound).ThenBy(f => f.Added).ThenBy(f => f.Things).Select(f => f.Child)];
        if (MayLeave > 0)
        {
            children.Add(new(shot, -1, lower[(int)first]));
        }

        return children;
    }

    /// <summary>Whether the same things, left shots and rig were looked at with as few changes.</summary>
    private bool WasSeen(int at, int rig, int changes)
    {
        var text = new char[(held.Items.Length + left.Length + 15) / 16 + 2];
        for (var i = 0; i < held.Items.Length; i++)
        {
            text[i / 16] |= (char)(held.Items[i] ? 1 << (i % 16) : 0);
        }

        for (var s = 0; s < left.Length; s++)
        {
            var i = held.Items.Length + s;
            text[i / 16] |= (char)(left[s] ? 1 << (i % 16) : 0);
        }

        (text[^2], text[^1]) = countsChanges ? ((char)at, (char)(rig + 1)) : ('\0', '\0');
        var key = new string(text);
        if (seen.TryGetValue(key, out var before) && (!countsChanges || before <= changes))
        {
            return true;
        }

        seen[key] = changes;
        return false;
    }

    /// <summary>Whether what can come of this is within limits, and better than the best that is known, by bounds of each criterion in order.</summary>
    private bool IsWorthIt(int at, int rig, int changes)
    {
        energyWh = problem.Power.EnergyWh(held.Items);
        MeasureRoom();
        var forced = 0;
        for (var s = 0; s < isOpen.Length; s++)
        {
            isOpen[s] = !left[s] && (done & (1UL << s)) == 0 && !(countsChanges && s < at);
            if (isOpen[s] || countsChanges && s >= at)
            {
                KeepUsable(s);
                isOpen[s] &= (done & (1UL << s)) == 0;
                forced += isOpen[s] && usable[s].Length == 0 ? 1 : 0;
            }
        }

        if (forced > MayLeave)
        {
            return false;
        }

        mustLeave = forced;
        segments?.Count(at, usable);

        for (var c = 0; c < FrontProblem.Criteria; c++)
        {
            lower[c] = double.NaN;
            if (!double.IsInfinity(limits[c]) && Exceeds(LowerOf((FrontCriterion)c, at, rig, changes), limits[c]))
            {
                return false;
            }
        }

        if (blend is not null && Exceeds(Blended(blend.Bound.Of(isOpen, held.Items, usable, MayLeave)), Most))
        {
            return false;
        }

        foreach (var criterion in order)
        {
            var bound = LowerOf(criterion, at, rig, changes);
            if (Best is null)
            {
                return !double.IsInfinity(bound);
            }

            if (Exceeds(bound, Best.Cost[(int)criterion]))
            {
                return false;
            }

            if (bound < Best.Cost[(int)criterion] - Exact)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>Keeps the ways of a shot that are within the limits, and cost no more by what counts first than the best that is known; notes whether it can be done.</summary>
    private void KeepUsable(int shot)
    {
        var ways = problem.Shots[shot];
        var count = 0;
        foreach (var w in usable[shot])
        {
            var items = ways[w].Items;
            if (Fits(items))
            {
                kept[count++] = w;
                done |= (done & (1UL << shot)) == 0 && held.Items[items[0]] && held.Does(ways[w]) ? 1UL << shot : 0;
            }
        }

        usable[shot] = count == usable[shot].Length ? usable[shot] : kept[..count];
    }

    /// <summary>How much more may be spent, by each criterion of which there is only so much, and what each thing that is not held costs by it.</summary>
    private void MeasureRoom()
    {
        for (var i = 0; i < capped.Length; i++)
        {
            var c = capped[i];
            var most = c == (int)order[0] ? Most : limits[c];
            room[i] = most + Slack(most) - SpentOn(c);
            for (var item = 0; item < held.Items.Length; item++)
            {
                lackingCosts[i][item] = held.Items[item] ? 0 : problem.Costs[item][c];
            }
        }
    }

    private bool Fits(int[] items)
    {
        for (var i = 0; i < room.Length; i++)
        {
            var (costs, sum) = (lackingCosts[i], 0.0);
            foreach (var item in items)
            {
                sum += costs[item];
            }

            if (sum > room[i])
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>What is held costs, with what batteries for it cost at least: what is added to it draws more, see <see cref="FrontPrices"/>.</summary>
    private double SpentOn(int c) => held.Cost[c] + perWh[c] * (energyWh - problem.Power.GivenWh);

    /// <summary>
    /// What there is at least of what counts first, by a bound of that and a share of what is limited together: of the limited there is no more than its limit. The Lagrangian relaxation
    /// of that limit.
    /// </summary>
    private double Blended(double more) => Whole((int)order[0], SpentOn((int)order[0]) + blend!.Share * (SpentOn((int)blend.Limited) - limits[(int)blend.Limited]) + more);

    /// <summary>A bound, made as large as it may be where all costs are whole.</summary>
    private double Whole(int c, double bound) => isWhole[c] && !double.IsInfinity(bound) ? Math.Ceiling(bound - 100 * Slack(bound)) : bound;

    private double LowerOf(FrontCriterion criterion, int at, int rig, int changes)
    {
        var c = (int)criterion;
        if (double.IsNaN(lower[c]))
        {
            lower[c] = criterion switch
            {
                FrontCriterion.Undone => undone + mustLeave,
                FrontCriterion.Changes => !countsChanges ? 0 : changes + (MayLeave > 0 || at == rigsOf.Length || path is not null ? 0 : segments!.LeastFrom(at) - (rig < 0 || rigsOf[at].Contains(rig) ? 1 : 0)),
                _ when path is not null && criterion == order[0] => Whole(c, SpentOn(c) + path.Of(at, held.Items, usable, (int)limits[(int)FrontCriterion.Changes] - changes - (rig < 0 || at == rigsOf.Length || rigsOf[at].Contains(rig) ? 0 : 1))),
                _ => Math.Max(held.Cost[c] + problem.Power.LeastOf(LackingWh, c), Whole(c, SpentOn(c) + (bounds[c] ??= new(problem, new FrontWeights(criterion), given)).Of(isOpen, held.Items, usable, MayLeave))),
            };
        }

        return lower[c];
    }

    /// <summary>Keeps what is held as the best, where it is.</summary>
    private void Take()
    {
        var (uses, changes) = Used();
        var kinds = LackingWh > 0 ? problem.Power.Batteries.Length : 0;
        for (var kind = kinds - 1; kind >= Math.Min(0, kinds - 1); kind--)
        {
            var cost = (double[])held.Cost.Clone();
            (cost[(int)FrontCriterion.Changes], cost[(int)FrontCriterion.Undone]) = (changes, uses.Count(u => u < 0));
            var count = kind < 0 ? 0 : FrontPower.CountOf(problem.Power.Batteries[kind], LackingWh);
            for (var c = 0; c < cost.Length; c++)
            {
                cost[c] += count == 0 ? 0 : count * problem.Power.Batteries[kind].Costs[c];
            }

            if (IsWithinLimits(cost) && (Best is null || Compare(cost, Best.Cost) < 0))
            {
                Best = new([.. Enumerable.Range(0, held.Items.Length).Where(i => held.Items[i])], cost, uses, kind, count);
            }
        }
    }

    private bool IsWithinLimits(double[] cost)
    {
        for (var c = 0; c < cost.Length; c++)
        {
            if (cost[c] > limits[c] + Exact)
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>Which way each shot uses of those that are held, with the fewest changes. Where changes count, a shot that is left stays so; else what can be done is.</summary>
    private (int[] Uses, double Changes) Used()
    {
        var uses = new int[problem.Shots.Length];
        Array.Fill(uses, -1);
        int[][] able = [.. problem.Shots.Select((ways, s) => countsChanges && left[s] ? [] : Enumerable.Range(0, ways.Length).Where(w => held.Does(ways[w])).ToArray())];
        int[] does = [.. Enumerable.Range(0, able.Length).Where(s => able[s].Length > 0)];
        var (chosen, changes, _) = new WayAssignment([.. does.Select((s, i) => able[s].Select(w => new Way(i, [], true, problem.Shots[s][w].Rig)).ToArray())]).Best(changesFirst: true);
        for (var i = 0; i < does.Length; i++)
        {
            uses[does[i]] = able[does[i]][chosen[i]];
        }

        return (uses, changes);
    }

    private int Compare(double[] a, double[] b)
    {
        foreach (var criterion in order)
        {
            var off = a[(int)criterion] - b[(int)criterion];
            if (Math.Abs(off) > Exact)
            {
                return off < 0 ? -1 : 1;
            }
        }

        return 0;
    }
}

namespace Juxtopsis.Core.Kits.Front;

/// <summary>
/// A bound below what shots cost by one criterion that adds up when the rig may change only so often: like <see cref="FrontBound"/>, but the shots choose their rigs together, as the
/// cheapest way along the shooting order with no more changes than are allowed.
/// </summary>
internal sealed class FrontPathBound
{
    private const int Steps = 60;

    private readonly FrontWay[][] shots;
    private readonly FrontPrices prices;
    private readonly double[][] shares;
    private readonly double[] scale;
    private readonly double[] costOf;
    private readonly int[][] rigsAt;
    private readonly double[][] now;
    private readonly double[][] next;
    private readonly bool[][][] stays;
    private readonly int[][] cheapest;
    private readonly double[] with;
    private readonly double[] withOneLess;

    /// <summary>Shares the costs out.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="criterion">A criterion that adds up.</param>
    /// <param name="free">Things that cost nothing, since every bag has them.</param>
    /// <param name="changes">How often the rig may change.</param>
    public FrontPathBound(FrontProblem problem, FrontCriterion criterion, IReadOnlySet<int> free, int changes)
    {
        (shots, prices) = (problem.Shots, new(problem, new(criterion), free));
        rigsAt = [.. shots.Select(ways => ways.Select(w => w.Rig).Distinct().ToArray())];
        var rigs = rigsAt.SelectMany(r => r).DefaultIfEmpty().Max() + 1;
        (scale, costOf, with, withOneLess) = (new double[problem.Costs.Length], new double[rigs], new double[rigs], new double[rigs]);
        now = [.. Enumerable.Range(0, changes + 1).Select(_ => Never(rigs))];
        next = [.. Enumerable.Range(0, changes + 1).Select(_ => Never(rigs))];
        stays = [.. shots.Select(_ => Enumerable.Range(0, changes + 1).Select(_ => new bool[rigs]).ToArray())];
        cheapest = [.. shots.Select(_ => new int[changes + 1])];
        shares = FrontShares.Of(prices, shots.Length == 0 ? 0 : Steps, (by, used) => Least(0, changes, by, null, null, used));
    }

    /// <summary>The least that the shots from one on cost beside what is held.</summary>
    /// <param name="at">The first of them.</param>
    /// <param name="held">Which things are held: they cost nothing more.</param>
    /// <param name="usable">The ways of each shot that may still be used.</param>
    /// <param name="changes">How often the rig may still change among them.</param>
    /// <returns>The bound; infinite where they cannot be done with so few changes.</returns>
    public double Of(int at, bool[] held, int[][] usable, int changes)
    {
        if (at == shots.Length)
        {
            return 0;
        }

        if (changes < 0)
        {
            return double.PositiveInfinity;
        }

        for (var i = 0; i < scale.Length; i++)
        {
            var sum = 0.0;
            for (var s = at; s < shots.Length && !held[i]; s++)
            {
                sum += shares[s][i];
            }

            scale[i] = sum > 0 ? prices.Costs[i] / sum : 0;
        }

        return Least(at, changes, shares, scale, usable, null);
    }

    /// <summary>The least that the shots cost that were asked last, where the first of them is done with a rig.</summary>
    /// <param name="rig">The rig.</param>
    /// <param name="oneLess">True where one change fewer is left than was asked for.</param>
    /// <returns>The bound.</returns>
    public double With(int rig, bool oneLess) => oneLess ? withOneLess[rig] : with[rig];

    private static double[] Never(int rigs)
    {
        var never = new double[rigs];
        Array.Fill(never, double.PositiveInfinity);
        return never;
    }

    /// <summary>The cheapest way along the shots, from the last one back: for each number of changes and each rig at a shot what that shot and those after it cost.</summary>
    private double Least(int at, int changes, double[][] by, double[]? times, int[][]? usable, int[][]? used)
    {
        var (here, after) = (now, next);
        Span<double> least = stackalloc double[changes + 1];
        Span<double> leastAfter = stackalloc double[changes + 1];
        leastAfter.Clear();
        for (var s = shots.Length - 1; s >= at; s--)
        {
            CostsOf(s, by[s], times, usable?[s]);
            for (var c = 0; c <= changes; c++)
            {
                least[c] = double.PositiveInfinity;
                var change = c > 0 ? leastAfter[c - 1] : double.PositiveInfinity;
                foreach (var rig in rigsAt[s])
                {
                    var stay = s == shots.Length - 1 ? 0 : after[c][rig];
                    here[c][rig] = costOf[rig] + Math.Min(stay, change);
                    stays[s][c][rig] = stay <= change;
                    if (here[c][rig] < least[c])
                    {
                        (least[c], cheapest[s][c]) = (here[c][rig], rig);
                    }
                }
            }

            if (s < shots.Length - 1)
            {
                foreach (var rig in rigsAt[s + 1])
                {
                    for (var c = 0; c <= changes; c++)
                    {
                        after[c][rig] = double.PositiveInfinity;
                    }
                }
            }

            (here, after) = (after, here);
            least.CopyTo(leastAfter);
        }

        if (used is not null && !double.IsInfinity(leastAfter[changes]))
        {
            Trace(changes, used);
        }

        foreach (var rig in rigsAt[at])
        {
            (with[rig], withOneLess[rig]) = (after[changes][rig], changes > 0 ? after[changes - 1][rig] : double.PositiveInfinity);
            for (var c = 0; c <= changes; c++)
            {
                after[c][rig] = double.PositiveInfinity;
            }
        }

        return leastAfter[changes];
    }

    private void CostsOf(int shot, double[] by, double[]? times, int[]? usable)
    {
        foreach (var rig in rigsAt[shot])
        {
            costOf[rig] = double.PositiveInfinity;
        }

        prices.Price(shot, by, times);
        var ways = shots[shot];
        foreach (var way in usable is null ? ways : usable.Select(w => ways[w]))
        {
            costOf[way.Rig] = Math.Min(costOf[way.Rig], prices.Of(shot, way));
        }
    }

    /// <summary>The things that each shot uses on the cheapest way from the first shot on.</summary>
    private void Trace(int changes, int[][] used)
    {
        var rig = cheapest[0][changes];
        for (var s = 0; s < shots.Length; s++)
        {
            used[s] = prices.Taken(s, shots[s].Where(w => w.Rig == rig).MinBy(w => prices.Of(s, w))!);
            if (s < shots.Length - 1 && !stays[s][changes][rig])
            {
                changes--;
                rig = cheapest[s + 1][changes];
            }
        }
    }
}

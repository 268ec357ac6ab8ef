namespace Juxtopsis.Core.Kits.Front;

/// <summary>
/// A bound below what shots cost by one criterion that adds up: what each thing costs is shared out among the shots that could use it, and each shot costs
/// at least the cheapest of its ways by these shares. However they are shared out, the sum is no more than any bag costs; the shares are chosen so that
/// it comes near, by steps along the subgradient.
/// </summary>
/// <remarks>The Lagrangian bound of the set covering problem, see Beasley (1990), <i>A Lagrangian heuristic for set-covering problems</i>.</remarks>
internal sealed class FrontBound
{
    private const int Steps = 80;

    private readonly FrontWay[][] shots;
    private readonly double[] costs;
    private readonly double[][] shares;
    private readonly bool isWhole;
    private readonly double[] scale;
    private readonly double[] least;
    private readonly double[] ofShot;
    private double sum;

    /// <summary>Shares the costs out.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="criterion">A criterion that adds up.</param>
    /// <param name="free">Things that cost nothing, since every bag has them.</param>
    public FrontBound(FrontProblem problem, FrontCriterion criterion, IReadOnlySet<int> free)
    {
        shots = problem.Shots;
        costs = [.. problem.Costs.Select((c, i) => free.Contains(i) ? 0 : c[(int)criterion])];
        isWhole = Array.TrueForAll(costs, c => c == Math.Floor(c));
        (scale, least, ofShot) = (new double[costs.Length], new double[shots.Length], new double[shots.Length]);
        shares = FrontShares.Of(shots, costs, Steps, LeastBy);
    }

    /// <summary>The least that some shots cost beside what is held.</summary>
    /// <param name="isOpen">Which shots are still to be done.</param>
    /// <param name="held">Which things are held: they cost nothing more.</param>
    /// <param name="mayUse">Which ways of an open shot may still be used.</param>
    /// <param name="mayLeave">How many of the shots may be left undone.</param>
    /// <returns>The bound; infinite when a shot that may not be left has no way.</returns>
    public double Of(bool[] isOpen, bool[] held, bool[][] mayUse, int mayLeave)
    {
        // What a shot that is done has a share in goes to those that are open.
        for (var i = 0; i < costs.Length; i++)
        {
            if (held[i] || costs[i] == 0)
            {
                scale[i] = 0;
                continue;
            }

            var all = 0.0;
            for (var s = 0; s < shots.Length; s++)
            {
                all += isOpen[s] ? shares[s][i] : 0;
            }

            scale[i] = all > 0 ? costs[i] / all : 0;
        }

        var open = 0;
        for (var s = 0; s < shots.Length; s++)
        {
            if (isOpen[s])
            {
                least[open++] = ofShot[s] = LeastOf(s, mayUse[s]);
            }
        }

        Array.Sort(least, 0, open);
        var total = 0.0;
        for (var i = 0; i < open - mayLeave; i++)
        {
            total += least[i];
        }

        sum = mayLeave == 0 ? total : double.NegativeInfinity;
        return Whole(total);
    }

    /// <summary>The least that the shots cost that were asked last, where one of them is done in a certain way.</summary>
    /// <param name="shot">The shot, one that was open.</param>
    /// <param name="way">The number of the way.</param>
    /// <returns>The bound; minus infinity where shots may be left.</returns>
    public double With(int shot, int way) => Whole(sum - ofShot[shot] + ShareOf(shot, way));

    private double Whole(double total) => isWhole && !double.IsInfinity(total) ? Math.Ceiling(total - 1e-7) : total;

    private double ShareOf(int shot, int way)
    {
        var its = shares[shot];
        var share = 0.0;
        foreach (var item in shots[shot][way].Items)
        {
            share += its[item] * scale[item];
        }

        return share;
    }

    private double LeastOf(int shot, bool[] mayUse)
    {
        var best = double.PositiveInfinity;
        for (var w = 0; w < shots[shot].Length; w++)
        {
            best = mayUse[w] ? Math.Min(best, ShareOf(shot, w)) : best;
        }

        return best;
    }

    /// <summary>What the shots cost at least, each alone, by some shares.</summary>
    private double LeastBy(double[][] by, int[][] used)
    {
        var total = 0.0;
        for (var s = 0; s < shots.Length; s++)
        {
            var best = double.PositiveInfinity;
            foreach (var way in shots[s])
            {
                var cost = 0.0;
                foreach (var item in way.Items)
                {
                    cost += by[s][item];
                }

                (best, used[s]) = cost < best ? (cost, way.Items) : (best, used[s]);
            }

            total += best;
        }

        return total;
    }
}

namespace Juxtopsis.Core.Kits.Front;

/// <summary>
/// A bound below what shots cost by one criterion that adds up, or by a sum of two: each shot costs at least the cheapest of its ways by <see cref="FrontPrices"/>; the shares are chosen so that the sum comes
/// near to what a bag costs, by steps along the subgradient.
/// </summary>
/// <remarks>The Lagrangian bound of the set covering problem, see Beasley (1990), <i>A Lagrangian heuristic for set-covering problems</i>.</remarks>
internal sealed class FrontBound
{
    private const int Steps = 80;

    private readonly FrontWay[][] shots;
    private readonly FrontPrices prices;
    private readonly double[][] shares;
    private readonly double[] scale;
    private readonly double[] least;
    private readonly double[] ofShot;
    private double sum;

    /// <summary>Shares the costs out.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="weights">How much each criterion that adds up counts.</param>
    /// <param name="free">Things that cost nothing, since every bag has them.</param>
    public FrontBound(FrontProblem problem, FrontWeights weights, IReadOnlySet<int> free)
    {
        (shots, prices) = (problem.Shots, new(problem, weights, free));
        (scale, least, ofShot) = (new double[problem.Costs.Length], new double[shots.Length], new double[shots.Length]);
        shares = FrontShares.Of(prices, Steps, LeastBy);
    }

    /// <summary>The least that some shots cost beside what is held.</summary>
    /// <param name="isOpen">Which shots are still to be done.</param>
    /// <param name="held">Which things are held: they cost nothing more.</param>
    /// <param name="usable">The ways of each open shot that may still be used.</param>
    /// <param name="mayLeave">How many of the shots may be left undone.</param>
    /// <returns>The bound; infinite when a shot that may not be left has no way.</returns>
    public double Of(bool[] isOpen, bool[] held, int[][] usable, int mayLeave)
    {
        // What a shot that is done has a share in goes to those that are open.
        Array.Clear(scale);
        for (var s = 0; s < shots.Length; s++)
        {
            if (isOpen[s])
            {
                foreach (var item in prices.ItemsOf[s])
                {
                    scale[item] += shares[s][item];
                }
            }
        }

        for (var i = 0; i < scale.Length; i++)
        {
            scale[i] = held[i] || scale[i] <= 0 ? 0 : prices.Costs[i] / scale[i];
        }

        var open = 0;
        for (var s = 0; s < shots.Length; s++)
        {
            if (isOpen[s])
            {
                prices.Price(s, shares[s], scale);
                least[open++] = ofShot[s] = LeastOf(s, usable[s]);
            }
        }

        Array.Sort(least, 0, open);
        var total = 0.0;
        for (var i = 0; i < open - mayLeave; i++)
        {
            total += least[i];
        }

        sum = mayLeave == 0 ? total : double.NegativeInfinity;
        return total;
    }

    /// <summary>The least that the shots cost that were asked last, where one of them is done in a certain way.</summary>
    /// <param name="shot">The shot, one that was open.</param>
    /// <param name="way">The number of the way.</param>
    /// <returns>The bound; minus infinity where shots may be left.</returns>
    public double With(int shot, int way) => sum - ofShot[shot] + prices.Of(shot, shots[shot][way]);

    private double LeastOf(int shot, int[] usable)
    {
        var best = double.PositiveInfinity;
        foreach (var w in usable)
        {
            best = Math.Min(best, prices.Of(shot, shots[shot][w]));
        }

        return best;
    }

    /// <summary>What the shots cost at least, each alone, by some shares.</summary>
    private double LeastBy(double[][] by, int[][] used)
    {
        var total = 0.0;
        for (var s = 0; s < shots.Length; s++)
        {
            prices.Price(s, by[s], null);
            var best = double.PositiveInfinity;
            FrontWay? cheapest = null;
            foreach (var way in shots[s])
            {
                var cost = prices.Of(s, way);
                (best, cheapest) = cost < best ? (cost, way) : (best, cheapest);
            }

            total += best;
            used[s] = cheapest is null ? [] : prices.Taken(s, cheapest);
        }

        return total;
    }
}

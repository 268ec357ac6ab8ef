namespace Juxtopsis.Core.Kits.Front;

/// <summary>
/// A bound below what shots cost by one criterion that adds up: what each thing costs is shared out among the shots that could use it, and each shot costs
/// at least the cheapest of its ways by these shares. However they are shared out, the sum is no more than any bag costs; the shares are chosen so that
/// it comes near, by steps along the subgradient.
/// </summary>
/// <remarks>The Lagrangian bound of the set covering problem, see Beasley (1990), <i>A Lagrangian heuristic for set-covering problems</i>.</remarks>
internal sealed class FrontBound
{
    private const int Steps = 120;

    private readonly FrontWay[][] shots;
    private readonly double[] costs;
    private readonly double[][] shares;
    private readonly bool isWhole;
    private readonly double[] scale;
    private readonly double[] least;

    /// <summary>Shares the costs out.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="criterion">A criterion that adds up.</param>
    /// <param name="free">Things that cost nothing, since every bag has them.</param>
    public FrontBound(FrontProblem problem, FrontCriterion criterion, IReadOnlySet<int> free)
    {
        shots = problem.Shots;
        costs = [.. problem.Costs.Select((c, i) => free.Contains(i) ? 0 : c[(int)criterion])];
        isWhole = Array.TrueForAll(costs, c => c == Math.Floor(c));
        (scale, least) = (new double[costs.Length], new double[shots.Length]);
        shares = Shared();
    }

    /// <summary>The least that some shots cost beside what is held.</summary>
    /// <param name="isOpen">Which shots are still to be done.</param>
    /// <param name="held">Which things are held: they cost nothing more.</param>
    /// <param name="mayLeave">How many of the shots may be left undone.</param>
    /// <returns>The bound; infinite when a shot that may not be left has no way.</returns>
    public double Of(bool[] isOpen, bool[] held, int mayLeave)
    {
        // What a shot that is done has a share in goes to those that are open.
        for (var i = 0; i < costs.Length; i++)
        {
            if (held[i] || costs[i] == 0)
            {
                scale[i] = 0;
                continue;
            }

            var sum = 0.0;
            for (var s = 0; s < shots.Length; s++)
            {
                sum += isOpen[s] ? shares[s][i] : 0;
            }

            scale[i] = sum > 0 ? costs[i] / sum : 0;
        }

        var open = 0;
        for (var s = 0; s < shots.Length; s++)
        {
            if (isOpen[s])
            {
                least[open++] = LeastOf(s);
            }
        }

        Array.Sort(least, 0, open);
        var total = 0.0;
        for (var i = 0; i < open - mayLeave; i++)
        {
            total += least[i];
        }

        return isWhole && !double.IsInfinity(total) ? Math.Ceiling(total - 1e-7) : total;
    }

    private double LeastOf(int shot)
    {
        var best = double.PositiveInfinity;
        foreach (var way in shots[shot])
        {
            var sum = 0.0;
            foreach (var item in way.Items)
            {
                sum += shares[shot][item] * scale[item];
            }

            best = Math.Min(best, sum);
        }

        return best;
    }

    private double[][] Shared()
    {
        var users = shots.Select(ways => ways.SelectMany(w => w.Items).Distinct().ToArray()).ToArray();
        var count = new int[costs.Length];
        foreach (var item in users.SelectMany(u => u))
        {
            count[item]++;
        }

        var now = shots.Select((_, s) => new double[costs.Length]).ToArray();
        for (var s = 0; s < shots.Length; s++)
        {
            foreach (var item in users[s])
            {
                now[s][item] = costs[item] / count[item];
            }
        }

        var known = costs.Where(c => c < FrontProblem.Unknown).ToArray();
        var typical = known.Length == 0 ? 1 : Math.Max(known.Average(), 1e-6);
        var (best, bestSum) = (now.Select(row => (double[])row.Clone()).ToArray(), double.NegativeInfinity);
        var used = shots.Select(_ => Array.Empty<int>()).ToArray();
        for (var step = 0; step < Steps; step++)
        {
            var sum = 0.0;
            for (var s = 0; s < shots.Length; s++)
            {
                var (least, by) = (double.PositiveInfinity, Array.Empty<int>());
                foreach (var way in shots[s])
                {
                    var cost = 0.0;
                    foreach (var item in way.Items)
                    {
                        cost += now[s][item];
                    }

                    (least, by) = cost < least ? (cost, way.Items) : (least, by);
                }

                sum += least;
                used[s] = by;
            }

            if (sum > bestSum)
            {
                (best, bestSum) = (now.Select(row => (double[])row.Clone()).ToArray(), sum);
            }

            Move(now, used, typical * 0.5 / (1 + step * 0.25));
        }

        return best;
    }

    /// <summary>A step: what a shot uses becomes dearer for it, and cheaper for the others that could use it.</summary>
    private void Move(double[][] now, int[][] used, double by)
    {
        foreach (var item in used.SelectMany(u => u).Distinct().ToArray())
        {
            if (costs[item] == 0)
            {
                continue;
            }

            var sum = 0.0;
            for (var s = 0; s < now.Length; s++)
            {
                now[s][item] += used[s].Contains(item) ? by : 0;
                sum += now[s][item];
            }

            // Back to what the thing costs: less for each shot that has a share, none below nothing.
            for (var round = 0; round < 8 && sum > costs[item] * (1 + 1e-12); round++)
            {
                var having = 0;
                for (var s = 0; s < now.Length; s++)
                {
                    having += now[s][item] > 0 ? 1 : 0;
                }

                var off = (sum - costs[item]) / having;
                sum = 0;
                for (var s = 0; s < now.Length; s++)
                {
                    now[s][item] = Math.Max(0, now[s][item] - off);
                    sum += now[s][item];
                }
            }

            for (var s = 0; s < now.Length && sum > 0; s++)
            {
                now[s][item] *= costs[item] / sum;
            }
        }
    }
}

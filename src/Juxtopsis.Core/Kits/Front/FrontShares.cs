namespace Juxtopsis.Core.Kits.Front;

/// <summary>
/// What each thing costs, shared out among the shots that could use it, so that the sum of what shots cost at least by these shares comes near to what any bag costs: by steps along the
/// subgradient.
/// </summary>
internal static class FrontShares
{
    /// <summary>Shares the costs out.</summary>
    /// <param name="prices">What each thing costs, and which each shot could use.</param>
    /// <param name="steps">How many steps.</param>
    /// <param name="least">What the shots cost at least by some shares; it writes the things that each then uses.</param>
    /// <returns>For each shot its share of each thing.</returns>
    public static double[][] Of(FrontPrices prices, int steps, Func<double[][], int[][], double> least)
    {
        var (users, costs) = (prices.ItemsOf, prices.Costs);
        var count = new int[costs.Length];
        foreach (var item in users.SelectMany(u => u))
        {
            count[item]++;
        }

        var now = users.Select(_ => new double[costs.Length]).ToArray();
        for (var s = 0; s < users.Length; s++)
        {
            foreach (var item in users[s])
            {
                now[s][item] = costs[item] / count[item];
            }
        }

        double[] known = [.. costs.Where(c => c < FrontProblem.Unknown)];
        var typical = known.Length == 0 ? 1 : Math.Max(known.Average(), 1e-6);
        var (best, bestSum) = (Copy(now), double.NegativeInfinity);
        var used = users.Select(_ => Array.Empty<int>()).ToArray();
        for (var step = 0; step < steps; step++)
        {
            var sum = least(now, used);
            if (double.IsInfinity(sum))
            {
                break;
            }

            (best, bestSum) = sum > bestSum ? (Copy(now), sum) : (best, bestSum);
            Move(now, used, costs, typical * 0.5 / (1 + step * 0.25));
        }

        return best;
    }

    private static double[][] Copy(double[][] shares) => [.. shares.Select(row => (double[])row.Clone())];

    /// <summary>A step: what a shot uses becomes dearer for it, and cheaper for the others that could use it.</summary>
    private static void Move(double[][] now, int[][] used, double[] costs, double by)
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

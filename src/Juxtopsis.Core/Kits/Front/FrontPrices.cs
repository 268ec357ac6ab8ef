namespace Juxtopsis.Core.Kits.Front;

/// <summary>
/// What ways cost by one criterion, or by a sum of two, where what each thing costs is shared out among the shots that could use it. However it is shared out, shots that each take their cheapest way by their
/// shares cost no more together than any bag does.
/// </summary>
internal sealed class FrontPrices
{
    private readonly int[][][] filters;
    private readonly int[][] itemsOf;
    private readonly double[][] priceOf;
    private readonly double[][] priceOfFilters;
    private readonly int[][][] cheapestFilters;
    private readonly int[] set;
    private readonly int[][] setAt;

    /// <summary>Begins.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="weights">How much each criterion that adds up counts.</param>
    /// <param name="free">Things that cost nothing, since every bag has them.</param>
    public FrontPrices(FrontProblem problem, FrontWeights weights, IReadOnlySet<int> free)
    {
        filters = problem.Filters;
        var shots = problem.Shots;
        var perWh = weights.Of(problem.Power.LeastPerWh);
        Costs = [.. problem.Costs.Select((costs, i) => free.Contains(i) ? 0 : weights.Of(c => costs[c]) + perWh * problem.Power.LeastWhOf(i))];
        itemsOf = [.. shots.Select(ways => ways.SelectMany(w => w.Items).Concat(ways.Select(w => w.Filters).Distinct().SelectMany(k => filters[k]).SelectMany(things => things)).Distinct().ToArray())];
        priceOf = [.. shots.Select(_ => new double[Costs.Length])];
        priceOfFilters = [.. shots.Select(_ => new double[filters.Length])];
        (set, setAt) = (new int[shots.Length], [.. shots.Select(_ => new int[filters.Length])]);
        cheapestFilters = [.. shots.Select(_ => new int[filters.Length][])];
    }

    /// <summary>What each thing costs, with what batteries cost at least for what it draws in any bag.</summary>
    public double[] Costs { get; }

    /// <summary>The things that each shot could use.</summary>
    public int[][] ItemsOf => itemsOf;

    /// <summary>Sets what a shot pays for each thing.</summary>
    /// <param name="shot">The shot.</param>
    /// <param name="shares">Its share of each.</param>
    /// <param name="times">What each share counts; all of it where left out.</param>
    public void Price(int shot, double[] shares, double[]? times)
    {
        var prices = priceOf[shot];
        foreach (var item in itemsOf[shot])
        {
            prices[item] = times is null ? shares[item] : shares[item] * times[item];
        }

        set[shot]++;
    }

    /// <summary>What a way costs by what was set last, with the cheapest filters that it needs.</summary>
    public double Of(int shot, FrontWay way) => Sum(priceOf[shot], way.Items) + (way.Filters == 0 ? 0 : OfFilters(shot, way.Filters));

    /// <summary>The things that a way takes, with the cheapest filters that it needs.</summary>
    public int[] Taken(int shot, FrontWay way) => way.Filters == 0 ? way.Items : [.. way.Items, .. cheapestFilters[shot][way.Filters]];

    /// <summary>What the cheapest of some sets of filters costs, reckoned when it is first asked for.</summary>
    private double OfFilters(int shot, int number)
    {
        if (setAt[shot][number] != set[shot])
        {
            var best = double.PositiveInfinity;
            foreach (var things in filters[number])
            {
                var sum = Sum(priceOf[shot], things);
                if (sum < best)
                {
                    (best, cheapestFilters[shot][number]) = (sum, things);
                }
            }

            (setAt[shot][number], priceOfFilters[shot][number]) = (set[shot], best);
        }

        return priceOfFilters[shot][number];
    }

    private static double Sum(double[] prices, int[] items)
    {
        var sum = 0.0;
        foreach (var item in items)
        {
            sum += prices[item];
        }

        return sum;
    }
}

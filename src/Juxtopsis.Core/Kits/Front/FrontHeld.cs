namespace Juxtopsis.Core.Kits.Front;

/// <summary>Which things are in a bag, what they cost, and which ways can be gone with them.</summary>
internal sealed class FrontHeld
{
    private readonly FrontProblem problem;
    private readonly int[][] missing;
    private readonly int[][] missingOfSets;
    private readonly int[] complete;
    private readonly int[] able;
    private readonly List<(int Shot, int Way)>[] waysWith;
    private readonly List<(int Filters, int Set)>[] setsWith;
    private readonly List<(int Shot, int Way)>[] waysOf;
    private readonly int[] counted;
    private readonly double[][][] lackingCost;

    /// <summary>Begins with nothing.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="counted">The criteria by which it is kept count of what ways lack.</param>
    public FrontHeld(FrontProblem problem, int[] counted)
    {
        (this.problem, this.counted) = (problem, counted);
        var (shots, filters) = (problem.Shots, problem.Filters);
        (Items, Cost, able) = (new bool[problem.Costs.Length], new double[FrontProblem.Criteria], new int[shots.Length]);
        missing = [.. shots.Select(ways => ways.Select(w => w.Items.Length).ToArray())];
        lackingCost = [.. counted.Select(c => shots.Select(ways => ways.Select(w => w.Items.Sum(i => problem.Costs[i][c])).ToArray()).ToArray())];
        missingOfSets = [.. filters.Select(sets => sets.Select(s => s.Length).ToArray())];
        complete = [.. missingOfSets.Select(sets => sets.Count(m => m == 0))];
        waysWith = [.. problem.Costs.Select(_ => new List<(int, int)>())];
        setsWith = [.. problem.Costs.Select(_ => new List<(int, int)>())];
        waysOf = [.. filters.Select(_ => new List<(int, int)>())];
        for (var s = 0; s < shots.Length; s++)
        {
            for (var w = 0; w < shots[s].Length; w++)
            {
                waysOf[shots[s][w].Filters].Add((s, w));
                foreach (var item in shots[s][w].Items)
                {
                    waysWith[item].Add((s, w));
                }
            }
        }

        for (var k = 0; k < filters.Length; k++)
        {
            for (var i = 0; i < filters[k].Length; i++)
            {
                foreach (var item in filters[k][i])
                {
                    setsWith[item].Add((k, i));
                }
            }
        }
    }

    /// <summary>Which things are held.</summary>
    public bool[] Items { get; }

    /// <summary>What they cost by each criterion that adds up.</summary>
    public double[] Cost { get; }

    /// <summary>Whether a shot can be done.</summary>
    public bool Does(int shot) => able[shot] > 0;

    /// <summary>Whether a way can be gone: its rig is there, and the filters that it needs.</summary>
    public bool Does(int shot, int way) => missing[shot][way] == 0 && complete[problem.Shots[shot][way].Filters] > 0;

    /// <summary>Whether the rig of a way is there.</summary>
    public bool HasRig(int shot, int way) => missing[shot][way] == 0;

    /// <summary>Whether filters are there.</summary>
    public bool HasFilters(int filters) => complete[filters] > 0;

    /// <summary>What the things of ways that are not held cost, by the criteria that are counted, in their order: for each shot and way.</summary>
    public double[][][] LackingCost => lackingCost;

    /// <summary>Of some things those that are not held.</summary>
    public int[] Lacking(int[] items) => Array.FindAll(items, i => !Items[i]);

    /// <summary>Puts things in that are not held.</summary>
    public void Hold(IEnumerable<int> items)
    {
        foreach (var item in items)
        {
            Items[item] = true;
            Add(item, 1);
            foreach (var (shot, way) in waysWith[item])
            {
                able[shot] += --missing[shot][way] == 0 && HasFilters(problem.Shots[shot][way].Filters) ? 1 : 0;
            }

            foreach (var (filters, set) in setsWith[item])
            {
                if (--missingOfSets[filters][set] == 0 && complete[filters]++ == 0)
                {
                    Serve(filters, 1);
                }
            }
        }
    }

    /// <summary>Takes things out that are held.</summary>
    public void Release(IEnumerable<int> items)
    {
        foreach (var item in items)
        {
            Items[item] = false;
            Add(item, -1);
            foreach (var (shot, way) in waysWith[item])
            {
                able[shot] -= missing[shot][way]++ == 0 && HasFilters(problem.Shots[shot][way].Filters) ? 1 : 0;
            }

            foreach (var (filters, set) in setsWith[item])
            {
                if (missingOfSets[filters][set]++ == 0 && --complete[filters] == 0)
                {
                    Serve(filters, -1);
                }
            }
        }
    }

    /// <summary>Filters have come or gone: ways that need them whose rigs are there.</summary>
    private void Serve(int filters, int by)
    {
        foreach (var (shot, way) in waysOf[filters])
        {
            able[shot] += missing[shot][way] == 0 ? by : 0;
        }
    }

    private void Add(int item, int times)
    {
        var costs = problem.Costs[item];
        for (var c = 0; c < Cost.Length; c++)
        {
            Cost[c] += times * costs[c];
        }

        for (var i = 0; i < counted.Length; i++)
        {
            var cost = times * costs[counted[i]];
            if (cost != 0)
            {
                foreach (var (shot, way) in waysWith[item])
                {
                    lackingCost[i][shot][way] -= cost;
                }
            }
        }
    }
}

namespace Juxtopsis.Core.Kits.Front;

/// <summary>Which things are in a bag, what they cost, and which ways can be gone with them.</summary>
internal sealed class FrontHeld
{
    private readonly FrontProblem problem;
    private readonly bool[] isOfFilters;
    private readonly bool[] isComplete;
    private readonly int[] knownAt;
    private int changed = 1;

    /// <summary>Begins with nothing.</summary>
    /// <param name="problem">The problem.</param>
    public FrontHeld(FrontProblem problem)
    {
        this.problem = problem;
        (Items, Cost) = (new bool[problem.Costs.Length], new double[FrontProblem.Criteria]);
        (isOfFilters, isComplete, knownAt) = (new bool[problem.Costs.Length], new bool[problem.Filters.Length], new int[problem.Filters.Length]);
        foreach (var item in problem.Filters.SelectMany(sets => sets).SelectMany(set => set))
        {
            isOfFilters[item] = true;
        }
    }

    /// <summary>Which things are held.</summary>
    public bool[] Items { get; }

    /// <summary>What they cost by each criterion that adds up.</summary>
    public double[] Cost { get; }

    /// <summary>Whether a way can be gone: its rig is there, and the filters that it needs.</summary>
    public bool Does(FrontWay way) => Has(way.Items) && HasFilters(way.Filters);

    /// <summary>Whether filters are there.</summary>
    public bool HasFilters(int filters)
    {
        if (filters > 0 && knownAt[filters] != changed)
        {
            (knownAt[filters], isComplete[filters]) = (changed, Array.Exists(problem.Filters[filters], Has));
        }

        return filters == 0 || isComplete[filters];
    }

    /// <summary>Of some things those that are not held.</summary>
    public int[] Lacking(int[] items) => Array.FindAll(items, i => !Items[i]);

    /// <summary>Puts things in that are not held.</summary>
    public void Hold(IEnumerable<int> items) => Change(items, true);

    /// <summary>Takes things out that are held.</summary>
    public void Release(IEnumerable<int> items) => Change(items, false);

    private bool Has(int[] items)
    {
        foreach (var item in items)
        {
            if (!Items[item])
            {
                return false;
            }
        }

        return true;
    }

    private void Change(IEnumerable<int> items, bool isIn)
    {
        foreach (var item in items)
        {
            Items[item] = isIn;
            changed += isOfFilters[item] ? 1 : 0;
            for (var c = 0; c < Cost.Length; c++)
            {
                Cost[c] += isIn ? problem.Costs[item][c] : -problem.Costs[item][c];
            }
        }
    }
}

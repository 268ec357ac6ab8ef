using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Fitting;

namespace Juxtopsis.Core.Kits;

/// <summary>The rigs that give a shot, each once, in its best mode: asked once, and used by each search for bags.</summary>
public sealed class AskedShot
{
    private readonly FitQuestion question;
    private readonly List<FilterSet[]?> filters = [];

    private AskedShot(IReadOnlyList<FitSearch.Found> ways, FitQuestion question) => (Ways, this.question) = (ways, question);

    internal IReadOnlyList<FitSearch.Found> Ways { get; }

    /// <summary>For each way the sets of filters of which it needs one: null where it needs none, empty where none that there is does.</summary>
    internal IReadOnlyList<FilterSet[]?> Filters => filters;

    /// <summary>What came of a search.</summary>
    /// <param name="search">A search that has asked all rigs.</param>
    /// <param name="rules">What a proposal must keep: rigs that something spoils are left aside where findings count.</param>
    /// <returns>The rigs.</returns>
    public static AskedShot Of(FitSearch search, FitRules rules)
    {
        ArgumentNullException.ThrowIfNull(search);
        ArgumentNullException.ThrowIfNull(rules);
        return new([.. search.Ways.Where(w => !rules.Findings || w.Rig.Spoils == 0)], search.Question);
    }

    /// <summary>Finds which filters some more of the rigs need, set as they are proposed.</summary>
    /// <param name="finder">The filters and rings that there are.</param>
    /// <param name="highestIso">The highest sensitivity that the crew accepts, ISO.</param>
    /// <param name="rigs">How many rigs at most.</param>
    /// <returns>True when all have been looked at.</returns>
    public bool FindFilters(FilterFinder finder, double highestIso, int rigs)
    {
        ArgumentNullException.ThrowIfNull(finder);
        for (; rigs > 0 && filters.Count < Ways.Count; rigs--)
        {
            var need = FilterNeed.Of(FitResult.ToFit(question, Ways[filters.Count]), highestIso);
            filters.Add(need is null or { IsNone: true } ? null : finder.SetsFor(need));
        }

        return filters.Count == Ways.Count;
    }
}

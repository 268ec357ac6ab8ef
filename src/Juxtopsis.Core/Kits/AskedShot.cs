using Juxtopsis.Core.Fitting;

namespace Juxtopsis.Core.Kits;

/// <summary>The rigs that give a shot, each once, in its best mode: asked once, and used by each search for bags.</summary>
public sealed class AskedShot
{
    private AskedShot(IReadOnlyList<FitSearch.Found> ways) => Ways = ways;

    internal IReadOnlyList<FitSearch.Found> Ways { get; }

    /// <summary>What came of a search.</summary>
    /// <param name="search">A search that has asked all rigs.</param>
    /// <param name="rules">What a proposal must keep: rigs that something spoils are left aside where findings count.</param>
    /// <returns>The rigs.</returns>
    public static AskedShot Of(FitSearch search, FitRules rules)
    {
        ArgumentNullException.ThrowIfNull(search);
        ArgumentNullException.ThrowIfNull(rules);
        return new([.. search.Ways.Where(w => !rules.Findings || w.Rig.Spoils == 0)]);
    }
}

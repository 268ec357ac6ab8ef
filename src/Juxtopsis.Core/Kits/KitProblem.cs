namespace Juxtopsis.Core.Kits;

/// <summary>A thing that can be taken along.</summary>
/// <param name="Criterion">What it counts as: lens, body or adapter.</param>
/// <param name="WeightG">Its weight, g; null when not known.</param>
internal readonly record struct KitItem(KitCriterion Criterion, double? WeightG);

/// <summary>A way to do a shot.</summary>
/// <param name="Items">Numbers of the things that it takes, ascending.</param>
/// <param name="Fills">True when enough pixels are recorded.</param>
internal sealed record KitOption(int[] Items, bool Fills);

/// <summary>What a bag is chosen for: shots, and the ways to do each, without those that no best bag needs.</summary>
/// <param name="Items">The things.</param>
/// <param name="Shots">For each shot the ways to do it.</param>
internal sealed record KitProblem(IReadOnlyList<KitItem> Items, IReadOnlyList<IReadOnlyList<KitOption>> Shots)
{
    /// <summary>What stands for a weight that is not known, g: more than anything known weighs together.</summary>
    public const double UnknownWeightG = 1e9;

    /// <summary>Shots and the ways to do them, reduced.</summary>
    /// <param name="items">The things.</param>
    /// <param name="shots">For each shot the ways to do it; at least one each, at most 64 shots.</param>
    /// <returns>The problem.</returns>
    public static KitProblem Of(IReadOnlyList<KitItem> items, IReadOnlyList<IReadOnlyList<KitOption>> shots)
    {
        var reduction = new KitReduction(items, shots);
        reduction.Step(items.Count);
        return reduction.Problem;
    }

    /// <summary>The same with one shot fewer. What stands in for something in all shots does so in fewer.</summary>
    /// <param name="shot">Index of the shot to leave out.</param>
    /// <returns>The problem.</returns>
    public KitProblem Without(int shot) => this with { Shots = [.. Shots.Where((_, i) => i != shot)] };

    /// <summary>Things of an option as one number, with another in the place of one of them; the order does not matter.</summary>
    public static UInt128 Things(ReadOnlySpan<int> option, int instead = -1, int of = -1)
    {
        Span<int> things = stackalloc int[option.Length];
        for (var i = 0; i < option.Length; i++)
        {
            things[i] = option[i] == instead ? of : option[i];
        }

        things.Sort();
        var key = UInt128.One;
        foreach (var thing in things)
        {
            key = (key << 16) | (uint)thing;
        }

        return key;
    }
}

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
    public static KitProblem Of(IReadOnlyList<KitItem> items, IReadOnlyList<IReadOnlyList<KitOption>> shots) => new(items, Undominated(items, [.. shots.Select(Useful)]));

    /// <summary>The same with one shot fewer. What stands in for something in all shots does so in fewer.</summary>
    /// <param name="shot">Index of the shot to leave out.</param>
    /// <returns>The problem.</returns>
    public KitProblem Without(int shot) => this with { Shots = [.. Shots.Where((_, i) => i != shot)] };

    /// <summary>Things of an option as one number, with another in the place of one of them; the order does not matter.</summary>
    public static UInt128 Things(int[] option, int instead = -1, int of = -1)
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

    /// <summary>Options of the same things count once, filled before unfilled.</summary>
    private static IReadOnlyList<KitOption> Useful(IReadOnlyList<KitOption> options) =>
        [.. options.GroupBy(o => string.Join(',', o.Items)).Select(g => g.FirstOrDefault(o => o.Fills) ?? g.First())];

    /// <summary>
    /// Leaves out things for which another of the same kind can always stand in: in every option of every shot that takes the one, the other would do as
    /// well, and it weighs no more. Whatever a bag does with the one it does with the other, at no higher cost.
    /// </summary>
    private static IReadOnlyList<IReadOnlyList<KitOption>> Undominated(IReadOnlyList<KitItem> items, IReadOnlyList<IReadOnlyList<KitOption>> shots)
    {
        var byThings = shots.Select(s => s.ToDictionary(o => Things(o.Items), o => o.Fills)).ToArray();
        var uses = new List<(int Shot, KitOption Option)>[items.Count];
        for (var s = 0; s < shots.Count; s++)
        {
            foreach (var option in shots[s])
            {
                foreach (var item in option.Items)
                {
                    (uses[item] ??= []).Add((s, option));
                }
            }
        }

        var gone = new bool[items.Count];
        bool StandsInFor(int other, int item) => !gone[other] && other != item && items[other].Criterion == items[item].Criterion && uses[other] is { } does && does.Count >= uses[item].Count
            && (items[other].WeightG ?? UnknownWeightG) <= (items[item].WeightG ?? UnknownWeightG)
            && uses[item].All(u => byThings[u.Shot].TryGetValue(Things(u.Option.Items, item, other), out var fills) && (fills || !u.Option.Fills));
        for (var item = 0; item < items.Count; item++)
        {
            gone[item] = uses[item] is not null && Enumerable.Range(0, items.Count).Any(other => StandsInFor(other, item));
        }

        return [.. shots.Select(s => (IReadOnlyList<KitOption>)[.. s.Where(o => !o.Items.Any(i => gone[i]))])];
    }
}

namespace Juxtopsis.Core.Kits;

/// <summary>
/// Leaves out things for which another of the same kind can always stand in: in every option of every shot that takes the one, the other would do as
/// well, and it weighs no more. Whatever a bag does with the one it does with the other, at no higher cost.
/// </summary>
internal sealed class KitReduction
{
    private readonly IReadOnlyList<KitItem> items;
    private readonly IReadOnlyList<IReadOnlyList<KitOption>> shots;
    private readonly Dictionary<UInt128, bool>[] fills;
    private readonly List<(int Shot, KitOption Option)>[] uses;
    private readonly bool[] gone;
    private int next;

    /// <summary>Begins.</summary>
    /// <param name="items">The things.</param>
    /// <param name="shots">For each shot the ways to do it.</param>
    public KitReduction(IReadOnlyList<KitItem> items, IReadOnlyList<IReadOnlyList<KitOption>> shots)
    {
        (this.items, gone) = (items, new bool[items.Count]);
        fills = [.. shots.Select(Useful)];
        this.shots = [.. shots.Select((s, i) => (IReadOnlyList<KitOption>)[.. s.DistinctBy(o => KitProblem.Things(o.Items)).Select(o => o with { Fills = fills[i][KitProblem.Things(o.Items)] })])];
        uses = [.. items.Select(_ => new List<(int, KitOption)>())];
        for (var s = 0; s < this.shots.Count; s++)
        {
            foreach (var option in this.shots[s])
            {
                foreach (var item in option.Items)
                {
                    uses[item].Add((s, option));
                }
            }
        }
    }

    /// <summary>The problem without what was left out so far.</summary>
    public KitProblem Problem => new(items, [.. shots.Select(s => (IReadOnlyList<KitOption>)[.. s.Where(o => !o.Items.Any(i => gone[i]))])]);

    /// <summary>Looks at some more things.</summary>
    /// <param name="count">How many at most.</param>
    /// <returns>True when all were looked at.</returns>
    public bool Step(int count)
    {
        for (; count > 0 && next < items.Count; count--, next++)
        {
            gone[next] = uses[next].Count > 0 && Enumerable.Range(0, items.Count).Any(StandsIn);
        }

        return next == items.Count;
    }

    /// <summary>Options of the same things count once, as filled where one of them is.</summary>
    private static Dictionary<UInt128, bool> Useful(IReadOnlyList<KitOption> options)
    {
        var filled = new Dictionary<UInt128, bool>();
        foreach (var option in options)
        {
            var things = KitProblem.Things(option.Items);
            filled[things] = option.Fills || filled.GetValueOrDefault(things);
        }

        return filled;
    }

    private bool StandsIn(int other) => !gone[other] && other != next && items[other].Criterion == items[next].Criterion && uses[other].Count >= uses[next].Count
        && (items[other].WeightG ?? KitProblem.UnknownWeightG) <= (items[next].WeightG ?? KitProblem.UnknownWeightG)
        && uses[next].TrueForAll(u => fills[u.Shot].TryGetValue(KitProblem.Things(u.Option.Items, next, other), out var filled) && (filled || !u.Option.Fills));
}

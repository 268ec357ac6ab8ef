namespace Juxtopsis.Core.Kits.Front;

/// <summary>A way to do a shot.</summary>
/// <param name="Items">Numbers of the things that it takes whatever the filters, ascending.</param>
/// <param name="Rig">The same number for the same rig, whatever carries it and whatever is before its lens.</param>
/// <param name="Filters">Number of the filters that it needs, in <see cref="FrontProblem.Filters"/>; 0 where it needs none.</param>
internal sealed record FrontWay(int[] Items, int Rig, int Filters = 0);

/// <summary>Things, shots and the ways to do them.</summary>
/// <param name="Costs">For each thing what it costs by each criterion that adds up, in the order of <see cref="FrontCriterion"/>; the others are 0.</param>
/// <param name="Shots">For each shot, in shooting order, the ways to do it.</param>
internal sealed record FrontProblem(double[][] Costs, FrontWay[][] Shots)
{
    /// <summary>What stands for something that is not known: more than all that is known together.</summary>
    public const double Unknown = 1e9;

    /// <summary>Costs are taken in these, so that sums of them are exact.</summary>
    public const double Least = 1 / 1024.0;

    /// <summary>How many criteria there are.</summary>
    public const int Criteria = (int)FrontCriterion.Undone + 1;

    /// <summary>For each number of filters the sets of filters and rings of which one does; the first is that of ways that need none.</summary>
    public int[][][] Filters { get; init; } = [[[]]];

    /// <summary>What cameras draw, and the batteries for it; none where power is not asked for.</summary>
    public FrontPower Power { get; init; } = FrontPower.None;

    /// <summary>Whether a criterion adds up over things.</summary>
    public static bool AddsUp(FrontCriterion criterion) => criterion is not (FrontCriterion.Changes or FrontCriterion.Undone);

    /// <summary>
    /// The same without ways that take all that another way of the same rig's shot takes and more, without sets of filters likewise, and without things for which another can always stand
    /// in: wherever the one is taken, the other would do, and it costs no more by any criterion that matters.
    /// </summary>
    /// <param name="given">Things that are in every bag: these stay.</param>
    /// <param name="counting">The criteria that matter.</param>
    /// <param name="byRig">True when it matters which rig a shot is done with, since changes count: then a way stays that no other of as few things has the rig of.</param>
    /// <returns>The smaller problem, of the same numbers.</returns>
    public FrontProblem Reduced(IReadOnlySet<int> given, IReadOnlyCollection<FrontCriterion> counting, bool byRig)
    {
        var shots = Shots.Select(ways => WithoutLarger(ways, byRig)).ToArray();
        int[][][] filters = [.. Filters.Select(WithoutLarger)];
        var known = shots.Select(ways => ways.Select(w => (KeyOf(w), w.Filters)).ToHashSet()).ToArray();
        var knownSets = filters.Select(sets => sets.Select(s => KitProblem.Things(s)).ToHashSet()).ToArray();
        var gone = new bool[Costs.Length];
        var uses = Enumerable.Range(0, Costs.Length).Select(_ => new List<(int Shot, FrontWay Way)>()).ToArray();
        var setUses = Enumerable.Range(0, Costs.Length).Select(_ => new List<(int Filters, int[] Set)>()).ToArray();
        for (var s = 0; s < shots.Length; s++)
        {
            foreach (var way in shots[s])
            {
                foreach (var item in way.Items)
                {
                    uses[item].Add((s, way));
                }
            }
        }

        for (var k = 0; k < filters.Length; k++)
        {
            foreach (var set in filters[k])
            {
                foreach (var item in set)
                {
                    setUses[item].Add((k, set));
                }
            }
        }

        for (var item = 0; item < Costs.Length; item++)
        {
            if (uses[item].Count + setUses[item].Count > 0 && !given.Contains(item))
            {
                gone[item] = Enumerable.Range(0, Costs.Length).Any(other => StandsIn(item, other));
            }
        }

        return this with
        {
            Shots = [.. shots.Select(ways => ways.Where(w => !Array.Exists(w.Items, i => gone[i])).ToArray())],
            Filters = [.. filters.Select(sets => sets.Where(s => !Array.Exists(s, i => gone[i])).ToArray())],
        };

        bool StandsIn(int item, int other) => other != item && !gone[other] && uses[other].Count >= uses[item].Count && setUses[other].Count >= setUses[item].Count
            && counting.All(c => Costs[other][(int)c] <= Costs[item][(int)c]) && Power.DrawsNoMore(other, item)
            && uses[item].TrueForAll(use => !use.Way.Items.Contains(other) && KeyOf(use.Way, item, other) is var key && (known[use.Shot].Contains((key, use.Way.Filters)) || known[use.Shot].Contains((key, 0))))
            && setUses[item].TrueForAll(use => !use.Set.Contains(other) && knownSets[use.Filters].Contains(KitProblem.Things(use.Set, item, other)));
    }

    /// <summary>Without ways that hold all things of another and more: each part of a way is looked up among the ways.</summary>
    private static FrontWay[] WithoutLarger(FrontWay[] ways, bool byRig)
    {
        var known = ways.Select(w => (KeyOf(w), byRig ? w.Rig : 0, w.Filters)).ToHashSet();
        return
        [
            .. ways.Where(way => !Parts(way.Items).Any(part => known.Contains((part, byRig ? way.Rig : 0, way.Filters)) || known.Contains((part, byRig ? way.Rig : 0, 0)))),
        ];
    }

    private static int[][] WithoutLarger(int[][] sets)
    {
        var known = sets.Select(s => KitProblem.Things(s)).ToHashSet();
        return [.. sets.Where(set => !Parts(set).Any(known.Contains))];
    }

    /// <summary>The keys of what is left of things without some of them; the things are in order, as a key has them.</summary>
    private static IEnumerable<UInt128> Parts(int[] items)
    {
        for (var part = 1; part < (1 << items.Length) - 1; part++)
        {
            var key = UInt128.One;
            for (var i = 0; i < items.Length; i++)
            {
                key = (part & (1 << i)) != 0 ? (key << 16) | (uint)items[i] : key;
            }

            yield return key;
        }
    }

    private static UInt128 KeyOf(FrontWay way) => KitProblem.Things(way.Items);

    private static UInt128 KeyOf(FrontWay way, int instead, int of) => KitProblem.Things(way.Items, instead, of);
}

namespace Juxtopsis.Core.Kits;

/// <summary>Which way each shot uses of those that are held: with least changes and unfilled pixels along the shooting order, by dynamic programming.</summary>
/// <param name="shots">The ways of each shot, in shooting order; those with nothing missing can be used.</param>
internal sealed class WayAssignment(Way[][] shots)
{
    private readonly Dictionary<int, int> stays = [];

    /// <summary>The best option of each shot of those that the held things allow: along the shooting order, by dynamic programming.</summary>
    public (int[] Uses, double Changes, double Unfilled) Best(bool changesFirst)
    {
        var chosen = new int[shots.Length];
        if (shots.Length == 0)
        {
            return (chosen, 0, 0);
        }

        var from = new int[shots.Length][];
        var now = shots[0].Select(w => w.Missing > 0 ? Use.Never : new Use(0, w.Fills ? 0 : 1)).ToArray();
        from[0] = new int[now.Length];
        for (var s = 1; s < shots.Length; s++)
        {
            (now, from[s]) = Next(shots[s - 1], now, shots[s], changesFirst);
        }

        var last = BestOf(now, changesFirst);
        var total = now[last];
        for (var s = shots.Length - 1; s >= 0; s--)
        {
            chosen[s] = last;
            last = from[s][last];
        }

        return (chosen, total.Changes, total.Unfilled);
    }

    /// <summary>From the costs up to one shot those up to the next: coming from another rig costs a change, so only the best of these counts beside the same rig.</summary>
    private (Use[] Costs, int[] From) Next(Way[] before, Use[] costs, Way[] after, bool changesFirst)
    {
        var bestAt = BestOf(costs, changesFirst);
        stays.Clear();
        for (var i = 0; i < costs.Length; i++)
        {
            if (before[i].Missing == 0)
            {
                stays[before[i].Things] = i;
            }
        }

        var (next, from) = (new Use[after.Length], new int[after.Length]);
        for (var i = 0; i < next.Length; i++)
        {
            if (after[i].Missing > 0)
            {
                next[i] = Use.Never;
                continue;
            }

            var own = after[i].Fills ? 0 : 1;
            (next[i], from[i]) = (new(costs[bestAt].Changes + 1, costs[bestAt].Unfilled + own), bestAt);
            if (stays.TryGetValue(after[i].Things, out var same) && new Use(costs[same].Changes, costs[same].Unfilled + own) is var stay && !next[i].IsBetter(stay, changesFirst))
            {
                (next[i], from[i]) = (stay, same);
            }
        }

        return (next, from);
    }

    private static int BestOf(Use[] costs, bool changesFirst)
    {
        var at = 0;
        for (var i = 1; i < costs.Length; i++)
        {
            at = costs[i].IsBetter(costs[at], changesFirst) ? i : at;
        }

        return at;
    }

    private readonly record struct Use(double Changes, double Unfilled)
    {
        public static Use Never { get; } = new(double.PositiveInfinity, double.PositiveInfinity);

        public bool IsBetter(Use other, bool changesFirst) => changesFirst
            ? Changes < other.Changes || Changes == other.Changes && Unfilled < other.Unfilled
            : Unfilled < other.Unfilled || Unfilled == other.Unfilled && Changes < other.Changes;
    }
}

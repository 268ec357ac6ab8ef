using System.Numerics;

namespace Juxtopsis.Core.Kits;

/// <summary>
/// Chooses the fewest of some sets that together hold all that any of them holds, exactly, by branch and bound. Sets are bit masks
/// of up to 64 members. What is minimised is, in this order: the number of sets, then the sum of their weights.
/// </summary>
/// <remarks>
/// Every cover must hold the member that the fewest sets hold, so the search branches over those. It gives up a branch where the
/// members left, over the most that one set could add, would take more sets than the best answer has. Of sets with the same
/// members only the lightest is looked at: the others are its equals but for their weight.
/// </remarks>
public static class SetCover
{
    /// <summary>The best covers.</summary>
    /// <param name="masks">What each set holds.</param>
    /// <param name="weights">Their weights, 0 or more.</param>
    /// <param name="keep">How many covers to answer at most.</param>
    /// <returns>Indexes of the sets of each cover, ascending; the best first. None of a cover's sets could be left out of it. Empty when all sets are.</returns>
    public static IReadOnlyList<int[]> Covers(IReadOnlyList<ulong> masks, IReadOnlyList<double> weights, int keep)
    {
        ArgumentNullException.ThrowIfNull(masks);
        ArgumentNullException.ThrowIfNull(weights);
        var search = new CoverSearch(masks, weights, keep);
        search.Branch(search.Universe, [], 0);
        return search.Best;
    }

    /// <summary>The sets of a number that together hold the most, and of those the lightest.</summary>
    /// <param name="masks">What each set holds.</param>
    /// <param name="weights">Their weights, 0 or more.</param>
    /// <param name="count">How many sets at most.</param>
    /// <returns>Indexes, ascending.</returns>
    public static int[] Most(IReadOnlyList<ulong> masks, IReadOnlyList<double> weights, int count)
    {
        ArgumentNullException.ThrowIfNull(masks);
        ArgumentNullException.ThrowIfNull(weights);
        var useful = Lightest(masks, weights).Where(i => !Dominated(i, masks, weights)).OrderByDescending(i => BitOperations.PopCount(masks[i])).ToArray();
        var (best, members, weight) = (Array.Empty<int>(), 0, 0.0);
        var chosen = new List<int>();
        void Branch(int from, ulong held, double carried)
        {
            var now = BitOperations.PopCount(held);
            if (now > members || now == members && carried < weight)
            {
                (best, members, weight) = ([.. chosen.Order()], now, carried);
            }

            for (var i = from; i < useful.Length && chosen.Count < count; i++)
            {
                // They are sorted by size, so none that follows adds more than this one holds.
                if (now + (count - chosen.Count) * BitOperations.PopCount(masks[useful[i]]) < members)
                {
                    return;
                }

                if ((masks[useful[i]] & ~held) != 0)
                {
                    chosen.Add(useful[i]);
                    Branch(i + 1, held | masks[useful[i]], carried + weights[useful[i]]);
                    chosen.RemoveAt(chosen.Count - 1);
                }
            }
        }

        Branch(0, 0, 0);
        return best;
    }

    /// <summary>Of sets with the same members the lightest; empty ones not.</summary>
    internal static int[] Lightest(IReadOnlyList<ulong> masks, IReadOnlyList<double> weights) =>
        [.. Enumerable.Range(0, masks.Count).Where(i => masks[i] != 0).GroupBy(i => masks[i]).Select(g => g.OrderBy(i => weights[i]).ThenBy(i => i).First())];

    private static bool Dominated(int set, IReadOnlyList<ulong> masks, IReadOnlyList<double> weights) => Enumerable.Range(0, masks.Count)
        .Any(o => masks[o] != masks[set] && (masks[set] & ~masks[o]) == 0 && weights[o] <= weights[set]);

    private sealed class CoverSearch
    {
        private readonly IReadOnlyList<ulong> masks;
        private readonly IReadOnlyList<double> weights;
        private readonly int keep;
        private readonly int[] sets;
        private readonly List<(int[] Sets, double Weight)> best = [];

        public CoverSearch(IReadOnlyList<ulong> masks, IReadOnlyList<double> weights, int keep)
        {
            (this.masks, this.weights, this.keep) = (masks, weights, keep);
            sets = Lightest(masks, weights);
            Universe = sets.Aggregate(0UL, (u, i) => u | masks[i]);
        }

        public ulong Universe { get; }

        public IReadOnlyList<int[]> Best => [.. best.Select(b => b.Sets)];

        public void Branch(ulong left, List<int> chosen, double weight)
        {
            if (left == 0)
            {
                Keep(chosen, weight);
                return;
            }

            var (most, hardest, fewest) = (1, 0UL, int.MaxValue);
            foreach (var i in sets)
            {
                most = Math.Max(most, BitOperations.PopCount(masks[i] & left));
            }

            var more = (BitOperations.PopCount(left) + most - 1) / most;
            if (best.Count == keep && (chosen.Count + more, weight).CompareTo((best[^1].Sets.Length, best[^1].Weight)) >= 0)
            {
                return;
            }

            for (var rest = left; rest != 0; rest &= rest - 1)
            {
                var member = rest & (~rest + 1);
                var holders = sets.Count(i => (masks[i] & member) != 0);
                if (holders < fewest)
                {
                    (hardest, fewest) = (member, holders);
                }
            }

            foreach (var i in sets)
            {
                if ((masks[i] & hardest) != 0)
                {
                    chosen.Add(i);
                    Branch(left & ~masks[i], chosen, weight + weights[i]);
                    chosen.RemoveAt(chosen.Count - 1);
                }
            }
        }

        private void Keep(List<int> chosen, double weight)
        {
            int[] cover = [.. chosen.Order()];
            if (best.Any(b => b.Sets.AsSpan().SequenceEqual(cover)) || cover.Any(i => IsSpare(cover, i)))
            {
                return;
            }

            best.Add((cover, weight));
            best.Sort((a, b) => (a.Sets.Length, a.Weight).CompareTo((b.Sets.Length, b.Weight)));
            if (best.Count > keep)
            {
                best.RemoveAt(keep);
            }
        }

        private bool IsSpare(int[] cover, int set) =>
            cover.Where(i => i != set).Aggregate(0UL, (held, i) => held | masks[i]) is var others && (masks[set] & ~others) == 0;
    }
}

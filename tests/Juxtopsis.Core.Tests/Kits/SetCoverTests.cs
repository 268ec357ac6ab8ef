using System.Numerics;
using Juxtopsis.Core.Kits;

namespace Juxtopsis.Core.Tests.Kits;

/// <summary>The fewest sets, against trying all of them.</summary>
public sealed class SetCoverTests
{
    public static TheoryData<int> Seeds => [.. Enumerable.Range(1, 80)];

    private static (ulong[] Masks, double[] Weights) Of(int seed)
    {
        var random = new Random(seed);
        var count = random.Next(1, 11);
        var members = random.Next(1, 9);
        return (
            [.. Enumerable.Range(0, count).Select(_ => (ulong)random.Next(1 << members) & (ulong)random.Next(1 << members))],
            [.. Enumerable.Range(0, count).Select(_ => (double)random.Next(1, 50))]);
    }

    private static IEnumerable<(int[] Sets, ulong Held, double Weight)> All(ulong[] masks, double[] weights) => Enumerable.Range(0, 1 << masks.Length).Select(choice =>
    {
        int[] sets = [.. Enumerable.Range(0, masks.Length).Where(i => (choice >> i & 1) != 0)];
        return (sets, sets.Aggregate(0UL, (held, i) => held | masks[i]), sets.Sum(i => weights[i]));
    });

    [Theory]
    [MemberData(nameof(Seeds))]
    public void The_cover_is_the_smallest_and_of_those_the_lightest(int seed)
    {
        var (masks, weights) = Of(seed);
        var universe = masks.Aggregate(0UL, (u, m) => u | m);
        var best = All(masks, weights).Where(c => c.Held == universe).MinBy(c => (c.Sets.Length, c.Weight));
        var covers = SetCover.Covers(masks, weights, 2);
        if (universe == 0)
        {
            Assert.All(covers, Assert.Empty);
            return;
        }

        Assert.Equal((best.Sets.Length, best.Weight), (covers[0].Length, covers[0].Sum(i => weights[i])));
        Assert.All(covers, c => Assert.Equal(universe, c.Aggregate(0UL, (held, i) => held | masks[i])));

        // The second is the next best of the covers from which nothing can be left out, each set being the lightest of its like.
        bool Spare(int[] sets) => sets.Any(s => sets.Where(o => o != s).Aggregate(0UL, (held, i) => held | masks[i]) == universe);
        bool Lightest(int[] sets) => sets.All(s => Enumerable.Range(0, masks.Length).All(o => masks[o] != masks[s] || weights[o] > weights[s] || weights[o] == weights[s] && o >= s));
        var second = All(masks, weights).Where(c => c.Held == universe && !Spare(c.Sets) && Lightest(c.Sets)).OrderBy(c => (c.Sets.Length, c.Weight)).Skip(1).ToArray();
        Assert.Equal(second.Length > 0, covers.Count > 1);
        if (second.Length > 0)
        {
            Assert.Equal((second[0].Sets.Length, second[0].Weight), (covers[1].Length, covers[1].Sum(i => weights[i])));
        }
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void So_many_sets_hold_the_most_that_they_can(int seed)
    {
        var (masks, weights) = Of(seed);
        for (var count = 0; count < 5; count++)
        {
            var best = All(masks, weights).Where(c => c.Sets.Length <= count).MinBy(c => (-BitOperations.PopCount(c.Held), c.Weight));
            var most = SetCover.Most(masks, weights, count);
            Assert.True(most.Length <= count);
            Assert.Equal(
                (BitOperations.PopCount(best.Held), best.Weight),
                (BitOperations.PopCount(most.Aggregate(0UL, (held, i) => held | masks[i])), most.Sum(i => weights[i])));
        }
    }

    [Fact]
    public void Many_lenses_and_shots_are_done_in_no_time_worth_noticing()
    {
        var random = new Random(5);
        ulong[] masks = [.. Enumerable.Range(0, 200).Select(_ => Enumerable.Range(0, 24).Aggregate(0UL, (m, i) => random.Next(4) == 0 ? m | 1UL << i : m))];
        double[] weights = [.. masks.Select(_ => (double)random.Next(100, 2000))];
        var cover = SetCover.Covers(masks, weights, 2)[0];
        Assert.Equal(masks.Aggregate(0UL, (u, m) => u | m), cover.Aggregate(0UL, (held, i) => held | masks[i]));
    }
}

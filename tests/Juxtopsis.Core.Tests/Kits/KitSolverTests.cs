using Juxtopsis.Core.Kits;

namespace Juxtopsis.Core.Tests.Kits;

/// <summary>The best bag against trying every set of things and every way to use them.</summary>
public sealed class KitSolverTests
{
    public static TheoryData<int> Seeds => [.. Enumerable.Range(1, 150)];

    [Theory]
    [MemberData(nameof(Seeds))]
    public void The_best_bag_is_what_trying_every_bag_finds(int seed)
    {
        var random = new Random(seed);
        var items = Enumerable.Range(0, random.Next(3, 9)).Select(_ => new KitItem((KitCriterion)random.Next(0, 3), random.Next(6) == 0 ? null : random.Next(1, 9) * 100)).ToArray();
        var shots = Enumerable.Range(0, random.Next(1, 6)).Select(_ => (IReadOnlyList<KitOption>)[.. Enumerable.Range(0, random.Next(1, 6)).Select(_ => OptionOf(random, items.Length))]).ToArray();
        var order = Enum.GetValues<KitCriterion>().OrderBy(_ => random.Next()).Take(random.Next(0, 7)).ToArray();
        var solver = new KitSolver(KitProblem.Of(items, shots), order);
        var best = solver.Solve()[0];
        Assert.True(solver.IsProven);
        var used = shots.SelectMany(s => s).SelectMany(o => o.Items).Select(i => items[i].Criterion).ToHashSet();
        Assert.Equal(Tried(items, shots, [.. order.Concat(Usual.Where(c => c is KitCriterion.Weight or KitCriterion.Changes or KitCriterion.Pixels || used.Contains(c))).Distinct()]), best.Cost);

        // And it is one that does all shots.
        Assert.All(best.UsedItems, (used, s) => Assert.Contains(shots[s], o => o.Items.SequenceEqual(used) && o.Items.All(i => best.Items.Contains(i))));
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void One_shot_fewer_is_the_same_as_asking_without_it(int seed)
    {
        var random = new Random(seed);
        var items = Enumerable.Range(0, 9).Select(i => new KitItem((KitCriterion)(i % 3), random.Next(1, 9) * 100)).ToArray();
        var shots = Enumerable.Range(0, 5).Select(_ => (IReadOnlyList<KitOption>)[.. Enumerable.Range(0, 6).Select(_ => OptionOf(random, items.Length))]).ToArray();
        var left = random.Next(shots.Length);
        var without = new KitSolver(KitProblem.Of(items, shots).Without(left), []).Solve()[0];
        Assert.Equal(new KitSolver(KitProblem.Of(items, [.. shots.Where((_, i) => i != left)]), []).Solve()[0].Cost, without.Cost);
    }

    [Fact]
    public void In_small_steps_the_answer_is_the_same_and_too_many_end_it_unproven()
    {
        var random = new Random(7);
        var items = Enumerable.Range(0, 14).Select(i => new KitItem((KitCriterion)(i % 3), 100 + i)).ToArray();
        var shots = Enumerable.Range(0, 9).Select(_ => (IReadOnlyList<KitOption>)[.. Enumerable.Range(0, 12).Select(_ => OptionOf(random, items.Length))]).ToArray();
        var (whole, steps) = (new KitSolver(KitProblem.Of(items, shots), []), new KitSolver(KitProblem.Of(items, shots), []));
        while (!steps.Step(1))
        {
        }

        Assert.Equal(whole.Solve()[0].Cost, steps.Best[0].Cost);
        var few = new KitSolver(KitProblem.Of(items, shots), [], mostNodes: 2);
        Assert.NotEmpty(few.Solve());
        Assert.False(few.IsProven);
    }

    [Fact]
    public void Without_a_shot_nothing_is_taken() => Assert.Empty(new KitSolver(KitProblem.Of([], []), []).Solve()[0].Items);

    private static readonly KitCriterion[] Usual =
        [KitCriterion.Lenses, KitCriterion.Bodies, KitCriterion.Adapters, KitCriterion.Filters, KitCriterion.Rings, KitCriterion.Weight, KitCriterion.Changes, KitCriterion.Pixels];

    private static KitOption OptionOf(Random random, int items) =>
        new([.. Enumerable.Range(0, random.Next(1, 4)).Select(_ => random.Next(items)).Distinct().Order()], random.Next(3) > 0);

    /// <summary>The least cost of all, over every way to do every shot.</summary>
    private static double[] Tried(KitItem[] items, IReadOnlyList<KitOption>[] shots, KitCriterion[] order)
    {
        double[]? least = null;
        void Use(int shot, KitOption[] used)
        {
            if (shot < shots.Length)
            {
                foreach (var option in shots[shot])
                {
                    Use(shot + 1, [.. used, option]);
                }

                return;
            }

            var taken = used.SelectMany(u => u.Items).Distinct().ToArray();
            double[] cost = [.. order.Select(c => c switch
            {
                KitCriterion.Changes => used.Zip(used.Skip(1)).Count(p => !p.First.Items.SequenceEqual(p.Second.Items)),
                KitCriterion.Pixels => used.Count(u => !u.Fills),
                KitCriterion.Weight => taken.Sum(i => items[i].WeightG ?? 1e9),
                _ => taken.Count(i => items[i].Criterion == c),
            })];
            least = least is null || First(cost, least) ? cost : least;
        }

        Use(0, []);
        return least!;
    }

    private static bool First(double[] a, double[] b)
    {
        var i = 0;
        while (i < a.Length && a[i] == b[i])
        {
            i++;
        }

        return i < a.Length && a[i] < b[i];
    }
}

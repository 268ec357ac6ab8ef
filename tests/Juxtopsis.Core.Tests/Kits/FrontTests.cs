using Juxtopsis.Core.Bags;
using Juxtopsis.Core.Kits.Front;

namespace Juxtopsis.Core.Tests.Kits;

/// <summary>The front of the best compromises against brute force over all bags, on random shelves and days.</summary>
public sealed class FrontTests
{
    private static readonly FrontCriterion[] Axes = Enum.GetValues<FrontCriterion>();

    public static TheoryData<int> Seeds => [.. Enumerable.Range(0, 60)];

    private const int Things = 12;

    /// <summary>
    /// Bodies, lenses, adapters, a support, filters and a ring; each way takes a body, a lens, at times an adapter or a support, and at times needs one of some sets of filters. Bodies draw, and
    /// there are two kinds of battery, or none.
    /// </summary>
    private static FrontProblem Made(Random random)
    {
        var kinds = Enumerable.Range(0, Things).Select(i => i < 2 ? FrontCriterion.Bodies : i < 6 ? FrontCriterion.Lenses : i < 8 ? FrontCriterion.Adapters : i < 9 ? FrontCriterion.Supports : FrontCriterion.Filters).ToArray();
        // On some shelves hardly any weight is known.
        var known = random.Next(3) switch { 0 => 1, 1 => 2, _ => 8 };
        double[] CostsOf(FrontCriterion kind)
        {
            var cost = new double[FrontProblem.Criteria];
            cost[(int)FrontCriterion.Things] = 1;
            cost[(int)kind] = 1;
            cost[(int)FrontCriterion.Weight] = random.Next(known) == 0 ? FrontProblem.Unknown : random.Next(1, 12) * 100;
            cost[(int)FrontCriterion.Price] = random.Next(2) == 0 ? random.Next(1, 9) * 50 : 0;
            cost[(int)FrontCriterion.Hire] = cost[(int)FrontCriterion.Price] > 0 ? 0 : random.Next(1, 6) * 10;
            return cost;
        }

        var costs = kinds.Select(CostsOf).ToArray();
        int[][] Sets() => [.. Enumerable.Range(0, random.Next(1, 4)).Select(_ => Enumerable.Range(9, 3).Where(_ => random.Next(2) == 0).DefaultIfEmpty(9).ToArray()).DistinctBy(set => string.Join(' ', set))];
        int[][][] filters = [[[]], Sets(), Sets()];
        var rigs = new Dictionary<string, int>(StringComparer.Ordinal);
        FrontWay Way()
        {
            var parts = new List<int> { random.Next(2), random.Next(2, 6) };
            if (random.Next(3) == 0)
            {
                parts.Add(random.Next(6, 8));
            }

            var key = string.Join(' ', parts);
            var rig = rigs.TryGetValue(key, out var known) ? known : rigs[key] = rigs.Count;
            if (random.Next(4) == 0)
            {
                parts.Add(8);
            }

            return new([.. parts.Order()], rig, random.Next(3) == 0 ? random.Next(1, 3) : 0);
        }

        return new(costs, [.. Enumerable.Range(0, random.Next(1, 6)).Select(_ => Enumerable.Range(0, random.Next(1, 6)).Select(_ => Way()).DistinctBy(w => string.Join(' ', w.Items)).ToArray())])
        {
            Filters = filters,
            Power = random.Next(4) == 0 ? FrontPower.None : new(
                new DayPlan { UsedMinutes = random.Next(0, 12), StandbyHours = random.Next(0, 4), Rolling = random.Next(1, 3) },
                [.. Enumerable.Range(0, Things).Select(i => i < 2 ? new CameraDraw(random.Next(0, 40), random.Next(0, 30)) : default)],
                random.Next(0, 2) * 30,
                [.. Enumerable.Range(0, 2).Select(_ => new FrontBattery(CostsOf(FrontCriterion.Batteries), random.Next(1, 5) * 20))]),
        };
    }

    /// <summary>All bags by all uses of their ways, as points on two axes; a shot may be left where that is an axis.</summary>
    private static List<(double One, double Other)> BruteForce(FrontProblem problem, FrontCriterion one, FrontCriterion other, HashSet<int> given, int? mostBodies)
    {
        var points = new List<(double One, double Other, double Undone)>();
        for (var bag = 0; bag < 1 << problem.Costs.Length; bag++)
        {
            if (given.Any(g => (bag & (1 << g)) == 0))
            {
                continue;
            }

            var cost = new double[FrontProblem.Criteria];
            for (var i = 0; i < problem.Costs.Length; i++)
            {
                for (var c = 0; (bag & (1 << i)) != 0 && c < cost.Length; c++)
                {
                    cost[c] += problem.Costs[i][c];
                }
            }

            if (cost[(int)FrontCriterion.Bodies] > (mostBodies ?? int.MaxValue))
            {
                continue;
            }

            // For each number of shots that are left the fewest changes; for each kind of battery as many as are needed.
            foreach (var (undone, changes) in Uses(problem, bag))
            {
                (cost[(int)FrontCriterion.Undone], cost[(int)FrontCriterion.Changes]) = (undone, changes);
                foreach (var batteries in BatteriesFor(problem.Power, bag))
                {
                    points.Add((cost[(int)one] + batteries[(int)one], cost[(int)other] + batteries[(int)other], undone));
                }
            }
        }

        var isAxis = one == FrontCriterion.Undone || other == FrontCriterion.Undone;
        var least = points.Count == 0 ? 0 : points.Min(p => p.Undone);
        (double One, double Other)[] allowed = [.. points.Where(p => isAxis || p.Undone <= least).Select(p => (p.One, p.Other)).Distinct()];
        return [.. allowed.Where(p => !Array.Exists(allowed, q => q != p && q.One <= p.One && q.Other <= p.Other)).OrderBy(p => p.One)];
    }

    private static IEnumerable<double[]> BatteriesFor(FrontPower power, int bag)
    {
        CameraDraw[] draws = [.. power.Draws.Where((_, i) => (bag & (1 << i)) != 0)];
        var recording = draws.Select(d => d.RecordingW).OrderDescending().Take(power.Plan.Rolling).Sum() * power.Plan.UsedMinutes * power.Plan.ShootingRatio / 60;
        var lacking = recording + draws.Sum(d => d.StandbyW) * power.Plan.StandbyHours - power.GivenWh;
        return lacking <= 0 || power.Batteries.Length == 0 ? [new double[FrontProblem.Criteria]]
            : power.Batteries.Select(b => b.Costs.Select(c => c * Math.Ceiling(lacking / b.Wh - 1e-9)).ToArray());
    }

    private static IEnumerable<(int Undone, int Changes)> Uses(FrontProblem problem, int bag)
    {
        bool Holds(int[] items) => Array.TrueForAll(items, i => (bag & (1 << i)) != 0);
        var states = new Dictionary<(int Undone, int Rig), int> { [(0, -1)] = 0 };
        foreach (var ways in problem.Shots)
        {
            var next = new Dictionary<(int, int), int>();
            void Put((int, int) key, int changes) => next[key] = next.TryGetValue(key, out var known) ? Math.Min(known, changes) : changes;
            foreach (var ((undone, rig), changes) in states)
            {
                Put((undone + 1, rig), changes);
                foreach (var way in ways.Where(w => Holds(w.Items) && problem.Filters[w.Filters].Any(Holds)))
                {
                    Put((undone, way.Rig), changes + (rig < 0 || rig == way.Rig ? 0 : 1));
                }
            }

            states = next;
        }

        return states.GroupBy(s => s.Key.Undone).Select(g => (g.Key, g.Min(s => s.Value)));
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void No_bag_is_better_than_the_front_and_none_of_it_is_missing(int seed)
    {
        var random = new Random(seed);
        var problem = Made(random);
        for (var i = 0; i < 8; i++)
        {
            var one = Axes[random.Next(Axes.Length)];
            var other = Axes[(Array.IndexOf(Axes, one) + random.Next(1, Axes.Length)) % Axes.Length];
            HashSet<int> given = random.Next(3) == 0 ? [random.Next(Things)] : [];
            int? most = random.Next(3) == 0 ? 1 : null;
            var expected = BruteForce(problem, one, other, given, most);
            var found = Front(problem, one, other, given, most);
            Assert.Equal(expected, found.OrderBy(p => p.One));
        }
    }

    private static IEnumerable<(double One, double Other)> Front(FrontProblem problem, FrontCriterion one, FrontCriterion other, HashSet<int> given, int? mostBodies)
    {
        var search = FrontSteps.Of(problem, given, one, other, mostBodies);
        while (!search.Step(7))
        {
        }

        Assert.All(search.Found, f => Assert.True(f.LowerBound >= f.Choice.Cost[(int)search.Minimised] - 1e-6));
        return search.Found.Select(f => (f.Choice.Cost[(int)one], f.Choice.Cost[(int)other]));
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Where_the_search_is_ended_no_bag_of_the_front_is_worse_than_another_by_both(int seed)
    {
        var random = new Random(seed);
        var problem = Made(random);
        foreach (var (one, other) in new[] { (FrontCriterion.Changes, FrontCriterion.Things), (FrontCriterion.Things, FrontCriterion.Weight), (FrontCriterion.Hire, FrontCriterion.Weight) })
        {
            var search = FrontSteps.Of(problem, new HashSet<int>(), one, other, null, mostNodes: 4);
            while (!search.Step(3))
            {
            }

            var points = search.Found.Select(f => (One: f.Choice.Cost[(int)search.Limited], Other: f.Choice.Cost[(int)search.Minimised])).ToArray();
            Assert.All(points.Zip(points.Skip(1)), p => Assert.True(p.Second.One < p.First.One && p.Second.Other > p.First.Other));
            Assert.All(search.Found, f => Assert.True(f.LowerBound <= f.Choice.Cost[(int)search.Minimised] + 1e-9));
        }
    }

    [Fact]
    public void Where_the_search_is_ended_the_bound_is_below_what_is_best()
    {
        var random = new Random(5);
        for (var i = 0; i < 40; i++)
        {
            var problem = Made(random);
            var reduced = problem.Reduced(new HashSet<int>(), Enum.GetValues<FrontCriterion>(), byRig: false);
            double[] limits = [.. Enumerable.Repeat(double.PositiveInfinity, FrontProblem.Criteria)];
            limits[(int)FrontCriterion.Undone] = 0;
            FrontSolver Solver(int nodes) => new(reduced, [FrontCriterion.Weight], limits, new FrontBound?[FrontProblem.Criteria], new HashSet<int>(), nodes);
            var (whole, cut) = (Solver(1_000_000), Solver(2));
            while (!whole.Step(100))
            {
            }

            while (!cut.Step(100))
            {
            }

            Assert.True(whole.IsProven);
            Assert.True(cut.LowerBound <= whole.Best!.Cost[(int)FrontCriterion.Weight] + 1e-6);
            Assert.True(cut.Best is null || cut.Best.Cost[(int)FrontCriterion.Weight] >= whole.Best.Cost[(int)FrontCriterion.Weight] - 1e-6);
        }
    }
}

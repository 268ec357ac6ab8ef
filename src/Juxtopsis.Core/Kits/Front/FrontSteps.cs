namespace Juxtopsis.Core.Kits.Front;

/// <summary>
/// Goes along the front of two criteria: the bag with least of one of them, then that with least of it among those with less of the other, and so on until there is none.
/// </summary>
/// <remarks>The ε-constraint method; Ehrgott (2005), <i>Multicriteria Optimization</i>, chapter 4.</remarks>
internal sealed class FrontSteps
{
    /// <summary>The most points that are looked for.</summary>
    public const int MostPoints = 40;

    /// <summary>Branches for each point before it is told unproven.</summary>
    public const int MostNodes = 30_000;

    /// <summary>The same where changes of the rig are an axis: there each branch takes longer.</summary>
    public const int MostNodesOfChanges = 5_000;

    /// <summary>Where the point before took fewer branches than this, more bounds cost more than they save.</summary>
    private const int Easy = 300;

    /// <summary>How much more than the least that there can be a bag is first looked for with.</summary>
    private static readonly double[] Rungs = [1.06, 1.18, 1.42];

    private static readonly FrontCriterion[] Ties = [FrontCriterion.Undone, FrontCriterion.Things, FrontCriterion.Weight, FrontCriterion.Changes];

    private readonly FrontBound?[] bounds = new FrontBound?[FrontProblem.Criteria];
    private readonly double[] limits = new double[FrontProblem.Criteria];
    private readonly List<(FrontChoice Choice, double LowerBound)> found = [];
    private readonly IReadOnlySet<int> given;
    private readonly FrontCriterion[] order;
    private FrontSolver? solver;
    private FrontBlend? blend;
    private double least;
    private int rung;
    private int nodes;
    private int mostNodes = MostNodes;
    private bool isEasy;
    private bool undoneIsKnown;
    private bool isDone;

    private FrontSteps(FrontProblem problem, IReadOnlySet<int> given, FrontCriterion limited, FrontCriterion minimised, int? mostBodies)
    {
        (Problem, this.given, Limited, Minimised) = (problem, given, limited, minimised);
        order = [minimised, limited, .. Ties.Where(t => t != minimised && t != limited)];
        Array.Fill(limits, double.PositiveInfinity);
        limits[(int)FrontCriterion.Bodies] = mostBodies ?? double.PositiveInfinity;
        var isAxis = limited == FrontCriterion.Undone || minimised == FrontCriterion.Undone;
        undoneIsKnown = isAxis || mostBodies is null;
        limits[(int)FrontCriterion.Undone] = isAxis || mostBodies is not null ? problem.Shots.Length : 0;
    }

    /// <summary>The problem, reduced.</summary>
    public FrontProblem Problem { get; }

    /// <summary>The criterion that is limited step by step: the one of fewer steps.</summary>
    public FrontCriterion Limited { get; }

    /// <summary>The criterion of which each point has the least.</summary>
    public FrontCriterion Minimised { get; }

    /// <summary>The points so far, the one with most of what is limited first; of each the least that is possible of the other.</summary>
    public IReadOnlyList<(FrontChoice Choice, double LowerBound)> Found => found;

    /// <summary>True when the front goes on beyond the last point.</summary>
    public bool IsCut { get; private set; } = true;

    /// <summary>Begins.</summary>
    /// <param name="problem">The problem, as it was made.</param>
    /// <param name="given">Things that every bag has.</param>
    /// <param name="one">One axis.</param>
    /// <param name="other">The other.</param>
    /// <param name="mostBodies">The most bodies; null for any number. With a limit, as few shots as can be are left undone.</param>
    /// <param name="mostNodes">Branches for each point before it is told unproven; as many as is usual when left out.</param>
    /// <returns>The steps.</returns>
    public static FrontSteps Of(FrontProblem problem, IReadOnlySet<int> given, FrontCriterion one, FrontCriterion other, int? mostBodies, int? mostNodes = null)
    {
        var (limited, minimised) = Rank(one) <= Rank(other) ? (one, other) : (other, one);
        FrontCriterion[] counting = [limited, minimised, .. Ties, .. mostBodies is null ? Array.Empty<FrontCriterion>() : [FrontCriterion.Bodies]];
        return new(problem.Reduced(given, counting, limited == FrontCriterion.Changes || minimised == FrontCriterion.Changes), given, limited, minimised, mostBodies)
        {
            mostNodes = mostNodes ?? (limited == FrontCriterion.Changes || minimised == FrontCriterion.Changes ? MostNodesOfChanges : MostNodes),
        };
    }

    /// <summary>Looks at some more branches.</summary>
    /// <param name="branches">How many at most.</param>
    /// <returns>True when all is done.</returns>
    public bool Step(int branches)
    {
        if (isDone)
        {
            return true;
        }

        solver ??= undoneIsKnown ? Next() : Solver([FrontCriterion.Undone], limits);
        if (!solver.Step(branches))
        {
            return false;
        }

        var best = solver.Best;
        var bound = solver.LowerBound;
        var isProven = solver.IsProven;
        nodes += solver.Nodes;
        solver = null;
        if (!undoneIsKnown)
        {
            (undoneIsKnown, limits[(int)FrontCriterion.Undone]) = (true, best?.Cost[(int)FrontCriterion.Undone] ?? Problem.Shots.Length);
            return false;
        }

        if (best is null && rung < Rungs.Length)
        {
            rung = isProven ? rung + 1 : Rungs.Length;
            return false;
        }

        rung = 0;
        if (best is not null)
        {
            // Where a point before was not proven, this one may be better by both.
            found.RemoveAll(f => best.Cost[(int)Minimised] <= f.Choice.Cost[(int)Minimised] + 1e-9);
            found.Add((best, bound));
            (least, blend, isEasy, nodes) = (bound, null, nodes < Easy, 0);
            limits[(int)Limited] = best.Cost[(int)Limited] - (Limited is FrontCriterion.Weight or FrontCriterion.Price or FrontCriterion.Hire ? FrontProblem.Least : 1);
        }

        (isDone, IsCut) = best is null ? (true, !isProven) : limits[(int)Limited] < 0 ? (true, false) : (found.Count == MostPoints, true);
        return isDone;
    }

    /// <summary>
    /// Looks for the next point: among bags with little more than the least there can be, then with more, and at last among all. That there is none with so little is proven soon; and where there
    /// is one, what a branch may cost is known from the start.
    /// </summary>
    private FrontSolver Next()
    {
        if (!FrontProblem.AddsUp(Minimised) || Limited == FrontCriterion.Changes || isEasy)
        {
            rung = Rungs.Length;
            return Solver(order, limits);
        }

        if (found.Count == 0 && rung == 0)
        {
            var whole = Solver(order, limits);
            whole.Step(1);
            least = Math.Max(0, whole.LowerBound);
        }

        if (found.Count > 0 && blend is null && FrontProblem.AddsUp(Limited))
        {
            // As much as each of what is limited took at the point before.
            var share = found[^1].Choice.Cost[(int)Minimised] / Math.Max(1, found[^1].Choice.Cost[(int)Limited]);
            blend = new(new(Problem, new(Minimised, Limited, share), given), Limited, share);
        }

        rung = least > 0 ? rung : Rungs.Length;
        var within = (double[])limits.Clone();
        within[(int)Minimised] = Math.Min(limits[(int)Minimised], rung < Rungs.Length ? least * Rungs[rung] : double.PositiveInfinity);
        return Solver(order, within);
    }

    private FrontSolver Solver(FrontCriterion[] by, double[] within) =>
        new(Problem, by, within, bounds, given, mostNodes, blend);

    private static int Rank(FrontCriterion criterion) => criterion switch
    {
        FrontCriterion.Undone => 0,
        FrontCriterion.Changes => 1,
        FrontCriterion.Weight => 4,
        FrontCriterion.Price or FrontCriterion.Hire => 3,
        _ => 2,
    };
}

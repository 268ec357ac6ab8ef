using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Kits.Front;

/// <summary>What bags are looked for.</summary>
/// <param name="One">One axis of the front.</param>
/// <param name="Other">The other.</param>
public sealed record FrontQuestion(FrontCriterion One, FrontCriterion Other)
{
    /// <summary>The most bodies, cameras that keep their lens among them; null for any number.</summary>
    public int? MostBodies { get; init; }

    /// <summary>Things that every bag has, by identity.</summary>
    public IReadOnlyList<Guid> Given { get; init; } = [];
}

/// <summary>A bag on the front.</summary>
/// <param name="Items">Its bodies, lenses, adapters and supports.</param>
/// <param name="Shots">How it does each shot that it does.</param>
/// <param name="Undone">Indexes of the shots that it does not.</param>
/// <param name="Changes">How often the rig changes.</param>
/// <param name="WeightG">Weight, g.</param>
/// <param name="Price">To buy what is not hired.</param>
/// <param name="HirePerDay">Hire a day.</param>
/// <param name="Value">Where it lies on one axis.</param>
/// <param name="OtherValue">Where it lies on the other.</param>
/// <param name="AtLeast">No bag with as much of the one has less of the other than this; the same as <paramref name="OtherValue"/> where that is proven.</param>
public sealed record FrontPoint(
    IReadOnlyList<GearItem> Items, IReadOnlyList<KitShot> Shots, IReadOnlyList<int> Undone, int Changes, PartialSum WeightG, PartialSum Price, PartialSum HirePerDay, double Value, double OtherValue,
    double AtLeast)
{
    /// <summary>True when it is proven that no bag is better on both axes.</summary>
    public bool IsProven => AtLeast >= OtherValue - 1e-6;
}

/// <summary>The front of the best compromises.</summary>
/// <param name="Points">The bags, by what they have of the one criterion, the most first.</param>
/// <param name="Impossible">Indexes of the shots that no bag of this gear does.</param>
/// <param name="IsCut">True when the front goes on beyond the last point that was looked for.</param>
public sealed record FrontResult(IReadOnlyList<FrontPoint> Points, IReadOnlyList<int> Impossible, bool IsCut);

/// <summary>
/// Asks for the bags of which none is better by one criterion without being worse by another: the front of the best compromises, exactly. Bodies, lenses,
/// adapters and supports count; filters and batteries follow from what is chosen.
/// </summary>
public sealed class FrontSearch
{
    private readonly IReadOnlyList<AskedShot> asked;
    private readonly int[] possible;
    private readonly List<GearItem> items = [];
    private readonly Dictionary<Guid, int> numbers = [];
    private readonly Dictionary<FitRig, (int Number, int[] Parts)> rigs = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<FrontWay, FitSearch.Found> foundOf = new(ReferenceEqualityComparer.Instance);
    private readonly FrontSteps steps;

    private FrontSearch(IReadOnlyList<AskedShot> asked, IReadOnlyList<CameraSupport> carried, IReadOnlyList<GearItem> supports, IReadOnlyList<GearItem> givenItems, FrontQuestion question)
    {
        this.asked = asked;
        possible = [.. Enumerable.Range(0, asked.Count).Where(s => asked[s].Ways.Count > 0)];
        HashSet<int> given = [.. givenItems.Where(i => IsCounted(i.Kind)).Select(Number)];
        FrontWay[][] shots = [.. possible.Select(s => WaysOf(asked[s].Ways, carried[s], supports).ToArray())];
        steps = FrontSteps.Of(new([.. items.Select(CostsOf)], shots), given, question.One, question.Other, question.MostBodies);
    }

    /// <summary>Begins with shots that were asked.</summary>
    /// <param name="ways">For each shot, in shooting order, the rigs that give it, each once, in its best mode.</param>
    /// <param name="carried">For each shot how the camera is carried.</param>
    /// <param name="shelf">The gear: its supports, and what is given.</param>
    /// <param name="question">What is looked for.</param>
    /// <returns>A search.</returns>
    public static FrontSearch Of(IReadOnlyList<AskedShot> ways, IReadOnlyList<CameraSupport> carried, FittingShelf shelf, FrontQuestion question)
    {
        ArgumentNullException.ThrowIfNull(ways);
        ArgumentNullException.ThrowIfNull(carried);
        ArgumentNullException.ThrowIfNull(shelf);
        ArgumentNullException.ThrowIfNull(question);
        return new(ways, carried, [.. shelf.Supports], [.. shelf.Gear.Where(i => question.Given.Contains(i.Id))], question);
    }

    /// <summary>The axis by which points are told: the one of fewer steps.</summary>
    public FrontCriterion Limited => steps.Limited;

    /// <summary>The axis of which each point has the least.</summary>
    public FrontCriterion Minimised => steps.Minimised;

    /// <summary>How many points were found.</summary>
    public int Found => steps.Found.Count;

    /// <summary>Looks at some more branches.</summary>
    /// <param name="branches">How many at most.</param>
    /// <returns>True when all is done.</returns>
    public bool Step(int branches) => steps.Step(branches);

    /// <summary>Does what is left, and answers.</summary>
    /// <returns>The front.</returns>
    public FrontResult Finish()
    {
        while (!Step(int.MaxValue))
        {
        }

        return SoFar();
    }

    /// <summary>What is known so far.</summary>
    /// <returns>The front, perhaps not all of it.</returns>
    public FrontResult SoFar() => new([.. steps.Found.Select(f => PointOf(f.Choice, f.LowerBound))], [.. Enumerable.Range(0, asked.Count).Except(possible)], steps.IsCut);

    private static bool IsCounted(GearKind kind) => kind is GearKind.Body or GearKind.FixedLensCamera or GearKind.Lens or GearKind.Adapter or GearKind.Support or GearKind.CloseUpLens;

    private static double[] CostsOf(GearItem item)
    {
        var costs = new double[FrontProblem.Criteria];
        costs[(int)FrontCriterion.Things] = 1;
        costs[(int)(item.Kind switch
        {
            GearKind.Lens => FrontCriterion.Lenses,
            GearKind.Body or GearKind.FixedLensCamera => FrontCriterion.Bodies,
            GearKind.Support => FrontCriterion.Supports,
            _ => FrontCriterion.Adapters,
        })] = 1;
        var isHired = item.Get(CommonFields.Ownership) == Ownership.Hire;
        costs[(int)FrontCriterion.Weight] = Exact(item.WeightG);
        costs[(int)FrontCriterion.Price] = isHired ? 0 : Exact(item.Get(CommonFields.Price));
        costs[(int)FrontCriterion.Hire] = isHired ? Exact(item.Get(CommonFields.Hire)) : 0;
        return costs;
    }

    private static double Exact(double? value) => Math.Round((value ?? FrontProblem.Unknown) / FrontProblem.Least) * FrontProblem.Least;

    /// <summary>What carries a rig as a shot asks; null where hands, a clamp or a shoulder do, or nothing of the shelf does.</summary>
    private static IReadOnlyList<GearItem?> Carriers(CameraSupport by, FitRig rig, IReadOnlyList<GearItem> supports)
    {
        if (CameraSupports.Asks(by) is not { } type)
        {
            return [null];
        }

        GearItem[] able = [.. supports.Where(s => s.Get(SupportFields.Type) == type && SupportLimits.Of(s) is var limits && limits.TooHeavyG(rig.WeightG) == 0 && limits.TooLongMm(rig.FrontMm + rig.BackMm) == 0)];
        return able.Length == 0 ? [null] : [.. able];
    }

    /// <summary>The ways to do a shot: each rig on each support that carries it.</summary>
    private IEnumerable<FrontWay> WaysOf(IReadOnlyList<FitSearch.Found> ways, CameraSupport by, IReadOnlyList<GearItem> supports)
    {
        foreach (var found in ways)
        {
            if (!rigs.TryGetValue(found.Rig, out var rig))
            {
                rigs[found.Rig] = rig = (rigs.Count, [.. found.Rig.Parts.Select(Number)]);
            }

            foreach (var carrier in Carriers(by, found.Rig, supports))
            {
                var way = new FrontWay([.. (carrier is null ? rig.Parts : [.. rig.Parts, Number(carrier)]).Order()], rig.Number);
                foundOf.Add(way, found);
                yield return way;
            }
        }
    }

    private int Number(GearItem item)
    {
        if (!numbers.TryGetValue(item.Id, out var number))
        {
            numbers.Add(item.Id, number = items.Count);
            items.Add(item);
        }

        return number;
    }

    private FrontPoint PointOf(FrontChoice choice, double lowerBound)
    {
        GearItem[] taken = [.. choice.Items.Select(i => items[i])];
        KitShot Done(int shot)
        {
            var way = steps.Problem.Shots[shot][choice.Uses[shot]];
            var found = foundOf[way];
            return new(possible[shot], found.Rig, found.Mode, found.Burden.Enlargement <= 1) { Support = way.Items.Select(i => items[i]).FirstOrDefault(i => i.Kind == GearKind.Support) };
        }

        KitShot[] shots = [.. Enumerable.Range(0, choice.Uses.Length).Where(i => choice.Uses[i] >= 0).Select(Done)];
        static bool IsHired(GearItem item) => item.Get(CommonFields.Ownership) == Ownership.Hire;
        return new(
            taken, shots, [.. Enumerable.Range(0, asked.Count).Except(shots.Select(s => s.Shot))], (int)choice.Cost[(int)FrontCriterion.Changes],
            PartialSum.Of(taken, CommonFields.Weight), PartialSum.Of(taken.Where(i => !IsHired(i)), CommonFields.Price), PartialSum.Of(taken.Where(IsHired), CommonFields.Hire),
            choice.Cost[(int)steps.Limited], choice.Cost[(int)steps.Minimised], lowerBound);
    }
}

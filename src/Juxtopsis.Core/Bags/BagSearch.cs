using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Kits;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Bags;

/// <summary>What a bag does in a day.</summary>
/// <param name="Shots">How it does each shot that it does, with the fewest changes of the rig.</param>
/// <param name="Undone">Indexes of the shots that it does not.</param>
/// <param name="Changes">How often the rig changes from one of its shots to the next.</param>
/// <param name="Alone">For each thing of a rig, by identity, the shots that could not be done without it.</param>
/// <param name="Carried">The rigs on what carries them.</param>
/// <param name="Supplies">Power and storage.</param>
/// <param name="IsProven">False when it is not proven that no fewer changes do.</param>
public sealed record BagDay(
    IReadOnlyList<KitShot> Shots, IReadOnlyList<int> Undone, int Changes, IReadOnlyDictionary<Guid, IReadOnlyList<int>> Alone, IReadOnlyList<CarriedRig> Carried, DaySupplies Supplies, bool IsProven)
{
    /// <summary>How often a gimbal must be balanced anew.</summary>
    public int Rebalances => Carried.Count(c => c.Rebalances);
}

/// <summary>Asks what a bag does in a day, a few rigs at a time.</summary>
public sealed class BagSearch
{
    private readonly Bag bag;
    private readonly FittingShelf rigs;
    private readonly IReadOnlyList<DayShot> shots;
    private readonly IReadOnlyList<Guid?> supports;
    private readonly DaySearch search;

    /// <summary>Begins.</summary>
    /// <param name="bag">The bag.</param>
    /// <param name="rigs">The rigs that can be made of it.</param>
    /// <param name="shots">The shots that it is for, in shooting order.</param>
    /// <param name="supports">For each, the support that it names, by identity; null for none.</param>
    /// <param name="conventions">What figures go by.</param>
    /// <param name="rules">What a proposal must keep.</param>
    public BagSearch(Bag bag, FittingShelf rigs, IReadOnlyList<DayShot> shots, IReadOnlyList<Guid?> supports, Conventions conventions, FitRules rules)
    {
        (this.bag, this.rigs, this.shots, this.supports) = (bag, rigs, shots, supports);
        search = new(rigs, shots, conventions, [KitCriterion.Changes, KitCriterion.Pixels], rules, alternatives: false);
    }

    /// <summary>How much is done, 0 to 1.</summary>
    public double Done => search.Done;

    /// <summary>Asks some more rigs.</summary>
    /// <param name="count">How many at most.</param>
    /// <returns>True when all is done.</returns>
    public bool Step(int count) => search.Step(count);

    /// <summary>Does what is left, and answers.</summary>
    /// <returns>What the bag does.</returns>
    public BagDay Finish()
    {
        var result = search.Finish();
        var kit = result.Kits.Count > 0 ? result.Kits[0] : null;
        IReadOnlyList<KitShot> done = kit?.Shots ?? [];
        var carried = BagCarry.Of(bag, rigs.Mounts, [.. done.Select(s => (s.Shot, shots[s.Shot].Brief.CameraSupport, supports[s.Shot], s.Rig, s.Mode))]);
        var used = done.ToLookup(s => s.Rig.Body.Id, s => s.Mode.Item);
        return new(done, kit?.Undone ?? [.. Enumerable.Range(0, shots.Count)], kit?.Changes ?? 0, kit?.Alone ?? new Dictionary<Guid, IReadOnlyList<int>>(), carried, DaySupplies.Of(bag, used), result.IsProven);
    }
}

using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits.Front;

namespace Juxtopsis.Contracts.Bags;

/// <summary>Asks for the bags of which none is better by one criterion without being worse by another.</summary>
public sealed record FrontRequest
{
    /// <summary>The places.</summary>
    public required IReadOnlyList<LocationInput> Locations { get; init; }

    /// <summary>The shots, in shooting order, up to 64.</summary>
    public required IReadOnlyList<ShotInput> Shots { get; init; }

    /// <summary>What is delivered.</summary>
    public DeliveryInput Delivery { get; set; } = new();

    /// <summary>One axis of the front.</summary>
    public FrontCriterion One { get; set; } = FrontCriterion.Lenses;

    /// <summary>The other; not the same.</summary>
    public FrontCriterion Other { get; set; } = FrontCriterion.Weight;

    /// <summary>The gear to choose from, by identity; left out for the whole shelf.</summary>
    public IReadOnlyList<Guid>? Bag { get; set; }

    /// <summary>Gear of that which is left out all the same, by identity.</summary>
    public IReadOnlyList<Guid> LeftOut { get; set; } = [];

    /// <summary>Things that every bag has, by identity.</summary>
    public IReadOnlyList<Guid> Given { get; set; } = [];

    /// <summary>What the day is like, for batteries.</summary>
    public DayPlanInput Plan { get; set; } = new();

    /// <summary>The most bodies, cameras that keep their lens among them, 1 to 99; left out for any number.</summary>
    public int? MostBodies { get; set; }
}

/// <summary>The front.</summary>
/// <param name="One">What points are told by, the one that has fewer steps.</param>
/// <param name="Other">The other.</param>
/// <param name="Points">The bags, the one with most of the one first.</param>
/// <param name="Impossible">Identities of the shots that no bag of this gear does.</param>
/// <param name="Unfiltered">Identities of the shots that need a filter with each rig, where no filter of this gear serves any: they are reckoned without.</param>
/// <param name="IsCut">True when the front goes on beyond the last point.</param>
public sealed record FrontResponse(FrontCriterion One, FrontCriterion Other, IReadOnlyList<FrontPointOutput> Points, IReadOnlyList<Guid> Impossible, IReadOnlyList<Guid> Unfiltered, bool IsCut);

/// <summary>A bag on the front.</summary>
/// <param name="Bodies">Bodies, and cameras that keep their lens.</param>
/// <param name="Lenses">Lenses.</param>
/// <param name="Adapters">What joins them.</param>
/// <param name="Supports">What carries them.</param>
/// <param name="Filters">Filters that take light, and rings.</param>
/// <param name="Batteries">Batteries for the day, those among them that are given.</param>
/// <param name="DrawsUnknown">Of how many of the cameras it is not known what they draw: these are taken to draw as much as the hungriest of which it is.</param>
/// <param name="Shots">How it does each shot.</param>
/// <param name="Undone">Identities of the shots that it does not do.</param>
/// <param name="Changes">How often the rig changes.</param>
/// <param name="WeightG">Weight of all of it, g.</param>
/// <param name="Price">To buy what of it is not hired.</param>
/// <param name="HirePerDay">Hire a day.</param>
/// <param name="Value">Where it lies on the one axis.</param>
/// <param name="OtherValue">Where it lies on the other.</param>
/// <param name="OtherAtLeast">No bag with as much of the one has less of the other than this.</param>
/// <param name="IsProven">True when that is as much as it has.</param>
public sealed record FrontPointOutput(
    IReadOnlyList<KitItemOutput> Bodies, IReadOnlyList<KitItemOutput> Lenses, IReadOnlyList<KitItemOutput> Adapters, IReadOnlyList<KitItemOutput> Supports,
    IReadOnlyList<KitItemOutput> Filters, IReadOnlyList<SupplyOutput> Batteries, int DrawsUnknown, IReadOnlyList<KitShotOutput> Shots, IReadOnlyList<Guid> Undone, int Changes, PartialSum WeightG, PartialSum Price, PartialSum HirePerDay, double Value, double OtherValue,
    double OtherAtLeast, bool IsProven);

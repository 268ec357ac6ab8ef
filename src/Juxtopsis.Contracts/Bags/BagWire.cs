using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Contracts.Bags;

/// <summary>How many units of a model can be used.</summary>
public sealed record UsableInput
{
    /// <summary>Identity of the model.</summary>
    public required Guid Id { get; init; }

    /// <summary>How many, 0 or more.</summary>
    public required int Count { get; init; }
}

/// <summary>Asks what bags weigh, cost and reach.</summary>
public sealed record BagsRequest
{
    /// <summary>The bags, up to 40.</summary>
    public required IReadOnlyList<BagInput> Bags { get; init; }

    /// <summary>What is delivered.</summary>
    public DeliveryInput Delivery { get; set; } = new();

    /// <summary>How many units of models can be used; of models that are left out as many as are wanted.</summary>
    public IReadOnlyList<UsableInput> Usable { get; set; } = [];

    /// <summary>The currency, for sentences.</summary>
    public string Currency { get; set; } = "€";

    /// <summary>Margin on top of what things cost, per cent.</summary>
    public double MarginPercent { get; set; }

    /// <summary>Tax on top of both, per cent.</summary>
    public double TaxPercent { get; set; }
}

/// <summary>What bags weigh, cost and reach.</summary>
/// <param name="Bags">One for each.</param>
public sealed record BagsResponse(IReadOnlyList<BagOutput> Bags);

/// <summary>What a bag weighs, costs and reaches.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="Days">For how many days hire is reckoned; 1 while its days are not known.</param>
/// <param name="Totals">Its sums.</param>
/// <param name="Gone">Identities of its things that are not on the shelf.</param>
/// <param name="Findings">What is wrong with it, or to be known, the weightiest first.</param>
/// <param name="Reach">What it reaches, camera by camera and mode by mode.</param>
public sealed record BagOutput(Guid Id, int Days, BagTotalsOutput Totals, IReadOnlyList<Guid> Gone, IReadOnlyList<DiagnosticOutput> Findings, IReadOnlyList<ReachRowOutput> Reach);

/// <summary>Sums of a bag, each with how much of it is not known.</summary>
/// <param name="Things">How many things.</param>
/// <param name="WeightG">Weight, g.</param>
/// <param name="Purchase">To buy what is not hired, as noted.</param>
/// <param name="HirePerDay">Hire a day, as noted.</param>
/// <param name="Hire">Hire for its days, as noted.</param>
/// <param name="Insured">Insured for.</param>
/// <param name="ToPay">Still to be paid, with margin and tax.</param>
/// <param name="PurchaseAll">To buy, with margin and tax.</param>
/// <param name="HireAll">Hire for its days, with margin and tax.</param>
/// <param name="BatteriesWh">What all batteries hold, Wh.</param>
/// <param name="StorageGb">What cards and discs hold, GB.</param>
/// <param name="Litres">What the boxes around its things fill, litres.</param>
public sealed record BagTotalsOutput(
    int Things, PartialSum WeightG, PartialSum Purchase, PartialSum HirePerDay, PartialSum Hire, PartialSum Insured, PartialSum ToPay, PartialSum PurchaseAll, PartialSum HireAll, PartialSum BatteriesWh,
    PartialSum StorageGb, PartialSum Litres);

/// <summary>What a bag reaches with a camera in a mode.</summary>
/// <param name="Body">Identity of the camera.</param>
/// <param name="BodyName">Its name.</param>
/// <param name="Mode">Name of the mode.</param>
/// <param name="Spans">Its rigs, the widest first.</param>
/// <param name="Holes">Equivalents that nothing gives, between two that something does.</param>
/// <param name="Doubles">Equivalents that two lenses give.</param>
public sealed record ReachRowOutput(Guid Body, string BodyName, string Mode, IReadOnlyList<ReachSpanOutput> Spans, IReadOnlyList<ReachHoleOutput> Holes, IReadOnlyList<ReachDoubleOutput> Doubles);

/// <summary>A span of equivalent focal lengths for the delivered picture.</summary>
/// <param name="FromMm">The shorter end, mm.</param>
/// <param name="ToMm">The longer end, mm; the same for a prime.</param>
public sealed record FocalSpanOutput(double FromMm, double ToMm);

/// <summary>What one rig reaches.</summary>
/// <param name="Lens">Identity of the lens; that of the camera when it keeps its own.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Through">What joins it to the camera; empty when it goes straight on.</param>
/// <param name="FromMm">Equivalent of the short end, mm.</param>
/// <param name="ToMm">Equivalent of the long end, mm.</param>
/// <param name="FastestAtFrom">Widest aperture at the short end, as light.</param>
/// <param name="FastestAtTo">Widest aperture at the long end, as light.</param>
/// <param name="SmallestFieldMm">Width of the smallest field that it frames, mm; null when not known.</param>
/// <param name="Covers">False where corners stay dark.</param>
/// <param name="Only">What of it no other lens of the bag reaches.</param>
public sealed record ReachSpanOutput(
    Guid Lens, string Name, string Through, double FromMm, double ToMm, double FastestAtFrom, double FastestAtTo, double? SmallestFieldMm, bool Covers, IReadOnlyList<FocalSpanOutput> Only);

/// <summary>Equivalents that two lenses give.</summary>
/// <param name="FromMm">The shorter end, mm.</param>
/// <param name="ToMm">The longer end, mm.</param>
/// <param name="One">Identity of one.</param>
/// <param name="Other">Identity of the other.</param>
public sealed record ReachDoubleOutput(double FromMm, double ToMm, Guid One, Guid Other);

/// <summary>A hole.</summary>
/// <param name="FromMm">Where it begins, mm.</param>
/// <param name="ToMm">Where it ends, mm.</param>
/// <param name="Fills">What of the shelf fills it, the best first.</param>
public sealed record ReachHoleOutput(double FromMm, double ToMm, IReadOnlyList<ReachFillOutput> Fills);

/// <summary>A rig of the shelf that fills a hole.</summary>
/// <param name="Rig">The rig.</param>
/// <param name="FromMm">Equivalent of its short end, mm.</param>
/// <param name="ToMm">Equivalent of its long end, mm.</param>
/// <param name="Added">Identities of what of it is not in the bag.</param>
public sealed record ReachFillOutput(RigOutput Rig, double FromMm, double ToMm, IReadOnlyList<Guid> Added);

/// <summary>Asks what a bag does in a day.</summary>
public sealed record BagDayRequest
{
    /// <summary>The bag.</summary>
    public required BagInput Bag { get; init; }

    /// <summary>The places.</summary>
    public required IReadOnlyList<LocationInput> Locations { get; init; }

    /// <summary>The shots, in shooting order, up to 64; of a bag for a unit only that unit's are asked.</summary>
    public required IReadOnlyList<ShotInput> Shots { get; init; }

    /// <summary>What is delivered.</summary>
    public DeliveryInput Delivery { get; set; } = new();
}

/// <summary>What a bag does in a day.</summary>
/// <param name="Bag">Its identity.</param>
/// <param name="Shots">How it does each shot, in shooting order.</param>
/// <param name="Undone">The shots that it does not do, and why.</param>
/// <param name="Changes">How often the rig changes.</param>
/// <param name="Rebalances">How often a gimbal must be balanced anew.</param>
/// <param name="Alone">For each thing that is in a rig, the shots that could not be done without it.</param>
/// <param name="Supplies">Power and storage.</param>
/// <param name="Findings">What speaks against carrying, power and storage, the weightiest first.</param>
/// <param name="IsProven">False when it is not proven that no fewer changes do.</param>
public sealed record BagDayResponse(
    Guid Bag, IReadOnlyList<BagShotOutput> Shots, IReadOnlyList<UndoneOutput> Undone, int Changes, int Rebalances, IReadOnlyList<AloneOutput> Alone, SuppliesOutput Supplies,
    IReadOnlyList<DiagnosticOutput> Findings, bool IsProven);

/// <summary>How a bag does a shot.</summary>
/// <param name="Shot">Identity of the shot.</param>
/// <param name="Rig">The rig.</param>
/// <param name="Fills">True when enough pixels are recorded.</param>
/// <param name="Support">What carries it, by identity; null for nothing of the bag.</param>
/// <param name="WeightG">Weight of the whole rig, g.</param>
/// <param name="WeightsUnknown">Of how many parts the weight is not known.</param>
/// <param name="LengthMm">Length of the rig, mm; null when not known.</param>
/// <param name="CentreOfGravityMm">Where it balances, from the sensor mark towards the subject, mm; null when not known.</param>
/// <param name="Rebalances">True when the gimbal must be balanced anew for it.</param>
/// <param name="Findings">What speaks against carrying it so.</param>
/// <param name="Close">What it is closest to running out of; null where all is sure.</param>
public sealed record BagShotOutput(
    Guid Shot, RigOutput Rig, bool Fills, Guid? Support, double WeightG, int WeightsUnknown, double? LengthMm, double? CentreOfGravityMm, bool Rebalances, IReadOnlyList<DiagnosticOutput> Findings, SpareOutput? Close);

/// <summary>A shot that a bag does not do.</summary>
/// <param name="Shot">Identity of the shot.</param>
/// <param name="Why">What is in the way of the nearest rig.</param>
public sealed record UndoneOutput(Guid Shot, string Why);

/// <summary>What a thing adds.</summary>
/// <param name="Item">Identity of the thing.</param>
/// <param name="Shots">Identities of the shots that could not be done without it.</param>
public sealed record AloneOutput(Guid Item, IReadOnlyList<Guid> Shots);

/// <summary>What a camera takes in a day.</summary>
/// <param name="Body">Identity of the camera.</param>
/// <param name="Name">Its name.</param>
/// <param name="Count">How many of it.</param>
/// <param name="Minutes">Minutes that these record.</param>
/// <param name="EnergyWh">What these draw, Wh; null when not known.</param>
/// <param name="Mode">The mode that it is reckoned in; empty for none.</param>
/// <param name="StorageGb">What these write, GB; null when not known.</param>
public sealed record CameraDayOutput(Guid Body, string Name, int Count, double Minutes, double? EnergyWh, string Mode, double? StorageGb);

/// <summary>Power and storage for a day.</summary>
/// <param name="Cameras">What each camera takes.</param>
/// <param name="NeededWh">What all draw, Wh.</param>
/// <param name="CarriedWh">What the batteries of the bag give, Wh.</param>
/// <param name="Batteries">How many batteries are in the bag.</param>
/// <param name="BatteriesNeeded">How many of them, the largest first, last for the day; null when all do not.</param>
/// <param name="ToRechargeWh">What must be charged again during the day, Wh.</param>
/// <param name="RecordedGb">What all write, GB.</param>
/// <param name="WithCopiesGb">The same with all copies, GB.</param>
/// <param name="StorageGb">What cards and discs hold, GB.</param>
/// <param name="MinutesOfStorage">Minutes that these hold, without copies; null when not known.</param>
/// <param name="AddBatteries">The fewest of one battery of the shelf that give what is lacking; null when nothing is, or nothing helps.</param>
/// <param name="AddStorage">The fewest of one card or disc of the shelf that hold what is lacking; null likewise.</param>
public sealed record SuppliesOutput(
    IReadOnlyList<CameraDayOutput> Cameras, PartialSum NeededWh, double CarriedWh, int Batteries, int? BatteriesNeeded, double ToRechargeWh, PartialSum RecordedGb, PartialSum WithCopiesGb, double StorageGb,
    double? MinutesOfStorage, SupplyOutput? AddBatteries, SupplyOutput? AddStorage);

/// <summary>Some of one thing of the shelf.</summary>
/// <param name="Item">Its identity.</param>
/// <param name="Name">Its name.</param>
/// <param name="Count">How many.</param>
public sealed record SupplyOutput(Guid Item, string Name, int Count);

/// <summary>Bags in a file of their own.</summary>
public sealed record BagsFile
{
    /// <summary>What <see cref="Format"/> always is.</summary>
    public const string Known = "juxtopsis-bags";

    /// <summary>Always <see cref="Known"/>.</summary>
    public string Format { get; set; } = Known;

    /// <summary>The version of the layout: 1.</summary>
    public int Version { get; set; } = 1;

    /// <summary>The bags, up to 40.</summary>
    public required IReadOnlyList<BagInput> Bags { get; init; }
}

/// <summary>What was read of a file of bags.</summary>
/// <param name="Bags">The bags, each under an identity of its own; nothing of them is ticked off, and no physical unit is named.</param>
/// <param name="Problems">What was left out, and why.</param>
public sealed record BagsReadOutput(IReadOnlyList<BagInput> Bags, IReadOnlyList<string> Problems);

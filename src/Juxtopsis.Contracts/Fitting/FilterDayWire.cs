using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Contracts.Fitting;

/// <summary>The filters of the shelf for the shots of a day, with the rigs that are chosen for them.</summary>
/// <param name="Kits">Sets to choose from, the fewest first; empty where no shot needs a filter.</param>
/// <param name="NeedNone">Identities of the shots that are right without a filter.</param>
/// <param name="WithoutRig">Identities of the shots for which no rig is chosen, or none that gives the shot.</param>
/// <param name="Unlit">Identities of the shots at places of which the brightness is not known.</param>
/// <param name="Impossible">Identities of the shots that no filter of the shelf serves.</param>
/// <param name="IsProven">False when the search ended before it was proven that the first is the best.</param>
public sealed record FilterDayResponse(
    IReadOnlyList<FilterKitOutput> Kits, IReadOnlyList<Guid> NeedNone, IReadOnlyList<Guid> WithoutRig, IReadOnlyList<Guid> Unlit, IReadOnlyList<Guid> Impossible, bool IsProven);

/// <summary>Filters and rings that serve all shots that need some.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Filters">The filters, the one with the most shots first.</param>
/// <param name="Rings">The rings likewise.</param>
/// <param name="Shots">What each shot takes, in shooting order.</param>
/// <param name="Changes">How often something is changed from one of them to the next.</param>
/// <param name="WeightG">Weight of all, g.</param>
/// <param name="Purchase">What those cost to buy that are not hired.</param>
/// <param name="HirePerDay">What the hired ones cost a day.</param>
public sealed record FilterKitOutput(
    FilterKitKind Kind, IReadOnlyList<KitItemOutput> Filters, IReadOnlyList<KitItemOutput> Rings, IReadOnlyList<FilterShotOutput> Shots, int Changes, PartialSum WeightG, PartialSum Purchase,
    PartialSum HirePerDay);

/// <summary>What a shot takes of a set.</summary>
/// <param name="Shot">Identity of the shot.</param>
/// <param name="Added">Identities of filters and rings, in order from the lens on.</param>
/// <param name="Names">Their names.</param>
/// <param name="TakenStops">What they take there, stops.</param>
/// <param name="RaisedStops">How far the sensitivity is raised above its lowest for it, stops.</param>
/// <param name="Shades">True when they shade the corners, at the short end of a zoom at least.</param>
public sealed record FilterShotOutput(Guid Shot, IReadOnlyList<Guid> Added, IReadOnlyList<string> Names, double TakenStops, double RaisedStops, bool Shades);

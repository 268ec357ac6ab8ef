using System.Text.Json;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Contracts.Chains;

/// <summary>A rig as a chain of parts: what is known of each part when it was put in, so that the rig stands by itself.</summary>
public sealed record ChainInput
{
    /// <summary>The most parts that a chain may have.</summary>
    public const int MaxParts = 30;

    /// <summary>The parts, from the camera to the front; supports and other items after the camera. 1 to 30.</summary>
    public required IReadOnlyList<ChainPartInput> Parts { get; init; }

    /// <summary>The mounts that the parts name, as gear of kind <c>mount</c>.</summary>
    public IReadOnlyList<JsonElement> Mounts { get; set; } = [];

    /// <summary>Name of the camera's recording mode; empty for its first.</summary>
    public string Mode { get; set; } = "";
}

/// <summary>A part of a chain.</summary>
/// <param name="Item">What is known of it: gear as in /api/shelf/schema.json, with its id.</param>
/// <param name="Revision">Its revision on the shelf when it was put in, from 1.</param>
public sealed record ChainPartInput(JsonElement Item, int Revision);

/// <summary>Parts to be put together.</summary>
public sealed record AssembleRequest
{
    /// <summary>The parts and the mode.</summary>
    public required ChainInput Chain { get; init; }

    /// <summary>
    /// The rig as it is set, its own chain left aside: focal length, aperture, punch-in and frame rate are taken from it, and what no part decides
    /// stays as it is. Left out for one at the short end of its zoom, wide open.
    /// </summary>
    public RigInput? Rig { get; set; }

    /// <summary>Delivered width over height; left out for the mode's own shape.</summary>
    public double? DeliveryAspect { get; set; }

    /// <summary>Frames a second of the timeline, which are captured where the rig says nothing else; left out when nothing is to be said of it.</summary>
    public double? TimelineFps { get; set; }
}

/// <summary>What came of putting parts together.</summary>
/// <param name="Rig">The whole rig as it then is, without its chain; null when camera, mode or lens are missing.</param>
/// <param name="Works">True when nothing stops it.</param>
/// <param name="Findings">What was found, the weightiest first.</param>
/// <param name="Spans">The parts along the axis, for a drawing to scale; supports and other items are not among them.</param>
/// <param name="Totals">Weight, length and price.</param>
/// <param name="LikeFormat">The well-known format nearest in diagonal to what the lens sees through all glass behind it; empty without a rig.</param>
/// <param name="RateInstead">The frame rate to capture, where the mode lacks the one that is set; null where it does not.</param>
public sealed record AssembleResponse(
    RigInput? Rig, bool Works, IReadOnlyList<DiagnosticOutput> Findings, IReadOnlyList<SpanOutput> Spans, TotalsOutput Totals, double? RateInstead, string LikeFormat);

/// <summary>Where a part lies along the axis; the sensor is at 0, the subject on the positive side.</summary>
/// <param name="Part">Place of the part in the chain.</param>
/// <param name="FromMm">Its back, mm.</param>
/// <param name="ToMm">Its front, mm.</param>
/// <param name="DiameterMm">Its height or diameter, mm.</param>
/// <param name="Assumed">True when a size is not known and a usual one stands in.</param>
public sealed record SpanOutput(int Part, double FromMm, double ToMm, double DiameterMm, bool Assumed);

/// <summary>Sums over a chain.</summary>
/// <param name="WeightG">Weight of what is known, g.</param>
/// <param name="WeightUnknown">How many parts have a weight that is not known: they are not in the sum.</param>
/// <param name="LengthMm">From the back of the camera to the front, mm.</param>
/// <param name="LengthKnown">False when a length on the way is an estimate.</param>
/// <param name="Purchase">What the parts cost to buy that are not hired.</param>
/// <param name="HirePerDay">What the hired ones cost a day.</param>
/// <param name="Insured">What all are insured for.</param>
public sealed record TotalsOutput(double WeightG, int WeightUnknown, double LengthMm, bool LengthKnown, PartialSum Purchase, PartialSum HirePerDay, PartialSum Insured);

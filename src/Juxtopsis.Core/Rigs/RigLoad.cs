namespace Juxtopsis.Core.Rigs;

/// <summary>What a rig weighs, how long it is and what it costs. No optics goes by it.</summary>
/// <remarks>
/// A sum is of what is known of the parts; beside each stands of how many it is not known. A null is a sum of which nothing is known
/// at all, such as that of a rig of bare numbers.
/// </remarks>
public sealed record RigLoad
{
    /// <summary>A rig of which nothing of this is known.</summary>
    public static RigLoad Unknown { get; } = new();

    /// <summary>Weight of the parts, g.</summary>
    public double? WeightG { get; init; }

    /// <summary>How many parts have a weight that is not known; null for none.</summary>
    public double? WeightsUnknown { get; init; }

    /// <summary>From the back of the camera to the front, mm; null when a length on the way is not known.</summary>
    public double? LengthMm { get; init; }

    /// <summary>What the parts cost to buy that are not hired, in the crew's currency, without tax.</summary>
    public double? PurchasePrice { get; init; }

    /// <summary>How many of these prices are not known; null for none.</summary>
    public double? PricesUnknown { get; init; }

    /// <summary>What the hired parts cost a day, without tax.</summary>
    public double? HirePerDay { get; init; }

    /// <summary>How many of these hires are not known; null for none.</summary>
    public double? HiresUnknown { get; init; }

    /// <summary>What the parts are insured for.</summary>
    public double? InsuredValue { get; init; }

    /// <summary>How many of these values are not known; null for none.</summary>
    public double? ValuesUnknown { get; init; }
}

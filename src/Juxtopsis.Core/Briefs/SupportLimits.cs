using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Briefs;

/// <summary>What a support of the shelf carries.</summary>
/// <param name="Type">What it is.</param>
/// <param name="PayloadG">The most that it may carry, g; null when that is not known.</param>
/// <param name="LongestMm">The longest rig that it balances, mm; null when that is not known.</param>
public sealed record SupportLimits(SupportType? Type, double? PayloadG, double? LongestMm)
{
    /// <summary>The limits of a support.</summary>
    /// <param name="support">A thing of kind support.</param>
    /// <returns>Its limits.</returns>
    public static SupportLimits Of(GearItem support)
    {
        ArgumentNullException.ThrowIfNull(support);
        return new(support.Value(SupportFields.Type) as SupportType?, support.Get(SupportFields.Payload), support.Get(SupportFields.Longest));
    }

    /// <summary>By how much a rig is too heavy, g; 0 where it is not.</summary>
    /// <param name="weightG">Its weight as far as it is known, g.</param>
    /// <returns>Grams.</returns>
    public double TooHeavyG(double weightG) => Math.Max(0, weightG - PayloadG ?? 0);

    /// <summary>By how much a rig is too long, mm; 0 where it is not.</summary>
    /// <param name="lengthMm">Its length, mm.</param>
    /// <returns>Millimetres.</returns>
    public double TooLongMm(double lengthMm) => Math.Max(0, lengthMm - LongestMm ?? 0);
}

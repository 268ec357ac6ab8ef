using Juxtopsis.Core.Margins;

namespace Juxtopsis.Contracts.Margins;

/// <summary>What one uncertainty makes of a figure.</summary>
/// <param name="Source">What it comes from.</param>
/// <param name="Item">The thing that it is of; empty where it is of none.</param>
/// <param name="Given">The ± of what is put in: a share, or mm for tape and room.</param>
/// <param name="IsMeasured">True when a test or a tape gave it.</param>
/// <param name="PlusMinus">The ± of the figure that follows from it alone, in the figure's unit; null where it cannot be bounded.</param>
public sealed record MarginPartOutput(MarginSource Source, string Item, double Given, bool IsMeasured, double? PlusMinus);

/// <summary>From the core's margins to the wire's.</summary>
internal static class MarginMapping
{
    public static MarginPartOutput ToWire(MarginPart part) => new(part.Source, part.Item, part.Given, part.IsMeasured, double.IsFinite(part.PlusMinus) ? part.PlusMinus : null);
}

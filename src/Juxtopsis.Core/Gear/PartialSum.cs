namespace Juxtopsis.Core.Gear;

/// <summary>A sum of what is known, and of how much it is not known. What is not known is never zero.</summary>
/// <param name="Known">The sum of the known ones.</param>
/// <param name="Unknown">How many are not known, and so not in the sum.</param>
public sealed record PartialSum(double Known, int Unknown)
{
    /// <summary>Two sums together.</summary>
    /// <param name="other">The other.</param>
    /// <returns>Their sum.</returns>
    public PartialSum Plus(PartialSum other)
    {
        ArgumentNullException.ThrowIfNull(other);
        return new(Known + other.Known, Unknown + other.Unknown);
    }

    /// <summary>As often as said; what is not known is so as often as before.</summary>
    /// <param name="times">A factor, 0 or more.</param>
    /// <returns>The product.</returns>
    public PartialSum Times(double times) => new(Known * times, Unknown);

    internal static PartialSum Of(IEnumerable<GearItem> items, NumberField field) => Of(items.Select(i => (i, 1)), field);

    internal static PartialSum Of(IEnumerable<(GearItem Item, int Count)> things, NumberField field)
    {
        var (known, unknown) = (0.0, 0);
        foreach (var (item, count) in things)
        {
            (known, unknown) = item.Get(field) is { } value ? (known + count * value, unknown) : (known, unknown + count);
        }

        return new(known, unknown);
    }
}

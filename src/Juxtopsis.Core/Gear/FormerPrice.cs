namespace Juxtopsis.Core.Gear;

/// <summary>The one price that things had before there was a field for each: of what is hired that of a day, else that to buy.</summary>
public static class FormerPrice
{
    /// <summary>Its name in JSON and in tables.</summary>
    public const string Key = "price";

    /// <summary>The fields that it stood for.</summary>
    public static IReadOnlyList<GearField> Fields => [CommonFields.Price, CommonFields.Hire];

    /// <summary>An item of which the price was read under its former name, with the price where it belongs now.</summary>
    /// <param name="item">The item.</param>
    /// <returns>The same, but for a hired thing without a hire of its own.</returns>
    public static GearItem Apart(GearItem item)
    {
        ArgumentNullException.ThrowIfNull(item);
        return item.Value(CommonFields.Ownership) is Ownership.Hire && item.Value(CommonFields.Hire) is null
            ? item.With(CommonFields.Hire, item.Value(CommonFields.Price)).With(CommonFields.Price, null)
            : item;
    }
}

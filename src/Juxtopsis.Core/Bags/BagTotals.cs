using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Bags;

/// <summary>What a bag weighs, costs and holds. Each sum says of how much it is not known.</summary>
/// <param name="Things">How many things.</param>
/// <param name="WeightG">Weight, g.</param>
/// <param name="Purchase">What those cost to buy that are not hired, as noted.</param>
/// <param name="HirePerDay">What those cost a day that are hired, as noted.</param>
/// <param name="Hire">The same for the days of the bag.</param>
/// <param name="Insured">What they are insured for.</param>
/// <param name="ToPay">What is still to be paid: hire for the days, and the price of what is only wished for, as noted.</param>
/// <param name="BatteriesWh">What all batteries hold together, Wh.</param>
/// <param name="StorageGb">What cards and discs hold together, GB.</param>
/// <param name="Litres">What the boxes around its things fill, litres.</param>
public sealed record BagTotals(
    int Things, PartialSum WeightG, PartialSum Purchase, PartialSum HirePerDay, PartialSum Hire, PartialSum Insured, PartialSum ToPay, PartialSum BatteriesWh, PartialSum StorageGb, PartialSum Litres)
{
    /// <summary>Adds a bag up.</summary>
    /// <param name="bag">The bag.</param>
    /// <returns>Its totals.</returns>
    public static BagTotals Of(Bag bag)
    {
        ArgumentNullException.ThrowIfNull(bag);
        IEnumerable<(GearItem Item, int Count)> Those(Func<GearItem, bool> which) => bag.Lines.Where(l => which(l.Item)).Select(l => (l.Item, l.Count));
        var hire = PartialSum.Of(Those(IsHired), CommonFields.Hire);
        var (litres, unsized) = (0.0, 0);
        foreach (var line in bag.Lines)
        {
            (litres, unsized) = BoxSize.Of(line.Item) is { } box ? (litres + line.Count * box.Litres, unsized) : (litres, unsized + line.Count);
        }

        return new(
            bag.Lines.Sum(l => l.Count),
            PartialSum.Of(Those(_ => true), CommonFields.Weight),
            PartialSum.Of(Those(i => !IsHired(i)), CommonFields.Price),
            hire,
            hire.Times(bag.Days),
            PartialSum.Of(Those(_ => true), CommonFields.Insured),
            hire.Times(bag.Days).Plus(PartialSum.Of(Those(i => i.Get(CommonFields.Ownership) == Ownership.Wish), CommonFields.Price)),
            PartialSum.Of(Those(i => i.Get(BagFields.Use) == BagUse.Battery), BagFields.Energy),
            PartialSum.Of(Those(i => i.Get(BagFields.Use) == BagUse.Storage), BagFields.Storage),
            new(litres, unsized));
    }

    /// <summary>The sum that a budget is for.</summary>
    /// <param name="cost">Which.</param>
    /// <returns>As noted, without margin and tax.</returns>
    public PartialSum Of(BagCost cost) => cost switch
    {
        BagCost.Purchase => Purchase,
        BagCost.Hire => Hire,
        BagCost.Insured => Insured,
        _ => ToPay,
    };

    private static bool IsHired(GearItem item) => item.Get(CommonFields.Ownership) == Ownership.Hire;
}

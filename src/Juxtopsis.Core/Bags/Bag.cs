using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Bags;

/// <summary>Some of one model in a bag.</summary>
/// <param name="Item">The model.</param>
/// <param name="Count">How many of it, 1 or more.</param>
/// <param name="OnRig">True when one of it sits on the rig while it films: a plate, a battery, a matte box.</param>
public sealed record BagLine(GearItem Item, int Count, bool OnRig = false);

/// <summary>What is packed together for a unit and some days.</summary>
/// <param name="Lines">What is in it, each model once.</param>
/// <param name="Days">For how many days; hire is reckoned for these, 1 or more.</param>
public sealed record Bag(IReadOnlyList<BagLine> Lines, int Days)
{
    /// <summary>What it may not exceed.</summary>
    public BagLimits Limits { get; init; } = new();

    /// <summary>What the day is like.</summary>
    public DayPlan Plan { get; init; } = new();

    /// <summary>What comes on top of what things cost.</summary>
    public Surcharge Surcharge { get; init; }

    /// <summary>The sign or code of the currency, for sentences.</summary>
    public string Currency { get; init; } = "€";

    /// <summary>What bags of other units hold on the same days, by identity: how many, and in which bags. Bags of one unit are alternatives, and do not count.</summary>
    public IReadOnlyDictionary<Guid, (int Count, string Bags)> Elsewhere { get; init; } = new Dictionary<Guid, (int, string)>();

    /// <summary>How many usable units of a model there are, by identity; a model that is not named has as many as are wanted.</summary>
    public IReadOnlyDictionary<Guid, int> Usable { get; init; } = new Dictionary<Guid, int>();
}

/// <summary>Which of the costs of a bag a budget is for.</summary>
public enum BagCost
{
    /// <summary>What is still to be paid: hire for the days, and the price of what is only wished for.</summary>
    ToPay,

    /// <summary>What all of it costs to buy that is not hired.</summary>
    Purchase,

    /// <summary>Hire for the days.</summary>
    Hire,

    /// <summary>What it is insured for.</summary>
    Insured,
}

/// <summary>What a bag may not exceed; null for no limit.</summary>
public sealed record BagLimits
{
    /// <summary>Weight of all of it, g.</summary>
    public double? WeightG { get; init; }

    /// <summary>What it may cost, with margin and tax.</summary>
    public double? Budget { get; init; }

    /// <summary>What that is for.</summary>
    public BagCost BudgetFor { get; init; }

    /// <summary>What all batteries together may hold, Wh.</summary>
    public double? BatteriesWh { get; init; }

    /// <summary>What one battery may hold, Wh; carriers ask above 100.</summary>
    public double? BatteryWh { get; init; }

    /// <summary>How many cases there are, 1 or more.</summary>
    public int? Cases { get; init; }

    /// <summary>The inside of each case, longest side first or not, mm; null where it is not known.</summary>
    public BoxSize? Case { get; init; }
}

/// <summary>The sides of a box, mm.</summary>
/// <param name="LengthMm">One side.</param>
/// <param name="WidthMm">Another.</param>
/// <param name="HeightMm">The third.</param>
public readonly record struct BoxSize(double LengthMm, double WidthMm, double HeightMm)
{
    /// <summary>Its volume, litres.</summary>
    public double Litres => LengthMm * WidthMm * HeightMm / 1e6;

    /// <summary>Whether a box goes into another with its sides along the other's, turned as it may be.</summary>
    /// <param name="other">The other.</param>
    /// <returns>True when each of its sides is no longer, the sides of both taken in order of length.</returns>
    public bool FitsInto(BoxSize other)
    {
        var (mine, its) = (Ordered(), other.Ordered());
        return mine.LengthMm <= its.LengthMm && mine.WidthMm <= its.WidthMm && mine.HeightMm <= its.HeightMm;
    }

    /// <summary>The box around a thing.</summary>
    /// <param name="item">A thing.</param>
    /// <returns>Its box; null when its size is not known.</returns>
    public static BoxSize? Of(GearItem item)
    {
        ArgumentNullException.ThrowIfNull(item);
        if (item.Get(BodyFields.Width) is { } width && item.Get(BodyFields.Height) is { } height && item.Get(BodyFields.Depth) is { } depth)
        {
            return new(width, height, depth);
        }

        var across = item.Get(CommonFields.Diameter) ?? item.Get(CommonFields.FrontThread) ?? item.Get(CommonFields.RearThread);
        var along = item.Get(CommonFields.Length) ?? item.Get(CommonFields.Thickness);
        return across is { } d && along is { } l ? new(d, d, l) : null;
    }

    private BoxSize Ordered()
    {
        double[] sides = [LengthMm, WidthMm, HeightMm];
        Array.Sort(sides);
        return new(sides[2], sides[1], sides[0]);
    }
}

/// <summary>What comes on top of what things cost: first the margin, then tax on both.</summary>
/// <param name="MarginPercent">Margin, per cent.</param>
/// <param name="TaxPercent">Tax, per cent.</param>
public readonly record struct Surcharge(double MarginPercent, double TaxPercent)
{
    /// <summary>A sum with margin and tax.</summary>
    /// <param name="sum">The sum as noted.</param>
    /// <returns>What is to be paid.</returns>
    public double On(double sum) => sum * (1 + MarginPercent / 100) * (1 + TaxPercent / 100);
}

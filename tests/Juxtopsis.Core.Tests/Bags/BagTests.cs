using Juxtopsis.Core.Bags;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Bags;

/// <summary>Totals, limits, power and storage of bags, by hand, with unknowns.</summary>
public sealed class BagTests
{
    private static GearItem Thing(string name, double? grams, double? price = null, double? hire = null, double? insured = null, Ownership ownership = Ownership.Own) =>
        Made.Of(GearKind.BagItem, name, (CommonFields.Ownership, ownership)).With(CommonFields.Weight, grams).With(CommonFields.Price, price).With(CommonFields.Hire, hire).With(CommonFields.Insured, insured);

    private static readonly Bag Packed = new(
        [
            new(Thing("own", 100, price: 50, insured: 60), 3), new(Thing("hired", 1000, hire: 20), 1), new(Thing("hired, dear", null, hire: null, ownership: Ownership.Hire), 2),
            new(Thing("wished", 400, price: 200, ownership: Ownership.Wish), 1), new(Thing("wished, unknown", 10, ownership: Ownership.Wish), 1),
        ], 4);

    private static Bag Of(Bag bag) => bag with { Lines = [.. bag.Lines.Select(l => l.Item.Name == "hired" ? l with { Item = l.Item.With(CommonFields.Ownership, Ownership.Hire) } : l)] };

    [Fact]
    public void Totals_add_what_is_known_and_count_what_is_not()
    {
        var totals = BagTotals.Of(Of(Packed));
        Assert.Equal(8, totals.Things);
        Assert.Equal(new PartialSum(3 * 100 + 1000 + 400 + 10, 2), totals.WeightG);
        Assert.Equal(new PartialSum(3 * 50 + 200, 1), totals.Purchase);
        Assert.Equal(new PartialSum(20, 2), totals.HirePerDay);
        Assert.Equal(new PartialSum(80, 2), totals.Hire);
        Assert.Equal(new PartialSum(180, 5), totals.Insured);
        Assert.Equal(new PartialSum(80 + 200, 3), totals.ToPay);
        Assert.Equal(new PartialSum(0, 8), totals.Litres);
    }

    [Fact]
    public void Margin_comes_first_and_tax_on_both() => Assert.Equal(100 * 1.1 * 1.2, new Surcharge(10, 20).On(100), 9);

    [Theory]
    [InlineData(1710, DiagnosticCode.LimitUnknown, "Whether the weight is kept is not known: 1.71 kg, and 2 of which it is not known.")]
    [InlineData(1700, DiagnosticCode.BagTooHeavy, "The bag weighs at least 1.71 kg; 1.7 kg is its limit.")]
    public void A_limit_of_weight_is_broken_or_not_known_to_be_kept(double limit, DiagnosticCode expected, string message)
    {
        var bag = Of(Packed) with { Limits = new() { WeightG = limit } };
        var found = BagChecks.Check(bag, BagTotals.Of(bag)).Single(f => f.About == "weight");
        Assert.Equal((expected, message), (found.Code, found.Message));
    }

    [Fact]
    public void A_limit_that_is_kept_is_not_spoken_of()
    {
        Bag bag = new([new BagLine(Made.Battery, 1)], 1) { Limits = new() { WeightG = 600, BatteriesWh = 98, BatteryWh = 98 } };
        Assert.Empty(BagChecks.Check(bag, BagTotals.Of(bag)));
    }

    [Theory]
    [InlineData(BagCost.ToPay, 280 * 1.1 * 1.2)]
    [InlineData(BagCost.Purchase, 350 * 1.1 * 1.2)]
    [InlineData(BagCost.Hire, 80 * 1.1 * 1.2)]
    [InlineData(BagCost.Insured, 180)]
    public void A_budget_is_for_what_it_is_for_with_margin_and_tax(BagCost cost, double sum)
    {
        Diagnostic Found(double budget)
        {
            var bag = Of(Packed) with { Limits = new() { Budget = budget, BudgetFor = cost }, Surcharge = new(10, 20), Currency = "kr" };
            return Assert.Single(BagChecks.Check(bag, BagTotals.Of(bag)), f => f.About == "budget");
        }

        Assert.Equal(DiagnosticCode.BagOverBudget, Found(sum - 0.01).Code);
        Assert.Equal(DiagnosticCode.LimitUnknown, Found(sum + 0.01).Code);
        Assert.Contains("kr ", Found(sum - 0.01).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_not_there_cannot_be_packed_and_large_batteries_are_told()
    {
        var large = Made.Battery.With(BagFields.Energy, 150.0).WithId(Guid.NewGuid());
        Bag bag = new([new BagLine(Made.Battery, 3), new(large, 1)], 1) { Usable = new Dictionary<Guid, int> { [Made.Battery.Id] = 2 }, Limits = new() { BatteriesWh = 400 } };
        var found = BagChecks.Check(bag, BagTotals.Of(bag));
        Assert.Equal([DiagnosticCode.UnitsShort, DiagnosticCode.BagOverEnergy, DiagnosticCode.BatteryInFlight], found.Select(f => f.Code));
        Assert.Contains("444 Wh", found[1].Message, StringComparison.Ordinal);
        Assert.Equal(Severity.Note, found[2].Severity);
        Assert.Contains("ask the carrier", found[2].Fix, StringComparison.Ordinal);
        Assert.Equal(Severity.Stops, Assert.Single(BagChecks.Check(bag with { Limits = new() { BatteryWh = 100 } }, BagTotals.Of(bag)), f => f.Code == DiagnosticCode.BatteryInFlight).Severity);
    }

    [Fact]
    public void A_case_takes_what_goes_into_it_turned_as_it_may_be()
    {
        var body = Made.Body.With(BodyFields.Width, 130.0).With(BodyFields.Height, 80.0).With(BodyFields.Depth, 60.0);
        var lens = Made.Lens.With(CommonFields.Diameter, 80.0).With(CommonFields.Length, 200.0);
        IReadOnlyList<DiagnosticCode> Codes(BoxSize box, int cases, params BagLine[] lines)
        {
            Bag bag = new(lines, 1) { Limits = new() { Case = box, Cases = cases } };
            return [.. BagChecks.Check(bag, BagTotals.Of(bag)).Select(f => f.Code)];
        }

        // 0.624 l and 1.28 l; of a case of 3 l about 2.1 can be filled.
        Assert.Empty(Codes(new(100, 150, 200), 1, new(body, 1), new(lens, 1)));
        Assert.Equal([DiagnosticCode.BagTooFull], Codes(new(100, 150, 200), 1, new(body, 2), new(lens, 1)));
        Assert.Empty(Codes(new(100, 150, 200), 2, new(body, 2), new(lens, 1)));
        Assert.Contains(DiagnosticCode.ThingTooLarge, Codes(new(100, 150, 199), 1, new BagLine(lens, 1)));
        Assert.Equal([DiagnosticCode.LimitUnknown], Codes(new(100, 150, 200), 1, new(lens, 1), new(Made.Battery, 1)));
    }

    [Fact]
    public void A_day_takes_the_power_and_the_storage_that_it_takes()
    {
        var mode = Made.Mode("Full", 36, 20.25).With(ModeFields.DataRate, 100.0);
        var fast = Made.Mode("Fast", 20, 11.25).With(ModeFields.DataRate, 400.0);
        var one = Made.Body.With(BodyFields.Modes, new[] { mode, fast }).With(BodyFields.Power, 12.0).With(BodyFields.Standby, 6.0).WithId(Guid.NewGuid());
        var other = Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25) }).WithId(Guid.NewGuid());
        Bag bag = new([new BagLine(one, 1), new(other, 1), new(Made.Battery, 1), new(Made.Of(GearKind.BagItem, "Card", (BagFields.Use, BagUse.Storage), (BagFields.Storage, 128.0)), 2)], 1)
        {
            Plan = new() { UsedMinutes = 6, ShootingRatio = 20, StandbyHours = 4, Rolling = 1, Copies = 1, Usable = 0.5 },
        };

        // 120 minutes, an hour each, but batteries for the one of which it is known recording all: 24 Wh and 4 h × 6 W; 60 min × 400 Mbit/s = 180 GB in the faster of the modes that are used.
        var day = DaySupplies.Of(bag, new[] { mode, fast }.ToLookup(_ => one.Id));
        Assert.Equal(new PartialSum(24 + 24, 1), day.NeededWh);
        Assert.Equal(12 + 24, day.Cameras[0].EnergyWh);
        Assert.Equal((49, 1, 1, 0), (day.CarriedWh, day.Batteries, day.BatteriesNeeded, day.ToRechargeWh));
        Assert.Equal((180.0, 1), (Math.Round(day.RecordedGb.Known, 9), day.RecordedGb.Unknown));
        Assert.Equal(360, day.WithCopiesGb.Known, 9);
        Assert.Equal(256, day.StorageGb);
        Assert.Null(day.MinutesOfStorage);

        // Both at a time record twice as much; with one camera whose modes are known, storage lasts 256 / 90 GB of an hour at 200 Mbit/s.
        var alone = DaySupplies.Of(bag with { Lines = [.. bag.Lines.Where(l => l.Item.Id != other.Id)], Plan = bag.Plan with { Rolling = 5, StandbyHours = 20 } }, new[] { mode }.ToLookup(_ => one.Id));
        Assert.Equal(120, alone.Cameras[0].Minutes);
        Assert.Equal(256.0 / (120 * 100 * 60 / 8e3) * 120, alone.MinutesOfStorage!.Value, 6);
        Assert.Null(alone.BatteriesNeeded);
        Assert.Equal(24 + 120 - 49, alone.ToRechargeWh, 9);
    }
}

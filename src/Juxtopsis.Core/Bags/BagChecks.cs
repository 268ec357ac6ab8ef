using System.Globalization;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Bags;

/// <summary>A bag against its limits, and against what there is.</summary>
public static class BagChecks
{
    /// <summary>Of a case, what things with straight sides and gaps between them fill at most: our own round figure.</summary>
    public const double MostFilled = 0.7;

    /// <summary>What carriers ask about above, Wh.</summary>
    private const double FlightWh = 100;

    /// <summary>What is wrong with a bag, or to be known of it.</summary>
    /// <param name="bag">The bag.</param>
    /// <param name="totals">Its totals.</param>
    /// <returns>The weightiest first.</returns>
    public static IReadOnlyList<Diagnostic> Check(Bag bag, BagTotals totals)
    {
        ArgumentNullException.ThrowIfNull(bag);
        ArgumentNullException.ThrowIfNull(totals);
        var found = new List<Diagnostic>();
        CheckUnits(bag, found);
        CheckSum(
            "weight", totals.WeightG, bag.Limits.WeightG, LoadChecks.Weight, found,
            (is_, limit) => new(DiagnosticCode.BagTooHeavy, Severity.Stops, "weight", is_, limit, $"The bag weighs {is_}; {limit} is its limit.", "Leave something out, or split it into two bags."));
        CheckMoney(bag, totals, found);
        CheckBatteries(bag, totals, found);
        CheckCases(bag, totals, found);
        return [.. found.OrderBy(f => f.Severity)];
    }

    private static void CheckUnits(Bag bag, List<Diagnostic> found)
    {
        foreach (var line in bag.Lines.Where(l => bag.Usable.TryGetValue(l.Item.Id, out var there) && there < l.Count))
        {
            var there = bag.Usable[line.Item.Id];
            found.Add(new(
                DiagnosticCode.UnitsShort, Severity.Stops, $"{line.Item.Id}", Whole(line.Count), Whole(there),
                $"{Whole(line.Count)} of {line.Item.FullName} are packed; {(there == 0 ? "none is" : there == 1 ? "one is" : $"{Whole(there)} are")} there to be used.",
                "Pack fewer, or note another unit of it."));
        }

        foreach (var line in bag.Lines.Where(l => bag.Elsewhere.ContainsKey(l.Item.Id) && bag.Usable.TryGetValue(l.Item.Id, out var there) && l.Count <= there && l.Count + bag.Elsewhere[l.Item.Id].Count > there))
        {
            var (count, bags) = bag.Elsewhere[line.Item.Id];
            found.Add(new(
                DiagnosticCode.UnitsShared, Severity.Costs, $"{line.Item.Id}", Whole(line.Count + count), Whole(bag.Usable[line.Item.Id]),
                $"{line.Item.FullName} is in {bags} on the same days too: {Whole(line.Count + count)} are packed, {Whole(bag.Usable[line.Item.Id])} there.", "Book it for the one that needs it, and pack another for the other."));
        }
    }

    private static void CheckMoney(Bag bag, BagTotals totals, List<Diagnostic> found)
    {
        var what = bag.Limits.BudgetFor switch
        {
            BagCost.Purchase => "costs to buy",
            BagCost.Hire => "costs in hire",
            BagCost.Insured => "is insured for",
            _ => "is still to be paid for at",
        };
        var sum = totals.Of(bag.Limits.BudgetFor);
        var isValue = bag.Limits.BudgetFor == BagCost.Insured;
        string Money(double value) => $"{bag.Currency} {value.ToString("#,0.##", Grouped)}";
        CheckSum(
            "budget", isValue ? sum : new(bag.Surcharge.On(sum.Known), sum.Unknown), bag.Limits.Budget, Money, found,
            (is_, limit) => new(
                DiagnosticCode.BagOverBudget, Severity.Stops, "budget", is_, limit,
                $"The bag {what} {is_}{(isValue || bag.Surcharge == default ? "" : ", margin and tax included")}; the budget is {limit}.", "Leave something out, or ask for more."));
    }

    private static void CheckBatteries(Bag bag, BagTotals totals, List<Diagnostic> found)
    {
        static string Wh(double value) => $"{LengthWords.Number(Math.Round(value, 1))} Wh";
        CheckSum(
            "batteries", totals.BatteriesWh, bag.Limits.BatteriesWh, Wh, found,
            (is_, limit) => new(DiagnosticCode.BagOverEnergy, Severity.Stops, "batteries", is_, limit, $"The batteries hold {is_} together; {limit} is the limit.", "Take fewer, and ask the carrier."));
        foreach (var line in bag.Lines.Where(l => l.Item.Get(BagFields.Energy) > Math.Min(bag.Limits.BatteryWh ?? FlightWh, FlightWh)))
        {
            var energy = line.Item.Get(BagFields.Energy)!.Value;
            var over = energy > bag.Limits.BatteryWh;
            found.Add(new(
                DiagnosticCode.BatteryInFlight, over ? Severity.Stops : Severity.Note, $"{line.Item.Id}", Wh(energy), Wh(bag.Limits.BatteryWh ?? FlightWh),
                $"{line.Item.FullName} holds {Wh(energy)}{(over ? $"; {Wh(bag.Limits.BatteryWh!.Value)} is the limit" : "")}.", "Large lithium batteries have limits in flight: ask the carrier."));
        }
    }

    private static void CheckCases(Bag bag, BagTotals totals, List<Diagnostic> found)
    {
        if (bag.Limits.Case is not { } box)
        {
            return;
        }

        foreach (var line in bag.Lines.Where(l => BoxSize.Of(l.Item) is { } size && !size.FitsInto(box)))
        {
            var size = BoxSize.Of(line.Item)!.Value;
            found.Add(new(
                DiagnosticCode.ThingTooLarge, Severity.Stops, $"{line.Item.Id}", Sides(size), Sides(box), $"{line.Item.FullName} measures {Sides(size)} mm; the case is {Sides(box)} mm inside.",
                "Carry it apart, or take a larger case."));
        }

        var most = (bag.Limits.Cases ?? 1) * box.Litres * MostFilled;
        static string Litres(double value) => $"{LengthWords.Number(Math.Round(value, 1))} l";
        if (totals.Litres.Known > most)
        {
            found.Add(new(
                DiagnosticCode.BagTooFull, Severity.Stops, "cases", Litres(totals.Litres.Known), Litres(most),
                $"Its things alone take {(totals.Litres.Unknown > 0 ? "at least " : "")}{Litres(totals.Litres.Known)}; of {Cases(bag.Limits.Cases ?? 1)} about {Litres(most)} can be filled.", "Take another case, or leave something out."));
        }
        else if (totals.Litres.Unknown > 0)
        {
            found.Add(new(
                DiagnosticCode.LimitUnknown, Severity.Note, "cases", Litres(totals.Litres.Known), Litres(most),
                $"Whether all of it goes into {Cases(bag.Limits.Cases ?? 1)} is not known: {Whole(totals.Litres.Unknown)} of unknown size.", "Note lengths and diameters on the Shelf, or try it."));
        }
    }

    private static void CheckSum(string about, PartialSum sum, double? limit, Func<double, string> say, List<Diagnostic> found, Func<string, string, Diagnostic> over)
    {
        if (limit is not { } most)
        {
            return;
        }

        if (sum.Known > most)
        {
            found.Add(over($"{(sum.Unknown > 0 ? "at least " : "")}{say(sum.Known)}", say(most)));
        }
        else if (sum.Unknown > 0)
        {
            found.Add(new(
                DiagnosticCode.LimitUnknown, Severity.Note, about, say(sum.Known), say(most), $"Whether the {about} is kept is not known: {say(sum.Known)}, and {Whole(sum.Unknown)} of which it is not known.",
                "Note it on the Shelf."));
        }
    }

    private static readonly NumberFormatInfo Grouped = new() { NumberGroupSeparator = " ", NumberDecimalSeparator = "." };

    private static string Whole(int count) => count.ToString(CultureInfo.InvariantCulture);

    private static string Cases(int count) => count == 1 ? "the case" : $"{Whole(count)} cases";

    private static string Sides(BoxSize size) => $"{LengthWords.Number(size.LengthMm)} × {LengthWords.Number(size.WidthMm)} × {LengthWords.Number(size.HeightMm)}";
}

using System.Globalization;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Bags;

/// <summary>Refuses bags that cannot be, in the same words on both hosts.</summary>
internal static class BagInputChecks
{
    /// <summary>The most bags of a production.</summary>
    public const int MostBags = 40;

    private const int MostLines = 1000;
    private const int MostDays = 731;

    private static readonly Quantity Cases = new("Cases", "", 1, 99, "2");
    private static readonly Quantity Used = new("Minutes used", "min", 0, 1440, "5");
    private static readonly Quantity Ratio = new("Shooting ratio", "", 1, 1000, "10");
    private static readonly Quantity Standby = new("Hours standing by", "h", 0, 24, "3");
    private static readonly Quantity Rolling = new("Cameras at a time", "", 1, 99, "2");
    private static readonly Quantity Copies = new("Copies", "", 0, 9, "2");
    private static readonly Quantity Usable = new("Share that a battery gives", "", 0.1, 1, "0.8");

    /// <summary>Checks the bags of a production.</summary>
    public static void Check(FieldChecks checks, IReadOnlyList<BagInput> bags, string path)
    {
        ProductionChecks.CheckCount(checks, path, bags.Count, MostBags, "bags");
        if (!checks.NoNull(path, bags))
        {
            return;
        }

        for (var i = 0; i < bags.Count; i++)
        {
            Check(checks, bags[i], $"{path}[{i}].");
        }

        ProductionChecks.CheckOnce(checks, path, bags.Select(b => b.Id), "bag");
    }

    /// <summary>Checks one bag.</summary>
    public static void Check(FieldChecks checks, BagInput bag, string prefix)
    {
        ProductionChecks.Name(checks, prefix + "name", bag.Name, "The bag");
        checks.Text(prefix + "unit", bag.Unit, "The unit's name", 60);
        checks.Text(prefix + "note", bag.Note, "The note", 500);
        CheckDays(checks, bag, prefix);
        CheckLimits(checks, bag.Limits, prefix + "limits.");
        CheckPlan(checks, bag.Plan, prefix + "plan.");
        ProductionChecks.CheckCount(checks, prefix + "lines", bag.Lines.Count, MostLines, "things");
        if (!checks.NoNull(prefix + "lines", bag.Lines))
        {
            return;
        }

        for (var i = 0; i < bag.Lines.Count; i++)
        {
            CheckLine(checks, bag.Lines[i], $"{prefix}lines[{i}].");
        }

        ProductionChecks.CheckOnce(checks, prefix + "lines", bag.Lines.Select(l => l.Id), "thing");
        if (bag.Lines.SelectMany(l => l.Units).GroupBy(u => u).FirstOrDefault(g => g.Count() > 1) is { } twice)
        {
            checks.Add(prefix + "lines", $"{twice.Key}", "each unit once", "One physical unit is in the bag twice.", "Name another unit, or lower the count.");
        }
    }

    /// <summary>A day as it is written; null when it is none.</summary>
    public static DateOnly? DayOf(string text) =>
        DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) && day.Year is >= 2000 and <= 2200 ? day : null;

    private static void CheckDays(FieldChecks checks, BagInput bag, string prefix)
    {
        foreach (var (field, text) in new[] { ("firstDay", bag.FirstDay), ("lastDay", bag.LastDay) })
        {
            if (text is null || text.Length > 0 && DayOf(text) is null)
            {
                checks.Add(prefix + field, text is { Length: > 40 } ? text[..40] + "…" : text ?? "null", "such as 2027-05-01", "That is no day of the years 2000 to 2200.", "Give year, month and day: 2027-05-01.");
                return;
            }
        }

        var (first, last) = (DayOf(bag.FirstDay), DayOf(bag.LastDay));
        if (first is null != last is null)
        {
            checks.Add(prefix + (first is null ? "firstDay" : "lastDay"), "", "both or neither", "A bag with a first day needs a last day.", "Give both, or leave both out.");
        }
        else if (last < first)
        {
            checks.Add(prefix + "lastDay", bag.LastDay, $"{bag.FirstDay} or later", "The bag ends before it begins.", "Give a later last day.");
        }
        else if (last?.DayNumber - first?.DayNumber > MostDays)
        {
            checks.Add(prefix + "lastDay", bag.LastDay, "within two years", "The bag is for more than two years.", "Give an earlier last day.");
        }
    }

    private static void CheckLimits(FieldChecks checks, BagLimitsInput limits, string prefix)
    {
        checks.InRange(prefix + "weightG", limits.WeightG, Quantity.Weight with { Name = "Weight limit" });
        checks.InRange(prefix + "budget", limits.Budget, Quantity.Price with { Name = "Budget" });
        checks.InRange(prefix + "batteriesWh", limits.BatteriesWh, Quantity.WattHours with { Name = "Limit for all batteries" });
        checks.InRange(prefix + "batteryWh", limits.BatteryWh, Quantity.WattHours with { Name = "Limit for one battery" });
        checks.InRange(prefix + "cases", limits.Cases, Cases);
        (string Field, double? Side)[] sides = [("caseLengthMm", limits.CaseLengthMm), ("caseWidthMm", limits.CaseWidthMm), ("caseHeightMm", limits.CaseHeightMm)];
        foreach (var (field, side) in sides)
        {
            checks.InRange(prefix + field, side, Quantity.PartLength with { Name = "Side of the case", Min = 1 });
            if (side is null && sides.Any(s => s.Side is not null))
            {
                checks.Add(prefix + field, "", "all three sides or none", "A case has three sides.", "Give all three, or none.");
            }
        }
    }

    /// <summary>Checks what a day is like.</summary>
    public static void CheckPlan(FieldChecks checks, DayPlanInput plan, string prefix)
    {
        checks.InRange(prefix + "usedMinutes", plan.UsedMinutes, Used);
        checks.InRange(prefix + "shootingRatio", plan.ShootingRatio, Ratio);
        checks.InRange(prefix + "standbyHours", plan.StandbyHours, Standby);
        checks.InRange(prefix + "rolling", plan.Rolling, Rolling);
        checks.InRange(prefix + "copies", plan.Copies, Copies);
        checks.InRange(prefix + "usable", plan.Usable, Usable);
    }

    private static void CheckLine(FieldChecks checks, BagLineInput line, string prefix)
    {
        checks.InRange(prefix + "count", line.Count, Quantity.Count);
        checks.Text(prefix + "note", line.Note, "The note", 280);
        if (line.Units.Count > line.Count)
        {
            checks.Add(prefix + "units", $"{line.Units.Count}", $"up to {line.Count}", $"{line.Units.Count} units are named of {line.Count} that are packed.", "Raise the count, or name fewer.");
        }

        checks.InRange(prefix + "out", line.Out, Quantity.Count with { Name = "How many are out", Min = 0, Max = Math.Max(0, line.Count) });
        checks.InRange(prefix + "back", line.Back, Quantity.Count with { Name = "How many are back", Min = 0, Max = Math.Max(0, line.Out) });
    }
}

using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Bags;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits.Front;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Bags;

/// <summary>Between bags on the wire and in the core.</summary>
internal static class BagMapping
{
    /// <summary>A bag as the core sees it; things that are not on the shelf are left aside.</summary>
    public static Bag ToCore(this BagInput bag, IReadOnlyDictionary<Guid, GearItem> shelf) => new([.. bag.Lines.Where(l => shelf.ContainsKey(l.Id)).Select(l => new BagLine(shelf[l.Id], l.Count, l.OnRig))], DaysOf(bag))
    {
        Limits = new()
        {
            WeightG = bag.Limits.WeightG,
            Budget = bag.Limits.Budget,
            BudgetFor = bag.Limits.BudgetFor,
            BatteriesWh = bag.Limits.BatteriesWh,
            BatteryWh = bag.Limits.BatteryWh,
            Cases = bag.Limits.Cases,
            Case = bag.Limits is { CaseLengthMm: { } length, CaseWidthMm: { } width, CaseHeightMm: { } height } ? new(length, width, height) : null,
        },
        Plan = bag.Plan.ToCore(),
    };

    /// <summary>The shots that a bag is for: those of its unit, or all.</summary>
    public static IReadOnlyList<ShotInput> ShotsOf(BagDayRequest request) =>
        request.Bag.Unit.Length == 0 ? request.Shots : [.. request.Shots.Where(s => s.Unit == request.Bag.Unit)];

    /// <summary>What bags of other units hold on some of the days of a bag.</summary>
    public static IReadOnlyDictionary<Guid, (int Count, string Bags)> Elsewhere(BagInput bag, IReadOnlyList<BagInput> all) => all
        .Where(other => other.Id != bag.Id && other.Unit != bag.Unit && bag.FirstDay.Length > 0 && other.FirstDay.Length > 0
            && string.CompareOrdinal(bag.FirstDay, other.LastDay) <= 0 && string.CompareOrdinal(other.FirstDay, bag.LastDay) <= 0)
        .SelectMany(other => other.Lines, (other, line) => (other.Name, Line: line))
        .GroupBy(o => o.Line.Id)
        .ToDictionary(g => g.Key, g => (g.Sum(o => o.Line.Count), string.Join(" and ", g.Select(o => o.Name))));

    public static BagOutput ToWire(this BagInput input, Bag bag, IReadOnlyDictionary<Guid, GearItem> shelf, IReadOnlyList<ReachRow> reach)
    {
        var totals = BagTotals.Of(bag);
        PartialSum All(PartialSum sum) => new(bag.Surcharge.On(sum.Known), sum.Unknown);
        return new(
            input.Id,
            bag.Days,
            new(
                totals.Things, totals.WeightG, totals.Purchase, totals.HirePerDay, totals.Hire, totals.Insured, All(totals.ToPay), All(totals.Purchase), All(totals.Hire), totals.BatteriesWh, totals.StorageGb,
                totals.Litres),
            [.. input.Lines.Select(l => l.Id).Where(id => !shelf.ContainsKey(id))],
            [.. Core.Bags.BagChecks.Check(bag, totals).Select(f => f.ToWire())],
            [.. reach.Select(ToWire)]);
    }

    public static BagDayResponse ToWire(this BagDay day, BagInput bag, IReadOnlyList<ShotInput> shots, IReadOnlyList<GearItem> shelf, Func<int, string> why, LengthUnit unit)
    {
        var words = new FitWords(unit);
        var carried = day.Carried.ToDictionary(c => c.Shot);
        var supplies = day.Supplies;
        return new(
            bag.Id,
            [
                .. day.Shots.Select(s => carried[s.Shot] is var c ? new BagShotOutput(
                    shots[s.Shot].Id, FitMapping.ToWire(s.Rig, s.Mode), s.Fills, c.Support?.Id, c.WeightG, c.WeightsUnknown, c.LengthMm, c.CentreOfGravityMm, c.Rebalances,
                    [.. c.Findings.Select(f => f.ToWire())], FitMapping.ToCloseOutput(s, words)) : throw new InvalidOperationException("Each shot is carried.")),
            ],
            [.. day.Undone.Select(i => new UndoneOutput(shots[i].Id, why(i)))],
            day.Changes,
            day.Rebalances,
            [.. day.Alone.Where(a => a.Value.Count > 0).Select(a => new AloneOutput(a.Key, [.. a.Value.Select(i => shots[i].Id)]))],
            new(
                [.. supplies.Cameras.Select(c => new CameraDayOutput(c.Body.Id, c.Body.FullName, c.Count, c.Minutes, c.EnergyWh, c.Mode?.Name ?? "", c.StorageGb))],
                supplies.NeededWh, supplies.CarriedWh, supplies.Batteries, supplies.BatteriesNeeded, supplies.ToRechargeWh, supplies.RecordedGb, supplies.WithCopiesGb, supplies.StorageGb, supplies.MinutesOfStorage,
                ToWire(supplies.BatteriesToAdd(shelf, bag.Plan.Usable)), ToWire(supplies.CardsToAdd(shelf))),
            [.. FindingsOf(day).OrderBy(f => f.Severity).Select(f => f.ToWire())],
            day.IsProven);
    }

    /// <summary>What a day is like as the core sees it.</summary>
    public static DayPlan ToCore(this DayPlanInput plan) => new()
    {
        UsedMinutes = plan.UsedMinutes,
        ShootingRatio = plan.ShootingRatio,
        StandbyHours = plan.StandbyHours,
        Rolling = plan.Rolling,
        Copies = plan.Copies,
        Usable = plan.Usable,
    };

    public static FrontResponse ToWire(this FrontResult front, FrontSearch search, IReadOnlyList<ShotInput> shots)
    {
        IReadOnlyList<Guid> Ids(IEnumerable<int> indexes) => [.. indexes.Select(i => shots[i].Id)];
        FrontPointOutput Of(FrontPoint point)
        {
            IReadOnlyList<KitItemOutput> Items(Func<GearItem, bool> which) =>
            [
                .. point.Items.Where(which).Select(i => new KitItemOutput(i.Id, i.FullName, i.WeightG, Ids(point.Shots.Where(s => s.Support?.Id == i.Id || s.Rig.Parts.Concat(s.Filters).Any(p => p.Id == i.Id)).Select(s => s.Shot)), []))
                    .OrderByDescending(i => i.Shots.Count).ThenBy(i => i.Name, StringComparer.Ordinal),
            ];
            return new(
                Items(i => i.Kind is GearKind.Body or GearKind.FixedLensCamera), Items(i => i.Kind == GearKind.Lens), Items(i => i.Kind is GearKind.Adapter or GearKind.CloseUpLens),
                Items(i => i.Kind == GearKind.Support), Items(i => i.Kind is GearKind.Filter or GearKind.StepRing), BatteriesOf(point),
                point.DrawsUnknown, [.. point.Shots.Select(s => new KitShotOutput(shots[s.Shot].Id, FitMapping.ToWire(s.Rig, s.Mode), s.Fills, null))], Ids(point.Undone), point.Changes, point.WeightG,
                point.Price, point.HirePerDay, point.Value, point.OtherValue, point.AtLeast, point.IsProven);
        }

        return new(search.Limited, search.Minimised, [.. front.Points.Select(Of)], Ids(front.Impossible), Ids(front.Unfiltered), front.IsCut);
    }

    private static IReadOnlyList<SupplyOutput> BatteriesOf(FrontPoint point) =>
    [
        .. point.Items.Where(i => i.Kind == GearKind.BagItem).Select(i => (Item: i, Count: 1)).Concat(point.Battery is { } battery ? [(battery, point.Batteries)] : [])
            .GroupBy(b => b.Item.Id).Select(g => new SupplyOutput(g.Key, g.First().Item.FullName, g.Sum(b => b.Count))),
    ];

    private static IEnumerable<Diagnostic> FindingsOf(BagDay day)
    {
        var supplies = day.Supplies;
        if (supplies.BatteriesNeeded is null)
        {
            yield return new(
                DiagnosticCode.PowerShort, Severity.Costs, "batteries", $"{Round(supplies.CarriedWh)} Wh", $"{Round(supplies.NeededWh.Known)} Wh",
                $"The cameras draw {Round(supplies.NeededWh.Known)} Wh; the batteries give {Round(supplies.CarriedWh)} Wh.", $"Pack more, or charge {Round(supplies.ToRechargeWh)} Wh again during the day.");
        }

        if (supplies.WithCopiesGb.Known > supplies.StorageGb)
        {
            yield return new(
                DiagnosticCode.StorageShort, Severity.Costs, "storage", $"{Round(supplies.StorageGb)} GB", $"{Round(supplies.WithCopiesGb.Known)} GB",
                $"The day with its copies takes {Round(supplies.WithCopiesGb.Known)} GB; cards and discs hold {Round(supplies.StorageGb)} GB.", "Pack more, or copy to something that is there.");
        }
    }

    private static SupplyOutput? ToWire((GearItem Item, int Count)? add) => add is { } supply ? new(supply.Item.Id, supply.Item.FullName, supply.Count) : null;

    private static string Round(double value) => LengthWords.Number(Math.Round(value));

    private static int DaysOf(BagInput bag) =>
        BagInputChecks.DayOf(bag.FirstDay) is { } first && BagInputChecks.DayOf(bag.LastDay) is { } last ? last.DayNumber - first.DayNumber + 1 : 1;

    private static ReachRowOutput ToWire(ReachRow row) => new(
        row.Body.Id,
        row.Body.FullName,
        row.Mode.Name,
        [
            .. row.Spans.Select(s => new ReachSpanOutput(
                s.Rig.Lens.Id, s.Rig.Lens.FullName, string.Join(" and ", s.Rig.Links.Select(l => l.Name)), s.Span.FromMm, s.Span.ToMm, s.FastestAtFrom, s.FastestAtTo, s.SmallestFieldMm, s.Covers,
                [.. s.Only.Select(o => new FocalSpanOutput(o.FromMm, o.ToMm))])),
        ],
        [
            .. row.Holes.Select(h => new ReachHoleOutput(
                h.Span.FromMm, h.Span.ToMm, [.. h.Fills.Select(f => new ReachFillOutput(FitMapping.ToWire(f.Rig, f.Rig.Modes.First(m => m.Item.Name == row.Mode.Name)), f.Span.FromMm, f.Span.ToMm, [.. f.Added.Select(a => a.Id)]))])),
        ],
        [.. row.Doubles.Select(d => new ReachDoubleOutput(d.Span.FromMm, d.Span.ToMm, d.One.Id, d.Other.Id))]);
}

using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Bags;

/// <summary>What a day of filming is like, for power and storage.</summary>
public sealed record DayPlan
{
    /// <summary>Of what a battery says it holds, what it gives on the day: our own round figure for one that is not new.</summary>
    public const double UsualUsable = 0.8;

    internal const double MinutesPerHour = 60;

    /// <summary>Minutes of the day that are in the finished piece, 0 or more.</summary>
    public double UsedMinutes { get; init; } = 5;

    /// <summary>Minutes that are shot for each of these, 1 or more.</summary>
    public double ShootingRatio { get; init; } = 10;

    /// <summary>Hours that each camera is on without recording.</summary>
    public double StandbyHours { get; init; } = 3;

    /// <summary>How many cameras record at a time, 1 or more.</summary>
    public int Rolling { get; init; } = 1;

    /// <summary>How often what was recorded is copied.</summary>
    public int Copies { get; init; } = 2;

    /// <summary>Of what a battery says it holds, what it gives: 0.1 to 1.</summary>
    public double Usable { get; init; } = UsualUsable;

    /// <summary>Minutes that each of those records that record at a time.</summary>
    public double RecordedMinutes => UsedMinutes * ShootingRatio;

    /// <summary>What cameras draw at most in the day: each is on for all of the standby, and whatever is recorded, those that draw most record it.</summary>
    /// <param name="draws">What each draws; reordered.</param>
    /// <returns>Wh. More cameras never draw less.</returns>
    public double EnergyWh(Span<CameraDraw> draws)
    {
        draws.Sort((a, b) => b.RecordingW.CompareTo(a.RecordingW));
        var wh = 0.0;
        for (var i = 0; i < draws.Length; i++)
        {
            wh += draws[i].StandbyW * StandbyHours + (i < Rolling ? draws[i].RecordingW * RecordedMinutes / MinutesPerHour : 0);
        }

        return wh;
    }
}

/// <summary>What a camera draws.</summary>
/// <param name="RecordingW">While it records, W.</param>
/// <param name="StandbyW">While it is on, W.</param>
public readonly record struct CameraDraw(double RecordingW, double StandbyW)
{
    /// <summary>What a camera draws; on standby as much as recording where nothing else is known.</summary>
    /// <param name="body">The camera.</param>
    /// <returns>What it draws; null when that is not known.</returns>
    public static CameraDraw? Of(GearItem body)
    {
        ArgumentNullException.ThrowIfNull(body);
        return body.Get(BodyFields.Power) is { } draws ? new(draws, body.Get(BodyFields.Standby) ?? draws) : null;
    }
}

/// <summary>What a camera of the bag takes in a day.</summary>
/// <param name="Body">The camera.</param>
/// <param name="Count">How many of it.</param>
/// <param name="Minutes">Minutes that these record together.</param>
/// <param name="EnergyWh">What these draw together, Wh, where what is recorded is shared evenly; null when what they draw is not known.</param>
/// <param name="Mode">The mode that writes most of those used; null where none is known.</param>
/// <param name="StorageGb">What these write together, GB; null when what the mode writes is not known.</param>
public sealed record CameraDay(GearItem Body, int Count, double Minutes, double? EnergyWh, GearItem? Mode, double? StorageGb);

/// <summary>Power and storage for a day.</summary>
/// <param name="Cameras">What each camera takes.</param>
/// <param name="NeededWh">What all draw at most, whichever of them records, Wh, in so far as it is known.</param>
/// <param name="CarriedWh">What the batteries of the bag give, Wh.</param>
/// <param name="Batteries">How many batteries are in the bag.</param>
/// <param name="BatteriesNeeded">How many of them, the largest first, last for the day; null when all of them do not.</param>
/// <param name="ToRechargeWh">What must be charged again during the day, Wh; 0 when nothing must.</param>
/// <param name="RecordedGb">What all write, GB, in so far as it is known.</param>
/// <param name="WithCopiesGb">The same with all copies, GB.</param>
/// <param name="StorageGb">What cards and discs of the bag hold, GB.</param>
/// <param name="MinutesOfStorage">Minutes that cards and discs hold of what is recorded, without copies; null when that is not known.</param>
public sealed record DaySupplies(
    IReadOnlyList<CameraDay> Cameras, PartialSum NeededWh, double CarriedWh, int Batteries, int? BatteriesNeeded, double ToRechargeWh, PartialSum RecordedGb, PartialSum WithCopiesGb, double StorageGb, double? MinutesOfStorage)
{
    /// <summary>Seconds of a minute, over bits of a byte, over megabytes of a gigabyte: GB a minute of one megabit a second.</summary>
    private const double GbPerMinuteOfMbps = 60.0 / 8 / 1000;

    /// <summary>What a bag's cameras take in a day, and what of it the bag has.</summary>
    /// <param name="bag">The bag.</param>
    /// <param name="used">The modes that shots use of a camera, by its identity; the camera's first where there is none.</param>
    /// <returns>
    /// Power and storage. Each camera is on for all of the standby; what is recorded is shared evenly by them, and batteries are for the hungriest. A camera whose mode is not known to be used
    /// writes as in its first.
    /// </returns>
    public static DaySupplies Of(Bag bag, ILookup<Guid, GearItem> used)
    {
        ArgumentNullException.ThrowIfNull(bag);
        ArgumentNullException.ThrowIfNull(used);
        var plan = bag.Plan;
        BagLine[] bodies = [.. bag.Lines.Where(l => l.Item.Kind is GearKind.Body or GearKind.FixedLensCamera)];
        var together = plan.RecordedMinutes * Math.Min(plan.Rolling, Math.Max(1, bodies.Sum(b => b.Count)));
        var each = bodies.Length == 0 ? 0 : together / bodies.Sum(b => b.Count);
        CameraDay[] cameras = [.. bodies.Select(b => Of(b, each, plan, used[b.Item.Id]))];
        CameraDraw[] draws = [.. bodies.SelectMany(b => Enumerable.Repeat(CameraDraw.Of(b.Item), b.Count)).OfType<CameraDraw>()];
        var needed = new PartialSum(plan.EnergyWh(draws), cameras.Where(c => c.EnergyWh is null).Sum(c => c.Count));
        var recorded = new PartialSum(cameras.Sum(c => c.StorageGb ?? 0), cameras.Where(c => c.StorageGb is null).Sum(c => c.Count));
        var batteries = bag.Lines.Where(l => l.Item.Get(BagFields.Use) == BagUse.Battery && l.Item.Get(BagFields.Energy) is not null)
            .SelectMany(l => Enumerable.Repeat(l.Item.Get(BagFields.Energy)!.Value * plan.Usable, l.Count)).OrderDescending().ToArray();
        var storage = BagTotals.Of(bag).StorageGb.Known;
        return new(
            cameras, needed, batteries.Sum(), batteries.Length, Enough(batteries, needed.Known), Math.Max(0, needed.Known - batteries.Sum()), recorded, recorded.Times(1 + plan.Copies), storage,
            recorded is { Known: > 0, Unknown: 0 } && together > 0 ? storage / recorded.Known * together : null);
    }

    /// <summary>The fewest of one kind of battery that give what is lacking, the lightest where several kinds are as few.</summary>
    /// <param name="shelf">What there is; what is only wished for is left aside.</param>
    /// <param name="usable">Of what a battery says it holds, what it gives.</param>
    /// <returns>Battery and count; null when nothing is lacking, or nothing helps.</returns>
    public (GearItem Item, int Count)? BatteriesToAdd(IEnumerable<GearItem> shelf, double usable) => Fewest(shelf, BagUse.Battery, i => i.Get(BagFields.Energy) * usable, NeededWh.Known - CarriedWh);

    /// <summary>The fewest of one kind of card or disc that hold what is lacking, copies included.</summary>
    /// <param name="shelf">What there is; what is only wished for is left aside.</param>
    /// <returns>Card and count; null when nothing is lacking, or nothing helps.</returns>
    public (GearItem Item, int Count)? CardsToAdd(IEnumerable<GearItem> shelf) => Fewest(shelf, BagUse.Storage, i => i.Get(BagFields.Storage), WithCopiesGb.Known - StorageGb);

    private static (GearItem Item, int Count)? Fewest(IEnumerable<GearItem> shelf, BagUse use, Func<GearItem, double?> holds, double lacking) => lacking <= 0 ? null
        : shelf.Where(i => i.Get(BagFields.Use) == use && i.Get(CommonFields.Ownership) != Ownership.Wish && holds(i) > 0)
            .Select(i => (Item: i, Count: (int)Math.Min(999, Math.Ceiling(lacking / holds(i)!.Value - 1e-9))))
            .OrderBy(c => c.Count).ThenBy(c => c.Item.WeightG is { } g ? c.Count * g : double.MaxValue).ThenBy(c => c.Item.FullName, StringComparer.Ordinal)
            .Select(c => ((GearItem, int)?)c).FirstOrDefault();

    private static CameraDay Of(BagLine line, double minutes, DayPlan plan, IEnumerable<GearItem> used)
    {
        var body = line.Item;
        double? energy = CameraDraw.Of(body) is { } draw ? line.Count * (draw.RecordingW * minutes / DayPlan.MinutesPerHour + draw.StandbyW * plan.StandbyHours) : null;
        GearItem[] modes = [.. used];
        modes = modes.Length > 0 ? modes : [.. body.Get(BodyFields.Modes).Take(1)];
        var rate = modes.Length > 0 && Array.TrueForAll(modes, m => m.Get(ModeFields.DataRate) is not null) ? modes.MaxBy(m => m.Get(ModeFields.DataRate)) : null;
        return new(body, line.Count, line.Count * minutes, energy, rate ?? modes.FirstOrDefault(), rate is null ? null : line.Count * minutes * rate.Get(ModeFields.DataRate)!.Value * GbPerMinuteOfMbps);
    }

    private static int? Enough(double[] batteries, double neededWh)
    {
        var sum = 0.0;
        for (var i = 0; i <= batteries.Length; i++)
        {
            if (sum >= neededWh)
            {
                return i;
            }

            sum += i < batteries.Length ? batteries[i] : 0;
        }

        return null;
    }
}

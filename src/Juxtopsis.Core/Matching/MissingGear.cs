using System.Globalization;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Matching;

/// <summary>A thing that no shelf has, and that would bring a look nearer; tried by the same search.</summary>
/// <param name="Item">The thing: a lens, or a reducer.</param>
/// <param name="Match">How the rig with it comes near.</param>
public sealed record MissingGear(GearItem Item, LookMatch Match)
{
    /// <summary>Less left over than this needs nothing, stops.</summary>
    private const double Enough = 0.15;

    /// <summary>And what would not be better by this much is not told.</summary>
    private const double Better = 0.05;

    /// <summary>Reducers are not made much stronger.</summary>
    private const double StrongestReducer = 0.5;

    /// <summary>Finds a lens for the body of the best answer, and a reducer for a lens that there is.</summary>
    /// <param name="shelf">The shelf that was asked.</param>
    /// <param name="result">What was answered; nothing is missing where that leaves nothing over.</param>
    /// <param name="wishes">How much of the look counts.</param>
    /// <param name="rules">What an answer must keep.</param>
    /// <returns>What is missing, each leaving less over than the best answer; empty where nothing would help.</returns>
    public static IReadOnlyList<MissingGear> Of(FittingShelf shelf, LookResult result, LookWishes wishes, FitRules? rules = null)
    {
        ArgumentNullException.ThrowIfNull(shelf);
        ArgumentNullException.ThrowIfNull(result);
        var best = result.Matches.FirstOrDefault(m => m.Rig.Body.Kind == GearKind.Body);
        if (best is null || result.Matches[0].Sum <= Enough || best.Rig.Body.Get(BodyFields.Mounts) is not [var mount, ..] || result.Look.Values is not { } values)
        {
            return [];
        }

        var asked = new Asked(shelf, result.Look, wishes, rules, best.Rig.Body, mount);
        var found = new List<MissingGear>();
        void Add(MissingGear? missing)
        {
            if (missing is not null && missing.Match.Sum < result.Matches[0].Sum - Better)
            {
                found.Add(missing);
            }
        }

        // As fast as can be, to see what it would be set to.
        var focal = Rounded(values.FocalPerHeight * best.Report.Sensor.UsedHeightMm);
        var diagonal = Math.Sqrt(best.Mode.WidthMm * best.Mode.WidthMm + best.Mode.HeightMm * best.Mode.HeightMm);
        if (asked.Try([Lens(mount, focal, ReasonFinder.FastestPossible, diagonal)], best.Mode) is not { } fastest)
        {
            return [];
        }

        var needed = fastest.Set.FNumber;
        var lens = Lens(mount, focal, Math.Max(ReasonFinder.FastestPossible, Math.Floor(needed * 10 + 1e-6) / 10), diagonal);
        Add(asked.Try([lens], best.Mode) is { } match ? new(lens, match) : null);
        Add(Reducers(asked, best, values, needed).FirstOrDefault());
        return found;
    }

    /// <summary>Reducers that make a lens of the shelf open enough, ours first.</summary>
    private static IEnumerable<MissingGear> Reducers(Asked asked, LookMatch best, LookValues values, double needed)
    {
        var effective = values.FocalPerHeight * best.Report.Sensor.UsedHeightMm;
        foreach (var lens in asked.Shelf.LensItems.Where(l => l.Get(LensFields.Mount).Length > 0 && l.Get(LensFields.Squeeze) is null or 1).OrderBy(l => l.Get(CommonFields.Ownership) ?? Ownership.Own).ThenBy(l => l.Get(CommonFields.Weight) ?? double.MaxValue))
        {
            if (lens.Get(LensFields.Widest) is not { } widest || lens.Get(LensFields.Short) is not { } shortest || !asked.HasRoom(lens.Get(LensFields.Mount)))
            {
                continue;
            }

            // A prime is brought to the angle; a zoom to the opening, and set to the angle.
            var longest = lens.Get(LensFields.Long) ?? shortest;
            var times = Math.Floor(100 * Math.Clamp(needed / Math.Max(widest, lens.Get(LensFields.WidestLong) ?? 0), effective / longest, effective / shortest)) / 100;
            if (times is < StrongestReducer or > 0.95 || times * widest > needed * 1.02)
            {
                continue;
            }

            var reducer = GearItem.Of(GearKind.Adapter, MadeUp,
            [
                new(CommonFields.Name, string.Create(CultureInfo.InvariantCulture, $"{times:0.00}× reducer")), new(AdapterFields.BodyMount, asked.Mount), new(AdapterFields.LensMount, lens.Get(LensFields.Mount)),
                new(AdapterFields.Magnification, times), new(AdapterFields.CarriesIris, true), new(AdapterFields.CarriesFocus, true),
            ]);
            if (asked.Try([lens, reducer], best.Mode) is { } match)
            {
                yield return new(reducer, match);
            }
        }
    }

    /// <summary>A reducer needs that much between two flanges, mm.</summary>
    private const double LeastRoomMm = 10;

    private static readonly Guid MadeUp = new("6d697373-696e-4765-8172-000000000001");

    private static GearItem Lens(string mount, double focalLengthMm, double widest, double circleMm) => GearItem.Of(GearKind.Lens, MadeUp,
    [
        new(CommonFields.Name, string.Create(CultureInfo.InvariantCulture, $"{focalLengthMm} mm ƒ{widest:0.0}")), new(LensFields.Mount, mount), new(LensFields.Short, focalLengthMm), new(LensFields.Widest, widest),
        new(LensFields.ImageCircle, Math.Ceiling(circleMm)), new(LensFields.Iris, IrisControl.Ring),
    ]);

    private static double Rounded(double value) => double.Parse(value.ToString("G3", CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);

    /// <summary>The same question, asked of one body with something that is made up.</summary>
    private sealed record Asked(FittingShelf Shelf, Look Look, LookWishes Wishes, FitRules? Rules, GearItem Body, string Mount)
    {
        /// <summary>Whether there is room for glass between the body and a lens of a mount.</summary>
        public bool HasRoom(string lensMount) => Shelf.Mounts.FlangeMm(lensMount) > Shelf.Mounts.FlangeMm(Mount) + LeastRoomMm;

        public LookMatch? Try(IReadOnlyList<GearItem> with, FitMode mode)
        {
            var shelf = FittingShelf.Of([.. Shelf.Gear.Where(i => i.Kind == GearKind.Mount), Body.With(BodyFields.Modes, (GearItem[])[mode.Item]), .. with]);
            return new LookSearch(shelf, Look, Wishes, Rules, most: 1).Finish().Matches.FirstOrDefault(m => with.All(i => m.Rig.Parts.Any(p => p.Id == i.Id)));
        }
    }
}

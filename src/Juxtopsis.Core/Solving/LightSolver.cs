using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Solving;

/// <summary>Which settings bring a picture to a brightness: those that are free give way one after the other, in a person's order.</summary>
public sealed class LightSolver
{
    private const double Nothing = 1e-9;

    private readonly Scene scene;
    private readonly Rig rig;
    private readonly IReadOnlyList<ExposureControl> order;

    private LightSolver(in Scene scene, in Rig rig, IReadOnlyList<ExposureControl> order) => (this.scene, this.rig, this.order) = (scene, rig, order);

    /// <summary>The order in which settings give where nobody says otherwise.</summary>
    public static IReadOnlyList<ExposureControl> UsualOrder { get; } = [ExposureControl.Filter, ExposureControl.Sensitivity, ExposureControl.Shutter, ExposureControl.Aperture];

    /// <summary>Makes a picture brighter or darker.</summary>
    /// <param name="scene">The scene, with its shutter.</param>
    /// <param name="rig">The rig.</param>
    /// <param name="stops">How much brighter it is to be, stops; negative for darker.</param>
    /// <param name="order">What gives first; what is left out comes after, in its usual order.</param>
    /// <param name="free">What may give.</param>
    /// <param name="pinned">What may not because a person pinned it: where it would have helped, that is told.</param>
    /// <returns>
    /// How it is set then: each goes as far as it can (the aperture as far as the lens and what is behind it, the sensitivity between the lowest that the
    /// body has and the highest that is accepted, the shutter as long as movement neither stutters nor smears) before the next one moves. With what is left, and the least that would free it, where that is not enough.
    /// </returns>
    public static Solution Brighten(in Scene scene, in Rig rig, double stops, IReadOnlyList<ExposureControl> order, Giving free, Giving pinned)
    {
        ArgumentNullException.ThrowIfNull(order);
        return new LightSolver(scene, rig, [.. order.Concat(UsualOrder).Distinct()]).Solve(stops, free & ~pinned, pinned);
    }

    /// <summary>The setting as what may give.</summary>
    /// <param name="control">The setting.</param>
    /// <returns>The same as a flag.</returns>
    public static Giving GivingOf(ExposureControl control) => control switch
    {
        ExposureControl.Filter => Giving.Filter,
        ExposureControl.Sensitivity => Giving.Sensitivity,
        ExposureControl.Shutter => Giving.Shutter,
        _ => Giving.Aperture,
    };

    private Solution Solve(double stops, Giving free, Giving pinned)
    {
        var (set, left) = Give(stops, free);
        var isMet = Math.Abs(left) < Nothing;
        var said = Said(set);
        var (bound, fix) = isMet ? (SolveBound.None, "") : Freed(stops, free, pinned, left > 0);
        return new Solution("Light", bound, isMet ? said : $"{said} It stays {Count(Math.Round(Math.Abs(left), 1))} too {(left > 0 ? "dark" : "bright")}.".TrimStart(), fix)
        {
            SensitivityIso = set.SensitivityIso == rig.SensitivityIso ? null : set.SensitivityIso,
            FilterStops = set.FilterStops == rig.FilterStops ? null : set.FilterStops,
            ShutterAngleDeg = set.ShutterAngleDeg == rig.ShutterAngleDeg ? null : set.ShutterAngleDeg,
            FNumber = set.FNumber == rig.FNumber ? null : set.FNumber,
        };
    }

    /// <summary>Lets what is free give, in order.</summary>
    /// <returns>The rig as it is set then, and how much brighter it should still be, stops.</returns>
    private (Rig Set, double Left) Give(double stops, Giving free)
    {
        var (set, left) = (rig, stops);
        foreach (var control in order)
        {
            if (Math.Abs(left) >= Nothing && free.HasFlag(GivingOf(control)))
            {
                (set, left) = Moved(set, control, left);
            }
        }

        return (set, left);
    }

    private (Rig Set, double Left) Moved(in Rig set, ExposureControl control, double stops)
    {
        switch (control)
        {
            case ExposureControl.Filter:
                var filter = Math.Clamp(set.FilterStops - stops, 0, Quantity.FilterStops.Max);
                return (set with { FilterStops = filter }, stops - (set.FilterStops - filter));
            case ExposureControl.Sensitivity when set.SensitivityIso is { } now:
                var iso = Math.Clamp(now * PortableMath.Exp2(stops), Math.Min(now, set.LowestIso ?? ExposureSettings.ReferenceIso), Math.Max(now, set.HighestIso ?? Quantity.Sensitivity.Max));
                return (set with { SensitivityIso = iso }, stops - PortableMath.Log2(iso / now));
            case ExposureControl.Shutter:
                var angle = set.ShutterIn(scene).AngleAt(set.FpsIn(scene));
                // Movement is to look as it should.
                var turned = Math.Clamp(angle * PortableMath.Exp2(stops), Math.Min(angle, ReasonFinder.StuttersBelowDeg), Math.Max(angle, ReasonFinder.SmearsAboveDeg));
                return (set with { ShutterAngleDeg = turned }, stops - PortableMath.Log2(turned / angle));
            case ExposureControl.Aperture:
                // Opened farther than what is behind the lens lets out, nothing more comes through.
                var widest = Math.Max(LensOnSensor.WidestAt(set.Lens, LensOnSensor.InZoom(set)) ?? Quantity.FNumber.Min, set.OpticsFastestFNumber / set.Optics.Magnification ?? 0);
                var from = Math.Max(set.FNumber, widest);
                var fNumber = Math.Clamp(from * PortableMath.Exp2(-stops / 2), Math.Min(from, widest), Math.Max(from, set.Lens.NarrowestFNumber ?? Quantity.FNumber.Max));
                return (set with { FNumber = fNumber }, stops - 2 * PortableMath.Log2(from / fNumber));
            default:
                return (set, stops);
        }
    }

    /// <summary>What stopped it, and the least that would let it: the fewest pins, and of as few those that give first; else what no setting gives.</summary>
    private (SolveBound Bound, string Fix) Freed(double stops, Giving free, Giving pinned, bool isDark)
    {
        ExposureControl[] held = [.. order.Where(c => pinned.HasFlag(GivingOf(c)))];
        foreach (var freed in Enumerable.Range(1, (1 << held.Length) - 1).Select(some => held.Where((_, i) => (some >> i & 1) == 1).ToArray()).OrderBy(some => some.Length))
        {
            if (Give(stops, freed.Aggregate(free, (all, control) => all | GivingOf(control))) is { Left: var left, Set: var set } && Math.Abs(left) < Nothing)
            {
                return (SolveBound.Pinned, $"{Upper(Names(held))} {(held.Length == 1 ? "is" : "are")} pinned, and the light is held. Let go of {Names(freed)}: {Said(set)}");
            }
        }

        return isDark
            ? (SolveBound.Sensitivity, rig.SensitivityIso is null ? "Give the rig a sensitivity, so that it can rise; or add light." : "Add light, or open the aperture.")
            : (SolveBound.Filter, free.HasFlag(Giving.Filter) ? "Close the aperture, or shorten the shutter angle." : "Put a filter of that many stops on.");
    }

    private static string Name(ExposureControl control) => control switch
    {
        ExposureControl.Filter => "the filter",
        ExposureControl.Sensitivity => "the sensitivity",
        ExposureControl.Shutter => "the shutter",
        _ => "the aperture",
    };

    private static string Names(ExposureControl[] controls) =>
        controls.Length == 1 ? Name(controls[0]) : $"{string.Join(", ", controls.SkipLast(1).Select(Name))} and {Name(controls[^1])}";

    private static string Upper(string text) => char.ToUpperInvariant(text[0]) + text[1..];

    /// <summary>What moved, in the order in which it gave.</summary>
    private string Said(in Rig set)
    {
        var (was, now) = (rig, set);
        var moved = order.Select(control => control switch
        {
            ExposureControl.Filter => was.FilterStops == now.FilterStops ? "" : $"filter {LengthWords.Number(Math.Round(was.FilterStops, 2))} → {Count(Math.Round(now.FilterStops, 2))}",
            ExposureControl.Sensitivity => was.SensitivityIso == now.SensitivityIso ? "" : $"ISO {Rounded(was.SensitivityIso!.Value)} → {Rounded(now.SensitivityIso!.Value)}",
            ExposureControl.Shutter => was.ShutterAngleDeg == now.ShutterAngleDeg ? ""
                : $"shutter {LengthWords.Number(Math.Round(was.ShutterIn(scene).AngleAt(was.FpsIn(scene)), 1))} → {LengthWords.Number(Math.Round(now.ShutterAngleDeg!.Value, 1))}°",
            _ => was.FNumber == now.FNumber ? "" : $"{Setting.Aperture(was.FNumber)} → {Setting.Aperture(now.FNumber)}",
        });
        var said = string.Join(", ", moved.Where(m => m.Length > 0));
        return said.Length == 0 ? "" : said + ".";
    }

    private static string Rounded(double iso) => LengthWords.Number(Math.Round(iso));

    private static string Count(double stops) => $"{LengthWords.Number(stops)} {(stops == 1 ? "stop" : "stops")}";
}

using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Solving;

/// <summary>Where to stand and what focal length to take for a framing, and what framings a place allows.</summary>
public static class FramingSolver
{
    private const int Halvings = 80;

    /// <summary>What is said to be met is so when it is evaluated, to this share.</summary>
    private const double Exact = 1e-7;

    /// <summary>The distance at which a rig frames a size.</summary>
    /// <param name="scene">The scene, with the bounds of the place.</param>
    /// <param name="conventions">The conventions.</param>
    /// <param name="rig">The rig.</param>
    /// <param name="framing">What is to fill the picture.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>The distance, or the nearest possible with what stopped it.</returns>
    public static Solution Distance(in Scene scene, in Conventions conventions, in Rig rig, FramedSize framing, LengthUnit unit)
    {
        var setting = new Setting(scene, conventions, rig, unit);
        var (from, fromBound, to, toBound) = setting.Reach;
        if (from > to)
        {
            return NoPlace(setting, from, to);
        }

        var report = setting.Report;
        var m = (framing.IsAcross ? rig.Squeeze * report.Sensor.UsedWidthMm : report.Sensor.UsedHeightMm) / framing.SizeMm;
        var chain = LensInChain.Of(rig, report.Lens.UsedFocalLengthMm);
        var size = Size(setting, framing);
        if (chain.Travel.ForMagnification(m) is { } place)
        {
            var wanted = place.SubjectDistanceMm - RigEvaluator.MarkMm(conventions, rig);
            var met = setting.At(wanted) with { Rig = rig with { RackedFarther = chain.Travel.NeedsRackingFarther(place) } };
            if (wanted >= from * (1 - 1e-12) && wanted <= to * (1 + 1e-12) && met.Field(framing.IsAcross) is { } framed && Within(framed, framing.SizeMm, Exact))
            {
                return Of("Distance", SolveBound.None, $"{setting.Far(wanted)} frames {size}.", "", met) with { SubjectDistanceMm = wanted, RackedFarther = met.Rig.RackedFarther };
            }

            // Where it frames so there is no place for the camera: the nearest place there is.
            var bound = wanted < from ? fromBound : toBound;
            var reached = setting.At(Math.Clamp(wanted, from, to));
            return Of(
                "Distance", bound,
                $"{setting.Far(reached.Scene.SubjectDistanceMm)} is {Say(bound)}; there it frames {Framed(reached, framing)}, not {size}, which wants {setting.Far(wanted)}.",
                Lift(setting, bound, wanted), reached) with
            { SubjectDistanceMm = reached.Scene.SubjectDistanceMm };
        }

        // The travel ends before the framing: tighter than it gets at its nearest, or wider than it gets at its farthest.
        var isTooLarge = !(m < chain.Travel.EndMagnification());
        var (end, endBound) = isTooLarge ? (from, fromBound) : (Math.Min(to, Quantity.SubjectDistance.Max), toBound);
        var there = setting.At(end);
        return Of(
            "Distance", endBound, $"{setting.Far(end)} is {Say(endBound)}; there it frames {Framed(there, framing)}, not {size}.", Lift(setting, endBound, null), there) with
        { SubjectDistanceMm = end };
    }

    /// <summary>The focal length with which a rig frames a size from where it stands.</summary>
    /// <param name="scene">The scene.</param>
    /// <param name="conventions">The conventions.</param>
    /// <param name="rig">The rig; its zoom range bounds the answer, when known.</param>
    /// <param name="framing">What is to fill the picture.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>The focal length, or the nearest end of the zoom.</returns>
    public static Solution FocalLength(in Scene scene, in Conventions conventions, in Rig rig, FramedSize framing, LengthUnit unit)
    {
        // The lens's own zoom must not bound the search, or the wanted focal length could not be told.
        var setting = new Setting(scene, conventions, rig, unit);
        var free = setting with { Rig = rig with { Lens = rig.Lens with { ZoomShortMm = null, ZoomLongMm = null, WidestLongFNumber = null, WidestAlong = [] } } };
        var size = Size(setting, framing);
        if (Search(free, framing) is not { } wanted)
        {
            return new Solution(
                "Focal length", SolveBound.Impossible, $"No focal length frames {size} from {setting.Far(scene.SubjectDistanceMm)}.",
                "Go farther from the subject, or frame more.");
        }

        var (from, to) = rig.Lens is { ZoomShortMm: { } a, ZoomLongMm: { } b } ? (a, b) : (0.0, double.PositiveInfinity);
        var reached = Math.Clamp(wanted, from, to);
        var bound = Within(wanted, reached) ? SolveBound.None : wanted < from ? SolveBound.ZoomShort : SolveBound.ZoomLong;
        var there = setting.With(reached);
        if (bound == SolveBound.None && !(there.Field(framing.IsAcross) is { } given && Within(given, framing.SizeMm, Exact)))
        {
            return new Solution(
                "Focal length", SolveBound.Impossible, $"With {Setting.FocalLength(reached)} this lens does not focus where it would frame {size}.",
                "Go farther from the subject, or frame more.");
        }

        var end = from == to ? $"all that this lens has, {Setting.FocalLength(from)}" : bound == SolveBound.ZoomShort ? $"the short end, {Setting.FocalLength(from)}" : $"the long end, {Setting.FocalLength(to)}";
        var message = bound == SolveBound.None
            ? $"{Setting.FocalLength(reached)} frames {size}."
            : $"{Setting.FocalLength(wanted)} would frame {size}; {end}, frames {(there.Field(framing.IsAcross) is { } field ? setting.Far(field) : "nothing here, it is too close")}.";
        var mend = bound switch
        {
            SolveBound.ZoomShort => "Go farther back, use a shorter lens or a reducer.",
            SolveBound.ZoomLong => "Come nearer, use a longer lens, an extender, a cropped mode or punch in.",
            _ => "",
        };
        return Of("Focal length", bound, message, mend, there) with { FocalLengthMm = reached };
    }

    /// <summary>The widest and the tightest picture that a place and a lens allow.</summary>
    /// <param name="scene">The scene, with the bounds of the place.</param>
    /// <param name="conventions">The conventions.</param>
    /// <param name="rig">The rig; with a zoom both of its ends are tried.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>Two solutions, the widest first.</returns>
    public static IReadOnlyList<Solution> Range(in Scene scene, in Conventions conventions, in Rig rig, LengthUnit unit)
    {
        var setting = new Setting(scene, conventions, rig, unit);
        var ends = rig.Lens is { ZoomShortMm: { } a, ZoomLongMm: { } b } && a < b ? [setting.With(a), setting.With(b)] : (IReadOnlyList<Setting>)[setting];
        var (widest, tightest) = ((Solution?)null, (Solution?)null);
        foreach (var end in ends)
        {
            var (from, fromBound, to, toBound) = end.Reach;
            if (from > to)
            {
                continue;
            }

            if (End("Widest", end, to, toBound) is not { } wide || End("Tightest", end, from, fromBound) is not { } tight)
            {
                continue;
            }

            widest = (wide.FieldWidthMm ?? double.PositiveInfinity) > (widest is null ? 0 : widest.FieldWidthMm ?? double.PositiveInfinity) ? wide : widest ?? wide;
            tightest = tightest is null || tight.FieldWidthMm < tightest.FieldWidthMm ? tight : tightest;
        }

        return widest is null || tightest is null ? [NoPlace(setting, setting.Reach.From, setting.Reach.To)] : [widest, tightest];
    }

    private static Solution? End(string what, in Setting setting, double distance, SolveBound bound)
    {
        var lens = Setting.FocalLength(setting.Rig.FocalLengthMm);
        if (double.IsPositiveInfinity(distance))
        {
            return new Solution(what, SolveBound.None, $"With {lens} as much as one likes: the place has no end.", "") { FocalLengthMm = setting.Rig.FocalLengthMm };
        }

        var there = setting.At(distance);
        if (there.Report.Focus is not { } focus)
        {
            return null;
        }

        return Of(
            what,
            bound,
            $"{setting.Far(focus.FieldWidthMm)} × {setting.Far(focus.FieldHeightMm)} with {lens} at {setting.Far(distance)}, {Say(bound)}.",
            Lift(setting, bound, null),
            there) with
        { SubjectDistanceMm = distance, FocalLengthMm = setting.Rig.FocalLengthMm };
    }

    /// <summary>Halves the range of focal lengths, in proportion: the longer, the smaller the field; too long, and there is none.</summary>
    private static double? Search(in Setting free, FramedSize framing)
    {
        var low = Quantity.FocalLength.Min;
        var high = Quantity.FocalLength.Max;
        if (!(free.With(low).Field(framing.IsAcross) >= framing.SizeMm) || free.With(high).Field(framing.IsAcross) > framing.SizeMm)
        {
            return null;
        }

        for (var i = 0; i < Halvings; i++)
        {
            var middle = Math.Sqrt(low * high);
            if (free.With(middle).Field(framing.IsAcross) > framing.SizeMm)
            {
                low = middle;
            }
            else
            {
                high = middle;
            }
        }

        // Where focus ends before the framing is reached, the search stops at that end and not at the framing.
        return free.With(low).Field(framing.IsAcross) is { } field && Within(field, framing.SizeMm) ? low : null;
    }

    private static Solution Of(string what, SolveBound bound, string message, string mend, in Setting there)
    {
        var focus = there.Report.Focus;
        return new Solution(what, bound, message, mend) { FieldWidthMm = focus?.FieldWidthMm, FieldHeightMm = focus?.FieldHeightMm };
    }

    private static string Size(in Setting setting, FramedSize framing) => $"{setting.Far(framing.SizeMm)} {(framing.IsAcross ? "across" : "upright")}";

    private static Solution NoPlace(in Setting setting, double from, double to) => new(
        "Distance", SolveBound.Impossible,
        $"There is no place to stand: the camera must be {setting.Far(from)} away or more, and cannot be farther than {setting.Far(to)}.",
        "Use a lens that focuses nearer, or another place.");

    private static bool Within(double wanted, double reached, double share = 1e-9) => Math.Abs(wanted - reached) <= share * reached;

    private static string Framed(in Setting there, FramedSize framing) => there.Field(framing.IsAcross) is { } field ? there.Far(field) : "nothing, out of focus";

    private static string Say(SolveBound bound) => bound switch
    {
        SolveBound.MinimumFocusDistance => "the nearest that it focuses",
        SolveBound.MaximumFocusDistance => "the farthest that it focuses",
        SolveBound.NearestPlace => "as near as the camera may come",
        SolveBound.LensFront => "just in front of the lens",
        _ => "as far as the room goes",
    };

    private static string Lift(in Setting setting, SolveBound bound, double? wanted)
    {
        var short_ = wanted is { } w && setting.Scene.FarthestCameraMm is { } room && w > room ? $" by {setting.Far(w - room)}" : "";
        return bound switch
        {
            SolveBound.MinimumFocusDistance => "Use a lens that focuses nearer, a tube, a close-up lens, an extender, a cropped mode or punch in.",
            SolveBound.MaximumFocusDistance => "Take the tube or close-up lens off.",
            SolveBound.LensFront => "Nearer, the subject would be inside the lens: use a longer lens, an extender, a cropped mode or punch in.",
            SolveBound.NearestPlace => "Keep the distance; use a longer lens, an extender, a cropped mode or punch in.",
            SolveBound.FarthestPlace => $"The room is too short{short_}: use a shorter lens, a reducer, a larger mode, or move the subject.",
            _ => "",
        };
    }
}

using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Solving;

/// <summary>Which aperture, and which focus, give a sharp zone or a blur.</summary>
public static class ApertureSolver
{
    private const int Halvings = 100;

    /// <summary>What is said to be met is so when it is evaluated, to this share.</summary>
    private const double Exact = 1e-7;

    /// <summary>Focus and aperture that make all sharp from one distance to another, and no more.</summary>
    /// <param name="scene">The scene.</param>
    /// <param name="conventions">The conventions.</param>
    /// <param name="rig">The rig.</param>
    /// <param name="fromMm">Where the zone is to begin, mm from the chosen mark.</param>
    /// <param name="toMm">Where it is to end, mm; infinity allowed.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>
    /// Focus at 2ab/(a + b) from the entrance pupil, found by halving because the pupil moves as the lens focuses, and
    /// N = e·f·m/c with e = (b − a)/(a + b).
    /// </returns>
    public static Solution ForDepth(in Scene scene, in Conventions conventions, in Rig rig, double fromMm, double toMm, LengthUnit unit)
    {
        var setting = new Setting(scene, conventions, rig, unit);
        var zone = $"{setting.Far(fromMm)} to {setting.Far(toMm)}";
        var limits = setting.Report.Limits;
        var low = Math.Max(fromMm, limits.NearestSubjectDistanceMm);
        var high = Math.Min(double.IsInfinity(toMm) ? Quantity.SubjectDistance.Max : toMm, limits.FarthestSubjectDistanceMm);
        if (!(low < high) || Balance(setting, low, fromMm, toMm) > 0 || Balance(setting, high, fromMm, toMm) < 0)
        {
            return new Solution(
                "Sharp zone", SolveBound.MinimumFocusDistance,
                $"For {zone} it would have to focus where it cannot: it focuses from {setting.Far(limits.NearestSubjectDistanceMm)} to {setting.Far(limits.FarthestSubjectDistanceMm)}.",
                "Move the camera back, or use a lens that focuses there.");
        }

        for (var i = 0; i < Halvings; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Balance(setting, middle, fromMm, toMm) > 0 ? (low, middle) : (middle, high);
        }

        var there = setting.At(high);
        var report = there.Report;
        var focus = report.Focus!.Value;
        var (near, far) = FromPupil(focus, high, fromMm, toMm);
        var tolerance = double.IsInfinity(far) ? 1 : (far - near) / (far + near);
        var circle = SharpnessLimits.DepthCircleMm(report.Sharpness.CircleOfConfusionMm, conventions, rig);

        // The pupil goes inversely with the aperture, and e with the pupil.
        var wanted = report.Lens.EffectiveFNumber * (focus.PupilMm * focus.Magnification * tolerance / circle) / rig.Optics.Magnification;
        var solution = Set("Sharp zone", there, wanted, $"{zone} sharp: focus at {setting.Far(high)}", isDepth: true) with { SubjectDistanceMm = high };
        return !solution.IsMet || Holds(there, solution.FNumber!.Value, fromMm, toMm) ? solution
            : new Solution("Sharp zone", SolveBound.Impossible, $"No focus of this rig makes {zone} sharp and no more.", "Ask for another zone, or use another lens.");
    }

    /// <summary>Whether the evaluator agrees that a zone is sharp.</summary>
    private static bool Holds(in Setting there, double fNumber, double fromMm, double toMm) =>
        (there with { Rig = there.Rig with { FNumber = fNumber } }).Report.Focus is { } focus
        && focus.DepthOfFieldNearMm <= fromMm * (1 + Exact)
        && (double.IsInfinity(toMm) ? focus.Tolerance >= 1 - Exact : focus.DepthOfFieldFarMm >= toMm * (1 - Exact));

    /// <summary>The aperture that blurs the background by a share of the picture's height.</summary>
    /// <param name="scene">The scene.</param>
    /// <param name="conventions">The conventions.</param>
    /// <param name="rig">The rig.</param>
    /// <param name="share">Height of a point's disc over the picture's height.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>N·(share now)/(share wanted): blur goes with the pupil.</returns>
    public static Solution ForBlur(in Scene scene, in Conventions conventions, in Rig rig, double share, LengthUnit unit)
    {
        var setting = new Setting(scene, conventions, rig, unit);
        var report = setting.Report;
        if (report.Focus is not { } focus)
        {
            return new Solution("Blur behind", SolveBound.MinimumFocusDistance, "The rig cannot focus on the subject.", "Mend that first.");
        }

        if (focus.BackgroundDiscFractionOfHeight <= 0)
        {
            return new Solution(
                "Blur behind", SolveBound.Impossible, "The background is in the plane of focus: no aperture blurs it.", "Bring the subject forward.");
        }

        var wanted = report.Lens.EffectiveFNumber * (focus.BackgroundDiscFractionOfHeight / share) / rig.Optics.Magnification;
        return Set("Blur behind", setting, wanted, $"A disc of {LengthWords.Number(Math.Round(100 * share, 2))} % of the height", isDepth: false);
    }

    /// <summary>How far the focus lies behind the middle (by reciprocals) of the zone; grows with the distance.</summary>
    private static double Balance(in Setting setting, double distance, double from, double to)
    {
        if (setting.At(distance).Report.Focus is not { } focus)
        {
            return double.NaN;
        }

        var (near, far) = FromPupil(focus, distance, from, to);
        return near <= 0 ? 1 : focus.SubjectFromPupilMm - (double.IsInfinity(far) ? 2 * near : 2 * near * far / (near + far));
    }

    private static (double Near, double Far) FromPupil(in FocusReport focus, double distance, double from, double to)
    {
        var pupil = distance - focus.SubjectFromPupilMm;
        return (from - pupil, to - pupil);
    }

    /// <summary>Brings a wanted aperture within what lens and reducer have, and says what that means.</summary>
    private static Solution Set(string what, in Setting setting, double wanted, string lead, bool isDepth)
    {
        var rig = setting.Rig;
        var widest = LensOnSensor.WidestAt(rig.Lens, LensOnSensor.InZoom(rig)) ?? Quantity.FNumber.Min;
        widest = Math.Max(widest, (rig.OpticsFastestFNumber ?? ReasonFinder.FastestPossible) / rig.Optics.Magnification);
        var narrowest = Math.Max(widest, rig.Lens.NarrowestFNumber ?? Quantity.FNumber.Max);
        var reached = Math.Clamp(wanted, widest, narrowest);
        var there = setting with { Rig = rig with { FNumber = reached } };
        var report = there.Report;
        var isWide = wanted < widest * (1 - 1e-9);
        var isNarrow = wanted > narrowest * (1 + 1e-9);
        var off = LengthWords.Number(Math.Round(Math.Abs(2 * PortableMath.Log2(wanted / reached)), 1));
        var (bound, message, mend) = (isDepth, isWide, isNarrow) switch
        {
            (true, true, _) => (SolveBound.None, $"{lead}; the widest, {Setting.Aperture(reached)}, is sharp over more than that.", ""),
            (false, true, _) => (
                SolveBound.WidestAperture, $"{lead} wants {Setting.Aperture(wanted)}; the widest is {Setting.Aperture(reached)}: {off} stops deeper at best.",
                "Use a longer lens from farther back, a larger mode, a faster lens or a faster reducer, or move the background away."),
            (_, _, true) => (
                SolveBound.NarrowestAperture, $"{lead} wants {Setting.Aperture(wanted)}; the narrowest is {Setting.Aperture(reached)}, {off} stops short.",
                isDepth ? "Go farther back, use a shorter lens or a smaller mode." : "Bring the background nearer, or use a shorter lens."),
            _ when report.Focus?.AiryDiscMm > report.Sharpness.CircleOfConfusionMm => (
                SolveBound.Diffraction, $"{lead}, at {Setting.Aperture(reached)}; there diffraction makes all softer than what counts as sharp.",
                "Accept it, go farther back, or use a smaller mode."),
            _ => (SolveBound.None, isDepth ? $"{lead}, at {Setting.Aperture(reached)}." : $"{lead}: {Setting.Aperture(reached)}.", ""),
        };
        return new Solution(what, bound, message, mend)
        {
            FNumber = reached,
            FieldWidthMm = report.Focus?.FieldWidthMm,
            FieldHeightMm = report.Focus?.FieldHeightMm,
        };
    }
}

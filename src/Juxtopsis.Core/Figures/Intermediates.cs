using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Figures;

/// <summary>What is met on the way from what is typed to a figure.</summary>
internal static class Intermediates
{
    public static IReadOnlyList<Term> All { get; } =
    [
        Lens("Wp", "picture width on the sensor’s scale", (in _) => "S·Wu", (in c) => c.Rig.Squeeze * c.Report.Sensor.UsedWidthMm),
        Lens("Dp", "picture diagonal on the sensor’s scale", (in _) => "√(Wp² + Hu²)", (in c) => Used(c).PictureDiagonalMm),
        Lens(
            "Ht",
            "height of the trimmed reference format",
            (in c) => c.Report.Sensor.DeliveredAspect > c.Conventions.ReferenceWidthMm / c.Conventions.ReferenceHeightMm ? "Wr/A" : "Hr",
            (in c) => UsedArea.Trim(c.Conventions.ReferenceWidthMm, c.Conventions.ReferenceHeightMm, 1, c.Report.Sensor.DeliveredAspect).HeightMm) with
        { Schools = Schools.Reference },
        Lens("Ar", "area of the picture within the image circle, mm²", None, (in c) => (1 - c.Report.Sensor.DarkShare) * Used(c).WidthMm * Used(c).HeightMm),
        Lens(
            "fz",
            "focal length within the zoom",
            (in c) => c.Rig.Lens.ZoomShortMm is null ? "f₀" : "min(max(f₀, Zs), Zl)",
            (in c) => LensOnSensor.InZoom(c.Rig)),
        Lens("fu", "focal length that counts", (in c) => IsMeasured(c) ? "fm" : "fz", (in c) => c.Report.Lens.UsedFocalLengthMm) with
        { Schools = Schools.FocalLength },
        Of("Nu", "aperture that counts", FigureUnit.FNumber, ApertureThatCounts, (in c) => c.Report.Lens.UsedFNumber),
        Lens("cd", "circle that decides depth", (in c) => NarrowsDepth(c) ? "c·S" : "c", DepthCircle) with { Schools = Schools.SqueezedDepth },
        Of("mh", "ratio at the hyperfocal distance", FigureUnit.Ratio, (in _) => "N·cd/f", (in c) => c.Report.Lens.EffectiveFNumber * DepthCircle(c) / c.Report.Lens.EffectiveFocalLengthMm),
        Scene("Ds", "subject from the sensor mark", (in c) => Mark(c) == 0 ? "D" : "D + L", (in c) => c.Scene.SubjectDistanceMm + Mark(c)) with
        { Schools = Schools.Distance },
        Of("φ", "power of the close-up lens, 1/mm", FigureUnit.Ratio, (in c) => c.Rig.CloseUpDioptres == 0 ? "0" : "Dd/1000", (in c) => c.Rig.CloseUpDioptres / 1000),
        Lens(
            "fj",
            "focal length with the close-up lens",
            (in c) => c.Rig.CloseUpDioptres == 0 ? Own(c) : $"{Own(c)}/(1 + φ·{Own(c)})",
            (in c) => c.Travel.InfinityFocalLengthMm / (1 + c.Travel.CloseUpPerMm * c.Travel.InfinityFocalLengthMm)),
        Lens("fk", "focal length at the nearest focus", (in _) => "Dk·mk/(1 + mk)²", (in c) => NearestFocalLength(c)),
        Lens("Ev", "extension in effect", (in c) => c.Rig.Optics.TubesBehindMm == 0 ? "E" : "", (in c) => c.Travel.Rear.ShiftMm),
        Of("kt", "magnification of what stands behind the lens, as it stands", FigureUnit.Times, (in c) => !c.Chain.IsTraced ? "1" : c.Rig.Optics.TubesBehindMm == 0 ? "k" : "", (in c) => c.Travel.Rear.Magnification),
        Lens("Xt", "from the plane that the lens images onto to the sensor, traced", (in c) => c.Chain.IsTraced ? "" : "0", (in c) => c.Travel.Rear.TrackMm),
        Of("iₒ", "ratio of the lens alone, found so that s + v is the distance", FigureUnit.Ratio, None, (in c) => OwnRatio(c)),
        Lens("ff", "focal length at this focus", (in c) => Breathes(c) ? $"{Own(c)} + (fk − {Own(c)})·iₒ/mk" : Own(c), (in c) => c.Report.Focus?.FocalLengthMm),
        Lens(
            "s",
            "subject from the lens",
            (in c) => HasGap(c) ? "(ff·v − gf·(ff·iₒ + Ev))/(ff·iₒ + Ev + φ·(ff·v − gf·(ff·iₒ + Ev)))"
                : Breathes(c) ? "1/((ff·iₒ + Ev)/(ff·v) + φ)"
                : IsLargerThanLife(c) ? "fj·v/(v − fj)" : Longer(c),
            (in c) => c.Report.Focus?.SubjectFromLensMm),
        Lens("v", "image distance", (in c) => Breathes(c) || HasGap(c) ? "ff·(1 + iₒ) + Ev" : IsLargerThanLife(c) ? Longer(c) : "fj·s/(s − fj)", (in c) => c.Report.Focus?.ImageDistanceMm),
        Of("i", "racked out", FigureUnit.Ratio, (in c) => c.Report.Focus?.RackedOut == 0 ? "0" : c.Rig.CloseUpDioptres == 0 ? "v/s" : HasGap(c) ? "iₒ + Ev/ff" : "v/s − φ·v", (in c) => c.Report.Focus?.RackedOut),
        Of("P", "pupil magnification", FigureUnit.Ratio, (in c) => c.Rig.Lens.PupilMagnification is null ? "1" : c.Chain.IsTraced || c.Rig.Optics.IsNone ? "P₀" : "1/max(0.05, 1 + (1/P₀ − 1)/k)", (in c) => c.Chain.PupilMagnification),
        Lens("ζ", "pupil behind the close-up lens", (in c) => $"min({Gap(c)} − ff·(1 − 1/P), 0.5/φ)", (in c) => c.Report.Focus is { } focus ? c.Chain.PupilBehindFrontMm(Place(focus)) : null),

        Of("w", "working over set f-number", FigureUnit.Ratio, (in c) => c.Report.Focus is null ? "1" : c.Rig.Optics.TubesBehindMm != 0 && c.Chain.IsTraced ? "kt/k·(1 + i/P)" : "1 + i/P", (in c) => c.Report.Focus?.BellowsFactor ?? 1),
        Lens("b", "background from the entrance pupil", (in _) => "a + B − D", (in c) => c.Report.Focus?.BackgroundFromPupilMm),
        Of("e", "circle at the subject over the pupil", FigureUnit.Ratio, (in _) => "cd/(p·m)", (in c) => c.Report.Focus?.Tolerance),
        Of("Fc", "frames a second that count", FigureUnit.PerSecond, (in c) => c.Rig.CaptureFps is null ? "Ft" : "Fq", (in c) => c.Report.Light.CaptureFps),
        Of("Tk", "working T-number", FigureUnit.TNumber, (in c) => c.Report.Lens.EffectiveTNumber is null ? "N·w" : "T·w", (in c) => c.Report.Light.WorkingTNumber),
        Of("Ln", "light that the setting needs", FigureUnit.Ratio, (in _) => "Tk²/t·2^g", (in c) => c.Report.Light.LightNeeded),
        Of("st", "stabilisation that counts", FigureUnit.Stops, (in c) => c.Rig.StabilisersAddUp ? "sb + sl" : "max(sb, sl)", (in c) => c.Report.Handling.StabilisationStops),
        Of(
            "Cs",
            "crop factor to full frame",
            FigureUnit.Times,
            (in c) => c.Report.Sensor.DeliveredAspect > 1.5 ? "36/(A·Hu)" : "24/Hu",
            (in c) => UsedArea.Trim(36, 24, 1, c.Report.Sensor.DeliveredAspect).HeightMm / c.Report.Sensor.UsedHeightMm),
    ];

    /// <summary>The longer of the two distances that add up to Ds.</summary>
    private static string Longer(in FigureCase c) => c.Chain.IsTraced ? "(Ds − Xt + √((Ds − Xt)² − 4·fj·(Ds − Xt)))/2" : "(Ds + √(Ds² − 4·fj·Ds))/2";

    /// <summary>The focal length that the lens focuses with: its own, or that of lens and glass together where they are one thin lens.</summary>
    private static string Own(in FigureCase c) => c.Chain.IsTraced ? "fu" : "f";

    private static bool HasGap(in FigureCase c) => c.Travel is { CloseUpPerMm: not 0, CloseUpFromLensMm: not 0 };

    private static string Gap(in FigureCase c) => HasGap(c) ? "gf" : "0";

    private static FocusPlace Place(in FocusReport focus) => new(
        focus.FocalLengthMm, focus.SubjectFromLensMm, focus.ImageDistanceMm, focus.Magnification, focus.RackedOut, focus.RestMm, focus.Ring);

    private static bool IsLargerThanLife(in FigureCase c) => c.Report.Focus is { } focus && focus.ImageDistanceMm > focus.SubjectFromLensMm;

    private static string None(in FigureCase _) => "";

    private static double Mark(in FigureCase c) => RigEvaluator.MarkMm(c.Conventions, c.Rig);

    private static UsedArea Used(in FigureCase c) => new(c.Report.Sensor.UsedWidthMm, c.Report.Sensor.UsedHeightMm, c.Rig.Squeeze);

    private static bool IsMeasured(in FigureCase c) =>
        c.Conventions.FocalLength == FocalLengthSchool.Measured && c.Rig.Lens.MeasuredFocalLengthMm is not null;

    private static bool NarrowsDepth(in FigureCase c) =>
        c.Conventions.SqueezedDepth == DepthSchool.Horizontal && c.Rig.PupilNarrowing() != 1;

    private static double? DepthCircle(in FigureCase c) => SharpnessLimits.DepthCircleMm(c.Report.Sharpness.CircleOfConfusionMm, c.Conventions, c.Rig);

    private static bool Breathes(in FigureCase c) => c.Rig.Lens is { MinimumFocusDistanceMm: not null, MaximumMagnification: not null };

    private static double? NearestFocalLength(in FigureCase c) =>
        c.Rig.Lens is { MinimumFocusDistanceMm: { } nearest, MaximumMagnification: { } ratio }
            ? ThinLens.FocalLengthMm(nearest, ratio)
            : null;

    private static double? OwnRatio(in FigureCase c) => c.Report.Focus?.Ring;

    private static string ApertureThatCounts(in FigureCase c) =>
        c.Report.Lens.UsedFNumber == c.Rig.FNumber ? "N₀" : c.Report.Lens.UsedFNumber == c.Rig.Lens.NarrowestFNumber ? "Nn" : "Nx";

    private static Term Of(string symbol, string name, FigureUnit unit, FigureFormula formula, FigureValue value) => new(symbol, name, unit, formula, value);

    private static Term Lens(string symbol, string name, FigureFormula formula, FigureValue value) => Of(symbol, name, FigureUnit.LensMm, formula, value);

    private static Term Scene(string symbol, string name, FigureFormula formula, FigureValue value) => Of(symbol, name, FigureUnit.SceneMm, formula, value);
}

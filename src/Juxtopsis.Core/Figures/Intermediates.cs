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
            (in c) => c.Rig.CloseUpDioptres == 0 ? "f" : "f/(1 + φ·f)",
            (in c) => c.Report.Lens.EffectiveFocalLengthMm / (1 + c.Rig.CloseUpDioptres / 1000 * c.Report.Lens.EffectiveFocalLengthMm)),
        Lens("fk", "focal length at the nearest focus", (in _) => "Dk·k·mk/(1 + k·mk)²", (in c) => NearestFocalLength(c)),
        Of("iₒ", "ratio of the lens alone, found so that s + v is the distance", FigureUnit.Ratio, None, (in c) => OwnRatio(c)),
        Lens("ff", "focal length at this focus", (in c) => Breathes(c) ? "f + (fk − f)·iₒ/(k·mk)" : "f", (in c) => c.Report.Focus?.FocalLengthMm),
        Lens(
            "s",
            "subject from the lens",
            (in c) => Breathes(c) ? "1/((ff·iₒ + E)/(ff·v) + φ)"
                : IsLargerThanLife(c) ? "fj·v/(v − fj)" : Longer,
            (in c) => c.Report.Focus?.SubjectFromLensMm),
        Lens("v", "image distance", (in c) => Breathes(c) ? "ff·(1 + iₒ) + E" : IsLargerThanLife(c) ? Longer : "fj·s/(s − fj)", (in c) => c.Report.Focus?.ImageDistanceMm),
        Of("i", "racked out", FigureUnit.Ratio, (in c) => c.Report.Focus?.RackedOut == 0 ? "0" : c.Rig.CloseUpDioptres == 0 ? "v/s" : "v/s − φ·v", (in c) => c.Report.Focus?.RackedOut),
        Of("P", "pupil magnification", FigureUnit.Ratio, (in c) => c.Rig.Lens.PupilMagnification is null ? "1" : "P₀·k", (in c) => FocusReport.PupilMagnification(c.Rig)),
        Of("w", "working over set f-number", FigureUnit.Ratio, (in c) => c.Report.Focus is null ? "1" : "1 + i/P", (in c) => c.Report.Focus?.WorkingOverSet ?? 1),
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
    private const string Longer = "(Ds + √(Ds² − 4·fj·Ds))/2";

    private static bool IsLargerThanLife(in FigureCase c) => c.Report.Focus is { } focus && focus.ImageDistanceMm > focus.SubjectFromLensMm;

    private static string None(in FigureCase _) => "";

    private static double Mark(in FigureCase c) => RigEvaluator.MarkMm(c.Conventions, c.Rig);

    private static UsedArea Used(in FigureCase c) => new(c.Report.Sensor.UsedWidthMm, c.Report.Sensor.UsedHeightMm, c.Rig.Squeeze);

    private static bool IsMeasured(in FigureCase c) =>
        c.Conventions.FocalLength == FocalLengthSchool.Measured && c.Rig.Lens.MeasuredFocalLengthMm is not null;

    private static bool NarrowsDepth(in FigureCase c) =>
        c.Conventions.SqueezedDepth == DepthSchool.Horizontal && c.Rig.PupilNarrowing() != 1;

    private static double? DepthCircle(in FigureCase c) => SharpnessLimits.DepthCircleMm(c.Report.Sharpness.CircleOfConfusionMm, c.Conventions, c.Rig);

    private static bool Breathes(in FigureCase c) => c.Rig.Lens is { NearestFocusMm: not null, LargestMagnification: not null };

    private static double? NearestFocalLength(in FigureCase c) =>
        c.Rig.Lens is { NearestFocusMm: { } nearest, LargestMagnification: { } ratio }
            ? ThinLens.FocalLengthMm(nearest, ratio * c.Rig.Optics.Magnification)
            : null;

    private static double? OwnRatio(in FigureCase c) =>
        c.Report.Focus is { } focus ? focus.RackedOut - c.Rig.ExtensionMm / focus.FocalLengthMm : null;

    private static string ApertureThatCounts(in FigureCase c) =>
        c.Report.Lens.UsedFNumber == c.Rig.FNumber ? "N₀" : c.Report.Lens.UsedFNumber == c.Rig.Lens.NarrowestFNumber ? "Nn" : "Nx";

    private static Term Of(string symbol, string name, FigureUnit unit, FigureFormula formula, FigureValue value) => new(symbol, name, unit, formula, value);

    private static Term Lens(string symbol, string name, FigureFormula formula, FigureValue value) => Of(symbol, name, FigureUnit.LensMm, formula, value);

    private static Term Scene(string symbol, string name, FigureFormula formula, FigureValue value) => Of(symbol, name, FigureUnit.SceneMm, formula, value);
}

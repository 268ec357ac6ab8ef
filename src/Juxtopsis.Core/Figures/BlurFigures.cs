using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Figures;

/// <summary>What a point at the background becomes, and what diffraction makes of one in focus.</summary>
internal static class BlurFigures
{
    private const string Ray = "similar triangles through the pupil; Ray, Applied Photographic Optics";
    private const string Hecht = "Hecht, Optics, chapter 10";

    private static bool Open(in FigureCase c) => double.IsPositiveInfinity(c.Scene.BackgroundDistanceMm);

    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        new(
            FigureId.PupilMm, "p", "Pupil", FigureUnit.LensMm, FigureComparison.Percent,
            "Diameter of the opening as the subject sees it; blur measured at the subject never exceeds it.",
            (in c) => (c.Chain.IsTraced ? "k·ff/N" : "ff/N") + (c.Travel.CloseUpPerMm == 0 ? "" : "/(1 − φ·ζ)"),
            (in c) => c.Report.Focus?.PupilMm),
        new(
            FigureId.BackgroundDiscMm, "du", "Blur behind, on the sensor", FigureUnit.LensMm, FigureComparison.Percent,
            "Height of the disc that a point at the background makes on the sensor.",
            (in c) => Open(c) ? "p·m" : "p·m·|b − a|/b",
            (in c) => c.Report.Focus?.BackgroundDiscMm) { Source = Ray },
        new(
            FigureId.BackgroundDiscAcrossMm, "da", "Blur behind, across", FigureUnit.LensMm, FigureComparison.Percent,
            "Width of that disc in the desqueezed picture, on the sensor's scale. Narrower than tall with a front squeeze.",
            (in c) => c.Rig.SqueezePlace == SqueezePlace.Front ? "du/S" : "du",
            (in c) => c.Report.Focus?.BackgroundDiscMm / c.Rig.PupilNarrowing()) { Source = Ray },
        new(
            FigureId.BackgroundDiscFractionOfHeight, "Bu", "Blur behind", FigureUnit.Share, FigureComparison.Percent,
            "Height of the disc of a point at the background, in per cent of the picture’s height.",
            (in _) => "du/Hu",
            (in c) => c.Report.Focus?.BackgroundDiscFractionOfHeight) { Source = Ray },
        new(
            FigureId.BackgroundDiscFractionOfWidth, "Ba", "Blur behind, of the width", FigureUnit.Share, FigureComparison.Percent,
            "Width of the disc of a point at the background, in per cent of the picture’s width.",
            (in _) => "da/Wp",
            (in c) => c.Report.Focus?.BackgroundDiscFractionOfWidth) { Source = Ray },
        new(
            FigureId.BackgroundDiscPx, "Bp", "Blur behind, in pixels", FigureUnit.Pixels, FigureComparison.Percent,
            "Height of that disc in delivered pixels.",
            (in _) => "du/Hu·Q/A",
            (in c) => c.Report.Focus?.BackgroundDiscFractionOfHeight * c.Scene.DeliveryWidthPx / c.Report.Sensor.DeliveredAspect) { Source = Ray },
        new(
            FigureId.BackgroundDiscAcrossPx, "Bq", "Blur across, in pixels", FigureUnit.Pixels, FigureComparison.Percent,
            "Width of that disc in delivered pixels.",
            (in _) => "da/Wp·Q",
            (in c) => c.Report.Focus?.BackgroundDiscFractionOfWidth * c.Scene.DeliveryWidthPx) { Source = Ray },
        new(
            FigureId.BackgroundDiscCircles, "Bc", "Blur behind, in circles", FigureUnit.Count, FigureComparison.Percent,
            "Height of that disc in circles of confusion; up to 1 it counts as sharp.",
            (in _) => "du/c",
            (in c) => c.Report.Focus?.BackgroundDiscMm / c.Report.Sharpness.CircleOfConfusionMm) { Source = Ray, Schools = Schools.Circle },
        new(
            FigureId.BlurAtSubjectMm, "Bs", "Blur at the subject's scale", FigureUnit.LensMm, FigureComparison.Percent,
            "That disc laid on the subject: a background point hides as much of a face.",
            (in _) => "du/m",
            (in c) => c.Report.Focus?.BackgroundDiscMm / c.Report.Focus?.Magnification) { Source = Ray },
        new(
            FigureId.BackgroundReading, "Rd", "The background reads", FigureUnit.Reading, FigureComparison.None,
            "Sharp up to one circle; slightly soft up to 0.5 % of the height, large lettering still reads; soft up to 2 %, shapes are told; very soft up to 6 %, only colours; dissolved above.",
            (in _) => "",
            (in c) => c.Report.Focus is { } focus
                ? (double)BackgroundReadings.Of(focus.BackgroundDiscMm, c.Report.Sharpness.CircleOfConfusionMm, focus.BackgroundDiscFractionOfHeight)
                : null)
        { Schools = Schools.Circle, Limits = "Our own steps, in words that people use; look at the frame." },
        new(
            FigureId.AiryDiscMm, "dy", "Diffraction disc", FigureUnit.LensMm, FigureComparison.Percent,
            "Disc that diffraction makes of a point in perfect focus; closing the aperture makes it larger.",
            (in _) => "2.44·λ·N·w",
            (in c) => c.Report.Focus?.AiryDiscMm) { Source = Hecht, Limits = "For green light, 0.00055 mm; a round opening." },
        new(
            FigureId.AiryDiscCircles, "dc", "Diffraction, in circles", FigureUnit.Count, FigureComparison.Percent,
            "Diffraction disc in circles of confusion; above 1 it decides what is sharp.",
            (in _) => "dy/c",
            (in c) => c.Report.Focus?.AiryDiscMm / c.Report.Sharpness.CircleOfConfusionMm) { Source = Hecht, Schools = Schools.Circle, WorryAbove = 1 },
        new(
            FigureId.DiffractionFNumber, "Ny", "Diffraction from", FigureUnit.FNumber, FigureComparison.Stops,
            "The aperture on the lens beyond which diffraction overtakes the circle of confusion.",
            (in _) => "c/(2.44·λ·w·k)",
            (in c) => Blur.DiffractionFNumber(c.Report.Sharpness.CircleOfConfusionMm, c.Report.Focus?.BellowsFactor ?? 1) / c.Report.Crop.OpticsStep)
        { Source = Hecht, Schools = Schools.Circle },
    ];
}

using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Rigs;

/// <content>What the picture can show.</content>
public static partial class ReasonWords
{
    private static Diagnostic Picture(in FigureCase given, Reasons kind)
    {
        var rig = given.Rig;
        var report = given.Report;
        switch (kind)
        {
            case Reasons.CircleLargerThanFrame:
                var circle = LengthWords.Millimetres(report.Sharpness.CircleOfConfusionMm);
                var height = LengthWords.Millimetres(report.Sensor.UsedHeightMm);
                return new(
                    CodeOf(kind), Severity.Stops, "Circle of confusion", circle, height,
                    $"A circle of confusion of {circle} is larger than the picture, which is {height} high on the sensor: everything would count as sharp.",
                    "Choose a smaller circle under Conventions, or less punch-in.");
            case Reasons.CircleDoesNotCover:
                return DarkCorners(rig, report);
            case Reasons.OpeningTooSmall:
                var opening = LengthWords.Millimetres(rig.Lens.FrontOpeningMm!.Value);
                var needed = LengthWords.Millimetres(Math.Round(report.Handling.OpeningNeededMm!.Value, 1));
                return new(
                    CodeOf(kind), Severity.Spoils, "Opening in front", opening, needed,
                    $"The opening of {opening} in front cuts into the corners; {needed} would not.",
                    "Use a longer focal length, a larger opening or one nearer to the lens; trim more; test it.");
            case Reasons.Enlarged:
                var times = LengthWords.Number(Math.Round(report.Sensor.Enlargement!.Value, 3));
                return new(
                    CodeOf(kind), Severity.Spoils, "Enlargement", $"{times}×", "1×",
                    $"Delivery asks for more pixels than fall on the used area: they are enlarged {times} times.",
                    "Punch in less, use a mode with more pixels, or deliver smaller.");
            default:
                var airy = LengthWords.Millimetres(Math.Round(report.Focus!.Value.AiryDiscMm, 5));
                var sharp = LengthWords.Millimetres(Math.Round(report.Sharpness.CircleOfConfusionMm, 5));
                return new(
                    CodeOf(kind), Severity.Note, "Diffraction disc", airy, sharp,
                    $"Diffraction makes discs of {airy}, more than the {sharp} that count as sharp.",
                    "Open the aperture and take light with a filter instead.");
        }
    }

    private static Diagnostic DarkCorners(in Rig rig, in RigReport report)
    {
        var sensor = report.Sensor;
        var diagonal = Math.Sqrt(sensor.UsedWidthMm * sensor.UsedWidthMm + sensor.UsedHeightMm * sensor.UsedHeightMm);
        var circle = sensor.ImageCircleMm!.Value;
        var dark = LengthWords.Number(Math.Round(100 * sensor.DarkShare!.Value, 1));
        var times = LengthWords.Number(Math.Round(Math.Ceiling(100 * diagonal / circle) / 100, 2));
        return new(
            DiagnosticCode.ImageCircleTooSmall,
            Severity.Spoils,
            "Image circle",
            LengthWords.Millimetres(Math.Round(circle, 2)),
            LengthWords.Millimetres(Math.Round(diagonal, 2)),
            $"The image circle of {LengthWords.Millimetres(Math.Round(circle, 2))} does not cover the used diagonal of {LengthWords.Millimetres(Math.Round(diagonal, 2))}: {dark} % of the picture lies in dark corners.",
            $"Punch in {times}×, use a smaller mode{(rig.Optics.Magnification < 1 ? ", take the reducer off" : " or an extender")}, or a lens for a larger format.");
    }
}

using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Rigs;

/// <content>What aperture and zoom can be.</content>
public static partial class ReasonWords
{
    private static Diagnostic Aperture(in FigureCase given, Reasons kind)
    {
        var rig = given.Rig;
        var report = given.Report;
        switch (kind)
        {
            case Reasons.ApertureTooWide:
                return OtherAperture(
                    kind, rig, report, $"The lens opens to ƒ{LengthWords.Number(Math.Round(report.Lens.UsedFNumber, 2))} at most at {LengthWords.Millimetres(rig.FocalLengthMm)}",
                    "Open no further, or use a faster lens; or mend the lens’s widest aperture.");
            case Reasons.ApertureTooNarrow:
                return OtherAperture(kind, rig, report, $"The lens closes to ƒ{LengthWords.Number(report.Lens.UsedFNumber)} at most", "Set that, and take more light with a filter.");
            case Reasons.OutsideZoom:
                var used = LengthWords.Millimetres(LensOnSensor.InZoom(rig));
                var asked = LengthWords.Millimetres(rig.FocalLengthMm);
                return new(
                    CodeOf(kind), Severity.Spoils, "Focal length", asked, used,
                    $"The zoom ends at {used}; the figures are for that, not for {asked}.",
                    $"Set {used}, or use another lens.");
            case Reasons.ReducerLimitsAperture:
                var fastest = $"ƒ{LengthWords.Number(report.Lens.EffectiveFNumber)}";
                var wanted = $"ƒ{LengthWords.Number(Math.Round(rig.Optics.Magnification * report.Lens.UsedFNumber, 2))}";
                return new(
                    CodeOf(kind), Severity.Spoils, "Aperture behind the reducer", wanted, fastest,
                    $"The reducer lets out {fastest} at the fastest, not {wanted}; the figures are for {fastest}.",
                    "Close the lens until it matters no more, or use a reducer that is faster.");
            case Reasons.FasterThanPossible:
                var n = $"ƒ{LengthWords.Number(Math.Round(report.Lens.EffectiveFNumber, 3))}";
                return new(
                    CodeOf(kind), Severity.Stops, "Aperture on the sensor", n, "ƒ0.5",
                    $"{n} on the sensor is not possible: in air nothing is faster than ƒ0.5.",
                    "Close the lens, use a weaker reducer, or give the fastest aperture that the reducer lets out.");
            default:
                var shortest = LengthWords.Millimetres(rig.Lens.ShortestTakingMm!.Value);
                var taking = LengthWords.Millimetres(rig.FocalLengthMm);
                return new(
                    CodeOf(kind), Severity.Spoils, "Taking lens", taking, shortest,
                    $"The squeeze attachment wants a taking lens of {shortest} or longer; {taking} will show dark corners.",
                    $"Use {shortest} or longer, or a smaller part of the sensor.");
        }
    }

    private static Diagnostic OtherAperture(Reasons kind, in Rig rig, in RigReport report, string message, string mend) => new(
        CodeOf(kind),
        Severity.Spoils,
        "Aperture",
        $"ƒ{LengthWords.Number(rig.FNumber)}",
        $"ƒ{LengthWords.Number(Math.Round(report.Lens.UsedFNumber, 2))}",
        $"{message}; the figures are for that, not for ƒ{LengthWords.Number(rig.FNumber)}.",
        mend);
}

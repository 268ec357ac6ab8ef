using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Chains;

/// <summary>Image circle against used area, light through the glass in between, squeeze against mode.</summary>
internal static class PictureChecks
{
    public static void Check(ChainOptics optics, List<Diagnostic> findings)
    {
        CheckCircle(optics, findings);
        CheckLight(optics, findings);
        CheckSqueeze(optics, findings);
        CheckRate(optics, findings);
    }

    /// <summary>Whether the mode offers the frame rate that is captured.</summary>
    private static void CheckRate(ChainOptics optics, List<Diagnostic> findings)
    {
        if ((optics.Setting.CaptureFps ?? optics.Setting.TimelineFps) is not { } fps)
        {
            return;
        }

        var mode = FitMode.Of(optics.Mode, 0);
        if (mode.Rates.Count == 0)
        {
            findings.Add(RatesUnknown(mode));
        }
        else if (RateInstead(optics) is { } instead)
        {
            var others = optics.Camera.Get(BodyFields.Modes).Where(m => m.Get(ModeFields.Fps).Count > 0 && FitMode.Of(m, 0).Offers(fps)).Select(m => m.Name).ToArray();
            findings.Add(new(
                DiagnosticCode.RateNotOffered, Severity.Stops, 0, -1,
                $"The mode {optics.Mode.Name} offers {string.Join(", ", mode.Rates.Select(LengthWords.Number))} frames a second, not {LengthWords.Number(fps)}.",
                $"Capture {LengthWords.Number(instead)} frames a second{(others.Length > 0 ? $", or use the mode {string.Join(" or ", others)}" : "")}."));
        }
    }

    /// <summary>
    /// The rate to capture where a mode lacks the one that is set: that of the timeline if it has it, else the slowest that is faster, which
    /// gives slow motion, else the fastest.
    /// </summary>
    /// <returns>Frames a second; null where nothing is set, its rates are not known, or it offers what is set.</returns>
    public static double? RateInstead(ChainOptics optics)
    {
        var (set, timeline) = (optics.Setting.CaptureFps ?? optics.Setting.TimelineFps, optics.Setting.TimelineFps);
        var mode = FitMode.Of(optics.Mode, 0);
        return set is not { } fps || mode.Offers(fps) ? null
            : timeline is { } usual && mode.Offers(usual) ? usual
            : mode.Rates.Where(r => r >= (timeline ?? fps)).Append(double.PositiveInfinity).Min() is var faster && double.IsFinite(faster) ? faster
            : mode.Rates.Max();
    }

    /// <summary>What is said of a mode of which no rate is known.</summary>
    public static Diagnostic RatesUnknown(FitMode mode) => new(
        DiagnosticCode.RatesUnknown, Severity.Note, 0, -1, $"The frame rates of {mode.Item.Name} are not known; it is taken to offer this one.", "Give its rates on the Shelf.");

    /// <summary>What is said of a mode that does not show a squeeze.</summary>
    public static Diagnostic SqueezeNotShown(GearItem mode, double squeeze)
    {
        var shown = mode.Get(ModeFields.Squeezes);
        return new(
            DiagnosticCode.SqueezeNotShown, Severity.Costs, 0, -1,
            shown.Count == 0
                ? $"The mode {mode.Name} is not known to show a squeezed picture as it should look."
                : $"The mode {mode.Name} shows squeezes of {string.Join(", ", shown.Select(s => $"{LengthWords.Number(s)}×"))}, not {LengthWords.Number(Math.Round(squeeze, 3))}×.",
            "Use a screen that desqueezes, and stretch the picture afterwards.");
    }

    private static void CheckCircle(ChainOptics optics, List<Diagnostic> findings)
    {
        var lens = optics.Anatomy.Lens!.Value;
        if (lens.Item.Kind == GearKind.FixedLensCamera)
        {
            return;
        }

        if (optics.ImageCircleMm is null || optics.ImageCircleAssumed)
        {
            findings.Add(new(
                DiagnosticCode.ImageCircleUnknown, Severity.Note, lens.Place, -1,
                optics.ImageCircleAssumed
                    ? $"The image circle of {lens.Item.Name} is not known; the diagonal of {lens.Item.Get(LensFields.MadeFor)}, {Mm(optics.ImageCircleMm!.Value)}, stands in."
                    : $"Nothing is known of the image circle of {lens.Item.Name}; it is taken to cover.",
                "Try it, and note the circle on the Shelf."));
        }

        if (optics.ImageCircleOnSensorMm is not { } circle || circle >= optics.UsedDiagonalMm)
        {
            return;
        }

        var dark = Coverage.DarkShare(optics.Used.WidthMm, optics.Used.HeightMm, circle);
        if (dark <= Coverage.Noticed)
        {
            return;
        }

        if (optics.CircleIsEstimated)
        {
            findings.Add(MayBeDark(lens.Item, dark) with { Part = lens.Place, Other = 0 });
            return;
        }

        findings.Add(new(
            DiagnosticCode.ImageCircleTooSmall, Severity.Spoils, lens.Place, 0,
            $"The image circle of {Mm(circle)} leaves {Percent(dark)} of the picture dark; it is clear to {Mm(circle / 2)} from the middle, and the corner lies at {Mm(optics.UsedDiagonalMm / 2)}.",
            $"{Cure(optics, circle)}."));
    }

    /// <summary>What is said where a circle that is only estimated does not cover: it may, and nothing is refused for it.</summary>
    public static Diagnostic MayBeDark(GearItem lens, double dark) => new(
        DiagnosticCode.ImageCircleTooSmall, Severity.Costs, -1, -1,
        $"If {lens.Name} draws no larger a circle than it was made for, {Percent(dark)} of the picture is dark.",
        "Try it before the day, and note the circle on the Shelf.");

    /// <summary>What would keep the corners bright: a mode that is covered, punch-in, an extender, the reducer taken off.</summary>
    private static string Cure(ChainOptics optics, double circle)
    {
        var times = Math.Ceiling(100 * optics.UsedDiagonalMm / circle) / 100;
        var modes = optics.Camera.Get(BodyFields.Modes).Where(m => Covered(optics, m, circle)).Select(m => m.Name).Take(2).ToArray();
        var cures = new List<string>();
        if (modes.Length > 0)
        {
            cures.Add($"use the mode {string.Join(" or ", modes)}");
        }

        cures.Add($"punch in {LengthWords.Number(Math.Round(times * optics.Setting.PunchIn, 2))}×");
        cures.Add(optics.Magnification < 1 ? "take the reducer off" : $"an extender of {LengthWords.Number(times)}× or more");
        var text = string.Join(", ", cures);
        return char.ToUpperInvariant(text[0]) + text[1..];
    }

    private static bool Covered(ChainOptics optics, GearItem mode, double circle)
    {
        if (mode.Get(ModeFields.AreaWidth) is not { } width || mode.Get(ModeFields.AreaHeight) is not { } height || ReferenceEquals(mode, optics.Mode))
        {
            return false;
        }

        var used = optics.Trimmed(width, height, optics.Setting.PunchIn);
        return used.WidthMm * used.WidthMm + used.HeightMm * used.HeightMm <= circle * circle;
    }

    private static void CheckLight(ChainOptics optics, List<Diagnostic> findings)
    {
        foreach (var link in optics.Anatomy.Behind)
        {
            var k = link.Item.Get(AdapterFields.Magnification) ?? 1;
            if (k != 1)
            {
                var stops = LengthWords.Number(Math.Round(Math.Abs(2 * PortableMath.Log2(k)), 2));
                var field = $"{LengthWords.Number(Math.Round(Math.Max(k, 1 / k), 2))}× ({(k < 1 ? "+" : "−")}{LengthWords.Number(Math.Round(100 * Math.Abs(1 / k - 1)))} %)";
                findings.Add(k < 1
                    ? new(DiagnosticCode.LightGained, Severity.Note, link.Place, -1, $"{link.Item.Name} gains {stops} stops of light and widens the field {field}. {Displayed(optics, link.Item)}", "")
                    : new(DiagnosticCode.LightLost, Severity.Costs, link.Place, -1, $"{link.Item.Name} takes {stops} stops of light and narrows the field {field}. {Displayed(optics, link.Item)}", "Open the aperture or add light."));
            }
        }

        if (FastestOut(optics) is { } fastest && optics.WidestFNumber * optics.Magnification < fastest.FNumber)
        {
            findings.Add(new(
                DiagnosticCode.ConverterLimitsAperture, Severity.Costs, fastest.Link.Place, optics.Anatomy.Lens!.Value.Place,
                $"{fastest.Link.Item.Name} lets no more than ƒ{LengthWords.Number(Math.Round(fastest.FNumber, 2))} through to the sensor, where the lens would give ƒ{LengthWords.Number(Math.Round(optics.WidestFNumber!.Value * optics.Magnification, 2))}.",
                $"Nothing is gained by opening beyond ƒ{LengthWords.Number(Math.Round(fastest.FNumber / optics.Magnification, 2))}."));
        }

        foreach (var link in optics.Anatomy.Front)
        {
            if (link.Item.Kind == GearKind.Attachment && link.Item.Get(FrontFields.LightLost) is > 0 and var lost)
            {
                findings.Add(new(DiagnosticCode.LightLost, Severity.Costs, link.Place, -1, $"{link.Item.Name} takes {LengthWords.Number(lost)} stops of light in its glass.", "Open the aperture or add light."));
            }
        }
    }

    /// <summary>The fastest that reaches the sensor through the glass in between: the slowest of the limits, each as the sensor sees it.</summary>
    public static (Link Link, double FNumber)? FastestOut(ChainOptics optics)
    {
        (Link, double)? slowest = null;
        var nearer = 1.0;
        foreach (var link in optics.Anatomy.Behind)
        {
            // What a link lets out is scaled by the glass that is nearer to the sensor.
            if (link.Item.Get(AdapterFields.FastestOut) * nearer is { } f && (slowest is null || f > slowest.Value.Item2))
            {
                slowest = (link, f);
            }

            nearer *= link.Item.Get(AdapterFields.Magnification) ?? 1;
        }

        return slowest;
    }

    /// <summary>What the camera shows behind glass: with contacts the aperture as it comes out, without them nothing of it.</summary>
    private static string Displayed(ChainOptics optics, GearItem glass)
    {
        var set = LengthWords.Number(Math.Round(optics.FNumber, 1));
        var seen = LengthWords.Number(Math.Round(optics.FNumber * optics.Magnification, 1));
        return glass.Get(AdapterFields.CarriesIris) switch
        {
            true => $"Set to ƒ{set}, the camera may show ƒ{seen}, which is what reaches the sensor, or ƒ{set}: try which.",
            false => $"It has no contacts for the iris: the camera shows no aperture. ƒ{set} on the lens is ƒ{seen} on the sensor.",
            null => $"ƒ{set} on the lens is ƒ{seen} on the sensor; what the camera shows hangs on contacts that are not known.",
        };
    }

    private static void CheckSqueeze(ChainOptics optics, List<Diagnostic> findings)
    {
        if (!FitMode.Of(optics.Mode, 0).Shows(optics.Squeeze))
        {
            findings.Add(SqueezeNotShown(optics.Mode, optics.Squeeze));
        }
    }

    public static string Mm(double mm) => LengthWords.Millimetres(Math.Round(mm, 1));

    public static string Percent(double share) => $"{LengthWords.Number(Math.Round(100 * share, share < 0.1 ? 1 : 0))} %";
}

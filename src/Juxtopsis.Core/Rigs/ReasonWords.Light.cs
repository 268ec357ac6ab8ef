using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Rigs;

/// <content>What the light asks for.</content>
public static partial class ReasonWords
{
    private static Diagnostic Light(in FigureCase given, Reasons kind)
    {
        var scene = given.Scene;
        var rig = given.Rig;
        var report = given.Report;
        switch (kind)
        {
            case Reasons.TooDark:
                return LeftOver(kind, report, "missing", $"Open the aperture, raise the sensitivity, take the filter off, or add light: lamps at {LengthWords.Number(Math.Round(100 * Exposure.LampDistanceShare(-report.Light.LeftOverStops!.Value)))} % of their distance.");
            case Reasons.TooBright:
                return LeftOver(
                    kind, report, "left over",
                    $"{(rig.Lens.TakesNoFilter ? "This lens takes no filter: close" : "Put a filter on, close")} the aperture, or lower the sensitivity. Never look into the sun through an optical finder, and keep it off the sensor.");
            case Reasons.VariableFilterOutOfRange:
                var range = $"{LengthWords.Number(rig.VariableFilterMinStops ?? 0)} to {LengthWords.Number(rig.VariableFilterMaxStops ?? 0)} stops";
                var left = $"{LengthWords.Number(Math.Round(report.Light.LeftOverStops!.Value, 1))} stops";
                return new(
                    CodeOf(kind), Severity.Spoils, "Variable filter", left, range,
                    $"{left} are left over; the variable filter takes {range}.",
                    report.Light.LeftOverStops > rig.VariableFilterMaxStops ? "Add a fixed filter; turned past its end a variable one draws a dark cross." : "Take it off, or open the aperture.");
            case Reasons.ShutterLongerThanFrame:
                var frame = $"1/{LengthWords.Number(Math.Round(report.Light.CaptureFps, 2))} s";
                return new(
                    CodeOf(kind), Severity.Costs, "Shutter time", $"{LengthWords.Number(Math.Round(rig.ShutterIn(scene).HeldSeconds!.Value, 4))} s", $"up to {frame}",
                    $"A frame lasts {frame}, and the shutter’s time is longer: the whole frame gathers light and no more.", $"Hold a time of {frame} or less, or capture fewer frames a second.");
            case Reasons.MotionStutters or Reasons.MotionSmears:
                var isNarrow = kind == Reasons.MotionStutters;
                return new(
                    CodeOf(kind), Severity.Note, "Shutter angle", $"{LengthWords.Number(Math.Round(report.Light.ShutterAngleDeg, 1))}°", $"{ReasonFinder.StuttersBelowDeg}° to {ReasonFinder.SmearsAboveDeg}°",
                    isNarrow ? "Movement will look hard and in steps, as of sparks or rain." : "Movement will smear, as in a dream.",
                    isNarrow ? "If that is not meant, take light away with a filter and open the shutter to about 180°." : "If that is not meant, close the shutter to about 180°, and add light or sensitivity.");
            default:
                var count = LengthWords.Number(Math.Round(report.Light.Flickers, 2));
                return new(
                    CodeOf(kind), Severity.Note, "Flickers in a frame", count, "a whole number",
                    $"One exposure holds {count} flickers of lamps on {LengthWords.Number(scene.Light.MainsHertz)} Hz: light may pulse.",
                    report.Light.SafeAngleDeg is { } angle ? $"Set the shutter to {LengthWords.Number(Math.Round(angle, 2))}°, or use lamps that do not flicker; test." : "Frames are shorter than a flicker: use lamps that do not flicker; test.");
        }
    }

    private static Diagnostic LeftOver(Reasons kind, in RigReport report, string word, string mend)
    {
        var stops = $"{LengthWords.Number(Math.Round(Math.Abs(report.Light.LeftOverStops!.Value), 1))} stops";
        return new(CodeOf(kind), Severity.Note, "Light", stops, "a third of a stop", $"{stops} of light are {word}.", mend);
    }
}

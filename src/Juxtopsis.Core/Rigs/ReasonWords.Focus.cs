using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Rigs;

/// <content>Where focus can be.</content>
public static partial class ReasonWords
{
    private static Diagnostic Focus(in FigureCase given, Reasons kind, LengthUnit unit)
    {
        var scene = given.Scene;
        var rig = given.Rig;
        var report = given.Report;
        string Far(double mm) => LengthWords.Distance(mm, unit);
        var subject = Far(scene.SubjectDistanceMm);
        switch (kind)
        {
            case Reasons.TooClose:
                var nearest = Far(report.Limits.NearestSubjectDistanceMm);
                var byModel = rig.Lens.MinimumFocusDistanceMm is null;
                return new(
                    CodeOf(kind), Severity.Stops, "Distance to the subject", subject, nearest,
                    $"{subject} is nearer than this lens can focus; its limit is {nearest}{(byModel ? ", four focal lengths" : "")}.",
                    $"Move the camera back to {nearest} or more, use a shorter focal length, a tube or a close-up lens{(byModel ? ", or give the lens’s own nearest focus" : "")}.");
            case Reasons.TooFar:
                var farthest = Far(report.Limits.FarthestSubjectDistanceMm);
                return new(
                    CodeOf(kind), Severity.Stops, "Distance to the subject", subject, farthest,
                    $"{subject} is farther than this rig can focus with its {(rig.ExtensionMm > 0 ? "tube" : "close-up lens")}; its limit is {farthest}.",
                    $"Take it off, use a weaker one, or come nearer than {farthest}.");
            case Reasons.ThinSharpZone:
                return ThinZone(given, Far);
            case Reasons.InsideLens:
                var front = Far(rig.Lens.FrontFromSensorMm!.Value);
                return new(
                    CodeOf(kind), Severity.Stops, "Distance to the subject", subject, front,
                    $"The front of the lens is {front} before the sensor mark: the subject would be inside it.",
                    "Move the camera back, or use a shorter lens.");
            case Reasons.MinimumFocusIncomplete:
                var own = Far(rig.Lens.MinimumFocusDistanceMm!.Value);
                var thin = Far(ThinLens.NearestSubjectDistanceMm(report.Lens.UsedFocalLengthMm));
                return new(
                    CodeOf(kind), Severity.Note, "Nearest focus", own, thin,
                    $"A nearest focus of {own} is nearer than a plain lens of this focal length can, {thin}: the lens must shorten, and how much is not known.",
                    "Give the largest ratio of the lens beside it.");
            case Reasons.MinimumFocusUnlikely:
                var close = Math.Round(ThinLens.FocalLengthMm(rig.Lens.MinimumFocusDistanceMm!.Value, rig.Lens.MaximumMagnification!.Value), 1);
                var mark = Far(rig.Lens.MinimumFocusDistanceMm.Value);
                return new(
                    CodeOf(kind), Severity.Note, "Nearest focus", mark, LengthWords.Millimetres(Math.Round(report.Lens.UsedFocalLengthMm, 1)),
                    $"A ratio of {LengthWords.Number(rig.Lens.MaximumMagnification.Value)} at {mark} would make it a lens of {LengthWords.Millimetres(close)} there, which is not likely.",
                    "Look at the lens again: the nearest focus counts from the sensor mark, and 1:4 is a ratio of 0.25.");
            case Reasons.InfinityLost:
                var reach = Far(report.Handling.FarthestByMountMm);
                var shim = LengthWords.Millimetres(Math.Round(-report.Handling.ShimMm, 4));
                return new(
                    CodeOf(kind), Severity.Spoils, "Back focus", reach, Far(scene.BackgroundDistanceMm),
                    $"The mount is {shim} too long: focus reaches {reach} at most.",
                    $"Take {shim} out by a shim. Leave it to a lens technician where you are not one.");
            default:
                return new(
                    CodeOf(kind), Severity.Note, "Face stretch",
                    report.Focus!.Value.FaceStretch is { } stretch ? $"{LengthWords.Number(Math.Round(stretch, 2))}×" : "the nose is in the lens",
                    $"{LengthWords.Number(Perspective.FaceStretchNoticed)}×",
                    "So near, a nose is drawn noticeably larger than an ear.",
                    "For a face go back and use a longer lens; for hands and things it may be just right.");
        }
    }

    private static Diagnostic ThinZone(in FigureCase given, Func<double, string> far)
    {
        var focus = given.Report.Focus!.Value;
        var depth = focus.DepthInFrontMm + focus.DepthBehindMm;

        // Far from the hyperfocal distance depth goes with the f-number.
        var closed = given.Rig.FNumber * ReasonFinder.HandHoldsMm / depth;
        var helps = closed <= (given.Rig.Lens.NarrowestFNumber ?? 22) ? $" At about ƒ{LengthWords.Number(Math.Round(closed, 1))} it is {far(ReasonFinder.HandHoldsMm)} deep." : "";
        return new(
            CodeOf(Reasons.ThinSharpZone), Severity.Note, "Sharp zone", far(depth), far(ReasonFinder.HandHoldsMm),
            $"Only {far(depth)} are sharp: less than a camera in the hand and somebody who breathes sway by.",
            $"Focus with the view magnified, or with peaking; put the camera on a support and a mark on the floor for the subject; or close the aperture.{helps}");
    }
}

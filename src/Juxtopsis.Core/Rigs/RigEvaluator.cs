using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Answers what a rig gives in a scene. Pure arithmetic: no state, no allocation, safe on any thread.</summary>
public static class RigEvaluator
{
    /// <summary>Evaluates one rig.</summary>
    /// <param name="scene">Distances, light and delivery; values within <see cref="Quantities.Quantity"/>'s ranges.</param>
    /// <param name="conventions">What the figures go by.</param>
    /// <param name="rig">The rig, in ranges likewise.</param>
    /// <returns>
    /// The report. <see cref="RigReport.Focus"/> is null when the subject lies outside <see cref="RigReport.Limits"/>; all that does
    /// not depend on focus is there all the same, and <see cref="RigReport.Reasons"/> says what stood in the way.
    /// </returns>
    public static RigReport Evaluate(in Scene scene, in Conventions conventions, in Rig rig)
    {
        var modeWidth = rig.SensorWidthMm / rig.PunchIn;
        var modeHeight = rig.SensorHeightMm / rig.PunchIn;
        var desqueezedAspect = rig.Squeeze * modeWidth / modeHeight;
        var aspect = scene.DeliveryAspect ?? desqueezedAspect;
        var used = scene.DeliveryAspect is null
            ? new UsedArea(modeWidth, modeHeight, rig.Squeeze)
            : UsedArea.Trim(modeWidth, modeHeight, rig.Squeeze, aspect);

        var sensor = SensorUse.Of(scene, rig, used, desqueezedAspect, aspect);
        var crop = CropFactors.Of(conventions, rig, aspect, used);
        var lens = LensOnSensor.Of(conventions, rig, crop.Chosen);
        var travel = TravelOf(rig, lens.EffectiveFocalLengthMm);
        var mark = MarkMm(conventions, rig);
        var limits = new FocusLimits(travel.NearestMm() - mark, travel.FarthestMm() - mark, travel.LargestMagnification());
        var sharpness = SharpnessLimits.Of(scene, conventions, rig, used, sensor, lens, !travel.HasFarEnd);
        if (mark != 0 && sharpness.HyperfocalDistanceMm is { } hyperfocal)
        {
            sharpness = sharpness with { HyperfocalDistanceMm = hyperfocal - mark };
        }

        FocusReport? focus = scene.SubjectDistanceMm >= limits.NearestSubjectDistanceMm && scene.SubjectDistanceMm <= limits.FarthestSubjectDistanceMm
            ? FocusReport.Of(
                scene,
                rig,
                used,
                lens.EffectiveFNumber,
                SharpnessLimits.DepthCircleMm(sharpness.CircleOfConfusionMm, conventions, rig),
                travel.FocusAt(scene.SubjectDistanceMm + mark))
            : null;
        var report = new RigReport(
            sensor,
            crop,
            lens,
            AngleOfView.Of(used, lens.EffectiveFocalLengthMm),
            sharpness,
            limits,
            focus,
            SqueezeReport.Of(rig, used, aspect),
            LightReport.Of(scene, rig, lens, focus?.WorkingOverSet ?? 1),
            HandlingReport.Of(rig, lens, used, UsedArea.Trim(36, 24, 1, aspect).HeightMm / used.HeightMm, mark),
            Reasons.None);
        return report with { Reasons = ReasonFinder.Find(scene, conventions, rig, report) };
    }

    /// <summary>How a rig's lens focuses.</summary>
    internal static FocusTravel TravelOf(in Rig rig, double focalLengthMm) => FocusTravel.Of(
        focalLengthMm,
        rig.Lens.NearestFocusMm,
        rig.Lens.LargestMagnification,
        rig.Optics.Magnification,
        rig.ExtensionMm,
        rig.CloseUpDioptres);

    /// <summary>Where the chosen mark lies, mm before the sensor mark; 0 when the front of the lens is not known.</summary>
    internal static double MarkMm(in Conventions conventions, in Rig rig) =>
        conventions.DistanceFrom == DistanceMark.LensFront ? rig.Lens.FrontFromSensorMm ?? 0 : 0;
}

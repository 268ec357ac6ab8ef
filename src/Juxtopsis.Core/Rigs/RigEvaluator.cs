using System.Runtime.CompilerServices;
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
        Evaluate(scene, conventions, rig, out var report);
        return report;
    }

    /// <summary>Evaluates one rig into a report that lies somewhere already; the same as the other, without a copy.</summary>
    /// <param name="scene">The scene.</param>
    /// <param name="conventions">What the figures go by.</param>
    /// <param name="rig">The rig.</param>
    /// <param name="report">The report.</param>
    public static void Evaluate(in Scene scene, in Conventions conventions, in Rig rig, out RigReport report)
    {
        Unsafe.SkipInit(out report);
        var modeWidth = rig.SensorWidthMm / rig.PunchIn;
        var modeHeight = rig.SensorHeightMm / rig.PunchIn;
        var desqueezedAspect = rig.Squeeze * modeWidth / modeHeight;
        var aspect = scene.DeliveryAspect ?? desqueezedAspect;
        var used = scene.DeliveryAspect is null
            ? new UsedArea(modeWidth, modeHeight, rig.Squeeze)
            : UsedArea.Trim(modeWidth, modeHeight, rig.Squeeze, aspect);
        SensorUse.Fill(ref report.SensorPart, scene, rig, used, desqueezedAspect, aspect);
        CropFactors.Fill(ref report.CropPart, conventions, rig, aspect, used);
        LensOnSensor.Fill(ref report.LensPart, conventions, rig, report.CropPart.Chosen);
        ref readonly var lens = ref report.LensPart;
        report.Angle = AngleOfView.Of(used, lens.EffectiveFocalLengthMm);

        var travel = TravelOf(rig, lens.EffectiveFocalLengthMm);
        var mark = MarkMm(conventions, rig);
        var limits = new FocusLimits(travel.NearestMm() - mark, travel.FarthestMm() - mark, travel.LargestMagnification());
        report.Limits = limits;
        var sharpness = SharpnessLimits.Of(scene, conventions, rig, used, report.SensorPart, lens, travel.HasFarEnd ? null : mark);
        report.Sharpness = sharpness;
        var working = 1.0;
        var reasons = Reasons.None;
        if (scene.SubjectDistanceMm >= limits.NearestSubjectDistanceMm && scene.SubjectDistanceMm <= limits.FarthestSubjectDistanceMm)
        {
            var depthCircle = SharpnessLimits.DepthCircleMm(sharpness.CircleOfConfusionMm, conventions, rig);
            FocusReport.Fill(ref report.FocusPart, scene, rig, used, lens.EffectiveFNumber, depthCircle, travel.FocusAt(scene.SubjectDistanceMm + mark));
            working = report.FocusPart.WorkingOverSet;
            reasons = ReasonFinder.InFocus(report.FocusPart, sharpness.CircleOfConfusionMm);
            report.IsFocused = true;
        }
        else
        {
            report.FocusPart = default;
            report.IsFocused = false;
        }

        report.Squeeze = SqueezeReport.Of(rig, used, aspect);
        LightReport.Fill(ref report.LightPart, scene, rig, lens, working);
        HandlingReport.Fill(ref report.HandlingPart, rig, lens, used, UsedArea.Trim(36, 24, 1, aspect).HeightMm / used.HeightMm, mark);
        report.Reasons = reasons | ReasonFinder.Find(scene, conventions, rig, report);
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

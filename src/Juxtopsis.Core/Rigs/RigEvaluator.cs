namespace Juxtopsis.Core.Rigs;

/// <summary>
/// Answers what a rig gives in a scene: the one evaluator, in stages. Pure arithmetic: no state, no allocation, safe on any thread.
/// </summary>
/// <remarks>
/// The stages are frame (<see cref="UsedArea"/>, <see cref="SensorUse"/>, <see cref="CropFactors"/>), lens (<see cref="LensOnSensor"/>,
/// <see cref="LensInChain"/>), focus (<see cref="FocusStage"/>), sharp zone (<see cref="SharpZone"/>), blur
/// (<see cref="BlurBehind"/>) and light (<see cref="LightReport"/>). A search that needs some of them only asks those; what it says is asked here.
/// </remarks>
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
        var used = UsedArea.Of(rig, scene.DeliveryAspect);
        var sensor = SensorUse.Of(scene, rig, used);
        var crop = CropFactors.Of(conventions, rig, sensor.DeliveredAspect, used);
        var lens = LensOnSensor.Of(conventions, rig, crop.Chosen);
        var chain = LensInChain.Of(rig, lens.UsedFocalLengthMm);
        var mark = MarkMm(conventions, rig);
        var travel = chain.Travel;
        var range = travel.Range();
        var limits = new FocusLimits(range.NearestMm - mark, range.FarthestMm - mark, travel.MaximumMagnification());
        var sharpness = SharpnessLimits.Of(scene, conventions, rig, used, sensor, lens, chain, mark);
        var distance = scene.SubjectDistanceMm + mark;
        var isFocused = range.Reaches(distance);
        var bellowsFactor = 1.0;
        FocusReport focus = default;
        if (isFocused)
        {
            var place = travel.FocusAt(distance, rig.RackedFarther);
            var stage = FocusReport.StageOf(used, lens.EffectiveFNumber, chain, place);
            bellowsFactor = stage.BellowsFactor;
            var circle = SharpnessLimits.DepthCircleMm(sharpness.CircleOfConfusionMm, conventions, rig);
            focus = new FocusReport(scene, rig, used, lens.EffectiveFNumber, circle, place, stage);
        }

        var light = LightReport.Of(scene, rig, lens, bellowsFactor);
        var handling = HandlingReport.Of(rig, lens, used, UsedArea.Trim(36, 24, 1, sensor.DeliveredAspect).HeightMm / used.HeightMm, mark);
        return new RigReport(
            sensor,
            crop,
            lens,
            AngleOfView.Of(used, lens.EffectiveFocalLengthMm),
            sharpness,
            limits,
            isFocused,
            focus,
            SqueezeReport.Of(rig, used, sensor.DeliveredAspect),
            light,
            handling,
            ReasonFinder.Focusing(scene, rig, limits, isFocused, lens.UsedFocalLengthMm, mark)
            | ReasonFinder.Settings(rig, lens)
            | ReasonFinder.Unknowns(conventions, rig, sharpness)
            | ReasonFinder.Picture(scene, rig, sensor, sharpness, handling)
            | (isFocused ? ReasonFinder.InFocus(focus, sharpness) : Reasons.None)
            | ReasonFinder.Light(rig, light));
    }

    /// <summary>Where the chosen mark lies, mm before the sensor mark; 0 when the front of the lens is not known.</summary>
    internal static double MarkMm(in Conventions conventions, in Rig rig) =>
        conventions.DistanceFrom == DistanceMark.LensFront ? rig.Lens.FrontFromSensorMm ?? 0 : 0;
}

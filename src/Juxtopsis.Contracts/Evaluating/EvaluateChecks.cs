using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>Refuses what is out of range before the core sees it, in the same words on both hosts.</summary>
internal static class EvaluateChecks
{
    private const int MaxNameLength = 60;
    private const int MaxPoints = 100;

    public static void Check(FieldChecks checks, EvaluateRequest request, LengthUnit unit, string prefix = "")
    {
        CheckScene(checks, request.Scene, unit, prefix + "scene.");
        CheckConventions(checks, request.Conventions, unit, prefix + "conventions.");

        var count = request.Rigs.Count;
        if (count is 0 or > EvaluateRequest.MaxRigs)
        {
            checks.Add(
                prefix + "rigs",
                $"{count} rigs",
                $"1 to {EvaluateRequest.MaxRigs}",
                $"{count} rigs were given; 1 to {EvaluateRequest.MaxRigs} can be compared at once.",
                count == 0 ? "Add a rig." : "Leave some out, or ask twice.");
            return;
        }

        CheckIndex(checks, prefix + "yardstick", request.Yardstick, count, "Yardstick");
        for (var i = 0; i < count; i++)
        {
            CheckRig(checks, request.Rigs[i], unit, $"{prefix}rigs[{i}].");
        }
    }

    public static void CheckIndex(FieldChecks checks, string field, int index, int count, string name)
    {
        if (count > 0 && (index < 0 || index >= count))
        {
            checks.Add(field, $"{index}", $"0 to {count - 1}", $"{name} {index} is none of the {count} rigs.", "Give the index of a rig, from 0.");
        }
    }

    private static void CheckScene(FieldChecks checks, SceneInput scene, LengthUnit unit, string prefix)
    {
        checks.InRange(prefix + "subjectDistanceMm", scene.SubjectDistanceMm, Quantity.SubjectDistance, unit);
        checks.InRange(prefix + "backgroundDistanceMm", scene.BackgroundDistanceMm, Quantity.BackgroundDistance, unit);
        checks.InRange(prefix + "deliveryAspect", scene.DeliveryAspect, Quantity.DeliveryAspect);
        checks.InRange(prefix + "deliveryWidthPx", scene.DeliveryWidthPx, Quantity.Pixels);
        checks.InRange(prefix + "lensHeightMm", scene.LensHeightMm, Quantity.LensHeight, unit);
        checks.InRange(prefix + "figureHeightMm", scene.FigureHeightMm, Quantity.FigureHeight, unit);
        checks.InRange(prefix + "nearestCameraMm", scene.NearestCameraMm, Quantity.CameraPlace, unit);
        checks.InRange(prefix + "farthestCameraMm", scene.FarthestCameraMm, Quantity.CameraPlace, unit);
        checks.InRange(prefix + "microphoneMm", scene.MicrophoneMm, Quantity.CameraPlace, unit);
        if (scene.Photo is { } photo)
        {
            CheckPhoto(checks, photo, prefix + "photo.");
        }

        checks.InRange(prefix + "sidewaysMm", scene.SidewaysMm, Quantity.Sideways, unit);
        checks.InRange(prefix + "brightnessEv", scene.BrightnessEv, Quantity.Brightness);
        checks.InRange(prefix + "timelineFps", scene.TimelineFps, Quantity.Fps);
        checks.InRange(prefix + "shutterAngleDeg", scene.ShutterAngleDeg, Quantity.ShutterAngle);
        checks.InRange(prefix + "mainsHertz", scene.MainsHertz, Quantity.Mains);
        checks.InOrder(
            prefix + "farthestCameraMm", scene.NearestCameraMm, scene.FarthestCameraMm,
            "The farthest place of the camera is nearer than the nearest.", "Give the nearer one first.");
        if (scene.BackgroundDistanceMm < scene.SubjectDistanceMm)
        {
            var subject = Quantity.SubjectDistance.Say(scene.SubjectDistanceMm, unit);
            var background = Quantity.SubjectDistance.Say(scene.BackgroundDistanceMm.Value, unit);
            checks.Add(
                prefix + "backgroundDistanceMm",
                background,
                $"{subject} or more",
                $"The background at {background} is nearer than the subject at {subject}.",
                $"Put the background at {subject} or more, or bring the subject nearer.");
        }
    }

    private static void CheckPhoto(FieldChecks checks, PhotoInput photo, string prefix)
    {
        checks.InRange(prefix + "widthPx", photo.WidthPx, Quantity.Pixels);
        checks.InRange(prefix + "heightPx", photo.HeightPx, Quantity.Pixels);
        checks.InRange(prefix + "sensorWidthMm", photo.SensorWidthMm, Quantity.SensorSide);
        checks.InRange(prefix + "sensorHeightMm", photo.SensorHeightMm, Quantity.SensorSide);
        checks.Both(prefix, "sensorWidthMm", photo.SensorWidthMm, "sensorHeightMm", photo.SensorHeightMm, "The photograph's sensor has one side only.");
        checks.InRange(prefix + "focalLengthMm", photo.FocalLengthMm, Quantity.FocalLength);
        checks.InRange(prefix + "latitudeDeg", photo.LatitudeDeg, Quantity.Latitude);
        checks.InRange(prefix + "longitudeDeg", photo.LongitudeDeg, Quantity.Longitude);
        checks.Both(prefix, "latitudeDeg", photo.LatitudeDeg, "longitudeDeg", photo.LongitudeDeg, "The place of the photograph has one half only.");
    }

    private static void CheckConventions(FieldChecks checks, ConventionsInput conventions, LengthUnit unit, string prefix)
    {
        checks.InRange(prefix + "referenceWidthMm", conventions.ReferenceWidthMm, Quantity.SensorSide);
        checks.InRange(prefix + "referenceHeightMm", conventions.ReferenceHeightMm, Quantity.SensorSide);
        checks.InRange(prefix + "cocDivisor", conventions.CocDivisor, Quantity.CocDivisor);
        checks.InRange(prefix + "cocFixedMm", conventions.CocFixedMm, Quantity.Circle);
        checks.InRange(prefix + "cocPx", conventions.CocPx, Quantity.CirclePx);
        checks.InRange(prefix + "screenWidthMm", conventions.ScreenWidthMm, Quantity.Viewing, unit);
        checks.InRange(prefix + "viewingDistanceMm", conventions.ViewingDistanceMm, Quantity.Viewing, unit);
    }

    public static void CheckRig(FieldChecks checks, RigInput? rig, LengthUnit unit, string prefix)
    {
        if (rig is null)
        {
            checks.Add(prefix.TrimEnd('.'), "null", "a rig", "A rig is null.", "Give its sensor, focal length and aperture.");
            return;
        }

        checks.Text(prefix + "name", rig.Name, "The rig's name", MaxNameLength);
        checks.InRange(prefix + "sensorWidthMm", rig.SensorWidthMm, Quantity.SensorSide);
        checks.InRange(prefix + "sensorHeightMm", rig.SensorHeightMm, Quantity.SensorSide);
        checks.InRange(prefix + "wholeSensorWidthMm", rig.WholeSensorWidthMm, Quantity.SensorSide);
        checks.InRange(prefix + "wholeSensorHeightMm", rig.WholeSensorHeightMm, Quantity.SensorSide);
        checks.InRange(prefix + "recordedWidthPx", rig.RecordedWidthPx, Quantity.Pixels);
        checks.InRange(prefix + "recordedHeightPx", rig.RecordedHeightPx, Quantity.Pixels);
        checks.InRange(prefix + "focalLengthMm", rig.FocalLengthMm, Quantity.FocalLength);
        checks.InRange(prefix + "fNumber", rig.FNumber, Quantity.FNumber);
        checks.InRange(prefix + "opticsFastestFNumber", rig.OpticsFastestFNumber, Quantity.FNumber);
        checks.InRange(prefix + "squeeze", rig.Squeeze, Quantity.Squeeze);
        checks.InRange(prefix + "squeezeTurnDeg", rig.SqueezeTurnDeg, Quantity.SqueezeTurn);
        checks.InRange(prefix + "punchIn", rig.PunchIn, Quantity.PunchIn);
        checks.InRange(prefix + "closeUpDioptres", rig.CloseUpDioptres, Quantity.CloseUp);
        checks.InRange(prefix + "closeUpFromLensMm", rig.CloseUpFromLensMm, Quantity.CloseUpPlace);
        checks.InRange(prefix + "extensionMm", rig.ExtensionMm, Quantity.Extension);
        checks.InRange(prefix + "mountErrorMm", rig.MountErrorMm, Quantity.MountError);
        checks.InRange(prefix + "rearFilterMm", rig.RearFilterMm, Quantity.RearFilter);
        checks.InRange(prefix + "rearFilterIndex", rig.RearFilterIndex, Quantity.RefractiveIndex);
        checks.InRange(prefix + "subjectDistanceMm", rig.SubjectDistanceMm, Quantity.SubjectDistance, unit);
        CheckLight(checks, rig, prefix);
        CheckOptics(checks, rig, prefix);
        if (rig.Chain is not null)
        {
            ChainMapping.Check(checks, rig.Chain, prefix + "chain.");
        }

        checks.Both(prefix, "recordedWidthPx", rig.RecordedWidthPx, "recordedHeightPx", rig.RecordedHeightPx, "Recorded pixels have one side only.");
        checks.Both(prefix, "wholeSensorWidthMm", rig.WholeSensorWidthMm, "wholeSensorHeightMm", rig.WholeSensorHeightMm, "The whole sensor has one side only.");
        if (rig.Lens is null)
        {
            checks.Add(prefix + "lens", "null", "lens data", "The lens data are null.", "Leave them out, or give an object.");
            return;
        }

        CheckLens(checks, rig.Lens, unit, prefix + "lens.");
    }

    private static void CheckLight(FieldChecks checks, RigInput rig, string prefix)
    {
        checks.InRange(prefix + "sensitivityIso", rig.SensitivityIso, Quantity.Sensitivity);
        checks.InRange(prefix + "lowestIso", rig.LowestIso, Quantity.Sensitivity);
        checks.InRange(prefix + "filterStops", rig.FilterStops, Quantity.FilterStops);
        checks.InRange(prefix + "variableFilterMinStops", rig.VariableFilterMinStops, Quantity.FilterStops);
        checks.InRange(prefix + "variableFilterMaxStops", rig.VariableFilterMaxStops, Quantity.FilterStops);
        checks.InRange(prefix + "captureFps", rig.CaptureFps, Quantity.Fps);
        checks.InRange(prefix + "bodyStabilisationStops", rig.BodyStabilisationStops, Quantity.StabilisationStops);
        checks.InRange(prefix + "lensStabilisationStops", rig.LensStabilisationStops, Quantity.StabilisationStops);
        checks.Both(
            prefix, "variableFilterMinStops", rig.VariableFilterMinStops, "variableFilterMaxStops", rig.VariableFilterMaxStops,
            "The variable filter has one end only.");
        checks.InOrder(
            prefix + "variableFilterMaxStops", rig.VariableFilterMinStops, rig.VariableFilterMaxStops,
            "The strongest setting of the variable filter is weaker than its weakest.", "Give the weaker one first.");
    }

    private static void CheckOptics(FieldChecks checks, RigInput rig, string prefix)
    {
        if (rig.Optics is null || rig.Optics.Count > OpticsChain.Most)
        {
            checks.Add(
                prefix + "optics", $"{rig.Optics?.Count}", $"up to {OpticsChain.Most}",
                $"Up to {OpticsChain.Most} reducers and extenders are reckoned with.", "Leave some out, or multiply two of them.");
            return;
        }

        for (var i = 0; i < rig.Optics.Count; i++)
        {
            checks.InRange($"{prefix}optics[{i}]", rig.Optics[i], Quantity.OpticsMagnification);
        }

        if (rig.OpticsPlaces is null || rig.OpticsPlaces.Count > rig.Optics.Count)
        {
            checks.Add(
                prefix + "opticsPlaces", $"{rig.OpticsPlaces?.Count}", $"up to {rig.Optics.Count}",
                "There are more places than reducers and extenders.", "Give one place for each, in the same order, or leave them out.");
            return;
        }

        for (var i = 0; i < rig.OpticsPlaces.Count; i++)
        {
            checks.InRange($"{prefix}opticsPlaces[{i}].placeMm", rig.OpticsPlaces[i]?.PlaceMm, Quantity.ConverterPlace);
            checks.InRange($"{prefix}opticsPlaces[{i}].tubeBehindMm", rig.OpticsPlaces[i]?.TubeBehindMm, Quantity.Extension);
        }
    }

    private static void CheckLens(FieldChecks checks, LensInput lens, LengthUnit unit, string prefix)
    {
        checks.InRange(prefix + "zoomShortMm", lens.ZoomShortMm, Quantity.FocalLength);
        checks.InRange(prefix + "zoomLongMm", lens.ZoomLongMm, Quantity.FocalLength);
        checks.InRange(prefix + "widestFNumber", lens.WidestFNumber, Quantity.FNumber);
        checks.InRange(prefix + "widestLongFNumber", lens.WidestLongFNumber, Quantity.FNumber);
        CheckAlong(checks, lens.WidestAlong ?? [], prefix + "widestAlong");
        checks.InRange(prefix + "narrowestFNumber", lens.NarrowestFNumber, Quantity.FNumber);
        checks.InRange(prefix + "blades", lens.Blades, Quantity.Count);
        checks.InRange(prefix + "widestTNumber", lens.WidestTNumber, Quantity.TNumber);
        checks.InRange(prefix + "measuredFocalLengthMm", lens.MeasuredFocalLengthMm, Quantity.FocalLength);
        checks.InRange(prefix + "nearestFocusMm", lens.NearestFocusMm, Quantity.MinimumFocusDistance, unit);
        checks.InRange(prefix + "largestMagnification", lens.LargestMagnification, Quantity.MaximumMagnification);
        checks.InRange(prefix + "pupilMagnification", lens.PupilMagnification, Quantity.PupilMagnification);
        checks.InRange(prefix + "frontFromSensorMm", lens.FrontFromSensorMm, Quantity.FrontFromSensor);
        checks.InRange(prefix + "imageCircleMm", lens.ImageCircleMm, Quantity.ImageCircle);
        checks.InRange(prefix + "shortestTakingMm", lens.ShortestTakingMm, Quantity.FocalLength);
        checks.InRange(prefix + "frontOpeningMm", lens.FrontOpeningMm, Quantity.FrontOpening);
        checks.InRange(prefix + "frontOpeningFromPupilMm", lens.FrontOpeningFromPupilMm, Quantity.FrontOpening);
        checks.Both(prefix, "zoomShortMm", lens.ZoomShortMm, "zoomLongMm", lens.ZoomLongMm, "The zoom has one end only.");
        checks.InOrder(
            prefix + "zoomLongMm", lens.ZoomShortMm, lens.ZoomLongMm, "The long end of the zoom is shorter than the short end.", "Give the shorter one first.");
        checks.InOrder(
            prefix + "narrowestFNumber", lens.WidestFNumber, lens.NarrowestFNumber,
            "The narrowest aperture is wider than the widest.", "A narrower aperture has the larger f-number.");
        if (lens.WidestTNumber is not null && lens.WidestFNumber is null)
        {
            checks.Add(
                prefix + "widestFNumber", "", "given beside a T-number",
                "A T-number needs the widest f-number beside it.", "Give the lens's widest f-number, so that other openings can be reckoned.");
        }
    }

    private static void CheckAlong(FieldChecks checks, IReadOnlyList<AperturePointInput> points, string field)
    {
        if (points.Count is 1 or > MaxPoints || points.Any(p => p is null))
        {
            checks.Add(field, $"{points.Count} points", $"2 to {MaxPoints}", "The widest aperture along the zoom needs two points or more.", "Give both ends at least, or leave it out.");
            return;
        }

        for (var i = 0; i < points.Count; i++)
        {
            checks.InRange($"{field}[{i}].focalLengthMm", points[i].FocalLengthMm, Quantity.FocalLength);
            checks.InRange($"{field}[{i}].fNumber", points[i].FNumber, Quantity.FNumber);
            if (i > 0 && points[i].FocalLengthMm <= points[i - 1].FocalLengthMm)
            {
                checks.Add(
                    $"{field}[{i}].focalLengthMm", LengthWords.Number(points[i].FocalLengthMm), $"above {LengthWords.Number(points[i - 1].FocalLengthMm)}",
                    "The focal lengths along the zoom do not rise.", "Give them from short to long, each once.");
            }
        }
    }
}

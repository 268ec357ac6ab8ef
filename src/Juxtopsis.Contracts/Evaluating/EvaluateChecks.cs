using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>Refuses what is out of range before the core sees it, in the same words on both hosts.</summary>
internal static class EvaluateChecks
{
    private const int MaxNameLength = 60;

    public static void Check(FieldChecks checks, EvaluateRequest request, string prefix = "")
    {
        CheckScene(checks, request.Scene, prefix + "scene.");
        CheckConventions(checks, request.Conventions, prefix + "conventions.");

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

        if (request.Yardstick < 0 || request.Yardstick >= count)
        {
            checks.Add(
                prefix + "yardstick",
                $"{request.Yardstick}",
                $"0 to {count - 1}",
                $"Yardstick {request.Yardstick} is none of the {count} rigs.",
                "Give the index of a rig, from 0.");
        }

        for (var i = 0; i < count; i++)
        {
            CheckRig(checks, request.Rigs[i], $"{prefix}rigs[{i}].");
        }
    }

    private static void CheckScene(FieldChecks checks, SceneInput scene, string prefix)
    {
        checks.InRange(prefix + "subjectDistanceMm", scene.SubjectDistanceMm, Quantity.SubjectDistance);
        checks.InRange(prefix + "backgroundDistanceMm", scene.BackgroundDistanceMm, Quantity.BackgroundDistance);
        checks.InRange(prefix + "deliveryAspect", scene.DeliveryAspect, Quantity.DeliveryAspect);
        checks.InRange(prefix + "deliveryWidthPx", scene.DeliveryWidthPx, Quantity.Pixels);
        checks.InRange(prefix + "lensHeightMm", scene.LensHeightMm, Quantity.LensHeight);
        checks.InRange(prefix + "figureHeightMm", scene.FigureHeightMm, Quantity.FigureHeight);
        if (scene.BackgroundDistanceMm < scene.SubjectDistanceMm)
        {
            var say = Quantity.SubjectDistance.Say;
            var subject = say(scene.SubjectDistanceMm);
            checks.Add(
                prefix + "backgroundDistanceMm",
                say(scene.BackgroundDistanceMm.Value),
                $"{subject} or more",
                $"The background at {say(scene.BackgroundDistanceMm.Value)} is nearer than the subject at {subject}.",
                $"Put the background at {subject} or more, or bring the subject nearer.");
        }
    }

    private static void CheckConventions(FieldChecks checks, ConventionsInput conventions, string prefix)
    {
        checks.InRange(prefix + "referenceWidthMm", conventions.ReferenceWidthMm, Quantity.SensorSide);
        checks.InRange(prefix + "referenceHeightMm", conventions.ReferenceHeightMm, Quantity.SensorSide);
        checks.InRange(prefix + "cocDivisor", conventions.CocDivisor, Quantity.CocDivisor);
    }

    private static void CheckRig(FieldChecks checks, RigInput? rig, string prefix)
    {
        if (rig is null)
        {
            checks.Add(prefix.TrimEnd('.'), "null", "a rig", "A rig is null.", "Give its sensor, focal length and aperture.");
            return;
        }

        checks.Text(prefix + "name", rig.Name, "The rig's name", MaxNameLength);
        checks.InRange(prefix + "sensorWidthMm", rig.SensorWidthMm, Quantity.SensorSide);
        checks.InRange(prefix + "sensorHeightMm", rig.SensorHeightMm, Quantity.SensorSide);
        checks.InRange(prefix + "recordedWidthPx", rig.RecordedWidthPx, Quantity.Pixels);
        checks.InRange(prefix + "recordedHeightPx", rig.RecordedHeightPx, Quantity.Pixels);
        checks.InRange(prefix + "focalLengthMm", rig.FocalLengthMm, Quantity.FocalLength);
        checks.InRange(prefix + "fNumber", rig.FNumber, Quantity.FNumber);
        checks.InRange(prefix + "opticsMagnification", rig.OpticsMagnification, Quantity.OpticsMagnification);
        checks.InRange(prefix + "squeeze", rig.Squeeze, Quantity.Squeeze);
        checks.InRange(prefix + "punchIn", rig.PunchIn, Quantity.PunchIn);
        if (rig.RecordedWidthPx is null != rig.RecordedHeightPx is null)
        {
            checks.Add(
                prefix + (rig.RecordedWidthPx is null ? "recordedWidthPx" : "recordedHeightPx"),
                "",
                "both sides or neither",
                "Recorded pixels have one side only.",
                "Give width and height, or leave both out.");
        }
    }
}

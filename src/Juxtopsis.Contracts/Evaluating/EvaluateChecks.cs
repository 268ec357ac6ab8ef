using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>Refuses what is out of range before the core sees it, in the same words on both hosts.</summary>
internal static class EvaluateChecks
{
    public static void Check(FieldChecks checks, EvaluateRequest request, LengthUnit unit, string prefix = "")
    {
        checks.All(SceneFields.All, request.Scene.Scene, prefix + "scene.", unit);
        if (request.Scene.Photo is { } photo)
        {
            CheckPhoto(checks, photo, prefix + "scene.photo.");
        }

        checks.All(ConventionFields.All, request.Conventions, prefix + "conventions.", unit);

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

        for (var i = 0; i < count; i++)
        {
            CheckRig(checks, request.Rigs[i], unit, $"{prefix}rigs[{i}].");
        }

        CheckIdentities(checks, request, prefix);
    }

    public static void CheckIndex(FieldChecks checks, string field, int index, int count, string name)
    {
        if (count > 0 && (index < 0 || index >= count))
        {
            checks.Add(field, $"{index}", $"0 to {count - 1}", $"{name} {index} is none of the {count} rigs.", "Give the index of a rig, from 0.");
        }
    }

    private static void CheckIdentities(FieldChecks checks, EvaluateRequest request, string prefix)
    {
        string[] ids = [.. request.Rigs.Select(rig => rig?.Id ?? "")];
        for (var i = 0; i < ids.Length; i++)
        {
            if (ids[i].Length > RigInput.MaxIdLength || ids[i].Any(c => !char.IsAsciiLetterOrDigit(c) && c != '-'))
            {
                checks.Add($"{prefix}rigs[{i}].id", ids[i].Length > 40 ? "" : ids[i], $"up to {RigInput.MaxIdLength} letters, digits and hyphens", "That is no identity of a rig.", "Give it another.");
            }
            else if (ids[i].Length > 0 && Array.IndexOf(ids, ids[i]) < i)
            {
                checks.Add($"{prefix}rigs[{i}].id", ids[i], "each identity once", "Two rigs have the same identity.", "Give one of them another.");
            }
        }

        if (request.Yardstick.Length > 0 && !ids.Contains(request.Yardstick))
        {
            checks.Add(prefix + "yardstick", request.Yardstick.Length > 40 ? "" : request.Yardstick, "the identity of one of the rigs", "The yardstick is none of the rigs.", "Give the identity of a rig, or leave it out for the first.");
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

    public static void CheckRig(FieldChecks checks, RigInput? rig, LengthUnit unit, string prefix)
    {
        if (rig is null)
        {
            checks.Add(prefix.TrimEnd('.'), "null", "a rig", "A rig is null.", "Give its sensor, focal length and aperture.");
            return;
        }

        checks.Text(prefix + "name", rig.Name, "The rig's name", RigInput.MaxNameLength);
        checks.All(rig.Faults, prefix);
        checks.All(RigFields.All, rig.Rig, prefix, unit);
        checks.InRange(prefix + SceneFields.OwnDistance.Key, rig.SubjectDistanceMm, SceneFields.OwnDistance.Quantity, unit);
        if (rig.Chain is not null)
        {
            ChainMapping.Check(checks, rig.Chain, prefix + "chain.");
        }
    }
}

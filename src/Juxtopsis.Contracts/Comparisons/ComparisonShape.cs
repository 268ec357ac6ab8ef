using System.Globalization;
using System.Text.Json.Nodes;
using Juxtopsis.Contracts.Works;

namespace Juxtopsis.Contracts.Comparisons;

/// <summary>How comparisons are kept, and what has changed in that from version to version.</summary>
public static class ComparisonShape
{
    /// <summary>The shape.</summary>
    public static DocumentShape<ComparisonDocument> Instance { get; } = new(WireJson.Default.ComparisonDocument, OpticsInARow, FieldNames, RigIdentities, DocumentSteps.Unchanged);

    private static JsonObject? Setup(JsonObject document) => document["setup"] as JsonObject;

    private static IEnumerable<JsonObject> Rigs(JsonObject document) => DocumentSteps.Objects(Setup(document)?["rigs"]);

    /// <summary>Reducers and extenders were one number.</summary>
    private static void OpticsInARow(JsonObject document)
    {
        foreach (var rig in Rigs(document))
        {
            rig.Remove("opticsMagnification", out var one);
            if (one?.GetValue<double>() is { } magnification && magnification != 1)
            {
                rig["optics"] = new JsonArray(magnification);
            }
        }
    }

    /// <summary>Names became the field's standard English.</summary>
    private static void FieldNames(JsonObject document)
    {
        if (Setup(document)?["scene"] is JsonObject scene)
        {
            DocumentSteps.Rename(scene, "place", "backdrop");
        }

        foreach (var lens in Rigs(document).Select(rig => rig["lens"]).OfType<JsonObject>())
        {
            DocumentSteps.Rename(lens, "nearestFocusMm", "minimumFocusDistanceMm");
            DocumentSteps.Rename(lens, "largestMagnification", "maximumMagnification");
        }
    }

    /// <summary>
    /// Rigs have an identity, and the yardstick is named by it rather than by its place. The identities are the same wherever the step
    /// is taken, so that a copy in a browser and the one on the server still know each other's rigs.
    /// </summary>
    private static void RigIdentities(JsonObject document)
    {
        var at = 0;
        foreach (var rig in Rigs(document))
        {
            rig["id"] = Identity(at++);
        }

        if (Setup(document) is { } setup && setup["yardstick"] is JsonValue yardstick)
        {
            setup["yardstick"] = Identity(yardstick.GetValue<int>());
        }
    }

    private static string Identity(int at) => string.Create(CultureInfo.InvariantCulture, $"r{at + 1}");
}

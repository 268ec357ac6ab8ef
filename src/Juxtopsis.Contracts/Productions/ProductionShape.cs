using System.Text.Json.Nodes;
using Juxtopsis.Contracts.Works;

namespace Juxtopsis.Contracts.Productions;

/// <summary>How productions are kept, and what has changed in that from version to version.</summary>
public static class ProductionShape
{
    /// <summary>The shape.</summary>
    public static DocumentShape<ProductionDocument> Instance { get; } = new(WireJson.Default.ProductionDocument, FieldNames);

    /// <summary>Names became the field's standard English.</summary>
    private static void FieldNames(JsonObject document)
    {
        DocumentSteps.Rename(document, "places", "locations");
        foreach (var shot in DocumentSteps.Objects(document["shots"]))
        {
            DocumentSteps.Rename(shot, "placeId", "locationId");
            DocumentSteps.Rename(shot, "carriage", "cameraSupport");
            DocumentSteps.Rename(shot, "wish", "criterion");
        }
    }
}

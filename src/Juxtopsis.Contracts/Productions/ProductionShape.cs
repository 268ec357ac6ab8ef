using System.Text.Json.Nodes;
using Juxtopsis.Contracts.Works;

namespace Juxtopsis.Contracts.Productions;

/// <summary>How productions are kept, and what has changed in that from version to version.</summary>
public static class ProductionShape
{
    /// <summary>The shape.</summary>
    public static DocumentShape<ProductionDocument> Instance { get; } = new(WireJson.Default.ProductionDocument, FieldNames, Bags, DocumentSteps.Unchanged);

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

    /// <summary>The gear to choose from became a bag like others.</summary>
    private static void Bags(JsonObject document)
    {
        if (document.Remove("bag", out var gear) && gear is JsonArray chosen)
        {
            const string Id = "b0000000-0000-4000-8000-000000000001";
            document["bags"] = new JsonArray(new JsonObject
            {
                ["id"] = Id,
                ["name"] = "Gear to choose from",
                ["lines"] = new JsonArray([.. chosen.Select(id => (string)id!).Distinct().Take(1000).Select(id => new JsonObject { ["id"] = id })]),
            });
            document["chooseFrom"] = Id;
        }
    }
}

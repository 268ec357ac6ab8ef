using System.Globalization;
using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Data.Model;

namespace Juxtopsis.Server.Comparisons;

internal static class ComparisonMapping
{
    public static ComparisonOutput ToOutput(this Comparison comparison) => new(
        comparison.Id,
        comparison.Name,
        comparison.Document,
        comparison.Revision,
        comparison.UpdatedAt,
        comparison.DeletedAt);

    public static ComparisonSummary ToSummary(this Comparison comparison) => new(
        comparison.Id,
        comparison.Name,
        comparison.Document.Note,
        [.. comparison.Document.Setup.Rigs.Select(InShort)],
        comparison.Revision,
        comparison.UpdatedAt,
        comparison.DeletedAt);

    /// <summary>Whether what is stored is already what is to be saved: an answer got lost, and the page tries again.</summary>
    public static bool Holds(this Comparison comparison, ComparisonInput input) =>
        comparison.DeletedAt is null && comparison.Name == input.Name && JsonElement.DeepEquals(Json(comparison.Document), Json(input.Document));

    private static string InShort(RigInput rig)
    {
        var optics = string.Concat(rig.Optics.Select(k => string.Create(CultureInfo.InvariantCulture, $" · {k:0.##}×")));
        var squeeze = rig.Squeeze == 1 ? "" : string.Create(CultureInfo.InvariantCulture, $" · {rig.Squeeze:0.##}× squeeze");
        return string.Create(CultureInfo.InvariantCulture, $"{rig.FocalLengthMm:0.##} mm ƒ{rig.FNumber:0.##}{optics}{squeeze}");
    }

    /// <summary>The database keeps members of gear in an order of its own, so that text would differ.</summary>
    private static JsonElement Json(ComparisonDocument document) => JsonSerializer.SerializeToElement(document, WireJson.Default.ComparisonDocument);
}

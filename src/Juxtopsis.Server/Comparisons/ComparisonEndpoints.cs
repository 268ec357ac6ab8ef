using System.Globalization;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Works;

namespace Juxtopsis.Server.Comparisons;

/// <summary>Saved comparisons.</summary>
internal static class ComparisonEndpoints
{
    public static void MapComparisons(this WebApplication app) =>
        new WorkEndpoints<Comparison, ComparisonDocument, ComparisonInput, ComparisonOutput, ComparisonSummary, ComparisonConflict>(new(
            "Comparison",
            WireJson.Default.ComparisonInput,
            WireJson.Default.ComparisonOutput,
            WireJson.Default.IReadOnlyListComparisonSummary,
            WireJson.Default.ComparisonConflict,
            WireJson.Default.ComparisonDocument,
            ComparisonChecks.Check,
            c => new(c.Id, c.Name, c.Document, c.Revision, c.UpdatedAt, c.DeletedAt),
            c => new(c.Id, c.Name, c.Document.Note, [.. c.Document.Setup.Rigs.Select(InShort)], c.Revision, c.UpdatedAt, c.DeletedAt),
            (type, title, status, detail, current) => new(type, title, status, detail, current),
            (id, input, now) => new() { Id = id, Name = input.Name, Document = input.Document, CreatedAt = now, UpdatedAt = now })).Map(app);

    private static string InShort(RigInput input)
    {
        var rig = input.Rig;
        var optics = string.Concat(Enumerable.Range(0, OpticsChain.Most).Select(rig.Optics.At).Where(c => !c.IsNone).Select(c => string.Create(CultureInfo.InvariantCulture, $" · {c.Magnification:0.##}×")));
        var squeeze = rig.Squeeze == 1 ? "" : string.Create(CultureInfo.InvariantCulture, $" · {rig.Squeeze:0.##}× squeeze");
        return string.Create(CultureInfo.InvariantCulture, $"{rig.FocalLengthMm:0.##} mm ƒ{rig.FNumber:0.##}{optics}{squeeze}");
    }
}

using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Works;

namespace Juxtopsis.Server.Comparisons;

/// <summary>Saved comparisons.</summary>
internal static class ComparisonEndpoints
{
    public static void MapComparisons(this WebApplication app) =>
        new WorkEndpoints<Comparison, ComparisonDocument, ComparisonInput, ComparisonOutput, ComparisonConflict>(new(
            "Comparison",
            Comparison.Store,
            WireJson.Default.ComparisonInput,
            WireJson.Default.ComparisonOutput,
            WireJson.Default.ComparisonConflict,
            WireJson.Default.ComparisonDocument,
            ComparisonChecks.Check,
            (c, document) => new(c.Id, c.Name, document, c.Revision, c.UpdatedAt, c.DeletedAt),
            (type, title, status, detail, current) => new(type, title, status, detail, current),
            (id, name, now) => new() { Id = id, Name = name, CreatedAt = now, UpdatedAt = now })).Map(app);
}

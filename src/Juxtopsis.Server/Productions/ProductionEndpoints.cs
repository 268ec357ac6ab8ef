using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Works;

namespace Juxtopsis.Server.Productions;

/// <summary>Saved productions.</summary>
internal static class ProductionEndpoints
{
    public static void MapProductions(this WebApplication app) =>
        new WorkEndpoints<Production, ProductionDocument, ProductionInput, ProductionOutput, ProductionSummary, ProductionConflict>(new(
            "Production",
            WireJson.Default.ProductionInput,
            WireJson.Default.ProductionOutput,
            WireJson.Default.IReadOnlyListProductionSummary,
            WireJson.Default.ProductionConflict,
            WireJson.Default.ProductionDocument,
            ProductionChecks.Check,
            p => new(p.Id, p.Name, p.Document, p.Revision, p.UpdatedAt, p.DeletedAt),
            p => new(p.Id, p.Name, p.Document.Note, p.Document.Locations.Count, p.Document.Shots.Count, p.Revision, p.UpdatedAt, p.DeletedAt),
            (type, title, status, detail, current) => new(type, title, status, detail, current),
            (id, input, now) => new() { Id = id, Name = input.Name, Document = input.Document, CreatedAt = now, UpdatedAt = now })).Map(app);
}

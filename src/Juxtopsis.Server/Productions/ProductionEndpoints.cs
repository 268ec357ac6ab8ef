using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Works;

namespace Juxtopsis.Server.Productions;

/// <summary>Saved productions.</summary>
internal static class ProductionEndpoints
{
    public static void MapProductions(this WebApplication app) =>
        new WorkEndpoints<Production, ProductionDocument, ProductionInput, ProductionOutput, ProductionConflict>(new(
            "Production",
            Production.Store,
            WireJson.Default.ProductionInput,
            WireJson.Default.ProductionOutput,
            WireJson.Default.ProductionConflict,
            WireJson.Default.ProductionDocument,
            ProductionChecks.Check,
            (p, document) => new(p.Id, p.Name, document, p.Revision, p.UpdatedAt, p.DeletedAt),
            (type, title, status, detail, current) => new(type, title, status, detail, current),
            (id, name, now) => new() { Id = id, Name = name, CreatedAt = now, UpdatedAt = now })).Map(app);
}

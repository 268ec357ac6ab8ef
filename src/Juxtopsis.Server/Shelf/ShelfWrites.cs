using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Shelf;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Shelf;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Writing;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;

namespace Juxtopsis.Server.Shelf;

/// <summary>Adding, changing, retiring and deleting. Writing is conditional, so nobody overwrites anybody unawares.</summary>
internal static class ShelfWrites
{
    private const int MostDeletedTold = 200;

    public static void MapShelfWrites(this WebApplication app)
    {
        var group = app.ShelfGroup();
        group.MapPut("{id:guid}", Put).WithName("PutGear")
            .WithSummary("Adds (If-None-Match: *) or changes (If-Match: \"revision\") a thing under an id of one's own choice. A mount's new name goes to all that name it.")
            .Accepts<JsonElement>("application/json")
            .Produces<ShelfItemOutput>().Produces<ShelfItemOutput>(201)
            .Produces<ShelfConflict>(412, Problem.MediaType)
            .ProducesProblems(400, 404, 409, 413, 415, 422, 428, 503);
        group.MapDelete("{id:guid}", Delete).WithName("DeleteGear")
            .WithSummary("Deletes a thing, to be put back within 30 days; one that saved work names is retired instead. A mount that others name is refused.")
            .Produces<ShelfDeleteOutput>().Produces(204).ProducesProblems(404, 409, 503);
        group.MapGet("deleted", Deleted).WithName("DeletedGear")
            .WithSummary($"Things that were deleted in the last 30 days, up to {MostDeletedTold}, the last one first.")
            .Produces<IReadOnlyList<DeletedGearOutput>>().ProducesProblems(503);
        group.MapPost("{id:guid}/retire", Retire).WithName("RetireGear")
            .WithSummary("Keeps a thing for what used it, and offers it no more.")
            .Produces<ShelfItemOutput>().ProducesProblems(404, 422, 503);
        group.MapPost("{id:guid}/restore", Restore).WithName("RestoreGear")
            .WithSummary("Offers a retired thing again, or puts a deleted one back: 204 for one that cannot be read.")
            .Produces<ShelfItemOutput>().Produces(204).ProducesProblems(404, 422, 503);
    }

    private static async Task<IResult> Put(Guid id, HttpContext http, ShelfStore store, CancellationToken cancellationToken)
    {
        if (!Revision.TryRead(http.Request.Headers, out var expected))
        {
            return Revision.Missing("something new");
        }

        var json = await RequestBody.ReadAsync(http.Request, cancellationToken);
        var (item, problem) = Read(json, id);
        if (problem is not null)
        {
            return problem.ToResult();
        }

        var (transaction, shelf) = await store.BeginAsync(cancellationToken);
        await using (transaction)
        {
            var stored = shelf.Index.Find(id);
            if (stored is null && expected is not null)
            {
                return ShelfEndpoints.NotFound(id);
            }

            if (stored is not null && stored.Item.Equals(item))
            {
                return Answer(http, stored, 200);
            }

            if (stored is not null && stored.Revision != expected)
            {
                return Conflict(stored);
            }

            if (Misfits(item!, stored, shelf) is { Count: > 0 } errors)
            {
                return Problem.OfFields(errors).ToResult();
            }

            await WriteAsync(store, stored, item!, shelf.Index, cancellationToken);
            await store.CommitAsync(transaction, cancellationToken);
            http.Response.Headers.Location = $"/api/shelf/{id}";
            return Answer(http, new ShelfEntry(item!, (stored?.Revision ?? 0) + 1, stored?.RetiredAt), stored is null ? 201 : 200);
        }
    }

    private static (GearItem? Item, Problem? Problem) Read(ReadOnlyMemory<byte> json, Guid id)
    {
        try
        {
            using var document = JsonTexts.Parse(json);
            var errors = new List<DiagnosticOutput>();
            var item = GearJson.Read(document.RootElement, "", errors);
            if (item is not null && item.Id != Guid.Empty && item.Id != id)
            {
                errors.Add(new("id", $"{item.Id}", $"{id}", "The id is not that of the address.", "Leave it out, or give the same."));
            }

            return errors.Count > 0 ? (null, Problem.OfFields(errors)) : (item!.WithId(id), null);
        }
        catch (JsonException e)
        {
            return (null, Problem.OfBody(new("", "", "JSON (RFC 8259)", $"The body is not JSON from line {e.LineNumber + 1 ?? 1}, or a member is given twice.", "Mend it there.")));
        }
    }

    private static List<DiagnosticOutput> Misfits(GearItem item, ShelfEntry? stored, ShelfNow shelf)
    {
        var index = shelf.Index;
        var errors = new List<DiagnosticOutput>();
        if (stored is not null && stored.Item.Kind != item.Kind)
        {
            errors.Add(new("kind", GearKinds.Of(item.Kind).Key, GearKinds.Of(stored.Item.Kind).Key, "A thing cannot become one of another kind.", "Add a new one instead."));
        }

        if (stored is null && ShelfRules.IdSetAside(item.Id, shelf) is { } aside)
        {
            errors.Add(aside);
        }

        // A mount that is being renamed is known by both names meanwhile.
        errors.AddRange(ShelfRules.UnknownMounts(item, name => index.Mounts.Find(name) is not null || item.Kind == GearKind.Mount && name == item.Name));
        if (ShelfRules.NameTaken(item, index) is { } taken)
        {
            errors.Add(taken);
        }

        return errors;
    }

    private static async Task WriteAsync(ShelfStore store, ShelfEntry? stored, GearItem item, ShelfIndex index, CancellationToken cancellationToken)
    {
        if (stored is null)
        {
            await store.ForgetUnseenAsync([item.Id], cancellationToken);
            store.Add(item);
            return;
        }

        store.Change(stored, item, stored.RetiredAt);
        if (item.Kind == GearKind.Mount && item.Name != stored.Item.Name)
        {
            foreach (var user in ShelfRules.UsersOf(index, stored.Item))
            {
                store.Change(user, ShelfRules.WithMountRenamed(user.Item, stored.Item.Name, item.Name), user.RetiredAt);
            }

            await store.RenameMountOfUnseenAsync(stored.Item.Name, item.Name, cancellationToken);
        }
    }

    private static async Task<IResult> Delete(Guid id, ShelfStore store, TimeProvider clock, CancellationToken cancellationToken)
    {
        var (transaction, shelf) = await store.BeginAsync(cancellationToken);
        await using (transaction)
        {
            var stored = shelf.Index.Find(id);
            if (stored is null && shelf.SetAside.All(aside => aside.Id != id))
            {
                return ShelfEndpoints.NotFound(id);
            }

            if (stored?.Item.Kind == GearKind.Mount && ShelfRules.UsersOf(shelf.Index, stored.Item) is { Count: > 0 } users)
            {
                return ShelfRules.MountInUse(stored.Item, users).ToResult();
            }

            var usedBy = stored is null ? [] : await store.WorksWithAsync(id, cancellationToken);
            if (usedBy.Count == 0)
            {
                await store.SetDeletedAsync(id, clock.GetUtcNow(), cancellationToken);
            }
            else if (stored!.RetiredAt is null)
            {
                store.Change(stored, stored.Item, clock.GetUtcNow());
            }

            await store.CommitAsync(transaction, cancellationToken);
            return stored is null
                ? TypedResults.NoContent()
                : TypedResults.Json(new ShelfDeleteOutput(usedBy.Count > 0, usedBy, stored.ToOutput()), WireJson.Default.ShelfDeleteOutput);
        }
    }

    private static async Task<IResult> Deleted(ShelfStore store, CancellationToken cancellationToken)
    {
        var rows = await store.Deleted().Take(MostDeletedTold).ToListAsync(cancellationToken);
        return TypedResults.Json(
            [.. rows.Select(g => new DeletedGearOutput(g.Id, g.Kind, ShelfCache.Read(g).Entry?.Item.FullName ?? g.NameKey, g.DeletedAt!.Value))],
            WireJson.Default.IReadOnlyListDeletedGearOutput);
    }

    private static async Task<IResult> Retire(Guid id, ShelfStore store, TimeProvider clock, CancellationToken cancellationToken)
    {
        var (transaction, shelf) = await store.BeginAsync(cancellationToken);
        await using (transaction)
        {
            return shelf.Index.Find(id) is { } stored
                ? await SetRetired(stored, clock.GetUtcNow(), store, transaction, cancellationToken)
                : ShelfEndpoints.NotFound(id);
        }
    }

    private static async Task<IResult> Restore(Guid id, ShelfStore store, CancellationToken cancellationToken)
    {
        var (transaction, shelf) = await store.BeginAsync(cancellationToken);
        await using (transaction)
        {
            if (shelf.Index.Find(id) is { } stored)
            {
                return ShelfRules.NameTaken(stored.Item, shelf.Index) is { } taken
                    ? Problem.OfFields([taken]).ToResult()
                    : await SetRetired(stored, null, store, transaction, cancellationToken);
            }

            if (await store.Deleted().FirstOrDefaultAsync(g => g.Id == id, cancellationToken) is not { } deleted)
            {
                return ShelfEndpoints.NotFound(id);
            }

            var (entry, _) = ShelfCache.Read(deleted);
            if (entry is not null && Misfits(entry, shelf.Index) is { Count: > 0 } errors)
            {
                return Problem.OfFields(errors).ToResult();
            }

            await store.SetDeletedAsync(id, null, cancellationToken);
            await store.CommitAsync(transaction, cancellationToken);
            return entry is null ? TypedResults.NoContent() : TypedResults.Json(entry.ToOutput(), WireJson.Default.ShelfItemOutput);
        }
    }

    /// <summary>Why a deleted thing does not go back among those that are there now.</summary>
    private static List<DiagnosticOutput> Misfits(ShelfEntry deleted, ShelfIndex index) =>
        [
            .. ShelfRules.UnknownMounts(deleted.Item, name => index.Mounts.Find(name) is not null || deleted.Item.Kind == GearKind.Mount && name == deleted.Item.Name),
            .. deleted.RetiredAt is null && ShelfRules.NameTaken(deleted.Item, index) is { } taken ? [taken] : Array.Empty<DiagnosticOutput>(),
        ];

    private static async Task<IResult> SetRetired(ShelfEntry stored, DateTimeOffset? at, ShelfStore store, IDbContextTransaction transaction, CancellationToken cancellationToken)
    {
        if (stored.RetiredAt is null == at is null)
        {
            return TypedResults.Json(stored.ToOutput(), WireJson.Default.ShelfItemOutput);
        }

        store.Change(stored, stored.Item, at);
        await store.CommitAsync(transaction, cancellationToken);
        return TypedResults.Json(new ShelfEntry(stored.Item, stored.Revision + 1, at).ToOutput(), WireJson.Default.ShelfItemOutput);
    }

    private static IResult Answer(HttpContext http, ShelfEntry entry, int status)
    {
        http.Response.Headers.ETag = Revision.ToTag(entry.Revision);
        return TypedResults.Json(entry.ToOutput(), WireJson.Default.ShelfItemOutput, statusCode: status);
    }

    private static IResult Conflict(ShelfEntry current) => TypedResults.Json(
        new ShelfConflict(
            "/problems/changed-meanwhile",
            "Changed meanwhile",
            412,
            "Someone else changed this since you opened it. Nothing was overwritten; choose which one to keep.",
            current.ToOutput()),
        WireJson.Default.ShelfConflict,
        Problem.MediaType,
        412);
}

using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Bookings;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Core.Shelf;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Bookings;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Shelf;
using Juxtopsis.Server.Startup;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Measuring;

/// <summary>
/// Units that differ: searches know models, so a unit that tests found to be another than its like becomes a model of its own, and
/// each model's record holds what the tests of its own units found.
/// </summary>
internal static class UnitModelEndpoints
{
    public static void MapUnitModels(this WebApplication app)
    {
        var group = app.MapGroup("/api/units").WithTags("Bookings").RequireDatabase();
        group.MapPut("{id:guid}/model", Put).WithName("PutUnitModel")
            .WithSummary("Makes a unit a model of its own, under its own identity, or puts it back to a model of the same kind. Its tests and bookings go with it; both records are made anew from their units' tests.")
            .Accepts<UnitModelInput>("application/json")
            .Produces<UnitOutput>().ProducesProblems(400, 404, 409, 413, 415, 422, 503);
        group.MapGet("{id:guid}/models", Models).WithName("GetUnitModels")
            .WithSummary("The models that a unit which is a model of its own can be put back to: those with the same papers. None for any other unit.")
            .Produces<IReadOnlyList<UnitModelOutput>>().ProducesProblems(400, 503);
    }

    private static async Task<IResult> Models(Guid id, JuxtopsisDb db, ShelfCache cache, CancellationToken cancellationToken)
    {
        var index = (await cache.ReadAsync(db)).Index;
        var own = await IsAloneAsync(db, id, id, cancellationToken) ? index.Find(id) : null;
        IReadOnlyList<UnitModelOutput> models = own is null
            ? []
            : [.. index.Entries.Where(e => e.Item.Id != id && e.RetiredAt is null && HasPapersOf(e.Item, own.Item)).Select(e => new UnitModelOutput(e.Item.Id, e.Item.FullName))];
        return TypedResults.Json(models, WireJson.Default.IReadOnlyListUnitModelOutput);
    }

    private static async Task<IResult> Put(Guid id, JuxtopsisDb db, ShelfStore store, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        var input = WireReader.Read((await RequestBody.ReadAsync(http.Request, cancellationToken)).Span, WireJson.Default.UnitModelInput, out var unread);
        if (unread is not null)
        {
            return unread.ToResult();
        }

        var (transaction, shelf) = await store.BeginAsync(cancellationToken);
        await using (transaction)
        {
            if (await db.Units.FirstOrDefaultAsync(u => u.Id == id && u.DeletedAt == null, cancellationToken) is not { } unit || shelf.Index.Find(unit.GearId) is not { } from)
            {
                return Problem.Of("no-unit", 404, "No such unit", $"There is no unit {id}. It may have been given away.").ToResult();
            }

            if (unit.GearId == input!.GearId)
            {
                return TypedResults.Json(UnitEndpoints.ToOutput(unit), WireJson.Default.UnitOutput);
            }

            var refused = input.GearId == id ? await ApartAsync(db, store, shelf, unit, from, cancellationToken) : await BackAsync(db, store, shelf, unit, from, input.GearId, cancellationToken);
            if (refused is not null)
            {
                return refused;
            }

            (unit.GearId, unit.Revision, unit.UpdatedAt) = (input.GearId, unit.Revision + 1, clock.GetUtcNow());
            await db.SaveChangesAsync(cancellationToken);
            if (input.GearId != id)
            {
                await db.Gear.Where(g => g.Id == id).ExecuteDeleteAsync(cancellationToken);
            }

            await store.CommitAsync(transaction, cancellationToken);
            return TypedResults.Json(UnitEndpoints.ToOutput(unit), WireJson.Default.UnitOutput);
        }
    }

    /// <summary>Puts the unit's own model beside the one that it was of; tells why not, where it cannot be.</summary>
    private static async Task<IResult?> ApartAsync(JuxtopsisDb db, ShelfStore store, ShelfNow shelf, GearUnit unit, ShelfEntry from, CancellationToken cancellationToken)
    {
        if (shelf.Index.Entries.Count >= ShelfRules.MostThings)
        {
            return ShelfRules.ShelfFull("it").ToResult();
        }

        if (!await db.Units.AnyAsync(u => u.GearId == from.Item.Id && u.Id != unit.Id && u.DeletedAt == null, cancellationToken))
        {
            return Problem.Of("last-unit", 409, "The last one", "It is the only unit of its model, so what its tests find counts for it alone already.").ToResult();
        }

        await store.ForgetUnseenAsync([unit.Id], cancellationToken);
        var papers = from.Item.WithId(unit.Id);
        var own = Named(papers, unit.Label, shelf.Index);
        store.Add(await RecordAsync(db, own, u => u.Id == unit.Id, cancellationToken), from.RetiredAt);
        if (await IsTestedAsync(db, unit, cancellationToken))
        {
            store.Change(from, await RecordAsync(db, from.Item, u => u.GearId == from.Item.Id && u.Id != unit.Id, cancellationToken), from.RetiredAt);
        }

        return null;
    }

    /// <summary>Has the unit's tests told in the record of the model that it goes back to; tells why not, where it cannot be.</summary>
    private static async Task<IResult?> BackAsync(JuxtopsisDb db, ShelfStore store, ShelfNow shelf, GearUnit unit, ShelfEntry from, Guid to, CancellationToken cancellationToken)
    {
        if (shelf.Index.Find(to) is not { } model || model.Item.Kind != from.Item.Kind)
        {
            return Problem.OfFields([new("gearId", $"{to}", "a model of the same kind", "There is no such thing of the same kind on the shelf.", "Choose another.")]).ToResult();
        }

        if (!await IsAloneAsync(db, unit.Id, from.Item.Id, cancellationToken))
        {
            return Problem.Of("not-alone", 409, "There are others of it", "Only a unit that is the one of its model goes to another. Set it apart first.").ToResult();
        }

        if (await store.WorksWithAsync(from.Item.Id, cancellationToken, asThing: true) is { Count: > 0 } works)
        {
            return Problem.Of("in-use", 409, "Work names it", $"{string.Join(", ", works)} {(works.Count == 1 ? "names" : "name")} {from.Item.FullName}. Take it out there first.").ToResult();
        }

        if (!HasPapersOf(model.Item, from.Item))
        {
            return Problem.Of("other-papers", 409, "Its papers are others", $"The papers of {from.Item.FullName} and of {model.Item.FullName} differ, and one of them would be lost. Make them the same first.").ToResult();
        }

        if (await IsTestedAsync(db, unit, cancellationToken))
        {
            store.Change(model, await RecordAsync(db, model.Item, u => u.GearId == to || u.Id == unit.Id, cancellationToken), model.RetiredAt);
        }

        return null;
    }

    /// <summary>Whether a unit is the only one, and the first, of a model.</summary>
    private static async Task<bool> IsAloneAsync(JuxtopsisDb db, Guid unit, Guid model, CancellationToken cancellationToken) =>
        unit == model
        && await db.Units.AnyAsync(u => u.Id == unit && u.GearId == model && u.DeletedAt == null, cancellationToken)
        && !await db.Units.AnyAsync(u => u.GearId == model && u.Id != unit, cancellationToken);

    /// <summary>Whether two things are the same but for their names and for what tests found.</summary>
    private static bool HasPapersOf(GearItem one, GearItem other) =>
        one.Kind == other.Kind && TestRecord.Anew(one, []).Equals(TestRecord.Anew(other, []).Named(one.Name).WithId(one.Id));

    /// <summary>Whether tests of a unit are in a record. Where none is, no record says anything of it: what came with a file stays as it came.</summary>
    private static Task<bool> IsTestedAsync(JuxtopsisDb db, GearUnit unit, CancellationToken cancellationToken) =>
        db.UnitTests.AnyAsync(t => t.UnitId == unit.Id && t.AcceptedAt != null, cancellationToken);

    /// <summary>A thing with what the accepted tests of some units found.</summary>
    private static async Task<GearItem> RecordAsync(JuxtopsisDb db, GearItem item, System.Linq.Expressions.Expression<Func<GearUnit, bool>> ofWhich, CancellationToken cancellationToken)
    {
        var rows = await db.UnitTests.AsNoTracking().Where(t => t.AcceptedAt != null)
            .Join(db.Units.Where(ofWhich), t => t.UnitId, u => u.Id, (t, u) => new { Test = t, Unit = u })
            .OrderBy(r => r.Test.AcceptedAt).ThenBy(r => r.Test.Id).ToListAsync(cancellationToken);
        return TestRecord.Anew(item, rows.Select(r => (r.Test.Kind, r.Test.ToResults(), UnitTestEndpoints.SourceOf(r.Test, r.Unit))));
    }

    /// <summary>A thing under its name with the label of the unit, or with a number, whichever nothing else has.</summary>
    private static GearItem Named(GearItem item, string label, ShelfIndex index)
    {
        string[] labels = label.Length > 0 ? [label, .. Enumerable.Range(2, index.Entries.Count + 1).Select(n => $"{label} {n}")] : [.. Enumerable.Range(2, index.Entries.Count + 2).Select(n => $"{n}")];
        return labels.Select(l => item.Labelled(l)).First(named => ShelfRules.NameTaken(named, index) is null);
    }
}

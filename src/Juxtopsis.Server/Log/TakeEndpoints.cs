using System.ComponentModel;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Log;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Startup;
using Juxtopsis.Server.Works;
using Juxtopsis.Server.Writing;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Log;

/// <summary>Takes: what was really used on set. They are noted without a network too, and come when there is one.</summary>
internal static class TakeEndpoints
{
    public static void MapTakes(this WebApplication app)
    {
        var group = app.MapGroup("/api/takes").WithTags("Log").RequireDatabase();
        group.MapGet("", List).WithName("ListTakes")
            .WithSummary("The takes of a production, or of all, in the order in which they were taken. With a time, those alone that changed after it, deleted ones among them.")
            .Produces<IReadOnlyList<TakeOutput>>().ProducesProblems(503);
        group.MapPut("{id:guid}", Put).WithName("PutTake")
            .WithSummary("Notes a take under an id of one's own choice (If-None-Match: *), or changes it (If-Match: \"revision\"); a deleted one comes back.")
            .Accepts<TakeInput>("application/json")
            .Produces<TakeOutput>().Produces<TakeOutput>(201)
            .ProducesProblems(400, 404, 409, 412, 413, 415, 422, 428, 503);
        group.MapDelete("{id:guid}", Delete).WithName("DeleteTake").WithSummary("Deletes a take; noting it once more brings it back.")
            .Produces(204).ProducesProblems(404, 503);
    }

    private static async Task<IResult> List([Description("The production; all when left out.")] Guid? production, [Description("Only what changed after this time. Ask from somewhat before what was told last: a change may arrive a moment late.")] DateTimeOffset? since, JuxtopsisDb db, CancellationToken cancellationToken)
    {
        var after = since?.ToUniversalTime();
        var rows = await db.Takes.AsNoTracking().Where(t => (after == null ? t.DeletedAt == null : t.UpdatedAt > after) && (production == null || t.ProductionId == production)).OrderBy(t => t.TakenAt).ThenBy(t => t.Id).ToListAsync(cancellationToken);
        return TypedResults.Json([.. rows.Select(ToOutput)], WireJson.Default.IReadOnlyListTakeOutput);
    }

    private static async Task<IResult> Put(Guid id, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        var (input, expected, unread) = await ConditionalWrite.ReadAsync(http, WireJson.Default.TakeInput, TakeChecks.Check, "a take", cancellationToken);
        if (unread is not null)
        {
            return unread;
        }

        var row = await db.Takes.FirstOrDefaultAsync(t => t.Id == id, cancellationToken);
        var take = TakeRow.Of(input!);
        var refused = row is not null ? Refusal(row, input!, take, expected) : expected is not null ? NotFound(id) : await NoRoomAsync(db, input!, cancellationToken);
        if (refused is not null)
        {
            return refused;
        }

        var isNew = row is null;
        row ??= db.Takes.Add(new() { Id = id, ProductionId = input!.ProductionId, TakenAt = input.TakenAt.ToUniversalTime(), Take = take, UpdatedAt = clock.GetUtcNow(), Revision = 0 }).Entity;
        (row.Take, row.TakenAt, row.By, row.DeletedAt) = (take, input!.TakenAt.ToUniversalTime(), Writer.Of(http.Request.Headers).Name, null);
        (row.Revision, row.UpdatedAt) = (row.Revision + 1, clock.GetUtcNow());
        if (!await ConditionalWrite.TrySaveAsync(db, http, row.Revision, cancellationToken))
        {
            return Changed;
        }

        return TypedResults.Json(ToOutput(row), WireJson.Default.TakeOutput, statusCode: isNew ? 201 : 200);
    }

    /// <summary>Why a take that is here is not changed so; null when it can be. The same again after a lost answer is no change.</summary>
    private static IResult? Refusal(TakeRow row, TakeInput input, string take, int? expected)
    {
        if (row.ProductionId != input.ProductionId)
        {
            return Problem.OfFields([new("productionId", $"{input.ProductionId}", $"{row.ProductionId}", "A take stays one of its production.", "Note another take.")]).ToResult();
        }

        return row.Revision == expected || row.DeletedAt is not null || TakeRow.Of(row.ToTake()) == take ? null : Changed;
    }

    private static async Task<IResult?> NoRoomAsync(JuxtopsisDb db, TakeInput input, CancellationToken cancellationToken)
    {
        if (!await db.Productions.AnyAsync(p => p.Id == input.ProductionId, cancellationToken))
        {
            return Problem.Of("no-work", 404, "The production is not stored yet", "There is no production of this identity here. Wait until it is saved; the take is kept.").ToResult();
        }

        return await db.Takes.CountAsync(cancellationToken) >= TakeRow.Most
            ? Problem.Of("too-many", 409, "No room for another take", $"There are {TakeRow.Most} already.").ToResult()
            : null;
    }

    private static async Task<IResult> Delete(Guid id, JuxtopsisDb db, TimeProvider clock, CancellationToken cancellationToken)
    {
        var now = clock.GetUtcNow();
        var gone = await db.Takes.Where(t => t.Id == id && t.DeletedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(t => t.DeletedAt, now).SetProperty(t => t.Revision, t => t.Revision + 1).SetProperty(t => t.UpdatedAt, now), cancellationToken);
        return gone == 0 ? NotFound(id) : TypedResults.NoContent();
    }

    private static IResult Changed => Problem.Of("changed", 412, "Somebody else changed it", "Somebody else changed this take meanwhile. Both stand: what you noted becomes one of its own.").ToResult();

    private static IResult NotFound(Guid id) => Problem.Of("no-take", 404, "No such take", $"There is no take {id}. It may have been deleted.").ToResult();

    internal static TakeOutput ToOutput(TakeRow row) => new(row.Id, row.ToTake(), row.By, row.UpdatedAt, row.Revision, row.DeletedAt);
}

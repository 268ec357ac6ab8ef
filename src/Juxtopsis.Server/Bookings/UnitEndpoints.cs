using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Bookings;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Gear;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Shelf;
using Juxtopsis.Server.Startup;
using Juxtopsis.Server.Writing;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Bookings;

/// <summary>The physical units of the models on the shelf.</summary>
internal static class UnitEndpoints
{
    /// <summary>The most units of one model.</summary>
    private const int MostOfOne = 500;

    public static void MapUnits(this WebApplication app)
    {
        var group = app.MapGroup("/api/units").WithTags("Bookings").RequireDatabase();
        group.MapGet("", async (BookingStore store, CancellationToken cancellationToken) =>
                TypedResults.Json([.. (await store.UnitsAsync(cancellationToken)).Select(ToOutput)], WireJson.Default.IReadOnlyListUnitOutput))
            .WithName("ListUnits").WithSummary("The physical units of what is on the shelf: serial, owner, where it is, in what state.")
            .Produces<IReadOnlyList<UnitOutput>>().ProducesProblems(503);
        group.MapPut("{id:guid}", Put).WithName("PutUnit")
            .WithSummary("Makes (If-None-Match: *) or changes (If-Match: \"revision\") a unit under an id of one's own choice; one that was given away comes back.")
            .Accepts<UnitInput>("application/json")
            .Produces<UnitOutput>().Produces<UnitOutput>(201)
            .ProducesProblems(400, 404, 409, 412, 413, 415, 422, 428, 503);
        group.MapDelete("{id:guid}", Delete).WithName("DeleteUnit")
            .WithSummary("Gives a unit away that nobody has booked from now on, and that is not the last of its model. What was booked before is kept.")
            .Produces(204).ProducesProblems(404, 409, 503);
    }

    private static async Task<IResult> Put(Guid id, JuxtopsisDb db, ShelfCache cache, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        var (input, expected, unread) = await ConditionalWrite.ReadAsync(http, WireJson.Default.UnitInput, BookingChecks.Check, "a unit", cancellationToken);
        if (unread is not null)
        {
            return unread;
        }

        if ((await cache.ReadAsync(db)).Index.Find(input!.GearId) is not { } model || model.Item.Kind == GearKind.Mount)
        {
            return Problem.OfFields([new("gearId", $"{input.GearId}", "a thing on the shelf", "There is no such thing on the shelf of which there could be units.", "Put it on the shelf first.")]).ToResult();
        }

        var row = await db.Units.FirstOrDefaultAsync(u => u.Id == id, cancellationToken);
        if (row is null && expected is not null)
        {
            return NotFound(id);
        }

        if (row is not null && row.GearId != input.GearId)
        {
            return Problem.OfFields([new("gearId", $"{input.GearId}", $"{row.GearId}", "A unit stays one of its model.", "Make another unit.")]).ToResult();
        }

        if (row is not null && row.Revision != expected && !(expected is null && Says(row, input)))
        {
            return Changed;
        }

        if (row is null && await db.Units.CountAsync(u => u.GearId == input.GearId && u.DeletedAt == null, cancellationToken) >= MostOfOne)
        {
            return Problem.Of("too-many", 409, "No room for another unit", $"There are {MostOfOne} of it already.").ToResult();
        }

        var isNew = row is null;
        row ??= db.Units.Add(new() { Id = id, GearId = input.GearId, UpdatedAt = clock.GetUtcNow(), Revision = 0 }).Entity;
        (row.Label, row.Owner, row.Place, row.Condition, row.ConditionNote) = (input.Label.Trim(), input.Owner.Trim(), input.Place.Trim(), input.Condition, input.ConditionNote.Trim());
        (row.Revision, row.UpdatedAt, row.DeletedAt) = (row.Revision + 1, clock.GetUtcNow(), null);
        if (!await ConditionalWrite.TrySaveAsync(db, http, row.Revision, cancellationToken))
        {
            return Changed;
        }

        return TypedResults.Json(ToOutput(row), WireJson.Default.UnitOutput, statusCode: isNew ? 201 : 200);
    }

    private static bool Says(GearUnit row, UnitInput input) => row.DeletedAt is null && (row.Label, row.Owner, row.Place, row.Condition, row.ConditionNote)
        == (input.Label.Trim(), input.Owner.Trim(), input.Place.Trim(), input.Condition, input.ConditionNote.Trim());

    private static async Task<IResult> Delete(Guid id, JuxtopsisDb db, TimeProvider clock, CancellationToken cancellationToken)
    {
        var now = clock.GetUtcNow();
        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);

        // Whoever books it waits, and then finds it given away; whoever gives another of the same away waits too.
        await db.Database.ExecuteSqlAsync(
            $"select 1 from gear_units where crew_id = {db.CrewId} and gear_id = (select gear_id from gear_units where crew_id = {db.CrewId} and id = {id}) order by id for update", cancellationToken);
        if (await db.Units.FirstOrDefaultAsync(u => u.Id == id && u.DeletedAt == null, cancellationToken) is not { } row)
        {
            return NotFound(id);
        }

        if (await db.Units.CountAsync(u => u.GearId == row.GearId && u.DeletedAt == null, cancellationToken) == 1)
        {
            return Problem.Of("last-unit", 409, "The last one", "It is the last unit of its model. Retire or delete the model on the shelf instead.").ToResult();
        }

        if (await db.Bookings.Where(b => b.GearUnitId == id && b.CancelledAt == null && b.BlockedTo > now).OrderBy(b => b.BlockedFrom).FirstOrDefaultAsync(cancellationToken) is { } booked)
        {
            return Problem.Of("booked", 409, "Somebody has booked it", $"{booked.CrewUnit} has booked it. Cancel that first, or let them take another.").ToResult();
        }

        (row.DeletedAt, row.UpdatedAt, row.Revision) = (now, now, row.Revision + 1);
        await db.SaveChangesAsync(cancellationToken);
        await transaction.CommitAsync(cancellationToken);
        return TypedResults.NoContent();
    }

    private static IResult Changed => Problem.Of("changed", 412, "Somebody else changed it", "Somebody else changed this unit meanwhile. It is shown as it is now; change it once more.").ToResult();

    private static IResult NotFound(Guid id) => Problem.Of("no-unit", 404, "No such unit", $"There is no unit {id}. It may have been given away.").ToResult();

    internal static UnitOutput ToOutput(GearUnit row) => new(row.Id, row.GearId, row.Label, row.Owner, row.Place, row.Condition, row.ConditionNote, row.Revision);
}

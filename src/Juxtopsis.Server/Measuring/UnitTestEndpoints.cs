using System.ComponentModel;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Measuring;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Shelf;
using Juxtopsis.Server.Startup;
using Juxtopsis.Server.Works;
using Juxtopsis.Server.Writing;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Measuring;

/// <summary>Tests of physical units: saved while readings come in, and taken into the record of the thing once.</summary>
internal static class UnitTestEndpoints
{
    public static void MapUnitTests(this WebApplication app)
    {
        var group = app.MapGroup("/api/tests").WithTags("Tests").RequireDatabase();
        group.MapGet("", List).WithName("ListUnitTests")
            .WithSummary("The tests of one model's units, or of all, newest first.")
            .Produces<IReadOnlyList<UnitTestOutput>>().ProducesProblems(503);
        group.MapPut("{id:guid}", Put).WithName("PutUnitTest")
            .WithSummary("Saves a test under an id of one's own choice: new (If-None-Match: *), or with more readings (If-Match: \"revision\"). An accepted one is not changed.")
            .Accepts<UnitTestInput>("application/json")
            .Produces<UnitTestOutput>().Produces<UnitTestOutput>(201)
            .ProducesProblems(400, 404, 409, 412, 413, 415, 422, 428, 503);
        group.MapPost("{id:guid}/accept", Accept).WithName("AcceptUnitTest")
            .WithSummary("Takes what a test found into the record of the thing, beside what its papers say, with where it comes from.")
            .Produces<UnitTestOutput>().ProducesProblems(404, 409, 503);
        group.MapDelete("{id:guid}", Delete).WithName("DeleteUnitTest")
            .WithSummary("Deletes a test that was not accepted.")
            .Produces(204).ProducesProblems(404, 409, 503);
    }

    private static async Task<IResult> List([Description("The model; all when left out.")] Guid? gear, JuxtopsisDb db, CancellationToken cancellationToken)
    {
        return TypedResults.Json(await AllAsync(db, gear, cancellationToken), WireJson.Default.IReadOnlyListUnitTestOutput);
    }

    /// <summary>The tests of one model's units, or of all, newest first.</summary>
    internal static async Task<IReadOnlyList<UnitTestOutput>> AllAsync(JuxtopsisDb db, Guid? gear, CancellationToken cancellationToken)
    {
        var rows = await db.UnitTests.AsNoTracking().Join(db.Units, t => t.UnitId, u => u.Id, (t, u) => new { Test = t, u.GearId })
            .Where(t => gear == null || t.GearId == gear).OrderByDescending(t => t.Test.UpdatedAt).ThenBy(t => t.Test.Id).ToListAsync(cancellationToken);
        return [.. rows.Select(r => ToOutput(r.Test, r.GearId))];
    }

    private static async Task<IResult> Put(Guid id, JuxtopsisDb db, ShelfCache cache, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        var (input, expected, unread) = await ConditionalWrite.ReadAsync(http, WireJson.Default.UnitTestInput, UnitTestChecks.Check, "a test", cancellationToken);
        if (unread is not null)
        {
            return unread;
        }

        if (await db.Units.FirstOrDefaultAsync(u => u.Id == input!.UnitId, cancellationToken) is not { } unit || (await cache.ReadAsync(db)).Index.Find(unit.GearId) is not { } model)
        {
            return Problem.OfFields([new("unitId", $"{input!.UnitId}", "a unit of a thing on the shelf", "There is no such unit.", "Make it on the Shelf first.")]).ToResult();
        }

        if (!TestProcedure.For(input!.Measured.Kind).Of.Contains(model.Item.Kind))
        {
            return Problem.OfFields([new("measured.kind", $"{input.Measured.Kind}", "a test of such a thing", $"There is no such test of a {GearKinds.Of(model.Item.Kind).Name.ToLowerInvariant()}.", "Choose another.")]).ToResult();
        }

        var row = await db.UnitTests.FirstOrDefaultAsync(t => t.Id == id, cancellationToken);
        var measured = UnitTestRow.Of(input.Measured);
        var refused = row is not null ? Refusal(row, input, measured, expected) : expected is not null ? NotFound(id) : null;
        if (refused is not null)
        {
            return refused;
        }

        if (row is null && await db.UnitTests.CountAsync(cancellationToken) >= UnitTestRow.Most)
        {
            return Problem.Of("too-many", 409, "No room for another test", $"There are {UnitTestRow.Most} already. Delete some that were not accepted.").ToResult();
        }

        var isNew = row is null;
        row ??= db.UnitTests.Add(new() { Id = id, UnitId = input.UnitId, Kind = input.Measured.Kind, Measured = measured, UpdatedAt = clock.GetUtcNow(), Revision = 0 }).Entity;
        (row.Measured, row.Note, row.By) = (measured, input.Note.Trim(), Writer.Of(http.Request.Headers).Name);
        (row.Revision, row.UpdatedAt) = (row.Revision + 1, clock.GetUtcNow());
        if (!await ConditionalWrite.TrySaveAsync(db, http, row.Revision, cancellationToken))
        {
            return Changed;
        }

        return TypedResults.Json(ToOutput(row, unit.GearId), WireJson.Default.UnitTestOutput, statusCode: isNew ? 201 : 200);
    }

    /// <summary>Why a test that is here is not changed so; null when it can be.</summary>
    private static IResult? Refusal(UnitTestRow row, UnitTestInput input, string measured, int? expected)
    {
        if (row.AcceptedAt is not null || row.UnitId != input.UnitId || row.Kind != input.Measured.Kind)
        {
            return row.AcceptedAt is null ? Other : Accepted;
        }

        // The same again after a lost answer is no change.
        return row.Revision == expected || (row.Note == input.Note.Trim() && UnitTestRow.Of(row.ToMeasured()) == measured) ? null : Changed;
    }

    private static async Task<IResult> Accept(Guid id, JuxtopsisDb db, ShelfStore store, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        var (transaction, shelf) = await store.BeginAsync(cancellationToken);
        await using (transaction)
        {
            if (await db.UnitTests.FirstOrDefaultAsync(t => t.Id == id, cancellationToken) is not { } row
                || await db.Units.FirstOrDefaultAsync(u => u.Id == row.UnitId, cancellationToken) is not { } unit || shelf.Index.Find(unit.GearId) is not { } stored)
            {
                return NotFound(id);
            }

            if (row.AcceptedAt is not null)
            {
                return TypedResults.Json(ToOutput(row, unit.GearId), WireJson.Default.UnitTestOutput);
            }

            var results = MeasureMapping.Evaluate(row.ToMeasured()).Results;
            if (results.Count == 0)
            {
                return Problem.Of("no-result", 409, "It says nothing yet", "The readings do not tell a result yet. Take what is missing, then accept it.").ToResult();
            }

            var (now, name) = (clock.GetUtcNow(), Writer.Of(http.Request.Headers).Name);
            (row.Results, row.AcceptedAt, row.Revision) = (UnitTestRow.Of(results), now, row.Revision + 1);
            row.By = name.Length > 0 ? name : row.By;
            var tested = TestRecord.Accept(stored.Item, row.Kind, results, SourceOf(row, unit));
            if (GearChecks.Check(tested) is [var wrong, ..])
            {
                return Problem.Of("no-result", 409, "Such a result cannot be", $"{wrong.Message} Look at the readings once more.").ToResult();
            }

            store.Change(stored, tested, stored.RetiredAt);
            await store.CommitAsync(transaction, cancellationToken);
            return TypedResults.Json(ToOutput(row, unit.GearId), WireJson.Default.UnitTestOutput);
        }
    }

    /// <summary>Which unit an accepted test was of, when and by whom, as the record of the thing tells it.</summary>
    internal static string SourceOf(UnitTestRow row, GearUnit unit)
    {
        string[] source = [unit.Label, $"{row.AcceptedAt:d MMM yyyy}", row.By];
        return string.Join(", ", source.Where(s => s.Length > 0));
    }

    private static async Task<IResult> Delete(Guid id, JuxtopsisDb db, CancellationToken cancellationToken)
    {
        if (await db.UnitTests.AsNoTracking().FirstOrDefaultAsync(t => t.Id == id, cancellationToken) is not { } row)
        {
            return NotFound(id);
        }

        return row.AcceptedAt is not null || await db.UnitTests.Where(t => t.Id == id && t.AcceptedAt == null).ExecuteDeleteAsync(cancellationToken) == 0 ? Accepted : TypedResults.NoContent();
    }

    private static IResult Accepted => Problem.Of("accepted", 409, "It is in the record", "An accepted test stays as it is. Begin another one.").ToResult();

    private static IResult Other => Problem.Of("other-test", 409, "It is another test", "A test stays one of its unit and its kind. Begin another one.").ToResult();

    private static IResult Changed => Problem.Of("changed", 412, "Somebody else changed it", "Somebody else saved this test meanwhile. It is shown as it is now; add your readings once more.").ToResult();

    private static IResult NotFound(Guid id) => Problem.Of("no-test", 404, "No such test", $"There is no test {id}. It may have been deleted.").ToResult();

    private static UnitTestOutput ToOutput(UnitTestRow row, Guid gear) => new(row.Id, row.UnitId, gear, row.ToMeasured(), row.Note, row.ToResults(), row.By, row.UpdatedAt, row.AcceptedAt, row.Revision);
}

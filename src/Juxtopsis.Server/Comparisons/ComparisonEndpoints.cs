using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Startup;
using Juxtopsis.Server.Writing;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Juxtopsis.Server.Comparisons;

/// <summary>Saved comparisons. Writing is conditional (If-Match, If-None-Match), so nobody overwrites anybody unawares.</summary>
internal static class ComparisonEndpoints
{
    private const int PageSize = 100;

    public static void MapComparisons(this WebApplication app)
    {
        var group = app.MapGroup("/api/comparisons").WithTags("Comparisons").RequireDatabase();
        group.MapGet("", List).WithName("ListComparisons")
            .WithSummary("Comparisons, newest change first, 100 at a time; with deleted=true those that can be restored.")
            .Produces<IReadOnlyList<ComparisonSummary>>().ProducesProblems(503);
        group.MapGet("{id:guid}", Get).WithName("GetComparison")
            .WithSummary("One comparison; its ETag is its revision.")
            .Produces<ComparisonOutput>().Produces(304).ProducesProblems(404, 503);
        group.MapPut("{id:guid}", Put).WithName("PutComparison")
            .WithSummary("Makes (If-None-Match: *) or changes (If-Match: \"revision\") a comparison under an id of one's own choice.")
            .Accepts<ComparisonInput>("application/json")
            .Produces<ComparisonOutput>().Produces<ComparisonOutput>(201)
            .Produces<ComparisonConflict>(412, Problem.MediaType)
            .ProducesProblems(400, 404, 409, 413, 415, 422, 428, 503);
        group.MapDelete("{id:guid}", Delete).WithName("DeleteComparison")
            .WithSummary("Deletes a comparison; it can be restored.")
            .Produces<ComparisonOutput>().ProducesProblems(404, 503);
        group.MapPost("{id:guid}/restore", Restore).WithName("RestoreComparison")
            .WithSummary("Brings a deleted comparison back.")
            .Produces<ComparisonOutput>().ProducesProblems(404, 503);
    }

    private static async Task<IResult> List(JuxtopsisDb db, CancellationToken cancellationToken, bool deleted = false, int skip = 0)
    {
        var rows = await db.Comparisons.AsNoTracking()
            .Where(c => c.DeletedAt != null == deleted)
            .OrderByDescending(c => deleted ? c.DeletedAt : c.UpdatedAt).ThenBy(c => c.Id)
            .Skip(Math.Clamp(skip, 0, 1_000_000)).Take(PageSize)
            .ToListAsync(cancellationToken);
        return TypedResults.Json([.. rows.Select(ComparisonMapping.ToSummary)], WireJson.Default.IReadOnlyListComparisonSummary);
    }

    private static async Task<IResult> Get(Guid id, JuxtopsisDb db, HttpContext http, CancellationToken cancellationToken)
    {
        var found = await Find(db, id, cancellationToken);
        if (found is null)
        {
            return NotFound(id);
        }

        http.Response.Headers.ETag = Revision.ToTag(found.Revision);
        http.Response.Headers.CacheControl = "no-cache";
        return http.Request.Headers.IfNoneMatch == Revision.ToTag(found.Revision)
            ? TypedResults.StatusCode(304)
            : Answer(found, 200);
    }

    private static async Task<IResult> Put(Guid id, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        if (!Revision.TryRead(http.Request.Headers, out var expected))
        {
            return Revision.Missing("a comparison");
        }

        var json = await RequestBody.ReadAsync(http.Request, cancellationToken);
        var input = WireReader.Read(json.Span, WireJson.Default.ComparisonInput, out var problem);
        problem ??= ComparisonChecks.Check(input!);
        if (problem is not null)
        {
            return problem.ToResult();
        }

        var stored = await Find(db, id, cancellationToken);
        if (stored is null)
        {
            return expected is null ? await Add(id, input!, db, clock, http, cancellationToken) : NotFound(id);
        }

        if (stored.Holds(input!))
        {
            http.Response.Headers.ETag = Revision.ToTag(stored.Revision);
            return Answer(stored, 200);
        }

        if (stored.Revision != expected)
        {
            return Conflict(stored);
        }

        stored.Name = input!.Name;
        stored.Document = input.Document;
        stored.DeletedAt = null;
        return await Save(stored, db, clock, http, cancellationToken);
    }

    private static async Task<IResult> Add(
        Guid id, ComparisonInput input, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        var now = clock.GetUtcNow();
        var added = new Comparison { Id = id, Name = input.Name, Document = input.Document, CreatedAt = now, UpdatedAt = now };
        db.Comparisons.Add(added);
        try
        {
            await db.SaveChangesAsync(cancellationToken);
        }
        catch (DbUpdateException e) when (e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            db.ChangeTracker.Clear();
            var current = await Find(db, id, cancellationToken);
            return current is null ? NotFound(id) : current.Holds(input) ? Answer(current, 200) : Conflict(current);
        }

        http.Response.Headers.ETag = Revision.ToTag(added.Revision);
        http.Response.Headers.Location = $"/api/comparisons/{id}";
        return Answer(added, 201);
    }

    private static async Task<IResult> Delete(Guid id, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken) =>
        await SetDeleted(id, deleted: true, db, clock, http, cancellationToken);

    private static async Task<IResult> Restore(Guid id, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken) =>
        await SetDeleted(id, deleted: false, db, clock, http, cancellationToken);

    private static async Task<IResult> SetDeleted(
        Guid id, bool deleted, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        var stored = await Find(db, id, cancellationToken);
        if (stored is null)
        {
            return NotFound(id);
        }

        if (stored.DeletedAt is not null == deleted)
        {
            return Answer(stored, 200);
        }

        stored.DeletedAt = deleted ? clock.GetUtcNow() : null;
        return await Save(stored, db, clock, http, cancellationToken);
    }

    /// <summary>Writes a change; where somebody else's came between reading and writing, that is a conflict too.</summary>
    private static async Task<IResult> Save(
        Comparison changed, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        changed.Revision++;
        changed.UpdatedAt = clock.GetUtcNow();
        try
        {
            await db.SaveChangesAsync(cancellationToken);
        }
        catch (DbUpdateConcurrencyException)
        {
            db.ChangeTracker.Clear();
            var current = await Find(db, changed.Id, cancellationToken);
            return current is null ? NotFound(changed.Id) : Conflict(current);
        }

        http.Response.Headers.ETag = Revision.ToTag(changed.Revision);
        return Answer(changed, 200);
    }

    private static Task<Comparison?> Find(JuxtopsisDb db, Guid id, CancellationToken cancellationToken) =>
        db.Comparisons.FirstOrDefaultAsync(c => c.Id == id, cancellationToken);

    private static IResult Answer(Comparison comparison, int status) =>
        TypedResults.Json(comparison.ToOutput(), WireJson.Default.ComparisonOutput, statusCode: status);

    private static IResult NotFound(Guid id) => Problem.Of(
        "no-comparison",
        404,
        "No such comparison",
        $"There is no comparison {id} here. It may belong to another server, or the address may be cut short.").ToResult();

    private static IResult Conflict(Comparison current) => TypedResults.Json(
        new ComparisonConflict(
            "/problems/changed-meanwhile",
            "Changed meanwhile",
            412,
            "Someone else changed this comparison since you opened it. Nothing was overwritten; choose which one to keep.",
            current.ToOutput()),
        WireJson.Default.ComparisonConflict,
        Problem.MediaType,
        412);
}

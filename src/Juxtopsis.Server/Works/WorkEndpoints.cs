using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Works;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Startup;
using Juxtopsis.Server.Writing;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Juxtopsis.Server.Works;

/// <summary>Saved work of one kind. Writing is conditional (If-Match, If-None-Match), so nobody overwrites anybody unawares.</summary>
/// <param name="kind">The kind.</param>
internal sealed class WorkEndpoints<TRow, TDocument, TInput, TOutput, TSummary, TConflict>(WorkKind<TRow, TDocument, TInput, TOutput, TSummary, TConflict> kind)
    where TRow : Work<TDocument>
    where TDocument : class
    where TInput : WorkInput<TDocument>
{
    private const int PageSize = 100;

    public void Map(WebApplication app)
    {
        var (name, word) = (kind.Name, kind.Word);
        var group = app.MapGroup(kind.Address).WithTags($"{name}s").RequireDatabase();
        group.MapGet("", List).WithName($"List{name}s")
            .WithSummary($"{name}s, newest change first, 100 at a time; with deleted=true those that can be restored.")
            .Produces<IReadOnlyList<TSummary>>().ProducesProblems(503);
        group.MapGet("{id:guid}", Get).WithName($"Get{name}")
            .WithSummary($"One {word}; its ETag is its revision.")
            .Produces<TOutput>().Produces(304).ProducesProblems(404, 503);
        group.MapPut("{id:guid}", Put).WithName($"Put{name}")
            .WithSummary($"Makes (If-None-Match: *) or changes (If-Match: \"revision\") a {word} under an id of one's own choice.")
            .Accepts<TInput>("application/json")
            .Produces<TOutput>().Produces<TOutput>(201)
            .Produces<TConflict>(412, Problem.MediaType)
            .ProducesProblems(400, 404, 409, 413, 415, 422, 428, 503);
        group.MapDelete("{id:guid}", Delete).WithName($"Delete{name}")
            .WithSummary($"Deletes a {word}; it can be restored.")
            .Produces<TOutput>().ProducesProblems(404, 503);
        group.MapPost("{id:guid}/restore", Restore).WithName($"Restore{name}")
            .WithSummary($"Brings a deleted {word} back.")
            .Produces<TOutput>().ProducesProblems(404, 503);
    }

    private async Task<IResult> List(JuxtopsisDb db, CancellationToken cancellationToken, bool deleted = false, int skip = 0)
    {
        var rows = await db.Set<TRow>().AsNoTracking()
            .Where(c => c.DeletedAt != null == deleted)
            .OrderByDescending(c => deleted ? c.DeletedAt : c.UpdatedAt).ThenBy(c => c.Id)
            .Skip(Math.Clamp(skip, 0, 1_000_000)).Take(PageSize)
            .ToListAsync(cancellationToken);
        return TypedResults.Json([.. rows.Select(kind.ToSummary)], kind.SummariesType);
    }

    private async Task<IResult> Get(Guid id, JuxtopsisDb db, HttpContext http, CancellationToken cancellationToken)
    {
        var found = await Find(db, id, cancellationToken);
        if (found is null)
        {
            return NotFound(id);
        }

        http.Response.Headers.ETag = Revision.ToTag(found.Revision);
        return http.Request.Headers.IfNoneMatch == Revision.ToTag(found.Revision)
            ? TypedResults.StatusCode(304)
            : Answer(found, 200);
    }

    private async Task<IResult> Put(Guid id, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        if (!Revision.TryRead(http.Request.Headers, out var expected))
        {
            return Revision.Missing($"a {kind.Word}");
        }

        var json = await RequestBody.ReadAsync(http.Request, cancellationToken);
        var input = WireReader.Read(json.Span, kind.InputType, out var problem);
        problem ??= kind.Check(input!);
        if (problem is not null)
        {
            return problem.ToResult();
        }

        var stored = await Find(db, id, cancellationToken);
        if (stored is null)
        {
            return expected is null ? await Add(id, input!, db, clock, http, cancellationToken) : NotFound(id);
        }

        if (Holds(stored, input!))
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

    private async Task<IResult> Add(Guid id, TInput input, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        var added = kind.Make(id, input, clock.GetUtcNow());
        db.Add(added);
        try
        {
            await db.SaveChangesAsync(cancellationToken);
        }
        catch (DbUpdateException e) when (e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            db.ChangeTracker.Clear();
            var current = await Find(db, id, cancellationToken);
            return current is null ? NotFound(id) : Holds(current, input) ? Answer(current, 200) : Conflict(current);
        }

        http.Response.Headers.ETag = Revision.ToTag(added.Revision);
        http.Response.Headers.Location = $"{kind.Address}/{id}";
        return Answer(added, 201);
    }

    private async Task<IResult> Delete(Guid id, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken) =>
        await SetDeleted(id, deleted: true, db, clock, http, cancellationToken);

    private async Task<IResult> Restore(Guid id, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken) =>
        await SetDeleted(id, deleted: false, db, clock, http, cancellationToken);

    private async Task<IResult> SetDeleted(Guid id, bool deleted, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
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
    private async Task<IResult> Save(TRow changed, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
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

    /// <summary>Whether what is stored is already what is to be saved: an answer got lost, and the page tries again.</summary>
    private bool Holds(TRow stored, TInput input) =>
        stored.DeletedAt is null && stored.Name == input.Name && JsonElement.DeepEquals(Json(stored.Document), Json(input.Document));

    /// <summary>The database keeps members of gear in an order of its own, so that text would differ.</summary>
    private JsonElement Json(TDocument document) => JsonSerializer.SerializeToElement(document, kind.DocumentType);

    private static Task<TRow?> Find(JuxtopsisDb db, Guid id, CancellationToken cancellationToken) =>
        db.Set<TRow>().FirstOrDefaultAsync(c => c.Id == id, cancellationToken);

    private IResult Answer(TRow row, int status) => TypedResults.Json(kind.ToOutput(row), kind.OutputType, statusCode: status);

    private IResult NotFound(Guid id) => Problem.Of(
        $"no-{kind.Word}",
        404,
        $"No such {kind.Word}",
        $"There is no {kind.Word} {id} here. It may belong to another server, or the address may be cut short.").ToResult();

    private IResult Conflict(TRow current) => TypedResults.Json(
        kind.ToConflict(
            "/problems/changed-meanwhile",
            "Changed meanwhile",
            412,
            $"Someone else changed this {kind.Word} since you opened it. Nothing was overwritten; choose which one to keep.",
            kind.ToOutput(current)),
        kind.ConflictType,
        Problem.MediaType,
        412);
}

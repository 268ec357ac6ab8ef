using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Works;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Startup;
using Juxtopsis.Server.Writing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Juxtopsis.Server.Works;

/// <summary>Saved work of one kind. Writing is conditional (If-Match, If-None-Match), so nobody overwrites anybody unawares.</summary>
/// <param name="kind">The kind.</param>
internal sealed class WorkEndpoints<TRow, TDocument, TInput, TOutput, TConflict>(WorkKind<TRow, TDocument, TInput, TOutput, TConflict> kind)
    where TRow : Work
    where TDocument : class
    where TInput : WorkInput<TDocument>
{
    private const int PageSize = 100;
    private const int MaxSearch = 200;
    private const int MaxBytes = 2 * 1024 * 1024;
    private const int MaxWorks = 20_000;

    public void Map(WebApplication app)
    {
        var (name, word) = (kind.Name, kind.Word);
        var group = app.MapGroup(kind.Address).WithTags($"{name}s").RequireDatabase();
        group.MapGet("", List).WithName($"List{name}s")
            .WithSummary($"{name}s, newest change first, 100 at a time; with deleted=true those that can be restored, with search those whose name or note holds all its words.")
            .Produces<IReadOnlyList<WorkSummary>>().ProducesProblems(400, 503);
        group.MapGet("{id:guid}", Get).WithName($"Get{name}")
            .WithSummary($"One {word}; its ETag is its revision.")
            .Produces<TOutput>().Produces(304).ProducesProblems(404, 422, 503);
        group.MapGet("{id:guid}/stored", Stored).WithName($"Stored{name}")
            .WithSummary($"A {word}'s document just as it is stored, whether it can be read or not.")
            .Produces(200, contentType: "application/json").ProducesProblems(404, 503);
        group.MapPut("{id:guid}", Put).WithName($"Put{name}")
            .WithSummary($"Makes (If-None-Match: *) or changes (If-Match: \"revision\") a {word} under an id of one's own choice.")
            .Accepts<TInput>("application/json")
            .WithMetadata(new RequestSizeLimitAttribute(MaxBytes))
            .Produces<TOutput>().Produces<TOutput>(201)
            .Produces<TConflict>(412, Problem.MediaType)
            .ProducesProblems(400, 404, 409, 413, 415, 422, 428, 503);
        group.MapDelete("{id:guid}", Delete).WithName($"Delete{name}")
            .WithSummary($"Deletes a {word}; it can be restored.")
            .Produces(204).ProducesProblems(404, 409, 503);
        group.MapPost("{id:guid}/restore", Restore).WithName($"Restore{name}")
            .WithSummary($"Brings a deleted {word} back.")
            .Produces(204).ProducesProblems(404, 409, 503);
        group.MapGet("{id:guid}/past", Past).WithName($"Past{name}")
            .WithSummary($"The states that a {word} had, newest first.")
            .Produces<IReadOnlyList<PastOutput>>().ProducesProblems(404, 503);
        group.MapGet("{id:guid}/past/{revision:int}", PastOne).WithName($"Past{name}One")
            .WithSummary($"A state that a {word} had.")
            .Produces<TOutput>().ProducesProblems(404, 422, 503);
    }

    private async Task<IResult> List(JuxtopsisDb db, CancellationToken cancellationToken, bool deleted = false, int skip = 0, string search = "")
    {
        var found = db.Set<TRow>().AsNoTracking().Where(w => w.PutAwayAt == null && w.DeletedAt != null == deleted);
        foreach (var word in search[..Math.Min(search.Length, MaxSearch)].Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var like = "%" + word.Replace("\\", "\\\\", StringComparison.Ordinal).Replace("%", "\\%", StringComparison.Ordinal).Replace("_", "\\_", StringComparison.Ordinal) + "%";
            found = found.Where(w => EF.Functions.ILike(w.Name, like, "\\") || EF.Functions.ILike(w.Note, like, "\\"));
        }

        var list = await found
            .OrderByDescending(w => deleted ? w.DeletedAt : w.UpdatedAt).ThenBy(w => w.Id)
            .Skip(Math.Clamp(skip, 0, 1_000_000)).Take(PageSize)
            .Select(w => new WorkSummary(w.Id, w.Name, w.Note, w.Lines ?? Array.Empty<string>(), w.Lines != null, w.Revision, w.UpdatedAt, w.DeletedAt))
            .ToListAsync(cancellationToken);
        return TypedResults.Json(list, WireJson.Default.IReadOnlyListWorkSummary);
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

    private async Task<IResult> Stored(Guid id, JuxtopsisDb db, CancellationToken cancellationToken) =>
        await Find(db, id, cancellationToken) is { } found ? TypedResults.Text(found.Document, "application/json") : NotFound(id);

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
        stored.DeletedAt = null;
        kind.Store.Put(stored, input.Document);
        return await Save(stored, ChangeCause.Edited, db, clock, http, cancellationToken) ?? Answer(stored, 200);
    }

    private async Task<IResult> Add(Guid id, TInput input, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        if (await db.Set<TRow>().CountAsync(cancellationToken) >= MaxWorks)
        {
            return Problem.Of("too-many", 409, $"No room for another {kind.Word}", $"There are {MaxWorks} of them already, deleted ones included. Take some out as one file and start on another server.").ToResult();
        }

        var added = kind.Store.Put(kind.Make(id, input.Name, clock.GetUtcNow()), input.Document);
        db.Add(added);
        db.Add(PastOf(added, ChangeCause.Made, http));
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

    /// <summary>Does not read the document: what cannot be read can be deleted and restored all the same.</summary>
    private async Task<IResult> SetDeleted(Guid id, bool deleted, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        var stored = await Find(db, id, cancellationToken);
        if (stored is null)
        {
            return NotFound(id);
        }

        if (stored.DeletedAt is not null != deleted)
        {
            stored.DeletedAt = deleted ? clock.GetUtcNow() : null;
            if (await Save(stored, deleted ? ChangeCause.Deleted : ChangeCause.Restored, db, clock, http, cancellationToken) is { } refused)
            {
                return refused;
            }
        }

        http.Response.Headers.ETag = Revision.ToTag(stored.Revision);
        return TypedResults.NoContent();
    }

    private async Task<IResult> Past(Guid id, JuxtopsisDb db, HttpContext http, CancellationToken cancellationToken)
    {
        var writer = Writer.Of(http.Request.Headers).Id;
        var past = await PastOf(db, id).OrderByDescending(r => r.Revision)
            .Select(r => new PastOutput(r.Revision, r.Name, r.Cause, r.By, r.Writer != "" && r.Writer == writer, r.At))
            .ToListAsync(cancellationToken);
        return past.Count == 0 && await Find(db, id, cancellationToken) is null
            ? NotFound(id)
            : TypedResults.Json(past, WireJson.Default.IReadOnlyListPastOutput);
    }

    private async Task<IResult> PastOne(Guid id, int revision, JuxtopsisDb db, CancellationToken cancellationToken)
    {
        var past = await PastOf(db, id).FirstOrDefaultAsync(r => r.Revision == revision, cancellationToken);
        if (past is null)
        {
            return NotFound(id);
        }

        var row = kind.Make(id, past.Name, past.At);
        (row.Document, row.Revision) = (past.Document, past.Revision);
        return Answer(row, 200);
    }

    /// <summary>Writes a change; where somebody else's came between reading and writing, that is a conflict too.</summary>
    /// <returns>Null when it is written; else the answer.</returns>
    private async Task<IResult?> Save(TRow changed, ChangeCause cause, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        changed.Revision++;
        changed.UpdatedAt = clock.GetUtcNow();
        var past = PastOf(changed, cause, http);
        db.Add(past);
        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        try
        {
            await db.SaveChangesAsync(cancellationToken);
        }
        catch (DbUpdateException e) when (e is DbUpdateConcurrencyException || e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            await transaction.RollbackAsync(cancellationToken);
            db.ChangeTracker.Clear();
            var current = await Find(db, changed.Id, cancellationToken);
            return current is null ? NotFound(changed.Id) : Conflict(current);
        }

        await Thin(db, past, cancellationToken);
        await transaction.CommitAsync(cancellationToken);
        http.Response.Headers.ETag = Revision.ToTag(changed.Revision);
        return null;
    }

    /// <summary>Keeps what was before by the rule of <see cref="PastRevision"/>.</summary>
    private async Task Thin(JuxtopsisDb db, PastRevision newest, CancellationToken cancellationToken)
    {
        var (since, last, limit) = (newest.At - PastRevision.Together, newest.Revision - 1, newest.Revision - PastRevision.Most);
        if (newest.Cause == ChangeCause.Edited && newest.Writer.Length > 0)
        {
            await PastOf(db, newest.WorkId)
                .Where(r => r.Revision == last && r.Cause == ChangeCause.Edited && r.Writer == newest.Writer && r.At > since)
                .ExecuteDeleteAsync(cancellationToken);
        }

        if (limit > 0)
        {
            var oldest = await PastOf(db, newest.WorkId).OrderByDescending(r => r.Revision).Select(r => (int?)r.Revision).Skip(PastRevision.Most).FirstOrDefaultAsync(cancellationToken);
            await PastOf(db, newest.WorkId).Where(r => r.Revision <= oldest).ExecuteDeleteAsync(cancellationToken);
        }
    }

    private IQueryable<PastRevision> PastOf(JuxtopsisDb db, Guid id) => db.Revisions.Where(r => r.Kind == kind.Store.Kind && r.WorkId == id);

    private PastRevision PastOf(TRow row, ChangeCause cause, HttpContext http)
    {
        var writer = Writer.Of(http.Request.Headers);
        return PastRevision.Of(kind.Store.Kind, row, cause, writer.Id, writer.Name);
    }

    /// <summary>Whether what is stored is already what is to be saved: an answer got lost, and the page tries again.</summary>
    private bool Holds(TRow stored, TInput input) =>
        stored.DeletedAt is null
        && stored.Name == input.Name
        && kind.Store.Shape.Read(stored.Document, out _) is { } document
        && JsonElement.DeepEquals(Json(document), Json(input.Document));

    private JsonElement Json(TDocument document) => JsonSerializer.SerializeToElement(document, kind.DocumentType);

    private static Task<TRow?> Find(JuxtopsisDb db, Guid id, CancellationToken cancellationToken) =>
        db.Set<TRow>().FirstOrDefaultAsync(c => c.Id == id, cancellationToken);

    private IResult Answer(TRow row, int status) =>
        kind.Store.Shape.Read(row.Document, out var why) is { } document
            ? TypedResults.Json(kind.ToOutput(row, document), kind.OutputType, statusCode: status)
            : CannotBeRead(row, why);

    private IResult NotFound(Guid id) => Problem.Of(
        $"no-{kind.Word}",
        404,
        $"No such {kind.Word}",
        $"There is no {kind.Word} {id} here. It may belong to another server, or the address may be cut short.").ToResult();

    private IResult CannotBeRead(TRow row, string why) => Problem.Of(
        "cannot-be-read",
        422,
        $"This {kind.Word} cannot be read",
        $"What is stored of the {kind.Word} “{row.Name}” cannot be read by this version. {why} It can be taken out as it is at {kind.Address}/{row.Id}/stored, and deleted.").ToResult();

    private IResult Conflict(TRow current) => kind.Store.Shape.Read(current.Document, out var why) is { } document
        ? TypedResults.Json(
            kind.ToConflict(
                "/problems/changed-meanwhile",
                "Changed meanwhile",
                412,
                $"Someone else changed this {kind.Word} since you opened it. Nothing was overwritten; choose which one to keep.",
                kind.ToOutput(current, document)),
            kind.ConflictType,
            Problem.MediaType,
            412)
        : CannotBeRead(current, why);
}

using System.ComponentModel;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Sheets;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Photos;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Startup;
using Juxtopsis.Server.Works;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Juxtopsis.Server.Sheets;

/// <summary>Sheets as they were sent, with their pictures, links and answers, for the crew that sent them.</summary>
internal static class FrozenEndpoints
{
    private const int MostBytes = 4 * 1024 * 1024;
    private const int MostLinks = 100;
    private const string Jpeg = "image/jpeg";

    public static void MapFrozenSheets(this WebApplication app)
    {
        var group = app.MapGroup("/api/sheets").WithTags("Sheets").RequireDatabase();
        group.MapGet("", List).WithName("ListFrozenSheets")
            .WithSummary("The frozen sheets of a production or a comparison, newest first, with their links and what was answered.")
            .Produces<IReadOnlyList<FrozenSummary>>().ProducesProblems(400, 503);
        group.MapGet("{id:guid}", Get).WithName("GetFrozenSheet")
            .WithSummary("A frozen sheet with all that its pages are made of.")
            .Produces<FrozenOutput>().ProducesProblems(404, 503);
        group.MapPut("{id:guid}", Put).WithName("FreezeSheet")
            .WithSummary("Keeps a sheet as it is under an id of one's own choice; it never changes afterwards.")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .Accepts<FrozenInput>("application/json")
            .Produces<FrozenSummary>().Produces<FrozenSummary>(201).ProducesProblems(400, 404, 409, 413, 415, 422, 503);
        group.MapDelete("{id:guid}", Delete).WithName("DeleteFrozenSheet")
            .WithSummary("Deletes a frozen sheet for good, with its pictures, links and answers.")
            .Produces(204).ProducesProblems(404, 503);
        group.MapPut("{id:guid}/pictures/{option}", PutPicture).WithName("PutFrozenPicture")
            .WithSummary("Keeps the picture of one of its options, a JPEG; once it is there it stays.")
            .WithMetadata(new RequestSizeLimitAttribute(FrozenPicture.MaxBytes))
            .Accepts<byte[]>(Jpeg)
            .Produces(204).ProducesProblems(404, 409, 413, 415, 422, 503);
        group.MapGet("{id:guid}/pictures/{option}", GetPicture).WithName("GetFrozenPicture").WithSummary("One of its pictures.")
            .Produces(200, contentType: Jpeg).ProducesProblems(404, 503);
        group.MapPost("{id:guid}/links", MakeLink).WithName("MakeSheetLink")
            .WithSummary("Makes a link that opens the sheet without an account; what opens it is told this once.")
            .Accepts<SheetLinkInput>("application/json")
            .Produces<SheetLinkMade>(201).ProducesProblems(400, 404, 409, 413, 415, 422, 503);
        group.MapDelete("links/{link:guid}", Withdraw).WithName("WithdrawSheetLink")
            .WithSummary("Withdraws a link: from now on it opens nothing, and says so.")
            .Produces(204).ProducesProblems(404, 503);
    }

    private static async Task<IResult> List([Description("The production or comparison.")] Guid work, JuxtopsisDb db, CancellationToken cancellationToken)
    {
        var sheets = await db.FrozenSheets.AsNoTracking().Where(s => s.WorkId == work).OrderByDescending(s => s.MadeAt).ThenBy(s => s.Id)
            .Select(s => new { s.Id, s.WorkId, s.SheetId, s.WorkRevision, s.Kind, s.Title, s.MadeAt, s.By })
            .ToListAsync(cancellationToken);
        var ids = sheets.Select(s => s.Id).ToArray();
        var links = (await db.SheetLinks.AsNoTracking().Where(l => ids.Contains(l.FrozenSheetId)).OrderByDescending(l => l.MadeAt).ToListAsync(cancellationToken)).ToLookup(l => l.FrozenSheetId);
        var answers = (await db.SheetAnswers.AsNoTracking().Where(a => ids.Contains(a.FrozenSheetId)).OrderBy(a => a.At).ToListAsync(cancellationToken)).ToLookup(a => a.FrozenSheetId);
        return TypedResults.Json(
            [
                .. sheets.Select(s => new FrozenSummary(
                    s.Id, s.WorkId, s.SheetId, s.WorkRevision, s.Kind, s.Title, s.MadeAt, s.By, [.. links[s.Id].Select(SheetLinks.ToOutput)], [.. answers[s.Id].Select(SheetLinks.ToOutput)])),
            ],
            WireJson.Default.IReadOnlyListFrozenSummary);
    }

    private static async Task<IResult> Get(Guid id, JuxtopsisDb db, CancellationToken cancellationToken)
    {
        if (await Find(db, id, cancellationToken) is not { } sheet)
        {
            return NotFound(id);
        }

        var kept = sheet.ToInput();
        return TypedResults.Json(new FrozenOutput(await SummaryAsync(db, sheet, cancellationToken), kept.Note, kept.Foot, kept.Shots, kept.Content), WireJson.Default.FrozenOutput);
    }

    private static async Task<IResult> Put(Guid id, JuxtopsisDb db, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        var json = await RequestBody.ReadAsync(http.Request, cancellationToken);
        var input = WireReader.Read(json.Span, WireJson.Default.FrozenInput, out var problem);
        problem ??= FrozenChecks.Check(input!);
        if (problem is not null)
        {
            return problem.ToResult();
        }

        var work = input!.WorkId;
        var isHere = await db.Productions.AnyAsync(p => p.Id == work, cancellationToken) || await db.Comparisons.AnyAsync(c => c.Id == work, cancellationToken);
        if (!isHere)
        {
            return Problem.Of("no-work", 404, "The work is not stored yet", "There is no production or comparison of this identity here. Wait until it is saved, then freeze the sheet.").ToResult();
        }

        if (await Find(db, id, cancellationToken) is { } before)
        {
            return before.WorkId == work && before.SheetId == input.SheetId && before.Title == input.Title && before.WorkRevision == input.WorkRevision
                ? TypedResults.Json(await SummaryAsync(db, before, cancellationToken), WireJson.Default.FrozenSummary)
                : Taken();
        }

        if (await db.FrozenSheets.CountAsync(cancellationToken) >= FrozenSheet.Most)
        {
            return Problem.Of("too-many-sheets", 409, "No room for more frozen sheets", $"There are {FrozenSheet.Most} already. Delete some that are not needed.").ToResult();
        }

        var sheet = FrozenSheet.Of(id, input, clock.GetUtcNow(), Writer.Of(http.Request.Headers).Name);
        db.Add(sheet);
        try
        {
            await db.SaveChangesAsync(cancellationToken);
        }
        catch (DbUpdateException e) when (e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            return Taken();
        }

        return TypedResults.Json(await SummaryAsync(db, sheet, cancellationToken), WireJson.Default.FrozenSummary, statusCode: 201);
    }

    private static async Task<IResult> Delete(Guid id, JuxtopsisDb db, CancellationToken cancellationToken) =>
        await db.FrozenSheets.Where(s => s.Id == id).ExecuteDeleteAsync(cancellationToken) == 0 ? NotFound(id) : TypedResults.NoContent();

    private static async Task<IResult> PutPicture(Guid id, string option, JuxtopsisDb db, HttpRequest request, CancellationToken cancellationToken)
    {
        var body = await RequestBody.ReadAsync(request, cancellationToken);
        if (await Find(db, id, cancellationToken) is not { } sheet || !sheet.ToShots().SelectMany(s => s.Options).Any(o => o.Id == option))
        {
            return NotFound(id);
        }

        if (JpegCleaner.Clean(body.Span) is not { } clean)
        {
            return Problem.Of("no-photo", 422, "No picture that can be kept", "The file is no whole JPEG.").ToResult();
        }

        if (await db.FrozenPictures.AsNoTracking().FirstOrDefaultAsync(p => p.FrozenSheetId == id && p.OptionId == option, cancellationToken) is { } before)
        {
            return before.Jpeg.AsSpan().SequenceEqual(clean.Bytes) ? TypedResults.NoContent() : Taken();
        }

        db.Add(new FrozenPicture { FrozenSheetId = id, OptionId = option, Jpeg = clean.Bytes });
        try
        {
            await db.SaveChangesAsync(cancellationToken);
        }
        catch (DbUpdateException e) when (e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            return Taken();
        }

        return TypedResults.NoContent();
    }

    private static async Task<IResult> GetPicture(Guid id, string option, JuxtopsisDb db, HttpContext http, CancellationToken cancellationToken)
    {
        var jpeg = await db.FrozenPictures.AsNoTracking().Where(p => p.FrozenSheetId == id && p.OptionId == option).Select(p => p.Jpeg).FirstOrDefaultAsync(cancellationToken);
        if (jpeg is null)
        {
            return NotFound(id);
        }

        http.Response.Headers.CacheControl = "private, max-age=3600";
        return TypedResults.Bytes(jpeg, Jpeg);
    }

    private static async Task<IResult> MakeLink(Guid id, JuxtopsisDb db, TimeProvider clock, HttpRequest request, CancellationToken cancellationToken)
    {
        var json = await RequestBody.ReadAsync(request, cancellationToken);
        var input = WireReader.Read(json.Span, WireJson.Default.SheetLinkInput, out var problem);
        problem ??= FrozenChecks.Check(input!, clock.GetUtcNow());
        if (problem is not null)
        {
            return problem.ToResult();
        }

        if (await Find(db, id, cancellationToken) is not { } sheet)
        {
            return NotFound(id);
        }

        if (sheet.Kind != SheetKind.Frames)
        {
            return Problem.Of("no-frames", 409, "Only frames are sent by a link", "There is nothing to approve on this sheet. Save it as PDF and send that.").ToResult();
        }

        if (await db.SheetLinks.CountAsync(l => l.FrozenSheetId == id, cancellationToken) >= MostLinks)
        {
            return Problem.Of("too-many-links", 409, "Too many links", $"The sheet has {MostLinks} links already. Freeze it anew.").ToResult();
        }

        var (token, hash) = SheetLinks.NewToken();
        var link = new SheetLink { Id = Guid.NewGuid(), FrozenSheetId = id, TokenHash = hash, For = input!.For, MadeAt = clock.GetUtcNow(), EndsAt = input.EndsAt.ToUniversalTime() };
        db.Add(link);
        await db.SaveChangesAsync(cancellationToken);
        return TypedResults.Json(new SheetLinkMade(SheetLinks.ToOutput(link), token), WireJson.Default.SheetLinkMade, statusCode: 201);
    }

    private static async Task<IResult> Withdraw(Guid link, JuxtopsisDb db, TimeProvider clock, CancellationToken cancellationToken)
    {
        var now = clock.GetUtcNow();
        var found = await db.SheetLinks.Where(l => l.Id == link).ExecuteUpdateAsync(set => set.SetProperty(l => l.WithdrawnAt, l => l.WithdrawnAt ?? now), cancellationToken);
        return found == 0 ? Problem.Of("no-link", 404, "No such link", $"There is no link {link} here. Its sheet may have been deleted.").ToResult() : TypedResults.NoContent();
    }

    private static Task<FrozenSheet?> Find(JuxtopsisDb db, Guid id, CancellationToken cancellationToken) => db.FrozenSheets.AsNoTracking().FirstOrDefaultAsync(s => s.Id == id, cancellationToken);

    private static async Task<FrozenSummary> SummaryAsync(JuxtopsisDb db, FrozenSheet sheet, CancellationToken cancellationToken)
    {
        var links = await db.SheetLinks.AsNoTracking().Where(l => l.FrozenSheetId == sheet.Id).OrderByDescending(l => l.MadeAt).ToListAsync(cancellationToken);
        var answers = await db.SheetAnswers.AsNoTracking().Where(a => a.FrozenSheetId == sheet.Id).OrderBy(a => a.At).ToListAsync(cancellationToken);
        return new(
            sheet.Id, sheet.WorkId, sheet.SheetId, sheet.WorkRevision, sheet.Kind, sheet.Title, sheet.MadeAt, sheet.By, [.. links.Select(SheetLinks.ToOutput)], [.. answers.Select(SheetLinks.ToOutput)]);
    }

    private static IResult NotFound(Guid id) => Problem.Of("no-sheet", 404, "No such sheet", $"There is no frozen sheet {id} here, or it has no such picture. It may have been deleted.").ToResult();

    private static IResult Taken() => Problem.Of("sheet-taken", 409, "This id is taken", "Another frozen sheet or picture has this id. Choose another id.").ToResult();
}

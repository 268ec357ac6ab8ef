using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Sheets;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Edge;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Startup;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Juxtopsis.Server.Sheets;

/// <summary>
/// A frozen sheet for whoever has its link. The token comes in the Authorization header, never in an address, so it stands in no log and in no
/// history of a proxy; the page has it from the part of its own address that browsers do not send.
/// </summary>
internal static class SharedEndpoints
{
    /// <summary>Where all of it is.</summary>
    public const string Address = "/api/shared";

    private const string Scheme = "Bearer ";
    private const string Jpeg = "image/jpeg";

    public static void MapSharedSheets(this WebApplication app)
    {
        var group = app.MapGroup(Address).WithTags("Shared sheets").RequireDatabase(forCrew: false).RequireRateLimiting(Limits.Shared);
        group.MapGet("", Open).WithName("OpenSharedSheet")
            .WithSummary("The sheet that a link opens. The link's token goes into the header Authorization: Bearer.")
            .Produces<SharedSheet>().ProducesProblems(404, 410, 429, 503);
        group.MapGet("pictures/{option}", Picture).WithName("GetSharedPicture").WithSummary("One of its pictures.")
            .Produces(200, contentType: Jpeg).ProducesProblems(404, 410, 429, 503);
        group.MapPost("answers", Answer).WithName("AnswerSharedSheet")
            .WithSummary("Approves, declines or remarks on a shot of it.")
            .RequireRateLimiting(Limits.SharedAnswer)
            .Accepts<SheetAnswerInput>("application/json")
            .Produces<SheetAnswerOutput>(201).Produces<SheetAnswerOutput>().ProducesProblems(400, 404, 409, 410, 413, 415, 422, 429, 503);
    }

    private static async Task<IResult> Open(JuxtopsisDb db, TimeProvider clock, HttpRequest request, CancellationToken cancellationToken)
    {
        var (link, sheet, refused) = await FindAsync(db, clock, request, cancellationToken);
        if (refused is not null)
        {
            return refused.ToResult();
        }

        var now = clock.GetUtcNow();
        await db.SheetLinks.Where(l => l.Id == link!.Id).ExecuteUpdateAsync(set => set.SetProperty(l => l.Opened, l => l.Opened + 1).SetProperty(l => l.OpenedAt, now), cancellationToken);
        var pictures = await db.FrozenPictures.Where(p => p.FrozenSheetId == sheet!.Id).Select(p => p.OptionId).ToListAsync(cancellationToken);
        var answers = await db.SheetAnswers.AsNoTracking().Where(a => a.LinkId == link!.Id).OrderBy(a => a.At).ToListAsync(cancellationToken);
        return TypedResults.Json(
            new SharedSheet(sheet!.Title, sheet.Note, sheet.Foot, sheet.MadeAt, link!.EndsAt, sheet.ToShots(), pictures, [.. answers.Select(SheetLinks.ToOutput)]), WireJson.Default.SharedSheet);
    }

    private static async Task<IResult> Picture(string option, JuxtopsisDb db, TimeProvider clock, HttpRequest request, CancellationToken cancellationToken)
    {
        var (_, sheet, refused) = await FindAsync(db, clock, request, cancellationToken);
        if (refused is not null)
        {
            return refused.ToResult();
        }

        var jpeg = await db.FrozenPictures.AsNoTracking().Where(p => p.FrozenSheetId == sheet!.Id && p.OptionId == option).Select(p => p.Jpeg).FirstOrDefaultAsync(cancellationToken);
        return jpeg is null ? Problem.Of("no-picture", 404, "No such picture", "The sheet has no such picture.").ToResult() : TypedResults.Bytes(jpeg, Jpeg);
    }

    private static async Task<IResult> Answer(JuxtopsisDb db, TimeProvider clock, HttpRequest request, CancellationToken cancellationToken)
    {
        var json = await RequestBody.ReadAsync(request, cancellationToken);
        var (link, sheet, refused) = await FindAsync(db, clock, request, cancellationToken);
        if (refused is not null)
        {
            return refused.ToResult();
        }

        var input = WireReader.Read(json.Span, WireJson.Default.SheetAnswerInput, out var problem);
        problem ??= FrozenChecks.Check(input!);
        if (problem is not null)
        {
            return problem.ToResult();
        }

        if (sheet!.ToShots().FirstOrDefault(s => s.Id == input!.ShotId) is not { } shot || (input!.OptionId.Length > 0 && shot.Options.All(o => o.Id != input.OptionId)))
        {
            return Problem.OfFields([new("shotId", "", "a shot of this sheet", "The answer is about something that is not on this sheet.", "Open the link anew.")]).ToResult();
        }

        if (await db.SheetAnswers.AsNoTracking().FirstOrDefaultAsync(a => a.Id == input.Id, cancellationToken) is { } before)
        {
            return before.LinkId == link!.Id ? TypedResults.Json(SheetLinks.ToOutput(before), WireJson.Default.SheetAnswerOutput) : Taken();
        }

        if (await db.SheetAnswers.CountAsync(a => a.FrozenSheetId == sheet!.Id, cancellationToken) >= SheetAnswer.Most)
        {
            return Problem.Of("too-many-answers", 409, "No room for more answers", "This sheet has very many answers already. Ask whoever sent it for a new one.").ToResult();
        }

        var answer = new SheetAnswer
        {
            Id = input.Id,
            FrozenSheetId = sheet!.Id,
            LinkId = link!.Id,
            ShotId = input.ShotId,
            OptionId = input.OptionId,
            Verdict = input.Verdict,
            Remark = input.Remark.Trim(),
            Name = input.Name.Trim(),
            At = clock.GetUtcNow(),
        };
        db.Add(answer);
        try
        {
            await db.SaveChangesAsync(cancellationToken);
        }
        catch (DbUpdateException e) when (e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            return Taken();
        }

        return TypedResults.Json(SheetLinks.ToOutput(answer), WireJson.Default.SheetAnswerOutput, statusCode: 201);
    }

    private static async Task<(SheetLink? Link, FrozenSheet? Sheet, Problem? Refused)> FindAsync(JuxtopsisDb db, TimeProvider clock, HttpRequest request, CancellationToken cancellationToken)
    {
        var authorization = request.Headers.Authorization.ToString();
        var token = authorization.StartsWith(Scheme, StringComparison.OrdinalIgnoreCase) ? authorization[Scheme.Length..].Trim() : "";
        var hash = SheetLinks.HashOf(token);
        if (token.Length == 0 || await db.SheetLinks.AsNoTracking().FirstOrDefaultAsync(l => l.TokenHash == hash, cancellationToken) is not { } link)
        {
            return (null, null, Problem.Of("no-link", 404, "This link opens nothing", "It may be cut short, or its sheet was deleted. Ask whoever sent it for a new one."));
        }

        if (link.WithdrawnAt is not null)
        {
            return (null, null, Problem.Of("link-withdrawn", 410, "This link was withdrawn", "Whoever sent it took it back. Ask them for a new one."));
        }

        if (link.EndsAt <= clock.GetUtcNow())
        {
            return (null, null, Problem.Of("link-ended", 410, "This link has ended", "It was open until its day. Ask whoever sent it for a new one."));
        }

        return (link, await db.FrozenSheets.AsNoTracking().FirstAsync(s => s.Id == link.FrozenSheetId, cancellationToken), null);
    }

    private static IResult Taken() => Problem.Of("answer-taken", 409, "This id is taken", "Another answer has this id. Choose another id.").ToResult();
}

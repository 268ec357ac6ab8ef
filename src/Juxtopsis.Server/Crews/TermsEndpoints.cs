using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Bookings;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Data;
using Juxtopsis.Server.Bookings;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Startup;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Crews;

/// <summary>What the crew reckons with: currency, tax, margin, time zone.</summary>
internal static class TermsEndpoints
{
    public static void MapTerms(this WebApplication app)
    {
        var group = app.MapGroup("/api/crew/terms").WithTags("Crew").RequireDatabase();
        group.MapGet("", async (JuxtopsisDb db, CancellationToken cancellationToken) => Answer(await ReadAsync(db, cancellationToken)))
            .WithName("GetTerms").WithSummary("Currency, tax, margin and time zone of the crew.")
            .Produces<CrewTerms>().ProducesProblems(503);
        group.MapPut("", Put).WithName("PutTerms")
            .WithSummary("Changes them. Another time zone leaves bookings at their instants; they are told on its clock.")
            .Accepts<CrewTerms>("application/json")
            .Produces<CrewTerms>().ProducesProblems(400, 413, 415, 422, 503);
        group.MapGet("zones", () => TypedResults.Json([.. BookingTimes.Zones], WireJson.Default.IReadOnlyListString))
            .WithName("TimeZones").WithSummary("The names of all time zones.")
            .Produces<IReadOnlyList<string>>();
    }

    private static async Task<IResult> Put(HttpRequest request, JuxtopsisDb db, CancellationToken cancellationToken)
    {
        var json = await RequestBody.ReadAsync(request, cancellationToken);
        var input = WireReader.Read(json.Span, WireJson.Default.CrewTerms, out var problem);
        problem ??= BookingChecks.Check(input!);
        problem ??= BookingTimes.ZoneOf(input!.TimeZone) is null
            ? Problem.OfFields([new("timeZone", input.TimeZone, "a name of the tz database", $"“{input.TimeZone}” is no time zone that is known.", "Give one such as Etc/UTC; /api/crew/terms/zones lists them.")])
            : null;
        if (problem is not null)
        {
            return problem.ToResult();
        }

        await db.Crews.Where(c => c.Id == db.CrewId).ExecuteUpdateAsync(
            set => set.SetProperty(c => c.Currency, input!.Currency.Trim()).SetProperty(c => c.TaxPercent, input.TaxPercent).SetProperty(c => c.MarginPercent, input.MarginPercent).SetProperty(c => c.TimeZone, input.TimeZone),
            cancellationToken);
        return Answer(await ReadAsync(db, cancellationToken));
    }

    private static Task<CrewTerms> ReadAsync(JuxtopsisDb db, CancellationToken cancellationToken) => db.Crews.Where(c => c.Id == db.CrewId)
        .Select(c => new CrewTerms { Currency = c.Currency, TaxPercent = c.TaxPercent, MarginPercent = c.MarginPercent, TimeZone = c.TimeZone }).FirstAsync(cancellationToken);

    private static IResult Answer(CrewTerms terms) => TypedResults.Json(terms, WireJson.Default.CrewTerms);
}

using System.ComponentModel;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Bookings;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Data;
using Juxtopsis.Server.Edge;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Shelf;
using Juxtopsis.Server.Startup;
using Juxtopsis.Server.Works;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Bookings;

/// <summary>Who has which physical unit when.</summary>
internal static class BookingEndpoints
{
    private const int Most = 5000;
    private const int MostBytes = 1024 * 1024;

    public static void MapBookings(this WebApplication app)
    {
        var group = app.MapGroup("/api/bookings").WithTags("Bookings").RequireDatabase();
        group.MapGet("", List).WithName("ListBookings")
            .WithSummary($"Bookings by when they begin, up to {Most}; those of a production, of a unit, or that touch a span.")
            .Produces<IReadOnlyList<BookingOutput>>().ProducesProblems(400, 503);
        app.MapGroup("/api").WithTags("Bookings").RequireDatabase().MapGet("bookings.ics", File).WithName("BookingsFile")
            .WithSummary("Bookings as an iCalendar file; those of a production, or all.")
            .Produces(200, contentType: "text/calendar").ProducesProblems(400, 503);
        group.MapPost("", Save).WithName("Book")
            .RequireRateLimiting(Limits.Booking)
            .WithSummary("Books and cancels, all or nothing. A unit that somebody else has then is refused, with who and until when, and what of the same is free.")
            .Accepts<BookingsRequest>("application/json")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .Produces<IReadOnlyList<BookingOutput>>()
            .Produces<BookingConflict>(409, Problem.MediaType)
            .ProducesProblems(400, 413, 415, 422, 429, 503);
    }

    private static async Task<IResult> List(
        [Description("Those of one production.")] Guid? production,
        [Description("Those of one unit.")] Guid? unit,
        [Description("Those that end after this instant, with its offset.")] DateTimeOffset? from,
        [Description("Those that begin before this instant.")] DateTimeOffset? to,
        BookingStore store,
        CancellationToken cancellationToken) =>
        TypedResults.Json(await store.ListAsync(production, unit, from?.ToUniversalTime(), to?.ToUniversalTime(), Most, cancellationToken), WireJson.Default.IReadOnlyListBookingOutput);

    private static async Task<IResult> File(
        [Description("Those of one production.")] Guid? production, BookingStore store, JuxtopsisDb db, ShelfCache cache, TimeProvider clock, CancellationToken cancellationToken)
    {
        var shelf = await cache.ReadAsync(db);
        var units = (await store.UnitsAsync(cancellationToken)).ToDictionary(u => u.Id);
        string NameOf(BookingOutput booking) =>
            $"{shelf.Index.Find(booking.GearId)?.Item.FullName ?? "A thing"}{(units.GetValueOrDefault(booking.UnitId)?.Label is { Length: > 0 } label ? $" ({label})" : "")}";
        var bookings = await store.ListAsync(production, null, null, null, Most, cancellationToken);
        return TypedResults.Text(BookingCalendar.Write(bookings, NameOf, clock.GetUtcNow()), "text/calendar");
    }

    private static async Task<IResult> Save(JuxtopsisDb db, BookingStore store, HttpContext http, CancellationToken cancellationToken)
    {
        var json = await RequestBody.ReadAsync(http.Request, cancellationToken);
        var request = WireReader.Read(json.Span, WireJson.Default.BookingsRequest, out var problem);
        problem ??= BookingChecks.Check(request!);
        if (problem is not null)
        {
            return problem.ToResult();
        }

        var errors = new List<DiagnosticOutput>();
        var times = await store.TimesAsync(cancellationToken);
        var known = await db.Units.Where(u => u.DeletedAt == null).Select(u => u.Id).ToListAsync(cancellationToken);
        var here = known.ToHashSet();
        var wanted = new List<WantedBooking>();
        for (var i = 0; i < request!.Book.Count; i++)
        {
            var input = request.Book[i];
            if (!here.Contains(input.UnitId))
            {
                errors.Add(new($"book[{i}].unitId", $"{input.UnitId}", "a unit of the crew", "There is no such unit: it may have been given away.", "Choose another."));
            }

            if (times.Read(input, $"book[{i}].", errors) is { } span)
            {
                wanted.Add(new(input, span));
            }
        }

        if (errors.Count > 0)
        {
            return Problem.OfFields(errors).ToResult();
        }

        var (booked, clashes) = await store.SaveAsync(wanted, request.Cancel, Writer.Of(http.Request.Headers).Name, cancellationToken);
        return clashes.Count == 0 ? TypedResults.Json(booked, WireJson.Default.IReadOnlyListBookingOutput) : Conflict(request, clashes);
    }

    private static IResult Conflict(BookingsRequest request, IReadOnlyList<ClashOutput> clashes) => TypedResults.Json(
        new BookingConflict(
            "/problems/booked", "Booked already", 409, $"{string.Join(' ', clashes.Take(3).Select(c => c.Say))}{(clashes.Count > 3 ? $" And {clashes.Count - 3} more." : "")} Nothing was booked.",
            [
                .. clashes.Select(c => new DiagnosticOutput(
                    $"book[{Enumerable.Range(0, request.Book.Count).First(i => request.Book[i].Id == c.Wanted)}]", $"{c.Wanted}", "a unit that is free then", c.Say,
                    c.Free.Count > 0 ? "Take another of the same: one is free." : "Take it at another time, or something else.")),
            ],
            clashes),
        WireJson.Default.BookingConflict, Problem.MediaType, 409);
}

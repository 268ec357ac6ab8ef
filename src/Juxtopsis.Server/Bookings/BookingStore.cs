using Juxtopsis.Contracts.Bookings;
using Juxtopsis.Core.Bags;
using Juxtopsis.Core.Gear;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Shelf;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Npgsql;

namespace Juxtopsis.Server.Bookings;

/// <summary>A booking that is wanted, with its times read.</summary>
internal sealed record WantedBooking(BookingInput Input, BookedSpan Span);

/// <summary>
/// Books and cancels. That nothing is booked twice is the database's own doing; this finds out who was there first, and lets whoever writes
/// the same unit wait for each other, so that they do not run into each other.
/// </summary>
internal sealed class BookingStore(JuxtopsisDb db, ShelfCache cache, TimeProvider clock)
{
    /// <summary>How often it is tried where others come in between.</summary>
    private const int MostTries = 5;

    /// <summary>The clock of the crew.</summary>
    public async Task<BookingTimes> TimesAsync(CancellationToken cancellationToken)
    {
        var name = await db.Crews.Where(c => c.Id == db.CrewId).Select(c => c.TimeZone).FirstOrDefaultAsync(cancellationToken);
        return new(BookingTimes.ZoneOf(name ?? "") ?? DateTimeZone.Utc);
    }

    /// <summary>The units of what stands on the shelf, retired things among it.</summary>
    public async Task<IReadOnlyList<GearUnit>> UnitsAsync(CancellationToken cancellationToken)
    {
        var shelf = await cache.ReadAsync(db);
        var units = await db.Units.AsNoTracking().Where(u => u.DeletedAt == null).OrderBy(u => u.GearId).ThenBy(u => u.Label).ThenBy(u => u.Id).ToListAsync(cancellationToken);
        return [.. units.Where(u => shelf.Index.Find(u.GearId) is not null)];
    }

    /// <summary>Bookings that are not cancelled, by when they begin.</summary>
    public async Task<IReadOnlyList<BookingOutput>> ListAsync(Guid? production, Guid? unit, DateTimeOffset? from, DateTimeOffset? to, int most, CancellationToken cancellationToken)
    {
        // What is put away with the demo is out of sight, and its bookings with it.
        var found = db.Bookings.AsNoTracking().Where(b => b.CancelledAt == null && db.Units.Any(u => u.Id == b.GearUnitId && db.Gear.Any(g => g.Id == u.GearId)));
        found = production is { } p ? found.Where(b => b.ProductionId == p) : found;
        found = unit is { } u ? found.Where(b => b.GearUnitId == u) : found;
        found = from is { } f ? found.Where(b => b.BlockedTo > f) : found;
        found = to is { } t ? found.Where(b => b.BlockedFrom < t) : found;
        var rows = await found.OrderBy(b => b.BlockedFrom).ThenBy(b => b.Id).Take(most).ToListAsync(cancellationToken);
        return await ToOutputAsync(rows, cancellationToken);
    }

    /// <summary>Books and cancels, all or nothing.</summary>
    /// <returns>The bookings, or what stands in the way.</returns>
    public async Task<(IReadOnlyList<BookingOutput> Booked, IReadOnlyList<ClashOutput> Clashes)> SaveAsync(
        IReadOnlyList<WantedBooking> wanted, IReadOnlyList<Guid> cancel, string by, CancellationToken cancellationToken)
    {
        for (var i = 1; ; i++)
        {
            try
            {
                return (await WriteAsync(wanted, cancel, by, cancellationToken), []);
            }
            catch (Exception e) when (SqlStateOf(e) is PostgresErrorCodes.ExclusionViolation)
            {
                db.ChangeTracker.Clear();
                var clashes = await ClashesAsync(wanted, cancel, cancellationToken);
                if (clashes.Count > 0 || i == MostTries)
                {
                    return ([], clashes);
                }
            }
            catch (Exception e) when (i < MostTries && SqlStateOf(e) is PostgresErrorCodes.DeadlockDetected or PostgresErrorCodes.SerializationFailure or PostgresErrorCodes.UniqueViolation)
            {
                db.ChangeTracker.Clear();
            }
        }
    }

    private static string? SqlStateOf(Exception e) => (e as PostgresException ?? e.InnerException as PostgresException)?.SqlState;

    private async Task<IReadOnlyList<BookingOutput>> WriteAsync(IReadOnlyList<WantedBooking> wanted, IReadOnlyList<Guid> cancel, string by, CancellationToken cancellationToken)
    {
        var now = clock.GetUtcNow();
        Guid[] units = [.. wanted.Select(w => w.Input.UnitId).Distinct()];
        Guid[] ids = [.. wanted.Select(w => w.Input.Id)];
        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        await db.Database.ExecuteSqlAsync($"select 1 from gear_units where crew_id = {db.CrewId} and id = any({units}) order by id for update", cancellationToken);

        // What is moved gives way first, so that two bookings may change places.
        await db.Bookings.Where(b => b.CancelledAt == null && (cancel.Contains(b.Id) || ids.Contains(b.Id))).ExecuteUpdateAsync(
            set => set.SetProperty(b => b.CancelledAt, now).SetProperty(b => b.UpdatedAt, now).SetProperty(b => b.Revision, b => b.Revision + 1), cancellationToken);
        var stored = await db.Bookings.Where(b => ids.Contains(b.Id)).ToDictionaryAsync(b => b.Id, cancellationToken);
        var rows = new List<Booking>();
        foreach (var (input, span) in wanted)
        {
            var row = stored.GetValueOrDefault(input.Id) ?? db.Bookings.Add(Make(input, span, now)).Entity;
            Put(row, input, span);
            (row.By, row.UpdatedAt, row.CancelledAt) = (by, now, null);
            rows.Add(row);
        }

        await db.SaveChangesAsync(cancellationToken);
        await transaction.CommitAsync(cancellationToken);
        return await ToOutputAsync(rows, cancellationToken);
    }

    private static Booking Make(BookingInput input, BookedSpan span, DateTimeOffset now) => new()
    {
        Id = input.Id,
        GearUnitId = input.UnitId,
        CrewUnit = input.CrewUnit,
        StartsAt = span.Starts.ToDateTimeOffset(),
        EndsAt = span.Ends.ToDateTimeOffset(),
        BlockedFrom = span.BlockedFrom.ToDateTimeOffset(),
        BlockedTo = span.BlockedTo.ToDateTimeOffset(),
        UpdatedAt = now,
    };

    private static void Put(Booking row, BookingInput input, BookedSpan span)
    {
        (row.GearUnitId, row.ProductionId, row.BagId, row.CrewUnit) = (input.UnitId, input.ProductionId, input.BagId, input.CrewUnit.Trim());
        (row.StartsAt, row.EndsAt) = (span.Starts.ToDateTimeOffset(), span.Ends.ToDateTimeOffset());
        (row.BlockedFrom, row.BlockedTo) = (span.BlockedFrom.ToDateTimeOffset(), span.BlockedTo.ToDateTimeOffset());
        (row.DaysCharged, row.Note) = (input.DaysCharged, input.Note);
    }

    /// <summary>Who has what is wanted, and which other units of the same model are free.</summary>
    private async Task<IReadOnlyList<ClashOutput>> ClashesAsync(IReadOnlyList<WantedBooking> wanted, IReadOnlyList<Guid> cancel, CancellationToken cancellationToken)
    {
        var shelf = await cache.ReadAsync(db);
        Guid[] ids = [.. wanted.Select(w => w.Input.Id), .. cancel];
        var units = await db.Units.AsNoTracking().Where(u => u.DeletedAt == null).ToListAsync(cancellationToken);
        var from = wanted.Min(w => w.Span.BlockedFrom).ToDateTimeOffset();
        var to = wanted.Max(w => w.Span.BlockedTo).ToDateTimeOffset();
        var held = await db.Bookings.AsNoTracking()
            .Where(b => b.CancelledAt == null && !ids.Contains(b.Id) && b.BlockedTo > from && b.BlockedFrom < to).OrderBy(b => b.BlockedFrom).ToListAsync(cancellationToken);
        var outputs = (await ToOutputAsync(held, cancellationToken)).ToDictionary(b => b.Id);
        var named = held.Select(b => b.ProductionId).OfType<Guid>().Distinct().ToArray();
        var productions = await db.Productions.Where(p => named.Contains(p.Id)).ToDictionaryAsync(p => p.Id, p => p.Name, cancellationToken);
        var clashes = new List<ClashOutput>();
        for (var i = 0; i < wanted.Count; i++)
        {
            var (input, span) = wanted[i];
            var unit = units.FirstOrDefault(u => u.Id == input.UnitId);
            var name = unit is not null && shelf.Index.Find(unit.GearId) is { } entry ? Named(entry.Item, unit) : "The thing";
            var free = unit is null ? [] : units
                .Where(u => u.GearId == unit.GearId && u.Condition is UnitCondition.Good or UnitCondition.Worn && held.TrueForAll(b => b.GearUnitId != u.Id || !SpanOf(b).Overlaps(span))
                    && wanted.All(w => w.Input.UnitId != u.Id || !w.Span.Overlaps(span)))
                .Select(u => u.Id).ToArray();
            if (held.Find(b => b.GearUnitId == input.UnitId && SpanOf(b).Overlaps(span)) is { } first)
            {
                var output = outputs[first.Id];
                var production = first.ProductionId is { } id ? productions.GetValueOrDefault(id, "") : "";
                clashes.Add(new(
                    input.Id, output, production,
                    $"{name}: {first.CrewUnit}{(production.Length > 0 ? $" ({production})" : "")} has it from {Spoken(output.PickUp)} until {Spoken(output.Return)}.", free));
            }
            else if (wanted.Take(i).Any(w => w.Input.UnitId == input.UnitId && w.Span.Overlaps(span)))
            {
                clashes.Add(new(input.Id, null, "", $"{name} is asked for twice at one time.", free));
            }
        }

        return clashes;
    }

    private static string Spoken(string time) => time.Replace('T', ' ');

    private static string Named(GearItem item, GearUnit unit) => unit.Label.Length > 0 ? $"{item.FullName} ({unit.Label})" : item.FullName;

    private static BookedSpan SpanOf(Booking row) => new(
        Instant.FromDateTimeOffset(row.StartsAt), Instant.FromDateTimeOffset(row.EndsAt), Instant.FromDateTimeOffset(row.BlockedFrom), Instant.FromDateTimeOffset(row.BlockedTo));

    private async Task<IReadOnlyList<BookingOutput>> ToOutputAsync(IReadOnlyList<Booking> rows, CancellationToken cancellationToken)
    {
        var times = await TimesAsync(cancellationToken);
        var ids = rows.Select(b => b.GearUnitId).Distinct().ToArray();
        var gear = await db.Units.Where(u => ids.Contains(u.Id)).ToDictionaryAsync(u => u.Id, u => u.GearId, cancellationToken);
        return
        [
            .. rows.Select(b => new BookingOutput(
                b.Id, b.GearUnitId, gear[b.GearUnitId], b.ProductionId, b.BagId, b.CrewUnit, times.Text(b.StartsAt), times.Text(b.EndsAt), times.Text(b.BlockedFrom), times.Text(b.BlockedTo),
                b.BlockedFrom, b.BlockedTo, Minutes(b.StartsAt - b.BlockedFrom), Minutes(b.BlockedTo - b.EndsAt), b.DaysCharged ?? times.Days(b.BlockedFrom, b.BlockedTo), b.DaysCharged is not null, b.Note, b.By)),
        ];
    }

    private static int Minutes(TimeSpan span) => (int)Math.Round(span.TotalMinutes);
}

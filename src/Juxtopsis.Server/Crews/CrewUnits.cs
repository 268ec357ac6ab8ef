using Juxtopsis.Contracts.Works;
using Juxtopsis.Data;
using Juxtopsis.Server.Bookings;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Crews;

/// <summary>Physical units and their bookings in a crew's file.</summary>
internal static class CrewUnits
{
    /// <summary>What the crew has of them; what was cancelled stays behind.</summary>
    public static async Task<CrewFileUnits> OfAsync(JuxtopsisDb db, CancellationToken cancellationToken)
    {
        var units = await db.Units.AsNoTracking().Where(u => u.DeletedAt == null && db.Gear.Any(g => g.Id == u.GearId && g.DeletedAt == null)).OrderBy(u => u.Id).ToListAsync(cancellationToken);
        var ids = units.Select(u => u.Id).ToArray();
        var bookings = await db.Bookings.AsNoTracking().Where(b => b.CancelledAt == null && ids.Contains(b.GearUnitId)).OrderBy(b => b.Id).ToListAsync(cancellationToken);
        return new(
            [.. units.Select(UnitEndpoints.ToOutput)],
            [.. bookings.Select(b => new CrewFileBooking(b.Id, b.GearUnitId, b.ProductionId, b.BagId, b.CrewUnit, b.StartsAt, b.EndsAt, b.BlockedFrom, b.BlockedTo, b.DaysCharged, b.Note, b.By))]);
    }

    /// <summary>Brings in what is not here. A unit of a model that is new here is as the file says; a booking of what somebody has here then is left out, and told.</summary>
    /// <returns>What was left out, and why.</returns>
    public static async Task<IReadOnlyList<string>> BringAsync(JuxtopsisDb db, CrewFileUnits brought, DateTimeOffset now, CancellationToken cancellationToken)
    {
        var problems = new List<string>();
        var models = (await db.Gear.IgnoreQueryFilters([JuxtopsisDb.PutAwayFilter]).Select(g => g.Id).ToListAsync(cancellationToken)).Concat(db.Gear.Local.Select(g => g.Id)).ToHashSet();
        var units = await db.Units.ToDictionaryAsync(u => u.Id, cancellationToken);
        foreach (var unit in brought.Units.Where(u => !units.ContainsKey(u.Id) && models.Contains(u.GearId)))
        {
            units[unit.Id] = db.Units.Add(new()
            {
                Id = unit.Id,
                GearId = unit.GearId,
                Label = Cut(unit.Label, 80),
                Owner = Cut(unit.Owner, 120),
                Place = Cut(unit.Place, 120),
                Condition = unit.Condition,
                ConditionNote = Cut(unit.ConditionNote, 500),
                UpdatedAt = now,
            }).Entity;
        }

        var bookings = await db.Bookings.ToListAsync(cancellationToken);
        var known = bookings.Select(b => b.Id).ToHashSet();
        foreach (var booking in brought.Bookings.Where(b => !known.Contains(b.Id)))
        {
            var isSpan = booking.BlockedFrom <= booking.StartsAt && booking.StartsAt < booking.EndsAt && booking.EndsAt <= booking.BlockedTo;
            if (!isSpan || !units.ContainsKey(booking.UnitId) || string.IsNullOrWhiteSpace(booking.CrewUnit))
            {
                problems.Add($"A booking of {Cut(booking.CrewUnit, 60)} is left out: its unit is not here, or its times are none.");
                continue;
            }

            if (bookings.Exists(b => b.CancelledAt is null && b.GearUnitId == booking.UnitId && b.BlockedFrom < booking.BlockedTo && booking.BlockedFrom < b.BlockedTo))
            {
                problems.Add($"A booking of {Cut(booking.CrewUnit, 60)} is left out: somebody has the same unit here then.");
                continue;
            }

            bookings.Add(db.Bookings.Add(new()
            {
                Id = booking.Id,
                GearUnitId = booking.UnitId,
                ProductionId = booking.ProductionId,
                BagId = booking.BagId,
                CrewUnit = Cut(booking.CrewUnit, 60),
                StartsAt = booking.StartsAt.ToUniversalTime(),
                EndsAt = booking.EndsAt.ToUniversalTime(),
                BlockedFrom = booking.BlockedFrom.ToUniversalTime(),
                BlockedTo = booking.BlockedTo.ToUniversalTime(),
                DaysCharged = booking.DaysCharged is >= 0 and <= 1000 ? booking.DaysCharged : null,
                Note = Cut(booking.Note, 500),
                By = Cut(booking.By, 40),
                UpdatedAt = now,
            }).Entity);
        }

        return problems;
    }

    private static string Cut(string text, int most) => text.Length <= most ? text : text[..(char.IsHighSurrogate(text[most - 1]) ? most - 1 : most)];
}

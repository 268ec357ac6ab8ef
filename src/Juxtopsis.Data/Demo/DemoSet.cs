using Juxtopsis.Contracts.Works;
using Juxtopsis.Core.Gear;
using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Data.Demo;

/// <summary>The demo's gear and work as one thing: a crew has it, puts it away or brings it back. What of it was changed stays changed.</summary>
public static class DemoSet
{
    private static readonly Guid[] comparisons = [.. DemoComparisons.Create(DateTimeOffset.UnixEpoch).Select(c => c.Id)];
    private static readonly Guid[] productions = [DemoProduction.Create(DateTimeOffset.UnixEpoch).Id];

    /// <summary>The identities of its gear.</summary>
    public static IReadOnlyList<Guid> Gear { get; } = [.. DemoShelf.Items.Select(i => i.Id)];

    /// <summary>The identities of its comparisons and productions.</summary>
    public static IReadOnlyList<Guid> Works { get; } = [.. comparisons, .. productions];

    /// <summary>Whether a crew has any of it in sight.</summary>
    /// <param name="db">Works for the crew.</param>
    /// <param name="cancellationToken">Gives up.</param>
    /// <returns>False when all of it is put away, deleted, or was never brought; mounts that were kept for other gear do not count.</returns>
    public static async Task<bool> IsHereAsync(JuxtopsisDb db, CancellationToken cancellationToken)
    {
        ArgumentNullException.ThrowIfNull(db);
        var mount = GearKinds.Of(GearKind.Mount).Key;
        return await db.Gear.AnyAsync(g => g.DeletedAt == null && g.Kind != mount && Gear.Contains(g.Id), cancellationToken)
            || await db.Comparisons.AnyAsync(c => c.PutAwayAt == null && c.DeletedAt == null && comparisons.Contains(c.Id), cancellationToken)
            || await db.Productions.AnyAsync(p => p.PutAwayAt == null && p.DeletedAt == null && productions.Contains(p.Id), cancellationToken);
    }

    /// <summary>Whether a crew has other gear to answer from.</summary>
    /// <param name="db">Works for the crew.</param>
    /// <param name="cancellationToken">Gives up.</param>
    /// <returns>True when it has a camera and a lens of its own, or a camera with its lens.</returns>
    public static async Task<bool> HasOwnAsync(JuxtopsisDb db, CancellationToken cancellationToken)
    {
        ArgumentNullException.ThrowIfNull(db);
        string[] wanted = [GearKinds.Of(GearKind.Body).Key, GearKinds.Of(GearKind.Lens).Key, GearKinds.Of(GearKind.FixedLensCamera).Key];
        var kinds = await db.Gear
            .Where(g => g.DeletedAt == null && g.RetiredAt == null && wanted.Contains(g.Kind) && !Gear.Contains(g.Id))
            .Select(g => g.Kind).Distinct().ToListAsync(cancellationToken);
        return kinds.Contains(wanted[2]) || kinds.Count > 1;
    }

    /// <summary>Puts what is here of it out of sight.</summary>
    /// <param name="db">Works for the crew.</param>
    /// <param name="kept">Gear of it that stays, since other gear needs it.</param>
    /// <param name="now">The time to stamp.</param>
    /// <param name="cancellationToken">Gives up.</param>
    public static async Task PutAwayAsync(JuxtopsisDb db, IReadOnlyCollection<Guid> kept, DateTimeOffset now, CancellationToken cancellationToken)
    {
        ArgumentNullException.ThrowIfNull(db);
        var gear = Gear.Except(kept).ToArray();
        await db.Gear.Where(g => gear.Contains(g.Id)).ExecuteUpdateAsync(set => set.SetProperty(g => g.PutAwayAt, now), cancellationToken);
        await SetAsync(db.Comparisons.Where(c => comparisons.Contains(c.Id)), now, cancellationToken);
        await SetAsync(db.Productions.Where(p => productions.Contains(p.Id)), now, cancellationToken);
    }

    /// <summary>Brings it back, and whatever of it was never here; the caller saves.</summary>
    /// <param name="db">Works for the crew.</param>
    /// <param name="now">The time to stamp what is made.</param>
    /// <param name="cancellationToken">Gives up.</param>
    /// <returns>Names of what stays away, since other gear has taken its name meanwhile.</returns>
    public static async Task<IReadOnlyList<string>> BringAsync(JuxtopsisDb db, DateTimeOffset now, CancellationToken cancellationToken)
    {
        ArgumentNullException.ThrowIfNull(db);
        var held = await BringGearAsync(db, now, cancellationToken);
        await BringWorksAsync(db, db.Comparisons, Comparison.Store, [.. DemoComparisons.Create(now)], cancellationToken);
        await BringUnitsAsync(db, now, cancellationToken);
        await BringWorksAsync(db, db.Productions, Production.Store, [DemoProduction.Create(now)], cancellationToken);
        DemoSheets.Bring(db, await db.FrozenSheets.AnyAsync(s => s.Id == DemoSheets.FrozenId, cancellationToken), now);
        await BringLogAsync(db, now, cancellationToken);
        return held;
    }

    /// <summary>Tests and takes, where they were never here; tests only where their unit is.</summary>
    private static async Task BringLogAsync(JuxtopsisDb db, DateTimeOffset now, CancellationToken cancellationToken)
    {
        var units = await db.Units.Select(u => u.Id).ToHashSetAsync(cancellationToken);
        units.UnionWith(db.Gear.Local.Select(g => g.Id));
        var tests = DemoLog.Tests(now).Where(t => units.Contains(t.UnitId)).ToArray();
        var known = tests.Select(t => t.Id).ToArray();
        var tested = await db.UnitTests.Where(t => known.Contains(t.Id)).Select(t => t.Id).ToListAsync(cancellationToken);
        db.UnitTests.AddRange(tests.Where(t => !tested.Contains(t.Id)));
        var takes = DemoLog.Takes(now).ToArray();
        var ids = takes.Select(t => t.Id).ToArray();
        var taken = await db.Takes.Where(t => ids.Contains(t.Id)).Select(t => t.Id).ToListAsync(cancellationToken);
        db.Takes.AddRange(takes.Where(t => !taken.Contains(t.Id)));
    }

    private static async Task<IReadOnlyList<string>> BringGearAsync(JuxtopsisDb db, DateTimeOffset now, CancellationToken cancellationToken)
    {
        var offered = await db.Gear.Where(g => g.DeletedAt == null && g.RetiredAt == null).Select(g => new { g.Kind, g.NameKey }).ToListAsync(cancellationToken);
        var taken = offered.Select(g => (g.Kind, g.NameKey)).ToHashSet();
        var known = await db.Gear.IgnoreQueryFilters([JuxtopsisDb.PutAwayFilter]).Where(g => Gear.Contains(g.Id)).ToDictionaryAsync(g => g.Id, cancellationToken);
        var held = new List<string>();
        foreach (var item in DemoShelf.Items)
        {
            var row = known.GetValueOrDefault(item.Id);
            if (row is { PutAwayAt: null })
            {
                continue;
            }

            var coming = row ?? GearRow.Of(DemoLog.Tested(item, now), now);
            if (coming is { DeletedAt: null, RetiredAt: null } && !taken.Add((coming.Kind, coming.NameKey)))
            {
                held.Add(item.FullName);
                continue;
            }

            coming.PutAwayAt = null;
            if (row is null)
            {
                db.Gear.Add(coming);
            }
        }

        return held;
    }

    /// <summary>Units and bookings, where they were never here and their gear is; what of them was changed stays changed.</summary>
    private static async Task BringUnitsAsync(JuxtopsisDb db, DateTimeOffset now, CancellationToken cancellationToken)
    {
        var stored = await db.Gear.IgnoreQueryFilters([JuxtopsisDb.PutAwayFilter]).Where(g => Gear.Contains(g.Id)).Select(g => g.Id).ToListAsync(cancellationToken);
        var models = stored.Concat(db.Gear.Local.Select(g => g.Id)).ToHashSet();
        var units = DemoBags.Units(now).Where(u => models.Contains(u.GearId)).ToArray();
        var ids = units.Select(u => u.Id).ToArray();
        var known = await db.Units.Where(u => ids.Contains(u.Id)).Select(u => u.Id).ToListAsync(cancellationToken);
        db.Units.AddRange(units.Where(u => !known.Contains(u.Id)));
        var bookings = DemoBags.Bookings(now).Where(b => models.Contains(b.GearUnitId)).ToArray();
        var booked = bookings.Select(b => b.Id).ToArray();
        var here = await db.Bookings.Where(b => booked.Contains(b.Id)).Select(b => b.Id).ToListAsync(cancellationToken);
        db.Bookings.AddRange(bookings.Where(b => !here.Contains(b.Id)));
    }

    private static async Task BringWorksAsync<TRow, TDocument>(
        JuxtopsisDb db, DbSet<TRow> works, WorkStore<TDocument> store, TRow[] made, CancellationToken cancellationToken)
        where TRow : Work
        where TDocument : class
    {
        var ids = made.Select(w => w.Id).ToArray();
        await SetAsync(works.Where(w => ids.Contains(w.Id)), null, cancellationToken);
        var known = await works.Where(w => ids.Contains(w.Id)).Select(w => w.Id).ToListAsync(cancellationToken);
        foreach (var work in made.Where(w => !known.Contains(w.Id)))
        {
            works.Add(work);
            db.Revisions.Add(PastRevision.Of(store.Kind, work, ChangeCause.Made));
        }
    }

    private static Task SetAsync<TRow>(IQueryable<TRow> works, DateTimeOffset? putAwayAt, CancellationToken cancellationToken)
        where TRow : Work => works.ExecuteUpdateAsync(set => set.SetProperty(w => w.PutAwayAt, putAwayAt), cancellationToken);
}

using System.Text;
using System.Text.Json;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Shelf;
using Juxtopsis.Data;
using Juxtopsis.Data.Demo;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Shelf.Files;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;

namespace Juxtopsis.Server.Shelf;

/// <summary>
/// Writes to a shelf, one writer of a crew at a time: whoever writes holds the crew's row, so that what was checked against the
/// shelf still holds when it is written.
/// </summary>
internal sealed class ShelfStore(JuxtopsisDb db, ShelfCache cache, TimeProvider clock)
{
    /// <summary>How long what is deleted can be put back.</summary>
    private static readonly TimeSpan Kept = TimeSpan.FromDays(30);

    /// <summary>Begins to write; the shelf that is handed out stays as it is until the end.</summary>
    public async Task<(IDbContextTransaction Transaction, ShelfNow Shelf)> BeginAsync(CancellationToken cancellationToken)
    {
        var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        await db.Database.ExecuteSqlAsync($"select 1 from crews where id = {db.CrewId} for update", cancellationToken);
        return (transaction, await cache.ReadAsync(db));
    }

    /// <summary>Adds something new.</summary>
    public void Add(GearItem item, DateTimeOffset? retiredAt = null) => db.Gear.Add(GearRow.Of(item, clock.GetUtcNow(), retiredAt));

    /// <summary>Changes what is known of a thing, or whether it is retired.</summary>
    public void Change(ShelfEntry stored, GearItem item, DateTimeOffset? retiredAt)
    {
        var row = GearRow.Of(item, clock.GetUtcNow(), retiredAt);
        row.CrewId = db.CrewId;
        row.Revision = stored.Revision;
        db.Gear.Attach(row);
        db.Entry(row).State = EntityState.Modified;
        row.Revision = stored.Revision + 1;
    }

    /// <summary>Takes a thing off the shelf, whether it can be read or not, or puts it back.</summary>
    /// <param name="id">Its identity.</param>
    /// <param name="at">When it was deleted; null puts it back.</param>
    /// <param name="cancellationToken">Gives the request up.</param>
    public Task SetDeletedAsync(Guid id, DateTimeOffset? at, CancellationToken cancellationToken) =>
        db.Gear.Where(g => g.Id == id).ExecuteUpdateAsync(set => set.SetProperty(g => g.DeletedAt, at), cancellationToken);

    /// <summary>Things that were deleted lately, the last one first.</summary>
    public IQueryable<GearRow> Deleted() => db.Gear.AsNoTracking().Where(g => g.DeletedAt != null).OrderByDescending(g => g.DeletedAt).ThenBy(g => g.Id);

    /// <summary>A mount's new name goes to things out of sight too, so that they can be put back.</summary>
    public async Task RenameMountOfUnseenAsync(string from, string to, CancellationToken cancellationToken)
    {
        foreach (var row in await Unseen().ToListAsync(cancellationToken))
        {
            if (ShelfCache.Read(row).Entry is { } entry)
            {
                row.Document = GearRow.Of(ShelfRules.WithMountRenamed(entry.Item, from, to), row.UpdatedAt).Document;
            }
        }
    }

    /// <summary>Makes room for things that are new under ids which others have that are out of sight: deleted, or put away.</summary>
    public Task ForgetUnseenAsync(IReadOnlyCollection<Guid> ids, CancellationToken cancellationToken) =>
        Unseen().Where(g => ids.Contains(g.Id)).ExecuteDeleteAsync(cancellationToken);

    private IQueryable<GearRow> Unseen() => db.Gear.IgnoreQueryFilters([JuxtopsisDb.PutAwayFilter]).Where(g => g.DeletedAt != null || g.PutAwayAt != null);

    /// <summary>Brings the demo back, or puts it away but for the mounts that other gear names.</summary>
    /// <returns>Names of its things that stayed where they were.</returns>
    public async Task<IReadOnlyList<string>> SetDemoAsync(bool isHere, ShelfNow shelf, CancellationToken cancellationToken)
    {
        if (isHere)
        {
            return await DemoSet.BringAsync(db, clock.GetUtcNow(), cancellationToken);
        }

        var needed = ShelfRules.MountsNeeded(shelf.Index, DemoSet.Gear.ToHashSet());
        await DemoSet.PutAwayAsync(db, [.. needed.Select(m => m.Id)], clock.GetUtcNow(), cancellationToken);
        return [.. needed.Select(m => m.Name)];
    }

    /// <summary>
    /// Writes what a plan asks for. Names may go from one thing to another within one file, so each changed thing lets go of its
    /// name before any takes a new one.
    /// </summary>
    public async Task WriteAsync(ImportPlan plan, CancellationToken cancellationToken)
    {
        var changed = plan.Rows.Where(r => r.Stored is not null && !r.IsSame).ToArray();
        var renamed = changed.Where(r => GearRow.KeyOf(r.Row.Item!) != GearRow.KeyOf(r.Stored!.Item)).Select(r => r.Row.Item!.Id).ToArray();
        await LetGoOfNamesAsync(renamed, cancellationToken);
        foreach (var row in changed)
        {
            Change(row.Stored!, row.Row.Item!, row.Row.Retired ? row.Stored!.RetiredAt ?? clock.GetUtcNow() : null);
        }

        var added = plan.Rows.Where(r => r.Stored is null).ToArray();
        await NoteAsync(plan.Shelf.Revision + 1, [.. changed, .. added], cancellationToken);
        await ForgetUnseenAsync([.. added.Select(r => r.Row.Item!.Id)], cancellationToken);
        foreach (var row in added)
        {
            Add(row.Row.Item!, row.Row.Retired ? clock.GetUtcNow() : null);
        }
    }

    /// <summary>Notes what the things were before, so that the import can be taken back.</summary>
    private async Task NoteAsync(int revision, IReadOnlyList<PlannedRow> rows, CancellationToken cancellationToken)
    {
        ImportedThing[] before =
        [
            .. rows.Select(r => new ImportedThing(
                r.Row.Item!.Id, (r.Stored?.Revision ?? 0) + 1, r.Stored is { } s ? Encoding.UTF8.GetString(GearJson.ToUtf8(s.Item)) : null, r.Stored?.RetiredAt)),
        ];
        db.Imports.Add(new ShelfImport { Revision = revision, At = clock.GetUtcNow(), Before = JsonSerializer.Serialize(before) });
        var kept = await db.Imports.OrderByDescending(i => i.Revision).Skip(ShelfImport.Most - 1).Select(i => (int?)i.Revision).FirstOrDefaultAsync(cancellationToken);
        await db.Imports.Where(i => i.Revision <= kept).ExecuteDeleteAsync(cancellationToken);
    }

    /// <summary>Takes an import back: what it added goes to the deleted things, what it changed is as it was; what was changed since stays.</summary>
    /// <param name="revision">The shelf's revision after the import.</param>
    /// <param name="shelf">The shelf now.</param>
    /// <param name="cancellationToken">Gives the request up.</param>
    /// <returns>How many things went back, and the names of those that stayed; null where nothing is known of that import.</returns>
    public async Task<(int Back, IReadOnlyList<string> Stayed)?> TakeBackAsync(int revision, ShelfNow shelf, CancellationToken cancellationToken)
    {
        if (await db.Imports.FirstOrDefaultAsync(i => i.Revision == revision, cancellationToken) is not { } import)
        {
            return null;
        }

        var things = JsonSerializer.Deserialize<ImportedThing[]>(import.Before)!;
        var (added, changed, stayed) = (new List<Guid>(), new List<(ShelfEntry Stored, GearItem Item, DateTimeOffset? RetiredAt)>(), new List<string>());
        foreach (var thing in things)
        {
            if (shelf.Index.Find(thing.Id) is not { } stored)
            {
                continue;
            }

            if (stored.Revision != thing.Revision || Needed(stored, things, shelf) || thing.Document is null && (await WorksWithAsync(thing.Id, cancellationToken)).Count > 0)
            {
                stayed.Add(stored.Item.FullName);
            }
            else if (thing.Document is null)
            {
                added.Add(thing.Id);
            }
            else if (ShelfCache.Read(thing.Document) is { } was)
            {
                changed.Add((stored, was, thing.RetiredAt));
            }
        }

        // A name that something else has by now is not taken from it.
        var going = changed.Select(c => c.Item.Id).Concat(added).ToHashSet();
        var taken = shelf.Index.Entries.Where(e => e.RetiredAt is null && !going.Contains(e.Item.Id)).Select(e => (e.Item.Kind, GearRow.KeyOf(e.Item))).ToHashSet();
        foreach (var held in changed.Where(c => c.RetiredAt is null && taken.Contains((c.Item.Kind, GearRow.KeyOf(c.Item)))).ToArray())
        {
            changed.Remove(held);
            stayed.Add(held.Stored.Item.FullName);
        }

        await LetGoOfNamesAsync([.. changed.Select(c => c.Item.Id)], cancellationToken);
        var now = clock.GetUtcNow();
        await db.Gear.Where(g => added.Contains(g.Id)).ExecuteUpdateAsync(set => set.SetProperty(g => g.DeletedAt, now), cancellationToken);
        foreach (var (stored, item, retiredAt) in changed)
        {
            Change(stored, item, retiredAt);
        }

        db.Imports.Remove(import);
        return (added.Count + changed.Count, stayed);
    }

    /// <summary>Things let go of their names, so that these may go from one to another; each must be given a name after that.</summary>
    private Task LetGoOfNamesAsync(IReadOnlyCollection<Guid> ids, CancellationToken cancellationToken) =>
        db.Gear.Where(g => ids.Contains(g.Id)).ExecuteUpdateAsync(set => set.SetProperty(g => g.NameKey, g => "\u0001" + g.Id), cancellationToken);

    /// <summary>A mount that came with an import stays where something names it that stays too.</summary>
    private static bool Needed(ShelfEntry stored, ImportedThing[] things, ShelfNow shelf) =>
        stored.Item.Kind == GearKind.Mount && ShelfRules.UsersOf(shelf.Index, stored.Item).Any(user => things.All(t => t.Id != user.Item.Id || t.Revision != user.Revision));

    /// <summary>Writes everything, counts the shelf's change and ends.</summary>
    public async Task CommitAsync(IDbContextTransaction transaction, CancellationToken cancellationToken)
    {
        await db.SaveChangesAsync(cancellationToken);
        var before = clock.GetUtcNow() - Kept;
        await db.Gear.Where(g => g.DeletedAt < before).ExecuteDeleteAsync(cancellationToken);
        await db.Crews.Where(c => c.Id == db.CrewId)
            .ExecuteUpdateAsync(set => set.SetProperty(c => c.ShelfRevision, c => c.ShelfRevision + 1), cancellationToken);
        await transaction.CommitAsync(cancellationToken);

        // Whoever writes reads it anew, so that nobody who searches waits for it.
        await cache.ReadAsync(db);
    }

    /// <summary>The comparisons and productions, deleted ones included, that name a thing anywhere in what is stored of them, and the bookings of its units: up to ten names.</summary>
    /// <param name="id">The thing.</param>
    /// <param name="cancellationToken">Gives the request up.</param>
    /// <param name="asThing">True leaves out what names a unit of it: bookings, and bags of another model that say which units they hold.</param>
    public async Task<IReadOnlyList<string>> WorksWithAsync(Guid id, CancellationToken cancellationToken, bool asThing = false) => await db.Database
        .SqlQuery<string>(
            $"""
             select name as "Value" from (
               select name, updated_at from comparisons where crew_id = {db.CrewId} and position({id.ToString()} in document::text) > 0
               union all
               select name, updated_at from productions where crew_id = {db.CrewId}
                 and position({id.ToString()} in case when {asThing} then regexp_replace(document::text, '"units": \[[^]]*\]', '', 'g') else document::text end) > 0
               union all
               select 'booked by ' || b.crew_unit, max(b.updated_at) from bookings b join gear_units u on u.crew_id = b.crew_id and u.id = b.gear_unit_id
                 where b.crew_id = {db.CrewId} and u.gear_id = {id} and b.cancelled_at is null and not {asThing} group by b.crew_unit) as works
             order by updated_at desc limit 10
             """)
        .ToListAsync(cancellationToken);
}

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
        await db.Gear.Where(g => renamed.Contains(g.Id)).ExecuteUpdateAsync(set => set.SetProperty(g => g.NameKey, g => "\u0001" + g.Id), cancellationToken);
        foreach (var row in changed)
        {
            Change(row.Stored!, row.Row.Item!, row.Row.Retired ? row.Stored!.RetiredAt ?? clock.GetUtcNow() : null);
        }

        var added = plan.Rows.Where(r => r.Stored is null).ToArray();
        await ForgetUnseenAsync([.. added.Select(r => r.Row.Item!.Id)], cancellationToken);
        foreach (var row in added)
        {
            Add(row.Row.Item!, row.Row.Retired ? clock.GetUtcNow() : null);
        }
    }

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

    /// <summary>The comparisons and productions, deleted ones included, that name a thing anywhere in what is stored of them: up to ten names.</summary>
    public async Task<IReadOnlyList<string>> WorksWithAsync(Guid id, CancellationToken cancellationToken) => await db.Database
        .SqlQuery<string>(
            $"""
             select name as "Value" from (
               select name, updated_at from comparisons where crew_id = {db.CrewId} and position({id.ToString()} in document::text) > 0
               union all
               select name, updated_at from productions where crew_id = {db.CrewId} and position({id.ToString()} in document::text) > 0) as works
             order by updated_at desc limit 10
             """)
        .ToListAsync(cancellationToken);
}

using System.Collections.Concurrent;
using System.Text;
using System.Text.Json;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Shelf;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Shelf;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Fitting;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Shelf;

/// <summary>A shelf as it is stored now.</summary>
/// <param name="Revision">Counts its changes.</param>
/// <param name="Index">What is on it.</param>
/// <param name="SetAside">What is stored of it and cannot be read by this version.</param>
/// <param name="Deleted">How many things were deleted lately and can be put back.</param>
internal sealed record ShelfNow(int Revision, ShelfIndex Index, IReadOnlyList<SetAsideOutput> SetAside, int Deleted)
{
    private readonly Lazy<Task<FittingShelf>> fitting = new(() => ShelfBuilder.BuildAsync(Index.AtHand));

    /// <summary>All rigs that can be put together of it, made when they are first asked for.</summary>
    public Task<FittingShelf> Fitting => fitting.Value;

    /// <summary>Finds things by what a table says of them: by identity, or by maker and name where they are at hand.</summary>
    /// <returns>Gives the thing; null where there is none.</returns>
    public Func<string, GearItem?> Finder()
    {
        var byName = Index.Entries.Where(e => e.Item.Kind != GearKind.Mount && e.RetiredAt is null).ToLookup(e => e.Item.FullName, e => e.Item, StringComparer.OrdinalIgnoreCase);
        return text => Guid.TryParse(text, out var id) ? Index.Find(id)?.Item : byName[text].FirstOrDefault();
    }

    /// <summary>True when somebody asked for them and they are there.</summary>
    public bool HasFitting => fitting is { IsValueCreated: true, Value.IsCompletedSuccessfully: true };
}

/// <summary>
/// Keeps each crew's shelf in memory, so that a search is answered without reading it again. Whether it is still what is stored is
/// asked every time: one number.
/// </summary>
internal sealed class ShelfCache
{
    /// <summary>The most shelves that are kept in memory.</summary>
    private const int MostCrews = 16;

    private readonly ConcurrentDictionary<Guid, ShelfNow> shelves = new();

    /// <summary>
    /// The shelf as it is stored now. Not to be given up half way: whoever types gives up one question after the other, and a
    /// cancellation that comes late hits whoever has the database connection next.
    /// </summary>
    public async Task<ShelfNow> ReadAsync(JuxtopsisDb db)
    {
        var revision = await RevisionAsync(db);
        if (shelves.TryGetValue(db.CrewId, out var known) && known.Revision == revision)
        {
            return known;
        }

        // The rows may be newer than the number read before them; then the next request reads once more.
        var rows = await db.Gear.AsNoTracking().Where(g => g.DeletedAt == null).ToListAsync();
        var deleted = await db.Gear.CountAsync(g => g.DeletedAt != null);
        var read = rows.Select(Read).ToArray();
        var now = new ShelfNow(revision, new ShelfIndex([.. read.Select(r => r.Entry).OfType<ShelfEntry>()]), [.. read.Select(r => r.SetAside).OfType<SetAsideOutput>()], deleted);
        if (shelves.Count >= MostCrews)
        {
            // Those who still ask are read again in a moment.
            shelves.Clear();
        }

        if (known is { HasFitting: true })
        {
            // Somebody works with what fits: it is put together anew before it is asked for.
            _ = now.Fitting;
        }

        shelves[db.CrewId] = now;
        return now;
    }

    private static Task<int> RevisionAsync(JuxtopsisDb db) =>
        db.Crews.Where(c => c.Id == db.CrewId).Select(c => c.ShelfRevision).FirstAsync();

    /// <summary>A document as an item; null where it cannot be read.</summary>
    public static GearItem? Read(string document)
    {
        using var json = JsonDocument.Parse(Encoding.UTF8.GetBytes(document));
        return GearJson.Read(json.RootElement, "", new List<DiagnosticOutput>());
    }

    /// <summary>A row as an entry of the shelf; one that cannot be read is set aside, so that it takes nothing else down with it.</summary>
    public static (ShelfEntry? Entry, SetAsideOutput? SetAside) Read(GearRow row)
    {
        var errors = new List<DiagnosticOutput>();
        using var document = JsonDocument.Parse(Encoding.UTF8.GetBytes(row.Document));
        return GearJson.Read(document.RootElement, "", errors) is { } item
            ? (new(item, row.Revision, row.RetiredAt), null)
            : (null, new SetAsideOutput(row.Id, row.Kind, row.NameKey, string.Join(' ', errors.Select(e => e.Message))));
    }
}

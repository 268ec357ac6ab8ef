using Juxtopsis.Contracts.Works;
using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Data;

/// <summary>
/// Brings all stored documents of a crew to the version of now; what is stored is the first state of its past. A document that cannot be read stays as it is: it is listed as such,
/// and can be taken out and deleted.
/// </summary>
internal static class KeptDocuments
{
    private const int AtOnce = 100;

    public static async Task BringUpAsync(JuxtopsisDb db, CancellationToken cancellationToken)
    {
        await BringUpAsync<Comparison, Contracts.Comparisons.ComparisonDocument>(db, Comparison.Store, cancellationToken);
        await BringUpAsync<Production, Contracts.Productions.ProductionDocument>(db, Production.Store, cancellationToken);
    }

    private static async Task BringUpAsync<TRow, TDocument>(JuxtopsisDb db, WorkStore<TDocument> store, CancellationToken cancellationToken)
        where TRow : Work
        where TDocument : class
    {
        var done = Guid.Empty;
        for (; ; )
        {
            var rows = await db.Set<TRow>()
                .Where(w => w.SchemaVersion != store.Shape.CurrentVersion && w.Id > done)
                .OrderBy(w => w.Id).Take(AtOnce).ToListAsync(cancellationToken);
            if (rows.Count == 0)
            {
                return;
            }

            foreach (var row in rows)
            {
                if (!await db.Revisions.AnyAsync(r => r.Kind == store.Kind && r.WorkId == row.Id && r.Revision == row.Revision, cancellationToken))
                {
                    db.Add(PastRevision.Of(store.Kind, row, ChangeCause.Made));
                }

                if (store.Shape.Read(row.Document, out _) is { } document)
                {
                    store.Put(row, document);
                }
            }

            await db.SaveChangesAsync(cancellationToken);
            db.ChangeTracker.Clear();
            done = rows[^1].Id;
        }
    }
}

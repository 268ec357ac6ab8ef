using Juxtopsis.Contracts.Works;
using Juxtopsis.Data.Demo;
using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Storage;
using Npgsql;

namespace Juxtopsis.Data;

/// <summary>Brings a database up to date and, when it is empty, makes the first crew with its demo shelf, comparisons and production.</summary>
public static class FirstStart
{
    /// <summary>Any number that nothing else in this database locks by.</summary>
    private const long PreparingLock = 0x4A75787461;

    /// <summary>Migrates, and seeds once.</summary>
    /// <param name="open">Makes a context that works for the given crew.</param>
    /// <param name="now">The time to stamp what is made.</param>
    /// <param name="cancellationToken">Stops the work.</param>
    /// <returns>The crew that everybody works in until there are accounts.</returns>
    public static async Task<Guid> PrepareAsync(Func<Guid, JuxtopsisDb> open, DateTimeOffset now, CancellationToken cancellationToken)
    {
        ArgumentNullException.ThrowIfNull(open);
        await using var db = open(Guid.Empty);
        await MakeDatabaseAsync(db, cancellationToken);
        // Of servers that start on one database at once, one prepares it, and the others find it prepared.
        await db.Database.OpenConnectionAsync(cancellationToken);
        await db.Database.ExecuteSqlAsync($"select pg_advisory_lock({PreparingLock})", cancellationToken);
        try
        {
            await db.Database.MigrateAsync(cancellationToken);
            var first = await db.Crews.OrderBy(c => c.CreatedAt).Select(c => (Guid?)c.Id).FirstOrDefaultAsync(cancellationToken);
            var crew = first ?? await MakeCrewAsync(open, now, cancellationToken);
            await using var works = open(crew);
            await KeptDocuments.BringUpAsync(works, cancellationToken);
            return crew;
        }
        finally
        {
            await db.Database.ExecuteSqlAsync($"select pg_advisory_unlock({PreparingLock})", CancellationToken.None);
        }
    }

    private static async Task MakeDatabaseAsync(JuxtopsisDb db, CancellationToken cancellationToken)
    {
        var creator = db.GetService<IRelationalDatabaseCreator>();
        if (!await creator.ExistsAsync(cancellationToken))
        {
            try
            {
                await creator.CreateAsync(cancellationToken);
            }
            catch (PostgresException e) when (e.SqlState is PostgresErrorCodes.DuplicateDatabase or PostgresErrorCodes.UniqueViolation)
            {
                // Another server has made it meanwhile.
            }
        }
    }

    private static async Task<Guid> MakeCrewAsync(Func<Guid, JuxtopsisDb> open, DateTimeOffset now, CancellationToken cancellationToken)
    {
        var crew = new Crew { Id = Guid.CreateVersion7(now), Name = "Low Water", CreatedAt = now };
        await using var seeding = open(crew.Id);
        seeding.Crews.Add(crew);
        Comparison[] comparisons = [.. DemoComparisons.Create(now)];
        var production = DemoProduction.Create(now);
        seeding.Comparisons.AddRange(comparisons);
        seeding.Productions.Add(production);
        seeding.Revisions.AddRange(comparisons.Select(c => PastRevision.Of(Comparison.Store.Kind, c, ChangeCause.Made)));
        seeding.Revisions.Add(PastRevision.Of(Production.Store.Kind, production, ChangeCause.Made));
        seeding.Gear.AddRange(DemoShelf.Items.Select(item => GearRow.Of(item, now)));
        await seeding.SaveChangesAsync(cancellationToken);
        return crew.Id;
    }
}

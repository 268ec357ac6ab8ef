using Juxtopsis.Data.Demo;
using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Storage;
using Npgsql;

namespace Juxtopsis.Data;

/// <summary>Brings a database up to date and, when it is empty, makes the first crew, with the demo's gear and work unless they are not wanted.</summary>
public static class FirstStart
{
    /// <summary>Any number that nothing else in this database locks by.</summary>
    private const long PreparingLock = 0x4A75787461;

    /// <summary>Migrates, and seeds once.</summary>
    /// <param name="open">Makes a context that works for the given crew.</param>
    /// <param name="withDemo">Whether a first crew gets the demo; one that is there already stays as it is.</param>
    /// <param name="now">The time to stamp what is made.</param>
    /// <param name="cancellationToken">Stops the work.</param>
    /// <returns>The crew that everybody works in until there are accounts.</returns>
    public static async Task<Guid> PrepareAsync(Func<Guid, JuxtopsisDb> open, bool withDemo, DateTimeOffset now, CancellationToken cancellationToken)
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
            var crew = first ?? await MakeCrewAsync(open, withDemo, now, cancellationToken);
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

    private static async Task<Guid> MakeCrewAsync(Func<Guid, JuxtopsisDb> open, bool withDemo, DateTimeOffset now, CancellationToken cancellationToken)
    {
        var crew = new Crew { Id = Guid.CreateVersion7(now), Name = withDemo ? "Low Water" : "Our crew", CreatedAt = now };
        await using var seeding = open(crew.Id);
        seeding.Crews.Add(crew);
        if (withDemo)
        {
            await DemoSet.BringAsync(seeding, now, cancellationToken);
        }

        await seeding.SaveChangesAsync(cancellationToken);
        return crew.Id;
    }
}

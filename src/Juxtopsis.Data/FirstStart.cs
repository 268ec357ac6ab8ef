using Juxtopsis.Data.Demo;
using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Data;

/// <summary>Brings a database up to date and, when it is empty, makes the first crew with its demo shelf, comparisons and production.</summary>
public static class FirstStart
{
    /// <summary>Migrates, and seeds once.</summary>
    /// <param name="open">Makes a context that works for the given crew.</param>
    /// <param name="now">The time to stamp what is made.</param>
    /// <param name="cancellationToken">Stops the work.</param>
    /// <returns>The crew that everybody works in until there are accounts.</returns>
    public static async Task<Guid> PrepareAsync(Func<Guid, JuxtopsisDb> open, DateTimeOffset now, CancellationToken cancellationToken)
    {
        ArgumentNullException.ThrowIfNull(open);
        await using (var db = open(Guid.Empty))
        {
            await db.Database.MigrateAsync(cancellationToken);
            var first = await db.Crews.OrderBy(c => c.CreatedAt).Select(c => (Guid?)c.Id).FirstOrDefaultAsync(cancellationToken);
            if (first is { } known)
            {
                return known;
            }
        }

        var crew = new Crew { Id = Guid.CreateVersion7(now), Name = "Low Water", CreatedAt = now };
        await using var seeding = open(crew.Id);
        seeding.Crews.Add(crew);
        seeding.Comparisons.AddRange(DemoComparisons.Create(now));
        seeding.Productions.Add(DemoProduction.Create(now));
        seeding.Gear.AddRange(DemoShelf.Items.Select(item => GearRow.Of(item, now)));
        await seeding.SaveChangesAsync(cancellationToken);
        return crew.Id;
    }
}

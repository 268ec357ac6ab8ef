using Juxtopsis.Contracts.Log;
using Juxtopsis.Contracts.Measuring;
using Juxtopsis.Contracts.Works;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Log;
using Juxtopsis.Server.Measuring;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Crews;

/// <summary>Tests and takes in a crew's file.</summary>
internal static class CrewLog
{
    /// <summary>All of them.</summary>
    public static async Task<CrewFileLog> OfAsync(JuxtopsisDb db, CancellationToken cancellationToken) => new(
        await UnitTestEndpoints.AllAsync(db, null, cancellationToken),
        [.. (await db.Takes.AsNoTracking().Where(t => t.DeletedAt == null).OrderBy(t => t.TakenAt).ThenBy(t => t.Id).ToListAsync(cancellationToken)).Select(TakeEndpoints.ToOutput)]);

    /// <summary>Brings in those that are not here; units and works came before.</summary>
    /// <returns>What was left out, and why.</returns>
    public static async Task<IReadOnlyList<string>> BringAsync(JuxtopsisDb db, CrewFileLog log, CancellationToken cancellationToken)
    {
        var units = await db.Units.Select(u => u.Id).ToHashSetAsync(cancellationToken);
        units.UnionWith(db.Units.Local.Select(u => u.Id));
        var tests = await db.UnitTests.Select(t => t.Id).ToHashSetAsync(cancellationToken);
        var takes = await db.Takes.Select(t => t.Id).ToHashSetAsync(cancellationToken);
        var left = 0;
        foreach (var test in log.Tests.Where(t => tests.Add(t.Id)))
        {
            if (!units.Contains(test.UnitId) || test.By.Length > 40 || UnitTestChecks.Check(new() { UnitId = test.UnitId, Measured = test.Measured, Note = test.Note }) is not null)
            {
                left++;
                continue;
            }

            db.UnitTests.Add(new()
            {
                Id = test.Id,
                UnitId = test.UnitId,
                Kind = test.Measured.Kind,
                Measured = UnitTestRow.Of(test.Measured),
                Results = UnitTestRow.Of(test.Results),
                Note = test.Note,
                By = test.By,
                UpdatedAt = test.UpdatedAt.ToUniversalTime(),
                AcceptedAt = test.AcceptedAt?.ToUniversalTime(),
            });
        }

        foreach (var take in log.Takes.Where(t => takes.Add(t.Id)))
        {
            if (take.By.Length > 40 || TakeChecks.Check(take.Take) is not null)
            {
                left++;
                continue;
            }

            db.Takes.Add(new() { Id = take.Id, ProductionId = take.Take.ProductionId, TakenAt = take.Take.TakenAt.ToUniversalTime(), Take = TakeRow.Of(take.Take), By = take.By, UpdatedAt = take.UpdatedAt.ToUniversalTime() });
        }

        return left == 0 ? [] : [$"{left} tests or takes cannot be kept."];
    }
}

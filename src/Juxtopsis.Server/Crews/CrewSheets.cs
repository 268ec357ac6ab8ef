using Juxtopsis.Contracts.Sheets;
using Juxtopsis.Contracts.Works;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Photos;
using Juxtopsis.Server.Sheets;
using Microsoft.EntityFrameworkCore;

namespace Juxtopsis.Server.Crews;

/// <summary>Frozen sheets in a crew's file: what was sent and answered. What opens them stays behind.</summary>
internal static class CrewSheets
{
    /// <summary>A sheet with its answers.</summary>
    public static async Task<CrewFileSheet> OfAsync(JuxtopsisDb db, FrozenSheet sheet, CancellationToken cancellationToken)
    {
        var answers = await db.SheetAnswers.AsNoTracking().Where(a => a.FrozenSheetId == sheet.Id).OrderBy(a => a.At).ThenBy(a => a.Id).ToListAsync(cancellationToken);
        return new(sheet.Id, sheet.ToInput(), sheet.MadeAt, sheet.By, [.. answers.Select(SheetLinks.ToOutput)]);
    }

    /// <summary>Brings a sheet in, where it is not here.</summary>
    /// <returns>False where it cannot be kept.</returns>
    public static async Task<bool> BringAsync(JuxtopsisDb db, CrewFileSheet? brought, CancellationToken cancellationToken)
    {
        if (brought is null || brought.By.Length > 40 || FrozenChecks.Check(brought.Sheet) is not null)
        {
            return false;
        }

        if (await db.FrozenSheets.AnyAsync(s => s.Id == brought.Id, cancellationToken))
        {
            return true;
        }

        db.Add(FrozenSheet.Of(brought.Id, brought.Sheet, brought.MadeAt.ToUniversalTime(), brought.By));
        var known = await db.SheetAnswers.Select(a => a.Id).ToHashSetAsync(cancellationToken);
        foreach (var answer in brought.Answers.Where(a => a.Name.Length <= 80 && a.Remark.Length <= 1000 && a.ShotId.Length <= 80 && a.OptionId.Length <= 80 && known.Add(a.Id)))
        {
            db.Add(new SheetAnswer
            {
                Id = answer.Id,
                FrozenSheetId = brought.Id,
                LinkId = answer.LinkId,
                ShotId = answer.ShotId,
                OptionId = answer.OptionId,
                Verdict = answer.Verdict,
                Remark = answer.Remark,
                Name = answer.Name,
                At = answer.At.ToUniversalTime(),
            });
        }

        return true;
    }

    /// <summary>Brings a picture of a sheet that came with the same file.</summary>
    /// <returns>False where it cannot be kept.</returns>
    public static bool BringPicture(JuxtopsisDb db, Guid sheet, string option, ReadOnlySpan<byte> jpeg)
    {
        if (db.FrozenSheets.Local.FirstOrDefault(s => s.Id == sheet && db.Entry(s).State == EntityState.Added) is not { } added)
        {
            // It was here before, with its pictures.
            return true;
        }

        if (JpegCleaner.Clean(jpeg) is not { } clean || added.ToShots().SelectMany(s => s.Options).All(o => o.Id != option) || db.FrozenPictures.Local.Any(p => p.FrozenSheetId == sheet && p.OptionId == option))
        {
            return false;
        }

        db.Add(new FrozenPicture { FrozenSheetId = sheet, OptionId = option, Jpeg = clean.Bytes });
        return true;
    }
}

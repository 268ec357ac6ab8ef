using System.IO.Compression;
using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Works;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Edge;
using Juxtopsis.Server.Photos;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Shelf;
using Juxtopsis.Server.Shelf.Files;
using Juxtopsis.Server.Startup;
using Juxtopsis.Server.Works;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Juxtopsis.Server.Crews;

/// <summary>All that a crew has, out and in as one open file: a ZIP archive of JSON, CSV tables and photographs.</summary>
internal static class CrewEndpoints
{
    private const long MostBytes = 1024L * 1024 * 1024;
    private const int MostWorkBytes = 4 * 1024 * 1024;
    private const int MostLogBytes = 64 * 1024 * 1024;
    private const int MostEntries = 50_000;
    private const string Units = "units.json";
    private const string Sheets = "sheets";
    private const string Log = "log.json";
    private const string Zip = "application/zip";

    public static void MapCrew(this WebApplication app)
    {
        var group = app.MapGroup("/api/crew").WithTags("Crew").RequireDatabase();
        group.MapGet("export.zip", Export).WithName("ExportCrew")
            .WithSummary("All that the crew has as one ZIP archive: the shelf, its tables, units and bookings, comparisons, productions, tests and takes, frozen sheets and photographs.")
            .Produces(200, contentType: Zip).ProducesProblems(429, 503)
            .RequireRateLimiting(Limits.Import).WithRequestTimeout(Limits.Import);
        group.MapPost("import", Import).WithName("ImportCrew")
            .WithSummary("Brings such an archive in: what is not here is added, what is here otherwise stands beside it as a copy. All or nothing.")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .Accepts<byte[]>(Zip, "application/octet-stream")
            .Produces<CrewImportOutput>().ProducesProblems(400, 409, 413, 422, 429, 503)
            .RequireRateLimiting(Limits.Import).WithRequestTimeout(Limits.Import);
    }

    private static async Task<IResult> Export(JuxtopsisDb db, ShelfCache cache, TimeProvider clock, CancellationToken cancellationToken)
    {
        // Put together first: whoever fetches it slowly keeps no connection to the database.
        var file = Scratch();
        try
        {
            await using (var zip = await ZipArchive.CreateAsync(file, ZipArchiveMode.Create, leaveOpen: true, null, cancellationToken))
            {
                await Fill(zip, db, cache, clock, cancellationToken);
            }

            file.Position = 0;
            return TypedResults.Stream(file, Zip, "juxtopsis.zip");
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }
    }

    /// <summary>A file that is gone when it is closed.</summary>
    private static FileStream Scratch() => new(
        Path.Combine(Path.GetTempPath(), Path.GetRandomFileName()), FileMode.CreateNew, FileAccess.ReadWrite, FileShare.None, 64 * 1024, FileOptions.DeleteOnClose | FileOptions.Asynchronous);

    private static async Task Fill(ZipArchive zip, JuxtopsisDb db, ShelfCache cache, TimeProvider clock, CancellationToken cancellationToken)
    {
        var name = await db.Crews.Where(c => c.Id == db.CrewId).Select(c => c.Name).FirstAsync(cancellationToken);
        var shelf = await cache.ReadAsync(db);
        await Add(zip, "crew.json", JsonSerializer.SerializeToUtf8Bytes(new CrewFileHead(CrewFile.Format, CrewFile.Version, name, clock.GetUtcNow()), WireJson.Default.CrewFileHead), cancellationToken);
        using (var json = new MemoryStream())
        {
            ShelfFile.Write(json, shelf.Index.Entries);
            await Add(zip, "shelf.json", json.ToArray(), cancellationToken);
        }

        using (var tables = new MemoryStream())
        {
            CsvWriting.WriteZip(tables, shelf.Index.Entries);
            await Add(zip, "tables.zip", tables.ToArray(), cancellationToken);
        }

        await Add(zip, Units, JsonSerializer.SerializeToUtf8Bytes(await CrewUnits.OfAsync(db, cancellationToken), WireJson.Default.CrewFileUnits), cancellationToken);
        await AddWorks(zip, "comparisons", db.Comparisons, cancellationToken);
        await AddWorks(zip, "productions", db.Productions, cancellationToken);
        await Add(zip, Log, JsonSerializer.SerializeToUtf8Bytes(await CrewLog.OfAsync(db, cancellationToken), WireJson.Default.CrewFileLog), cancellationToken);
        foreach (var id in await db.FrozenSheets.OrderBy(s => s.Id).Select(s => s.Id).ToListAsync(cancellationToken))
        {
            var sheet = await db.FrozenSheets.AsNoTracking().FirstAsync(s => s.Id == id, cancellationToken);
            await Add(zip, $"{Sheets}/{id}.json", JsonSerializer.SerializeToUtf8Bytes(await CrewSheets.OfAsync(db, sheet, cancellationToken), WireJson.Default.CrewFileSheet), cancellationToken);
            foreach (var picture in await db.FrozenPictures.AsNoTracking().Where(p => p.FrozenSheetId == id).OrderBy(p => p.OptionId).ToListAsync(cancellationToken))
            {
                await Add(zip, $"{Sheets}/{id}/{picture.OptionId}.jpg", picture.Jpeg, cancellationToken);
            }
        }

        foreach (var id in await db.Photos.Where(p => p.DeletedAt == null).OrderBy(p => p.Id).Select(p => p.Id).ToListAsync(cancellationToken))
        {
            if (await db.Photos.Where(p => p.Id == id).Select(p => p.Jpeg).FirstOrDefaultAsync(cancellationToken) is { } jpeg)
            {
                await Add(zip, $"photos/{id}.jpg", jpeg, cancellationToken);
            }
        }
    }

    private static async Task AddWorks<TRow>(ZipArchive zip, string folder, IQueryable<TRow> works, CancellationToken cancellationToken)
        where TRow : Work
    {
        await foreach (var work in works.AsNoTracking().Where(w => w.PutAwayAt == null).OrderBy(w => w.Id).AsAsyncEnumerable().WithCancellation(cancellationToken))
        {
            using var document = JsonDocument.Parse(work.Document);
            var entry = new CrewFileWork(work.Id, work.Name, document.RootElement, work.UpdatedAt, work.DeletedAt);
            await Add(zip, $"{folder}/{work.Id}.json", JsonSerializer.SerializeToUtf8Bytes(entry, WireJson.Default.CrewFileWork), cancellationToken);
        }
    }

    private static async Task Add(ZipArchive zip, string name, byte[] bytes, CancellationToken cancellationToken)
    {
        await using var stream = await zip.CreateEntry(name).OpenAsync(cancellationToken);
        await stream.WriteAsync(bytes, cancellationToken);
    }

    private static async Task<IResult> Import(JuxtopsisDb db, ShelfStore store, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        // An archive is read from its end: it lies in a file of its own until then.
        await using var file = Scratch();
        await http.Request.Body.CopyToAsync(file, cancellationToken);
        file.Position = 0;
        try
        {
            await using var zip = await ZipArchive.CreateAsync(file, ZipArchiveMode.Read, leaveOpen: true, null, cancellationToken);
            if (zip.Entries.Count > MostEntries || zip.GetEntry("crew.json") is not { } head || !IsHead(await Read(head, 4096, cancellationToken)))
            {
                return NoFile("It needs a crew.json that names the format and the version, and no more than 50 000 files.");
            }

            return await Bring(zip, db, store, clock, http, cancellationToken);
        }
        catch (InvalidDataException)
        {
            return NoFile("The archive is broken.");
        }
        catch (DbUpdateException e) when (e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            return Problem.Of("changed", 409, "Changed at the same moment", "Somebody saved one of the same pieces in this very moment. Nothing was brought in; try once more.").ToResult();
        }
    }

    private static async Task<IResult> Bring(ZipArchive zip, JuxtopsisDb db, ShelfStore store, TimeProvider clock, HttpContext http, CancellationToken cancellationToken)
    {
        var (transaction, shelf) = await store.BeginAsync(cancellationToken);
        await using (transaction)
        {
            var brought = new Brought(db, clock.GetUtcNow(), Writer.Of(http.Request.Headers));
            var gear = 0;
            if (zip.GetEntry("shelf.json") is { } things && await Read(things, (int)FileEndpoints.MostBytes, cancellationToken) is { } json)
            {
                var plan = ImportPlan.Of(UploadReader.Read([("shelf.json", json)], cancellationToken), shelf);
                if (plan.IsRefused)
                {
                    return TypedResults.Json(plan.ToOutput(shelf.Revision, written: false), WireJson.Default.ImportOutput, statusCode: 422);
                }

                await store.WriteAsync(plan, cancellationToken);
                gear = plan.Rows.Count(r => !r.IsSame);
            }

            if (zip.GetEntry(Units) is { } units)
            {
                var read = await Read(units, MostWorkBytes, cancellationToken) is { } text ? WireReader.Read<CrewFileUnits>(text, WireJson.Default.CrewFileUnits, out _) : null;
                brought.Problems.AddRange(read is null ? [$"{Units} cannot be read."] : await CrewUnits.BringAsync(db, read, brought.Now, cancellationToken));
            }

            foreach (var entry in zip.Entries)
            {
                cancellationToken.ThrowIfCancellationRequested();
                await (Path.GetDirectoryName(entry.FullName) switch
                {
                    "comparisons" => Work(entry, brought, Comparison.Store, (id, name, at) => new Comparison { Id = id, Name = name, CreatedAt = at, UpdatedAt = at }, cancellationToken),
                    "productions" => Work(entry, brought, Production.Store, (id, name, at) => new Production { Id = id, Name = name, CreatedAt = at, UpdatedAt = at }, cancellationToken),
                    Sheets => Sheet(entry, brought, cancellationToken),
                    "photos" => Photograph(entry, brought, cancellationToken),
                    { } folder when folder.StartsWith(Sheets + "/", StringComparison.Ordinal) => SheetPicture(entry, folder, brought, cancellationToken),
                    _ => Task.CompletedTask,
                });
            }

            if (zip.GetEntry(Log) is { } log)
            {
                var read = await Read(log, MostLogBytes, cancellationToken) is { } text ? WireReader.Read<CrewFileLog>(text, WireJson.Default.CrewFileLog, out _) : null;
                brought.Problems.AddRange(read is null ? [$"{Log} cannot be read."] : await CrewLog.BringAsync(db, read, cancellationToken));
            }

            await store.CommitAsync(transaction, cancellationToken);
            return TypedResults.Json(new CrewImportOutput(brought.Added, brought.Same, brought.Copies, brought.Unreadable, brought.Photos, gear, brought.Problems), WireJson.Default.CrewImportOutput);
        }
    }

    private static async Task Work<TRow, TDocument>(
        ZipArchiveEntry entry, Brought brought, WorkStore<TDocument> store, Func<Guid, string, DateTimeOffset, TRow> make, CancellationToken cancellationToken)
        where TRow : Work
        where TDocument : class
    {
        CrewFileWork? work = null;
        if (await Read(entry, MostWorkBytes, cancellationToken) is { } json)
        {
            work = WireReader.Read<CrewFileWork>(json, WireJson.Default.CrewFileWork, out _);
        }

        if (work is null || work.Document.ValueKind != JsonValueKind.Object || string.IsNullOrWhiteSpace(work.Name) || work.Name.Length > WorkStore.MaxName)
        {
            brought.Problems.Add($"{entry.FullName} is no {store.Kind} that can be kept.");
            return;
        }

        var text = work.Document.GetRawText();
        var here = await brought.Db.Set<TRow>().FirstOrDefaultAsync(w => w.Id == work.Id, cancellationToken);
        if (here is not null && here.Name == work.Name && Same(here.Document, text))
        {
            brought.Same++;
            return;
        }

        var row = make(here is null ? work.Id : Guid.NewGuid(), here is null ? work.Name : Copied(work.Name), brought.Now);
        row.DeletedAt = here is null ? work.DeletedAt : null;
        if (store.Shape.Read(text, out _) is { } document)
        {
            store.Put(row, document);
        }
        else
        {
            (row.Document, brought.Unreadable) = (text, brought.Unreadable + 1);
        }

        brought.Db.Add(row);
        brought.Db.Add(PastRevision.Of(store.Kind, row, ChangeCause.Made, brought.Writer.Id, brought.Writer.Name));
        (brought.Added, brought.Copies) = here is null ? (brought.Added + 1, brought.Copies) : (brought.Added, brought.Copies + 1);
    }

    private static async Task Sheet(ZipArchiveEntry entry, Brought brought, CancellationToken cancellationToken)
    {
        var sheet = await Read(entry, MostWorkBytes, cancellationToken) is { } json ? WireReader.Read<CrewFileSheet>(json, WireJson.Default.CrewFileSheet, out _) : null;
        if (!await CrewSheets.BringAsync(brought.Db, sheet, cancellationToken))
        {
            brought.Problems.Add($"{entry.FullName} is no sheet that can be kept.");
        }
    }

    private static async Task SheetPicture(ZipArchiveEntry entry, string folder, Brought brought, CancellationToken cancellationToken)
    {
        if (!Guid.TryParse(Path.GetFileName(folder), out var sheet)
            || await Read(entry, FrozenPicture.MaxBytes, cancellationToken) is not { } jpeg
            || !CrewSheets.BringPicture(brought.Db, sheet, Path.GetFileNameWithoutExtension(entry.Name), jpeg))
        {
            brought.Problems.Add($"{entry.FullName} is no picture of a sheet that can be kept.");
        }
    }

    private static bool Same(string stored, string brought)
    {
        using var a = JsonDocument.Parse(stored);
        using var b = JsonDocument.Parse(brought);
        return JsonElement.DeepEquals(a.RootElement, b.RootElement);
    }

    private static string Copied(string name)
    {
        var most = Math.Min(name.Length, WorkStore.MaxName - 10);
        return $"{name[..(char.IsHighSurrogate(name[most - 1]) ? most - 1 : most)]} (brought)";
    }

    private static async Task Photograph(ZipArchiveEntry entry, Brought brought, CancellationToken cancellationToken)
    {
        if (!Guid.TryParse(Path.GetFileNameWithoutExtension(entry.Name), out var id)
            || await Read(entry, Photo.MaxBytes, cancellationToken) is not { } jpeg
            || JpegCleaner.Clean(jpeg) is not { } clean)
        {
            brought.Problems.Add($"{entry.FullName} is no photograph that can be kept.");
            return;
        }

        if (!await brought.Db.Photos.AnyAsync(p => p.Id == id, cancellationToken))
        {
            brought.Db.Photos.Add(new Photo { Id = id, Jpeg = clean.Bytes, WidthPx = clean.WidthPx, HeightPx = clean.HeightPx, CreatedAt = brought.Now });
            brought.Photos++;
        }
    }

    /// <summary>A file of the archive; null when it is larger than it may be, whatever the archive says of it.</summary>
    private static async Task<byte[]?> Read(ZipArchiveEntry entry, int most, CancellationToken cancellationToken)
    {
        await using var from = await entry.OpenAsync(cancellationToken);
        using var to = new MemoryStream();
        var piece = new byte[64 * 1024];
        while (await from.ReadAsync(piece, cancellationToken) is > 0 and var read)
        {
            if (to.Length + read > most)
            {
                return null;
            }

            to.Write(piece, 0, read);
        }

        return to.ToArray();
    }

    private static bool IsHead(byte[]? json) =>
        json is not null && WireReader.Read<CrewFileHead>(json, WireJson.Default.CrewFileHead, out _) is { Format: CrewFile.Format, Version: CrewFile.Version };

    private static IResult NoFile(string why) => Problem.Of("no-crew-file", 422, "No file of a crew", $"{why} Bring in a file that “Take everything out” has made.").ToResult();

    /// <summary>What has been brought so far.</summary>
    private sealed class Brought(JuxtopsisDb db, DateTimeOffset now, Writer writer)
    {
        public JuxtopsisDb Db => db;

        public DateTimeOffset Now => now;

        public Writer Writer => writer;

        public int Added { get; set; }

        public int Same { get; set; }

        public int Copies { get; set; }

        public int Unreadable { get; set; }

        public int Photos { get; set; }

        public List<string> Problems { get; } = [];
    }
}

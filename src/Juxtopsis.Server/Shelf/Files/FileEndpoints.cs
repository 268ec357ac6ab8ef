using System.ComponentModel;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Shelf;
using Juxtopsis.Core.Gear;
using Juxtopsis.Data;
using Juxtopsis.Server.Edge;
using Juxtopsis.Server.Problems;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Net.Http.Headers;

namespace Juxtopsis.Server.Shelf.Files;

/// <summary>Bringing gear in and taking it out.</summary>
internal static class FileEndpoints
{
    /// <summary>The largest file that may be brought.</summary>
    public const long MostBytes = 32L * 1024 * 1024;

    private const string Json = "application/json";
    private const string Several = "multipart/mixed";

    public static void MapShelfFiles(this WebApplication app)
    {
        var group = app.ShelfGroup();
        group.MapGet("export.json", async (JuxtopsisDb db, ShelfCache cache) =>
            {
                var shelf = await cache.ReadAsync(db);
                return File(stream => ShelfFile.Write(stream, shelf.Index.Entries), Json, "shelf.json");
            })
            .WithName("ExportShelfJson").WithSummary("The whole shelf as one JSON file.").Produces(200, contentType: Json).ProducesProblems(503);
        group.MapGet("export.zip", async (JuxtopsisDb db, ShelfCache cache) =>
            {
                var shelf = await cache.ReadAsync(db);
                return File(stream => CsvWriting.WriteZip(stream, shelf.Index.Entries), "application/zip", "shelf.zip");
            })
            .WithName("ExportShelfTables").WithSummary("The whole shelf as CSV tables, one a kind, in a ZIP archive.").Produces(200, contentType: "application/zip").ProducesProblems(503);
        group.MapGet("export/{table}.csv", Table).WithName("ExportShelfTable")
            .WithSummary("One kind as a CSV table, such as lenses.csv; modes.csv holds recording modes.")
            .Produces(200, contentType: "text/csv").ProducesProblems(404, 503);
        group.MapPost("import", Import).WithName("ImportShelf")
            .WithSummary("Brings a file, or several as multipart/mixed: JSON, CSV, a ZIP of these, or the XML lens database. Says row by row what it would do; writes all or nothing when asked to.")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .Accepts<byte[]>("application/octet-stream", Several, "text/csv", "application/json", "application/zip", "application/xml", "text/xml")
            .Produces<ImportOutput>().Produces<ImportOutput>(422).ProducesProblems(400, 409, 413, 429, 503)
            .RequireRateLimiting(Limits.Import)
            .WithRequestTimeout(Limits.Import);
        group.MapPost("import/{revision:int}/back", TakeBack).WithName("TakeImportBack")
            .WithSummary("Takes an import back, by the shelf's revision after it: what it added is deleted, what it changed is as it was; what was changed since stays.")
            .Produces<ImportBackOutput>().ProducesProblems(404, 409, 503);
    }

    private static async Task<IResult> Table(string table, JuxtopsisDb db, ShelfCache cache)
    {
        var kind = GearKinds.OnShelf.Append(GearKinds.Modes).FirstOrDefault(k => k.Table.Equals(table, StringComparison.OrdinalIgnoreCase));
        if (kind is null)
        {
            return Problem.Of("no-table", 404, "No such table", $"There is no table of that name; there are {string.Join(", ", GearKinds.OnShelf.Append(GearKinds.Modes).Select(k => k.Table))}.").ToResult();
        }

        var entries = (await cache.ReadAsync(db)).Index.Entries;
        return File(
            stream =>
            {
                using var text = new StreamWriter(stream, leaveOpen: true);
                if (kind.Kind == GearKind.Mode)
                {
                    CsvWriting.WriteModes(text, entries);
                }
                else
                {
                    CsvWriting.WriteTable(text, kind, entries);
                }
            },
            "text/csv; charset=utf-8",
            $"{kind.Table}.csv");
    }

    private static async Task<IResult> Import(
        [Description("What the file is called, for messages, and to tell kinds of tables apart that have the same columns.")] string? file,
        [Description("True to write; the file is only looked through when left out.")] bool? write,
        [Description("The shelf's revision that the look-through was reckoned against; when the shelf has changed since, nothing is written.")] int? expect,
        HttpRequest request,
        JuxtopsisDb db,
        ShelfCache cache,
        ShelfStore store,
        CancellationToken cancellationToken)
    {
        var upload = UploadReader.Read(await FilesOf(request, file, cancellationToken), cancellationToken);
        if (write != true)
        {
            // Looking holds nobody up: whoever writes meanwhile is told of by the revision.
            var now = await cache.ReadAsync(db);
            return TypedResults.Json(ImportPlan.Of(upload, now).ToOutput(now.Revision, written: false), WireJson.Default.ImportOutput);
        }

        return await WriteAsync(upload, expect, store, cancellationToken);
    }

    /// <summary>
    /// The files of a request: its whole body, or the parts of a <c>multipart/mixed</c> one. Forms are not taken: any page may send them unasked.
    /// </summary>
    private static async Task<IReadOnlyList<(string Name, byte[] Bytes)>> FilesOf(HttpRequest request, string? file, CancellationToken cancellationToken)
    {
        if (!MediaTypeHeaderValue.TryParse(request.ContentType, out var type) || !type.MediaType.Equals(Several, StringComparison.OrdinalIgnoreCase))
        {
            return [(NameOf(file), (await RequestBody.ReadAsync(request, cancellationToken)).ToArray())];
        }

        var files = new List<(string, byte[])>();
        try
        {
            var reader = new MultipartReader(HeaderUtilities.RemoveQuotes(type.Boundary).ToString(), request.Body);
            while (files.Count <= UploadReader.MostFiles && await reader.ReadNextSectionAsync(cancellationToken) is { } part)
            {
                using var bytes = new MemoryStream();
                await part.Body.CopyToAsync(bytes, cancellationToken);
                var name = ContentDispositionHeaderValue.TryParse(part.ContentDisposition, out var said) ? (said.FileNameStar.HasValue ? said.FileNameStar : said.FileName).ToString() : "";
                files.Add((NameOf(name), bytes.ToArray()));
            }
        }
        catch (Exception e) when (e is (IOException or InvalidDataException or ArgumentException) and not BadHttpRequestException)
        {
            // It breaks off: what came of it is no whole, so none of it is taken.
            files.Clear();
        }

        return files;

        static string NameOf(string? given) => Path.GetFileName(given ?? "") is { Length: > 0 } name ? name : "file";
    }

    private static async Task<IResult> TakeBack(int revision, ShelfStore store, CancellationToken cancellationToken)
    {
        var (transaction, shelf) = await store.BeginAsync(cancellationToken);
        await using (transaction)
        {
            if (await store.TakeBackAsync(revision, shelf, cancellationToken) is not var (back, stayed))
            {
                return Problem.Of("no-import", 404, "Nothing to take back", "Nothing is known of that import any more, or it was taken back already.").ToResult();
            }

            await store.CommitAsync(transaction, cancellationToken);
            return TypedResults.Json(new ImportBackOutput(back, stayed), WireJson.Default.ImportBackOutput);
        }
    }

    private static async Task<IResult> WriteAsync(Upload upload, int? expect, ShelfStore store, CancellationToken cancellationToken)
    {
        var (transaction, shelf) = await store.BeginAsync(cancellationToken);
        await using (transaction)
        {
            if (expect is { } revision && revision != shelf.Revision)
            {
                return Problem.Of("changed", 409, "The shelf has changed", "Somebody changed the shelf since the file was looked through. Look through it once more; nothing was written.").ToResult();
            }

            var plan = ImportPlan.Of(upload, shelf);
            if (shelf.Index.Entries.Count + plan.Rows.Count(r => r.Stored is null) > ShelfRules.MostThings)
            {
                return ShelfRules.ShelfFull("this file").ToResult();
            }

            if (plan.IsRefused)
            {
                return TypedResults.Json(plan.ToOutput(shelf.Revision, written: false), WireJson.Default.ImportOutput, statusCode: 422);
            }

            await store.WriteAsync(plan, cancellationToken);
            await store.CommitAsync(transaction, cancellationToken);
            return TypedResults.Json(plan.ToOutput(shelf.Revision + 1, written: true), WireJson.Default.ImportOutput);
        }
    }

    private static IResult File(Action<Stream> write, string type, string name)
    {
        using var stream = new MemoryStream();
        write(stream);
        return TypedResults.File(stream.ToArray(), type, name);
    }
}

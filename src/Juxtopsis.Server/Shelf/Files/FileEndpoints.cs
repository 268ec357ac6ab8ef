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

namespace Juxtopsis.Server.Shelf.Files;

/// <summary>Bringing gear in and taking it out.</summary>
internal static class FileEndpoints
{
    /// <summary>The largest file that may be brought.</summary>
    public const long MostBytes = 32L * 1024 * 1024;

    private const string Json = "application/json";

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
            .WithSummary("Brings a file: JSON, CSV, a ZIP of these, or the XML lens database. Says row by row what it would do; writes all or nothing when asked to.")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .Accepts<byte[]>("application/octet-stream", "text/csv", "application/json", "application/zip", "application/xml", "text/xml")
            .Produces<ImportOutput>().Produces<ImportOutput>(422).ProducesProblems(400, 409, 413, 429, 503)
            .RequireRateLimiting(Limits.Import)
            .WithRequestTimeout(Limits.Import);
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
        [Description("What the file is called; a CSV table's kind is told by it.")] string? file,
        [Description("True to write; the file is only looked through when left out.")] bool? write,
        [Description("The shelf's revision that the look-through was reckoned against; when the shelf has changed since, nothing is written.")] int? expect,
        HttpRequest request,
        JuxtopsisDb db,
        ShelfCache cache,
        ShelfStore store,
        CancellationToken cancellationToken)
    {
        var bytes = await RequestBody.ReadAsync(request, cancellationToken);
        var name = Path.GetFileName(file ?? "");
        var upload = UploadReader.Read(bytes.ToArray(), name.Length == 0 ? "file" : name, cancellationToken);
        if (write != true)
        {
            // Looking holds nobody up: whoever writes meanwhile is told of by the revision.
            var now = await cache.ReadAsync(db);
            return TypedResults.Json(ImportPlan.Of(upload, now).ToOutput(now.Revision, written: false), WireJson.Default.ImportOutput);
        }

        return await WriteAsync(upload, expect, store, cancellationToken);
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

using System.ComponentModel;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Log;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Data;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Shelf;
using Juxtopsis.Server.Startup;
using Juxtopsis.Server.Tables;
using Microsoft.AspNetCore.Mvc;

namespace Juxtopsis.Server.Log;

/// <summary>Takes as files: JSON and a CSV table, out and in. Nothing is stored here; who asked stores what was read.</summary>
internal static class TakeFileEndpoints
{
    private const int MostBytes = 8 * 1024 * 1024;

    public static void MapTakeFiles(this WebApplication app)
    {
        var group = app.MapGroup("/api/takes").WithTags("Log").RequireDatabase();
        group.MapPost("table.csv", Table).WithName("TakesTable")
            .WithSummary("Takes as a CSV table, a row each, with the equivalent focal length of each rig that is still on the shelf.")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .Accepts<TakesFile>("application/json")
            .Produces(200, contentType: "text/csv").ProducesProblems(400, 413, 415, 422, 503);
        group.MapPost("read", Read).WithName("ReadTakes")
            .WithSummary("Reads a file of takes, JSON or CSV, as takes of a production. What cannot be read is left out, and told.")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .Accepts<byte[]>("application/octet-stream", "text/csv", "application/json")
            .Produces<TakesReadOutput>().ProducesProblems(400, 413, 415, 422, 503);
    }

    private static async Task<IResult> Table(HttpRequest request, JuxtopsisDb db, ShelfCache cache, CancellationToken cancellationToken)
    {
        var json = await RequestBody.ReadAsync(request, cancellationToken);
        var file = WireReader.Read(json.Span, WireJson.Default.TakesFile, out var problem);
        problem ??= file!.Check();
        if (problem is not null)
        {
            return problem.ToResult();
        }

        var shelf = await cache.ReadAsync(db);
        var equivalents = new Equivalents(new FittingShelf(shelf.Index.Entries.Select(e => e.Item)));
        using var text = new StringWriter();
        TakeTable.Write(text, file!.Takes.Select((take, i) => (take, equivalents.Of(take, file.AspectOf(i)))), id => shelf.Index.Find(id)?.Item);
        return TypedResults.Text(text.ToString(), "text/csv");
    }

    private static async Task<IResult> Read([Description("The production that the takes shall be of.")] Guid production, HttpRequest request, JuxtopsisDb db, ShelfCache cache, CancellationToken cancellationToken)
    {
        var body = await RequestBody.ReadAsync(request, cancellationToken);
        if (FileBody.IsJson(body.Span))
        {
            var file = WireReader.Read(body.Span, WireJson.Default.TakesFile, out var problem);
            problem ??= file!.Check();
            return problem is not null ? problem.ToResult() : TypedResults.Json(OfJson(file!, production), WireJson.Default.TakesReadOutput);
        }

        var shelf = await cache.ReadAsync(db);
        using var text = FileBody.Text(body);
        var read = TakeTable.Read(text, production, shelf.Finder());
        return read.Takes.Count > 0
            ? TypedResults.Json(read, WireJson.Default.TakesReadOutput)
            : Problem.Of("no-takes", 422, "No takes in this file", read.Problems.Count > 0 ? string.Join(' ', read.Problems.Take(5)) : "The file has no rows.").ToResult();
    }

    private static TakesReadOutput OfJson(TakesFile file, Guid production)
    {
        var problems = new List<string>();
        var takes = new List<TakeInput>();
        foreach (var (take, i) in file.Takes.Select((t, i) => (t with { ProductionId = production, PhotoId = t.ProductionId == production ? t.PhotoId : null }, i)))
        {
            if (TakeChecks.Check(take) is { } wrong)
            {
                problems.Add($"Take {i + 1} of the file is left out: {wrong.Errors[0].Message}");
            }
            else
            {
                takes.Add(take);
            }
        }

        return new(takes, problems);
    }

    /// <summary>Equivalent focal lengths of takes; each rig is put together once.</summary>
    private sealed class Equivalents(FittingShelf shelf)
    {
        private static readonly Core.Rigs.Conventions ByTrueFocalLengths = Core.Rigs.Conventions.Default with { FocalLength = FocalLengthSchool.Measured };

        private readonly Dictionary<string, FitRig?> rigs = [];

        public double? Of(TakeInput take, double aspect)
        {
            if (take is not { Rig: { } chosen, FocalLengthMm: { } focal } || RigOf(chosen) is not { } rig || rig.Modes.FirstOrDefault(m => m.Item.Name == chosen.Mode) is not { } mode)
            {
                return null;
            }

            var set = rig.In(mode, focal, take.FNumber ?? rig.AtShort.FNumber);
            return RigEvaluator.Evaluate(new Scene(1e6) { DeliveryAspect = aspect }, ByTrueFocalLengths, set).Lens.EquivalentFocalLengthMm;
        }

        private FitRig? RigOf(ChosenInput chosen)
        {
            var key = $"{chosen.Body} {chosen.Mode} {chosen.Lens} {string.Join(' ', chosen.Links)} / {string.Join(' ', chosen.Front)} {chosen.PunchIn}";
            if (!rigs.TryGetValue(key, out var rig))
            {
                rig = shelf.Alone(new(chosen.Body, chosen.Mode, chosen.Lens, chosen.Links) { Front = chosen.Front, PunchIn = chosen.PunchIn }).Rigs is [var one, ..] ? one : null;
                rigs.Add(key, rig);
            }

            return rig;
        }
    }
}

using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Bags;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Data;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Shelf;
using Juxtopsis.Server.Startup;
using Juxtopsis.Server.Tables;
using Microsoft.AspNetCore.Mvc;

namespace Juxtopsis.Server.Bags;

/// <summary>Bags as files: JSON and a CSV table, out and in. Nothing is stored here; the bags belong to a production.</summary>
internal static class BagFileEndpoints
{
    private const int MostBytes = 1024 * 1024;

    public static void MapBagFiles(this WebApplication app)
    {
        var group = app.MapGroup("/api/bags").WithTags("Bags").RequireDatabase();
        group.MapPost("table.csv", Table).WithName("BagsTable")
            .WithSummary("Bags as a CSV table, a row for each thing of each bag.")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .Accepts<BagsFile>("application/json")
            .Produces(200, contentType: "text/csv").ProducesProblems(400, 413, 415, 422, 503);
        group.MapPost("read", Read).WithName("ReadBags")
            .WithSummary("Reads a file of bags, JSON or CSV: things are found by identity, or by maker and name. What is not on the shelf is left out, and told.")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .Accepts<byte[]>("application/octet-stream", "text/csv", "application/json")
            .Produces<BagsReadOutput>().ProducesProblems(400, 413, 415, 422, 503);
    }

    private static async Task<IResult> Table(HttpRequest request, JuxtopsisDb db, ShelfCache cache, CancellationToken cancellationToken)
    {
        var json = await RequestBody.ReadAsync(request, cancellationToken);
        var file = WireReader.Read(json.Span, WireJson.Default.BagsFile, out var problem);
        problem ??= BagsFileChecks.Check(file!);
        if (problem is not null)
        {
            return problem.ToResult();
        }

        var shelf = await cache.ReadAsync(db);
        using var text = new StringWriter();
        BagTable.Write(text, file!.Bags, id => shelf.Index.Find(id)?.Item);
        return TypedResults.Text(text.ToString(), "text/csv");
    }

    private static async Task<IResult> Read(HttpRequest request, JuxtopsisDb db, ShelfCache cache, CancellationToken cancellationToken)
    {
        var body = await RequestBody.ReadAsync(request, cancellationToken);
        var shelf = await cache.ReadAsync(db);
        if (FileBody.IsJson(body.Span))
        {
            return OfJson(body, shelf);
        }

        using var text = FileBody.Text(body);
        var read = Checked(BagTable.Read(text, shelf.Finder()));
        return read.Bags.Count > 0
            ? TypedResults.Json(read, WireJson.Default.BagsReadOutput)
            : Problem.Of("no-bags", 422, "No bags in this file", read.Problems.Count > 0 ? string.Join(' ', read.Problems.Take(5)) : "The file has no rows.").ToResult();
    }

    private static IResult OfJson(ReadOnlyMemory<byte> body, ShelfNow shelf)
    {
        var file = WireReader.Read(body.Span, WireJson.Default.BagsFile, out var problem);
        problem ??= BagsFileChecks.Check(file!);
        if (problem is not null)
        {
            return problem.ToResult();
        }

        var problems = new List<string>();
        var bags = file!.Bags.Select(bag =>
        {
            var here = bag.Lines.ToLookup(l => shelf.Index.Find(l.Id) is not null);
            if (here[false].Any())
            {
                problems.Add($"{bag.Name}: {here[false].Count()} of its things are not on this shelf.");
            }

            return bag with { Id = Guid.NewGuid(), Lines = [.. here[true].Select(l => l with { Units = [], Out = 0, Back = 0 })] };
        }).ToArray();
        return TypedResults.Json(new BagsReadOutput(bags, problems), WireJson.Default.BagsReadOutput);
    }

    /// <summary>Bags that could not be saved are left out, with what is wrong with them.</summary>
    private static BagsReadOutput Checked(BagsReadOutput read)
    {
        var faults = read.Bags.Select(bag => (Bag: bag, Problem: BagsFileChecks.Check(new() { Bags = [bag] }))).ToArray();
        return new([.. faults.Where(f => f.Problem is null).Select(f => f.Bag)], [.. read.Problems, .. faults.Where(f => f.Problem is not null).Select(f => $"{f.Bag.Name}: {f.Problem!.Detail}")]);
    }
}

using System.ComponentModel;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Measuring;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Tables;
using Microsoft.AspNetCore.Mvc;

namespace Juxtopsis.Server.Measuring;

/// <summary>The readings of a test as files: JSON and a CSV table, out and in. Nothing is stored here.</summary>
internal static class ReadingFileEndpoints
{
    private const int MostBytes = 1024 * 1024;

    public static void MapReadingFiles(this WebApplication app)
    {
        var group = app.MapGroup("/api/tests").WithTags("Tests");
        group.MapPost("table.csv", Table).WithName("ReadingsTable")
            .WithSummary("The readings of a test as a CSV table, a row each.")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .Accepts<ReadingsFile>("application/json")
            .Produces(200, contentType: "text/csv").ProducesProblems(400, 413, 415, 422);
        group.MapPost("read", Read).WithName("ReadReadings")
            .WithSummary("Reads a file of readings, JSON or CSV, of one kind of test. What cannot be read is left out, and told.")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .Accepts<byte[]>("application/octet-stream", "text/csv", "application/json")
            .Produces<ReadingsReadOutput>().ProducesProblems(400, 413, 415, 422);
    }

    private static async Task<IResult> Table(HttpRequest request, CancellationToken cancellationToken)
    {
        var json = await RequestBody.ReadAsync(request, cancellationToken);
        var file = WireReader.Read(json.Span, WireJson.Default.ReadingsFile, out var problem);
        problem ??= file!.Check();
        if (problem is not null)
        {
            return problem.ToResult();
        }

        if (file!.Measured.Kind == TestKind.Falloff)
        {
            return Problem.Of("no-table", 422, "A wall is no table", "The still of a wall has no readings. Take it out as JSON.").ToResult();
        }

        using var text = new StringWriter();
        ReadingTable.Write(text, file.Measured);
        return TypedResults.Text(text.ToString(), "text/csv");
    }

    private static async Task<IResult> Read([Description("The kind of test that the readings shall be of, by its name in JSON.")] string kind, HttpRequest request, CancellationToken cancellationToken)
    {
        if (!Enum.TryParse<TestKind>(kind, ignoreCase: true, out var of) || !Enum.IsDefined(of))
        {
            return Problem.Of("no-test", 400, "No such test", $"There is no test “{kind}”; /api/procedures names them.").ToResult();
        }

        var body = await RequestBody.ReadAsync(request, cancellationToken);
        if (FileBody.IsJson(body.Span))
        {
            var file = WireReader.Read(body.Span, WireJson.Default.ReadingsFile, out var problem);
            problem ??= file!.Check();
            return problem is not null ? problem.ToResult()
                : file!.Measured.Kind == of ? TypedResults.Json(new ReadingsReadOutput(file.Measured, []), WireJson.Default.ReadingsReadOutput)
                : Problem.Of("other-test", 422, "Readings of another test", $"These are readings of “{TestProcedure.For(file.Measured.Kind).Name}”. Begin such a test, and bring them in there.").ToResult();
        }

        if (of == TestKind.Falloff)
        {
            return Problem.Of("no-table", 422, "A wall is no table", "The still of a wall has no readings. Bring in JSON, or the still itself.").ToResult();
        }

        using var text = FileBody.Text(body);
        var read = ReadingTable.Read(text, of);
        return read.Measured.Readings.Count > 0
            ? TypedResults.Json(read, WireJson.Default.ReadingsReadOutput)
            : Problem.Of("no-readings", 422, "No readings in this file", read.Problems.Count > 0 ? string.Join(' ', read.Problems.Take(5)) : "The file has no rows.").ToResult();
    }
}

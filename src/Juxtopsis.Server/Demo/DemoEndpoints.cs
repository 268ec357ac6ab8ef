using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Works;
using Juxtopsis.Data;
using Juxtopsis.Data.Demo;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Shelf;
using Juxtopsis.Server.Startup;

namespace Juxtopsis.Server.Demo;

/// <summary>The demo's gear and work, put away and brought back as one thing.</summary>
internal static class DemoEndpoints
{
    public static void MapDemo(this WebApplication app)
    {
        var group = app.MapGroup("/api/demo").WithTags("Demo").RequireDatabase();
        group.MapGet("", (JuxtopsisDb db, CancellationToken cancellationToken) => Answer(db, [], cancellationToken))
            .WithName("Demo").WithSummary("Whether the demo is here, and what belongs to it.")
            .Produces<DemoOutput>().ProducesProblems(503);
        group.MapPut("", Set).WithName("SetDemo")
            .WithSummary("Brings the demo's gear and work back, or puts them away: kept as they are, and in no list, search or answer.")
            .Accepts<DemoInput>("application/json")
            .Produces<DemoOutput>().ProducesProblems(400, 409, 413, 415, 422, 503);
    }

    private static async Task<IResult> Set(HttpRequest request, JuxtopsisDb db, ShelfStore store, CancellationToken cancellationToken)
    {
        var json = await RequestBody.ReadAsync(request, cancellationToken);
        if (WireReader.Read(json.Span, WireJson.Default.DemoInput, out var problem) is not { } asked)
        {
            return problem!.ToResult();
        }

        var (transaction, shelf) = await store.BeginAsync(cancellationToken);
        await using (transaction)
        {
            if (asked.IsHere && shelf.Index.Entries.Count + DemoSet.Gear.Count > ShelfRules.MostThings)
            {
                return ShelfRules.ShelfFull("the demo").ToResult();
            }

            var held = await store.SetDemoAsync(asked.IsHere, shelf, cancellationToken);
            await store.CommitAsync(transaction, cancellationToken);
            return await Answer(db, held, cancellationToken);
        }
    }

    private static async Task<IResult> Answer(JuxtopsisDb db, IReadOnlyList<string> held, CancellationToken cancellationToken) => TypedResults.Json(
        new DemoOutput(
            await DemoSet.IsHereAsync(db, cancellationToken), DemoSet.Gear, DemoSet.Works, await DemoSet.HasOwnAsync(db, cancellationToken), held),
        WireJson.Default.DemoOutput);
}

using System.ComponentModel;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Bags;
using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Contracts.Matching;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Data;
using Juxtopsis.Server.Edge;
using Juxtopsis.Server.Evaluating;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Shelf;
using Juxtopsis.Server.Startup;

namespace Juxtopsis.Server.Fitting;

/// <summary>What fits of the crew's shelf: the same answers as the page's own core gives.</summary>
internal static class FitEndpoints
{
    /// <summary>How many rigs are asked between looking whether whoever asked is still there.</summary>
    private const int AtOnce = 64;

    private delegate WireAnswer Question(ShelfParts shelf, ReadOnlySpan<byte> json, LengthUnit unit, CancellationToken asker);

    public static void MapFitting(this WebApplication app)
    {
        var group = app.MapGroup("/api").WithTags("Fitting").RequireDatabase();
        group.Map<FitRequest, FitResponse>("fit", "Fit", "Which rigs of the shelf give a shot at a place, from where, and what is in the way of the others.", (shelf, json, unit, asker) => new FitDoor(shelf) is var door && door.Ask(json, unit) is { } refused ? refused : Answer(door.Step, () => door.Answer(unit), asker));
        group.Map<DayRequest, FilterDayResponse>("filters", "Filters", "The fewest filters and rings of the shelf that serve the shots of a day with the rigs that are chosen for them.", (shelf, json, unit, _) => new FitDoor(shelf).Filters(json, unit));
        group.Map<DayRequest, DayResponse>("day", "Day", "The fewest lenses of the shelf that do all shots of a day.", (shelf, json, unit, asker) => new FitDoor(shelf) is var door && door.AskDay(json, unit) is { } refused ? refused : Answer(door.StepDay, () => door.AnswerDay(unit), asker));
        group.Map<BagsRequest, BagsResponse>("bags", "Bags", "What bags of the shelf's gear weigh, cost and reach, and what of the shelf fills their holes.", (shelf, json, unit, _) => new BagDoor(shelf).Bags(json, unit));
        group.Map<BagDayRequest, BagDayResponse>("bags/day", "BagDay", "Which shots a bag does and how, what carries its rigs, and what power and storage the day takes.", (shelf, json, unit, asker) => new BagDoor(shelf) is var door && door.AskDay(json, unit) is { } refused ? refused : Answer(door.StepDay, () => door.AnswerDay(unit), asker));
        group.Map<FrontRequest, FrontResponse>("bags/front", "BagFront", "The bags of the shelf's gear for the shots of a day of which none is better by one criterion without being worse by another.", (shelf, json, unit, asker) => new BagDoor(shelf) is var door && door.AskFront(json, unit) is { } refused ? refused : Answer(door.StepFront, () => door.AnswerFront(unit), asker));
        group.Map<LookRequest, LookResponse>("look", "Look", "Which rigs of the shelf come nearest to a look, what is left over, and what would close the gap.", (shelf, json, unit, asker) => new MatchDoor(shelf) is var door && door.AskLook(json, unit) is { } refused ? refused : Answer(door.StepLook, () => door.AnswerLook(unit), asker));
        group.Map<CutRequest, CutResponse>("cut", "Cut", "Which lenses of the shelf, none of them twice, make several cameras cut together.", (shelf, json, unit, asker) => new MatchDoor(shelf) is var door && door.AskCut(json, unit) is { } refused ? refused : Answer(door.StepCut, () => door.AnswerCut(unit), asker));
    }

    /// <summary>Works a little at a time, and gives the processor up when whoever asked has left or the time is over.</summary>
    private static WireAnswer Answer(Func<int, double> step, Func<WireAnswer> answer, CancellationToken asker)
    {
        while (step(AtOnce) < 1)
        {
            asker.ThrowIfCancellationRequested();
        }

        return answer();
    }

    private static void Map<TRequest, TResponse>(this RouteGroupBuilder group, string path, string name, string summary, Question question)
        where TRequest : notnull => group.MapPost(
            path,
            async ([Description("Distances in sentences: metres (when left out) or feet.")] string? units, HttpRequest request, JuxtopsisDb db, ShelfCache cache, CancellationToken cancellationToken) =>
            {
                if (!CoreEndpoints.TryReadUnits(units, out var unit, out var unknown))
                {
                    return new CoreEndpoints.Written(unknown!.Value);
                }

                var json = await RequestBody.ReadAsync(request, cancellationToken);
                var shelf = await cache.ReadAsync(db);
                var fitting = await shelf.Fitting.WaitAsync(cancellationToken);
                return new CoreEndpoints.Written(question(new ShelfParts(fitting.Shared()), json.Span, unit, cancellationToken));
            })
            .RequireRateLimiting(Limits.Heavy)
            .WithName(name)
            .WithSummary(summary)
            .Accepts<TRequest>("application/json")
            .Produces<TResponse>()
            .ProducesProblems(400, 413, 415, 422, 429, 503);
}

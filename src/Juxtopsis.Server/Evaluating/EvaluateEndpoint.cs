using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Server.Problems;

namespace Juxtopsis.Server.Evaluating;

internal static class EvaluateEndpoint
{
    public static void MapEvaluate(this WebApplication app) => app.MapPost("/api/evaluate", Evaluate)
        .WithName("Evaluate")
        .WithTags("Evaluate")
        .WithSummary("Evaluates 1 to 8 rigs in a scene; the very code that the page runs in the browser.")
        .Accepts<EvaluateRequest>("application/json")
        .Produces<EvaluateResponse>()
        .ProducesProblems(400, 413, 415, 422);

    private static async Task<IResult> Evaluate(HttpRequest request, CancellationToken cancellationToken) =>
        new Written(CoreDoor.Evaluate((await RequestBody.ReadAsync(request, cancellationToken)).Span));

    /// <summary>Hands on the door's bytes as they are.</summary>
    private sealed class Written(WireAnswer answer) : IResult
    {
        public async Task ExecuteAsync(HttpContext httpContext)
        {
            httpContext.Response.StatusCode = answer.Status;
            httpContext.Response.ContentType = answer.Status == 200 ? "application/json; charset=utf-8" : Contracts.Problems.Problem.MediaType;
            httpContext.Response.ContentLength = answer.Body.Length;
            await httpContext.Response.Body.WriteAsync(answer.Body, httpContext.RequestAborted);
        }
    }
}

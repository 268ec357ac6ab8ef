using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Problems;

namespace Juxtopsis.Server.Problems;

internal static class ProblemResults
{
    public static IResult ToResult(this Problem problem) =>
        TypedResults.Json(problem, WireJson.Default.Problem, Problem.MediaType, problem.Status);

    /// <summary>Documents that an endpoint may answer with problems.</summary>
    public static RouteHandlerBuilder ProducesProblems(this RouteHandlerBuilder endpoint, params int[] statuses)
    {
        foreach (var status in statuses)
        {
            endpoint.Produces<Problem>(status, Problem.MediaType);
        }

        return endpoint;
    }

    /// <summary>An unknown address under /api is a problem too, not a page.</summary>
    public static void MapUnknownApi(this WebApplication app) => app.Map("/api/{**rest}", (string? rest) => Problem.Of(
        "address",
        404,
        "No such address",
        $"There is nothing at /api/{rest}. /api/docs lists what there is.").ToResult()).ExcludeFromDescription();
}

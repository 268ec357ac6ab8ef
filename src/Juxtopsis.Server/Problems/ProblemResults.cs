using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Problems;
using Microsoft.AspNetCore.WebUtilities;

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

    /// <summary>What routing refuses (no such address, wrong method, wrong media type) is told as a problem too.</summary>
    public static void UseProblemsForStatuses(this WebApplication app) => app.UseStatusCodePages(context =>
    {
        var request = context.HttpContext.Request;
        var status = context.HttpContext.Response.StatusCode;
        var detail = status switch
        {
            404 => $"There is nothing at {request.Path}. /api/docs lists what there is.",
            405 => $"{request.Path} does not answer to {request.Method}. /api/docs lists what it answers to.",
            415 => $"The body is sent as “{request.ContentType ?? "nothing"}”. Send it with Content-Type: application/json.",
            _ => "The request is refused.",
        };
        return Problem.Of("request", status, ReasonPhrases.GetReasonPhrase(status), detail).ToResult().ExecuteAsync(context.HttpContext);
    });
}

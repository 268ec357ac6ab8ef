using Juxtopsis.Contracts.Problems;
using Juxtopsis.Data.Model;
using Juxtopsis.Server.Problems;

namespace Juxtopsis.Server.Startup;

internal static class RequireDatabaseFilter
{
    /// <summary>In an answer the crew on whose behalf it was given; in a request the one that whoever asks means.</summary>
    private const string CrewHeader = "Juxtopsis-Crew";

    /// <summary>
    /// While the database is away, the whole group answers that it is, at once. A page that was opened for another crew, such as one
    /// of another database that was served at the same address, is refused, so that its work goes to nobody else.
    /// </summary>
    /// <param name="group">Addresses.</param>
    /// <param name="forCrew">False for what is no page of the crew: it is not told on whose behalf the server works.</param>
    public static RouteGroupBuilder RequireDatabase(this RouteGroupBuilder group, bool forCrew = true) => group.AddEndpointFilter((context, next) =>
    {
        var http = context.HttpContext;
        if (!http.RequestServices.GetRequiredService<DatabaseStartup>().IsReady)
        {
            return ValueTask.FromResult<object?>(ExceptionAsProblem.DatabaseAway.ToResult());
        }

        if (!forCrew)
        {
            return next(context);
        }

        var crew = $"{http.RequestServices.GetRequiredService<ICrewScope>().CrewId}";
        http.Response.Headers[CrewHeader] = crew;
        return http.Request.Headers[CrewHeader].ToString() is { Length: > 0 } meant && meant != crew
            ? ValueTask.FromResult<object?>(Problem.Of("another-crew", 421, "Another crew", "The page was opened for another crew than this server works for. Open it anew; what it has not saved stays in the browser.").ToResult())
            : next(context);
    });
}

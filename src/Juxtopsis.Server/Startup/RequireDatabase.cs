using Juxtopsis.Server.Problems;

namespace Juxtopsis.Server.Startup;

internal static class RequireDatabaseFilter
{
    /// <summary>While the database is away, the whole group answers that it is, at once.</summary>
    public static RouteGroupBuilder RequireDatabase(this RouteGroupBuilder group) => group.AddEndpointFilter((context, next) =>
        context.HttpContext.RequestServices.GetRequiredService<DatabaseStartup>().IsReady
            ? next(context)
            : ValueTask.FromResult<object?>(ExceptionAsProblem.DatabaseAway.ToResult()));
}

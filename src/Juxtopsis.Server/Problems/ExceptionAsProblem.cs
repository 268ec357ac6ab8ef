using System.Globalization;
using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Problems;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Juxtopsis.Server.Problems;

/// <summary>What went wrong below the endpoints, as an RFC 9457 problem that gives nothing away.</summary>
internal sealed partial class ExceptionAsProblem(ILogger<ExceptionAsProblem> log) : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        if (exception is OperationCanceledException && httpContext.RequestAborted.IsCancellationRequested)
        {
            // Whoever asked has left: there is nobody to answer, and nothing is at fault.
            return true;
        }

        var problem = BadQuery(exception, httpContext) ?? Explain(exception);
        if (problem.Status == 500)
        {
            // The framework keeps silent about what a handler has answered.
            LogFault(exception, httpContext.Request.Method, httpContext.Request.Path);
        }

        httpContext.Response.StatusCode = problem.Status;
        await httpContext.Response.WriteAsJsonAsync(problem, WireJson.Default.Problem, Problem.MediaType, cancellationToken);
        return true;
    }

    /// <summary>The parameter of the address that is not of its kind, by its name.</summary>
    private static Problem? BadQuery(Exception exception, HttpContext http)
    {
        if (exception is not BadHttpRequestException { StatusCode: 400 } || http.Features.Get<IExceptionHandlerFeature>()?.Endpoint is not { } endpoint)
        {
            return null;
        }

        foreach (var (name, type) in endpoint.Metadata.GetOrderedMetadata<IParameterBindingMetadata>().Select(p => (JsonNamingPolicy.CamelCase.ConvertName(p.Name), p.ParameterInfo.ParameterType)))
        {
            if (Kinds.TryGetValue(Nullable.GetUnderlyingType(type) ?? type, out var kind) && http.Request.Query.TryGetValue(name, out var given) && !kind.Reads(given.ToString()))
            {
                var text = given.ToString();
                var shown = text.Length > 40 ? text[..40] + "…" : text;
                return Problem.OfFields([new(name, shown, kind.Name, $"“{shown}” is no {kind.Name}, as {name} in the address asks for.", "Give one, or leave it out.")]) with { Status = 400 };
            }
        }

        return null;
    }

    private static readonly Dictionary<Type, (string Name, Func<string, bool> Reads)> Kinds = new()
    {
        [typeof(int)] = ("whole number", text => int.TryParse(text, NumberStyles.Integer, CultureInfo.InvariantCulture, out _)),
        [typeof(double)] = ("number", text => double.TryParse(text, NumberStyles.Float | NumberStyles.AllowThousands, CultureInfo.InvariantCulture, out _)),
        [typeof(bool)] = ("true or false", text => bool.TryParse(text, out _)),
        [typeof(Guid)] = ("identity", text => Guid.TryParse(text, out _)),
    };

    private static Problem Explain(Exception exception) => exception switch
    {
        BadHttpRequestException { StatusCode: 413 } => Problem.Of(
            "too-large",
            413,
            "The body is too large",
            "The body is larger than this address takes: 256 kB, 2 MB for a piece of work, 32 MB for a file of gear. Send fewer rigs, shots or shorter texts, or bring the file in parts."),
        BadHttpRequestException bad => Problem.Of("request", bad.StatusCode, "The request could not be read", bad.Message),
        DbUpdateConcurrencyException => Problem.Of(
            "changed",
            409,
            "Changed at the same moment",
            "Someone else changed the same thing in this very moment. Try once more."),
        _ when IsAway(exception) => DatabaseAway,
        _ => Problem.Of("fault", 500, "A fault on our side", "The server met a fault of its own; it is in the server's log. Nothing was changed."),
    };

    /// <summary>The answer while the database cannot be reached.</summary>
    public static Problem DatabaseAway { get; } = Problem.Of(
        "database-away",
        503,
        "The database is away",
        "The database cannot be reached, so nothing can be saved or listed for now. The page goes on computing and saves when it is back.");

    /// <summary>Whether the database is away, rather than that it refused something: a refusal is a fault of ours.</summary>
    private static bool IsAway(Exception? exception) => exception switch
    {
        null => false,
        PostgresException refused => refused.IsTransient || refused.SqlState.StartsWith("57P", StringComparison.Ordinal),
        NpgsqlException or TimeoutException => true,
        _ => IsAway(exception.InnerException),
    };

    [LoggerMessage(LogLevel.Error, "{Method} {Path} met a fault.")]
    private partial void LogFault(Exception exception, string method, string path);
}

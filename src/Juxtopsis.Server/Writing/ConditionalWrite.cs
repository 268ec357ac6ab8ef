using System.Text.Json.Serialization.Metadata;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Data;
using Juxtopsis.Server.Problems;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Juxtopsis.Server.Writing;

/// <summary>The steps that every write on top of a revision has: its condition and its body, and whether somebody else was quicker.</summary>
internal static class ConditionalWrite
{
    /// <summary>Reads the condition of a write and what is written.</summary>
    /// <typeparam name="T">What is written.</typeparam>
    /// <param name="http">The request.</param>
    /// <param name="type">How it is read.</param>
    /// <param name="check">What is wrong with it; null for nothing.</param>
    /// <param name="what">What it is, such as "a take".</param>
    /// <param name="cancellationToken">Gives up.</param>
    /// <returns>What is written, and the revision that it shall grow from, null for a new one; or the refusal.</returns>
    public static async Task<(T? Input, int? Expected, IResult? Refused)> ReadAsync<T>(HttpContext http, JsonTypeInfo<T> type, Func<T, Problem?> check, string what, CancellationToken cancellationToken)
        where T : class
    {
        if (!Revision.TryRead(http.Request.Headers, out var expected))
        {
            return (null, null, Revision.Missing(what));
        }

        var json = await RequestBody.ReadAsync(http.Request, cancellationToken);
        var input = WireReader.Read(json.Span, type, out var problem);
        problem ??= check(input!);
        return problem is null ? (input, expected, null) : (null, null, problem.ToResult());
    }

    /// <summary>Stores what was changed.</summary>
    /// <param name="db">Where.</param>
    /// <param name="http">The request; its answer gets the new revision.</param>
    /// <param name="revision">The new revision.</param>
    /// <param name="cancellationToken">Gives up.</param>
    /// <returns>False when somebody else was quicker, and nothing is stored.</returns>
    public static async Task<bool> TrySaveAsync(JuxtopsisDb db, HttpContext http, int revision, CancellationToken cancellationToken)
    {
        try
        {
            await db.SaveChangesAsync(cancellationToken);
        }
        catch (DbUpdateException e) when (e is DbUpdateConcurrencyException || e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            return false;
        }

        http.Response.Headers.ETag = Revision.ToTag(revision);
        return true;
    }
}

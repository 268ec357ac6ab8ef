using Juxtopsis.Contracts.Diagnostics;

namespace Juxtopsis.Contracts.Problems;

/// <summary>An RFC 9457 problem: what was refused, and for each field how to mend it.</summary>
/// <param name="Type">A URI reference that names the kind of problem.</param>
/// <param name="Title">The kind of problem in a few words.</param>
/// <param name="Status">The HTTP status.</param>
/// <param name="Detail">What is wrong in this case.</param>
/// <param name="Errors">The fields at fault; empty when it is not about fields.</param>
public sealed record Problem(string Type, string Title, int Status, string Detail, IReadOnlyList<DiagnosticOutput> Errors)
{
    /// <summary>The media type of a problem.</summary>
    public const string MediaType = "application/problem+json";

    /// <summary>A request whose values are refused.</summary>
    /// <param name="errors">At least one field.</param>
    /// <returns>A problem of status 422.</returns>
    public static Problem OfFields(IReadOnlyList<DiagnosticOutput> errors) =>
        new("/problems/values", "Values outside what is possible", 422, string.Join(' ', errors.Select(e => e.Message)), errors);

    /// <summary>A body that is not the JSON that was asked for.</summary>
    /// <param name="error">Where reading stopped and why.</param>
    /// <returns>A problem of status 400.</returns>
    public static Problem OfBody(DiagnosticOutput error) =>
        new("/problems/body", "The body could not be read", 400, error.Message, [error]);

    /// <summary>A problem that no single field is at fault for.</summary>
    /// <param name="kind">Last segment of the type.</param>
    /// <param name="status">The HTTP status.</param>
    /// <param name="title">The kind of problem in a few words.</param>
    /// <param name="detail">What is wrong and how to mend it.</param>
    /// <returns>The problem.</returns>
    public static Problem Of(string kind, int status, string title, string detail) => new("/problems/" + kind, title, status, detail, []);
}

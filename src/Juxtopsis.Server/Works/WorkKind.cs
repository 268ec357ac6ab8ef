using System.Text.Json.Serialization.Metadata;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Works;
using Juxtopsis.Data.Model;

namespace Juxtopsis.Server.Works;

/// <summary>What one kind of stored work is called, and how it goes over the wire.</summary>
/// <typeparam name="TRow">Its row.</typeparam>
/// <typeparam name="TDocument">What it holds.</typeparam>
/// <typeparam name="TInput">What a person saves.</typeparam>
/// <typeparam name="TOutput">What is stored.</typeparam>
/// <typeparam name="TConflict">What is answered when somebody else changed it meanwhile.</typeparam>
/// <param name="Name">Its name, such as <c>Comparison</c>; the address is its plural.</param>
/// <param name="Store">How it is kept.</param>
/// <param name="InputType">How input is read.</param>
/// <param name="OutputType">How output is written.</param>
/// <param name="ConflictType">How a conflict is written.</param>
/// <param name="DocumentType">How its document is written.</param>
/// <param name="Check">Finds what keeps it from being stored.</param>
/// <param name="ToOutput">A row, with its document, on the wire.</param>
/// <param name="ToConflict">A conflict, of type, title, status, detail and what is stored now.</param>
/// <param name="Make">A new row, of identity, name and time.</param>
internal sealed record WorkKind<TRow, TDocument, TInput, TOutput, TConflict>(
    string Name,
    WorkStore<TDocument> Store,
    JsonTypeInfo<TInput> InputType,
    JsonTypeInfo<TOutput> OutputType,
    JsonTypeInfo<TConflict> ConflictType,
    JsonTypeInfo<TDocument> DocumentType,
    Func<TInput, Problem?> Check,
    Func<TRow, TDocument, TOutput> ToOutput,
    Func<string, string, int, string, TOutput, TConflict> ToConflict,
    Func<Guid, string, DateTimeOffset, TRow> Make)
    where TRow : Work
    where TDocument : class
    where TInput : WorkInput<TDocument>
{
    /// <summary>Its name in a sentence.</summary>
    public string Word => Name.ToLowerInvariant();

    /// <summary>The address of all of them.</summary>
    public string Address => $"/api/{Word}s";
}

using Juxtopsis.Contracts.Works;

namespace Juxtopsis.Data.Model;

/// <summary>
/// A saved piece of work. Its document is kept as the text that was written, of whatever version; what lists tell and search is in
/// columns of its own, so that no list depends on a document being readable.
/// </summary>
public abstract class Work : ICrewOwned
{
    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>Identity within the crew, chosen by whoever makes it, so that saving again after a lost answer is harmless.</summary>
    public required Guid Id { get; init; }

    /// <summary>Name, 1 to 120 characters.</summary>
    public required string Name { get; set; }

    /// <summary>What it holds, as JSON of the version that it says.</summary>
    public string Document { get; set; } = "{}";

    /// <summary>The version of the document's shape; what is older is brought up when the server starts.</summary>
    public int SchemaVersion { get; set; }

    /// <summary>The sentence on what it is.</summary>
    public string Note { get; set; } = "";

    /// <summary>What it holds in short; null when its document cannot be read.</summary>
    public string[]? Lines { get; set; }

    /// <summary>Counts changes from 1; guards against two people overwriting each other.</summary>
    public int Revision { get; set; } = 1;

    /// <summary>When it was made.</summary>
    public required DateTimeOffset CreatedAt { get; init; }

    /// <summary>When it was last changed.</summary>
    public required DateTimeOffset UpdatedAt { get; set; }

    /// <summary>When it was deleted; null when it was not. What is deleted can be restored.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>When it was put away with the rest of the demo; null when it was not. No list names it, its address opens it.</summary>
    public DateTimeOffset? PutAwayAt { get; set; }
}

/// <summary>What all kinds of work have in common.</summary>
public static class WorkStore
{
    /// <summary>Longest name, characters.</summary>
    public const int MaxName = 120;
}

/// <summary>What a kind of work is to the database: how its documents are read and told.</summary>
/// <typeparam name="TDocument">What it holds.</typeparam>
/// <param name="Kind">Its name in rows that are of several kinds, such as <c>comparison</c>.</param>
/// <param name="Shape">How its documents are kept.</param>
/// <param name="NoteOf">The sentence on what it is.</param>
/// <param name="LinesOf">What it holds in short.</param>
public sealed record WorkStore<TDocument>(
    string Kind,
    DocumentShape<TDocument> Shape,
    Func<TDocument, string> NoteOf,
    Func<TDocument, string[]> LinesOf)
    where TDocument : class
{
    /// <summary>Puts a document into a row, with all that lists tell of it.</summary>
    /// <typeparam name="TRow">Its type.</typeparam>
    /// <param name="row">The row.</param>
    /// <param name="document">The document.</param>
    /// <returns>The row.</returns>
    public TRow Put<TRow>(TRow row, TDocument document)
        where TRow : Work
    {
        ArgumentNullException.ThrowIfNull(row);
        row.Document = Shape.Write(document);
        row.SchemaVersion = Shape.CurrentVersion;
        row.Note = NoteOf(document);
        row.Lines = LinesOf(document);
        return row;
    }
}

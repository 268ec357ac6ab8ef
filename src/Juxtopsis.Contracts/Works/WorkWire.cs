namespace Juxtopsis.Contracts.Works;

/// <summary>A piece of work as a person saves it: a name and a versioned document.</summary>
/// <typeparam name="TDocument">What it holds.</typeparam>
public abstract record WorkInput<TDocument>
    where TDocument : class
{
    /// <summary>Name, 1 to 120 characters.</summary>
    public required string Name { get; init; }

    /// <summary>What it holds.</summary>
    public required TDocument Document { get; init; }
}

/// <summary>A stored piece of work.</summary>
/// <typeparam name="TDocument">What it holds.</typeparam>
/// <param name="Id">Its identity, part of the page's address.</param>
/// <param name="Name">Its name.</param>
/// <param name="Document">What it holds.</param>
/// <param name="Revision">Counts its changes, from 1; the ETag.</param>
/// <param name="UpdatedAt">When it was last changed.</param>
/// <param name="DeletedAt">When it was deleted; null when it was not.</param>
public abstract record WorkOutput<TDocument>(
    Guid Id,
    string Name,
    TDocument Document,
    int Revision,
    DateTimeOffset UpdatedAt,
    DateTimeOffset? DeletedAt)
    where TDocument : class;

/// <summary>A piece of work in a list.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="Name">Its name.</param>
/// <param name="Note">Its sentence on what it is.</param>
/// <param name="Lines">What it holds in short: the rigs of a comparison, what a production counts.</param>
/// <param name="CanBeRead">False when it is of a shape that this program does not read: it can be taken out as it is, and deleted.</param>
/// <param name="Revision">Counts its changes.</param>
/// <param name="UpdatedAt">When it was last changed.</param>
/// <param name="DeletedAt">When it was deleted; null when it was not.</param>
public sealed record WorkSummary(
    Guid Id,
    string Name,
    string Note,
    IReadOnlyList<string> Lines,
    bool CanBeRead,
    int Revision,
    DateTimeOffset UpdatedAt,
    DateTimeOffset? DeletedAt);

/// <summary>A state that a piece of work had.</summary>
/// <param name="Revision">Which one.</param>
/// <param name="Name">What it was called.</param>
/// <param name="Cause">What led to it.</param>
/// <param name="By">What whoever did it is called; empty where that was not said.</param>
/// <param name="IsYours">True when the browser that asks did it.</param>
/// <param name="At">When.</param>
public sealed record PastOutput(int Revision, string Name, ChangeCause Cause, string By, bool IsYours, DateTimeOffset At);

/// <summary>What led to a revision.</summary>
public enum ChangeCause
{
    /// <summary>It was made.</summary>
    Made,

    /// <summary>It was edited.</summary>
    Edited,

    /// <summary>It was deleted.</summary>
    Deleted,

    /// <summary>It was brought back.</summary>
    Restored,
}

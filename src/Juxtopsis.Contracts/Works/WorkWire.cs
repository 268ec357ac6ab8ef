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

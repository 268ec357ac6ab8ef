namespace Juxtopsis.Data.Model;

/// <summary>A saved piece of work. What others search is in columns; the rest is a versioned document.</summary>
/// <typeparam name="TDocument">What it holds.</typeparam>
public abstract class Work<TDocument> : ICrewOwned
    where TDocument : class
{
    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>Identity within the crew, chosen by whoever makes it, so that saving again after a lost answer is harmless.</summary>
    public required Guid Id { get; init; }

    /// <summary>Name, 1 to 120 characters.</summary>
    public required string Name { get; set; }

    /// <summary>What it holds.</summary>
    public required TDocument Document { get; set; }

    /// <summary>Counts changes from 1; guards against two people overwriting each other.</summary>
    public int Revision { get; set; } = 1;

    /// <summary>When it was made.</summary>
    public required DateTimeOffset CreatedAt { get; init; }

    /// <summary>When it was last changed.</summary>
    public required DateTimeOffset UpdatedAt { get; set; }

    /// <summary>When it was deleted; null when it was not. What is deleted can be restored.</summary>
    public DateTimeOffset? DeletedAt { get; set; }
}

namespace Juxtopsis.Data.Model;

/// <summary>The people who share comparisons. Everything stored belongs to one crew.</summary>
public sealed class Crew
{
    /// <summary>Identity.</summary>
    public required Guid Id { get; init; }

    /// <summary>What the crew is called, up to 120 characters.</summary>
    public required string Name { get; set; }

    /// <summary>When it was made.</summary>
    public required DateTimeOffset CreatedAt { get; init; }

    /// <summary>Counts changes of the crew's shelf, so that whoever keeps it in memory knows when to read it again.</summary>
    public int ShelfRevision { get; set; }
}

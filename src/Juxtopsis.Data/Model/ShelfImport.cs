namespace Juxtopsis.Data.Model;

/// <summary>What the shelf was before a file was brought in, so that this can be taken back. The newest <see cref="Most"/> are kept.</summary>
public sealed class ShelfImport : ICrewOwned
{
    /// <summary>The most imports that can be taken back.</summary>
    public const int Most = 20;

    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>The shelf's revision after it.</summary>
    public required int Revision { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>A JSON list of <see cref="ImportedThing"/>.</summary>
    public required string Before { get; init; }
}

/// <summary>A thing that an import added or changed.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="Revision">Its revision after the import: whoever changed it since keeps the change.</param>
/// <param name="Document">The item as it was, as JSON; null for one that was added.</param>
/// <param name="RetiredAt">When it had been retired; null when it was not.</param>
public sealed record ImportedThing(Guid Id, int Revision, string? Document, DateTimeOffset? RetiredAt);

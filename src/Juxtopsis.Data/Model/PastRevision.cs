using Juxtopsis.Contracts.Works;

namespace Juxtopsis.Data.Model;

/// <summary>
/// A state that a piece of work had. Written with every change and never changed: of the edits that one browser makes within
/// <see cref="Together"/> the last stands for all, every other state stays, up to the newest <see cref="Most"/> of a piece.
/// </summary>
public sealed class PastRevision : ICrewOwned
{
    /// <summary>Edits of one browser that follow each other this closely are one state.</summary>
    public static readonly TimeSpan Together = TimeSpan.FromMinutes(5);

    /// <summary>The most states of one piece that are kept.</summary>
    public const int Most = 500;

    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>The kind of work.</summary>
    public required string Kind { get; init; }

    /// <summary>The piece of work.</summary>
    public required Guid WorkId { get; init; }

    /// <summary>Which revision it was.</summary>
    public required int Revision { get; init; }

    /// <summary>What it was called.</summary>
    public required string Name { get; init; }

    /// <summary>What it held, as JSON of the version that it says.</summary>
    public required string Document { get; init; }

    /// <summary>What led to it.</summary>
    public required ChangeCause Cause { get; init; }

    /// <summary>The browser that did it, by the identity that it gave itself; empty where it gave none.</summary>
    public required string Writer { get; init; }

    /// <summary>What whoever did it is called; empty where that was not said.</summary>
    public required string By { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>A piece of work as it is now, to be kept.</summary>
    /// <param name="kind">Its kind.</param>
    /// <param name="row">The piece.</param>
    /// <param name="cause">What led to it.</param>
    /// <param name="writer">The browser that did it; empty where that is not known.</param>
    /// <param name="by">What whoever did it is called; empty where that is not known.</param>
    /// <returns>A new state.</returns>
    public static PastRevision Of(string kind, Work row, ChangeCause cause, string writer = "", string by = "")
    {
        ArgumentNullException.ThrowIfNull(row);
        return new()
        {
            Kind = kind,
            WorkId = row.Id,
            Revision = row.Revision,
            Name = row.Name,
            Document = row.Document,
            Cause = cause,
            Writer = writer,
            By = by,
            At = row.UpdatedAt,
        };
    }
}

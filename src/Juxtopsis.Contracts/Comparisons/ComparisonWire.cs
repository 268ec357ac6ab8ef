using Juxtopsis.Contracts.Works;

namespace Juxtopsis.Contracts.Comparisons;

/// <summary>A comparison as a person saves it.</summary>
public sealed record ComparisonInput : WorkInput<ComparisonDocument>;

/// <inheritdoc/>
public sealed record ComparisonOutput(
    Guid Id,
    string Name,
    ComparisonDocument Document,
    int Revision,
    DateTimeOffset UpdatedAt,
    DateTimeOffset? DeletedAt) : WorkOutput<ComparisonDocument>(Id, Name, Document, Revision, UpdatedAt, DeletedAt);

/// <summary>An RFC 9457 problem of status 412: someone else changed it meanwhile.</summary>
/// <param name="Type">A URI reference that names the kind of problem.</param>
/// <param name="Title">The kind of problem in a few words.</param>
/// <param name="Status">412.</param>
/// <param name="Detail">What happened.</param>
/// <param name="Current">The comparison as it is stored now.</param>
public sealed record ComparisonConflict(string Type, string Title, int Status, string Detail, ComparisonOutput Current);

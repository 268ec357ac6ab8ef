using Juxtopsis.Contracts.Works;

namespace Juxtopsis.Contracts.Productions;

/// <summary>A production as a person saves it.</summary>
public sealed record ProductionInput : WorkInput<ProductionDocument>;

/// <inheritdoc/>
public sealed record ProductionOutput(
    Guid Id,
    string Name,
    ProductionDocument Document,
    int Revision,
    DateTimeOffset UpdatedAt,
    DateTimeOffset? DeletedAt) : WorkOutput<ProductionDocument>(Id, Name, Document, Revision, UpdatedAt, DeletedAt);

/// <summary>An RFC 9457 problem of status 412: someone else changed it meanwhile.</summary>
/// <param name="Type">A URI reference that names the kind of problem.</param>
/// <param name="Title">The kind of problem in a few words.</param>
/// <param name="Status">412.</param>
/// <param name="Detail">What happened.</param>
/// <param name="Current">The production as it is stored now.</param>
public sealed record ProductionConflict(string Type, string Title, int Status, string Detail, ProductionOutput Current);

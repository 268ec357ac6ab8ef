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

/// <summary>A production in a list.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="Name">Its name.</param>
/// <param name="Note">Its sentence on what it is.</param>
/// <param name="Locations">How many places it has.</param>
/// <param name="Shots">How many shots.</param>
/// <param name="Revision">Counts its changes.</param>
/// <param name="UpdatedAt">When it was last changed.</param>
/// <param name="DeletedAt">When it was deleted; null when it was not.</param>
public sealed record ProductionSummary(
    Guid Id,
    string Name,
    string Note,
    int Locations,
    int Shots,
    int Revision,
    DateTimeOffset UpdatedAt,
    DateTimeOffset? DeletedAt);

/// <summary>An RFC 9457 problem of status 412: someone else changed it meanwhile.</summary>
/// <param name="Type">A URI reference that names the kind of problem.</param>
/// <param name="Title">The kind of problem in a few words.</param>
/// <param name="Status">412.</param>
/// <param name="Detail">What happened.</param>
/// <param name="Current">The production as it is stored now.</param>
public sealed record ProductionConflict(string Type, string Title, int Status, string Detail, ProductionOutput Current);

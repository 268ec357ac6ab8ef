namespace Juxtopsis.Contracts;

/// <summary>Whether the server is well, part by part.</summary>
/// <param name="Status"><c>well</c> when every part is, else <c>down</c>.</param>
/// <param name="Parts">The parts.</param>
public sealed record HealthOutput(string Status, IReadOnlyList<HealthPart> Parts);

/// <summary>One part of the server.</summary>
/// <param name="Name">For example <c>database</c>.</param>
/// <param name="Status"><c>well</c> or <c>down</c>.</param>
/// <param name="Detail">What is wrong; empty when nothing is.</param>
public sealed record HealthPart(string Name, string Status, string Detail);

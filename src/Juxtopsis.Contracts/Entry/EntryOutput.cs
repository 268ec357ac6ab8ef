namespace Juxtopsis.Contracts.Entry;

/// <summary>What was read from a typed text. JSON has no infinity, so it has a word of its own.</summary>
/// <param name="Values">The numbers in the kind's unit; empty when infinite or not read.</param>
/// <param name="Infinite">True for an infinite distance.</param>
/// <param name="Problem">What is wrong and how to mend it; null when the text was read.</param>
public sealed record EntryOutput(IReadOnlyList<double> Values, bool Infinite, string? Problem);

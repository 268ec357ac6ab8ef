namespace Juxtopsis.Core.Entry;

/// <summary>What was read from a typed text: numbers, or why not.</summary>
/// <param name="Values">
/// The numbers, in the kind's unit (mm for lengths): one, the two of a pair or a span, or the links of a chain. One may be
/// positive infinity, for a background. Empty when nothing was read.
/// </param>
/// <param name="Problem">What is wrong and how to mend it; null when the text was read.</param>
public sealed record EntryResult(IReadOnlyList<double> Values, string? Problem)
{
    internal static EntryResult Of(params IReadOnlyList<double> values) => new(values, null);

    internal static EntryResult Refused(string problem) => new([], problem);
}

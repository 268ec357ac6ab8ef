namespace Juxtopsis.Core.Entry;

/// <summary>What was read from a typed text: one or two numbers, or why not.</summary>
/// <param name="Value">The number, in the kind's unit (mm for lengths); may be positive infinity for a background.</param>
/// <param name="Second">The second number of a pair such as width × height.</param>
/// <param name="Problem">What is wrong and how to mend it; null when the text was read.</param>
public readonly record struct EntryResult(double Value, double? Second, string? Problem)
{
    internal static EntryResult Of(double value, double? second = null) => new(value, second, null);

    internal static EntryResult Refused(string problem) => new(double.NaN, null, problem);
}

using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Measuring;

/// <summary>What is said of readings.</summary>
internal static class TestWords
{
    /// <summary>Says what readings do not agree on.</summary>
    public static void Scatter(List<Diagnostic> findings, RobustFit fit, int count, double? mark)
    {
        var at = mark is { } mm ? $" at {LengthWords.Millimetres(mm)}" : "";
        var slips = fit.IsLeftOut.Count(x => x);
        if (slips > 0)
        {
            findings.Add(new(
                DiagnosticCode.ReadingsContradict, Severity.Costs, $"{slips} of {count} readings{at} {(slips == 1 ? "does" : "do")} not go with the others and {(slips == 1 ? "is" : "are")} left out.",
                "Look at the tape once more, or take that reading again."));
        }

        if (fit.Scatters)
        {
            findings.Add(new(
                DiagnosticCode.ReadingsScatter, Severity.Costs, $"The readings{at} lie farther from each other than their ± says; the interval is as wide as they scatter.",
                count < RobustFit.LeastToTell ? "Take another reading or two: of so few nobody can tell which is wrong." : "Look whether focus, mark and target stayed the same."));
        }
    }

    /// <summary>Says that something is missing.</summary>
    public static Diagnostic Missing(string what, string fix) => new(DiagnosticCode.ReadingsMissing, Severity.Note, what, fix);
}

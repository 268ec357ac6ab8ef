using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Comparisons;

/// <summary>What a comparison must satisfy to be stored.</summary>
public static class ComparisonChecks
{
    /// <summary>Longest name, characters.</summary>
    public const int MaxNameLength = 120;

    /// <summary>Longest note, characters.</summary>
    public const int MaxNoteLength = 280;

    /// <summary>Checks a comparison.</summary>
    /// <param name="input">The comparison.</param>
    /// <returns>The problem, or null when it can be stored.</returns>
    public static Problem? Check(ComparisonInput input)
    {
        ArgumentNullException.ThrowIfNull(input);
        var checks = new FieldChecks();
        checks.Text("name", input.Name, "The name", MaxNameLength);
        if (string.IsNullOrWhiteSpace(input.Name))
        {
            checks.Add("name", "", "1 to 120 characters", "The comparison has no name.", "Give it one.");
        }

        checks.Text("document.note", input.Document.Note, "The note", MaxNoteLength);
        if (input.Document.SchemaVersion != ComparisonDocument.CurrentVersion)
        {
            checks.Add(
                "document.schemaVersion",
                $"{input.Document.SchemaVersion}",
                $"{ComparisonDocument.CurrentVersion}",
                $"Version {input.Document.SchemaVersion} of the document is not known here; {ComparisonDocument.CurrentVersion} is.",
                "Reload the page: it may be older or newer than the server.");
        }

        EvaluateChecks.Check(checks, input.Document.Setup, LengthUnit.Metres, "document.setup.");
        return checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
    }
}

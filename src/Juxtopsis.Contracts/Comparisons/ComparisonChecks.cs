using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Matching;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Sheets;
using Juxtopsis.Contracts.Works;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Comparisons;

/// <summary>What a comparison must satisfy to be stored.</summary>
public static class ComparisonChecks
{
    /// <summary>Longest note, characters.</summary>
    public const int MaxNoteLength = 280;

    /// <summary>Checks a comparison.</summary>
    /// <param name="input">The comparison.</param>
    /// <returns>The problem, or null when it can be stored.</returns>
    public static Problem? Check(ComparisonInput input)
    {
        ArgumentNullException.ThrowIfNull(input);
        var checks = new FieldChecks();
        WorkChecks.CheckName(checks, input.Name, "The comparison");
        checks.Text("document.note", input.Document.Note, "The note", MaxNoteLength);
        WorkChecks.CheckVersion(checks, input.Document.SchemaVersion, ComparisonDocument.CurrentVersion);
        EvaluateChecks.Check(checks, input.Document.Setup, LengthUnit.Metres, "document.setup.");
        for (var i = 0; i < input.Document.Setup.Rigs.Count; i++)
        {
            if (input.Document.Setup.Rigs[i] is { Id: "" })
            {
                checks.Add($"document.setup.rigs[{i}].id", "", "the rig’s identity", "A stored rig needs an identity.", "Give it one that no other rig of the comparison has.", DiagnosticCode.FieldMissing);
            }
        }

        if (checks.NoNull("document.hold.pinned", input.Document.Hold.Pinned) && input.Document.Hold.Pinned.Count > EvaluateRequest.MaxRigs)
        {
            checks.Add("document.hold.pinned", $"{input.Document.Hold.Pinned.Count}", $"up to {EvaluateRequest.MaxRigs}", "Something is pinned of more rigs than there can be.", "Name each rig once.");
        }

        SheetInputChecks.Check(checks, input.Document.Sheets, "document.sheets");
        MatchMapping.Check(checks, input.Document.Match, "document.match.");

        return checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
    }
}

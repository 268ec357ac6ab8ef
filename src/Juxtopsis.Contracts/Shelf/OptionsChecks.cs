using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Shelf;

namespace Juxtopsis.Contracts.Shelf;

/// <summary>What a question about a place of a chain must satisfy.</summary>
public static class OptionsChecks
{
    /// <summary>Checks a question.</summary>
    /// <param name="request">The question.</param>
    /// <returns>The problem; null when it can be answered.</returns>
    public static Problem? Check(OptionsRequest request)
    {
        ArgumentNullException.ThrowIfNull(request);
        var checks = new FieldChecks();
        checks.Text("text", request.Text, "What is looked for", QueryReader.MaxLength);
        if (request.Place is < 0 or > ChainInput.MaxParts)
        {
            checks.Add("place", $"{request.Place}", $"0 to {ChainInput.MaxParts}", $"There is no place {request.Place} in a chain.", "Count from 0, from the camera on.");
        }

        if (request.Setup is { } setup)
        {
            ChainMapping.Check(checks, setup, LengthUnit.Metres, "setup.");
            if (!request.IsNew && request.Place >= setup.Chain.Parts.Count)
            {
                checks.Add("place", $"{request.Place}", $"0 to {setup.Chain.Parts.Count - 1}", "There is no part at that place to replace.", "Give the place of a part, or ask for a new one.");
            }
        }

        return checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
    }
}

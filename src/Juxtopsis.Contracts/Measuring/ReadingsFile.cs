using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Measuring;

/// <summary>The readings of a test in a file of their own.</summary>
public sealed record ReadingsFile
{
    /// <summary>What <see cref="Format"/> always is.</summary>
    public const string Known = "juxtopsis-readings";

    /// <summary>Always <see cref="Known"/>.</summary>
    public string Format { get; set; } = Known;

    /// <summary>The version of the layout: 1.</summary>
    public int Version { get; set; } = 1;

    /// <summary>What was read.</summary>
    public required MeasureRequest Measured { get; init; }

    /// <summary>Checks a file.</summary>
    /// <returns>The problem; null when its readings can be taken.</returns>
    public Problem? Check()
    {
        var checks = new FieldChecks();
        if (Format != Known || Version != 1)
        {
            checks.Add("format", $"{Format} {Version}", $"{Known} 1", "The file is no file of readings, or of a version that is not known here.", "Bring in a file that was taken out of a test.");
        }

        MeasureMapping.Check(checks, Measured, LengthUnit.Metres, "measured.");
        return checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
    }
}

/// <summary>What was read of a file of readings.</summary>
/// <param name="Measured">The readings.</param>
/// <param name="Problems">What was left out, and why.</param>
public sealed record ReadingsReadOutput(MeasureRequest Measured, IReadOnlyList<string> Problems);

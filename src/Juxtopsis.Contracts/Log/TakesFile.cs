using Juxtopsis.Contracts.Problems;

namespace Juxtopsis.Contracts.Log;

/// <summary>Takes in a file of their own.</summary>
public sealed record TakesFile
{
    /// <summary>What <see cref="Format"/> always is.</summary>
    public const string Known = "juxtopsis-takes";

    /// <summary>The most takes of a file.</summary>
    public const int Most = 5000;

    /// <summary>Always <see cref="Known"/>.</summary>
    public string Format { get; set; } = Known;

    /// <summary>The version of the layout: 1.</summary>
    public int Version { get; set; } = 1;

    /// <summary>Delivered width over height, for the equivalents of a table.</summary>
    public double Aspect { get; set; } = 16.0 / 9;

    /// <summary>The takes, up to 5000.</summary>
    public required IReadOnlyList<TakeInput> Takes { get; init; }

    /// <summary>Checks a file.</summary>
    /// <returns>The problem; null when its takes can be looked at.</returns>
    public Problem? Check()
    {
        var checks = new FieldChecks();
        if (Format != Known || Version != 1)
        {
            checks.Add("format", $"{Format} {Version}", $"{Known} 1", "The file is no file of takes, or of a version that is not known here.", "Bring in a file that was taken out of a log.");
        }

        checks.InRange("aspect", Aspect, Core.Quantities.Quantity.DeliveryAspect);
        checks.NoNull("takes", Takes);
        if (Takes.Count > Most)
        {
            checks.Add("takes", $"{Takes.Count}", $"up to {Most}", $"{Takes.Count} takes are more than {Most} for one file.", "Make two of it.");
        }

        return checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
    }
}

/// <summary>What was read of a file of takes.</summary>
/// <param name="Takes">The takes, of the production that was asked for.</param>
/// <param name="Problems">What was left out, and why.</param>
public sealed record TakesReadOutput(IReadOnlyList<TakeInput> Takes, IReadOnlyList<string> Problems);

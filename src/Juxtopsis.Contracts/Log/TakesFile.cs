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

    /// <summary>Delivered width over height of each take, in their order, where they are not all of <see cref="Aspect"/>; empty where they are.</summary>
    public IReadOnlyList<double> Aspects { get; set; } = [];

    /// <summary>The takes, up to 5000.</summary>
    public required IReadOnlyList<TakeInput> Takes { get; init; }

    /// <summary>What a take is delivered as.</summary>
    /// <param name="take">Its place among the takes, from 0.</param>
    /// <returns>Width over height.</returns>
    public double AspectOf(int take) => Aspects.Count > 0 ? Aspects[take] : Aspect;

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
        if (Aspects.Count != 0 && Aspects.Count != Takes.Count)
        {
            checks.Add("aspects", $"{Aspects.Count}", $"{Takes.Count}", "There is not one delivered aspect for each take.", "Give one for each, or leave them out.");
        }

        for (var i = 0; i < Math.Min(Aspects.Count, Takes.Count); i++)
        {
            checks.InRange($"aspects[{i}]", Aspects[i], Core.Quantities.Quantity.DeliveryAspect);
        }

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

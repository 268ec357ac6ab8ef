using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Margins;
using Juxtopsis.Core.Figures;

namespace Juxtopsis.Contracts.Working;

/// <summary>Asks how a figure came about.</summary>
public sealed record WorkingRequest
{
    /// <summary>Scene, conventions and rigs.</summary>
    public required EvaluateRequest Setup { get; init; }

    /// <summary>Index of the rig, from 0.</summary>
    public required int Rig { get; init; }

    /// <summary>The figure.</summary>
    public required FigureId Figure { get; init; }
}

/// <summary>How a figure came about.</summary>
/// <param name="Figure">The figure.</param>
/// <param name="Name">What the trade calls it.</param>
/// <param name="Symbol">Its symbol.</param>
/// <param name="Unit">What its number counts.</param>
/// <param name="Value">Its value; null for infinity.</param>
/// <param name="Exists">False when the figure does not exist for the rig; there are no steps then.</param>
/// <param name="Meaning">One sentence: what it means on set.</param>
/// <param name="Limits">Where it stops being true; may be empty.</param>
/// <param name="Source">Where the formula is from; empty for plain geometry or arithmetic.</param>
/// <param name="Conventions">The conventions that it went by, in words.</param>
/// <param name="Inputs">The values that were put in.</param>
/// <param name="Steps">Intermediate results in order, the figure itself last.</param>
/// <param name="PlusMinus">How far off it may be, by what is not measured: 95 of 100 are nearer. Null where that cannot be told, or the figure is infinite.</param>
/// <param name="MarginParts">What that comes from, the largest first.</param>
public sealed record WorkingOutput(
    FigureId Figure,
    string Name,
    string Symbol,
    FigureUnit Unit,
    double? Value,
    bool Exists,
    string Meaning,
    string Limits,
    string Source,
    IReadOnlyList<string> Conventions,
    IReadOnlyList<WorkingInputOutput> Inputs,
    IReadOnlyList<WorkingStepOutput> Steps,
    double? PlusMinus,
    IReadOnlyList<MarginPartOutput> MarginParts);

/// <summary>A value that was put in.</summary>
/// <param name="Symbol">Its symbol.</param>
/// <param name="Name">What it is.</param>
/// <param name="Unit">What its number counts.</param>
/// <param name="Value">Its value; null for infinity.</param>
/// <param name="Text">The value as it stands in the formulas.</param>
public sealed record WorkingInputOutput(string Symbol, string Name, FigureUnit Unit, double? Value, string Text);

/// <summary>One step.</summary>
/// <param name="Symbol">What it gives.</param>
/// <param name="Name">What that is.</param>
/// <param name="Unit">What its number counts.</param>
/// <param name="Formula">With symbols; empty where it was found by search.</param>
/// <param name="Put">With the values put in.</param>
/// <param name="Value">The result; null for infinity.</param>
/// <param name="Text">The result as it stands in later formulas.</param>
public sealed record WorkingStepOutput(
    string Symbol, string Name, FigureUnit Unit, string Formula, string Put, double? Value, string Text);

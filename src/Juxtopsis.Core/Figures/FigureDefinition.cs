using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Figures;

/// <summary>Reads a figure from a case; null where it does not exist.</summary>
/// <param name="given">The case.</param>
/// <returns>The value in the figure's unit; infinity where it is meant.</returns>
public delegate double? FigureValue(in FigureCase given);

/// <summary>Writes a formula for a case; empty where the value was found by search or is as typed.</summary>
/// <param name="given">The case.</param>
/// <returns>A formula in the notation of <see cref="Working.Formula"/>.</returns>
public delegate string FigureFormula(in FigureCase given);

/// <summary>A quantity with a symbol: typed by a person, met on the way, or a figure.</summary>
/// <param name="Symbol">Its symbol in formulas.</param>
/// <param name="Name">What the trade calls it.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Formula">How it follows from others; null for what is typed.</param>
/// <param name="Value">Its value.</param>
public record Term(string Symbol, string Name, FigureUnit Unit, FigureFormula? Formula, FigureValue Value)
{
    /// <summary>The conventions that it goes by directly.</summary>
    public Schools Schools { get; init; }
}

/// <summary>A figure: a quantity that is an answer.</summary>
/// <param name="Id">Its identity, also its name on the wire.</param>
/// <param name="Symbol">Its symbol in formulas.</param>
/// <param name="Name">What the trade calls it.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Comparison">How it is compared with the yardstick's.</param>
/// <param name="Meaning">One sentence: what it means on set.</param>
/// <param name="Formula">How it follows.</param>
/// <param name="Value">Its value.</param>
public sealed record FigureDefinition(
    FigureId Id,
    string Symbol,
    string Name,
    FigureUnit Unit,
    FigureComparison Comparison,
    string Meaning,
    FigureFormula Formula,
    FigureValue Value)
    : Term(Symbol, Name, Unit, Formula, Value)
{
    /// <summary>Where the formula is from; empty where it is plain geometry or arithmetic.</summary>
    public string Source { get; init; } = "";

    /// <summary>Where it stops being true; empty where it holds always.</summary>
    public string Limits { get; init; } = "";

    /// <summary>Above this value the figure is a worry and is marked as one, in its own unit; null where no value is.</summary>
    public double? WorryAbove { get; init; }

    /// <summary>Its difference from the yardstick's.</summary>
    /// <param name="value">The rig's value.</param>
    /// <param name="yardstick">The yardstick's value.</param>
    /// <returns>Per cent, stops or the figure's unit, by <see cref="Comparison"/>; null where there is none.</returns>
    public double? Difference(double? value, double? yardstick)
    {
        if (Comparison == FigureComparison.None || value is not { } ours || yardstick is not { } theirs || !double.IsFinite(ours) || !double.IsFinite(theirs))
        {
            return null;
        }

        return Comparison switch
        {
            FigureComparison.Plain => ours - theirs,
            FigureComparison.Percent => theirs == 0 ? null : 100 * (ours / theirs - 1),
            FigureComparison.Stops => 2 * PortableMath.Log2(theirs / ours),
            _ => null,
        };
    }
}

using Juxtopsis.Core.Figures;

namespace Juxtopsis.Core.Working;

/// <summary>How a figure came about, as data.</summary>
/// <param name="Figure">The figure.</param>
/// <param name="Value">Its value; null where it does not exist for this rig.</param>
/// <param name="Inputs">The values that a person typed or a convention set, in the order in which they are met.</param>
/// <param name="Steps">Each intermediate result in an order that can be followed, the figure itself last.</param>
/// <param name="Schools">The conventions that any step went by.</param>
public sealed record WorkingOut(
    FigureDefinition Figure,
    double? Value,
    IReadOnlyList<WorkingInput> Inputs,
    IReadOnlyList<WorkingStep> Steps,
    Schools Schools)
{
    private static readonly Dictionary<string, Term> Terms =
        Givens.All.Concat(Intermediates.All).Concat(FigureCatalogue.All).ToDictionary(term => term.Symbol);

    /// <summary>Works a figure out in steps. The values are those of the report: nothing is computed a second time.</summary>
    /// <param name="given">The case.</param>
    /// <param name="figure">The figure.</param>
    /// <returns>The working. Where the figure does not exist there are no steps.</returns>
    public static WorkingOut Of(in FigureCase given, FigureId figure)
    {
        var definition = FigureCatalogue.All[(int)figure];
        var value = definition.Value(given);
        var inputs = new List<WorkingInput>();
        var steps = new List<WorkingStep>();
        var schools = Schools.None;
        if (value is not null)
        {
            Follow(given, definition, [], inputs, steps, ref schools);
        }

        return new WorkingOut(definition, value, inputs, steps, schools);
    }

    private static void Follow(
        in FigureCase given, Term term, HashSet<string> met, List<WorkingInput> inputs, List<WorkingStep> steps, ref Schools schools)
    {
        if (!met.Add(term.Symbol))
        {
            return;
        }

        schools |= term.Schools;
        var value = term.Value(given) ?? double.NaN;
        var formula = term.Formula?.Invoke(given);
        if (formula is null || (steps.Count + met.Count > 1 && IsConstant(formula)))
        {
            inputs.Add(new WorkingInput(term.Symbol, term.Name, term.Unit, value));
            return;
        }

        // What is only another name here (no zoom, no close-up lens, …) gives way to what it names: fewer steps, the same values.
        var names = new Dictionary<string, string>();
        foreach (var symbol in Formula.Symbols(formula))
        {
            names[symbol] = Named(given, Terms[symbol], ref schools).Symbol;
        }

        formula = Formula.Put(formula, symbol => names[symbol]);
        var puts = new Dictionary<string, string>();
        foreach (var symbol in names.Values)
        {
            var other = Terms[symbol];
            Follow(given, other, met, inputs, steps, ref schools);
            puts[symbol] = WorkingNumber.Say(other.Value(given) ?? double.NaN);
        }

        steps.Add(new WorkingStep(term.Symbol, term.Name, term.Unit, formula, Formula.Put(formula, symbol => puts[symbol]), value));
    }

    private static Term Named(in FigureCase given, Term term, ref Schools schools)
    {
        while (term.Formula?.Invoke(given) is { } formula && Formula.Symbols(formula) is [var only] && only == formula)
        {
            schools |= term.Schools;
            term = Terms[only];
        }

        return term;
    }

    private static bool IsConstant(string formula) => formula.Length > 0 && formula != "∞" && Formula.Symbols(formula).Count == 0;
}

/// <summary>A value that was put in.</summary>
/// <param name="Symbol">Its symbol.</param>
/// <param name="Name">What it is.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Value">Its value; infinity for a background in the open.</param>
public sealed record WorkingInput(string Symbol, string Name, FigureUnit Unit, double Value);

/// <summary>One step of a working.</summary>
/// <param name="Symbol">What it gives.</param>
/// <param name="Name">What that is.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Formula">With symbols; empty where the value was found by search.</param>
/// <param name="Put">The same with the values put in.</param>
/// <param name="Value">The result; infinity where it is meant.</param>
public sealed record WorkingStep(string Symbol, string Name, FigureUnit Unit, string Formula, string Put, double Value);

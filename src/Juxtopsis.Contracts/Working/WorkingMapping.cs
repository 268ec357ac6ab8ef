using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Margins;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Margins;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Working;

namespace Juxtopsis.Contracts.Working;

/// <summary>Between the core's working and the wire's.</summary>
internal static class WorkingMapping
{
    public static void Check(FieldChecks checks, WorkingRequest request, LengthUnit unit)
    {
        EvaluateChecks.Check(checks, request.Setup, unit, "setup.");
        EvaluateChecks.CheckIndex(checks, "rig", request.Rig, request.Setup.Rigs.Count, "Rig");
    }

    public static WorkingOutput Of(in FigureCase given, WorkingRequest request, LengthUnit unit)
    {
        var working = WorkingOut.Of(given, request.Figure);
        var figure = working.Figure;
        var margins = FigureMargins.Of(given, request.Figure);
        return new WorkingOutput(
            figure.Id,
            figure.Name,
            figure.Symbol,
            figure.Unit,
            Finite(working.Value ?? double.NaN),
            working.Value is not null,
            figure.Meaning,
            figure.Limits,
            figure.Source,
            ConventionWords.Of(given.Conventions, working.Schools, unit),
            [.. working.Inputs.Select(i => new WorkingInputOutput(i.Symbol, i.Name, i.Unit, Finite(i.Value), WorkingNumber.Say(i.Value)))],
            [.. working.Steps.Select(s => new WorkingStepOutput(s.Symbol, s.Name, s.Unit, s.Formula, s.Put, Finite(s.Value), WorkingNumber.Say(s.Value)))],
            margins.Count == 0 ? null : Finite(FigureMargins.Together(margins)),
            [.. margins.Select(MarginMapping.ToWire)]);
    }

    private static double? Finite(double value) => double.IsFinite(value) ? value : null;
}

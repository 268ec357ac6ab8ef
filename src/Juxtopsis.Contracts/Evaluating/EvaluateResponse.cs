using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Core.Figures;
using CoreConventions = Juxtopsis.Core.Rigs.Conventions;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>A report for each rig, in the order of the request.</summary>
/// <param name="Conventions">The conventions that the figures were made with.</param>
/// <param name="ConventionWords">The same in words, to be printed with the figures.</param>
/// <param name="Reports">One report a rig.</param>
public sealed record EvaluateResponse(
    CoreConventions Conventions, IReadOnlyList<string> ConventionWords, IReadOnlyList<RigReportOutput> Reports);

/// <summary>What one rig gives.</summary>
/// <param name="Figures">
/// Each figure by its name, in the unit that the name ends with. A figure that does not exist for the rig is left out; null is
/// infinity, which JSON does not have. The names are those of <c>FigureId</c>.
/// </param>
/// <param name="Differences">Against the yardstick: per cent, stops or the figure's own unit; left out where there is none.</param>
/// <param name="Reasons">What physics, the lens or a convention said no to, the weightiest first.</param>
public sealed record RigReportOutput(
    IReadOnlyDictionary<string, double?> Figures,
    IReadOnlyDictionary<string, double> Differences,
    IReadOnlyList<DiagnosticOutput> Reasons);

/// <summary>What is to be said of an evaluation besides its figures.</summary>
/// <param name="ConventionWords">The conventions in words.</param>
/// <param name="Reasons">For each rig what stood in the way.</param>
public sealed record WordsOutput(IReadOnlyList<string> ConventionWords, IReadOnlyList<IReadOnlyList<DiagnosticOutput>> Reasons);

/// <summary>What a figure is.</summary>
/// <param name="Id">Its name on the wire.</param>
/// <param name="Name">What the trade calls it.</param>
/// <param name="Unit">What its number counts.</param>
/// <param name="Comparison">The unit of its difference: its own, per cent (<c>percent</c>) or stops (<c>stops</c>); empty for none.</param>
/// <param name="Meaning">One sentence: what it means on set.</param>
/// <param name="WorryAbove">Above this value it is a worry, in its own unit; null where no value is.</param>
public sealed record FigureInfo(FigureId Id, string Name, FigureUnit Unit, string Comparison, string Meaning, double? WorryAbove);

using Juxtopsis.Core.Figures;
using CoreConventions = Juxtopsis.Core.Rigs.Conventions;

namespace Juxtopsis.Contracts.Conventions;

/// <summary>A question on which people differ.</summary>
/// <param name="School">Which.</param>
/// <param name="Title">The question in a few words.</param>
/// <param name="Sentence">What depends on it.</param>
/// <param name="Options">The answers.</param>
public sealed record QuestionOutput(Schools School, string Title, string Sentence, IReadOnlyList<OptionOutput> Options);

/// <summary>An answer, and what it would change.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Sentence">What it means.</param>
/// <param name="IsChosen">True for the one in force.</param>
/// <param name="Conventions">The conventions with this answer.</param>
/// <param name="Changes">The figures that would change, for any rig; empty for the one in force.</param>
public sealed record OptionOutput(
    string Name, string Sentence, bool IsChosen, CoreConventions Conventions, IReadOnlyList<ChangeOutput> Changes);

/// <summary>A figure that would change.</summary>
/// <param name="Figure">The figure.</param>
/// <param name="Now">Its value for each rig; null where it does not exist or is infinite.</param>
/// <param name="Then">What it would be.</param>
public sealed record ChangeOutput(FigureId Figure, IReadOnlyList<double?> Now, IReadOnlyList<double?> Then);

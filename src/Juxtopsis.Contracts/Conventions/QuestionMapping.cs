using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Conventions;

/// <summary>Works out what each answer would change in the figures at hand.</summary>
internal static class QuestionMapping
{
    /// <summary>Changes smaller than this share are rounding.</summary>
    private const double Noticed = 1e-9;

    public static IReadOnlyList<QuestionOutput> Questions(EvaluateRequest request)
    {
        var scenes = request.Rigs.Select(request.SceneOf).ToArray();
        var rigs = request.Rigs.Select(rig => rig.Rig).ToArray();
        var now = FigureCase.Of(scenes, request.Conventions, rigs, request.YardstickIndex());
        return [.. ConventionChoices.Of(request.Conventions).Select(q => new QuestionOutput(
            q.School, q.Title, q.Sentence, [.. q.Options.Select(o => new OptionOutput(
                o.Name, o.Sentence, o.IsChosen, o.Conventions,
                o.IsChosen ? [] : Changes(now, FigureCase.Of(scenes, o.Conventions, rigs, request.YardstickIndex()))))]))];
    }

    private static IReadOnlyList<ChangeOutput> Changes(FigureCase[] now, FigureCase[] then)
    {
        var changes = new List<ChangeOutput>();
        foreach (var figure in FigureCatalogue.All)
        {
            double?[] before = [.. now.Select(c => Finite(figure.Value(c)))];
            double?[] after = [.. then.Select(c => Finite(figure.Value(c)))];
            if (before.Zip(after).Any(pair => Differ(pair.First, pair.Second)))
            {
                changes.Add(new ChangeOutput(figure.Id, before, after));
            }
        }

        return changes;
    }

    private static bool Differ(double? a, double? b) =>
        a is { } x && b is { } y ? Math.Abs(x - y) > Noticed * Math.Max(Math.Abs(x), Math.Abs(y)) : a.HasValue != b.HasValue;

    private static double? Finite(double? value) => value is { } number && double.IsFinite(number) ? number : null;
}

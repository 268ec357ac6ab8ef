using System.Globalization;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Data.Model;

/// <summary>A saved comparison: scene, conventions, rigs and note.</summary>
public sealed class Comparison : Work
{
    /// <summary>How comparisons are kept.</summary>
    public static WorkStore<ComparisonDocument> Store { get; } =
        new("comparison", ComparisonShape.Instance, document => document.Note, document => [.. document.Setup.Rigs.Select(InShort)]);

    private static string InShort(RigInput input)
    {
        var rig = input.Rig;
        var optics = string.Concat(Enumerable.Range(0, OpticsChain.Most).Select(rig.Optics.At).Where(c => !c.IsNone).Select(c => string.Create(CultureInfo.InvariantCulture, $" · {c.Magnification:0.##}×")));
        var squeeze = rig.Squeeze == 1 ? "" : string.Create(CultureInfo.InvariantCulture, $" · {rig.Squeeze:0.##}× squeeze");
        return string.Create(CultureInfo.InvariantCulture, $"{rig.FocalLengthMm:0.##} mm ƒ{rig.FNumber:0.##}{optics}{squeeze}");
    }
}

using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Figures;

/// <summary>One rig in one scene with its report: what a figure is read from, and its working written from.</summary>
/// <param name="Scene">The scene.</param>
/// <param name="Conventions">The conventions.</param>
/// <param name="Rig">The rig.</param>
/// <param name="Report">Its report.</param>
/// <param name="YardstickRig">The rig that it is measured against.</param>
/// <param name="Yardstick">The report of that rig.</param>
public readonly record struct FigureCase(
    Scene Scene, Conventions Conventions, Rig Rig, RigReport Report, Rig YardstickRig, RigReport Yardstick)
{
    /// <summary>Evaluates rigs of one scene into cases.</summary>
    /// <param name="scene">The scene.</param>
    /// <param name="conventions">The conventions.</param>
    /// <param name="rigs">The rigs.</param>
    /// <param name="yardstick">Index of the yardstick.</param>
    /// <returns>A case a rig, in order.</returns>
    public static FigureCase[] Of(in Scene scene, in Conventions conventions, ReadOnlySpan<Rig> rigs, int yardstick)
    {
        var yardstickReport = RigEvaluator.Evaluate(scene, conventions, rigs[yardstick]);
        var cases = new FigureCase[rigs.Length];
        for (var i = 0; i < rigs.Length; i++)
        {
            var report = i == yardstick ? yardstickReport : RigEvaluator.Evaluate(scene, conventions, rigs[i]);
            cases[i] = new FigureCase(scene, conventions, rigs[i], report, rigs[yardstick], yardstickReport);
        }

        return cases;
    }

    internal bool HasDepth => Report.Focus is not null && !Report.Reasons.HasFlag(Reasons.CircleLargerThanFrame);
}

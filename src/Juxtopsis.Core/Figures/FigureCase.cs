using System.Diagnostics.CodeAnalysis;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Figures;

/// <summary>One rig in one scene with its report: what a figure is read from, and its working written from.</summary>
/// <remarks>Its parts are handed out by reference: they are read a hundred times for each report, and large.</remarks>
/// <param name="scene">The scene.</param>
/// <param name="conventions">The conventions.</param>
/// <param name="rig">The rig.</param>
/// <param name="report">Its report.</param>
/// <param name="yardstickRig">The rig that it is measured against.</param>
/// <param name="yardstick">The report of that rig.</param>
public readonly struct FigureCase(
    in Scene scene, in Conventions conventions, in Rig rig, in RigReport report, in Rig yardstickRig, in RigReport yardstick)
{
    private readonly Scene scene = scene;
    private readonly Conventions conventions = conventions;
    private readonly Rig rig = rig;
    private readonly RigReport report = report;
    private readonly Rig yardstickRig = yardstickRig;
    private readonly RigReport yardstick = yardstick;

    /// <summary>The scene.</summary>
    [UnscopedRef]
    public ref readonly Scene Scene => ref scene;

    /// <summary>The conventions.</summary>
    [UnscopedRef]
    public ref readonly Conventions Conventions => ref conventions;

    /// <summary>The rig.</summary>
    [UnscopedRef]
    public ref readonly Rig Rig => ref rig;

    /// <summary>Its report.</summary>
    [UnscopedRef]
    public ref readonly RigReport Report => ref report;

    /// <summary>The rig that it is measured against.</summary>
    [UnscopedRef]
    public ref readonly Rig YardstickRig => ref yardstickRig;

    /// <summary>The report of that rig.</summary>
    [UnscopedRef]
    public ref readonly RigReport Yardstick => ref yardstick;

    /// <summary>Evaluates rigs that stand at one place into cases.</summary>
    /// <param name="scene">The scene.</param>
    /// <param name="conventions">The conventions.</param>
    /// <param name="rigs">The rigs.</param>
    /// <param name="yardstick">Index of the yardstick.</param>
    /// <returns>A case a rig, in order.</returns>
    public static FigureCase[] Of(in Scene scene, in Conventions conventions, ReadOnlySpan<Rig> rigs, int yardstick)
    {
        var scenes = new Scene[rigs.Length];
        Array.Fill(scenes, scene);
        return Of(scenes, conventions, rigs, yardstick);
    }

    /// <summary>Evaluates rigs into cases, each in the scene as it is from where that rig stands.</summary>
    /// <param name="scenes">A scene a rig.</param>
    /// <param name="conventions">The conventions.</param>
    /// <param name="rigs">The rigs.</param>
    /// <param name="yardstick">Index of the yardstick.</param>
    /// <returns>A case a rig, in order.</returns>
    public static FigureCase[] Of(ReadOnlySpan<Scene> scenes, in Conventions conventions, ReadOnlySpan<Rig> rigs, int yardstick)
    {
        var yardstickReport = RigEvaluator.Evaluate(scenes[yardstick], conventions, rigs[yardstick]);
        var cases = new FigureCase[rigs.Length];
        for (var i = 0; i < rigs.Length; i++)
        {
            var its = i == yardstick ? yardstickReport : RigEvaluator.Evaluate(scenes[i], conventions, rigs[i]);
            cases[i] = new FigureCase(scenes[i], conventions, rigs[i], its, rigs[yardstick], yardstickReport);
        }

        return cases;
    }

    /// <summary>The lens in its chain, as the evaluator has it.</summary>
    internal LensInChain Chain => LensInChain.Of(rig, report.Lens.UsedFocalLengthMm);

    /// <summary>How it focuses.</summary>
    internal FocusTravel Travel => Chain.Travel;

    internal bool HasDepth => Report.IsFocused && !Report.Reasons.HasFlag(Reasons.CircleLargerThanFrame);
}

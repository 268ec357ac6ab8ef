using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Matching;

/// <summary>A look to copy: a picture by what takes it and where that stands. Distances are from the sensor mark.</summary>
public sealed class Look
{
    private readonly Scene scene;
    private readonly Rig rig;
    private readonly RigReport report;

    /// <summary>The look that a rig gives in a scene.</summary>
    /// <param name="scene">The scene, with distances from the mark that the conventions name.</param>
    /// <param name="conventions">What figures go by.</param>
    /// <param name="rig">The rig; bare numbers do as well as parts.</param>
    /// <param name="alsoBehindMm">Further distances behind the subject at which its blur is compared, mm, besides that of what is behind; up to <see cref="MostDistances"/> in all.</param>
    public Look(in Scene scene, in Conventions conventions, in Rig rig, IReadOnlyList<double>? alsoBehindMm = null)
    {
        var mark = RigEvaluator.MarkMm(conventions, rig);
        this.rig = rig;
        this.scene = scene.From(scene.SubjectDistanceMm + mark) with { NearestCameraMm = scene.NearestCameraMm + mark, FarthestCameraMm = scene.FarthestCameraMm + mark };
        Conventions = conventions with { DistanceFrom = DistanceMark.SensorMark };
        report = RigEvaluator.Evaluate(this.scene, conventions with { DistanceFrom = DistanceMark.SensorMark }, rig);
        Values = LookValues.Of(this.scene, rig, report);
        var behind = scene.BackgroundDistanceMm - scene.SubjectDistanceMm;
        BehindMm = [.. (double[])[behind > 0 ? behind : double.PositiveInfinity, .. alsoBehindMm ?? []]];
    }

    /// <summary>Most distances at which blur is compared.</summary>
    public const int MostDistances = 8;

    /// <summary>The scene.</summary>
    public ref readonly Scene Scene => ref scene;

    /// <summary>The rig.</summary>
    public ref readonly Rig Rig => ref rig;

    /// <summary>What the evaluator says of it.</summary>
    public ref readonly RigReport Report => ref report;

    /// <summary>What figures go by; distances are from the sensor mark.</summary>
    public Conventions Conventions { get; }

    /// <summary>What makes it; null where the rig has no plane of focus there.</summary>
    public LookValues? Values { get; }

    /// <summary>At which distances behind the subject blur is compared, mm; the first is that of what is behind, or infinity where nothing is said of it.</summary>
    public IReadOnlyList<double> BehindMm { get; }
}

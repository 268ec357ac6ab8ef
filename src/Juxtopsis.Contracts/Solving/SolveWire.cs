using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Contracts.Solving;

/// <summary>What is asked backwards.</summary>
public enum SolveGoal
{
    /// <summary>A framing is given: where to stand?</summary>
    Distance,

    /// <summary>A framing and a place are given: which focal length?</summary>
    FocalLength,

    /// <summary>A sharp zone is given: which focus and aperture?</summary>
    Depth,

    /// <summary>A blur is given: which aperture?</summary>
    Blur,

    /// <summary>A place is given: which framings?</summary>
    Range,
}

/// <summary>A question asked backwards, for every rig.</summary>
public sealed record SolveRequest
{
    /// <summary>Scene, conventions and rigs; the scene's nearest and farthest place of the camera bound the answers.</summary>
    public required EvaluateRequest Setup { get; init; }

    /// <summary>What is asked.</summary>
    public required SolveGoal Goal { get; init; }

    /// <summary>For a framing: the size at the subject that fills the picture, mm.</summary>
    public double? SizeMm { get; set; }

    /// <summary>True when that size is across, false when it is upright.</summary>
    public bool IsAcross { get; set; }

    /// <summary>For a sharp zone: where it begins, mm.</summary>
    public double? FromMm { get; set; }

    /// <summary>For a sharp zone: where it ends, mm; left out for infinity.</summary>
    public double? ToMm { get; set; }

    /// <summary>For a blur: height of a point's disc over the picture's height.</summary>
    public double? Share { get; set; }
}

/// <summary>Answers for each rig, in order.</summary>
/// <param name="Rigs">For each rig one answer, or two for a range.</param>
public sealed record SolveResponse(IReadOnlyList<IReadOnlyList<SolutionOutput>> Rigs);

/// <summary>An answer.</summary>
/// <param name="What">What it answers.</param>
/// <param name="IsMet">True when what was wanted is met.</param>
/// <param name="Bound">What stopped it.</param>
/// <param name="Message">The answer in a sentence.</param>
/// <param name="Fix">What would lift the bound; empty when nothing stopped it.</param>
/// <param name="SubjectDistanceMm">Where to focus; null when it stays.</param>
/// <param name="FocalLengthMm">Focal length to set; null when it stays.</param>
/// <param name="FNumber">Aperture to set; null when it stays.</param>
/// <param name="FieldWidthMm">Field across that is reached; null when there is none.</param>
/// <param name="FieldHeightMm">Field upright that is reached.</param>
/// <param name="RackedFarther">True when the ring focuses at that distance in two places and the farther one is meant.</param>
public sealed record SolutionOutput(
    string What,
    bool IsMet,
    SolveBound Bound,
    string Message,
    string Fix,
    double? SubjectDistanceMm,
    double? FocalLengthMm,
    double? FNumber,
    double? FieldWidthMm,
    double? FieldHeightMm,
    bool RackedFarther);

using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Contracts.Solving;

/// <summary>A change, and what is to stay equal through it.</summary>
public sealed record HoldRequest
{
    /// <summary>As it was before the change.</summary>
    public required EvaluateRequest Before { get; init; }

    /// <summary>As the hand set it: as many rigs, in the same order.</summary>
    public required EvaluateRequest After { get; init; }

    /// <summary>Camera and subject stay; with the framing held too, the focal length gives.</summary>
    public bool Place { get; set; }

    /// <summary>The height of the picture at the subject stays.</summary>
    public bool Framing { get; set; }

    /// <summary>The blur behind stays, as a share of the picture's height.</summary>
    public bool Blur { get; set; }

    /// <summary>The exposure stays.</summary>
    public bool Light { get; set; }

    /// <summary>Index of a rig that the others are brought to after it has followed; left out when each holds its own.</summary>
    public int? Leader { get; set; }

    /// <summary>Indexes of the rigs that are brought to the leader; left out for all.</summary>
    public IReadOnlyList<int>? Followers { get; set; }

    /// <summary>Indexes of the rigs whose filters are parts, and do not follow.</summary>
    public IReadOnlyList<int> FixedFilters { get; set; } = [];

    /// <summary>In which order settings give for the light; what is left out comes after, in its usual order.</summary>
    public IReadOnlyList<ExposureControl> LightGives { get; set; } = [];

    /// <summary>For each rig what stays because a person pinned it; left out for nothing.</summary>
    public IReadOnlyList<IReadOnlyList<ExposureControl>> Pinned { get; set; } = [];

    /// <summary>True to bring the light of all rigs to right exposure instead of what it was; the brightness must be known.</summary>
    public bool ExposeRight { get; set; }
}

/// <summary>What followed.</summary>
/// <param name="Rigs">For each rig, in order.</param>
public sealed record HoldResponse(IReadOnlyList<HeldOutput> Rigs);

/// <summary>How a rig is set after it has followed.</summary>
/// <param name="SubjectDistanceMm">Its own distance; null when it stands where the hand put it.</param>
/// <param name="FocalLengthMm">Focal length; null when it stays as the hand set it, and so with the others.</param>
/// <param name="FNumber">Aperture.</param>
/// <param name="SensitivityIso">Sensitivity.</param>
/// <param name="FilterStops">Fixed filters.</param>
/// <param name="ShutterAngleDeg">Its own shutter angle.</param>
/// <param name="RackedFarther">Which of two places of the ring.</param>
/// <param name="Notes">What gave, and what could not be held.</param>
public sealed record HeldOutput(
    double? SubjectDistanceMm, double? FocalLengthMm, double? FNumber, double? SensitivityIso, double? FilterStops, double? ShutterAngleDeg, bool? RackedFarther, IReadOnlyList<HoldNoteOutput> Notes);

/// <summary>What one thing that is held asked of a rig.</summary>
/// <param name="Outcome">How it went.</param>
/// <param name="Message">What gave, or why it could not.</param>
/// <param name="Fix">What would help; empty when it is held.</param>
public sealed record HoldNoteOutput(HoldOutcome Outcome, string Message, string Fix);

using System.Text.Json;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Matching;

namespace Juxtopsis.Contracts.Matching;

/// <summary>How much an aspect of a look counts.</summary>
public sealed record AspectInput
{
    /// <summary>Times what is left over of it, 0 to 10; 0 tells it and no more.</summary>
    public double Weight { get; set; }

    /// <summary>Whether it must be met.</summary>
    public bool Pinned { get; set; }

    /// <summary>How far a pinned one may be off: a share for angle, framing, distance and size of the background, such as 0.01; stops for the others.</summary>
    public double Tolerance { get; set; }
}

/// <summary>How much each aspect of a look counts; what is left out counts as usual.</summary>
public sealed record AspectsInput
{
    /// <summary>What the picture takes in far away.</summary>
    public AspectInput? Angle { get; set; }

    /// <summary>What it takes in at the subject.</summary>
    public AspectInput? Framing { get; set; }

    /// <summary>Perspective, by the distance.</summary>
    public AspectInput? Distance { get; set; }

    /// <summary>How large what is behind is drawn.</summary>
    public AspectInput? BackgroundSize { get; set; }

    /// <summary>Blur of what is behind.</summary>
    public AspectInput? Blur { get; set; }

    /// <summary>Shape of the discs.</summary>
    public AspectInput? BlurShape { get; set; }

    /// <summary>Depth of the sharp zone.</summary>
    public AspectInput? SharpZone { get; set; }

    /// <summary>Light that reaches the sensor.</summary>
    public AspectInput? Light { get; set; }
}

/// <summary>The gear to choose from, and what an answer from it must keep.</summary>
public abstract record AmongRequest
{
    /// <summary>The gear to choose from, by identity; left out for the whole shelf.</summary>
    public IReadOnlyList<Guid>? Bag { get; set; }

    /// <summary>Gear of that which is left out all the same, by identity.</summary>
    public IReadOnlyList<Guid> LeftOut { get; set; } = [];

    /// <summary>Whether what is only wished for is chosen from too.</summary>
    public bool Wishes { get; set; }

    /// <summary>What an answer must keep.</summary>
    public RulesInput Rules { get; set; } = new();

    /// <summary>The highest sensitivity that is accepted, ISO.</summary>
    public double HighestIso { get; set; } = FitRules.UsualHighestIso;
}

/// <summary>Asks what of the shelf comes near a look.</summary>
public sealed record LookRequest : AmongRequest
{
    /// <summary>A scene, the conventions, and rigs of which the yardstick is the look; bare numbers do as well as parts.</summary>
    public required EvaluateRequest Setup { get; init; }

    /// <summary>How much each aspect counts.</summary>
    public AspectsInput Aspects { get; set; } = new();

    /// <summary>Further distances behind the subject at which blur is compared, mm, up to 7; null among them for infinity.</summary>
    public IReadOnlyList<double?> AlsoBehindMm { get; set; } = [];

    /// <summary>What decides between answers that leave as much over.</summary>
    public LookTie Tie { get; set; }

    /// <summary>How many answers to tell of at most, 1 to 200.</summary>
    public int Most { get; set; } = 40;
}

/// <summary>What makes a look, in numbers.</summary>
/// <param name="EquivalentMm">Equivalent focal length on the reference format, mm.</param>
/// <param name="AngleDeg">Angle upright, at infinity, degrees.</param>
/// <param name="PupilMm">Entrance pupil, mm.</param>
/// <param name="FieldHeightMm">Field at the subject, upright, mm.</param>
/// <param name="DistanceMm">Sensor mark to subject, mm.</param>
/// <param name="SharpMm">Harmonic mean of the sharp depths before and behind, mm.</param>
/// <param name="WorkingTNumber">Working T-number.</param>
/// <param name="DiscNarrowing">How many times taller than wide discs are.</param>
/// <param name="DiscCorners">Corners of the discs; 0 for round ones, and where the blades are not known.</param>
/// <param name="BlurShares">Disc of a point behind as a share of the picture's height, at each distance that blur is compared at.</param>
/// <param name="BlurCurve">The same at the distances of the curve.</param>
public sealed record LookOutput(
    double EquivalentMm, double AngleDeg, double PupilMm, double FieldHeightMm, double DistanceMm, double SharpMm, double WorkingTNumber, double DiscNarrowing, double DiscCorners,
    IReadOnlyList<double> BlurShares, IReadOnlyList<double> BlurCurve);

/// <summary>What is left over of an aspect.</summary>
/// <param name="Aspect">The aspect.</param>
/// <param name="Share">The answer's over the look's, less 1.</param>
/// <param name="Stops">The same in stops, 2·log₂; above 0 where the answer has more.</param>
public sealed record RestOutput(LookAspect Aspect, double Share, double Stops);

/// <summary>A rig that comes near a look.</summary>
/// <param name="Rig">Its parts.</param>
/// <param name="DistanceMm">Where it stands, mm from the sensor mark to the subject.</param>
/// <param name="FocalLengthMm">Focal length to set, as marked, mm.</param>
/// <param name="FNumber">Aperture to set on the lens.</param>
/// <param name="SensitivityIso">Sensitivity that is just right without a filter, ISO; null when the brightness is not known.</param>
/// <param name="LowestIso">The lowest sensitivity of the body; null when not known.</param>
/// <param name="RackedFarther">Always false: it is focused in the nearer of two places.</param>
/// <param name="Look">What makes its picture.</param>
/// <param name="Rest">What is left over of each aspect.</param>
/// <param name="BlurRests">What is left over of blur at each distance that it is compared at, stops.</param>
/// <param name="Sum">All of it by its weights, stops.</param>
/// <param name="Say">In a sentence.</param>
/// <param name="Broken">The aspects that are pinned and not met.</param>
/// <param name="IsWideOpen">True where it is as open as it goes.</param>
/// <param name="IsProven">False where it was given up to prove that this rig has no better setting.</param>
/// <param name="Tier">0 where nothing speaks against it, 1 where something costs or is not known, 2 where something spoils it.</param>
/// <param name="Findings">What that is, the weightiest first.</param>
/// <param name="Equality">Why it is alike though the sensor is another, and where that ends.</param>
public sealed record MatchOutput(
    RigOutput Rig, double DistanceMm, double FocalLengthMm, double FNumber, double? SensitivityIso, double? LowestIso, bool RackedFarther,
    LookOutput Look, IReadOnlyList<RestOutput> Rest, IReadOnlyList<double> BlurRests, double Sum, string Say, IReadOnlyList<LookAspect> Broken, bool IsWideOpen, bool IsProven,
    int Tier, IReadOnlyList<DiagnosticOutput> Findings, IReadOnlyList<string> Equality);

/// <summary>A thing that no shelf has and that would bring the look nearer.</summary>
/// <param name="Say">What it is and how near it comes.</param>
/// <param name="Item">The thing, as gear.</param>
/// <param name="Match">How a rig with it comes near.</param>
public sealed record MissingOutput(string Say, JsonElement Item, MatchOutput Match);

/// <summary>What comes near a look.</summary>
/// <param name="Look">The look; null where there is none.</param>
/// <param name="BehindMm">Distances behind the subject at which blur is compared, mm; null among them for infinity.</param>
/// <param name="CurveMm">Distances of the curve of blur, mm; null for infinity.</param>
/// <param name="Aspects">How much each aspect counted, with what is usual where nothing was said.</param>
/// <param name="Matches">One of each body and lens, the nearest first.</param>
/// <param name="IsProven">False for the first answer, of which it is not proven yet that none of them has a better setting.</param>
/// <param name="Missing">What would bring it nearer.</param>
/// <param name="Misses">What else there is, and why it cannot be set at all, in sentences.</param>
/// <param name="Looked">How many settings of rigs were looked at.</param>
/// <param name="Contradictions">What in the look cannot be, whatever the gear.</param>
public sealed record LookResponse(
    LookOutput? Look, IReadOnlyList<double?> BehindMm, IReadOnlyList<double?> CurveMm, AspectsInput Aspects, IReadOnlyList<MatchOutput> Matches, bool IsProven, IReadOnlyList<MissingOutput> Missing, IReadOnlyList<DiagnosticOutput> Misses, int Looked,
    IReadOnlyList<DiagnosticOutput> Contradictions);

/// <summary>One of the cameras that must cut together: its framing and distance are those of its rig.</summary>
public sealed record CutCameraInput
{
    /// <summary>Identity of its rig among those of the setup.</summary>
    public required string Rig { get; init; }

    /// <summary>Identity of its body.</summary>
    public required Guid Body { get; init; }

    /// <summary>Name of its mode; left out for whichever is best.</summary>
    public string? Mode { get; set; }

    /// <summary>By how much of its distance it may be moved for a prime to frame, 0 to 10.</summary>
    public double MovesShare { get; set; } = 0.2;
}

/// <summary>What should agree among cameras, and how much each counts, 0 to 10.</summary>
public sealed record CutWishesInput
{
    /// <summary>Blur behind.</summary>
    public double Blur { get; set; } = 1;

    /// <summary>Depth of the sharp zone.</summary>
    public double SharpZone { get; set; } = 0.25;

    /// <summary>Shape of the discs.</summary>
    public double BlurShape { get; set; } = 0.5;

    /// <summary>Light that reaches the sensor.</summary>
    public double Light { get; set; } = 0.25;

    /// <summary>How much what is recorded is enlarged.</summary>
    public double Pixels { get; set; } = 0.5;
}

/// <summary>Asks which lenses make cameras cut together.</summary>
public sealed record CutRequest : AmongRequest
{
    /// <summary>The scene and the rigs, of which the yardstick leads.</summary>
    public required EvaluateRequest Setup { get; init; }

    /// <summary>The cameras, 2 to 5, each with a body of its own.</summary>
    public required IReadOnlyList<CutCameraInput> Cameras { get; init; }

    /// <summary>What should agree.</summary>
    public CutWishesInput Agree { get; set; } = new();
}

/// <summary>How one of the cameras takes its picture.</summary>
/// <param name="Camera">Identity of its rig in what was asked.</param>
/// <param name="Rig">Its parts.</param>
/// <param name="DistanceMm">Where it stands, mm.</param>
/// <param name="FocalLengthMm">Focal length to set, mm.</param>
/// <param name="FNumber">Aperture to set.</param>
/// <param name="SensitivityIso">Sensitivity that is just right, ISO; null when the brightness is not known.</param>
/// <param name="LowestIso">The lowest sensitivity of the body; null when not known.</param>
/// <param name="RackedFarther">Always false.</param>
/// <param name="BlurShare">Disc of a point behind, as a share of the picture's height.</param>
/// <param name="SharpMm">Harmonic mean of the sharp depths before and behind, mm.</param>
/// <param name="Rest">What it differs from the lead.</param>
/// <param name="PixelStops">By how much more is enlarged than with the lead, stops.</param>
/// <param name="OffLead">All of that by its weights, stops.</param>
/// <param name="OffOthers">The same against each of the others, in the mean.</param>
/// <param name="Tier">0 where nothing speaks against it, 1 where something costs or is not known, 2 where something spoils it.</param>
public sealed record CutShareOutput(
    string Camera, RigOutput Rig, double DistanceMm, double FocalLengthMm, double FNumber, double? SensitivityIso, double? LowestIso, bool RackedFarther, double BlurShare, double SharpMm,
    IReadOnlyList<RestOutput> Rest, double PixelStops, double OffLead, double OffOthers, int Tier);

/// <summary>A way for the cameras to cut together.</summary>
/// <param name="Say">How well, which is the odd one and by how much, in a sentence.</param>
/// <param name="Shares">One for each camera, in their order.</param>
/// <param name="Odd">Identity of the rig that is farthest from the others; null where there are but two.</param>
/// <param name="Sum">What they differ altogether, stops.</param>
/// <param name="IsProven">False where the search was given up before it was proven that none is better.</param>
public sealed record CutOutput(string Say, IReadOnlyList<CutShareOutput> Shares, string? Odd, double Sum, bool IsProven);

/// <summary>How the cameras cut together.</summary>
/// <param name="Kept">The lead as soft behind as it is wanted; null where there is no way.</param>
/// <param name="Given">The lead giving way so that the others can follow; null where that is no better.</param>
/// <param name="Misses">What is in the way of cameras that have no lens.</param>
public sealed record CutResponse(CutOutput? Kept, CutOutput? Given, IReadOnlyList<DiagnosticOutput> Misses);

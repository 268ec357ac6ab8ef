using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Margins;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits;

namespace Juxtopsis.Contracts.Fitting;

/// <summary>Asks what fits.</summary>
public sealed record FitRequest
{
    /// <summary>Where.</summary>
    public required LocationInput Location { get; init; }

    /// <summary>What is wanted; its own criterion decides the order.</summary>
    public required ShotInput Shot { get; init; }

    /// <summary>What is delivered.</summary>
    public DeliveryInput Delivery { get; set; } = new();

    /// <summary>The rig of the shot before; left out when there is none.</summary>
    public ChosenInput? Before { get; set; }

    /// <summary>The gear to choose from, by identity; left out for the whole shelf.</summary>
    public IReadOnlyList<Guid>? Bag { get; set; }

    /// <summary>Gear of that which is left out all the same, by identity; the demo's, for one.</summary>
    public IReadOnlyList<Guid> LeftOut { get; set; } = [];

    /// <summary>The one rig to ask, by its parts, in place of all that can be put together; left out for all.</summary>
    public ChosenInput? Rig { get; set; }

    /// <summary>How many rigs that fit to tell of at most, 1 to 200.</summary>
    public int Most { get; set; } = 40;

    /// <summary>How many that do not, 0 to 200, where some fit; where none does, at least 12.</summary>
    public int MostMisses { get; set; } = 12;
}

/// <summary>What fits.</summary>
/// <param name="Frame">What the picture takes in.</param>
/// <param name="Order">What the order goes by.</param>
/// <param name="Fits">Rigs that give the shot, the best first.</param>
/// <param name="Misses">Rigs that do not: those that something would help first, the nearest miss before others.</param>
/// <param name="FitCount">How many bodies with lenses give it.</param>
/// <param name="MissCount">How many do not.</param>
/// <param name="Looked">How many settings of rigs were looked at.</param>
/// <param name="Contradictions">What cannot be, whatever the gear.</param>
/// <param name="Cautions">Cautions that the shot brings up whatever the rig.</param>
/// <param name="Chosen">The rig that is chosen for the shot, as it gives it; null when none is, or it does not.</param>
/// <param name="ChosenMiss">By how much the chosen rig misses; null when none is chosen, or it gives the shot.</param>
public sealed record FitResponse(
    FrameOutput Frame,
    string Order,
    IReadOnlyList<FitOutput> Fits,
    IReadOnlyList<MissOutput> Misses,
    int FitCount,
    int MissCount,
    int Looked,
    IReadOnlyList<DiagnosticOutput> Contradictions,
    IReadOnlyList<DiagnosticOutput> Cautions,
    FitOutput? Chosen,
    DiagnosticOutput? ChosenMiss);

/// <summary>What the picture takes in at the subject.</summary>
/// <param name="WidthMm">Across, mm.</param>
/// <param name="HeightMm">Upright, mm.</param>
/// <param name="BottomMm">Its lower edge above the ground, mm.</param>
/// <param name="LensHeightMm">Height of the level lens, mm.</param>
/// <param name="Decider">What decides it.</param>
/// <param name="RoomMm">From the subject to the end of the place behind the camera, mm; null in the open.</param>
/// <param name="SubjectHeightMm">The subject's whole height as the camera sees it, mm: less than its own for somebody who sits, and for a table that is looked down upon.</param>
/// <param name="RoomEquivalentMm">Equivalent focal length on full frame that takes it in from the very end of the place, mm: none that is longer does; null in the open, or where the subject is beyond the place.</param>
public sealed record FrameOutput(
    double WidthMm, double HeightMm, double BottomMm, double LensHeightMm, FrameDecider Decider, double? RoomMm, double SubjectHeightMm, double? RoomEquivalentMm);

/// <summary>A rig by its parts.</summary>
/// <param name="Body">Identity of the body.</param>
/// <param name="Mode">Name of its mode.</param>
/// <param name="Lens">Identity of the lens; that of the camera when it keeps its own.</param>
/// <param name="Links">Identities of what stands between, from the body on.</param>
/// <param name="Front">Identities of what is screwed on in front.</param>
/// <param name="PunchIn">Electronic zoom or a crop afterwards; 1 for none.</param>
/// <param name="BodyName">The body's name.</param>
/// <param name="LensName">The lens's name; empty when the camera keeps its own.</param>
/// <param name="LinkNames">Names of what stands between.</param>
/// <param name="FrontNames">Names of what is in front.</param>
/// <param name="WeightG">Weight of all, g.</param>
/// <param name="WeightUnknown">True when a weight is not known.</param>
/// <param name="Ownership">How the crew comes by the part that is hardest to come by.</param>
public sealed record RigOutput(
    Guid Body, string Mode, Guid Lens, IReadOnlyList<Guid> Links, IReadOnlyList<Guid> Front, double PunchIn, string BodyName, string LensName, IReadOnlyList<string> LinkNames,
    IReadOnlyList<string> FrontNames,
    double WeightG, bool WeightUnknown, Ownership Ownership);

/// <summary>A rig that gives the shot.</summary>
/// <param name="Rig">Its parts.</param>
/// <param name="Ways">Ways and modes of this body and lens that give it.</param>
/// <param name="Why">Why it stands where it does in the order.</param>
/// <param name="FromMm">Nearest place from which it frames so, mm.</param>
/// <param name="ToMm">Farthest.</param>
/// <param name="DistanceMm">Where it is proposed to stand, mm from the sensor mark to the subject.</param>
/// <param name="FocalLengthMm">Focal length to set, as marked, mm.</param>
/// <param name="FNumber">Aperture to set on the lens.</param>
/// <param name="EquivalentMm">Equivalent focal length on full frame for the delivered picture, mm.</param>
/// <param name="BlurShare">Disc of a point behind, as a share of the picture's height.</param>
/// <param name="NearMm">Where the sharp zone begins, mm.</param>
/// <param name="FarMm">Where it ends, mm; null for infinity.</param>
/// <param name="SharpToSpareMm">How much farther it reaches than the subject moves, mm; null for infinity.</param>
/// <param name="RoomLeftMm">Room left behind, mm; null in the open.</param>
/// <param name="FrontMm">From the sensor mark to the front of the lens, mm.</param>
/// <param name="RearMm">From the sensor mark to the last thing behind that must fit, mm.</param>
/// <param name="SensitivityIso">Sensitivity that is just right without a filter, ISO; null when the brightness is not known.</param>
/// <param name="LowestIso">The lowest sensitivity of the body; null when not known.</param>
/// <param name="FilterStops">Light for filters to take at the lowest sensitivity, stops.</param>
/// <param name="Enlargement">How many times what is recorded is enlarged for delivery; null when not known.</param>
/// <param name="MicrophoneMm">From a microphone on the camera to the subject, mm.</param>
/// <param name="FaceStretch">How many times larger the nose is drawn than the ears; null when the camera is too close to tell.</param>
/// <param name="Unsteadiness">How unsteady as it is carried; relative only, 0 where it does not move.</param>
/// <param name="Cautions">Cautions that this rig brings up besides the shot's own.</param>
/// <param name="Tier">0 where nothing speaks against it, 1 where something costs or is not known, 2 where something spoils it.</param>
/// <param name="Findings">What that is, the weightiest first.</param>
/// <param name="WasteShare">Share of the mode that the trim to the delivered shape throws away.</param>
/// <param name="RackedFarther">True when the ring focuses at that distance in two places and the farther one is meant.</param>
/// <param name="IrisIsFixed">True when the iris stays wide open on this rig.</param>
/// <param name="FromFocalMm">The focal length to set at the nearest place, mm as marked.</param>
/// <param name="ToFocalMm">The one to set at the farthest.</param>
/// <param name="Margin">How sure it is; null where it was not asked.</param>
public sealed record FitOutput(
    RigOutput Rig,
    int Ways,
    string Why,
    double FromMm,
    double ToMm,
    double DistanceMm,
    double FocalLengthMm,
    double FNumber,
    double EquivalentMm,
    double BlurShare,
    double NearMm,
    double? FarMm,
    double? SharpToSpareMm,
    double? RoomLeftMm,
    double FrontMm,
    double RearMm,
    double? SensitivityIso,
    double? LowestIso,
    double? FilterStops,
    double? Enlargement,
    double MicrophoneMm,
    double? FaceStretch,
    double Unsteadiness,
    IReadOnlyList<DiagnosticOutput> Cautions,
    int Tier,
    IReadOnlyList<DiagnosticOutput> Findings,
    double WasteShare,
    bool RackedFarther,
    bool IrisIsFixed,
    double FromFocalMm,
    double ToFocalMm,
    MarginOutput? Margin);

/// <summary>How sure a proposal is.</summary>
/// <param name="StandPlusMinusMm">How far from the place told the camera may have to stand for the framing, mm; null for a zoom, whose ring makes up for it.</param>
/// <param name="Spares">What it may run out of.</param>
/// <param name="Closest">The place among these of what it is closest to running out of; null where all is sure.</param>
/// <param name="Surer">Another lens on the same body that is sure; null where there is none, or no need.</param>
public sealed record MarginOutput(double? StandPlusMinusMm, IReadOnlyList<SpareOutput> Spares, int? Closest, RemedyOutput? Surer);

/// <summary>How much is to spare before a rig no longer gives a shot.</summary>
/// <param name="Kind">Of what.</param>
/// <param name="Mm">How much, mm; below 0 where it is missing.</param>
/// <param name="PlusMinusMm">95 of 100 times it is nearer to that than this, mm; null where that cannot be told.</param>
/// <param name="Say">Both in words.</param>
/// <param name="Fix">What makes it surer.</param>
/// <param name="Parts">What the ± comes from, the largest first.</param>
public sealed record SpareOutput(SpareKind Kind, double Mm, double? PlusMinusMm, string Say, string Fix, IReadOnlyList<MarginPartOutput> Parts);

/// <summary>A rig that does not give the shot.</summary>
/// <param name="Rig">Its parts, in the mode in which it comes nearest.</param>
/// <param name="Why">What is in the way, and by how much.</param>
/// <param name="Remedies">What would let it: each was tried.</param>
/// <param name="Nearest">The setting that comes nearest, for looking at; it does not give the shot. Null where there is none in focus.</param>
/// <param name="Margin">By how much it misses, where it may give the shot all the same; null where it does not.</param>
public sealed record MissOutput(RigOutput Rig, DiagnosticOutput Why, IReadOnlyList<RemedyOutput> Remedies, FitOutput? Nearest, SpareOutput? Margin);

/// <summary>A change after which a rig gives the shot.</summary>
/// <param name="Kind">What to change.</param>
/// <param name="Say">In words.</param>
/// <param name="Value">To what; see the core's Remedy.</param>
/// <param name="Fit">The rig as it then gives the shot, where the change is of the rig; null where shot or place change.</param>
/// <param name="CameraSupport">The way of carrying meant; null for none.</param>
/// <param name="Support">The support of the shelf meant; null for none.</param>
public sealed record RemedyOutput(RemedyKind Kind, string Say, double Value, FitOutput? Fit, CameraSupport? CameraSupport, Guid? Support);

/// <summary>Asks which lenses do all shots of a day.</summary>
public sealed record DayRequest
{
    /// <summary>The places.</summary>
    public required IReadOnlyList<LocationInput> Locations { get; init; }

    /// <summary>The shots, up to 64.</summary>
    public required IReadOnlyList<ShotInput> Shots { get; init; }

    /// <summary>What is delivered.</summary>
    public DeliveryInput Delivery { get; set; } = new();

    /// <summary>The gear to choose from, by identity; left out for the whole shelf.</summary>
    public IReadOnlyList<Guid>? Bag { get; set; }

    /// <summary>Gear of that which is left out all the same, by identity; the demo's, for one.</summary>
    public IReadOnlyList<Guid> LeftOut { get; set; } = [];

    /// <summary>What there should be least of, what counts first first; left out for lenses, bodies, adapters, weight, changes, pixels.</summary>
    public IReadOnlyList<KitCriterion> Counts { get; set; } = [];

    /// <summary>A rig of which to tell what shots it does, in any of its modes; left out for none.</summary>
    public ChosenInput? Rig { get; set; }
}

/// <summary>The bags to choose from.</summary>
/// <param name="Kits">Up to three: the best two that do all that can be done, and the best that leaves one shot undone and takes less of what counts first.</param>
/// <param name="Impossible">Identities of the shots that nothing of this gear does.</param>
/// <param name="IsProven">False when the search ended before it was proven that the first is the best.</param>
/// <param name="OfRig">For each shot, whether the rig that was asked about gives it; empty when none was.</param>
public sealed record DayResponse(IReadOnlyList<KitOutput> Kits, IReadOnlyList<Guid> Impossible, bool IsProven, IReadOnlyList<ShotAnswerOutput> OfRig);

/// <summary>Whether a rig gives a shot.</summary>
/// <param name="Shot">Identity of the shot.</param>
/// <param name="Gives">True when it does.</param>
/// <param name="Say">How, or by how much it misses.</param>
/// <param name="DistanceMm">From where, mm; null when it does not.</param>
public sealed record ShotAnswerOutput(Guid Shot, bool Gives, string Say, double? DistanceMm);

/// <summary>A bag.</summary>
/// <param name="Bodies">Bodies, and cameras that keep their lens.</param>
/// <param name="Lenses">Lenses, the one with the most shots first.</param>
/// <param name="Adapters">What joins them.</param>
/// <param name="Shots">How it does each of its shots, in shooting order.</param>
/// <param name="Undone">Identities of the shots that it cannot do.</param>
/// <param name="Changes">How often the rig changes from one of its shots to the next.</param>
/// <param name="WeightG">Weight of all of it, in so far as it is known, g.</param>
/// <param name="WeightsUnknown">Of how many things the weight is not known.</param>
public sealed record KitOutput(
    IReadOnlyList<KitItemOutput> Bodies, IReadOnlyList<KitItemOutput> Lenses, IReadOnlyList<KitItemOutput> Adapters, IReadOnlyList<KitShotOutput> Shots, IReadOnlyList<Guid> Undone,
    int Changes, double WeightG, int WeightsUnknown);

/// <summary>A thing in a bag.</summary>
/// <param name="Item">Its identity.</param>
/// <param name="Name">Its name, with the maker.</param>
/// <param name="WeightG">Its weight, g; null when not known.</param>
/// <param name="Shots">Identities of the shots that it is used for.</param>
/// <param name="Alone">Identities of the shots that nothing else in the bag could do in its stead.</param>
public sealed record KitItemOutput(Guid Item, string Name, double? WeightG, IReadOnlyList<Guid> Shots, IReadOnlyList<Guid> Alone);

/// <summary>How a bag does a shot.</summary>
/// <param name="Shot">Identity of the shot.</param>
/// <param name="Rig">The rig.</param>
/// <param name="Fills">True when enough pixels are recorded for delivery.</param>
/// <param name="Close">What it is closest to running out of; null where all is sure, and in a front, where it is told of the bag once that is packed.</param>
public sealed record KitShotOutput(Guid Shot, RigOutput Rig, bool Fills, SpareOutput? Close);

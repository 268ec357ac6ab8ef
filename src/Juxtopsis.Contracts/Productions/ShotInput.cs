using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Fitting;

namespace Juxtopsis.Contracts.Productions;

/// <summary>What is in a shot, in true size.</summary>
public sealed record SubjectInput
{
    /// <summary>What it is.</summary>
    public required SubjectKind Kind { get; init; }

    /// <summary>Standing height of a person, also of one who sits; height of a thing; depth of a table's area; mm.</summary>
    public double HeightMm { get; set; } = 1750;

    /// <summary>Width of a thing or of a table's area, mm.</summary>
    public double WidthMm { get; set; } = 1000;

    /// <summary>People beside each other, 2 to 200.</summary>
    public int Count { get; set; } = 2;

    /// <summary>From the middle of one to the middle of the next, mm.</summary>
    public double SpacingMm { get; set; } = 650;

    /// <summary>Depth of a thing along the axis of the lens, mm: all of it is to be sharp. 0 where it does not matter.</summary>
    public double DepthMm { get; set; }

    /// <summary>Height of what it stands or lies on above the ground, mm.</summary>
    public double BaseMm { get; set; }
}

/// <summary>A rig that was chosen for a shot.</summary>
public sealed record ChosenInput
{
    /// <summary>Identity of the body on the shelf.</summary>
    public required Guid Body { get; init; }

    /// <summary>Name of its mode.</summary>
    public required string Mode { get; init; }

    /// <summary>Identity of the lens; that of the camera when it keeps its own.</summary>
    public required Guid Lens { get; init; }

    /// <summary>Identities of what stands between, from the body on; tubes too.</summary>
    public IReadOnlyList<Guid> Links { get; set; } = [];

    /// <summary>Identities of what is screwed on in front.</summary>
    public IReadOnlyList<Guid> Front { get; set; } = [];

    /// <summary>Electronic zoom or a crop afterwards: 1 to 50.</summary>
    public double PunchIn { get; set; } = 1;

    /// <summary>Its parts in words, for when the shelf is not at hand.</summary>
    public string Name { get; set; } = "";
}

/// <summary>A shot that somebody wants.</summary>
public sealed record ShotInput
{
    /// <summary>Identity within the production.</summary>
    public required Guid Id { get; init; }

    /// <summary>Name, up to 80 characters.</summary>
    public required string Name { get; init; }

    /// <summary>Identity of its place.</summary>
    public required Guid LocationId { get; init; }

    /// <summary>The unit that films it, by its name; empty for none.</summary>
    public string Unit { get; set; } = "";

    /// <summary>What is in it.</summary>
    public required SubjectInput Subject { get; init; }

    /// <summary>How tight.</summary>
    public ShotSize Size { get; set; } = ShotSize.Medium;

    /// <summary>A width or height at the subject that goes before the size, mm; left out when the size decides.</summary>
    public double? FramedMm { get; set; }

    /// <summary>True when that is a width.</summary>
    public bool FramedAcross { get; set; }

    /// <summary>Room above a head, as a share of the picture's height: 0 to 0.4.</summary>
    public double Headroom { get; set; } = 0.08;

    /// <summary>How the camera is carried.</summary>
    public CameraSupport CameraSupport { get; set; }

    /// <summary>The support of the shelf that carries it, by identity; left out while none is chosen.</summary>
    public Guid? Support { get; set; }

    /// <summary>True when it walks along with the subject.</summary>
    public bool Walks { get; set; }

    /// <summary>From the sensor mark to the last thing behind it, mm; left out for what the support usually needs.</summary>
    public double? RearMm { get; set; }

    /// <summary>How far the subject moves to and fro altogether, mm.</summary>
    public double MovesMm { get; set; }

    /// <summary>What should be made out behind.</summary>
    public BackgroundRequirement Behind { get; set; }

    /// <summary>From the subject to what is behind it in this shot, mm; left out for where the place says.</summary>
    public double? BehindMm { get; set; }

    /// <summary>Which way the camera looks in this shot; left out for the way that the place says.</summary>
    public LooksAlong? Along { get; set; }

    /// <summary>Identity of the level of its place that it is shot at; left out for as bright as the place usually is.</summary>
    public Guid? LevelId { get; set; }

    /// <summary>Captured frames a second; left out for the timeline's.</summary>
    public double? CaptureFps { get; set; }

    /// <summary>Delivered width over height; left out for the production's.</summary>
    public double? DeliveryAspect { get; set; }

    /// <summary>How long a take is, s; left out when it does not matter.</summary>
    public double? TakeSeconds { get; set; }

    /// <summary>What decides the order of what fits.</summary>
    public RankingCriterion Criterion { get; set; }

    /// <summary>The rig that was chosen; left out while none is.</summary>
    public ChosenInput? Chosen { get; set; }

    /// <summary>The comparison on the Bench that was made for it last; left out while there is none.</summary>
    public Guid? ComparisonId { get; set; }

    /// <summary>Anything else to know, up to 500 characters.</summary>
    public string Note { get; set; } = "";

    /// <summary>What to be careful of, up to 280 characters.</summary>
    public string Caution { get; set; } = "";
}

using Juxtopsis.Contracts.Bags;
using Juxtopsis.Contracts.Sheets;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Kits;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Productions;

/// <summary>What is delivered.</summary>
public sealed record DeliveryInput
{
    /// <summary>Width over height, 0.1 to 10.</summary>
    public double Aspect { get; set; } = 16.0 / 9;

    /// <summary>Pixels across; left out when it does not say.</summary>
    public double? WidthPx { get; set; }

    /// <summary>Frames a second of the timeline.</summary>
    public double TimelineFps { get; set; } = 25;

    /// <summary>Shutter angle, degrees.</summary>
    public double ShutterAngleDeg { get; set; } = 180;

    /// <summary>The exposure time that is held whatever the frame rate, s; left out where the angle is.</summary>
    public double? ShutterSeconds { get; set; }

    /// <summary>The highest sensitivity that the crew accepts, ISO.</summary>
    public double HighestIso { get; set; } = FitRules.UsualHighestIso;

    /// <summary>How far off what is not measured may be.</summary>
    public TolerancesInput Tolerances { get; set; } = new();

    /// <summary>What a proposal must keep.</summary>
    public RulesInput Rules { get; set; } = new();
}

/// <summary>How far off what is not measured may be: 95 of 100 are nearer.</summary>
public sealed record TolerancesInput
{
    /// <summary>A marked focal length, as a share.</summary>
    public double FocalLengthShare { get; set; } = Tolerances.Usual.FocalLengthShare;

    /// <summary>The factor of a reducer or extender, and a squeeze, as a share.</summary>
    public double FactorShare { get; set; } = Tolerances.Usual.FactorShare;

    /// <summary>A distance by tape, mm.</summary>
    public double TapeMm { get; set; } = Tolerances.Usual.TapeMm;

    /// <summary>The length of a place that nobody taped, mm.</summary>
    public double RoomMm { get; set; } = Tolerances.Usual.RoomMm;
}

/// <summary>What a proposal must keep to be usable on the day; each can be turned off, to see what comes then.</summary>
public sealed record RulesInput
{
    /// <summary>The mode lists the very frame rate; else one that is as fast is enough.</summary>
    public bool Rates { get; set; } = true;

    /// <summary>An iris that cannot be set on the rig stays wide open; else it is taken to be set.</summary>
    public bool Iris { get; set; } = true;

    /// <summary>What is found about the chain of parts lowers a rig.</summary>
    public bool Findings { get; set; } = true;

    /// <summary>Fewer recorded pixels than are delivered lower a rig.</summary>
    public bool Pixels { get; set; } = true;

    /// <summary>More sensitivity than the crew accepts is no shot.</summary>
    public bool Sensitivity { get; set; } = true;

    /// <summary>True focal lengths count, where they were measured; else all are taken as marked.</summary>
    public bool Measured { get; set; } = true;
}

/// <summary>What a production holds: a versioned document that only the production itself reads.</summary>
public sealed record ProductionDocument
{
    /// <summary>The version of the document's shape that this program writes and reads.</summary>
    public const int CurrentVersion = 4;

    /// <summary>Version of the document's shape.</summary>
    public required int SchemaVersion { get; init; }

    /// <summary>A sentence on what it is, up to 280 characters; may be empty.</summary>
    public string Note { get; set; } = "";

    /// <summary>What is delivered where a shot does not say otherwise.</summary>
    public DeliveryInput Delivery { get; set; } = new();

    /// <summary>The units, by name.</summary>
    public IReadOnlyList<string> Units { get; set; } = [];

    /// <summary>The places.</summary>
    public IReadOnlyList<LocationInput> Locations { get; set; } = [];

    /// <summary>The shots, in order.</summary>
    public IReadOnlyList<ShotInput> Shots { get; set; } = [];

    /// <summary>The bags.</summary>
    public IReadOnlyList<BagInput> Bags { get; set; } = [];

    /// <summary>Identity of the bag whose gear proposals choose from; left out for the whole shelf.</summary>
    public Guid? ChooseFrom { get; set; }

    /// <summary>The sheets that are made of it.</summary>
    public IReadOnlyList<SheetInput> Sheets { get; set; } = [];

    /// <summary>What there should be least of in a bag for the day, what counts first first.</summary>
    public IReadOnlyList<KitCriterion> Counts { get; set; } = [];
}

using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Matching;
using Juxtopsis.Contracts.Sheets;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Matching;

namespace Juxtopsis.Contracts.Comparisons;

/// <summary>What a comparison holds: a versioned document that only the comparison itself reads.</summary>
public sealed record ComparisonDocument
{
    /// <summary>The version of the document's shape that this program writes and reads.</summary>
    public const int CurrentVersion = 5;

    /// <summary>Version of the document's shape.</summary>
    public required int SchemaVersion { get; init; }

    /// <summary>A sentence on what to look at, up to 280 characters; may be empty.</summary>
    public string Note { get; set; } = "";

    /// <summary>The shot that it was made for; left out when it was made for none.</summary>
    public ShotReference? Shot { get; set; }

    /// <summary>What stays equal while something of it is changed.</summary>
    public HoldChoice Hold { get; set; } = new();

    /// <summary>What of the yardstick's look counts when it is copied, and what should agree among cameras that cut together.</summary>
    public MatchChoice Match { get; set; } = new();

    /// <summary>The sheets that are made of it.</summary>
    public IReadOnlyList<SheetInput> Sheets { get; set; } = [];

    /// <summary>Scene, conventions and rigs, just as they are evaluated.</summary>
    public required EvaluateRequest Setup { get; init; }
}

/// <summary>A shot of a production.</summary>
/// <param name="ProductionId">The production's identity.</param>
/// <param name="ShotId">The shot's identity in it.</param>
public sealed record ShotReference(Guid ProductionId, Guid ShotId);

/// <summary>What counts when a look is copied, and when cameras cut together.</summary>
public sealed record MatchChoice
{
    /// <summary>How much each aspect counts; what is left out counts as usual.</summary>
    public AspectsInput Aspects { get; set; } = new();

    /// <summary>Further distances behind the subject at which blur is compared, mm, up to 7; null among them for infinity.</summary>
    public IReadOnlyList<double?> AlsoBehindMm { get; set; } = [];

    /// <summary>What decides between answers that leave as much over.</summary>
    public LookTie Tie { get; set; }

    /// <summary>Whether what is only wished for is chosen from too.</summary>
    public bool Wishes { get; set; }

    /// <summary>What should agree among cameras.</summary>
    public CutWishesInput Agree { get; set; } = new();

    /// <summary>By how much of its distance each camera may be moved for a prime to frame, 0 to 10.</summary>
    public double MovesShare { get; set; } = 0.2;
}

/// <summary>What a person has pinned of a rig.</summary>
/// <param name="Rig">The rig's identity.</param>
/// <param name="Controls">What stays.</param>
public sealed record PinnedControls(string Rig, IReadOnlyList<ExposureControl> Controls);

/// <summary>What stays equal while something is changed.</summary>
public sealed record HoldChoice
{
    /// <summary>Camera and subject stay.</summary>
    public bool Place { get; set; } = true;

    /// <summary>The height of the picture at the subject stays.</summary>
    public bool Framing { get; set; }

    /// <summary>The blur of what is behind stays, as a share of the picture's height.</summary>
    public bool Blur { get; set; }

    /// <summary>The exposure stays.</summary>
    public bool Light { get; set; }

    /// <summary>In which order settings give for the light; what is left out comes after, in its usual order.</summary>
    public IReadOnlyList<ExposureControl> LightGives { get; set; } = [];

    /// <summary>What stays in which rig while the light is held.</summary>
    public IReadOnlyList<PinnedControls> Pinned { get; set; } = [];

    /// <summary>The other rigs follow the one that is changed; else each keeps what it had itself.</summary>
    public bool Alike { get; set; }
}

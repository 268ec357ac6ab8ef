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
}

/// <summary>What a production holds: a versioned document that only the production itself reads.</summary>
public sealed record ProductionDocument
{
    /// <summary>The version of the document's shape that this program writes and reads.</summary>
    public const int CurrentVersion = 1;

    /// <summary>Version of the document's shape.</summary>
    public required int SchemaVersion { get; init; }

    /// <summary>A sentence on what it is, up to 280 characters; may be empty.</summary>
    public string Note { get; set; } = "";

    /// <summary>What is delivered where a shot does not say otherwise.</summary>
    public DeliveryInput Delivery { get; set; } = new();

    /// <summary>The units, by name.</summary>
    public IReadOnlyList<string> Units { get; set; } = [];

    /// <summary>The places.</summary>
    public IReadOnlyList<PlaceInput> Places { get; set; } = [];

    /// <summary>The shots, in order.</summary>
    public IReadOnlyList<ShotInput> Shots { get; set; } = [];

    /// <summary>The gear to choose from, by identity; left out for the whole shelf.</summary>
    public IReadOnlyList<Guid>? Bag { get; set; }
}

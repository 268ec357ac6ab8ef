namespace Juxtopsis.Contracts.Evaluating;

/// <summary>A scene, the conventions, and 1 to 8 rigs to evaluate in it.</summary>
/// <remarks>
/// What may be left out has a setter, not an initialiser: generated serializers assign every init-only property, and would put
/// zero in place of the default.
/// </remarks>
public sealed record EvaluateRequest
{
    /// <summary>Most rigs in one request.</summary>
    public const int MaxRigs = 8;

    /// <summary>Where things stand and what is delivered; the same for every rig.</summary>
    public required SceneInput Scene { get; init; }

    /// <summary>The choices that figures depend on; full frame and 1/1500 of the diagonal when left out.</summary>
    public ConventionsInput Conventions { get; set; } = new();

    /// <summary>The rigs, 1 to 8.</summary>
    public required IReadOnlyList<RigInput> Rigs { get; init; }

    /// <summary>Index of the rig that the others are measured against, from 0.</summary>
    public int Yardstick { get; set; }
}

/// <summary>Where things stand and what is delivered.</summary>
public sealed record SceneInput
{
    /// <summary>Sensor mark to the plane of focus, mm: 1 to 1e8.</summary>
    public required double SubjectDistanceMm { get; init; }

    /// <summary>Sensor mark to what is behind the subject, mm: not nearer than the subject; left out or null for infinity.</summary>
    public double? BackgroundDistanceMm { get; set; }

    /// <summary>Delivered width over height, 0.1 to 10; left out or null for each mode's own desqueezed shape.</summary>
    public double? DeliveryAspect { get; set; }

    /// <summary>Pixels across that delivery asks for, 16 to 100000; left out when it does not say.</summary>
    public double? DeliveryWidthPx { get; set; }

    /// <summary>Height of the level lens above the ground, mm: 0 to 200000.</summary>
    public double LensHeightMm { get; set; } = 1600;

    /// <summary>Height of the standing figures, mm: 10 to 20000.</summary>
    public double FigureHeightMm { get; set; } = 1750;
}

/// <summary>The choices that figures depend on.</summary>
public sealed record ConventionsInput
{
    /// <summary>Width of the format that equivalents refer to, mm.</summary>
    public double ReferenceWidthMm { get; set; } = 36;

    /// <summary>Height of that format, mm.</summary>
    public double ReferenceHeightMm { get; set; } = 24;

    /// <summary>Circle of confusion = delivered picture's diagonal on the sensor / this; 100 to 20000.</summary>
    public double CocDivisor { get; set; } = 1500;
}

/// <summary>A rig in bare numbers.</summary>
public sealed record RigInput
{
    /// <summary>What a person calls it, up to 60 characters; may be empty.</summary>
    public string Name { get; set; } = "";

    /// <summary>Width of the area that the recording mode uses, mm: 0.5 to 500.</summary>
    public required double SensorWidthMm { get; init; }

    /// <summary>Height of that area, mm: 0.5 to 500.</summary>
    public required double SensorHeightMm { get; init; }

    /// <summary>Recorded pixels across, 16 to 100000; given together with the height or not at all.</summary>
    public double? RecordedWidthPx { get; set; }

    /// <summary>Recorded pixels up.</summary>
    public double? RecordedHeightPx { get; set; }

    /// <summary>Focal length as marked, mm: 0.5 to 5000.</summary>
    public required double FocalLengthMm { get; init; }

    /// <summary>f-number as marked: 0.3 to 512.</summary>
    public required double FNumber { get; init; }

    /// <summary>Reducer (below 1) or extender (above 1), the product of all: 0.2 to 10.</summary>
    public double OpticsMagnification { get; set; } = 1;

    /// <summary>Anamorphic squeeze: 1 to 3.</summary>
    public double Squeeze { get; set; } = 1;

    /// <summary>Electronic zoom or a crop afterwards: 1 to 50.</summary>
    public double PunchIn { get; set; } = 1;
}

using System.Diagnostics.CodeAnalysis;

namespace Juxtopsis.Core.Rigs;

/// <summary>Everything the core says of one rig in one scene.</summary>
/// <remarks>
/// Distances are from the mark that the conventions name. A null is a figure that does not exist for this rig; the reasons say
/// why where that is not plain. The catalogue in <see cref="Figures.FigureCatalogue"/> names every figure. The evaluator fills a
/// report where it lies, part by part, since copying so much would take longer than reckoning it.
/// </remarks>
public record struct RigReport
{
    private SensorUse sensor;
    private CropFactors crop;
    private LensOnSensor lens;
    private FocusReport focus;
    private LightReport light;
    private HandlingReport handling;

    /// <summary>What of the sensor is used.</summary>
    [UnscopedRef]
    public readonly ref readonly SensorUse Sensor => ref sensor;

    /// <summary>How the format compares with the reference format.</summary>
    [UnscopedRef]
    public readonly ref readonly CropFactors Crop => ref crop;

    /// <summary>The lens as the sensor sees it, and its equivalents.</summary>
    [UnscopedRef]
    public readonly ref readonly LensOnSensor Lens => ref lens;

    /// <summary>What the rig takes in, as angles at infinity.</summary>
    public AngleOfView Angle { get; internal set; }

    /// <summary>What counts as sharp.</summary>
    public SharpnessLimits Sharpness { get; internal set; }

    /// <summary>Between which distances it can focus.</summary>
    public FocusLimits Limits { get; internal set; }

    /// <summary>What follows from the plane of focus; null when there is none.</summary>
    public readonly FocusReport? Focus => IsFocused ? focus : null;

    /// <summary>True when there is a plane of focus.</summary>
    public bool IsFocused { get; internal set; }

    /// <summary>What the squeeze costs and needs.</summary>
    public SqueezeReport Squeeze { get; internal set; }

    /// <summary>Time, light and filters.</summary>
    [UnscopedRef]
    public readonly ref readonly LightReport Light => ref light;

    /// <summary>Steadiness, back focus and what is in front.</summary>
    [UnscopedRef]
    public readonly ref readonly HandlingReport Handling => ref handling;

    /// <summary>What physics, the lens or a convention said no to.</summary>
    public Reasons Reasons { get; internal set; }

    [UnscopedRef]
    internal ref SensorUse SensorPart => ref sensor;

    [UnscopedRef]
    internal ref CropFactors CropPart => ref crop;

    [UnscopedRef]
    internal ref LensOnSensor LensPart => ref lens;

    [UnscopedRef]
    internal ref FocusReport FocusPart => ref focus;

    [UnscopedRef]
    internal ref LightReport LightPart => ref light;

    [UnscopedRef]
    internal ref HandlingReport HandlingPart => ref handling;
}

using System.Diagnostics.CodeAnalysis;

namespace Juxtopsis.Core.Rigs;

/// <summary>Everything the core says of one rig in one scene.</summary>
/// <remarks>
/// Distances are from the mark that the conventions name. A null is a figure that does not exist for this rig; the reasons say
/// why where that is not plain. The catalogue in <see cref="Figures.FigureCatalogue"/> names every figure.
/// </remarks>
public readonly record struct RigReport
{
    private readonly SensorUse sensor;
    private readonly CropFactors crop;
    private readonly LensOnSensor lens;
    private readonly FocusReport focus;
    private readonly LightReport light;
    private readonly HandlingReport handling;

    /// <summary>Puts a report together from its stages.</summary>
    /// <param name="sensor">What of the sensor is used.</param>
    /// <param name="crop">Crop factors.</param>
    /// <param name="lens">The lens as the sensor sees it.</param>
    /// <param name="focus">What follows from the plane of focus; null when there is none.</param>
    /// <param name="light">Time, light and filters.</param>
    /// <param name="handling">Steadiness, back focus, front.</param>
    internal RigReport(in SensorUse sensor, in CropFactors crop, in LensOnSensor lens, in FocusReport? focus, in LightReport light, in HandlingReport handling)
    {
        this.sensor = sensor;
        this.crop = crop;
        this.lens = lens;
        IsFocused = focus.HasValue;
        this.focus = focus.GetValueOrDefault();
        this.light = light;
        this.handling = handling;
    }

    /// <summary>What of the sensor is used.</summary>
    [UnscopedRef]
    public ref readonly SensorUse Sensor => ref sensor;

    /// <summary>How the format compares with the reference format.</summary>
    [UnscopedRef]
    public ref readonly CropFactors Crop => ref crop;

    /// <summary>The lens as the sensor sees it, and its equivalents.</summary>
    [UnscopedRef]
    public ref readonly LensOnSensor Lens => ref lens;

    /// <summary>What the rig takes in, as angles at infinity.</summary>
    public AngleOfView Angle { get; init; }

    /// <summary>What counts as sharp.</summary>
    public SharpnessLimits Sharpness { get; init; }

    /// <summary>Between which distances it can focus.</summary>
    public FocusLimits Limits { get; init; }

    /// <summary>What follows from the plane of focus; null when there is none.</summary>
    public FocusReport? Focus => IsFocused ? focus : null;

    /// <summary>True when there is a plane of focus.</summary>
    public bool IsFocused { get; init; }

    /// <summary>What the squeeze costs and needs.</summary>
    public SqueezeReport Squeeze { get; init; }

    /// <summary>Time, light and filters.</summary>
    [UnscopedRef]
    public ref readonly LightReport Light => ref light;

    /// <summary>Steadiness, back focus and what is in front.</summary>
    [UnscopedRef]
    public ref readonly HandlingReport Handling => ref handling;

    /// <summary>What physics, the lens or a convention said no to.</summary>
    public Reasons Reasons { get; init; }
}

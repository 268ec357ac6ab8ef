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
    private readonly AngleOfView angle;
    private readonly SharpnessLimits sharpness;
    private readonly FocusLimits limits;
    private readonly FocusReport focus;
    private readonly SqueezeReport squeeze;
    private readonly LightReport light;
    private readonly HandlingReport handling;

    /// <summary>Puts a report together from its stages.</summary>
    /// <param name="sensor">What of the sensor is used.</param>
    /// <param name="crop">Crop factors.</param>
    /// <param name="lens">The lens as the sensor sees it.</param>
    /// <param name="angle">What the rig takes in.</param>
    /// <param name="sharpness">What counts as sharp.</param>
    /// <param name="limits">Between which distances it can focus.</param>
    /// <param name="isFocused">True when there is a plane of focus.</param>
    /// <param name="focus">What follows from the plane of focus; empty when there is none.</param>
    /// <param name="squeeze">What the squeeze costs and needs.</param>
    /// <param name="light">Time, light and filters.</param>
    /// <param name="handling">Steadiness, back focus, front.</param>
    /// <param name="reasons">What physics, the lens or a convention said no to.</param>
    internal RigReport(
        in SensorUse sensor,
        in CropFactors crop,
        in LensOnSensor lens,
        in AngleOfView angle,
        in SharpnessLimits sharpness,
        in FocusLimits limits,
        bool isFocused,
        in FocusReport focus,
        in SqueezeReport squeeze,
        in LightReport light,
        in HandlingReport handling,
        Reasons reasons)
    {
        this.sensor = sensor;
        this.crop = crop;
        this.lens = lens;
        this.angle = angle;
        this.sharpness = sharpness;
        this.limits = limits;
        this.focus = focus;
        this.squeeze = squeeze;
        this.light = light;
        this.handling = handling;
        IsFocused = isFocused;
        Reasons = reasons;
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
    [UnscopedRef]
    public ref readonly AngleOfView Angle => ref angle;

    /// <summary>What counts as sharp.</summary>
    [UnscopedRef]
    public ref readonly SharpnessLimits Sharpness => ref sharpness;

    /// <summary>Between which distances it can focus.</summary>
    [UnscopedRef]
    public ref readonly FocusLimits Limits => ref limits;

    /// <summary>True when there is a plane of focus.</summary>
    public bool IsFocused { get; }

    /// <summary>What follows from the plane of focus; null when there is none.</summary>
    public FocusReport? Focus => IsFocused ? focus : null;

    /// <summary>What the squeeze costs and needs.</summary>
    [UnscopedRef]
    public ref readonly SqueezeReport Squeeze => ref squeeze;

    /// <summary>Time, light and filters.</summary>
    [UnscopedRef]
    public ref readonly LightReport Light => ref light;

    /// <summary>Steadiness, back focus and what is in front.</summary>
    [UnscopedRef]
    public ref readonly HandlingReport Handling => ref handling;

    /// <summary>What physics, the lens or a convention said no to.</summary>
    public Reasons Reasons { get; }
}

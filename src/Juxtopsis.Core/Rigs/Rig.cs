using System.Diagnostics.CodeAnalysis;
using Juxtopsis.Core.Light;

namespace Juxtopsis.Core.Rigs;

/// <summary>A camera setup in bare numbers: the part of a sensor that records, and the lens in front of it.</summary>
/// <param name="SensorWidthMm">Width of the area that the recording mode uses, mm.</param>
/// <param name="SensorHeightMm">Height of that area, mm.</param>
/// <param name="FocalLengthMm">Focal length as marked on the lens, mm.</param>
/// <param name="FNumber">f-number as set on the lens.</param>
public readonly record struct Rig(double SensorWidthMm, double SensorHeightMm, double FocalLengthMm, double FNumber)
{
    /// <summary>Width of the whole sensor, when the mode uses a part of it, mm; null when not known.</summary>
    public double? WholeSensorWidthMm { get; init; }

    /// <summary>Height of the whole sensor, mm; given together with the width.</summary>
    public double? WholeSensorHeightMm { get; init; }

    /// <summary>The whole sensor; null when not known.</summary>
    public AreaSize? WholeSensor
    {
        get => WholeSensorWidthMm is { } width && WholeSensorHeightMm is { } height ? new(width, height) : null;
        init => (WholeSensorWidthMm, WholeSensorHeightMm) = (value?.WidthMm, value?.HeightMm);
    }

    /// <summary>Electronic zoom or a crop afterwards; 1 is none, 2 keeps half the width and half the height.</summary>
    public double PunchIn { get; init; } = 1;

    /// <summary>Anamorphic squeeze; 1 for a spherical lens. The picture is this many times wider than it lies on the sensor.</summary>
    public double Squeeze { get; init; } = 1;

    /// <summary>How far off the squeeze may be, as a share, where it was measured; null where it was not.</summary>
    public double? SqueezePlusMinusShare { get; init; }

    /// <summary>Whether the squeeze is before or behind the iris.</summary>
    public SqueezePlace SqueezePlace { get; init; }

    /// <summary>How far the squeeze is turned against the sensor, degrees.</summary>
    public double SqueezeTurnDeg { get; init; }

    private readonly OpticsChain optics = OpticsChain.None;

    /// <summary>Reducers (below 1) and extenders (above 1) between lens and sensor.</summary>
    public OpticsChain Optics
    {
        get => optics;
        init => optics = value;
    }

    /// <summary>The same, where it lies.</summary>
    [UnscopedRef]
    internal ref readonly OpticsChain OpticsRef => ref optics;

    /// <summary>The fastest f-number that the reducer lets out; null when it is not known to limit.</summary>
    public double? OpticsFastestFNumber { get; init; }

    /// <summary>Pixels across that the mode records over its area; null when not known.</summary>
    public double? RecordedWidthPx { get; init; }

    /// <summary>Pixels up; given together with those across.</summary>
    public double? RecordedHeightPx { get; init; }

    /// <summary>Pixels that the mode records over its area; null when not known.</summary>
    public PixelSize? Recorded
    {
        get => RecordedWidthPx is { } width && RecordedHeightPx is { } height ? new(width, height) : null;
        init => (RecordedWidthPx, RecordedHeightPx) = (value?.Width, value?.Height);
    }

    /// <summary>What is known of the lens.</summary>
    public LensData Lens { get; init; } = LensData.Unknown;

    /// <summary>Close-up lens in front, dioptres (1/m); 0 is none.</summary>
    public double CloseUpDioptres { get; init; }

    /// <summary>From the close-up lens back to the lens, mm; 0 for one plane.</summary>
    public double CloseUpFromLensMm { get; init; }

    /// <summary>True where the ring focuses at the distance in two places, around life size, and is racked out to the farther one.</summary>
    public bool RackedFarther { get; init; }

    /// <summary>Extension tubes or bellows next to the lens, before any glass, mm; 0 is none.</summary>
    public double ExtensionMm { get; init; }

    /// <summary>How much too long the mount is, mm; negative when too short.</summary>
    public double MountErrorMm { get; init; }

    /// <summary>Thickness of a filter between lens and sensor that the lens was not made for, mm.</summary>
    public double RearFilterMm { get; init; }

    /// <summary>Refractive index of that filter.</summary>
    public double RearFilterIndex { get; init; } = 1.5;

    /// <summary>Sensitivity, ISO; null when not decided.</summary>
    public double? SensitivityIso { get; init; }

    /// <summary>The lowest sensitivity without more noise that the body has, ISO; null when not known.</summary>
    public double? LowestIso { get; init; }

    /// <summary>The highest sensitivity that is accepted of it, ISO; null for as high as there is.</summary>
    public double? HighestIso { get; init; }

    /// <summary>A shutter angle of its own, degrees; null for the scene's shutter.</summary>
    public double? ShutterAngleDeg { get; init; }

    /// <summary>Fixed filters in place, stops of light.</summary>
    public double FilterStops { get; init; }

    /// <summary>Weakest setting of a variable filter, stops; given together with the strongest.</summary>
    public double? VariableFilterMinStops { get; init; }

    /// <summary>Strongest setting of a variable filter, stops.</summary>
    public double? VariableFilterMaxStops { get; init; }

    /// <summary>Captured frames a second; null when as many as the timeline has.</summary>
    public double? CaptureFps { get; init; }

    /// <summary>Frames a second that it captures.</summary>
    /// <param name="scene">The scene.</param>
    /// <returns>Its own, or those of the timeline.</returns>
    public double FpsIn(in Scene scene) => CaptureFps ?? scene.TimelineFps;

    /// <summary>The shutter that it is exposed with.</summary>
    /// <param name="scene">The scene.</param>
    /// <returns>Its own, or that of the scene.</returns>
    public Shutter ShutterIn(in Scene scene) => ShutterAngleDeg is { } angle ? new(angle) : scene.Shutter;

    /// <summary>Stabilisation of the body, stops.</summary>
    public double BodyStabilisationStops { get; init; }

    /// <summary>Stabilisation of the lens, stops.</summary>
    public double LensStabilisationStops { get; init; }

    /// <summary>True when body and lens are known to add up; else the larger of the two counts.</summary>
    public bool StabilisersAddUp { get; init; }

    /// <summary>What it weighs, how long it is and what it costs.</summary>
    public RigLoad Load { get; init; } = RigLoad.Unknown;
}

/// <summary>A width and a height, mm.</summary>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
public readonly record struct AreaSize(double WidthMm, double HeightMm);

/// <summary>Where a squeeze sits.</summary>
public enum SqueezePlace
{
    /// <summary>Before the iris: the pupil is narrower than tall, and discs stand upright.</summary>
    Front,

    /// <summary>Behind the iris: the pupil is round, and discs are round.</summary>
    Rear,
}

using Juxtopsis.Contracts.Chains;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>A rig: its numbers, and the parts that they came from where it has some.</summary>
public sealed record RigInput
{
    /// <summary>What a person calls it, up to 60 characters; may be empty.</summary>
    public string Name { get; set; } = "";

    /// <summary>Width of the area that the recording mode uses, mm: 0.5 to 500.</summary>
    public required double SensorWidthMm { get; init; }

    /// <summary>Height of that area, mm: 0.5 to 500.</summary>
    public required double SensorHeightMm { get; init; }

    /// <summary>Width of the whole sensor, mm; given together with its height or not at all.</summary>
    public double? WholeSensorWidthMm { get; set; }

    /// <summary>Height of the whole sensor, mm.</summary>
    public double? WholeSensorHeightMm { get; set; }

    /// <summary>Recorded pixels across, 16 to 100000; given together with the height or not at all.</summary>
    public double? RecordedWidthPx { get; set; }

    /// <summary>Recorded pixels up.</summary>
    public double? RecordedHeightPx { get; set; }

    /// <summary>Focal length as marked, mm: 0.5 to 5000.</summary>
    public required double FocalLengthMm { get; init; }

    /// <summary>f-number as set: 0.3 to 512.</summary>
    public required double FNumber { get; init; }

    /// <summary>Reducers (below 1) and extenders (above 1) in order from the sensor: up to four, 0.2 to 10 each.</summary>
    public IReadOnlyList<double> Optics { get; set; } = [];

    /// <summary>Where each of them stands, in the same order; left out, or null for one, when that is not known.</summary>
    public IReadOnlyList<ConverterPlaceInput?> OpticsPlaces { get; set; } = [];

    /// <summary>The fastest f-number that the reducer lets out; left out when it is not known to limit.</summary>
    public double? OpticsFastestFNumber { get; set; }

    /// <summary>Anamorphic squeeze: 1 to 3.</summary>
    public double Squeeze { get; set; } = 1;

    /// <summary>Whether the squeeze is before or behind the iris.</summary>
    public SqueezePlace SqueezePlace { get; set; } = SqueezePlace.Front;

    /// <summary>How far the squeeze is turned against the sensor, degrees: −20 to 20.</summary>
    public double SqueezeTurnDeg { get; set; }

    /// <summary>Electronic zoom or a crop afterwards: 1 to 50.</summary>
    public double PunchIn { get; set; } = 1;

    /// <summary>What is known of the lens beyond focal length and aperture.</summary>
    public LensInput Lens { get; set; } = new();

    /// <summary>Close-up lens in front, dioptres: 0 to 25.</summary>
    public double CloseUpDioptres { get; set; }

    /// <summary>From the close-up lens back to the lens, mm: 0 to 1000; 0 for one plane.</summary>
    public double CloseUpFromLensMm { get; set; }

    /// <summary>True where the ring focuses at the distance in two places, around life size, and is racked out to the farther one.</summary>
    public bool RackedFarther { get; set; }

    /// <summary>Extension tubes or bellows next to the lens, before any glass, mm: 0 to 1000.</summary>
    public double ExtensionMm { get; set; }

    /// <summary>How much too long the mount is, mm: −5 to 5.</summary>
    public double MountErrorMm { get; set; }

    /// <summary>Thickness of a filter behind the lens that it was not made for, mm.</summary>
    public double RearFilterMm { get; set; }

    /// <summary>Refractive index of that filter.</summary>
    public double RearFilterIndex { get; set; } = 1.5;

    /// <summary>Sensitivity, ISO; left out when not decided.</summary>
    public double? SensitivityIso { get; set; }

    /// <summary>The lowest sensitivity without more noise that the body has, ISO; left out when not known.</summary>
    public double? LowestIso { get; set; }

    /// <summary>Fixed filters in place, stops.</summary>
    public double FilterStops { get; set; }

    /// <summary>Weakest setting of a variable filter, stops; given together with the strongest.</summary>
    public double? VariableFilterMinStops { get; set; }

    /// <summary>Strongest setting of a variable filter, stops.</summary>
    public double? VariableFilterMaxStops { get; set; }

    /// <summary>Captured frames a second; left out for those of the timeline.</summary>
    public double? CaptureFps { get; set; }

    /// <summary>Stabilisation of the body, stops.</summary>
    public double BodyStabilisationStops { get; set; }

    /// <summary>Stabilisation of the lens, stops.</summary>
    public double LensStabilisationStops { get; set; }

    /// <summary>
    /// The rig's own distance to the subject, mm from the mark that the conventions name; left out for the scene's. What is behind the
    /// subject stays as far behind it.
    /// </summary>
    public double? SubjectDistanceMm { get; set; }

    /// <summary>
    /// The parts that the numbers came from; left out for a rig of bare numbers. Evaluation goes by the numbers alone; what came of
    /// the parts is told by /api/assemble.
    /// </summary>
    public ChainInput? Chain { get; set; }

    /// <summary>True when body and lens stabilisation are known to add up.</summary>
    public bool StabilisersAddUp { get; set; }
}

/// <summary>What is known of a lens; what is left out is unknown, and the model stands in.</summary>
public sealed record LensInput
{
    /// <summary>Short end of a zoom, mm as marked; the same as the long end for a prime.</summary>
    public double? ZoomShortMm { get; set; }

    /// <summary>Long end of a zoom, mm as marked.</summary>
    public double? ZoomLongMm { get; set; }

    /// <summary>Widest f-number; at the short end of a zoom whose aperture closes.</summary>
    public double? WidestFNumber { get; set; }

    /// <summary>Widest f-number at the long end, when it differs.</summary>
    public double? WidestLongFNumber { get; set; }

    /// <summary>Widest f-numbers at marked focal lengths, from short to long, where they are known step by step: 2 to 100.</summary>
    public IReadOnlyList<AperturePointInput>? WidestAlong { get; set; }

    /// <summary>Smallest opening, as an f-number.</summary>
    public double? NarrowestFNumber { get; set; }

    /// <summary>Blades of the iris, 1 to 999: the corners of blurred lights when it is not wide open.</summary>
    public double? Blades { get; set; }

    /// <summary>T-number at the widest f-number.</summary>
    public double? WidestTNumber { get; set; }

    /// <summary>True focal length at infinity where the marked one is set, mm.</summary>
    public double? MeasuredFocalLengthMm { get; set; }

    /// <summary>Nearest focus, mm from the sensor mark.</summary>
    public double? NearestFocusMm { get; set; }

    /// <summary>Reproduction ratio at the nearest focus.</summary>
    public double? LargestMagnification { get; set; }

    /// <summary>Exit pupil over entrance pupil.</summary>
    public double? PupilMagnification { get; set; }

    /// <summary>Sensor mark to the front of the lens, mm.</summary>
    public double? FrontFromSensorMm { get; set; }

    /// <summary>Diameter of the image circle of the bare lens, mm.</summary>
    public double? ImageCircleMm { get; set; }

    /// <summary>Shortest focal length that a squeeze attachment allows behind it, mm.</summary>
    public double? ShortestTakingMm { get; set; }

    /// <summary>Clear diameter of the narrowest opening in front, mm.</summary>
    public double? FrontOpeningMm { get; set; }

    /// <summary>Entrance pupil to that opening, mm.</summary>
    public double? FrontOpeningFromPupilMm { get; set; }
}

/// <summary>Where a reducer or extender stands.</summary>
/// <param name="PlaceMm">From its glass to the plane that it images, mm: 1 to 500; null when not known.</param>
/// <param name="TubeBehindMm">Tube between it and what is nearer to the sensor, mm: 0 to 1000.</param>
public sealed record ConverterPlaceInput(double? PlaceMm = null, double TubeBehindMm = 0);

/// <summary>The widest aperture at a focal length.</summary>
/// <param name="FocalLengthMm">As marked, mm.</param>
/// <param name="FNumber">Widest f-number there.</param>
public sealed record AperturePointInput(double FocalLengthMm, double FNumber);

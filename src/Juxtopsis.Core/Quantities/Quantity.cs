using System.Globalization;
using Juxtopsis.Core.Diagnostics;

namespace Juxtopsis.Core.Quantities;

/// <summary>A quantity that people type: its name, its unit, and the range in which a value makes sense.</summary>
/// <remarks>
/// The ranges are wide: they keep out slips of the finger and values on which arithmetic would fail, not unusual gear.
/// Both hosts check against these, so the page and the server refuse the same things in the same words.
/// </remarks>
/// <param name="Name">What a person calls it, at the start of a sentence.</param>
/// <param name="Unit">Unit of the values, or an empty string for a plain number.</param>
/// <param name="Min">Smallest accepted value.</param>
/// <param name="Max">Largest accepted value.</param>
/// <param name="Example">What a person may type, for messages.</param>
/// <param name="IsDistance">True for distances in a scene, which people say in cm, m or km; a lens or a sensor stays in mm.</param>
public sealed record Quantity(string Name, string Unit, double Min, double Max, string Example, bool IsDistance = false)
{
    /// <summary>A side of a sensor's area or of a reference format, mm.</summary>
    public static Quantity SensorSide { get; } = new("Sensor side", "mm", 0.5, 500, "36 x 24");

    /// <summary>Focal length as marked, mm.</summary>
    public static Quantity FocalLength { get; } = new("Focal length", "mm", 0.5, 5000, "35");

    /// <summary>f-number as marked.</summary>
    public static Quantity FNumber { get; } = new("Aperture", "", 0.3, 512, "f/2.8");

    /// <summary>Magnification of one reducer or extender.</summary>
    public static Quantity OpticsMagnification { get; } = new("Reducer or extender", "", 0.2, 10, "0.71 or 2x");

    /// <summary>Anamorphic squeeze.</summary>
    public static Quantity Squeeze { get; } = new("Squeeze", "", 1, 3, "1.33 or 2x");

    /// <summary>Electronic zoom or later crop.</summary>
    public static Quantity PunchIn { get; } = new("Punch-in", "", 1, 50, "1.2");

    /// <summary>Delivered width over height.</summary>
    public static Quantity DeliveryAspect { get; } = new("Delivered shape", "", 0.1, 10, "16:9 or 2.39");

    /// <summary>Pixels along a side.</summary>
    public static Quantity Pixels { get; } = new("Pixels", "px", 16, 100_000, "3840 x 2160");

    /// <summary>Sensor mark to subject, mm: 1 mm to 100 km.</summary>
    public static Quantity SubjectDistance { get; } = new("Distance to the subject", "mm", 1, 1e8, "3m or 10'6\"", IsDistance: true);

    /// <summary>Sensor mark to background, mm: up to 1000 km, or infinity.</summary>
    public static Quantity BackgroundDistance { get; } = new("Distance to the background", "mm", 1, 1e9, "5.5m, 18' or inf", IsDistance: true);

    /// <summary>Subject to what is behind it, mm: up to 1000 km, or infinity.</summary>
    public static Quantity BehindSubject { get; } = new("Distance to what is behind", "mm", 0, 1e9, "2.5m, 8' or inf", IsDistance: true);

    /// <summary>Height of the lens above the ground, mm.</summary>
    public static Quantity LensHeight { get; } = new("Lens height", "mm", 0, 200_000, "1.6m or 5'3\"", IsDistance: true);

    /// <summary>Height of a standing figure, mm.</summary>
    public static Quantity FigureHeight { get; } = new("Figure height", "mm", 10, 20_000, "1.75m", IsDistance: true);

    /// <summary>Degrees that a squeeze may be turned.</summary>
    public static Quantity SqueezeTurn { get; } = new("Turn of the squeeze", "°", -20, 20, "0.5");

    /// <summary>T-number of a lens at its widest.</summary>
    public static Quantity TNumber { get; } = new("T-number", "", 0.3, 512, "T2.1");

    /// <summary>Nearest focus of a lens, mm from the sensor mark.</summary>
    public static Quantity MinimumFocusDistance { get; } = new("Nearest focus", "mm", 1, 1e8, "45cm or 1'6\"", IsDistance: true);

    /// <summary>Largest reproduction ratio of a lens.</summary>
    public static Quantity MaximumMagnification { get; } = new("Largest ratio", "", 0.0001, 20, "1:4 or 0.25");

    /// <summary>Pupil magnification.</summary>
    public static Quantity PupilMagnification { get; } = new("Pupil magnification", "", 0.05, 20, "1.2");

    /// <summary>Sensor mark to the front of the lens, mm.</summary>
    public static Quantity FrontFromSensor { get; } = new("Front of the lens", "mm", 1, 3000, "140");

    /// <summary>Diameter of an image circle, mm.</summary>
    public static Quantity ImageCircle { get; } = new("Image circle", "mm", 0.5, 1000, "43.3");

    /// <summary>Clear diameters and places in front of a lens, mm.</summary>
    public static Quantity FrontOpening { get; } = new("Opening in front", "mm", 0.1, 1000, "62");

    /// <summary>Close-up lens, dioptres.</summary>
    public static Quantity CloseUp { get; } = new("Close-up lens", "dpt", 0, 25, "2 or +2");

    /// <summary>From a close-up lens back to the lens, mm.</summary>
    public static Quantity CloseUpPlace { get; } = new("Close-up lens to the lens", "mm", 0, 1000, "40");

    /// <summary>From the glass of a reducer or extender to the plane that it images, mm.</summary>
    public static Quantity ConverterPlace { get; } = new("Place of the glass", "mm", 1, 500, "40");

    /// <summary>Extension tubes or bellows, mm.</summary>
    public static Quantity Extension { get; } = new("Extension", "mm", 0, 1000, "16");

    /// <summary>Error of a mount's depth, mm.</summary>
    public static Quantity MountError { get; } = new("Mount too long by", "mm", -5, 5, "0.04");

    /// <summary>Thickness of a filter behind the lens, mm.</summary>
    public static Quantity RearFilter { get; } = new("Rear filter", "mm", 0, 50, "2.5");

    /// <summary>Refractive index.</summary>
    public static Quantity RefractiveIndex { get; } = new("Refractive index", "", 1, 4, "1.52");

    /// <summary>Sensitivity.</summary>
    public static Quantity Sensitivity { get; } = new("Sensitivity", "ISO", 1, 10_000_000, "800");

    /// <summary>Stops of a filter or of stabilisation.</summary>
    public static Quantity FilterStops { get; } = new("Filter", "stops", 0, 30, "3, ND8 or 0.9");

    /// <summary>Stops of stabilisation.</summary>
    public static Quantity StabilisationStops { get; } = new("Stabilisation", "stops", 0, 15, "5");

    /// <summary>Frames a second.</summary>
    public static Quantity Fps { get; } = new("Frame rate", "fps", 0.01, 100_000, "25");

    /// <summary>Shutter angle.</summary>
    public static Quantity ShutterAngle { get; } = new("Shutter angle", "°", 0.1, 360, "180 or 1/50");

    /// <summary>Exposure time that is held.</summary>
    public static Quantity ShutterTime { get; } = new("Shutter time", "s", 1e-5, 10, "1/50");

    /// <summary>Brightness of a scene at ISO 100.</summary>
    public static Quantity Brightness { get; } = new("Brightness", "EV", -15, 30, "EV 12, 500 lx, 40 cd/m² or ISO 800 ƒ2.8 1/50");

    /// <summary>Mains frequency.</summary>
    public static Quantity Mains { get; } = new("Mains frequency", "Hz", 10, 1000, "50");

    /// <summary>Nearest or farthest place of the camera, mm from the mark.</summary>
    public static Quantity CameraPlace { get; } = new("Camera's place", "mm", 1, 1e8, "4.2m or 14'", IsDistance: true);

    /// <summary>Sideways move of the camera, mm.</summary>
    public static Quantity Sideways { get; } = new("Sideways move", "mm", 0.1, 1e7, "10cm or 4\"", IsDistance: true);

    /// <summary>Width of a watched picture, or the distance to it, mm.</summary>
    public static Quantity Viewing { get; } = new("Viewing size", "mm", 10, 1e6, "1.2m or 4'", IsDistance: true);

    /// <summary>A circle of confusion, mm.</summary>
    public static Quantity Circle { get; } = new("Circle of confusion", "mm", 0.0001, 5, "0.025");

    /// <summary>A circle of confusion in delivered pixels.</summary>
    public static Quantity CirclePx { get; } = new("Circle of confusion", "px", 0.1, 1000, "2");

    /// <summary>A size at the subject, mm.</summary>
    public static Quantity FieldSize { get; } = new("Size at the subject", "mm", 0.01, 1e8, "40cm or 16\"", IsDistance: true);

    /// <summary>A side of a place, mm.</summary>
    public static Quantity RoomSize { get; } = new("Side of the place", "mm", 100, 1e8, "7.2m or 24'", IsDistance: true);

    /// <summary>A distance to keep, or to move, mm; nothing is allowed.</summary>
    public static Quantity Kept { get; } = new("Distance", "mm", 0, 1e8, "80cm or 2'8\"", IsDistance: true);

    /// <summary>A side of what is filmed, mm.</summary>
    public static Quantity SubjectSize { get; } = new("Size of the subject", "mm", 0.1, 1e8, "1.75m or 12mm", IsDistance: true);

    /// <summary>A share of the picture.</summary>
    public static Quantity PictureShare { get; } = new("Headroom", "", 0, 0.4, "8 %");

    /// <summary>What is put on top of a price, as a share of it.</summary>
    public static Quantity Surcharge { get; } = new("What is put on top", "", 0, 10, "19 %");

    /// <summary>How long a take is, s.</summary>
    public static Quantity Seconds { get; } = new("Take", "s", 0.1, 1e6, "90");

    /// <summary>Blur as a share of the picture's height.</summary>
    public static Quantity BlurShare { get; } = new("Blur behind", "", 0.0001, 5, "2 %");

    /// <summary>Weight of a thing, or what a support carries, g.</summary>
    public static Quantity Weight { get; } = new("Weight", "g", 0, 1_000_000, "420g or 1.2kg");

    /// <summary>Price in the crew's currency.</summary>
    public static Quantity Price { get; } = new("Price", "", 0, 1e9, "850");

    /// <summary>A thread, a length or a diameter of a part, mm.</summary>
    public static Quantity PartLength { get; } = new("Length", "mm", 0, 3000, "77");

    /// <summary>A mount's flange distance, mm.</summary>
    public static Quantity Flange { get; } = new("Flange distance", "mm", 0.1, 500, "19.25");

    /// <summary>A count of things, such as blades.</summary>
    public static Quantity Count { get; } = new("Count", "", 1, 999, "9");

    /// <summary>Minutes of recording.</summary>
    public static Quantity Minutes { get; } = new("Recording limit", "min", 0.1, 100_000, "29");

    /// <summary>Energy of a battery, Wh.</summary>
    public static Quantity WattHours { get; } = new("Energy", "Wh", 0.1, 100_000, "98");

    /// <summary>What a camera draws, W.</summary>
    public static Quantity Watts { get; } = new("Power", "W", 0.1, 2000, "9.5");

    /// <summary>What a recording mode writes, Mbit a second.</summary>
    public static Quantity DataRate { get; } = new("Data rate", "Mbit/s", 0.1, 100_000, "400");

    /// <summary>Room on a card or disc, GB.</summary>
    public static Quantity Gigabytes { get; } = new("Storage", "GB", 0.1, 1e7, "512");

    /// <summary>Degrees north of the equator.</summary>
    public static Quantity Latitude { get; } = new("Latitude", "°", -90, 90, "52.1");

    /// <summary>Degrees east of the prime meridian.</summary>
    public static Quantity Longitude { get; } = new("Longitude", "°", -180, 180, "4.3");

    /// <summary>How much darker one picture is than another, stops.</summary>
    public static Quantity StopsDifference { get; } = new("Difference", "stops", -15, 15, "0.3 or -1");

    /// <summary>A size in a still, px.</summary>
    public static Quantity StillPixels { get; } = new("Size in the still", "px", 1, 100_000, "1240");

    /// <summary>How well a mark is set on a still, px.</summary>
    public static Quantity MarkError { get; } = new("± of a mark", "px", 0.1, 100, "2");

    /// <summary>How far off something may be, as a share of it.</summary>
    public static Quantity Tolerance { get; } = new("±", "", 0, 0.3, "3 %");

    /// <summary>Divisor of the picture's diagonal for the circle of confusion.</summary>
    public static Quantity CocDivisor { get; } = new("Circle of confusion divisor", "", 100, 20_000, "1500");

    /// <summary>True when a value lies in the range; false for NaN and infinities.</summary>
    /// <param name="value">A value in <see cref="Unit"/>.</param>
    /// <returns>Whether it is accepted.</returns>
    public bool Accepts(double value) => value >= Min && value <= Max;

    /// <summary>The range in words, distances in the unit that people use at that size.</summary>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>For example <c>1 mm to 100 km</c>.</returns>
    public string Range(LengthUnit unit = LengthUnit.Metres) => $"{Say(Min, unit)} to {Say(Max, unit)}";

    /// <summary>A value with its unit, for messages.</summary>
    /// <param name="value">A value in <see cref="Unit"/>.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>For example <c>0.5 mm</c>, <c>3.2 m</c>, <c>2.8</c>.</returns>
    public string Say(double value, LengthUnit unit = LengthUnit.Metres) =>
        IsDistance ? LengthWords.Distance(value, unit)
        : Unit.Length == 0 ? LengthWords.Number(value)
        : $"{LengthWords.Number(value)} {Unit}";

    /// <summary>What to say of a value out of range.</summary>
    /// <param name="about">The path of its field.</param>
    /// <param name="value">The value.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>A diagnostic that says how to mend it.</returns>
    public Diagnostic Refusal(string about, double value, LengthUnit unit = LengthUnit.Metres)
    {
        var given = value.ToString("G6", CultureInfo.InvariantCulture);
        return new(
            DiagnosticCode.ValueOutOfRange,
            Severity.Stops,
            about,
            given,
            Range(unit),
            $"{Name} {(double.IsFinite(value) ? Say(value, unit) : given)} is outside {Range(unit)}.",
            $"Give a value from {Range(unit)}.");
    }
}

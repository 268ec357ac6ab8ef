using System.Globalization;

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

    /// <summary>Magnification of a reducer or extender.</summary>
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

    /// <summary>Height of the lens above the ground, mm.</summary>
    public static Quantity LensHeight { get; } = new("Lens height", "mm", 0, 200_000, "1.6m or 5'3\"", IsDistance: true);

    /// <summary>Height of a standing figure, mm.</summary>
    public static Quantity FigureHeight { get; } = new("Figure height", "mm", 10, 20_000, "1.75m", IsDistance: true);

    /// <summary>Divisor of the picture's diagonal for the circle of confusion.</summary>
    public static Quantity CocDivisor { get; } = new("Circle of confusion divisor", "", 100, 20_000, "1500");

    /// <summary>True when a value lies in the range; false for NaN and infinities.</summary>
    /// <param name="value">A value in <see cref="Unit"/>.</param>
    /// <returns>Whether it is accepted.</returns>
    public bool Accepts(double value) => value >= Min && value <= Max;

    /// <summary>The range in words, distances in the unit that people use at that size.</summary>
    public string Range => $"{Say(Min)} to {Say(Max)}";

    /// <summary>A value with its unit, for messages.</summary>
    /// <param name="value">A value in <see cref="Unit"/>.</param>
    /// <returns>For example <c>0.5 mm</c>, <c>3.2 m</c>, <c>2.8</c>.</returns>
    public string Say(double value) => Math.Abs(value) switch
    {
        >= 1e6 when IsDistance => $"{Number(value / 1e6)} km",
        >= 1000 when IsDistance => $"{Number(value / 1000)} m",
        >= 100 when IsDistance => $"{Number(value / 10)} cm",
        _ => Unit.Length == 0 ? Number(value) : $"{Number(value)} {Unit}",
    };

    private static string Number(double value) => value.ToString("G6", CultureInfo.InvariantCulture);
}

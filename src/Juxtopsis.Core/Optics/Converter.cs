namespace Juxtopsis.Core.Optics;

/// <summary>A reducer (below 1) or an extender (above 1) between lens and sensor, as a thin lens in its place.</summary>
/// <remarks>
/// It is made to image the focal plane of the lens onto the sensor, k times as large. A thin converter that does so stands d before
/// the one and k·d before the other, and has the focal length k·d/(1 − k). Where it stands follows from what a maker tells: the lens
/// expects its flange distance R, body flange and adapter are together T long, so d = (R − T)/(1 − k).
/// </remarks>
/// <param name="Magnification">k.</param>
/// <param name="PlaceMm">d, from the converter to the plane that it images, mm; null when not known.</param>
/// <param name="TubeBehindMm">Extension between it and what is nearer to the sensor, mm: it changes what the converter magnifies.</param>
public readonly record struct Converter(double Magnification, double? PlaceMm = null, double TubeBehindMm = 0)
{
    /// <summary>What stands in for a place that is not known, mm: about the middle of what is usual.</summary>
    public const double UsualPlaceMm = 40;

    /// <summary>How far that may be off either way, mm.</summary>
    public const double UsualPlaceMarginMm = 20;

    /// <summary>How far off the magnification may be, as a share, where it was measured; null where it was not.</summary>
    public double? PlusMinusShare { get; init; }

    /// <summary>No glass.</summary>
    public static Converter None { get; } = new(1);

    /// <summary>True when there is no glass.</summary>
    public bool IsNone => Magnification == 1;

    /// <summary>The converter of a magnification, in a place that is not known.</summary>
    /// <param name="magnification">k.</param>
    public static implicit operator Converter(double magnification) => FromDouble(magnification);

    /// <summary>The converter of a magnification, in a place that is not known.</summary>
    /// <param name="magnification">k.</param>
    /// <returns>The converter.</returns>
    public static Converter FromDouble(double magnification) => new(magnification);

    /// <summary>Where a converter stands that shortens or lengthens the track by so much.</summary>
    /// <param name="magnification">k, not 1.</param>
    /// <param name="lensFlangeMm">R, flange distance that the lens expects, mm.</param>
    /// <param name="trackMm">T, from its flange on the converter to the sensor, mm.</param>
    /// <returns>d, mm; null when these lengths cannot belong to such glass.</returns>
    public static double? PlaceOf(double magnification, double lensFlangeMm, double trackMm)
    {
        var place = (lensFlangeMm - trackMm) / (1 - magnification);
        return place is > 1 and < 500 && double.IsFinite(place) ? place : null;
    }
}

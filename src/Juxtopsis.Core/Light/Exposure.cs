using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Light;

/// <summary>Light, time and sensitivity. Stops are log2 of a ratio of light.</summary>
/// <remarks>Source of the exposure value and its constants: ISO 2720 (K = 12.5, C = 250 for lux on a surface).</remarks>
public static class Exposure
{
    /// <summary>Exposure time from the shutter angle: (angle/360)/frames a second.</summary>
    /// <param name="shutterAngleDeg">Degrees, above 0 up to 360.</param>
    /// <param name="framesPerSecond">Captured frames a second, positive.</param>
    /// <returns>Seconds.</returns>
    public static double TimeSeconds(double shutterAngleDeg, double framesPerSecond) => shutterAngleDeg / 360 / framesPerSecond;

    /// <summary>The light that a setting needs, at ISO 100: 100·T²/(t·ISO), doubled by each stop of filter.</summary>
    /// <param name="workingTNumber">T-number (or f-number) that the sensor works at.</param>
    /// <param name="timeSeconds">t, seconds.</param>
    /// <param name="filterStops">Filters in place, stops.</param>
    /// <returns>A ratio: 1 at ƒ1 and one second.</returns>
    public static double LightNeeded(double workingTNumber, double timeSeconds, double filterStops) =>
        workingTNumber * workingTNumber / timeSeconds * (filterStops == 0 ? 1 : PortableMath.Exp2(filterStops));

    /// <summary>The scene's exposure value at ISO 100 from lux on a surface: log2(lux/2.5).</summary>
    /// <param name="lux">Illuminance, lux, positive.</param>
    /// <returns>Stops.</returns>
    public static double ValueFromLuxEv(double lux) => PortableMath.Log2(lux / 2.5);

    /// <summary>The scene's exposure value at ISO 100 from the luminance of a middle grey in it, as a spot meter reads it: log2(100·L/12.5).</summary>
    /// <param name="candelasPerSquareMetre">L, cd/m², positive.</param>
    /// <returns>Stops.</returns>
    public static double ValueFromLuminanceEv(double candelasPerSquareMetre) => PortableMath.Log2(8 * candelasPerSquareMetre);

    /// <summary>To which share of its distance a small lamp must come for more light, by the inverse square: 2^(−stops/2).</summary>
    /// <param name="stops">How much more light, stops.</param>
    /// <returns>A share; 1 for no more light.</returns>
    public static double LampDistanceShare(double stops) => PortableMath.Exp2(-stops / 2);

    /// <summary>The fixed filter to offer: whole stops, the nearest to what is left over.</summary>
    /// <param name="leftOverStops">Light left over, stops.</param>
    /// <returns>0 to 10 stops; 0 where half a stop or less is left over.</returns>
    public static double FixedFilterStops(double leftOverStops) => Math.Clamp(Math.Ceiling(leftOverStops - 0.5), 0, 10);

    /// <summary>
    /// The widest aperture of a zoom whose aperture closes as it zooms: between the ends log N is taken as linear in log f.
    /// </summary>
    /// <param name="focalLengthMm">f as marked, mm, between the ends.</param>
    /// <param name="shortMm">Short end, mm.</param>
    /// <param name="longMm">Long end, mm, longer.</param>
    /// <param name="fNumberShort">Widest f-number at the short end.</param>
    /// <param name="fNumberLong">Widest f-number at the long end.</param>
    /// <returns>The widest f-number at f. Lenses often close in steps; this is the smooth line between.</returns>
    public static double WidestFNumber(double focalLengthMm, double shortMm, double longMm, double fNumberShort, double fNumberLong) =>
        fNumberShort * PortableMath.Exp2(
            PortableMath.Log2(fNumberLong / fNumberShort) * (PortableMath.Log2(focalLengthMm / shortMm) / PortableMath.Log2(longMm / shortMm)));
}

namespace Juxtopsis.Core.Optics;

/// <summary>
/// The sharp zone: how far before and behind the plane of focus a point is still drawn no larger than the circle of confusion.
/// </summary>
/// <remarks>
/// Distances here are measured <b>from the lens</b>, in millimetres; add the image distance v for distances from the sensor
/// mark. The limits follow the thin lens exactly, close up as well; they say nothing of diffraction or of a lens's own faults.
/// Source: Ray, <i>Applied Photographic Optics</i>, "Depth of field".
/// </remarks>
public static class DepthOfField
{
    /// <summary>The hyperfocal distance H = f²/(N·c) + f: focus there, and all from half of it to infinity is sharp.</summary>
    /// <param name="focalLengthMm">f as the sensor sees it, mm.</param>
    /// <param name="fNumber">N as the sensor sees it.</param>
    /// <param name="circleOfConfusionMm">c on the sensor, mm.</param>
    /// <returns>Millimetres from the lens.</returns>
    public static double Hyperfocal(double focalLengthMm, double fNumber, double circleOfConfusionMm) =>
        focalLengthMm * focalLengthMm / (fNumber * circleOfConfusionMm) + focalLengthMm;

    /// <summary>The near limit s(H − f) / (H + s − 2f).</summary>
    /// <param name="subjectFromLensMm">s, mm from the lens.</param>
    /// <param name="hyperfocalMm">H, mm from the lens.</param>
    /// <param name="focalLengthMm">f, mm.</param>
    /// <returns>Millimetres from the lens, never more than s.</returns>
    public static double NearLimit(double subjectFromLensMm, double hyperfocalMm, double focalLengthMm) =>
        subjectFromLensMm * ((hyperfocalMm - focalLengthMm) / (hyperfocalMm + subjectFromLensMm - 2 * focalLengthMm));

    /// <summary>The far limit s(H − f) / (H − s).</summary>
    /// <param name="subjectFromLensMm">s, mm from the lens.</param>
    /// <param name="hyperfocalMm">H, mm from the lens.</param>
    /// <param name="focalLengthMm">f, mm.</param>
    /// <returns>Millimetres from the lens, never less than s; positive infinity when s reaches H.</returns>
    public static double FarLimit(double subjectFromLensMm, double hyperfocalMm, double focalLengthMm) =>
        subjectFromLensMm >= hyperfocalMm
            ? double.PositiveInfinity
            : subjectFromLensMm * ((hyperfocalMm - focalLengthMm) / (hyperfocalMm - subjectFromLensMm));
}

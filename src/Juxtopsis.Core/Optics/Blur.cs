namespace Juxtopsis.Core.Optics;

/// <summary>What a point becomes on the sensor when it is not in focus, and what it becomes even when it is.</summary>
public static class Blur
{
    /// <summary>Wavelength used for the Airy disc: green light, 0.00055 mm.</summary>
    public const double WavelengthMm = 0.00055;

    /// <summary>The disc that a point away from the plane of focus makes on the sensor: p·m·|b − s| / b.</summary>
    /// <param name="pupilMm">p = f/N, the pupil's diameter as the subject sees it, mm.</param>
    /// <param name="magnification">m, the reproduction ratio at the plane of focus.</param>
    /// <param name="subjectFromLensMm">s, mm from the lens.</param>
    /// <param name="pointFromLensMm">b, mm from the lens, positive; infinity allowed.</param>
    /// <returns>
    /// Diameter in mm; upright for a squeezed lens. Never more than p·m for a point behind the subject. Source: similar
    /// triangles through the pupil; Ray, <i>Applied Photographic Optics</i>.
    /// </returns>
    public static double DiscMm(double pupilMm, double magnification, double subjectFromLensMm, double pointFromLensMm) =>
        double.IsPositiveInfinity(pointFromLensMm)
            ? pupilMm * magnification
            : pupilMm * magnification * (Math.Abs(pointFromLensMm - subjectFromLensMm) / pointFromLensMm);

    /// <summary>The Airy disc that diffraction makes of a point in focus: 2.44·λ·N·(1 + m).</summary>
    /// <param name="fNumber">N as the sensor sees it.</param>
    /// <param name="magnification">m, the reproduction ratio.</param>
    /// <returns>Diameter to the first dark ring, mm. Source: Hecht, <i>Optics</i>, chapter 10.</returns>
    public static double AiryDiscMm(double fNumber, double magnification) => 2.44 * WavelengthMm * fNumber * (1 + magnification);
}

namespace Juxtopsis.Core.Optics;

/// <summary>What a point becomes on the sensor when it is not in focus, and what it becomes even when it is.</summary>
public static class Blur
{
    /// <summary>Wavelength used for the Airy disc: green light, 0.00055 mm.</summary>
    public const double WavelengthMm = 0.00055;

    /// <summary>The disc that a point away from the plane of focus makes on the sensor: p·m·|b − a| / b.</summary>
    /// <param name="pupilMm">p = f/N, the pupil's diameter as the subject sees it, mm.</param>
    /// <param name="magnification">m, the reproduction ratio at the plane of focus.</param>
    /// <param name="subjectFromPupilMm">a, mm from the entrance pupil.</param>
    /// <param name="pointFromPupilMm">b, mm from the entrance pupil, positive; infinity allowed.</param>
    /// <returns>
    /// Diameter in mm; upright for a squeezed lens. Never more than p·m for a point behind the subject. Source: similar
    /// triangles through the pupil; Ray, <i>Applied Photographic Optics</i>.
    /// </returns>
    public static double DiscMm(double pupilMm, double magnification, double subjectFromPupilMm, double pointFromPupilMm) =>
        double.IsPositiveInfinity(pointFromPupilMm)
            ? pupilMm * magnification
            : pupilMm * magnification * (Math.Abs(pointFromPupilMm - subjectFromPupilMm) / pointFromPupilMm);

    /// <summary>The Airy disc that diffraction makes of a point in focus: 2.44·λ·Nw.</summary>
    /// <param name="workingFNumber">Nw = N·(1 + m/P), the f-number that the sensor works at.</param>
    /// <returns>Diameter to the first dark ring, mm. Source: Hecht, <i>Optics</i>, chapter 10.</returns>
    public static double AiryDiscMm(double workingFNumber) => 2.44 * WavelengthMm * workingFNumber;

    /// <summary>The f-number N at which the Airy disc is as large as the circle of confusion.</summary>
    /// <param name="circleOfConfusionMm">c, mm.</param>
    /// <param name="workingOverSet">Nw/N: 1 + m/P.</param>
    /// <returns>An f-number as the sensor sees it; closed further, diffraction decides.</returns>
    public static double DiffractionFNumber(double circleOfConfusionMm, double workingOverSet) =>
        circleOfConfusionMm / (2.44 * WavelengthMm * workingOverSet);
}

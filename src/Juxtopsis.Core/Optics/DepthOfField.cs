namespace Juxtopsis.Core.Optics;

/// <summary>
/// The sharp zone: how far before and behind the plane of focus a point is still drawn no larger than the circle of confusion.
/// </summary>
/// <remarks>
/// <para>
/// Distances here are measured <b>from the entrance pupil</b>, which for a pupil magnification of one is the lens itself. A point
/// at b makes a disc p·m·|b − a|/b on the sensor; setting that to the circle c gives both limits at once, from the one ratio
/// e = c/(p·m). They are the same as s(H − f)/(H ± (s − f) …) of the textbooks, and stay exact close up and for any pupil.
/// </para>
/// <para>Source: Ray, <i>Applied Photographic Optics</i>, "Depth of field". Nothing is said of diffraction or a lens's faults.</para>
/// </remarks>
public static class DepthOfField
{
    /// <summary>e = c/(p·m): the circle, measured at the subject, over the pupil.</summary>
    /// <param name="circleOfConfusionMm">c on the sensor, mm.</param>
    /// <param name="pupilMm">p, mm.</param>
    /// <param name="magnification">m.</param>
    /// <returns>A ratio; from 1 upwards the zone reaches infinity.</returns>
    public static double Tolerance(double circleOfConfusionMm, double pupilMm, double magnification) =>
        circleOfConfusionMm / (pupilMm * magnification);

    /// <summary>The near limit a/(1 + e).</summary>
    /// <param name="subjectFromPupilMm">a, mm from the entrance pupil.</param>
    /// <param name="tolerance">e.</param>
    /// <returns>Millimetres from the entrance pupil, never more than a.</returns>
    public static double NearLimitMm(double subjectFromPupilMm, double tolerance) => subjectFromPupilMm / (1 + tolerance);

    /// <summary>The far limit a/(1 − e).</summary>
    /// <param name="subjectFromPupilMm">a, mm from the entrance pupil.</param>
    /// <param name="tolerance">e.</param>
    /// <returns>Millimetres from the entrance pupil, never less than a; positive infinity from e = 1.</returns>
    public static double FarLimitMm(double subjectFromPupilMm, double tolerance) =>
        tolerance >= 1 ? double.PositiveInfinity : subjectFromPupilMm / (1 - tolerance);
}

namespace Juxtopsis.Core.Optics;

/// <summary>
/// The thin lens in focus: 1/f = 1/s + 1/v, with the sensor mark at D = s + v from the subject.
/// </summary>
/// <remarks>
/// All lengths in millimetres. The thin lens has its two principal planes in one place; a real lens is longer by a few
/// centimetres, which matters close up only. A lens's own data, where given, go before this model: see <see cref="FocusTravel"/>.
/// Source: any optics text, e.g. Hecht, <i>Optics</i>, chapter 5.
/// </remarks>
public static class ThinLens
{
    /// <summary>The shortest distance, sensor mark to subject, at which a lens of this focal length can focus: 4f.</summary>
    /// <param name="focalLengthMm">Focal length as the sensor sees it, mm, positive.</param>
    /// <returns>Millimetres. At this distance the subject is drawn life size (1:1).</returns>
    public static double NearestSubjectDistanceMm(double focalLengthMm) => 4 * focalLengthMm;

    /// <summary>The distance s from the lens to the subject, when the sensor mark is D from it.</summary>
    /// <param name="focalLengthMm">Focal length as the sensor sees it, mm, positive.</param>
    /// <param name="subjectDistanceMm">D, mm, at least <see cref="NearestSubjectDistanceMm"/>.</param>
    /// <returns>
    /// Millimetres: (D + √(D² − 4fD)) / 2. Of the two solutions this is the one with the lens nearer the sensor, where a
    /// photographic lens works; the other would need the lens racked out beyond life size.
    /// </returns>
    /// <exception cref="ArgumentOutOfRangeException">The subject is nearer than the lens can focus.</exception>
    public static double SubjectFromLensMm(double focalLengthMm, double subjectDistanceMm)
    {
        var nearest = NearestSubjectDistanceMm(focalLengthMm);
        ArgumentOutOfRangeException.ThrowIfLessThan(subjectDistanceMm, nearest);
        return (subjectDistanceMm + Math.Sqrt(subjectDistanceMm * (subjectDistanceMm - nearest))) / 2;
    }

    /// <summary>The distance D from the sensor mark at which a subject is drawn at a ratio: f(1 + m)²/m.</summary>
    /// <param name="focalLengthMm">Focal length as the sensor sees it, mm, positive.</param>
    /// <param name="magnification">m, the reproduction ratio, positive.</param>
    /// <returns>Millimetres, never less than 4f.</returns>
    public static double SubjectDistanceMm(double focalLengthMm, double magnification) =>
        focalLengthMm * (1 + magnification) * (1 + magnification) / magnification;

    /// <summary>The focal length that draws a subject at a distance at a ratio: D·m/(1 + m)².</summary>
    /// <param name="subjectDistanceMm">D, mm from the sensor mark, positive.</param>
    /// <param name="magnification">m, the reproduction ratio, positive.</param>
    /// <returns>Millimetres, never more than D/4.</returns>
    public static double FocalLengthMm(double subjectDistanceMm, double magnification) =>
        subjectDistanceMm * magnification / ((1 + magnification) * (1 + magnification));

    /// <summary>The angle that a span of the picture takes in, with the lens at infinity: 2·atan(span / 2f).</summary>
    /// <param name="spanMm">Width, height or diagonal of the picture on the sensor (desqueezed), mm.</param>
    /// <param name="focalLengthMm">Focal length as the sensor sees it, mm, positive.</param>
    /// <returns>Degrees, 0 to 180.</returns>
    public static double AngleOfViewDeg(double spanMm, double focalLengthMm) =>
        2 * PortableMath.Atan(spanMm / (2 * focalLengthMm)) * (180 / Math.PI);
}

namespace Juxtopsis.Core.Optics;

/// <summary>
/// The thin lens in focus: 1/f = 1/s + 1/v, with the sensor mark at D = s + v from the subject.
/// </summary>
/// <remarks>
/// All lengths in millimetres. The thin lens has its two principal planes in one place; a real lens is longer by a few
/// centimetres, which matters close up only. Source: any optics text, e.g. Hecht, <i>Optics</i>, chapter 5.
/// </remarks>
public static class ThinLens
{
    /// <summary>The shortest distance, sensor mark to subject, at which a lens of this focal length can focus: 4f.</summary>
    /// <param name="focalLengthMm">Focal length as the sensor sees it, mm, positive.</param>
    /// <returns>Millimetres. At this distance the subject is drawn life size (1:1).</returns>
    public static double NearestSubjectDistance(double focalLengthMm) => 4 * focalLengthMm;

    /// <summary>The distance s from the lens to the subject, when the sensor mark is D from it.</summary>
    /// <param name="focalLengthMm">Focal length as the sensor sees it, mm, positive.</param>
    /// <param name="subjectDistanceMm">D, mm, at least <see cref="NearestSubjectDistance"/>.</param>
    /// <returns>
    /// Millimetres: (D + √(D² − 4fD)) / 2. Of the two solutions this is the one with the lens nearer the sensor, where a
    /// photographic lens works; the other would need the lens racked out beyond life size.
    /// </returns>
    /// <exception cref="ArgumentOutOfRangeException">The subject is nearer than the lens can focus.</exception>
    public static double SubjectFromLens(double focalLengthMm, double subjectDistanceMm)
    {
        var nearest = NearestSubjectDistance(focalLengthMm);
        ArgumentOutOfRangeException.ThrowIfLessThan(subjectDistanceMm, nearest);
        return (subjectDistanceMm + Math.Sqrt(subjectDistanceMm * (subjectDistanceMm - nearest))) / 2;
    }

    /// <summary>The reproduction ratio m = f / (s − f): size on the sensor over size at the subject.</summary>
    /// <param name="focalLengthMm">Focal length as the sensor sees it, mm, positive.</param>
    /// <param name="subjectFromLensMm">s, mm, greater than the focal length.</param>
    /// <returns>A ratio: 1 is life size. For a squeezed lens this is the ratio up and down.</returns>
    public static double Magnification(double focalLengthMm, double subjectFromLensMm) =>
        focalLengthMm / (subjectFromLensMm - focalLengthMm);

    /// <summary>The angle that a span of the picture takes in, with the lens at infinity: 2·atan(span / 2f).</summary>
    /// <param name="spanMm">Width, height or diagonal of the picture on the sensor (desqueezed), mm.</param>
    /// <param name="focalLengthMm">Focal length as the sensor sees it, mm, positive.</param>
    /// <returns>Degrees, 0 to 180.</returns>
    public static double AngleOfViewDeg(double spanMm, double focalLengthMm) =>
        2 * PortableMath.Atan(spanMm / (2 * focalLengthMm)) * (180 / Math.PI);

    /// <summary>
    /// How much wider a small upright thing is drawn at the middle of the side edge than in the centre of a straight-line
    /// (rectilinear) picture: 1/cos of half the angle across.
    /// </summary>
    /// <param name="pictureWidthMm">Width of the desqueezed picture on the sensor, mm.</param>
    /// <param name="focalLengthMm">Focal length as the sensor sees it, mm, positive.</param>
    /// <returns>A ratio from 1 upwards.</returns>
    public static double EdgeStretch(double pictureWidthMm, double focalLengthMm)
    {
        var tangent = pictureWidthMm / (2 * focalLengthMm);
        return Math.Sqrt(1 + tangent * tangent);
    }
}

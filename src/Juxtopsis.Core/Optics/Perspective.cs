namespace Juxtopsis.Core.Optics;

/// <summary>How things at different depths are drawn against each other. It depends on where the pupil stands, and on nothing else.</summary>
public static class Perspective
{
    /// <summary>How much nearer the camera a nose is than an ear, mm.</summary>
    public const double FaceDepthMm = 120;

    /// <summary>Face stretch above which a face reads as pulled towards the lens.</summary>
    public const double FaceStretchNoticed = 1.15;

    /// <summary>How many times larger a nose is drawn than the ear behind it: a/(a − 120 mm).</summary>
    /// <param name="subjectFromPupilMm">a, mm from the entrance pupil to the plane of the ears.</param>
    /// <returns>A ratio above 1; null when the nose would be at the pupil or behind it.</returns>
    public static double? FaceStretch(double subjectFromPupilMm) =>
        subjectFromPupilMm > FaceDepthMm ? subjectFromPupilMm / (subjectFromPupilMm - FaceDepthMm) : null;

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

    /// <summary>How large a thing at the background is drawn against the same thing at the subject: a/b.</summary>
    /// <param name="subjectFromPupilMm">a, mm.</param>
    /// <param name="pointFromPupilMm">b, mm; infinity gives 0.</param>
    /// <returns>A ratio.</returns>
    public static double BackgroundSize(double subjectFromPupilMm, double pointFromPupilMm) => subjectFromPupilMm / pointFromPupilMm;

    /// <summary>How far the subject moves against the background when the camera moves sideways: m·x·(1 − a/b).</summary>
    /// <param name="magnification">m.</param>
    /// <param name="sidewaysMm">x, mm.</param>
    /// <param name="backgroundSize">a/b.</param>
    /// <returns>Millimetres on the sensor. The customary f·x·(1/s − 1/b) is the same for subjects far away.</returns>
    public static double ParallaxMm(double magnification, double sidewaysMm, double backgroundSize) =>
        magnification * sidewaysMm * (1 - backgroundSize);

    /// <summary>
    /// How unsteady a hand-held picture looks against an unsteadied 24 mm equivalent: (equivalent focal length / 24)·2^−stops.
    /// </summary>
    /// <param name="equivalentFocalLengthMm">On full frame, mm.</param>
    /// <param name="stabilisationStops">Stops of stabilisation; each halves it.</param>
    /// <returns>A ratio, relative only: it says which rig is steadier, not whether it is steady enough.</returns>
    public static double Unsteadiness(double equivalentFocalLengthMm, double stabilisationStops) =>
        equivalentFocalLengthMm / 24 * PortableMath.Exp2(-stabilisationStops);
}

using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>The stage of focus: what follows from where the lens focuses, before anything is asked about sharpness or blur.</summary>
/// <param name="Magnification">m.</param>
/// <param name="PupilMm">p, entrance pupil, mm.</param>
/// <param name="SubjectFromPupilMm">a, from the entrance pupil, mm.</param>
/// <param name="BellowsFactor">w, f-number that the sensor works at over the one set.</param>
/// <param name="FieldWidthMm">Field across, mm.</param>
/// <param name="FieldHeightMm">Field upright, mm.</param>
public readonly record struct FocusStage(
    double Magnification, double PupilMm, double SubjectFromPupilMm, double BellowsFactor, double FieldWidthMm, double FieldHeightMm);

/// <summary>The stage of the sharp zone.</summary>
/// <param name="Tolerance">e, circle at the subject over the pupil.</param>
/// <param name="InFrontMm">Sharp in front of the subject, mm.</param>
/// <param name="BehindMm">Sharp behind it, mm; may be infinite.</param>
public readonly record struct SharpZone(double Tolerance, double InFrontMm, double BehindMm)
{
    /// <summary>The sharp zone of a focused rig.</summary>
    /// <param name="focus">Its focus.</param>
    /// <param name="circleMm">The circle of confusion that decides depth, mm.</param>
    /// <returns>The zone.</returns>
    public static SharpZone Of(in FocusStage focus, double circleMm)
    {
        var e = DepthOfField.Tolerance(circleMm, focus.PupilMm, focus.Magnification);
        var a = focus.SubjectFromPupilMm;
        return new(e, a - DepthOfField.NearLimitMm(a, e), DepthOfField.FarLimitMm(a, e) - a);
    }

    /// <summary>The pupil with which a movement stays just within the zone.</summary>
    /// <param name="focus">The focus; its own pupil does not matter.</param>
    /// <param name="circleMm">The circle of confusion that decides depth, mm.</param>
    /// <param name="halfMm">Movement to either side, mm; the nearer side decides.</param>
    /// <returns>Millimetres; infinite without movement, 0 where it reaches up to the pupil.</returns>
    public static double WidestPupilMm(in FocusStage focus, double circleMm, double halfMm) =>
        halfMm <= 0 ? double.PositiveInfinity
        : halfMm >= focus.SubjectFromPupilMm ? 0
        : circleMm / focus.Magnification * ((focus.SubjectFromPupilMm - halfMm) / halfMm);
}

/// <summary>The stage of blur: what a point behind the subject becomes.</summary>
/// <param name="FromPupilMm">b, from the entrance pupil, mm; may be infinite.</param>
/// <param name="Spread">b/a: how much more the picture takes in there.</param>
/// <param name="DiscMm">Its disc on the sensor, upright, mm.</param>
/// <param name="ShareOfHeight">The disc over the picture's height.</param>
public readonly record struct BlurBehind(double FromPupilMm, double Spread, double DiscMm, double ShareOfHeight)
{
    /// <summary>The blur of a point behind the subject.</summary>
    /// <param name="focus">The focus.</param>
    /// <param name="used">Used area.</param>
    /// <param name="behindMm">How far behind, mm; may be infinite.</param>
    /// <returns>The blur; it goes with the pupil.</returns>
    public static BlurBehind Of(in FocusStage focus, in UsedArea used, double behindMm)
    {
        var b = focus.SubjectFromPupilMm + behindMm;
        var disc = Blur.DiscMm(focus.PupilMm, focus.Magnification, focus.SubjectFromPupilMm, b);
        return new(b, b / focus.SubjectFromPupilMm, disc, disc / used.HeightMm);
    }
}

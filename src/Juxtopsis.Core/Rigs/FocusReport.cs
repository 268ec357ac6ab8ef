using Juxtopsis.Core.Framing;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Between which distances a rig can focus, from the chosen mark.</summary>
/// <param name="NearestSubjectDistanceMm">Nearest, mm.</param>
/// <param name="FarthestSubjectDistanceMm">Farthest, mm; infinite without tube and close-up lens.</param>
/// <param name="LargestMagnification">Largest reproduction ratio; null when no data says how close the lens goes.</param>
public readonly record struct FocusLimits(double NearestSubjectDistanceMm, double FarthestSubjectDistanceMm, double? LargestMagnification);

/// <summary>What follows from focusing at the subject.</summary>
/// <param name="Magnification">m, reproduction ratio at the plane of focus (vertical for a squeezed lens).</param>
/// <param name="FocalLengthMm">f at this focus as the sensor sees it, mm.</param>
/// <param name="SubjectFromLensMm">s, mm.</param>
/// <param name="ImageDistanceMm">v, mm.</param>
/// <param name="RackedOut">v/f − 1; m without a close-up lens.</param>
/// <param name="PupilMm">p, entrance pupil, mm; upright for a front squeeze.</param>
/// <param name="SubjectFromPupilMm">a, mm.</param>
/// <param name="BackgroundFromPupilMm">b, mm; infinite for the open.</param>
/// <param name="WorkingOverSet">1 + (v/f − 1)/P: the f-number that the sensor works at over N.</param>
/// <param name="FieldWidthMm">What the picture takes in across at the subject, mm.</param>
/// <param name="FieldHeightMm">What it takes in upright at the subject, mm.</param>
/// <param name="BackgroundFieldWidthMm">What it takes in across at the background, mm; infinite for an infinite background.</param>
/// <param name="BackgroundFieldHeightMm">What it takes in upright at the background, mm.</param>
/// <param name="AngleHorizontalDeg">Angle across as focused, degrees.</param>
/// <param name="Tolerance">e, the circle at the subject over the pupil.</param>
/// <param name="DepthOfFieldNearMm">Where the sharp zone begins, mm from the chosen mark.</param>
/// <param name="DepthOfFieldFarMm">Where it ends, mm from the chosen mark; may be infinite.</param>
/// <param name="DepthInFrontMm">Sharp in front of the subject, mm.</param>
/// <param name="DepthBehindMm">Sharp behind the subject, mm; may be infinite.</param>
/// <param name="BackgroundDiscMm">Disc that a point at the background makes, mm on the sensor, upright.</param>
/// <param name="BackgroundDiscFractionOfHeight">That disc over the picture's height.</param>
/// <param name="BackgroundDiscFractionOfWidth">The disc's width in the desqueezed picture over the picture's width.</param>
/// <param name="AiryDiscMm">Disc that diffraction makes of a point in focus, mm on the sensor.</param>
/// <param name="FaceStretch">How many times larger a nose is drawn than an ear; null when the nose would be in the lens.</param>
/// <param name="BackgroundSize">How large a thing at the background is drawn against the same at the subject.</param>
/// <param name="ParallaxMm">How far the subject moves against the background for the scene's sideways move, mm on the sensor.</param>
/// <param name="SubjectFigure">The standing figure at the subject's distance, as the picture shows it.</param>
/// <param name="BackgroundFigure">The standing figure at the background's distance.</param>
public readonly record struct FocusReport(
    double Magnification,
    double FocalLengthMm,
    double SubjectFromLensMm,
    double ImageDistanceMm,
    double RackedOut,
    double PupilMm,
    double SubjectFromPupilMm,
    double BackgroundFromPupilMm,
    double WorkingOverSet,
    double FieldWidthMm,
    double FieldHeightMm,
    double BackgroundFieldWidthMm,
    double BackgroundFieldHeightMm,
    double AngleHorizontalDeg,
    double Tolerance,
    double DepthOfFieldNearMm,
    double DepthOfFieldFarMm,
    double DepthInFrontMm,
    double DepthBehindMm,
    double BackgroundDiscMm,
    double BackgroundDiscFractionOfHeight,
    double BackgroundDiscFractionOfWidth,
    double AiryDiscMm,
    double? FaceStretch,
    double BackgroundSize,
    double ParallaxMm,
    StandingFigure SubjectFigure,
    StandingFigure BackgroundFigure)
{
    /// <summary>Works out what follows from a place of focus.</summary>
    /// <param name="scene">The scene.</param>
    /// <param name="rig">The rig.</param>
    /// <param name="used">Used area.</param>
    /// <param name="fNumber">N as the sensor sees it.</param>
    /// <param name="depthCircleMm">Circle that decides depth, mm.</param>
    /// <param name="place">The place of focus.</param>
    internal static FocusReport Of(
        in Scene scene, in Rig rig, in UsedArea used, double fNumber, double depthCircleMm, in FocusPlace place)
    {
        var m = place.Magnification;
        var pupilMagnification = PupilMagnification(rig);
        var pupil = place.FocalLengthMm / fNumber;
        // Where a close-up lens images the pupil to is not known; it is then taken to lie in the lens.
        var subject = place.SubjectFromLensMm + (rig.CloseUpDioptres == 0 ? place.FocalLengthMm * (1 / pupilMagnification - 1) : 0);
        var background = subject + (scene.BackgroundDistanceMm - scene.SubjectDistanceMm);
        var working = 1 + place.RackedOut / pupilMagnification;
        var fieldWidth = used.PictureWidthMm / m;
        var fieldHeight = used.HeightMm / m;
        var spread = background / subject;
        var tolerance = DepthOfField.Tolerance(depthCircleMm, pupil, m);
        var inFront = subject - DepthOfField.NearLimitMm(subject, tolerance);
        var behind = DepthOfField.FarLimitMm(subject, tolerance) - subject;
        var disc = Blur.DiscMm(pupil, m, subject, background);
        var size = Perspective.BackgroundSize(subject, background);
        return new FocusReport(
            m,
            place.FocalLengthMm,
            place.SubjectFromLensMm,
            place.ImageDistanceMm,
            place.RackedOut,
            pupil,
            subject,
            background,
            working,
            fieldWidth,
            fieldHeight,
            fieldWidth * spread,
            fieldHeight * spread,
            ThinLens.AngleOfViewDeg(fieldWidth, subject),
            tolerance,
            scene.SubjectDistanceMm - inFront,
            scene.SubjectDistanceMm + behind,
            inFront,
            behind,
            disc,
            disc / used.HeightMm,
            disc / (rig.PupilNarrowing() * used.PictureWidthMm),
            Blur.AiryDiscMm(fNumber * working),
            Perspective.FaceStretch(subject),
            size,
            Perspective.ParallaxMm(m, scene.SidewaysMm, size),
            StandingFigure.Project(scene.FigureHeightMm, scene.LensHeightMm, fieldHeight),
            StandingFigure.Project(scene.FigureHeightMm, scene.LensHeightMm, fieldHeight * spread));
    }

    /// <summary>
    /// P of lens and optics together. Glass behind the lens enlarges the exit pupil and leaves the entrance pupil; a lens of which
    /// nothing is known is taken as one thin lens together with them.
    /// </summary>
    internal static double PupilMagnification(in Rig rig) => rig.Lens.PupilMagnification is { } own ? own * rig.Optics.Magnification : 1;
}

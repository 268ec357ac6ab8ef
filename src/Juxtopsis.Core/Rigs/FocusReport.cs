using Juxtopsis.Core.Framing;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Between which distances a rig can focus, from the chosen mark.</summary>
/// <param name="NearestSubjectDistanceMm">Nearest, mm.</param>
/// <param name="FarthestSubjectDistanceMm">Farthest, mm; infinite without tube and close-up lens.</param>
/// <param name="LargestMagnification">Largest reproduction ratio; null when no data says how close the lens goes.</param>
public readonly record struct FocusLimits(double NearestSubjectDistanceMm, double FarthestSubjectDistanceMm, double? LargestMagnification);

/// <summary>What follows from focusing at the subject.</summary>
public record struct FocusReport
{
    /// <summary>m, reproduction ratio at the plane of focus (vertical for a squeezed lens).</summary>
    public double Magnification { get; private set; }

    /// <summary>f at this focus as the sensor sees it, mm.</summary>
    public double FocalLengthMm { get; private set; }

    /// <summary>s, mm.</summary>
    public double SubjectFromLensMm { get; private set; }

    /// <summary>v, mm.</summary>
    public double ImageDistanceMm { get; private set; }

    /// <summary>v/f − 1; m without a close-up lens.</summary>
    public double RackedOut { get; private set; }

    /// <summary>p, entrance pupil, mm; upright for a front squeeze.</summary>
    public double PupilMm { get; private set; }

    /// <summary>a, mm.</summary>
    public double SubjectFromPupilMm { get; private set; }

    /// <summary>b, mm; infinite for the open.</summary>
    public double BackgroundFromPupilMm { get; private set; }

    /// <summary>1 + (v/f − 1)/P: the f-number that the sensor works at over N.</summary>
    public double WorkingOverSet { get; private set; }

    /// <summary>What the picture takes in across at the subject, mm.</summary>
    public double FieldWidthMm { get; private set; }

    /// <summary>What it takes in upright at the subject, mm.</summary>
    public double FieldHeightMm { get; private set; }

    /// <summary>What it takes in across at the background, mm; infinite for an infinite background.</summary>
    public double BackgroundFieldWidthMm { get; private set; }

    /// <summary>What it takes in upright at the background, mm.</summary>
    public double BackgroundFieldHeightMm { get; private set; }

    /// <summary>Angle across as focused, degrees.</summary>
    public double AngleHorizontalDeg { get; private set; }

    /// <summary>e, the circle at the subject over the pupil.</summary>
    public double Tolerance { get; private set; }

    /// <summary>Where the sharp zone begins, mm from the chosen mark.</summary>
    public double DepthOfFieldNearMm { get; private set; }

    /// <summary>Where it ends, mm from the chosen mark; may be infinite.</summary>
    public double DepthOfFieldFarMm { get; private set; }

    /// <summary>Sharp in front of the subject, mm.</summary>
    public double DepthInFrontMm { get; private set; }

    /// <summary>Sharp behind the subject, mm; may be infinite.</summary>
    public double DepthBehindMm { get; private set; }

    /// <summary>Disc that a point at the background makes, mm on the sensor, upright.</summary>
    public double BackgroundDiscMm { get; private set; }

    /// <summary>That disc over the picture's height.</summary>
    public double BackgroundDiscFractionOfHeight { get; private set; }

    /// <summary>The disc's width in the desqueezed picture over the picture's width.</summary>
    public double BackgroundDiscFractionOfWidth { get; private set; }

    /// <summary>Disc that diffraction makes of a point in focus, mm on the sensor.</summary>
    public double AiryDiscMm { get; private set; }

    /// <summary>How many times larger a nose is drawn than an ear; null when the nose would be in the lens.</summary>
    public double? FaceStretch { get; private set; }

    /// <summary>How large a thing at the background is drawn against the same at the subject.</summary>
    public double BackgroundSize { get; private set; }

    /// <summary>How far the subject moves against the background for the scene's sideways move, mm on the sensor.</summary>
    public double ParallaxMm { get; private set; }

    /// <summary>The standing figure at the subject's distance, as the picture shows it.</summary>
    public StandingFigure SubjectFigure { get; private set; }

    /// <summary>The standing figure at the background's distance.</summary>
    public StandingFigure BackgroundFigure { get; private set; }

    /// <summary>Works out what follows from a place of focus.</summary>
    /// <param name="to">The report to fill.</param>
    /// <param name="scene">The scene.</param>
    /// <param name="rig">The rig.</param>
    /// <param name="used">Used area.</param>
    /// <param name="fNumber">N as the sensor sees it.</param>
    /// <param name="depthCircleMm">Circle that decides depth, mm.</param>
    /// <param name="place">The place of focus.</param>
    internal static void Fill(ref FocusReport to, in Scene scene, in Rig rig, in UsedArea used, double fNumber, double depthCircleMm, in FocusPlace place)
    {
        var m = place.Magnification;
        var pupilMagnification = PupilMagnification(rig);
        var pupil = place.FocalLengthMm / fNumber;

        // Where a close-up lens images the pupil to is not known; it is then taken to lie in the lens.
        var subject = place.SubjectFromLensMm + (rig.CloseUpDioptres == 0 ? place.FocalLengthMm * (1 / pupilMagnification - 1) : 0);
        var tolerance = DepthOfField.Tolerance(depthCircleMm, pupil, m);
        to.Magnification = m;
        to.FocalLengthMm = place.FocalLengthMm;
        to.SubjectFromLensMm = place.SubjectFromLensMm;
        to.ImageDistanceMm = place.ImageDistanceMm;
        to.RackedOut = place.RackedOut;
        to.PupilMm = pupil;
        to.SubjectFromPupilMm = subject;
        to.WorkingOverSet = 1 + place.RackedOut / pupilMagnification;
        to.FieldWidthMm = used.PictureWidthMm / m;
        to.FieldHeightMm = used.HeightMm / m;
        to.AngleHorizontalDeg = ThinLens.AngleOfViewDeg(to.FieldWidthMm, subject);
        to.Tolerance = tolerance;
        to.DepthInFrontMm = subject - DepthOfField.NearLimitMm(subject, tolerance);
        to.DepthBehindMm = DepthOfField.FarLimitMm(subject, tolerance) - subject;
        to.DepthOfFieldNearMm = scene.SubjectDistanceMm - to.DepthInFrontMm;
        to.DepthOfFieldFarMm = scene.SubjectDistanceMm + to.DepthBehindMm;
        to.AiryDiscMm = Blur.AiryDiscMm(fNumber * to.WorkingOverSet);
        to.FaceStretch = Perspective.FaceStretch(subject);
        to.SubjectFigure = StandingFigure.Project(scene.FigureHeightMm, scene.LensHeightMm, to.FieldHeightMm);
        FillBackground(ref to, scene, rig, used);
    }

    private static void FillBackground(ref FocusReport to, in Scene scene, in Rig rig, in UsedArea used)
    {
        var subject = to.SubjectFromPupilMm;
        var background = subject + (scene.BackgroundDistanceMm - scene.SubjectDistanceMm);
        var spread = background / subject;
        var disc = Blur.DiscMm(to.PupilMm, to.Magnification, subject, background);
        to.BackgroundFromPupilMm = background;
        to.BackgroundFieldWidthMm = to.FieldWidthMm * spread;
        to.BackgroundFieldHeightMm = to.FieldHeightMm * spread;
        to.BackgroundDiscMm = disc;
        to.BackgroundDiscFractionOfHeight = disc / used.HeightMm;
        to.BackgroundDiscFractionOfWidth = disc / (rig.PupilNarrowing() * used.PictureWidthMm);
        to.BackgroundSize = Perspective.BackgroundSize(subject, background);
        to.ParallaxMm = Perspective.ParallaxMm(to.Magnification, scene.SidewaysMm, to.BackgroundSize);
        to.BackgroundFigure = StandingFigure.Project(scene.FigureHeightMm, scene.LensHeightMm, to.BackgroundFieldHeightMm);
    }

    /// <summary>
    /// P of lens and optics together. Glass behind the lens enlarges the exit pupil and leaves the entrance pupil; a lens of which
    /// nothing is known is taken as one thin lens together with them.
    /// </summary>
    internal static double PupilMagnification(in Rig rig) => rig.Lens.PupilMagnification is { } own ? own * rig.Optics.Magnification : 1;
}

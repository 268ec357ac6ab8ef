using Juxtopsis.Core.Framing;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Between which distances a rig can focus, from the chosen mark.</summary>
/// <param name="NearestSubjectDistanceMm">Nearest, mm.</param>
/// <param name="FarthestSubjectDistanceMm">Farthest, mm; infinite without tube and close-up lens.</param>
/// <param name="MaximumMagnification">Largest reproduction ratio; null when no data says how close the lens goes.</param>
public readonly record struct FocusLimits(double NearestSubjectDistanceMm, double FarthestSubjectDistanceMm, double? MaximumMagnification);

/// <summary>What follows from focusing at the subject.</summary>
public readonly record struct FocusReport
{
    /// <summary>m, reproduction ratio at the plane of focus (vertical for a squeezed lens).</summary>
    public double Magnification { get; init; }

    /// <summary>f at this focus as the sensor sees it, mm.</summary>
    public double FocalLengthMm { get; init; }

    /// <summary>s, mm.</summary>
    public double SubjectFromLensMm { get; init; }

    /// <summary>v, mm.</summary>
    public double ImageDistanceMm { get; init; }

    /// <summary>v/f − 1; m without a close-up lens.</summary>
    public double RackedOut { get; init; }

    /// <summary>p, entrance pupil, mm; upright for a front squeeze.</summary>
    public double PupilMm { get; init; }

    /// <summary>a, mm.</summary>
    public double SubjectFromPupilMm { get; init; }

    /// <summary>b, mm; infinite for the open.</summary>
    public double BackgroundFromPupilMm { get; init; }

    /// <summary>1 + (v/f − 1)/P: the f-number that the sensor works at over N.</summary>
    public double BellowsFactor { get; init; }

    /// <summary>What the picture takes in across at the subject, mm.</summary>
    public double FieldWidthMm { get; init; }

    /// <summary>What it takes in upright at the subject, mm.</summary>
    public double FieldHeightMm { get; init; }

    /// <summary>What it takes in across at the background, mm; infinite for an infinite background.</summary>
    public double BackgroundFieldWidthMm { get; init; }

    /// <summary>What it takes in upright at the background, mm.</summary>
    public double BackgroundFieldHeightMm { get; init; }

    /// <summary>Angle across as focused, degrees.</summary>
    public double AngleHorizontalDeg { get; init; }

    /// <summary>e, the circle at the subject over the pupil.</summary>
    public double Tolerance { get; init; }

    /// <summary>Where the sharp zone begins, mm from the chosen mark.</summary>
    public double DepthOfFieldNearMm { get; init; }

    /// <summary>Where it ends, mm from the chosen mark; may be infinite.</summary>
    public double DepthOfFieldFarMm { get; init; }

    /// <summary>Sharp in front of the subject, mm.</summary>
    public double DepthInFrontMm { get; init; }

    /// <summary>Sharp behind the subject, mm; may be infinite.</summary>
    public double DepthBehindMm { get; init; }

    /// <summary>Disc that a point at the background makes, mm on the sensor, upright.</summary>
    public double BackgroundDiscMm { get; init; }

    /// <summary>That disc over the picture's height.</summary>
    public double BackgroundDiscFractionOfHeight { get; init; }

    /// <summary>The disc's width in the desqueezed picture over the picture's width.</summary>
    public double BackgroundDiscFractionOfWidth { get; init; }

    /// <summary>Disc that diffraction makes of a point in focus, mm on the sensor.</summary>
    public double AiryDiscMm { get; init; }

    /// <summary>How many times larger a nose is drawn than an ear; null when the nose would be in the lens.</summary>
    public double? FaceStretch { get; init; }

    /// <summary>How large a thing at the background is drawn against the same at the subject.</summary>
    public double BackgroundSize { get; init; }

    /// <summary>How far the subject moves against the background for the scene's sideways move, mm on the sensor.</summary>
    public double ParallaxMm { get; init; }

    /// <summary>The standing figure at the subject's distance, as the picture shows it.</summary>
    public StandingFigure SubjectFigure { get; init; }

    /// <summary>The standing figure at the background's distance.</summary>
    public StandingFigure BackgroundFigure { get; init; }

    /// <summary>g, from the close-up lens back to the lens, with where the rear group draws, mm: what D holds besides s and v.</summary>
    public double RestMm { get; init; }

    /// <summary>i, the ratio that the bare lens would have with the ring where it is.</summary>
    public double Ring { get; init; }

    /// <summary>The stage of focus: where the plane of focus and the pupil are, and what the picture takes in there.</summary>
    /// <param name="used">Used area.</param>
    /// <param name="fNumber">N as the sensor sees it.</param>
    /// <param name="lens">The lens in its chain.</param>
    /// <param name="place">The place of focus.</param>
    /// <returns>All that follows from the two.</returns>
    internal static FocusStage StageOf(in UsedArea used, double fNumber, in LensInChain lens, in FocusPlace place)
    {
        var behindFront = lens.PupilBehindFrontMm(place);
        var enlarged = lens.PupilEnlargement(behindFront);
        return new(
            place.Magnification,
            lens.ToSensor * place.FocalLengthMm / fNumber * enlarged,
            place.SubjectFromLensMm + behindFront * enlarged,
            lens.BellowsFactor(place),
            used.PictureWidthMm / place.Magnification,
            used.HeightMm / place.Magnification);
    }

    /// <summary>The report of a focused rig from its stages.</summary>
    /// <param name="scene">The scene.</param>
    /// <param name="rig">The rig.</param>
    /// <param name="used">Used area.</param>
    /// <param name="fNumber">N as the sensor sees it.</param>
    /// <param name="circleMm">Circle that decides depth, mm.</param>
    /// <param name="place">The place of focus.</param>
    /// <param name="focus">The stage of focus there.</param>
    internal FocusReport(in Scene scene, in Rig rig, in UsedArea used, double fNumber, double circleMm, in FocusPlace place, in FocusStage focus)
    {
        var zone = SharpZone.Of(focus, circleMm);
        var behind = BlurBehind.Of(focus, used, scene.BackgroundDistanceMm - scene.SubjectDistanceMm);
        Magnification = focus.Magnification;
        FocalLengthMm = place.FocalLengthMm;
        SubjectFromLensMm = place.SubjectFromLensMm;
        ImageDistanceMm = place.ImageDistanceMm;
        RackedOut = place.RackedOut;
        RestMm = place.RestMm;
        Ring = place.Ring;
        PupilMm = focus.PupilMm;
        SubjectFromPupilMm = focus.SubjectFromPupilMm;
        BellowsFactor = focus.BellowsFactor;
        FieldWidthMm = focus.FieldWidthMm;
        FieldHeightMm = focus.FieldHeightMm;
        AngleHorizontalDeg = ThinLens.AngleOfViewDeg(focus.FieldWidthMm, focus.SubjectFromPupilMm);
        Tolerance = zone.Tolerance;
        DepthInFrontMm = zone.InFrontMm;
        DepthBehindMm = zone.BehindMm;
        DepthOfFieldNearMm = scene.SubjectDistanceMm - zone.InFrontMm;
        DepthOfFieldFarMm = scene.SubjectDistanceMm + zone.BehindMm;
        AiryDiscMm = Blur.AiryDiscMm(fNumber * focus.BellowsFactor);
        FaceStretch = Perspective.FaceStretch(focus.SubjectFromPupilMm);
        SubjectFigure = StandingFigure.Project(scene.FigureHeightMm, scene.LensHeightMm, focus.FieldHeightMm);
        BackgroundFromPupilMm = behind.FromPupilMm;
        BackgroundFieldWidthMm = focus.FieldWidthMm * behind.Spread;
        BackgroundFieldHeightMm = focus.FieldHeightMm * behind.Spread;
        BackgroundDiscMm = behind.DiscMm;
        BackgroundDiscFractionOfHeight = behind.ShareOfHeight;
        BackgroundDiscFractionOfWidth = behind.DiscMm / (rig.PupilNarrowing() * used.PictureWidthMm);
        BackgroundSize = Perspective.BackgroundSize(focus.SubjectFromPupilMm, behind.FromPupilMm);
        ParallaxMm = Perspective.ParallaxMm(focus.Magnification, scene.SidewaysMm, Perspective.BackgroundSize(focus.SubjectFromPupilMm, behind.FromPupilMm));
        BackgroundFigure = StandingFigure.Project(scene.FigureHeightMm, scene.LensHeightMm, focus.FieldHeightMm * behind.Spread);
    }
}

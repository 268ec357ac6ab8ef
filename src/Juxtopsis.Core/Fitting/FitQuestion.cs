using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>A shot at a place, as every rig is asked about it: by the evaluator's own stages, in the order in which they refuse.</summary>
internal sealed class FitQuestion
{
    /// <summary>Air before the front of the lens, where nothing more is to be kept off, mm.</summary>
    private const double LeastAirMm = 10;

    public FitQuestion(Location location, ShotBrief brief, Conventions conventions, FitRules rules, int modes)
        : this(location, brief, new ModeFrames(brief.DeliveryAspect, brief.DeliveryWidthPx, brief.Fps, conventions, rules, modes))
    {
    }

    private FitQuestion(Location location, ShotBrief brief, ModeFrames frames)
    {
        (Location, Brief, Frames) = (location, brief, frames);
        Frame = WantedFrame.Of(brief);
        RoomMm = location.RoomMm(brief);
        BehindMm = location.BehindAlongMm(brief);
        LightAtOne = new ExposureSettings(1, brief.Shutter.TimeSeconds(brief.Fps), 0, null).SensitivityFor(location.Light.BrightnessEv);
    }

    public Location Location { get; }

    public ShotBrief Brief { get; }

    /// <summary>What each mode gives of what is delivered, and whether it offers the rate.</summary>
    public ModeFrames Frames { get; }

    public Conventions Conventions => Frames.Conventions;

    public FitRules Rules => Frames.Rules;

    public WantedFrame Frame { get; }

    /// <summary>From the subject to the end behind the camera, mm; infinite in the open.</summary>
    public double RoomMm { get; }

    /// <summary>From the subject to what is behind it, mm; infinite in the open.</summary>
    public double BehindMm { get; }

    /// <summary>The sensitivity that ƒ1 and nothing lost would need, ISO; null when the brightness is not known.</summary>
    private double? LightAtOne { get; }

    /// <summary>The same question after a change that leaves what is delivered, and so what counts as sharp.</summary>
    public FitQuestion After(Remedy remedy)
    {
        var brief = remedy.Apply(Brief);
        return new(remedy.Apply(Location), brief, Frames.At(brief.Fps));
    }

    /// <summary>The same question at another place.</summary>
    public FitQuestion At(Location location) => new(location, Brief, Frames);

    /// <summary>The same question by true focal lengths, where they are known.</summary>
    /// <param name="modes">How many modes there are.</param>
    public FitQuestion ByMeasured(int modes) => Rules.Measured ? this
        : new(Location, Brief, Conventions with { FocalLength = FocalLengthSchool.Measured }, Rules with { Measured = true }, modes);

    /// <summary>Nearest that a rig focuses at a focal length, mm from the sensor mark.</summary>
    public double NearestFocusMm(FitRig rig, double focalLengthMm) => rig.ChainAt(focalLengthMm, Rules.Measured).Travel.NearestMm();

    /// <summary>Nearest that the sensor mark of a rig may be to the subject, mm.</summary>
    public double NearestMm(FitRig rig) => rig.FrontMm + Math.Max(Location.KeepOffMm, LeastAirMm);

    /// <summary>Farthest that it can be, mm.</summary>
    public double FarthestMm(FitRig rig)
    {
        var room = RoomMm - RearMm(rig);
        return Brief.CameraSupport == CameraSupport.SelfHeld ? Math.Min(room, CameraSupports.ArmsLength * Brief.Subject.HeightMm) : room;
    }

    /// <summary>Between which distances its sensor mark may be from the subject, mm; the wrong way round where there is no such place.</summary>
    public (double Near, double Far) PlaceOf(FitRig rig) => (NearestMm(rig), FarthestMm(rig));

    /// <summary>From the sensor mark to the last thing behind it that must fit, mm.</summary>
    public double RearMm(FitRig rig) => Brief.RearMm ?? CameraSupports.RearMm(Brief.CameraSupport, rig.BackMm);

    /// <summary>The scene as the evaluator takes it, with a rig at a distance.</summary>
    public Scene SceneAt(FitRig rig, double distanceMm)
    {
        var farthest = FarthestMm(rig);
        return new(distanceMm)
        {
            BackgroundDistanceMm = distanceMm + BehindMm,
            DeliveryAspect = Brief.DeliveryAspect,
            DeliveryWidthPx = Brief.DeliveryWidthPx,
            LensHeightMm = Frame.LensHeightMm,
            FigureHeightMm = Brief.Subject.HeightMm,
            NearestCameraMm = NearestMm(rig),
            FarthestCameraMm = double.IsPositiveInfinity(farthest) ? null : farthest,
            Light = Location.Light,
            TimelineFps = Brief.TimelineFps,
            Shutter = Brief.Shutter,
        };
    }

    /// <summary>Asks a rig in a mode: the setting that gives the shot and is best by a criterion, or what is in the way.</summary>
    public FitAnswer Ask(FitRig rig, FitMode mode, RankingCriterion criterion) => Ask(rig, mode, PlaceOf(rig), criterion);

    /// <summary>The same, where the camera may stand being known already.</summary>
    public FitAnswer Ask(FitRig rig, FitMode mode, (double Near, double Far) place, RankingCriterion criterion)
    {
        if (SupportMiss(rig) is { Code: not DiagnosticCode.None } support)
        {
            return FitAnswer.No(support);
        }

        if (Frames.RateMiss(mode) is { Code: not DiagnosticCode.None } rate)
        {
            return FitAnswer.No(rate);
        }

        if (place.Near > place.Far)
        {
            return FitAnswer.No(new(DiagnosticCode.NoStandpoint, place.Near - place.Far, 8));
        }

        var frame = Frames.Of(rig, mode);
        if (!rig.CircleIsEstimated && ModeFrames.DarkShare(rig, frame) is > Coverage.Noticed and var dark)
        {
            return FitAnswer.No(new(DiagnosticCode.ImageCircleTooSmall, dark, 1 + 10 * dark));
        }

        return new StandpointSearch(this, rig, frame, frame.Used.HeightMm / Frame.HeightMm, place, criterion).Answer();
    }

    /// <summary>What is in the way where a rig is too much for the support that is chosen; what is not known of its weight is not counted.</summary>
    private Shortfall SupportMiss(FitRig rig)
    {
        if (Brief.Support is not { } support)
        {
            return Shortfall.None;
        }

        var (heavy, far) = (support.TooHeavyG(rig.WeightG), support.TooLongMm(rig.FrontMm + rig.BackMm));
        return heavy > 0 ? new(DiagnosticCode.RigTooHeavy, heavy, 4 + heavy / support.PayloadG!.Value)
            : far > 0 ? new(DiagnosticCode.RigTooLong, far, 4 + far / support.LongestMm!.Value)
            : Shortfall.None;
    }

    /// <summary>How a rig is set at a focal length: focused where it frames, and opened as far as the shot allows.</summary>
    /// <param name="rig">The rig.</param>
    /// <param name="frame">Its frame.</param>
    /// <param name="m">Reproduction ratio of the framing.</param>
    /// <param name="place">From where to where the camera may stand, mm.</param>
    /// <param name="focalLengthMm">As marked, mm.</param>
    /// <param name="closes">Whether it is closed as far as diffraction, lens, light and the softness asked for allow.</param>
    public FitPoint At(FitRig rig, FitFrame frame, double m, (double Near, double Far) place, double focalLengthMm, bool closes)
    {
        var chain = rig.ChainAt(focalLengthMm, Rules.Measured);
        if (chain.Travel.ForMagnification(m) is not { } focused)
        {
            return FitPoint.No(focalLengthMm, OutOfFocus(chain.Travel, m));
        }

        var distance = focused.SubjectDistanceMm;
        if (distance > place.Far * (1 + Rounding) || distance < place.Near * (1 - Rounding))
        {
            var far = distance > place.Far;
            return FitPoint.No(focalLengthMm, new(far ? DiagnosticCode.RoomTooShort : DiagnosticCode.MustStandTooNear, far ? distance - place.Far : place.Near - distance, Off(m, chain.Travel, far ? place.Far : place.Near)))
                with
            { DistanceMm = distance };
        }

        // At ƒ1: pupil, blur and what must be sharp go with the aperture from there.
        var one = FocusReport.StageOf(frame.Used, 1, chain, focused);
        var blurAtOne = BlurBehind.Of(one, frame.Used, BehindMm).ShareOfHeight;
        var (widest, narrowest, bright, filterless) = ApertureLimits.Of(rig, frame, Rules, LightAtOne, focalLengthMm, one.BellowsFactor);
        var sharp = one.PupilMm / SharpZone.WidestPupilMm(one, frame.CircleOfConfusionMm, Brief.HeldMm / 2);
        var readable = Brief.Behind == BackgroundRequirement.Readable ? blurAtOne / ShotBrief.ReadableShare : 0;
        var soft = Brief.Behind == BackgroundRequirement.Soft ? blurAtOne / ShotBrief.SoftShare : double.PositiveInfinity;
        var wanted = Math.Max(Math.Max(sharp, readable), filterless);
        var (fNumber, by) = widest >= wanted ? (widest, ApertureBy.Widest)
            : (wanted, filterless >= wanted ? ApertureBy.Filterless : sharp >= readable ? ApertureBy.Sharp : ApertureBy.Readable);
        var miss = by == ApertureBy.Filterless && Beyond(fNumber, Math.Min(narrowest, soft)) ? Stops(DiagnosticCode.TooBright, fNumber, Math.Min(narrowest, soft))
            : Beyond(fNumber, narrowest) ? Stops(Rules.Iris && rig.IrisIsFixed ? DiagnosticCode.IrisStuck : DiagnosticCode.CannotStopDownEnough, fNumber, narrowest)
            : Beyond(fNumber, soft) ? widest > soft ? Stops(DiagnosticCode.CannotOpenEnough, fNumber, soft) : Stops(DiagnosticCode.SharpnessAgainstBlur, wanted, soft)
            : Beyond(fNumber, bright) ? Stops(DiagnosticCode.TooDark, fNumber, bright)
            : Shortfall.None;
        if (closes && miss.Code == DiagnosticCode.None)
        {
            var diffraction = Blur.DiffractionFNumber(frame.CircleOfConfusionMm, one.BellowsFactor);
            var closed = Math.Min(Math.Min(diffraction, narrowest), Math.Min(soft, bright));
            if (closed > fNumber)
            {
                (fNumber, by) = (closed, closed == diffraction ? ApertureBy.Diffraction : closed == narrowest ? ApertureBy.Narrowest : closed == soft ? ApertureBy.Soft : ApertureBy.Light);
            }
        }

        return new(distance, focalLengthMm, fNumber, miss)
        {
            By = by,
            AtOne = one,
            BlurAtOne = blurAtOne,
            MostFNumber = Math.Min(Math.Min(narrowest, soft), bright),
            CircleOfConfusionMm = frame.CircleOfConfusionMm,
            RackedFarther = chain.Travel.NeedsRackingFarther(focused),
        };
    }

    /// <summary>Where it frames so it does not focus: nearer than it can, or so far that a tube or close-up lens keeps it from there.</summary>
    private static Shortfall OutOfFocus(in FocusTravel travel, double m)
    {
        var most = travel.EndMagnification();
        if (m > most)
        {
            var there = travel with { LargestOwnMagnification = double.MaxValue };
            var wanted = travel.FocalLengthSlopeMm == 0 && travel.CloseUpPerMm == 0 ? there.ForMagnification(m)?.SubjectDistanceMm : null;
            return new(DiagnosticCode.TooClose, Math.Max(0, travel.NearestMm() - wanted ?? 0), Math.Max(0.01, 2 * PortableMath.Log2(m / most)));
        }

        var least = travel.At(0).Magnification;
        return new(DiagnosticCode.TooFar, travel.FarthestMm(), Math.Max(0.01, 2 * PortableMath.Log2(least / m)));
    }

    /// <summary>How far the picture from the nearest possible place is off.</summary>
    private static double Off(double m, in FocusTravel travel, double distanceMm)
    {
        var there = Math.Clamp(distanceMm, travel.NearestMm(), travel.FarthestMm());
        return Math.Abs(2 * PortableMath.Log2(travel.FocusAt(there).Magnification / m));
    }

    private static bool Beyond(double fNumber, double most) => fNumber > most * (1 + Rounding);

    private static Shortfall Stops(DiagnosticCode kind, double wanted, double had)
    {
        var stops = had > 0 && !double.IsInfinity(wanted) ? 2 * PortableMath.Log2(wanted / had) : double.PositiveInfinity;
        return new(kind, stops, stops);
    }

    private const double Rounding = 1e-9;
}

/// <summary>What came of asking a rig in a mode.</summary>
/// <param name="Best">The best setting that gives the shot; null when none does.</param>
/// <param name="FromMm">Nearest place from which it gives the shot, mm from the sensor mark.</param>
/// <param name="ToMm">Farthest.</param>
/// <param name="Miss">What is in the way of the setting that comes nearest.</param>
/// <param name="Nearest">That setting; null when there is none.</param>
internal readonly record struct FitAnswer(FitPoint? Best, double FromMm, double ToMm, Shortfall Miss, FitPoint? Nearest)
{
    /// <summary>The focal length to set at the nearest place, mm as marked.</summary>
    public double FromFocalMm { get; init; }

    /// <summary>The one to set at the farthest.</summary>
    public double ToFocalMm { get; init; }

    public static FitAnswer No(Shortfall miss) => new(null, 0, 0, miss, null);
}

/// <summary>What decides an aperture.</summary>
internal enum ApertureBy
{
    Widest,
    Sharp,
    Readable,
    Diffraction,
    Narrowest,
    Soft,
    Light,
    Filterless,
}

/// <summary>How a rig is set at a standpoint.</summary>
/// <param name="DistanceMm">Sensor mark to subject, mm.</param>
/// <param name="FocalLengthMm">As marked, mm.</param>
/// <param name="FNumber">N as the sensor sees it.</param>
/// <param name="Miss">What is in the way.</param>
internal sealed record FitPoint(double DistanceMm, double FocalLengthMm, double FNumber, Shortfall Miss)
{
    public ApertureBy By { get; init; }

    /// <summary>The stage of focus at ƒ1.</summary>
    public FocusStage AtOne { get; init; }

    /// <summary>Disc of a point behind over the picture's height, at ƒ1.</summary>
    public double BlurAtOne { get; init; }

    /// <summary>The narrowest that lens, light and the softness asked for allow.</summary>
    public double MostFNumber { get; init; }

    public double CircleOfConfusionMm { get; init; }

    public bool RackedFarther { get; init; }

    public bool Gives => Miss.Code == DiagnosticCode.None;

    /// <summary>Disc of a point behind, as a share of the picture's height.</summary>
    public double BlurShare => BlurAtOne / FNumber;

    /// <summary>Sharp in front and behind together, mm; may be infinite.</summary>
    public double DepthMm
    {
        get
        {
            var zone = SharpZone.Of(AtOne with { PupilMm = AtOne.PupilMm / FNumber }, CircleOfConfusionMm);
            return zone.InFrontMm + zone.BehindMm;
        }
    }

    /// <summary>The smaller, the better, of what depends on the setting.</summary>
    public double Score(RankingCriterion criterion) => criterion switch
    {
        RankingCriterion.MostBlur => -BlurShare,
        RankingCriterion.Deepest => -Math.Min(DepthMm, 1e12),
        RankingCriterion.Farthest => -DistanceMm,
        _ => DistanceMm,
    };

    public static FitPoint No(double focalLengthMm, Shortfall miss) => new(0, focalLengthMm, 0, miss);
}

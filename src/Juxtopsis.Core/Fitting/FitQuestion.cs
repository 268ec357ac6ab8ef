using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>A shot at a place, as every rig is asked about it: by the evaluator's own stages, in the order in which they refuse.</summary>
internal sealed class FitQuestion
{
    /// <summary>Air before the front of the lens, where nothing more is to be kept off, mm.</summary>
    private const double LeastAirMm = 10;

    private readonly Dictionary<(int Mode, double Squeeze, SqueezePlace Place), FitFrame> frames;
    private readonly FitFrame?[] plainFrames;
    private readonly Shortfall?[] rates;

    public FitQuestion(Location location, ShotBrief brief, Conventions conventions, FitRules rules, int modes)
        : this(location, brief, conventions, rules, [], new FitFrame?[modes])
    {
    }

    private FitQuestion(
        Location location, ShotBrief brief, Conventions conventions, FitRules rules, Dictionary<(int Mode, double Squeeze, SqueezePlace Place), FitFrame> frames, FitFrame?[] plainFrames)
    {
        (this.frames, this.plainFrames, rates) = (frames, plainFrames, new Shortfall?[plainFrames.Length]);
        (Location, Brief, Conventions, Rules) = (location, brief, conventions, rules);
        Frame = WantedFrame.Of(brief);
        RoomMm = location.RoomMm(brief);
        BehindMm = location.BehindAlongMm(brief);
        LightAtOne = new ExposureSettings(1, brief.Shutter.TimeSeconds(brief.Fps), 0, null).SensitivityFor(location.Light.BrightnessEv);
    }

    public Location Location { get; }

    public ShotBrief Brief { get; }

    public Conventions Conventions { get; }

    public FitRules Rules { get; }

    public WantedFrame Frame { get; }

    /// <summary>From the subject to the end behind the camera, mm; infinite in the open.</summary>
    public double RoomMm { get; }

    /// <summary>From the subject to what is behind it, mm; infinite in the open.</summary>
    public double BehindMm { get; }

    /// <summary>The sensitivity that ƒ1 and nothing lost would need, ISO; null when the brightness is not known.</summary>
    private double? LightAtOne { get; }

    /// <summary>The same question after a change that leaves what is delivered, and so what counts as sharp.</summary>
    public FitQuestion After(Remedy remedy) => new(remedy.Apply(Location), remedy.Apply(Brief), Conventions, Rules, frames, plainFrames);

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

    /// <summary>The frame that a mode gives of this shot with a rig: what is used of it, and what counts as sharp there.</summary>
    public FitFrame FrameOf(FitRig rig, FitMode mode)
    {
        if (rig.Squeeze == 1 && mode.Index >= 0 && plainFrames[mode.Index] is { } plain)
        {
            return plain;
        }

        var key = (mode.Index, rig.Squeeze, rig.AtShort.SqueezePlace);
        if (mode.Index >= 0 && frames.TryGetValue(key, out var known))
        {
            return known;
        }

        var there = rig.In(mode, rig.ShortMm, rig.AtShort.FNumber);
        var scene = new Scene(1e7) { DeliveryAspect = Brief.DeliveryAspect, DeliveryWidthPx = Brief.DeliveryWidthPx };
        var used = UsedArea.Of(there, Brief.DeliveryAspect);
        var sensor = SensorUse.Of(scene, there, used);
        var circle = SharpnessLimits.Circle(scene, Conventions, there, used, sensor) ?? used.PictureDiagonalMm / SharpnessLimits.FallbackDivisor;
        var made = new FitFrame(used, SharpnessLimits.DepthCircleMm(circle, Conventions, there), sensor.Enlargement, used.SensorDiagonalMm, SqueezeReport.Of(there, used, Brief.DeliveryAspect).WasteShare)
        {
            LowestIso = there.LowestIso ?? ExposureSettings.ReferenceIso,
            HighestIso = Math.Min(Rules.HighestIso, there.HighestIso ?? double.PositiveInfinity),
        };
        if (mode.Index >= 0 && rig.Squeeze == 1)
        {
            plainFrames[mode.Index] = made;
        }
        else if (mode.Index >= 0)
        {
            frames.Add(key, made);
        }

        return made;
    }

    /// <summary>How a rig stands against others whatever the criterion: fewer of these go first.</summary>
    public Burden BurdenOf(FitRig rig, FitMode mode, FitFrame frame)
    {
        var findings = Rules.Findings;
        var shownWrong = findings && !mode.Shows(rig.Squeeze);
        var ratesUnknown = Rules.Rates && mode.Rates.Count == 0;
        var enlarged = Rules.Pixels && frame.Enlargement > ReasonFinder.MeasuringError;
        var pixelsUnknown = Rules.Pixels && frame.Enlargement is null && Brief.DeliveryWidthPx is not null;
        return new(
            (findings ? rig.Spoils : 0) + (enlarged ? 1 : 0),
            (findings ? rig.Costs + rig.Unknowns : 0) + (findings && rig.CircleIsEstimated && DarkShare(rig, frame) > Coverage.Noticed ? 1 : 0) + (shownWrong ? 1 : 0) + (ratesUnknown ? 1 : 0) + (pixelsUnknown ? 1 : 0),
            enlarged ? frame.Enlargement!.Value : 1);
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

        if (RateMiss(mode) is { Code: not DiagnosticCode.None } rate)
        {
            return FitAnswer.No(rate);
        }

        if (place.Near > place.Far)
        {
            return FitAnswer.No(new(DiagnosticCode.NoStandpoint, place.Near - place.Far, 8));
        }

        var frame = FrameOf(rig, mode);
        if (!rig.CircleIsEstimated && DarkShare(rig, frame) is > Coverage.Noticed and var dark)
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

    /// <summary>How much of a picture lies outside the image circle, as far as it is known.</summary>
    private static double DarkShare(FitRig rig, FitFrame frame) =>
        rig.ImageCircleMm is { } circle && circle < frame.DiagonalMm ? Coverage.DarkShare(frame.Used.WidthMm, frame.Used.HeightMm, circle) : 0;

    /// <summary>What is in the way where a mode does not offer the rate; asked once of each mode.</summary>
    private Shortfall RateMiss(FitMode mode)
    {
        if (mode.Index >= 0 && rates[mode.Index] is { } known)
        {
            return known;
        }

        var miss = Shortfall.None;
        if (Rules.Rates ? !mode.Offers(Brief.Fps) : !mode.IsAsFastAs(Brief.Fps))
        {
            var nearest = mode.NearestRate(Brief.Fps);
            miss = new(DiagnosticCode.RateNotOffered, nearest, 4 + Math.Abs(PortableMath.Log2(Brief.Fps / nearest)));
        }

        if (mode.Index >= 0)
        {
            rates[mode.Index] = miss;
        }

        return miss;
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
        var chain = rig.ChainAt(focalLengthMm);
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

        ref readonly var end = ref rig.EndAt(focalLengthMm);
        var k = rig.Magnification;

        // At ƒ1: pupil, blur and what must be sharp go with the aperture from there.
        var one = FocusReport.StageOf(frame.Used, 1, chain, focused);
        var blurAtOne = BlurBehind.Of(one, frame.Used, BehindMm).ShareOfHeight;
        var widest = Math.Max(Math.Max(k * (LensOnSensor.WidestAt(end.Lens, focalLengthMm) ?? end.FNumber), end.OpticsFastestFNumber ?? 0), ReasonFinder.FastestPossible);
        var isFixed = Rules.Iris && rig.IrisIsFixed;
        var narrowest = isFixed ? widest : Math.Max(widest, k * (end.Lens.NarrowestFNumber ?? Quantity.FNumber.Max));
        var sharp = one.PupilMm / SharpZone.WidestPupilMm(one, frame.CircleOfConfusionMm, Brief.HeldMm / 2);
        var readable = Brief.Behind == BackgroundRequirement.Readable ? blurAtOne / ShotBrief.ReadableShare : 0;
        var soft = Brief.Behind == BackgroundRequirement.Soft ? blurAtOne / ShotBrief.SoftShare : double.PositiveInfinity;
        var loss = (end.Lens.WidestTNumber / end.Lens.WidestFNumber ?? 1) * one.BellowsFactor;
        var isoAtOne = LightAtOne * (loss * loss);
        var bright = Rules.Sensitivity && isoAtOne is { } iso ? Math.Sqrt(frame.HighestIso / iso) : double.PositiveInfinity;
        // Without a filter, too much light is lost by the aperture alone.
        var filterless = Rules.Sensitivity && end.Lens.TakesNoFilter && isoAtOne is { } most ? Math.Sqrt(frame.LowestIso / most) : 0;
        var wanted = Math.Max(Math.Max(sharp, readable), filterless);
        var (fNumber, by) = widest >= wanted ? (widest, ApertureBy.Widest)
            : (wanted, filterless >= wanted ? ApertureBy.Filterless : sharp >= readable ? ApertureBy.Sharp : ApertureBy.Readable);
        var miss = by == ApertureBy.Filterless && Beyond(fNumber, Math.Min(narrowest, soft)) ? Stops(DiagnosticCode.TooBright, fNumber, Math.Min(narrowest, soft))
            : Beyond(fNumber, narrowest) ? Stops(isFixed ? DiagnosticCode.IrisStuck : DiagnosticCode.CannotStopDownEnough, fNumber, narrowest)
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

/// <summary>What a mode gives of a shot with a squeeze.</summary>
/// <param name="Used">Used area.</param>
/// <param name="CircleOfConfusionMm">The circle of confusion that decides depth, mm.</param>
/// <param name="Enlargement">How many times recorded pixels are enlarged for delivery; null when not known.</param>
/// <param name="DiagonalMm">Diagonal of the used area on the sensor, mm.</param>
/// <param name="WasteShare">Share of the mode that the trim throws away.</param>
internal sealed record FitFrame(UsedArea Used, double CircleOfConfusionMm, double? Enlargement, double DiagonalMm, double WasteShare)
{
    /// <summary>The lowest sensitivity in that mode, ISO.</summary>
    public double LowestIso { get; init; }

    /// <summary>The highest that is accepted, of that camera in that mode and by the production, ISO.</summary>
    public double HighestIso { get; init; }
}

/// <summary>What speaks against a rig, whatever the criterion.</summary>
/// <param name="Spoils">Things that spoil its use, too few pixels among them.</param>
/// <param name="Costs">Things that cost something, or are not known.</param>
/// <param name="Enlargement">How many times what is recorded is enlarged; 1 where it need not be.</param>
internal readonly record struct Burden(int Spoils, int Costs, double Enlargement)
{
    /// <summary>0 for nothing, 1 for what costs, 2 for what spoils.</summary>
    public int Tier => Spoils > 0 ? 2 : Costs > 0 ? 1 : 0;

    /// <summary>Below 0 when there is less against it than against another.</summary>
    public int Against(Burden other) =>
        Tier != other.Tier ? Tier.CompareTo(other.Tier)
        : Spoils != other.Spoils ? Spoils.CompareTo(other.Spoils)
        : Enlargement == other.Enlargement ? 0
        : Math.Round(PortableMath.Log2(Enlargement), 9).CompareTo(Math.Round(PortableMath.Log2(other.Enlargement), 9));
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

using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>A shot at a place, as every rig is asked about it.</summary>
internal sealed class FitQuestion
{
    /// <summary>Share of a picture that may be dark before corners count as dark: what rounding makes of a circle that just covers.</summary>
    private const double DarkAllowed = 1e-6;

    /// <summary>Air before the front of the lens, where nothing more is to be kept off, mm.</summary>
    private const double LeastAirMm = 10;
    private const double JustBelow = 1 - 1e-9;

    private readonly Dictionary<(int Mode, double Squeeze), double> circles;
    private readonly double[] plainCircles;

    public FitQuestion(Site site, ShotBrief brief, Conventions conventions, int modes)
        : this(site, brief, conventions, [], new double[modes])
    {
    }

    private FitQuestion(Site site, ShotBrief brief, Conventions conventions, Dictionary<(int Mode, double Squeeze), double> circles, double[] plainCircles)
    {
        (this.circles, this.plainCircles) = (circles, plainCircles);
        (Site, Brief, Conventions) = (site, brief, conventions);
        Frame = WantedFrame.Of(brief);
        RoomMm = site.RoomMm(brief);
        BehindMm = site.BehindAlongMm(brief);
    }

    public Site Site { get; }

    public ShotBrief Brief { get; }

    public Conventions Conventions { get; }

    public WantedFrame Frame { get; }

    /// <summary>From the subject to the end behind the camera, mm; infinite in the open.</summary>
    public double RoomMm { get; }

    /// <summary>From the subject to what is behind it, mm; infinite in the open.</summary>
    public double BehindMm { get; }

    /// <summary>The same question after a change that leaves what is delivered, and so what counts as sharp.</summary>
    public FitQuestion After(Remedy remedy) => new(remedy.Apply(Site), remedy.Apply(Brief), Conventions, circles, plainCircles);

    /// <summary>Nearest that the sensor mark of a rig may be to the subject, mm.</summary>
    public double NearestMm(FitRig rig) => rig.FrontMm + Math.Max(Site.KeepOffMm, LeastAirMm);

    /// <summary>Farthest that it can be, mm.</summary>
    public double FarthestMm(FitRig rig)
    {
        var room = RoomMm - RearMm(rig);
        return Brief.Carriage == Carriage.SelfHeld ? Math.Min(room, Carriages.ArmsLength * Brief.Subject.HeightMm) : room;
    }

    /// <summary>From the sensor mark to the last thing behind it that must fit, mm.</summary>
    public double RearMm(FitRig rig) => Brief.RearMm ?? Carriages.RearMm(Brief.Carriage, rig.BackMm);

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
            BrightnessEv = Site.BrightnessEv,
            TimelineFps = Brief.TimelineFps,
            ShutterAngleDeg = Brief.ShutterAngleDeg,
            MainsHertz = Site.MainsHertz,
        };
    }

    /// <summary>Where a rig must stand for the framing, from the nearest to the farthest place.</summary>
    public Standpoints Where(FitRig rig, FitMode mode)
    {
        var used = UsedArea.Trim(mode.WidthMm, mode.HeightMm, rig.Squeeze, Brief.DeliveryAspect);
        var m = used.HeightMm / Frame.HeightMm;
        var (near, far) = (NearestMm(rig), FarthestMm(rig));
        if (mode.FastestFps < Brief.Fps * (1 - 1e-4))
        {
            return new(m, 0, 0, new(MissKind.TooSlow, Brief.Fps / mode.FastestFps, 4 + PortableMath.Log2(Brief.Fps / mode.FastestFps)));
        }

        if (near > far)
        {
            return new(m, 0, 0, new(MissKind.NoPlace, near - far, 8));
        }

        if (rig.CircleMm is { } circle && circle * circle < used.WidthMm * used.WidthMm + used.HeightMm * used.HeightMm)
        {
            var dark = Coverage.DarkShare(used.WidthMm, used.HeightMm, circle);
            if (dark > DarkAllowed)
            {
                return new(m, 0, 0, new(MissKind.DarkCorners, dark, 1 + 10 * dark));
            }
        }

        var (shortEnd, longEnd) = (rig.ShortTravel, rig.LongTravel);
        var nearest = shortEnd.DistanceForMm(m);
        var farthest = rig.Zooms ? ThinLens.SubjectDistanceMm(longEnd.InfinityFocalLengthMm, m) : nearest;
        if (nearest > far)
        {
            return new(m, nearest, farthest, new(MissKind.TooLong, nearest - far, Off(m, shortEnd, far)));
        }

        if (farthest < near)
        {
            return new(m, nearest, farthest, new(MissKind.TooWide, near - farthest, Off(m, longEnd, near)));
        }

        return Focused(rig, m, (Math.Max(nearest, near), Math.Min(farthest, far)), shortEnd, longEnd, (near, far));
    }

    /// <summary>How a rig is set at a standpoint: zoomed to the framing, and opened as far as the brief allows.</summary>
    public FitPoint At(FitRig rig, FitMode mode, in Standpoints where, double distanceMm)
    {
        var k = rig.Magnification;
        var f = FocalLengthMm(rig, where, distanceMm, k);
        var isLong = f >= rig.LongMm;
        ref readonly var end = ref isLong ? ref rig.AtLong : ref rig.AtShort;
        var m = where.Magnification;
        var focused = isLong ? rig.LongTravel.InfinityFocalLengthMm + rig.LongTravel.FocalLengthSlopeMm * m : k * f;
        var pupilMagnification = rig.PupilMagnification;
        var subject = focused * (1 + m) / m + focused * (1 / pupilMagnification - 1);
        var used = UsedArea.Trim(mode.WidthMm, mode.HeightMm, rig.Squeeze, Brief.DeliveryAspect);
        var circle = CircleMm(rig, mode);

        // What a pupil of one millimetre would blur, as a share of the picture's height: the rest goes with the pupil.
        var blurPerPupil = Blur.DiscMm(1, m, subject, subject + BehindMm) / used.HeightMm;
        var widest = Math.Max(k * (LensOnSensor.WidestAt(end.Lens, f) ?? end.FNumber), end.OpticsFastestFNumber ?? 0);
        var narrowest = Math.Max(widest, k * (end.Lens.NarrowestFNumber ?? Quantities.Quantity.FNumber.Max));
        var half = Brief.MovesMm / 2;
        var sharp = half <= 0 ? 0 : half >= subject ? double.PositiveInfinity : half / (subject - half) * focused * m / circle;
        var readable = Brief.Behind == BehindWish.Readable ? focused * blurPerPupil / ShotBrief.ReadableShare : 0;
        var soft = Brief.Behind == BehindWish.Soft ? focused * blurPerPupil / ShotBrief.SoftShare : double.PositiveInfinity;
        var wanted = Math.Max(sharp, readable);
        var fNumber = Math.Max(widest, wanted);
        var miss = fNumber > narrowest * (1 + 1e-9) ? Stops(MissKind.NotSharp, fNumber, narrowest)
            : fNumber <= soft * (1 + 1e-9) ? Shortfall.None
            : widest > soft ? Stops(MissKind.NotSoft, Math.Max(widest, wanted), soft)
            : Stops(MissKind.Contradiction, wanted, soft);
        return new(distanceMm, f, fNumber, narrowest, soft, focused, m, subject, circle, blurPerPupil, miss) { PupilMagnification = pupilMagnification };
    }

    private static Shortfall Stops(MissKind kind, double wanted, double had)
    {
        var stops = had > 0 && !double.IsInfinity(wanted) ? 2 * PortableMath.Log2(wanted / had) : double.PositiveInfinity;
        return new(kind, stops, stops);
    }

    /// <summary>Narrows where a rig frames to where it focuses.</summary>
    private static Standpoints Focused(
        FitRig rig, double m, (double From, double To) frames, in FocusTravel shortEnd, in FocusTravel longEnd, (double Near, double Far) place)
    {
        if (!rig.Zooms)
        {
            var limit = shortEnd.NearestMm();
            return m <= (shortEnd.LargestMagnification() ?? 1) * (1 + 1e-9)
                ? new(m, frames.From, frames.To, Shortfall.None)
                : new(m, frames.From, frames.To, new(MissKind.NearestFocus, Math.Max(0, limit - frames.From), 2 * PortableMath.Log2(m / (shortEnd.LargestMagnification() ?? 1))));
        }

        // Along a zoom the nearest mark is the same; where none is known, the thin lens ends at life size.
        var mark = rig.AtShort.Lens.NearestFocusMm ?? 0;
        if (m <= 1 && frames.To >= mark)
        {
            return new(m, Math.Max(frames.From, mark), frames.To, Shortfall.None);
        }

        // At its long end its largest ratio may be known, and then goes before the mark.
        if (rig.AtLong.Lens.LargestMagnification is not null && m <= longEnd.LargestMagnification())
        {
            var there = longEnd.DistanceForMm(m);
            if (there >= place.Near && there <= place.Far)
            {
                return new(m, there, there, Shortfall.None) { AtLongEnd = true };
            }
        }

        var reached = longEnd.LargestMagnification() ?? 1;
        return new(m, frames.From, frames.To, new(MissKind.NearestFocus, Math.Max(0, mark - frames.To), Math.Max(0.01, 2 * PortableMath.Log2(m / reached))));
    }

    /// <summary>The marked focal length that frames from a distance.</summary>
    private static double FocalLengthMm(FitRig rig, in Standpoints where, double distanceMm, double k)
    {
        if (!rig.Zooms)
        {
            return rig.ShortMm;
        }

        if (where.AtLongEnd)
        {
            return rig.LongMm;
        }

        // At its very end a zoom may change its focal length as it focuses; just before it, it is not known to.
        var end = rig.AtLong.Lens.LargestMagnification is null ? rig.LongMm : rig.LongMm * JustBelow;
        return Math.Clamp(ThinLens.FocalLengthMm(distanceMm, where.Magnification) / k, rig.ShortMm, end);
    }

    /// <summary>How far the picture from the nearest possible place is off.</summary>
    private static double Off(double m, in FocusTravel travel, double distanceMm)
    {
        var there = Math.Max(distanceMm, travel.NearestMm());
        return Math.Abs(2 * PortableMath.Log2(travel.FocusAt(there).Magnification / m));
    }

    private double CircleMm(FitRig rig, FitMode mode)
    {
        if (rig.Squeeze == 1 && mode.Index >= 0 && plainCircles[mode.Index] is > 0 and var plain)
        {
            return plain;
        }

        var key = (mode.Index, rig.Squeeze * (rig.AtShort.SqueezePlace == SqueezePlace.Front ? 1 : -1));
        if (mode.Index >= 0 && circles.TryGetValue(key, out var known))
        {
            return known;
        }

        var scene = new Scene(1e7) { DeliveryAspect = Brief.DeliveryAspect, DeliveryWidthPx = Brief.DeliveryWidthPx };
        var there = rig.In(mode, rig.ShortMm, rig.AtShort.FNumber);
        var circle = SharpnessLimits.DepthCircleMm(RigEvaluator.Evaluate(scene, Conventions, there).Sharpness.CircleOfConfusionMm, Conventions, there);
        if (mode.Index >= 0 && rig.Squeeze == 1)
        {
            plainCircles[mode.Index] = circle;
        }
        else if (mode.Index >= 0)
        {
            circles.Add(key, circle);
        }

        return circle;
    }
}

/// <summary>Where a rig can stand for a framing.</summary>
/// <param name="Magnification">Reproduction ratio of the framing, upright.</param>
/// <param name="FromMm">Nearest, mm from the sensor mark.</param>
/// <param name="ToMm">Farthest, mm; the same for a prime.</param>
/// <param name="Miss">What is in the way.</param>
internal readonly record struct Standpoints(double Magnification, double FromMm, double ToMm, Shortfall Miss)
{
    /// <summary>True when only the long end's known ratio reaches so near.</summary>
    public bool AtLongEnd { get; init; }
}

/// <summary>How a rig is set at a standpoint.</summary>
/// <param name="DistanceMm">Sensor mark to subject, mm.</param>
/// <param name="FocalLengthMm">As marked, mm.</param>
/// <param name="FNumber">N as the sensor sees it.</param>
/// <param name="NarrowestFNumber">The narrowest that the lens has, as the sensor sees it.</param>
/// <param name="SoftFNumber">The narrowest at which what is behind stays soft, where that is wished; else infinite.</param>
/// <param name="FocusedMm">f at this focus, mm.</param>
/// <param name="Magnification">m.</param>
/// <param name="SubjectMm">a, from the entrance pupil, mm.</param>
/// <param name="CircleMm">c that decides depth, mm.</param>
/// <param name="BlurPerPupil">Disc of a point behind over the picture's height, for each mm of pupil.</param>
/// <param name="Miss">What is in the way.</param>
internal readonly record struct FitPoint(
    double DistanceMm,
    double FocalLengthMm,
    double FNumber,
    double NarrowestFNumber,
    double SoftFNumber,
    double FocusedMm,
    double Magnification,
    double SubjectMm,
    double CircleMm,
    double BlurPerPupil,
    Shortfall Miss)
{
    /// <summary>P of lens and optics together.</summary>
    public double PupilMagnification { get; init; }

    /// <summary>Disc of a point behind, as a share of the picture's height.</summary>
    public double BlurShare => BlurPerPupil * FocusedMm / FNumber;

    /// <summary>Sharp in front and behind together, mm; may be infinite.</summary>
    public double DepthMm
    {
        get
        {
            var e = DepthOfField.Tolerance(CircleMm, FocusedMm / FNumber, Magnification);
            return DepthOfField.FarLimitMm(SubjectMm, e) - DepthOfField.NearLimitMm(SubjectMm, e);
        }
    }

    /// <summary>The same, closed as far as diffraction, the lens and the wish for softness behind allow.</summary>
    public FitPoint Closed()
    {
        var diffraction = Blur.AiryDiscMm(1) * (1 + Magnification / PupilMagnification);
        return this with { FNumber = Math.Max(FNumber, Math.Min(Math.Min(CircleMm / diffraction, NarrowestFNumber), SoftFNumber)) };
    }
}

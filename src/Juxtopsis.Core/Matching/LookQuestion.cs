using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Matching;

/// <summary>A look, as every rig is asked how near it comes: by the evaluator's own stages.</summary>
internal sealed class LookQuestion
{
    /// <summary>Air before the front of the lens, mm.</summary>
    private const double LeastAirMm = 10;

    /// <summary>How many times nearer or farther than the look's camera any other is looked for, where nothing else keeps it.</summary>
    private const double FarthestTimes = 64;

    private readonly LookTerm[] terms;
    private readonly double[] wanted;
    private readonly double? lightAtOne;
    private readonly Focused[] places = new Focused[8];
    private FitRig? known;
    private int focused;

    public LookQuestion(Look look, LookValues values, LookWishes wishes, FitRules rules, int modes)
    {
        (Look, Values, Wishes) = (look, values, wishes);
        var (scene, rig) = (look.Scene, look.Rig);
        var fps = rig.FpsIn(scene);
        Frames = new(look.Report.Sensor.DeliveredAspect, scene.DeliveryWidthPx, fps, look.Conventions, rules, modes);
        terms = LookTerm.Of(wishes, look.BehindMm);
        wanted = [.. terms.Select(t => LookTerm.StopsOf(values.Of(t.Aspect, t.BehindMm)))];
        lightAtOne = new ExposureSettings(1, rig.ShutterIn(scene).TimeSeconds(fps), 0, null).SensitivityFor(scene.Light.BrightnessEv);
    }

    public Look Look { get; }

    public LookValues Values { get; }

    public LookWishes Wishes { get; }

    /// <summary>Whether true focal lengths count, where they were measured.</summary>
    public bool ByMeasured => Look.Conventions.FocalLength == FocalLengthSchool.Measured;

    public ModeFrames Frames { get; }

    public int Terms => terms.Length;

    /// <summary>From where to where the camera may stand with a rig, mm: within the tolerance of a pinned distance, where the place has that.</summary>
    public (double Near, double Far) PlaceOf(FitRig rig)
    {
        var near = Math.Max(Math.Max(rig.FrontMm + LeastAirMm, Look.Scene.NearestCameraMm ?? 0), Values.DistanceMm / FarthestTimes);
        var far = Math.Min(Look.Scene.FarthestCameraMm ?? double.PositiveInfinity, Values.DistanceMm * FarthestTimes);
        if (Wishes[LookAspect.Distance] is { IsPinned: true } pin)
        {
            var times = PortableMath.Exp2(pin.ToleranceStops / 2);
            var (from, to) = (Math.Max(near, Values.DistanceMm / times), Math.Min(far, Values.DistanceMm * times));
            return from <= to ? (from, to) : (near, far);
        }

        return (near, far);
    }

    /// <summary>What stands in the way of a rig in a mode, whatever its setting.</summary>
    public Shortfall MissOf(FitRig rig, FitMode mode, FitFrame frame, (double Near, double Far) place)
    {
        if (Frames.RateMiss(mode) is { Code: not DiagnosticCode.None } rate)
        {
            return rate;
        }

        if (place.Near > place.Far)
        {
            return new(DiagnosticCode.NoStandpoint, place.Near - place.Far, 8);
        }

        return !rig.CircleIsEstimated && ModeFrames.DarkShare(rig, frame) is > Coverage.Noticed and var dark
            ? new(DiagnosticCode.ImageCircleTooSmall, dark, 1 + 10 * dark)
            : Shortfall.None;
    }

    /// <summary>The focal length with which a rig takes in the look's angle, mm.</summary>
    public double FocalLengthForAngle(FitRig rig, FitFrame frame) => Values.FocalPerHeight * frame.Used.HeightMm / rig.Magnification;

    /// <summary>A rig set at a focal length from a distance: what is left over at ƒ1, and how far it opens and closes.</summary>
    /// <param name="rig">The rig.</param>
    /// <param name="frame">Its frame.</param>
    /// <param name="focalLengthMm">As marked, mm.</param>
    /// <param name="distanceMm">From the sensor mark, mm. Where it does not focus there all but that distance is of the nearest place where it does, which bounds them.</param>
    /// <param name="over">What is left over of each term, stops.</param>
    /// <returns>The place of focus with the limits of the aperture.</returns>
    public LookPoint At(FitRig rig, FitFrame frame, double focalLengthMm, double distanceMm, Span<double> over)
    {
        var (one, distance) = FocusOf(rig, focalLengthMm, distanceMm);
        one = one with { FieldHeightMm = frame.Used.HeightMm / one.Magnification };
        var limits = ApertureLimits.Of(rig, frame, Frames.Rules, lightAtOne, focalLengthMm, one.BellowsFactor);
        var lens = rig.EndAt(focalLengthMm).Lens;
        var there = new LookValues
        {
            FocalPerHeight = rig.Magnification * rig.UsedMm(focalLengthMm, ByMeasured) / frame.Used.HeightMm,
            FieldHeightMm = one.FieldHeightMm,
            DistanceMm = distanceMm,
            FromPupilMm = one.SubjectFromPupilMm,
            PupilMm = one.PupilMm,
            CircleAtSubjectMm = frame.CircleOfConfusionMm / one.Magnification,
            WorkingTNumber = (lens.WidestTNumber / lens.WidestFNumber ?? 1) * one.BellowsFactor,
            DiscNarrowing = rig.AtShort.PupilNarrowing(),
        };
        for (var i = 0; i < terms.Length; i++)
        {
            over[i] = LookTerm.StopsOf(there.Of(terms[i].Aspect, terms[i].BehindMm)) - wanted[i];
        }

        return new(focalLengthMm, distance, limits, distance == distanceMm);
    }

    /// <summary>
    /// The stage of focus, without a field: it is of the lens alone, and so the same for all modes of a body, which follow each other. Where it does not
    /// focus at the distance, at the nearest place where it does.
    /// </summary>
    private (FocusStage Stage, double DistanceMm) FocusOf(FitRig rig, double focalLengthMm, double distanceMm)
    {
        if (!ReferenceEquals(rig, known))
        {
            (known, focused) = (rig, 0);
        }

        for (var i = 0; i < focused; i++)
        {
            ref readonly var place = ref places[i];
            if (place.FocalLengthMm == focalLengthMm && place.AskedMm == distanceMm)
            {
                return (place.Stage, place.DistanceMm);
            }
        }

        var chain = rig.ChainAt(focalLengthMm, ByMeasured);
        var range = chain.Travel.Range();
        var distance = Math.Clamp(distanceMm, range.NearestMm, Math.Max(range.NearestMm, range.FarthestMm));
        var stage = FocusReport.StageOf(default, 1, chain, chain.Travel.FocusAt(distance));
        if (focused < places.Length)
        {
            places[focused++] = new(focalLengthMm, distanceMm, distance, stage);
        }

        return (stage, distance);
    }

    private readonly record struct Focused(double FocalLengthMm, double AskedMm, double DistanceMm, FocusStage Stage);

    /// <summary>The aperture that leaves least over.</summary>
    public (double FNumber, double Cost) Least(in LookPoint point, ReadOnlySpan<double> over)
    {
        var (stops, cost) = LookTerm.Least(terms, over, over, LookTerm.StopsOf(point.Widest), LookTerm.StopsOf(point.Narrowest));
        return (Math.Clamp(PortableMath.Exp2(stops / 2), point.Widest, point.Narrowest), cost);
    }

    /// <summary>No setting between two leaves less over: one draws all as large and soft as can be, the other as small and sharp.</summary>
    public double Bound(in LookPoint one, in LookPoint other, ReadOnlySpan<double> overOne, ReadOnlySpan<double> overOther, Span<double> low, Span<double> high)
    {
        for (var i = 0; i < terms.Length; i++)
        {
            (low[i], high[i]) = (Math.Min(overOne[i], overOther[i]), Math.Max(overOne[i], overOther[i]));
        }

        var (widest, narrowest) = (Math.Min(one.Widest, other.Widest), Math.Max(one.Narrowest, other.Narrowest));
        return widest > narrowest * LookPoint.Rounding ? double.PositiveInfinity : LookTerm.Least(terms, low, high, LookTerm.StopsOf(widest), LookTerm.StopsOf(narrowest)).Cost;
    }
}

/// <summary>A rig set at a focal length from a distance.</summary>
/// <param name="FocalLengthMm">As marked, mm.</param>
/// <param name="DistanceMm">From the sensor mark, mm.</param>
/// <param name="Limits">How far it opens and closes.</param>
/// <param name="IsThere">False where it does not focus at the distance that was asked for, and this is the nearest where it does.</param>
internal readonly record struct LookPoint(double FocalLengthMm, double DistanceMm, ApertureLimits Limits, bool IsThere)
{
    /// <summary>The widest f-number that may be set: where no filter is taken, not so wide that it is too bright.</summary>
    public double Widest => Math.Max(Limits.Widest, Limits.Filterless);

    /// <summary>The narrowest: not so narrow that it is too dark.</summary>
    public double Narrowest => Math.Min(Limits.Narrowest, Limits.Bright);

    /// <summary>Closer together, two apertures are one.</summary>
    public const double Rounding = 1 + 1e-12;

    /// <summary>Whether an aperture may be set at all.</summary>
    public bool CanBeExposed => Widest <= Narrowest * Rounding;
}

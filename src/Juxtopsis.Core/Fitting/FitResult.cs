using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>A rig that gives a shot, and how.</summary>
/// <param name="Rig">The rig.</param>
/// <param name="Mode">The mode that it is in.</param>
/// <param name="FromMm">Nearest place from which it frames so, mm from the sensor mark.</param>
/// <param name="ToMm">Farthest.</param>
/// <param name="Set">The rig as it is set.</param>
/// <param name="Scene">The scene with the camera where it is proposed to stand.</param>
/// <param name="Ways">Ways and modes of this body and lens that give the shot.</param>
public sealed record Fit(FitRig Rig, FitMode Mode, double FromMm, double ToMm, Rig Set, Scene Scene, int Ways)
{
    /// <summary>What the evaluator says of it.</summary>
    public RigReport Report { get; init; }

    /// <summary>0 where nothing speaks against it, 1 where something costs or is not known, 2 where something spoils it.</summary>
    public int Tier { get; init; }

    /// <summary>Share of the mode's area that the trim to the delivered shape throws away.</summary>
    public double WasteShare => Report.Squeeze.WasteShare;

    /// <summary>From the last thing behind the camera to the end of the room, mm; infinite in the open.</summary>
    public double RoomLeftMm { get; init; }

    /// <summary>How much farther the sharp zone reaches than the subject moves, on the side where it is less, mm.</summary>
    public double SharpToSpareMm { get; init; }

    /// <summary>The sensitivity that would be just right without a filter, ISO; null when the brightness is not known.</summary>
    public double? SensitivityIso => Report.Light.SensitivityNeededIso;

    /// <summary>Light to be taken away by filters at the lowest sensitivity, stops; 0 when none; null when not known.</summary>
    public double? FilterStops => SensitivityIso is { } iso ? Math.Max(0, PortableMath.Log2((Set.LowestIso ?? ExposureSettings.ReferenceIso) / iso)) : null;

    /// <summary>How sure it is; null where it was not asked.</summary>
    public FitMargin? Margin { get; init; }

    /// <summary>Where it is not sure: another lens on the same body that is; null where none is found.</summary>
    public Remedy? Surer { get; init; }

    /// <summary>How unsteady it is as it is carried, against an unsteadied 24 mm equivalent in both hands.</summary>
    public double Unsteadiness { get; init; }

    /// <summary>The focal length to set at the nearest place, mm as marked.</summary>
    public double FromFocalMm { get; init; }

    /// <summary>The one to set at the farthest: between both, a zoom gives the shot from a place of its own for each focal length.</summary>
    public double ToFocalMm { get; init; }

    /// <summary>From a microphone on the camera to the subject, mm.</summary>
    public double MicrophoneMm => Scene.SubjectDistanceMm;
}

/// <summary>A rig that does not give a shot.</summary>
/// <param name="Rig">The rig.</param>
/// <param name="Mode">The mode in which it comes nearest.</param>
/// <param name="Shortfall">By how much it misses.</param>
/// <param name="Remedies">What would let it: each was tried, and then it gives the shot.</param>
public sealed record Miss(FitRig Rig, FitMode Mode, Shortfall Shortfall, IReadOnlyList<Remedy> Remedies)
{
    /// <summary>The setting that comes nearest, for looking at; it does not give the shot. Null where there is none in focus.</summary>
    public Fit? Nearest { get; init; }

    /// <summary>Where it may give the shot all the same: by how much it misses, and how surely. Null where it does not.</summary>
    public Spare? Margin { get; init; }
}

/// <summary>What fits, and what does not.</summary>
/// <param name="Frame">What the picture must take in.</param>
/// <param name="Fits">Rigs that give the shot, the best by the criterion first: one of each body and lens.</param>
/// <param name="Misses">Rigs that do not: those that something would help first, the nearest miss before others.</param>
/// <param name="FitCount">How many bodies with lenses give it, also those that are not told.</param>
/// <param name="MissCount">How many do not.</param>
/// <param name="Contradictions">What in the brief or the place cannot be, whatever the gear.</param>
public sealed record FitResult(
    WantedFrame Frame, IReadOnlyList<Fit> Fits, IReadOnlyList<Miss> Misses, int FitCount, int MissCount, IReadOnlyList<Contradiction> Contradictions)
{
    internal static FitResult Of(FitSearch search, int most, int mostMisses, bool withMargins)
    {
        var question = search.Question;
        var found = search.Fits.Order(Comparer<FitSearch.Found>.Create((a, b) => a.StandsAgainst(b))).ToArray();
        var told = found.Take(most).Select(f => (Found: f, Fit: ToFit(question, f))).ToArray();
        var refused = told.Where(t => !Confirms(question, t.Fit)).Select(t => t.Found).ToHashSet();
        found = [.. found.Where(f => !refused.Contains(f))];
        var missed = search.Misses.OrderBy(m => m.Shortfall.Off).ThenBy(m => m.Rig.Group).ToArray();
        var margins = withMargins ? new FitMargins(search.Shelf, question) : null;
        var remedies = new Remedies(search, found);
        Fit Sure(Fit fit)
        {
            if (margins is null)
            {
                return fit;
            }

            var margin = margins.Of(fit.Rig, fit.Mode);
            return fit with { Margin = margin, Surer = margin.Closest is null ? null : remedies.Surer(fit, margins) };
        }

        return new(
            question.Frame,
            [.. told.Where(t => !refused.Contains(t.Found)).Select(t => Sure(t.Fit))],
            [.. Nearest(missed.Select(m => new Miss(m.Rig, m.Mode, m.Shortfall, remedies.For(m)) { Nearest = NearestOf(question, m) }), mostMisses).Select(m => m with { Margin = margins?.Of(m.Rig, m.Mode).Spares.FirstOrDefault(s => s.Mm < 0 && s.IsClose) })],
            found.Length,
            missed.Select(m => m.Rig.Group).Distinct().Count(),
            Contradiction.Find(question, search.Shelf));
    }

    /// <summary>The nearest misses that something would help, and after them the nearest of the others, in so far as there is room.</summary>
    private static Miss[] Nearest(IEnumerable<Miss> misses, int most)
    {
        if (most == 0)
        {
            return [];
        }

        var (helped, others) = (new List<Miss>(), new Dictionary<int, Miss>());
        foreach (var miss in misses)
        {
            if (miss.Remedies.Count == 0)
            {
                others.TryAdd(miss.Rig.Group, miss);
            }
            else if (helped.All(h => h.Rig.Group != miss.Rig.Group))
            {
                helped.Add(miss);
            }

            if (helped.Count == most)
            {
                break;
            }
        }

        return [.. helped.Concat(others.Values.Where(o => helped.All(h => h.Rig.Group != o.Rig.Group))).Take(most)];
    }

    private static Fit? NearestOf(FitQuestion question, FitSearch.Missed missed)
    {
        if (missed.Point is not { DistanceMm: > 0 } point)
        {
            return null;
        }

        var open = ApertureLimits.Of(missed.Rig, question.Frames.Of(missed.Rig, missed.Mode), question.Rules, null, point.FocalLengthMm, 1).Widest;
        var fit = ToFit(question, new(missed.Rig, missed.Mode, point.DistanceMm, point.DistanceMm, point.FNumber > 0 ? point : point with { FNumber = open }, default, 0)
        {
            FromFocalMm = point.FocalLengthMm,
            ToFocalMm = point.FocalLengthMm,
        });
        return fit.Report.Focus is null ? null : fit;
    }

    internal static Fit ToFit(FitQuestion question, FitSearch.Found found)
    {
        var (rig, mode, point) = (found.Rig, found.Mode, found.Point);
        var set = rig.In(mode, point.FocalLengthMm, point.FNumber / rig.Magnification) with
        {
            CaptureFps = question.Brief.CaptureFps,
            RackedFarther = point.RackedFarther,
        };
        var scene = question.SceneAt(rig, point.DistanceMm);
        var report = RigEvaluator.Evaluate(scene, question.Conventions, set);
        var depth = report.Focus is { } focus ? Math.Min(focus.DepthInFrontMm, focus.DepthBehindMm) : 0;
        return new(rig, mode, found.FromMm, found.ToMm, set, scene, found.Ways)
        {
            Report = report,
            Tier = found.Burden.Tier,
            FromFocalMm = found.FromFocalMm,
            ToFocalMm = found.ToFocalMm,
            RoomLeftMm = question.RoomMm - question.RearMm(rig) - point.DistanceMm,
            SharpToSpareMm = depth - question.Brief.HeldMm / 2,
            Unsteadiness = report.Handling.Unsteadiness * CameraSupports.Unsteadiness(question.Brief.CameraSupport),
        };
    }

    /// <summary>What the evaluator must agree with before a proposal is told.</summary>
    internal static bool Confirms(FitQuestion question, Fit fit)
    {
        var (brief, report) = (question.Brief, fit.Report);
        const Reasons never = Reasons.TooClose | Reasons.TooFar | Reasons.InsideLens | Reasons.ApertureTooNarrow | Reasons.OutsideZoom | Reasons.FasterThanPossible;
        return report.Focus is { } focus
            && (report.Reasons & never) == Reasons.None
            && Math.Abs(focus.FieldHeightMm / question.Frame.HeightMm - 1) < Exact
            && fit.RoomLeftMm > -1e-3
            && fit.SharpToSpareMm >= -Exact * (1 + brief.HeldMm)
            && (brief.Behind != BackgroundRequirement.Soft || focus.BackgroundDiscFractionOfHeight >= ShotBrief.SoftShare * (1 - Exact))
            && (brief.Behind != BackgroundRequirement.Readable || focus.BackgroundDiscFractionOfHeight <= ShotBrief.ReadableShare * (1 + Exact))
            && (fit.Rig.CircleIsEstimated || report.Sensor.DarkShare is not > Coverage.Noticed * (1 + Exact))
            && (!question.Rules.Rates || fit.Mode.Offers(brief.Fps))
            && !(question.Rules.Sensitivity && fit.Set.Lens.TakesNoFilter && fit.FilterStops > Exact)
            && !(question.Rules.Sensitivity && fit.SensitivityIso > question.Rules.HighestIso * (1 + Exact));
    }

    private const double Exact = 1e-6;
}

using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Matching;

/// <summary>A rig that comes near a look.</summary>
/// <param name="Rig">The rig.</param>
/// <param name="Mode">The mode that it is in.</param>
/// <param name="Set">The rig as it is set.</param>
/// <param name="Scene">The scene from where it stands.</param>
/// <param name="Rest">What is left over.</param>
/// <param name="Sum">All of that by its weights, stops.</param>
public sealed record LookMatch(FitRig Rig, FitMode Mode, Rig Set, Scene Scene, LookRest Rest, double Sum)
{
    /// <summary>What the evaluator says of it.</summary>
    public RigReport Report { get; init; }

    /// <summary>0 where nothing speaks against it, 1 where something costs or is not known, 2 where something spoils it.</summary>
    public int Tier { get; init; }

    /// <summary>False where it was given up to prove that this rig has no better setting.</summary>
    public bool IsProven { get; init; }

    /// <summary>The aspects that are pinned and not met.</summary>
    public IReadOnlyList<LookAspect> Broken { get; init; } = [];

    /// <summary>The same as a rig that gives a shot, from the one place where it stands.</summary>
    /// <returns>The rig.</returns>
    public Fit ToFit() => new(Rig, Mode, Scene.SubjectDistanceMm, Scene.SubjectDistanceMm, Set, Scene, 1) { Report = Report, Tier = Tier };

    /// <summary>True where it is as open as it goes, and would have to open farther.</summary>
    public bool IsWideOpen { get; init; }
}

/// <summary>Rigs that cannot be asked about a look at all.</summary>
/// <param name="Shortfall">What is in the way, of the nearest.</param>
/// <param name="Rig">The nearest.</param>
/// <param name="Mode">Its mode.</param>
/// <param name="Pairs">Of how many bodies with lenses that is so.</param>
public sealed record LookMiss(Shortfall Shortfall, FitRig Rig, FitMode Mode, int Pairs);

/// <summary>What comes near a look.</summary>
/// <param name="Look">The look.</param>
/// <param name="Matches">One of each body and lens, those that keep what is pinned first, then by what is left over.</param>
/// <param name="Misses">What else there is and why it cannot be set at all, the commonest reason first.</param>
/// <param name="Looked">How many settings of rigs were looked at.</param>
/// <param name="Contradictions">What in the look cannot be, whatever the gear.</param>
public sealed record LookResult(Look Look, IReadOnlyList<LookMatch> Matches, IReadOnlyList<LookMiss> Misses, int Looked, IReadOnlyList<Contradiction> Contradictions)
{
    private const double Exact = 1e-6;

    internal static LookResult Of(LookSearch search, IReadOnlyList<LookSearch.Found> found, IEnumerable<LookSearch.Missed> misses) => new(
        search.Look,
        search.Question is { } question ? [.. found.Select(f => (Match: ToMatch(question, f), f.Cost)).Where(m => Confirms(question, m.Match, m.Cost)).Select(m => m.Match)] : [],
        [.. misses.GroupBy(m => m.Shortfall.Code).Select(g => (Nearest: g.MinBy(m => m.Shortfall.Off)!, Pairs: g.Count())).Select(g => new LookMiss(g.Nearest.Shortfall, g.Nearest.Rig, g.Nearest.Mode, g.Pairs)).OrderByDescending(m => m.Pairs).ThenBy(m => m.Shortfall.Off)],
        search.Looked,
        [.. ContradictionsOf(search)]);

    internal static LookMatch ToMatch(LookQuestion question, LookSearch.Found found)
    {
        var (rig, mode, at, look) = (found.Rig, found.Mode, found.Setting, question.Look);
        var set = rig.In(mode, at.FocalLengthMm, at.FNumber / rig.Magnification) with { CaptureFps = look.Rig.CaptureFps, ShutterAngleDeg = look.Rig.ShutterAngleDeg };
        var scene = look.Scene.From(at.DistanceMm) with { DeliveryAspect = look.Report.Sensor.DeliveredAspect };
        var report = RigEvaluator.Evaluate(scene, look.Conventions, set);
        var rest = new LookRest(LookValues.Of(scene, set, report) ?? question.Values, question.Values, look.BehindMm);
        return new(rig, mode, set, scene, rest, rest.Sum(question.Wishes))
        {
            Report = report,
            Tier = found.Burden.Tier,
            IsProven = !at.IsUnproven,
            Broken = [.. Enum.GetValues<LookAspect>().Where(a => question.Wishes[a] is { IsPinned: true } wish && Most(rest, a) > wish.ToleranceStops + Exact)],
            IsWideOpen = report.Lens.WidestFNumber is { } widest && report.Lens.UsedFNumber <= widest * (1 + Exact),
        };
    }

    private static double Most(LookRest rest, LookAspect aspect) =>
        aspect == LookAspect.Blur ? rest.BehindMm.Max(b => Math.Abs(rest.At(aspect, b))) : Math.Abs(rest[aspect]);

    /// <summary>What the evaluator must agree with before an answer is told.</summary>
    internal static bool Confirms(LookQuestion question, LookMatch match, double cost)
    {
        const Reasons never = Reasons.TooClose | Reasons.TooFar | Reasons.InsideLens | Reasons.ApertureTooNarrow | Reasons.OutsideZoom | Reasons.FasterThanPossible;
        var (report, rules) = (match.Report, question.Frames.Rules);
        var (near, far) = question.PlaceOf(match.Rig);
        return report.IsFocused
            && (report.Reasons & never) == Reasons.None
            && Math.Abs(cost - match.Sum) <= Exact * Math.Max(1, cost)
            && match.Scene.SubjectDistanceMm >= near * (1 - Exact) && match.Scene.SubjectDistanceMm <= far * (1 + Exact)
            && (match.Rig.CircleIsEstimated || report.Sensor.DarkShare is not > Coverage.Noticed * (1 + Exact))
            && (!rules.Rates || match.Mode.Offers(question.Frames.Fps))
            && !(rules.Sensitivity && report.Light.SensitivityNeededIso > rules.HighestIso * (1 + Exact));
    }

    private static IEnumerable<Contradiction> ContradictionsOf(LookSearch search)
    {
        var look = search.Look;
        if (look.Values is not { } values)
        {
            yield return new(look.Report.Reasons.HasFlag(Reasons.TooFar) ? DiagnosticCode.TooFar : DiagnosticCode.TooClose, look.Report.Limits.NearestSubjectDistanceMm, Stops: true);
            yield break;
        }

        if (search.Wishes[LookAspect.Distance] is { IsPinned: true } pin)
        {
            var times = PortableMath.Exp2(pin.ToleranceStops / 2);
            if (look.Scene.NearestCameraMm is { } near && near > values.DistanceMm * times)
            {
                yield return new(DiagnosticCode.MustStandTooNear, near - values.DistanceMm, Stops: false);
            }

            if (look.Scene.FarthestCameraMm is { } far && far < values.DistanceMm / times)
            {
                yield return new(DiagnosticCode.RoomTooShort, values.DistanceMm - far, Stops: false);
            }
        }
    }
}

using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Matching.Cutting;

/// <summary>
/// Gives two to five cameras lenses of one shelf, none of them twice, so that their pictures agree with that of the lead as well as they can.
/// </summary>
/// <remarks>
/// A zoom is set from where its camera stands, a prime moves its camera until it frames; then all that is left of a way is its aperture. For a way of the
/// lead and one of each follower the sum of what they differ is convex in the lead's aperture and made of straight pieces, so its least lies at an end or where
/// one piece ends. Within a range of its aperture every way of a follower costs so much at least, whatever the others are; the best choice by these bounds bounds
/// all, and the range is cut in two until none can be better by <see cref="Proven"/>.
/// </remarks>
public sealed class CutSearch
{
    /// <summary>Most cameras.</summary>
    public const int MostCameras = 5;

    /// <summary>To how much of a stop it is proven that none is better.</summary>
    public const double Proven = 0.01;

    /// <summary>Ranges of the lead's aperture are cut no narrower, stops.</summary>
    private const double Narrow = 0.002;

    private const int MostRanges = 200_000;

    private readonly IReadOnlyList<CutCamera> cameras;
    private readonly int lead;
    private readonly CutWishes wishes;
    private readonly List<CutWay>[] ways;
    private readonly Shortfall[] misses;
    private readonly int[] followers;
    private readonly double[][] least;
    private readonly int[][] order;
    private readonly int[] choosing;
    private readonly int[] taken;
    private readonly Stack<(double From, double To)> ranges = new();
    private readonly CutWay?[] chosen;
    private double best = double.PositiveInfinity;
    private CutWay[]? bestWays;
    private int next;
    private int looked;

    /// <summary>Begins a search.</summary>
    /// <param name="shelf">The rigs.</param>
    /// <param name="scene">The scene; distances are from the sensor mark, and what is behind is as far behind the subject for all.</param>
    /// <param name="conventions">What figures go by.</param>
    /// <param name="cameras">The cameras, 2 to 5, each with a body of its own.</param>
    /// <param name="lead">The one that the others follow.</param>
    /// <param name="wantedBlurShare">The blur behind that the lead should have, as a share of the picture's height.</param>
    /// <param name="wishes">What should agree.</param>
    /// <param name="rules">What an answer must keep; all of it when left out.</param>
    public CutSearch(FittingShelf shelf, in Scene scene, in Conventions conventions, IReadOnlyList<CutCamera> cameras, int lead, double wantedBlurShare, in CutWishes wishes, FitRules? rules = null)
    {
        ArgumentNullException.ThrowIfNull(shelf);
        ArgumentNullException.ThrowIfNull(cameras);
        (this.cameras, this.lead, this.wishes, Scene) = (cameras, lead, wishes, scene);
        Conventions = conventions with { DistanceFrom = DistanceMark.SensorMark };
        BehindMm = scene.BackgroundDistanceMm > scene.SubjectDistanceMm ? scene.BackgroundDistanceMm - scene.SubjectDistanceMm : double.PositiveInfinity;
        WantedBlur = LookTerm.StopsOf(wantedBlurShare);
        Frames = new(scene.DeliveryAspect ?? 16.0 / 9, scene.DeliveryWidthPx, scene.TimelineFps, Conventions, rules ?? FitRules.All, shelf.Modes);
        (ways, misses) = (new List<CutWay>[cameras.Count], new Shortfall[cameras.Count]);
        for (var i = 0; i < cameras.Count; i++)
        {
            ways[i] = WaysOf(shelf, cameras[i], out misses[i]);
        }

        followers = [.. Enumerable.Range(0, cameras.Count).Where(i => i != lead)];
        least = [.. followers.Select(i => new double[ways[i].Count])];
        order = [.. followers.Select(i => new int[ways[i].Count])];
        (choosing, taken) = (new int[followers.Length], new int[followers.Length]);
        chosen = new CutWay?[cameras.Count];

        // The likeliest first: what is found early spares much.
        ways[lead].Sort((a, b) => LeadAlone(a, a.From, a.To).CompareTo(LeadAlone(b, b.From, b.To)));
        if (ways.Any(w => w.Count == 0))
        {
            next = ways[lead].Count;
        }
    }

    /// <summary>The scene.</summary>
    public Scene Scene { get; }

    /// <summary>What figures go by.</summary>
    public Conventions Conventions { get; }

    /// <summary>How many ways of the lead there are to try.</summary>
    public int Total => ways[lead].Count;

    /// <summary>How many have been tried.</summary>
    public int Done => next;

    /// <summary>How far behind the subject blur is compared, mm; infinity where nothing is behind it.</summary>
    internal double BehindMm { get; }

    internal double WantedBlur { get; }

    internal ModeFrames Frames { get; }

    internal IReadOnlyList<IReadOnlyList<CutWay>> Ways => ways;

    /// <summary>Tries some more ways of the lead.</summary>
    /// <param name="some">How many at most.</param>
    /// <returns>True when all have been tried.</returns>
    public bool Step(int some)
    {
        for (; some > 0 && next < ways[lead].Count; some--, next++)
        {
            Try(ways[lead][next]);
        }

        return next >= ways[lead].Count;
    }

    /// <summary>Tries all that are left, and answers.</summary>
    /// <returns>How the cameras cut together.</returns>
    public CutResult Finish()
    {
        Step(int.MaxValue);
        return CutResult.Of(this, cameras, lead, wishes, bestWays is null ? null : (bestWays, LeadAperture(bestWays), best), misses, looked <= MostRanges);
    }

    /// <summary>Cuts the range of the lead's aperture in two until no part of it can hold anything better.</summary>
    private void Try(CutWay way)
    {
        chosen[lead] = way;
        ranges.Clear();
        ranges.Push((way.From, way.To));
        while (ranges.TryPop(out var range))
        {
            if (looked++ > MostRanges)
            {
                return;
            }

            var (from, to) = range;
            var alone = LeadAlone(way, from, to);
            if (Bound(way, from, to, alone) >= best - Proven)
            {
                continue;
            }

            for (var f = 0; f < followers.Length; f++)
            {
                Array.Sort(least[f], order[f]);
            }

            var assigned = double.PositiveInfinity;
            Choose(0, alone, ref assigned);
            if (assigned >= best - Proven)
            {
                continue;
            }

            // No way of these followers agrees better within the range; how well this one does is another question.
            for (var f = 0; f < followers.Length; f++)
            {
                chosen[followers[f]] = ways[followers[f]][taken[f]];
            }

            var sum = LeadApertureOf(followers.Length).Sum;
            if (sum < best)
            {
                (best, bestWays) = (sum, [.. chosen.Select(c => c!)]);
            }

            if (to - from > Narrow)
            {
                ranges.Push((from, (from + to) / 2));
                ranges.Push(((from + to) / 2, to));
            }
        }


    }

    /// <summary>What each way of each follower costs at least while the lead's aperture is in a range; the sum of the best of them.</summary>
    private double Bound(CutWay way, double from, double to, double alone)
    {
        var sum = alone;
        for (var f = 0; f < followers.Length && sum < best - Proven; f++)
        {
            var (of, bound) = (ways[followers[f]], double.PositiveInfinity);
            for (var i = 0; i < of.Count; i++)
            {
                var distance = CutDistance.Between(way, of[i], wishes);
                var cost = way.Shares(of[i]) ? double.PositiveInfinity : distance.At(Math.Clamp(distance.Best(wishes), of[i].From - to, of[i].To - from), wishes);
                (least[f][i], order[f][i]) = (cost, i);
                bound = Math.Min(bound, cost);
            }

            sum += bound;
        }

        return sum;
    }

    /// <summary>Chooses a way for one follower after the other, none of which share a thing, so that their costs are least altogether.</summary>
    private void Choose(int f, double sum, ref double assigned)
    {
        if (f == followers.Length)
        {
            assigned = sum;
            choosing.CopyTo(taken, 0);
            return;
        }

        var rest = 0.0;
        for (var g = f + 1; g < followers.Length; g++)
        {
            rest += least[g][0];
        }

        for (var i = 0; i < order[f].Length; i++)
        {
            var with = sum + least[f][i];
            if (with + rest >= Math.Min(assigned, best - Proven))
            {
                return;
            }

            choosing[f] = order[f][i];
            var way = ways[followers[f]][order[f][i]];
            var isFree = true;
            for (var g = 0; g < f && isFree; g++)
            {
                isFree = !ways[followers[g]][choosing[g]].Shares(way);
            }

            if (isFree)
            {
                Choose(f + 1, with, ref assigned);
            }
        }
    }

    /// <summary>What the lead alone costs at least, while its aperture is in a range.</summary>
    private double LeadAlone(CutWay way, double from, double to) => way.Against + wishes.Level * Math.Max(0, Math.Max(way.Blur - to - WantedBlur, WantedBlur - (way.Blur - from)));

    private double LeadAperture(CutWay[] of)
    {
        of.CopyTo(chosen, 0);
        return LeadApertureOf(followers.Length).Stops;
    }

    /// <summary>The aperture of the lead with which the followers chosen so far cost least: at an end, or where a piece of one of them ends.</summary>
    private (double Stops, double Sum) LeadApertureOf(int count)
    {
        var way = chosen[lead]!;
        var (stops, least) = (way.From, At(way.From, count));
        void Consider(double at)
        {
            if (at > way.From && at <= way.To && At(at, count) is var sum && (sum < least - 1e-12 || sum < least + 1e-12 && at < stops))
            {
                (stops, least) = (at, sum);
            }
        }

        Consider(way.To);
        Consider(way.Blur - WantedBlur);
        for (var f = 0; f < count; f++)
        {
            var its = chosen[followers[f]]!;
            var distance = CutDistance.Between(way, its, wishes);
            foreach (var bend in (ReadOnlySpan<double>)[distance.Blur, -distance.Zone, -distance.Light])
            {
                Consider(its.From - bend);
                Consider(its.To - bend);
            }
        }

        return (stops, least);
    }

    private double At(double leadStops, int count)
    {
        var way = chosen[lead]!;
        var sum = way.Against + wishes.Level * Math.Abs(way.Blur - leadStops - WantedBlur);
        for (var f = 0; f < count; f++)
        {
            var its = chosen[followers[f]]!;
            sum += CutDistance.Between(way, its, wishes).At(Follow(way, its, leadStops, wishes) - leadStops, wishes);
        }

        return sum;
    }

    /// <summary>The aperture with which a follower comes nearest to the lead at one of its own.</summary>
    internal static double Follow(CutWay lead, CutWay follower, double leadStops, in CutWishes wishes) =>
        Math.Clamp(leadStops + CutDistance.Between(lead, follower, wishes).Best(wishes), follower.From, follower.To);

    private List<CutWay> WaysOf(FittingShelf shelf, CutCamera camera, out Shortfall miss)
    {
        var found = new List<CutWay>();
        miss = new(shelf.Rigs.Any(r => r.Body.Id == camera.Body) ? DiagnosticCode.RateNotOffered : DiagnosticCode.NoLens, 0, 99);
        foreach (var rig in shelf.Rigs.Where(r => r.Body.Id == camera.Body))
        {
            foreach (var mode in rig.Modes.Where(m => camera.Mode is null || m.Item.Name == camera.Mode))
            {
                var by = WayOf(rig, mode, camera, out var way);
                if (way is not null)
                {
                    found.Add(way);
                }
                else if (by.Off < miss.Off)
                {
                    miss = by;
                }
            }
        }

        return found;
    }

    private Shortfall WayOf(FitRig rig, FitMode mode, CutCamera camera, out CutWay? way)
    {
        way = null;
        if (!(camera.FieldHeightMm > 0))
        {
            return new(DiagnosticCode.TooClose, 0, 2);
        }

        if (Frames.RateMiss(mode) is { Code: not DiagnosticCode.None } rate)
        {
            return rate;
        }

        var frame = Frames.Of(rig, mode);
        if (!rig.CircleIsEstimated && ModeFrames.DarkShare(rig, frame) is > Coverage.Noticed and var dark)
        {
            return new(DiagnosticCode.ImageCircleTooSmall, dark, 1 + 10 * dark);
        }

        var m = frame.Used.HeightMm / camera.FieldHeightMm;
        var near = Math.Max(camera.DistanceMm / (1 + camera.MovesShare), Math.Max(Scene.NearestCameraMm ?? 0, rig.FrontMm));
        var far = Math.Min(camera.DistanceMm * (1 + camera.MovesShare), Scene.FarthestCameraMm ?? double.PositiveInfinity);
        var byMeasured = Conventions.FocalLength == FocalLengthSchool.Measured;
        var focal = Math.Clamp(rig.FocalLengthFrom(m, Math.Clamp(camera.DistanceMm, near, Math.Max(near, far)), byMeasured), rig.ShortMm, rig.LongMm);
        var chain = rig.ChainAt(focal, byMeasured);
        if (chain.Travel.ForMagnification(m) is not { } focused)
        {
            return new(DiagnosticCode.TooClose, 0, 2);
        }

        var distance = focused.SubjectDistanceMm;
        if (distance < near * (1 - 1e-9) || distance > far * (1 + 1e-9))
        {
            var by = distance > far ? distance - far : near - distance;
            return new(distance > far ? DiagnosticCode.RoomTooShort : DiagnosticCode.MustStandTooNear, by, Math.Abs(2 * PortableMath.Log2(distance / (distance > far ? far : near))));
        }

        var one = FocusReport.StageOf(frame.Used, 1, chain, focused);
        var light = new ExposureSettings(1, Scene.Shutter.TimeSeconds(Scene.TimelineFps), 0, null).SensitivityFor(Scene.Light.BrightnessEv);
        var limits = ApertureLimits.Of(rig, frame, Frames.Rules, light, focal, one.BellowsFactor);
        var point = new LookPoint(focal, distance, limits, true);
        if (!point.CanBeExposed)
        {
            var stops = LookTerm.StopsOf(point.Widest / point.Narrowest);
            return new(DiagnosticCode.TooDark, stops, stops);
        }

        var burden = Frames.BurdenOf(rig, mode);
        var lens = rig.EndAt(focal).Lens;
        way = new(rig, mode, focal, distance)
        {
            Blur = LookTerm.StopsOf(BlurBehind.Of(one, frame.Used, BehindMm).ShareOfHeight),
            Zone = LookTerm.StopsOf(one.SubjectFromPupilMm * frame.CircleOfConfusionMm / (one.Magnification * one.PupilMm)),
            Light = LookTerm.StopsOf((lens.WidestTNumber / lens.WidestFNumber ?? 1) * one.BellowsFactor),
            Shape = LookTerm.StopsOf(rig.AtShort.PupilNarrowing()),
            Pixels = LookTerm.StopsOf(Math.Max(1, frame.Enlargement ?? 1)),
            From = LookTerm.StopsOf(point.Widest),
            To = LookTerm.StopsOf(point.Narrowest),
            Against = 0.004 * burden.Tier + 0.001 * (int)rig.Ownership,
        };
        return Shortfall.None;
    }
}

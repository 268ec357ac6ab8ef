using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>The best standpoint of one rig in one mode for a framing: a prime has one, a zoom a range of them, told by focal length.</summary>
/// <remarks>
/// Along a zoom that holds its framing the distance grows with the focal length. Blur wide open is f·B/(N·(α·f + B)) times a constant, with
/// B behind the subject and α·f from the pupil: between two marks of a widest aperture that goes as f^γ it has one peak, at
/// f = (1 − γ)·B/(γ·α); held sharp or closed to a constant it is monotone, and so are all limits on the aperture. So the best is at an end of the range, at a
/// mark, at such a peak, where a limit begins, or where what decides the aperture changes; the last two are found by halving and by golden
/// section. With a tube or a close-up lens nothing of that is sure: then the range is walked in small steps first.
/// </remarks>
internal readonly struct StandpointSearch(FitQuestion question, FitRig rig, FitFrame frame, double m, (double Near, double Far) place, RankingCriterion criterion)
{
    private const double JustBelow = 1 - 1e-9;
    private const double Golden = 0.6180339887498949;
    private const int Halvings = 48;
    private const int Steps = 48;
    private const int StepsBetween = 12;

    public FitAnswer Answer()
    {
        if (!rig.Zooms)
        {
            var only = At(rig.ShortMm);
            return only.Gives ? new(only, only.DistanceMm, only.DistanceMm, Shortfall.None, null) { FromFocalMm = only.FocalLengthMm, ToFocalMm = only.FocalLengthMm } : new(null, only.DistanceMm, only.DistanceMm, only.Miss, only);
        }

        var found = new Found(criterion);
        var isPlain = rig.ShortChain.Travel is { CloseUpPerMm: 0, Rear.ShiftMm: 0 };
        var (low, high) = isPlain ? Range() : (rig.ShortMm, LastMm);
        if (low <= high)
        {
            Walk(found, isPlain ? Marks(low, high) : Even(low, high, Steps));
        }
        else
        {
            // Nowhere in the range of the zoom: each end says why.
            found.Add(At(rig.ShortMm));
        }

        // At the very long end the lens's own ratio may be known, and then goes before what is taken in between.
        if (LastMm < rig.LongMm || low > high || !found.Gives && high < rig.LongMm)
        {
            found.Add(At(rig.LongMm));
        }

        return found.Answer();
    }

    /// <summary>The last focal length before the long end, where this has data of its own.</summary>
    private double LastMm => rig.AtLong.Lens.MaximumMagnification is null ? rig.LongMm : rig.LongMm * JustBelow;

    private FitPoint At(double focalLengthMm) => question.At(rig, frame, m, place, focalLengthMm, criterion == RankingCriterion.Deepest);

    /// <summary>Focal lengths from which the framing is had within the place and the travel: D = f(1 + m₀)²/m₀ + X both ways.</summary>
    private (double Low, double High) Range()
    {
        var travel = rig.ShortChain.Travel;
        var nearest = Math.Max(place.Near, (rig.AtShort.Lens.MinimumFocusDistanceMm ?? 0) + travel.Rear.TrackMm);
        return m / travel.Rear.Magnification > 1 ? (1, 0) :
            (Math.Max(rig.ShortMm, rig.FocalLengthFrom(m, nearest, question.Rules.Measured)), Math.Min(LastMm, rig.FocalLengthFrom(m, place.Far, question.Rules.Measured)));
    }

    /// <summary>Both ends, the marks of the widest aperture between them, and the peaks of blur between these.</summary>
    private List<double> Marks(double low, double high)
    {
        List<double> marks = [low];
        var lens = rig.AtShort.Lens;
        if (lens.WidestAlong.Count > 1)
        {
            marks.AddRange(lens.WidestAlong.Select(p => p.FocalLengthMm).Where(f => f > low && f < high));
        }

        if (low < high)
        {
            marks.Add(high);
        }

        if (criterion == RankingCriterion.MostBlur || question.Brief.Behind != Briefs.BackgroundRequirement.AsItComes)
        {
            for (var i = marks.Count - 1; i > 0; i--)
            {
                var (from, to) = (marks[i - 1], marks[i]);
                if (lens.WidestPiece(Math.Sqrt(from * to)) is var (a, b) && b.FNumber > a.FNumber && Peak(from, a, b) is var peak && peak > from && peak < to)
                {
                    marks.Insert(i, peak);
                }
            }
        }

        return marks;
    }

    private double Peak(double somewhereMm, AperturePoint from, AperturePoint to)
    {
        var closing = PortableMath.Log2(to.FNumber / from.FNumber) / PortableMath.Log2(to.FocalLengthMm / from.FocalLengthMm);
        var fromPupil = At(somewhereMm).AtOne.SubjectFromPupilMm / somewhereMm;
        return (1 - closing) * question.BehindMm / (closing * fromPupil);
    }

    private static List<double> Even(double low, double high, int steps)
    {
        var ratio = high / low;
        return [.. Enumerable.Range(0, steps + 1).Select(i => i == steps ? high : low * PortableMath.Exp2(PortableMath.Log2(ratio) * i / steps))];
    }

    private void Walk(Found found, List<double> marks)
    {
        var points = new List<FitPoint>(marks.Count);
        foreach (var mark in marks)
        {
            points.Add(At(mark));
        }

        for (var i = points.Count - 1; i > 0; i--)
        {
            // Two limits of different kinds at two marks may leave something between them.
            if (!points[i - 1].Gives && !points[i].Gives && points[i - 1].Miss.Code != points[i].Miss.Code && marks.Count <= Steps)
            {
                var between = Even(points[i - 1].FocalLengthMm, points[i].FocalLengthMm, StepsBetween);
                points.InsertRange(i, between.Skip(1).SkipLast(1).Select(At));
            }
        }

        for (var i = points.Count - 1; i > 0; i--)
        {
            if (points[i - 1].Gives != points[i].Gives)
            {
                points.Insert(i, Edge(points[i - 1], points[i]));
            }
        }

        var best = -1;
        for (var i = 0; i < points.Count; i++)
        {
            found.Add(points[i]);
            best = points[i].Gives && (best < 0 || points[i].Score(criterion) < points[best].Score(criterion)) ? i : best;
        }

        if (best >= 0 && criterion is RankingCriterion.MostBlur or RankingCriterion.Deepest)
        {
            Refine(found, points, best, marks.Count > Steps);
        }
    }

    /// <summary>Where between two settings the shot begins to be given: the last that gives it.</summary>
    private FitPoint Edge(FitPoint one, FitPoint other)
    {
        var (yes, no) = one.Gives ? (one, other.FocalLengthMm) : (other, one.FocalLengthMm);
        for (var i = 0; i < Halvings; i++)
        {
            var middle = At((yes.FocalLengthMm + no) / 2);
            (yes, no) = middle.Gives ? (middle, no) : (yes, middle.FocalLengthMm);
        }

        return yes;
    }

    /// <summary>Golden section beside the best, where what decides the aperture changes there, or nothing is sure.</summary>
    private void Refine(Found found, List<FitPoint> points, int best, bool always)
    {
        foreach (var beside in new[] { best - 1, best + 1 })
        {
            if (beside < 0 || beside >= points.Count || !points[beside].Gives || !always && points[beside].By == points[best].By)
            {
                continue;
            }

            var (low, high) = (points[Math.Min(best, beside)].FocalLengthMm, points[Math.Max(best, beside)].FocalLengthMm);
            var (left, right) = (At(high - Golden * (high - low)), At(low + Golden * (high - low)));
            for (var i = 0; i < Halvings; i++)
            {
                if (left.Score(criterion) < right.Score(criterion))
                {
                    (high, right) = (right.FocalLengthMm, left);
                    left = At(high - Golden * (high - low));
                }
                else
                {
                    (low, left) = (left.FocalLengthMm, right);
                    right = At(low + Golden * (high - low));
                }
            }

            found.Add(left);
        }
    }

    private sealed class Found(RankingCriterion criterion)
    {
        private FitPoint? best;
        private FitPoint? nearest;
        private FitPoint? from;
        private FitPoint? to;

        public void Add(FitPoint point)
        {
            if (!point.Gives)
            {
                nearest = nearest is null || point.Miss.Off < nearest.Miss.Off ? point : nearest;
                return;
            }

            from = from is null || point.DistanceMm < from.DistanceMm ? point : from;
            to = to is null || point.DistanceMm > to.DistanceMm ? point : to;
            best = best is null || point.Score(criterion) < best.Score(criterion) ? point : best;
        }

        public bool Gives => best is not null;

        public FitAnswer Answer() => best is not null ? new(best, from!.DistanceMm, to!.DistanceMm, Shortfall.None, null) { FromFocalMm = from.FocalLengthMm, ToFocalMm = to.FocalLengthMm } : new(null, 0, 0, nearest!.Miss, nearest);
    }
}

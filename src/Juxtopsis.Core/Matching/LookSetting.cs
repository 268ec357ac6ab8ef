using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Matching;

/// <summary>How one rig in one mode comes nearest to a look: over its zoom, its aperture and where the camera may stand.</summary>
/// <remarks>
/// First the settings in which something is met exactly are tried: the look's angle, its framing, its distance. Then branch and bound proves that none is better by more than <see cref="Proven"/>, or finds it: within a box of focal lengths and
/// distances every aspect grows with one and falls with the other, so the longest lens from the nearest place and the shortest from the farthest bound all
/// of them. The aperture is solved exactly at each step.
/// </remarks>
internal sealed class LookSetting(LookQuestion question)
{
    /// <summary>To how much of a stop the best is proven; a thousandth part where much more than a stop is left over.</summary>
    public const double Proven = 0.01;

    private const double JustBelow = 1 - 1e-9;
    private const int MostBoxes = 4000;

    private readonly double[] overOne = new double[question.Terms];
    private readonly double[] overOther = new double[question.Terms];
    private readonly double[] low = new double[question.Terms];
    private readonly double[] high = new double[question.Terms];
    private readonly PriorityQueue<Box, double> boxes = new();

    private FitRig rig = null!;
    private FitFrame frame = null!;
    private (double Near, double Far) place;
    private Setting best;
    private Shortfall miss;

    /// <summary>The best of the settings of a rig in a mode that meet something exactly.</summary>
    /// <param name="of">The rig.</param>
    /// <param name="its">The frame of the mode with it.</param>
    /// <param name="within">From where to where the camera may stand, mm.</param>
    /// <returns>The setting; its cost is infinite where there is none, and then it says what is in the way.</returns>
    public Setting Meeting(FitRig of, FitFrame its, (double Near, double Far) within)
    {
        Begin(of, its, within);
        Meet(LastMm);
        return best with { Miss = miss.Code == DiagnosticCode.None ? new(DiagnosticCode.TooClose, 0, 8) : miss };
    }

    /// <summary>A setting that leaves less over than another, or the proof that there is none.</summary>
    /// <param name="of">The rig.</param>
    /// <param name="its">The frame of the mode with it.</param>
    /// <param name="within">From where to where the camera may stand, mm.</param>
    /// <param name="worthBelow">What costs as much or more need not be found.</param>
    /// <returns>The setting; its cost is infinite where there is none.</returns>
    public Setting Better(FitRig of, FitFrame its, (double Near, double Far) within, double worthBelow)
    {
        Begin(of, its, within);
        var (last, wishes) = (LastMm, question.Wishes);
        var (near, far) = Worth(question.Values.DistanceMm, wishes[LookAspect.Distance], (place.Near, place.Far), worthBelow);
        var (from, to) = Worth(question.FocalLengthForAngle(rig, frame), wishes[LookAspect.Angle], (rig.UsedMm(rig.ShortMm, question.ByMeasured), rig.UsedMm(last, question.ByMeasured)), worthBelow);
        (from, to) = from <= to ? (Math.Clamp(rig.MarkOf(from, question.ByMeasured), rig.ShortMm, last), Math.Clamp(rig.MarkOf(to, question.ByMeasured), rig.ShortMm, last)) : (1, 0);
        if (near <= far && from <= to)
        {
            Prove(new(from, to, near, far), worthBelow);
        }

        if (near <= far && last < rig.LongMm)
        {
            Prove(new(rig.LongMm, rig.LongMm, near, far), worthBelow);
        }

        return best;
    }

    /// <summary>What of a range can be worth it: beyond, one aspect alone costs more.</summary>
    private static (double From, double To) Worth(double wanted, AspectWish wish, (double From, double To) range, double worthBelow)
    {
        if (wish.Weight <= 0 || double.IsPositiveInfinity(worthBelow))
        {
            return range;
        }

        var times = PortableMath.Exp2(Math.Min(worthBelow / wish.Weight, 100) / 2);
        return (Math.Max(range.From, wanted / times), Math.Min(range.To, wanted * times));
    }

    /// <summary>The last focal length before the long end: the largest ratio is known there only, which so is a lens of its own.</summary>
    private double LastMm => rig.Zooms && rig.AtLong.Lens.MaximumMagnification is not null ? rig.LongMm * JustBelow : rig.LongMm;

    private void Begin(FitRig of, FitFrame its, (double Near, double Far) within)
    {
        (rig, frame, place) = (of, its, within);
        (best, miss) = (new(0, 0, 0, double.PositiveInfinity), Shortfall.None);
    }

    /// <summary>Tries what meets something exactly: the look's angle and framing, from where it is taken and from where it frames alike.</summary>
    private void Meet(double last)
    {
        var distance = Math.Clamp(question.Values.DistanceMm, place.Near, place.Far);
        var focal = rig.Zooms ? Math.Clamp(rig.MarkOf(question.FocalLengthForAngle(rig, frame), question.ByMeasured), rig.ShortMm, last) : rig.ShortMm;
        Try(focal, distance);
        if (place.Near < place.Far && rig.ChainAt(focal, question.ByMeasured).Travel.ForMagnification(FramingMagnification) is { } framed)
        {
            Try(focal, Math.Clamp(framed.SubjectDistanceMm, place.Near, place.Far));
        }

        if (rig.Zooms)
        {
            Try(Math.Clamp(rig.FocalLengthFrom(FramingMagnification, distance, question.ByMeasured), rig.ShortMm, last), distance);
            if (focal == last)
            {
                Try(rig.LongMm, distance);
            }
        }
    }

    private double FramingMagnification => frame.Used.HeightMm / question.Values.FieldHeightMm;

    private void Try(double focalLengthMm, double distanceMm)
    {
        var point = question.At(rig, frame, focalLengthMm, distanceMm, overOne);
        if (!point.IsThere && point.DistanceMm >= place.Near && point.DistanceMm <= place.Far)
        {
            point = question.At(rig, frame, focalLengthMm, point.DistanceMm, overOne);
        }

        Take(point, overOne);
    }

    private void Take(in LookPoint point, double[] over)
    {
        if (!point.IsThere)
        {
            Miss(point.DistanceMm > place.Far
                ? new(DiagnosticCode.TooClose, point.DistanceMm - place.Far, 2 * Math.Abs(PortableMath.Log2(point.DistanceMm / place.Far)))
                : new(DiagnosticCode.TooFar, point.DistanceMm, 2 * Math.Abs(PortableMath.Log2(place.Near / point.DistanceMm))));
            return;
        }

        if (!point.CanBeExposed)
        {
            var stops = LookTerm.StopsOf(point.Widest / point.Narrowest);
            Miss(new(point.Limits.Filterless > point.Limits.Narrowest ? DiagnosticCode.TooBright : DiagnosticCode.TooDark, stops, stops));
            return;
        }

        var (fNumber, cost) = question.Least(point, over);
        if (cost < best.Cost)
        {
            best = new(point.FocalLengthMm, point.DistanceMm, fNumber, cost);
        }
    }

    private void Miss(Shortfall by) => miss = miss.Code == DiagnosticCode.None || by.Off < miss.Off ? by : miss;

    /// <summary>Cuts a box in two until no part of it can hold anything better.</summary>
    private void Prove(in Box whole, double worthBelow)
    {
        if (whole.IsPoint)
        {
            return;
        }

        // The most promising box goes first, so that where it is given up little is left that could be better.
        boxes.Clear();
        Push(whole, worthBelow);
        for (var looked = 0; boxes.TryDequeue(out var box, out var bound) && IsWorth(bound, worthBelow); looked++)
        {
            if (looked >= MostBoxes)
            {
                best = best with { IsUnproven = true };
                return;
            }

            var (one, other) = box.Halves();
            Push(one, worthBelow);
            Push(other, worthBelow);
        }
    }

    private bool IsWorth(double bound, double worthBelow)
    {
        var least = Math.Min(best.Cost, worthBelow);
        return bound < least - Math.Max(Proven, least / 1000);
    }

    private void Push(Box box, double worthBelow)
    {
        var near = question.At(rig, frame, box.ToMm, box.NearMm, overOne);
        if (box.IsPoint)
        {
            Take(near, overOne);
            return;
        }

        var far = question.At(rig, frame, box.FromMm, box.FarMm, overOther);
        if (!near.IsThere && near.DistanceMm > box.FarMm && rig.ChainAt(box.FromMm, question.ByMeasured).Travel.NearestMm() > box.FarMm || !far.IsThere && far.DistanceMm < box.NearMm)
        {
            Take(far, overOther);
            return;
        }

        Take(near, overOne);
        Take(far, overOther);
        var bound = question.Bound(near, far, overOne, overOther, low, high);
        if (IsWorth(bound, worthBelow))
        {
            boxes.Enqueue(box, bound);
        }
    }

    /// <summary>Focal lengths and distances between two of each, mm.</summary>
    private readonly record struct Box(double FromMm, double ToMm, double NearMm, double FarMm)
    {
        /// <summary>Closer together than this they are one: a millionth of a stop.</summary>
        private const double Same = 1 + 3e-7;

        public bool IsPoint => ToMm <= FromMm * Same && FarMm <= NearMm * Same;

        /// <summary>Cut across the side that is longer as a ratio.</summary>
        public (Box One, Box Other) Halves()
        {
            if (ToMm / FromMm > FarMm / NearMm)
            {
                var middle = Math.Sqrt(FromMm * ToMm);
                return (this with { ToMm = middle }, this with { FromMm = middle });
            }

            var half = Math.Sqrt(NearMm * FarMm);
            return (this with { FarMm = half }, this with { NearMm = half });
        }
    }

    /// <summary>A setting.</summary>
    /// <param name="FocalLengthMm">As marked, mm.</param>
    /// <param name="DistanceMm">From the sensor mark, mm.</param>
    /// <param name="FNumber">N as the sensor sees it.</param>
    /// <param name="Cost">What it leaves over, stops.</param>
    internal readonly record struct Setting(double FocalLengthMm, double DistanceMm, double FNumber, double Cost)
    {
        /// <summary>True where the proof was given up.</summary>
        public bool IsUnproven { get; init; }

        /// <summary>What is in the way where there is none.</summary>
        public Shortfall Miss { get; init; }
    }
}

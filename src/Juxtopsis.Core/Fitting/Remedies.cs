using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>Finds what would let a rig give a shot. Each remedy is tried before it is offered.</summary>
internal sealed class Remedies
{
    /// <summary>Rounding must not undo a remedy that only just helps.</summary>
    private const double Margin = 1 + 1e-6;

    private const int Halvings = 50;

    private readonly FitQuestion question;
    private readonly FittingShelf shelf;
    private readonly ILookup<Guid, FitSearch.Found> fitsByBody;

    public Remedies(FitQuestion question, FittingShelf shelf, IReadOnlyList<FitSearch.Found> fits)
    {
        (this.question, this.shelf) = (question, shelf);
        fitsByBody = fits.ToLookup(f => f.Rig.Body.Id);
    }

    /// <summary>What would help a rig, in its mode that comes nearest: what changes least for the crew first.</summary>
    public IReadOnlyList<Remedy> For(FitSearch.Missed miss)
    {
        var (rig, mode, site) = (miss.Rig, miss.Mode, question.Site);
        IEnumerable<Remedy?> remedies = miss.Shortfall.Kind switch
        {
            MissKind.TooLong => [OtherLens(miss), SubjectBack(rig, mode, miss.Shortfall.By), OtherAxis(rig, mode), Reframed(rig, mode, question.FarthestMm(rig), atLong: false)],
            MissKind.TooWide => [PunchedIn(rig, mode, Widening(rig, mode)), OtherLens(miss), Reframed(rig, mode, question.NearestMm(rig), atLong: true)],
            MissKind.NearestFocus => [.. Closer(rig, mode), OtherLens(miss), Reframed(rig, mode, 0, atLong: true)],
            MissKind.DarkCorners => [PunchedIn(rig, mode, Uncovered(rig, mode)), OtherLens(miss)],
            MissKind.NoPlace => [OtherCarriage(rig, mode), SubjectBack(rig, mode, miss.Shortfall.By), OtherAxis(rig, mode)],
            MissKind.TooSlow => [Slower(rig)],
            MissKind.NotSharp => [LessMove(miss), OtherLens(miss)],
            MissKind.NotSoft => [Forward(miss), OtherLens(miss)],
            MissKind.Contradiction => [LessMove(miss), Forward(miss)],
            _ => [],
        };
        return [.. remedies.OfType<Remedy>()];
    }

    private bool Gives(Remedy remedy, FitRig rig, FitMode mode) =>
        Gives(question.After(remedy), rig, mode);

    private static bool Gives(FitQuestion asked, FitRig rig, FitMode mode)
    {
        var where = asked.Where(rig, mode);
        return where.Miss.Kind == MissKind.None
            && (asked.At(rig, mode, where, where.FromMm).Miss.Kind == MissKind.None || asked.At(rig, mode, where, where.ToMm).Miss.Kind == MissKind.None);
    }

    private Remedy? Tried(Remedy remedy, FitRig rig, FitMode mode) => Gives(remedy, rig, mode) ? remedy : null;

    private Remedy? SubjectBack(FitRig rig, FitMode mode, double by)
    {
        var behind = question.Site.BehindMm - by * Margin;
        return !question.Brief.IsOverhead && behind >= question.Site.LeastBehindMm
            ? Tried(new(RemedyKind.SubjectBack, behind.Value, -by), rig, mode)
            : null;
    }

    private Remedy? OtherAxis(FitRig rig, FitMode mode) =>
        question.Site is { LengthMm: not null, WidthMm: not null } && !question.Brief.IsOverhead ? Tried(new(RemedyKind.OtherAxis, 0, 0), rig, mode) : null;

    /// <summary>The lens on the same body that gives the shot and whose focal length is nearest.</summary>
    private Remedy? OtherLens(FitSearch.Missed miss)
    {
        var wanted = miss.Rig.AtShort.FocalLengthMm * miss.Rig.AtShort.Optics.Magnification;
        var other = fitsByBody[miss.Rig.Body.Id]
            .OrderBy(f => Math.Abs(PortableMath.Log2(f.Point.FocalLengthMm * f.Rig.AtShort.Optics.Magnification / wanted))).ThenBy(f => f.Rig.Group).FirstOrDefault();
        return other is null ? null
            : new(RemedyKind.OtherLens, other.Point.FocalLengthMm, other.Point.FocalLengthMm - miss.Rig.AtShort.FocalLengthMm) { Item = other.Rig.Lens.Id, ItemName = other.Rig.Lens.Name };
    }

    /// <summary>The picture that the rig does give from a place, or as near as it focuses.</summary>
    private Remedy? Reframed(FitRig rig, FitMode mode, double distanceMm, bool atLong)
    {
        var end = atLong ? rig.AtLong : rig.AtShort;
        var travel = RigEvaluator.TravelOf(end, end.Optics.Magnification * end.FocalLengthMm);
        var nearest = travel.NearestMm();
        if (distanceMm > 0 && distanceMm < question.NearestMm(rig))
        {
            return null;
        }

        // At the very nearest mark rounding could fall on the wrong side of it.
        var m = distanceMm > nearest ? travel.FocusAt(distanceMm).Magnification : travel.LargestMagnification() / Margin;
        if (m is not > 0)
        {
            return null;
        }

        var used = UsedArea.Trim(mode.WidthMm, mode.HeightMm, rig.Squeeze, question.Brief.DeliveryAspect);
        var height = used.HeightMm / m.Value;
        height *= height > question.Frame.HeightMm ? Margin : 1 / Margin;
        return Tried(new(RemedyKind.OtherFraming, height, height - question.Frame.HeightMm), rig, mode);
    }

    /// <summary>How many times tighter the picture must be than what the long end gives from the nearest place.</summary>
    private double Widening(FitRig rig, FitMode mode)
    {
        var travel = RigEvaluator.TravelOf(rig.AtLong, rig.AtLong.Optics.Magnification * rig.AtLong.FocalLengthMm);
        var there = Math.Max(question.NearestMm(rig), travel.NearestMm());
        var used = UsedArea.Trim(mode.WidthMm, mode.HeightMm, rig.Squeeze, question.Brief.DeliveryAspect);
        return used.HeightMm / travel.FocusAt(there).Magnification / question.Frame.HeightMm * Margin;
    }

    private double Uncovered(FitRig rig, FitMode mode)
    {
        var used = UsedArea.Trim(mode.WidthMm, mode.HeightMm, rig.Squeeze, question.Brief.DeliveryAspect);
        var circle = rig.CircleMm!.Value;
        return Math.Sqrt(used.WidthMm * used.WidthMm + used.HeightMm * used.HeightMm) / circle * Margin;
    }

    /// <summary>Punch-in, as far as there are recorded pixels for what is delivered.</summary>
    private Remedy? PunchedIn(FitRig rig, FitMode mode, double times)
    {
        var pixels = mode.Recorded is { } recorded && question.Brief.DeliveryWidthPx is { } asked ? recorded.Width * rig.Squeeze / asked : double.PositiveInfinity;
        if (times <= 1 || times > pixels)
        {
            return null;
        }

        return Gives(question, rig, mode.Punched(times)) ? new(RemedyKind.PunchIn, times, times - 1) : null;
    }

    /// <summary>The weakest close-up lens and the shortest tube of the shelf that bring the rig near enough.</summary>
    private IEnumerable<Remedy?> Closer(FitRig rig, FitMode mode)
    {
        var m = UsedArea.Trim(mode.WidthMm, mode.HeightMm, rig.Squeeze, question.Brief.DeliveryAspect).HeightMm / question.Frame.HeightMm;
        bool Reaches(double dioptres, double tube) => new[] { rig.AtLong, rig.AtShort }.Any(end =>
        {
            var travel = RigEvaluator.TravelOf(end with { CloseUpDioptres = dioptres, ExtensionMm = tube }, end.Optics.Magnification * end.FocalLengthMm);
            var distance = travel.DistanceForMm(m);
            return m <= (travel.LargestMagnification() ?? 1) && distance >= question.NearestMm(rig) + 20 && distance <= question.FarthestMm(rig)
                && distance >= travel.NearestMm() && distance <= travel.FarthestMm();
        });
        var closeUp = shelf.CloseUps.FirstOrDefault(c => Reaches(c.Get(FrontFields.Dioptres) ?? 0, 0) && Screws(c, rig.Lens));
        yield return closeUp is null ? null : new(RemedyKind.CloseUp, closeUp.Get(FrontFields.Dioptres) ?? 0, 0) { Item = closeUp.Id, ItemName = closeUp.Name };
        var tube = ReferenceEquals(rig.Body, rig.Lens) ? null : shelf.Tubes.FirstOrDefault(t => Reaches(0, t.Get(AdapterFields.Extension) ?? 0) && shelf.Joins(t, rig));
        yield return tube is null ? null : new(RemedyKind.Tube, tube.Get(AdapterFields.Extension) ?? 0, 0) { Item = tube.Id, ItemName = tube.Name };
    }

    /// <summary>A close-up lens screws on where the threads are the same; where either is not known, that is to be tried by hand.</summary>
    private static bool Screws(GearItem closeUp, GearItem lens) =>
        lens.Get(LensFields.NoFilters) != true
        && (closeUp.Get(CommonFields.RearThread) is not { } rear || lens.Get(LensFields.FilterThread) is not { } thread || rear == thread);

    private Remedy? OtherCarriage(FitRig rig, FitMode mode)
    {
        foreach (var carriage in new[] { Carriage.HandHeld, Carriage.Shoulder, Carriage.Clamp })
        {
            if (carriage != question.Brief.Carriage && Tried(new(RemedyKind.OtherCarriage, 0, 0) { Carriage = carriage }, rig, mode) is { } remedy)
            {
                return remedy;
            }
        }

        return null;
    }

    private Remedy? Slower(FitRig rig)
    {
        var fastest = rig.Modes.MaxBy(m => m.FastestFps)!;
        return Tried(new(RemedyKind.SlowerRate, fastest.FastestFps, fastest.FastestFps - question.Brief.Fps), rig, fastest);
    }

    /// <summary>How far the subject may move so that it stays sharp, and what is behind stays soft.</summary>
    private Remedy? LessMove(FitSearch.Missed miss)
    {
        if (miss.Point is not { } point)
        {
            return null;
        }

        // N = e·f·m/c and e = h/(a − h), the other way about.
        var e = Math.Min(point.NarrowestFNumber, point.SoftFNumber) * point.CircleMm / (point.FocusedMm * point.Magnification);
        var moves = 2 * point.SubjectMm * e / (1 + e) / Margin;
        return moves < question.Brief.MovesMm ? Tried(new(RemedyKind.MovesLess, moves, moves - question.Brief.MovesMm), miss.Rig, miss.Mode) : null;
    }

    /// <summary>How far the subject must come forward so that what is behind blurs enough, by halving.</summary>
    private Remedy? Forward(FitSearch.Missed miss)
    {
        var site = question.Site;
        if (question.Brief.IsOverhead || site.BehindMm is not { } behind)
        {
            return null;
        }

        var most = Math.Min(site.MostBehindMm ?? double.PositiveInfinity, double.IsPositiveInfinity(question.RoomMm) ? behind + 1e6 : behind + question.RoomMm);
        Remedy To(double mm) => new(RemedyKind.SubjectForward, mm, mm - behind);
        var (low, high) = (behind, behind);

        // Too far forward leaves no room for the camera, so the far end of the search is looked for by doubling.
        for (var step = Math.Max(100, behind / 8); high < most && !Gives(To(high), miss.Rig, miss.Mode); step *= 1.5)
        {
            (low, high) = (high, Math.Min(most, high + step));
        }

        if (!Gives(To(high), miss.Rig, miss.Mode))
        {
            return null;
        }

        for (var i = 0; i < Halvings; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Gives(To(middle), miss.Rig, miss.Mode) ? (low, middle) : (middle, high);
        }

        return To(high);
    }
}

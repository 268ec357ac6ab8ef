using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>
/// Finds what would let a rig give a shot. Each remedy is asked of the same search, with all that the shot wishes and all rules, before it is offered.
/// </summary>
internal sealed class Remedies
{
    /// <summary>Rounding must not undo a remedy that only just helps.</summary>
    private const double Margin = 1 + 1e-6;

    private const int Halvings = 50;

    /// <summary>Of lenses that may be surer so many are asked.</summary>
    private const int MostTried = 8;

    /// <summary>The brightest that a place can be made in earnest, EV at ISO 100: full sun.</summary>
    private const double BrightestEv = 16;

    private readonly FitSearch search;
    private readonly FitQuestion question;
    private readonly ILookup<Guid, FitSearch.Found> fitsByBody;

    public Remedies(FitSearch search, IReadOnlyList<FitSearch.Found> fits)
    {
        (this.search, question) = (search, search.Question);
        fitsByBody = fits.ToLookup(f => f.Rig.Body.Id);
    }

    /// <summary>What would help a rig, in its mode that comes nearest: what changes least for the crew first.</summary>
    public IReadOnlyList<Remedy> For(FitSearch.Missed miss)
    {
        var (rig, mode) = (miss.Rig, miss.Mode);
        IEnumerable<Remedy?> remedies = miss.Shortfall.Code switch
        {
            DiagnosticCode.RoomTooShort => [OtherLens(miss), SubjectBack(rig, mode, miss.Shortfall.By), OtherAxis(rig, mode), Reframed(rig, mode, question.FarthestMm(rig), atLong: false)],
            DiagnosticCode.MustStandTooNear => [PunchedIn(rig, mode, Widening(rig, mode)), OtherLens(miss), Reframed(rig, mode, question.NearestMm(rig), atLong: true)],
            DiagnosticCode.TooClose => [CloseUp(rig, mode), Tube(rig, mode), OtherLens(miss), Reframed(rig, mode, 0, atLong: true)],
            DiagnosticCode.ImageCircleTooSmall => [PunchedIn(rig, mode, Uncovered(rig, mode)), OtherLens(miss)],
            DiagnosticCode.NoStandpoint => [OtherSupport(rig, mode), SubjectBack(rig, mode, miss.Shortfall.By), OtherAxis(rig, mode)],
            DiagnosticCode.RateNotOffered => [OfferedRate(rig)],
            DiagnosticCode.RigTooHeavy or DiagnosticCode.RigTooLong => [StrongerSupport(rig, mode), OtherLens(miss)],
            DiagnosticCode.CannotStopDownEnough or DiagnosticCode.IrisStuck => [LessMove(miss), BehindAsItComes(rig, mode), OtherLens(miss)],
            DiagnosticCode.CannotOpenEnough => [Forward(miss), BehindAsItComes(rig, mode), OtherLens(miss)],
            DiagnosticCode.SharpnessAgainstBlur => [LessMove(miss), Forward(miss), BehindAsItComes(rig, mode)],
            DiagnosticCode.TooDark => [LessMove(miss), OtherLens(miss), MoreLight(miss)],
            _ => [OtherLens(miss)],
        };
        return [.. remedies.OfType<Remedy>()];
    }

    private bool Gives(Remedy remedy, FitRig rig, FitMode mode) => question.After(remedy).Ask(rig, mode, search.Criterion).Best is not null;

    private Remedy? Tried(Remedy remedy, FitRig rig, FitMode mode) => Gives(remedy, rig, mode) ? remedy : null;

    /// <summary>A remedy that is another rig, when that gives the shot and the evaluator agrees.</summary>
    private Remedy? Instead(Remedy remedy, FitRig rig, FitMode mode)
    {
        var answer = question.Ask(rig, mode, search.Criterion);
        if (answer.Best is null)
        {
            return null;
        }

        var fit = FitResult.ToFit(question, search.Of(rig, mode, answer));
        return FitResult.Confirms(question, fit) ? remedy with { With = fit } : null;
    }

    private Remedy? SubjectBack(FitRig rig, FitMode mode, double by)
    {
        var behind = question.Location.BehindMm - by * Margin;
        return !question.Brief.IsOverhead && behind >= question.Location.LeastBehindMm
            ? Tried(new(RemedyKind.SubjectBack, behind.Value, -by), rig, mode)
            : null;
    }

    private Remedy? OtherAxis(FitRig rig, FitMode mode) =>
        question.Location is { LengthMm: not null, WidthMm: not null } && !question.Brief.IsOverhead ? Tried(new(RemedyKind.OtherAxis, 0, 0), rig, mode) : null;

    private Remedy? BehindAsItComes(FitRig rig, FitMode mode) =>
        question.Brief.Behind == BackgroundRequirement.AsItComes ? null : Tried(new(RemedyKind.BehindAsItComes, 0, 0), rig, mode);

    /// <summary>The lens on the same body that gives the shot and whose focal length is nearest.</summary>
    private Remedy? OtherLens(FitSearch.Missed miss)
    {
        var wanted = miss.Rig.ShortMm * miss.Rig.Magnification;
        var other = fitsByBody[miss.Rig.Body.Id]
            .Where(f => !ReferenceEquals(f.Rig.Lens, f.Rig.Body))
            .OrderBy(f => f.Burden.Tier).ThenBy(f => Math.Abs(PortableMath.Log2(f.Point.FocalLengthMm * f.Rig.Magnification / wanted))).ThenBy(f => f.Rig.Group).FirstOrDefault();
        return other is null ? null
            : Instead(new(RemedyKind.OtherLens, other.Point.FocalLengthMm, other.Point.FocalLengthMm - miss.Rig.ShortMm) { ItemName = other.Rig.Lens.Name }, other.Rig, other.Mode);
    }

    /// <summary>For a proposal that is not sure: the lens on the same body whose focal length is nearest among those that are.</summary>
    public Remedy? Surer(Fit fit, FitMargins margins)
    {
        var wanted = fit.Set.FocalLengthMm * fit.Rig.Magnification;
        return fitsByBody[fit.Rig.Body.Id]
            .Where(f => !ReferenceEquals(f.Rig.Lens, f.Rig.Body) && f.Rig.Group != fit.Rig.Group && f.Burden.Tier <= fit.Tier)
            .OrderBy(f => f.Burden.Tier).ThenBy(f => Math.Abs(PortableMath.Log2(f.Point.FocalLengthMm * f.Rig.Magnification / wanted))).ThenBy(f => f.Rig.Group)
            .Take(MostTried)
            .Where(f => margins.Of(f.Rig, f.Mode).Closest is null)
            .Select(f => Instead(new(RemedyKind.OtherLens, f.Point.FocalLengthMm, f.Point.FocalLengthMm - fit.Set.FocalLengthMm) { ItemName = f.Rig.Lens.Name }, f.Rig, f.Mode))
            .FirstOrDefault(r => r is not null);
    }

    /// <summary>The picture that the rig does give from a place, or as near as it focuses.</summary>
    private Remedy? Reframed(FitRig rig, FitMode mode, double distanceMm, bool atLong)
    {
        if (distanceMm > 0 && distanceMm < question.NearestMm(rig))
        {
            return null;
        }

        // At the very nearest mark rounding could fall on the wrong side of it.
        var travel = rig.ChainAt(atLong ? rig.LongMm : rig.ShortMm, question.Rules.Measured).Travel;
        var m = distanceMm > travel.NearestMm() && distanceMm <= travel.FarthestMm() ? travel.FocusAt(distanceMm).Magnification : travel.MaximumMagnification() / Margin;
        if (m is not > 0)
        {
            return null;
        }

        var height = question.Frames.Of(rig, mode).Used.HeightMm / m.Value;
        height *= height > question.Frame.HeightMm ? Margin : 1 / Margin;
        return Tried(new(RemedyKind.OtherFraming, height, height - question.Frame.HeightMm), rig, mode);
    }

    /// <summary>How many times tighter the picture must be than what the long end gives from the nearest place.</summary>
    private double Widening(FitRig rig, FitMode mode)
    {
        var travel = rig.ChainAt(rig.LongMm, question.Rules.Measured).Travel;
        var there = Math.Max(question.NearestMm(rig), travel.NearestMm());
        return there > travel.FarthestMm() ? 1 : question.Frames.Of(rig, mode).Used.HeightMm / travel.FocusAt(there).Magnification / question.Frame.HeightMm * Margin;
    }

    private double Uncovered(FitRig rig, FitMode mode) => question.Frames.Of(rig, mode).DiagonalMm / rig.ImageCircleMm!.Value * Margin;

    /// <summary>Punch-in, as far as the mode's electronic zoom or the recorded pixels go for what is delivered.</summary>
    private Remedy? PunchedIn(FitRig rig, FitMode mode, double times)
    {
        var room = question.Frames.Of(rig, mode).Enlargement is { } enlargement ? ReasonFinder.MeasuringError / enlargement : double.PositiveInfinity;
        return times <= 1 || times > room ? null : Instead(new(RemedyKind.PunchIn, times, times - 1), rig, mode.Punched(times));
    }

    /// <summary>The weakest close-up lens of the shelf with which the rig gives the shot.</summary>
    private Remedy? CloseUp(FitRig rig, FitMode mode) => search.Shelf.CloseUps
        .Select(item => search.Shelf.WithCloseUp(rig, item) is { } made ? Instead(new(RemedyKind.CloseUp, item.Get(FrontFields.Dioptres) ?? 0, 0) { ItemName = item.Name }, made, mode) : null)
        .FirstOrDefault(r => r is not null);

    /// <summary>The shortest tube of the shelf with which the rig gives the shot, in the place where it does.</summary>
    private Remedy? Tube(FitRig rig, FitMode mode) => search.Shelf.Tubes
        .SelectMany(item => search.Shelf.WithTube(rig, item).Select(made => Instead(new(RemedyKind.Tube, item.Get(AdapterFields.Extension) ?? 0, 0) { ItemName = item.Name }, made, mode)))
        .FirstOrDefault(r => r is not null);

    /// <summary>The lightest support of the shelf of the same kind on which the rig gives the shot.</summary>
    private Remedy? StrongerSupport(FitRig rig, FitMode mode) => search.Shelf.Supports
        .Where(s => SupportLimits.Of(s).Type == question.Brief.Support?.Type)
        .OrderBy(s => s.Get(CommonFields.Weight) ?? double.PositiveInfinity).ThenBy(s => s.FullName, StringComparer.Ordinal)
        .Select(s => Tried(new(RemedyKind.StrongerSupport, s.Get(SupportFields.Payload) ?? 0, 0) { Support = s, ItemName = s.FullName }, rig, mode))
        .FirstOrDefault(r => r is not null);

    private Remedy? OtherSupport(FitRig rig, FitMode mode)
    {
        foreach (var support in new[] { CameraSupport.HandHeld, CameraSupport.Shoulder, CameraSupport.Clamp })
        {
            if (support != question.Brief.CameraSupport && Tried(new(RemedyKind.OtherSupport, 0, 0) { CameraSupport = support }, rig, mode) is { } remedy)
            {
                return remedy;
            }
        }

        return null;
    }

    /// <summary>The rate of any of the rig's modes that is nearest to what is asked, and with which it gives the shot.</summary>
    private Remedy? OfferedRate(FitRig rig) => rig.Modes
        .SelectMany(mode => mode.Rates.Select(rate => (Mode: mode, Rate: rate)))
        .OrderBy(o => Math.Max(o.Rate / question.Brief.Fps, question.Brief.Fps / o.Rate)).ThenBy(o => o.Rate)
        .Select(o => Tried(new(RemedyKind.OfferedRate, o.Rate, o.Rate - question.Brief.Fps), rig, o.Mode))
        .FirstOrDefault(r => r is not null);

    /// <summary>How far the subject may move so that it stays sharp with what lens, light and softness behind allow.</summary>
    private Remedy? LessMove(FitSearch.Missed miss)
    {
        if (miss.Point is not { AtOne.SubjectFromPupilMm: > 0 } point)
        {
            return null;
        }

        // The zone in front at the narrowest that is left.
        var zone = SharpZone.Of(point.AtOne with { PupilMm = point.AtOne.PupilMm / point.MostFNumber }, point.CircleOfConfusionMm);
        var moves = 2 * zone.InFrontMm / Margin - question.Brief.Subject.DepthMm;
        return moves >= 0 && moves < question.Brief.MovesMm ? Tried(new(RemedyKind.MovesLess, moves, moves - question.Brief.MovesMm), miss.Rig, miss.Mode) : null;
    }

    private Remedy? MoreLight(FitSearch.Missed miss)
    {
        var ev = question.Location.Light.BrightnessEv + miss.Shortfall.By * Margin + 1e-9;
        return ev is { } value && value <= BrightestEv ? Tried(new(RemedyKind.MoreLight, value, miss.Shortfall.By), miss.Rig, miss.Mode) : null;
    }

    /// <summary>How far the subject must come forward so that what is behind blurs enough, by halving.</summary>
    private Remedy? Forward(FitSearch.Missed miss)
    {
        var location = question.Location;
        if (question.Brief.IsOverhead || location.BehindMm is not { } behind)
        {
            return null;
        }

        var most = Math.Min(location.MostBehindMm ?? double.PositiveInfinity, double.IsPositiveInfinity(question.RoomMm) ? behind + 1e6 : behind + question.RoomMm);
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

using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Kits;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Contracts.Fitting;

/// <summary>Between the core's search and the wire.</summary>
internal static class FitMapping
{
    /// <summary>A place as a shot sees it.</summary>
    public static Site ToCore(this PlaceInput place, ShotInput shot) => new()
    {
        LengthMm = place.LengthMm,
        WidthMm = place.WidthMm,
        HeightMm = place.HeightMm,
        BehindMm = shot.BehindMm ?? place.BehindMm,
        LeastBehindMm = place.LeastBehindMm,
        MostBehindMm = place.MostBehindMm,
        KeepOffMm = place.KeepOffMm,
        Along = shot.Along ?? place.Along,
        BrightnessEv = place.BrightnessEv,
        MainsHertz = place.MainsHertz,
        Hazards = place.Hazards.Aggregate(Hazards.None, (all, one) => all | one),
    };

    public static ShotBrief ToCore(this ShotInput shot, DeliveryInput delivery) => new(
        new ShotSubject(shot.Subject.Kind, shot.Subject.HeightMm)
        {
            WidthMm = shot.Subject.WidthMm,
            Count = shot.Subject.Count,
            SpacingMm = shot.Subject.SpacingMm,
            BaseMm = shot.Subject.BaseMm,
        },
        shot.Size)
    {
        Typed = shot.FramedMm is { } size ? new FramedSize(size, shot.FramedAcross) : null,
        Headroom = shot.Headroom,
        Carriage = shot.Carriage,
        Walks = shot.Walks,
        RearMm = shot.RearMm,
        MovesMm = shot.MovesMm,
        Behind = shot.Behind,
        CaptureFps = shot.CaptureFps,
        TimelineFps = delivery.TimelineFps,
        ShutterAngleDeg = delivery.ShutterAngleDeg,
        DeliveryAspect = shot.DeliveryAspect ?? delivery.Aspect,
        DeliveryWidthPx = delivery.WidthPx,
    };

    public static RigChoice ToCore(this ChosenInput chosen) => new(chosen.Body, chosen.Mode, chosen.Lens, chosen.Links);

    public static FitResponse ToWire(this FitResult result, FitRequest request, int looked, LengthUnit unit)
    {
        var (site, brief) = (request.Place.ToCore(request.Shot), request.Shot.ToCore(request.Delivery));
        var words = new FitWords(unit);
        var own = Cautions.Of(site, brief, null, null);
        return new(
            new(result.Frame.WidthMm, result.Frame.HeightMm, result.Frame.BottomMm, result.Frame.LensHeightMm, result.Frame.Decider, Finite(site.RoomMm(brief))),
            FitWords.Order(request.Shot.Wish),
            [.. result.Fits.Select(f => ToWire(f, words.Why(f, request.Shot.Wish), site, brief, own))],
            [.. result.Misses.Select(m => new MissOutput(ToWire(m.Rig, m.Mode), m.Shortfall.Kind, words.Shortfall(m), [.. m.Remedies.Select(r => ToWire(r, words))]))],
            result.FitCount,
            result.MissCount,
            looked,
            [.. result.Contradictions.Select(c => ToWire(c, words))],
            [.. own.Select(Cautions.Say)]);
    }

    public static DayResponse ToWire(this DayResult result, IReadOnlyList<ShotInput> shots, IReadOnlyList<ShotAnswerOutput> ofRig)
    {
        IReadOnlyList<Guid> Ids(IReadOnlyList<int> indexes) => [.. indexes.Select(i => shots[i].Id)];
        return new(
            [.. result.Kits.Select(k => new KitOutput(
                [.. k.Lenses.Select(l => new KitLensOutput(
                    l.Lens.Id, l.Lens.FullName, l.WeightG, Ids(l.Shots), Ids(l.Alone), [.. l.Rigs.Select(r => ToWire(r.Rig, r.Mode))]))],
                Ids(k.Undone), k.WeightG, k.WeightUnknown))],
            Ids(result.Impossible),
            ofRig);
    }

    /// <summary>Whether one rig gives a shot, in a sentence.</summary>
    public static ShotAnswerOutput ToAnswer(FitResult result, ShotInput shot, LengthUnit unit)
    {
        var words = new FitWords(unit);
        return result switch
        {
            { Fits: [var fit, ..] } => new(shot.Id, true, words.From(fit), fit.Scene.SubjectDistanceMm),
            { Misses: [var miss, ..] } => new(shot.Id, false, words.Shortfall(miss), null),
            _ => new(shot.Id, false, "Its parts do not go together.", null),
        };
    }

    private static FitOutput ToWire(Fit fit, string why, Site site, ShotBrief brief, IReadOnlyList<CautionKind> own)
    {
        var focus = fit.Report.Focus!.Value;
        var equivalent = fit.Report.Lens.EquivalentFocalLengthMm;
        return new(
            ToWire(fit.Rig, fit.Mode),
            fit.Ways,
            why,
            fit.FromMm,
            fit.ToMm,
            fit.Scene.SubjectDistanceMm,
            fit.Set.FocalLengthMm,
            fit.Set.FNumber,
            equivalent,
            focus.BackgroundDiscFractionOfHeight,
            focus.DepthOfFieldNearMm,
            Finite(focus.DepthOfFieldFarMm),
            Finite(fit.SharpToSpareMm),
            Finite(fit.RoomLeftMm),
            fit.Rig.FrontMm,
            brief.RearMm ?? Carriages.RearMm(brief.Carriage, fit.Rig.BackMm),
            fit.SensitivityIso,
            fit.Set.LowestIso,
            fit.FilterStops,
            fit.Report.Sensor.Enlargement,
            fit.MicrophoneMm,
            focus.FaceStretch,
            fit.Unsteadiness,
            [.. Cautions.Of(site, brief, fit.Rig.WeightG, equivalent).Except(own).Select(Cautions.Say)]);
    }

    private static RigOutput ToWire(FitRig rig, FitMode mode) => new(
        rig.Body.Id,
        mode.Item.Name,
        rig.Lens.Id,
        [.. rig.Links.Select(l => l.Id)],
        rig.Body.Name,
        ReferenceEquals(rig.Body, rig.Lens) ? "" : rig.Lens.Name,
        [.. rig.Links.Select(l => l.Name)],
        rig.WeightG,
        rig.WeightUnknown,
        rig.Holding);

    private static RemedyOutput ToWire(Remedy remedy, FitWords words) => new(
        remedy.Kind,
        words.Say(remedy),
        remedy.Value,
        remedy.Item == Guid.Empty ? null : remedy.Item,
        remedy.Kind == RemedyKind.OtherCarriage ? remedy.Carriage : null);

    private static ContradictionOutput ToWire(Contradiction contradiction, FitWords words)
    {
        var (message, mend) = words.Say(contradiction);
        return new(contradiction.Kind, contradiction.Stops, message, mend);
    }

    private static double? Finite(double value) => double.IsFinite(value) ? value : null;
}

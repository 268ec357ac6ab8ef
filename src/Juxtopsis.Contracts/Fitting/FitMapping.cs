using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Margins;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Contracts.Fitting;

/// <summary>Between the core's search and the wire.</summary>
internal static class FitMapping
{
    /// <summary>A place as a shot sees it.</summary>
    public static Location ToCore(this LocationInput place, ShotInput shot) => new()
    {
        LengthMm = place.LengthMm,
        WidthMm = place.WidthMm,
        HeightMm = place.HeightMm,
        IsTaped = place.Taped,
        BehindMm = shot.BehindMm ?? place.BehindMm,
        LeastBehindMm = place.LeastBehindMm,
        MostBehindMm = place.MostBehindMm,
        KeepOffMm = place.KeepOffMm,
        Along = shot.Along ?? place.Along,
        Light = new() { BrightnessEv = place.BrightnessFor(shot), MainsHertz = place.MainsHertz },
        Hazards = place.Hazards.Aggregate(Hazards.None, (all, one) => all | one),
    };

    public static ShotBrief ToCore(this ShotInput shot, DeliveryInput delivery) => new(
        new ShotSubject(shot.Subject.Kind, shot.Subject.HeightMm)
        {
            WidthMm = shot.Subject.WidthMm,
            Count = shot.Subject.Count,
            SpacingMm = shot.Subject.SpacingMm,
            BaseMm = shot.Subject.BaseMm,
            DepthMm = shot.Subject.Kind == SubjectKind.Thing ? shot.Subject.DepthMm : 0,
        },
        shot.Size)
    {
        Typed = shot.FramedMm is { } size ? new FramedSize(size, shot.FramedAcross) : null,
        Headroom = shot.Headroom,
        CameraSupport = shot.CameraSupport,
        Walks = shot.Walks,
        RearMm = shot.RearMm,
        MovesMm = shot.MovesMm,
        Behind = shot.Behind,
        CaptureFps = shot.CaptureFps,
        TimelineFps = delivery.TimelineFps,
        Shutter = new(delivery.ShutterAngleDeg) { HeldSeconds = delivery.ShutterSeconds },
        DeliveryAspect = shot.DeliveryAspect ?? delivery.Aspect,
        DeliveryWidthPx = delivery.WidthPx,
    };

    /// <summary>What a shot's picture takes in.</summary>
    /// <param name="frame">The frame that the brief asks for.</param>
    /// <param name="brief">The brief.</param>
    /// <param name="location">Where it is taken.</param>
    public static FrameOutput ToWire(this WantedFrame frame, ShotBrief brief, Location location)
    {
        var room = Finite(location.RoomMm(brief));
        return new(
            frame.WidthMm, frame.HeightMm, frame.BottomMm, frame.LensHeightMm, frame.Decider, room, brief.Subject.WholeHeightMm(brief.IsOverhead),
            room > 0 ? frame.EquivalentFromMm(room.Value, Core.Rigs.Conventions.Default) : null);
    }

    public static RigChoice ToCore(this ChosenInput chosen) => new(chosen.Body, chosen.Mode, chosen.Lens, chosen.Links) { Front = chosen.Front, PunchIn = chosen.PunchIn };

    public static FitRules ToRules(this DeliveryInput delivery) => delivery.Rules.ToCore(delivery.HighestIso) with
    {
        Tolerances = new()
        {
            FocalLengthShare = delivery.Tolerances.FocalLengthShare,
            FactorShare = delivery.Tolerances.FactorShare,
            TapeMm = delivery.Tolerances.TapeMm,
            RoomMm = delivery.Tolerances.RoomMm,
        },
    };

    public static FitRules ToCore(this RulesInput rules, double highestIso) => new()
    {
        Rates = rules.Rates,
        Iris = rules.Iris,
        Findings = rules.Findings,
        Pixels = rules.Pixels,
        Sensitivity = rules.Sensitivity,
        Measured = rules.Measured,
        HighestIso = highestIso,
    };

    public static FitResponse ToWire(this FitResult result, FitRequest request, RankingCriterion criterion, int looked, bool isCut, FitResult? chosen, LengthUnit unit)
    {
        var (location, brief) = (request.Location.ToCore(request.Shot), request.Shot.ToCore(request.Delivery));
        var words = new FitWords(unit);
        var own = Cautions.Of(location, brief, null, null);
        FitOutput Say(Fit fit) => ToWire(fit, words, criterion, location, brief, own);
        return new(
            result.Frame.ToWire(brief, location),
            FitWords.Order(criterion, isCut),
            [.. result.Fits.Select(Say)],
            [.. result.Misses.Select(m => new MissOutput(ToWire(m.Rig, m.Mode), words.Shortfall(m).ToWire(), [.. m.Remedies.Select(r => ToWire(r, words, Say))], m.Nearest is { } near ? Say(near) : null, m.Margin is { } spare ? ToWire(spare, null, words) : null))],
            result.FitCount,
            result.MissCount,
            looked,
            [.. result.Contradictions.Select(c => words.Say(c).ToWire())],
            [.. own.Select(c => Cautions.Say(c).ToWire())],
            chosen is { Fits: [var fits, ..] } ? Say(fits) : null,
            chosen switch
            {
                null or { Fits.Count: > 0 } => null,
                { Misses: [var miss, ..] } => words.Shortfall(miss).ToWire(),
                _ => new("", "", "", "A part of it is gone from the shelf, or its parts do not go together.", "Choose another rig for the shot."),
            });
    }

    public static DayResponse ToWire(this DayResult result, IReadOnlyList<ShotInput> shots, IReadOnlyList<ShotAnswerOutput> ofRig, LengthUnit unit)
    {
        var words = new FitWords(unit);
        IReadOnlyList<Guid> Ids(IEnumerable<int> indexes) => [.. indexes.Select(i => shots[i].Id)];
        KitOutput Of(Kit kit)
        {
            IReadOnlyList<KitItemOutput> Items(IReadOnlyList<GearItem> items) =>
                [.. items.Select(i => new KitItemOutput(i.Id, i.FullName, i.WeightG, Ids(kit.Shots.Where(s => s.Rig.Parts.Any(p => p.Id == i.Id)).Select(s => s.Shot)), Ids(kit.Alone.GetValueOrDefault(i.Id, []))))];
            return new(
                Items(kit.Bodies), Items(kit.Lenses), Items(kit.Adapters), [.. kit.Shots.Select(s => new KitShotOutput(shots[s.Shot].Id, ToWire(s.Rig, s.Mode), s.Fills, ToCloseOutput(s, words)))],
                Ids(kit.Undone), kit.Changes, kit.WeightG, kit.WeightsUnknown);
        }

        return new([.. result.Kits.Select(Of)], Ids(result.Impossible), result.IsProven, ofRig);
    }

    public static FilterDayResponse ToWire(this FilterDayResult result, IReadOnlyList<ShotInput> shots, Fit?[] fits, FilterNeed?[] needs)
    {
        IReadOnlyList<Guid> Ids(IEnumerable<int> indexes) => [.. indexes.Select(i => shots[i].Id)];
        IReadOnlyList<Guid> Where(Func<int, bool> holds) => Ids(Enumerable.Range(0, shots.Count).Where(holds));
        FilterKitOutput Of(FilterKit kit)
        {
            IReadOnlyList<KitItemOutput> Items(IReadOnlyList<GearItem> items) =>
                [.. items.Select(i => new KitItemOutput(i.Id, i.FullName, i.WeightG, Ids(kit.Shots.Where(s => s.Way.Added.Any(a => a.Id == i.Id)).Select(s => s.Shot)), []))];
            return new(
                kit.Kind, Items(kit.Filters), Items(kit.Rings),
                [.. kit.Shots.Select(s => new FilterShotOutput(shots[s.Shot].Id, [.. s.Way.Added.Select(i => i.Id)], [.. s.Way.Added.Select(i => i.Name)], s.TakenStops, Math.Max(0, s.RaisedStops), !s.Way.IsClear))],
                kit.Changes, kit.WeightG, kit.Purchase, kit.HirePerDay);
        }

        return new([.. result.Kits.Select(Of)], Ids(result.NeedNone), Where(i => fits[i] is null), Where(i => fits[i] is not null && needs[i] is null), Ids(result.Impossible), result.IsProven);
    }

    /// <summary>Whether one rig gives a shot, in a sentence.</summary>
    public static ShotAnswerOutput ToAnswer(FitResult result, ShotInput shot, LengthUnit unit)
    {
        var words = new FitWords(unit);
        return result switch
        {
            { Fits: [var fit, ..] } => new(shot.Id, true, words.From(fit), fit.Scene.SubjectDistanceMm),
            { Misses: [var miss, ..] } => new(shot.Id, false, words.Shortfall(miss).Message, null),
            _ => new(shot.Id, false, "Its parts do not go together.", null),
        };
    }

    private static FitOutput ToWire(Fit fit, FitWords words, RankingCriterion criterion, Location location, ShotBrief brief, IReadOnlyList<DiagnosticCode> own)
    {
        var focus = fit.Report.Focus ?? throw new InvalidOperationException("A proposal is told only when the evaluator confirms it.");
        var equivalent = fit.Report.Lens.EquivalentFocalLengthMm;
        return new(
            ToWire(fit.Rig, fit.Mode),
            fit.Ways,
            words.Why(fit, criterion),
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
            brief.RearMm ?? CameraSupports.RearMm(brief.CameraSupport, fit.Rig.BackMm),
            fit.SensitivityIso,
            fit.Set.LowestIso,
            fit.FilterStops,
            fit.Report.Sensor.Enlargement,
            fit.MicrophoneMm,
            focus.FaceStretch,
            fit.Unsteadiness,
            [.. Cautions.Of(location, brief, fit.Rig.WeightG, equivalent).Except(own).Select(c => Cautions.Say(c).ToWire())],
            fit.Tier,
            [.. words.Against(fit).Select(f => f.ToWire())],
            fit.WasteShare,
            fit.Set.RackedFarther,
            fit.Rig.IrisIsFixed,
            fit.FromFocalMm,
            fit.ToFocalMm,
            fit.Margin is not { } margin ? null : new(
                margin.StandPlusMinusMm,
                [.. margin.Spares.Select(s => ToWire(s, ReferenceEquals(s, margin.Closest) ? fit.Surer?.ItemName : null, words))],
                margin.Closest is { } closest ? margin.Spares.ToList().IndexOf(closest) : null,
                fit.Surer is { } surer ? ToWire(surer, words, f => ToWire(f, words, criterion, location, brief, own)) : null));
    }

    /// <summary>What a shot of a bag is closest to running out of, and what of the bag is surer; null where it is sure.</summary>
    internal static SpareOutput? ToCloseOutput(KitShot shot, FitWords words) => shot.Close is { } close ? ToWire(close, Instead(shot), words) : null;

    /// <summary>What of the bag is surer: another lens, with its body where that is another too.</summary>
    private static string? Instead(KitShot shot) => shot.Surer?.Rig switch
    {
        null => null,
        var rig when ReferenceEquals(rig.Body, rig.Lens) => rig.Body.Name,
        var rig when rig.Body.Id == shot.Rig.Body.Id => rig.Lens.Name,
        var rig => $"{rig.Body.Name} with the {rig.Lens.Name}",
    };

    private static SpareOutput ToWire(Spare spare, string? instead, FitWords words) => new(
        spare.Kind, spare.Mm, Finite(spare.PlusMinusMm), words.Say(spare), FitWords.Surer(spare, instead), [.. spare.Parts.Select(MarginMapping.ToWire)]);

    internal static RigOutput ToWire(FitRig rig, FitMode mode) => new(
        rig.Body.Id,
        mode.Item.Name,
        rig.Lens.Id,
        [.. rig.Links.Select(l => l.Id)],
        [.. rig.Front.Select(f => f.Id)],
        mode.PunchIn,
        rig.Body.Name,
        ReferenceEquals(rig.Body, rig.Lens) ? "" : rig.Lens.Name,
        [.. rig.Links.Select(l => l.Name)],
        [.. rig.Front.Select(f => f.Name)],
        rig.WeightG,
        rig.WeightUnknown,
        rig.Ownership);

    private static RemedyOutput ToWire(Remedy remedy, FitWords words, Func<Fit, FitOutput> say) => new(
        remedy.Kind,
        words.Say(remedy),
        remedy.Value,
        remedy.With is { } fit ? say(fit) : null,
        remedy.Kind == RemedyKind.OtherSupport ? remedy.CameraSupport : null,
        remedy.Support?.Id);

    internal static double? Finite(double value) => double.IsFinite(value) ? value : null;
}

using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Margins;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>What a rig may run out of.</summary>
public enum SpareKind
{
    /// <summary>Room behind the camera.</summary>
    Room,

    /// <summary>What must be kept off.</summary>
    KeepOff,

    /// <summary>Its nearest focus.</summary>
    Focus,
}

/// <summary>How much is to spare before a rig no longer gives a shot, and how surely.</summary>
/// <param name="Kind">Of what.</param>
/// <param name="Mm">How much, mm, from the place that is best for it; below 0 where it is missing.</param>
/// <param name="PlusMinusMm">Half the interval that holds the truth 95 times in 100, mm.</param>
/// <param name="Parts">What that comes from, the largest first.</param>
public sealed record Spare(SpareKind Kind, double Mm, double PlusMinusMm, IReadOnlyList<MarginPart> Parts)
{
    /// <summary>True when it may be the other way.</summary>
    public bool IsClose => Math.Abs(Mm) < PlusMinusMm;
}

/// <summary>How sure a proposal is.</summary>
/// <param name="StandPlusMinusMm">How far from the place told the camera may have to stand for the framing, mm; null for a zoom, whose ring makes up for it.</param>
/// <param name="Spares">What it may run out of, where there is such a limit.</param>
public sealed record FitMargin(double? StandPlusMinusMm, IReadOnlyList<Spare> Spares)
{
    /// <summary>What it is closest to running out of, in so far as that is not sure; null where all is.</summary>
    public Spare? Closest => Spares.Where(s => s.IsClose).MinBy(s => s.Mm / s.PlusMinusMm);
}

/// <summary>
/// Finds how sure what fits is: the same question is asked of the same rig with each thing that is not measured a little more and a little less, and of the
/// place likewise.
/// </summary>
internal sealed class FitMargins
{
    private readonly FittingShelf shelf;
    private readonly FitQuestion question;
    private readonly FitQuestion byMeasured;

    public FitMargins(FittingShelf shelf, FitQuestion question)
    {
        (this.shelf, this.question) = (shelf, question);
        byMeasured = question.ByMeasured(shelf.Modes);
    }

    private Tolerances Tolerances => question.Conventions.Tolerances;

    /// <summary>How sure a rig that gives the shot is.</summary>
    public FitMargin Of(FitRig rig, FitMode mode)
    {
        var now = At(question, rig, mode);
        var moved = InputsOf(rig).Select(input => (Input: input, Below: At(input, rig, mode, -1), Above: At(input, rig, mode, 1))).ToArray();
        MarginPart[] Parts(double value, Func<Limits, double?> of) =>
            [.. moved.Select(m => m.Input.Part with { PlusMinus = Propagation.Of(of(m.Below), value, of(m.Above)) }).Where(p => p.PlusMinus > 0.05).OrderByDescending(p => p.PlusMinus)];
        var spares = new List<Spare>();
        foreach (var kind in Enum.GetValues<SpareKind>())
        {
            if (now.Spare(kind) is { } left)
            {
                var parts = Parts(left, l => l.Spare(kind));
                spares.Add(new(kind, left, Propagation.Together(parts), parts));
            }
        }

        return new(!rig.Zooms && now.StandMm is { } stand ? Propagation.Together(Parts(stand, l => l.StandMm)) : null, spares);
    }

    /// <summary>What is not certain of a rig in its place. The ± of what follows is not yet told.</summary>
    private IEnumerable<Input> InputsOf(FitRig rig) => rig.Parts
        .SelectMany((item, at) => (ReferenceEquals(item, rig.Lens) ? [FocalOf(item)] : (MarginPart[])[]).Concat(FactorsOf(item)).Select(part => new Input(part, at)))
        .Concat(PlaceInputs().Select(part => new Input(part, -1)))
        .Where(input => input.Part.Given > 0);

    private MarginPart FocalOf(GearItem item)
    {
        var isMeasured = question.Rules.Measured && item.Get(LensFields.Measured).Count > 0;
        return new(MarginSource.FocalLength, item.Name, isMeasured ? item.Get(LensFields.TestedFocalPlusMinus) ?? Tolerances.MeasuredShare : Tolerances.FocalLengthShare, isMeasured, 0);
    }

    private IEnumerable<MarginPart> FactorsOf(GearItem item)
    {
        if (item.Get(AdapterFields.Magnification) is { } k && k != 1)
        {
            var tested = item.Get(AdapterFields.TestedMagnificationPlusMinus);
            yield return new(MarginSource.Factor, item.Name, tested ?? Tolerances.FactorShare, tested is not null, 0);
        }

        if ((item.Get(LensFields.Squeeze) ?? item.Get(FrontFields.Squeeze)) is { } squeeze && squeeze != 1)
        {
            var tested = item.Get(LensFields.TestedSqueezePlusMinus) ?? item.Get(FrontFields.TestedSqueezePlusMinus);
            yield return new(MarginSource.Squeeze, item.Name, tested ?? Tolerances.FactorShare, tested is not null, 0);
        }
    }

    private IEnumerable<MarginPart> PlaceInputs()
    {
        var location = question.Location;
        if (double.IsFinite(question.RoomMm))
        {
            yield return new(MarginSource.Room, "", location.IsTaped ? Tolerances.TapeMm : Tolerances.RoomMm, location.IsTaped, 0);
        }

        yield return new(MarginSource.Tape, "", Tolerances.TapeMm, true, 0);
    }

    /// <summary>The answer with one thing a standard uncertainty off.</summary>
    private Limits At(Input input, FitRig rig, FitMode mode, int side)
    {
        var by = side * Propagation.Standard(input.Part.Given);
        return input.Part.Source switch
        {
            MarginSource.Room => At(question.At(question.Location.Longer(by, question.Brief)), rig, mode),

            // The subject is set up by tape from what is behind it, and what must be kept off by tape from the subject.
            MarginSource.Tape => At(question.At(question.Location with { BehindMm = question.Location.BehindMm + by, KeepOffMm = question.Location.KeepOffMm > 0 ? question.Location.KeepOffMm + by : 0 }), rig, mode),
            _ => shelf.Varied(rig, input.Part.Source, input.At, by, !question.Rules.Measured) is { } varied ? At(input.Part.Source == MarginSource.FocalLength ? byMeasured : question, varied, mode) : default,
        };
    }

    private static Limits At(FitQuestion question, FitRig rig, FitMode mode)
    {
        var place = question.PlaceOf(rig);
        var answer = question.Ask(rig, mode, place, RankingCriterion.Nearest);
        var gives = answer.Best is not null;
        var byRoom = double.IsFinite(question.RoomMm) && place.Far >= question.RoomMm - question.RearMm(rig);
        return new(
            gives ? answer.Best!.DistanceMm : answer.Nearest is { DistanceMm: > 0 } near ? near.DistanceMm : null,
            !byRoom ? null : gives ? place.Far - answer.FromMm : answer.Miss.Code == DiagnosticCode.RoomTooShort ? -answer.Miss.By : null,
            !(question.Location.KeepOffMm > 0) ? null : gives ? answer.ToMm - place.Near : answer.Miss.Code == DiagnosticCode.MustStandTooNear ? -answer.Miss.By : null,
            gives ? answer.ToMm - question.NearestFocusMm(rig, answer.ToFocalMm) : answer.Miss is { Code: DiagnosticCode.TooClose, By: > 0 } ? -answer.Miss.By : null);
    }

    /// <summary>What is not certain, and of which of the rig's parts; −1 for the place.</summary>
    private readonly record struct Input(MarginPart Part, int At);

    /// <summary>Where a rig stands, and what is to spare there.</summary>
    private readonly record struct Limits(double? StandMm, double? RoomMm, double? KeepOffMm, double? FocusMm)
    {
        public double? Spare(SpareKind kind) => kind switch { SpareKind.Room => RoomMm, SpareKind.KeepOff => KeepOffMm, _ => FocusMm };
    }
}

using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>A body with a lens, what joins them and what is screwed on in front, put together once for all of its modes.</summary>
public sealed class FitRig
{
    private readonly Rig atShort;
    private readonly Rig atLong;

    private FitRig(
        int group, GearItem body, GearItem lens, IReadOnlyList<GearItem> links, IReadOnlyList<GearItem> front, IReadOnlyList<FitMode> modes, Assembly atShort, Assembly atLong,
        IrisSetting iris)
    {
        (Group, Body, Lens, Links, Front, Modes, Iris) = (group, body, lens, links, front, modes, iris);
        (this.atShort, this.atLong) = (atShort.Rig!.Value, atLong.Rig!.Value);
        var layout = atShort.Layout;
        BackMm = -layout.Spans[0].FromMm;
        FrontMm = layout.Spans[^1].ToMm;
        WeightG = layout.WeightG;
        WeightUnknown = layout.WeightUnknown > 0;
        Ownership = Parts.Max(p => p.Get(CommonFields.Ownership) ?? Gear.Ownership.Own);
        Magnification = this.atShort.Optics.Magnification;
        Squeeze = this.atShort.Squeeze;
        ImageCircleMm = this.atShort.Lens.ImageCircleMm * Magnification;
        CircleIsEstimated = atShort.CircleIsEstimated;
        ShortMm = this.atShort.FocalLengthMm;
        LongMm = this.atLong.FocalLengthMm;
        ShortChain = LensInChain.Of(this.atShort, ShortMm);
        LongChain = LensInChain.Of(this.atLong, LongMm);

        // What depends on the mode, circle and squeeze, is asked of each mode.
        Findings = [.. atShort.Findings.Where(f => f.Code is not (DiagnosticCode.ImageCircleTooSmall or DiagnosticCode.SqueezeNotShown))];
        Spoils = Findings.Count(f => f.Severity == Severity.Spoils);
        Costs = Findings.Count(f => f.Severity == Severity.Costs);
        Unknowns = Findings.Count(f => f.Code is DiagnosticCode.ImageCircleUnknown or DiagnosticCode.AdapterSignalsUnknown);
    }

    /// <summary>Numbers the pair of body and lens; ways to join the same two have one number.</summary>
    public int Group { get; }

    /// <summary>The body, or a camera that keeps its lens.</summary>
    public GearItem Body { get; }

    /// <summary>The lens; the camera itself when it keeps its own.</summary>
    public GearItem Lens { get; }

    /// <summary>What stands between them, from the body on: adapters, reducers, extenders, tubes.</summary>
    public IReadOnlyList<GearItem> Links { get; }

    /// <summary>What is screwed on in front.</summary>
    public IReadOnlyList<GearItem> Front { get; }

    /// <summary>The body's recording modes.</summary>
    public IReadOnlyList<FitMode> Modes { get; }

    /// <summary>The rig at the short end of its zoom, wide open.</summary>
    public ref readonly Rig AtShort => ref atShort;

    /// <summary>The rig at the long end; the same for a prime.</summary>
    public ref readonly Rig AtLong => ref atLong;

    /// <summary>From the sensor mark to the front of the lens, mm; a usual length stands in where one is not known.</summary>
    public double FrontMm { get; }

    /// <summary>From the sensor mark to the back of the body, mm; likewise.</summary>
    public double BackMm { get; }

    /// <summary>Weight of all parts, g.</summary>
    public double WeightG { get; }

    /// <summary>True when a weight is not known, so that the sum is a least one.</summary>
    public bool WeightUnknown { get; }

    /// <summary>How the crew comes by the part that is hardest to come by.</summary>
    public Ownership Ownership { get; }

    /// <summary>What was found when its parts were put together, whatever the mode.</summary>
    public IReadOnlyList<Diagnostic> Findings { get; }

    /// <summary>True when the iris cannot be set on this rig, or is not known to be: it stays wide open.</summary>
    public bool IrisIsFixed => Iris != IrisSetting.CanBeSet;

    /// <summary>Whether the iris can be set.</summary>
    internal IrisSetting Iris { get; }

    /// <summary>How many findings spoil its use, such as a front that turns with an attachment on it.</summary>
    internal int Spoils { get; }

    /// <summary>How many cost something, such as a focus that only hands move.</summary>
    internal int Costs { get; }

    /// <summary>How many tell that something that matters is not known.</summary>
    internal int Unknowns { get; }

    /// <summary>k of all glass between lens and sensor.</summary>
    internal double Magnification { get; }

    /// <summary>Squeeze of the lens and what is in front of it.</summary>
    internal double Squeeze { get; }

    /// <summary>Image circle on the sensor, mm; null when not known.</summary>
    internal double? ImageCircleMm { get; }

    /// <summary>True when that circle only goes by what the lens was made for: it warns, and refuses nothing.</summary>
    public bool CircleIsEstimated { get; }

    /// <summary>Short end, mm as marked.</summary>
    internal double ShortMm { get; }

    /// <summary>Long end, mm as marked.</summary>
    internal double LongMm { get; }

    /// <summary>The lens in its chain at its short end.</summary>
    internal LensInChain ShortChain { get; }

    /// <summary>The lens in its chain at its long end.</summary>
    internal LensInChain LongChain { get; }

    /// <summary>All its parts, from the body on.</summary>
    public IEnumerable<GearItem> Parts => ReferenceEquals(Body, Lens) ? [Body, .. Front] : [Body, .. Links, Lens, .. Front];

    /// <summary>True when the focal length can be changed.</summary>
    public bool Zooms => ShortMm < LongMm;

    /// <summary>The rig in a mode, at a focal length and an aperture.</summary>
    /// <param name="mode">The mode.</param>
    /// <param name="focalLengthMm">As marked, within the zoom, mm.</param>
    /// <param name="fNumber">As set on the lens.</param>
    /// <returns>The same as <see cref="ChainAssembler"/> gives for these parts and this setting.</returns>
    public Rig In(FitMode mode, double focalLengthMm, double fNumber)
    {
        ArgumentNullException.ThrowIfNull(mode);
        ref readonly var end = ref EndAt(focalLengthMm);
        var measured = ChainOptics.MeasuredMm(Lens, focalLengthMm);
        var sensitivities = SensitivityRange.Of(Body, mode.Item);
        return end with
        {
            Lens = end.Lens.MeasuredFocalLengthMm == measured ? end.Lens : end.Lens with { MeasuredFocalLengthMm = measured },
            SensorWidthMm = mode.WidthMm * mode.PunchIn,
            SensorHeightMm = mode.HeightMm * mode.PunchIn,
            PunchIn = mode.PunchIn,
            Recorded = mode.Recorded,
            LowestIso = sensitivities.LowestIso,
            HighestIso = sensitivities.HighestIso,
            FocalLengthMm = focalLengthMm,
            FNumber = fNumber,
        };
    }

    /// <summary>The end of the zoom whose data hold at a focal length: the largest ratio is known at the very long end only.</summary>
    internal ref readonly Rig EndAt(double focalLengthMm)
    {
        if (focalLengthMm >= LongMm)
        {
            return ref atLong;
        }

        return ref atShort;
    }

    /// <summary>The lens in its chain at a focal length.</summary>
    internal LensInChain ChainAt(double focalLengthMm) =>
        focalLengthMm >= LongMm ? LongChain : focalLengthMm == ShortMm ? ShortChain : ShortChain.Zoomed(atShort, focalLengthMm);

    /// <summary>The same by the true focal length there, where that was measured and counts.</summary>
    /// <param name="focalLengthMm">As marked, mm.</param>
    /// <param name="byMeasured">Whether measured focal lengths count.</param>
    internal LensInChain ChainAt(double focalLengthMm, bool byMeasured) => byMeasured && ChainOptics.MeasuredMm(Lens, focalLengthMm) is { } used
        ? (focalLengthMm >= LongMm ? LongChain : ShortChain).Zoomed(EndAt(focalLengthMm), used)
        : ChainAt(focalLengthMm);

    /// <summary>The focal length that counts at a mark, mm: the true one, where it was measured and counts.</summary>
    internal double UsedMm(double focalLengthMm, bool byMeasured) => byMeasured ? ChainOptics.MeasuredMm(Lens, focalLengthMm) ?? focalLengthMm : focalLengthMm;

    /// <summary>The mark at which a focal length is had that counts; it may lie outside the zoom.</summary>
    internal double MarkOf(double usedMm, bool byMeasured) => byMeasured ? MarkedMm(usedMm) : usedMm;

    /// <summary>The mark at which a lens has a true focal length; beyond its ends their share holds on.</summary>
    private double MarkedMm(double usedMm)
    {
        if (ChainOptics.MeasuredMm(Lens, ShortMm) is not { } atShortEnd || ChainOptics.MeasuredMm(Lens, LongMm) is not { } atLongEnd)
        {
            return usedMm;
        }

        if (usedMm <= atShortEnd)
        {
            return usedMm * ShortMm / atShortEnd;
        }

        if (usedMm >= atLongEnd)
        {
            return usedMm * LongMm / atLongEnd;
        }

        var (low, high) = (ShortMm, LongMm);
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = ChainOptics.MeasuredMm(Lens, middle) < usedMm ? (middle, high) : (low, middle);
        }

        return (low + high) / 2;
    }

    /// <summary>As <see cref="FocalLengthFrom(double, double)"/>, by true focal lengths where they were measured and count.</summary>
    internal double FocalLengthFrom(double magnification, double distanceMm, bool byMeasured) =>
        MarkOf(FocalLengthFrom(magnification, distanceMm), byMeasured);

    /// <summary>The focal length that draws at a ratio from a distance: D = f(1 + m₀)²/m₀ + X, so long as the lens has no focus data of its own.</summary>
    /// <param name="magnification">m.</param>
    /// <param name="distanceMm">From the sensor mark, mm.</param>
    /// <returns>As marked, mm; it may lie outside the zoom.</returns>
    internal double FocalLengthFrom(double magnification, double distanceMm)
    {
        var travel = ShortChain.Travel;
        var each = (ShortChain.IsTraced ? 1 : ShortChain.OpticsMagnification) * Optics.ThinLens.SubjectDistanceMm(1, magnification / travel.Rear.Magnification);
        return (distanceMm - travel.Rear.TrackMm) / each;
    }

    /// <summary>Puts a rig together; null when something stops it in every mode.</summary>
    internal static FitRig? Of(
        int group, GearItem body, GearItem lens, IReadOnlyList<GearItem> links, IReadOnlyList<GearItem> front, IReadOnlyList<FitMode> modes, MountBook mounts)
    {
        IReadOnlyList<GearItem> parts = ReferenceEquals(body, lens) ? [body, .. front] : [body, .. links, lens, .. front];
        var setting = new ChainSetting { Mode = modes[0].Item.Name };
        var shortEnd = ChainAssembler.Assemble(parts, mounts, setting);
        if (!shortEnd.Works)
        {
            return null;
        }

        var longEnd = lens.Get(LensFields.Long) is { } end ? ChainAssembler.Assemble(parts, mounts, setting with { FocalLengthMm = end }) : shortEnd;
        return new(group, body, lens, links, front, modes, shortEnd, longEnd, SignalChecks.IrisOf(Anatomy.Of(parts, setting, [])));
    }
}

using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>A recording mode as the search reads it.</summary>
public sealed class FitMode
{
    private FitMode(GearItem item, int index, double widthMm, double heightMm, double fastestFps)
    {
        (Item, Index, WidthMm, HeightMm, FastestFps) = (item, index, widthMm, heightMm, fastestFps);
        Recorded = item.Get(ModeFields.PixelsAcross) is { } x && item.Get(ModeFields.PixelsUp) is { } y ? new PixelSize(x, y) : null;
    }

    /// <summary>The mode.</summary>
    public GearItem Item { get; }

    /// <summary>Used width, mm.</summary>
    public double WidthMm { get; }

    /// <summary>Used height, mm.</summary>
    public double HeightMm { get; }

    /// <summary>The fastest frame rate that it offers; infinite when its rates are not known.</summary>
    public double FastestFps { get; }

    /// <summary>Recorded pixels; null when not known.</summary>
    public PixelSize? Recorded { get; }

    /// <summary>Its number on the shelf; −1 for one that is punched in.</summary>
    internal int Index { get; }

    /// <summary>A part of the picture of this mode.</summary>
    /// <param name="times">How many times smaller, 1 or more.</param>
    /// <returns>The mode, punched in.</returns>
    public FitMode Punched(double times) => new(Item, -1, WidthMm / times, HeightMm / times, FastestFps);

    internal static FitMode Of(GearItem mode, int index)
    {
        var rates = mode.Get(ModeFields.Fps);
        return new(mode, index, mode.Get(ModeFields.AreaWidth) ?? 36, mode.Get(ModeFields.AreaHeight) ?? 24, rates.Count > 0 ? rates.Max() : double.PositiveInfinity);
    }
}

/// <summary>A body with a lens and what joins them, put together once for all of its modes.</summary>
public sealed class FitRig
{
    private readonly Rig atShort;
    private readonly Rig atLong;

    private FitRig(int group, GearItem body, GearItem lens, IReadOnlyList<GearItem> links, IReadOnlyList<FitMode> modes, Assembly atShort, Assembly atLong)
    {
        (Group, Body, Lens, Links, Modes) = (group, body, lens, links, modes);
        (this.atShort, this.atLong) = (atShort.Rig!.Value, atLong.Rig!.Value);
        var layout = atShort.Layout;
        BackMm = -layout.Spans[0].FromMm;
        FrontMm = layout.Spans[^1].ToMm;
        WeightG = layout.WeightG;
        WeightUnknown = layout.WeightUnknown;
        Holding = Parts.Max(p => p.Get(CommonFields.Held) ?? Gear.Holding.Own);
        Magnification = this.atShort.Optics.Magnification;
        Squeeze = this.atShort.Squeeze;
        CircleMm = this.atShort.Lens.ImageCircleMm * Magnification;
        ShortMm = this.atShort.FocalLengthMm;
        LongMm = this.atLong.FocalLengthMm;
        ShortTravel = RigEvaluator.TravelOf(this.atShort, Magnification * ShortMm);
        LongTravel = RigEvaluator.TravelOf(this.atLong, Magnification * LongMm);
        PupilMagnification = FocusReport.PupilMagnification(this.atShort);
        LosesMuch = atShort.Findings.Any(f => f.Severity == Severity.Spoils && f.Kind != FindingKind.CircleTooSmall);
    }

    /// <summary>Numbers the pair of body and lens; ways to join the same two have one number.</summary>
    public int Group { get; }

    /// <summary>The body, or a camera that keeps its lens.</summary>
    public GearItem Body { get; }

    /// <summary>The lens; the camera itself when it keeps its own.</summary>
    public GearItem Lens { get; }

    /// <summary>What stands between them, from the body on.</summary>
    public IReadOnlyList<GearItem> Links { get; }

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
    public Holding Holding { get; }

    /// <summary>True when something of the way to join them spoils its use, such as a focus that nothing moves.</summary>
    public bool LosesMuch { get; }

    // What the search asks for every mode, reckoned once.

    /// <summary>k of all glass between lens and sensor.</summary>
    internal double Magnification { get; }

    /// <summary>Squeeze of the lens.</summary>
    internal double Squeeze { get; }

    /// <summary>Image circle on the sensor, mm; null when not known.</summary>
    internal double? CircleMm { get; }

    /// <summary>Short end, mm as marked.</summary>
    internal double ShortMm { get; }

    /// <summary>Long end, mm as marked.</summary>
    internal double LongMm { get; }

    /// <summary>How it focuses at its short end.</summary>
    internal FocusTravel ShortTravel { get; }

    /// <summary>How it focuses at its long end.</summary>
    internal FocusTravel LongTravel { get; }

    /// <summary>P of lens and optics together.</summary>
    internal double PupilMagnification { get; }

    /// <summary>All its parts, from the body on.</summary>
    public IEnumerable<GearItem> Parts => ReferenceEquals(Body, Lens) ? [Body] : [Body, .. Links, Lens];

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
        var end = focalLengthMm >= LongMm ? atLong : atShort;
        var measured = ChainOptics.MeasuredMm(Lens, focalLengthMm);
        return end with
        {
            Lens = end.Lens.MeasuredFocalLengthMm == measured ? end.Lens : end.Lens with { MeasuredFocalLengthMm = measured },
            SensorWidthMm = mode.WidthMm,
            SensorHeightMm = mode.HeightMm,
            Recorded = mode.Recorded,
            FocalLengthMm = focalLengthMm,
            FNumber = fNumber,
        };
    }

    /// <summary>Puts a rig together; null when something stops it in every mode.</summary>
    internal static FitRig? Of(int group, GearItem body, GearItem lens, IReadOnlyList<GearItem> links, IReadOnlyList<FitMode> modes, MountBook mounts)
    {
        IReadOnlyList<GearItem> parts = ReferenceEquals(body, lens) ? [body] : [body, .. links, lens];
        var squeeze = lens.Get(LensFields.Squeeze) ?? 1;

        // A mode that shows squeezes shows these as they should look, and others not; one that names none shows what is not squeezed.
        FitMode[] shown = [.. modes.Where(m => m.Item.Get(ModeFields.Squeezes) is { Count: > 0 } squeezes ? squeezes.Contains(squeeze) : squeeze == 1)];
        if (shown.Length == 0)
        {
            return null;
        }

        var setting = new ChainSetting { Mode = shown[0].Item.Name };
        var shortEnd = ChainAssembler.Assemble(parts, mounts, setting);
        if (!shortEnd.Works)
        {
            return null;
        }

        var longEnd = lens.Get(LensFields.Long) is { } end ? ChainAssembler.Assemble(parts, mounts, setting with { FocalLengthMm = end }) : shortEnd;
        return new(group, body, lens, links, shown, shortEnd, longEnd);
    }
}

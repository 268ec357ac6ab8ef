using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>A recording mode as the search reads it.</summary>
/// <param name="Item">The mode.</param>
/// <param name="WidthMm">Used width, mm.</param>
/// <param name="HeightMm">Used height, mm.</param>
/// <param name="FastestFps">The fastest frame rate that it offers; infinite when its rates are not known.</param>
public sealed record FitMode(GearItem Item, double WidthMm, double HeightMm, double FastestFps)
{
    /// <summary>Recorded pixels; null when not known.</summary>
    public PixelSize? Recorded { get; } =
        Item.Get(ModeFields.PixelsAcross) is { } x && Item.Get(ModeFields.PixelsUp) is { } y ? new PixelSize(x, y) : null;

    internal static FitMode Of(GearItem mode)
    {
        var rates = mode.Get(ModeFields.Fps);
        return new(mode, mode.Get(ModeFields.AreaWidth) ?? 36, mode.Get(ModeFields.AreaHeight) ?? 24, rates.Count > 0 ? rates.Max() : double.PositiveInfinity);
    }
}

/// <summary>A body with a lens and what joins them, put together once for all of its modes.</summary>
public sealed class FitRig
{
    private FitRig(int group, GearItem body, GearItem lens, IReadOnlyList<GearItem> links, IReadOnlyList<FitMode> modes, Assembly atShort, Assembly atLong)
    {
        (Group, Body, Lens, Links, Modes) = (group, body, lens, links, modes);
        (AtShort, AtLong) = (atShort.Rig!.Value, atLong.Rig!.Value);
        var layout = atShort.Layout;
        BackMm = -layout.Spans[0].FromMm;
        FrontMm = layout.Spans[^1].ToMm;
        WeightG = layout.WeightG;
        WeightUnknown = layout.WeightUnknown;
        Holding = Parts.Max(p => p.Get(CommonFields.Held) ?? Gear.Holding.Own);
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
    public Rig AtShort { get; }

    /// <summary>The rig at the long end; the same for a prime.</summary>
    public Rig AtLong { get; }

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

    /// <summary>All its parts, from the body on.</summary>
    public IEnumerable<GearItem> Parts => ReferenceEquals(Body, Lens) ? [Body] : [Body, .. Links, Lens];

    /// <summary>True when the focal length can be changed.</summary>
    public bool Zooms => AtShort.FocalLengthMm < AtLong.FocalLengthMm;

    /// <summary>The rig in a mode, at a focal length and an aperture.</summary>
    /// <param name="mode">The mode.</param>
    /// <param name="focalLengthMm">As marked, within the zoom, mm.</param>
    /// <param name="fNumber">As set on the lens.</param>
    /// <returns>The same as <see cref="ChainAssembler"/> gives for these parts and this setting.</returns>
    public Rig In(FitMode mode, double focalLengthMm, double fNumber)
    {
        ArgumentNullException.ThrowIfNull(mode);
        var end = focalLengthMm >= AtLong.FocalLengthMm ? AtLong : AtShort;
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
        var shown = squeeze == 1 ? modes : [.. modes.Where(m => m.Item.Get(ModeFields.Squeezes).Contains(squeeze))];
        if (shown.Count == 0)
        {
            return null;
        }

        var setting = new ChainSetting { Mode = shown[0].Item.Name };
        var atShort = ChainAssembler.Assemble(parts, mounts, setting);
        if (!atShort.Works)
        {
            return null;
        }

        var atLong = lens.Get(LensFields.Long) is { } end ? ChainAssembler.Assemble(parts, mounts, setting with { FocalLengthMm = end }) : atShort;
        return new(group, body, lens, links, shown, atShort, atLong);
    }
}

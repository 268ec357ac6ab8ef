using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Chains;

/// <summary>The optics of a complete chain, reckoned once for all checks.</summary>
internal sealed class ChainOptics
{
    public ChainOptics(Anatomy anatomy, MountBook mounts, ChainSetting setting)
    {
        Anatomy = anatomy;
        Setting = setting;
        Camera = anatomy.Camera!.Value.Item;
        Lens = anatomy.Lens!.Value.Item;
        Mode = anatomy.Mode!;
        Short = Lens.Get(LensFields.Short) ?? 50;
        Long = Lens.Get(LensFields.Long) ?? Short;
        FocalLengthMm = Math.Clamp(setting.FocalLengthMm ?? Short, Short, Math.Max(Short, Long));
        Along = [.. Lens.Get(LensFields.WidestAlong).Select(p => new AperturePoint(p.At, p.Value))];
        WidestFNumber = LensOnSensor.WidestAt(BareLens, FocalLengthMm);
        FNumber = Math.Max(setting.FNumber ?? WidestFNumber ?? 4, WidestFNumber ?? 0);
        FNumber = Math.Min(FNumber, Lens.Get(LensFields.Narrowest) ?? double.PositiveInfinity);
        (Converters, ExtensionMm) = RearOf(anatomy, mounts);
        Magnification = Converters.Aggregate(1.0, (k, c) => k * c.Magnification);
        LensSqueeze = Lens.Get(LensFields.Squeeze) ?? 1;
        Squeeze = anatomy.Front.Aggregate(LensSqueeze, (s, l) => s * (l.Item.Get(FrontFields.Squeeze) ?? 1));
        var (width, height) = CameraModes.AreaOf(Mode);
        (ModeWidthMm, ModeHeightMm) = (width, height);
        Used = Trimmed(width, height, setting.PunchIn);
        (ImageCircleMm, ImageCircleAssumed) = ImageCircleOf(Lens);
    }

    public Anatomy Anatomy { get; }

    public ChainSetting Setting { get; }

    public GearItem Camera { get; }

    public GearItem Mode { get; }

    public GearItem Lens { get; }

    public double Short { get; }

    public double Long { get; }

    public double FocalLengthMm { get; }

    public double FNumber { get; }

    public double? WidestFNumber { get; }

    public IReadOnlyList<AperturePoint> Along { get; }

    /// <summary>Reducers and extenders from the sensor on, each with the tubes behind it.</summary>
    public IReadOnlyList<Converter> Converters { get; }

    /// <summary>Tubes between the last of them and the lens, mm.</summary>
    public double ExtensionMm { get; }

    /// <summary>k of all glass between lens and sensor.</summary>
    public double Magnification { get; }

    public double LensSqueeze { get; }

    /// <summary>Of lens and attachments together.</summary>
    public double Squeeze { get; }

    /// <summary>How far off that may be, as a share: known only where all that squeezes was tested.</summary>
    public double? SqueezePlusMinusShare
    {
        get
        {
            double?[] shares = [.. (LensSqueeze != 1 ? [Lens.Get(LensFields.TestedSqueezePlusMinus)] : (double?[])[]), .. Anatomy.Front.Where(l => l.Item.Get(FrontFields.Squeeze) is not null).Select(l => l.Item.Get(FrontFields.TestedSqueezePlusMinus))];
            return shares.Length == 0 || shares.Any(s => s is null) ? null : Math.Sqrt(shares.Sum(s => s!.Value * s.Value));
        }
    }

    public double ModeWidthMm { get; }

    public double ModeHeightMm { get; }

    public UsedArea Used { get; }

    /// <summary>Image circle of the bare lens, mm; null when nothing is known of it.</summary>
    public double? ImageCircleMm { get; }

    /// <summary>True when the circle is the diagonal of the format that the lens was made for.</summary>
    public bool ImageCircleAssumed { get; }

    public double UsedDiagonalMm => Math.Sqrt(Used.WidthMm * Used.WidthMm + Used.HeightMm * Used.HeightMm);

    /// <summary>Image circle on the sensor, mm.</summary>
    public double? ImageCircleOnSensorMm => OnSensor().CircleMm;

    /// <summary>True when that circle only goes by what the lens was made for, and no link in between lets less through.</summary>
    public bool CircleIsEstimated => ImageCircleAssumed && !OnSensor().IsLimited;

    /// <summary>From the lens to the sensor: each link scales what comes to it, and lets out no more than its own circle.</summary>
    private (double? CircleMm, bool IsLimited) OnSensor()
    {
        var (circle, limited) = (ImageCircleMm, false);
        foreach (var link in Enumerable.Reverse(Anatomy.Behind))
        {
            circle *= link.Item.Get(AdapterFields.Magnification) ?? 1;
            if (link.Item.Get(AdapterFields.ImageCircleOut) is { } most && !(circle <= most))
            {
                (circle, limited) = (most, true);
            }
        }

        return (circle, limited);
    }

    /// <summary>Tangent of the half angle to the corner in front of the lens; behind an attachment, if there is one.</summary>
    public double CornerTangent => (Used with { Squeeze = LensSqueeze }).PictureDiagonalMm / (2 * Magnification * FocalLengthMm);

    /// <summary>The lens's data without what the chain does to it.</summary>
    public LensData BareLens => new()
    {
        ZoomShortMm = Short,
        ZoomLongMm = Long,
        WidestFNumber = Lens.Get(LensFields.Widest),
        WidestLongFNumber = Lens.Get(LensFields.WidestLong),
        WidestAlong = Along.Count > 1 ? Along : [],
    };

    /// <summary>The area that is used of a width and a height, after punch-in and trim.</summary>
    public UsedArea Trimmed(double widthMm, double heightMm, double punchIn) => Setting.DeliveryAspect is { } aspect
        ? UsedArea.Trim(widthMm / punchIn, heightMm / punchIn, Squeeze, aspect)
        : new UsedArea(widthMm / punchIn, heightMm / punchIn, Squeeze);

    /// <summary>What stands between lens and sensor, from the sensor on: a tube belongs to the glass before it, or to the lens.</summary>
    private static (List<Converter> Converters, double ExtensionMm) RearOf(Anatomy anatomy, MountBook mounts)
    {
        var (converters, tubes) = (new List<Converter>(), 0.0);
        foreach (var item in anatomy.Behind.Select(l => l.Item))
        {
            if (item.Get(AdapterFields.Magnification) is { } k && k != 1)
            {
                converters.Add(new(k, PlaceOf(item, k, mounts), tubes) { PlusMinusShare = item.Get(AdapterFields.TestedMagnificationPlusMinus) });
                tubes = 0;
            }

            tubes += item.Get(AdapterFields.Extension) ?? 0;
        }

        return (converters, tubes);
    }

    /// <summary>Where the glass of an adapter stands: by its length and both flange distances; null when one of them is not known.</summary>
    private static double? PlaceOf(GearItem item, double k, MountBook mounts) =>
        item.Get(CommonFields.Length) is { } length
        && mounts.FlangeMm(item.Get(AdapterFields.LensMount)) is { } expected && mounts.FlangeMm(item.Get(AdapterFields.BodyMount)) is { } body
            ? Converter.PlaceOf(k, expected, body + length - (item.Get(AdapterFields.Extension) ?? 0))
            : null;

    /// <summary>The image circle of a lens: as known, or the diagonal of the format made for.</summary>
    public static (double? ImageCircleMm, bool Assumed) ImageCircleOf(GearItem lens)
    {
        if (lens.Get(LensFields.ImageCircle) is { } circle)
        {
            return (circle, false);
        }

        return FormatOf(lens) is { } format
            ? (Math.Sqrt(format.WidthMm * format.WidthMm + format.HeightMm * format.HeightMm), true)
            : (null, false);
    }

    /// <summary>The format that a lens was made for; null when it names none that is known.</summary>
    public static SensorFormat? FormatOf(GearItem lens) => SensorFormat.Named(lens.Get(LensFields.MadeFor));

    /// <summary>The lens's measured focal length at the marked one that is set: the measured share of the marked, taken as linear in between.</summary>
    public static double? MeasuredMm(GearItem lens, double focalLengthMm)
    {
        var points = lens.Get(LensFields.Measured);
        if (points.Count == 0)
        {
            return null;
        }

        var after = 0;
        while (after < points.Count - 1 && points[after].At < focalLengthMm)
        {
            after++;
        }

        var (a, b) = (points[Math.Max(0, after - 1)], points[after]);
        var share = b.At > a.At ? Math.Clamp((focalLengthMm - a.At) / (b.At - a.At), 0, 1) : 1;
        return focalLengthMm * (a.Value / a.At + share * (b.Value / b.At - a.Value / a.At));
    }
}

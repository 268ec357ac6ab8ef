using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Shelf;

/// <summary>What a lens gives on a camera and mode, in equivalents on full frame.</summary>
/// <param name="ShortMm">Equivalent of the short end, mm.</param>
/// <param name="LongMm">Equivalent of the long end, mm; the same for a prime.</param>
/// <param name="WidestShort">Widest f-number on the sensor at the short end: light, not multiplied by any crop; null when not known.</param>
/// <param name="WidestLong">The same at the long end.</param>
/// <param name="Covers">False where corners stay dark; null when it is not known.</param>
/// <param name="Through">What joins it to the body, in words; empty when it goes straight on or stands for itself.</param>
/// <param name="Why">What speaks for and against the way that joins it.</param>
public sealed record LensReach(double ShortMm, double LongMm, double? WidestShort, double? WidestLong, bool? Covers, string Through, string Why)
{
    /// <summary>The shape in which formats are compared when none is asked for: what most is delivered in.</summary>
    public const double UsualAspect = 16.0 / 9;

    private const double ThreeOfDiagonal = 0.83205;
    private const double TwoOfDiagonal = 0.5547;

    /// <summary>A lens on its own: on the format that it was made for.</summary>
    /// <param name="lens">A lens, or a camera that keeps its own.</param>
    /// <returns>Its reach; null when the format that it was made for is not known.</returns>
    public static LensReach? Alone(GearItem lens)
    {
        ArgumentNullException.ThrowIfNull(lens);
        if (lens.Get(LensFields.Short) is null)
        {
            return null;
        }

        if (lens.Kind == GearKind.FixedLensCamera && lens.Get(BodyFields.Modes) is [var mode, ..])
        {
            return Of(lens, mode.Get(ModeFields.AreaWidth) ?? 36, mode.Get(ModeFields.AreaHeight) ?? 24, 1, null, null);
        }

        // Of a circle without a format, the 3:2 format that it just covers.
        var circle = lens.Get(LensFields.ImageCircle);
        var format = ChainOptics.FormatOf(lens) ?? (circle is { } c ? SensorFormat.Nearest(c * ThreeOfDiagonal, c * TwoOfDiagonal) : null);
        return format is null ? null : Of(lens, format.WidthMm, format.HeightMm, 1, null, null);
    }

    /// <summary>A lens on a body, by the best way to join them.</summary>
    /// <param name="lens">The lens.</param>
    /// <param name="body">The body.</param>
    /// <param name="mode">One of its modes.</param>
    /// <param name="joining">The ways there are.</param>
    /// <param name="aspect">Delivered width over height.</param>
    /// <returns>Its reach; null when nothing joins them.</returns>
    public static LensReach? On(GearItem lens, GearItem body, GearItem mode, Joining joining, double aspect)
    {
        ArgumentNullException.ThrowIfNull(body);
        ArgumentNullException.ThrowIfNull(mode);
        ArgumentNullException.ThrowIfNull(joining);
        if (body.Kind == GearKind.FixedLensCamera)
        {
            return null;
        }

        var way = joining.Ways(body, lens, [], new ChainSetting { Mode = mode.Name, DeliveryAspect = aspect }).FirstOrDefault(w => w.Assembly.Works);
        return way?.Assembly.Rig is { } rig
            ? Of(lens, rig.SensorWidthMm, rig.SensorHeightMm, rig.Optics.Magnification, rig.OpticsFastestFNumber, way, aspect)
            : null;
    }

    private static LensReach Of(GearItem lens, double width, double height, double k, double? fastest, Way? way, double aspect = UsualAspect)
    {
        var (from, squeeze) = (lens.Get(LensFields.Short) ?? 50, lens.Get(LensFields.Squeeze) ?? 1);
        var to = lens.Get(LensFields.Long) ?? from;
        var crop = UsedArea.Trim(36, 24, 1, aspect).HeightMm / UsedArea.Trim(width, height, squeeze, aspect).HeightMm;
        double? Widest(double? f) => f is null ? null : Math.Max(f.Value * k, fastest ?? 0);
        var along = lens.Get(LensFields.WidestAlong);
        var atShort = along.Count > 0 ? along[0].Value : lens.Get(LensFields.Widest);
        var atLong = along.Count > 0 ? along[^1].Value : lens.Get(LensFields.WidestLong) ?? atShort;
        bool? covers = way is null ? null : !way.Assembly.Findings.Any(f => f.Code == DiagnosticCode.ImageCircleTooSmall);
        return new(
            from * k * crop, to * k * crop, Widest(atShort), Widest(atLong), covers,
            way is null ? "" : string.Join(" and ", way.Links.Select(l => l.Name)), way?.Why ?? "");
    }
}

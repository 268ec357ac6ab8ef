using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>What of the sensor ends up in the delivered picture.</summary>
public readonly record struct SensorUse
{
    /// <summary>Width on the sensor before the desqueeze, mm.</summary>
    public double UsedWidthMm { get; init; }

    /// <summary>Height on the sensor, mm.</summary>
    public double UsedHeightMm { get; init; }

    /// <summary>Width over height of the whole mode, desqueezed, before the trim.</summary>
    public double DesqueezedAspect { get; init; }

    /// <summary>Width over height of the delivered picture.</summary>
    public double DeliveredAspect { get; init; }

    /// <summary>Recorded pixels that fall on the used area; null when the mode's pixels are not known.</summary>
    public PixelSize? UsedPixels { get; init; }

    /// <summary>
    /// How many times the recorded pixels must be enlarged for what delivery asks, in the direction that needs it more;
    /// above 1 the delivered picture is larger than what was recorded. Null when pixels or delivery are not known.
    /// </summary>
    public double? Enlargement { get; init; }

    /// <summary>Further punch-in before <see cref="Enlargement"/> passes 1; below 1 there is none left.</summary>
    public double? PunchInLeft { get; init; }

    /// <summary>Share of the used area outside the image circle, 0 to 1; null when the circle is not known.</summary>
    public double? DarkShare { get; init; }

    /// <summary>Image circle behind reducers and extenders, mm; null likewise.</summary>
    public double? ImageCircleMm { get; init; }

    /// <summary>How many times recorded pixels are enlarged.</summary>
    /// <param name="used">Pixels on the used area.</param>
    /// <param name="askedPx">Pixels across that delivery asks for.</param>
    /// <param name="aspect">Delivered width over height.</param>
    /// <returns>A factor, in the direction that needs it more.</returns>
    internal static double EnlargementOf(PixelSize used, double askedPx, double aspect) => Math.Max(askedPx / used.Width, askedPx / aspect / used.Height);

    internal static SensorUse Of(in Scene scene, in Rig rig, in UsedArea used)
    {
        var desqueezedAspect = rig.Squeeze * (rig.SensorWidthMm / rig.PunchIn) / (rig.SensorHeightMm / rig.PunchIn);
        var aspect = scene.DeliveryAspect ?? desqueezedAspect;
        PixelSize? pixels = null;
        double? enlargement = null;
        if (rig.Recorded is { } recorded)
        {
            var across = recorded.Width * (used.WidthMm / rig.SensorWidthMm);
            var up = recorded.Height * (used.HeightMm / rig.SensorHeightMm);
            pixels = new PixelSize(across, up);
            enlargement = scene.DeliveryWidthPx is { } asked ? EnlargementOf(pixels.Value, asked, aspect) : null;
        }

        double? circle = rig.Lens.ImageCircleMm * rig.Optics.Magnification;
        double? dark = circle is { } c ? Coverage.DarkShare(used.WidthMm, used.HeightMm, c) : null;
        return new SensorUse
        {
            UsedWidthMm = used.WidthMm,
            UsedHeightMm = used.HeightMm,
            DesqueezedAspect = desqueezedAspect,
            DeliveredAspect = aspect,
            UsedPixels = pixels,
            Enlargement = enlargement,
            PunchInLeft = 1 / enlargement,
            DarkShare = dark,
            ImageCircleMm = circle,
        };
    }
}

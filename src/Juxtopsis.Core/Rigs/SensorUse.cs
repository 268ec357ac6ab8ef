using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>What of the sensor ends up in the delivered picture.</summary>
public record struct SensorUse
{
    /// <summary>Width on the sensor before the desqueeze, mm.</summary>
    public double UsedWidthMm { get; private set; }

    /// <summary>Height on the sensor, mm.</summary>
    public double UsedHeightMm { get; private set; }

    /// <summary>Width over height of the whole mode, desqueezed, before the trim.</summary>
    public double DesqueezedAspect { get; private set; }

    /// <summary>Width over height of the delivered picture.</summary>
    public double DeliveredAspect { get; private set; }

    /// <summary>Recorded pixels that fall on the used area; null when the mode's pixels are not known.</summary>
    public PixelSize? UsedPixels { get; private set; }

    /// <summary>
    /// How many times the recorded pixels must be enlarged for what delivery asks, in the direction that needs it more;
    /// above 1 the delivered picture is larger than what was recorded. Null when pixels or delivery are not known.
    /// </summary>
    public double? Enlargement { get; private set; }

    /// <summary>Further punch-in before <see cref="Enlargement"/> passes 1; below 1 there is none left.</summary>
    public double? PunchInLeft { get; private set; }

    /// <summary>Share of the used area outside the image circle, 0 to 1; null when the circle is not known.</summary>
    public double? DarkShare { get; private set; }

    /// <summary>Image circle behind reducers and extenders, mm; null likewise.</summary>
    public double? ImageCircleMm { get; private set; }

    internal static void Fill(ref SensorUse to, in Scene scene, in Rig rig, in UsedArea used, double desqueezedAspect, double aspect)
    {
        PixelSize? pixels = null;
        double? enlargement = null;
        if (rig.Recorded is { } recorded)
        {
            var across = recorded.Width * (used.WidthMm / rig.SensorWidthMm);
            var up = recorded.Height * (used.HeightMm / rig.SensorHeightMm);
            pixels = new PixelSize(across, up);
            enlargement = scene.DeliveryWidthPx is { } asked ? Math.Max(asked / across, asked / aspect / up) : null;
        }

        double? circle = rig.Lens.ImageCircleMm * rig.Optics.Magnification;
        double? dark = circle is { } c ? Coverage.DarkShare(used.WidthMm, used.HeightMm, c) : null;
        to.UsedWidthMm = used.WidthMm;
        to.UsedHeightMm = used.HeightMm;
        to.DesqueezedAspect = desqueezedAspect;
        to.DeliveredAspect = aspect;
        to.UsedPixels = pixels;
        to.Enlargement = enlargement;
        to.PunchInLeft = 1 / enlargement;
        to.DarkShare = dark;
        to.ImageCircleMm = circle;
    }
}

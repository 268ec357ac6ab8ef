using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>What of the sensor ends up in the delivered picture.</summary>
/// <param name="UsedWidthMm">Width on the sensor before the desqueeze, mm.</param>
/// <param name="UsedHeightMm">Height on the sensor, mm.</param>
/// <param name="DesqueezedAspect">Width over height of the whole mode, desqueezed, before the trim.</param>
/// <param name="DeliveredAspect">Width over height of the delivered picture.</param>
/// <param name="UsedPixels">Recorded pixels that fall on the used area; null when the mode's pixels are not known.</param>
/// <param name="Enlargement">
/// How many times the recorded pixels must be enlarged for what delivery asks, in the direction that needs it more; above 1
/// the delivered picture is larger than what was recorded. Null when pixels or delivery are not known.
/// </param>
/// <param name="PunchInLeft">Further punch-in before <paramref name="Enlargement"/> passes 1; below 1 there is none left.</param>
/// <param name="DarkShare">Share of the used area outside the image circle, 0 to 1; null when the circle is not known.</param>
/// <param name="ImageCircleMm">Image circle behind reducers and extenders, mm; null likewise.</param>
public readonly record struct SensorUse(
    double UsedWidthMm,
    double UsedHeightMm,
    double DesqueezedAspect,
    double DeliveredAspect,
    PixelSize? UsedPixels,
    double? Enlargement,
    double? PunchInLeft,
    double? DarkShare,
    double? ImageCircleMm)
{
    internal static SensorUse Of(in Scene scene, in Rig rig, in UsedArea used, double desqueezedAspect, double aspect)
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
        return new SensorUse(used.WidthMm, used.HeightMm, desqueezedAspect, aspect, pixels, enlargement, 1 / enlargement, dark, circle);
    }
}

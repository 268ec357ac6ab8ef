namespace Juxtopsis.Core.Rigs;

/// <summary>What counts as sharp for this rig.</summary>
/// <param name="CircleOfConfusionMm">Largest disc that still reads as a point, mm on the sensor, upright.</param>
/// <param name="CircleIsFallback">True when the school asks for pixels that are not known, so that 1/1500 stands in.</param>
/// <param name="HyperfocalDistanceMm">Focus here, and all is sharp to infinity, mm; null when the rig cannot focus there.</param>
public readonly record struct SharpnessLimits(double CircleOfConfusionMm, bool CircleIsFallback, double? HyperfocalDistanceMm)
{
    internal const double FallbackDivisor = 1500;

    /// <summary>Tangent of one arc minute, the acuity of a good eye.</summary>
    public const double ArcMinuteTangent = 0.00029088821687;

    /// <summary>The circle of confusion of a picture by the chosen school.</summary>
    internal static double? Circle(in Scene scene, in Conventions conventions, in Rig rig, in UsedArea used, in SensorUse sensor) =>
        conventions.Circle switch
        {
            CircleSchool.FixedSize => conventions.CocFixedMm
                ?? SensorFormat.Nearest(rig.SensorWidthMm / rig.PunchIn, rig.SensorHeightMm / rig.PunchIn).CircleOfConfusionMm,
            CircleSchool.DeliveredPixels => (scene.DeliveryWidthPx ?? DesqueezedAcross(rig, sensor)) is { } pixels
                ? conventions.CocPx * used.PictureWidthMm / pixels
                : null,
            CircleSchool.Acuity => used.PictureWidthMm * conventions.ViewingDistanceMm * ArcMinuteTangent / conventions.ScreenWidthMm,
            _ => used.PictureDiagonalMm / conventions.CocDivisor,
        };

    /// <summary>What counts as sharp; the hyperfocal distance from a mark, or none when the rig cannot focus far away.</summary>
    internal static SharpnessLimits Of(
        in Scene scene, in Conventions conventions, in Rig rig, in UsedArea used, in SensorUse sensor, in LensOnSensor lens, in LensInChain chain, double markMm)
    {
        var circle = Circle(scene, conventions, rig, used, sensor);
        var c = circle ?? used.PictureDiagonalMm / FallbackDivisor;
        double? hyperfocal = c <= used.HeightMm && !chain.Travel.HasFarEnd
            ? chain.HyperfocalDistanceMm(lens.EffectiveFNumber * DepthCircleMm(c, conventions, rig) / lens.EffectiveFocalLengthMm) - markMm
            : null;
        return new SharpnessLimits(c, circle is null, hyperfocal);
    }

    /// <summary>
    /// The circle that decides depth. By the horizontal school a front squeeze's discs, S times narrower than tall, may grow S
    /// times larger before they are too wide.
    /// </summary>
    internal static double DepthCircleMm(double circleMm, in Conventions conventions, in Rig rig) =>
        conventions.SqueezedDepth == DepthSchool.Horizontal ? circleMm * rig.PupilNarrowing() : circleMm;

    private static double? DesqueezedAcross(in Rig rig, in SensorUse sensor) => sensor.UsedPixels is { } pixels ? pixels.Width * rig.Squeeze : null;
}

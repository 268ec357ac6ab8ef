using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>How a rig differs from the yardstick, in the units that people speak: per cent, stops, millimetres.</summary>
/// <param name="CropFactorPercent">Delivered crop factor, per cent larger.</param>
/// <param name="EquivalentFocalLengthPercent">Equivalent focal length, per cent longer: the difference in angle.</param>
/// <param name="LightStops">Light on the sensor as set, stops more.</param>
/// <param name="BlurStops">Equivalent aperture, stops: positive is more blur, as an aperture opened by so much would give.</param>
/// <param name="Focus">Differences that need both rigs in focus; null when either is not.</param>
public readonly record struct RigDifference(
    double CropFactorPercent,
    double EquivalentFocalLengthPercent,
    double LightStops,
    double BlurStops,
    FocusDifference? Focus)
{
    /// <summary>Compares a rig with the yardstick.</summary>
    /// <param name="rig">The rig's report.</param>
    /// <param name="yardstick">The yardstick's report, for the same scene and conventions.</param>
    /// <returns>Rig against yardstick; all zero for the yardstick itself.</returns>
    public static RigDifference Between(in RigReport rig, in RigReport yardstick) => new(
        Percent(rig.Crop.Delivered, yardstick.Crop.Delivered),
        Percent(rig.Lens.EquivalentFocalLengthMm, yardstick.Lens.EquivalentFocalLengthMm),
        2 * PortableMath.Log2(yardstick.Lens.EffectiveFNumber / rig.Lens.EffectiveFNumber),
        2 * PortableMath.Log2(yardstick.Lens.EquivalentFNumber / rig.Lens.EquivalentFNumber),
        rig.Focus is { } ours && yardstick.Focus is { } theirs ? FocusDifference.Between(ours, theirs) : null);

    internal static double Percent(double value, double yardstick) => 100 * (value / yardstick - 1);
}

/// <summary>Differences that need both rigs in focus. A null is a difference that has no finite value.</summary>
/// <param name="FieldWidthPercent">Field across at the subject, per cent wider.</param>
/// <param name="DepthOfFieldNearMm">Near limit, mm further away.</param>
/// <param name="DepthOfFieldFarMm">Far limit, mm further away; null when either is infinite.</param>
/// <param name="DepthOfFieldMm">Depth of the sharp zone, mm deeper; null when either is infinite.</param>
/// <param name="BackgroundDiscPercent">Blur disc as a share of the picture's height, per cent larger; null when the yardstick has none.</param>
public readonly record struct FocusDifference(
    double FieldWidthPercent,
    double DepthOfFieldNearMm,
    double? DepthOfFieldFarMm,
    double? DepthOfFieldMm,
    double? BackgroundDiscPercent)
{
    internal static FocusDifference Between(in FocusReport rig, in FocusReport yardstick)
    {
        var near = rig.DepthOfFieldNearMm - yardstick.DepthOfFieldNearMm;
        double? far = double.IsFinite(rig.DepthOfFieldFarMm) && double.IsFinite(yardstick.DepthOfFieldFarMm)
            ? rig.DepthOfFieldFarMm - yardstick.DepthOfFieldFarMm
            : null;
        return new FocusDifference(
            RigDifference.Percent(rig.FieldWidthMm, yardstick.FieldWidthMm),
            near,
            far,
            far - near,
            yardstick.BackgroundDiscFractionOfHeight > 0
                ? RigDifference.Percent(rig.BackgroundDiscFractionOfHeight, yardstick.BackgroundDiscFractionOfHeight)
                : null);
    }
}

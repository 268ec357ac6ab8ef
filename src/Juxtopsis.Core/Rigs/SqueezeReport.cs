using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>What the squeeze and the trim cost, and what they need. For a spherical lens the squeeze is 1.</summary>
/// <param name="DesqueezedPixels">The whole mode stretched across after punch-in, before the trim; null when its pixels are not known.</param>
/// <param name="WasteShare">Share of the mode's area that the trim throws away, 0 to 1.</param>
/// <param name="IdealSqueeze">The squeeze that would waste nothing; below 1 it would be one that stretches up and down.</param>
/// <param name="UprightLeanShare">How far upright lines lean, sideways over upwards.</param>
/// <param name="LevelTiltShare">How far level lines tilt, upwards over sideways.</param>
public readonly record struct SqueezeReport(
    PixelSize? DesqueezedPixels,
    double WasteShare,
    double IdealSqueeze,
    double UprightLeanShare,
    double LevelTiltShare)
{
    internal static SqueezeReport Of(in Rig rig, in UsedArea used, double aspect) => new(
        rig.Recorded is { } recorded ? new PixelSize(recorded.Width / rig.PunchIn * rig.Squeeze, recorded.Height / rig.PunchIn) : null,
        1 - used.WidthMm * used.HeightMm * (rig.PunchIn * rig.PunchIn) / (rig.SensorWidthMm * rig.SensorHeightMm),
        aspect * rig.SensorHeightMm / rig.SensorWidthMm,
        rig.SqueezeTurnDeg == 0 ? 0 : Squeezing.UprightLean(rig.Squeeze, rig.SqueezeTurnDeg),
        rig.SqueezeTurnDeg == 0 ? 0 : Squeezing.LevelTilt(rig.Squeeze, rig.SqueezeTurnDeg));
}

namespace Juxtopsis.Core.Gear;

/// <summary>Between which sensitivities a camera is used in a mode.</summary>
/// <param name="LowestIso">The lowest base sensitivity, ISO; null when not known.</param>
/// <param name="HighestIso">The highest that is accepted of it, ISO; null when nobody says.</param>
public readonly record struct SensitivityRange(double? LowestIso, double? HighestIso)
{
    /// <summary>Those of a mode; where it has none of its own, those of the camera.</summary>
    /// <param name="camera">The camera.</param>
    /// <param name="mode">Its mode.</param>
    /// <returns>The range.</returns>
    public static SensitivityRange Of(GearItem camera, GearItem mode)
    {
        ArgumentNullException.ThrowIfNull(camera);
        ArgumentNullException.ThrowIfNull(mode);
        return new(Lowest(mode.Get(ModeFields.BaseSensitivities)) ?? Lowest(camera.Get(BodyFields.BaseSensitivities)), mode.Get(ModeFields.HighestSensitivity) ?? camera.Get(BodyFields.HighestSensitivity));
    }

    private static double? Lowest(IReadOnlyList<double> sensitivities) => sensitivities.Count > 0 ? sensitivities.Min() : null;
}

using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Time, light and filters.</summary>
/// <param name="TimeSeconds">t, exposure time of a frame, s.</param>
/// <param name="CaptureFps">Captured frames a second.</param>
/// <param name="SlowMotion">Captured over timeline: above 1 it plays slower than life.</param>
/// <param name="BellowsStops">Light lost by focusing close, stops; 0 without a plane of focus.</param>
/// <param name="WorkingTNumber">T (or N, when the transmission is not known) with that loss.</param>
/// <param name="LightNeeded">Tw²/t with the filters in place: the light that the setting needs at ISO 100, as a ratio.</param>
/// <param name="SettingEv">The exposure value at ISO 100 that the setting is right for; null when the sensitivity is open.</param>
/// <param name="LeftOverStops">Light left over, stops; negative when there is too little; null when not known.</param>
/// <param name="FixedFilterStops">The fixed filter to offer for it, whole stops; null likewise.</param>
/// <param name="SensitivityNeededIso">The sensitivity that would be just right; null when the scene's brightness is not known.</param>
/// <param name="Flickers">Flickers of mains light in one exposure.</param>
/// <param name="SafeAngleDeg">The nearest shutter angle without flicker, degrees; null when there is none.</param>
public readonly record struct LightReport(
    double TimeSeconds,
    double CaptureFps,
    double SlowMotion,
    double BellowsStops,
    double WorkingTNumber,
    double LightNeeded,
    double? SettingEv,
    double? LeftOverStops,
    double? FixedFilterStops,
    double? SensitivityNeededIso,
    double Flickers,
    double? SafeAngleDeg)
{
    internal static LightReport Of(in Scene scene, in Rig rig, in LensOnSensor lens, double workingOverSet)
    {
        var fps = rig.CaptureFps ?? scene.TimelineFps;
        var time = Exposure.TimeSeconds(scene.ShutterAngleDeg, fps);
        var working = (lens.EffectiveTNumber ?? lens.EffectiveFNumber) * workingOverSet;
        var needed = Exposure.LightNeeded(working, time, rig.FilterStops);
        double? setting = rig.SensitivityIso is { } iso ? PortableMath.Log2(needed * 100 / iso) : null;
        var leftOver = scene.BrightnessEv - setting;
        double? isoNeeded = scene.BrightnessEv is { } ev ? 100 * needed / PortableMath.Exp2(ev) : null;
        var flickers = Flicker.Count(time, scene.MainsHertz);
        return new LightReport(
            time,
            fps,
            fps / scene.TimelineFps,
            workingOverSet == 1 ? 0 : 2 * PortableMath.Log2(workingOverSet),
            working,
            needed,
            setting,
            leftOver,
            leftOver is { } stops ? Exposure.FixedFilterStops(stops) : null,
            isoNeeded,
            flickers,
            Flicker.SafeAngleDeg(flickers, fps, scene.MainsHertz));
    }
}

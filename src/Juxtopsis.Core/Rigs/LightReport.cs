using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Time, light and filters.</summary>
public readonly record struct LightReport
{
    /// <summary>t, exposure time of a frame, s.</summary>
    public double TimeSeconds { get; init; }

    /// <summary>Captured frames a second.</summary>
    public double CaptureFps { get; init; }

    /// <summary>Captured over timeline: above 1 it plays slower than life.</summary>
    public double SlowMotion { get; init; }

    /// <summary>Light lost by focusing close, stops; 0 without a plane of focus.</summary>
    public double BellowsStops { get; init; }

    /// <summary>T (or N, when the transmission is not known) with that loss.</summary>
    public double WorkingTNumber { get; init; }

    /// <summary>Tw²/t with the filters in place: the light that the setting needs at ISO 100, as a ratio.</summary>
    public double LightNeeded { get; init; }

    /// <summary>The exposure value at ISO 100 that the setting is right for; null when the sensitivity is open.</summary>
    public double? SettingEv { get; init; }

    /// <summary>Light left over, stops; negative when there is too little; null when not known.</summary>
    public double? LeftOverStops { get; init; }

    /// <summary>The fixed filter to offer for it, whole stops; null likewise.</summary>
    public double? FixedFilterStops { get; init; }

    /// <summary>The sensitivity that would be just right; null when the scene's brightness is not known.</summary>
    public double? SensitivityNeededIso { get; init; }

    /// <summary>Flickers of mains light in one exposure.</summary>
    public double Flickers { get; init; }

    /// <summary>The nearest shutter angle without flicker, degrees; null when there is none.</summary>
    public double? SafeAngleDeg { get; init; }

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
        return new LightReport
        {
            TimeSeconds = time,
            CaptureFps = fps,
            SlowMotion = fps / scene.TimelineFps,
            BellowsStops = workingOverSet == 1 ? 0 : 2 * PortableMath.Log2(workingOverSet),
            WorkingTNumber = working,
            LightNeeded = needed,
            SettingEv = setting,
            LeftOverStops = leftOver,
            FixedFilterStops = leftOver is { } stops ? Exposure.FixedFilterStops(stops) : null,
            SensitivityNeededIso = isoNeeded,
            Flickers = flickers,
            SafeAngleDeg = Flicker.SafeAngleDeg(flickers, fps, scene.MainsHertz),
        };
    }
}

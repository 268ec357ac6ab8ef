using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Time, light and filters.</summary>
public readonly record struct LightReport
{
    /// <summary>What the picture is exposed with.</summary>
    public ExposureSettings Settings { get; init; }

    /// <summary>t, exposure time of a frame, s.</summary>
    public double TimeSeconds => Settings.TimeSeconds;

    /// <summary>The shutter angle that this time is, degrees.</summary>
    public double ShutterAngleDeg { get; init; }

    /// <summary>The angle that the same shutter is at the timeline's rate, degrees.</summary>
    public double TimelineShutterAngleDeg { get; init; }

    /// <summary>True where a longer time is held than a frame lasts; the frame's counts.</summary>
    public bool IsShutterCut { get; init; }

    /// <summary>Captured frames a second.</summary>
    public double CaptureFps { get; init; }

    /// <summary>Captured over timeline: above 1 it plays slower than life.</summary>
    public double SlowMotion { get; init; }

    /// <summary>Light lost by focusing close, stops; 0 without a plane of focus.</summary>
    public double BellowsStops { get; init; }

    /// <summary>T (or N, when the transmission is not known) with that loss.</summary>
    public double WorkingTNumber => Settings.WorkingTNumber;

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
        var fps = rig.FpsIn(scene);
        var shutter = rig.ShutterIn(scene);
        var settings = new ExposureSettings((lens.EffectiveTNumber ?? lens.EffectiveFNumber) * workingOverSet, shutter.TimeSeconds(fps), rig.FilterStops, rig.SensitivityIso);
        var right = settings.RightForEv;
        var leftOver = scene.Light.BrightnessEv - right;
        var flickers = Flicker.Count(settings.TimeSeconds, scene.Light.MainsHertz);
        return new LightReport
        {
            Settings = settings,
            CaptureFps = fps,
            ShutterAngleDeg = shutter.AngleAt(fps),
            TimelineShutterAngleDeg = shutter.AngleAt(scene.TimelineFps),
            IsShutterCut = shutter.IsLongerThanFrame(fps),
            SlowMotion = fps / scene.TimelineFps,
            BellowsStops = workingOverSet == 1 ? 0 : 2 * PortableMath.Log2(workingOverSet),
            LightNeeded = settings.LightNeeded,
            SettingEv = right,
            LeftOverStops = leftOver,
            FixedFilterStops = leftOver is { } stops ? Exposure.FixedFilterStops(stops) : null,
            SensitivityNeededIso = settings.SensitivityFor(scene.Light.BrightnessEv),
            Flickers = flickers,
            SafeAngleDeg = Flicker.SafeAngleDeg(flickers, fps, scene.Light.MainsHertz),
        };
    }
}

using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Light;

/// <summary>All that decides how bright a picture of a given scene is: the one model of exposure.</summary>
/// <param name="WorkingTNumber">T-number (or f-number) that the sensor works at, with reducer, glass and focusing close.</param>
/// <param name="TimeSeconds">Exposure time of a frame, s.</param>
/// <param name="FilterStops">Filters in place, stops.</param>
/// <param name="SensitivityIso">Sensitivity, ISO; null while it is open.</param>
public readonly record struct ExposureSettings(double WorkingTNumber, double TimeSeconds, double FilterStops, double? SensitivityIso)
{
    /// <summary>The sensitivity that exposure values go by.</summary>
    public const double ReferenceIso = 100;

    /// <summary>The light that they need, at ISO 100, as a ratio: 1 at ƒ1 and one second.</summary>
    public double LightNeeded => Exposure.LightNeeded(WorkingTNumber, TimeSeconds, FilterStops);

    /// <summary>The exposure value at ISO 100 that they are right for; null while the sensitivity is open.</summary>
    public double? RightForEv => SensitivityIso is { } iso ? PortableMath.Log2(LightNeeded * ReferenceIso / iso) : null;

    /// <summary>The sensitivity with which they would be right.</summary>
    /// <param name="brightnessEv">Of the scene, EV at ISO 100; null when not known.</param>
    /// <returns>ISO; null when the brightness is not known.</returns>
    public double? SensitivityFor(double? brightnessEv) => brightnessEv is { } ev ? ReferenceIso * LightNeeded / PortableMath.Exp2(ev) : null;

    /// <summary>How bright the picture is beside one of EV 0 at ISO 100: what is left over where the brightness is known.</summary>
    /// <param name="brightnessEv">Of the scene, EV at ISO 100.</param>
    /// <param name="openIso">What stands in for a sensitivity that is open, ISO.</param>
    /// <returns>Stops.</returns>
    public double BrighterStops(double brightnessEv, double openIso = ReferenceIso) =>
        brightnessEv - PortableMath.Log2(LightNeeded * ReferenceIso / (SensitivityIso ?? openIso));
}

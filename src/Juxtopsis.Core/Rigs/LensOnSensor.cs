using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>The lens behind its reducers and extenders, and what it equals on the reference format.</summary>
/// <param name="UsedFocalLengthMm">f₀ that counts: as marked within the zoom, or as measured, mm.</param>
/// <param name="UsedFNumber">N₀ that counts: as set, within what the lens has there.</param>
/// <param name="WidestFNumber">The widest N₀ at this focal length; null when not known.</param>
/// <param name="EffectiveFocalLengthMm">k·f₀, mm; up and down for a squeezed lens.</param>
/// <param name="FocalLengthAcrossMm">k·f₀/S, mm; the same as the other for a spherical lens.</param>
/// <param name="EffectiveFNumber">k·N₀, no faster than the reducer lets out: light as set.</param>
/// <param name="EffectiveTNumber">T-number as the sensor sees it; null when the lens's transmission is not known.</param>
/// <param name="LightGainStops">Light gained by the optics in between, −2·log2 k stops.</param>
/// <param name="EquivalentFocalLengthMm">Focal length on the reference format for the same angle, mm.</param>
/// <param name="EquivalentFNumber">f-number on the reference format for the same blur at the same framing: blur as seen.</param>
/// <param name="EquivalentAcrossFNumber">The same for blur across, which a front squeeze makes smaller.</param>
/// <param name="SensitivityFactor">C²: times the sensitivity for the same picture and noise on the reference format.</param>
public readonly record struct LensOnSensor(
    double UsedFocalLengthMm,
    double UsedFNumber,
    double? WidestFNumber,
    double EffectiveFocalLengthMm,
    double FocalLengthAcrossMm,
    double EffectiveFNumber,
    double? EffectiveTNumber,
    double LightGainStops,
    double EquivalentFocalLengthMm,
    double EquivalentFNumber,
    double EquivalentAcrossFNumber,
    double SensitivityFactor)
{
    internal static LensOnSensor Of(in Conventions conventions, in Rig rig, double crop)
    {
        var marked = InZoom(rig);
        var widest = WidestAt(rig.Lens, marked);
        var fNumber = Math.Max(rig.FNumber, widest ?? 0);
        fNumber = Math.Min(fNumber, Math.Max(rig.Lens.NarrowestFNumber ?? double.PositiveInfinity, widest ?? 0));
        var used = conventions.FocalLength == FocalLengthSchool.Measured ? rig.Lens.MeasuredFocalLengthMm ?? marked : marked;
        var k = rig.Optics.Magnification;
        var focalLength = k * used;
        var effective = Math.Max(k * fNumber, rig.OpticsFastestFNumber ?? 0);
        return new LensOnSensor(
            used,
            fNumber,
            widest,
            focalLength,
            focalLength / rig.Squeeze,
            effective,
            effective * (rig.Lens.WidestTNumber / rig.Lens.WidestFNumber),
            -2 * PortableMath.Log2(k),
            focalLength * crop,
            effective * crop,
            effective * crop * rig.PupilNarrowing(),
            crop * crop);
    }

    /// <summary>The marked focal length, kept within the zoom.</summary>
    internal static double InZoom(in Rig rig) => rig.Lens is { ZoomShortMm: { } from, ZoomLongMm: { } to }
        ? Math.Clamp(rig.FocalLengthMm, from, to)
        : rig.FocalLengthMm;

    /// <summary>The widest f-number of a lens at a marked focal length; null when not known.</summary>
    internal static double? WidestAt(in LensData lens, double focalLengthMm) =>
        lens is { WidestFNumber: { } atShort, WidestLongFNumber: { } atLong, ZoomShortMm: { } from, ZoomLongMm: { } to } && from < to
            ? Exposure.WidestFNumber(focalLengthMm, from, to, atShort, atLong)
            : lens.WidestFNumber;
}

internal static class Pupils
{
    /// <summary>How many times narrower than tall the pupil is: S for a front squeeze, else 1.</summary>
    public static double PupilNarrowing(this in Rig rig) => rig.SqueezePlace == SqueezePlace.Front ? rig.Squeeze : 1;
}

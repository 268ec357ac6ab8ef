using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>The lens behind its reducers and extenders, and what it equals on the reference format.</summary>
public readonly record struct LensOnSensor
{
    /// <summary>f₀ that counts: as marked within the zoom, or as measured, mm.</summary>
    public double UsedFocalLengthMm { get; init; }

    /// <summary>N₀ that counts: as set, within what the lens has there.</summary>
    public double UsedFNumber { get; init; }

    /// <summary>The widest N₀ at this focal length; null when not known.</summary>
    public double? WidestFNumber { get; init; }

    /// <summary>k·f₀, mm; up and down for a squeezed lens.</summary>
    public double EffectiveFocalLengthMm { get; init; }

    /// <summary>k·f₀/S, mm; the same as the other for a spherical lens.</summary>
    public double FocalLengthAcrossMm { get; init; }

    /// <summary>k·N₀, no faster than the reducer lets out: light as set.</summary>
    public double EffectiveFNumber { get; init; }

    /// <summary>T-number as the sensor sees it; null when the lens's transmission is not known.</summary>
    public double? EffectiveTNumber { get; init; }

    /// <summary>Light gained by the optics in between, −2·log2 k stops.</summary>
    public double LightGainStops { get; init; }

    /// <summary>Focal length on the reference format for the same angle, mm.</summary>
    public double EquivalentFocalLengthMm { get; init; }

    /// <summary>f-number on the reference format for the same blur at the same framing: blur as seen.</summary>
    public double EquivalentFNumber { get; init; }

    /// <summary>The same for blur across, which a front squeeze makes smaller.</summary>
    public double EquivalentAcrossFNumber { get; init; }

    /// <summary>C²: times the sensitivity for the same picture and noise on the reference format.</summary>
    public double SensitivityFactor { get; init; }

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
        return new LensOnSensor
        {
            UsedFocalLengthMm = used,
            UsedFNumber = fNumber,
            WidestFNumber = widest,
            EffectiveFocalLengthMm = focalLength,
            FocalLengthAcrossMm = focalLength / rig.Squeeze,
            EffectiveFNumber = effective,
            EffectiveTNumber = effective * (rig.Lens.WidestTNumber / rig.Lens.WidestFNumber),
            LightGainStops = k == 1 ? 0 : -2 * PortableMath.Log2(k),
            EquivalentFocalLengthMm = focalLength * crop,
            EquivalentFNumber = effective * crop,
            EquivalentAcrossFNumber = effective * crop * rig.PupilNarrowing(),
            SensitivityFactor = crop * crop,
        };
    }

    /// <summary>The marked focal length, kept within the zoom.</summary>
    internal static double InZoom(in Rig rig) => rig.Lens is { ZoomShortMm: { } from, ZoomLongMm: { } to }
        ? Math.Clamp(rig.FocalLengthMm, from, to)
        : rig.FocalLengthMm;

    /// <summary>The widest f-number of a lens at a marked focal length; null when not known.</summary>
    internal static double? WidestAt(LensData lens, double focalLengthMm) => lens.WidestPiece(focalLengthMm) is var (from, to)
        ? Exposure.WidestFNumber(
            Math.Clamp(focalLengthMm, from.FocalLengthMm, to.FocalLengthMm), from.FocalLengthMm, to.FocalLengthMm, from.FNumber, to.FNumber)
        : lens.WidestFNumber;
}

internal static class Pupils
{
    /// <summary>How many times narrower than tall the pupil is: S for a front squeeze, else 1.</summary>
    public static double PupilNarrowing(this in Rig rig) => rig.SqueezePlace == SqueezePlace.Front ? rig.Squeeze : 1;
}

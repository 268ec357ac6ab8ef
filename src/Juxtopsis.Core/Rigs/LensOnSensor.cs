using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>The lens behind its reducers and extenders, and what it equals on the reference format.</summary>
public record struct LensOnSensor
{
    /// <summary>f₀ that counts: as marked within the zoom, or as measured, mm.</summary>
    public double UsedFocalLengthMm { get; private set; }

    /// <summary>N₀ that counts: as set, within what the lens has there.</summary>
    public double UsedFNumber { get; private set; }

    /// <summary>The widest N₀ at this focal length; null when not known.</summary>
    public double? WidestFNumber { get; private set; }

    /// <summary>k·f₀, mm; up and down for a squeezed lens.</summary>
    public double EffectiveFocalLengthMm { get; private set; }

    /// <summary>k·f₀/S, mm; the same as the other for a spherical lens.</summary>
    public double FocalLengthAcrossMm { get; private set; }

    /// <summary>k·N₀, no faster than the reducer lets out: light as set.</summary>
    public double EffectiveFNumber { get; private set; }

    /// <summary>T-number as the sensor sees it; null when the lens's transmission is not known.</summary>
    public double? EffectiveTNumber { get; private set; }

    /// <summary>Light gained by the optics in between, −2·log2 k stops.</summary>
    public double LightGainStops { get; private set; }

    /// <summary>Focal length on the reference format for the same angle, mm.</summary>
    public double EquivalentFocalLengthMm { get; private set; }

    /// <summary>f-number on the reference format for the same blur at the same framing: blur as seen.</summary>
    public double EquivalentFNumber { get; private set; }

    /// <summary>The same for blur across, which a front squeeze makes smaller.</summary>
    public double EquivalentAcrossFNumber { get; private set; }

    /// <summary>C²: times the sensitivity for the same picture and noise on the reference format.</summary>
    public double SensitivityFactor { get; private set; }

    internal static void Fill(ref LensOnSensor to, in Conventions conventions, in Rig rig, double crop)
    {
        var marked = InZoom(rig);
        var widest = WidestAt(rig.Lens, marked);
        var fNumber = Math.Max(rig.FNumber, widest ?? 0);
        fNumber = Math.Min(fNumber, Math.Max(rig.Lens.NarrowestFNumber ?? double.PositiveInfinity, widest ?? 0));
        var used = conventions.FocalLength == FocalLengthSchool.Measured ? rig.Lens.MeasuredFocalLengthMm ?? marked : marked;
        var k = rig.Optics.Magnification;
        var focalLength = k * used;
        var effective = Math.Max(k * fNumber, rig.OpticsFastestFNumber ?? 0);
        to.UsedFocalLengthMm = used;
        to.UsedFNumber = fNumber;
        to.WidestFNumber = widest;
        to.EffectiveFocalLengthMm = focalLength;
        to.FocalLengthAcrossMm = focalLength / rig.Squeeze;
        to.EffectiveFNumber = effective;
        to.EffectiveTNumber = effective * (rig.Lens.WidestTNumber / rig.Lens.WidestFNumber);
        to.LightGainStops = k == 1 ? 0 : -2 * PortableMath.Log2(k);
        to.EquivalentFocalLengthMm = focalLength * crop;
        to.EquivalentFNumber = effective * crop;
        to.EquivalentAcrossFNumber = effective * crop * rig.PupilNarrowing();
        to.SensitivityFactor = crop * crop;
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

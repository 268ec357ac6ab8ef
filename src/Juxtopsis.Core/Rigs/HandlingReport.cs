using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Steadiness, back focus and what stands in front of the lens.</summary>
/// <param name="StabilisationStops">Stops that count.</param>
/// <param name="Unsteadiness">Against an unsteadied 24 mm equivalent; relative only.</param>
/// <param name="FilterShiftMm">How far a filter behind the lens moves focus, mm.</param>
/// <param name="ShimMm">What to add to the mount, mm; negative is what to take out.</param>
/// <param name="FarthestByMountMm">Farthest that is sharp with the mount as it is, mm from the chosen mark; may be infinite.</param>
/// <param name="OpeningNeededMm">Clear diameter that the opening in front needs, mm; null when its place is not known.</param>
public readonly record struct HandlingReport(
    double StabilisationStops,
    double Unsteadiness,
    double FilterShiftMm,
    double ShimMm,
    double FarthestByMountMm,
    double? OpeningNeededMm)
{
    internal static HandlingReport Of(in Rig rig, in LensOnSensor lens, in UsedArea used, double fullFrameCrop, double markMm)
    {
        var (body, glass) = (rig.BodyStabilisationStops, rig.LensStabilisationStops);
        var stops = rig.StabilisersAddUp ? body + glass : Math.Max(body, glass);
        var f = lens.EffectiveFocalLengthMm;
        var shift = rig.RearFilterMm == 0 ? 0 : BackFocus.FilterShiftMm(rig.RearFilterMm, rig.RearFilterIndex);
        var tooLong = rig.MountErrorMm - shift;
        var corner = Math.Sqrt(used.WidthMm * used.WidthMm + used.HeightMm * used.HeightMm) / (2 * f);
        return new HandlingReport(
            stops,
            Perspective.Unsteadiness(f * fullFrameCrop, stops),
            shift,
            -tooLong,
            BackFocus.FarthestFromLensMm(f, tooLong) + f + Math.Max(0, tooLong) - markMm,
            rig.Lens.FrontOpeningFromPupilMm is { } away ? Coverage.OpeningNeededMm(f / lens.EffectiveFNumber, away, corner) : null);
    }
}

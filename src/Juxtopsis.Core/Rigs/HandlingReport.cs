using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Steadiness, back focus and what stands in front of the lens.</summary>
public readonly record struct HandlingReport
{
    /// <summary>Stops that count.</summary>
    public double StabilisationStops { get; init; }

    /// <summary>Against an unsteadied 24 mm equivalent; relative only.</summary>
    public double Unsteadiness { get; init; }

    /// <summary>How far a filter behind the lens moves focus, mm.</summary>
    public double FilterShiftMm { get; init; }

    /// <summary>What to add to the mount, mm; negative is what to take out.</summary>
    public double ShimMm { get; init; }

    /// <summary>Farthest that is sharp with the mount as it is, mm from the chosen mark; may be infinite.</summary>
    public double FarthestByMountMm { get; init; }

    /// <summary>Clear diameter that the opening in front needs, mm; null when its place is not known.</summary>
    public double? OpeningNeededMm { get; init; }

    internal static HandlingReport Of(in Rig rig, in LensOnSensor lens, in UsedArea used, double fullFrameCrop, double markMm)
    {
        var (body, glass) = (rig.BodyStabilisationStops, rig.LensStabilisationStops);
        var stops = rig.StabilisersAddUp ? body + glass : Math.Max(body, glass);
        var f = lens.EffectiveFocalLengthMm;
        var shift = rig.RearFilterMm == 0 ? 0 : BackFocus.FilterShiftMm(rig.RearFilterMm, rig.RearFilterIndex);
        var tooLong = rig.MountErrorMm - shift;
        var corner = Math.Sqrt(used.WidthMm * used.WidthMm + used.HeightMm * used.HeightMm) / (2 * f);
        return new HandlingReport
        {
            StabilisationStops = stops,
            Unsteadiness = Perspective.Unsteadiness(f * fullFrameCrop, stops),
            FilterShiftMm = shift,
            ShimMm = -tooLong,
            FarthestByMountMm = BackFocus.FarthestFromLensMm(f, tooLong) + f + Math.Max(0, tooLong) - markMm,
            OpeningNeededMm = rig.Lens.FrontOpeningFromPupilMm is { } away ? Coverage.OpeningNeededMm(f / lens.EffectiveFNumber, away, corner) : null,
        };
    }
}

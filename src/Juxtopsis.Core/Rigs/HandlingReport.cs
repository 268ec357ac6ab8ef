using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Steadiness, back focus and what stands in front of the lens.</summary>
public record struct HandlingReport
{
    /// <summary>Stops that count.</summary>
    public double StabilisationStops { get; private set; }

    /// <summary>Against an unsteadied 24 mm equivalent; relative only.</summary>
    public double Unsteadiness { get; private set; }

    /// <summary>How far a filter behind the lens moves focus, mm.</summary>
    public double FilterShiftMm { get; private set; }

    /// <summary>What to add to the mount, mm; negative is what to take out.</summary>
    public double ShimMm { get; private set; }

    /// <summary>Farthest that is sharp with the mount as it is, mm from the chosen mark; may be infinite.</summary>
    public double FarthestByMountMm { get; private set; }

    /// <summary>Clear diameter that the opening in front needs, mm; null when its place is not known.</summary>
    public double? OpeningNeededMm { get; private set; }

    internal static void Fill(ref HandlingReport to, in Rig rig, in LensOnSensor lens, in UsedArea used, double fullFrameCrop, double markMm)
    {
        var (body, glass) = (rig.BodyStabilisationStops, rig.LensStabilisationStops);
        var stops = rig.StabilisersAddUp ? body + glass : Math.Max(body, glass);
        var f = lens.EffectiveFocalLengthMm;
        var shift = rig.RearFilterMm == 0 ? 0 : BackFocus.FilterShiftMm(rig.RearFilterMm, rig.RearFilterIndex);
        var tooLong = rig.MountErrorMm - shift;
        var corner = Math.Sqrt(used.WidthMm * used.WidthMm + used.HeightMm * used.HeightMm) / (2 * f);
        to.StabilisationStops = stops;
        to.Unsteadiness = Perspective.Unsteadiness(f * fullFrameCrop, stops);
        to.FilterShiftMm = shift;
        to.ShimMm = -tooLong;
        to.FarthestByMountMm = BackFocus.FarthestFromLensMm(f, tooLong) + f + Math.Max(0, tooLong) - markMm;
        to.OpeningNeededMm = rig.Lens.FrontOpeningFromPupilMm is { } away ? Coverage.OpeningNeededMm(f / lens.EffectiveFNumber, away, corner) : null;
    }
}

using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>Between which f-numbers a rig can be set, as the sensor sees them.</summary>
/// <param name="Widest">As wide as lens and reducer let out.</param>
/// <param name="Narrowest">As narrow as the lens closes; the widest where the iris cannot be set.</param>
/// <param name="Bright">Narrower, the highest sensitivity that is accepted is not enough; infinite when the brightness is not known.</param>
/// <param name="Filterless">Wider, a lens that takes no filter is too bright at the lowest sensitivity; 0 for others.</param>
internal readonly record struct ApertureLimits(double Widest, double Narrowest, double Bright, double Filterless)
{
    /// <summary>The limits of a rig at a focal length.</summary>
    /// <param name="rig">The rig.</param>
    /// <param name="frame">Its frame.</param>
    /// <param name="rules">Which of them count.</param>
    /// <param name="lightAtOne">The sensitivity that ƒ1 and nothing lost would need, ISO; null when the brightness is not known.</param>
    /// <param name="focalLengthMm">As marked, mm.</param>
    /// <param name="bellowsFactor">f-number that the sensor works at over the one set.</param>
    /// <returns>The limits.</returns>
    public static ApertureLimits Of(FitRig rig, FitFrame frame, FitRules rules, double? lightAtOne, double focalLengthMm, double bellowsFactor)
    {
        ref readonly var end = ref rig.EndAt(focalLengthMm);
        var k = rig.Magnification;
        var widest = Math.Max(Math.Max(k * (LensOnSensor.WidestAt(end.Lens, focalLengthMm) ?? end.FNumber), end.OpticsFastestFNumber ?? 0), ReasonFinder.FastestPossible);
        var narrowest = rules.Iris && rig.IrisIsFixed ? widest : Math.Max(widest, k * (end.Lens.NarrowestFNumber ?? Quantity.FNumber.Max));
        var loss = (end.Lens.WidestTNumber / end.Lens.WidestFNumber ?? 1) * bellowsFactor;
        return rules.Sensitivity && lightAtOne * (loss * loss) is { } isoAtOne
            ? new(widest, narrowest, Math.Sqrt(frame.HighestIso / isoAtOne), end.Lens.TakesNoFilter ? Math.Sqrt(frame.LowestIso / isoAtOne) : 0)
            : new(widest, narrowest, double.PositiveInfinity, 0);
    }
}

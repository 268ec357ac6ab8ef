using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Filters;

/// <summary>How much light filters are to take of a rig.</summary>
/// <param name="Parts">The rig's parts.</param>
/// <param name="Setting">How it is set.</param>
/// <param name="LeastStops">What they must take at the lowest sensitivity, stops.</param>
/// <param name="MostStops">What they may take at the highest that is accepted, stops.</param>
public sealed record FilterNeed(IReadOnlyList<GearItem> Parts, ChainSetting Setting, double LeastStops, double MostStops)
{
    /// <summary>Less than this too bright at the lowest sensitivity wants no filter, stops.</summary>
    public const double ToleranceStops = ReasonFinder.LightToleranceStops;

    /// <summary>True when it is right without a filter.</summary>
    public bool IsNone => LeastStops <= ToleranceStops;

    /// <summary>What a rig needs for a shot, set as it is proposed.</summary>
    /// <param name="fit">The proposal.</param>
    /// <param name="highestIso">The highest sensitivity that the crew accepts, ISO.</param>
    /// <returns>The need; null when the brightness is not known.</returns>
    public static FilterNeed? Of(Fit fit, double highestIso)
    {
        ArgumentNullException.ThrowIfNull(fit);
        if (fit.SensitivityIso is not { } needed)
        {
            return null;
        }

        // The rig may have filters on already; those that take light alone are chosen anew.
        var parts = fit.Rig.Parts.ToArray();
        var on = parts.Where(p => FilterFinder.TakesLightAlone(p) && p.Get(FrontFields.StopsMost) is null).Sum(p => p.Get(FrontFields.Stops) ?? 0);
        var lowest = fit.Set.LowestIso ?? ExposureSettings.ReferenceIso;
        var highest = Math.Max(lowest, Math.Min(highestIso, fit.Set.HighestIso ?? double.PositiveInfinity));
        var setting = new ChainSetting { Mode = fit.Mode.Item.Name, Set = fit.Set };
        return new(parts, setting, PortableMath.Log2(lowest / needed) + on, PortableMath.Log2(highest / needed) + on);
    }

    /// <summary>The stops that a way takes for it: as much as it must, so that the sensitivity stays low.</summary>
    /// <param name="way">The way.</param>
    /// <returns>Stops.</returns>
    public double Taken(FilterWay way)
    {
        ArgumentNullException.ThrowIfNull(way);
        return way.Nearest(LeastStops);
    }
}

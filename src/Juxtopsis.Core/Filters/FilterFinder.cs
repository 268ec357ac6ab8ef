using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Filters;

/// <summary>
/// Finds which filters of a shelf take some light of a rig: one or two of them, in every order, with every way to join their threads by rings. Filters of
/// the chain that take light alone are left out first; what else is in front (polariser, diffusion, close-up lens) stays on.
/// </summary>
public sealed class FilterFinder
{
    private readonly LightFilter[] filters;
    private readonly StepRings rings;
    private readonly MountBook mounts;

    /// <summary>Begins with a shelf.</summary>
    /// <param name="shelf">The gear at hand.</param>
    /// <param name="mounts">The mounts.</param>
    public FilterFinder(IEnumerable<GearItem> shelf, MountBook mounts)
    {
        GearItem[] all = [.. shelf];
        filters =
        [
            .. all.Where(i => TakesLightAlone(i) && i.Get(FrontFields.Stops) is not null).OrderBy(i => i.FullName, StringComparer.Ordinal).ThenBy(i => i.Id)
                .Select(i => new LightFilter(i, i.Get(FrontFields.Stops)!.Value, i.Get(FrontFields.StopsMost) ?? i.Get(FrontFields.Stops)!.Value, IsVariable(i))),
        ];
        rings = new(all);
        this.mounts = mounts;
    }

    /// <summary>Whether a part is a filter that does nothing but take light.</summary>
    /// <param name="item">A part.</param>
    /// <returns>True for neutral density, fixed or variable.</returns>
    public static bool TakesLightAlone(GearItem item)
    {
        ArgumentNullException.ThrowIfNull(item);
        return item.Kind == GearKind.Filter && item.Get(FrontFields.Effect) is FilterEffect.NeutralDensity or FilterEffect.Variable;
    }

    /// <summary>A chain without the filters that take light alone, and without rings.</summary>
    /// <param name="parts">The chain.</param>
    /// <returns>Its other parts, in order.</returns>
    public static IReadOnlyList<GearItem> Bare(IReadOnlyList<GearItem> parts) => [.. parts.Where(p => !TakesLightAlone(p) && p.Kind != GearKind.StepRing)];

    /// <summary>All ways to take some light of a rig.</summary>
    /// <param name="parts">Its parts.</param>
    /// <param name="setting">How it is set.</param>
    /// <param name="leastStops">The least that they are to take, stops; those that can take this much or more.</param>
    /// <param name="mostStops">The most.</param>
    /// <returns>
    /// Of the same filters and rings the order that lets most through; those that take what is asked with the fewest filters first, then with the fewest
    /// rings, then those that shade least. Those that cut the corners are among them, last.
    /// </returns>
    public IReadOnlyList<FilterWay> Ways(IReadOnlyList<GearItem> parts, ChainSetting setting, double leastStops, double mostStops) =>
    [
        .. Found(parts, setting, leastStops, mostStops).OrderBy(w => w.Cuts).ThenBy(w => w.Filters).ThenBy(w => w.Rings)
            .ThenByDescending(w => Math.Round(Math.Min(w.ClearShare, w.ClearShareWidest), 6))
            .ThenBy(w => w.Added.Sum(i => i.Get(CommonFields.Weight) ?? 0)).ThenBy(w => string.Concat(w.Added.Select(i => i.FullName)), StringComparer.Ordinal),
    ];

    /// <summary>The same, in no order.</summary>
    internal IEnumerable<FilterWay> Found(IReadOnlyList<GearItem> parts, ChainSetting setting, double leastStops, double mostStops)
    {
        ArgumentNullException.ThrowIfNull(setting);
        var bare = Bare(parts);
        var anatomy = Anatomy.Of(bare, setting, []);
        if (anatomy is not { Camera: not null, Mode: not null, Lens: not null })
        {
            return [];
        }

        var front = new FilterFront(rings, bare, anatomy, mounts, setting);
        var polarises = anatomy.Filters.Any(l => l.Item.Get(FrontFields.Effect) == FilterEffect.Polariser);
        LightFilter[] usable = [.. filters.Where(f => !(polarises && f.IsVariable) && front.Holds(f.Item))];
        for (var i = 0; i < usable.Length; i++)
        {
            var one = usable[i];
            if (one.Most >= leastStops && one.Least <= mostStops)
            {
                front.Put(one.Least, one.Most, one.Item);
            }

            for (var j = i + 1; j < usable.Length; j++)
            {
                // A variable one is two polarisers, and two of them cross.
                var other = usable[j];
                if (one.Most + other.Most >= leastStops && one.Least + other.Least <= mostStops && !(one.IsVariable && other.IsVariable))
                {
                    front.Put(one.Least + other.Least, one.Most + other.Most, one.Item, other.Item);
                }
            }
        }

        return front.Ways;
    }

    private static bool IsVariable(GearItem filter) => filter.Get(FrontFields.Effect) == FilterEffect.Variable;

    private readonly record struct LightFilter(GearItem Item, double Least, double Most, bool IsVariable);
}

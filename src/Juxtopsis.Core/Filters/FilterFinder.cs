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
    private readonly Dictionary<GearItem, List<KnownFront>> fronts = new(ReferenceEqualityComparer.Instance);

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
        if (RigOf(parts, setting) is not var (rig, usable))
        {
            yield break;
        }

        foreach (var (set, least, most) in SetsOf(rig.Front, usable, leastStops, mostStops))
        {
            var (stack, share) = set.Clearest(rig.AsSet);
            yield return new(rig, stack, least, most, share);
        }
    }

    /// <summary>The sets of filters and rings of which one does for a need, and cuts no corner; none that holds all of another and more.</summary>
    /// <param name="need">The need.</param>
    /// <returns>The sets; none when nothing of the shelf does. The same set is the same object for the same lens.</returns>
    internal FilterSet[] SetsFor(FilterNeed need)
    {
        if (RigOf(need.Parts, need.Setting) is not var (rig, usable))
        {
            return [];
        }

        var sets = new List<FilterSet>();
        foreach (var (set, _, _) in SetsOf(rig.Front, usable, need.LeastStops - FilterNeed.ToleranceStops, need.MostStops + FilterNeed.ToleranceStops))
        {
            if (!sets.Exists(set.Holds) && set.Lets(FrontChecks.Cut, rig.AsSet))
            {
                sets.RemoveAll(other => other.Holds(set));
                sets.Add(set);
            }
        }

        return [.. sets];
    }

    private (FilteredRig Rig, LightFilter[] Usable)? RigOf(IReadOnlyList<GearItem> parts, ChainSetting setting)
    {
        var bare = Bare(parts);
        var anatomy = Anatomy.Of(bare, setting, []);
        if (anatomy is not { Camera: not null, Mode: not null, Lens: not null })
        {
            return null;
        }

        var front = FrontOf(anatomy);
        return (new(front.Front, bare, anatomy, mounts, setting), front.Usable);
    }

    private KnownFront FrontOf(Anatomy anatomy)
    {
        var lens = anatomy.Lens!.Value.Item;
        GearItem[] kept = [.. anatomy.Front.Select(l => l.Item)];
        var seats = FilterFront.SeatsOf(anatomy);
        if (!fronts.TryGetValue(lens, out var ofLens))
        {
            fronts.Add(lens, ofLens = []);
        }

        var polarises = anatomy.Filters.Any(l => l.Item.Get(FrontFields.Effect) == FilterEffect.Polariser);
        if (ofLens.Find(k => k.Polarises == polarises && k.Front.IsOf(lens, kept, seats)) is { } known)
        {
            return known;
        }

        var front = new FilterFront(rings, lens, kept, seats);
        var made = new KnownFront(front, polarises, [.. filters.Where(f => !(polarises && f.IsVariable) && front.Holds(f.Item))]);
        ofLens.Add(made);
        return made;
    }

    /// <summary>The sets of one filter or two that can take some light.</summary>
    private static IEnumerable<(FilterSet Set, double LeastStops, double MostStops)> SetsOf(FilterFront front, LightFilter[] usable, double leastStops, double mostStops)
    {
        for (var i = 0; i < usable.Length; i++)
        {
            var one = usable[i];
            if (one.Most >= leastStops && one.Least <= mostStops)
            {
                foreach (var set in front.With(one.Item))
                {
                    yield return (set, one.Least, one.Most);
                }
            }

            for (var j = i + 1; j < usable.Length; j++)
            {
                // A variable one is two polarisers, and two of them cross.
                var other = usable[j];
                if (one.Most + other.Most >= leastStops && one.Least + other.Least <= mostStops && !(one.IsVariable && other.IsVariable))
                {
                    foreach (var set in front.With(one.Item, other.Item))
                    {
                        yield return (set, one.Least + other.Least, one.Most + other.Most);
                    }
                }
            }
        }
    }

    private static bool IsVariable(GearItem filter) => filter.Get(FrontFields.Effect) == FilterEffect.Variable;

    private sealed record KnownFront(FilterFront Front, bool Polarises, LightFilter[] Usable);

    private readonly record struct LightFilter(GearItem Item, double Least, double Most, bool IsVariable);
}

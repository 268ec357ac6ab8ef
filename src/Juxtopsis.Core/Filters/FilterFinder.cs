using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits;

namespace Juxtopsis.Core.Filters;

/// <summary>
/// Finds which filters of a shelf take some light of a rig: one or two of them, in every order, with every way to join their threads by rings. Filters of
/// the chain that take light alone are left out first; what else is in front (polariser, diffusion, close-up lens) stays on.
/// </summary>
public sealed class FilterFinder
{
    /// <summary>The most filters of which the order is tried out; of more, the usual one is taken.</summary>
    private const int MostOrdered = 4;

    /// <summary>The most things that are put before a lens: more of them nobody screws together.</summary>
    private const int MostThings = 7;

    private readonly GearItem[] filters;
    private readonly StepRings rings;
    private readonly MountBook mounts;

    /// <summary>Begins with a shelf.</summary>
    /// <param name="shelf">The gear at hand.</param>
    /// <param name="mounts">The mounts.</param>
    public FilterFinder(IEnumerable<GearItem> shelf, MountBook mounts)
    {
        GearItem[] all = [.. shelf];
        filters = [.. all.Where(i => TakesLightAlone(i) && i.Get(FrontFields.Stops) is not null).OrderBy(i => i.FullName, StringComparer.Ordinal).ThenBy(i => i.Id)];
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
    public IReadOnlyList<FilterWay> Ways(IReadOnlyList<GearItem> parts, ChainSetting setting, double leastStops, double mostStops)
    {
        ArgumentNullException.ThrowIfNull(setting);
        var bare = Bare(parts);
        var anatomy = Anatomy.Of(bare, setting, []);
        if (anatomy is not { Camera: not null, Mode: not null, Lens: { } lens })
        {
            return [];
        }

        var front = new Front(rings, lens.Item, [.. anatomy.Front.Select(l => l.Item)], bare, anatomy, mounts, setting);
        var (ways, numbers) = (new Dictionary<UInt128, FilterWay>(), new Dictionary<GearItem, int>());
        int NumberOf(GearItem item) => numbers.TryGetValue(item, out var number) ? number : numbers[item] = numbers.Count;
        foreach (var chosen in Chosen(anatomy))
        {
            var (least, most) = (chosen.Sum(f => f.Get(FrontFields.Stops)!.Value), chosen.Sum(f => f.Get(FrontFields.StopsMost) ?? f.Get(FrontFields.Stops)!.Value));
            if (most < leastStops || least > mostStops)
            {
                continue;
            }

            foreach (var way in front.With(chosen, least, most))
            {
                if (way.Added.Count > MostThings)
                {
                    continue;
                }

                // The same things in another order count once.
                var key = KitProblem.Things([.. way.Added.Select(NumberOf)]);
                if (!ways.TryGetValue(key, out var known) || way.ClearShare > known.ClearShare)
                {
                    ways[key] = way;
                }
            }
        }

        return
        [
            .. ways.Values.OrderBy(w => w.Cuts).ThenBy(w => w.Filters).ThenBy(w => w.Rings).ThenByDescending(w => Math.Round(Math.Min(w.ClearShare, w.ClearShareWidest), 6))
                .ThenBy(w => w.Added.Sum(i => i.Get(CommonFields.Weight) ?? 0)).ThenBy(w => string.Concat(w.Added.Select(i => i.FullName)), StringComparer.Ordinal),
        ];
    }

    /// <summary>One filter, or two of which no two polarise: a variable one is two polarisers, and crosses with another.</summary>
    private IEnumerable<GearItem[]> Chosen(Anatomy anatomy)
    {
        var polarises = anatomy.Filters.Any(l => l.Item.Get(FrontFields.Effect) == FilterEffect.Polariser);
        GearItem[] usable = [.. filters.Where(f => !(polarises && IsVariable(f)) && HasSeat(f, anatomy))];
        for (var i = 0; i < usable.Length; i++)
        {
            yield return [usable[i]];
            for (var j = i + 1; j < usable.Length; j++)
            {
                if (!(IsVariable(usable[i]) && IsVariable(usable[j])))
                {
                    yield return [usable[i], usable[j]];
                }
            }
        }
    }

    private static bool IsVariable(GearItem filter) => filter.Get(FrontFields.Effect) == FilterEffect.Variable;

    private static FilterSeat SeatOf(GearItem filter) => filter.Get(FrontFields.Seat) ?? FilterSeat.Thread;

    private static bool HasSeat(GearItem filter, Anatomy anatomy) => SeatOf(filter) switch
    {
        FilterSeat.Thread => anatomy.Lens!.Value.Item.Get(LensFields.NoFilters) != true,
        FilterSeat.MatteBox => true,
        FilterSeat.Adapter => anatomy.Behind.Any(l => l.Item.Get(AdapterFields.TakesFilter) == true),
        _ => anatomy.Lens!.Value.Item.Get(LensFields.TakesRearFilter) == true,
    };

    /// <summary>The front of a rig, to which filters are put.</summary>
    private sealed class Front
    {
        private readonly StepRings rings;
        private readonly GearItem lens;
        private readonly GearItem[] kept;
        private readonly GearItem[] before;
        private readonly GearItem[] after;
        private readonly int adapterSeats;
        private readonly FrontGeometry asSet;
        private readonly FrontGeometry widest;

        public Front(StepRings rings, GearItem lens, GearItem[] kept, IReadOnlyList<GearItem> bare, Anatomy anatomy, MountBook mounts, ChainSetting setting)
        {
            (this.rings, this.lens, this.kept) = (rings, lens, kept);
            before = [.. bare.TakeWhile(p => !ReferenceEquals(p, lens)), lens];
            after = [.. bare.Skip(before.Length).Where(p => !kept.Contains(p))];
            adapterSeats = anatomy.Behind.Count(l => l.Item.Get(AdapterFields.TakesFilter) == true) - anatomy.Inside.Count(l => SeatOf(l.Item) == FilterSeat.Adapter);
            var optics = new ChainOptics(anatomy, mounts, setting);
            asSet = FrontGeometry.Of(optics);
            widest = optics.FocalLengthMm == optics.Short ? asSet : FrontGeometry.Of(new ChainOptics(anatomy, mounts, WithFocalLength(setting, optics.Short)));
        }

        private static ChainSetting WithFocalLength(ChainSetting setting, double mm) => setting.Set is { } set ? setting with { Set = set with { FocalLengthMm = mm } } : setting with { FocalLengthMm = mm };

        public IEnumerable<FilterWay> With(GearItem[] chosen, double least, double most)
        {
            var inside = chosen.Where(f => SeatOf(f) is FilterSeat.Adapter or FilterSeat.Rear).ToArray();
            if (inside.Count(f => SeatOf(f) == FilterSeat.Adapter) > adapterSeats || inside.Count(f => SeatOf(f) == FilterSeat.Rear) > 1)
            {
                yield break;
            }

            var boxed = chosen.Where(f => SeatOf(f) == FilterSeat.MatteBox).ToArray();
            GearItem[] screwed = [.. chosen.Where(f => SeatOf(f) == FilterSeat.Thread)];
            foreach (var order in Orders([.. kept, .. screwed]))
            {
                foreach (var joined in Joined(order, 0, lens.Get(LensFields.FilterThread), screwed.Length > 0))
                {
                    GearItem[] stack = [.. joined, .. boxed];
                    yield return new([.. inside, .. stack.Where(p => !kept.Contains(p))], [.. before, .. inside, .. stack, .. after], least, most)
                    {
                        ClearShare = asSet.ClearShare(stack),
                        ClearShareWidest = widest.ClearShare(stack),
                    };
                }
            }
        }

        /// <summary>Every order; squeeze attachments and close-up lenses stay next to the lens as they were.</summary>
        private IEnumerable<GearItem[]> Orders(GearItem[] items)
        {
            GearItem[] near = [.. kept.Where(i => i.Kind is GearKind.Attachment or GearKind.CloseUpLens)];
            GearItem[] free = [.. items.Where(i => !near.Contains(i))];
            return free.Length > MostOrdered ? [[.. near, .. free.OrderBy(Usual)]] : Permutations(free).OrderBy(Disorder).Select(order => (GearItem[])[.. near, .. order]);
        }

        /// <summary>What is turned goes outermost, where a hand reaches it; diffusion before it.</summary>
        private static int Usual(GearItem item) => item.Get(FrontFields.Effect) switch
        {
            FilterEffect.NeutralDensity => 0,
            FilterEffect.Diffusion => 1,
            FilterEffect.Polariser or FilterEffect.Variable => 3,
            _ => 2,
        };

        private static int Disorder(GearItem[] order) => order.Zip(order.Skip(1)).Count(p => Usual(p.First) > Usual(p.Second));

        private static IEnumerable<GearItem[]> Permutations(GearItem[] items) => items.Length <= 1 ? [items]
            : items.SelectMany((item, i) => Permutations([.. items.Take(i), .. items.Skip(i + 1)]).Select(rest => (GearItem[])[item, .. rest]));

        /// <summary>The ways to join the threads of a row of parts; where a thread is not known nothing new is screwed on.</summary>
        private IEnumerable<GearItem[]> Joined(GearItem[] order, int from, double? thread, bool isNew)
        {
            if (from == order.Length)
            {
                yield return [];
                yield break;
            }

            var part = order[from];
            if (SeatOf(part) == FilterSeat.MatteBox)
            {
                foreach (var rest in Joined(order, from + 1, thread, isNew))
                {
                    yield return [part, .. rest];
                }

                yield break;
            }

            IReadOnlyList<IReadOnlyList<GearItem>> ways = thread is { } offered && part.Get(CommonFields.RearThread) is { } needed ? rings.Between(offered, needed) : isNew ? [] : [[]];
            foreach (var way in ways)
            {
                foreach (var rest in Joined(order, from + 1, part.Get(CommonFields.NoFrontThread) == true ? null : StepRings.FrontOf(part), isNew))
                {
                    // No ring can be in two places.
                    if (!way.Any(rest.Contains))
                    {
                        yield return [.. way, part, .. rest];
                    }
                }
            }
        }
    }
}

using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits;

namespace Juxtopsis.Core.Filters;

/// <summary>The front of a rig, to which filters are put: in every order, joined in every way.</summary>
internal sealed class FilterFront
{
    /// <summary>The most parts of which the order is tried out; of more, the usual one is taken.</summary>
    private const int MostOrdered = 4;

    /// <summary>The most things that are put before a lens: more of them nobody screws together.</summary>
    private const int MostThings = 7;

    private readonly StepRings rings;
    private readonly GearItem lens;
    private readonly GearItem[] kept;
    private readonly GearItem[] near;
    private readonly GearItem[] before;
    private readonly GearItem[] after;
    private readonly int adapterSeats;
    private readonly FrontGeometry asSet;
    private readonly FrontGeometry widest;
    private readonly Dictionary<GearItem, (int Number, Opening Opening)> known = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<UInt128, Found> found = [];
    private readonly List<GearItem> stack = [];
    private readonly List<Opening> openings = [];

    public FilterFront(StepRings rings, IReadOnlyList<GearItem> bare, Anatomy anatomy, MountBook mounts, ChainSetting setting)
    {
        this.rings = rings;
        lens = anatomy.Lens!.Value.Item;
        kept = [.. anatomy.Front.Select(l => l.Item)];

        // Squeeze attachments and close-up lenses stay next to the lens as they were.
        near = [.. kept.Where(i => i.Kind is GearKind.Attachment or GearKind.CloseUpLens)];
        before = [.. bare.TakeWhile(p => !ReferenceEquals(p, lens)), lens];
        after = [.. bare.Skip(before.Length).Where(p => !kept.Contains(p))];
        adapterSeats = anatomy.Behind.Count(l => l.Item.Get(AdapterFields.TakesFilter) == true) - anatomy.Inside.Count(l => SeatOf(l.Item) == FilterSeat.Adapter);
        var optics = new ChainOptics(anatomy, mounts, setting);
        asSet = FrontGeometry.Of(optics);
        widest = optics.FocalLengthMm == optics.Short ? asSet : FrontGeometry.Of(new ChainOptics(anatomy, mounts, WithFocalLength(setting, optics.Short)));
    }

    /// <summary>What was put, the same things counting once: in the order that lets most through.</summary>
    public IEnumerable<FilterWay> Ways => found.Values.Select(f => new FilterWay(this, f.Inside, f.Stack, f.LeastStops, f.MostStops, f.Share));

    /// <summary>Whether a part was there before, and stays.</summary>
    public bool Keeps(GearItem part) => Array.IndexOf(kept, part) >= 0;

    /// <summary>The whole chain with filters.</summary>
    public IReadOnlyList<GearItem> With(GearItem[] inside, GearItem[] stack) => [.. before, .. inside, .. stack, .. after];

    /// <summary>How much of the corners' light a stack lets through at the short end of a zoom.</summary>
    public double ClearShareWidest(GearItem[] stack) => widest.ClearShare(stack);

    /// <summary>Whether there is a place for a filter.</summary>
    public bool Holds(GearItem filter) => SeatOf(filter) switch
    {
        FilterSeat.Thread => lens.Get(LensFields.NoFilters) != true,
        FilterSeat.MatteBox => true,
        FilterSeat.Adapter => adapterSeats > 0,
        _ => lens.Get(LensFields.TakesRearFilter) == true,
    };

    /// <summary>Puts filters to it.</summary>
    public void Put(double leastStops, double mostStops, params ReadOnlySpan<GearItem> chosen)
    {
        var (dropped, behind, screwed) = (0, 0, 0);
        foreach (var filter in chosen)
        {
            switch (SeatOf(filter))
            {
                case FilterSeat.Adapter: dropped++; break;
                case FilterSeat.Rear: behind++; break;
                case FilterSeat.Thread: screwed++; break;
            }
        }

        if (dropped > adapterSeats || behind > 1)
        {
            return;
        }

        GearItem[] all = chosen.ToArray();
        GearItem[] free = [.. kept.Where(i => !near.Contains(i)), .. all.Where(f => SeatOf(f) == FilterSeat.Thread)];
        var put = new Putting([.. all.Where(c => SeatOf(c) is FilterSeat.Adapter or FilterSeat.Rear)], [.. all.Where(f => SeatOf(f) == FilterSeat.MatteBox)], leastStops, mostStops, screwed > 0);
        if (free.Length > MostOrdered)
        {
            Join(put, [.. near, .. free.OrderBy(Usual)], 0, lens.Get(LensFields.FilterThread));
            return;
        }

        foreach (var order in Permutations(free).OrderBy(Disorder))
        {
            Join(put, near.Length == 0 ? order : [.. near, .. order], 0, lens.Get(LensFields.FilterThread));
        }
    }

    private static ChainSetting WithFocalLength(ChainSetting setting, double mm) => setting.Set is { } set ? setting with { Set = set with { FocalLengthMm = mm } } : setting with { FocalLengthMm = mm };

    private static FilterSeat SeatOf(GearItem filter) => filter.Get(FrontFields.Seat) ?? FilterSeat.Thread;

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

    /// <summary>The ways to join the threads of a row of parts from one of them on; where a thread is not known nothing new is screwed on.</summary>
    private void Join(in Putting put, GearItem[] order, int from, double? thread)
    {
        if (from == order.Length)
        {
            Note(put);
            return;
        }

        var part = order[from];
        if (SeatOf(part) == FilterSeat.MatteBox)
        {
            Push(part);
            Join(put, order, from + 1, thread);
            Pop(1);
            return;
        }

        var needed = part.Get(CommonFields.RearThread);
        if (thread is null || needed is null)
        {
            if (!put.IsScrewed)
            {
                Push(part);
                Join(put, order, from + 1, null);
                Pop(1);
            }

            return;
        }

        foreach (var way in rings.Between(thread.Value, needed.Value))
        {
            // No ring can be in two places.
            if (way.Any(stack.Contains))
            {
                continue;
            }

            foreach (var ring in way)
            {
                Push(ring);
            }

            Push(part);
            Join(put, order, from + 1, part.Get(CommonFields.NoFrontThread) == true ? null : StepRings.FrontOf(part));
            Pop(way.Count + 1);
        }
    }

    private void Push(GearItem part)
    {
        stack.Add(part);
        openings.Add(Known(part).Opening);
    }

    private void Pop(int count)
    {
        stack.RemoveRange(stack.Count - count, count);
        openings.RemoveRange(openings.Count - count, count);
    }

    private (int Number, Opening Opening) Known(GearItem part) => known.TryGetValue(part, out var of) ? of : known[part] = (known.Count, Opening.Of(part));

    /// <summary>Notes a stack; of the same things the order that lets most through, and of those as much the first.</summary>
    private void Note(in Putting put)
    {
        foreach (var box in put.Boxed)
        {
            Push(box);
        }

        Span<int> things = stackalloc int[MostThings];
        var count = 0;
        foreach (var part in stack)
        {
            if (!Keeps(part) && count++ < MostThings)
            {
                things[count - 1] = Known(part).Number;
            }
        }

        foreach (var filter in put.Inside)
        {
            if (count++ < MostThings)
            {
                things[count - 1] = Known(filter).Number;
            }
        }

        if (count <= MostThings)
        {
            var (key, share) = (KitProblem.Things(things[..count]), asSet.ClearShare(openings));
            if (!found.TryGetValue(key, out var before) || share > before.Share)
            {
                found[key] = new([.. stack], put.Inside, put.LeastStops, put.MostStops, share);
            }
        }

        Pop(put.Boxed.Length);
    }

    private readonly record struct Putting(GearItem[] Inside, GearItem[] Boxed, double LeastStops, double MostStops, bool IsScrewed);

    private readonly record struct Found(GearItem[] Stack, GearItem[] Inside, double LeastStops, double MostStops, double Share);
}

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
    private readonly Dictionary<GearItem, Part> known = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<UInt128, Found> found = [];
    private readonly List<Part> stack = [];
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
        var (inside, boxed, screwed) = (new List<Part>(), new List<Part>(), new List<Part>(2));
        var (dropped, behind) = (0, 0);
        foreach (var filter in chosen)
        {
            var part = Known(filter);
            (part.Seat switch { FilterSeat.Thread => screwed, FilterSeat.MatteBox => boxed, _ => inside }).Add(part);
            dropped += part.Seat == FilterSeat.Adapter ? 1 : 0;
            behind += part.Seat == FilterSeat.Rear ? 1 : 0;
        }

        if (dropped > adapterSeats || behind > 1)
        {
            return;
        }

        var put = new Putting(inside, boxed, leastStops, mostStops, screwed.Count > 0);
        foreach (var order in Orders(screwed))
        {
            Join(put, order, 0, lens.Get(LensFields.FilterThread));
        }
    }

    /// <summary>Every order of what is screwed on, the usual ones first.</summary>
    private IEnumerable<Part[]> Orders(List<Part> screwed)
    {
        switch (kept.Length, screwed)
        {
            case (0, []):
                return [[]];
            case (0, [var one]):
                return [[one]];
            case (0, [var one, var other]):
                return one.Usual <= other.Usual ? [[one, other], [other, one]] : [[other, one], [one, other]];
        }

        Part[] next = [.. near.Select(Known)];
        Part[] free = [.. kept.Where(i => !near.Contains(i)).Select(Known), .. screwed];
        return free.Length > MostOrdered ? [[.. next, .. free.OrderBy(p => p.Usual)]] : Permutations(free).OrderBy(Disorder).Select(order => (Part[])[.. next, .. order]);
    }

    private static ChainSetting WithFocalLength(ChainSetting setting, double mm) => setting.Set is { } set ? setting with { Set = set with { FocalLengthMm = mm } } : setting with { FocalLengthMm = mm };

    private static FilterSeat SeatOf(GearItem filter) => filter.Get(FrontFields.Seat) ?? FilterSeat.Thread;

    /// <summary>What is turned goes outermost, where a hand reaches it; diffusion before it.</summary>
    private static int UsualOf(GearItem item) => item.Get(FrontFields.Effect) switch
    {
        FilterEffect.NeutralDensity => 0,
        FilterEffect.Diffusion => 1,
        FilterEffect.Polariser or FilterEffect.Variable => 3,
        _ => 2,
    };

    private static int Disorder(Part[] order) => order.Zip(order.Skip(1)).Count(p => p.First.Usual > p.Second.Usual);

    private static IEnumerable<Part[]> Permutations(Part[] items) => items.Length <= 1 ? [items]
        : items.SelectMany((item, i) => Permutations([.. items.Take(i), .. items.Skip(i + 1)]).Select(rest => (Part[])[item, .. rest]));

    /// <summary>The ways to join the threads of a row of parts from one of them on; where a thread is not known nothing new is screwed on.</summary>
    private void Join(in Putting put, Part[] order, int from, double? thread)
    {
        if (from == order.Length)
        {
            Note(put);
            return;
        }

        var part = order[from];
        if (part.Seat == FilterSeat.MatteBox)
        {
            Push(part);
            Join(put, order, from + 1, thread);
            Pop(1);
            return;
        }

        if (thread is null || part.RearThread is null)
        {
            if (!put.IsScrewed)
            {
                Push(part);
                Join(put, order, from + 1, null);
                Pop(1);
            }

            return;
        }

        foreach (var way in rings.Between(thread.Value, part.RearThread.Value))
        {
            var count = stack.Count;
            foreach (var ring in way)
            {
                var between = Known(ring);

                // No ring can be in two places.
                if (stack.Contains(between))
                {
                    break;
                }

                Push(between);
            }

            if (stack.Count == count + way.Count)
            {
                Push(part);
                Join(put, order, from + 1, part.FrontThread);
            }

            Pop(stack.Count - count);
        }
    }

    private void Push(Part part)
    {
        stack.Add(part);
        openings.Add(part.Opening);
    }

    private void Pop(int count)
    {
        stack.RemoveRange(stack.Count - count, count);
        openings.RemoveRange(openings.Count - count, count);
    }

    private Part Known(GearItem item)
    {
        if (!known.TryGetValue(item, out var part))
        {
            known.Add(item, part = new(
                item, known.Count, Keeps(item), SeatOf(item), UsualOf(item), Opening.Of(item), item.Get(CommonFields.RearThread),
                item.Get(CommonFields.NoFrontThread) == true ? null : StepRings.FrontOf(item)));
        }

        return part;
    }

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
            if (!part.IsKept && count++ < MostThings)
            {
                things[count - 1] = part.Number;
            }
        }

        foreach (var filter in put.Inside)
        {
            if (count++ < MostThings)
            {
                things[count - 1] = filter.Number;
            }
        }

        if (count <= MostThings)
        {
            var key = KitProblem.Things(things[..count]);
            if (!found.TryGetValue(key, out var before) || before.Share < 1 && asSet.ClearShare(openings) > before.Share)
            {
                var share = asSet.ClearShare(openings);
                found[key] = new([.. stack.Select(p => p.Item)], [.. put.Inside.Select(p => p.Item)], put.LeastStops, put.MostStops, share);
            }
        }

        Pop(put.Boxed.Count);
    }

    private readonly record struct Putting(List<Part> Inside, List<Part> Boxed, double LeastStops, double MostStops, bool IsScrewed);

    private readonly record struct Found(GearItem[] Stack, GearItem[] Inside, double LeastStops, double MostStops, double Share);

    /// <summary>A part in front, read once.</summary>
    private sealed class Part(GearItem item, int number, bool isKept, FilterSeat seat, int usual, Opening opening, double? rearThread, double? frontThread)
    {
        public GearItem Item { get; } = item;

        public int Number { get; } = number;

        public bool IsKept { get; } = isKept;

        public FilterSeat Seat { get; } = seat;

        public int Usual { get; } = usual;

        public Opening Opening { get; } = opening;

        public double? RearThread { get; } = rearThread;

        public double? FrontThread { get; } = frontThread;
    }
}

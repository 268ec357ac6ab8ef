using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits;

namespace Juxtopsis.Core.Filters;

/// <summary>The front of a lens, to which filters are put however it is set: in every order, joined in every way.</summary>
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
    private readonly int adapterSeats;
    private readonly Dictionary<GearItem, Part> known = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<(int One, int Other), IReadOnlyList<FilterSet>> put = [];
    private readonly List<Part> stack = [];

    /// <summary>Begins.</summary>
    /// <param name="rings">The step rings at hand.</param>
    /// <param name="lens">The lens.</param>
    /// <param name="kept">What is before it, and stays.</param>
    /// <param name="adapterSeats">How many filters the adapters behind it can still take.</param>
    public FilterFront(StepRings rings, GearItem lens, GearItem[] kept, int adapterSeats)
    {
        (this.rings, this.lens, this.kept, this.adapterSeats) = (rings, lens, kept, adapterSeats);

        // Squeeze attachments and close-up lenses stay next to the lens as they were.
        near = [.. kept.Where(i => i.Kind is GearKind.Attachment or GearKind.CloseUpLens)];
    }

    /// <summary>Whether it is the front of the same lens with the same before it.</summary>
    public bool IsOf(GearItem other, GearItem[] before, int seats) => ReferenceEquals(lens, other) && adapterSeats == seats && kept.SequenceEqual(before);

    /// <summary>Whether a part was there before, and stays.</summary>
    public bool Keeps(GearItem part) => Array.IndexOf(kept, part) >= 0;

    /// <summary>Whether there is a place for a filter.</summary>
    public bool Holds(GearItem filter) => SeatOf(filter) switch
    {
        FilterSeat.Thread => lens.Get(LensFields.NoFilters) != true,
        FilterSeat.MatteBox => true,
        FilterSeat.Adapter => adapterSeats > 0,
        _ => lens.Get(LensFields.TakesRearFilter) == true,
    };

    /// <summary>The sets of things by which one filter or two go on; each once, whatever the order.</summary>
    public IReadOnlyList<FilterSet> With(GearItem one, GearItem? other = null)
    {
        var key = (Known(one).Number, other is null ? -1 : Known(other).Number);
        if (!put.TryGetValue(key, out var sets))
        {
            put.Add(key, sets = Put(other is null ? [one] : [one, other]));
        }

        return sets;
    }

    /// <summary>How many filters that drop into an adapter behind the lens may still go in.</summary>
    public static int SeatsOf(Anatomy anatomy) =>
        anatomy.Behind.Count(l => l.Item.Get(AdapterFields.TakesFilter) == true) - anatomy.Inside.Count(l => SeatOf(l.Item) == FilterSeat.Adapter);

    private List<FilterSet> Put(GearItem[] chosen)
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
            return [];
        }

        var putting = new Putting(inside, boxed, screwed.Count > 0, [], []);
        foreach (var order in Orders(screwed))
        {
            Join(putting, order, 0, lens.Get(LensFields.FilterThread));
        }

        return putting.Found;
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
    private void Join(Putting putting, Part[] order, int from, double? thread)
    {
        if (from == order.Length)
        {
            Note(putting);
            return;
        }

        var part = order[from];
        if (part.Seat == FilterSeat.MatteBox)
        {
            stack.Add(part);
            Join(putting, order, from + 1, thread);
            Pop(1);
            return;
        }

        if (thread is null || part.RearThread is null)
        {
            if (!putting.IsScrewed)
            {
                stack.Add(part);
                Join(putting, order, from + 1, null);
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

                stack.Add(between);
            }

            if (stack.Count == count + way.Count)
            {
                stack.Add(part);
                Join(putting, order, from + 1, part.FrontThread);
            }

            Pop(stack.Count - count);
        }
    }

    private void Pop(int count) => stack.RemoveRange(stack.Count - count, count);

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

    /// <summary>Notes a stack with the others of the same things.</summary>
    private void Note(Putting putting)
    {
        stack.AddRange(putting.Boxed);
        Part[] added = [.. putting.Inside, .. stack.Where(p => !p.IsKept)];
        if (added.Length <= MostThings)
        {
            var key = KitProblem.Things([.. added.Select(p => p.Number)]);
            if (!putting.Sets.TryGetValue(key, out var set))
            {
                putting.Sets.Add(key, set = new([.. added.Select(p => p.Item)]));
                putting.Found.Add(set);
            }

            set.Stacks.Add(new([.. putting.Inside.Select(p => p.Item)], [.. stack.Select(p => p.Item)], [.. stack.Select(p => p.Opening)]));
        }

        Pop(putting.Boxed.Count);
    }

    private sealed record Putting(List<Part> Inside, List<Part> Boxed, bool IsScrewed, Dictionary<UInt128, FilterSet> Sets, List<FilterSet> Found);

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

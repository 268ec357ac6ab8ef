using System.Collections.Concurrent;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Shelf;

/// <summary>In which order things are listed.</summary>
public enum ShelfOrder
{
    /// <summary>By kind, mounts last; lenses by focal length, others by name.</summary>
    Kind,

    /// <summary>By maker and name.</summary>
    Name,

    /// <summary>The lightest first; unknown ones last.</summary>
    Weight,

    /// <summary>The cheapest first; unknown ones last.</summary>
    Price,

    /// <summary>The widest aperture first; unknown ones last.</summary>
    Aperture,
}

/// <summary>What to show of a shelf.</summary>
public sealed record ShelfQuery
{
    /// <summary>What was typed.</summary>
    public string Text { get; init; } = "";

    /// <summary>One kind only; null for all.</summary>
    public GearKind? Kind { get; init; }

    /// <summary>One way of coming by it only; null for all. What says nothing is taken to be the crew's own.</summary>
    public Ownership? Ownership { get; init; }

    /// <summary>One mount only; empty for all.</summary>
    public string Mount { get; init; } = "";

    /// <summary>Retired things instead of the others.</summary>
    public bool Retired { get; init; }

    /// <summary>The camera for which equivalents are told; null for each lens's own format.</summary>
    public Guid? Body { get; init; }

    /// <summary>Its mode; empty for the first.</summary>
    public string Mode { get; init; } = "";

    /// <summary>Delivered width over height, in which formats are compared.</summary>
    public double Aspect { get; init; } = LensReach.UsualAspect;

    /// <summary>The order.</summary>
    public ShelfOrder Order { get; init; }
}

/// <summary>How many things a choice would leave.</summary>
/// <param name="Key">The choice.</param>
/// <param name="Count">How many.</param>
public readonly record struct FacetCount(string Key, int Count);

/// <summary>What a search found.</summary>
/// <param name="Rows">Everything found, in order.</param>
/// <param name="Understood">What the typed text was taken to ask for.</param>
/// <param name="Kinds">Counts by kind, with all other choices kept.</param>
/// <param name="Ownerships">Counts by ownership likewise.</param>
/// <param name="Mounts">Counts by mount likewise.</param>
public sealed record ShelfResult(
    IReadOnlyList<ShelfRow> Rows,
    IReadOnlyList<Criterion> Understood,
    IReadOnlyList<FacetCount> Kinds,
    IReadOnlyList<FacetCount> Ownerships,
    IReadOnlyList<FacetCount> Mounts);

/// <summary>A shelf as it is at one moment, ready to be searched. Immutable; safe on any thread.</summary>
public sealed class ShelfIndex
{
    private const int MostKept = 64;

    private readonly ConcurrentDictionary<(Guid, string, double), LensReach?[]> reaches = [];
    private readonly QueryReader reader;
    private readonly Dictionary<Guid, ShelfEntry> byId;

    /// <summary>Makes an index.</summary>
    /// <param name="entries">Everything on the shelf, retired things included.</param>
    public ShelfIndex(IReadOnlyList<ShelfEntry> entries)
    {
        ArgumentNullException.ThrowIfNull(entries);
        Entries = entries;
        byId = entries.ToDictionary(e => e.Item.Id);
        AtHand = [.. entries.Where(e => e.RetiredAt is null).Select(e => e.Item)];
        Mounts = new MountBook(entries.Select(e => e.Item));
        Joining = new Joining(AtHand, Mounts);
        Picker = new PartPicker(AtHand, Mounts);
        reader = new QueryReader(Mounts, AtHand);
    }

    /// <summary>Everything, retired things included.</summary>
    public IReadOnlyList<ShelfEntry> Entries { get; }

    /// <summary>What is offered: everything that is not retired.</summary>
    public IReadOnlyList<GearItem> AtHand { get; }

    /// <summary>The mounts, retired ones included, since things still name them.</summary>
    public MountBook Mounts { get; }

    /// <summary>The ways to join.</summary>
    public Joining Joining { get; }

    /// <summary>What fits where.</summary>
    public PartPicker Picker { get; }

    /// <summary>A thing by its identity.</summary>
    /// <param name="id">The identity.</param>
    /// <returns>The thing; null when it is not on the shelf.</returns>
    public ShelfEntry? Find(Guid id) => byId.GetValueOrDefault(id);

    /// <summary>Searches.</summary>
    /// <param name="query">What to show.</param>
    /// <returns>Everything that meets it, with counts for further choices.</returns>
    public ShelfResult Search(ShelfQuery query)
    {
        ArgumentNullException.ThrowIfNull(query);
        var understood = reader.Read(query.Text);
        var asksRetired = understood.Any(c => c.Meaning == "retired");
        var reach = Reaches(query);
        var rows = new List<ShelfRow>();
        var (kinds, ownerships, mounts) = (new Counter(), new Counter(), new Counter());
        for (var i = 0; i < Entries.Count; i++)
        {
            var row = new ShelfRow(Entries[i], reach[i]);
            if (!asksRetired && row.Entry.RetiredAt is not null != query.Retired || !understood.All(c => c.Accepts(row)))
            {
                continue;
            }

            var item = row.Entry.Item;
            var held = item.Get(CommonFields.Ownership) ?? Ownership.Own;
            var own = MountsOf(item);
            var (kind, ownership, mount) = (query.Kind is null || query.Kind == item.Kind, query.Ownership is null || query.Ownership == held, query.Mount.Length == 0 || own.Any(m => MountBook.Same(m, query.Mount)));
            kinds.Add(ownership && mount, GearKinds.Of(item.Kind).Key);
            ownerships.Add(kind && mount, CommonFields.Ownership.KeyOf(held));
            foreach (var name in own)
            {
                mounts.Add(kind && ownership, name);
            }

            if (kind && ownership && mount)
            {
                rows.Add(row);
            }
        }

        return new(Ordered(rows, query), understood, kinds.All, ownerships.All, mounts.All);
    }

    /// <summary>What a typed text asks for, for narrowing a choice.</summary>
    /// <param name="text">What was typed.</param>
    /// <returns>Whether a thing of this shelf meets it; null for a blank text.</returns>
    public Func<GearItem, bool>? Wanted(string text)
    {
        var criteria = reader.Read(text);
        return criteria.Count == 0 ? null : item => Find(item.Id) is { } entry && new ShelfRow(entry, LensReach.Alone(item)) is var row && criteria.All(c => c.Accepts(row));
    }

    /// <summary>The mounts that a thing has to do with.</summary>
    /// <param name="item">A thing.</param>
    /// <returns>Their names, each once.</returns>
    public static IReadOnlyList<string> MountsOf(GearItem item)
    {
        ArgumentNullException.ThrowIfNull(item);
        return item.Kind switch
        {
            GearKind.Mount => [item.Name, .. item.Get(MountFields.Takes)],
            GearKind.Body => item.Get(BodyFields.Mounts),
            GearKind.Lens => item.Get(LensFields.Mount) is { Length: > 0 } mount ? [mount] : [],
            GearKind.Adapter => [.. new[] { item.Get(AdapterFields.BodyMount), item.Get(AdapterFields.LensMount) }.Distinct(StringComparer.OrdinalIgnoreCase)],
            _ => [],
        };
    }

    /// <summary>What each thing gives as a lens on the chosen camera; reckoned once for a camera, mode and shape.</summary>
    private LensReach?[] Reaches(ShelfQuery query)
    {
        var body = query.Body is { } id ? Find(id)?.Item : null;
        var mode = body?.Get(BodyFields.Modes).FirstOrDefault(m => query.Mode.Length == 0 || m.Name.Equals(query.Mode, StringComparison.OrdinalIgnoreCase));
        var key = mode is null ? (Guid.Empty, "", 0.0) : (body!.Id, mode.Name, query.Aspect);
        if (reaches.Count > MostKept)
        {
            reaches.Clear();
        }

        return reaches.GetOrAdd(key, _ => [.. Entries.Select(e => e.Item.Kind switch
        {
            GearKind.Lens => mode is null ? LensReach.Alone(e.Item) : LensReach.On(e.Item, body!, mode, Joining, query.Aspect),
            GearKind.FixedLensCamera => LensReach.Alone(e.Item),
            _ => null,
        })]);
    }

    private static IReadOnlyList<ShelfRow> Ordered(List<ShelfRow> rows, ShelfQuery query)
    {
        // A lens that does not go on the chosen camera comes after those that do.
        bool Aside(ShelfRow row) => query.Body is not null && row.Entry.Item.Kind == GearKind.Lens && row.Reach is null;
        var named = rows.OrderBy(r => query.Order == ShelfOrder.Kind && r.Entry.Item.Kind == GearKind.Mount);
        named = query.Order switch
        {
            ShelfOrder.Weight => named.ThenBy(r => r.Entry.Item.Get(CommonFields.Weight) ?? double.PositiveInfinity),
            ShelfOrder.Price => named.ThenBy(r => CommonFields.CostOf(r.Entry.Item) ?? double.PositiveInfinity),
            ShelfOrder.Aperture => named.ThenBy(r => r.Entry.Item.Get(LensFields.Widest) ?? double.PositiveInfinity),
            ShelfOrder.Kind => named.ThenBy(r => r.Entry.Item.Kind).ThenBy(Aside).ThenBy(r => r.Entry.Item.Get(LensFields.Short) ?? 0).ThenBy(r => r.Entry.Item.Get(LensFields.Long) ?? 0),
            _ => named,
        };
        return [.. named.ThenBy(r => r.Entry.Item.FullName, StringComparer.OrdinalIgnoreCase).ThenBy(r => r.Entry.Item.Id)];
    }

    private sealed class Counter
    {
        private readonly Dictionary<string, int> counts = new(StringComparer.OrdinalIgnoreCase);

        public IReadOnlyList<FacetCount> All => [.. counts.Select(c => new FacetCount(c.Key, c.Value)).OrderByDescending(c => c.Count).ThenBy(c => c.Key, StringComparer.Ordinal)];

        public void Add(bool counts, string key)
        {
            if (counts)
            {
                this.counts[key] = this.counts.GetValueOrDefault(key) + 1;
            }
        }
    }
}

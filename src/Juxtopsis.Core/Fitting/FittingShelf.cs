using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Fitting;

/// <summary>
/// All rigs that can be put together of some gear: every body with every lens by every way to join them. Made once for a shelf, a
/// few pairs at a time, since it takes much longer than to ask what fits.
/// </summary>
public sealed class FittingShelf
{
    private readonly GearItem[] items;
    private readonly MountBook mounts;
    private readonly Joining joining;
    private readonly List<(GearItem Body, IReadOnlyList<FitMode> Modes)> bodies;
    private readonly List<GearItem> lenses;
    private readonly List<FitRig> rigs = [];

    /// <summary>Begins with some gear.</summary>
    /// <param name="items">Bodies, lenses, adapters, mounts; other kinds are left aside, and so are bodies without a mode and lenses that bend straight lines, since what they frame is not reckoned here.</param>
    public FittingShelf(IEnumerable<GearItem> items)
    {
        // In an order of its own, so that every host answers alike.
        GearItem[] all = [.. items.OrderBy(i => i.FullName, StringComparer.Ordinal).ThenBy(i => i.Id)];
        this.items = all;
        mounts = new(all);
        joining = new(all, mounts);
        bodies = [.. all.Where(i => i.Kind is GearKind.Body or GearKind.FixedLensCamera)
            .Select(b => (b, (IReadOnlyList<FitMode>)[.. b.Get(BodyFields.Modes).Select(m => FitMode.Of(m, Modes++))])).Where(b => b.Item2.Count > 0)];
        lenses = [.. all.Where(i => i.Kind == GearKind.Lens && (i.Get(LensFields.Projection) ?? Projection.StraightLine) == Projection.StraightLine)];
        CloseUps = [.. all.Where(i => i.Kind == GearKind.CloseUpLens).OrderBy(i => i.Get(FrontFields.Dioptres)).ThenBy(i => i.Name, StringComparer.Ordinal)];
        Tubes = [.. all.Where(i => i.Get(AdapterFields.Extension) > 0).OrderBy(i => i.Get(AdapterFields.Extension)).ThenBy(i => i.Name, StringComparer.Ordinal)];
        Pairs = bodies.Count * Math.Max(1, lenses.Count);
    }

    /// <summary>How many pairs of body and lens there are.</summary>
    public int Pairs { get; }

    /// <summary>How many of them have been looked at.</summary>
    public int Done { get; private set; }

    /// <summary>Lenses on the shelf, without those that stay on their camera.</summary>
    public int Lenses => lenses.Count;

    /// <summary>Cameras on the shelf.</summary>
    public int Bodies => bodies.Count;

    /// <summary>Close-up lenses, the weakest first.</summary>
    internal IReadOnlyList<GearItem> CloseUps { get; }

    /// <summary>Tubes, the shortest first.</summary>
    internal IReadOnlyList<GearItem> Tubes { get; }

    /// <summary>True when a tube can stand before the lens of a rig, behind what joins it.</summary>
    internal bool Joins(GearItem tube, FitRig rig) =>
        mounts.Takes(tube.Get(AdapterFields.LensMount), rig.Lens.Get(LensFields.Mount))
        && (rig.Links.Count > 0 ? [rig.Links[^1].Get(AdapterFields.LensMount)] : rig.Body.Get(BodyFields.Mounts)).Any(m => mounts.Takes(m, tube.Get(AdapterFields.BodyMount)));

    /// <summary>Modes of all bodies: their numbers are below this.</summary>
    internal int Modes { get; private set; }

    /// <summary>The rigs that have been put together so far.</summary>
    public IReadOnlyList<FitRig> Rigs => rigs;

    /// <summary>Puts all rigs together.</summary>
    /// <param name="items">The gear.</param>
    /// <returns>The shelf, ready.</returns>
    public static FittingShelf Of(IEnumerable<GearItem> items)
    {
        var shelf = new FittingShelf(items);
        shelf.Step(int.MaxValue);
        return shelf;
    }

    /// <summary>The same shelf with some of its gear only.</summary>
    /// <param name="gear">The gear to keep, by identity.</param>
    /// <returns>A shelf with the rigs of which all parts are kept.</returns>
    public FittingShelf Only(IEnumerable<Guid> gear)
    {
        var kept = gear.ToHashSet();
        var some = new FittingShelf(items.Where(i => i.Kind == GearKind.Mount || kept.Contains(i.Id)));
        some.Done = some.Pairs;
        some.Modes = Modes;
        some.rigs.AddRange(rigs.Where(r => r.Parts.All(p => kept.Contains(p.Id))));
        return some;
    }

    /// <summary>Looks at some more pairs.</summary>
    /// <param name="pairs">How many at most.</param>
    /// <returns>True when all are done.</returns>
    public bool Step(int pairs)
    {
        var each = Math.Max(1, lenses.Count);
        for (; pairs > 0 && Done < Pairs; pairs--, Done++)
        {
            var (body, modes) = bodies[Done / each];
            if (body.Kind == GearKind.FixedLensCamera)
            {
                if (Done % each == 0)
                {
                    Add(FitRig.Of(Done, body, body, [], modes, mounts));
                }
            }
            else if (lenses.Count > 0)
            {
                var lens = lenses[Done % each];
                foreach (var links in joining.Between(body, lens))
                {
                    Add(FitRig.Of(Done, body, lens, links, modes, mounts));
                }
            }
        }

        return Done >= Pairs;
    }

    private void Add(FitRig? rig)
    {
        if (rig is not null)
        {
            rigs.Add(rig);
        }
    }
}

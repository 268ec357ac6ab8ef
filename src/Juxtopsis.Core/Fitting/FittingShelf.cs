using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Margins;

namespace Juxtopsis.Core.Fitting;

/// <summary>
/// All rigs that can be put together of some gear: every body with every lens by every way to join them. Made once for a shelf, a
/// few pairs at a time, since it takes much longer than to ask what fits.
/// </summary>
public sealed class FittingShelf
{
    /// <summary>Most rigs that are put together of one shelf; a shelf that makes more is told so.</summary>
    public const int MostRigs = 100_000;

    private const int MostVaried = 4000;

    private readonly GearItem[] items;
    private readonly MountBook mounts;
    private readonly Joining joining;
    private readonly List<(GearItem Body, IReadOnlyList<FitMode> Modes)> bodies;
    private readonly List<GearItem> lenses;
    private readonly List<FitRig> rigs = [];
    private Dictionary<(FitRig Rig, GearItem Added, int At), FitRig?> variants = [];
    private Dictionary<(FitRig Rig, MarginSource Source, int Part, double By, bool FromMarks), FitRig?> varied = [];

    /// <summary>Begins with some gear.</summary>
    /// <param name="items">Bodies, lenses, adapters, mounts; other kinds are left aside, and so are bodies without a mode and lenses that bend straight lines, since what they frame is not reckoned here.</param>
    public FittingShelf(IEnumerable<GearItem> items)
    {
        // In an order of its own, so that every host answers alike.
        GearItem[] all = [.. items.Select(i => i.AsTested()).OrderBy(i => i.FullName, StringComparer.Ordinal).ThenBy(i => i.Id)];
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

    /// <summary>True when the gear makes more rigs than <see cref="MostRigs"/>: what is not among them is not proposed.</summary>
    public bool IsCut { get; private set; }

    /// <summary>How many of them have been looked at.</summary>
    public int Done { get; private set; }

    /// <summary>Lenses, without those that stay on their camera.</summary>
    internal IReadOnlyList<GearItem> LensItems => lenses;

    /// <summary>Lenses on the shelf, without those that stay on their camera.</summary>
    public int Lenses => lenses.Count;

    /// <summary>Cameras on the shelf.</summary>
    public int Bodies => bodies.Count;

    /// <summary>All of the gear, what no rig is made of too.</summary>
    public IReadOnlyList<GearItem> Gear => items;

    /// <summary>What of it is only wished for.</summary>
    public IEnumerable<Guid> Wished => items.Where(i => i.Get(CommonFields.Ownership) == Ownership.Wish).Select(i => i.Id);

    /// <summary>The mounts among it.</summary>
    public MountBook Mounts => mounts;

    /// <summary>What carries a camera.</summary>
    internal IEnumerable<GearItem> Supports => items.Where(i => i.Kind == GearKind.Support);

    /// <summary>What a support of the shelf carries.</summary>
    /// <param name="id">Its identity; null for none.</param>
    /// <returns>Its limits; null where it is not here.</returns>
    public SupportLimits? LimitsOf(Guid? id) => Supports.FirstOrDefault(s => s.Id == id) is { } support ? SupportLimits.Of(support) : null;

    /// <summary>Close-up lenses, the weakest first.</summary>
    internal IReadOnlyList<GearItem> CloseUps { get; }

    /// <summary>Tubes, the shortest first.</summary>
    internal IReadOnlyList<GearItem> Tubes { get; }

    /// <summary>A rig with a close-up lens in front.</summary>
    /// <param name="rig">The rig.</param>
    /// <param name="closeUp">The close-up lens.</param>
    /// <returns>The rig; null when it does not screw on, or the threads are not known to fit.</returns>
    internal FitRig? WithCloseUp(FitRig rig, GearItem closeUp) => Variant(rig, closeUp, rig.Links, [.. rig.Front, closeUp]) is { } made
        && made.Findings.All(f => f.Code != DiagnosticCode.ThreadUnknown) ? made : null;

    /// <summary>A rig with a tube, in each place where its mounts fit: next to the lens, and behind what joins it.</summary>
    /// <param name="rig">The rig.</param>
    /// <param name="tube">The tube.</param>
    /// <returns>The rigs, the one with the tube next to the lens first.</returns>
    internal IEnumerable<FitRig> WithTube(FitRig rig, GearItem tube)
    {
        if (ReferenceEquals(rig.Body, rig.Lens))
        {
            yield break;
        }

        for (var at = rig.Links.Count; at >= 0; at--)
        {
            if (Variant(rig, tube, [.. rig.Links.Take(at), tube, .. rig.Links.Skip(at)], rig.Front) is { } made)
            {
                yield return made;
            }
        }
    }

    /// <summary>One rig by its parts alone.</summary>
    /// <param name="choice">Its parts; tubes are among the links.</param>
    /// <returns>A shelf with that rig in all of its modes, or in the one that is punched in; empty when a part is not here or they do not go together.</returns>
    public FittingShelf Alone(RigChoice choice)
    {
        ArgumentNullException.ThrowIfNull(choice);
        GearItem? Find(Guid id) => items.FirstOrDefault(i => i.Id == id);
        var alone = new FittingShelf(items.Where(i => i.Kind is GearKind.Mount or GearKind.Support)) { Modes = Modes };
        alone.Done = alone.Pairs;
        var known = bodies.FirstOrDefault(b => b.Body.Id == choice.Body);
        GearItem?[] links = [.. choice.Links.Select(Find)];
        GearItem?[] front = [.. choice.Front.Select(Find)];
        if (known.Body is null || Find(choice.Lens) is not { } lens || links.Any(l => l is null) || front.Any(f => f is null))
        {
            return alone;
        }

        IReadOnlyList<FitMode> modes = choice.PunchIn > 1 ? [.. known.Modes.Where(m => m.Item.Name == choice.Mode).Select(m => m.Punched(choice.PunchIn))] : known.Modes;
        alone.bodies.Add(known);
        if (modes.Count > 0 && FitRig.Of(0, known.Body, lens, links!, front!, modes, mounts) is { } rig)
        {
            alone.rigs.Add(rig);
        }

        return alone;
    }

    /// <summary>A rig of which one thing is a little other than its papers or its test say.</summary>
    /// <param name="rig">The rig.</param>
    /// <param name="source">What of it.</param>
    /// <param name="part">The part, by its place in <see cref="FitRig.Parts"/>.</param>
    /// <param name="byShare">By how much, as a share.</param>
    /// <param name="fromMarks">Whether a focal length is varied from its mark, though it was measured.</param>
    /// <returns>The rig; null when that does not go together.</returns>
    internal FitRig? Varied(FitRig rig, MarginSource source, int part, double byShare, bool fromMarks)
    {
        var key = (rig, source, part, byShare, fromMarks);
        if (varied.TryGetValue(key, out var known))
        {
            return known;
        }

        GearItem[] parts = [.. rig.Parts.Select((item, i) => i == part ? Scaled(item, source, 1 + byShare, fromMarks) : item)];
        var lens = ReferenceEquals(rig.Body, rig.Lens) ? 0 : 1 + rig.Links.Count;
        var made = FitRig.Of(rig.Group, parts[0], parts[lens], parts[1..Math.Max(1, lens)], parts[(lens + 1)..], rig.Modes, mounts);
        if (varied.Count > MostVaried)
        {
            varied.Clear();
        }

        varied.Add(key, made);
        return made;
    }

    private static GearItem Scaled(GearItem item, MarginSource source, double by, bool fromMarks)
    {
        GearItem Number(NumberField field, NumberField tested) => item.Get(field) is not { } value ? item : item.With(field, value * by).With(tested, value * by);
        if (source != MarginSource.FocalLength)
        {
            return source == MarginSource.Factor ? Number(AdapterFields.Magnification, AdapterFields.TestedMagnification)
                : item.Kind == GearKind.Attachment ? Number(FrontFields.Squeeze, FrontFields.TestedSqueeze) : Number(LensFields.Squeeze, LensFields.TestedSqueeze);
        }

        double[] marks = item.Get(LensFields.Measured) is { Count: > 0 } points ? [.. points.Select(p => p.At)]
            : item.Get(LensFields.Short) is not { } from ? []
            : item.Get(LensFields.Long) is { } to && to > from ? [from, to] : [from];
        GearPoint[] scaled = [.. marks.Select(f => new GearPoint(f, by * (fromMarks ? f : ChainOptics.MeasuredMm(item, f) ?? f)))];
        return scaled.Length == 0 ? item : item.With(LensFields.Measured, scaled).With(LensFields.TestedFocal, scaled);
    }

    private FitRig? Variant(FitRig rig, GearItem added, IReadOnlyList<GearItem> links, IReadOnlyList<GearItem> front)
    {
        var key = (rig, added, links.Count == rig.Links.Count ? -1 : links.TakeWhile(l => !ReferenceEquals(l, added)).Count());
        if (!variants.TryGetValue(key, out var made))
        {
            made = FitRig.Of(rig.Group, rig.Body, rig.Lens, links, front, rig.Modes, mounts);
            variants.Add(key, made);
        }

        return made;
    }

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

    /// <summary>The same rigs for another question at the same time: what a question puts together besides is its own.</summary>
    /// <returns>A shelf that may be asked while this one is.</returns>
    public FittingShelf Shared()
    {
        var shared = (FittingShelf)MemberwiseClone();
        (shared.variants, shared.varied) = ([], []);
        return shared;
    }

    /// <summary>The same shelf with some of its gear only.</summary>
    /// <param name="gear">The gear to keep, by identity; null for all.</param>
    /// <param name="leftOut">The gear to leave out of that.</param>
    /// <returns>A shelf with the rigs of which all parts are kept.</returns>
    public FittingShelf Only(IEnumerable<Guid>? gear, IReadOnlyCollection<Guid> leftOut)
    {
        var kept = (gear ?? items.Select(i => i.Id)).Except(leftOut).ToHashSet();
        var some = new FittingShelf(items.Where(i => i.Kind == GearKind.Mount || kept.Contains(i.Id) || i.Kind == GearKind.Support && !leftOut.Contains(i.Id)));
        some.Done = some.Pairs;
        some.Modes = Modes;
        some.IsCut = IsCut;
        some.rigs.AddRange(rigs.Where(r => r.Parts.All(p => kept.Contains(p.Id))));
        return some;
    }

    /// <summary>Looks at some more pairs.</summary>
    /// <param name="pairs">How many at most.</param>
    /// <returns>True when all are done.</returns>
    public bool Step(int pairs)
    {
        for (; pairs > 0 && Done < Pairs; pairs--)
        {
            Add(RigsOf(Done, 1), 1);
        }

        return Done >= Pairs;
    }

    /// <summary>Puts the rigs of some pairs together, without adding them: several threads may do so at once.</summary>
    /// <param name="from">The first pair, from 0.</param>
    /// <param name="count">How many pairs; those beyond the last are left out.</param>
    /// <returns>Their rigs, in order.</returns>
    public IReadOnlyList<FitRig> RigsOf(int from, int count)
    {
        var found = new List<FitRig>();
        var each = Math.Max(1, lenses.Count);
        for (var pair = from; pair < Math.Min(Pairs, from + count) && found.Count <= MostRigs; pair++)
        {
            var (body, modes) = bodies[pair / each];
            if (body.Kind == GearKind.FixedLensCamera)
            {
                if (pair % each == 0)
                {
                    Put(FitRig.Of(pair, body, body, [], [], modes, mounts));
                }
            }
            else if (lenses.Count > 0)
            {
                var lens = lenses[pair % each];
                foreach (var links in joining.Between(body, lens))
                {
                    Put(FitRig.Of(pair, body, lens, links, [], modes, mounts));
                }
            }
        }

        return found;

        void Put(FitRig? rig)
        {
            if (rig is not null)
            {
                found.Add(rig);
            }
        }
    }

    /// <summary>Adds the rigs of the pairs that come next.</summary>
    /// <param name="next">Their rigs, as <see cref="RigsOf"/> gives them.</param>
    /// <param name="pairs">How many pairs they are of.</param>
    /// <returns>True when all pairs are done, or there are as many rigs as are kept.</returns>
    public bool Add(IReadOnlyList<FitRig> next, int pairs)
    {
        ArgumentNullException.ThrowIfNull(next);
        var room = MostRigs - rigs.Count;
        rigs.AddRange(next.Take(room));
        Done = Math.Min(Pairs, Done + pairs);
        if (next.Count > room || (next.Count == room && Done < Pairs))
        {
            (IsCut, Done) = (true, Pairs);
        }

        return Done >= Pairs;
    }
}

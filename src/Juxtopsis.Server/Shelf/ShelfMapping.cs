using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Shelf;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Shelf;

namespace Juxtopsis.Server.Shelf;

/// <summary>From the core's shelf to the wire's.</summary>
internal static class ShelfMapping
{
    private const int MostFitting = 150;
    private const int MostWays = 60;
    private const int MostOthers = 150;

    public static ShelfItemOutput ToOutput(this ShelfEntry entry, LensReach? reach = null) =>
        new(GearJson.ToElement(entry.Item), entry.Revision, entry.RetiredAt, reach is null ? null : new(
            reach.ShortMm, reach.LongMm, reach.WidestShort, reach.WidestLong, reach.Covers, reach.Through, reach.Why));

    public static ShelfPageOutput ToPage(this ShelfResult found, ShelfNow shelf, int skip, int take) => new(
        found.Rows.Count,
        shelf.Index.Entries.Count,
        shelf.Revision,
        [.. found.Rows.Skip(skip).Take(take).Select(r => r.Entry.ToOutput(r.Reach))],
        [.. found.Understood.Select(c => new UnderstoodOutput(c.Typed, c.Meaning))],
        Facets(found.Kinds),
        Facets(found.Ownerships),
        Facets(found.Mounts),
        shelf.SetAside,
        shelf.Deleted);

    public static OptionsResponse ToOutput(IReadOnlyList<PartOption> options, IReadOnlyList<GearItem> chain, ShelfIndex index)
    {
        var shown = options.Where(o => o.Fits).Take(MostFitting).Concat(options.Where(o => !o.Fits).Take(MostOthers)).ToArray();
        var inChain = chain.Select(p => p.Id).ToHashSet();
        var named = shown.SelectMany(o => o.Parts.Append(o.Item)).DistinctBy(p => p.Id).Where(p => !inChain.Contains(p.Id)).ToArray();
        var mounts = named.Concat(chain).SelectMany(ShelfIndex.MountsOf).Distinct(StringComparer.OrdinalIgnoreCase).Select(index.Mounts.Find).OfType<GearItem>();
        return new(
            options.Count(o => o.Fits),
            options.Count,
            [.. shown.Select(o => new PartOptionOutput(o.Item.Id, o.Fits, o.Why, o.Fix, [.. o.Parts.Select(p => p.Id)]))],
            [.. named.Select(p => new ChainPartInput(GearJson.ToElement(p), index.Find(p.Id)?.Revision ?? 1))],
            [.. mounts.Select(GearJson.ToElement)]);
    }

    public static FiltersResponse ToOutput(IReadOnlyList<FilterWay> ways, IReadOnlyList<GearItem> chain, MountBook mounts, ChainSetting setting, ShelfIndex index)
    {
        // What the evaluator says of each, less what it says without a filter; what it stops is not told.
        var before = ChainAssembler.Assemble(FilterFinder.Bare(chain), mounts, setting).Findings.Select(f => f.Message).ToHashSet();
        var shown = ways.Take(MostWays).Select(way => (Way: way, Assembly: ChainAssembler.Assemble(way.Parts, mounts, setting))).Where(w => w.Assembly.Works).ToArray();
        var inChain = chain.Select(p => p.Id).ToHashSet();
        return new(
            ways.Count,
            [.. shown.Select(w => new FilterWayOutput(
                [.. w.Way.Added.Select(i => i.Id)], [.. w.Way.Parts.Select(p => p.Id)], w.Way.LeastStops, w.Way.MostStops, w.Way.Cuts, w.Way.IsClear,
                [.. w.Assembly.Findings.Where(f => !before.Contains(f.Message)).Select(f => f.ToWire())]))],
            [.. shown.SelectMany(w => w.Way.Added).DistinctBy(i => i.Id).Where(i => !inChain.Contains(i.Id)).Select(i => new ChainPartInput(GearJson.ToElement(i), index.Find(i.Id)?.Revision ?? 1))]);
    }

    public static WayOutput ToOutput(this Way way)
    {
        var assembly = way.Assembly;
        return new([.. way.Links.Select(l => l.FullName)], assembly.Works, way.Why, [.. assembly.Findings.Select(f => f.ToWire())], assembly.Layout.WeightG);
    }

    private static IReadOnlyList<FacetOutput> Facets(IReadOnlyList<FacetCount> counts) => [.. counts.Select(c => new FacetOutput(c.Key, c.Count))];
}

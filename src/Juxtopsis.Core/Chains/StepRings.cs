using System.Collections.Concurrent;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Chains;

/// <summary>The step rings of a shelf, and the ways from one thread to another with them.</summary>
internal sealed class StepRings
{
    /// <summary>The most rings between two threads: more of them cut corners and come loose.</summary>
    public const int Most = 2;

    private readonly GearItem[] rings;
    // Several questions may be asked of one shelf at once.
    private readonly ConcurrentDictionary<(double From, double To), IReadOnlyList<IReadOnlyList<GearItem>>> known = [];

    public StepRings(IEnumerable<GearItem> shelf) => rings =
    [
        .. shelf.Where(i => i.Kind == GearKind.StepRing && i.Get(CommonFields.RearThread) is not null && i.Get(CommonFields.FrontThread) is not null)
            .OrderBy(i => i.FullName, StringComparer.Ordinal).ThenBy(i => i.Id),
    ];

    /// <summary>The thread that a part offers in front, mm; null when it is not known.</summary>
    public static double? FrontOf(GearItem part) =>
        part.Get(CommonFields.FrontThread) ?? (part.Kind is GearKind.StepRing or GearKind.Attachment ? null : part.Get(CommonFields.RearThread));

    /// <summary>The ways from one thread to another: none where they are the same; else by up to <see cref="Most"/> rings, the fewest first, and of these the widest.</summary>
    public IReadOnlyList<IReadOnlyList<GearItem>> Between(double offered, double needed) =>
        known.GetOrAdd((offered, needed), t => t.From == t.To ? [[]] : [.. One(t.From, t.To), .. Two(t.From, t.To)]);

    private IEnumerable<GearItem[]> One(double offered, double needed) =>
        rings.Where(r => r.Get(CommonFields.RearThread) == offered && r.Get(CommonFields.FrontThread) == needed).Select(r => new[] { r });

    private IEnumerable<GearItem[]> Two(double offered, double needed) =>
        from first in rings
        where first.Get(CommonFields.RearThread) == offered
        from second in rings
        where !ReferenceEquals(first, second) && second.Get(CommonFields.RearThread) == first.Get(CommonFields.FrontThread) && second.Get(CommonFields.FrontThread) == needed
        orderby Math.Min(first.Get(CommonFields.FrontThread)!.Value, needed) descending, first.Get(CommonFields.FrontThread)
        select new[] { first, second };
}

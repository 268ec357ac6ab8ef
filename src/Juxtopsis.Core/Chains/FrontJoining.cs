using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Chains;

/// <summary>Joins threads in front of a lens with the rings of a shelf, as adapters join mounts behind it.</summary>
/// <param name="shelf">The gear at hand.</param>
internal sealed class FrontJoining(IEnumerable<GearItem> shelf)
{
    /// <summary>The most rings between two threads: more of them cut corners and come loose.</summary>
    private const int MostRings = 2;

    private static readonly GearKind[] InFront = [GearKind.Filter, GearKind.CloseUpLens, GearKind.StepRing, GearKind.Attachment];

    private readonly GearItem[] rings =
    [
        .. shelf.Where(i => i.Kind == GearKind.StepRing && i.Get(CommonFields.RearThread) is not null && i.Get(CommonFields.FrontThread) is not null)
            .OrderBy(i => i.FullName, StringComparer.Ordinal).ThenBy(i => i.Id),
    ];

    /// <summary>Puts the rings that are needed in front of a lens, each in its place, and leaves out those that are not.</summary>
    /// <param name="parts">A chain.</param>
    /// <param name="chosen">The part that was chosen: if it is a ring, it stays.</param>
    /// <param name="missing">The thread offered and the thread needed where no ring of the shelf joins them; null where all are joined.</param>
    /// <returns>The chain; null when a thread cannot be joined, or nothing may stand in front.</returns>
    public IReadOnlyList<GearItem>? Joined(IReadOnlyList<GearItem> parts, GearItem chosen, out (double From, double To)? missing)
    {
        missing = null;
        var lens = 0;
        while (lens < parts.Count && parts[lens].Kind is not (GearKind.Lens or GearKind.FixedLensCamera))
        {
            lens++;
        }

        if (lens == parts.Count || parts[lens].Get(LensFields.NoFilters) == true)
        {
            return null;
        }

        var joined = new List<GearItem>(parts.Take(lens + 1));
        var thread = parts[lens].Get(LensFields.FilterThread);
        foreach (var part in parts.Skip(lens + 1))
        {
            if (!InFront.Contains(part.Kind))
            {
                joined.Add(part);
                continue;
            }

            if (part.Kind == GearKind.StepRing && !ReferenceEquals(part, chosen))
            {
                continue;
            }

            if (thread is { } offered && part.Get(CommonFields.RearThread) is { } needed && offered != needed)
            {
                if (Between(offered, needed) is not { } path)
                {
                    missing = (offered, needed);
                    return null;
                }

                joined.AddRange(path);
            }

            joined.Add(part);
            thread = part.Get(CommonFields.FrontThread) ?? (part.Kind is GearKind.StepRing or GearKind.Attachment ? null : part.Get(CommonFields.RearThread));
        }

        return joined;
    }

    /// <summary>The fewest rings from one thread to another, of these those whose narrowest opening is widest.</summary>
    private IReadOnlyList<GearItem>? Between(double offered, double needed)
    {
        var one = rings.FirstOrDefault(r => r.Get(CommonFields.RearThread) == offered && r.Get(CommonFields.FrontThread) == needed);
        if (one is not null)
        {
            return [one];
        }

        var pairs =
            from first in rings
            where first.Get(CommonFields.RearThread) == offered
            from second in rings
            where !ReferenceEquals(first, second) && second.Get(CommonFields.RearThread) == first.Get(CommonFields.FrontThread) && second.Get(CommonFields.FrontThread) == needed
            orderby Math.Min(first.Get(CommonFields.FrontThread)!.Value, needed) descending, first.Get(CommonFields.FrontThread)
            select new[] { first, second };
        return pairs.FirstOrDefault() is { Length: <= MostRings } two ? two : null;
    }
}

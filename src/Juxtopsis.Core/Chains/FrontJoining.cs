using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Chains;

/// <summary>Joins threads in front of a lens with the rings of a shelf, as adapters join mounts behind it.</summary>
/// <param name="shelf">The gear at hand.</param>
internal sealed class FrontJoining(IEnumerable<GearItem> shelf)
{
    private static readonly GearKind[] InFront = [GearKind.Filter, GearKind.CloseUpLens, GearKind.StepRing, GearKind.Attachment];

    private readonly StepRings rings = new(shelf);

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

        if (lens == parts.Count || parts[lens].Get(LensFields.NoFilters) == true && IsScrewedOn(chosen))
        {
            return null;
        }

        var joined = new List<GearItem>(parts.Take(lens + 1));
        var thread = parts[lens].Get(LensFields.FilterThread);
        foreach (var part in parts.Skip(lens + 1))
        {
            if (!InFront.Contains(part.Kind) || !IsScrewedOn(part))
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
                if (rings.Between(offered, needed) is not [var path, ..])
                {
                    missing = (offered, needed);
                    return null;
                }

                joined.AddRange(path);
            }

            joined.Add(part);
            thread = StepRings.FrontOf(part);
        }

        return joined;
    }

    /// <summary>What is held by a matte box or inside the chain needs no thread.</summary>
    private static bool IsScrewedOn(GearItem part) => (part.Get(FrontFields.Seat) ?? FilterSeat.Thread) == FilterSeat.Thread;
}

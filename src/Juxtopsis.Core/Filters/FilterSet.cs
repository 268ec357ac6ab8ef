using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Filters;

/// <summary>Filters and rings that go before a lens together.</summary>
/// <param name="things">The filters and rings.</param>
internal sealed class FilterSet(GearItem[] things)
{
    private readonly GearItem[] all = things;

    /// <summary>The filters and rings, in the order in which they were put first.</summary>
    public IReadOnlyList<GearItem> Things => all;

    /// <summary>What they weigh in so far as it is known, g.</summary>
    public double WeightG { get; } = things.Sum(i => i.WeightG ?? 0);

    /// <summary>The orders in which they can go on, the usual one first.</summary>
    public List<FilterStack> Stacks { get; } = [];

    /// <summary>Whether it has all that another has.</summary>
    public bool Holds(FilterSet other)
    {
        foreach (var thing in other.all)
        {
            var has = false;
            for (var i = 0; i < all.Length && !has; i++)
            {
                has = ReferenceEquals(all[i], thing);
            }

            if (!has)
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>Whether some order lets so much light to the corners.</summary>
    /// <param name="share">The share that must pass.</param>
    /// <param name="geometry">The lens as it is set.</param>
    public bool Lets(double share, in FrontGeometry geometry)
    {
        foreach (var stack in Stacks)
        {
            if (geometry.ClearShare(stack.Openings) >= share)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>The order that lets most light to the corners.</summary>
    /// <param name="geometry">The lens as it is set.</param>
    /// <returns>The order, and the share that passes.</returns>
    public (FilterStack Stack, double ClearShare) Clearest(in FrontGeometry geometry)
    {
        var (best, most) = (Stacks[0], geometry.ClearShare(Stacks[0].Openings));
        for (var i = 1; i < Stacks.Count && most < 1; i++)
        {
            var share = geometry.ClearShare(Stacks[i].Openings);
            (best, most) = share > most ? (Stacks[i], share) : (best, most);
        }

        return (best, most);
    }
}

/// <summary>Filters and rings in an order.</summary>
/// <param name="Inside">What goes behind the lens.</param>
/// <param name="Items">What is before it, from the lens on, with what was there.</param>
/// <param name="Openings">What light passes there.</param>
internal sealed record FilterStack(GearItem[] Inside, GearItem[] Items, Opening[] Openings);

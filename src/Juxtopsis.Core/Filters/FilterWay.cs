using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Filters;

/// <summary>Filters for a rig: in which order they go on, with which rings, and what they take.</summary>
public sealed class FilterWay
{
    private readonly FilteredRig rig;
    private readonly FilterStack stack;

    internal FilterWay(FilteredRig rig, FilterStack stack, double leastStops, double mostStops, double clearShare)
    {
        (this.rig, this.stack, LeastStops, MostStops, ClearShare) = (rig, stack, leastStops, mostStops, clearShare);
        Added = [.. stack.Inside, .. stack.Items.Where(p => !rig.Front.Keeps(p))];
    }

    /// <summary>What is added, filters and rings, in the order of the chain.</summary>
    public IReadOnlyList<GearItem> Added { get; }

    /// <summary>The whole chain with them.</summary>
    public IReadOnlyList<GearItem> Parts => rig.With(stack);

    /// <summary>What they take at least, stops.</summary>
    public double LeastStops { get; }

    /// <summary>What they take at most, stops: more than at least with a variable one.</summary>
    public double MostStops { get; }

    /// <summary>Of the light to the corners of the picture, how much passes; below a half they are cut. An estimate from the lens's own thread.</summary>
    public double ClearShare { get; }

    /// <summary>The same at the short end of a zoom.</summary>
    public double ClearShareWidest => rig.ClearShareWidest(stack);

    /// <summary>How many of what is added are rings.</summary>
    public int Rings => Added.Count(i => i.Kind == GearKind.StepRing);

    /// <summary>How many are filters.</summary>
    public int Filters => Added.Count - Rings;

    /// <summary>True when neither a corner is cut as it is set, nor at the short end.</summary>
    public bool IsClear => Math.Min(ClearShare, ClearShareWidest) >= FrontChecks.Shaded;

    /// <summary>True when the corners are cut as it is set.</summary>
    public bool Cuts => ClearShare < FrontChecks.Cut;

    /// <summary>What it takes that is nearest to what is asked for.</summary>
    /// <param name="stops">What is asked for, stops.</param>
    /// <returns>Stops, between the least and the most.</returns>
    public double Nearest(double stops) => Math.Clamp(stops, LeastStops, MostStops);
}

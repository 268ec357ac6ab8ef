using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Filters;

/// <summary>Filters for a rig: in which order they go on, with which rings, and what they take.</summary>
/// <param name="Added">What is added, filters and rings, in the order of the chain.</param>
/// <param name="Parts">The whole chain with them.</param>
/// <param name="LeastStops">What they take at least, stops.</param>
/// <param name="MostStops">What they take at most, stops: more than at least with a variable one.</param>
public sealed record FilterWay(IReadOnlyList<GearItem> Added, IReadOnlyList<GearItem> Parts, double LeastStops, double MostStops)
{
    /// <summary>Of the light to the corners of the picture, how much passes; below a half they are cut. An estimate from the lens's own thread.</summary>
    public double ClearShare { get; init; } = 1;

    /// <summary>The same at the short end of a zoom.</summary>
    public double ClearShareWidest { get; init; } = 1;

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

namespace Juxtopsis.Core.Kits.Front;

/// <summary>What there should be little of in a bag for the day. What is not known of a thing is worse than anything that is.</summary>
public enum FrontCriterion
{
    /// <summary>Things: bodies, lenses, adapters, supports, filters, rings and batteries.</summary>
    Things,

    /// <summary>Lenses; a camera that keeps its lens is none.</summary>
    Lenses,

    /// <summary>Bodies, cameras that keep their lens among them.</summary>
    Bodies,

    /// <summary>Adapters, reducers, extenders and tubes.</summary>
    Adapters,

    /// <summary>Supports.</summary>
    Supports,

    /// <summary>Filters that take light, and the rings that join them.</summary>
    Filters,

    /// <summary>Batteries.</summary>
    Batteries,

    /// <summary>Weight, g.</summary>
    Weight,

    /// <summary>What those things cost to buy that are not hired.</summary>
    Price,

    /// <summary>Hire a day.</summary>
    Hire,

    /// <summary>Changes of the rig from one shot to the next that is done, in shooting order.</summary>
    Changes,

    /// <summary>Shots of those that some bag does which this one does not.</summary>
    Undone,
}

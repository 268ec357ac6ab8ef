namespace Juxtopsis.Core.Kits;

/// <summary>What there should be least of in a bag.</summary>
public enum KitCriterion
{
    /// <summary>Lenses; a camera that keeps its lens is none.</summary>
    Lenses,

    /// <summary>Bodies, cameras that keep their lens among them.</summary>
    Bodies,

    /// <summary>Adapters, reducers, extenders and tubes.</summary>
    Adapters,

    /// <summary>Changes of the rig from one shot to the next, in shooting order.</summary>
    Changes,

    /// <summary>Weight of all that is taken; what is not known is worse than anything that is.</summary>
    Weight,

    /// <summary>Shots that are recorded with fewer pixels than are delivered; of filters, shots that take more sensitivity than they need.</summary>
    Pixels,

    /// <summary>Filters.</summary>
    Filters,

    /// <summary>Step rings.</summary>
    Rings,
}

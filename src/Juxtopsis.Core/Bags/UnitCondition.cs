namespace Juxtopsis.Core.Bags;

/// <summary>What state a physical unit of a model is in.</summary>
public enum UnitCondition
{
    /// <summary>It works.</summary>
    Good,

    /// <summary>It works, with something to mind.</summary>
    Worn,

    /// <summary>It must be mended before it is used.</summary>
    Damaged,

    /// <summary>It is not where it should be.</summary>
    Missing,
}

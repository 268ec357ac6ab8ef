namespace Juxtopsis.Core.Rigs;

/// <summary>What frames are drawn before; figures do not go by it.</summary>
public enum Backdrop
{
    /// <summary>The long shed: boards, posts and a row of lamps.</summary>
    Shed,

    /// <summary>The sail loft: pale walls, low beams, a window.</summary>
    Loft,

    /// <summary>The bending bench: tools and pots close behind.</summary>
    BenchTop,

    /// <summary>The slipway, out of doors: water, posts and lanterns.</summary>
    Slipway,

    /// <summary>The far bank across the river.</summary>
    FarBank,

    /// <summary>A wall with squares of 100 mm at the subject's distance.</summary>
    Chart,

    /// <summary>Nothing but one lamp in the dark, at the distance of what is behind.</summary>
    OneLamp,

    /// <summary>The scene's own photograph.</summary>
    Photo,
}

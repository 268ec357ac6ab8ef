namespace Juxtopsis.Contracts.Evaluating;

/// <summary>Where frames are drawn.</summary>
public enum Place
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

/// <summary>What is in focus in a frame.</summary>
public enum Subject
{
    /// <summary>A person who stands.</summary>
    Standing,

    /// <summary>A person on a stool.</summary>
    Seated,

    /// <summary>Two people, half a pace apart.</summary>
    Two,

    /// <summary>Hands and a plane on a bench, its top a little below the height of the lens.</summary>
    Hands,

    /// <summary>A rivet, 12 mm across, at the height of the lens.</summary>
    Rivet,

    /// <summary>The hull of a barge, 9 m long.</summary>
    Hull,

    /// <summary>Nobody.</summary>
    None,
}

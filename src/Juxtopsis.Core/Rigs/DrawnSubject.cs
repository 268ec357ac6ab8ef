namespace Juxtopsis.Core.Rigs;

/// <summary>What is drawn in focus in a frame; figures do not go by it.</summary>
public enum DrawnSubject
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

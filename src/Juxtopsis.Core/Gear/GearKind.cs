namespace Juxtopsis.Core.Gear;

/// <summary>The kinds of gear.</summary>
public enum GearKind
{
    /// <summary>A mount: what a body has and a lens ends in.</summary>
    Mount,

    /// <summary>A camera body that takes lenses.</summary>
    Body,

    /// <summary>A camera whose lens stays on it: body and lens in one.</summary>
    FixedLensCamera,

    /// <summary>A lens.</summary>
    Lens,

    /// <summary>What stands between body and lens: a plain adapter, a reducer, an extender, a tube.</summary>
    Adapter,

    /// <summary>A squeeze attachment in front of a lens.</summary>
    Attachment,

    /// <summary>A close-up lens.</summary>
    CloseUpLens,

    /// <summary>A filter: neutral density, variable, polariser, diffusion.</summary>
    Filter,

    /// <summary>A ring from one thread to another.</summary>
    StepRing,

    /// <summary>What carries the rig: gimbal, head, arm, rails.</summary>
    Support,

    /// <summary>Anything else that goes along: batteries, cards, microphones.</summary>
    BagItem,

    /// <summary>A recording mode of a body.</summary>
    Mode,
}

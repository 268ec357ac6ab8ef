using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Fitting;

/// <summary>What would let a rig give a shot.</summary>
public enum RemedyKind
{
    /// <summary>The subject nearer to what is behind it, so that the camera can go back.</summary>
    SubjectBack,

    /// <summary>The subject farther from what is behind it, so that this blurs more.</summary>
    SubjectForward,

    /// <summary>The camera looks along the other side of the place.</summary>
    OtherAxis,

    /// <summary>A tighter or looser picture.</summary>
    OtherFraming,

    /// <summary>Electronic zoom, or a crop afterwards.</summary>
    PunchIn,

    /// <summary>A close-up lens of the shelf.</summary>
    CloseUp,

    /// <summary>A tube of the shelf.</summary>
    Tube,

    /// <summary>Another lens of the shelf on the same body, that gives the shot.</summary>
    OtherLens,

    /// <summary>The subject moves less.</summary>
    MovesLess,

    /// <summary>A frame rate that the mode offers.</summary>
    OfferedRate,

    /// <summary>Another way of carrying, with less behind the camera.</summary>
    OtherSupport,

    /// <summary>Another support of the shelf, that carries the rig.</summary>
    StrongerSupport,

    /// <summary>What is behind need not be soft, or readable.</summary>
    BehindAsItComes,

    /// <summary>More light.</summary>
    MoreLight,
}

/// <summary>A change after which a rig gives the shot.</summary>
/// <param name="Kind">What to change.</param>
/// <param name="Value">
/// To what: the new distance to what is behind, mm; the new height of the picture, mm; punch-in; dioptres; mm of tube; focal length, mm;
/// how far the subject may move altogether, mm; frames a second; exposure value at ISO 100. 0 where that means nothing.
/// </param>
/// <param name="Change">By how much that differs from now, in the same unit.</param>
public sealed record Remedy(RemedyKind Kind, double Value, double Change)
{
    /// <summary>
    /// The rig as it gives the shot, where the change is of the rig: another lens, a tube, a close-up lens, punched in. Null where the shot or the place
    /// changes.
    /// </summary>
    public Fit? With { get; init; }

    /// <summary>Name of the lens, close-up lens or tube meant; empty for none.</summary>
    public string ItemName { get; init; } = "";

    /// <summary>The support of the shelf meant; null for none.</summary>
    public GearItem? Support { get; init; }

    /// <summary>The way of carrying meant.</summary>
    public CameraSupport CameraSupport { get; init; }

    /// <summary>The place after this change.</summary>
    /// <param name="location">The place before.</param>
    /// <returns>The place.</returns>
    public Location Apply(Location location)
    {
        ArgumentNullException.ThrowIfNull(location);
        return Kind switch
        {
            RemedyKind.SubjectBack or RemedyKind.SubjectForward => location with { BehindMm = Value },
            RemedyKind.OtherAxis => location with { Along = location.Along == LooksAlong.Length ? LooksAlong.Width : LooksAlong.Length },
            RemedyKind.MoreLight => location with { Light = location.Light with { BrightnessEv = Value } },
            _ => location,
        };
    }

    /// <summary>The brief after this change.</summary>
    /// <param name="brief">The brief before.</param>
    /// <returns>The brief.</returns>
    public ShotBrief Apply(ShotBrief brief)
    {
        ArgumentNullException.ThrowIfNull(brief);
        return Kind switch
        {
            RemedyKind.OtherFraming => brief with { Typed = new(Value, IsAcross: false) },
            RemedyKind.MovesLess => brief with { MovesMm = Value },
            RemedyKind.OfferedRate => brief with { CaptureFps = Value },
            RemedyKind.OtherSupport => brief with { CameraSupport = CameraSupport, RearMm = null, Support = null },
            RemedyKind.StrongerSupport => brief with { Support = SupportLimits.Of(Support!) },
            RemedyKind.BehindAsItComes => brief with { Behind = BackgroundRequirement.AsItComes },
            _ => brief,
        };
    }
}

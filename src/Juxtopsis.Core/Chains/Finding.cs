using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Chains;

/// <summary>What can be found when parts are put together.</summary>
public enum FindingKind
{
    /// <summary>There is no camera at the start.</summary>
    NoCamera,

    /// <summary>The camera has no such recording mode.</summary>
    NoMode,

    /// <summary>There is no lens.</summary>
    NoLens,

    /// <summary>A part stands where it cannot.</summary>
    OutOfOrder,

    /// <summary>A mount does not take what is put on it.</summary>
    MountDiffers,

    /// <summary>A part's mount is not known.</summary>
    MountUnknown,

    /// <summary>A lens would have to sit nearer to the sensor than it can.</summary>
    FlangeTooShort,

    /// <summary>A flange distance is not known.</summary>
    FlangeUnknown,

    /// <summary>More of something than is reckoned with.</summary>
    TooMany,

    /// <summary>The image circle leaves corners dark.</summary>
    CircleTooSmall,

    /// <summary>The image circle is not known; the format made for stands in, or nothing.</summary>
    CircleUnknown,

    /// <summary>The body cannot drive the focus; the ring still does.</summary>
    FocusDriveLost,

    /// <summary>Nothing moves the focus.</summary>
    FocusStuck,

    /// <summary>Nothing sets the iris.</summary>
    IrisStuck,

    /// <summary>The lens's stabilisation does not work.</summary>
    StabilisationLost,

    /// <summary>The lens's zoom cannot be driven.</summary>
    ZoomDriveLost,

    /// <summary>It is not known what an adapter carries.</summary>
    CarriageUnknown,

    /// <summary>A reducer gains light.</summary>
    LightGained,

    /// <summary>An extender or other glass takes light.</summary>
    LightLost,

    /// <summary>A reducer lets no faster light out.</summary>
    OutputLimited,

    /// <summary>Threads do not fit.</summary>
    ThreadDiffers,

    /// <summary>There is no thread to screw into.</summary>
    NoThread,

    /// <summary>A thread is not known.</summary>
    ThreadUnknown,

    /// <summary>What is in front cuts the corners.</summary>
    CornersCut,

    /// <summary>The taking lens is shorter than the attachment allows.</summary>
    TakingLensTooShort,

    /// <summary>The mode does not show the squeeze as it should look.</summary>
    SqueezeNotShown,

    /// <summary>The mode records fewer pixels than are delivered.</summary>
    TooFewPixels,

    /// <summary>The frame rates of the mode are not known.</summary>
    RatesUnknown,

    /// <summary>The front turns while focusing.</summary>
    FrontTurns,

    /// <summary>The taking lens is set to infinity, the attachment focuses.</summary>
    SetToInfinity,

    /// <summary>The support does not carry so much.</summary>
    TooHeavy,

    /// <summary>The support is near its limit.</summary>
    NearPayload,

    /// <summary>The rig is longer than the support can balance.</summary>
    TooLong,

    /// <summary>The lens must not hang on the mount.</summary>
    LensNeedsSupport,

    /// <summary>A weight is not known.</summary>
    WeightUnknown,

    /// <summary>A tube or close-up lens ends focus before infinity.</summary>
    FocusEnds,

    /// <summary>A tube behind glass is too long: nothing can be focused.</summary>
    CannotFocus,

    /// <summary>Where the glass of an adapter stands is not known.</summary>
    GlassPlaceUnknown,

    /// <summary>Two filters that turn work against each other.</summary>
    CrossedPolarisers,

    /// <summary>The nearest focus is not known.</summary>
    NearestUnknown,

    /// <summary>A large lithium battery in flight.</summary>
    BatteryInFlight,

    /// <summary>A camera hung or held out overhead.</summary>
    Overhead,
}

/// <summary>Something found when parts were put together.</summary>
/// <param name="Kind">What.</param>
/// <param name="Severity">How much it weighs.</param>
/// <param name="Part">Place of the part concerned, from 0; −1 for the whole.</param>
/// <param name="Other">Place of the other part concerned; −1 for none.</param>
/// <param name="Reason">What is so, in one sentence.</param>
/// <param name="Mend">What to do, in one sentence; empty where nothing needs doing.</param>
public sealed record Finding(FindingKind Kind, Severity Severity, int Part, int Other, string Reason, string Mend);

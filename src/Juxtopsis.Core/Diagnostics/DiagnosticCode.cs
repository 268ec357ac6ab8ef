namespace Juxtopsis.Core.Diagnostics;

/// <summary>What a diagnostic is about, for programs: one code for one fact, wherever it is found.</summary>
public enum DiagnosticCode
{
    /// <summary>Nothing is in the way.</summary>
    None,

    /// <summary>The subject is nearer than the rig can focus: no figure that needs focus.</summary>
    TooClose,

    /// <summary>A tube or close-up lens keeps the rig from focusing as far as the subject.</summary>
    TooFar,

    /// <summary>The subject would be inside the lens.</summary>
    InsideLens,

    /// <summary>The circle of confusion is larger than the picture: no sharp zone can be told.</summary>
    CircleOfConfusionTooLarge,

    /// <summary>The lens does not open so far here; the widest it has is used.</summary>
    ApertureTooWide,

    /// <summary>The lens does not close so far; the narrowest it has is used.</summary>
    ApertureTooNarrow,

    /// <summary>The zoom does not reach this focal length; its nearest end is used.</summary>
    OutsideZoom,

    /// <summary>The reducer lets no such fast light out; its fastest is used.</summary>
    ConverterLimitsAperture,

    /// <summary>No glass in air is faster than ƒ0.5: this reducer on this lens is not possible as told.</summary>
    FasterThanPossible,

    /// <summary>The nearest focus is nearer than a thin lens can; it needs the largest ratio beside it.</summary>
    MinimumFocusIncomplete,

    /// <summary>The circle by pixels needs pixels that are not known; 1/1500 of the diagonal stands in.</summary>
    PixelsUnknown,

    /// <summary>Distances from the front of the lens need its length; the sensor mark stands in.</summary>
    FrontUnknown,

    /// <summary>No measured focal length is known; the marked one stands in.</summary>
    NotMeasured,

    /// <summary>The image circle does not cover the used area: dark corners.</summary>
    ImageCircleTooSmall,

    /// <summary>Something in front cuts into the corners.</summary>
    OpeningTooSmall,

    /// <summary>The taking lens is shorter than the squeeze attachment allows.</summary>
    TakingLensTooShort,

    /// <summary>Delivery asks for more pixels than are recorded.</summary>
    TooFewPixels,

    /// <summary>Diffraction makes larger discs than count as sharp.</summary>
    DiffractionSoftens,

    /// <summary>A face is drawn with a nose that is noticeably large.</summary>
    FaceStretched,

    /// <summary>The sharp zone is thinner than a hand can hold.</summary>
    ThinSharpZone,

    /// <summary>There is too little light.</summary>
    TooDark,

    /// <summary>There is too much light.</summary>
    TooBright,

    /// <summary>The variable filter cannot take what is left over.</summary>
    VariableFilterOutOfRange,

    /// <summary>A longer exposure time is held than a frame lasts; the frame's counts.</summary>
    ShutterLongerThanFrame,

    /// <summary>The shutter is so narrow that movement breaks into steps.</summary>
    MotionStutters,

    /// <summary>The shutter is so wide that movement smears.</summary>
    MotionSmears,

    /// <summary>The exposure time catches uneven parts of the lamps' flicker.</summary>
    Flickers,

    /// <summary>The mount keeps the background from being reached by focus.</summary>
    InfinityLost,

    /// <summary>Nearest focus and largest ratio together ask for a focal length that no lens changes to: one of them is mistyped.</summary>
    MinimumFocusUnlikely,

    /// <summary>A filter that goes into the chain has no place there, or it is not known.</summary>
    NoFilterSeat,

    /// <summary>A polariser darkens a wide sky unevenly.</summary>
    PolariserUneven,

    /// <summary>A variable filter draws a cross at so wide an angle.</summary>
    CrossInCorners,

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

    /// <summary>The image circle is not known; the format made for stands in, or nothing.</summary>
    ImageCircleUnknown,

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
    AdapterSignalsUnknown,

    /// <summary>A reducer gains light.</summary>
    LightGained,

    /// <summary>An extender or other glass takes light.</summary>
    LightLost,

    /// <summary>Threads do not fit.</summary>
    ThreadDiffers,

    /// <summary>There is no thread to screw into.</summary>
    NoThread,

    /// <summary>A thread is not known.</summary>
    ThreadUnknown,

    /// <summary>What is in front cuts the corners.</summary>
    CornersCut,

    /// <summary>The mode does not show the squeeze as it should look.</summary>
    SqueezeNotShown,

    /// <summary>The frame rates of the mode are not known.</summary>
    RatesUnknown,

    /// <summary>The front turns while focusing.</summary>
    FrontTurns,

    /// <summary>The taking lens is set to infinity, the attachment focuses.</summary>
    SetToInfinity,

    /// <summary>The support does not carry so much.</summary>
    RigTooHeavy,

    /// <summary>The support is near its limit.</summary>
    NearPayload,

    /// <summary>The rig is longer than the support can balance.</summary>
    RigTooLong,

    /// <summary>The lens must not hang on the mount.</summary>
    LensNeedsSupport,

    /// <summary>A weight is not known.</summary>
    WeightUnknown,

    /// <summary>A tube or close-up lens ends focus before infinity.</summary>
    FocusEnds,

    /// <summary>A tube behind glass is too long: nothing can be focused.</summary>
    CannotFocus,

    /// <summary>Where the glass of an adapter stands is not known.</summary>
    ConverterPlaceUnknown,

    /// <summary>Two filters that turn work against each other.</summary>
    CrossedPolarisers,

    /// <summary>The nearest focus is not known.</summary>
    MinimumFocusUnknown,

    /// <summary>A large lithium battery in flight.</summary>
    BatteryInFlight,

    /// <summary>A camera hung or held out overhead.</summary>
    OverheadRigging,

    /// <summary>The room is shorter than the rig with what must be behind it, or the camera may nowhere stand.</summary>
    NoStandpoint,

    /// <summary>Too long a lens: the camera would have to go back farther than the place allows.</summary>
    RoomTooShort,

    /// <summary>Too wide a lens: the camera would have to come nearer than it may.</summary>
    MustStandTooNear,

    /// <summary>No mode offers the frame rate.</summary>
    RateNotOffered,

    /// <summary>Even the narrowest aperture does not hold what must be sharp.</summary>
    CannotStopDownEnough,

    /// <summary>Even the widest aperture does not blur what should be soft.</summary>
    CannotOpenEnough,

    /// <summary>What must be sharp asks for a narrower aperture than what should be soft allows.</summary>
    SharpnessAgainstBlur,

    /// <summary>The subject is taller than the place is high.</summary>
    SubjectTallerThanPlace,

    /// <summary>The subject is wider than the place.</summary>
    SubjectWiderThanPlace,

    /// <summary>The subject stands beyond the end of the place.</summary>
    SubjectBeyondPlace,

    /// <summary>The subject is nearer to what is behind it than it may be.</summary>
    SubjectTooNearBackground,

    /// <summary>The camera must stay farther off than there is room.</summary>
    CameraKeptOut,

    /// <summary>The picture is wider than the place, so walls are in it.</summary>
    WallsInPicture,

    /// <summary>A long lens and the sun.</summary>
    SunThroughLens,

    /// <summary>Heat.</summary>
    HeatNearby,

    /// <summary>Splashes, sparks or chips.</summary>
    SplashNearby,

    /// <summary>Water.</summary>
    WaterNearby,

    /// <summary>A drop.</summary>
    DropNearby,

    /// <summary>Animals.</summary>
    AnimalsNearby,

    /// <summary>Tools or vehicles that move.</summary>
    MachinesNearby,

    /// <summary>A heavy rig on a shoulder or in the hands.</summary>
    HeavyToHold,

    /// <summary>A heavy rig at arm's length.</summary>
    HeavyAtArmsLength,

    /// <summary>A camera that flies.</summary>
    Flying,

    /// <summary>Walking with eyes on a screen.</summary>
    WalkingWithScreen,

    /// <summary>A bag weighs more than it may.</summary>
    BagTooHeavy,

    /// <summary>A bag costs more than the budget.</summary>
    BagOverBudget,

    /// <summary>Batteries of a bag hold more together than they may.</summary>
    BagOverEnergy,

    /// <summary>Things of a bag, alone, fill more than its cases.</summary>
    BagTooFull,

    /// <summary>A thing does not go into the case.</summary>
    ThingTooLarge,

    /// <summary>A sum is not known in full, so that whether a limit is kept is not known either.</summary>
    LimitUnknown,

    /// <summary>More of a thing are packed than there are.</summary>
    UnitsShort,

    /// <summary>Bags of several units hold more of a thing on the same days than there are.</summary>
    UnitsShared,

    /// <summary>Nothing in the bag carries the camera as the shot asks.</summary>
    SupportMissing,

    /// <summary>Batteries do not last for the day.</summary>
    PowerShort,

    /// <summary>Cards and discs do not hold the day.</summary>
    StorageShort,

    /// <summary>A value that is needed is not there.</summary>
    FieldMissing,

    /// <summary>A value is outside what is accepted.</summary>
    ValueOutOfRange,

    /// <summary>A value needs another one beside it.</summary>
    FieldNeedsAnother,

    /// <summary>Of two values the lesser is given as the greater.</summary>
    FieldsOutOfOrder,

    /// <summary>Two things that are told cannot both be.</summary>
    FieldsContradict,

    /// <summary>A text is too long, missing or holds what it may not.</summary>
    TextRefused,

    /// <summary>A value is not one that can be taken.</summary>
    ValueRefused,

    /// <summary>What was sent cannot be read.</summary>
    Unreadable,

    /// <summary>A part goes by what tests found of it.</summary>
    GoesByTests,

    /// <summary>Readings of a test contradict the others.</summary>
    ReadingsContradict,

    /// <summary>Readings of a test scatter more than they claim.</summary>
    ReadingsScatter,

    /// <summary>A test lacks readings to tell what it is for.</summary>
    ReadingsMissing,

    /// <summary>The wall of a test of corner darkening was lit unevenly.</summary>
    WallUneven,

    /// <summary>The still of such a test is overexposed.</summary>
    WallTooBright,
}

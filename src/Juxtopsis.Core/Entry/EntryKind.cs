namespace Juxtopsis.Core.Entry;

/// <summary>What a typed text stands for; decides which notations are read and how arrow keys step.</summary>
public enum EntryKind
{
    /// <summary>To the subject.</summary>
    SubjectDistance,

    /// <summary>To the background; may be infinite.</summary>
    BackgroundDistance,

    /// <summary>Height of the lens above the ground.</summary>
    LensHeight,

    /// <summary>Nearest or farthest place of the camera.</summary>
    CameraPlace,

    /// <summary>Sideways move of the camera.</summary>
    Sideways,

    /// <summary>Nearest focus of a lens.</summary>
    MinimumFocusDistance,

    /// <summary>Width of a watched picture, or the distance to it.</summary>
    Viewing,

    /// <summary>A size at the subject.</summary>
    FieldSize,

    /// <summary>Focal length, as marked or measured.</summary>
    FocalLength,

    /// <summary>Range of a zoom: two focal lengths, or one for a prime.</summary>
    ZoomRange,

    /// <summary>f-number.</summary>
    FNumber,

    /// <summary>Widest aperture: one f-number, or one at each end of a zoom.</summary>
    WidestAperture,

    /// <summary>T-number.</summary>
    TNumber,

    /// <summary>Magnifications of reducers and extenders, in order from the sensor.</summary>
    Optics,

    /// <summary>Anamorphic squeeze.</summary>
    Squeeze,

    /// <summary>Turn of the squeeze.</summary>
    SqueezeTurn,

    /// <summary>Electronic zoom or later crop.</summary>
    PunchIn,

    /// <summary>Delivered width over height.</summary>
    DeliveryAspect,

    /// <summary>Pixels across that delivery asks for.</summary>
    DeliveryWidth,

    /// <summary>Sensor area, width × height.</summary>
    SensorArea,

    /// <summary>Recorded pixels, width × height.</summary>
    RecordedPixels,

    /// <summary>A reproduction ratio.</summary>
    Magnification,

    /// <summary>Pupil magnification.</summary>
    PupilMagnification,

    /// <summary>Sensor mark to the front of the lens.</summary>
    FrontFromSensor,

    /// <summary>Diameter of an image circle.</summary>
    ImageCircle,

    /// <summary>A diameter or a place in front of a lens.</summary>
    FrontOpening,

    /// <summary>Close-up lens.</summary>
    CloseUp,

    /// <summary>Extension tubes or bellows.</summary>
    Extension,

    /// <summary>Error of a mount's depth.</summary>
    MountError,

    /// <summary>Thickness of a rear filter.</summary>
    RearFilter,

    /// <summary>Refractive index.</summary>
    RefractiveIndex,

    /// <summary>Sensitivity.</summary>
    Sensitivity,

    /// <summary>A filter: stops, a factor or a density.</summary>
    Filter,

    /// <summary>Range of a variable filter.</summary>
    VariableFilter,

    /// <summary>Stops of stabilisation.</summary>
    StabilisationStops,

    /// <summary>Frames a second.</summary>
    Fps,

    /// <summary>Shutter angle.</summary>
    ShutterAngle,

    /// <summary>An exposure time that is held.</summary>
    ShutterTime,

    /// <summary>Brightness of a scene.</summary>
    Brightness,

    /// <summary>Mains frequency.</summary>
    Mains,

    /// <summary>Divisor of the diagonal.</summary>
    CocDivisor,

    /// <summary>A circle of confusion.</summary>
    Circle,

    /// <summary>A circle of confusion in delivered pixels.</summary>
    CirclePx,

    /// <summary>Blur as a share of the picture's height.</summary>
    BlurShare,

    /// <summary>Weight of a thing.</summary>
    Weight,

    /// <summary>From the subject to what is behind it; may be infinite.</summary>
    BehindSubject,

    /// <summary>Price.</summary>
    Price,

    /// <summary>A thread, a length or a diameter of a part.</summary>
    PartLength,

    /// <summary>A mount's flange distance.</summary>
    Flange,

    /// <summary>A count of things.</summary>
    Count,

    /// <summary>Minutes of recording.</summary>
    Minutes,

    /// <summary>Energy of a battery.</summary>
    WattHours,

    /// <summary>What a camera draws.</summary>
    Watts,

    /// <summary>What a recording mode writes a second.</summary>
    DataRate,

    /// <summary>Room on a card or disc.</summary>
    Gigabytes,

    /// <summary>Pixels along one side.</summary>
    Pixels,

    /// <summary>One side of a sensor's area.</summary>
    SensorSide,

    /// <summary>A side of a place.</summary>
    RoomSize,

    /// <summary>A distance to keep or to move.</summary>
    Kept,

    /// <summary>A side of what is filmed.</summary>
    SubjectSize,

    /// <summary>A share of the picture.</summary>
    PictureShare,

    /// <summary>What is put on top of a price, as a share of it: margin or tax.</summary>
    Surcharge,

    /// <summary>How long a take is.</summary>
    Seconds,

    /// <summary>From a close-up lens back to the lens.</summary>
    CloseUpPlace,

    /// <summary>From the glass of a reducer or extender to the plane that it images.</summary>
    ConverterPlace,

    /// <summary>Height of a standing figure.</summary>
    FigureHeight,

    /// <summary>How much darker one picture is than another, stops; below 0 for brighter.</summary>
    StopsDifference,

    /// <summary>Something seen in a still, in pixels.</summary>
    StillPixels,

    /// <summary>How well a mark is set on a still, pixels.</summary>
    MarkError,

    /// <summary>How far off something may be, as a share of it.</summary>
    Tolerance,
}

namespace Juxtopsis.Core.Entry;

/// <summary>What a typed text stands for; decides which notations are read and how arrow keys step.</summary>
public enum EntryKind
{
    /// <summary>Sensor mark to subject.</summary>
    SubjectDistance,

    /// <summary>Sensor mark to background; may be infinite.</summary>
    BackgroundDistance,

    /// <summary>Height of the lens above the ground.</summary>
    LensHeight,

    /// <summary>Focal length as marked.</summary>
    FocalLength,

    /// <summary>f-number as marked.</summary>
    FNumber,

    /// <summary>Magnification of a reducer or extender.</summary>
    OpticsMagnification,

    /// <summary>Anamorphic squeeze.</summary>
    Squeeze,

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
}

namespace Juxtopsis.Core.Rigs;

/// <summary>What physics, the lens or a convention said no to. Each is put in words by <see cref="ReasonWords"/>.</summary>
[Flags]
public enum Reasons
{
    /// <summary>Nothing stands in the way.</summary>
    None = 0,

    /// <summary>The subject is nearer than the rig can focus: no figure that needs focus.</summary>
    TooClose = 1 << 0,

    /// <summary>A tube or close-up lens keeps the rig from focusing as far as the subject.</summary>
    TooFar = 1 << 1,

    /// <summary>The subject would be inside the lens.</summary>
    InsideLens = 1 << 2,

    /// <summary>The circle of confusion is larger than the picture: no sharp zone can be told.</summary>
    CircleLargerThanFrame = 1 << 3,

    /// <summary>The lens does not open so far here; the widest it has is used.</summary>
    ApertureTooWide = 1 << 4,

    /// <summary>The lens does not close so far; the narrowest it has is used.</summary>
    ApertureTooNarrow = 1 << 5,

    /// <summary>The zoom does not reach this focal length; its nearest end is used.</summary>
    OutsideZoom = 1 << 6,

    /// <summary>The reducer lets no such fast light out; its fastest is used.</summary>
    ReducerLimitsAperture = 1 << 7,

    /// <summary>No glass in air is faster than ƒ0.5: this reducer on this lens is not possible as told.</summary>
    FasterThanPossible = 1 << 8,

    /// <summary>The nearest focus is nearer than a thin lens can; it needs the largest ratio beside it.</summary>
    MinimumFocusIncomplete = 1 << 9,

    /// <summary>The circle by pixels needs pixels that are not known; 1/1500 of the diagonal stands in.</summary>
    PixelsUnknown = 1 << 10,

    /// <summary>Distances from the front of the lens need its length; the sensor mark stands in.</summary>
    FrontUnknown = 1 << 11,

    /// <summary>No measured focal length is known; the marked one stands in.</summary>
    NotMeasured = 1 << 12,

    /// <summary>The image circle does not cover the used area: dark corners.</summary>
    CircleDoesNotCover = 1 << 13,

    /// <summary>Something in front cuts into the corners.</summary>
    OpeningTooSmall = 1 << 14,

    /// <summary>The taking lens is shorter than the squeeze attachment allows.</summary>
    TakingLensTooShort = 1 << 15,

    /// <summary>Delivery asks for more pixels than are recorded.</summary>
    Enlarged = 1 << 16,

    /// <summary>Diffraction makes larger discs than count as sharp.</summary>
    DiffractionSoftens = 1 << 17,

    /// <summary>A face is drawn with a nose that is noticeably large.</summary>
    FaceStretched = 1 << 18,

    /// <summary>There is too little light.</summary>
    TooDark = 1 << 19,

    /// <summary>There is too much light.</summary>
    TooBright = 1 << 20,

    /// <summary>The variable filter cannot take what is left over.</summary>
    VariableFilterOutOfRange = 1 << 21,

    /// <summary>The exposure time catches uneven parts of the lamps' flicker.</summary>
    Flickers = 1 << 22,

    /// <summary>The mount keeps the background from being reached by focus.</summary>
    InfinityLost = 1 << 23,

    /// <summary>Nearest focus and largest ratio together ask for a focal length that no lens changes to: one of them is mistyped.</summary>
    MinimumFocusUnlikely = 1 << 24,

    /// <summary>The sharp zone is thinner than a hand can hold.</summary>
    ThinSharpZone = 1 << 25,

    /// <summary>A longer exposure time is held than a frame lasts; the frame's counts.</summary>
    ShutterLongerThanFrame = 1 << 26,

    /// <summary>The shutter is so narrow that movement breaks into steps.</summary>
    MotionStutters = 1 << 27,

    /// <summary>The shutter is so wide that movement smears.</summary>
    MotionSmears = 1 << 28,
}

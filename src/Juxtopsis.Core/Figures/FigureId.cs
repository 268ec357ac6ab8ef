namespace Juxtopsis.Core.Figures;

/// <summary>The figures, in the order in which they are written. The names are those on the wire; each ends with its unit where it has one.</summary>
public enum FigureId
{
    /// <summary>Used width.</summary>
    UsedWidthMm,

    /// <summary>Used height.</summary>
    UsedHeightMm,

    /// <summary>Shape of the recorded picture, desqueezed.</summary>
    DesqueezedAspect,

    /// <summary>Delivered shape.</summary>
    DeliveredAspect,

    /// <summary>Used pixels across.</summary>
    UsedWidthPx,

    /// <summary>Used pixels up.</summary>
    UsedHeightPx,

    /// <summary>Enlargement.</summary>
    Enlargement,

    /// <summary>Punch-in left.</summary>
    PunchInLeft,

    /// <summary>Crop factor, bare diagonal.</summary>
    CropFactorDiagonal,

    /// <summary>Crop factor, bare width.</summary>
    CropFactorWidth,

    /// <summary>Crop factor, bare height.</summary>
    CropFactorHeight,

    /// <summary>Crop factor, delivered.</summary>
    DeliveredCropFactor,

    /// <summary>Crop factor.</summary>
    CropFactor,

    /// <summary>Crop of the sensor.</summary>
    CropSensorStep,

    /// <summary>Crop of the mode.</summary>
    CropModeStep,

    /// <summary>Crop of the punch-in.</summary>
    CropPunchInStep,

    /// <summary>Crop of the delivered shape.</summary>
    CropShapeStep,

    /// <summary>Reducers and extenders.</summary>
    OpticsMagnification,

    /// <summary>Crop chain.</summary>
    CropChain,

    /// <summary>Image circle.</summary>
    ImageCircleMm,

    /// <summary>Dark corners.</summary>
    DarkShare,

    /// <summary>Focal length on the sensor.</summary>
    EffectiveFocalLengthMm,

    /// <summary>Focal length across.</summary>
    FocalLengthAcrossMm,

    /// <summary>Light as set.</summary>
    EffectiveFNumber,

    /// <summary>T-number.</summary>
    EffectiveTNumber,

    /// <summary>Widest here.</summary>
    WidestFNumber,

    /// <summary>Light of the optics.</summary>
    LightGainStops,

    /// <summary>Equivalent.</summary>
    EquivalentFocalLengthMm,

    /// <summary>Blur as seen.</summary>
    EquivalentFNumber,

    /// <summary>Blur as seen, across.</summary>
    EquivalentAcrossFNumber,

    /// <summary>Sensitivity factor.</summary>
    SensitivityFactor,

    /// <summary>Angle across.</summary>
    AngleOfViewHorizontalDeg,

    /// <summary>Angle up.</summary>
    AngleOfViewVerticalDeg,

    /// <summary>Angle corner to corner.</summary>
    AngleOfViewDiagonalDeg,

    /// <summary>Edge stretch.</summary>
    EdgeStretch,

    /// <summary>Angle as focused.</summary>
    AngleFocusedDeg,

    /// <summary>Breathing.</summary>
    BreathingShare,

    /// <summary>Circle of confusion.</summary>
    CircleOfConfusionMm,

    /// <summary>Hyperfocal.</summary>
    HyperfocalDistanceMm,

    /// <summary>Nearest focus.</summary>
    NearestSubjectDistanceMm,

    /// <summary>Farthest focus.</summary>
    FarthestSubjectDistanceMm,

    /// <summary>Largest ratio.</summary>
    MaximumMagnification,

    /// <summary>Smallest field.</summary>
    SmallestFieldWidthMm,

    /// <summary>Reproduction ratio.</summary>
    Magnification,

    /// <summary>Field at subject.</summary>
    FieldWidthMm,

    /// <summary>Field up at subject.</summary>
    FieldHeightMm,

    /// <summary>Field behind.</summary>
    BackgroundFieldWidthMm,

    /// <summary>Field up behind.</summary>
    BackgroundFieldHeightMm,

    /// <summary>Sharp from.</summary>
    DepthOfFieldNearMm,

    /// <summary>Sharp to.</summary>
    DepthOfFieldFarMm,

    /// <summary>Sharp zone.</summary>
    DepthOfFieldMm,

    /// <summary>Sharp in front.</summary>
    DepthInFrontMm,

    /// <summary>Sharp behind.</summary>
    DepthBehindMm,

    /// <summary>Clear in front of the lens.</summary>
    WorkingDistanceMm,

    /// <summary>Of the still's width.</summary>
    StillShareAcross,

    /// <summary>Of the still's height.</summary>
    StillShareUp,

    /// <summary>Camera to subject.</summary>
    CameraDistanceMm,

    /// <summary>Microphone to subject.</summary>
    MicrophoneDistanceMm,

    /// <summary>Pupil.</summary>
    PupilMm,

    /// <summary>Blur behind, on the sensor.</summary>
    BackgroundDiscMm,

    /// <summary>Blur behind, across.</summary>
    BackgroundDiscAcrossMm,

    /// <summary>Blur behind.</summary>
    BackgroundDiscFractionOfHeight,

    /// <summary>Blur behind, of the width.</summary>
    BackgroundDiscFractionOfWidth,

    /// <summary>Blur behind, in pixels.</summary>
    BackgroundDiscPx,

    /// <summary>Blur across, in pixels.</summary>
    BackgroundDiscAcrossPx,

    /// <summary>Blur behind, in circles.</summary>
    BackgroundDiscCircles,

    /// <summary>Blur at the subject's scale.</summary>
    BlurAtSubjectMm,

    /// <summary>The background reads.</summary>
    BackgroundReading,

    /// <summary>Diffraction disc.</summary>
    AiryDiscMm,

    /// <summary>Diffraction, in circles.</summary>
    AiryDiscCircles,

    /// <summary>Diffraction from.</summary>
    DiffractionFNumber,

    /// <summary>Desqueezed pixels across.</summary>
    DesqueezedWidthPx,

    /// <summary>Desqueezed pixels up.</summary>
    DesqueezedHeightPx,

    /// <summary>Trimmed away.</summary>
    WasteShare,

    /// <summary>Squeeze that wastes nothing.</summary>
    IdealSqueeze,

    /// <summary>Disc, tall to wide.</summary>
    DiscShape,

    /// <summary>Lean of uprights.</summary>
    UprightLeanShare,

    /// <summary>Tilt of levels.</summary>
    LevelTiltShare,

    /// <summary>Opening needed in front.</summary>
    OpeningNeededMm,

    /// <summary>Face stretch.</summary>
    FaceStretch,

    /// <summary>Background against subject.</summary>
    BackgroundSize,

    /// <summary>Parallax.</summary>
    ParallaxShare,

    /// <summary>Unsteadiness.</summary>
    Unsteadiness,

    /// <summary>Exposure time.</summary>
    ExposureTimeSeconds,

    /// <summary>Slow motion.</summary>
    SlowMotion,

    /// <summary>Light of slow motion.</summary>
    SlowMotionStops,

    /// <summary>How long a movement lasts in the finished film, s.</summary>
    MovementOnScreenSeconds,

    /// <summary>Light lost close up.</summary>
    BellowsStops,

    /// <summary>Step of the filters.</summary>
    FilterStepStops,

    /// <summary>Step of the aperture.</summary>
    ApertureStepStops,

    /// <summary>Step of the optics behind the lens.</summary>
    OpticsStepStops,

    /// <summary>Step of the glass.</summary>
    GlassStepStops,

    /// <summary>Step of focusing close.</summary>
    FocusStepStops,

    /// <summary>Step of the shutter.</summary>
    ShutterStepStops,

    /// <summary>Step of the sensitivity.</summary>
    SensitivityStepStops,

    /// <summary>Right for.</summary>
    SettingEv,

    /// <summary>Light left over.</summary>
    LeftOverStops,

    /// <summary>Filter to offer.</summary>
    FixedFilterStops,

    /// <summary>Left after that filter.</summary>
    LeftAfterFilterStops,

    /// <summary>Sensitivity needed.</summary>
    SensitivityNeededIso,

    /// <summary>Sensitivity to match.</summary>
    MatchingFactor,

    /// <summary>Sensitivity to match, ISO.</summary>
    MatchingIso,

    /// <summary>Flickers in a frame.</summary>
    Flickers,

    /// <summary>Angle without flicker.</summary>
    SafeAngleDeg,

    /// <summary>Shift by the rear filter.</summary>
    FilterShiftMm,

    /// <summary>Shim.</summary>
    ShimMm,

    /// <summary>Sharp at most to.</summary>
    FarthestByMountMm,

    /// <summary>Subject from the entrance pupil.</summary>
    SubjectFromPupilMm,

    /// <summary>Width of the pupil.</summary>
    PupilAcrossMm,

    /// <summary>Corners of the iris.</summary>
    IrisCorners,

    /// <summary>Head of the figure at the subject, from the upper edge of the picture.</summary>
    SubjectHeadFromTop,

    /// <summary>Feet of the figure at the subject, from the upper edge of the picture.</summary>
    SubjectFeetFromTop,

    /// <summary>Head of the figure at the background, from the upper edge of the picture.</summary>
    BackgroundHeadFromTop,

    /// <summary>Feet of the figure at the background, from the upper edge of the picture.</summary>
    BackgroundFeetFromTop,

    /// <summary>Weight of the rig.</summary>
    RigWeightG,

    /// <summary>Weight of what is known.</summary>
    RigWeightAtLeastG,

    /// <summary>Length of the rig.</summary>
    RigLengthMm,

    /// <summary>Price to buy.</summary>
    PurchasePrice,

    /// <summary>Price of what is known.</summary>
    PurchaseAtLeast,

    /// <summary>Hire a day.</summary>
    HirePerDay,

    /// <summary>Hire of what is known.</summary>
    HireAtLeast,

    /// <summary>Insured for.</summary>
    InsuredValue,

    /// <summary>Insured value of what is known.</summary>
    InsuredAtLeast,
}

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>A report for each rig, in the order of the request. All distances are from the sensor mark.</summary>
/// <param name="Conventions">The conventions that the figures were made with.</param>
/// <param name="Reports">One report a rig.</param>
public sealed record EvaluateResponse(ConventionsInput Conventions, IReadOnlyList<RigReportOutput> Reports);

/// <summary>What one rig gives.</summary>
/// <param name="Sensor">What of the sensor is used.</param>
/// <param name="Crop">How the format compares with the reference format.</param>
/// <param name="Lens">The lens as the sensor sees it, and its equivalents.</param>
/// <param name="Angle">Angles at infinity.</param>
/// <param name="Sharpness">What counts as sharp.</param>
/// <param name="Focus">What follows from the plane of focus; null when the lens cannot focus there: see <paramref name="Error"/>.</param>
/// <param name="Error">Why there is no focus; null when there is.</param>
/// <param name="Difference">Against the yardstick rig.</param>
public sealed record RigReportOutput(
    SensorUseOutput Sensor,
    CropFactorsOutput Crop,
    LensOnSensorOutput Lens,
    AngleOfViewOutput Angle,
    SharpnessOutput Sharpness,
    FocusOutput? Focus,
    FocusErrorOutput? Error,
    DifferenceOutput Difference);

/// <summary>What of the sensor ends up in the delivered picture.</summary>
/// <param name="UsedWidthMm">Width on the sensor before the desqueeze, mm.</param>
/// <param name="UsedHeightMm">Height on the sensor, mm.</param>
/// <param name="DesqueezedAspect">Width over height of the whole mode, desqueezed, before the trim.</param>
/// <param name="DeliveredAspect">Width over height of the delivered picture.</param>
/// <param name="UsedWidthPx">Recorded pixels across the used area; null when not known.</param>
/// <param name="UsedHeightPx">Recorded pixels up the used area; null when not known.</param>
/// <param name="Enlargement">Above 1, delivery asks for more pixels than were recorded; null when not known.</param>
/// <param name="PunchInLeft">Further punch-in before that happens; below 1 there is none left; null when not known.</param>
public sealed record SensorUseOutput(
    double UsedWidthMm,
    double UsedHeightMm,
    double DesqueezedAspect,
    double DeliveredAspect,
    double? UsedWidthPx,
    double? UsedHeightPx,
    double? Enlargement,
    double? PunchInLeft);

/// <summary>Reference format over this format; the first three bare, the last with both trimmed to the delivered shape.</summary>
/// <param name="CropFactorDiagonal">By the diagonals.</param>
/// <param name="CropFactorWidth">By the widths.</param>
/// <param name="CropFactorHeight">By the heights.</param>
/// <param name="DeliveredCropFactor">At the delivered shape.</param>
public sealed record CropFactorsOutput(
    double CropFactorDiagonal,
    double CropFactorWidth,
    double CropFactorHeight,
    double DeliveredCropFactor);

/// <summary>The lens behind reducers and extenders, and its equivalents on the reference format.</summary>
/// <param name="EffectiveFocalLengthMm">Focal length as the sensor sees it, mm; up and down for a squeezed lens.</param>
/// <param name="FocalLengthAcrossMm">Focal length across, mm.</param>
/// <param name="EffectiveFNumber">Light as set.</param>
/// <param name="LightGainStops">Light gained by the optics in between, stops.</param>
/// <param name="EquivalentFocalLengthMm">Same angle on the reference format, mm.</param>
/// <param name="EquivalentFNumber">Blur as seen: same blur on the reference format.</param>
public sealed record LensOnSensorOutput(
    double EffectiveFocalLengthMm,
    double FocalLengthAcrossMm,
    double EffectiveFNumber,
    double LightGainStops,
    double EquivalentFocalLengthMm,
    double EquivalentFNumber);

/// <summary>Angles of the delivered picture with the lens at infinity, degrees.</summary>
/// <param name="AngleOfViewHorizontalDeg">Across.</param>
/// <param name="AngleOfViewVerticalDeg">Up.</param>
/// <param name="AngleOfViewDiagonalDeg">Corner to corner.</param>
/// <param name="EdgeStretch">How much wider a thing is drawn at the side edge than in the middle.</param>
public sealed record AngleOfViewOutput(
    double AngleOfViewHorizontalDeg,
    double AngleOfViewVerticalDeg,
    double AngleOfViewDiagonalDeg,
    double EdgeStretch);

/// <summary>What counts as sharp.</summary>
/// <param name="CircleOfConfusionMm">Largest disc that reads as a point, mm on the sensor.</param>
/// <param name="HyperfocalDistanceMm">Focus here, and all is sharp to infinity, mm.</param>
public sealed record SharpnessOutput(double CircleOfConfusionMm, double HyperfocalDistanceMm);

/// <summary>What follows from focusing at the subject.</summary>
/// <param name="Magnification">Reproduction ratio.</param>
/// <param name="FieldWidthMm">Field across at the subject, mm.</param>
/// <param name="FieldHeightMm">Field upright at the subject, mm.</param>
/// <param name="BackgroundFieldWidthMm">Field across at the background, mm; null for an infinite background.</param>
/// <param name="BackgroundFieldHeightMm">Field upright at the background, mm; null for an infinite background.</param>
/// <param name="DepthOfFieldNearMm">Where the sharp zone begins, mm.</param>
/// <param name="DepthOfFieldFarMm">Where it ends, mm; null for infinity.</param>
/// <param name="DepthOfFieldMm">How deep it is, mm; null for infinity.</param>
/// <param name="BackgroundDiscMm">Blur disc of a point at the background, mm on the sensor, upright.</param>
/// <param name="BackgroundDiscFractionOfHeight">The disc's height over the picture's height.</param>
/// <param name="BackgroundDiscFractionOfWidth">The disc's width over the picture's width, a squeeze taken to be in front.</param>
/// <param name="AiryDiscMm">Disc that diffraction makes of a point in focus, mm.</param>
/// <param name="SubjectFigure">The standing figure at the subject, in the picture.</param>
/// <param name="BackgroundFigure">The standing figure at the background, in the picture.</param>
public sealed record FocusOutput(
    double Magnification,
    double FieldWidthMm,
    double FieldHeightMm,
    double? BackgroundFieldWidthMm,
    double? BackgroundFieldHeightMm,
    double DepthOfFieldNearMm,
    double? DepthOfFieldFarMm,
    double? DepthOfFieldMm,
    double BackgroundDiscMm,
    double BackgroundDiscFractionOfHeight,
    double BackgroundDiscFractionOfWidth,
    double AiryDiscMm,
    FigureOutput SubjectFigure,
    FigureOutput BackgroundFigure);

/// <summary>A standing figure in the picture, in shares of the picture's height from its upper edge.</summary>
/// <param name="HeadFromTop">Top of the head.</param>
/// <param name="FeetFromTop">Soles.</param>
public sealed record FigureOutput(double HeadFromTop, double FeetFromTop);

/// <summary>Why a rig has no focus in the scene.</summary>
/// <param name="Error">A word for programs: <c>tooClose</c>.</param>
/// <param name="NearestSubjectDistanceMm">The nearest distance at which it can focus, mm.</param>
/// <param name="Message">What is wrong.</param>
/// <param name="Mend">How to mend it.</param>
public sealed record FocusErrorOutput(string Error, double NearestSubjectDistanceMm, string Message, string Mend);

/// <summary>How a rig differs from the yardstick rig.</summary>
/// <param name="CropFactorPercent">Delivered crop factor, per cent larger.</param>
/// <param name="EquivalentFocalLengthPercent">Equivalent focal length, per cent longer.</param>
/// <param name="LightStops">Light as set, stops more.</param>
/// <param name="BlurStops">Blur as seen, stops more.</param>
/// <param name="FieldWidthPercent">Field at the subject, per cent wider; null when either rig has no focus.</param>
/// <param name="DepthOfFieldNearMm">Near limit, mm further away; null likewise.</param>
/// <param name="DepthOfFieldFarMm">Far limit, mm further away; null likewise, or when either is infinite.</param>
/// <param name="DepthOfFieldMm">Sharp zone, mm deeper; null likewise.</param>
/// <param name="BackgroundDiscPercent">Blur disc against picture height, per cent larger; null when the yardstick has none.</param>
public sealed record DifferenceOutput(
    double CropFactorPercent,
    double EquivalentFocalLengthPercent,
    double LightStops,
    double BlurStops,
    double? FieldWidthPercent,
    double? DepthOfFieldNearMm,
    double? DepthOfFieldFarMm,
    double? DepthOfFieldMm,
    double? BackgroundDiscPercent);

using Juxtopsis.Core.Framing;

namespace Juxtopsis.Core.Rigs;

/// <summary>Everything the core says of one rig in one scene. Distances are from the sensor mark, mm.</summary>
/// <param name="Sensor">What of the sensor is used.</param>
/// <param name="Crop">How the format compares with the reference format.</param>
/// <param name="Lens">The lens as the sensor sees it, and its equivalents.</param>
/// <param name="Angle">What the rig takes in, as angles at infinity.</param>
/// <param name="Sharpness">What counts as sharp.</param>
/// <param name="Focus">What follows from the plane of focus; null when there is none.</param>
public readonly record struct RigReport(
    SensorUse Sensor,
    CropFactors Crop,
    LensOnSensor Lens,
    AngleOfView Angle,
    SharpnessLimits Sharpness,
    FocusReport? Focus)
{
    /// <summary>The shortest distance, sensor mark to subject, at which this rig can focus, mm.</summary>
    public double NearestSubjectDistanceMm => Optics.ThinLens.NearestSubjectDistance(Lens.EffectiveFocalLengthMm);
}

/// <summary>What of the sensor ends up in the delivered picture.</summary>
/// <param name="UsedWidthMm">Width on the sensor before the desqueeze, mm.</param>
/// <param name="UsedHeightMm">Height on the sensor, mm.</param>
/// <param name="DesqueezedAspect">Width over height of the whole mode, desqueezed, before the trim.</param>
/// <param name="DeliveredAspect">Width over height of the delivered picture.</param>
/// <param name="UsedPixels">Recorded pixels that fall on the used area; null when the mode's pixels are not known.</param>
/// <param name="Enlargement">
/// How many times the recorded pixels must be enlarged for what delivery asks, in the direction that needs it more; above 1
/// the delivered picture is larger than what was recorded. Null when pixels or delivery are not known.
/// </param>
/// <param name="PunchInLeft">Further punch-in before <paramref name="Enlargement"/> passes 1; below 1 there is none left.</param>
public readonly record struct SensorUse(
    double UsedWidthMm,
    double UsedHeightMm,
    double DesqueezedAspect,
    double DeliveredAspect,
    PixelSize? UsedPixels,
    double? Enlargement,
    double? PunchInLeft);

/// <summary>Reference format over this format. The first three are bare: whole mode area after punch-in, no squeeze, no trim.</summary>
/// <param name="Diagonal">By the diagonals.</param>
/// <param name="Width">By the widths.</param>
/// <param name="Height">By the heights.</param>
/// <param name="Delivered">Both formats trimmed to the delivered shape first; this one answers "same picture".</param>
public readonly record struct CropFactors(double Diagonal, double Width, double Height, double Delivered);

/// <summary>The lens behind its reducers and extenders, and what it equals on the reference format.</summary>
/// <param name="EffectiveFocalLengthMm">k·f₀, mm; up and down for a squeezed lens.</param>
/// <param name="FocalLengthAcrossMm">k·f₀/S, mm; the same as the other for a spherical lens.</param>
/// <param name="EffectiveFNumber">k·N₀: light as set.</param>
/// <param name="LightGainStops">Light gained by the optics in between, −2·log2 k stops.</param>
/// <param name="EquivalentFocalLengthMm">Focal length on the reference format for the same angle across, mm.</param>
/// <param name="EquivalentFNumber">f-number on the reference format for the same blur at the same framing: blur as seen.</param>
public readonly record struct LensOnSensor(
    double EffectiveFocalLengthMm,
    double FocalLengthAcrossMm,
    double EffectiveFNumber,
    double LightGainStops,
    double EquivalentFocalLengthMm,
    double EquivalentFNumber);

/// <summary>Angles that the delivered picture takes in with the lens at infinity, degrees.</summary>
/// <param name="HorizontalDeg">Across.</param>
/// <param name="VerticalDeg">Up.</param>
/// <param name="DiagonalDeg">Corner to corner.</param>
/// <param name="EdgeStretch">How much wider a thing is drawn at the side edge than in the middle; a ratio from 1.</param>
public readonly record struct AngleOfView(double HorizontalDeg, double VerticalDeg, double DiagonalDeg, double EdgeStretch);

/// <summary>What counts as sharp for this rig.</summary>
/// <param name="CircleOfConfusionMm">Largest disc that still reads as a point, mm on the sensor.</param>
/// <param name="HyperfocalDistanceMm">Focus here, and all is sharp to infinity; mm from the sensor mark.</param>
public readonly record struct SharpnessLimits(double CircleOfConfusionMm, double HyperfocalDistanceMm);

/// <summary>What follows from focusing at the subject.</summary>
/// <param name="Magnification">Reproduction ratio at the plane of focus (vertical for a squeezed lens).</param>
/// <param name="FieldWidthMm">What the picture takes in across at the subject, mm.</param>
/// <param name="FieldHeightMm">What it takes in upright at the subject, mm.</param>
/// <param name="BackgroundFieldWidthMm">What it takes in across at the background, mm; infinite for an infinite background.</param>
/// <param name="BackgroundFieldHeightMm">What it takes in upright at the background, mm.</param>
/// <param name="DepthOfFieldNearMm">Where the sharp zone begins, mm from the sensor mark.</param>
/// <param name="DepthOfFieldFarMm">Where it ends, mm from the sensor mark; may be infinite.</param>
/// <param name="BackgroundDiscMm">Disc that a point at the background makes, mm on the sensor, upright.</param>
/// <param name="BackgroundDiscFractionOfHeight">That disc over the picture's height.</param>
/// <param name="BackgroundDiscFractionOfWidth">
/// The disc's width in the finished picture over the picture's width. A squeeze is taken to be in front of the lens, where it
/// makes discs S times taller than wide.
/// </param>
/// <param name="AiryDiscMm">Disc that diffraction makes of a point in focus, mm on the sensor.</param>
/// <param name="SubjectFigure">The standing figure at the subject's distance, as the picture shows it.</param>
/// <param name="BackgroundFigure">The standing figure at the background's distance.</param>
public readonly record struct FocusReport(
    double Magnification,
    double FieldWidthMm,
    double FieldHeightMm,
    double BackgroundFieldWidthMm,
    double BackgroundFieldHeightMm,
    double DepthOfFieldNearMm,
    double DepthOfFieldFarMm,
    double BackgroundDiscMm,
    double BackgroundDiscFractionOfHeight,
    double BackgroundDiscFractionOfWidth,
    double AiryDiscMm,
    StandingFigure SubjectFigure,
    StandingFigure BackgroundFigure);

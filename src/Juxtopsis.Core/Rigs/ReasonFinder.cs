using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Finds what stands in the way: a function for each subject, from the stages that it follows from.</summary>
internal static class ReasonFinder
{
    /// <summary>Nothing in air can be faster than this, by the sine condition.</summary>
    public const double FastestPossible = 0.5;

    /// <summary>Light too much or too little by less than this is left to the grade, stops.</summary>
    public const double LightToleranceStops = 1.0 / 3;

    /// <summary>Widest apertures along a zoom are interpolated; a setting as near as this to one is that one.</summary>
    private const double Rounding = 0.01;

    /// <summary>Areas of modes are known to a few hundredths of a millimetre: less enlargement than this is no enlargement.</summary>
    internal const double MeasuringError = 1.002;

    /// <summary>What keeps the rig from focusing at the subject.</summary>
    public static Reasons Focusing(in Scene scene, in Rig rig, in FocusLimits limits, bool isFocused, double usedFocalLengthMm, double markMm)
    {
        var isBeyond = scene.SubjectDistanceMm > limits.FarthestSubjectDistanceMm;
        return If(!isFocused, isBeyond ? Reasons.TooFar : Reasons.TooClose)
            | If(rig.Lens.FrontFromSensorMm >= scene.SubjectDistanceMm + markMm, Reasons.InsideLens)
            | (rig.Lens.MinimumFocusDistanceMm is { } nearest ? MinimumFocus(nearest, rig.Lens.MaximumMagnification, usedFocalLengthMm) : Reasons.None);
    }

    /// <summary>What the lens and what is behind it do not let one set.</summary>
    public static Reasons Settings(in Rig rig, in LensOnSensor lens) =>
        If(rig.FNumber < lens.UsedFNumber * (1 - Rounding), Reasons.ApertureTooWide)
        | If(rig.FNumber > lens.UsedFNumber * (1 + Rounding), Reasons.ApertureTooNarrow)
        | If(rig.FocalLengthMm != LensOnSensor.InZoom(rig), Reasons.OutsideZoom)
        | If(lens.EffectiveFNumber > rig.OpticsRef.Magnification * lens.UsedFNumber * (1 + Rounding), Reasons.ReducerLimitsAperture)
        | If(lens.EffectiveFNumber < FastestPossible, Reasons.FasterThanPossible)
        | If(rig.FocalLengthMm < rig.Lens.ShortestTakingMm, Reasons.TakingLensTooShort);

    /// <summary>What the conventions ask that is not known.</summary>
    public static Reasons Unknowns(in Conventions conventions, in Rig rig, in SharpnessLimits sharpness) =>
        If(sharpness.CircleIsFallback, Reasons.PixelsUnknown)
        | If(conventions.DistanceFrom == DistanceMark.LensFront && rig.Lens.FrontFromSensorMm is null, Reasons.FrontUnknown)
        | If(conventions.FocalLength == FocalLengthSchool.Measured && rig.Lens.MeasuredFocalLengthMm is null, Reasons.NotMeasured);

    /// <summary>What spoils the picture as a whole.</summary>
    public static Reasons Picture(in Scene scene, in Rig rig, in SensorUse sensor, in SharpnessLimits sharpness, in HandlingReport handling) =>
        If(sharpness.CircleOfConfusionMm > sensor.UsedHeightMm, Reasons.CircleLargerThanFrame)
        | If(sensor.DarkShare > Coverage.Noticed, Reasons.CircleDoesNotCover)
        | If(sensor.Enlargement > MeasuringError, Reasons.Enlarged)
        | If(rig.Lens.FrontOpeningMm < handling.OpeningNeededMm, Reasons.OpeningTooSmall)
        | If(handling.FarthestByMountMm < scene.BackgroundDistanceMm, Reasons.InfinityLost);

    /// <summary>A held camera and somebody who breathes sway by about so much together, mm: a rule of thumb, not physics.</summary>
    public const double HandHoldsMm = 40;

    /// <summary>What only a plane of focus can bring about.</summary>
    public static Reasons InFocus(in FocusReport focus, in SharpnessLimits sharpness) =>
        If(focus.AiryDiscMm > sharpness.CircleOfConfusionMm, Reasons.DiffractionSoftens)
        | If(focus.DepthInFrontMm + focus.DepthBehindMm < HandHoldsMm, Reasons.ThinSharpZone)
        | If(!(focus.FaceStretch <= Perspective.FaceStretchNoticed), Reasons.FaceStretched);

    /// <summary>From a quarter of a frame down movement is seen in steps, from three quarters up as a smear: rules of thumb, degrees.</summary>
    public const double StuttersBelowDeg = 90;

    /// <summary>The other end.</summary>
    public const double SmearsAboveDeg = 270;

    /// <summary>What is wrong with the light.</summary>
    public static Reasons Light(in Rig rig, in LightReport light)
    {
        var flickers = If(!Flicker.IsSafe(light.Flickers), Reasons.Flickers)
            | If(light.IsShutterCut, Reasons.ShutterLongerThanFrame)
            | If(light.ShutterAngleDeg < StuttersBelowDeg, Reasons.MotionStutters)
            | If(light.ShutterAngleDeg > SmearsAboveDeg, Reasons.MotionSmears);
        return light.LeftOverStops switch
        {
            < -LightToleranceStops => flickers | Reasons.TooDark,
            > LightToleranceStops => flickers | Reasons.TooBright
                | If(light.LeftOverStops < rig.VariableFilterMinStops || light.LeftOverStops > rig.VariableFilterMaxStops, Reasons.VariableFilterOutOfRange),
            _ => flickers,
        };
    }

    /// <summary>Lenses shorten to perhaps a third as they focus close, and lengthen by little.</summary>
    private static Reasons MinimumFocus(double nearestMm, double? maximumMagnification, double focalLengthMm) => maximumMagnification is { } ratio
        ? If(ThinLens.FocalLengthMm(nearestMm, ratio) / focalLengthMm is < 0.25 or > 1.6, Reasons.MinimumFocusUnlikely)
        : If(nearestMm < ThinLens.NearestSubjectDistanceMm(focalLengthMm), Reasons.MinimumFocusIncomplete);

    private static Reasons If(bool holds, Reasons reason) => holds ? reason : Reasons.None;
}

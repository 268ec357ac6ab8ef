using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Finds what stands in the way, from a report that is otherwise done.</summary>
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

    public static Reasons Find(in Scene scene, in Conventions conventions, in Rig rig, in RigReport report)
    {
        var lens = report.Lens;
        return If(!report.IsFocused && !(scene.SubjectDistanceMm > report.Limits.FarthestSubjectDistanceMm), Reasons.TooClose)
            | If(!report.IsFocused && scene.SubjectDistanceMm > report.Limits.FarthestSubjectDistanceMm, Reasons.TooFar)
            | If(rig.Lens.FrontFromSensorMm >= scene.SubjectDistanceMm + RigEvaluator.MarkMm(conventions, rig), Reasons.InsideLens)
            | If(report.Sharpness.CircleOfConfusionMm > report.Sensor.UsedHeightMm, Reasons.CircleLargerThanFrame)
            | If(rig.FNumber < lens.UsedFNumber * (1 - Rounding), Reasons.ApertureTooWide)
            | If(rig.FNumber > lens.UsedFNumber * (1 + Rounding), Reasons.ApertureTooNarrow)
            | If(rig.FocalLengthMm != LensOnSensor.InZoom(rig), Reasons.OutsideZoom)
            | If(lens.EffectiveFNumber > rig.Optics.Magnification * lens.UsedFNumber * (1 + Rounding), Reasons.ReducerLimitsAperture)
            | If(lens.EffectiveFNumber < FastestPossible, Reasons.FasterThanPossible)
            | If(
                rig.Lens.MaximumMagnification is null && rig.Lens.MinimumFocusDistanceMm < ThinLens.NearestSubjectDistanceMm(lens.UsedFocalLengthMm),
                Reasons.MinimumFocusIncomplete)
            | If(IsUnlikely(rig, lens.UsedFocalLengthMm), Reasons.MinimumFocusUnlikely)
            | If(report.Sharpness.CircleIsFallback, Reasons.PixelsUnknown)
            | If(conventions.DistanceFrom == DistanceMark.LensFront && rig.Lens.FrontFromSensorMm is null, Reasons.FrontUnknown)
            | If(conventions.FocalLength == FocalLengthSchool.Measured && rig.Lens.MeasuredFocalLengthMm is null, Reasons.NotMeasured)
            | (report.Focus is { } focus ? InFocus(focus, report.Sharpness.CircleOfConfusionMm) : Reasons.None)
            | Spoils(scene, rig, report);
    }

    /// <summary>Lenses shorten to perhaps a third as they focus close, and lengthen by little.</summary>
    private static bool IsUnlikely(in Rig rig, double focalLengthMm) =>
        rig.Lens is { MinimumFocusDistanceMm: { } nearest, MaximumMagnification: { } ratio }
        && ThinLens.FocalLengthMm(nearest, ratio) / focalLengthMm is < 0.25 or > 1.6;

    /// <summary>What only a plane of focus can bring about.</summary>
    private static Reasons InFocus(in FocusReport focus, double circleMm) =>
        If(focus.AiryDiscMm > circleMm, Reasons.DiffractionSoftens)
        | If((focus.FaceStretch ?? double.PositiveInfinity) > Perspective.FaceStretchNoticed, Reasons.FaceStretched);

    private static Reasons Spoils(in Scene scene, in Rig rig, in RigReport report)
    {
        var leftOver = report.Light.LeftOverStops;
        return If(report.Sensor.DarkShare > 0, Reasons.CircleDoesNotCover)
            | If(rig.Lens.FrontOpeningMm < report.Handling.OpeningNeededMm, Reasons.OpeningTooSmall)
            | If(rig.FocalLengthMm < rig.Lens.ShortestTakingMm, Reasons.TakingLensTooShort)
            | If(report.Sensor.Enlargement > MeasuringError, Reasons.Enlarged)
            | If(leftOver < -LightToleranceStops, Reasons.TooDark)
            | If(leftOver > LightToleranceStops, Reasons.TooBright)
            | If(leftOver > LightToleranceStops && (leftOver < rig.VariableFilterMinStops || leftOver > rig.VariableFilterMaxStops), Reasons.VariableFilterOutOfRange)
            | If(!Flicker.IsSafe(report.Light.Flickers), Reasons.Flickers)
            | If(report.Handling.FarthestByMountMm < scene.BackgroundDistanceMm, Reasons.InfinityLost);
    }

    private static Reasons If(bool holds, Reasons reason) => holds ? reason : Reasons.None;
}

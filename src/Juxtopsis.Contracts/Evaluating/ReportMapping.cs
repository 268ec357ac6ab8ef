using Juxtopsis.Core.Framing;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>Between the core's types and the wire's. JSON has no infinity, so an infinite distance becomes null.</summary>
internal static class ReportMapping
{
    public static Scene ToCore(this SceneInput scene) => new(scene.SubjectDistanceMm)
    {
        BackgroundDistanceMm = scene.BackgroundDistanceMm ?? double.PositiveInfinity,
        DeliveryAspect = scene.DeliveryAspect,
        DeliveryWidthPx = scene.DeliveryWidthPx,
        LensHeightMm = scene.LensHeightMm,
        FigureHeightMm = scene.FigureHeightMm,
    };

    public static Conventions ToCore(this ConventionsInput conventions) =>
        new(conventions.ReferenceWidthMm, conventions.ReferenceHeightMm, conventions.CocDivisor);

    public static Rig ToCore(this RigInput rig) => new(rig.SensorWidthMm, rig.SensorHeightMm, rig.FocalLengthMm, rig.FNumber)
    {
        OpticsMagnification = rig.OpticsMagnification,
        Squeeze = rig.Squeeze,
        PunchIn = rig.PunchIn,
        Recorded = rig is { RecordedWidthPx: { } width, RecordedHeightPx: { } height } ? new PixelSize(width, height) : null,
    };

    public static RigReportOutput ToWire(this in RigReport report, in Scene scene, in RigDifference difference) => new(
        ToWire(report.Sensor),
        new CropFactorsOutput(report.Crop.Diagonal, report.Crop.Width, report.Crop.Height, report.Crop.Delivered),
        ToWire(report.Lens),
        new AngleOfViewOutput(report.Angle.HorizontalDeg, report.Angle.VerticalDeg, report.Angle.DiagonalDeg, report.Angle.EdgeStretch),
        new SharpnessOutput(report.Sharpness.CircleOfConfusionMm, report.Sharpness.HyperfocalDistanceMm),
        report.Focus is { } focus ? ToWire(focus) : null,
        report.Focus is null ? TooClose(report, scene) : null,
        ToWire(difference));

    private static SensorUseOutput ToWire(in SensorUse sensor) => new(
        sensor.UsedWidthMm,
        sensor.UsedHeightMm,
        sensor.DesqueezedAspect,
        sensor.DeliveredAspect,
        sensor.UsedPixels?.Width,
        sensor.UsedPixels?.Height,
        sensor.Enlargement,
        sensor.PunchInLeft);

    private static LensOnSensorOutput ToWire(in LensOnSensor lens) => new(
        lens.EffectiveFocalLengthMm,
        lens.FocalLengthAcrossMm,
        lens.EffectiveFNumber,
        lens.LightGainStops,
        lens.EquivalentFocalLengthMm,
        lens.EquivalentFNumber);

    private static FocusOutput ToWire(in FocusReport focus) => new(
        focus.Magnification,
        focus.FieldWidthMm,
        focus.FieldHeightMm,
        FiniteOrNull(focus.BackgroundFieldWidthMm),
        FiniteOrNull(focus.BackgroundFieldHeightMm),
        focus.DepthOfFieldNearMm,
        FiniteOrNull(focus.DepthOfFieldFarMm),
        FiniteOrNull(focus.DepthOfFieldFarMm - focus.DepthOfFieldNearMm),
        focus.BackgroundDiscMm,
        focus.BackgroundDiscFractionOfHeight,
        focus.BackgroundDiscFractionOfWidth,
        focus.AiryDiscMm,
        ToWire(focus.SubjectFigure),
        ToWire(focus.BackgroundFigure));

    private static FigureOutput ToWire(in StandingFigure figure) => new(figure.HeadFromTop, figure.FeetFromTop);

    private static DifferenceOutput ToWire(in RigDifference difference) => new(
        difference.CropFactorPercent,
        difference.EquivalentFocalLengthPercent,
        difference.LightStops,
        difference.BlurStops,
        difference.Focus?.FieldWidthPercent,
        difference.Focus?.DepthOfFieldNearMm,
        difference.Focus?.DepthOfFieldFarMm,
        difference.Focus?.DepthOfFieldMm,
        difference.Focus?.BackgroundDiscPercent);

    private static FocusErrorOutput TooClose(in RigReport report, in Scene scene)
    {
        var nearest = report.NearestSubjectDistanceMm;
        var say = Quantity.SubjectDistance.Say;
        return new FocusErrorOutput(
            "tooClose",
            nearest,
            $"{say(scene.SubjectDistanceMm)} is nearer than this lens can focus; its limit is {say(nearest)}, four focal lengths.",
            $"Move the camera back to {say(nearest)} or more, or use a shorter focal length.");
    }

    private static double? FiniteOrNull(double value) => double.IsFinite(value) ? value : null;
}

using FsCheck.Xunit;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Tests.Rigs;

/// <summary>What must hold for any rig in any scene.</summary>
[Properties(Arbitrary = [typeof(RandomSetups)], MaxTest = 2000)]
public sealed class RigProperties
{
    private static bool Near(double a, double b, double relative = 1e-9) => Math.Abs(a - b) <= relative * Math.Max(Math.Abs(a), Math.Abs(b));

    [Property]
    public bool Nothing_is_not_a_number_and_only_distances_may_be_infinite(RandomSetup setup)
    {
        var report = setup.Report;
        var focus = report.Focus!.Value;
        double[] finite =
        [
            report.Sensor.UsedWidthMm, report.Sensor.UsedHeightMm, report.Crop.Delivered, report.Crop.Diagonal,
            report.Lens.EquivalentFocalLengthMm, report.Lens.EquivalentFNumber, report.Lens.LightGainStops,
            report.Angle.HorizontalDeg, report.Angle.VerticalDeg, report.Angle.DiagonalDeg, report.Angle.EdgeStretch,
            report.Sharpness.CircleOfConfusionMm, report.Sharpness.HyperfocalDistanceMm!.Value,
            focus.Magnification, focus.FieldWidthMm, focus.FieldHeightMm, focus.DepthOfFieldNearMm,
            focus.BackgroundDiscMm, focus.BackgroundDiscFractionOfHeight, focus.AiryDiscMm,
            focus.BackgroundFigure.HeadFromTop, focus.BackgroundFigure.FeetFromTop,
        ];
        return finite.All(double.IsFinite) && !double.IsNaN(focus.DepthOfFieldFarMm) && !double.IsNaN(focus.BackgroundFieldWidthMm);
    }

    [Property]
    public bool The_subject_lies_in_the_sharp_zone(RandomSetup setup)
    {
        var focus = setup.Report.Focus!.Value;
        var rounding = setup.Scene.SubjectDistanceMm * 1e-12;
        return focus.DepthOfFieldNearMm <= setup.Scene.SubjectDistanceMm + rounding
            && focus.DepthOfFieldFarMm >= setup.Scene.SubjectDistanceMm - rounding;
    }

    [Property]
    public bool At_the_limits_of_the_sharp_zone_the_disc_is_the_circle_of_confusion(RandomSetup setup)
    {
        var report = setup.Report;
        var focus = report.Focus!.Value;
        double DiscAt(double distance) =>
            RigEvaluator.Evaluate(setup.Scene with { BackgroundDistanceMm = distance }, Conventions.Default, setup.Rig).Focus!.Value.BackgroundDiscMm;

        // Where the zone is thinner than a millionth of the distance, rounding alone moves the disc by more than is asked.
        var thin = focus.DepthOfFieldFarMm - focus.DepthOfFieldNearMm < 1e-6 * setup.Scene.SubjectDistanceMm;
        return thin || (Near(DiscAt(focus.DepthOfFieldNearMm), report.Sharpness.CircleOfConfusionMm, 1e-6)
            && (double.IsInfinity(focus.DepthOfFieldFarMm) || Near(DiscAt(focus.DepthOfFieldFarMm), report.Sharpness.CircleOfConfusionMm, 1e-6)));
    }

    [Property]
    public bool A_tighter_aperture_never_shrinks_the_sharp_zone(RandomSetup setup)
    {
        var wide = setup.Report.Focus!.Value;
        var tight = setup.With(rig => rig with { FNumber = rig.FNumber * 1.4 }).Focus!.Value;
        return tight.DepthOfFieldNearMm <= wide.DepthOfFieldNearMm * (1 + 1e-12)
            && tight.DepthOfFieldFarMm >= wide.DepthOfFieldFarMm * (1 - 1e-12);
    }

    [Property]
    public bool Equivalents_multiply(RandomSetup setup)
    {
        var report = setup.Report;
        return Near(report.Lens.EquivalentFocalLengthMm, setup.Rig.FocalLengthMm * setup.Rig.Optics.Magnification * report.Crop.Delivered)
            && Near(report.Lens.EquivalentFNumber, setup.Rig.FNumber * setup.Rig.Optics.Magnification * report.Crop.Delivered);
    }

    [Property]
    public bool The_equivalent_lens_on_the_reference_format_sees_the_same_angle_and_the_same_blur_at_infinity(RandomSetup setup)
    {
        if (setup.Rig.Squeeze != 1)
        {
            return true;
        }

        var ours = setup.Report;
        var scene = setup.Scene with { DeliveryAspect = ours.Sensor.DeliveredAspect };
        var reference = RigEvaluator.Evaluate(
            scene, Conventions.Default, new Rig(36, 24, ours.Lens.EquivalentFocalLengthMm, ours.Lens.EquivalentFNumber));
        return Near(reference.Angle.HorizontalDeg, ours.Angle.HorizontalDeg)
            && Near(reference.Angle.DiagonalDeg, ours.Angle.DiagonalDeg)
            && Near(ours.Lens.EffectiveFocalLengthMm / ours.Lens.EffectiveFNumber, reference.Lens.EffectiveFocalLengthMm / reference.Lens.EffectiveFNumber);
    }

    [Property]
    public bool Trimmed_crop_factors_agree_by_width_height_and_diagonal(RandomSetup setup)
    {
        var report = setup.Report;
        var reference = UsedArea.Trim(36, 24, 1, report.Sensor.DeliveredAspect);
        var ours = new UsedArea(report.Sensor.UsedWidthMm, report.Sensor.UsedHeightMm, setup.Rig.Squeeze);
        return Near(reference.WidthMm / ours.PictureWidthMm, report.Crop.Delivered)
            && Near(reference.PictureDiagonalMm / ours.PictureDiagonalMm, report.Crop.Delivered);
    }

    [Property]
    public bool The_trim_only_takes_away_and_gives_the_delivered_shape(RandomSetup setup)
    {
        var sensor = setup.Report.Sensor;
        return sensor.UsedWidthMm <= setup.Rig.SensorWidthMm / setup.Rig.PunchIn * (1 + 1e-12)
            && sensor.UsedHeightMm <= setup.Rig.SensorHeightMm / setup.Rig.PunchIn * (1 + 1e-12)
            && Near(setup.Rig.Squeeze * sensor.UsedWidthMm / sensor.UsedHeightMm, sensor.DeliveredAspect);
    }

    [Property]
    public bool A_reducer_widens_the_field_and_gains_its_light(RandomSetup setup)
    {
        var bare = setup.With(rig => rig with { Optics = OpticsChain.None });
        var reduced = setup.With(rig => rig with { Optics = new OpticsChain(0.71) });
        return reduced.Angle.HorizontalDeg > bare.Angle.HorizontalDeg
            && Near(reduced.Lens.LightGainStops, -2 * Math.Log2(0.71))
            && Near(2 * Math.Log2(bare.Lens.EffectiveFNumber / reduced.Lens.EffectiveFNumber), -2 * Math.Log2(0.71));
    }

    [Property]
    public bool The_blur_behind_grows_with_distance_and_never_exceeds_that_at_infinity(RandomSetup setup)
    {
        double Disc(double distance) =>
            RigEvaluator.Evaluate(setup.Scene with { BackgroundDistanceMm = distance }, Conventions.Default, setup.Rig).Focus!.Value.BackgroundDiscMm;
        var near = Disc(setup.Scene.SubjectDistanceMm * 1.5);
        var far = Disc(setup.Scene.SubjectDistanceMm * 3);
        var infinite = Disc(double.PositiveInfinity);
        return near < far && far < infinite && Disc(setup.Scene.SubjectDistanceMm) <= 1e-9 * infinite;
    }

    [Property]
    public bool Nearer_than_four_focal_lengths_there_is_no_focus(RandomSetup setup)
    {
        var nearest = setup.Report.Limits.NearestSubjectDistanceMm;
        RigReport At(double distance) => RigEvaluator.Evaluate(setup.Scene with { SubjectDistanceMm = distance }, Conventions.Default, setup.Rig);
        return At(nearest * 0.999).Focus is null && At(nearest).Focus is { } life && Near(life.Magnification, 1)
            && Near(nearest, ThinLens.NearestSubjectDistanceMm(setup.Rig.FocalLengthMm * setup.Rig.Optics.Magnification));
    }
}

using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Figures;

namespace Juxtopsis.Core.Tests.Rigs;

/// <summary>Cases small enough to follow with a pencil; the working stands beside each.</summary>
public sealed class RigByHand
{
    private static readonly Scene Plain = new(1000);

    [Fact]
    public void A_four_thirds_area_that_delivers_wide_is_not_a_crop_of_two()
    {
        // 36 / 17.3 = 2.0809 once both are trimmed to 16:9; by the bare diagonals 43.267 / 21.640 = 1.9994.
        var report = RigEvaluator.Evaluate(Plain with { DeliveryAspect = 16.0 / 9 }, Conventions.Default, new Rig(17.3, 13, 25, 2));
        Assert.Equal(2.0809, report.Crop.Delivered, 4);
        Assert.Equal(1.9994, report.Crop.Diagonal, 4);
        Assert.Equal(52.023, report.Lens.EquivalentFocalLengthMm, 3);
        Assert.Equal(4.1618, report.Lens.EquivalentFNumber, 4);
        Assert.Equal(2, report.Lens.EffectiveFNumber);
    }

    [Fact]
    public void Pixels_follow_the_trim_and_the_punch_in()
    {
        // 5184 × 3888 at 4:3, trimmed to 16:9: 5184 × 2916; punched in 1.2: 4320 × 2430; 3840 asked: 0.8889, 1.125 left.
        var rig = new Rig(17.3, 12.975, 25, 2) { Recorded = new PixelSize(5184, 3888), PunchIn = 1.2 };
        var sensor = RigEvaluator.Evaluate(Plain with { DeliveryAspect = 16.0 / 9, DeliveryWidthPx = 3840 }, Conventions.Default, rig).Sensor;
        Assert.Equal(4320, sensor.UsedPixels!.Value.Width, 6);
        Assert.Equal(2430, sensor.UsedPixels!.Value.Height, 6);
        Assert.Equal(3840.0 / 4320, sensor.Enlargement!.Value, 9);
        Assert.Equal(1.125, sensor.PunchInLeft!.Value, 9);
    }

    [Fact]
    public void A_squeezed_picture_needs_enlarging_across()
    {
        // 4000 × 3000 at 2× gives 2.667; trimmed to 2: 3000 × 3000 of the sensor. 4096 × 2048 asked: across 1.365, up 0.683.
        var rig = new Rig(24, 18, 50, 2.8) { Recorded = new PixelSize(4000, 3000), Squeeze = 2 };
        var sensor = RigEvaluator.Evaluate(Plain with { DeliveryAspect = 2, DeliveryWidthPx = 4096 }, Conventions.Default, rig).Sensor;
        Assert.Equal(4096 / 3000.0, sensor.Enlargement!.Value, 9);
        Assert.Equal(18, sensor.UsedWidthMm, 9);
    }

    [Fact]
    public void A_front_squeeze_draws_discs_that_stand_upright()
    {
        // In the finished picture the disc is S times taller than wide; the picture is 2 wide to 1 high, so shares differ by 4.
        var rig = new Rig(18, 18, 50, 2.8) { Squeeze = 2 };
        var focus = RigEvaluator.Evaluate(Plain with { DeliveryAspect = 2 }, Conventions.Default, rig).Focus!.Value;
        Assert.Equal(focus.BackgroundDiscFractionOfHeight, 4 * focus.BackgroundDiscFractionOfWidth, 12);
        Assert.Equal(25, RigEvaluator.Evaluate(Plain, Conventions.Default, rig).Lens.FocalLengthAcrossMm);
    }

    [Fact]
    public void Life_size_is_life_size()
    {
        // 100 mm at 400 mm: s = v = 200, m = 1, so a 36 mm sensor sees 36 mm.
        var focus = RigEvaluator.Evaluate(new Scene(400), Conventions.Default, new Rig(36, 24, 100, 8)).Focus!.Value;
        Assert.Equal(1, focus.Magnification, 12);
        Assert.Equal(36, focus.FieldWidthMm, 9);
    }

    [Fact]
    public void Figures_stand_in_true_perspective()
    {
        // m = f/(s−f). With s = 2050 and f = 50: m = 1/40, D = s + v = 2050 + 51.25, field 24·40 = 960 mm high.
        // A 1750 mm figure before a lens 1600 mm up: head 150/960 above the middle, feet 1600/960 below it.
        var scene = new Scene(2101.25) { BackgroundDistanceMm = 4151.25, LensHeightMm = 1600 };
        var focus = RigEvaluator.Evaluate(scene, Conventions.Default, new Rig(36, 24, 50, 2)).Focus!.Value;
        Assert.Equal(960, focus.FieldHeightMm, 6);
        Assert.Equal(0.5 - 150 / 960.0, focus.SubjectFigure.HeadFromTop, 9);
        Assert.Equal(0.5 + 1600 / 960.0, focus.SubjectFigure.FeetFromTop, 9);

        // The background is 4100 mm from the lens, twice as far: half the size.
        Assert.Equal(1920, focus.BackgroundFieldHeightMm, 6);
        Assert.Equal(0.5 - 150 / 1920.0, focus.BackgroundFigure.HeadFromTop, 9);
    }

    [Fact]
    public void At_infinity_a_figure_is_a_point_on_the_horizon()
    {
        var focus = RigEvaluator.Evaluate(Plain, Conventions.Default, new Rig(36, 24, 50, 2)).Focus!.Value;
        Assert.Equal(0.5, focus.BackgroundFigure.HeadFromTop);
        Assert.Equal(0.5, focus.BackgroundFigure.FeetFromTop);
    }

    [Fact]
    public void Differences_are_told_in_stops_and_per_cent()
    {
        // f/2 against f/2.8284: one stop more light. Same sensor, 70 mm against 35 mm: 100 % longer.
        var yardstick = new Rig(36, 24, 35, 2 * Math.Sqrt(2));
        var rig = new Rig(36, 24, 70, 2);
        Assert.Equal(1, Case.Difference(FigureId.EffectiveFNumber, rig, yardstick)!.Value, 9);
        Assert.Equal(1, Case.Difference(FigureId.EquivalentFNumber, rig, yardstick)!.Value, 9);
        Assert.Equal(100, Case.Difference(FigureId.EquivalentFocalLengthMm, rig, yardstick)!.Value, 9);
    }
}

using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Core.Tests.Briefs;

/// <summary>How much a picture must take in. Each figure is worked by hand beside it.</summary>
public sealed class WantedFrameTests
{
    private static ShotBrief Of(SubjectKind kind, ShotSize size) => new(new ShotSubject(kind, 1750) { WidthMm = 1200 }, size);

    // A cut from the top of the head to a landmark, over what headroom (8 %) and footroom leave of the picture.
    [Theory]
    [InlineData(ShotSize.ExtremeCloseUp, 0.10 * 1750)]
    [InlineData(ShotSize.CloseUp, 0.20 * 1750 / 0.92)]
    [InlineData(ShotSize.MediumCloseUp, 0.28 * 1750 / 0.92)]
    [InlineData(ShotSize.Medium, 0.40 * 1750 / 0.92)]
    [InlineData(ShotSize.ThreeQuarter, 0.60 * 1750 / 0.92)]
    [InlineData(ShotSize.Full, 1750 / 0.87)]
    [InlineData(ShotSize.Wide, 3500)]
    [InlineData(ShotSize.VeryWide, 10500)]
    public void A_figure_is_cut_at_its_landmarks(ShotSize size, double height)
    {
        var frame = WantedFrame.Of(Of(SubjectKind.Standing, size));
        Assert.Equal(height, frame.HeightMm, 1e-9);
        Assert.Equal(height * 16 / 9, frame.WidthMm, 1e-9);
        Assert.Equal(FrameDecider.Upright, frame.Decider);
    }

    [Fact]
    public void Headroom_stands_above_the_head_and_the_cut_at_the_lower_edge()
    {
        var frame = WantedFrame.Of(Of(SubjectKind.Standing, ShotSize.Medium));
        Assert.Equal(0.6 * 1750, frame.BottomMm, 1e-9);
        Assert.Equal(0.08, (frame.BottomMm + frame.HeightMm - 1750) / frame.HeightMm, 1e-9);
        Assert.Equal(frame.BottomMm + frame.HeightMm / 2, frame.LensHeightMm, 1e-9);
    }

    [Fact]
    public void Somebody_seated_is_cut_alike_and_lower()
    {
        var (up, down) = (WantedFrame.Of(Of(SubjectKind.Standing, ShotSize.CloseUp)), WantedFrame.Of(Of(SubjectKind.Seated, ShotSize.CloseUp)));
        Assert.Equal(up.HeightMm, down.HeightMm, 1e-9);
        Assert.Equal(0.22 * 1750, up.BottomMm - down.BottomMm, 1e-9);

        // Head to feet of somebody who sits is 78 % of the standing height.
        Assert.Equal(0.78 * 1750 / 0.87, WantedFrame.Of(Of(SubjectKind.Seated, ShotSize.Full)).HeightMm, 1e-9);
    }

    [Theory]
    [InlineData(16.0 / 9, 3000)]
    [InlineData(2.39, 900)]
    [InlineData(1.0, 12000)]
    [InlineData(9.0 / 16, 5000)]
    public void From_a_distance_a_lens_of_its_equivalent_on_full_frame_takes_it_in(double aspect, double distance)
    {
        var frame = WantedFrame.Of(Of(SubjectKind.Standing, ShotSize.Medium) with { DeliveryAspect = aspect });
        var rig = new Rig(36, 24, frame.EquivalentFromMm(distance, Conventions.Default), 4);
        var report = RigEvaluator.Evaluate(new Scene(distance) { DeliveryAspect = aspect }, Conventions.Default, rig);
        Assert.Equal(1, report.Focus!.Value.FieldHeightMm / frame.HeightMm, 1e-9);
        Assert.Equal(1, report.Focus!.Value.FieldWidthMm / frame.WidthMm, 1e-9);
        Assert.Equal(rig.FocalLengthMm, report.Lens.EquivalentFocalLengthMm, 1e-9);
    }

    [Fact]
    public void Beside_each_other_people_need_width_and_that_may_decide()
    {
        // Two at 900 mm: 900 + 0.259·1750 = 1353.25 mm of people, 88 % of the width: 1537.8 mm across, so 865 mm upright; a close-up needs 380.
        var brief = new ShotBrief(new ShotSubject(SubjectKind.Group, 1750) { Count = 2, SpacingMm = 900 }, ShotSize.CloseUp);
        var frame = WantedFrame.Of(brief);
        Assert.Equal(FrameDecider.Across, frame.Decider);
        Assert.Equal(1353.25 / 0.88, frame.WidthMm, 1e-6);

        // For an upright delivery the shoulders of one decide.
        var upright = WantedFrame.Of(Of(SubjectKind.Standing, ShotSize.Medium) with { DeliveryAspect = 9.0 / 16 });
        Assert.Equal(FrameDecider.Across, upright.Decider);
        Assert.Equal(0.259 * 1750 / 0.88, upright.WidthMm, 1e-9);
    }

    [Fact]
    public void A_thing_fills_its_share_in_the_direction_that_it_fills_more()
    {
        // 1200 × 1750 mm at 75 %: 2333 upright; 1200/0.75 = 1600 across would be 900 upright.
        Assert.Equal(1750 / 0.75, WantedFrame.Of(Of(SubjectKind.Thing, ShotSize.MediumCloseUp)).HeightMm, 1e-9);
        var flat = new ShotBrief(new ShotSubject(SubjectKind.Thing, 200) { WidthMm = 1600, BaseMm = 700 }, ShotSize.Medium);
        Assert.Equal(3200, WantedFrame.Of(flat).WidthMm, 1e-9);
        Assert.Equal(800, WantedFrame.Of(flat).LensHeightMm, 1e-9);
    }

    [Fact]
    public void A_table_is_foreshortened_unless_the_camera_hangs_above_it()
    {
        var table = new ShotBrief(new ShotSubject(SubjectKind.Table, 1000) { WidthMm = 800 }, ShotSize.CloseUp);
        Assert.Equal(573.6 / 0.95, WantedFrame.Of(table).HeightMm, 1e-9);
        Assert.Equal(800 / 0.95, WantedFrame.Of(table with { DeliveryAspect = 1.2 }).WidthMm, 1e-9);
        Assert.Equal(1000 / 0.95, WantedFrame.Of(table with { CameraSupport = CameraSupport.Overhead }).HeightMm, 1e-9);
    }

    [Theory]
    [InlineData(true, 1600, 900)]
    [InlineData(false, 900, 900)]
    public void What_is_typed_goes_before_the_name(bool across, double size, double height)
    {
        var frame = WantedFrame.Of(Of(SubjectKind.Standing, ShotSize.VeryWide) with { Typed = new FramedSize(size, across) });
        Assert.Equal((height, FrameDecider.Typed), (frame.HeightMm, frame.Decider));
    }

    [Theory]
    [InlineData(CameraSupport.Tripod, 42, 900)]
    [InlineData(CameraSupport.Tripod, 600, 1050)]
    [InlineData(CameraSupport.HandHeld, 42, 392)]
    [InlineData(CameraSupport.Gimbal, 42, 642)]
    [InlineData(CameraSupport.Overhead, 42, 122)]
    [InlineData(CameraSupport.SelfHeld, 42, 0)]
    [InlineData(CameraSupport.Drone, 42, 1542)]
    public void What_must_be_behind_the_camera_goes_by_how_it_is_carried(CameraSupport support, double back, double rear) =>
        Assert.Equal(rear, CameraSupports.RearMm(support, back));
}

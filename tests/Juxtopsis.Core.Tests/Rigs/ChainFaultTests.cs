using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Rigs;

/// <summary>Errors of judgement about chains that were found once, each by the case in which it was found.</summary>
public sealed class ChainFaultTests
{
    private static Solution Stand(Rig rig, double sizeMm, Scene? scene = null, Conventions? conventions = null) => FramingSolver.Distance(
        scene ?? new Scene(2000), conventions ?? Conventions.Default, rig, new FramedSize(sizeMm, IsAcross: true), LengthUnit.Metres);

    [Fact]
    public void A_framing_that_a_close_up_lens_keeps_from_focus_is_not_met()
    {
        // With 2 dioptres a lens of 100 mm at infinity draws at 0.2 or more: 180 mm across at most, never a metre.
        var rig = new Rig(36, 20.25, 100, 4) { CloseUpDioptres = 2, Lens = new() { MinimumFocusDistanceMm = 280, MaximumMagnification = 1 } };
        var answer = Stand(rig, 1000);
        Assert.False(answer.IsMet);
        Assert.Equal(SolveBound.MaximumFocusDistance, answer.Bound);
        Assert.Equal(180, answer.FieldWidthMm!.Value, 3);
    }

    [Fact]
    public void Beyond_life_size_an_answer_says_which_of_two_places_of_the_ring_is_meant()
    {
        var rig = new Rig(36, 24, 50, 4) { ExtensionMm = 40, Lens = new() { MinimumFocusDistanceMm = 220 } };
        var answer = Stand(rig, 36 / 1.2);
        Assert.True(answer is { IsMet: true, RackedFarther: true });
        var there = RigEvaluator.Evaluate(new Scene(answer.SubjectDistanceMm!.Value), Conventions.Default, rig with { RackedFarther = true });
        Assert.Equal(1.2, there.Focus!.Value.Magnification, 9);

        // Less than its ring at infinity gives, and more than at its mark, it does not draw.
        Assert.False(Stand(rig, 36 / 0.79).IsMet);
        Assert.False(Stand(rig, 36 / 1.35).IsMet);
    }

    [Fact]
    public void Nothing_is_framed_inside_the_lens()
    {
        var rig = new Rig(36, 24, 50, 4) { ExtensionMm = 30, Lens = new() { FrontFromSensorMm = 205 } };
        Assert.Equal(SolveBound.LensFront, Stand(rig, 36).Bound);
        var fromFront = Stand(rig, 36, conventions: Conventions.Default with { DistanceFrom = DistanceMark.LensFront });
        Assert.False(fromFront.IsMet);
        Assert.True(fromFront.SubjectDistanceMm > 0);
    }

    [Fact]
    public void A_tube_before_a_reducer_focuses_where_tracing_says()
    {
        GearItem fifty = Made.FarLens.With(LensFields.Short, 50.0).With(LensFields.Nearest, 450.0).With(LensFields.Ratio, null);
        var reducer = Made.Adapter.With(AdapterFields.Magnification, 0.71).With(CommonFields.Length, 26 - 40 * 0.29);
        var tube = Made.Tube.With(AdapterFields.BodyMount, "Far").With(AdapterFields.LensMount, "Far");
        var before = Made.Assemble(new(), Made.Body, reducer, tube, fifty).Rig!.Value;
        Assert.Equal((0.71, 40.0, 12.0), (before.Optics.First.Magnification, Math.Round(before.Optics.First.PlaceMm!.Value, 9), before.ExtensionMm));
        var limits = RigEvaluator.Evaluate(new Scene(280), Conventions.Default, before).Limits;
        Assert.Equal(237.26, limits.NearestSubjectDistanceMm, 2);
        Assert.Equal(308.73, limits.FarthestSubjectDistanceMm, 2);

        // Behind the reducer the same tube is another thing.
        var behind = Made.Assemble(new(), Made.Body, Made.Tube, reducer, fifty).Rig!.Value;
        Assert.Equal((12.0, 0.0), (behind.Optics.First.TubeBehindMm, behind.ExtensionMm));
        Assert.NotEqual(308.73, RigEvaluator.Evaluate(new Scene(280), Conventions.Default, behind).Limits.FarthestSubjectDistanceMm, 1);
    }

    [Fact]
    public void An_unknown_pupil_is_one_behind_glass_too()
    {
        // A macro lens at life size loses two stops whatever stands behind it.
        var macro = new LensData { MinimumFocusDistanceMm = 310, MaximumMagnification = 1 };
        var rig = new Rig(36, 24, 105, 4) { Optics = new OpticsChain(2), Lens = macro };
        double Lost(Rig r) => RigEvaluator.Evaluate(new Scene(RigEvaluator.Evaluate(new Scene(900), Conventions.Default, r).Limits.NearestSubjectDistanceMm), Conventions.Default, r).Light.BellowsStops;
        Assert.Equal(2, Lost(rig), 9);
        Assert.Equal(2, Lost(rig with { Lens = macro with { PupilMagnification = 1 } }), 9);
        Assert.Equal(2, Lost(rig with { Optics = OpticsChain.None }), 9);
    }

    [Fact]
    public void What_an_adapter_lets_out_is_scaled_by_the_glass_nearer_to_the_sensor()
    {
        // A reducer on the body with an extender before it: what comes out of the extender is reduced too.
        var reducer = Made.Adapter.With(AdapterFields.Magnification, 0.5);
        var extender = Made.Adapter.With(AdapterFields.BodyMount, "Far").With(AdapterFields.Magnification, 2.0).With(AdapterFields.FastestOut, 6.0).With(AdapterFields.ImageCircleOut, 30.0).WithId(Guid.NewGuid());
        var rig = Made.Assemble(new(), Made.Body, reducer, extender, Made.FarLens).Rig!.Value;
        Assert.Equal(3, rig.OpticsFastestFNumber);
        Assert.Equal(15, rig.Lens.ImageCircleMm!.Value * rig.Optics.Magnification, 9);
    }

    [Fact]
    public void Each_mount_of_a_body_is_measured_by_itself()
    {
        var body = Made.Body.With(BodyFields.Mounts, new[] { "Far", "Near" }).With(BodyFields.Depth, 100.0);
        var near = Made.Assemble(new(), body, Made.Lens);
        var far = Made.Assemble(new(), body, Made.FarLens);
        Assert.Equal(18 + 80, near.Rig!.Value.Lens.FrontFromSensorMm);
        Assert.Equal(44 + 80, far.Rig!.Value.Lens.FrontFromSensorMm);

        // The safe load too is that of the mount: one is told, the other usual.
        var heavy = Made.Lens.With(CommonFields.Weight, 1600.0);
        var sturdy = new MountBook([Made.Near, Made.Far.With(MountFields.SafeLoad, 3000.0)]);
        Assert.Contains(ChainAssembler.Assemble([body, heavy], sturdy, new()).Findings, f => f.Code == DiagnosticCode.LensNeedsSupport);
        Assert.DoesNotContain(ChainAssembler.Assemble([body, heavy.With(LensFields.Mount, "Far")], sturdy, new()).Findings, f => f.Code == DiagnosticCode.LensNeedsSupport);
    }
}

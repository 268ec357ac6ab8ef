using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Core.Tests.Solving;

public sealed class LightSolverTests
{
    private const Giving Everything = Giving.Filter | Giving.Sensitivity | Giving.Shutter | Giving.Aperture;

    private static readonly Scene Yard = new(3000) { Light = new() { BrightnessEv = 15 } };

    // EV 15 wants ƒ4, 1/50 s at: log2(16·50) = 9.64386, so 5.35614 stops too much at ISO 100.
    private static readonly Rig Plain = new(36, 24, 50, 4)
    {
        SensitivityIso = 800,
        LowestIso = 400,
        HighestIso = 3200,
        Lens = new LensData { WidestFNumber = 2, NarrowestFNumber = 16, ZoomShortMm = 50, ZoomLongMm = 50 },
    };

    [Theory]
    [InlineData(-3, 3, 800, 180, 4)] // darker: a filter goes on
    [InlineData(1, 0, 1600, 180, 4)] // brighter: there is none to take off, so the sensitivity rises
    [InlineData(2.5, 0, 3200, 180 * 1.4142135623730951, 4)] // to the highest that is accepted, then the shutter opens by half a stop
    [InlineData(3.5849625007211563, 0, 3200, 270, 2.8284271247461903)] // the shutter to three quarters of a frame, log2 1.5 stops, then the aperture by a stop
    public void Settings_give_in_the_usual_order(double stops, double filter, double iso, double angle, double fNumber) =>
        AssertSet(LightSolver.Brighten(Yard, Plain, stops, [], Everything, Giving.None), Plain, filter, iso, angle, fNumber);

    [Theory]
    [InlineData(-1, 0, 400, 180, 4)]
    [InlineData(-2, 0, 400, 180, 5.656854249492381)] // to the lowest of the body, then the aperture
    [InlineData(-6, 1, 400, 180, 16)] // four of the aperture, then a filter; the shutter last
    public void And_in_an_order_of_a_person_s_own(double stops, double filter, double iso, double angle, double fNumber) =>
        AssertSet(
            LightSolver.Brighten(Yard, Plain, stops, [ExposureControl.Sensitivity, ExposureControl.Aperture], Everything, Giving.None),
            Plain, filter, iso, angle, fNumber);

    [Fact]
    public void What_is_pinned_stays_and_the_next_gives() =>
        AssertSet(LightSolver.Brighten(Yard, Plain, -1, [], Everything, Giving.Filter | Giving.Sensitivity), Plain, 0, 800, 90, 4);

    [Fact]
    public void Contradictory_pins_are_named_with_the_least_that_frees_them()
    {
        var solution = LightSolver.Brighten(Yard, Plain, 2, [], Everything & ~Giving.Aperture, Giving.Sensitivity | Giving.Shutter);
        Assert.Equal(SolveBound.Pinned, solution.Bound);
        Assert.Equal("It stays 2 stops too dark.", solution.Message);
        Assert.Equal("The sensitivity and the shutter are pinned, and the light is held. Let go of the sensitivity: ISO 800 → 3200.", solution.Fix);
    }

    [Fact]
    public void Where_one_pin_is_not_enough_two_are_named()
    {
        var solution = LightSolver.Brighten(Yard, Plain, 2.5, [], Everything & ~Giving.Aperture, Giving.Sensitivity | Giving.Shutter);
        Assert.Equal("The sensitivity and the shutter are pinned, and the light is held. Let go of the sensitivity and the shutter: ISO 800 → 3200, shutter 180 → 254.6°.", solution.Fix);
    }

    [Fact]
    public void Where_two_are_not_enough_all_that_must_be_let_go_of_are_named()
    {
        // Two stops of sensitivity, 0.58 of shutter and two of aperture: four and a half want all three.
        var solution = LightSolver.Brighten(Yard, Plain, 4.5, [], Everything, Giving.Sensitivity | Giving.Shutter | Giving.Aperture);
        Assert.Equal(SolveBound.Pinned, solution.Bound);
        Assert.StartsWith("The sensitivity, the shutter and the aperture are pinned, and the light is held. Let go of the sensitivity, the shutter and the aperture: ISO 800 → 3200, shutter 180 → 270°", solution.Fix, StringComparison.Ordinal);
    }

    [Fact]
    public void Where_no_pin_is_to_blame_light_is_asked_for()
    {
        var solution = LightSolver.Brighten(Yard, Plain, 9, [], Everything, Giving.None);
        Assert.Equal(SolveBound.Sensitivity, solution.Bound);
        Assert.Equal("ISO 800 → 3200, shutter 180 → 270°, ƒ4 → ƒ2. It stays 4.4 stops too dark.", solution.Message);
        Assert.StartsWith("Add light", solution.Fix, StringComparison.Ordinal);
    }

    [Fact]
    public void Filters_that_are_parts_stay()
    {
        var rig = Plain with { FNumber = 2 };
        var followed = ConstraintSolver.Follow(
            Conventions.Default,
            new(Yard, Plain, Giving.None) { FiltersAreFixed = true },
            new(Yard, rig, Giving.None) { FiltersAreFixed = true },
            new Hold(true, false, false, Light: true),
            LengthUnit.Metres);
        Assert.Equal(400, followed.Rig.SensitivityIso!.Value, 1e-9);
        Assert.Equal(0, followed.Rig.FilterStops);
        var note = Assert.Single(followed.Notes);
        Assert.Contains("1 stop too bright", note.Message, StringComparison.Ordinal);
        Assert.Equal("Put a filter of that many stops on.", note.Fix);

        // In an order in which the shutter gives before a filter, it does.
        var turned = ConstraintSolver.Follow(
            Conventions.Default,
            new(Yard, Plain, Giving.None) { FiltersAreFixed = true },
            new(Yard, rig, Giving.None) { FiltersAreFixed = true },
            new Hold(true, false, false, Light: true) { LightGives = [ExposureControl.Shutter] },
            LengthUnit.Metres);
        Assert.Equal((90, 400), (turned.Rig.ShutterAngleDeg!.Value, turned.Rig.SensitivityIso!.Value));
    }

    [Fact]
    public void Without_a_sensitivity_the_shutter_is_next()
    {
        var rig = Plain with { SensitivityIso = null };
        AssertSet(LightSolver.Brighten(Yard, rig, 0.5, [], Everything, Giving.None), rig, 0, null, 180 * 1.4142135623730951, 4);
    }

    [Fact]
    public void A_reducer_that_limits_lets_no_more_light_out()
    {
        // ƒ2 of the lens would be ƒ1.42 behind 0.71; no faster than ƒ2.13 comes out, which is ƒ3 on the lens.
        var rig = Plain with { Optics = new OpticsChain(0.71), OpticsFastestFNumber = 2.13 };
        var solution = LightSolver.Brighten(Yard, rig, 2, [ExposureControl.Aperture], Giving.Aperture, Giving.None);
        Assert.Equal(3, solution.FNumber!.Value, 1e-9);
        Assert.Equal(SolveBound.Sensitivity, solution.Bound);
    }

    [Fact]
    public void Right_exposure_is_where_nothing_is_left_over()
    {
        var right = ConstraintSolver.Bring(
            Conventions.Default, HeldValues.RightExposure, new(Yard, Plain, Giving.None), new Hold(true, false, false, Light: true), LengthUnit.Metres);
        Assert.True(right.IsHeld);
        Assert.Equal(0, RigEvaluator.Evaluate(right.Scene, Conventions.Default, right.Rig).Light.LeftOverStops!.Value, 1e-9);

        // By hand: EV 15 − log2(16·50·100/800), less what focusing at three metres costs.
        Assert.InRange(right.Rig.FilterStops, 8.29, 8.36);
    }

    [Property(MaxTest = 500)]
    public Property Moving_one_and_letting_others_give_keeps_the_end_or_says_why_not()
    {
        var change = from moved in Gen.Elements(Enum.GetValues<ExposureControl>())
                     from tenths in Gen.Choose(-60, 60)
                     from order in Gen.Shuffle(Enum.GetValues<ExposureControl>())
                     from pinned in Gen.Choose(0, 15)
                     from blur in Gen.Elements(false, true)
                     select (moved, stops: tenths / 10.0, order, pinned, blur);
        return Prop.ForAll(Arb.From(change), given =>
        {
            var pinned = Enum.GetValues<ExposureControl>().Where(c => (given.pinned >> (int)c & 1) == 1).Aggregate(Giving.None, (all, c) => all | LightSolver.GivingOf(c));
            var rig = given.moved switch
            {
                ExposureControl.Filter => Plain with { FilterStops = Math.Abs(given.stops) },
                ExposureControl.Sensitivity => Plain with { SensitivityIso = 800 * Math.Pow(2, given.stops) },
                ExposureControl.Shutter => Plain with { ShutterAngleDeg = Math.Min(360, 180 * Math.Pow(2, given.stops)) },
                _ => Plain with { FNumber = Math.Clamp(4 * Math.Pow(2, given.stops / 2), 2, 16) },
            };
            var scene = Yard with { BackgroundDistanceMm = 9000 };
            var hold = new Hold(true, false, given.blur, Light: true) { LightGives = given.order };
            var followed = ConstraintSolver.Follow(Conventions.Default, new(scene, Plain, pinned), new(scene, rig, pinned), hold, LengthUnit.Metres);
            var was = HeldValues.Of(Conventions.Default, new(scene, Plain, Giving.None));
            var has = HeldValues.Of(Conventions.Default, new(scene, followed.Rig, Giving.None));
            if (followed.IsHeld)
            {
                Assert.Equal(was.LightStops, has.LightStops, 1e-6);
            }
            else
            {
                Assert.All(followed.Notes.Where(n => n.Outcome == HoldOutcome.Stopped), n => Assert.NotEmpty(n.Fix));
            }

            // What is pinned, and what the hand moved, is as it was set.
            Assert.True(!pinned.HasFlag(Giving.Filter) || followed.Rig.FilterStops == rig.FilterStops);
            Assert.True(!pinned.HasFlag(Giving.Sensitivity) || followed.Rig.SensitivityIso == rig.SensitivityIso);
            Assert.True(!pinned.HasFlag(Giving.Shutter) || followed.Rig.ShutterAngleDeg == rig.ShutterAngleDeg);
            Assert.True(!pinned.HasFlag(Giving.Aperture) || followed.Rig.FNumber == rig.FNumber);
        });
    }

    private static void AssertSet(Solution solution, Rig rig, double filter, double? iso, double angle, double fNumber)
    {
        Assert.True(solution.IsMet);
        Assert.Equal(filter, solution.FilterStops ?? rig.FilterStops, 1e-9);
        Assert.Equal(iso ?? 0, solution.SensitivityIso ?? rig.SensitivityIso ?? 0, 1e-9 * (iso ?? 1));
        Assert.Equal(angle, solution.ShutterAngleDeg ?? Yard.Shutter.AngleDeg, 1e-9);
        Assert.Equal(fNumber, solution.FNumber ?? rig.FNumber, 1e-9);
    }
}

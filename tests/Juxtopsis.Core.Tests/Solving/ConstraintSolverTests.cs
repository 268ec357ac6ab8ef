using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Core.Tests.Solving;

public sealed class FollowerTests
{
    private static readonly Scene Scene = new(2000) { BackgroundDistanceMm = 5000, DeliveryAspect = 1.5, Light = new() { BrightnessEv = 9 } };
    private static readonly Rig Plain = new(36, 24, 50, 4) { SensitivityIso = 800 };
    private static readonly Hold Framing = new(Place: false, Framing: true, Blur: false, Light: false);
    private static readonly Hold All = new(Place: false, Framing: true, Blur: true, Light: true);

    [Fact]
    public void Twice_the_focal_length_wants_about_twice_the_distance_and_the_background_stays_as_far_behind()
    {
        var followed = Follow(Plain, Plain with { FocalLengthMm = 100 }, Framing);
        Assert.InRange(followed.Scene.SubjectDistanceMm, 3900, 4200);
        Assert.Equal(3000, followed.Scene.BackgroundDistanceMm - followed.Scene.SubjectDistanceMm, 9);
        AssertSame(Values(Plain).FieldHeightMm, Values(followed).FieldHeightMm);
        Assert.Equal(HoldOutcome.Followed, Assert.Single(followed.Notes).Outcome);
        Assert.Contains("× as large beside the subject", followed.Notes[0].Message, StringComparison.Ordinal);
    }

    [Fact]
    public void With_the_place_held_too_the_focal_length_follows_another_sensor()
    {
        // Far away fields go by sensor over focal length: half the sensor wants half the focal length.
        var far = Scene with { SubjectDistanceMm = 200_000, BackgroundDistanceMm = double.PositiveInfinity };
        var followed = ConstraintSolver.Follow(
            Conventions.Default, new(far, Plain, Giving.None), new(far, Plain with { SensorWidthMm = 18, SensorHeightMm = 12 }, Giving.None), Framing with { Place = true }, LengthUnit.Metres);
        Assert.Equal(25, followed.Rig.FocalLengthMm, 0.01);
        Assert.Equal(200_000, followed.Scene.SubjectDistanceMm);
    }

    [Fact]
    public void When_the_distance_is_what_moves_the_focal_length_follows()
    {
        var followed = ConstraintSolver.Follow(Conventions.Default, new(Scene, Plain, Giving.None), new(Scene.From(4000), Plain, Giving.None), Framing, LengthUnit.Metres);
        Assert.InRange(followed.Rig.FocalLengthMm, 95, 103);
        Assert.Equal(4000, followed.Scene.SubjectDistanceMm);
        AssertSame(Values(Plain).FieldHeightMm, Values(followed).FieldHeightMm);
    }

    [Fact]
    public void A_prime_cannot_follow_and_says_so()
    {
        var prime = Plain with { Lens = new LensData { ZoomShortMm = 50, ZoomLongMm = 50 } };
        var followed = ConstraintSolver.Follow(Conventions.Default, new(Scene, prime, Giving.None), new(Scene.From(4000), prime, Giving.None), Framing, LengthUnit.Metres);
        Assert.False(followed.IsHeld);
        Assert.Equal(50, followed.Rig.FocalLengthMm);
        Assert.Contains("all that this lens has", followed.Notes[0].Message, StringComparison.Ordinal);
        Assert.NotEmpty(followed.Notes[0].Fix);
    }

    [Fact]
    public void A_room_too_short_stops_at_its_wall()
    {
        var room = Scene with { FarthestCameraMm = 3000 };
        var followed = ConstraintSolver.Follow(Conventions.Default, new(room, Plain, Giving.None), new(room, Plain with { FocalLengthMm = 100 }, Giving.None), Framing, LengthUnit.Metres);
        Assert.Equal(3000, followed.Scene.SubjectDistanceMm);
        Assert.Equal(HoldOutcome.Stopped, followed.Notes[0].Outcome);
    }

    [Fact]
    public void What_the_hand_itself_moved_gives()
    {
        var followed = Follow(Plain, Plain with { FocalLengthMm = 35 }, Framing with { Place = true });
        Assert.Equal(35, followed.Rig.FocalLengthMm);
        Assert.Equal(2000, followed.Scene.SubjectDistanceMm);
        Assert.Equal(HoldOutcome.ByHand, Assert.Single(followed.Notes).Outcome);
    }

    [Fact]
    public void The_same_blur_on_a_sensor_half_as_large_from_the_same_place_wants_half_the_f_number()
    {
        // Same framing, same place: blur goes by the entrance pupil, f/N.
        var far = Scene with { SubjectDistanceMm = 100_000, BackgroundDistanceMm = 300_000 };
        var hold = new Hold(Place: true, Framing: true, Blur: true, Light: false);
        var followed = ConstraintSolver.Follow(Conventions.Default, new(far, Plain, Giving.None), new(far, Plain with { SensorWidthMm = 18, SensorHeightMm = 12 }, Giving.None), hold, LengthUnit.Metres);
        Assert.Equal(2, followed.Rig.FNumber, 0.01);
        Assert.True(followed.IsHeld);
    }

    [Theory]
    [InlineData(4, 2, 800, 0, 800, 2)] // two stops opened: a filter goes on
    [InlineData(4, 8, 800, 1, 1600, 0)] // two closed: the filter comes off first, then the sensitivity rises
    public void Light_goes_by_sensitivity_and_filter(double from, double to, double iso, double filter, double isoThen, double filterThen)
    {
        var rig = Plain with { FNumber = from, SensitivityIso = iso, FilterStops = filter };
        var followed = Follow(rig, rig with { FNumber = to }, new Hold(true, false, false, Light: true));
        Assert.Equal(isoThen, followed.Rig.SensitivityIso!.Value, 1e-6);
        Assert.Equal(filterThen, followed.Rig.FilterStops, 1e-6);
        Assert.True(followed.IsHeld);
    }

    [Fact]
    public void A_rig_without_a_sensitivity_takes_one_from_the_rig_that_it_is_brought_to()
    {
        var targets = Values(Plain);
        var brought = ConstraintSolver.Bring(
            Conventions.Default, targets, new(Scene, Plain with { FNumber = 2.8, SensitivityIso = null }, Giving.None), new Hold(true, false, false, true), LengthUnit.Metres);
        Assert.Equal(800 * 2.8 * 2.8 / 16, brought.Rig.SensitivityIso!.Value, 1e-6);
        var undecided = ConstraintSolver.Bring(
            Conventions.Default, targets with { HasSensitivity = false }, new(Scene, Plain, Giving.None), new Hold(true, false, false, true), LengthUnit.Metres);
        Assert.False(undecided.IsHeld);
    }

    [Fact]
    public void What_has_not_changed_is_not_touched() => Assert.Empty(Follow(Plain, Plain, All).Notes);

    [Property(MaxTest = 300)]
    public Property Whatever_changes_what_is_held_is_equal_or_says_what_stopped_it()
    {
        var change = from f in Gen.Choose(12, 300)
                     from width in Gen.Choose(6, 60)
                     from n in Gen.Choose(10, 160)
                     from distance in Gen.Choose(500, 30_000)
                     from which in Gen.Choose(0, 3)
                     select (which, f: (double)f, width: (double)width, n: n / 10.0, distance: (double)distance);
        return Prop.ForAll(Arb.From(change), given =>
        {
            var (scene, rig) = given.which switch
            {
                0 => (Scene, Plain with { FocalLengthMm = given.f }),
                1 => (Scene, Plain with { SensorWidthMm = given.width, SensorHeightMm = given.width / 1.5 }),
                2 => (Scene, Plain with { FNumber = given.n }),
                _ => (Scene.From(given.distance), Plain),
            };
            var followed = ConstraintSolver.Follow(Conventions.Default, new(Scene, Plain, Giving.None), new(scene, rig, Giving.None), All, LengthUnit.Metres);
            if (!followed.IsHeld)
            {
                Assert.All(followed.Notes.Where(n => n.Outcome == HoldOutcome.Stopped), n => Assert.NotEmpty(n.Fix));
                return;
            }

            AssertSame(Values(Plain).FieldHeightMm, Values(followed).FieldHeightMm);
            Assert.Equal(Values(Plain).LightStops, Values(followed).LightStops, 1e-6);
            if (given.which != 2)
            {
                AssertSame(Values(Plain).BlurShare, Values(followed).BlurShare);
            }
        });
    }

    private static Followed Follow(Rig before, Rig after, Hold hold) =>
        ConstraintSolver.Follow(Conventions.Default, new(Scene, before, Giving.None), new(Scene, after, Giving.None), hold, LengthUnit.Metres);

    private static HeldValues Values(Rig rig) => HeldValues.Of(Conventions.Default, new(Scene, rig, Giving.None));

    private static HeldValues Values(Followed followed) => HeldValues.Of(Conventions.Default, new(followed.Scene, followed.Rig, Giving.None));

    private static void AssertSame(double? wanted, double? got) => Assert.Equal(wanted!.Value, got!.Value, 1e-6 * wanted.Value);
}

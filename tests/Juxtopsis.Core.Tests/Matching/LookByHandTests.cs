using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Matching;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Matching;

/// <summary>Looks that two sensor sizes share, worked by hand.</summary>
public sealed class LookByHandTests
{
    private static readonly Scene Scene = new(10_000) { BackgroundDistanceMm = 30_000, DeliveryAspect = 1.5 };

    private static readonly Rig FullFrame = new(36, 24, 50, 2.8);

    private static LookRest Rest(in Rig of, in Rig to) => new(Values(of), Values(to), [20_000]);

    private static LookValues Values(in Rig rig) => LookValues.Of(Scene, rig, RigEvaluator.Evaluate(Scene, Conventions.Default, rig))!.Value;

    [Fact]
    public void Half_the_sensor_half_the_focal_length_and_two_stops_wider_is_the_same_picture()
    {
        var rest = Rest(new Rig(18, 12, 25, 1.4), FullFrame);
        Assert.Equal(50 / 2.8, Values(FullFrame).PupilMm, 9);
        Assert.Equal(Values(FullFrame).PupilMm, rest.Of.PupilMm, 9);
        Assert.Equal(0, rest[LookAspect.Angle], 12);
        Assert.Equal(0, rest[LookAspect.Distance], 12);

        // Where it ends: racked out by a share of its focal length, the longer lens takes in less. F = H(s − f)/f with s = (D + √(D² − 4fD))/2:
        // 24·(9949.747 − 50)/50 = 4751.88 mm and 12·(9974.937 − 25)/25 = 4775.97 mm.
        Assert.Equal(2 * Math.Log2(4775.97 / 4751.88), rest[LookAspect.Framing], 5);

        // p/F·δ/(a + δ): the pupil is the same, the field is not, and the pupil of the shorter lens lies 25.19 mm farther back.
        Assert.Equal(2 * Math.Log2(4751.88 / 4775.97 * (29_949.747 / 29_974.937)), rest[LookAspect.Blur], 5);

        // A quarter of the light lands on a quarter of the area: two stops wider, but for what is lost close up.
        Assert.Equal(2 * Math.Log2(1.4 / 2.8 * (1.00251258 / 1.00505063)), rest[LookAspect.Light], 6);
    }

    [Theory]
    [InlineData(1.5, 35.5, 1.988, 17.04, "a reducer of 0.71 makes the smaller sensor the larger one")]
    [InlineData(2, 35, 1.96, 16.8, "so does one of 0.7")]
    public void Same_angle_and_same_pupil_is_the_same_look(double aspect, double focalLengthMm, double fNumber, double heightMm, string why)
    {
        var rest = Rest(new Rig(aspect * heightMm, heightMm, focalLengthMm, fNumber), FullFrame);
        Assert.True(Math.Abs(rest[LookAspect.Angle]) < 1e-9, why);
        Assert.Equal(rest.To.PupilMm, rest.Of.PupilMm, 6);

        // a·c/(m·p): the circle at the subject goes with the field, F = H(s − f)/f.
        var s = (10_000 + Math.Sqrt(1e8 - 4e4 * focalLengthMm)) / 2;
        Assert.Equal(2 * Math.Log2((s - focalLengthMm) / focalLengthMm * heightMm / 4751.8784 * (s / 9949.7475)), Rest(new Rig(1.5 * heightMm, heightMm, focalLengthMm, fNumber), FullFrame)[LookAspect.SharpZone], 5);
    }

    [Fact]
    public void A_squeeze_before_the_iris_changes_the_shape_of_discs_alone()
    {
        // Twice as wide a picture from half the width: the same angle upright, and discs twice as tall as wide.
        var rest = Rest(new Rig(18, 24, 50, 2.8) { Squeeze = 2 }, FullFrame);
        Assert.Equal(2, rest[LookAspect.BlurShape], 12);
        foreach (var aspect in (LookAspect[])[LookAspect.Angle, LookAspect.Framing, LookAspect.Blur, LookAspect.Light])
        {
            Assert.Equal(0, rest[aspect], 9);
        }

        Assert.Equal(0, Rest(new Rig(18, 24, 50, 2.8) { Squeeze = 2, SqueezePlace = SqueezePlace.Rear }, FullFrame)[LookAspect.BlurShape], 12);
    }

    [Fact]
    public void A_closed_iris_has_as_many_corners_as_blades_and_an_open_one_none()
    {
        var lens = LensData.Unknown with { WidestFNumber = 2, Blades = 9 };
        Assert.Equal(9, Values(FullFrame with { Lens = lens }).DiscCorners);
        Assert.Equal(0, Values(FullFrame with { FNumber = 2, Lens = lens }).DiscCorners);
        Assert.Equal(0, Values(FullFrame).DiscCorners);
    }

    [Fact]
    public void Transmission_is_light_and_not_blur()
    {
        var rest = Rest(FullFrame with { Lens = LensData.Unknown with { WidestFNumber = 2, WidestTNumber = 2 * Math.Sqrt(2) } }, FullFrame);
        Assert.Equal(1, rest[LookAspect.Light], 9);
        Assert.Equal(0, rest[LookAspect.Blur], 12);
    }

    [Fact]
    public void The_sharp_zone_is_the_harmonic_mean_of_both_sides()
    {
        var report = RigEvaluator.Evaluate(Scene, Conventions.Default, FullFrame).Focus!.Value;
        Assert.Equal(2 / (1 / report.DepthInFrontMm + 1 / report.DepthBehindMm), Values(FullFrame).SharpMm, 6);
    }

    private static FittingShelf Shelf(double widest) => FittingShelf.Of(
    [
        Made.Near,
        Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Half", 18, 12).With(ModeFields.Fps, new[] { 25.0 }) }),
        Made.Lens.With(LensFields.Short, 25.0).With(LensFields.Widest, widest).With(LensFields.Nearest, null).With(LensFields.Ratio, null),
    ]);

    [Theory]
    [InlineData(1.2, 0, false)]
    [InlineData(2, -1.0461, true)]
    public void The_shelf_reaches_it_or_is_so_much_short(double widest, double short_, bool wideOpen)
    {
        var match = Assert.Single(new LookSearch(Shelf(widest), new(Scene, Conventions.Default, FullFrame), new()).Finish().Matches);
        Assert.Equal(10_000, match.Scene.SubjectDistanceMm);
        Assert.Equal(short_, match.Rest[LookAspect.Blur], 3);
        Assert.Equal(wideOpen, match.IsWideOpen);

        // 25/N is as wide as makes up for the field that is 1.00507 times larger: 1.4/(1.00507·29 974.9/29 949.7).
        Assert.Equal(wideOpen ? 2 : 1.3918, match.Set.FNumber, 3);
    }

    [Fact]
    public void With_the_framing_pinned_the_camera_moves_and_the_perspective_is_what_is_left()
    {
        var wishes = new LookWishes().With(LookAspect.Distance, new(1)).With(LookAspect.Framing, new(1, IsPinned: true));
        var match = Assert.Single(new LookSearch(Shelf(1.2), new(Scene, Conventions.Default, FullFrame), wishes).Finish().Matches);

        // D = f(1 + m)²/m with m = 12/4751.88.
        Assert.Equal(25 * Math.Pow(1 + 12 / 4751.8784, 2) / (12 / 4751.8784), match.Scene.SubjectDistanceMm, 1);
        Assert.Equal(0, match.Rest[LookAspect.Framing], 7);
        Assert.Empty(match.Broken);
    }

    [Fact]
    public void What_is_pinned_and_cannot_be_is_named_with_the_nearest()
    {
        var scene = Scene with { NearestCameraMm = 12_000 };
        var result = new LookSearch(Shelf(1.2), new(scene, Conventions.Default, FullFrame), new()).Finish();
        var match = Assert.Single(result.Matches);
        Assert.Equal(12_000, match.Scene.SubjectDistanceMm);
        Assert.Equal([LookAspect.Distance], match.Broken);
        Assert.Equal((DiagnosticCode.MustStandTooNear, 2000.0), Assert.Single(result.Contradictions) is var c ? (c.Code, c.By) : default);
    }

    [Fact]
    public void A_look_without_a_plane_of_focus_is_none()
    {
        var result = new LookSearch(Shelf(1.2), new(new Scene(100), Conventions.Default, FullFrame), new()).Finish();
        Assert.Empty(result.Matches);
        Assert.Equal(DiagnosticCode.TooClose, Assert.Single(result.Contradictions).Code);
    }

    [Fact]
    public void Where_nothing_can_be_set_it_says_of_how_many_and_why()
    {
        var result = new LookSearch(Shelf(1.2), new(Scene with { TimelineFps = 50 }, Conventions.Default, FullFrame), new()).Finish();
        Assert.Empty(result.Matches);
        Assert.Equal((DiagnosticCode.RateNotOffered, 1), Assert.Single(result.Misses) is var miss ? (miss.Shortfall.Code, miss.Pairs) : default);
    }
}

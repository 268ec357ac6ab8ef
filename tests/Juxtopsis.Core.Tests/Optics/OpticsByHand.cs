using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Tests.Optics;

/// <summary>Single formulas with their numbers beside them.</summary>
public sealed class OpticsByHand
{
    [Theory]
    [InlineData(36, 24, 43.3, 0)]
    [InlineData(36, 24, 24, 1 - Math.PI * 144 / (36 * 24))]
    [InlineData(20, 20, 20, 1 - Math.PI / 4)]
    [InlineData(36, 24, 0, 1)]
    public void The_share_outside_a_circle_is_its_area(double width, double height, double circle, double dark) =>
        Assert.Equal(dark, Coverage.DarkShare(width, height, circle), 12);

    [Fact]
    public void Only_the_corners_are_dark_when_the_circle_passes_all_sides()
    {
        // 6 × 8 and a circle of 9: the four corners beyond it. Quarter of the light: ∫ from x = 2.0616 (where y = 4) to 3 of √(20.25 − x²).
        var segment = (double x) => (x * Math.Sqrt(20.25 - x * x) + 20.25 * Math.Asin(x / 4.5)) / 2;
        var lit = 4 * Math.Sqrt(20.25 - 16) + segment(3) - segment(Math.Sqrt(20.25 - 16));
        Assert.Equal(1 - lit / 12, Coverage.DarkShare(6, 8, 9), 12);
    }

    [Fact]
    public void An_opening_in_front_needs_the_pupil_and_the_cone() =>
        Assert.Equal(12.5 + 2 * 40 * 0.6, Coverage.OpeningNeededMm(12.5, 40, 0.6), 12);

    [Fact]
    public void A_squeeze_turned_by_one_degree_leans_uprights_and_tilts_levels()
    {
        // sin 2° = 0.0348995; (2 − 1)/2 and (1 − 1/2)/2 of it, over 1 − sin²1°/2 and 1 + sin²1°: 1.7 % and 0.9 %.
        Assert.Equal(0.01745241, Squeezing.UprightLean(2, 1), 8);
        Assert.Equal(0.00872222, Squeezing.LevelTilt(2, 1), 8);

        // At 20° the customary small-angle forms, 0.32139 and 0.16070, are 6 and 12 % off.
        Assert.Equal(0.34136, Squeezing.UprightLean(2, 20), 5);
        Assert.Equal(0.14387, Squeezing.LevelTilt(2, 20), 5);
        Assert.Equal(0, Squeezing.UprightLean(1, 10));
        Assert.Equal(-Squeezing.UprightLean(1.5, 3), Squeezing.UprightLean(1.5, -3), 12);
    }

    [Fact]
    public void The_lean_is_that_of_a_picture_stretched_askew()
    {
        // Stretch by S along an axis turned by a, then squeeze by S straight: where does (0, 1) go?
        const double S = 1.8, A = 2.5 * Math.PI / 180;
        var (c, s) = (Math.Cos(A), Math.Sin(A));
        var squeezedX = (1 / S - 1) * c * s;
        var squeezedY = s * s / S + c * c;
        Assert.Equal(Math.Abs(squeezedX * S / squeezedY), Math.Abs(Squeezing.UprightLean(S, 2.5)), 3);
    }

    [Fact]
    public void A_filter_behind_the_lens_moves_focus_by_a_third_of_its_thickness()
    {
        Assert.Equal(1, BackFocus.FilterShiftMm(3, 1.5), 12);
        Assert.Equal(0, BackFocus.FilterShiftMm(0, 1.5));
    }

    [Fact]
    public void A_mount_that_is_too_long_loses_infinity()
    {
        // 50 mm, 0.05 mm too long: 50 + 2500/0.05 = 50 050 mm from the lens.
        Assert.Equal(50_050, BackFocus.FarthestFromLensMm(50, 0.05), 6);
        Assert.Equal(double.PositiveInfinity, BackFocus.FarthestFromLensMm(50, -0.05));
    }

    [Fact]
    public void A_face_at_half_a_metre_is_stretched_by_a_third()
    {
        Assert.Equal(480.0 / 360, Perspective.FaceStretch(480)!.Value, 12);
        Assert.Null(Perspective.FaceStretch(120));
    }

    [Fact]
    public void A_sideways_move_shifts_near_against_far()
    {
        // m = 0.02, 100 mm, background three times as far: 0.02·100·(1 − 1/3).
        Assert.Equal(4.0 / 3, Perspective.ParallaxMm(0.02, 100, 1.0 / 3), 12);
        Assert.Equal(0, Perspective.ParallaxMm(0.02, 100, 1), 12);
    }

    [Fact]
    public void Each_stop_of_stabilisation_halves_what_the_hand_does()
    {
        Assert.Equal(1, Perspective.Unsteadiness(24, 0));
        Assert.Equal(0.5, Perspective.Unsteadiness(96, 3));
    }

    [Theory]
    [InlineData(180, 25, 0.02)]
    [InlineData(172.8, 24, 0.02)]
    [InlineData(360, 50, 0.02)]
    public void The_shutter_angle_gives_the_time(double angle, double fps, double seconds) =>
        Assert.Equal(seconds, Exposure.TimeSeconds(angle, fps), 12);

    [Fact]
    public void Exposure_values_are_those_of_the_standard()
    {
        // ƒ16 at 1/125 s is EV 15 within rounding of the marks: log2(256·125) = 14.97; 640 lux are EV 8.
        Assert.Equal(14.966, Math.Log2(Exposure.LightNeeded(16, 1.0 / 125, 0)), 3);
        Assert.Equal(8, Exposure.ValueFromLuxEv(640), 12);
        Assert.Equal(8 * Exposure.LightNeeded(4, 0.02, 0), Exposure.LightNeeded(4, 0.02, 3), 9);
    }

    [Theory]
    [InlineData(-2, 0)]
    [InlineData(0.5, 0)]
    [InlineData(0.6, 1)]
    [InlineData(6.3, 6)]
    [InlineData(14, 10)]
    public void The_filter_to_offer_is_the_nearest_whole_one(double leftOver, double filter) =>
        Assert.Equal(filter, Exposure.FixedFilterStops(leftOver));

    [Fact]
    public void A_zoom_that_closes_does_so_evenly_in_stops()
    {
        Assert.Equal(3.5, Exposure.WidestFNumber(18, 18, 72, 3.5, 5.6), 12);
        Assert.Equal(5.6, Exposure.WidestFNumber(72, 18, 72, 3.5, 5.6), 12);

        // 36 mm is half way in octaves: the geometric mean of the two apertures.
        Assert.Equal(Math.Sqrt(3.5 * 5.6), Exposure.WidestFNumber(36, 18, 72, 3.5, 5.6), 12);
    }

    [Theory]
    [InlineData(24, 180, 50, 172.8)]
    [InlineData(25, 180, 50, 180)]
    [InlineData(24, 180, 60, 144)]
    [InlineData(50, 180, 50, 180)]
    [InlineData(25, 10, 50, 90)]
    [InlineData(100, 180, 50, 360)]
    public void The_safe_angle_holds_whole_flickers(double fps, double angle, double mains, double safe)
    {
        var count = Flicker.Count(Exposure.TimeSeconds(angle, fps), mains);
        Assert.Equal(safe, Flicker.SafeAngleDeg(count, fps, mains)!.Value, 9);
        Assert.True(Flicker.IsSafe(Flicker.Count(Exposure.TimeSeconds(safe, fps), mains)));
    }

    [Fact]
    public void Frames_shorter_than_a_flicker_have_no_safe_angle() =>
        Assert.Null(Flicker.SafeAngleDeg(Flicker.Count(Exposure.TimeSeconds(180, 120), 50), 120, 50));

    [Fact]
    public void Diffraction_overtakes_where_its_disc_is_the_circle()
    {
        var n = Blur.DiffractionFNumber(0.03, 1.5);
        Assert.Equal(0.03, Blur.AiryDiscMm(n * 1.5), 12);
        Assert.Equal(14.9, n, 1);
    }

    [Theory]
    [InlineData(10, 3, 0, 1)]
    [InlineData(10, 3, 7, 1)]
    [InlineData(10, 3, 13, 0)]
    [InlineData(3, 10, 0, 0.09)]

    // Two equal circles a radius apart have 2π/3 − √3/2 of r² in common.
    [InlineData(5, 5, 5, 0.39100)]

    // A small bundle whose middle lies on the edge of a far larger opening keeps half, less what that bends away: 1/(3R) of π.
    [InlineData(1000, 1, 1000, 0.49989)]
    public void An_opening_passes_what_two_circles_have_in_common(double opening, double bundle, double offset, double share) =>
        Assert.Equal(share, Coverage.BundleShare(opening, bundle, offset), 5);

    [Fact]
    public void The_share_of_a_bundle_falls_steadily_as_it_moves_out()
    {
        var shares = Enumerable.Range(0, 140).Select(i => Coverage.BundleShare(10, 4, i / 10.0)).ToArray();
        Assert.Equal((1, 0), (shares[0], Coverage.BundleShare(10, 4, 14)));
        Assert.All(shares.Zip(shares.Skip(1)), pair => Assert.True(pair.Second <= pair.First + 1e-12));
    }
}

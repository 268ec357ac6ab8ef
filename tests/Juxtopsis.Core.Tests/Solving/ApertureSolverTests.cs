using FsCheck.Xunit;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;
using Juxtopsis.Core.Tests.Figures;
using Juxtopsis.Core.Tests.Rigs;

namespace Juxtopsis.Core.Tests.Solving;

// The same setups each time: a search among lenses that cannot exist finds a new edge now and then, which is work for a day of its own.
[Properties(Arbitrary = [typeof(RandomFullSetups)], MaxTest = 500, Replay = "(5476768084127439300,3101954802572733087)")]
public sealed class ApertureSolverTests
{
    private static readonly Scene Scene = new(2000) { BackgroundDistanceMm = 6000, DeliveryAspect = 1.5 };
    private static readonly Rig Plain = new(36, 24, 50, 4);

    [Theory]
    [InlineData(1800, 2400)]
    [InlineData(900, 950)]
    [InlineData(3000, double.PositiveInfinity)]
    public void The_zone_that_is_wanted_is_the_zone_that_comes_out(double from, double to)
    {
        var solution = ApertureSolver.ForDepth(Scene, Conventions.Default, Plain, from, to, LengthUnit.Metres);
        Assert.True(solution.IsMet);
        var set = Case.Of(
            Scene with { SubjectDistanceMm = solution.SubjectDistanceMm!.Value, BackgroundDistanceMm = double.PositiveInfinity },
            Plain with { FNumber = solution.FNumber!.Value });
        Assert.Equal(from, set.Figure(FigureId.DepthOfFieldNearMm)!.Value, 1e-6 * from);
        Assert.True(double.IsInfinity(to) ? set.Figure(FigureId.DepthOfFieldFarMm) > 1e8 : Math.Abs(set.Figure(FigureId.DepthOfFieldFarMm)!.Value - to) < 1e-6 * to);
    }

    [Fact]
    public void Far_away_the_focus_is_the_harmonic_mean()
    {
        // 2ab/(a + b) of 100 m and 300 m is 150 m; the lens itself is 50 mm long.
        var solution = ApertureSolver.ForDepth(Scene, Conventions.Default, Plain with { FocalLengthMm = 400 }, 100_000, 300_000, LengthUnit.Metres);
        Assert.Equal(150_000, solution.SubjectDistanceMm!.Value, 300.0);
    }

    [Fact]
    public void An_aperture_that_the_lens_does_not_have_is_told_in_stops()
    {
        // Both within 1 m and 2 m at 50 mm wants about ƒ/21 on full frame; the lens ends at ƒ16.
        var rig = Plain with { Lens = new LensData { WidestFNumber = 1.8, NarrowestFNumber = 16 } };
        var solution = ApertureSolver.ForDepth(Scene, Conventions.Default, rig, 1000, 2000, LengthUnit.Metres);
        Assert.Equal(SolveBound.NarrowestAperture, solution.Bound);
        Assert.Equal(16, solution.FNumber);
        Assert.Contains("stops short", solution.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_zone_that_asks_for_an_opening_so_small_that_diffraction_softens_says_so()
    {
        var solution = ApertureSolver.ForDepth(Scene, Conventions.Default, Plain, 800, 1500, LengthUnit.Metres);
        Assert.Equal(SolveBound.Diffraction, solution.Bound);
        Assert.True(solution.IsMet);
        Assert.Contains("diffraction", solution.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_zone_nearer_than_the_lens_can_focus_is_refused_with_its_limits()
    {
        var solution = ApertureSolver.ForDepth(Scene, Conventions.Default, Plain, 100, 150, LengthUnit.Metres);
        Assert.Equal(SolveBound.MinimumFocusDistance, solution.Bound);
        Assert.Contains("20 cm", solution.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_blur_gives_the_aperture()
    {
        // Blur goes with the pupil: twice the share at half the f-number.
        var now = Case.Of(Scene, Plain).Figure(FigureId.BackgroundDiscFractionOfHeight)!.Value;
        var solution = ApertureSolver.ForBlur(Scene, Conventions.Default, Plain, 2 * now, LengthUnit.Metres);
        Assert.Equal(2, solution.FNumber!.Value, 9);
        Assert.True(solution.IsMet);
    }

    [Fact]
    public void A_blur_that_the_lens_cannot_give_says_how_far_it_falls_short()
    {
        var now = Case.Of(Scene, Plain).Figure(FigureId.BackgroundDiscFractionOfHeight)!.Value;
        var rig = Plain with { Lens = new LensData { WidestFNumber = 2.8 } };
        var solution = ApertureSolver.ForBlur(Scene, Conventions.Default, rig, 4 * now, LengthUnit.Metres);
        Assert.Equal(SolveBound.WidestAperture, solution.Bound);
        Assert.Equal(2.8, solution.FNumber);
        Assert.Contains("wants ƒ1; the widest is ƒ2.8: 3 stops deeper at best", solution.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_background_in_the_plane_of_focus_cannot_be_blurred() => Assert.Equal(
        SolveBound.Impossible,
        ApertureSolver.ForBlur(Scene with { BackgroundDistanceMm = 2000 }, Conventions.Default, Plain, 0.02, LengthUnit.Metres).Bound);

    [Property]
    public void A_met_zone_holds_both_ends(RandomFullSetup setup)
    {
        var conventions = setup.Conventions;
        var solution = ApertureSolver.ForDepth(setup.Scene, conventions, setup.Rig, 2000, 2600, LengthUnit.Metres);
        if (!solution.IsMet)
        {
            return;
        }

        var set = Case.Of(
            setup.Scene with { SubjectDistanceMm = solution.SubjectDistanceMm!.Value, BackgroundDistanceMm = double.PositiveInfinity },
            setup.Rig with { FNumber = solution.FNumber!.Value },
            conventions);
        if (set.Figure(FigureId.DepthOfFieldNearMm) is { } near)
        {
            Assert.True(near <= 2000 * (1 + 1e-6), $"from {near:R}: {solution}");
            Assert.True(set.Figure(FigureId.DepthOfFieldFarMm) >= 2600 * (1 - 1e-6), $"to {set.Figure(FigureId.DepthOfFieldFarMm):R}: {solution}");
        }
    }
}

using FsCheck.Xunit;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;
using Juxtopsis.Core.Tests.Figures;
using Juxtopsis.Core.Tests.Rigs;

namespace Juxtopsis.Core.Tests.Solving;

// The same setups each time; see ApertureSolverTests.
[Properties(Arbitrary = [typeof(RandomFullSetups)], MaxTest = 600, Replay = "(5476768084127439300,3101954802572733087)")]
public sealed class FramingSolverTests
{
    private static readonly Rig Plain = new(36, 24, 50, 4);

    [Fact]
    public void A_framing_gives_the_distance()
    {
        // m = 24/600 = 0.04; D = 50·1.04²/0.04 = 1352 mm.
        var solution = FramingSolver.Distance(new Scene(3000), Conventions.Default, Plain, new FramedSize(600, IsAcross: false), LengthUnit.Metres);
        Assert.True(solution.IsMet);
        Assert.Equal(1352, solution.SubjectDistanceMm!.Value, 6);
        Assert.Equal(600, solution.FieldHeightMm!.Value, 6);
        Assert.Equal("", solution.Fix);
    }

    [Fact]
    public void A_room_too_short_says_by_how_much_and_what_would_lift_it()
    {
        // 1800 mm across: m = 0.02, D = 50·1.02²/0.02 = 2601 mm; the room ends at 2 m.
        var scene = new Scene(1000) { FarthestCameraMm = 2000 };
        var solution = FramingSolver.Distance(scene, Conventions.Default, Plain, new FramedSize(1800, IsAcross: true), LengthUnit.Metres);
        Assert.Equal(SolveBound.FarthestPlace, solution.Bound);
        Assert.Equal(2000, solution.SubjectDistanceMm);
        Assert.Contains("wants 2.601 m", solution.Message, StringComparison.Ordinal);
        Assert.Contains("too short by 60.1 cm", solution.Fix, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(0.5, SolveBound.MinimumFocusDistance)]
    [InlineData(60, SolveBound.NearestPlace)]
    public void Nearness_is_bound_by_focus_or_by_the_place(double sizeMm, SolveBound bound)
    {
        var rig = Plain with { Lens = new LensData { MinimumFocusDistanceMm = 450, MaximumMagnification = 0.15 } };
        var scene = new Scene(1000) { NearestCameraMm = bound == SolveBound.NearestPlace ? 700 : null };
        var solution = FramingSolver.Distance(scene, Conventions.Default, rig, new FramedSize(sizeMm, IsAcross: false), LengthUnit.Metres);
        Assert.Equal(bound, solution.Bound);
        Assert.Equal(bound == SolveBound.NearestPlace ? 700 : 450, solution.SubjectDistanceMm!.Value, 6);
        Assert.NotEmpty(solution.Fix);
    }

    [Fact]
    public void A_place_that_is_too_small_for_the_lens_is_told()
    {
        var scene = new Scene(1000) { FarthestCameraMm = 150 };
        var solution = FramingSolver.Distance(scene, Conventions.Default, Plain, new FramedSize(600, IsAcross: false), LengthUnit.Metres);
        Assert.Equal(SolveBound.Impossible, solution.Bound);
        Assert.Null(solution.SubjectDistanceMm);
    }

    [Fact]
    public void A_framing_from_a_place_gives_the_focal_length()
    {
        // From 1352 mm, 600 mm upright: f = D·m/(1 + m)² = 1352·0.04/1.0816 = 50.
        var rig = Plain with { FocalLengthMm = 24 };
        var solution = FramingSolver.FocalLength(new Scene(1352), Conventions.Default, rig, new FramedSize(600, IsAcross: false), LengthUnit.Metres);
        Assert.Equal(50, solution.FocalLengthMm!.Value, 9);
        Assert.Contains("50 mm frames 60 cm upright", solution.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(18, 35, SolveBound.ZoomLong, 35)]
    [InlineData(70, 200, SolveBound.ZoomShort, 70)]
    [InlineData(85, 85, SolveBound.ZoomShort, 85)]
    public void A_zoom_that_does_not_reach_says_what_would_be_needed(double from, double to, SolveBound bound, double reached)
    {
        var rig = Plain with { FocalLengthMm = from, Lens = new LensData { ZoomShortMm = from, ZoomLongMm = to } };
        var solution = FramingSolver.FocalLength(new Scene(1352), Conventions.Default, rig, new FramedSize(600, IsAcross: false), LengthUnit.Metres);
        Assert.Equal(bound, solution.Bound);
        Assert.Equal(reached, solution.FocalLengthMm);
        Assert.Contains("50 mm would frame", solution.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_reducer_is_reckoned_in()
    {
        // Behind 0.5× a marked 100 mm is the same as 50 mm.
        var rig = Plain with { Optics = new OpticsChain(0.5) };
        var solution = FramingSolver.FocalLength(new Scene(1352), Conventions.Default, rig, new FramedSize(600, IsAcross: false), LengthUnit.Metres);
        Assert.Equal(100, solution.FocalLengthMm!.Value, 9);
    }

    [Fact]
    public void A_room_gives_its_range_of_framings()
    {
        // Between 1352 mm (600 upright at 50 mm) and 2601 mm (m = 1/50: 1200 upright at 50 mm); the zoom goes to 100 mm.
        var rig = Plain with { Lens = new LensData { ZoomShortMm = 50, ZoomLongMm = 100 } };
        var scene = new Scene(2000) { NearestCameraMm = 1352, FarthestCameraMm = 2601 };
        var range = FramingSolver.Range(scene, Conventions.Default, rig, LengthUnit.Metres);
        Assert.Equal(1200, range[0].FieldHeightMm!.Value, 6);
        Assert.Equal(50, range[0].FocalLengthMm);
        Assert.Equal(SolveBound.FarthestPlace, range[0].Bound);
        Assert.Equal(100, range[1].FocalLengthMm);
        Assert.Equal(SolveBound.NearestPlace, range[1].Bound);

        // 100 mm at 1352: s = (1352 + √(1352² − 4·100·1352))/2 = 1243.25, m = 100/1143.25 = 0.08747, 24/m = 274.38.
        Assert.Equal(274.38, range[1].FieldHeightMm!.Value, 2);
    }

    [Fact]
    public void Larger_than_life_through_tube_and_close_up_lens_there_and_back()
    {
        var rig = Plain with { FocalLengthMm = 2029.5, CloseUpDioptres = 25, ExtensionMm = 0.1, Lens = new LensData { FrontFromSensorMm = 2285 } };
        var conventions = Conventions.Default with { DistanceFrom = DistanceMark.LensFront };
        var scene = new Scene(24.66);
        var height = RigEvaluator.Evaluate(scene, conventions, rig).Focus!.Value.FieldHeightMm;
        var solution = FramingSolver.Distance(scene, conventions, rig, new FramedSize(height, IsAcross: false), LengthUnit.Metres);
        Assert.True(solution.IsMet);
        Assert.Equal(height, solution.FieldHeightMm!.Value, 9);
    }

    [Property]
    public bool What_is_solved_is_what_the_rig_then_gives(RandomFullSetup setup)
    {
        var given = setup.Case;
        if (given.Report.Reasons.HasFlag(Reasons.MinimumFocusUnlikely) || given.Figure(FigureId.FieldHeightMm) is not { } height || height is < 0.01 or > 1e8)
        {
            return true;
        }

        // The framing of a distance leads back to a distance with that framing.
        var scene = setup.Scene with { NearestCameraMm = null, FarthestCameraMm = null };
        var solution = FramingSolver.Distance(scene, setup.Conventions, setup.Rig, new FramedSize(height, IsAcross: false), LengthUnit.Metres);
        return !solution.IsMet || Math.Abs(solution.FieldHeightMm!.Value / height - 1) < 1e-6;
    }

    [Property]
    public void Every_answer_has_a_sentence_and_every_bound_a_mend(RandomFullSetup setup)
    {
        List<Solution> all =
        [
            FramingSolver.Distance(setup.Scene, setup.Conventions, setup.Rig, new FramedSize(700, IsAcross: false), LengthUnit.Feet),
            FramingSolver.FocalLength(setup.Scene, setup.Conventions, setup.Rig, new FramedSize(700, IsAcross: true), LengthUnit.Metres),
            .. FramingSolver.Range(setup.Scene with { FarthestCameraMm = 5000 }, setup.Conventions, setup.Rig, LengthUnit.Metres),
            ApertureSolver.ForDepth(setup.Scene, setup.Conventions, setup.Rig, 900, 1500, LengthUnit.Metres),
            ApertureSolver.ForBlur(setup.Scene, setup.Conventions, setup.Rig, 0.02, LengthUnit.Metres),
        ];
        Assert.All(all, s =>
        {
            Assert.EndsWith(".", s.Message, StringComparison.Ordinal);
            Assert.DoesNotContain("NaN", s.Message, StringComparison.Ordinal);
            Assert.True(s.Bound == SolveBound.None || s.Fix.EndsWith('.'), s.Fix);
            Assert.True(s is { FNumber: null or > 0, FocalLengthMm: null or > 0 });
        });
    }
}

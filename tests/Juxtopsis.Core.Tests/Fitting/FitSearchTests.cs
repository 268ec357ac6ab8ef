using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Fitting;

/// <summary>What fits, by cases worked by hand.</summary>
public sealed class FitSearchTests
{
    private static readonly GearItem Body = Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25), Made.Mode("Crop", 24, 13.5) });
    private static readonly GearItem Prime = Made.Lens.With(LensFields.Ratio, null);

    /// <summary>What the lens frames is 1 m upright: m = 20.25/1000, D = 35·1.02025²/0.02025 = 1799.11 mm.</summary>
    private static readonly ShotBrief Metre = new(new ShotSubject(SubjectKind.Standing, 1750), ShotSize.Medium) { Typed = new FramedSize(1000, IsAcross: false) };

    private static readonly Location Room = new() { LengthMm = 5000, WidthMm = 4000, HeightMm = 2500, BehindMm = 1500 };

    private static FittingShelf ShelfOf(params GearItem[] items) => FittingShelf.Of([Made.Near, Made.Far, .. items]);

    private static FitResult Ask(Location location, ShotBrief brief, FittingShelf shelf, RankingCriterion criterion = RankingCriterion.MostBlur, FitRules? rules = null) =>
        new FitSearch(shelf, location, brief, Conventions.Default, criterion, rules: rules).Finish();

    [Theory]
    [InlineData(33.5)]
    [InlineData(36.4)]
    public void A_lens_that_was_measured_is_set_by_its_true_focal_length(double measured)
    {
        var tested = Prime.With(LensFields.TestedFocal, new[] { new GearPoint(35, measured) });
        var (plain, by) = (Ask(Room, Metre, ShelfOf(Body, Prime)).Fits[0], Ask(Room, Metre, ShelfOf(Body, tested)).Fits[0]);
        Assert.Equal(measured / 35, by.Scene.SubjectDistanceMm / plain.Scene.SubjectDistanceMm, 0.002);
        Assert.Equal(35, by.Set.FocalLengthMm);
        Assert.Equal(1000, by.Report.Focus!.Value.FieldHeightMm, 1e-6);
        var marked = Ask(Room, Metre, ShelfOf(Body, tested), rules: FitRules.All with { Measured = false }).Fits[0];
        Assert.Equal(plain.Scene.SubjectDistanceMm, marked.Scene.SubjectDistanceMm, 1e-9);
    }

    [Theory]
    [InlineData(RankingCriterion.MostBlur)]
    [InlineData(RankingCriterion.Deepest)]
    [InlineData(RankingCriterion.Farthest)]
    public void A_zoom_that_was_measured_frames_what_is_wanted_at_every_mark(RankingCriterion criterion)
    {
        var zoom = Prime.With(LensFields.Short, 24.0).With(LensFields.Long, 70.0).With(LensFields.TestedFocal, new GearPoint[] { new(24, 25.1), new(50, 49.5), new(70, 67.2) });
        var fits = Ask(Room, Metre, ShelfOf(Body, zoom), criterion).Fits;
        Assert.NotEmpty(fits);
        Assert.All(fits, fit =>
        {
            Assert.InRange(fit.Set.FocalLengthMm, 24, 70);
            Assert.Equal(1000, fit.Report.Focus!.Value.FieldHeightMm, 1e-4);
        });
    }

    [Fact]
    public void A_prime_stands_where_its_framing_asks_and_the_room_left_is_told()
    {
        var fit = Assert.Single(Ask(Room, Metre, ShelfOf(Body, Prime)).Fits);
        Assert.Equal("Full", fit.Mode.Item.Name);
        Assert.Equal(1799.11, fit.Scene.SubjectDistanceMm, 0.01);
        Assert.Equal(1000, fit.Report.Focus!.Value.FieldHeightMm, 1e-9);

        // 5 m less 1.5 m behind, less the tripod's feet 450 and 450 for whoever stands there, less 1799.11.
        Assert.Equal(5000 - 1500 - 900 - 1799.11, fit.RoomLeftMm, 0.01);
        Assert.Equal(2, fit.Set.FNumber);
    }

    [Fact]
    public void The_cropped_mode_needs_half_as_far_again()
    {
        // 24 × 13.5: m = 0.0135, D = 35·1.0135²/0.0135 = 2663.065 mm, which the shorter room does not have.
        var far = Ask(Room with { LengthMm = 6000 }, Metre, ShelfOf(Body, Prime), RankingCriterion.Farthest).Fits[0];
        Assert.Equal("Crop", far.Mode.Item.Name);
        Assert.Equal(2663.065, far.Scene.SubjectDistanceMm, 0.001);
        Assert.Equal("Full", Ask(Room, Metre, ShelfOf(Body, Prime), RankingCriterion.Farthest).Fits[0].Mode.Item.Name);
    }

    [Fact]
    public void A_room_too_short_says_by_how_much_and_what_would_help()
    {
        // 4.1 m − 1.5 m − 0.9 m leaves 1700 mm: 99.11 mm short in the full mode.
        var result = Ask(Room with { LengthMm = 4100, LeastBehindMm = 1000 }, Metre, ShelfOf(Body, Prime));
        Assert.Empty(result.Fits);
        var miss = Assert.Single(result.Misses);
        Assert.Equal((DiagnosticCode.RoomTooShort, "Full"), (miss.Shortfall.Code, miss.Mode.Item.Name));
        Assert.Equal(99.11, miss.Shortfall.By, 0.01);
        var back = Assert.Single(miss.Remedies, r => r.Kind == RemedyKind.SubjectBack);
        Assert.Equal(1400.89, back.Value, 0.01);

        // From 1700 mm the lens frames 20.25/m with 1700 = 35(1 + m)²/m: m = (46.5714 − √(46.5714² − 4))/2 = 0.021482, 942.64 mm.
        var tighter = Assert.Single(miss.Remedies, r => r.Kind == RemedyKind.OtherFraming);
        Assert.Equal(942.64, tighter.Value, 0.02);
        Assert.DoesNotContain(miss.Remedies, r => r.Kind == RemedyKind.OtherAxis);
        Assert.DoesNotContain(Ask(Room with { LengthMm = 4100, LeastBehindMm = 1450 }, Metre, ShelfOf(Body, Prime)).Misses[0].Remedies, r => r.Kind == RemedyKind.SubjectBack);
    }

    [Fact]
    public void No_miss_of_one_lens_stands_in_for_that_of_another()
    {
        // Six that are too long for the room, six that do not focus near enough, and six of the first again: what was in their way once shared places.
        GearItem Lens(double focalLength, double nearest) => Prime.With(LensFields.Short, focalLength).With(LensFields.Nearest, nearest).WithId(Guid.NewGuid());
        var body = Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25) });
        var lenses = Enumerable.Range(0, 18).Select(i => i / 6 == 1 ? Lens(30 + i, 2590) : Lens(100 + i, 900));
        Assert.Equal(18, Ask(Room, Metre, ShelfOf([body, .. lenses])).MissCount);
    }

    [Fact]
    public void The_camera_keeps_off_with_its_front()
    {
        // The lens reaches 18 + 80 = 98 mm before the mark; to be 1.8 m off it stands at 1898 mm, 98.89 mm too far for the full mode.
        var result = Ask(Room with { KeepOffMm = 1800, LengthMm = 6500 }, Metre, ShelfOf(Body, Prime));
        Assert.Equal("Crop", Assert.Single(result.Fits).Mode.Item.Name);
        var miss = Assert.Single(Ask(Room with { KeepOffMm = 2600, LengthMm = 6500 }, Metre, ShelfOf(Body, Prime)).Misses);
        Assert.Equal((DiagnosticCode.MustStandTooNear, "Crop"), (miss.Shortfall.Code, miss.Mode.Item.Name));
        Assert.Equal(2698 - 2663.065, miss.Shortfall.By, 0.01);
    }

    [Fact]
    public void A_zoom_frames_from_a_range_and_each_wish_takes_its_end()
    {
        var zoom = Prime.With(LensFields.Short, 24.0).With(LensFields.Long, 70.0).With(LensFields.Widest, 2.8).WithId(Guid.NewGuid());
        var body = Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25) });
        var near = Assert.Single(Ask(Room with { LengthMm = null }, Metre, ShelfOf(body, zoom), RankingCriterion.Nearest).Fits);
        Assert.Equal(24 * 1.02025 * 1.02025 / 0.02025, near.Scene.SubjectDistanceMm, 1e-6);
        Assert.Equal(70 * 1.02025 * 1.02025 / 0.02025, near.ToMm, 1e-6);
        var far = Assert.Single(Ask(Room, Metre, ShelfOf(body, zoom), RankingCriterion.Farthest).Fits);

        // The room ends at 2600 mm, where it is zoomed to D·m/(1 + m)².
        Assert.Equal(2600, far.Scene.SubjectDistanceMm, 1e-9);
        Assert.Equal(2600 * 0.02025 / (1.02025 * 1.02025), far.Set.FocalLengthMm, 1e-9);
        Assert.Equal(0, far.RoomLeftMm, 1e-9);
    }

    [Fact]
    public void What_moves_is_held_sharp_and_what_should_be_readable_is()
    {
        var fit = Assert.Single(Ask(Room, Metre with { MovesMm = 400 }, ShelfOf(Body, Prime)).Fits);
        var focus = fit.Report.Focus!.Value;
        Assert.Equal(200, Math.Min(focus.DepthInFrontMm, focus.DepthBehindMm), 1e-6);
        Assert.Equal(0, fit.SharpToSpareMm, 1e-6);
        var readable = Assert.Single(Ask(Room, Metre with { Behind = BackgroundRequirement.Readable }, ShelfOf(Body, Prime)).Fits);
        Assert.Equal(ShotBrief.ReadableShare, readable.Report.Focus!.Value.BackgroundDiscFractionOfHeight, 1e-9);
    }

    [Fact]
    public void Sharp_over_a_step_and_soft_behind_may_contradict_each_other()
    {
        var body = Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25) });
        var brief = Metre with { MovesMm = 1000, Behind = BackgroundRequirement.Soft };
        var (open, fast) = (new Location { BehindMm = 8000 }, Prime.With(LensFields.Widest, 1.2));
        var miss = Assert.Single(Ask(open, brief, ShelfOf(body, fast)).Misses);
        Assert.Equal(DiagnosticCode.SharpnessAgainstBlur, miss.Shortfall.Code);
        var less = Assert.Single(miss.Remedies, r => r.Kind == RemedyKind.MovesLess);
        var fit = Assert.Single(Ask(open, less.Apply(brief), ShelfOf(body, fast)).Fits);

        // As far as it may then move, both just hold.
        Assert.Equal(ShotBrief.SoftShare, fit.Report.Focus!.Value.BackgroundDiscFractionOfHeight, 1e-6);
        Assert.Equal(0, fit.SharpToSpareMm, 1e-3);
    }

    [Fact]
    public void Nearest_focus_offers_a_tube_or_a_close_up_lens_that_fits()
    {
        var closeUp = Made.Of(GearKind.CloseUpLens, "Close-up 3", (FrontFields.Dioptres, 3.0), (CommonFields.RearThread, 67.0));
        var small = new ShotBrief(new ShotSubject(SubjectKind.Thing, 30) { WidthMm = 40 }, ShotSize.CloseUp);
        var miss = Assert.Single(Ask(new Location(), small, ShelfOf(Body, Prime, closeUp, Made.Tube)).Misses);
        Assert.Equal(DiagnosticCode.TooClose, miss.Shortfall.Code);
        Assert.Contains(miss.Remedies, r => r.Kind == RemedyKind.Tube && r.ItemName == "Tube");
        Assert.Contains(miss.Remedies, r => r.Kind == RemedyKind.OtherFraming && r.Value > 30);
        var other = closeUp.With(CommonFields.RearThread, 77.0);
        Assert.DoesNotContain(Ask(new Location(), small, ShelfOf(Body, Prime, other)).Misses[0].Remedies, r => r.Kind == RemedyKind.CloseUp);
    }

    [Fact]
    public void Dark_corners_and_slow_modes_are_no_fit()
    {
        var small = Prime.With(LensFields.ImageCircle, 30.0);
        Assert.Equal("Crop", Assert.Single(Ask(Room with { LengthMm = null }, Metre, ShelfOf(Body, small)).Fits).Mode.Item.Name);
        var tiny = Assert.Single(Ask(Room, Metre, ShelfOf(Body, Prime.With(LensFields.ImageCircle, 20.0))).Misses);
        Assert.Equal(DiagnosticCode.ImageCircleTooSmall, tiny.Shortfall.Code);
        var rated = Body.With(BodyFields.Modes, Body.Get(BodyFields.Modes).Select(m => m.With(ModeFields.Fps, new[] { 25.0, 50.0 })).ToArray());
        var slow = Assert.Single(Ask(Room, Metre with { CaptureFps = 100 }, ShelfOf(rated, Prime)).Misses);
        Assert.Equal((DiagnosticCode.RateNotOffered, 50.0), (slow.Shortfall.Code, slow.Shortfall.By));
        Assert.Equal(50, Assert.Single(slow.Remedies).Value);
    }

    [Fact]
    public void A_circle_that_is_only_estimated_warns_and_refuses_nothing()
    {
        var guessed = Prime.With(LensFields.ImageCircle, null).With(LensFields.MadeFor, "APS-C").With(CommonFields.Name, "Guessed");
        var alone = Ask(Room, Metre, ShelfOf(Body, guessed)).Fits[0];
        Assert.Equal("Full", alone.Mode.Item.Name);
        Assert.True(alone.Report.Sensor.DarkShare > 0.1);
        var warning = Assert.Single(new FitWords(LengthUnit.Metres).Against(alone), f => f.Code == DiagnosticCode.ImageCircleTooSmall);
        Assert.Equal(Severity.Costs, warning.Severity);
        Assert.Contains("note the circle on the Shelf", warning.Fix, StringComparison.Ordinal);

        // What is known to cover goes first, whatever the order.
        foreach (var criterion in Enum.GetValues<RankingCriterion>())
        {
            Assert.Equal(["35 mm", "Guessed"], Ask(Room, Metre, ShelfOf(Body, guessed, Prime.With(CommonFields.Name, "35 mm")), criterion).Fits.Select(f => f.Rig.Lens.Name).Distinct());
        }

        // A circle that an adapter cuts is known, and refuses.
        var cutting = Made.Adapter.With(AdapterFields.ImageCircleOut, 20.0);
        var behind = guessed.With(LensFields.Mount, Made.Far.Name);
        Assert.Equal(DiagnosticCode.ImageCircleTooSmall, Ask(Room, Metre, ShelfOf(Body, behind, cutting)).Misses[0].Shortfall.Code);
    }

    [Fact]
    public void Half_a_millimetre_of_a_circle_is_nobody_s_dark_corner()
    {
        // Full frame trimmed to 16:9 has a diagonal of 41.30 mm.
        Assert.Equal("Full", Ask(Room, Metre, ShelfOf(Body, Prime.With(LensFields.ImageCircle, 40.9))).Fits[0].Mode.Item.Name);
        Assert.NotEqual("Full", Ask(Room with { LengthMm = null }, Metre, ShelfOf(Body, Prime.With(LensFields.ImageCircle, 40.0))).Fits[0].Mode.Item.Name);
    }

    [Fact]
    public void A_faster_rate_is_not_the_rate_that_is_asked_for()
    {
        var body = Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25).With(ModeFields.Fps, new[] { 25.0, 100.0 }) });
        var brief = Metre with { CaptureFps = 50 };
        var miss = Assert.Single(Ask(Room, brief, ShelfOf(body, Prime)).Misses);
        Assert.Equal(DiagnosticCode.RateNotOffered, miss.Shortfall.Code);
        Assert.Equal(25, Assert.Single(miss.Remedies, r => r.Kind == RemedyKind.OfferedRate).Value);
        Assert.Single(Ask(Room, brief, ShelfOf(body, Prime), rules: new FitRules { Rates = false }).Fits);
        Assert.Single(Ask(Room, brief with { CaptureFps = 100 }, ShelfOf(body, Prime)).Fits);
    }

    [Fact]
    public void An_iris_that_is_stuck_is_taken_as_it_is()
    {
        // Wide open at 2 the sharp zone is shallower than the 40 cm that the subject moves: it would have to be closed, and cannot be.
        var shelf = ShelfOf(Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25) }), Made.FarLens.With(LensFields.Ratio, null), Made.Adapter.With(AdapterFields.CarriesIris, false));
        Assert.Equal(2, Assert.Single(Ask(Room, Metre, shelf, RankingCriterion.Deepest).Fits).Set.FNumber);
        var moves = Metre with { MovesMm = 400 };
        var miss = Assert.Single(Ask(Room, moves, shelf).Misses);
        Assert.Equal(DiagnosticCode.IrisStuck, miss.Shortfall.Code);
        var closed = Assert.Single(Ask(Room, moves, shelf, rules: new FitRules { Iris = false }).Fits);
        Assert.Equal(Math.Log2(closed.Set.FNumber / 2) * 2, miss.Shortfall.By, 1e-9);
    }

    [Fact]
    public void More_sensitivity_than_the_crew_accepts_is_a_miss_in_stops()
    {
        // At 2 with 1/50 s a brightness of EV 1 asks for log2(4·50) − 1 = 6.6439 stops above ISO 100; 6400 gives 6.
        var dark = Room with { Light = new() { BrightnessEv = 1 } };
        var miss = Assert.Single(Ask(dark, Metre, ShelfOf(Body, Prime)).Misses);
        Assert.Equal(DiagnosticCode.TooDark, miss.Shortfall.Code);
        Assert.Equal(0.6439 + 2 * Math.Log2(1 + 0.02025), miss.Shortfall.By, 1e-3);
        Assert.Single(Ask(dark, Metre, ShelfOf(Body, Prime), rules: new FitRules { HighestIso = 12_800 }).Fits);
        Assert.Single(Ask(dark, Metre, ShelfOf(Body, Prime), rules: new FitRules { Sensitivity = false }).Fits);
    }

    [Fact]
    public void Any_mode_takes_any_squeeze_and_the_order_tells_them_apart()
    {
        GearItem[] modes = [Made.Mode("Full", 36, 20.25), Made.Mode("Open", 36, 24, 2)];
        var squeezed = Prime.With(LensFields.Squeeze, 2.0);
        Fit Of(GearItem lens, params GearItem[] offered) => Assert.Single(Ask(new Location { BehindMm = 1500 }, Metre, ShelfOf(Body.With(BodyFields.Modes, offered), lens)).Fits);
        Assert.All(modes, mode => Assert.All(new[] { Prime, squeezed }, lens => Assert.Equal(mode.Name, Of(lens, mode).Mode.Item.Name)));

        // The mode that shows the squeeze comes first, whatever else; and what a trim from 2 · 36 : 24 to 16 : 9 throws away is told.
        Assert.Equal("Open", Of(squeezed, modes).Mode.Item.Name);
        Assert.Equal(1 - 16.0 / 9 / 3, Of(squeezed, modes[1]).WasteShare, 1e-12);
    }

    [Fact]
    public void Farthest_is_where_the_aperture_wish_ends_it()
    {
        // f/N·m·B/(f(1 + 1/m) + B) = 0.005·20.25 with N = 5.6, B = 8000 gives f = 33.994, and D = f(2 + m + 1/m).
        var zoom = Prime.With(LensFields.Short, 24.0).With(LensFields.Long, 70.0).With(LensFields.Narrowest, 5.6);
        var shelf = ShelfOf(Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25) }), zoom);
        var fit = Assert.Single(Ask(new Location { BehindMm = 8000 }, Metre with { Behind = BackgroundRequirement.Readable }, shelf, RankingCriterion.Farthest).Fits);
        var m = 0.02025;
        var f = 0.005 * 20.25 * 8000 / (m * 8000 / 5.6 - 0.005 * 20.25 * (1 + 1 / m));
        Assert.Equal(f, fit.Set.FocalLengthMm, 1e-3);
        Assert.Equal(f * (2 + m + 1 / m), fit.Scene.SubjectDistanceMm, 0.05);
    }

    [Fact]
    public void Overhead_the_room_is_what_is_above_the_table_and_nothing_is_behind()
    {
        // 2500 − 750 = 1750 mm above the table, less the camera's back and the bar.
        var brief = new ShotBrief(new ShotSubject(SubjectKind.Table, 500) { WidthMm = 900, BaseMm = 750 }, ShotSize.CloseUp) { CameraSupport = CameraSupport.Overhead };
        var result = Ask(Room, brief, ShelfOf(Body, Prime));
        var fit = Assert.Single(result.Fits);
        Assert.Equal(1750 - (42 + 80) - fit.Scene.SubjectDistanceMm, fit.RoomLeftMm, 1e-6);
        Assert.Equal(0, fit.Report.Focus!.Value.BackgroundDiscMm);
    }

    [Fact]
    public void At_arms_length_the_camera_is_no_farther_than_an_arm()
    {
        var brief = new ShotBrief(new ShotSubject(SubjectKind.Standing, 1750), ShotSize.CloseUp) { CameraSupport = CameraSupport.SelfHeld };
        var miss = Assert.Single(Ask(new Location(), brief, ShelfOf(Body, Prime)).Misses);
        Assert.Equal(DiagnosticCode.RoomTooShort, miss.Shortfall.Code);

        // The close-up is 0.2·1750/0.92 = 380.43 mm: m = 0.053229, D = 35·1.053229²/0.053229 = 729.40; the arm holds it at 665.
        Assert.Equal(729.40 - 665, miss.Shortfall.By, 0.02);
    }

    [Fact]
    public void What_cannot_be_at_all_is_told()
    {
        DiagnosticCode[] Of(Location location, ShotBrief brief, params GearItem[] items) => [.. Ask(location, brief, ShelfOf(items)).Contradictions.Select(c => c.Code)];
        Assert.Equal([DiagnosticCode.NoCamera], Of(Room, Metre, Prime));
        Assert.Equal([DiagnosticCode.NoLens], Of(Room, Metre, Body));
        Assert.Equal([DiagnosticCode.SubjectTallerThanPlace], Of(Room with { HeightMm = 1600 }, Metre, Body, Prime));
        Assert.Equal([DiagnosticCode.SubjectBeyondPlace], Of(Room with { BehindMm = 6000 }, Metre, Body, Prime));
        Assert.Equal([DiagnosticCode.SubjectTooNearBackground], Of(Room with { LeastBehindMm = 2000 }, Metre, Body, Prime));
        Assert.Equal([DiagnosticCode.CameraKeptOut], Of(Room with { KeepOffMm = 9000 }, Metre, Body, Prime));
        Assert.Equal([DiagnosticCode.SubjectWiderThanPlace, DiagnosticCode.WallsInPicture], Of(Room, new(new(SubjectKind.Thing, 1000) { WidthMm = 6000 }, ShotSize.CloseUp), Body, Prime));
        Assert.Equal(DiagnosticCode.NoStandpoint, Ask(Room with { LengthMm = 2450 }, Metre, ShelfOf(Body, Prime)).Misses[0].Shortfall.Code);
    }

    [Fact]
    public void Where_a_tripod_has_no_place_hands_may_have()
    {
        // 950 mm of room: a tripod and who stands there take 900, and the front of the lens needs 108. In both hands 392 mm are behind,
        // which leaves 558; 20 cm upright want m = 0.10125, D = 35·1.10125²/0.10125 = 419.2.
        var tight = Metre with { Typed = new FramedSize(200, IsAcross: false) };
        var miss = Assert.Single(Ask(Room with { LengthMm = 2450 }, tight, ShelfOf(Body, Prime)).Misses);
        Assert.Equal((DiagnosticCode.NoStandpoint, 58.0), (miss.Shortfall.Code, miss.Shortfall.By));
        var remedy = Assert.Single(miss.Remedies, r => r.Kind == RemedyKind.OtherSupport);
        Assert.Equal(CameraSupport.HandHeld, remedy.CameraSupport);
        var fit = Assert.Single(Ask(Room with { LengthMm = 2450 }, remedy.Apply(tight), ShelfOf(Body, Prime)).Fits);
        Assert.Equal(419.2, fit.Scene.SubjectDistanceMm, 0.05);
    }

    [Fact]
    public void Cautions_come_where_the_plan_brings_them_up()
    {
        static DiagnosticCode[] Of(Hazards hazards, CameraSupport support, double? weight = null, double? equivalent = null, bool walks = false) =>
            [.. Cautions.Of(new Location { Hazards = hazards }, Metre with { CameraSupport = support, Walks = walks }, weight, equivalent)];
        Assert.Empty(Of(Hazards.None, CameraSupport.Tripod, 9000, 600));
        Assert.Equal([DiagnosticCode.OverheadRigging], Of(Hazards.None, CameraSupport.Overhead));
        Assert.Equal([DiagnosticCode.Flying], Of(Hazards.None, CameraSupport.Drone, 9000, 600));
        Assert.Empty(Of(Hazards.Sun, CameraSupport.Tripod, 2000, 50));
        Assert.Equal([DiagnosticCode.SunThroughLens], Of(Hazards.Sun, CameraSupport.Tripod, 2000, 400));
        Assert.Equal([DiagnosticCode.HeatNearby, DiagnosticCode.SplashNearby, DiagnosticCode.WaterNearby, DiagnosticCode.DropNearby, DiagnosticCode.AnimalsNearby, DiagnosticCode.MachinesNearby, DiagnosticCode.BatteryInFlight], Of((Hazards)255 & ~Hazards.Sun, CameraSupport.Clamp));
        Assert.Equal([DiagnosticCode.HeavyToHold], Of(Hazards.None, CameraSupport.Gimbal, 2600));
        Assert.Equal([DiagnosticCode.HeavyAtArmsLength, DiagnosticCode.WalkingWithScreen], Of(Hazards.None, CameraSupport.SelfHeld, 950, 24, walks: true));
        Assert.All(new[] { DiagnosticCode.OverheadRigging, DiagnosticCode.SunThroughLens, DiagnosticCode.HeavyAtArmsLength, DiagnosticCode.Flying, DiagnosticCode.WalkingWithScreen }, c => Assert.EndsWith(".", Cautions.Say(c).Message, StringComparison.Ordinal));
    }

    [Fact]
    public void The_order_goes_by_the_wish()
    {
        var heavy = Prime.With(LensFields.Widest, 1.4).With(CommonFields.Weight, 900.0).With(CommonFields.Name, "Heavy").With(CommonFields.Ownership, Ownership.Hire).WithId(Guid.NewGuid());
        var shelf = ShelfOf(Body, Prime, heavy);
        string First(RankingCriterion criterion, RigChoice? before = null) => new FitSearch(shelf, Room, Metre, Conventions.Default, criterion, before).Finish().Fits[0].Rig.Lens.Name;
        Assert.Equal("Heavy", First(RankingCriterion.MostBlur));
        Assert.Equal("Lens", First(RankingCriterion.LeastWeight));
        Assert.Equal("Lens", First(RankingCriterion.Owned));
        Assert.Equal("Heavy", First(RankingCriterion.LeastChange, new(Body.Id, "Full", heavy.Id, [])));
        Assert.Equal("Lens", First(RankingCriterion.LeastChange, new(Body.Id, "Full", Prime.Id, [])));
    }

    [Fact]
    public void Only_the_gear_that_is_named_is_taken_and_steps_do_not_change_the_answer()
    {
        var other = Prime.With(CommonFields.Name, "Other").WithId(Guid.NewGuid());
        var shelf = ShelfOf(Body, Prime, other);
        var search = new FitSearch(shelf, Room, Metre, Conventions.Default, RankingCriterion.MostBlur);
        Assert.False(search.Step(1));
        Assert.True(search.Step(1));
        Assert.Equal(["Lens", "Other"], search.Finish().Fits.Select(f => f.Rig.Lens.Name));
        Assert.Equal("Other", Assert.Single(Ask(Room, Metre, shelf.Only([Body.Id, other.Id], [])).Fits).Rig.Lens.Name);
        Assert.Equal("Other", Assert.Single(Ask(Room, Metre, shelf.Only(null, [Prime.Id])).Fits).Rig.Lens.Name);
    }

    [Fact]
    public void A_lens_without_a_filter_is_closed_until_the_light_is_right_or_missed()
    {
        var full = Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25) });
        var bulging = Prime.With(LensFields.NoFilters, true).With(LensFields.FilterThread, null).With(LensFields.Narrowest, 16.0);
        var lit = Room with { Light = new() { BrightnessEv = 12 } };
        var fit = Assert.Single(Ask(lit, Metre, ShelfOf(full, bulging)).Fits);
        Assert.Equal(0, fit.FilterStops!.Value, 1e-9);
        Assert.Equal(100, fit.SensitivityIso!.Value, 1e-6);
        Assert.True(Ask(lit, Metre, ShelfOf(full, Prime)).Fits[0].FilterStops > 3);

        // Full sun asks for ƒ25 at ISO 100 and 1/50 s; that near, the bellows factor 1.02025 takes a part of it.
        var miss = Assert.Single(Ask(Room with { Light = new() { BrightnessEv = 15 } }, Metre, ShelfOf(full, bulging)).Misses);
        Assert.Equal(DiagnosticCode.TooBright, miss.Shortfall.Code);
        Assert.Equal(15 - Math.Log2(16 * 16 * 50) - 2 * Math.Log2(1.02025), miss.Shortfall.By, 1e-3);
        var soft = Metre with { Behind = BackgroundRequirement.Soft };
        Assert.Equal(DiagnosticCode.TooBright, Assert.Single(Ask(lit, soft, ShelfOf(full, bulging)).Misses).Shortfall.Code);
    }

    [Fact]
    public void A_support_that_is_chosen_carries_what_is_proposed_or_a_stronger_one_is_named()
    {
        var weak = Made.Gimbal.With(SupportFields.Payload, 900.0).With(CommonFields.Name, "Weak").WithId(Guid.NewGuid());
        var strong = Made.Gimbal.With(SupportFields.Payload, 1000.0).With(SupportFields.Longest, 400.0).With(CommonFields.Name, "Strong").WithId(Guid.NewGuid());
        var head = Made.Gimbal.With(SupportFields.Type, SupportType.Head).With(SupportFields.Payload, 9000.0).With(CommonFields.Name, "Head").WithId(Guid.NewGuid());
        var shelf = ShelfOf(Body, Prime, weak, strong, head);
        Assert.Single(Ask(Room, Metre with { Support = shelf.LimitsOf(strong.Id) }, shelf).Fits);

        // 600 g of body and 400 g of lens.
        var miss = Assert.Single(Ask(Room, Metre with { Support = shelf.LimitsOf(weak.Id) }, shelf).Misses);
        Assert.Equal((DiagnosticCode.RigTooHeavy, 100.0), (miss.Shortfall.Code, miss.Shortfall.By));
        Assert.Equal("Strong", Assert.Single(miss.Remedies).ItemName);
        Assert.Contains("too heavy", new FitWords(LengthUnit.Metres).Shortfall(miss).Message, StringComparison.Ordinal);
        var tight = Metre with { Support = new(SupportType.Gimbal, null, 100) };
        Assert.Equal(DiagnosticCode.RigTooLong, Assert.Single(Ask(Room, tight, shelf).Misses).Shortfall.Code);
        Assert.Null(shelf.LimitsOf(Body.Id));
        Assert.NotNull(shelf.Only([], []).LimitsOf(weak.Id));
        Assert.Null(shelf.Only([], [weak.Id]).LimitsOf(weak.Id));
    }
}

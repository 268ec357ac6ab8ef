using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Tests.Chains;

/// <summary>Each rule of putting parts together: a chain that it finds, one that it does not, and one on the edge that it does not.</summary>
public sealed class AssemblyTests
{
    private static readonly ChainSetting Set = new() { CaptureFps = 50 };
    private static readonly GearItem Reducer = Made.Adapter.With(AdapterFields.Magnification, 0.71);
    private static readonly GearItem Wire = Made.FarLens.With(LensFields.Focus, FocusDrive.ByWire);
    private static readonly GearItem Steady = Made.FarLens.With(LensFields.Stabilisation, 4.0);
    private static readonly GearItem Zoom = Made.FarLens.With(LensFields.Long, 70.0).With(LensFields.RemoteZoom, true);
    private static readonly GearItem Squeezed = Made.Lens.With(LensFields.Squeeze, 2.0);
    private static readonly GearItem Wide = Made.Lens.With(LensFields.Short, 18.0);
    private static readonly GearItem Fifty = Made.Lens.With(LensFields.Short, 50.0);
    private static readonly GearItem Turning = Made.Lens.With(LensFields.Rotates, true);
    private static readonly GearItem RatedBody = Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25).With(ModeFields.Fps, new[] { 24.0, 25 }) });
    private static readonly GearItem Variable = Made.Filter.With(FrontFields.Effect, FilterEffect.Variable).With(FrontFields.StopsMost, 6.0);
    private static readonly GearItem Dropped = Made.Filter.With(FrontFields.Seat, FilterSeat.Adapter);
    private static readonly GearItem Polariser = Made.Filter.With(FrontFields.Effect, FilterEffect.Polariser);

    /// <summary>What is found, how much it weighs, words of it, and three chains: found, not found, on the edge and not found.</summary>
    private static readonly (DiagnosticCode Code, Severity Severity, string Words, GearItem[] Found, GearItem[] Fine, GearItem[] Edge)[] Rules =
    [
        (DiagnosticCode.NoCamera, Severity.Stops, "no camera", [Made.Lens], [Made.Body, Made.Lens], [Made.Camera]),
        (DiagnosticCode.NoMode, Severity.Stops, "recording mode", [Made.Body.With(BodyFields.Modes, null), Made.Lens], [Made.Body, Made.Lens], [Made.Camera]),
        (DiagnosticCode.NoLens, Severity.Stops, "has no lens", [Made.Body], [Made.Body, Made.Lens], [Made.Camera]),
        (DiagnosticCode.OutOfOrder, Severity.Stops, "belongs in front", [Made.Body, Made.Filter, Made.Lens], [Made.Body, Made.Lens, Made.Filter], [Made.Body, Made.Gimbal, Made.Lens]),
        (DiagnosticCode.MountDiffers, Severity.Stops, "Far lens ends in Far; Body takes Near", [Made.Body, Made.FarLens], [Made.Body, Made.Adapter, Made.FarLens], [Made.Body.With(BodyFields.Mounts, new[] { "Odd" }), Made.Lens.With(LensFields.Mount, "NEAR")]),
        (DiagnosticCode.MountUnknown, Severity.Note, "mount of Lens is not known", [Made.Body, Made.Lens.With(LensFields.Mount, null)], [Made.Body, Made.Lens], [Made.Camera]),
        (DiagnosticCode.FlangeTooShort, Severity.Stops, "no room without glass", [Made.Body.With(BodyFields.Mounts, new[] { "Far" }), Made.Adapter.With(AdapterFields.BodyMount, "Far").With(AdapterFields.LensMount, "Near"), Made.Lens], [Made.Body, Made.Adapter, Made.FarLens], [Made.Body.With(BodyFields.Mounts, new[] { "Far" }), Made.Adapter.With(AdapterFields.BodyMount, "Far").With(AdapterFields.LensMount, "Near").With(AdapterFields.Magnification, 1.1), Made.Lens]),
        (DiagnosticCode.FlangeUnknown, Severity.Note, "flange distance of Odd", [Made.Body, Made.Adapter.With(AdapterFields.LensMount, "Odd"), Made.Lens], [Made.Body, Made.Adapter, Made.FarLens], [Made.Body, Made.Tube, Made.Lens]),
        (DiagnosticCode.TooMany, Severity.Stops, "more than is reckoned with", [Made.Body, Reducer, Reducer, Reducer, Reducer, Reducer, Made.FarLens], [Made.Body, Reducer, Made.FarLens], [Made.Body, Reducer, Reducer, Reducer, Reducer, Made.FarLens]),
        (DiagnosticCode.GoesByTests, Severity.Note, "goes by tests: Weight", [Made.Body, Made.Lens.With(CommonFields.TestedBy, "Weight: 540 g (1 reading, today)")], [Made.Body, Made.Lens], [Made.Body, Made.Lens.With(CommonFields.TestedWeight, 540.0)]),
        (DiagnosticCode.ImageCircleTooSmall, Severity.Spoils, "of the picture dark", [Made.Body, Made.Lens.With(LensFields.ImageCircle, 40.2)], [Made.Body, Made.Lens], [Made.Body, Made.Lens.With(LensFields.ImageCircle, 41.2)]),
        (DiagnosticCode.ImageCircleUnknown, Severity.Note, "stands in", [Made.Body, Made.Lens.With(LensFields.ImageCircle, null).With(LensFields.MadeFor, "Full frame")], [Made.Body, Made.Lens], [Made.Camera]),
        (DiagnosticCode.FocusDriveLost, Severity.Costs, "pulled by hand", [Made.Body, Made.Adapter.With(AdapterFields.CarriesFocus, false), Made.FarLens], [Made.Body, Made.Adapter, Made.FarLens], [Made.Body, Made.Adapter.With(AdapterFields.CarriesFocus, false), Made.FarLens.With(LensFields.Focus, FocusDrive.Hand)]),
        (DiagnosticCode.FocusStuck, Severity.Stops, "nothing moves its focus", [Made.Body, Made.Adapter.With(AdapterFields.CarriesFocus, false), Wire], [Made.Body, Made.Adapter, Wire], [Made.Body.With(BodyFields.DrivesFocus, null), Made.Adapter, Wire]),
        (DiagnosticCode.IrisStuck, Severity.Spoils, "stays as it was left", [Made.Body, Made.Adapter.With(AdapterFields.CarriesIris, false), Made.FarLens], [Made.Body, Made.Adapter, Made.FarLens], [Made.Body, Made.Adapter.With(AdapterFields.CarriesIris, false).With(AdapterFields.OwnIris, true), Made.FarLens]),
        (DiagnosticCode.StabilisationLost, Severity.Costs, "stabilisation of 4 stops", [Made.Body, Made.Adapter.With(AdapterFields.CarriesStabilisation, false), Steady], [Made.Body, Made.Adapter, Steady], [Made.Body, Made.Adapter.With(AdapterFields.CarriesStabilisation, false), Steady.With(LensFields.Stabilisation, 0.0)]),
        (DiagnosticCode.ZoomDriveLost, Severity.Costs, "remote zoom", [Made.Body, Made.Adapter.With(AdapterFields.CarriesZoom, false), Zoom], [Made.Body, Made.Adapter, Zoom], [Made.Body, Made.Adapter.With(AdapterFields.CarriesZoom, false), Zoom.With(LensFields.RemoteZoom, false)]),
        (DiagnosticCode.AdapterSignalsUnknown, Severity.Note, "taken not to", [Made.Body, Made.Adapter.With(AdapterFields.CarriesIris, null), Made.FarLens], [Made.Body, Made.Adapter, Made.FarLens], [Made.Body, Made.Adapter.With(AdapterFields.CarriesIris, null), Made.FarLens.With(LensFields.Iris, IrisControl.Ring)]),
        (DiagnosticCode.LightGained, Severity.Note, "gains 0.99 stops", [Made.Body, Reducer, Made.FarLens], [Made.Body, Made.Adapter, Made.FarLens], [Made.Body, Made.Adapter.With(AdapterFields.Magnification, 1.0), Made.FarLens]),
        (DiagnosticCode.LightLost, Severity.Costs, "takes 2 stops", [Made.Body, Made.Adapter.With(AdapterFields.Magnification, 2.0), Made.FarLens], [Made.Body, Reducer, Made.FarLens], [Made.Body, Fifty, Made.Attachment.With(FrontFields.LightLost, 0.0)]),
        (DiagnosticCode.ConverterLimitsAperture, Severity.Costs, "no more than ƒ1.5 through", [Made.Body, Reducer.With(AdapterFields.FastestOut, 1.5), Made.FarLens], [Made.Body, Reducer, Made.FarLens], [Made.Body, Reducer.With(AdapterFields.FastestOut, 0.71 * 2.0), Made.FarLens]),
        (DiagnosticCode.ThreadDiffers, Severity.Stops, "screws into 77 mm", [Made.Body, Made.Lens, Made.Filter.With(CommonFields.RearThread, 77.0)], [Made.Body, Made.Lens, Made.Filter], [Made.Body, Made.Lens, Ring(67, 77), Made.Filter.With(CommonFields.RearThread, 77.0)]),
        (DiagnosticCode.NoThread, Severity.Stops, "Nothing can be screwed", [Made.Body, Made.Lens.With(LensFields.FilterThread, null).With(LensFields.NoFilters, true), Made.Filter], [Made.Body, Made.Lens, Made.Filter], [Made.Body, Made.Lens.With(LensFields.FilterThread, null).With(LensFields.NoFilters, true)]),
        (DiagnosticCode.ThreadUnknown, Severity.Note, "taken to fit", [Made.Body, Made.Lens.With(LensFields.FilterThread, null), Made.Filter], [Made.Body, Made.Lens, Made.Filter], [Made.Body, Made.Lens.With(LensFields.FilterThread, null)]),
        (DiagnosticCode.CornersCut, Severity.Spoils, "cuts the corners", [Made.Body, Wide, Ring(67, 49), Made.Filter.With(CommonFields.RearThread, 49.0)], [Made.Body, Fifty.With(LensFields.Short, 200.0).With(LensFields.Widest, 4.0), Ring(67, 62)], [Made.Body, Wide, Made.Filter]),
        (DiagnosticCode.TakingLensTooShort, Severity.Spoils, "taking lens of 50 mm", [Made.Body, Fifty.With(LensFields.Short, 49.8), Made.Attachment], [Made.Body, Fifty.With(LensFields.Short, 85.0), Made.Attachment], [Made.Body, Fifty.With(LensFields.Short, 50 * Math.Sqrt(36 * 36 + 20.25 * 20.25) / 41.3), Made.Attachment]),
        (DiagnosticCode.SqueezeNotShown, Severity.Costs, "not known to show", [Made.Body, Squeezed], [Made.Body, Made.Lens], [Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Squeezed", 36, 20.25, 2.01) }), Squeezed]),
        (DiagnosticCode.FrontTurns, Severity.Costs, "turns while focusing", [Made.Body, Turning, Polariser], [Made.Body, Made.Lens, Polariser], [Made.Body, Turning, Made.Filter]),
        (DiagnosticCode.SetToInfinity, Severity.Note, "Set Lens to infinity", [Made.Body, Fifty, Made.Attachment.With(FrontFields.FocusesItself, true)], [Made.Body, Fifty, Made.Attachment], [Made.Body, Fifty]),
        (DiagnosticCode.RigTooHeavy, Severity.Stops, "carries 999 g", [Made.Body, Made.Lens, Made.Gimbal.With(SupportFields.Payload, 999.0)], [Made.Body, Made.Lens, Made.Gimbal], [Made.Body, Made.Lens, Made.Gimbal.With(SupportFields.Payload, 1000.0)]),
        (DiagnosticCode.NearPayload, Severity.Costs, "of what Gimbal carries", [Made.Body, Made.Lens, Made.Gimbal.With(SupportFields.Payload, 1100.0)], [Made.Body, Made.Lens, Made.Gimbal], [Made.Body, Made.Lens, Made.Gimbal.With(SupportFields.Payload, 1000 / 0.9)]),
        (DiagnosticCode.RigTooLong, Severity.Stops, "140 mm long", [Made.Body, Made.Lens, Made.Gimbal.With(SupportFields.Longest, 139.0)], [Made.Body, Made.Lens, Made.Gimbal], [Made.Body, Made.Lens, Made.Gimbal.With(SupportFields.Longest, 140.0)]),
        (DiagnosticCode.LensNeedsSupport, Severity.Costs, "bears 1.5 kg by itself", [Made.Body, Made.Lens.With(CommonFields.Weight, 1501.0)], [Made.Body, Made.Lens.With(CommonFields.Weight, 1501.0), Made.Rails], [Made.Body, Made.Lens.With(CommonFields.Weight, 1500.0)]),
        (DiagnosticCode.WeightUnknown, Severity.Note, "at least", [Made.Body, Made.Lens.With(CommonFields.Weight, null)], [Made.Body, Made.Lens], [Made.Body, Made.Lens.With(CommonFields.Weight, 0.0)]),
        (DiagnosticCode.FocusEnds, Severity.Costs, "and no farther", [Made.Body, Made.Tube, Made.Lens], [Made.Body, Made.Lens], [Made.Body, Made.Tube.With(AdapterFields.Extension, 0.0), Made.Lens]),
        (DiagnosticCode.MinimumFocusUnknown, Severity.Note, "nearest focus of Lens", [Made.Body, Made.Lens.With(LensFields.Nearest, null)], [Made.Body, Made.Lens], [Made.Camera]),
        (DiagnosticCode.BatteryInFlight, Severity.Note, "ask the carrier", [Made.Body, Made.Lens, Made.Battery.With(BagFields.Energy, 100.1)], [Made.Body, Made.Lens, Made.Battery], [Made.Body, Made.Lens, Made.Battery.With(BagFields.Energy, 100.0)]),
        (DiagnosticCode.CannotFocus, Severity.Stops, "no light is brought", [Made.Body, Made.Tube.With(AdapterFields.Extension, 90.0), Reducer, Made.FarLens], [Made.Body, Made.Tube, Reducer, Made.FarLens], [Made.Body, Reducer, Made.Tube.With(AdapterFields.Extension, 90.0).With(AdapterFields.BodyMount, "Far").With(AdapterFields.LensMount, "Far"), Made.FarLens]),
        (DiagnosticCode.ConverterPlaceUnknown, Severity.Note, "may be 5.8 mm off", [Made.Body, Reducer, Made.FarLens], [Made.Body, Reducer.With(CommonFields.Length, 15.0), Made.FarLens], [Made.Body, Made.Adapter, Made.FarLens]),
        (DiagnosticCode.CrossedPolarisers, Severity.Spoils, "both polarise", [Made.Body, Made.Lens, Variable, Polariser], [Made.Body, Made.Lens, Variable, Made.Filter], [Made.Body, Made.Lens, Polariser]),
        (DiagnosticCode.NoFilterSeat, Severity.Stops, "none of this chain has a place", [Made.Body, Made.Lens, Dropped], [Made.Body, Made.Adapter.With(AdapterFields.TakesFilter, true), Made.FarLens, Dropped], [Made.Body, Made.Lens, Dropped.With(FrontFields.Seat, FilterSeat.MatteBox)]),
        (DiagnosticCode.PolariserUneven, Severity.Note, "unevenly over 90°", [Made.Body, Wide, Polariser], [Made.Body, Fifty, Polariser], [Made.Body, Wide, Made.Filter]),
        (DiagnosticCode.CrossInCorners, Severity.Costs, "draws a dark cross", [Made.Body, Wide, Variable.With(FrontFields.CrossBelow, 28.0)], [Made.Body, Fifty, Variable.With(FrontFields.CrossBelow, 28.0)], [Made.Body, Wide, Variable]),
        (DiagnosticCode.RateNotOffered, Severity.Stops, "offers 24, 25 frames a second, not 50", [RatedBody, Made.Lens], [RatedBody.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25).With(ModeFields.Fps, new[] { 25.0, 50 }) }), Made.Lens], [RatedBody.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25).With(ModeFields.Fps, new[] { 49.95 }) }), Made.Lens]),
        (DiagnosticCode.RatesUnknown, Severity.Note, "taken to offer", [Made.Body, Made.Lens], [RatedBody, Made.Lens], [RatedBody, Made.Lens]),
        (DiagnosticCode.OverheadRigging, Severity.Note, "second safety", [Made.Body, Made.Lens, Made.Gimbal.With(SupportFields.Type, SupportType.Arm)], [Made.Body, Made.Lens, Made.Gimbal], [Made.Body, Made.Lens, Made.Rails]),
    ];

    public static TheoryData<int> All => [.. Enumerable.Range(0, Rules.Length)];

    private static GearItem Ring(double from, double to) =>
        Made.Of(GearKind.StepRing, $"Ring {from} to {to}", (CommonFields.RearThread, from), (CommonFields.FrontThread, to), (CommonFields.Thickness, 3.0), (CommonFields.Weight, 20.0));

    [Theory]
    [MemberData(nameof(All))]
    public void A_rule_finds_what_it_is_for_and_nothing_else(int index)
    {
        var (kind, severity, words, found, fine, edge) = Rules[index];
        var assembly = Made.Assemble(Set, found);
        var finding = Assert.Single(assembly.Findings, f => f.Code == kind);
        Assert.Equal(severity, finding.Severity);
        Assert.Contains(words, finding.Message + " " + finding.Fix, StringComparison.Ordinal);
        Assert.EndsWith(".", finding.Message, StringComparison.Ordinal);
        Assert.Equal(severity != Severity.Stops, assembly.Works);
        Assert.DoesNotContain(Made.Assemble(Set, fine).Findings, f => f.Code == kind);
        Assert.DoesNotContain(Made.Assemble(Set, edge).Findings, f => f.Code == kind);
    }

    [Fact]
    public void A_filter_behind_the_lens_needs_a_place_there()
    {
        var behind = Made.Filter.With(FrontFields.Seat, FilterSeat.Rear);
        Severity? Found(bool? takes, params GearItem[] filters) =>
            Made.Assemble(Set, [Made.Body, Made.Lens.With(LensFields.TakesRearFilter, takes), .. filters]).Findings.FirstOrDefault(f => f.Code == DiagnosticCode.NoFilterSeat)?.Severity;
        Assert.Equal([Severity.Stops, Severity.Note, null, Severity.Stops], [Found(false, behind), Found(null, behind), Found(true, behind), Found(true, behind, behind)]);
        Assert.Equal(3, Made.Assemble(Set, Made.Body, Made.Lens, behind).Rig!.Value.FilterStops);
    }

    [Fact]
    public void Every_code_that_the_chain_s_checks_give_has_a_rule_here()
    {
        // What the checks say is written in their sources; a test that only knew its own list could not tell that one is missing.
        var folder = Path.Combine(AppContext.BaseDirectory, "../../../../../src/Juxtopsis.Core/Chains");
        var given = Directory.GetFiles(folder, "*.cs").Where(f => !f.EndsWith("Joining.cs", StringComparison.Ordinal) && !f.EndsWith("PartPicker.cs", StringComparison.Ordinal))
            .SelectMany(f => System.Text.RegularExpressions.Regex.Matches(File.ReadAllText(f), @"DiagnosticCode\.(?<code>\w+)", System.Text.RegularExpressions.RegexOptions.ExplicitCapture, TimeSpan.FromSeconds(1)).Select(m => m.Groups["code"].Value)).Distinct().Order();
        Assert.Equal(given, Rules.Select(r => $"{r.Code}").Order());
    }

    [Fact]
    public void Complete_gear_that_fits_gives_its_numbers_and_nothing_to_say()
    {
        var assembly = Made.Assemble(new ChainSetting { FNumber = 4, CaptureFps = 25, PunchIn = 1.5 }, RatedBody, Made.Lens, Made.Filter);
        Assert.Empty(assembly.Findings);
        var rig = assembly.Rig!.Value;
        Assert.Equal((36, 20.25, 35, 4), (rig.SensorWidthMm, rig.SensorHeightMm, rig.FocalLengthMm, rig.FNumber));
        Assert.Equal((1.5, 3, 25, 1), (rig.PunchIn, rig.FilterStops, rig.CaptureFps, rig.Optics.Magnification));
        Assert.Equal((43.4, 300, 0.15), (rig.Lens.ImageCircleMm!.Value, rig.Lens.MinimumFocusDistanceMm!.Value, rig.Lens.MaximumMagnification!.Value));
        Assert.Equal(18 + 80 + 4, rig.Lens.FrontFromSensorMm);
        Assert.Equal((1040, 144), (assembly.Layout.WeightG, assembly.Layout.LengthMm));
    }

    [Fact]
    public void The_focal_length_moves_along_the_zoom_and_the_aperture_within_what_the_lens_has_there()
    {
        var zoom = Made.Lens.With(LensFields.Short, 28.0).With(LensFields.Long, 70.0).With(LensFields.Widest, 3.5)
            .With(LensFields.WidestAlong, new GearPoint[] { new(28, 3.5), new(45, 4.5), new(70, 5.6) });
        Rig At(double f, double n) => Made.Assemble(new ChainSetting { FocalLengthMm = f, FNumber = n }, Made.Body, zoom).Rig!.Value;
        Assert.Equal((28, 3.5), (At(10, 1).FocalLengthMm, At(10, 1).FNumber));
        Assert.Equal((70, 22), (At(500, 64).FocalLengthMm, At(500, 64).FNumber));
        Assert.Equal(4.5, At(45, 1).FNumber, 12);

        // Between two known points log N goes with log f: ln(5.6/4.5)·ln(56/45)/ln(70/45).
        Assert.Equal(4.5 * Math.Exp(Math.Log(5.6 / 4.5) * Math.Log(56 / 45.0) / Math.Log(70 / 45.0)), At(56, 1).FNumber, 12);
    }

    [Fact]
    public void Measured_focal_lengths_are_shared_out_between_the_marks()
    {
        var zoom = Made.Lens.With(LensFields.Short, 20.0).With(LensFields.Long, 40.0).With(LensFields.Measured, new GearPoint[] { new(20, 21), new(40, 40) });
        double? At(double f) => Made.Assemble(new ChainSetting { FocalLengthMm = f }, Made.Body, zoom).Rig!.Value.Lens.MeasuredFocalLengthMm;
        Assert.Equal(21, At(20)!.Value, 12);
        Assert.Equal(30 * 1.025, At(30)!.Value, 12);
        Assert.Equal(40, At(40)!.Value, 12);
    }

    [Fact]
    public void A_covered_mode_and_a_punch_in_are_named_as_the_cure()
    {
        var finding = Assert.Single(Made.Assemble(new(), Made.Body, Made.Lens.With(LensFields.ImageCircle, 28.5)).Findings);
        Assert.Contains("Use the mode Crop, punch in 1.45×, an extender of 1.45× or more", finding.Fix, StringComparison.Ordinal);
    }

    [Fact]
    public void What_an_adapter_does_not_carry_does_not_count()
    {
        var parts = new[] { Made.Body.With(BodyFields.Stabilisation, 5.0).With(BodyFields.AddsUp, true), Made.Adapter, Steady };
        var rig = Made.Assemble(Set, parts).Rig!.Value;
        Assert.Equal((5, 4, true), (rig.BodyStabilisationStops, rig.LensStabilisationStops, rig.StabilisersAddUp));
        parts[1] = Made.Adapter.With(AdapterFields.CarriesStabilisation, false);
        rig = Made.Assemble(Set, parts).Rig!.Value;
        Assert.Equal((5, 0, false), (rig.BodyStabilisationStops, rig.LensStabilisationStops, rig.StabilisersAddUp));
    }

    [Fact]
    public void A_reducer_and_an_adapter_limit_what_reaches_the_sensor()
    {
        var rig = Made.Assemble(Set, Made.Body, Reducer.With(AdapterFields.FastestOut, 1.5).With(AdapterFields.ImageCircleOut, 30.0), Made.FarLens).Rig!.Value;
        Assert.Equal((0.71, 1.5), (rig.Optics.Magnification, rig.OpticsFastestFNumber!.Value));
        Assert.Equal(30 / 0.71, rig.Lens.ImageCircleMm!.Value, 12);
    }

    [Fact]
    public void A_camera_that_keeps_its_lens_is_body_and_lens_in_one()
    {
        var assembly = Made.Assemble(new ChainSetting { FocalLengthMm = 50 }, Made.Camera, Made.Filter.With(CommonFields.RearThread, null));
        Assert.True(assembly.Works);
        Assert.Equal((13.2, 50, 2.8), (assembly.Rig!.Value.SensorWidthMm, assembly.Rig.Value.FocalLengthMm, assembly.Rig.Value.FNumber));
        Assert.Contains(Made.Assemble(Set, Made.Camera, Made.Lens).Findings, f => f.Code == DiagnosticCode.OutOfOrder);
    }

    /// <summary>A mode that lacks the rate which is set: that of the timeline where it has it, else slow motion, else the fastest.</summary>
    [Theory]
    [InlineData(null, 25.0, null)]
    [InlineData(50.0, 25.0, null)]
    [InlineData(100.0, 25.0, 25.0)]
    [InlineData(null, 30.0, 50.0)]
    [InlineData(null, 60.0, 50.0)]
    [InlineData(100.0, null, 50.0)]
    [InlineData(null, null, null)]
    public void A_mode_that_lacks_a_rate_says_which_to_capture(double? set, double? timeline, double? instead)
    {
        var body = Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20.25).With(ModeFields.Fps, new[] { 24.0, 25, 50 }), Made.Mode("Fast", 24, 13.5).With(ModeFields.Fps, new[] { 100.0, 60 }) });
        var assembly = Made.Assemble(new() { CaptureFps = set, TimelineFps = timeline }, body, Made.Lens);
        Assert.Equal(instead, assembly.RateInstead);
        var fault = assembly.Findings.SingleOrDefault(f => f.Code == DiagnosticCode.RateNotOffered);
        Assert.Equal(instead is null, fault is null);
        Assert.Equal(instead is null, assembly.Works);
        Assert.True(fault is null || fault.Fix.StartsWith($"Capture {instead} frames a second", StringComparison.Ordinal));
        Assert.True(fault is null || (set ?? timeline) is not (100.0 or 60.0) || fault.Fix.EndsWith("or use the mode Fast.", StringComparison.Ordinal));
    }
}

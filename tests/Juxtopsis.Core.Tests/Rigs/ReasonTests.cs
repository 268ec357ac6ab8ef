using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Figures;

namespace Juxtopsis.Core.Tests.Rigs;

/// <summary>Each reason with a case that has it, and the same case mended as the reason says.</summary>
public sealed class ReasonTests
{
    private static readonly Scene Scene = new(2500) { BackgroundDistanceMm = 6000, DeliveryAspect = 16.0 / 9 };
    private static readonly Rig Plain = new(36, 24, 35, 4);

    public static TheoryData<Reasons, Scene, Rig, Scene, Rig, string> Cases => new()
    {
        { Reasons.TooClose, Scene with { SubjectDistanceMm = 100 }, Plain, Scene with { SubjectDistanceMm = 140 }, Plain, "10 cm is nearer than this lens can focus; its limit is 14 cm, four focal lengths." },
        { Reasons.TooFar, Scene, Plain with { ExtensionMm = 16 }, Scene, Plain, "is farther than this rig can focus with its tube" },
        { Reasons.TooFar, Scene, Plain with { CloseUpDioptres = 1 }, Scene with { SubjectDistanceMm = 1035 }, Plain with { CloseUpDioptres = 1 }, "its limit is 1.035 m" },
        { Reasons.InsideLens, Scene with { SubjectDistanceMm = 150 }, With(new() { FrontFromSensorMm = 160 }), Scene, With(new() { FrontFromSensorMm = 160 }), "the subject would be inside it" },
        { Reasons.ApertureTooWide, Scene, With(new() { WidestFNumber = 5.6 }), Scene, With(new() { WidestFNumber = 2.8 }), "opens to ƒ5.6 at most" },
        { Reasons.ApertureTooNarrow, Scene, With(new() { NarrowestFNumber = 2.8 }), Scene, With(new() { NarrowestFNumber = 22 }), "closes to ƒ2.8 at most" },
        { Reasons.OutsideZoom, Scene, With(new() { ZoomShortMm = 40, ZoomLongMm = 70 }), Scene, With(new() { ZoomShortMm = 24, ZoomLongMm = 70 }), "The zoom ends at 40 mm" },
        { Reasons.ReducerLimitsAperture, Scene, Plain with { FNumber = 1.4, Optics = new(0.71), OpticsFastestFNumber = 1.2 }, Scene, Plain with { FNumber = 2, Optics = new(0.71), OpticsFastestFNumber = 1.2 }, "lets out ƒ1.2 at the fastest, not ƒ0.99" },
        { Reasons.FasterThanPossible, Scene, Plain with { FNumber = 0.7, Optics = new(0.58) }, Scene, Plain with { FNumber = 0.95, Optics = new(0.58) }, "ƒ0.406 on the sensor is not possible" },
        { Reasons.MinimumFocusIncomplete, Scene, With(new() { MinimumFocusDistanceMm = 120 }), Scene, With(new() { MinimumFocusDistanceMm = 120, MaximumMagnification = 1 }), "the lens must shorten" },
        { Reasons.MinimumFocusUnlikely, Scene, With(new() { MinimumFocusDistanceMm = 500, MaximumMagnification = 4 }), Scene, With(new() { MinimumFocusDistanceMm = 220, MaximumMagnification = 0.25 }), "which is not likely" },
        { Reasons.CircleDoesNotCover, Scene, With(new() { ImageCircleMm = 30 }), Scene, With(new() { ImageCircleMm = 43.3 }), "does not cover the used diagonal of 41.3 mm" },
        { Reasons.OpeningTooSmall, Scene, With(new() { FrontOpeningMm = 40, FrontOpeningFromPupilMm = 40 }), Scene, With(new() { FrontOpeningMm = 60, FrontOpeningFromPupilMm = 40 }), "cuts into the corners" },
        { Reasons.TakingLensTooShort, Scene, With(new() { ShortestTakingMm = 50 }), Scene, With(new() { ShortestTakingMm = 35 }), "wants a taking lens of 50 mm or longer" },
        { Reasons.Enlarged, Scene with { DeliveryWidthPx = 3840 }, Plain with { Recorded = new(1920, 1280) }, Scene with { DeliveryWidthPx = 1920 }, Plain with { Recorded = new(1920, 1280) }, "enlarged 2 times" },
        { Reasons.DiffractionSoftens, Scene, Plain with { FNumber = 32 }, Scene, Plain with { FNumber = 11 }, "Diffraction makes discs of" },
        { Reasons.ThinSharpZone, Scene with { SubjectDistanceMm = 900 }, Plain with { FocalLengthMm = 85, FNumber = 1.4 }, Scene, Plain, "are sharp: less than a camera in the hand" },
        { Reasons.FaceStretched, Scene with { SubjectDistanceMm = 600 }, Plain, Scene, Plain, "a nose is drawn noticeably larger" },
        { Reasons.TooDark, Scene with { Light = new() { BrightnessEv = 2 } }, Plain with { SensitivityIso = 800 }, Scene with { Light = new() { BrightnessEv = 6.68 } }, Plain with { SensitivityIso = 800 }, "stops of light are missing" },
        { Reasons.TooBright, Scene with { Light = new() { BrightnessEv = 12 } }, Plain with { SensitivityIso = 800 }, Scene with { Light = new() { BrightnessEv = 12 } }, Plain with { SensitivityIso = 800, FilterStops = 5.3 }, "stops of light are left over" },
        { Reasons.VariableFilterOutOfRange, Scene with { Light = new() { BrightnessEv = 15 } }, Variable(2, 5), Scene with { Light = new() { BrightnessEv = 10 } }, Variable(2, 5), "the variable filter takes 2 to 5 stops" },
        { Reasons.Flickers, Scene with { TimelineFps = 24 }, Plain, Scene with { TimelineFps = 24, Shutter = new(172.8) }, Plain, "holds 2.08 flickers" },
        { Reasons.ShutterLongerThanFrame, Scene with { Shutter = new() { HeldSeconds = 0.02 } }, Plain with { CaptureFps = 100 }, Scene with { Shutter = new() { HeldSeconds = 0.01 } }, Plain with { CaptureFps = 100 }, "A frame lasts 1/100 s" },
        { Reasons.MotionStutters, Scene with { Shutter = new(45) }, Plain, Scene with { Shutter = new(90) }, Plain, "in steps" },
        { Reasons.MotionSmears, Scene, Plain with { ShutterAngleDeg = 345 }, Scene, Plain with { ShutterAngleDeg = 270 }, "smear" },
        { Reasons.InfinityLost, Scene, Plain with { MountErrorMm = 0.5 }, Scene, Plain with { MountErrorMm = 0.5, RearFilterMm = 1.5 }, "The mount is 0.5 mm too long" },
    };

    [Theory]
    [MemberData(nameof(Cases))]
    public void A_reason_is_there_with_its_bound_and_gone_when_mended(Reasons kind, Scene scene, Rig rig, Scene mendedScene, Rig mendedRig, string said)
    {
        var reason = ReasonWords.Of(Case.Of(scene, rig), LengthUnit.Metres).Single(r => r.Code == ReasonWords.CodeOf(kind));
        Assert.Contains(said, reason.Message, StringComparison.Ordinal);
        Assert.DoesNotContain(ReasonWords.Of(Case.Of(mendedScene, mendedRig), LengthUnit.Metres), r => r.Code == ReasonWords.CodeOf(kind));
    }

    [Fact]
    public void A_circle_larger_than_the_frame_leaves_no_sharp_zone()
    {
        var given = Case.Of(Scene, new Rig(1, 0.6, 5, 4), Conventions.Default with { Circle = CircleSchool.FixedSize, CocFixedMm = 1 });
        Assert.True(given.Report.Reasons.HasFlag(Reasons.CircleLargerThanFrame));
        Assert.Null(given.Figure(Core.Figures.FigureId.DepthOfFieldNearMm));
        Assert.NotNull(given.Figure(Core.Figures.FigureId.FieldWidthMm));
    }

    [Theory]
    [InlineData(Reasons.PixelsUnknown)]
    [InlineData(Reasons.FrontUnknown)]
    [InlineData(Reasons.NotMeasured)]
    public void A_convention_that_asks_for_what_is_not_known_says_what_stands_in(Reasons kind)
    {
        var conventions = Conventions.Default with
        {
            Circle = CircleSchool.DeliveredPixels,
            DistanceFrom = DistanceMark.LensFront,
            FocalLength = FocalLengthSchool.Measured,
        };
        Assert.Contains(ReasonWords.Of(Case.Of(Scene, Plain, conventions), LengthUnit.Metres), r => r.Code == ReasonWords.CodeOf(kind) && r.Message.Contains("stands in", StringComparison.Ordinal));
        var known = With(new() { FrontFromSensorMm = 120, MeasuredFocalLengthMm = 34.2 }) with { Recorded = new(3840, 2560) };
        Assert.DoesNotContain(ReasonWords.Of(Case.Of(Scene, known, conventions), LengthUnit.Metres), r => r.Code == ReasonWords.CodeOf(kind));
    }

    [Fact]
    public void The_weightiest_reason_comes_first() => Assert.Equal(
        Severity.Stops,
        ReasonWords.Of(Case.Of(Scene with { SubjectDistanceMm = 100, TimelineFps = 24 }, With(new() { ImageCircleMm = 20 })), LengthUnit.Metres)[0].Severity);

    private static Rig With(LensData lens) => Plain with { Lens = lens };

    private static Rig Variable(double from, double to) => Plain with { SensitivityIso = 800, VariableFilterMinStops = from, VariableFilterMaxStops = to };
}

using FsCheck;
using FsCheck.Fluent;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Tests.Rigs;

/// <summary>Any scene, any conventions and any rig with anything known or unknown, over the whole accepted range and its edges.</summary>
public sealed record RandomFullSetup(Scene Scene, Conventions Conventions, Rig Rig, Rig Yardstick)
{
    public FigureCase Case => FigureCase.Of(Scene, Conventions, [Yardstick, Rig], 0)[1];
}

public static class RandomFullSetups
{
    public static Arbitrary<RandomFullSetup> Setup() => (
        from scene in Scenes
        from conventions in Schools
        from rig in Rigs
        from yardstick in Rigs
        select new RandomFullSetup(scene, conventions, rig, yardstick)).ToArbitrary();

    private static Gen<Scene> Scenes =>
        from subject in Log(1, 1e8)
        from behind in Log(1, 1e4)
        from aspect in Maybe(Log(0.1, 10))
        from width in Maybe(Log(16, 1e5))
        from still in Gen.Elements((Still?)null, new Still(36, 24, 28), new Still(17.3, 13, 50))
        from microphone in Maybe(Log(1, 1e8))
        from sideways in Log(0.1, 1e7)
        from ev in Maybe(Gen.Choose(-15, 30).Select(x => (double)x))
        from fps in Log(0.01, 1e5)
        from angle in Log(0.1, 360)
        from held in Maybe(Log(1e-5, 10))
        from movement in Log(0.1, 1e6)
        from mains in Gen.Elements(50.0, 60, 16.7, 400)
        select new Scene(subject)
        {
            BackgroundDistanceMm = behind > 5000 ? double.PositiveInfinity : subject * behind,
            DeliveryAspect = aspect,
            DeliveryWidthPx = width,
            Still = still,
            MicrophoneMm = microphone,
            SidewaysMm = sideways,
            Light = new() { BrightnessEv = ev, MainsHertz = mains },
            TimelineFps = fps,
            Shutter = new(angle) { HeldSeconds = held },
            MovementSeconds = movement,
        };

    private static Gen<Conventions> Schools =>
        from width in Log(0.5, 500)
        from height in Log(0.5, 500)
        from crop in Gen.Elements(Enum.GetValues<CropSchool>())
        from circle in Gen.Elements(Enum.GetValues<CircleSchool>())
        from divisor in Log(100, 20_000)
        from fixedMm in Maybe(Log(0.0001, 5))
        from pixels in Log(0.1, 1000)
        from mark in Gen.Elements(Enum.GetValues<DistanceMark>())
        from depth in Gen.Elements(Enum.GetValues<DepthSchool>())
        from focal in Gen.Elements(Enum.GetValues<FocalLengthSchool>())
        select new Conventions(width, height)
        {
            Crop = crop,
            Circle = circle,
            CocDivisor = divisor,
            CocFixedMm = fixedMm,
            CocPx = pixels,
            DistanceFrom = mark,
            SqueezedDepth = depth,
            FocalLength = focal,
        };

    private static Gen<Rig> Rigs =>
        from width in Log(0.5, 500)
        from height in Log(0.5, 500)
        from focal in Log(0.5, 5000)
        from aperture in Log(0.3, 512)
        from lens in Lenses
        from first in Log(0.2, 10)
        from second in Gen.Elements(1.0, 0.2, 10, 1.4)
        from fastest in Maybe(Log(0.3, 512))
        from pixels in Maybe(Log(16, 1e5))
        from whole in Maybe(Log(1, 4))
        from squeeze in Gen.Elements(1.0, 1, 1.33, 2, 3)
        from place in Gen.Elements(Enum.GetValues<SqueezePlace>())
        from turn in Gen.Choose(-20, 20)
        from punch in Gen.Elements(1.0, 1, 1.2, 50)
        from placed in Maybe(Log(2, 400))
        from behind in Gen.Elements(0.0, 0, 3, 25)
        from more in Extras
        select more with
        {
            SensorWidthMm = width,
            SensorHeightMm = height,
            FocalLengthMm = focal,
            FNumber = aperture,
            Lens = lens,
            Optics = new OpticsChain(new Converter(first, placed, behind), placed is null ? second : new Converter(second, placed / 2)),
            OpticsFastestFNumber = fastest,
            Recorded = pixels is { } px ? new PixelSize(px, px * height / width) : null,
            WholeSensor = whole is { } times ? new AreaSize(width * times, height * times) : null,
            Squeeze = squeeze,
            SqueezePlace = place,
            SqueezeTurnDeg = turn,
            PunchIn = punch,
        };

    private static Gen<Rig> Extras =>
        from dioptres in Gen.Elements(0.0, 0, 0, 0.5, 2, 25)
        from tube in Gen.Elements(0.0, 0, 0, 0.1, 16, 1000)
        from gap in Gen.Elements(0.0, 0, 30, 200)
        from farther in Gen.Elements(false, false, true)
        from mount in Gen.Elements(0.0, 0.04, -0.04, 5, -5)
        from glass in Gen.Elements(0.0, 2.5, 50)
        from iso in Maybe(Log(1, 1e7))
        from filter in Gen.Elements(0.0, 3, 30)
        from ownShutter in Maybe(Log(0.1, 360))
        from weakest in Maybe(Log(0.1, 30))
        from fps in Maybe(Log(0.01, 1e5))
        from body in Gen.Elements(0.0, 5, 15)
        from addsUp in Gen.Elements(true, false)
        select new Rig(36, 24, 35, 2)
        {
            CloseUpDioptres = dioptres,
            ExtensionMm = tube,
            CloseUpFromLensMm = gap,
            RackedFarther = farther,
            MountErrorMm = mount,
            RearFilterMm = glass,
            SensitivityIso = iso,
            FilterStops = filter,
            ShutterAngleDeg = ownShutter,
            VariableFilterMinStops = weakest,
            VariableFilterMaxStops = weakest * 2,
            CaptureFps = fps,
            BodyStabilisationStops = body,
            LensStabilisationStops = 4,
            StabilisersAddUp = addsUp,
        };

    private static Gen<LensData> Lenses =>
        from zoom in Maybe(Log(0.5, 2000))
        from times in Log(1, 2.5)
        from widest in Maybe(Log(0.3, 256))
        from closes in Maybe(Log(1, 2))
        from loss in Maybe(Log(1, 2))
        from measured in Maybe(Log(0.5, 5000))
        from nearest in Maybe(Log(1, 1e8))
        from largest in Maybe(Log(0.0001, 20))
        from pupil in Maybe(Log(0.05, 20))
        from front in Maybe(Log(1, 3000))
        from circle in Maybe(Log(0.5, 1000))
        from opening in Maybe(Log(0.1, 1000))
        from steps in Gen.Elements(0, 0, 2, 4)
        select new LensData
        {
            ZoomShortMm = zoom,
            ZoomLongMm = zoom * times,
            WidestFNumber = widest,
            WidestLongFNumber = widest * closes,
            WidestAlong = [.. Enumerable.Range(0, steps).Select(i => new AperturePoint((zoom ?? 20) * Math.Pow(times + 0.1, i / 3.0), (widest ?? 2) * (1 + i / 5.0)))],
            NarrowestFNumber = widest * 2,
            Blades = steps == 2 ? 7 : null,
            WidestTNumber = widest * loss,
            MeasuredFocalLengthMm = measured,
            MinimumFocusDistanceMm = nearest,
            MaximumMagnification = largest,
            PupilMagnification = pupil,
            FrontFromSensorMm = front,
            ImageCircleMm = circle,
            ShortestTakingMm = circle,
            FrontOpeningMm = opening,
            FrontOpeningFromPupilMm = opening,
        };

    private static Gen<double?> Maybe(Gen<double> values) =>
        from isKnown in Gen.Elements(true, false)
        from value in values
        select isKnown ? value : (double?)null;

    /// <summary>Numbers spread evenly over the orders of magnitude of a range, its ends included.</summary>
    private static Gen<double> Log(double low, double high) =>
        Gen.Choose(0, 1000).Select(n => n == 0 ? low : n == 1000 ? high : Math.Clamp(low * Math.Pow(high / low, n / 1e3), low, high));
}

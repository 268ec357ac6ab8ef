using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;
using CoreConventions = Juxtopsis.Core.Rigs.Conventions;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>From the wire's types to the core's.</summary>
internal static class InputMapping
{
    public static Scene ToCore(this SceneInput scene) => new(scene.SubjectDistanceMm)
    {
        BackgroundDistanceMm = scene.BackgroundDistanceMm ?? double.PositiveInfinity,
        DeliveryAspect = scene.DeliveryAspect,
        DeliveryWidthPx = scene.DeliveryWidthPx,
        LensHeightMm = scene.LensHeightMm,
        FigureHeightMm = scene.FigureHeightMm,
        NearestCameraMm = scene.NearestCameraMm,
        FarthestCameraMm = scene.FarthestCameraMm,
        MicrophoneMm = scene.MicrophoneMm,
        Still = scene.Photo?.ToCore(),
        SidewaysMm = scene.SidewaysMm,
        BrightnessEv = scene.BrightnessEv,
        TimelineFps = scene.TimelineFps,
        ShutterAngleDeg = scene.ShutterAngleDeg,
        MainsHertz = scene.MainsHertz,
    };

    private static Still ToCore(this PhotoInput photo) => photo is { SensorWidthMm: { } width, SensorHeightMm: { } height }
        ? Still.Trim(width, height, photo.FocalLengthMm, photo.WidthPx / photo.HeightPx)
        : Still.Equivalent(photo.FocalLengthMm, photo.WidthPx / photo.HeightPx);

    /// <summary>The scene from where a rig stands.</summary>
    public static Scene SceneOf(this EvaluateRequest request, RigInput rig)
    {
        var scene = request.Scene.ToCore();
        return rig.SubjectDistanceMm is { } own ? scene.From(own) : scene;
    }

    public static CoreConventions ToCore(this ConventionsInput conventions) => new(conventions.ReferenceWidthMm, conventions.ReferenceHeightMm)
    {
        Crop = conventions.Crop,
        Circle = conventions.Circle,
        CocDivisor = conventions.CocDivisor,
        CocFixedMm = conventions.CocFixedMm,
        CocPx = conventions.CocPx,
        ScreenWidthMm = conventions.ScreenWidthMm,
        ViewingDistanceMm = conventions.ViewingDistanceMm,
        DistanceFrom = conventions.DistanceFrom,
        SqueezedDepth = conventions.SqueezedDepth,
        FocalLength = conventions.FocalLength,
    };

    public static ConventionsInput ToWire(this in CoreConventions conventions) => new()
    {
        ReferenceWidthMm = conventions.ReferenceWidthMm,
        ReferenceHeightMm = conventions.ReferenceHeightMm,
        Crop = conventions.Crop,
        Circle = conventions.Circle,
        CocDivisor = conventions.CocDivisor,
        CocFixedMm = conventions.CocFixedMm,
        CocPx = conventions.CocPx,
        ScreenWidthMm = conventions.ScreenWidthMm,
        ViewingDistanceMm = conventions.ViewingDistanceMm,
        DistanceFrom = conventions.DistanceFrom,
        SqueezedDepth = conventions.SqueezedDepth,
        FocalLength = conventions.FocalLength,
    };

    public static Rig ToCore(this RigInput rig) => new(rig.SensorWidthMm, rig.SensorHeightMm, rig.FocalLengthMm, rig.FNumber)
    {
        WholeSensor = rig is { WholeSensorWidthMm: { } wholeWidth, WholeSensorHeightMm: { } wholeHeight } ? new AreaSize(wholeWidth, wholeHeight) : null,
        Recorded = rig is { RecordedWidthPx: { } width, RecordedHeightPx: { } height } ? new PixelSize(width, height) : null,
        Optics = OpticsChain.Of([.. rig.Optics.Select((k, i) => ToConverter(k, rig.OpticsPlaces.ElementAtOrDefault(i)))]),
        OpticsFastestFNumber = rig.OpticsFastestFNumber,
        Squeeze = rig.Squeeze,
        SqueezePlace = rig.SqueezePlace,
        SqueezeTurnDeg = rig.SqueezeTurnDeg,
        PunchIn = rig.PunchIn,
        Lens = rig.Lens.ToCore(),
        CloseUpDioptres = rig.CloseUpDioptres,
        CloseUpFromLensMm = rig.CloseUpFromLensMm,
        RackedFarther = rig.RackedFarther,
        ExtensionMm = rig.ExtensionMm,
        MountErrorMm = rig.MountErrorMm,
        RearFilterMm = rig.RearFilterMm,
        RearFilterIndex = rig.RearFilterIndex,
        SensitivityIso = rig.SensitivityIso,
        LowestIso = rig.LowestIso,
        FilterStops = rig.FilterStops,
        VariableFilterMinStops = rig.VariableFilterMinStops,
        VariableFilterMaxStops = rig.VariableFilterMaxStops,
        CaptureFps = rig.CaptureFps,
        BodyStabilisationStops = rig.BodyStabilisationStops,
        LensStabilisationStops = rig.LensStabilisationStops,
        StabilisersAddUp = rig.StabilisersAddUp,
    };

    private static Converter ToConverter(double magnification, ConverterPlaceInput? place) => new(magnification, place?.PlaceMm, place?.TubeBehindMm ?? 0);

    private static LensData ToCore(this LensInput lens) => new()
    {
        ZoomShortMm = lens.ZoomShortMm,
        ZoomLongMm = lens.ZoomLongMm,
        WidestFNumber = lens.WidestFNumber,
        WidestLongFNumber = lens.WidestLongFNumber,
        WidestAlong = lens.WidestAlong is { Count: > 0 } along ? [.. along.Select(p => new AperturePoint(p.FocalLengthMm, p.FNumber))] : [],
        NarrowestFNumber = lens.NarrowestFNumber,
        Blades = lens.Blades,
        WidestTNumber = lens.WidestTNumber,
        MeasuredFocalLengthMm = lens.MeasuredFocalLengthMm,
        MinimumFocusDistanceMm = lens.NearestFocusMm,
        MaximumMagnification = lens.LargestMagnification,
        PupilMagnification = lens.PupilMagnification,
        FrontFromSensorMm = lens.FrontFromSensorMm,
        ImageCircleMm = lens.ImageCircleMm,
        ShortestTakingMm = lens.ShortestTakingMm,
        FrontOpeningMm = lens.FrontOpeningMm,
        FrontOpeningFromPupilMm = lens.FrontOpeningFromPupilMm,
    };
}

using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Figures;

/// <summary>What a person types or a convention sets: the values that are put into formulas.</summary>
internal static class Givens
{
    /// <summary>Symbols of the reducers and extenders, in order.</summary>
    public static IReadOnlyList<string> OpticsSymbols { get; } = ["k₁", "k₂", "k₃", "k₄"];

    public static IReadOnlyList<Term> All { get; } =
    [
        Lens("Wa", "width of the mode", (in c) => c.Rig.SensorWidthMm),
        Lens("Ha", "height of the mode", (in c) => c.Rig.SensorHeightMm),
        Lens("Ww", "width of the whole sensor", (in c) => c.Rig.WholeSensor?.WidthMm),
        Lens("Hw", "height of the whole sensor", (in c) => c.Rig.WholeSensor?.HeightMm),
        Of("Px", "recorded pixels across", FigureUnit.Pixels, (in c) => c.Rig.Recorded?.Width),
        Of("Py", "recorded pixels up", FigureUnit.Pixels, (in c) => c.Rig.Recorded?.Height),
        Of("z", "punch-in", FigureUnit.Times, (in c) => c.Rig.PunchIn),
        Of("S", "squeeze", FigureUnit.Times, (in c) => c.Rig.Squeeze),
        Of("α", "turn of the squeeze", FigureUnit.Degrees, (in c) => c.Rig.SqueezeTurnDeg),
        Of("k₁", "first reducer or extender", FigureUnit.Times, (in c) => c.Rig.Optics.First.Magnification),
        Of("k₂", "second reducer or extender", FigureUnit.Times, (in c) => c.Rig.Optics.Second.Magnification),
        Of("k₃", "third reducer or extender", FigureUnit.Times, (in c) => c.Rig.Optics.Third.Magnification),
        Of("k₄", "fourth reducer or extender", FigureUnit.Times, (in c) => c.Rig.Optics.Fourth.Magnification),
        Of("Nr", "fastest that the reducer lets out", FigureUnit.FNumber, (in c) => c.Rig.OpticsFastestFNumber),
        Lens("f₀", "focal length as marked", (in c) => c.Rig.FocalLengthMm),
        Lens("fm", "focal length as measured", (in c) => c.Rig.Lens.MeasuredFocalLengthMm),
        Lens("Zs", "short end of the zoom", (in c) => c.Rig.Lens.ZoomShortMm),
        Lens("Zl", "long end of the zoom", (in c) => c.Rig.Lens.ZoomLongMm),
        Of("N₀", "aperture as set", FigureUnit.FNumber, (in c) => c.Rig.FNumber),
        Lens("Za", "known focal length before this one", (in c) => c.Rig.Lens.WidestPiece(LensOnSensor.InZoom(c.Rig))?.From.FocalLengthMm),
        Lens("Zb", "known focal length after it", (in c) => c.Rig.Lens.WidestPiece(LensOnSensor.InZoom(c.Rig))?.To.FocalLengthMm),
        Of("Na", "widest at the one before", FigureUnit.FNumber, (in c) => c.Rig.Lens.WidestPiece(LensOnSensor.InZoom(c.Rig))?.From.FNumber),
        Of("Nb", "widest at the one after", FigureUnit.FNumber, (in c) => c.Rig.Lens.WidestPiece(LensOnSensor.InZoom(c.Rig))?.To.FNumber),
        Of("Nw", "widest aperture", FigureUnit.FNumber, (in c) => c.Rig.Lens.WidestFNumber),
        Of("Nl", "widest at the long end", FigureUnit.FNumber, (in c) => c.Rig.Lens.WidestLongFNumber),
        Of("Nn", "narrowest aperture", FigureUnit.FNumber, (in c) => c.Rig.Lens.NarrowestFNumber),
        Of("Tw", "T-number at the widest aperture", FigureUnit.TNumber, (in c) => c.Rig.Lens.WidestTNumber),
        Scene("Dk", "nearest focus of the lens", (in c) => c.Rig.Lens.MinimumFocusDistanceMm),
        Of("mk", "largest ratio of the lens", FigureUnit.Times, (in c) => c.Rig.Lens.MaximumMagnification),
        Of("P₀", "pupil magnification of the lens", FigureUnit.Ratio, (in c) => c.Rig.Lens.PupilMagnification),
        Scene("L", "sensor mark to the front of the lens", (in c) => c.Rig.Lens.FrontFromSensorMm),
        Lens("I₀", "image circle of the lens", (in c) => c.Rig.Lens.ImageCircleMm),
        Lens("Od", "pupil to the opening in front", (in c) => c.Rig.Lens.FrontOpeningFromPupilMm),
        Lens("E", "extension", (in c) => c.Rig.ExtensionMm + (c.Rig.Optics.IsNone ? c.Rig.Optics.TubesBehindMm : 0)),
        Lens("gf", "close-up lens to the lens", (in c) => c.Travel.CloseUpFromLensMm),
        Of("Dd", "close-up lens", FigureUnit.Dioptres, (in c) => c.Rig.CloseUpDioptres),
        Lens("δ", "mount too long by", (in c) => c.Rig.MountErrorMm),
        Lens("tf", "thickness of the rear filter", (in c) => c.Rig.RearFilterMm),
        Of("nf", "its refractive index", FigureUnit.Ratio, (in c) => c.Rig.RearFilterIndex),
        Of("sb", "stabilisation of the body", FigureUnit.Stops, (in c) => c.Rig.BodyStabilisationStops),
        Of("sl", "stabilisation of the lens", FigureUnit.Stops, (in c) => c.Rig.LensStabilisationStops),
        Of("Gk", "weight of the parts", FigureUnit.Grams, (in c) => c.Rig.Load.WeightG),
        Lens("Lk", "length of the rig", (in c) => c.Rig.Load.LengthMm),
        Of("Mb", "price of the parts to buy", FigureUnit.Money, (in c) => c.Rig.Load.PurchasePrice),
        Of("Md", "hire of the parts a day", FigureUnit.Money, (in c) => c.Rig.Load.HirePerDay),
        Of("Mv", "insured value of the parts", FigureUnit.Money, (in c) => c.Rig.Load.InsuredValue),
        Scene("D", "distance to the subject", (in c) => c.Scene.SubjectDistanceMm),
        Scene("B", "distance to the background", (in c) => c.Scene.BackgroundDistanceMm),
        Scene("Hl", "height of the lens", (in c) => c.Scene.LensHeightMm),
        Scene("Hf", "height of the figure", (in c) => c.Scene.FigureHeightMm),
        Of("Aq", "delivered shape asked for", FigureUnit.Ratio, (in c) => c.Scene.DeliveryAspect),
        Of("Q", "delivered pixels across", FigureUnit.Pixels, (in c) => c.Scene.DeliveryWidthPx),
        Lens("fv", "focal length of the photograph", (in c) => c.Scene.Still?.FocalLengthMm),
        Lens("Wv", "width of the sensor that it shows", (in c) => c.Scene.Still?.WidthMm),
        Lens("Hv", "height of the sensor that it shows", (in c) => c.Scene.Still?.HeightMm),
        Scene("Mi", "microphone to the subject", (in c) => c.Scene.MicrophoneMm),
        Scene("x", "sideways move", (in c) => c.Scene.SidewaysMm),
        Of("θs", "shutter angle", FigureUnit.Degrees, (in c) => c.Report.Light.ShutterAngleDeg),
        Of("θt", "shutter angle at the timeline’s rate", FigureUnit.Degrees, (in c) => c.Report.Light.TimelineShutterAngleDeg),
        Of("tm", "movement", FigureUnit.Seconds, (in c) => c.Scene.MovementSeconds),
        Of("Ft", "frames a second of the timeline", FigureUnit.PerSecond, (in c) => c.Scene.TimelineFps),
        Of("Fq", "captured frames a second", FigureUnit.PerSecond, (in c) => c.Rig.CaptureFps),
        Of("Hz", "mains frequency", FigureUnit.PerSecond, (in c) => c.Scene.Light.MainsHertz),
        Of("Ev₀", "brightness of the scene", FigureUnit.Ev, (in c) => c.Scene.Light.BrightnessEv),
        Of("Iₛ", "sensitivity", FigureUnit.Iso, (in c) => c.Rig.SensitivityIso),
        Of("Iy", "sensitivity of the yardstick", FigureUnit.Iso, (in c) => c.YardstickRig.SensitivityIso),
        Of("Ly", "light that the yardstick needs", FigureUnit.Ratio, (in c) => c.Yardstick.Light.LightNeeded),
        Of("g", "filters in place", FigureUnit.Stops, (in c) => c.Rig.FilterStops),
        Lens("Wr", "width of the reference format", (in c) => c.Conventions.ReferenceWidthMm),
        Lens("Hr", "height of the reference format", (in c) => c.Conventions.ReferenceHeightMm),
        Of("cn", "divisor of the diagonal", FigureUnit.Count, (in c) => c.Conventions.CocDivisor),
        Lens("cf", "fixed circle of confusion", (in c) => c.Report.Sharpness.CircleOfConfusionMm),
        Of("cp", "circle in delivered pixels", FigureUnit.Pixels, (in c) => c.Conventions.CocPx),
        Scene("Vw", "width of the picture as watched", (in c) => c.Conventions.ScreenWidthMm),
        Scene("Vd", "eye to the picture", (in c) => c.Conventions.ViewingDistanceMm),
        Lens("λ", "wavelength of green light", (in _) => Blur.WavelengthMm),
    ];

    private static Term Of(string symbol, string name, FigureUnit unit, FigureValue value) => new(symbol, name, unit, null, value);

    private static Term Lens(string symbol, string name, FigureValue value) => Of(symbol, name, FigureUnit.LensMm, value);

    private static Term Scene(string symbol, string name, FigureValue value) => Of(symbol, name, FigureUnit.SceneMm, value);
}

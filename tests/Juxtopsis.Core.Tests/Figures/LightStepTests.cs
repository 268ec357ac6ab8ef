using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Tests.Figures;

/// <summary>What each thing on the way of the light gives or takes, worked by hand.</summary>
public sealed class LightStepTests
{
    internal static readonly FigureId[] Steps =
    [
        FigureId.FilterStepStops, FigureId.ApertureStepStops, FigureId.OpticsStepStops, FigureId.GlassStepStops,
        FigureId.FocusStepStops, FigureId.ShutterStepStops, FigureId.SensitivityStepStops,
    ];

    private static readonly Scene Yard = new(2500) { Light = new() { BrightnessEv = 15 } };
    private static readonly Rig Plain = new(36, 24, 50, 4);

    internal static double SumOf(in FigureCase given)
    {
        var sum = 0.0;
        foreach (var id in Steps)
        {
            sum += given.Figure(id)!.Value;
        }

        return sum;
    }

    private static double? Step(FigureId id, Rig rig, Scene? scene = null) => Case.Of(scene ?? Yard, rig).Figure(id);

    // −2·log₂ N: ƒ1 takes nothing, each doubling two stops.
    [Theory]
    [InlineData(1, 0)]
    [InlineData(1.4142135623730951, -1)]
    [InlineData(4, -4)]
    [InlineData(16, -8)]
    [InlineData(0.7071067811865476, 1)]
    public void Aperture(double fNumber, double stops) => Assert.Equal(stops, Step(FigureId.ApertureStepStops, Plain with { FNumber = fNumber })!.Value, 9);

    // log₂ t: 180° at 25 fps is 1/50 s, −log₂ 50 = −5.6439; four times the frames cost two stops; 360° at 24 fps −4.5850.
    [Theory]
    [InlineData(180, 25, null, -5.643856)]
    [InlineData(180, 25, 100.0, -7.643856)]
    [InlineData(360, 24, null, -4.584963)]
    [InlineData(45, 24, null, -7.584963)]
    public void Shutter(double angleDeg, double timelineFps, double? captureFps, double stops) => Assert.Equal(
        stops, Step(FigureId.ShutterStepStops, Plain with { CaptureFps = captureFps }, Yard with { Shutter = new(angleDeg), TimelineFps = timelineFps })!.Value, 6);

    // log₂(ISO/100).
    [Theory]
    [InlineData(100.0, 0.0)]
    [InlineData(800.0, 3.0)]
    [InlineData(50.0, -1.0)]
    [InlineData(6400.0, 6.0)]
    [InlineData(null, null)]
    public void Sensitivity(double? iso, double? stops) => Assert.Equal(stops, Step(FigureId.SensitivityStepStops, Plain with { SensitivityIso = iso }) is { } got ? Math.Round(got, 9) : null);

    [Fact]
    public void Filters_take_what_is_written_on_them() => Assert.Equal((-3.0, 0.0), (Step(FigureId.FilterStepStops, Plain with { FilterStops = 3 }), Step(FigureId.FilterStepStops, Plain)));

    // −2·log₂ 0.71 = 0.9882; a 1.4 extender takes 0.9709. A reducer that lets out no more than ƒ2.4 makes ƒ2.8 no faster than that: 2·log₂(2.8/2.4) = 0.4448.
    [Theory]
    [InlineData(0.71, 4, null, 0.988218)]
    [InlineData(1.4, 4, null, -0.970854)]
    [InlineData(0.71, 2.8, 2.4, 0.444785)]
    [InlineData(1, 4, null, 0)]
    public void Optics(double k, double fNumber, double? fastest, double stops) => Assert.Equal(
        stops, Step(FigureId.OpticsStepStops, Plain with { FNumber = fNumber, Optics = OpticsChain.Of([new Converter(k)]), OpticsFastestFNumber = fastest })!.Value, 6);

    // A lens of ƒ2 and T2.2: 2·log₂(2/2.2) = −0.2750, at every opening.
    [Fact]
    public void Glass()
    {
        var lens = new LensData { WidestFNumber = 2, WidestTNumber = 2.2 };
        Assert.Equal(-0.275007, Step(FigureId.GlassStepStops, Plain with { Lens = lens })!.Value, 6);
        Assert.Equal(0, Step(FigureId.GlassStepStops, Plain));
    }

    // At life size a lens is racked out to twice its focal length: 2·log₂ 2 = 2 stops. It stands at 4f = 200 mm.
    [Fact]
    public void Focusing_close() => Assert.Equal(-2, Step(FigureId.FocusStepStops, Plain, Yard with { SubjectDistanceMm = 200 })!.Value, 6);

    // Full sun, EV 15; ƒ2.8 at 1/50 s and ISO 100: 15 − 2.97085 − 5.64386 = 6.38529 too bright. At 2.5 m a 50 mm is racked out by
    // 51.0421/2448.9579 = 0.0208424: 2·log₂ 1.0208424 = 0.05952 less. ND64 (6 stops) leaves 0.32577.
    [Fact]
    public void Wide_open_in_the_sun()
    {
        var rig = Plain with { FNumber = 2.8, SensitivityIso = 100, FilterStops = 6 };
        Assert.Equal(0.325770, Yard.Light.BrightnessEv!.Value + SumOf(Case.Of(Yard, rig)), 6);
        Assert.Equal(0.325770, RigEvaluator.Evaluate(Yard, Conventions.Default, rig).Light.LeftOverStops!.Value, 6);
    }

    // 100 fps on a timeline of 25: log₂(25/100) = −2 stops; slower than the timeline gains.
    [Theory]
    [InlineData(100.0, -2)]
    [InlineData(null, 0)]
    [InlineData(12.5, 1)]
    public void Slow_motion(double? captureFps, double stops) => Assert.Equal(stops, Step(FigureId.SlowMotionStops, Plain with { CaptureFps = captureFps })!.Value, 9);

    // On 50 Hz a flicker lasts 1/100 s: at 25 fps that is 360·25/100 = 90°, at 24 fps 86.4°, at 50 fps 180°. On 60 Hz and 25 fps it is 75°.
    [Theory]
    [InlineData(25, 50, new[] { 90.0, 180, 270, 360 })]
    [InlineData(24, 50, new[] { 86.4, 172.8, 259.2, 345.6 })]
    [InlineData(50, 50, new[] { 180.0, 360 })]
    [InlineData(100, 50, new[] { 360.0 })]
    [InlineData(25, 60, new[] { 75.0, 150, 225, 300 })]
    [InlineData(120, 50, new double[0])]
    public void Shutters_without_flicker(double fps, double hertz, double[] degrees)
    {
        var found = Flicker.SafeAnglesDeg(fps, hertz);
        Assert.Equal(degrees, found.Select(a => Math.Round(a, 6)));
        Assert.All(found, a => Assert.True(Flicker.IsSafe(Flicker.Count(Exposure.TimeSeconds(a, fps), hertz))));
        Assert.Equal(found.Length > 0, Flicker.SafeAngleDeg(1, fps, hertz).HasValue);
    }

    [Fact]
    public void Brightness_by_name_is_a_range_that_a_scene_can_have_the_brightest_first()
    {
        Assert.All(LightLevel.All, l => Assert.True(l.FromEv < l.UsualEv && l.UsualEv < l.ToEv && Quantity.Brightness.Min <= l.FromEv && l.ToEv <= Quantity.Brightness.Max));
        Assert.Equal(LightLevel.All.Select(l => l.UsualEv).OrderDescending(), LightLevel.All.Select(l => l.UsualEv));
        Assert.Equal(LightLevel.All.Count, LightLevel.All.Select(l => l.Name).Distinct(StringComparer.OrdinalIgnoreCase).Count());
    }
}

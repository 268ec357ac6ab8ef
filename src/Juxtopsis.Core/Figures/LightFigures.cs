using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Figures;

/// <summary>Time, light and filters.</summary>
internal static class LightFigures
{
    private const string Iso2720 = "ISO 2720";

    /// <summary>
    /// What each thing on the way of the light gives or takes, from the brightness of the scene to the picture: together with that
    /// brightness they add up to the light that is left over. An aperture of ƒ1, one second and ISO 100 neither give nor take.
    /// </summary>
    private static IReadOnlyList<FigureDefinition> Steps { get; } =
    [
        Step(
            FigureId.FilterStepStops, "Λf", "Step of the filters", "What the filters take.",
            (in c) => c.Rig.FilterStops == 0 ? "0" : "−g", (in c) => 0 - c.Rig.FilterStops),
        Step(
            FigureId.ApertureStepStops, "Λa", "Step of the aperture", "What the aperture takes, as it is marked.",
            (in _) => "−2·log₂(Nu)", (in c) => -2 * PortableMath.Log2(c.Report.Lens.UsedFNumber)),
        Step(
            FigureId.OpticsStepStops, "Λo", "Step of the optics", "What a reducer gives or an extender takes, as far as it lets light out.",
            (in c) => IsPlain(c) ? "0" : "2·log₂(Nu/N)",
            (in c) => IsPlain(c) ? 0 : 2 * PortableMath.Log2(c.Report.Lens.UsedFNumber / c.Report.Lens.EffectiveFNumber)),
        Step(
            FigureId.GlassStepStops, "Λg", "Step of the glass", "What is lost in the glass of the lens; none where its T-number is not known.",
            (in c) => c.Report.Lens.EffectiveTNumber is null ? "0" : "2·log₂(N/T)",
            (in c) => c.Report.Lens.EffectiveTNumber is { } t ? 2 * PortableMath.Log2(c.Report.Lens.EffectiveFNumber / t) : 0),
        Step(
            FigureId.FocusStepStops, "Λb", "Step of focusing close", "What is lost because the lens is racked out.",
            (in c) => c.Report.Light.BellowsStops == 0 ? "0" : "−gb", (in c) => 0 - c.Report.Light.BellowsStops),
        Step(
            FigureId.ShutterStepStops, "Λs", "Step of the shutter", "What the time takes, against one second.",
            (in _) => "log₂(t)", (in c) => PortableMath.Log2(c.Report.Light.TimeSeconds)),
        Step(
            FigureId.SensitivityStepStops, "Λi", "Step of the sensitivity", "What the sensitivity gives, against ISO 100.",
            (in _) => "log₂(Iₛ/100)", (in c) => c.Rig.SensitivityIso is { } iso ? PortableMath.Log2(iso / 100) : null),
    ];

    private static FigureDefinition Step(FigureId id, string symbol, string name, string meaning, FigureFormula formula, FigureValue value) =>
        new(id, symbol, name, FigureUnit.Stops, FigureComparison.Plain, meaning, formula, value) { Source = Iso2720 };

    private static bool IsPlain(in FigureCase c) => c.Report.Lens.EffectiveFNumber == c.Report.Lens.UsedFNumber;

    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        new(
            FigureId.ExposureTimeSeconds, "t", "Exposure time", FigureUnit.Seconds, FigureComparison.Percent,
            "How long each frame gathers light; about half a frame looks natural.",
            (in _) => "θs/360/Fc",
            (in c) => c.Report.Light.TimeSeconds),
        new(
            FigureId.SlowMotion, "Ms", "Slow motion", FigureUnit.Times, FigureComparison.Percent,
            "How many times longer than life it plays.",
            (in _) => "Fc/Ft",
            (in c) => c.Report.Light.SlowMotion),
        new(
            FigureId.SlowMotionStops, "gm", "Light of slow motion", FigureUnit.Stops, FigureComparison.Plain,
            "Light that the faster frame rate costs, none where the shutter’s time is held; it is part of the step of the shutter.",
            (in _) => "log₂(θs·Ft/(θt·Fc))",
            (in c) => PortableMath.Log2(c.Report.Light.ShutterAngleDeg * c.Scene.TimelineFps / (c.Report.Light.TimelineShutterAngleDeg * c.Report.Light.CaptureFps))),
        new(
            FigureId.MovementOnScreenSeconds, "Mo", "Movement on screen", FigureUnit.Seconds, FigureComparison.Plain,
            "How long a movement lasts in the finished film.",
            (in _) => "tm·Ms",
            (in c) => c.Scene.MovementSeconds * c.Report.Light.SlowMotion),
        new(
            FigureId.BellowsStops, "gb", "Light lost close up", FigureUnit.Stops, FigureComparison.Plain,
            "Light lost because the lens is racked out.",
            (in _) => "2·log₂(w)",
            (in c) => c.Report.Focus is null ? null : c.Report.Light.BellowsStops) { Source = "Ray, Applied Photographic Optics, “Exposure”" },
        .. Steps,
        new(
            FigureId.SettingEv, "Ev₁", "Right for", FigureUnit.Ev, FigureComparison.Plain,
            "The brightness that this setting is right for, as exposure value at ISO 100.",
            (in c) => c.Rig.FilterStops == 0 ? "log₂(Tk²/t·100/Iₛ)" : "log₂(Tk²/t·2^g·100/Iₛ)",
            (in c) => c.Report.Light.SettingEv) { Source = Iso2720 },
        new(
            FigureId.LeftOverStops, "Lo", "Light left over", FigureUnit.Stops, FigureComparison.Plain,
            "Light that a filter must take; below zero it is missing.",
            (in _) => "Ev₀ − Ev₁",
            (in c) => c.Report.Light.LeftOverStops) { Source = Iso2720 },
        new(
            FigureId.FixedFilterStops, "nd", "Filter to offer", FigureUnit.Stops, FigureComparison.Plain,
            "The fixed filter, in whole stops up to ten, that comes nearest.",
            (in _) => "min(max(ceil(Lo − 0.5), 0), 10)",
            (in c) => c.Report.Light.FixedFilterStops),
        new(
            FigureId.LeftAfterFilterStops, "Lr", "Left after that filter", FigureUnit.Stops, FigureComparison.Plain,
            "What is left for aperture, shutter or sensitivity to take.",
            (in _) => "Lo − nd",
            (in c) => c.Report.Light.LeftOverStops - c.Report.Light.FixedFilterStops),
        new(
            FigureId.SensitivityNeededIso, "In", "Sensitivity needed", FigureUnit.Iso, FigureComparison.Percent,
            "The sensitivity with which this setting would be just right.",
            (in _) => "100·Ln/2^Ev₀",
            (in c) => c.Report.Light.SensitivityNeededIso) { Source = Iso2720 },
        new(
            FigureId.MatchingFactor, "Fm", "Sensitivity to match", FigureUnit.Times, FigureComparison.None,
            "Times the yardstick’s sensitivity for the same exposure: makes up the difference in light.",
            (in _) => "Ln/Ly",
            (in c) => c.Report.Light.LightNeeded / c.Yardstick.Light.LightNeeded) { Source = Iso2720 },
        new(
            FigureId.MatchingIso, "Im", "Sensitivity to match, ISO", FigureUnit.Iso, FigureComparison.None,
            "The sensitivity that gives the yardstick’s exposure.",
            (in _) => "Iy·Fm",
            (in c) => c.YardstickRig.SensitivityIso * (c.Report.Light.LightNeeded / c.Yardstick.Light.LightNeeded)) { Source = Iso2720 },
        new(
            FigureId.Flickers, "Fk", "Flickers in a frame", FigureUnit.Count, FigureComparison.Plain,
            "Flickers of mains lamps within one exposure; a whole number gives even light.",
            (in _) => "2·Hz·t",
            (in c) => c.Report.Light.Flickers) { Limits = "Lamps that hang on the mains; others flicker as their supply does. Test." },
        new(
            FigureId.SafeAngleDeg, "θk", "Angle without flicker", FigureUnit.Degrees, FigureComparison.Plain,
            "The nearest shutter angle that holds a whole number of flickers.",
            (in _) => "min(max(1, ceil(Fk − 0.5)), floor(2·Hz/Fc))·360·Fc/(2·Hz)",
            (in c) => c.Report.Light.SafeAngleDeg) { Limits = "None where a frame is shorter than a flicker." },
    ];
}

namespace Juxtopsis.Core.Figures;

/// <summary>Time, light and filters.</summary>
internal static class LightFigures
{
    private const string Iso2720 = "ISO 2720";

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
            FigureId.BellowsStops, "gb", "Light lost close up", FigureUnit.Stops, FigureComparison.Plain,
            "Light lost because the lens is racked out.",
            (in _) => "2·log₂(w)",
            (in c) => c.Report.Focus is null ? null : c.Report.Light.BellowsStops) { Source = "Ray, Applied Photographic Optics, “Exposure”" },
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

using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Figures;

/// <summary>Perspective and movement.</summary>
internal static class MovementFigures
{
    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        new(
            FigureId.FaceStretch, "Fs", "Face stretch", FigureUnit.Times, FigureComparison.Percent,
            "How many times larger a nose is drawn than the ear 120 mm behind it; above 1.15 it shows.",
            (in _) => "a/(a − 120)",
            (in c) => c.Report.Focus?.FaceStretch) { Limits = "Depends on the distance alone, not on the lens.", WorryAbove = Perspective.FaceStretchNoticed },
        new(
            FigureId.BackgroundSize, "Sz₀", "Background against subject", FigureUnit.Share, FigureComparison.Percent,
            "How large a thing at the background is drawn against the same thing beside the subject.",
            (in c) => double.IsPositiveInfinity(c.Scene.BackgroundDistanceMm) ? "0" : "a/b",
            (in c) => c.Report.Focus?.BackgroundSize) { Limits = "Depends on the distances alone, not on the lens." },
        new(
            FigureId.ParallaxShare, "Px₀", "Parallax", FigureUnit.Share, FigureComparison.Percent,
            "How far the subject moves against the background when the camera moves sideways, in per cent of the picture’s width.",
            (in c) => double.IsPositiveInfinity(c.Scene.BackgroundDistanceMm) ? "m·x/Wp" : "m·x·(1 − a/b)/Wp",
            (in c) => c.Report.Focus?.ParallaxMm / (c.Rig.Squeeze * c.Report.Sensor.UsedWidthMm)),
        new(
            FigureId.Unsteadiness, "U", "Unsteadiness", FigureUnit.Times, FigureComparison.Percent,
            "How far the same turn of the hand moves the picture, against an unsteadied 24 mm on full frame. Relative only.",
            (in _) => "f·Cs/24·2^(−st)",
            (in c) => c.Report.Handling.Unsteadiness) { Limits = "Turns of the hand only; each stop of stabilisation is taken to halve it." },
    ];

}

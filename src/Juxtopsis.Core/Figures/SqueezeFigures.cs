using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Figures;

/// <summary>What the squeeze and the trim cost and need.</summary>
internal static class SqueezeFigures
{
    private const string Turned = "a stretch along a turned axis, then the straight desqueeze";

    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        new(
            FigureId.DesqueezedWidthPx, "Pd", "Desqueezed pixels across", FigureUnit.Pixels, FigureComparison.Percent,
            "Width of the whole recording after the desqueeze, stretched across.",
            (in _) => "Px·S/z",
            (in c) => c.Report.Squeeze.DesqueezedPixels?.Width),
        new(
            FigureId.DesqueezedHeightPx, "Pe", "Desqueezed pixels up", FigureUnit.Pixels, FigureComparison.Percent,
            "Height of the whole recording after the desqueeze.",
            (in _) => "Py/z",
            (in c) => c.Report.Squeeze.DesqueezedPixels?.Height),
        new(
            FigureId.WasteShare, "Wt", "Trimmed away", FigureUnit.Share, FigureComparison.Plain,
            "Share of the recorded area, and of its pixels, that the trim to the delivered shape throws away.",
            (in _) => "1 − Wu·Hu·z²/(Wa·Ha)",
            (in c) => c.Report.Squeeze.WasteShare),
        new(
            FigureId.IdealSqueeze, "Si₀", "Squeeze that wastes nothing", FigureUnit.Times, FigureComparison.None,
            "The squeeze with which this mode would fill the delivered shape exactly; below 1 the mode is wider than delivery asks.",
            (in _) => "A·Ha/Wa",
            (in c) => c.Report.Squeeze.IdealSqueeze),
        new(
            FigureId.DiscShape, "Ds₀", "Disc, tall to wide", FigureUnit.Times, FigureComparison.None,
            "How many times taller than wide a point's disc is in the finished picture.",
            (in c) => c.Rig.SqueezePlace == SqueezePlace.Front ? "S" : "1",
            (in c) => c.Rig.PupilNarrowing()),
        new(
            FigureId.UprightLeanShare, "Lu", "Lean of uprights", FigureUnit.Share, FigureComparison.Plain,
            "How far a plumb line leans sideways when the squeeze is turned by the angle given.",
            (in _) => "(S − 1)·sin(2·α)/2/(1 − sin(α)²·(1 − 1/S))",
            (in c) => c.Report.Squeeze.UprightLeanShare) { Source = Turned },
        new(
            FigureId.LevelTiltShare, "Lt", "Tilt of levels", FigureUnit.Share, FigureComparison.Plain,
            "How far a level line tilts when the squeeze is turned by the angle given.",
            (in _) => "(1 − 1/S)·sin(2·α)/2/(1 + sin(α)²·(S − 1))",
            (in c) => c.Report.Squeeze.LevelTiltShare) { Source = Turned },
        new(
            FigureId.OpeningNeededMm, "Oc", "Opening needed in front", FigureUnit.LensMm, FigureComparison.Percent,
            "Clear diameter that a ring, hood or squeeze attachment needs so as not to darken the corners.",
            (in _) => "f/N + 2·Od·√(Wu² + Hu²)/(2·f)",
            (in c) => c.Report.Handling.OpeningNeededMm) { Limits = "Straight rays at infinity focus; the lens's own glass may shade before." },
    ];
}

namespace Juxtopsis.Core.Figures;

/// <summary>Mount, shim and filters behind the lens.</summary>
internal static class BackFocusFigures
{
    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        new(
            FigureId.FilterShiftMm, "δf", "Shift by the rear filter", FigureUnit.LensMm, FigureComparison.Plain,
            "How far a filter between lens and sensor moves focus back: about a third of its thickness.",
            (in _) => "tf·(1 − 1/nf)",
            (in c) => c.Report.Handling.FilterShiftMm) { Source = "Hecht, Optics, “plane-parallel plate”", Limits = "Rays near the axis." },
        new(
            FigureId.ShimMm, "δs", "Shim", FigureUnit.LensMm, FigureComparison.Plain,
            "What to add to the mount so that infinity is at its mark; below zero, what to take out.",
            (in _) => "δf − δ",
            (in c) => c.Report.Handling.ShimMm),
        new(
            FigureId.FarthestByMountMm, "Dm", "Sharp at most to", FigureUnit.SceneMm, FigureComparison.Plain,
            "The farthest that focus reaches with the mount as it is.",
            (in c) => c.Report.Handling.ShimMm >= 0 ? "∞" : "f + f²/(−δs) + f − δs" + (Rigs.RigEvaluator.MarkMm(c.Conventions, c.Rig) == 0 ? "" : " − L"),
            (in c) => c.Report.Handling.FarthestByMountMm) { Schools = Schools.Distance, Source = "the lens equation with v = f + δ" },
    ];
}

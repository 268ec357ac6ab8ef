namespace Juxtopsis.Core.Figures;

/// <summary>Where standing figures are in the picture of a level camera: what a frame is drawn from.</summary>
internal static class FrameFigures
{
    private const string Projection = "central projection";

    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        Of(FigureId.SubjectHeadFromTop, "Y₁", "Head at the subject", (in _) => "0.5 + (Hl − Hf)/Fh", (in c) => c.Report.Focus?.SubjectFigure.HeadFromTop),
        Of(FigureId.SubjectFeetFromTop, "Y₂", "Feet at the subject", (in _) => "0.5 + Hl/Fh", (in c) => c.Report.Focus?.SubjectFigure.FeetFromTop),
        Of(
            FigureId.BackgroundHeadFromTop, "Y₃", "Head at the background",
            (in c) => double.IsInfinity(c.Scene.BackgroundDistanceMm) ? "0.5" : "0.5 + (Hl − Hf)/Bh",
            (in c) => c.Report.Focus?.BackgroundFigure.HeadFromTop),
        Of(
            FigureId.BackgroundFeetFromTop, "Y₄", "Feet at the background",
            (in c) => double.IsInfinity(c.Scene.BackgroundDistanceMm) ? "0.5" : "0.5 + Hl/Bh",
            (in c) => c.Report.Focus?.BackgroundFigure.FeetFromTop),
    ];

    private static FigureDefinition Of(FigureId id, string symbol, string name, FigureFormula formula, FigureValue value) => new(
        id, symbol, name, FigureUnit.Share, FigureComparison.None,
        "How far below the upper edge of the picture, as a share of its height; outside 0 to 1 it is cut off.",
        formula, value)
    { Source = Projection, Limits = "A level camera." };
}

using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Figures;

/// <summary>Where standing figures are in the picture of a level camera: what a frame is drawn from.</summary>
internal static class FrameFigures
{
    private const string Projection = "central projection";

    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        new(
            FigureId.SubjectFromPupilMm, "a", "Subject from the pupil", FigureUnit.SceneMm, FigureComparison.Plain,
            "From the entrance pupil, the point of view that perspective goes by, to the plane of focus.",
            (in c) => c.Rig.CloseUpDioptres != 0 ? "s + ζ/(1 − φ·ζ)" : c.Rig.Lens.PupilMagnification is null ? "s" : "s + ff·(1/P − 1)",
            (in c) => c.Report.Focus?.SubjectFromPupilMm) { Source = Projection },
        new(
            FigureId.PupilAcrossMm, "pa", "Pupil across", FigureUnit.LensMm, FigureComparison.Percent,
            "Width of the opening as the subject sees it; narrower than tall with a front squeeze.",
            (in c) => c.Rig.PupilNarrowing() == 1 ? "p" : "p/S",
            (in c) => c.Report.Focus?.PupilMm / c.Rig.PupilNarrowing()),
        new(
            FigureId.IrisCorners, "nc", "Corners of blurred lights", FigureUnit.Count, FigureComparison.None,
            "Blades of the iris; 0 where it is wide open or its blades are not known, and blurred lights are round.",
            (in _) => "",
            (in c) => c.Rig.Lens.Blades is { } blades && blades >= 3 && c.Report.Lens.UsedFNumber > (LensOnSensor.WidestAt(c.Rig.Lens, c.Rig.FocalLengthMm) ?? 0) * 1.001 ? blades : 0),
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

using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Figures;

/// <summary>The lens as the sensor sees it, its equivalents and its angles.</summary>
internal static class LensFigures
{
    private const string Hecht = "Hecht, Optics, chapter 5";

    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        new(
            FigureId.EffectiveFocalLengthMm, "f", "Focal length on the sensor", FigureUnit.LensMm, FigureComparison.Percent,
            "Focal length as the sensor sees it, behind reducers and extenders; up and down for a squeezed lens.",
            (in _) => "k·fu",
            (in c) => c.Report.Lens.EffectiveFocalLengthMm),
        new(
            FigureId.FocalLengthAcrossMm, "fh", "Focal length across", FigureUnit.LensMm, FigureComparison.Percent,
            "A squeezed lens has this focal length across and the full one up and down.",
            (in _) => "f/S",
            (in c) => c.Report.Lens.FocalLengthAcrossMm),
        new(
            FigureId.EffectiveFNumber, "N", "Light as set", FigureUnit.FNumber, FigureComparison.Stops,
            "The f-number as the sensor sees it: what exposure goes by. Never multiplied by a crop factor.",
            (in c) => c.Rig.OpticsFastestFNumber is null ? "k·Nu" : "max(k·Nu, Nr)",
            (in c) => c.Report.Lens.EffectiveFNumber),
        new(
            FigureId.EffectiveTNumber, "T", "T-number", FigureUnit.TNumber, FigureComparison.Stops,
            "The f-number with the light lost in the glass: what a meter goes by.",
            (in _) => "N·Tw/Nw",
            (in c) => c.Report.Lens.EffectiveTNumber) { Limits = "The loss is taken to be the same at all openings." },
        new(
            FigureId.WidestFNumber, "Nx", "Widest here", FigureUnit.FNumber, FigureComparison.Stops,
            "The widest f-number that the lens has at this focal length.",
            (in c) => c.Rig.Lens switch
            {
                { WidestAlong.Count: > 1 } => "Na·2^(log₂(Nb/Na)·log₂(min(max(fz, Za), Zb)/Za)/log₂(Zb/Za))",
                { WidestLongFNumber: not null, ZoomShortMm: { } a, ZoomLongMm: { } b } when a < b => "Nw·2^(log₂(Nl/Nw)·log₂(fz/Zs)/log₂(Zl/Zs))",
                _ => "Nw",
            },
            (in c) => c.Report.Lens.WidestFNumber)
        { Limits = "Between the ends of a zoom the aperture is taken to close smoothly; many close in steps." },
        new(
            FigureId.LightGainStops, "gk", "Light of the optics", FigureUnit.Stops, FigureComparison.Plain,
            "Light gained by a reducer or lost by an extender.",
            (in _) => "−2·log₂(k)",
            (in c) => c.Report.Lens.LightGainStops) { Limits = "Says nothing of light lost in the glass." },
        new(
            FigureId.EquivalentFocalLengthMm, "fe", "Equivalent", FigureUnit.LensMm, FigureComparison.Percent,
            "Focal length on the reference format for the same angle. For a squeezed lens: of a spherical one with the same picture.",
            (in _) => "f·C",
            (in c) => c.Report.Lens.EquivalentFocalLengthMm) { Schools = Schools.Reference | Schools.Crop },
        new(
            FigureId.EquivalentFNumber, "Ne", "Blur as seen", FigureUnit.FNumber, FigureComparison.Stops,
            "The f-number that gives the same blur and the same total light on the reference format at the same framing.",
            (in _) => "N·C",
            (in c) => c.Report.Lens.EquivalentFNumber)
        { Schools = Schools.Reference | Schools.Crop, Limits = "Never to be used for exposure." },
        new(
            FigureId.EquivalentAcrossFNumber, "Nh", "Blur as seen, across", FigureUnit.FNumber, FigureComparison.Stops,
            "The same for blur from side to side, which a front squeeze makes smaller.",
            (in c) => c.Rig.SqueezePlace == SqueezePlace.Front ? "N·C·S" : "N·C",
            (in c) => c.Report.Lens.EquivalentAcrossFNumber) { Schools = Schools.Reference | Schools.Crop },
        new(
            FigureId.SensitivityFactor, "Fi", "Sensitivity factor", FigureUnit.Times, FigureComparison.Percent,
            "On the reference format, at blur as seen, this many times the sensitivity gives the same picture with about the same noise.",
            (in _) => "C²",
            (in c) => c.Report.Lens.SensitivityFactor) { Schools = Schools.Reference | Schools.Crop },
        new(
            FigureId.AngleOfViewHorizontalDeg, "θh", "Angle across", FigureUnit.Degrees, FigureComparison.Plain,
            "What the picture takes in from side to side, with the lens at infinity.",
            (in _) => "2·atan(Wp/(2·f))",
            (in c) => c.Report.Angle.HorizontalDeg) { Source = Hecht },
        new(
            FigureId.AngleOfViewVerticalDeg, "θv", "Angle up", FigureUnit.Degrees, FigureComparison.Plain,
            "What the picture takes in from bottom to top, with the lens at infinity.",
            (in _) => "2·atan(Hu/(2·f))",
            (in c) => c.Report.Angle.VerticalDeg) { Source = Hecht },
        new(
            FigureId.AngleOfViewDiagonalDeg, "θd", "Angle corner to corner", FigureUnit.Degrees, FigureComparison.Plain,
            "What the picture takes in from corner to corner, with the lens at infinity.",
            (in _) => "2·atan(Dp/(2·f))",
            (in c) => c.Report.Angle.DiagonalDeg) { Source = Hecht },
        new(
            FigureId.EdgeStretch, "Es", "Edge stretch", FigureUnit.Times, FigureComparison.Percent,
            "How much wider a person is drawn at the side edge than in the middle.",
            (in _) => "√(1 + (Wp/(2·f))²)",
            (in c) => c.Report.Angle.EdgeStretch) { Limits = "Straight-line lenses; a fisheye or a correction in the camera changes it." },
        new(
            FigureId.AngleFocusedDeg, "θf", "Angle as focused", FigureUnit.Degrees, FigureComparison.Plain,
            "What the picture takes in from side to side as focused now.",
            (in _) => "2·atan(Fw/(2·a))",
            (in c) => c.Report.Focus?.AngleHorizontalDeg) { Source = Hecht },
        new(
            FigureId.BreathingShare, "Br", "Breathing", FigureUnit.Share, FigureComparison.Plain,
            "How much the angle changes between infinity and where focus is now. The eye sees it when focus is pulled.",
            (in _) => "θf/θh − 1",
            (in c) => c.Report.Focus?.AngleHorizontalDeg / c.Report.Angle.HorizontalDeg - 1)
        { Limits = "By the thin lens, or by the lens's nearest focus and largest ratio where they are given." },
    ];
}

using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Figures;

/// <summary>What counts as sharp, where focus can be, and the sharp zone.</summary>
internal static class FocusFigures
{
    /// <summary>The whole of a photograph, within what its focal length is told to.</summary>
    private const double WholeStill = 1.0005;

    private const string Hecht = "Hecht, Optics, chapter 5";
    private const string Ray = "Ray, Applied Photographic Optics, “Depth of field”";
    private const Schools DepthSchools = Schools.Circle | Schools.SqueezedDepth;

    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        new(
            FigureId.CircleOfConfusionMm, "c", "Circle of confusion", FigureUnit.LensMm, FigureComparison.Percent,
            "The largest disc on the sensor that still counts as a point.",
            (in c) => Circle(c),
            (in c) => c.Report.Sharpness.CircleOfConfusionMm) { Schools = Schools.Circle, Source = Ray },
        new(
            FigureId.HyperfocalDistanceMm, "Dh", "Hyperfocal", FigureUnit.SceneMm, FigureComparison.Plain,
            "Focus here, and everything from about half of it to infinity is sharp.",
            (in c) => FromMark(c, c.Chain.IsTraced ? "fu·(1 + mh/kt)²·kt/mh + Xt" : "f·(1 + mh)²/mh"),
            (in c) => c.Report.Sharpness.HyperfocalDistanceMm)
        { Schools = Schools.Distance | DepthSchools, Source = Ray, Limits = "With the focal length that the lens has at infinity." },
        new(
            FigureId.NearestSubjectDistanceMm, "Dn", "Nearest focus", FigureUnit.SceneMm, FigureComparison.Plain,
            "The nearest that this rig can focus.",
            (in c) => Nearest(c),
            (in c) => double.IsFinite(c.Report.Limits.NearestSubjectDistanceMm) ? c.Report.Limits.NearestSubjectDistanceMm : null)
        { Schools = Schools.Distance, Source = Hecht, Limits = "Four focal lengths (life size) where the lens's own nearest focus is not given." },
        new(
            FigureId.FarthestSubjectDistanceMm, "Dx", "Farthest focus", FigureUnit.SceneMm, FigureComparison.Plain,
            "The farthest that this rig can focus; a tube or a close-up lens brings it near.",
            (in c) => c.Travel.HasFarEnd ? "" : "∞",
            (in c) => c.Report.Limits.FarthestSubjectDistanceMm) { Schools = Schools.Distance },
        new(
            FigureId.MaximumMagnification, "mx", "Largest ratio", FigureUnit.Times, FigureComparison.Percent,
            "Size on the sensor over true size at the nearest focus; 1 is life size.",
            (in c) => c.Rig is { CloseUpDioptres: 0, Lens.MaximumMagnification: not null } && c.Travel.Rear.ShiftMm == 0 ? "k·mk" : "",
            (in c) => c.Report.Limits.MaximumMagnification),
        new(
            FigureId.SmallestFieldWidthMm, "Fx", "Smallest field", FigureUnit.SceneMm, FigureComparison.Percent,
            "Width of the smallest thing that fills the picture.",
            (in _) => "Wp/mx",
            (in c) => c.Rig.Squeeze * c.Report.Sensor.UsedWidthMm / c.Report.Limits.MaximumMagnification),
        new(
            FigureId.Magnification, "m", "Reproduction ratio", FigureUnit.Times, FigureComparison.Percent,
            "Size on the sensor over true size at the plane of focus; up and down for a squeezed lens.",
            (in c) => c.Travel is { CloseUpPerMm: not 0, CloseUpFromLensMm: not 0 } ? "kt·(ff·iₒ + Ev + φ·(ff·v − gf·(ff·iₒ + Ev)))/ff" : c.Chain.IsTraced ? "kt·v/s" : "v/s",
            (in c) => c.Report.Focus?.Magnification) { Source = Hecht },
        new(
            FigureId.FieldWidthMm, "Fw", "Field at subject", FigureUnit.SceneMm, FigureComparison.Percent,
            "Width of what the picture takes in at the plane of focus.",
            (in _) => "Wp/m",
            (in c) => c.Report.Focus?.FieldWidthMm),
        new(
            FigureId.FieldHeightMm, "Fh", "Field up at subject", FigureUnit.SceneMm, FigureComparison.Percent,
            "Height of what the picture takes in at the plane of focus.",
            (in _) => "Hu/m",
            (in c) => c.Report.Focus?.FieldHeightMm),
        new(
            FigureId.BackgroundFieldWidthMm, "Bw", "Field behind", FigureUnit.SceneMm, FigureComparison.Percent,
            "Width of what the picture takes in at the background.",
            (in c) => Open(c) ? "∞" : "Fw·b/a",
            (in c) => c.Report.Focus?.BackgroundFieldWidthMm),
        new(
            FigureId.BackgroundFieldHeightMm, "Bh", "Field up behind", FigureUnit.SceneMm, FigureComparison.Percent,
            "Height of what the picture takes in at the background.",
            (in c) => Open(c) ? "∞" : "Fh·b/a",
            (in c) => c.Report.Focus?.BackgroundFieldHeightMm),
        new(
            FigureId.DepthOfFieldNearMm, "Sn", "Sharp from", FigureUnit.SceneMm, FigureComparison.Plain,
            "Where the sharp zone begins.",
            (in _) => "D − Si",
            (in c) => c.HasDepth ? c.Report.Focus?.DepthOfFieldNearMm : null)
        { Schools = Schools.Distance | DepthSchools, Source = Ray, Limits = "Of diffraction and a lens's own faults it says nothing." },
        new(
            FigureId.DepthOfFieldFarMm, "Sf", "Sharp to", FigureUnit.SceneMm, FigureComparison.Plain,
            "Where the sharp zone ends.",
            (in c) => Endless(c) ? "∞" : "D + Sb",
            (in c) => c.HasDepth ? c.Report.Focus?.DepthOfFieldFarMm : null)
        { Schools = Schools.Distance | DepthSchools, Source = Ray },
        new(
            FigureId.DepthOfFieldMm, "Sz", "Sharp zone", FigureUnit.SceneMm, FigureComparison.Plain,
            "How deep the sharp zone is: how far a person may sway.",
            (in c) => Endless(c) ? "∞" : "Si + Sb",
            (in c) => c.HasDepth ? c.Report.Focus?.DepthInFrontMm + c.Report.Focus?.DepthBehindMm : null)
        { Schools = DepthSchools, Source = Ray },
        new(
            FigureId.DepthInFrontMm, "Si", "Sharp in front", FigureUnit.SceneMm, FigureComparison.Plain,
            "How far a person may come forward and stay sharp.",
            (in _) => "a − a/(1 + e)",
            (in c) => c.HasDepth ? c.Report.Focus?.DepthInFrontMm : null) { Schools = DepthSchools, Source = Ray },
        new(
            FigureId.DepthBehindMm, "Sb", "Sharp behind", FigureUnit.SceneMm, FigureComparison.Plain,
            "How far a person may lean back and stay sharp.",
            (in c) => Endless(c) ? "∞" : "a/(1 − e) − a",
            (in c) => c.HasDepth ? c.Report.Focus?.DepthBehindMm : null) { Schools = DepthSchools, Source = Ray },
        new(
            FigureId.WorkingDistanceMm, "Dw", "Clear in front of the lens", FigureUnit.SceneMm, FigureComparison.Plain,
            "From the front of the lens to the subject: room for light, hands and safety.",
            (in _) => "Ds − L",
            (in c) => c.Scene.SubjectDistanceMm + RigEvaluator.MarkMm(c.Conventions, c.Rig) - c.Rig.Lens.FrontFromSensorMm),
        new(
            FigureId.StillShareAcross, "Vx", "Of the photograph’s width", FigureUnit.Share, FigureComparison.Percent,
            "How much of the photograph’s width this rig takes in from the same place; above 100 % it is wider than the photograph.",
            (in _) => "Fw·fv/(a·Wv)",
            (in c) => c.Scene.Still is { } v ? c.Report.Focus?.FieldWidthMm * v.FocalLengthMm / (c.Report.Focus?.SubjectFromPupilMm * v.WidthMm) : null)
        { Limits = "For a still that was focused far away, with its pupil where this rig has its own.", WorryAbove = WholeStill },
        new(
            FigureId.StillShareUp, "Vy", "Of the photograph’s height", FigureUnit.Share, FigureComparison.Percent,
            "How much of the photograph’s height this rig takes in from the same place; above 100 % it is taller than the photograph.",
            (in _) => "Fh·fv/(a·Hv)",
            (in c) => c.Scene.Still is { } v ? c.Report.Focus?.FieldHeightMm * v.FocalLengthMm / (c.Report.Focus?.SubjectFromPupilMm * v.HeightMm) : null)
        { Limits = "For a still that was focused far away, with its pupil where this rig has its own.", WorryAbove = WholeStill },
        new(
            FigureId.CameraDistanceMm, "Dc", "Camera to subject", FigureUnit.SceneMm, FigureComparison.Plain,
            "How far from the subject this rig stands: where the scene says, or at a distance of its own.",
            (in _) => "D",
            (in c) => c.Scene.SubjectDistanceMm) { Schools = Schools.Distance },
        new(
            FigureId.MicrophoneDistanceMm, "Mc", "Microphone to subject", FigureUnit.SceneMm, FigureComparison.Plain,
            "From the microphone to the mouth; one on the camera is as far away as the camera.",
            (in c) => c.Scene.MicrophoneMm is null ? "D" : "Mi",
            (in c) => c.Scene.MicrophoneMm ?? c.Scene.SubjectDistanceMm) { Limits = "In the open each doubling costs 6 dB; between walls less." },
    ];

    private static string Nearest(in FigureCase c)
    {
        if (c.Travel.Rear.ShiftMm != 0 || c.Chain.IsTraced)
        {
            return "";
        }

        if (c.Report.Limits.MaximumMagnification is not { } largest)
        {
            return HasGap(c) ? "" : FromMark(c, "4·fj");
        }

        var given = c.Rig.Lens.MinimumFocusDistanceMm;
        var isGiven = given is { } nearest && Math.Abs(nearest - RigEvaluator.MarkMm(c.Conventions, c.Rig) - c.Report.Limits.NearestSubjectDistanceMm) <= 1e-9 * nearest;
        return c.Rig.CloseUpDioptres != 0 ? ""
            : isGiven ? FromMark(c, "Dk")
            : given is not null ? ""
            : FromMark(c, largest <= 1 ? "f·(1 + mx)²/mx" : "4·f");
    }

    private static bool HasGap(in FigureCase c) => c.Travel is { CloseUpPerMm: not 0, CloseUpFromLensMm: not 0 };

    private static bool Open(in FigureCase c) => double.IsPositiveInfinity(c.Scene.BackgroundDistanceMm);

    private static bool Endless(in FigureCase c) => c.Report.Focus?.Tolerance >= 1;

    private static string FromMark(in FigureCase c, string formula) => RigEvaluator.MarkMm(c.Conventions, c.Rig) == 0 ? formula : formula + " − L";

    private static string Circle(in FigureCase c) => c.Report.Sharpness.CircleIsFallback ? "Dp/1500" : c.Conventions.Circle switch
    {
        CircleSchool.FixedSize => "cf",
        CircleSchool.DeliveredPixels => c.Scene.DeliveryWidthPx is null ? "cp·Wp/(Pu·S)" : "cp·Wp/Q",
        CircleSchool.Acuity => "Wp·Vd·tan(1/60)/Vw",
        _ => "Dp/cn",
    };
}

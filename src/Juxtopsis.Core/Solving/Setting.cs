using System.Globalization;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Solving;

/// <summary>A rig that is asked backwards: what it gives when one thing of it is changed. Every answer is the evaluator's own.</summary>
internal readonly record struct Setting(Scene Scene, Conventions Conventions, Rig Rig, LengthUnit Unit)
{
    /// <summary>As near before the front of a lens as anything may be, mm.</summary>
    private static readonly double LeastMm = Quantity.SubjectDistance.Min;

    public RigReport Report => RigEvaluator.Evaluate(Scene, Conventions, Rig);

    /// <summary>From where the camera may stand, mm: the rig's focus and the place, whichever is narrower.</summary>
    public (double From, SolveBound FromBound, double To, SolveBound ToBound) Reach
    {
        get
        {
            var limits = Report.Limits;
            var near = Scene.NearestCameraMm ?? 0;
            var far = Scene.FarthestCameraMm ?? double.PositiveInfinity;

            // The subject is before the front of the lens, or at least before the mark that distances begin at.
            var front = Math.Max(LeastMm, Rig.Lens.FrontFromSensorMm - RigEvaluator.MarkMm(Conventions, Rig) + LeastMm ?? 0);
            var (from, bound) = near >= limits.NearestSubjectDistanceMm && near >= front ? (near, SolveBound.NearestPlace)
                : front > limits.NearestSubjectDistanceMm ? (front, SolveBound.LensFront)
                : (limits.NearestSubjectDistanceMm, SolveBound.MinimumFocusDistance);
            return (
                from,
                bound,
                Math.Min(limits.FarthestSubjectDistanceMm, far),
                far < limits.FarthestSubjectDistanceMm ? SolveBound.FarthestPlace : SolveBound.MaximumFocusDistance);
        }
    }

    public Setting At(double subjectDistanceMm) =>
        this with { Scene = Scene with { SubjectDistanceMm = subjectDistanceMm, BackgroundDistanceMm = double.PositiveInfinity } };

    /// <summary>Moves the camera; what is behind the subject moves along with it.</summary>
    public Setting Standing(double subjectDistanceMm) => this with { Scene = Scene.From(subjectDistanceMm) };

    /// <summary>Zooms. A measured focal length moves in proportion with the marked one.</summary>
    public Setting With(double focalLengthMm) => this with
    {
        Rig = Rig with
        {
            FocalLengthMm = focalLengthMm,
            Lens = Rig.Lens with { MeasuredFocalLengthMm = Rig.Lens.MeasuredFocalLengthMm * (focalLengthMm / Rig.FocalLengthMm) },
        },
    };

    public double? Field(bool isAcross) => Report.Focus is { } focus ? isAcross ? focus.FieldWidthMm : focus.FieldHeightMm : null;

    public string Far(double mm) => LengthWords.Distance(Rounded(mm), Unit);

    public static string FocalLength(double mm) => LengthWords.Millimetres(Rounded(mm));

    public static string Aperture(double fNumber) => $"ƒ{LengthWords.Number(Math.Round(fNumber, 2))}";

    /// <summary>Four digits, for sentences; by way of text, which is the same on every host.</summary>
    private static double Rounded(double value) =>
        double.Parse(value.ToString("G4", CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);
}

using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Matching;

/// <summary>What makes the look of a picture, in numbers: two with the same numbers look the same, whatever took them.</summary>
/// <remarks>
/// Same angle and same pupil from the same place give the same picture whatever the sensor: disc and sharp zone are the pupil's and the distances'.
/// It ends where lenses are not thin (a focused lens is racked out by a share of its focal length, so that small sensors take in a little more close
/// up), where a squeeze makes the pupil narrower than tall, where transmission differs from opening, and at curved fields, which are not modelled.
/// </remarks>
public readonly record struct LookValues
{
    /// <summary>Closed by less, an iris is wide open.</summary>
    private const double WideOpen = 1.01;

    /// <summary>f/H: focal length over the height of the used area; times 24 it is the equivalent focal length for that delivery.</summary>
    public double FocalPerHeight { get; init; }

    /// <summary>Field at the subject, upright, mm.</summary>
    public double FieldHeightMm { get; init; }

    /// <summary>D, sensor mark to subject, mm.</summary>
    public double DistanceMm { get; init; }

    /// <summary>a, entrance pupil to subject, mm.</summary>
    public double FromPupilMm { get; init; }

    /// <summary>p, entrance pupil, mm; upright for a front squeeze.</summary>
    public double PupilMm { get; init; }

    /// <summary>c/m: the circle of confusion at the subject, mm.</summary>
    public double CircleAtSubjectMm { get; init; }

    /// <summary>Working T-number; working f-number where the transmission is not known.</summary>
    public double WorkingTNumber { get; init; }

    /// <summary>How many times taller than wide the discs are: S for a front squeeze, else 1.</summary>
    public double DiscNarrowing { get; init; }

    /// <summary>Distances behind the subject that a curve of blur is drawn through, mm: from 10 cm to 100 m, and infinity.</summary>
    public static IReadOnlyList<double> CurveMm { get; } = [100, 200, 500, 1000, 2000, 5000, 10_000, 20_000, 50_000, 100_000, double.PositiveInfinity];

    /// <summary>Corners of the discs: as many as the iris has blades where it is closed at all; 0 for round ones, and where the blades are not known.</summary>
    public double DiscCorners { get; init; }

    /// <summary>The look of what the evaluator says of a rig.</summary>
    /// <param name="scene">The scene.</param>
    /// <param name="rig">The rig.</param>
    /// <param name="report">What is said of it, with distances from the sensor mark.</param>
    /// <returns>The look; null without a plane of focus.</returns>
    public static LookValues? Of(in Scene scene, in Rig rig, in RigReport report) => report.Focus is not { } focus ? null : new()
    {
        FocalPerHeight = report.Lens.EffectiveFocalLengthMm / report.Sensor.UsedHeightMm,
        FieldHeightMm = focus.FieldHeightMm,
        DistanceMm = scene.SubjectDistanceMm,
        FromPupilMm = focus.SubjectFromPupilMm,
        PupilMm = focus.PupilMm,
        CircleAtSubjectMm = focus.Tolerance * focus.PupilMm,
        WorkingTNumber = report.Light.WorkingTNumber,
        DiscNarrowing = rig.PupilNarrowing(),
        DiscCorners = report.Lens.WidestFNumber is { } widest && report.Lens.UsedFNumber > widest * WideOpen ? rig.Lens.Blades ?? 0 : 0,
    };

    /// <summary>Disc of a point behind the subject, as a share of the picture's height.</summary>
    /// <param name="behindMm">How far behind, mm; infinite for the open.</param>
    /// <returns>p/F·δ/(a + δ).</returns>
    public double BlurShare(double behindMm) => PupilMm / FieldHeightMm * (double.IsPositiveInfinity(behindMm) ? 1 : behindMm / (FromPupilMm + behindMm));

    /// <summary>Share of the picture's height that a thing behind the subject takes, for each mm of its own.</summary>
    /// <param name="behindMm">How far behind, mm; for an infinite one what is told is that share times the distance.</param>
    /// <returns>a/(F·(a + δ)).</returns>
    public double SizeBehind(double behindMm) => FromPupilMm / FieldHeightMm / (double.IsPositiveInfinity(behindMm) ? 1 : FromPupilMm + behindMm);

    /// <summary>Harmonic mean of how deep it is sharp before and behind the subject, a·e, mm: 2/(1/before + 1/behind), where e is the circle at the subject over the pupil.</summary>
    public double SharpMm => FromPupilMm * CircleAtSubjectMm / PupilMm;

    /// <summary>The number that is compared, for each aspect; at one distance behind for those that have one.</summary>
    /// <param name="aspect">The aspect.</param>
    /// <param name="behindMm">How far behind the subject, mm.</param>
    /// <returns>Above 0.</returns>
    public double Of(LookAspect aspect, double behindMm) => aspect switch
    {
        LookAspect.Angle => FocalPerHeight,
        LookAspect.Framing => FieldHeightMm,
        LookAspect.Distance => DistanceMm,
        LookAspect.BackgroundSize => SizeBehind(behindMm),
        LookAspect.Blur => BlurShare(behindMm),
        LookAspect.BlurShape => DiscNarrowing,
        LookAspect.SharpZone => SharpMm,
        _ => WorkingTNumber,
    };
}

/// <summary>What is left over of a look, aspect by aspect, in stops: 2·log₂ of the ratio, so that a picture with half the sides is two stops off, like the light that it takes.</summary>
/// <param name="Of">What of the answer.</param>
/// <param name="To">What of the look.</param>
/// <param name="BehindMm">At which distances behind the subject blur is compared, mm.</param>
public sealed record LookRest(LookValues Of, LookValues To, IReadOnlyList<double> BehindMm)
{
    /// <summary>What is left over of an aspect.</summary>
    /// <param name="aspect">The aspect; blur at the first distance.</param>
    /// <returns>Stops, above 0 where the answer has more: a longer angle, a larger field, more blur, a deeper zone, less light.</returns>
    public double this[LookAspect aspect] => At(aspect, BehindMm[0]);

    /// <summary>What is left over of an aspect at a distance behind the subject.</summary>
    /// <param name="aspect">The aspect.</param>
    /// <param name="behindMm">The distance, mm.</param>
    /// <returns>Stops.</returns>
    public double At(LookAspect aspect, double behindMm) => 2 * PortableMath.Log2(Of.Of(aspect, behindMm) / To.Of(aspect, behindMm));

    /// <summary>All of it, each times its weight.</summary>
    /// <param name="wishes">The weights.</param>
    /// <returns>Stops; what is beyond the tolerance of a pin counts <see cref="LookTerm.Pin"/> times.</returns>
    public double Sum(LookWishes wishes)
    {
        ArgumentNullException.ThrowIfNull(wishes);
        return LookTerm.Of(wishes, BehindMm).Sum(term => term.Cost(At(term.Aspect, term.BehindMm)));
    }
}

namespace Juxtopsis.Core.Optics;

/// <summary>
/// How a lens focuses: from infinity to its nearest mark, with tubes behind it and a close-up lens before it.
/// </summary>
/// <remarks>
/// <para>
/// The place of the focusing ring is told by i, the reproduction ratio that the lens alone would have there: 0 at infinity,
/// its largest ratio at the nearest mark. Real lenses shorten as they focus close; between the two ends the focal length is
/// taken as linear in i. Source of the end: Dmin = f(1 + m)²/m of the thin lens, so f = Dmin·m/(1 + m)² there.
/// </para>
/// <para>
/// A tube of e mm moves the lens out: v = f(1 + i) + e. A close-up lens of φ (1/mm) brings the subject nearer:
/// 1/s = (1/f − 1/v) + φ. Lens and close-up lens are taken to lie in one plane.
/// </para>
/// </remarks>
/// <param name="InfinityFocalLengthMm">f at infinity as the sensor sees it, mm.</param>
/// <param name="FocalLengthSlopeMm">Change of f for each 1 of i, mm; 0 for a lens that keeps its focal length.</param>
/// <param name="LargestOwnMagnification">i at the nearest mark; null when only the thin lens limits it.</param>
/// <param name="ExtensionMm">e, mm.</param>
/// <param name="CloseUpPerMm">φ, 1/mm: dioptres over 1000.</param>
public readonly record struct FocusTravel(
    double InfinityFocalLengthMm,
    double FocalLengthSlopeMm,
    double? LargestOwnMagnification,
    double ExtensionMm,
    double CloseUpPerMm)
{
    /// <summary>Focal length of lens and close-up lens together at infinity, mm.</summary>
    private double JoinedFocalLengthMm =>
        CloseUpPerMm == 0 ? InfinityFocalLengthMm : InfinityFocalLengthMm / (1 + CloseUpPerMm * InfinityFocalLengthMm);

    /// <summary>True when a tube or a close-up lens keeps the rig from focusing far away.</summary>
    public bool HasFarEnd => ExtensionMm > 0 || CloseUpPerMm > 0;

    /// <summary>A lens with the data that its maker gives, behind optics of magnification k.</summary>
    /// <param name="focalLengthMm">f at infinity as the sensor sees it, mm.</param>
    /// <param name="nearestFocusMm">Nearest mark, mm from the sensor mark; null when not known.</param>
    /// <param name="largestMagnification">Largest ratio of the lens itself; null when not known.</param>
    /// <param name="opticsMagnification">k.</param>
    /// <param name="extensionMm">Tubes, mm.</param>
    /// <param name="closeUpDioptres">Close-up lens, 1/m.</param>
    /// <returns>The travel. A nearest mark that the thin lens cannot reach, without a ratio, is left to the thin lens.</returns>
    public static FocusTravel Of(
        double focalLengthMm,
        double? nearestFocusMm,
        double? largestMagnification,
        double opticsMagnification,
        double extensionMm,
        double closeUpDioptres)
    {
        var slope = 0.0;
        double? largest = largestMagnification * opticsMagnification;
        if (largest is { } m && nearestFocusMm is { } nearest)
        {
            slope = (ThinLens.FocalLengthMm(nearest, m) - focalLengthMm) / m;
        }
        else if (nearestFocusMm is { } mark && mark >= ThinLens.NearestSubjectDistanceMm(focalLengthMm))
        {
            largest = focalLengthMm / (ThinLens.SubjectFromLensMm(focalLengthMm, mark) - focalLengthMm);
        }

        return new FocusTravel(focalLengthMm, slope, largest, extensionMm, closeUpDioptres / 1000);
    }

    /// <summary>Where things are when the ring stands at i.</summary>
    /// <param name="ownMagnification">i, 0 or more; 0 without tube and close-up lens is infinity.</param>
    /// <returns>The place of focus.</returns>
    public FocusPlace At(double ownMagnification)
    {
        var f = InfinityFocalLengthMm + FocalLengthSlopeMm * ownMagnification;
        var v = f * (1 + ownMagnification) + ExtensionMm;
        return new FocusPlace(f, 1 / Power(f, v, ownMagnification), v, ownMagnification + ExtensionMm / f);
    }

    /// <summary>The nearest distance that this can focus.</summary>
    /// <returns>Millimetres from the sensor mark.</returns>
    public double NearestMm()
    {
        if (IsBeyondLifeSize)
        {
            return At(0).SubjectDistanceMm;
        }

        return LargestOwnMagnification is { } largest
            ? At(RingAtNearest(largest)).SubjectDistanceMm
            : ThinLens.NearestSubjectDistanceMm(JoinedFocalLengthMm);
    }

    /// <summary>The farthest distance that this can focus.</summary>
    /// <returns>Millimetres from the sensor mark; infinite without tube and close-up lens.</returns>
    public double FarthestMm() => !HasFarEnd ? double.PositiveInfinity
        : At(IsBeyondLifeSize ? LargestOwnMagnification ?? 1 : 0).SubjectDistanceMm;

    /// <summary>The largest ratio that this can reach.</summary>
    /// <returns>
    /// A ratio; null when nothing but the thin lens limits it and no data says how far the lens racks out, unless all is larger than
    /// life anyway: then the lens is taken to rack out as far as in <see cref="FarthestMm"/>.
    /// </returns>
    public double? LargestMagnification() =>
        (LargestOwnMagnification ?? (IsBeyondLifeSize ? 1 : null)) is { } largest ? At(largest).Magnification : null;

    /// <summary>Focuses at a distance.</summary>
    /// <param name="subjectDistanceMm">D, mm from the sensor mark, between <see cref="NearestMm"/> and <see cref="FarthestMm"/>.</param>
    /// <returns>
    /// The place of focus, found in closed form where the focal length keeps, else to the last digits by Newton's method held
    /// between bounds. Where two places would do (beyond life size), the one with the lens nearer the sensor, unless a tube
    /// keeps it from there.
    /// </returns>
    public FocusPlace FocusAt(double subjectDistanceMm)
    {
        if (FocalLengthSlopeMm != 0)
        {
            return At(Ring(subjectDistanceMm));
        }

        var joined = JoinedFocalLengthMm;
        var root = Math.Sqrt(Math.Max(0, subjectDistanceMm * (subjectDistanceMm - 4 * joined)));
        var longer = (subjectDistanceMm + root) / 2;

        // The shorter from the lens's equation, not as a difference, which would lose all its digits where it is much shorter.
        var shorter = joined * longer / (longer - joined);
        var (s, v) = IsBeyondLifeSize ? (shorter, longer) : (longer, shorter);
        return new FocusPlace(InfinityFocalLengthMm, s, v, Math.Max(0, v / s - CloseUpPerMm * v));
    }

    /// <summary>The distance at which the subject is drawn at a ratio.</summary>
    /// <param name="magnification">m wanted, positive.</param>
    /// <returns>Millimetres from the sensor mark, whether or not the lens reaches so far.</returns>
    public double DistanceForMm(double magnification)
    {
        if (FocalLengthSlopeMm == 0)
        {
            return ThinLens.SubjectDistanceMm(JoinedFocalLengthMm, magnification);
        }

        if (ExtensionMm == 0 && CloseUpPerMm == 0)
        {
            // Nothing but the lens: the ring's own ratio is the ratio.
            return At(magnification).SubjectDistanceMm;
        }

        // m = v·(1/s) grows with the ring; beyond the nearest mark the focal length is taken to go on as before, but to stay positive.
        var low = 0.0;
        var high = Math.Max(LargestOwnMagnification ?? 1, 1e-9);
        for (var i = 0; i < 80; i++)
        {
            var middle = (low + high) / 2;
            if (At(middle).Magnification < magnification)
            {
                low = middle;
            }
            else
            {
                high = middle;
            }
        }

        return At(high).SubjectDistanceMm;
    }

    /// <summary>True when a tube holds the lens so far out that everything is drawn larger than life.</summary>
    private bool IsBeyondLifeSize => ExtensionMm > 0 && Slope(0) > 0;

    /// <summary>1/s with the ring at i; written so that it keeps its digits near infinity.</summary>
    private double Power(double f, double v, double ring) => (f * ring + ExtensionMm) / (f * v) + CloseUpPerMm;

    private double Ring(double subjectDistanceMm)
    {
        var beyond = IsBeyondLifeSize;
        var high = beyond ? LargestOwnMagnification ?? 1 : RingAtNearest(LargestOwnMagnification ?? 1);
        var low = 0.0;
        var ring = Math.Min(high, PlainMagnification(subjectDistanceMm));
        for (var i = 0; i < 60; i++)
        {
            // (D − v)/s = 1, multiplied out: smooth through infinity, and nothing to divide by.
            var d = Derivatives(ring);
            var behind = subjectDistanceMm - d.V;
            var error = d.A * behind - d.Fv;
            var step = error / (d.ASlope * behind - d.A * d.VSlope - d.FvSlope);
            if (Math.Abs(step) <= 1e-14 * ring)
            {
                break;
            }

            if (error > 0 != beyond)
            {
                high = ring;
            }
            else
            {
                low = ring;
            }

            var next = ring - step;
            ring = next > low && next < high ? next : (low + high) / 2;
        }

        return ring;
    }

    /// <summary>The ratio of a lens that keeps its focal length: where the search begins.</summary>
    private double PlainMagnification(double subjectDistanceMm)
    {
        var f = InfinityFocalLengthMm;
        return subjectDistanceMm <= 4 * f ? 1 : f / ((subjectDistanceMm + Math.Sqrt(subjectDistanceMm * (subjectDistanceMm - 4 * f))) / 2 - f);
    }

    /// <summary>The ring's place of the nearest distance: its end, unless the distance grows again beyond life size.</summary>
    private double RingAtNearest(double end)
    {
        if (Slope(end) <= 0)
        {
            return end;
        }

        var low = 0.0;
        var high = end;
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Slope(middle) > 0 ? (low, middle) : (middle, high);
        }

        return high;
    }

    /// <summary>Has the sign of the change of D with i.</summary>
    private double Slope(double ring)
    {
        var d = Derivatives(ring);
        return d.VSlope * d.A * d.A - (d.ASlope * d.Fv - d.A * d.FvSlope);
    }

    /// <summary>v, f·v and A = f·v/s with their slopes.</summary>
    private (double V, double VSlope, double Fv, double FvSlope, double A, double ASlope) Derivatives(double ring)
    {
        var f = InfinityFocalLengthMm + FocalLengthSlopeMm * ring;
        var v = f * (1 + ring) + ExtensionMm;
        var vSlope = FocalLengthSlopeMm * (1 + ring) + f;
        var fv = f * v;
        var fvSlope = FocalLengthSlopeMm * v + f * vSlope;
        return (v, vSlope, fv, fvSlope, f * ring + ExtensionMm + CloseUpPerMm * fv, f + FocalLengthSlopeMm * ring + CloseUpPerMm * fvSlope);
    }
}

/// <summary>Where lens and subject are when something is in focus.</summary>
/// <param name="FocalLengthMm">Focal length of the lens at this focus, as the sensor sees it, without a close-up lens, mm.</param>
/// <param name="SubjectFromLensMm">s, mm.</param>
/// <param name="ImageDistanceMm">v, mm.</param>
/// <param name="RackedOut">
/// v/f − 1, reckoned as m − φ·v to keep its digits: how far the lens is racked out, which sets the light lost. Equal to m without
/// a close-up lens.
/// </param>
public readonly record struct FocusPlace(double FocalLengthMm, double SubjectFromLensMm, double ImageDistanceMm, double RackedOut)
{
    /// <summary>D = s + v, mm from the sensor mark.</summary>
    public double SubjectDistanceMm => SubjectFromLensMm + ImageDistanceMm;

    /// <summary>m = v/s, the reproduction ratio.</summary>
    public double Magnification => ImageDistanceMm / SubjectFromLensMm;
}

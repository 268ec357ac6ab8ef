namespace Juxtopsis.Core.Optics;

/// <summary>
/// How a lens focuses within its chain: close-up lens, lens with its own travel, and whatever stands still between it and the sensor.
/// </summary>
/// <remarks>
/// <para>
/// The place of the focusing ring is told by i, the reproduction ratio that the bare lens would have there: 0 at infinity, its maximum
/// magnification at the minimum focus distance. Real lenses shorten as they focus close; between the two ends the focal length is taken as
/// linear in i. Source of the end: Dmin = f(1 + m)²/m of the thin lens, so f = Dmin·m/(1 + m)² there.
/// </para>
/// <para>
/// The lens images a plane v = f(1 + i) + E behind it, the rear group draws that plane K times as large on the sensor, X farther on. A
/// close-up lens of φ (1/mm) stands g before it. With q = f·i + E, Q = f·v − g·q and A = q + φ·Q follow s = Q/A from the frontmost glass to
/// the subject, the reproduction ratio m = K·A/f and the distance D = s + g + v + X. These are the products of the ray-transfer matrices
/// of the elements, with the condition that subject and sensor are images of each other (B = 0), written out.
/// </para>
/// </remarks>
/// <param name="InfinityFocalLengthMm">f at infinity, mm.</param>
/// <param name="FocalLengthSlopeMm">Change of f for each 1 of i, mm; 0 for a lens that keeps its focal length.</param>
/// <param name="LargestOwnMagnification">i at the minimum focus distance; null when only the thin lens limits it.</param>
/// <param name="Rear">What stands between lens and sensor.</param>
/// <param name="CloseUpPerMm">φ, 1/mm: dioptres over 1000.</param>
/// <param name="CloseUpFromLensMm">g, from the close-up lens back to the lens, mm.</param>
public readonly record struct FocusTravel(
    double InfinityFocalLengthMm,
    double FocalLengthSlopeMm,
    double? LargestOwnMagnification,
    RearGroup Rear,
    double CloseUpPerMm = 0,
    double CloseUpFromLensMm = 0)
{
    /// <summary>Distances are compared no finer than this, as a ratio: what rounding makes of a mark that is set exactly.</summary>
    internal const double Rounding = 1e-12;

    private const int Halvings = 80;

    /// <summary>The distance turns once for a lens that keeps its focal length, and seldom more than twice for any.</summary>
    private const int MostTurns = 6;

    private const int TurnSteps = 24;

    /// <summary>A close-up lens stands no farther before the lens than this share of what that focuses on by itself.</summary>
    private const double ShareOfOwnDistance = 0.9;

    /// <summary>True when a tube or a close-up lens keeps the chain from focusing far away.</summary>
    public bool HasFarEnd => Rear.ShiftMm > 0 || CloseUpPerMm > 0 || !CanFocus;

    /// <summary>True when light can be brought to the sensor at all: a tube behind a converter may be too long for that.</summary>
    public bool CanFocus => Rear.Magnification > 0;

    /// <summary>A lens with the data that its maker gives.</summary>
    /// <param name="focalLengthMm">f at infinity, mm.</param>
    /// <param name="minimumFocusDistanceMm">Minimum focus distance of the lens itself, mm from the sensor mark; null when not known.</param>
    /// <param name="maximumMagnification">Maximum magnification of the lens itself; null when not known.</param>
    /// <param name="rear">What stands between lens and sensor.</param>
    /// <param name="closeUpDioptres">Close-up lens, 1/m.</param>
    /// <param name="closeUpFromLensMm">From it to the lens, mm.</param>
    /// <returns>The travel. A minimum focus distance that the thin lens cannot reach, without a magnification, is left to the thin lens.</returns>
    public static FocusTravel Of(
        double focalLengthMm, double? minimumFocusDistanceMm, double? maximumMagnification, RearGroup rear, double closeUpDioptres = 0, double closeUpFromLensMm = 0)
    {
        var slope = 0.0;
        var largest = maximumMagnification;
        if (largest is { } m && minimumFocusDistanceMm is { } nearest)
        {
            slope = (ThinLens.FocalLengthMm(nearest, m) - focalLengthMm) / m;
        }
        else if (minimumFocusDistanceMm is { } mark && mark >= ThinLens.NearestSubjectDistanceMm(focalLengthMm))
        {
            largest = focalLengthMm / (ThinLens.SubjectFromLensMm(focalLengthMm, mark) - focalLengthMm);
        }

        var travel = new FocusTravel(focalLengthMm, slope, largest, rear, closeUpDioptres / 1000);
        return closeUpDioptres == 0 || closeUpFromLensMm == 0 ? travel : travel.WithCloseUpAt(closeUpFromLensMm);
    }

    /// <summary>Where things are when the ring stands at i.</summary>
    /// <param name="ownMagnification">i, 0 or more; 0 without tube and close-up lens is infinity.</param>
    /// <returns>The place of focus.</returns>
    public FocusPlace At(double ownMagnification)
    {
        var d = Derivatives(ownMagnification);
        return new FocusPlace(
            d.F,
            d.Q / d.A,
            d.V,
            Rear.Magnification * d.A / d.F,
            ownMagnification + Rear.ShiftMm / d.F,
            CloseUpFromLensMm + Rear.TrackMm,
            ownMagnification);
    }

    /// <summary>The minimum focus distance of the chain.</summary>
    /// <returns>Millimetres from the sensor mark; infinite when it cannot focus at all.</returns>
    public double NearestMm()
    {
        if (!CanFocus)
        {
            return double.PositiveInfinity;
        }

        // A plain lens without data ends at 4f, which needs no search.
        if (IsPlain && LargestOwnMagnification is null && !IsBeyondLifeSize)
        {
            return ThinLens.NearestSubjectDistanceMm(JoinedFocalLengthMm) + Rear.TrackMm;
        }

        Span<double> turns = stackalloc double[MostTurns];
        var nearest = double.PositiveInfinity;
        foreach (var ring in Turns(turns))
        {
            nearest = Math.Min(nearest, At(ring).SubjectDistanceMm);
        }

        return nearest;
    }

    /// <summary>The farthest distance that the chain can focus.</summary>
    /// <returns>Millimetres from the sensor mark; infinite without tube and close-up lens.</returns>
    public double FarthestMm()
    {
        if (!HasFarEnd)
        {
            return double.PositiveInfinity;
        }

        Span<double> turns = stackalloc double[MostTurns];
        var farthest = 0.0;
        foreach (var ring in CanFocus ? Turns(turns) : [])
        {
            farthest = Math.Max(farthest, At(ring).SubjectDistanceMm);
        }

        return farthest;
    }

    /// <summary>The maximum magnification of the chain.</summary>
    /// <returns>
    /// A ratio; null when nothing but the thin lens limits it and no data says how far the lens racks out, unless all is larger than
    /// life anyway: then the lens is taken to rack out as far as in <see cref="FarthestMm"/>.
    /// </returns>
    public double? MaximumMagnification() =>
        (!CanFocus ? null : LargestOwnMagnification ?? (CanFocus && IsBeyondLifeSize ? 1 : null)) is { } largest ? At(largest).Magnification : null;

    /// <summary>The magnification where the travel ends, also where only the thin lens ends it.</summary>
    /// <returns>A ratio.</returns>
    public double EndMagnification() => At(EndRing()).Magnification;

    /// <summary>Both ends of the travel.</summary>
    /// <returns>The range.</returns>
    public FocusRange Range() => new(NearestMm(), FarthestMm());

    /// <summary>Focuses at a distance.</summary>
    /// <param name="subjectDistanceMm">D, mm from the sensor mark, between <see cref="NearestMm"/> and <see cref="FarthestMm"/>.</param>
    /// <param name="rackedFarther">
    /// Where the ring focuses at this distance in more places than one (around life size): true for the one where it is racked out farthest.
    /// </param>
    /// <returns>
    /// The place of focus, found in closed form where the focal length keeps, else to the last digits by Newton's method held between
    /// bounds.
    /// </returns>
    public FocusPlace FocusAt(double subjectDistanceMm, bool rackedFarther = false)
    {
        var (low, high) = IsSimple ? (0, double.PositiveInfinity) : Segment(subjectDistanceMm, rackedFarther);
        if (!IsPlain)
        {
            return At(Ring(subjectDistanceMm, low, high));
        }

        var joined = JoinedFocalLengthMm;
        var sum = subjectDistanceMm - Rear.TrackMm;
        var longer = (sum + Math.Sqrt(Math.Max(0, sum * (sum - 4 * joined)))) / 2;

        // The shorter from the lens's equation, not as a difference, which would lose all its digits where it is much shorter.
        var shorter = joined * longer / (longer - joined);
        var (s, v) = low > 0 || IsBeyondLifeSize ? (shorter, longer) : (longer, shorter);
        var racked = Math.Max(0, v / s - CloseUpPerMm * v);
        return new FocusPlace(
            InfinityFocalLengthMm, s, v, Rear.Magnification * v / s, racked, Rear.TrackMm, Math.Max(0, racked - Rear.ShiftMm / InfinityFocalLengthMm));
    }

    /// <summary>Where the subject is drawn at a magnification.</summary>
    /// <param name="magnification">m wanted, positive.</param>
    /// <returns>The place; null when the travel ends before it on either side.</returns>
    public FocusPlace? ForMagnification(double magnification)
    {
        if (!CanFocus)
        {
            return null;
        }

        var end = EndRing();
        var ring = RingFor(magnification, end);
        return ring >= -Rounding && ring <= end * (1 + Rounding) && double.IsFinite(ring) ? At(Math.Max(0, ring)) : null;
    }

    /// <summary>True when a place lies where the ring, racked out less, would focus at the same distance too.</summary>
    /// <param name="place">A place of this travel.</param>
    /// <returns>True when <see cref="FocusAt"/> needs to be told that the farther one is meant.</returns>
    public bool NeedsRackingFarther(in FocusPlace place) => place.Ring > Segment(place.SubjectDistanceMm, false).High * (1 + Rounding);

    /// <summary>A close-up lens g before the lens, but never beyond what the lens by itself would focus on.</summary>
    private FocusTravel WithCloseUpAt(double fromLensMm) =>
        this with { CloseUpFromLensMm = Math.Min(fromLensMm, ShareOfOwnDistance * NearestOwnDistanceMm(LargestOwnMagnification ?? 1)) };

    /// <summary>The least of f·v/q, from the lens to what it focuses on without the close-up lens, up to an end of the ring.</summary>
    /// <remarks>
    /// f·v/q = f + f/(i + E/f) falls all along the ring where f keeps or falls. Where f = f₀ + s·i grows, E/f ≤ E/f₀ bounds it from below
    /// by a + s + s·y + a/y with y = i + E/f₀ and a = f₀ − s·E/f₀, which is least at y = √(a/s); without a tube that is the least itself.
    /// </remarks>
    private double NearestOwnDistanceMm(double end)
    {
        if (FocalLengthSlopeMm <= 0)
        {
            var f = InfinityFocalLengthMm + FocalLengthSlopeMm * end;
            return f + f * f / (f * end + Rear.ShiftMm);
        }

        var start = Rear.ShiftMm / InfinityFocalLengthMm;
        var a = InfinityFocalLengthMm - FocalLengthSlopeMm * start;
        var y = Math.Clamp(Math.Sqrt(Math.Max(0, a) / FocalLengthSlopeMm), start, start + end);
        return (a + FocalLengthSlopeMm * y) * (1 + 1 / y);
    }

    /// <summary>True for a lens alone that keeps its focal length and ends at life size or before: the distance falls all along the ring.</summary>
    private bool IsSimple => FocalLengthSlopeMm == 0 && Rear.ShiftMm == 0 && CloseUpPerMm == 0 && !(LargestOwnMagnification > 1) && CanFocus;

    /// <summary>True where focal length and lens plane keep, so that all follows in closed form.</summary>
    private bool IsPlain => FocalLengthSlopeMm == 0 && (CloseUpFromLensMm == 0 || CloseUpPerMm == 0);

    /// <summary>Focal length of lens and close-up lens together at infinity, mm.</summary>
    private double JoinedFocalLengthMm =>
        CloseUpPerMm == 0 ? InfinityFocalLengthMm : InfinityFocalLengthMm / (1 + CloseUpPerMm * InfinityFocalLengthMm);

    /// <summary>True when a tube or close-up lens has the distance grow from the very start of the ring: all is drawn larger than life.</summary>
    private bool IsBeyondLifeSize => HasFarEnd && Slope(0) > 0;

    /// <summary>Where the ring ends: by the lens's data; without, where the distance is least, or at 1 where it only grows.</summary>
    private double EndRing() => LargestOwnMagnification ?? (IsBeyondLifeSize ? 1
        : IsPlain ? Math.Max(0, 2 * JoinedFocalLengthMm / InfinityFocalLengthMm - 1 - Rear.ShiftMm / InfinityFocalLengthMm)
        : NearestRing(1));

    /// <summary>The ring's place of the nearest distance up to an end, where the distance has one turn at most.</summary>
    private double NearestRing(double end)
    {
        if (Slope(end) <= 0)
        {
            return end;
        }

        return Slope(0) > 0 ? 0 : Turn(0, end);
    }

    /// <summary>Where between two places of the ring the distance turns from falling to growing, or back.</summary>
    private double Turn(double low, double high)
    {
        var falls = Slope(low) <= 0;
        for (var i = 0; i < Halvings && low < high; i++)
        {
            var middle = (low + high) / 2;
            if (middle <= low || middle >= high)
            {
                break;
            }

            (low, high) = Slope(middle) <= 0 == falls ? (middle, high) : (low, middle);
        }

        return high;
    }

    /// <summary>Both ends of the ring, and between them where the distance turns: nowhere, but close to life size and beyond.</summary>
    private ReadOnlySpan<double> Turns(Span<double> turns)
    {
        var end = EndRing();
        turns[0] = 0;
        var count = 1 + (Rear.ShiftMm == 0 && CloseUpPerMm == 0 ? TurnsOfLensAlone(end, turns[1..]) : TurnsFound(end, turns[1..^1]));
        turns[count++] = end;
        return turns[..count];
    }

    /// <summary>
    /// Without tube and close-up lens D = (f + g·i)(1 + i)²/i + X, whose slope has the sign of 2g·i² + f·i − f: the turns are its roots.
    /// </summary>
    private int TurnsOfLensAlone(double end, Span<double> turns)
    {
        var (f, g) = (InfinityFocalLengthMm, FocalLengthSlopeMm);
        var discriminant = f * (f + 8 * g);
        if (discriminant <= 0)
        {
            return 0;
        }

        var sum = f + Math.Sqrt(discriminant);
        var (first, second) = (2 * f / sum, -sum / (4 * g));
        if (!(first < end))
        {
            return 0;
        }

        turns[0] = first;
        if (!(g < 0 && second < end))
        {
            return 1;
        }

        turns[1] = second;
        return 2;
    }

    /// <summary>In general the slope is looked at in steps, and each change of its sign closed in on.</summary>
    private int TurnsFound(double end, Span<double> turns)
    {
        if (!HasFarEnd && end <= 1 && FocalLengthSlopeMm <= 0)
        {
            return 0;
        }

        // One turn at most where the focal length keeps; a lens that shortens much may have more.
        var steps = IsPlain ? 1 : TurnSteps;
        var (count, before, falls) = (0, 0.0, Slope(0) <= 0);
        for (var i = 1; i <= steps && count < turns.Length; i++)
        {
            var ring = i == steps ? end : end * i / steps;
            var still = Slope(ring) <= 0;
            if (still != falls)
            {
                turns[count++] = Turn(before, ring);
                falls = still;
            }

            before = ring;
        }

        return count;
    }

    /// <summary>The stretch of the ring, between two turns, in which a distance is reached: the first or the last of them.</summary>
    private (double Low, double High) Segment(double subjectDistanceMm, bool last)
    {
        Span<double> room = stackalloc double[MostTurns];
        var turns = Turns(room);
        var found = (Low: turns[0], High: turns[1]);
        if (turns.Length == 2)
        {
            return found;
        }

        var (off, from) = (double.PositiveInfinity, At(turns[0]).SubjectDistanceMm);
        for (var i = 1; i < turns.Length; i++)
        {
            var to = At(turns[i]).SubjectDistanceMm;
            var (near, far) = (Math.Min(from, to) * (1 - Rounding), Math.Max(from, to) * (1 + Rounding));
            var beyond = Math.Max(0, Math.Max(near - subjectDistanceMm, subjectDistanceMm - far));
            if (beyond < off || last && beyond == off)
            {
                (found, off) = ((turns[i - 1], turns[i]), beyond);
            }

            from = to;
        }

        return found;
    }

    private double Ring(double subjectDistanceMm, double low, double high)
    {
        var grows = At(low).SubjectDistanceMm < At(high).SubjectDistanceMm;
        var ring = Math.Clamp(PlainMagnification(subjectDistanceMm), low, high);
        for (var i = 0; i < Halvings; i++)
        {
            // (D − g − v − X)·A = Q: smooth through infinity, and nothing to divide by.
            var d = Derivatives(ring);
            var behind = subjectDistanceMm - CloseUpFromLensMm - Rear.TrackMm - d.V;
            var error = d.A * behind - d.Q;
            var step = error / (d.ASlope * behind - d.A * d.VSlope - d.QSlope);
            if (Math.Abs(step) <= 1e-15 * ring)
            {
                break;
            }

            (low, high) = error > 0 != grows ? (low, ring) : (ring, high);
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

    /// <summary>The ring for a magnification, A/f = m/K: as it is without tube and close-up lens, else by halving, since it grows with the ring.</summary>
    private double RingFor(double magnification, double end)
    {
        var wanted = magnification / Rear.Magnification;
        if (CloseUpPerMm == 0 && (FocalLengthSlopeMm == 0 || Rear.ShiftMm == 0))
        {
            return wanted - Rear.ShiftMm / InfinityFocalLengthMm;
        }

        double Had(in Travelled d) => d.A / d.F;
        if (wanted < Had(Derivatives(0)) * (1 - Rounding) || wanted > Had(Derivatives(end)) * (1 + Rounding))
        {
            return double.NaN;
        }

        var (low, high) = (0.0, end);
        for (var i = 0; i < Halvings && low < high; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Had(Derivatives(middle)) < wanted ? (middle, high) : (low, middle);
        }

        return high;
    }

    /// <summary>Has the sign of the change of D with i.</summary>
    private double Slope(double ring)
    {
        var d = Derivatives(ring);
        return d.VSlope * d.A * d.A + d.QSlope * d.A - d.Q * d.ASlope;
    }

    private Travelled Derivatives(double ring)
    {
        var f = InfinityFocalLengthMm + FocalLengthSlopeMm * ring;
        var v = f * (1 + ring) + Rear.ShiftMm;
        var vSlope = FocalLengthSlopeMm * (1 + ring) + f;
        var q = f * ring + Rear.ShiftMm;
        var qSlope = f + FocalLengthSlopeMm * ring;
        var big = f * v - CloseUpFromLensMm * q;
        var bigSlope = FocalLengthSlopeMm * v + f * vSlope - CloseUpFromLensMm * qSlope;
        return new(f, v, vSlope, big, bigSlope, q + CloseUpPerMm * big, qSlope + CloseUpPerMm * bigSlope);
    }

    /// <summary>f, v, Q and A of the remarks, with their slopes.</summary>
    private readonly record struct Travelled(double F, double V, double VSlope, double Q, double QSlope, double A, double ASlope);
}

/// <summary>Between which distances something focuses.</summary>
/// <param name="NearestMm">The nearest, mm from the sensor mark; infinite when it cannot focus at all.</param>
/// <param name="FarthestMm">The farthest, mm from the sensor mark; infinite without tube and close-up lens.</param>
public readonly record struct FocusRange(double NearestMm, double FarthestMm)
{
    /// <summary>True when a distance lies within it.</summary>
    /// <param name="subjectDistanceMm">Millimetres from the sensor mark.</param>
    /// <returns>True up to the last digits of either end.</returns>
    public bool Reaches(double subjectDistanceMm) =>
        subjectDistanceMm >= NearestMm * (1 - FocusTravel.Rounding) && subjectDistanceMm <= FarthestMm * (1 + FocusTravel.Rounding);
}

/// <summary>Where lens and subject are when something is in focus.</summary>
/// <param name="FocalLengthMm">Focal length of the lens at this focus, without a close-up lens, mm.</param>
/// <param name="SubjectFromLensMm">s, from the frontmost glass of the model (lens or close-up lens) to the subject, mm.</param>
/// <param name="ImageDistanceMm">v, from the lens to the plane that it images onto, mm.</param>
/// <param name="Magnification">m, size on the sensor over true size.</param>
/// <param name="RackedOut">v/f − 1, reckoned to keep its digits: how far the lens is racked out, which sets the light lost.</param>
/// <param name="RestMm">g + X: what the distance holds besides s and v, mm.</param>
/// <param name="Ring">i, the ratio that the bare lens would have there.</param>
public readonly record struct FocusPlace(
    double FocalLengthMm, double SubjectFromLensMm, double ImageDistanceMm, double Magnification, double RackedOut, double RestMm, double Ring)
{
    /// <summary>D = s + g + v + X, mm from the sensor mark.</summary>
    public double SubjectDistanceMm => SubjectFromLensMm + ImageDistanceMm + RestMm;
}

namespace Juxtopsis.Core.Rigs;

/// <summary>What is known of the lens beyond its focal length and aperture. Null is unknown; what is known goes before the model.</summary>
public sealed record LensData
{
    private readonly bool isKnownAlong;

    /// <summary>Nothing is known.</summary>
    public static LensData Unknown { get; } = new();

    /// <summary>Short end of a zoom, mm as marked; given together with the long end.</summary>
    public double? ZoomShortMm { get; init; }

    /// <summary>Long end of a zoom, mm as marked.</summary>
    public double? ZoomLongMm { get; init; }

    /// <summary>Widest f-number; at the short end of a zoom whose aperture closes.</summary>
    public double? WidestFNumber { get; init; }

    /// <summary>Widest f-number at the long end, when it differs.</summary>
    public double? WidestLongFNumber { get; init; }

    /// <summary>
    /// Widest f-numbers at marked focal lengths, from short to long, where they are known step by step; two or more. They go before
    /// the two ends, and between them log N is taken as linear in log f.
    /// </summary>
    public IReadOnlyList<AperturePoint> WidestAlong
    {
        get;
        init => (field, isKnownAlong) = (value, value.Count > 1);
    }

    = [];

    /// <summary>Smallest opening, as an f-number.</summary>
    public double? NarrowestFNumber { get; init; }

    /// <summary>Blades of the iris; an opening that is not the widest is drawn with as many corners.</summary>
    public double? Blades { get; init; }

    /// <summary>T-number at the widest f-number; the same loss is taken for all openings.</summary>
    public double? WidestTNumber { get; init; }

    /// <summary>True focal length at infinity where the marked one is set, mm.</summary>
    public double? MeasuredFocalLengthMm { get; init; }

    /// <summary>How far off that may be, as a share; null where nobody said.</summary>
    public double? MeasuredPlusMinusShare { get; init; }

    /// <summary>Nearest focus, mm from the sensor mark.</summary>
    public double? MinimumFocusDistanceMm { get; init; }

    /// <summary>Reproduction ratio at the nearest focus.</summary>
    public double? MaximumMagnification { get; init; }

    /// <summary>P, diameter of the exit pupil over that of the entrance pupil.</summary>
    public double? PupilMagnification { get; init; }

    /// <summary>Sensor mark to the front of the lens with all that is mounted there, mm.</summary>
    public double? FrontFromSensorMm { get; init; }

    /// <summary>Diameter of the image circle of the bare lens, mm.</summary>
    public double? ImageCircleMm { get; init; }

    /// <summary>Shortest focal length that a squeeze attachment allows behind it, mm as marked.</summary>
    public double? ShortestTakingMm { get; init; }

    /// <summary>Clear diameter of the narrowest ring, hood or attachment in front, mm.</summary>
    public double? FrontOpeningMm { get; init; }

    /// <summary>Entrance pupil to that opening, mm.</summary>
    public double? FrontOpeningFromPupilMm { get; init; }

    /// <summary>True when nothing can be screwed on in front: what light is too much, its aperture alone can take away.</summary>
    public bool TakesNoFilter { get; init; }

    /// <summary>The piece of <see cref="WidestAlong"/>, or the whole zoom, between whose ends a focal length lies.</summary>
    /// <param name="focalLengthMm">Focal length as marked, mm.</param>
    /// <returns>Both ends; null when the widest aperture is held, or not known.</returns>
    public (AperturePoint From, AperturePoint To)? WidestPiece(double focalLengthMm)
    {
        if (isKnownAlong)
        {
            var i = 1;
            while (i < WidestAlong.Count - 1 && focalLengthMm > WidestAlong[i].FocalLengthMm)
            {
                i++;
            }

            return (WidestAlong[i - 1], WidestAlong[i]);
        }

        return this is { WidestFNumber: { } atShort, WidestLongFNumber: { } atLong, ZoomShortMm: { } from, ZoomLongMm: { } to } && from < to
            ? (new(from, atShort), new(to, atLong))
            : null;
    }
}

/// <summary>The widest aperture at a focal length.</summary>
/// <param name="FocalLengthMm">As marked, mm.</param>
/// <param name="FNumber">Widest f-number there.</param>
public readonly record struct AperturePoint(double FocalLengthMm, double FNumber);

using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Matching;

/// <summary>A part of the sum of what is left over: one aspect, blur at one distance.</summary>
/// <param name="Aspect">The aspect.</param>
/// <param name="BehindMm">How far behind the subject it is compared, mm.</param>
/// <param name="Wish">How much it counts.</param>
internal readonly record struct LookTerm(LookAspect Aspect, double BehindMm, AspectWish Wish)
{
    /// <summary>How many times more what is beyond the tolerance of a pin counts than a weight of 1: so much that no sum of weights outdoes it.</summary>
    public const double Pin = 1000;

    /// <summary>How the aspect goes with 2·log₂ of the f-number.</summary>
    public int WithAperture => Aspect switch
    {
        LookAspect.Blur => -1,
        LookAspect.SharpZone or LookAspect.Light => 1,
        _ => 0,
    };

    /// <summary>What counts; the weight of blur is shared by its distances.</summary>
    public static LookTerm[] Of(LookWishes wishes, IReadOnlyList<double> behindMm) =>
    [
        .. Enum.GetValues<LookAspect>().Where(a => wishes[a].Weight > 0 || wishes[a].IsPinned).SelectMany(a => a == LookAspect.Blur
            ? behindMm.Select(b => new LookTerm(a, b, wishes[a] with { Weight = wishes[a].Weight / behindMm.Count }))
            : [new LookTerm(a, behindMm[0], wishes[a])]),
    ];

    /// <summary>What so much left over costs.</summary>
    /// <param name="stops">What is left over.</param>
    public double Cost(double stops)
    {
        var off = Math.Abs(stops);
        return Wish.Weight * off + (Wish.IsPinned ? Pin * Math.Max(0, off - Wish.ToleranceStops) : 0);
    }

    /// <summary>The least that something left over between two bounds costs.</summary>
    public double Cost(double low, double high) => low > 0 ? Cost(low) : high < 0 ? Cost(high) : 0;

    /// <summary>
    /// The aperture with which the terms cost least, each being known at ƒ1, there exactly or between two bounds. All costs are convex and made of
    /// straight pieces in the stops of the aperture, so the least lies at an end or where one of them bends.
    /// </summary>
    /// <param name="terms">The terms.</param>
    /// <param name="low">What is left over at ƒ1, at least.</param>
    /// <param name="high">At most; the same for a single setting.</param>
    /// <param name="fromStops">The widest aperture, 2·log₂ N.</param>
    /// <param name="toStops">The narrowest.</param>
    /// <returns>The aperture, the widest of several as good, and the sum.</returns>
    public static (double Stops, double Cost) Least(ReadOnlySpan<LookTerm> terms, ReadOnlySpan<double> low, ReadOnlySpan<double> high, double fromStops, double toStops)
    {
        var still = 0.0;
        for (var i = 0; i < terms.Length; i++)
        {
            still += terms[i].WithAperture == 0 ? terms[i].Cost(low[i], high[i]) : 0;
        }

        var (best, least) = (fromStops, At(terms, low, high, fromStops));
        if (least > 0 && toStops > fromStops)
        {
            Try(terms, low, high, toStops, ref best, ref least);
            for (var i = 0; i < terms.Length; i++)
            {
                var sign = terms[i].WithAperture;
                if (sign == 0)
                {
                    continue;
                }

                Bend(terms, low, high, -sign * low[i], fromStops, toStops, ref best, ref least);
                Bend(terms, low, high, -sign * high[i], fromStops, toStops, ref best, ref least);
                if (terms[i].Wish is { IsPinned: true, ToleranceStops: > 0 and var tolerance })
                {
                    Bend(terms, low, high, -sign * (low[i] - tolerance), fromStops, toStops, ref best, ref least);
                    Bend(terms, low, high, -sign * (high[i] + tolerance), fromStops, toStops, ref best, ref least);
                }
            }
        }

        return (best, still + least);
    }

    private static void Bend(ReadOnlySpan<LookTerm> terms, ReadOnlySpan<double> low, ReadOnlySpan<double> high, double stops, double from, double to, ref double best, ref double least)
    {
        if (stops > from && stops < to)
        {
            Try(terms, low, high, stops, ref best, ref least);
        }
    }

    private static void Try(ReadOnlySpan<LookTerm> terms, ReadOnlySpan<double> low, ReadOnlySpan<double> high, double stops, ref double best, ref double least)
    {
        var cost = At(terms, low, high, stops);
        if (cost < least || cost == least && stops < best)
        {
            (best, least) = (stops, cost);
        }
    }

    private static double At(ReadOnlySpan<LookTerm> terms, ReadOnlySpan<double> low, ReadOnlySpan<double> high, double stops)
    {
        var sum = 0.0;
        for (var i = 0; i < terms.Length; i++)
        {
            var sign = terms[i].WithAperture;
            sum += sign == 0 ? 0 : terms[i].Cost(low[i] + sign * stops, high[i] + sign * stops);
        }

        return sum;
    }

    /// <summary>An f-number in stops from ƒ1.</summary>
    public static double StopsOf(double fNumber) => 2 * PortableMath.Log2(fNumber);
}

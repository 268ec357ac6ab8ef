namespace Juxtopsis.Core.Optics;

/// <summary>Whether a circle of light or a clear opening lets the whole picture through.</summary>
public static class Coverage
{
    /// <summary>
    /// Share of a picture that may be dark before anybody notices: what half a millimetre does, to which circles are told (42.8 of
    /// 43.3 mm darken 0.06 % of full frame).
    /// </summary>
    public const double Noticed = 5e-4;

    /// <summary>The share of a picture's area that lies outside the lens's image circle.</summary>
    /// <param name="widthMm">Width of the used area on the sensor, mm.</param>
    /// <param name="heightMm">Height of the used area on the sensor, mm.</param>
    /// <param name="circleMm">Diameter of the image circle on the sensor, mm.</param>
    /// <returns>
    /// 0 to 1, by the exact area of a circle cut by a rectangle with the same centre. The circle is taken to have a sharp edge;
    /// a real one fades.
    /// </returns>
    public static double DarkShare(double widthMm, double heightMm, double circleMm)
    {
        var r = circleMm / 2;
        var w = widthMm / 2;
        var h = heightMm / 2;
        if (r * r >= w * w + h * h)
        {
            return 0;
        }

        var from = r > h ? Math.Sqrt(r * r - h * h) : 0;
        var to = Math.Min(w, r);
        var quarter = h * from + (Segment(r, to) - Segment(r, from)) / 2;
        return Math.Max(0, 1 - quarter / (w * h));
    }

    /// <summary>The clear diameter that a ring, hood or attachment in front needs so as not to cut into the corners.</summary>
    /// <param name="pupilMm">p, the entrance pupil, mm.</param>
    /// <param name="openingFromPupilMm">From the entrance pupil to the narrowest place in front, mm.</param>
    /// <param name="cornerTangent">Tangent of the half angle to the corner, as the taking lens sees it.</param>
    /// <returns>
    /// Millimetres: p + 2·d·tan θ, for corners without any shading. An estimate by straight rays: a lens's own glass may shade
    /// before it.
    /// </returns>
    public static double OpeningNeededMm(double pupilMm, double openingFromPupilMm, double cornerTangent) =>
        pupilMm + 2 * openingFromPupilMm * cornerTangent;

    /// <summary>The share of a bundle of rays that passes an opening.</summary>
    /// <param name="openingRadiusMm">Radius of the opening, mm.</param>
    /// <param name="bundleRadiusMm">Radius of the bundle: half the entrance pupil, mm.</param>
    /// <param name="offsetMm">How far the middle of the bundle passes from that of the opening, mm.</param>
    /// <returns>0 to 1: the area that two circles have in common, over the bundle's.</returns>
    public static double BundleShare(double openingRadiusMm, double bundleRadiusMm, double offsetMm)
    {
        var (big, small, d) = (openingRadiusMm, bundleRadiusMm, Math.Abs(offsetMm));
        if (d + small <= big)
        {
            return 1;
        }

        if (d >= big + small)
        {
            return 0;
        }

        if (d + big <= small)
        {
            return big * big / (small * small);
        }

        var a = (d * d + small * small - big * big) / (2 * d * small);
        var b = (d * d + big * big - small * small) / (2 * d * big);
        var kite = Math.Sqrt(Math.Max(0, (-d + small + big) * (d + small - big) * (d - small + big) * (d + small + big))) / 2;
        return (small * small * Acos(a) + big * big * Acos(b) - kite) / (Math.PI * small * small);
    }

    private static double Acos(double x) => x switch
    {
        >= 1 => 0,
        <= -1 => Math.PI,
        _ => Math.PI / 2 - PortableMath.Atan(x / Math.Sqrt(1 - x * x)),
    };

    private static double Segment(double r, double x) =>
        x * Math.Sqrt(Math.Max(0, r * r - x * x)) + r * r * (x >= r ? Math.PI / 2 : PortableMath.Atan(x / Math.Sqrt(r * r - x * x)));
}

namespace Juxtopsis.Core.Optics;

/// <summary>Whether a circle of light or a clear opening lets the whole picture through.</summary>
public static class Coverage
{
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

    private static double Segment(double r, double x) =>
        x * Math.Sqrt(Math.Max(0, r * r - x * x)) + r * r * (x >= r ? Math.PI / 2 : PortableMath.Atan(x / Math.Sqrt(r * r - x * x)));
}

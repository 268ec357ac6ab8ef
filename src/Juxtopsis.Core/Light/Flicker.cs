namespace Juxtopsis.Core.Light;

/// <summary>Lamps on the mains flicker at twice its frequency; a time of whole flickers catches the same light in every frame.</summary>
public static class Flicker
{
    /// <summary>How far from a whole number of flickers a time may be and still count as safe.</summary>
    public const double Tolerance = 0.01;

    /// <summary>Flickers in a time: 2·mains·t.</summary>
    /// <param name="timeSeconds">t, seconds.</param>
    /// <param name="mainsHertz">Mains frequency, Hz.</param>
    /// <returns>A number; safe when it is whole.</returns>
    public static double Count(double timeSeconds, double mainsHertz) => 2 * mainsHertz * timeSeconds;

    /// <summary>True when a time holds a whole number of flickers, at least one.</summary>
    /// <param name="count">From <see cref="Count"/>.</param>
    /// <returns>Whether it is safe.</returns>
    public static bool IsSafe(double count) => Math.Abs(count - Whole(count)) <= Tolerance * Whole(count);

    /// <summary>The shutter angle nearest to the one that is set, of those that hold whole flickers.</summary>
    /// <param name="count">Flickers in the time as set.</param>
    /// <param name="framesPerSecond">Captured frames a second.</param>
    /// <param name="mainsHertz">Mains frequency, Hz.</param>
    /// <returns>Degrees, up to 360; null when a frame is shorter than a flicker, so that none is safe.</returns>
    public static double? SafeAngleDeg(double count, double framesPerSecond, double mainsHertz)
    {
        var oneDeg = OneFlickerDeg(framesPerSecond, mainsHertz);
        if (oneDeg > 360 * (1 + 1e-12))
        {
            return null;
        }

        return Math.Min(Whole(count), Math.Floor(360 / oneDeg * (1 + 1e-12))) * oneDeg;
    }

    /// <summary>All shutter angles that hold whole flickers, the smallest first.</summary>
    /// <param name="framesPerSecond">Captured frames a second, positive.</param>
    /// <param name="mainsHertz">Mains frequency, Hz, positive; half of that at which lamps flicker which hang on something else.</param>
    /// <returns>Degrees up to 360; none where a frame is shorter than a flicker.</returns>
    public static double[] SafeAnglesDeg(double framesPerSecond, double mainsHertz)
    {
        var oneDeg = OneFlickerDeg(framesPerSecond, mainsHertz);
        return [.. Enumerable.Range(1, (int)Math.Floor(360 / oneDeg * (1 + 1e-12))).Select(whole => whole * oneDeg)];
    }

    private static double OneFlickerDeg(double framesPerSecond, double mainsHertz) => 360 * framesPerSecond / (2 * mainsHertz);

    /// <summary>The nearest whole number from 1; of two equally near the smaller, which stops movement better.</summary>
    private static double Whole(double count) => Math.Max(1, Math.Ceiling(count - 0.5));
}

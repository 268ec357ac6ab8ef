namespace Juxtopsis.Core.Figures;

/// <summary>
/// How a background reads, by the height of a point's disc in per cent of the picture's height. The limits are ours, chosen so
/// that each step is one that a viewer would name, and words that anybody puts in the same order; they are compared with what is in the picture, not with the lens.
/// </summary>
public enum BackgroundReading
{
    /// <summary>No larger than the circle of confusion: as sharp as the subject.</summary>
    Sharp,

    /// <summary>Up to 0.5 %: large lettering and faces can still be read.</summary>
    SlightlySoft,

    /// <summary>Up to 2 %: lettering is gone, things and people are told by their shape.</summary>
    Soft,

    /// <summary>Up to 6 %: light, dark and colour, no outlines.</summary>
    VerySoft,

    /// <summary>More: one smooth ground.</summary>
    Dissolved,
}

/// <summary>The thresholds of <see cref="BackgroundReading"/>.</summary>
public static class BackgroundReadings
{
    private const double SlightlySoftUpTo = 0.005;
    private const double SoftUpTo = 0.02;
    private const double VerySoftUpTo = 0.06;

    /// <summary>Reads a disc.</summary>
    /// <param name="discMm">Disc on the sensor, upright, mm.</param>
    /// <param name="circleMm">Circle of confusion, mm.</param>
    /// <param name="fractionOfHeight">Disc over the picture's height.</param>
    /// <returns>How it reads.</returns>
    public static BackgroundReading Of(double discMm, double circleMm, double fractionOfHeight) =>
        discMm <= circleMm ? BackgroundReading.Sharp
        : fractionOfHeight <= SlightlySoftUpTo ? BackgroundReading.SlightlySoft
        : fractionOfHeight <= SoftUpTo ? BackgroundReading.Soft
        : fractionOfHeight <= VerySoftUpTo ? BackgroundReading.VerySoft
        : BackgroundReading.Dissolved;
}

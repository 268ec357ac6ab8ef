namespace Juxtopsis.Core.Framing;

/// <summary>Where an upright figure stands in the picture of a level camera, in shares of the picture's height.</summary>
/// <param name="HeadFromTop">Top of the head below the upper edge; negative when cut off above.</param>
/// <param name="FeetFromTop">Soles below the upper edge; above 1 when cut off below.</param>
public readonly record struct StandingFigure(double HeadFromTop, double FeetFromTop)
{
    /// <summary>Projects a figure in true perspective.</summary>
    /// <param name="figureHeightMm">Height of the figure, mm.</param>
    /// <param name="lensHeightMm">Height of the lens above the ground the figure stands on, mm.</param>
    /// <param name="fieldHeightMm">What the picture takes in upright at the figure's distance, mm; infinite is allowed.</param>
    /// <returns>
    /// The figure; at an infinite distance a point on the horizon, which a level camera sees at half the picture's height.
    /// </returns>
    public static StandingFigure Project(double figureHeightMm, double lensHeightMm, double fieldHeightMm) => new(
        0.5 + (lensHeightMm - figureHeightMm) / fieldHeightMm,
        0.5 + lensHeightMm / fieldHeightMm);
}

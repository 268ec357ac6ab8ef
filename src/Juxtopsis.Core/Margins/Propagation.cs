using Juxtopsis.Core.Measuring;

namespace Juxtopsis.Core.Margins;

/// <summary>
/// From uncertainties that are put in to those of what comes out: central differences over one standard uncertainty, and the root of the sum of
/// their squares. Source: Guide to the expression of uncertainty in measurement (JCGM 100:2008), 5.1.2 and the note to 5.1.3. What is put in is taken as
/// independent and normal.
/// </summary>
internal static class Propagation
{
    /// <summary>A standard uncertainty.</summary>
    /// <param name="plusMinus">Half the interval that holds the truth 95 times in 100.</param>
    /// <returns>In the same unit.</returns>
    public static double Standard(double plusMinus) => plusMinus / Distributions.Normal95;

    /// <summary>What one uncertainty alone makes of a figure.</summary>
    /// <param name="below">The figure with that one standard uncertainty less; null where it does not exist there.</param>
    /// <param name="value">The figure.</param>
    /// <param name="above">With one more.</param>
    /// <returns>Its ±; infinite where the figure runs to infinity on a side, 0 where nothing is known of either.</returns>
    public static double Of(double? below, double value, double? above)
    {
        var step = (below, above) switch
        {
            ({ } low, { } high) => Math.Abs(high - low) / 2,
            ({ } low, null) => Math.Abs(value - low),
            (null, { } high) => Math.Abs(high - value),
            _ => 0,
        };
        return double.IsNaN(step) ? 0 : Distributions.Normal95 * step;
    }

    /// <summary>All of them together.</summary>
    /// <param name="parts">What each makes alone.</param>
    /// <returns>Their ±.</returns>
    public static double Together(IEnumerable<MarginPart> parts) => Math.Sqrt(parts.Sum(p => p.PlusMinus * p.PlusMinus));
}

using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Entry;

/// <summary>Reads what is written behind ND on a filter.</summary>
internal static class FilterText
{
    /// <summary>Stops of light for each 1 of a filter's density.</summary>
    private const double StopsPerDensity = 3.32192809488736;

    /// <summary>An ND number with a point below this is a density, else a factor: ND0.9 and ND8 are the same filter.</summary>
    private const double DensityBelow = 5;

    /// <summary>Stops of an ND number.</summary>
    /// <param name="text">The number behind ND.</param>
    /// <returns>Stops; null when it is none.</returns>
    public static double? StopsOf(ReadOnlySpan<char> text) => !NumberText.TryRead(text, out var number) || number <= 0 ? null
        : number < DensityBelow && text.ContainsAny('.', ',') ? number * StopsPerDensity
        : PortableMath.Log2(number);
}

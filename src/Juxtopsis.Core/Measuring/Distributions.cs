using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Measuring;

/// <summary>Quantiles that intervals and checks of readings go by. Computed with <see cref="PortableMath"/>, so both hosts tell the same.</summary>
internal static class Distributions
{
    /// <summary>The normal distribution's 97.5 % quantile: a ± of so many standard deviations holds 95 of 100.</summary>
    public const double Normal95 = 1.959963984540054;

    private const double Ln2 = 0.693147180559945309;

    /// <summary>The quantile of the normal distribution that is exceeded with a small probability.</summary>
    /// <param name="probability">Above 0, up to 0.02.</param>
    /// <returns>Standard deviations. Source: Acklam's rational approximation for the tail, within 1.2e-9 of the quantile, relatively.</returns>
    public static double NormalTail(double probability)
    {
        var q = Math.Sqrt(-2 * Ln2 * PortableMath.Log2(probability));
        var top = ((((-7.784894002430293e-3 * q - 3.223964580411365e-1) * q - 2.400758277161838) * q - 2.549732539343734) * q + 4.374664141464968) * q + 2.938163982698783;
        var bottom = (((7.784695709041462e-3 * q + 3.224671290700398e-1) * q + 2.445134137142996) * q + 3.754408661907416) * q + 1;
        return -top / bottom;
    }

    /// <summary>Student's t, 97.5 % quantile.</summary>
    /// <param name="freedom">Degrees of freedom, from 1.</param>
    /// <returns>A factor. By table up to 5; from there Hill's expansion, within 0.02 %.</returns>
    public static double StudentT95(int freedom)
    {
        switch (freedom)
        {
            case 1:
                return 12.706204736432095;
            case 2:
                return 4.302652729696142;
            case 3:
                return 3.182446305284263;
            case 4:
                return 2.776445105197798;
            case 5:
                return 2.570581835636314;
        }

        double z = Normal95, n = freedom, z2 = z * z;
        var first = z * (z2 + 1) / 4;
        var second = z * ((5 * z2 + 16) * z2 + 3) / 96;
        var third = z * (((3 * z2 + 19) * z2 + 17) * z2 - 15) / 384;
        var fourth = z * ((((79 * z2 + 776) * z2 + 1482) * z2 - 1920) * z2 - 945) / 92160;
        return z + (first + (second + (third + fourth / n) / n) / n) / n;
    }

    /// <summary>What a sum of squares of standard normal deviates exceeds once in a hundred times.</summary>
    /// <param name="freedom">Degrees of freedom, from 1.</param>
    /// <returns>The 99 % quantile of χ², by Wilson and Hilferty: within 1 %.</returns>
    public static double ChiSquared99(int freedom)
    {
        const double z = 2.3263478740408408;
        var share = 2.0 / (9 * freedom);
        var root = 1 - share + z * Math.Sqrt(share);
        return freedom * root * root * root;
    }
}

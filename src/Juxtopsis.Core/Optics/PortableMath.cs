using System.Runtime.CompilerServices;

namespace Juxtopsis.Core.Optics;

/// <summary>
/// Arctangent, sine, binary logarithm and power of two that give the same bits on every host.
/// </summary>
/// <remarks>
/// <see cref="Math.Atan(double)"/>, <see cref="Math.Log2(double)"/> and their like call the platform's C library, which differs
/// in the last digit between a Linux server and a browser. Both hosts must give identical answers, so the functions that the
/// core needs are written out here in plain arithmetic, which IEEE 754 defines to the bit. Everything else the core uses
/// (the four operations and the square root) is already exact on both. Method and coefficients: FDLIBM, the freely
/// distributable mathematical library of Sun Microsystems (1993), <c>s_atan.c</c>, <c>e_log.c</c>, <c>e_exp.c</c> and
/// <c>k_sin.c</c>.
/// </remarks>
public static class PortableMath
{
    private const double NaturalLogOf2 = 0.693147180559945309417;
    private const double StopsPerNaturalUnit = 1.44269504088896340736;

    /// <summary>The bits of the number after √½.</summary>
    private const long JustAboveSquareRootOfHalf = 0x3FE6_A09E_667F_3BCE;

    /// <summary>The angle whose tangent is <paramref name="x"/>.</summary>
    /// <param name="x">A tangent; any value, infinities included.</param>
    /// <returns>Radians from −π/2 to π/2, within one unit in the last place; NaN for NaN.</returns>
    public static double Atan(double x)
    {
        if (double.IsNaN(x))
        {
            return x;
        }

        var a = Math.Abs(x);
        var angle = a switch
        {
            > 7.0e18 => Math.PI / 2,
            < 0.4375 => AtanNearZero(a),
            < 0.6875 => AtanAround((2 * a - 1) / (2 + a), 4.63647609000806093515e-01, 2.26987774529616870924e-17),
            < 1.1875 => AtanAround((a - 1) / (a + 1), 7.85398163397448278999e-01, 3.06161699786838301793e-17),
            < 2.4375 => AtanAround((a - 1.5) / (1 + 1.5 * a), 9.82793723247329054082e-01, 1.39033110312309984516e-17),
            _ => AtanAround(-1 / a, 1.57079632679489655800e+00, 6.12323399573676603587e-17),
        };
        return x < 0 ? -angle : angle;
    }

    /// <summary>The logarithm of <paramref name="x"/> to base 2: a ratio of light in stops.</summary>
    /// <param name="x">A positive number of the normal range (2.3e-308 upwards).</param>
    /// <returns>Stops, within two units in the last place; exact for powers of two.</returns>
    /// <exception cref="ArgumentOutOfRangeException"><paramref name="x"/> is not a positive, normal, finite number.</exception>
    public static double Log2(double x)
    {
        if (!double.IsNormal(x) || x < 0)
        {
            throw new ArgumentOutOfRangeException(nameof(x), x, "A logarithm needs a positive, finite number.");
        }

        // x = mantissa · 2^exponent with a mantissa above √½, up to √2.
        var bits = BitConverter.DoubleToInt64Bits(x);
        var exponent = (bits - JustAboveSquareRootOfHalf) >> 52;
        var mantissa = BitConverter.Int64BitsToDouble(bits - (exponent << 52));
        return exponent + LogNearOne(mantissa) * StopsPerNaturalUnit;
    }

    /// <summary>Two to the power of <paramref name="stops"/>: a ratio of light from stops.</summary>
    /// <param name="stops">−1000 to 1000.</param>
    /// <returns>A ratio, within two units in the last place; exact for whole stops.</returns>
    /// <exception cref="ArgumentOutOfRangeException"><paramref name="stops"/> is outside that range or not a number.</exception>
    public static double Exp2(double stops)
    {
        if (!(Math.Abs(stops) <= 1000))
        {
            throw new ArgumentOutOfRangeException(nameof(stops), stops, "From -1000 to 1000 stops can be told.");
        }

        var whole = Math.Floor(stops + 0.5);
        var x = (stops - whole) * NaturalLogOf2;
        var z = x * x;
        var c = x - z * (1.66666666666666019037e-01 + z * (-2.77777777770155933842e-03 + z * (6.61375632143793436117e-05
            + z * (-1.65339022054652515390e-06 + z * 4.13813679705723846039e-08))));
        return (1 - (x * c / (c - 2) - x)) * BitConverter.Int64BitsToDouble((long)(whole + 1023) << 52);
    }

    /// <summary>The sine of a small angle.</summary>
    /// <param name="x">Radians, −π/4 to π/4.</param>
    /// <returns>−0.7071 to 0.7071, within one unit in the last place.</returns>
    /// <exception cref="ArgumentOutOfRangeException"><paramref name="x"/> is outside that range or not a number.</exception>
    public static double Sin(double x)
    {
        if (!(Math.Abs(x) <= Math.PI / 4))
        {
            throw new ArgumentOutOfRangeException(nameof(x), x, "An angle from -45 to 45 degrees is wanted.");
        }

        var z = x * x;
        return x + z * x * (-1.66666666666666324348e-01 + z * (8.33333333332248946124e-03 + z * (-1.98412698298579493134e-04
            + z * (2.75573137070700676789e-06 + z * (-2.50507602534068634195e-08 + z * 1.58969099521155010221e-10)))));
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static double AtanNearZero(double x) => x - x * AtanSeries(x);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static double AtanAround(double x, double high, double low) => high - ((x * AtanSeries(x) - low) - x);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static double AtanSeries(double x)
    {
        var z = x * x;
        var w = z * z;
        var odd = z * (3.33333333333329318027e-01 + w * (1.42857142725034663711e-01 + w * (9.09088713343650656196e-02
            + w * (6.66107313738753120669e-02 + w * (4.97687799461593236017e-02 + w * 1.62858201153657823623e-02)))));
        var even = w * (-1.99999999998764832476e-01 + w * (-1.11111104054623557880e-01 + w * (-7.69187620504482999495e-02
            + w * (-5.83357013379057348645e-02 + w * -3.65315727442169155270e-02))));
        return odd + even;
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static double LogNearOne(double x)
    {
        var f = x - 1;
        var s = f / (2 + f);
        var z = s * s;
        var w = z * z;
        var odd = w * (3.999999999940941908e-01 + w * (2.222219843214978396e-01 + w * 1.531383769920937332e-01));
        var even = z * (6.666666666666735130e-01 + w * (2.857142874366239149e-01 + w * (1.818357216161805012e-01
            + w * 1.479819860511658591e-01)));
        var half = 0.5 * f * f;
        return f - (half - s * (half + odd + even));
    }
}

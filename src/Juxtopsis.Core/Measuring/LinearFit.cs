namespace Juxtopsis.Core.Measuring;

/// <summary>One reading as a fit takes it: a sum of unknowns, each times a known number, that was read as a value.</summary>
/// <param name="Row">What each unknown is multiplied by.</param>
/// <param name="Value">What was read.</param>
/// <param name="Sigma">Its standard deviation; above 0.</param>
internal sealed record Observation(double[] Row, double Value, double Sigma);

/// <summary>What is known of an unknown before any reading.</summary>
/// <param name="Mean">What it is taken for.</param>
/// <param name="Sigma">Its standard deviation; infinite where nothing is known.</param>
internal readonly record struct Prior(double Mean, double Sigma)
{
    /// <summary>Nothing is known.</summary>
    public static Prior None { get; } = new(0, double.PositiveInfinity);
}

/// <summary>Weighted linear least squares with priors. Source: any text on estimation, such as Bevington and Robinson, chapter 7.</summary>
internal sealed class LinearFit
{
    private readonly double[] inverse;
    private readonly int count;

    private LinearFit(double[] values, double[] inverse, double chiSquared, int freedom)
    {
        Values = values;
        this.inverse = inverse;
        count = values.Length;
        ChiSquared = chiSquared;
        Freedom = freedom;
    }

    /// <summary>The unknowns.</summary>
    public IReadOnlyList<double> Values { get; }

    /// <summary>The sum of squares of what is left over, each over its standard deviation; with what the priors leave over.</summary>
    public double ChiSquared { get; }

    /// <summary>Readings and priors less unknowns.</summary>
    public int Freedom { get; }

    /// <summary>Solves for the unknowns.</summary>
    /// <param name="observations">The readings.</param>
    /// <param name="priors">What is known of each unknown before.</param>
    /// <returns>The fit; null where these do not tell every unknown.</returns>
    public static LinearFit? Of(IEnumerable<Observation> observations, IReadOnlyList<Prior> priors)
    {
        var n = priors.Count;
        Observation[] all = [.. observations, .. priors.Select((p, i) => p.Sigma < double.PositiveInfinity ? new Observation(Unit(n, i), p.Mean, p.Sigma) : null).OfType<Observation>()];
        var (normal, right) = (new double[n * n], new double[n]);
        foreach (var (row, value, sigma) in all)
        {
            var weight = 1 / (sigma * sigma);
            for (var i = 0; i < n; i++)
            {
                right[i] += weight * row[i] * value;
                for (var j = 0; j < n; j++)
                {
                    normal[i * n + j] += weight * row[i] * row[j];
                }
            }
        }

        if (Inverted(normal, n) is not { } inverse)
        {
            return null;
        }

        var values = new double[n];
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j < n; j++)
            {
                values[i] += inverse[i * n + j] * right[j];
            }
        }

        var chi = all.Sum(o => Square((o.Value - Sum(o.Row, values)) / o.Sigma));
        return new(values, inverse, chi, all.Length - n);
    }

    /// <summary>A sum of the unknowns.</summary>
    /// <param name="row">What each is multiplied by.</param>
    /// <returns>The sum.</returns>
    public double At(double[] row) => Sum(row, Values);

    /// <summary>How sure such a sum is.</summary>
    /// <param name="row">What each unknown is multiplied by.</param>
    /// <returns>Its variance.</returns>
    public double VarianceAt(double[] row) => CovarianceOf(row, row);

    /// <summary>What the variance of one sum becomes with one reading more.</summary>
    /// <param name="row">The sum.</param>
    /// <param name="other">The reading; its value is not asked.</param>
    /// <returns>The variance then, by the update for one more row (Sherman and Morrison).</returns>
    public double VarianceWith(double[] row, Observation other)
    {
        var shared = CovarianceOf(row, other.Row);
        return VarianceAt(row) - shared * shared / (other.Sigma * other.Sigma + VarianceAt(other.Row));
    }

    private double CovarianceOf(double[] a, double[] b)
    {
        var sum = 0.0;
        for (var i = 0; i < count; i++)
        {
            for (var j = 0; j < count; j++)
            {
                sum += a[i] * inverse[i * count + j] * b[j];
            }
        }

        return sum;
    }

    private static double Sum(double[] row, IReadOnlyList<double> values)
    {
        var sum = 0.0;
        for (var i = 0; i < row.Length; i++)
        {
            sum += row[i] * values[i];
        }

        return sum;
    }

    private static double Square(double x) => x * x;

    private static double[] Unit(int n, int at)
    {
        var row = new double[n];
        row[at] = 1;
        return row;
    }

    /// <summary>A symmetric positive matrix inverted, its sides brought to one size first; null where it is singular.</summary>
    private static double[]? Inverted(double[] matrix, int n)
    {
        var scale = new double[n];
        for (var i = 0; i < n; i++)
        {
            if (!(matrix[i * n + i] > 0))
            {
                return null;
            }

            scale[i] = 1 / Math.Sqrt(matrix[i * n + i]);
        }

        var (a, result) = (new double[n * n], new double[n * n]);
        for (var i = 0; i < n; i++)
        {
            result[i * n + i] = 1;
            for (var j = 0; j < n; j++)
            {
                a[i * n + j] = matrix[i * n + j] * scale[i] * scale[j];
            }
        }

        for (var pivot = 0; pivot < n; pivot++)
        {
            if (!Eliminated(a, result, n, pivot))
            {
                return null;
            }
        }

        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j < n; j++)
            {
                result[i * n + j] *= scale[i] * scale[j];
            }
        }

        return result;
    }

    /// <summary>One step of Gauss and Jordan; false where nothing is left to divide by.</summary>
    private static bool Eliminated(double[] a, double[] result, int n, int pivot)
    {
        var at = a[pivot * n + pivot];
        if (!(at > 1e-13))
        {
            return false;
        }

        for (var j = 0; j < n; j++)
        {
            a[pivot * n + j] /= at;
            result[pivot * n + j] /= at;
        }

        for (var i = 0; i < n; i++)
        {
            var factor = a[i * n + pivot];
            for (var j = 0; j < n && i != pivot && factor != 0; j++)
            {
                a[i * n + j] -= factor * a[pivot * n + j];
                result[i * n + j] -= factor * result[pivot * n + j];
            }
        }

        return true;
    }
}

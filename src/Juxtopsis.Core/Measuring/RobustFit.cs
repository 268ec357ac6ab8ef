namespace Juxtopsis.Core.Measuring;

/// <summary>
/// A fit that is not led astray by a slip: readings that the others contradict are told and left out, and where the rest scatter more than
/// they claim, the interval follows what they do.
/// </summary>
/// <remarks>
/// Where there are four readings or more, pairs of them are tried and the one that agrees with most is the start (least median of squares:
/// Rousseeuw 1984); what lies farther off than chance takes a reading one time in two hundred, counted over all of them, is left out. How
/// far chance takes one follows from the middle of the readings where that is more than they claim. With fewer readings a slip cannot be told
/// from a truth, and only the scatter is told.
/// </remarks>
internal sealed class RobustFit
{
    /// <summary>Fewer readings than these cannot tell which of them is wrong.</summary>
    public const int LeastToTell = 4;

    private const int MostPairs = 400;
    private const double ChanceOfSlip = 0.005;

    private RobustFit(LinearFit fit, IReadOnlyList<bool> isLeftOut, bool scatters)
    {
        Fit = fit;
        IsLeftOut = isLeftOut;
        Scatters = scatters;
        Factor = scatters ? Math.Sqrt(fit.ChiSquared / fit.Freedom) * Distributions.StudentT95(fit.Freedom) : Distributions.Normal95;
    }

    /// <summary>The fit of the readings that are kept.</summary>
    public LinearFit Fit { get; }

    /// <summary>Of each reading whether it is left out.</summary>
    public IReadOnlyList<bool> IsLeftOut { get; }

    /// <summary>True where the readings that are kept scatter more than they claim, by a test that errs once in a hundred times.</summary>
    public bool Scatters { get; }

    /// <summary>What a standard deviation of the fit is multiplied by for a ± that holds 95 of 100.</summary>
    public double Factor { get; }

    /// <summary>Fits.</summary>
    /// <param name="observations">The readings.</param>
    /// <param name="priors">What is known of each unknown before.</param>
    /// <returns>The fit; null where the readings do not tell every unknown.</returns>
    public static RobustFit? Of(IReadOnlyList<Observation> observations, IReadOnlyList<Prior> priors)
    {
        if (LinearFit.Of(observations, priors) is not { } fit)
        {
            return null;
        }

        var limit = Distributions.NormalTail(ChanceOfSlip / 2 / Math.Max(1, observations.Count));
        var isOut = new bool[observations.Count];
        if (observations.Count >= LeastToTell && observations.Any(o => Strays(fit, o, isInFit: true) > limit) && Start(observations, priors) is ({ } start, var middle))
        {
            fit = start;
            limit *= Math.Max(1, 1.4826 * (1 + 5.0 / Math.Max(1, observations.Count - priors.Count)) * middle);
            for (var round = 0; round < 8; round++)
            {
                bool[] next = [.. observations.Select((o, i) => Strays(fit, o, isInFit: round > 0 && !isOut[i]) > limit)];
                if (round > 0 && next.SequenceEqual(isOut))
                {
                    break;
                }

                // Where hardly half of them agree, nobody knows which half is right.
                if (2 * next.Count(x => !x) <= next.Length || LinearFit.Of(observations.Where((_, i) => !next[i]), priors) is not { } kept)
                {
                    (isOut, fit) = (new bool[observations.Count], LinearFit.Of(observations, priors)!);
                    break;
                }

                (isOut, fit) = (next, kept);
            }
        }

        return new(fit, isOut, fit.Freedom > 0 && fit.ChiSquared > Distributions.ChiSquared99(fit.Freedom));
    }

    /// <summary>The ± of a sum of the unknowns: it holds 95 of 100.</summary>
    /// <param name="row">What each unknown is multiplied by.</param>
    /// <returns>Half the width of the interval.</returns>
    public double PlusMinus(double[] row) => Factor * Math.Sqrt(Fit.VarianceAt(row));

    /// <summary>How far a reading lies from what the others say, in standard deviations.</summary>
    private static double Strays(LinearFit fit, Observation o, bool isInFit)
    {
        var (left, own, model) = (Math.Abs(o.Value - fit.At(o.Row)), o.Sigma * o.Sigma, fit.VarianceAt(o.Row));
        var variance = isInFit ? own - model : own + model;
        return variance > 1e-9 * own ? left / Math.Sqrt(variance) : 0;
    }

    private static (LinearFit? Fit, double Middle) Start(IReadOnlyList<Observation> observations, IReadOnlyList<Prior> priors)
    {
        var (best, least) = ((LinearFit?)null, double.PositiveInfinity);
        var n = observations.Count;
        var pairs = n * (n - 1) / 2;
        var step = (pairs + MostPairs - 1) / MostPairs;
        var at = 0;
        for (var i = 0; i < n; i++)
        {
            for (var j = i + 1; j < n; j++)
            {
                if (at++ % step != 0 || LinearFit.Of([observations[i], observations[j]], priors) is not { } fit)
                {
                    continue;
                }

                double[] left = [.. observations.Select(o => Math.Abs(o.Value - fit.At(o.Row)) / o.Sigma).Order()];
                if (left[n / 2] < least)
                {
                    (best, least) = (fit, left[n / 2]);
                }
            }
        }

        return (best, least);
    }
}

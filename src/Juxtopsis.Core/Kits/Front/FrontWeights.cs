namespace Juxtopsis.Core.Kits.Front;

/// <summary>One criterion, or one and so much of another.</summary>
/// <param name="One">The one.</param>
/// <param name="Other">The other; the same where it does not count.</param>
/// <param name="Share">How much of the other counts, 0 or more.</param>
internal readonly record struct FrontWeights(FrontCriterion One, FrontCriterion Other, double Share)
{
    /// <summary>One criterion alone.</summary>
    public FrontWeights(FrontCriterion one)
        : this(one, one, 0)
    {
    }

    /// <summary>The sum, of what a criterion is worth.</summary>
    public double Of(Func<int, double> worth) => worth((int)One) + (Share == 0 ? 0 : Share * worth((int)Other));
}

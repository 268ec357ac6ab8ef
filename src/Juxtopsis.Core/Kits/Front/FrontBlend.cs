namespace Juxtopsis.Core.Kits.Front;

/// <summary>A bound of what counts first and of something that is limited together.</summary>
/// <param name="Bound">The bound.</param>
/// <param name="Limited">What is limited.</param>
/// <param name="Share">How much of it counts beside what counts first.</param>
internal sealed record FrontBlend(FrontBound Bound, FrontCriterion Limited, double Share);

namespace Juxtopsis.Core.Kits.Front;

/// <summary>A bag on the front.</summary>
/// <param name="Items">Numbers of its things, ascending.</param>
/// <param name="Cost">What it costs by each criterion.</param>
/// <param name="Uses">For each shot the number of the way that it uses; −1 for one that is left undone.</param>
/// <param name="Battery">Number of the kind of battery beside those that are given; −1 where none is needed.</param>
/// <param name="Batteries">How many of it.</param>
internal sealed record FrontChoice(int[] Items, double[] Cost, int[] Uses, int Battery, int Batteries);

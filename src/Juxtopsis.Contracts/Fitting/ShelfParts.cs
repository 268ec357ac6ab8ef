using Juxtopsis.Core.Fitting;

namespace Juxtopsis.Contracts.Fitting;

/// <summary>A shelf that is put together, and the part of it that was asked for last: most questions are of the same one.</summary>
/// <param name="whole">The shelf; it may still have to be put together.</param>
public sealed class ShelfParts(FittingShelf whole)
{
    private readonly Guid[] wished = [.. whole.Wished];
    private FittingShelf? part;
    private IReadOnlyList<Guid>? bag;
    private IReadOnlyList<Guid> leftOut = [];

    /// <summary>All of it.</summary>
    public FittingShelf Whole => whole;

    /// <summary>Some of it.</summary>
    /// <param name="gear">The gear to keep, by identity; null for all.</param>
    /// <param name="without">The gear to leave out of that.</param>
    /// <param name="wishes">Whether what is only wished for is kept.</param>
    /// <returns>A shelf with the rigs of which all parts are kept.</returns>
    public FittingShelf Of(IReadOnlyList<Guid>? gear, IReadOnlyList<Guid> without, bool wishes = false)
    {
        IReadOnlyList<Guid> left = wishes || wished.Length == 0 ? without : [.. without, .. wished];
        if (gear is null && left.Count == 0)
        {
            return whole;
        }

        if (part is null || !(bag ?? []).SequenceEqual(gear ?? []) || bag is null != gear is null || !leftOut.SequenceEqual(left))
        {
            (part, bag, leftOut) = (whole.Only(gear, left), gear, left);
        }

        return part;
    }
}

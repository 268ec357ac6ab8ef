using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Shelf;

/// <summary>A thing on the shelf.</summary>
/// <param name="Item">What is known of it.</param>
/// <param name="Revision">Counts its changes, from 1.</param>
/// <param name="RetiredAt">When it was retired: kept for what used it, offered no more; null when it was not.</param>
public sealed record ShelfEntry(GearItem Item, int Revision, DateTimeOffset? RetiredAt)
{
    /// <summary>All its words, for finding it by any part of them.</summary>
    internal string Words { get; } = WordsOf(Item);

    private static string WordsOf(GearItem item)
    {
        var words = new List<string>();
        foreach (var field in item.Known)
        {
            switch (field)
            {
                case TextField or MountsField or ChoiceField or ModesField:
                    words.Add(field.Write(item.Value(field)!));
                    break;
            }
        }

        return string.Join('\n', words).ToLowerInvariant();
    }
}

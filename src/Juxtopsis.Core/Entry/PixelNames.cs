namespace Juxtopsis.Core.Entry;

/// <summary>Recorded pixels by the names that papers give them.</summary>
public static class PixelNames
{
    /// <summary>The names, written without spaces and hyphens. Of names that stand for several sizes, only those are known of which one is meant as a rule.</summary>
    private static readonly Dictionary<string, (int Across, int Up)> Sizes = new(StringComparer.OrdinalIgnoreCase)
    {
        ["uhd"] = (3840, 2160),
        ["4k"] = (3840, 2160),
        ["4kuhd"] = (3840, 2160),
        ["uhd4k"] = (3840, 2160),
        ["2160p"] = (3840, 2160),
        ["dci4k"] = (4096, 2160),
        ["4kdci"] = (4096, 2160),
        ["c4k"] = (4096, 2160),
        ["cinema4k"] = (4096, 2160),
        ["uhd8k"] = (7680, 4320),
        ["8kuhd"] = (7680, 4320),
        ["8k"] = (7680, 4320),
        ["4320p"] = (7680, 4320),
        ["dci8k"] = (8192, 4320),
        ["2k"] = (2048, 1080),
        ["dci2k"] = (2048, 1080),
        ["fullhd"] = (1920, 1080),
        ["fhd"] = (1920, 1080),
        ["hd"] = (1920, 1080),
        ["1080p"] = (1920, 1080),
        ["720p"] = (1280, 720),
    };

    /// <summary>A size by its name.</summary>
    /// <param name="name">Such as <c>UHD</c>, <c>4K</c> or <c>DCI 4K</c>; without regard to case, spaces and hyphens.</param>
    /// <returns>Pixels across and up; null for a name that is not known, or stands for another size on each camera, as 6K does.</returns>
    public static (int Across, int Up)? Find(string name)
    {
        ArgumentNullException.ThrowIfNull(name);
        return Sizes.TryGetValue(string.Concat(name.Where(c => !char.IsWhiteSpace(c) && c != '-')), out var size) ? size : null;
    }
}

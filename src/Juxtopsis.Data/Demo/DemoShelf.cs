using Juxtopsis.Contracts.Gear;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Data.Demo;

/// <summary>The gear of the made-up season <i>Low Water</i>: a shelf's file, as anybody could bring one.</summary>
public static class DemoShelf
{
    /// <summary>What is on it.</summary>
    public static IReadOnlyList<GearItem> Items { get; } = [.. ShelfFile.Read(ToUtf8(), "demo").Select(row => row.Item
        ?? throw new InvalidDataException($"{row.Where}: {string.Join(' ', row.Errors.Select(e => $"{e.About}: {e.Message}"))}"))];

    /// <summary>The file.</summary>
    /// <returns>UTF-8 JSON of the shape that /api/shelf/schema.json tells.</returns>
    public static byte[] ToUtf8()
    {
        using var stream = typeof(DemoShelf).Assembly.GetManifestResourceStream("Juxtopsis.Data.Demo.shelf.json")!;
        using var bytes = new MemoryStream();
        stream.CopyTo(bytes);
        return bytes.ToArray();
    }
}

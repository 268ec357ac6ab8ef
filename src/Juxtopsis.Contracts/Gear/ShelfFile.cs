using System.Text.Json;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Shelf;

namespace Juxtopsis.Contracts.Gear;

/// <summary>A row of a file that holds gear.</summary>
/// <param name="Where">File and line, or place in the list.</param>
/// <param name="Item">What was read; null together with at least one error. Its id is empty for something new.</param>
/// <param name="Retired">True when it is kept but offered no more.</param>
/// <param name="Errors">What is wrong.</param>
public sealed record ShelfFileRow(string Where, GearItem? Item, bool Retired, IReadOnlyList<DiagnosticOutput> Errors)
{
    /// <summary>The fields that the file has a column for; null for a file that tells all that is known. What it has no column for stays as it is.</summary>
    public IReadOnlySet<GearField>? Told { get; init; }

    /// <summary>False where the file does not say whether things are retired.</summary>
    public bool TellsRetired { get; init; } = true;

    /// <summary>A row, or a whole file, that could not be read.</summary>
    /// <param name="where">File and line.</param>
    /// <param name="message">What is wrong.</param>
    /// <param name="mend">What to do.</param>
    /// <returns>The row.</returns>
    public static ShelfFileRow Refused(string where, string message, string mend) => new(where, null, false, [new("", "", "", message, mend)]);
}

/// <summary>A shelf as one JSON file, of the shape that <see cref="GearSchema"/> publishes.</summary>
public static class ShelfFile
{
    /// <summary>The most things that one file may hold.</summary>
    public const int MostItems = 100_000;

    private const string RetiredKey = "retired";

    /// <summary>Writes a shelf.</summary>
    /// <param name="stream">Where to.</param>
    /// <param name="entries">What is on it.</param>
    public static void Write(Stream stream, IEnumerable<ShelfEntry> entries)
    {
        var all = entries.ToArray();
        using var writer = new Utf8JsonWriter(stream, new JsonWriterOptions { Indented = true });
        writer.WriteStartObject();
        writer.WriteString("format", GearSchema.Format);
        writer.WriteNumber("version", GearSchema.Version);
        writer.WriteStartArray("items");
        foreach (var entry in all)
        {
            GearJson.Write(writer, entry.Item);
        }

        writer.WriteEndArray();
        writer.WriteStartArray(RetiredKey);
        foreach (var entry in all.Where(e => e.RetiredAt is not null))
        {
            writer.WriteStringValue(entry.Item.Id);
        }

        writer.WriteEndArray();
        writer.WriteEndObject();
    }

    /// <summary>Reads a shelf.</summary>
    /// <param name="json">UTF-8 JSON.</param>
    /// <param name="file">What the file is called, for messages.</param>
    /// <param name="each">Called before each row: whoever reads may end it by an exception of their own.</param>
    /// <returns>A row for each thing; one refused row when the file as a whole cannot be read.</returns>
    public static IReadOnlyList<ShelfFileRow> Read(ReadOnlyMemory<byte> json, string file, Action? each = null)
    {
        JsonDocument document;
        try
        {
            document = JsonTexts.Parse(json);
        }
        catch (JsonException e)
        {
            return [ShelfFileRow.Refused(file, $"This is not JSON from line {e.LineNumber + 1 ?? 1}, or a member is given twice.", "Mend it there; JSON has no comments and no trailing commas.")];
        }

        using (document)
        {
            var root = document.RootElement;
            var problem = Misfit(root);
            return problem is not null ? [ShelfFileRow.Refused(file, problem, "See /api/shelf/schema.json for the shape of a shelf's file.")] : Rows(root, file, each);
        }
    }

    private static List<ShelfFileRow> Rows(JsonElement root, string file, Action? each)
    {
        var retired = root.TryGetProperty(RetiredKey, out var ids) && ids.ValueKind == JsonValueKind.Array
            ? ids.EnumerateArray().Where(i => i.ValueKind == JsonValueKind.String).Select(i => Guid.TryParseExact(JsonTexts.Of(i), "D", out var id) ? id : Guid.Empty).ToHashSet()
            : [];
        var rows = new List<ShelfFileRow>();
        foreach (var element in root.GetProperty("items").EnumerateArray())
        {
            each?.Invoke();
            var errors = new List<DiagnosticOutput>();
            var item = GearJson.Read(element, "", errors);
            rows.Add(new($"{file}, item {rows.Count + 1}", item, item is not null && item.Id != Guid.Empty && retired.Contains(item.Id), errors));
        }

        return rows;
    }

    private static string? Misfit(JsonElement root)
    {
        if (root.ValueKind != JsonValueKind.Object
            || !root.TryGetProperty("format", out var format) || JsonTexts.Of(format) != GearSchema.Format
            || !root.TryGetProperty("items", out var items) || items.ValueKind != JsonValueKind.Array)
        {
            return $"This is no shelf: it needs “format”: “{GearSchema.Format}”, a version and a list of items.";
        }

        if (!root.TryGetProperty("version", out var version) || version.ValueKind != JsonValueKind.Number || !version.TryGetInt32(out var number) || number != GearSchema.Version)
        {
            return $"Version {(root.TryGetProperty("version", out version) ? JsonTexts.Shown(version) : "none")} of the file's shape is not known here; {GearSchema.Version} is.";
        }

        var unknown = root.EnumerateObject().Select(JsonTexts.NameOf).FirstOrDefault(name => name is not ("format" or "version" or "items" or RetiredKey or "$schema"));
        return unknown is not null ? $"“{unknown}” is not a member that is known here."
            : items.GetArrayLength() > MostItems ? $"{items.GetArrayLength()} things are more than one file may hold, {MostItems}."
            : null;
    }
}

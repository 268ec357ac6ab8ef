using System.IO.Compression;
using CsvHelper;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Shelf;

namespace Juxtopsis.Server.Shelf.Files;

/// <summary>Tables of a shelf: one file a kind, a column a field, headers with units, recording modes in a file of their own.</summary>
internal static class CsvWriting
{
    public const string Id = "Id";
    public const string Retired = "Retired";
    public const string Camera = "Camera";
    public const string CameraId = "Camera id";

    /// <summary>All tables that have rows, in a ZIP archive.</summary>
    public static void WriteZip(Stream stream, IReadOnlyList<ShelfEntry> entries)
    {
        using var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true);
        foreach (var kind in GearKinds.OnShelf.Where(k => entries.Any(e => e.Item.Kind == k.Kind)))
        {
            Entry(zip, kind.Table, text => WriteTable(text, kind, entries));
        }

        if (entries.Any(e => e.Item.Value(Modes(e.Item)) is not null))
        {
            Entry(zip, GearKinds.Modes.Table, text => WriteModes(text, entries));
        }
    }

    /// <summary>The things of one kind.</summary>
    public static void WriteTable(TextWriter text, KindDefinition kind, IEnumerable<ShelfEntry> entries)
    {
        using var csv = CsvWriter.Create(text, CsvWriterOptions.Default, leaveOpen: true);
        var fields = Columns(kind);
        Row(csv, [Id, .. fields.Select(f => f.Header), Retired]);
        foreach (var entry in entries.Where(e => e.Item.Kind == kind.Kind))
        {
            Row(csv, [$"{entry.Item.Id}", .. fields.Select(f => Cell(entry.Item, f)), entry.RetiredAt is null ? "" : "yes"]);
        }
    }

    /// <summary>The recording modes of all cameras.</summary>
    public static void WriteModes(TextWriter text, IEnumerable<ShelfEntry> entries)
    {
        using var csv = CsvWriter.Create(text, CsvWriterOptions.Default, leaveOpen: true);
        Row(csv, [CameraId, Camera, .. GearKinds.Modes.Fields.Select(f => f.Header)]);
        foreach (var item in entries.Select(e => e.Item))
        {
            foreach (var mode in item.Value(Modes(item)) as IReadOnlyList<GearItem> ?? [])
            {
                Row(csv, [$"{item.Id}", item.FullName, .. GearKinds.Modes.Fields.Select(f => Cell(mode, f))]);
            }
        }
    }

    /// <summary>The fields that have a column: all but recording modes.</summary>
    public static IReadOnlyList<GearField> Columns(KindDefinition kind) => [.. kind.Fields.Where(f => f is not ModesField)];

    public static GearField Modes(GearItem item) => GearKinds.Of(item.Kind).Fields.FirstOrDefault(f => f is ModesField) ?? AnyModes;

    private static GearField AnyModes { get; } = GearKinds.Of(GearKind.Body).Fields.First(f => f is ModesField);

    private static string Cell(GearItem item, GearField field) => item.Value(field) is { } value ? field.Write(value) : "";

    /// <summary>A row of cells.</summary>
    internal static void Row(CsvWriter csv, IEnumerable<string> cells)
    {
        foreach (var cell in cells)
        {
            csv.WriteField(cell);
        }

        csv.EndRecord();
    }

    private static void Entry(ZipArchive zip, string table, Action<TextWriter> write)
    {
        using var text = new StreamWriter(zip.CreateEntry($"{table}.csv").Open());
        write(text);
    }
}

using System.IO.Compression;
using System.Text;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Server.Shelf.Files;

/// <summary>What a person brought: things, and recording modes that still look for their cameras.</summary>
internal sealed record Upload(IReadOnlyList<ShelfFileRow> Rows, IReadOnlyList<ModeRow> Modes);

/// <summary>Tells by its content what a file is, and reads it: JSON, CSV, XML, or a ZIP of these.</summary>
internal static class UploadReader
{
    /// <summary>What a file may grow to when it is unpacked.</summary>
    private const long MostUnpacked = 96L * 1024 * 1024;

    public const int MostFiles = 40;

    public static Upload Read(IReadOnlyList<(string Name, byte[] Bytes)> files, CancellationToken asker)
    {
        var rows = new List<ShelfFileRow>();
        var modes = new List<ModeRow>();
        var budget = new ImportBudget(asker);
        var file = files.Count == 1 ? files[0].Name : $"{files.Count} files";
        if (files.Count > MostFiles)
        {
            return new([ShelfFileRow.Refused(file, $"{MostFiles} files at once are the most.", "Bring fewer.")], []);
        }

        try
        {
            foreach (var (name, bytes) in files)
            {
                if (bytes is [0x50, 0x4B, 0x03 or 0x05, ..])
                {
                    ReadZip(bytes, name, rows, modes, budget);
                }
                else
                {
                    ReadOne(bytes, name, rows, modes, budget);
                }
            }
        }
        catch (ImportBudgetException)
        {
            return new([ShelfFileRow.Refused(file, $"It has more than {ImportBudget.MostRows} rows.", "Bring it in parts.")], []);
        }

        if (rows.Count == 0 && modes.Count == 0)
        {
            rows.Add(ShelfFileRow.Refused(file, "There is nothing in the file.", "Bring a table with rows, or a list of things."));
        }

        return new(rows, modes);
    }

    private static void ReadZip(byte[] bytes, string file, List<ShelfFileRow> rows, List<ModeRow> modes, ImportBudget budget)
    {
        try
        {
            using var zip = new ZipArchive(new MemoryStream(bytes), ZipArchiveMode.Read);
            var files = zip.Entries.Where(e => e.Name.Length > 0).ToArray();
            if (files.Length > MostFiles)
            {
                rows.Add(ShelfFileRow.Refused(file, $"The archive holds {files.Length} files; {MostFiles} is the most.", "Bring fewer."));
                return;
            }

            var left = MostUnpacked;
            foreach (var entry in files)
            {
                // What the archive says of its sizes is not believed: bytes are counted as they come.
                if (Unpack(entry, ref left) is not { } unpacked)
                {
                    rows.Clear();
                    modes.Clear();
                    rows.Add(ShelfFileRow.Refused($"{file}, {entry.FullName}", $"Unpacked, the archive is larger than {MostUnpacked / 1024 / 1024} MB.", "Bring it in parts."));
                    return;
                }

                ReadOne(unpacked, entry.Name, rows, modes, budget);
            }
        }
        catch (InvalidDataException)
        {
            rows.Add(ShelfFileRow.Refused(file, "The archive is broken.", "Make it anew."));
        }
    }

    private static byte[]? Unpack(ZipArchiveEntry entry, ref long left)
    {
        using var from = entry.Open();
        using var to = new MemoryStream();
        var piece = new byte[64 * 1024];
        while (from.Read(piece) is > 0 and var read)
        {
            left -= read;
            if (left < 0)
            {
                return null;
            }

            to.Write(piece, 0, read);
        }

        return to.ToArray();
    }

    private static void ReadOne(byte[] bytes, string file, List<ShelfFileRow> rows, List<ModeRow> modes, ImportBudget budget)
    {
        var start = bytes.AsSpan();
        start = start.StartsWith(Encoding.UTF8.Preamble) ? start[3..] : start;
        start = start.TrimStart(" \t\r\n"u8);
        if (start.IsEmpty)
        {
            return;
        }

        if (start[0] == (byte)'{' || start[0] == (byte)'[')
        {
            rows.AddRange(ShelfFile.Read(bytes.AsMemory(bytes.Length - start.Length), file, budget.Take));
        }
        else if (start[0] == (byte)'<')
        {
            rows.AddRange(LensDatabase.Read(bytes, file, budget));
        }
        else
        {
            ReadTable(bytes, file, rows, modes, budget);
        }
    }

    private static void ReadTable(byte[] bytes, string file, List<ShelfFileRow> rows, List<ModeRow> modes, ImportBudget budget)
    {
        StreamReader Text() => new(new MemoryStream(bytes), new UTF8Encoding(false, throwOnInvalidBytes: true));
        try
        {
            using var head = Text();
            var kind = CsvColumns.KindOf(CsvReading.HeaderOf(head), Path.GetFileNameWithoutExtension(file));
            using var text = Text();
            if (kind is null)
            {
                var names = string.Join(", ", GearKinds.OnShelf.Append(GearKinds.Modes).Select(k => $"{k.Table}.csv"));
                rows.Add(ShelfFileRow.Refused(
                    file, "The columns do not tell which kind of gear this table holds.", $"Add a column that only this kind has, such as Focal length for lenses, or call the file one of {names}."));
            }
            else if (kind.Kind == GearKind.Mode)
            {
                modes.AddRange(CsvReading.ReadModes(text, file, budget));
            }
            else
            {
                rows.AddRange(CsvReading.ReadTable(text, kind, file, budget));
            }
        }
        catch (DecoderFallbackException)
        {
            rows.Add(ShelfFileRow.Refused(file, "The file is neither a table in UTF-8 nor JSON, XML or ZIP.", "Save it as CSV in UTF-8."));
        }
    }
}

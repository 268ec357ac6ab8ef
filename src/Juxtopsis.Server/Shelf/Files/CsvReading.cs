using CsvHelper;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Server.Shelf.Files;

/// <summary>A recording mode of a table, and the camera that it belongs to.</summary>
/// <param name="Where">File and line.</param>
/// <param name="CameraId">The camera's id; empty when the table names it.</param>
/// <param name="Camera">The camera's maker and name.</param>
/// <param name="Mode">The mode; null together with errors.</param>
/// <param name="Errors">What is wrong.</param>
internal sealed record ModeRow(string Where, Guid CameraId, string Camera, GearItem? Mode, IReadOnlyList<DiagnosticOutput> Errors);

/// <summary>Reads tables of gear. A column's header may be the field's label, its label with a unit, or its name in JSON; order is free.</summary>
internal static class CsvReading
{
    /// <summary>Largest row, bytes: more than all fields together take.</summary>
    private const int LargestRow = 128 * 1024;

    /// <summary>The columns that a table names; empty for an empty file.</summary>
    public static IReadOnlyList<string> HeaderOf(TextReader text)
    {
        using var csv = CsvReader.Create(text, new CsvReaderOptions { MaxRecordSize = LargestRow });
        try
        {
            return [.. csv.Headers ?? []];
        }
        catch (CsvFormatException)
        {
            return [];
        }
    }

    /// <summary>Reads the things of one kind.</summary>
    public static IReadOnlyList<ShelfFileRow> ReadTable(TextReader text, KindDefinition kind, string file, ImportBudget budget)
    {
        var rows = new List<ShelfFileRow>();
        ReadRows(
            text,
            [CsvWriting.Id, CsvWriting.Retired],
            CsvWriting.Columns(kind),
            file,
            budget,
            problem => rows.Add(problem),
            row =>
            {
                var id = row.Uuid(CsvWriting.Id);
                var item = GearItem.Of(kind.Kind, id, row.Known);
                item = row.HasFormerPrice ? FormerPrice.Apart(item) : item;
                rows.Add(new(row.Where, row.Errors.Count > 0 ? null : item, row.Text(CsvWriting.Retired) is "yes" or "true" or "1", row.Errors)
                {
                    Told = row.Told,
                    TellsRetired = row.Has(CsvWriting.Retired),
                });
            });
        return rows;
    }

    /// <summary>Reads recording modes.</summary>
    public static IReadOnlyList<ModeRow> ReadModes(TextReader text, string file, ImportBudget budget)
    {
        var rows = new List<ModeRow>();
        ReadRows(
            text,
            [CsvWriting.CameraId, CsvWriting.Camera],
            GearKinds.Modes.Fields,
            file,
            budget,
            problem => rows.Add(new(problem.Where, Guid.Empty, "", null, problem.Errors)),
            row =>
            {
                var id = row.Uuid(CsvWriting.CameraId);
                var camera = row.Text(CsvWriting.Camera);
                if (id == Guid.Empty && camera.Length == 0)
                {
                    row.Errors.Add(new(CsvWriting.Camera, "", "a camera", "The mode belongs to no camera.", "Give the camera's maker and name, or its id."));
                }

                var mode = GearItem.Of(GearKind.Mode, Guid.Empty, row.Known);
                rows.Add(new(row.Where, id, camera, row.Errors.Count > 0 ? null : mode, row.Errors));
            });
        return rows;
    }

    private static void ReadRows(
        TextReader text, string[] own, IReadOnlyList<GearField> fields, string file, ImportBudget budget, Action<ShelfFileRow> refuse, Action<TableRow> take)
    {
        var broken = new HashSet<long>();
        var options = new CsvReaderOptions
        {
            MaxRecordSize = LargestRow,
            TrackLineNumbers = true,
            OnMalformedRecord = record => broken.Add(record.RecordNumber),
        };
        using var csv = CsvReader.Create(text, options);
        try
        {
            if (csv.Headers is not { Count: > 0 } header)
            {
                refuse(ShelfFileRow.Refused(file, "The file is empty.", "The first line names the columns."));
                return;
            }

            if (CsvColumns.Of(header, own, fields, out var problem) is not { } columns)
            {
                refuse(ShelfFileRow.Refused($"{file}, line 1", problem!, $"Columns that are known: {string.Join(", ", own.Concat(fields.Select(f => f.Header)))}."));
                return;
            }

            while (csv.Read())
            {
                budget.Take();
                var where = $"{file}, line {csv.LineNumber}";
                if (broken.Contains(csv.RowNumber + 1))
                {
                    refuse(ShelfFileRow.Refused(where, "A quote stands inside a cell that is not quoted, or never ends.", "Put the cell in quotes, and double the quotes in it."));
                }
                else if (csv.FieldCount != header.Count)
                {
                    refuse(ShelfFileRow.Refused(where, $"The row has {csv.FieldCount} cells, the header {header.Count}.", "Give each column a cell; put cells with commas in quotes."));
                }
                else
                {
                    take(new TableRow(where, columns, csv));
                }
            }
        }
        catch (CsvFormatException e)
        {
            refuse(ShelfFileRow.Refused($"{file}, line {e.LineNumber}", $"From here on the file cannot be read: a row is longer than {LargestRow / 1024} kB, or a quote never ends.", "Mend it there."));
        }
    }
}

/// <summary>What each column of a table stands for.</summary>
internal sealed class CsvColumns
{
    private CsvColumns(Dictionary<string, int> own, IReadOnlyList<(GearField Field, int At, string Unit)> fields) => (Own, Fields) = (own, fields);

    public Dictionary<string, int> Own { get; }

    /// <summary>The fields that have a column; the two prices that a former one stood for are told together.</summary>
    public IReadOnlySet<GearField> Told => field ??= Fields.SelectMany(f => HasFormerPrice && f.Field.FormerKey == FormerPrice.Key ? FormerPrice.Fields : [f.Field]).ToHashSet();

    /// <summary>True where the price stands under the name that it had before there was one for each.</summary>
    public bool HasFormerPrice { get; private init; }

    public IReadOnlyList<(GearField Field, int At, string Unit)> Fields { get; }

    public static CsvColumns? Of(IReadOnlyList<string> header, string[] own, IReadOnlyList<GearField> fields, out string? problem)
    {
        problem = null;
        var owned = new Dictionary<string, int>();
        var known = new List<(GearField, int, string)>();
        for (var i = 0; i < header.Count; i++)
        {
            var (label, unit) = Split(header[i]);
            var mine = own.FirstOrDefault(o => o.Equals(label, StringComparison.OrdinalIgnoreCase));
            var field = fields.FirstOrDefault(f => IsCalled(f, label));
            var again = mine is not null ? owned.ContainsKey(mine) : field is not null && known.Any(k => k.Item1 == field);
            if (again || mine is null && field is null)
            {
                problem = again ? $"The column “{Short(header[i])}” is there twice." : $"The column “{Short(header[i])}” is not known.";
                return null;
            }

            if (mine is not null)
            {
                owned[mine] = i;
            }
            else
            {
                known.Add((field!, i, unit.Equals(field!.Unit, StringComparison.OrdinalIgnoreCase) ? "" : unit));
            }
        }

        return new(owned, known) { HasFormerPrice = header.Any(h => Split(h).Label.Equals(FormerPrice.Key, StringComparison.OrdinalIgnoreCase)) };
    }

    /// <summary>Which kind a table holds, told by its columns: the one that knows most of them, and then the one of which most is there that it needs.</summary>
    /// <param name="header">The columns.</param>
    /// <param name="table">Name of the file: it decides between kinds that the columns do not tell apart.</param>
    /// <returns>The kind, recording modes among them; null where no column tells.</returns>
    public static KindDefinition? KindOf(IReadOnlyList<string> header, string table)
    {
        var labels = header.Select(h => Split(h).Label).ToArray();
        var kinds = GearKinds.OnShelf.Append(GearKinds.Modes)
            .Select(kind =>
            {
                var fields = kind.Fields.Where(f => f is not ModesField).ToArray();
                var own = kind.Kind == GearKind.Mode ? new[] { CsvWriting.Camera, CsvWriting.CameraId } : [];
                return (
                    Kind: kind,
                    Known: labels.Count(l => fields.Any(f => IsCalled(f, l)) || own.Contains(l, StringComparer.OrdinalIgnoreCase)),
                    Missing: kind.Fields.Count(f => f.Required && !labels.Any(l => IsCalled(f, l))));
            })
            .OrderByDescending(k => k.Known).ThenBy(k => k.Missing).ToArray();
        var best = kinds.TakeWhile(k => k.Known == kinds[0].Known && k.Missing == kinds[0].Missing).Select(k => k.Kind).ToArray();
        var named = kinds.Select(k => k.Kind).FirstOrDefault(k => table.StartsWith(k.Table, StringComparison.OrdinalIgnoreCase));
        return best.Length == 1 ? best[0] : best.FirstOrDefault(k => k == named) ?? (named is not null && kinds.First(k => k.Kind == named).Known == kinds[0].Known ? named : null);
    }

    private static bool IsCalled(GearField field, string label) =>
        field.Label.Equals(label, StringComparison.OrdinalIgnoreCase) || field.Key.Equals(label, StringComparison.OrdinalIgnoreCase) || label.Equals(field.FormerKey, StringComparison.OrdinalIgnoreCase);

    /// <summary>A header without its unit, and the unit.</summary>
    private static (string Label, string Unit) Split(string header)
    {
        var text = header.Trim().TrimStart('\uFEFF');
        var open = text.LastIndexOf('(');
        return open > 0 && text.EndsWith(')') ? (text[..open].Trim(), text[(open + 1)..^1].Trim()) : (text, "");
    }

    private static string Short(string text) => text.Length > 40 ? text[..40] + "…" : text;
}

/// <summary>A row of a table as fields and errors.</summary>
internal sealed class TableRow
{
    private readonly Dictionary<string, string> own;

    public TableRow(string where, CsvColumns columns, CsvReader csv)
    {
        Where = where;
        HasFormerPrice = columns.HasFormerPrice;
        Told = columns.Told;
        own = columns.Own.ToDictionary(o => o.Key, o => csv.GetString(o.Value).Trim());
        foreach (var (field, at, unit) in columns.Fields)
        {
            var cell = csv.GetString(at);
            if (string.IsNullOrWhiteSpace(cell))
            {
                continue;
            }

            // A header may give another unit than the field's own: it goes with each number.
            var read = field.Read(unit.Length > 0 && field is NumberField ? $"{cell} {unit}" : cell);
            if (read.Problem is null)
            {
                Known[field] = read.Value!;
            }
            else
            {
                Errors.Add(new(field.Header, cell.Length > 60 ? cell[..60] + "…" : cell, field.Header, read.Problem, "Mend the cell, or leave it empty when it is not known."));
            }
        }
    }

    public string Where { get; }

    public bool HasFormerPrice { get; }

    /// <summary>The fields that the table has a column for.</summary>
    public IReadOnlySet<GearField> Told { get; }

    public Dictionary<GearField, object> Known { get; } = [];

    public List<DiagnosticOutput> Errors { get; } = [];

    public bool Has(string column) => own.ContainsKey(column);

    public string Text(string column) => own.GetValueOrDefault(column, "");

    public Guid Uuid(string column)
    {
        var text = Text(column);
        if (text.Length == 0 || Guid.TryParse(text, out _))
        {
            return text.Length == 0 ? Guid.Empty : Guid.Parse(text);
        }

        Errors.Add(new(column, text.Length > 40 ? text[..40] + "…" : text, "a UUID", $"“{(text.Length > 40 ? text[..40] + "…" : text)}” is no id.", "Leave it empty for something new."));
        return Guid.Empty;
    }
}

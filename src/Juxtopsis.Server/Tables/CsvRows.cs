using System.Globalization;
using System.Text;
using CsvHelper;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Server.Tables;

/// <summary>
/// Reads CSV tables whose first line names the columns, in any order; what cannot be read is told and left out. Cells are set apart
/// by commas, semicolons or tabs, whichever the table has.
/// </summary>
internal static class CsvRows
{
    private const int LargestRow = 16 * 1024;

    /// <summary>Reads a table.</summary>
    /// <param name="text">The table.</param>
    /// <param name="columns">The columns that are known.</param>
    /// <param name="needs">Columns that must be there: of each of these one at least.</param>
    /// <param name="most">Most rows that are taken.</param>
    /// <param name="take">Takes a row.</param>
    /// <returns>What is wrong with the table itself, after what <paramref name="take"/> says of its rows.</returns>
    public static IReadOnlyList<string> Read(TextReader text, IReadOnlyList<string> columns, IReadOnlyList<string[]> needs, int most, Action<TableCells> take)
    {
        try
        {
            using var csv = CsvReader.Create(text, new CsvReaderOptions { MaxRecordSize = LargestRow, TrackLineNumbers = true });
            string[] header = [.. csv.Headers ?? []];
            var at = columns.ToDictionary(c => c, c => Array.FindIndex(header, h => h.Trim().Equals(c, StringComparison.OrdinalIgnoreCase)), StringComparer.Ordinal);
            if (needs.Any(some => some.All(n => at[n] < 0)))
            {
                return [$"The first line must name the columns: {string.Join(", and ", needs.Select(some => string.Join(" or ", some)))}. Known are {string.Join(", ", columns)}."];
            }

            for (var rows = 0; csv.Read(); rows++)
            {
                if (rows >= most)
                {
                    return [$"Only the first {most} rows were read: the file has more."];
                }

                take(new(csv, at));
            }
        }
        catch (DecoderFallbackException)
        {
            return ["Some of its letters are not in UTF-8, so it was read up to there at most. Save it as CSV in UTF-8."];
        }
        catch (CsvFormatException e)
        {
            return [$"From line {e.LineNumber} on the file cannot be read: a row is too long, or a quote never ends."];
        }

        return [];
    }
}

/// <summary>A row of a table, while it is read.</summary>
/// <param name="csv">The table.</param>
/// <param name="at">Where each column that is known stands; negative where it does not.</param>
internal readonly struct TableCells(CsvReader csv, IReadOnlyDictionary<string, int> at)
{
    /// <summary>Its line, counted from 1.</summary>
    public long Line => csv.LineNumber;

    /// <summary>What stands in a column; empty where there is none.</summary>
    public string this[string column] => at[column] >= 0 && at[column] < csv.FieldCount ? Plain(csv.GetString(at[column]).Trim()) : "";

    /// <summary>Reads a number, with a decimal point or a decimal comma.</summary>
    /// <param name="column">Where it stands.</param>
    /// <param name="quantity">What it may be.</param>
    /// <param name="value">The number; null for an empty cell, and for one that cannot be.</param>
    /// <returns>What is wrong; null where nothing is.</returns>
    public string? Number(string column, Quantity quantity, out double? value)
    {
        value = null;
        var cell = this[column];
        if (cell.Length == 0)
        {
            return null;
        }

        var comma = cell.IndexOf(',', StringComparison.Ordinal);
        // Between commas a number with one and three digits after it is thousands to some; where other marks part cells it is decimal.
        if (csv.Separator == ',' && comma > 0 && cell.Length - comma == 4 && cell[0] != '0')
        {
            return $"“{cell}” is {cell.Replace(',', '.')} to some and {cell.Replace(",", "", StringComparison.Ordinal)} to others; it is left out. Write it without a comma.";
        }

        var isNumber = double.TryParse(cell.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && quantity.Accepts(number);
        value = isNumber ? number : null;
        return isNumber ? null : $"“{cell}” is no number within {quantity.Range(LengthUnit.Metres)}; it is left out.";
    }

    /// <summary>A text that was kept from being taken for a formula, as it was before.</summary>
    private static string Plain(string cell) => cell is ['\'', '=' or '+' or '-' or '@', ..] ? cell[1..] : cell;
}

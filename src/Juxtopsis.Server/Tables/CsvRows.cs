using System.Globalization;
using System.Text;
using CsvHelper;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Server.Tables;

/// <summary>Reads CSV tables whose first line names the columns, in any order; what cannot be read is told and left out.</summary>
internal static class CsvRows
{
    private const int LargestRow = 16 * 1024;

    /// <summary>Reads a table.</summary>
    /// <param name="text">The table.</param>
    /// <param name="columns">The columns that are known.</param>
    /// <param name="needs">Columns that must be there: of each of these one at least.</param>
    /// <param name="most">Most rows that are taken.</param>
    /// <param name="take">Takes a row: what stands in each column (empty where there is none), and its line.</param>
    /// <returns>What is wrong with the table itself, after what <paramref name="take"/> says of its rows.</returns>
    public static IReadOnlyList<string> Read(TextReader text, IReadOnlyList<string> columns, IReadOnlyList<string[]> needs, int most, Action<Func<string, string>, long> take)
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

                string Cell(string column) => at[column] >= 0 && at[column] < csv.FieldCount ? Plain(csv.GetString(at[column]).Trim()) : "";
                take(Cell, csv.LineNumber);
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

    /// <summary>Reads a number of a cell.</summary>
    /// <param name="cell">What stands in the cell.</param>
    /// <param name="quantity">What it may be.</param>
    /// <param name="value">The number; null for an empty cell, and for one that cannot be.</param>
    /// <returns>What is wrong; null where nothing is.</returns>
    public static string? Number(string cell, Quantity quantity, out double? value)
    {
        var isNumber = double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && quantity.Accepts(number);
        value = isNumber ? number : null;
        return isNumber || cell.Length == 0 ? null : $"“{cell}” is no number within {quantity.Range(LengthUnit.Metres)}; it is left out.";
    }

    /// <summary>A text that was kept from being taken for a formula, as it was before.</summary>
    private static string Plain(string cell) => cell is ['\'', '=' or '+' or '-' or '@', ..] ? cell[1..] : cell;
}

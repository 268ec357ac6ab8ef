using System.Globalization;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Sheets;

/// <summary>Refuses sheets that cannot be, in the same words on both hosts.</summary>
internal static class SheetInputChecks
{
    private const int MostSheets = 40;
    private const int MostItems = 1000;
    private const int MostColumns = 40;
    private const int MostAlternatives = 3;
    private const int MostSteps = 24;
    private const int MaxTitle = 200;
    private const int MaxText = 500;

    private static readonly Quantity Strip = new("Length of the strip", "mm", 50, 1000, "170");

    /// <summary>Checks the sheets of a piece of work.</summary>
    public static void Check(FieldChecks checks, IReadOnlyList<SheetInput> sheets, string path)
    {
        ProductionChecks.CheckCount(checks, path, sheets.Count, MostSheets, "sheets");
        if (!checks.NoNull(path, sheets))
        {
            return;
        }

        for (var i = 0; i < sheets.Count; i++)
        {
            Check(checks, sheets[i], string.Create(CultureInfo.InvariantCulture, $"{path}[{i}]."));
        }

        ProductionChecks.CheckOnce(checks, path, sheets.Select(s => s.Id), "sheet");
    }

    private static void Check(FieldChecks checks, SheetInput sheet, string prefix)
    {
        checks.Text(prefix + "title", sheet.Title, "The title", MaxTitle);
        checks.Text(prefix + "note", sheet.Note, "The note", MaxText);
        checks.Text(prefix + "unit", sheet.Unit, "The unit's name", 60);
        checks.InRange(prefix + "stripLengthMm", sheet.StripLengthMm, Strip);
        ProductionChecks.CheckCount(checks, prefix + "columns", sheet.Columns.Count, MostColumns, "columns");
        for (var i = 0; i < Math.Min(sheet.Columns.Count, MostColumns); i++)
        {
            checks.Text($"{prefix}columns[{i}]", sheet.Columns[i], "The column", 60);
        }

        Steps(checks, prefix + "focalLengthsMm", sheet.FocalLengthsMm, Quantity.FocalLength, "focal lengths");
        Steps(checks, prefix + "distancesMm", sheet.DistancesMm, Quantity.SubjectDistance, "distances");
        Steps(checks, prefix + "fNumbers", sheet.FNumbers, Quantity.FNumber, "apertures");
        ProductionChecks.CheckCount(checks, prefix + "items", sheet.Items.Count, MostItems, "things");
        if (!checks.NoNull(prefix + "items", sheet.Items))
        {
            return;
        }

        for (var i = 0; i < sheet.Items.Count; i++)
        {
            Check(checks, sheet.Items[i], $"{prefix}items[{i}].");
        }

        if (sheet.Items.GroupBy(i => i.Id).FirstOrDefault(g => g.Count() > 1) is { } twice)
        {
            checks.Add(prefix + "items", twice.Key, "each identity once", "Something stands on the sheet twice.", "Leave one of them out.");
        }
    }

    private static void Check(FieldChecks checks, SheetItemInput item, string prefix)
    {
        checks.Text(prefix + "id", item.Id, "The identity", 64);
        checks.Text(prefix + "title", item.Title, "The title", MaxTitle);
        checks.Text(prefix + "remark", item.Remark, "The remark", MaxText);
        ProductionChecks.CheckCount(checks, prefix + "alternatives", item.Alternatives.Count, MostAlternatives, "alternatives");
        if (checks.NoNull(prefix + "alternatives", item.Alternatives))
        {
            for (var i = 0; i < item.Alternatives.Count; i++)
            {
                ProductionChecks.CheckChosen(checks, item.Alternatives[i], $"{prefix}alternatives[{i}].");
            }
        }
    }

    private static void Steps(FieldChecks checks, string field, IReadOnlyList<double> values, Quantity quantity, string what)
    {
        ProductionChecks.CheckCount(checks, field, values.Count, MostSteps, what);
        for (var i = 0; i < Math.Min(values.Count, MostSteps); i++)
        {
            checks.InRange($"{field}[{i}]", values[i], quantity);
        }
    }
}

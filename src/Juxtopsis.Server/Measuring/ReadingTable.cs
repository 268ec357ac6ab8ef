using System.Globalization;
using CsvHelper;
using Juxtopsis.Contracts.Measuring;
using Juxtopsis.Core.Fields;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Server.Shelf.Files;
using Juxtopsis.Server.Tables;

namespace Juxtopsis.Server.Measuring;

/// <summary>The readings of a test as a CSV table, a row each; its columns are the fields that the test asks for.</summary>
internal static class ReadingTable
{
    /// <summary>Writes readings.</summary>
    /// <param name="text">Takes the table.</param>
    /// <param name="measured">The readings.</param>
    public static void Write(TextWriter text, MeasureRequest measured)
    {
        var fields = FieldsOf(measured.Kind);
        using var csv = CsvWriter.Create(text, CsvWriterOptions.Default, leaveOpen: true);
        CsvWriting.Row(csv, fields.Select(Header));
        foreach (var reading in measured.Readings)
        {
            CsvWriting.Row(csv, fields.Select(f => Cell(f, reading)));
        }
    }

    /// <summary>Reads readings; cells that cannot be read are left out, and told.</summary>
    /// <param name="text">The table.</param>
    /// <param name="kind">The test.</param>
    /// <returns>The readings, and what was left out.</returns>
    public static ReadingsReadOutput Read(TextReader text, TestKind kind)
    {
        var fields = FieldsOf(kind);
        var (readings, problems) = (new List<TestReading>(), new List<string>());
        string[] headers = [.. fields.Select(Header)];
        problems.AddRange(CsvRows.Read(text, headers, [headers], UnitTest.MostReadings, row =>
        {
            var reading = TestFields.Reading.Untouched;
            foreach (var field in fields)
            {
                if (Take(ref reading, field, row) is { } wrong)
                {
                    problems.Add($"Line {row.Line}, {field.Label}: {wrong}");
                }
            }

            readings.Add(reading);
        }));
        return new(new() { Kind = kind, Readings = readings }, problems);
    }

    private static Field<TestReading>[] FieldsOf(TestKind kind)
    {
        var asked = TestProcedure.For(kind).Reading;
        return [.. TestFields.Reading.Fields.Where(f => asked.Contains(f.Key) || f.Key == "isSetAside")];
    }

    private static string Header(Field<TestReading> field) => field is NumberField<TestReading> { Quantity.Unit: { Length: > 0 } unit } ? $"{field.Label} ({unit})" : field.Label;

    private static string Cell(Field<TestReading> field, in TestReading reading) => field switch
    {
        NumberField<TestReading> number => number.Get(reading) is { } value ? value.ToString("R", CultureInfo.InvariantCulture) : "",
        FlagField<TestReading> flag => flag.Get(reading) ? "yes" : "",
        _ => "",
    };

    private static string? Take(ref TestReading reading, Field<TestReading> field, TableCells row)
    {
        if (field is FlagField<TestReading> flag)
        {
            reading = flag.Set(reading, row[Header(field)].Equals("yes", StringComparison.OrdinalIgnoreCase));
            return null;
        }

        if (field is not NumberField<TestReading> number)
        {
            return null;
        }

        var wrong = row.Number(Header(field), number.Quantity, out var value);
        reading = value is null ? reading : number.Set(reading, value);
        return wrong;
    }
}

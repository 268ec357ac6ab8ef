using System.Globalization;
using CsvHelper;
using Juxtopsis.Contracts.Bags;
using Juxtopsis.Core.Gear;
using Juxtopsis.Server.Shelf.Files;
using Juxtopsis.Server.Tables;

namespace Juxtopsis.Server.Bags;

/// <summary>Bags as one CSV table: a row for each thing of each bag. Things are told by identity, or by maker and name.</summary>
internal static class BagTable
{
    private const int MostRows = 20_000;

    private static readonly string[] Columns = ["Bag", "Unit", "First day", "Last day", "How many", "Thing", "Weight each (g)", "On the rig", "Note", "Id"];

    /// <summary>Writes bags.</summary>
    /// <param name="text">Takes the table.</param>
    /// <param name="bags">The bags.</param>
    /// <param name="find">The thing of an identity; null where it is gone.</param>
    public static void Write(TextWriter text, IEnumerable<BagInput> bags, Func<Guid, GearItem?> find)
    {
        using var csv = CsvWriter.Create(text, CsvWriterOptions.Default, leaveOpen: true);
        CsvWriting.Row(csv, Columns);
        foreach (var bag in bags)
        {
            foreach (var line in bag.Lines)
            {
                var item = find(line.Id);
                CsvWriting.Row(csv, [
                    bag.Name, bag.Unit, bag.FirstDay, bag.LastDay, line.Count.ToString(CultureInfo.InvariantCulture), item?.FullName ?? "", item?.WeightG?.ToString(CultureInfo.InvariantCulture) ?? "",
                    line.OnRig ? "yes" : "", line.Note, $"{line.Id}",
                ]);
            }
        }
    }

    /// <summary>Reads bags; rows that cannot be read are left out, and told.</summary>
    /// <param name="text">The table.</param>
    /// <param name="find">The thing of an identity, or of maker and name; null where there is none.</param>
    /// <returns>The bags, and what was left out.</returns>
    public static BagsReadOutput Read(TextReader text, Func<string, GearItem?> find)
    {
        var (bags, problems) = (new List<BagInput>(), new List<string>());
        problems.AddRange(CsvRows.Read(text, Columns, [["Bag"], ["Thing", "Id"]], MostRows, row => Take(bags, problems, row, find)));
        return new(bags, problems);
    }

    private static void Take(List<BagInput> bags, List<string> problems, TableCells row, Func<string, GearItem?> find)
    {
        var (name, thing) = (row["Bag"], row["Thing"]);
        if (name.Length == 0)
        {
            problems.Add($"Line {row.Line} names no bag.");
            return;
        }

        if ((find(row["Id"]) ?? find(thing)) is not { } item)
        {
            problems.Add($"Line {row.Line}: “{(thing.Length > 0 ? thing : row["Id"])}” is not on the shelf.");
            return;
        }

        var many = row["How many"];
        if (!int.TryParse(many.Length == 0 ? "1" : many, NumberStyles.None, CultureInfo.InvariantCulture, out var count) || count is < 1 or > 999)
        {
            problems.Add($"Line {row.Line}: “{many}” is no number of things from 1 to 999.");
            return;
        }

        var at = bags.FindIndex(b => b.Name == name);
        var bag = at < 0 ? new BagInput { Id = Guid.NewGuid(), Name = name, Unit = row["Unit"], FirstDay = row["First day"], LastDay = row["Last day"] } : bags[at];
        if (bag.Lines.Any(l => l.Id == item.Id))
        {
            problems.Add($"Line {row.Line}: {item.FullName} is in {name} already.");
            return;
        }

        bag = bag with { Lines = [.. bag.Lines, new BagLineInput { Id = item.Id, Count = count, OnRig = row["On the rig"].Equals("yes", StringComparison.OrdinalIgnoreCase), Note = row["Note"] }] };
        if (at < 0)
        {
            bags.Add(bag);
        }
        else
        {
            bags[at] = bag;
        }
    }
}

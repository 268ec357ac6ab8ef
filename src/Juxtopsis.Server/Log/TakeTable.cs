using System.Globalization;
using CsvHelper;
using Juxtopsis.Contracts.Log;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Server.Shelf.Files;
using Juxtopsis.Server.Tables;

namespace Juxtopsis.Server.Log;

/// <summary>Takes as one CSV table, a row each. Parts of a rig are told by name and by identity.</summary>
internal static class TakeTable
{
    private const string Equivalent = "Equivalent (mm)";

    private static readonly Column[] Own =
    [
        Column.OfText("Shot", t => t.ShotName, (t, v) => t.ShotName = v),
        Column.OfNumber("Take", t => Text(t.Number), new("The take's number", "", 1, 999, "3"), (t, v) => t.Number = (int)(v ?? 1)),
        Column.OfText("Camera", t => t.Camera, (t, v) => t.Camera = v.Length > 0 ? v : "A"),
        Column.OfText("Unit", t => t.CrewUnit, (t, v) => t.CrewUnit = v),
        Column.OfText("Mark", t => t.Mark == TakeMark.None ? "" : t.Mark.ToString().ToLowerInvariant(), (t, v) => t.Mark = Enum.TryParse<TakeMark>(v, ignoreCase: true, out var mark) && Enum.IsDefined(mark) ? mark : TakeMark.None),
        Column.OfNumber("Focal length (mm)", t => Text(t.FocalLengthMm), Quantity.FocalLength, (t, v) => t.FocalLengthMm = v),
        Column.OfNumber("Aperture", t => Text(t.FNumber), Quantity.FNumber, (t, v) => t.FNumber = v),
        Column.OfNumber("Distance (mm)", t => Text(t.DistanceMm), Quantity.SubjectDistance, (t, v) => t.DistanceMm = v),
        Column.OfNumber("Lens height (mm)", t => Text(t.LensHeightMm), Quantity.LensHeight, (t, v) => t.LensHeightMm = v),
        Column.OfNumber("fps", t => Text(t.Fps), Quantity.Fps, (t, v) => t.Fps = v),
        Column.OfNumber("ISO", t => Text(t.Iso), Quantity.Sensitivity, (t, v) => t.Iso = v),
        Column.OfNumber("Filter (stops)", t => Text(t.FilterStops), Quantity.FilterStops, (t, v) => t.FilterStops = v),
        Column.OfNumber("Shutter (s)", t => Text(t.ShutterSeconds), Quantity.ShutterTime, (t, v) => t.ShutterSeconds = v),
        Column.OfNumber("Room (mm)", t => Text(t.RoomMm), Quantity.RoomSize, (t, v) => t.RoomMm = v),
        Column.OfText("Reasons", t => string.Join(' ', t.Reasons.Select(r => r.ToString().ToLowerInvariant())), (t, v) => t.Reasons = [.. v.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(r => Enum.TryParse<TakeReason>(r, ignoreCase: true, out var reason) && Enum.IsDefined(reason) ? (TakeReason?)reason : null).OfType<TakeReason>().Distinct()]),
        Column.OfText("Word", t => t.Note, (t, v) => t.Note = v),
        Column.OfText("File", t => t.File, (t, v) => t.File = v),
    ];

    private static readonly string[] Columns =
        ["When", .. Own.Select(c => c.Name), Equivalent, "Body", "Mode", "Lens", "Between", "In front", "Punch-in", "Body id", "Lens id", "Between ids", "In front ids"];

    /// <summary>Writes takes.</summary>
    /// <param name="text">Takes the table.</param>
    /// <param name="takes">The takes, each with its equivalent focal length in mm; null where it is not known.</param>
    /// <param name="find">The thing of an identity; null where it is gone.</param>
    public static void Write(TextWriter text, IEnumerable<(TakeInput Take, double? EquivalentMm)> takes, Func<Guid, GearItem?> find)
    {
        string Name(Guid id) => find(id)?.FullName ?? "";
        using var csv = CsvWriter.Create(text, CsvWriterOptions.Default, leaveOpen: true);
        CsvWriting.Row(csv, Columns);
        foreach (var (take, equivalentMm) in takes)
        {
            var rig = take.Rig;
            string[] parts = rig is null ? ["", "", "", "", "", "", "", "", "", ""] :
            [
                Name(rig.Body), rig.Mode, Name(rig.Lens), string.Join("; ", rig.Links.Select(Name)), string.Join("; ", rig.Front.Select(Name)), rig.PunchIn == 1 ? "" : Text(rig.PunchIn),
                $"{rig.Body}", $"{rig.Lens}", string.Join(' ', rig.Links), string.Join(' ', rig.Front),
            ];
            string[] cells = [take.TakenAt.ToUniversalTime().ToString("yyyy-MM-ddTHH:mm:ssZ", CultureInfo.InvariantCulture), .. Own.Select(c => c.Cell(take)), Text(equivalentMm), .. parts];
            CsvWriting.Row(csv, cells.Select(Guarded));
        }
    }

    /// <summary>Reads takes; what cannot be read is left out, and told.</summary>
    /// <param name="text">The table.</param>
    /// <param name="production">The production that they shall be of.</param>
    /// <param name="find">The thing of an identity, or of maker and name; null where there is none.</param>
    /// <returns>The takes, and what was left out.</returns>
    public static TakesReadOutput Read(TextReader text, Guid production, Func<string, GearItem?> find)
    {
        var (takes, problems) = (new List<TakeInput>(), new List<string>());
        problems.AddRange(CsvRows.Read(text, Columns, [["When"]], TakesFile.Most, row => Take(takes, problems, row, production, find)));
        return new(takes, problems);
    }

    private static void Take(List<TakeInput> takes, List<string> problems, TableCells row, Guid production, Func<string, GearItem?> find)
    {
        if (!DateTimeOffset.TryParse(row["When"], CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var at))
        {
            problems.Add($"Line {row.Line}: “{row["When"]}” is no time, such as 2025-03-14T09:30:00Z.");
            return;
        }

        var take = new TakeInput { ProductionId = production, TakenAt = at };
        foreach (var column in Own)
        {
            if (column.Read(take, row) is { } wrong)
            {
                problems.Add($"Line {row.Line}, {column.Name}: {wrong}");
            }
        }

        take.Rig = RigOf(row, find, out var missing);
        if (missing.Length > 0)
        {
            problems.Add($"Line {row.Line}: “{missing}” is not on the shelf, so its rig is left out.");
        }

        if (row.Number("Punch-in", Quantity.PunchIn, out var times) is { } noTimes)
        {
            problems.Add($"Line {row.Line}, Punch-in: {noTimes}");
        }

        take.Rig?.PunchIn = times ?? 1;
        if (TakeChecks.Check(take) is { } problem)
        {
            problems.Add($"Line {row.Line} is left out: {problem.Errors[0].Message}");
            return;
        }

        takes.Add(take);
    }

    private static ChosenInput? RigOf(TableCells row, Func<string, GearItem?> find, out string missing)
    {
        var gone = "";
        Guid Part(string id, string name)
        {
            // A thing that was deleted keeps its identity; one that has only a name must be here.
            if (Guid.TryParse(id, out var known))
            {
                return known;
            }

            var found = find(name);
            gone = found is null && gone.Length == 0 ? name : gone;
            return found?.Id ?? Guid.Empty;
        }

        Guid[] Parts(string ids, string names) => ids.Length > 0
            ? [.. ids.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(id => Part(id, id))]
            : [.. names.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(name => Part("", name))];

        missing = "";
        if (row["Body"] + row["Body id"] is "" || row["Lens"] + row["Lens id"] is "")
        {
            return null;
        }

        var rig = new ChosenInput { Body = Part(row["Body id"], row["Body"]), Mode = row["Mode"], Lens = Part(row["Lens id"], row["Lens"]), Links = Parts(row["Between ids"], row["Between"]), Front = Parts(row["In front ids"], row["In front"]) };
        rig.Name = string.Join(", ", new[] { rig.Body, rig.Lens }.Distinct().Select(id => find($"{id}")?.FullName).OfType<string>());
        missing = gone;
        return gone.Length == 0 ? rig : null;
    }

    private static string Text(double? value) => value is { } number && double.IsFinite(number) ? LengthWords.Number(number) : "";

    /// <summary>A cell that a spreadsheet takes as text and never as a formula of somebody else's.</summary>
    private static string Guarded(string cell) => cell is ['=' or '+' or '@', ..] || cell is ['-', not (>= '0' and <= '9' or '.'), ..] ? $"'{cell}" : cell;

    /// <summary>A column of what a take says itself.</summary>
    /// <param name="Name">What stands in the first line.</param>
    /// <param name="Cell">What it says.</param>
    /// <param name="Read">Takes it from a row; what is wrong with that, or null.</param>
    private sealed record Column(string Name, Func<TakeInput, string> Cell, Func<TakeInput, TableCells, string?> Read)
    {
        public static Column OfText(string name, Func<TakeInput, string> cell, Action<TakeInput, string> set) => new(name, cell, (take, row) =>
        {
            set(take, row[name]);
            return null;
        });

        public static Column OfNumber(string name, Func<TakeInput, string> cell, Quantity quantity, Action<TakeInput, double?> set) => new(name, cell, (take, row) =>
        {
            var wrong = row.Number(name, quantity, out var value);
            if (value is not null)
            {
                set(take, value);
            }

            return wrong;
        });
    }
}

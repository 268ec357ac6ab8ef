using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Shelf;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Shelf;
using Juxtopsis.Data.Model;

namespace Juxtopsis.Server.Shelf.Files;

/// <summary>What a row of a file would do to the shelf.</summary>
/// <param name="Row">The row; its item has its identity on the shelf.</param>
/// <param name="Stored">What it changes; null when it is new.</param>
/// <param name="Changes">The fields that change.</param>
/// <param name="Errors">Why it is refused; empty when it is not.</param>
internal sealed record PlannedRow(ShelfFileRow Row, ShelfEntry? Stored, IReadOnlyList<GearField> Changes, IReadOnlyList<DiagnosticOutput> Errors)
{
    public bool IsRefused => Errors.Count > 0;

    public bool ChangesRetirement => Stored is not null && Stored.RetiredAt is not null != Row.Retired;

    public bool IsSame => Stored is not null && Changes.Count == 0 && !ChangesRetirement;
}

/// <summary>
/// What an import would do, row by row, before anything is written. A row is of a thing on the shelf when it has its id, or else its
/// kind, maker and name; anything else is new.
/// </summary>
internal sealed class ImportPlan
{
    private const int MostRowsTold = 1000;

    private readonly ShelfNow shelf;
    private readonly ShelfIndex index;
    private readonly List<PlannedRow> planned = [];

    private ImportPlan(ShelfNow shelf) => (this.shelf, index) = (shelf, shelf.Index);

    public IReadOnlyList<PlannedRow> Rows => planned;

    /// <summary>The shelf that it was reckoned against.</summary>
    public ShelfNow Shelf => shelf;

    public bool IsRefused => planned.Any(r => r.IsRefused);

    public static ImportPlan Of(Upload upload, ShelfNow shelf)
    {
        var plan = new ImportPlan(shelf);
        plan.Add(upload);
        return plan;
    }

    public ImportOutput ToOutput(int revision, bool written)
    {
        var told = planned.Where(r => r.IsRefused)
            .Concat(planned.Where(r => !r.IsRefused && r.Stored is not null && !r.IsSame))
            .Concat(planned.Where(r => !r.IsRefused && r.Stored is null))
            .Concat(planned.Where(r => !r.IsRefused && r.IsSame));
        return new(
            written,
            revision,
            planned.Count(r => !r.IsRefused && r.Stored is null),
            planned.Count(r => !r.IsRefused && r.Stored is not null && !r.IsSame),
            planned.Count(r => !r.IsRefused && r.IsSame),
            planned.Count(r => r.IsRefused),
            [.. told.Take(MostRowsTold).Select(ToOutput)]);
    }

    private void Add(Upload upload)
    {
        var byName = index.Entries.Where(e => e.RetiredAt is null).GroupBy(e => (e.Item.Kind, GearRow.KeyOf(e.Item))).ToDictionary(g => g.Key, g => g.First());
        upload = WithWhatIsNamed(upload, byName);
        var modes = ModesByCamera(upload, byName);
        var mounts = index.Mounts.All.Select(m => m.Name)
            .Concat(upload.Rows.Where(r => r.Item is { Kind: GearKind.Mount }).Select(r => r.Item!.Name))
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        var seenIds = new HashSet<Guid>();
        var seenNames = new HashSet<(GearKind, string)>();
        foreach (var row in upload.Rows.Where(r => r.Item is null))
        {
            planned.Add(new(row, null, [], row.Errors));
        }

        foreach (var row in upload.Rows.Where(r => r.Item is not null))
        {
            var read = row.Item!;
            var stored = read.Id == Guid.Empty ? byName.GetValueOrDefault((read.Kind, GearRow.KeyOf(read))) : index.Find(read.Id);
            var item = WhatIsTold(row, read, stored).WithId(stored?.Item.Id ?? (read.Id == Guid.Empty ? Guid.CreateVersion7() : read.Id));
            item = WithWholeSensor(WithModes(item, stored, modes));
            var errors = new List<DiagnosticOutput>(Check(item, row, stored, mounts));
            if (stored is null && ShelfRules.IdSetAside(item.Id, shelf) is { } aside)
            {
                errors.Add(aside);
            }
            else if (!seenIds.Add(item.Id))
            {
                errors.Add(new("id", $"{item.Id}", "each thing once", "The same thing stands in the file twice.", "Take one of the two out."));
            }
            else if (!row.Retired && !seenNames.Add((item.Kind, GearRow.KeyOf(item))))
            {
                errors.Add(new("name", item.Name, "a name of its own", $"“{item.FullName}” stands in the file twice.", "Give one of them another name, or take it out."));
            }

            planned.Add(new(row with { Item = item, Retired = row.TellsRetired || stored is null ? row.Retired : stored.RetiredAt is not null }, stored, stored is null || stored.Item.Kind != item.Kind ? [] : item.DifferencesFrom(stored.Item), errors));
        }

        AddModesAlone(modes);
        RefuseTakenNames();
    }

    /// <summary>What a file has no column for stays as it is.</summary>
    private static GearItem WhatIsTold(ShelfFileRow row, GearItem read, ShelfEntry? stored) => row.Told is { } told && stored is not null && stored.Item.Kind == read.Kind
        ? GearKinds.Of(read.Kind).Fields.Where(told.Contains).Aggregate(stored.Item, (item, field) => item.With(field, read.Value(field)))
        : read;

    /// <summary>A camera whose modes are not known reads its whole sensor, where that is known.</summary>
    private static GearItem WithWholeSensor(GearItem item) =>
        GearKinds.Of(item.Kind).Fields.FirstOrDefault(f => f is ModesField) is { } modes && item.Value(modes) is null && CameraModes.WholeSensor(item) is { } whole
            ? item.With(modes, new[] { whole })
            : item;

    /// <summary>
    /// The upload with what it names and nobody has: mounts, and cameras of a table of modes. They are added with what is known of them, and told
    /// among the rest before anything is written.
    /// </summary>
    private Upload WithWhatIsNamed(Upload upload, Dictionary<(GearKind, string), ShelfEntry> byName)
    {
        var mounts = index.Mounts.All.Select(m => m.Name).Concat(upload.Rows.Where(r => r.Item is { Kind: GearKind.Mount }).Select(r => r.Item!.Name)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var named = new List<ShelfFileRow>();
        foreach (var row in upload.Rows.Where(r => r.Item is not null))
        {
            foreach (var mount in ShelfIndex.MountsOf(row.Item!).Where(mounts.Add))
            {
                named.Add(new($"named by {row.Item!.FullName}, {row.Where}", GearItem.Of(GearKind.Mount, Guid.Empty, [new(GearKinds.Of(GearKind.Mount).Field("name")!, mount)]), false, []));
            }
        }

        var cameras = upload.Rows.Where(r => r.Item is { Kind: GearKind.Body or GearKind.FixedLensCamera }).Select(r => GearRow.KeyOf(r.Item!)).ToHashSet();
        foreach (var mode in upload.Modes.Where(m => m.CameraId == Guid.Empty && m.Camera.Length > 0))
        {
            var key = mode.Camera.ToLowerInvariant();
            if (!byName.ContainsKey((GearKind.Body, key)) && !byName.ContainsKey((GearKind.FixedLensCamera, key)) && cameras.Add(key))
            {
                named.Add(new($"named by {mode.Where}", GearItem.Of(GearKind.Body, Guid.Empty, [new(GearKinds.Of(GearKind.Body).Field("name")!, mode.Camera)]), false, []));
            }
        }

        return upload with { Rows = [.. named, .. upload.Rows] };
    }

    private static IEnumerable<DiagnosticOutput> Check(GearItem item, ShelfFileRow row, ShelfEntry? stored, HashSet<string> mounts)
    {
        if (stored is not null && stored.Item.Kind != item.Kind)
        {
            yield return new("id", $"{item.Id}", GearKinds.Of(stored.Item.Kind).Key, $"The id is that of “{stored.Item.FullName}”, which is of another kind.", "Leave the id out for something new.");
        }

        foreach (var fault in GearChecks.Check(item))
        {
            var field = GearChecks.FieldOf(item, fault);
            yield return new(field.Header, item.Value(field) is { } v ? field.Write(v) : "", field.Header, fault.Message, fault.Fix, fault.Code);
        }

        foreach (var error in ShelfRules.UnknownMounts(item, mounts.Contains).Concat(row.Errors))
        {
            yield return error;
        }
    }

    /// <summary>Recording modes by the camera that they go to; a table of modes replaces all modes of the cameras that it names.</summary>
    private static Dictionary<string, List<ModeRow>> ModesByCamera(Upload upload, Dictionary<(GearKind, string), ShelfEntry> byName)
    {
        var inFile = upload.Rows.Where(r => r.Item is not null).ToLookup(r => GearRow.KeyOf(r.Item!));
        var modes = new Dictionary<string, List<ModeRow>>();
        foreach (var row in upload.Modes)
        {
            // By id where there is one; else by name, first of the file, then of the shelf.
            var key = row.CameraId != Guid.Empty ? $"{row.CameraId}" : row.Camera.ToLowerInvariant();
            if (row.CameraId == Guid.Empty && !inFile.Contains(key)
                && new[] { GearKind.Body, GearKind.FixedLensCamera }.Select(k => byName.GetValueOrDefault((k, key))).FirstOrDefault(e => e is not null) is { } stored)
            {
                key = $"{stored.Item.Id}";
            }

            (modes.TryGetValue(key, out var list) ? list : modes[key] = []).Add(row);
        }

        return modes;
    }

    private GearItem WithModes(GearItem item, ShelfEntry? stored, Dictionary<string, List<ModeRow>> modes)
    {
        if (GearKinds.Of(item.Kind).Fields.FirstOrDefault(f => f is ModesField) is not { } field)
        {
            return item;
        }

        foreach (var key in (ReadOnlySpan<string>)[$"{item.Id}", GearRow.KeyOf(item)])
        {
            if (modes.Remove(key, out var rows))
            {
                return item.With(field, Read(rows));
            }
        }

        return item.Value(field) is null && stored?.Item.Value(field) is { } before ? item.With(field, before) : item;
    }

    /// <summary>The modes that could be read; what is wrong with the others is told as rows of their own.</summary>
    private GearItem[] Read(List<ModeRow> rows)
    {
        foreach (var row in rows.Where(r => r.Mode is null))
        {
            planned.Add(new(new(row.Where, null, false, row.Errors), null, [], row.Errors));
        }

        return [.. rows.Select(r => r.Mode).OfType<GearItem>()];
    }

    /// <summary>Modes whose cameras are not in the file, but on the shelf; and those whose cameras are nowhere.</summary>
    private void AddModesAlone(Dictionary<string, List<ModeRow>> modes)
    {
        foreach (var (key, rows) in modes)
        {
            if (Guid.TryParse(key, out var id) && index.Find(id) is { } stored && GearKinds.Of(stored.Item.Kind).Fields.FirstOrDefault(f => f is ModesField) is { } field)
            {
                var item = stored.Item.With(field, Read(rows));
                var errors = GearChecks.Check(item).Select(f => new DiagnosticOutput(GearChecks.FieldOf(item, f).Header, "", GearChecks.FieldOf(item, f).Header, f.Message, f.Fix, f.Code)).ToArray();
                planned.Add(new(new(rows[0].Where, item, stored.RetiredAt is not null, []), stored, item.DifferencesFrom(stored.Item), errors));
                continue;
            }

            foreach (var row in rows)
            {
                IReadOnlyList<DiagnosticOutput> errors = row.Errors.Count > 0
                    ? row.Errors
                    : [new(CsvWriting.Camera, row.Camera, "a camera", $"There is no camera called “{(row.Camera.Length > 0 ? row.Camera : key)}”.", "Bring bodies.csv together with modes.csv, or mend its spelling.")];
                planned.Add(new(new(row.Where, row.Mode, false, errors), null, [], errors));
            }
        }
    }

    /// <summary>A thing that is renamed, or new, may not take the name of one that stays.</summary>
    private void RefuseTakenNames()
    {
        var inFile = planned.Where(p => p.Row.Item is not null).Select(p => p.Row.Item!.Id).ToHashSet();
        var staying = index.Entries.Where(e => e.RetiredAt is null && !inFile.Contains(e.Item.Id)).Select(e => (e.Item.Kind, GearRow.KeyOf(e.Item))).ToHashSet();
        for (var i = 0; i < planned.Count; i++)
        {
            var (item, row) = (planned[i].Row.Item, planned[i]);
            if (item is not null && item.Kind != GearKind.Mode && !row.IsRefused && !row.Row.Retired && staying.Contains((item.Kind, GearRow.KeyOf(item))))
            {
                planned[i] = row with { Errors = [new("name", item.Name, "a name of its own", $"There is a “{item.FullName}” on the shelf already, under another id.", "Give it another name, or leave the id out to change that one.")] };
            }

            // Renaming a mount goes to all that name it, which a file cannot tell; the editor can.
            if (row.Stored is { Item.Kind: GearKind.Mount } mount && item is not null && !MountBook.Same(item.Name, mount.Item.Name))
            {
                planned[i] = row with { Errors = [new("name", item.Name, mount.Item.Name, $"A file cannot rename the mount “{mount.Item.Name}”, which things name.", "Rename it on the Shelf first.")] };
            }
        }
    }

    private static ImportRowOutput ToOutput(PlannedRow planned)
    {
        var item = planned.Row.Item;
        var outcome = planned.IsRefused ? "refused" : planned.Stored is null ? "added" : planned.IsSame ? "same" : "changed";
        string Text(GearItem? of, GearField field) => of?.Value(field) is { } value ? field.Write(value) : "";
        IEnumerable<FieldChangeOutput> changes = planned.Changes.Select(f => new FieldChangeOutput(f.Header, Text(planned.Stored?.Item, f), Text(item, f)));
        if (planned.ChangesRetirement)
        {
            changes = changes.Append(new("Retired", planned.Row.Retired ? "no" : "yes", planned.Row.Retired ? "yes" : "no"));
        }

        return new(planned.Row.Where, outcome, item is null ? "" : GearKinds.Of(item.Kind).Name, item?.FullName ?? "", [.. changes], planned.Errors);
    }
}

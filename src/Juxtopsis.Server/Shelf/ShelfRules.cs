using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Shelf;
using Juxtopsis.Data.Model;

namespace Juxtopsis.Server.Shelf;

/// <summary>What a thing must satisfy among the others of its shelf.</summary>
internal static class ShelfRules
{
    /// <summary>The most things that one shelf holds, retired ones included.</summary>
    public const int MostThings = 100_000;

    /// <summary>The mounts that a thing names and that are not known.</summary>
    /// <param name="item">The thing.</param>
    /// <param name="isKnown">Whether there is a mount of a name.</param>
    public static IEnumerable<DiagnosticOutput> UnknownMounts(GearItem item, Func<string, bool> isKnown)
    {
        foreach (var field in item.Known)
        {
            IReadOnlyList<string> named = field switch
            {
                TextField { NamesMount: true } => [(string)item.Value(field)!],
                MountsField => (IReadOnlyList<string>)item.Value(field)!,
                _ => [],
            };
            foreach (var mount in named.Where(m => !isKnown(m)))
            {
                yield return new(field.Key, mount, "a mount on the shelf", $"There is no mount called “{mount}”.", "Add the mount first, or mend its spelling.");
            }
        }
    }

    /// <summary>A thing with a mount's name changed wherever it names it.</summary>
    public static GearItem WithMountRenamed(GearItem item, string from, string to)
    {
        foreach (var field in item.Known.ToArray())
        {
            if (field is TextField { NamesMount: true } && MountBook.Same((string)item.Value(field)!, from))
            {
                item = item.With(field, to);
            }
            else if (field is MountsField && item.Value(field) is IReadOnlyList<string> names && names.Any(n => MountBook.Same(n, from)))
            {
                item = item.With(field, names.Select(n => MountBook.Same(n, from) ? to : n).ToArray());
            }
        }

        return item;
    }

    /// <summary>What names a mount, for refusing to delete it.</summary>
    public static IReadOnlyList<ShelfEntry> UsersOf(ShelfIndex index, GearItem mount) =>
        [.. index.Entries.Where(e => e.Item.Id != mount.Id && ShelfIndex.MountsOf(e.Item).Any(m => MountBook.Same(m, mount.Name)))];

    /// <summary>The mounts among some things that the others name, or that a mount so named takes.</summary>
    /// <param name="index">The shelf.</param>
    /// <param name="some">The ids of the things.</param>
    public static IReadOnlyList<GearItem> MountsNeeded(ShelfIndex index, IReadOnlySet<Guid> some)
    {
        var needed = new List<GearItem>();
        var names = new Queue<string>(index.Entries.Where(e => !some.Contains(e.Item.Id)).SelectMany(e => ShelfIndex.MountsOf(e.Item)));
        while (names.TryDequeue(out var name))
        {
            foreach (var mount in index.Entries.Select(e => e.Item).Where(i => i.Kind == GearKind.Mount && some.Contains(i.Id) && MountBook.Same(i.Name, name) && !needed.Contains(i)).ToArray())
            {
                needed.Add(mount);
                foreach (var further in ShelfIndex.MountsOf(mount))
                {
                    names.Enqueue(further);
                }
            }
        }

        return needed;
    }

    /// <summary>Of one kind no two that are offered have the same maker and name.</summary>
    public static DiagnosticOutput? NameTaken(GearItem item, ShelfIndex index)
    {
        var key = GearRow.KeyOf(item);
        return index.Entries.Any(e => e.RetiredAt is null && e.Item.Id != item.Id && e.Item.Kind == item.Kind && GearRow.KeyOf(e.Item) == key)
            ? new("name", item.Name, "a name of its own", $"There is a {GearKinds.Of(item.Kind).Name.ToLowerInvariant()} called “{item.FullName}” already.", "Give it another name, such as one with its number.")
            : null;
    }

    /// <summary>What is stored and cannot be read keeps its id until it is deleted.</summary>
    public static DiagnosticOutput? IdSetAside(Guid id, ShelfNow shelf) => shelf.SetAside.FirstOrDefault(a => a.Id == id) is { } aside
        ? new("id", $"{id}", "an id of its own", $"“{aside.Name}” is stored under this id and cannot be read by this version.", "Take it out and delete it first.")
        : null;

    /// <summary>The refusal to put more on a shelf than it holds.</summary>
    /// <param name="what">What would be put on it.</param>
    public static Problem ShelfFull(string what) => Problem.Of(
        "shelf-full", 409, "The shelf is full", $"With {what} there would be more than {MostThings} things on the shelf. Delete some, or bring less.");

    /// <summary>The refusal to delete a mount that things name.</summary>
    public static Problem MountInUse(GearItem mount, IReadOnlyList<ShelfEntry> users)
    {
        var names = string.Join(", ", users.Take(5).Select(u => u.Item.FullName));
        var others = users.Count > 5 ? $" and {users.Count - 5} more" : "";
        return Problem.Of("mount-in-use", 409, "The mount is in use", $"{mount.Name} is named by {names}{others}. Give those another mount or delete them first.");
    }
}

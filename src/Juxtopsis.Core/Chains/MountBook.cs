using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Chains;

/// <summary>The mounts that are known, by name. Names are compared without regard to case.</summary>
public sealed class MountBook
{
    private readonly Dictionary<string, GearItem> mounts;

    /// <summary>Makes a book.</summary>
    /// <param name="mounts">Mounts; of two with one name the first counts. Other kinds are left aside.</param>
    public MountBook(IEnumerable<GearItem> mounts)
    {
        this.mounts = mounts.Where(m => m.Kind == GearKind.Mount)
            .GroupBy(m => m.Name, StringComparer.OrdinalIgnoreCase)
            .ToDictionary(g => g.Key, g => g.First(), StringComparer.OrdinalIgnoreCase);
    }

    /// <summary>All mounts.</summary>
    public IEnumerable<GearItem> All => mounts.Values;

    /// <summary>A mount by its name.</summary>
    /// <param name="name">The name.</param>
    /// <returns>The mount; null when there is none of that name.</returns>
    public GearItem? Find(string name) => mounts.GetValueOrDefault(name);

    /// <summary>The flange distance of a mount, mm.</summary>
    /// <param name="name">Its name.</param>
    /// <returns>Millimetres; null when it is not known.</returns>
    public double? FlangeMm(string name) => Find(name)?.Get(MountFields.Flange);

    /// <summary>Whether a lens goes straight onto a mount.</summary>
    /// <param name="lensMount">The mount that the lens ends in.</param>
    /// <param name="bodyMount">The mount of the body, or the front of an adapter.</param>
    /// <returns>True for the same mount, and for one that it also takes.</returns>
    public bool Takes(string bodyMount, string lensMount) => Same(bodyMount, lensMount)
        || Find(bodyMount) is { } mount && mount.Get(MountFields.Takes).Any(other => Same(other, lensMount));

    /// <summary>Whether two names are of the same mount.</summary>
    /// <param name="one">A name.</param>
    /// <param name="other">Another.</param>
    /// <returns>True without regard to case.</returns>
    public static bool Same(string one, string other) => one.Equals(other, StringComparison.OrdinalIgnoreCase);
}

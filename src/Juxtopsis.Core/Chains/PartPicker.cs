using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Chains;

/// <summary>A place in a chain for which a part is looked for.</summary>
/// <param name="Place">Place of the part to replace, or before which to put a new one; the chain's length for its end.</param>
/// <param name="IsNew">True to put a new part there, false to replace the one that is there.</param>
public readonly record struct Slot(int Place, bool IsNew);

/// <summary>What a part would make of a chain.</summary>
/// <param name="Item">The part.</param>
/// <param name="Parts">The whole chain with it; links between body and lens may have changed so that it fits.</param>
/// <param name="Fits">True when nothing about it stops the chain.</param>
/// <param name="Why">What speaks for it; or the first thing that stops it.</param>
/// <param name="Fix">What would mend that; empty when it fits.</param>
/// <param name="Standing">How the whole chain stands.</param>
public sealed record PartOption(GearItem Item, IReadOnlyList<GearItem> Parts, bool Fits, string Why, string Fix, Standing Standing);

/// <summary>What fits at a place in a chain, best first, and why the rest does not.</summary>
/// <param name="shelf">The gear at hand; mounts among it are left aside.</param>
/// <param name="mounts">The mounts.</param>
public sealed class PartPicker(IReadOnlyList<GearItem> shelf, MountBook mounts)
{
    private static readonly GearKind[] Cameras = [GearKind.Body, GearKind.FixedLensCamera];
    private static readonly GearKind[] InFront = [GearKind.Filter, GearKind.CloseUpLens, GearKind.StepRing, GearKind.Attachment];
    private static readonly GearKind[] Around = [GearKind.Support, GearKind.BagItem];

    private readonly Joining joining = new(shelf, mounts);
    private readonly FrontJoining front = new(shelf);

    /// <summary>The kinds that may stand at a place.</summary>
    /// <param name="parts">The chain.</param>
    /// <param name="slot">The place.</param>
    /// <returns>Kinds; empty where nothing may stand.</returns>
    public static IReadOnlyList<GearKind> KindsAt(IReadOnlyList<GearItem> parts, Slot slot)
    {
        ArgumentNullException.ThrowIfNull(parts);
        if (slot.Place == 0 || parts.Count == 0)
        {
            return slot.IsNew && parts.Count > 0 ? [] : Cameras;
        }

        if (!slot.IsNew)
        {
            var kind = parts[slot.Place].Kind;
            return InFront.Contains(kind) ? InFront : Around.Contains(kind) ? Around : [kind];
        }

        var lens = Lens(parts);
        return lens < 0 ? [GearKind.Lens, GearKind.Adapter]
            : slot.Place <= lens ? [GearKind.Adapter]
            : [.. InFront, .. Around];
    }

    /// <summary>All parts for a place: those that fit, best first, then the others by name.</summary>
    /// <param name="parts">The chain as it is.</param>
    /// <param name="slot">The place.</param>
    /// <param name="setting">Mode, focal length, aperture; a mode that another camera does not have falls back to its first.</param>
    /// <param name="isWanted">Narrows the choice; null for everything.</param>
    /// <returns>An option for each thing on the shelf that may stand there.</returns>
    public IReadOnlyList<PartOption> Options(IReadOnlyList<GearItem> parts, Slot slot, ChainSetting setting, Func<GearItem, bool>? isWanted = null)
    {
        ArgumentNullException.ThrowIfNull(parts);
        ArgumentNullException.ThrowIfNull(setting);
        var kinds = KindsAt(parts, slot);
        return
        [
            .. shelf.Where(item => kinds.Contains(item.Kind) && (isWanted is null || isWanted(item))).Select(item => Try(parts, slot, setting, item))
                .OrderByDescending(o => o.Fits)
                .ThenBy(o => o.Fits ? o.Standing : default)
                .ThenBy(o => o.Item.FullName, StringComparer.OrdinalIgnoreCase),
        ];
    }

    private PartOption Try(IReadOnlyList<GearItem> parts, Slot slot, ChainSetting setting, GearItem item)
    {
        var mode = Cameras.Contains(item.Kind) && item.Get(BodyFields.Modes).All(m => !m.Name.Equals(setting.Mode, StringComparison.OrdinalIgnoreCase))
            ? setting with { Mode = "" }
            : setting;
        var plain = Put(parts, slot, item);
        var assembly = ChainAssembler.Assemble(plain, mounts, mode);
        if (StopOf(assembly, plain, item) is not { } stop)
        {
            return new(item, plain, true, Praise(assembly, plain, item), "", Standing.Of(assembly));
        }

        // What does not go together by itself: adapters behind the lens, rings in front of it.
        var (joined, through) = (plain, new List<string>());
        if (item.Kind is GearKind.Lens or GearKind.Body && Rejoined(plain, mode) is { } way)
        {
            joined = way.Parts;
            through.AddRange(way.Links.Select(l => l.Name));
        }

        if (front.Joined(joined, item, out var missing) is { } ringed)
        {
            through.AddRange(ringed.Except(joined).Select(r => r.Name));
            joined = ringed;
        }

        var again = ReferenceEquals(joined, plain) ? assembly : ChainAssembler.Assemble(joined, mounts, mode);
        if (!ReferenceEquals(joined, plain) && StopOf(again, joined, item) is null)
        {
            var praise = Praise(again, joined, item);
            return new(item, joined, true, through.Count == 0 ? praise : $"Through {string.Join(" and ", through)} · {praise}", "", Standing.Of(again));
        }

        var fix = stop.Code == DiagnosticCode.ThreadDiffers && missing is var (from, to)
            ? $"Needs a ring from {LengthWords.Millimetres(from)} to {LengthWords.Millimetres(to)}, which is not on the shelf."
            : stop.Fix;
        return new(item, plain, false, stop.Message, fix, Standing.Of(assembly));
    }

    /// <summary>The first thing that stops a chain and that a part has to do with.</summary>
    private static Diagnostic? StopOf(Assembly assembly, IReadOnlyList<GearItem> parts, GearItem item)
    {
        var place = IndexOf(parts, item);

        // A camera that is too much for its support, or a part that makes the whole too heavy, is at fault too: these name no other part.
        // A lens that is still to be chosen is no fault of what is there.
        return assembly.Findings.FirstOrDefault(f => f is { Severity: Severity.Stops, Code: not DiagnosticCode.NoLens }
            && (f.Part == place || f.Other == place || f.Code is DiagnosticCode.RigTooHeavy or DiagnosticCode.RigTooLong or DiagnosticCode.TooMany));
    }

    private (IReadOnlyList<GearItem> Parts, IReadOnlyList<GearItem> Links)? Rejoined(IReadOnlyList<GearItem> parts, ChainSetting setting)
    {
        var lens = Lens(parts);
        if (lens < 0 || parts[0].Kind != GearKind.Body || parts[lens].Kind != GearKind.Lens)
        {
            return null;
        }

        // Tubes are for nearness, and stay right behind the lens only where their mounts fit; a new join leaves them out.
        IReadOnlyList<GearItem> rest = [.. parts.Skip(lens + 1)];
        return joining.Ways(parts[0], parts[lens], rest, setting) is [var best, ..]
            ? ([parts[0], .. best.Links, parts[lens], .. rest], best.Links)
            : null;
    }

    private static IReadOnlyList<GearItem> Put(IReadOnlyList<GearItem> parts, Slot slot, GearItem item)
    {
        var list = new List<GearItem>(parts);
        if (slot.IsNew)
        {
            list.Insert(Math.Min(slot.Place, list.Count), item);
            return list;
        }

        list[slot.Place] = item;

        // A camera that keeps its lens leaves no room for what stood between body and lens, nor for the lens.
        return item.Kind == GearKind.FixedLensCamera ? [.. list.Where(p => p.Kind is not (GearKind.Lens or GearKind.Adapter))] : list;
    }

    /// <summary>What speaks for a part: for a lens or a link how it joins, for others the weightiest thing found about it.</summary>
    private static string Praise(Assembly assembly, IReadOnlyList<GearItem> parts, GearItem item)
    {
        if (item.Kind is (GearKind.Lens or GearKind.Body or GearKind.Adapter) && Lens(parts) >= 0)
        {
            return Joining.Why(assembly, [.. parts.Where(p => p.Kind == GearKind.Adapter)]);
        }

        var place = IndexOf(parts, item);
        var said = assembly.Findings.FirstOrDefault(f => f.Code != DiagnosticCode.NoLens && (f.Part == place || f.Other == place));
        return said?.Message ?? (item.Get(CommonFields.Weight) is not { } grams ? "Fits" : LoadChecks.Weight(grams) + (parts.Count > 1 ? " more" : ""));
    }

    private static int Lens(IReadOnlyList<GearItem> parts)
    {
        for (var i = 0; i < parts.Count; i++)
        {
            if (parts[i].Kind is GearKind.Lens or GearKind.FixedLensCamera)
            {
                return i;
            }
        }

        return -1;
    }

    private static int IndexOf(IReadOnlyList<GearItem> parts, GearItem item)
    {
        for (var i = 0; i < parts.Count; i++)
        {
            if (ReferenceEquals(parts[i], item))
            {
                return i;
            }
        }

        return -1;
    }
}

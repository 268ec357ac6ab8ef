using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Chains;

/// <summary>A way to join a body and a lens.</summary>
/// <param name="Links">What stands between them, from the body on; empty when the lens goes straight on.</param>
/// <param name="Assembly">What comes of it.</param>
/// <param name="Why">What speaks for it and against it, in a few words.</param>
public sealed record Way(IReadOnlyList<GearItem> Links, Assembly Assembly, string Why);

/// <summary>Finds the ways to join a body and a lens with the adapters at hand, best first.</summary>
/// <param name="adapters">Adapters at hand; tubes are left aside, since they are for nearness, not for joining.</param>
/// <param name="mounts">The mounts.</param>
public sealed class Joining(IEnumerable<GearItem> adapters, MountBook mounts)
{
    /// <summary>Most links in a way: an adapter and an extender, or a plain one and a reducer.</summary>
    public const int MostLinks = 2;

    /// <summary>Most ways to join one body and one lens that are looked at: adapters that join a mount to itself make thousands.</summary>
    public const int MostWays = 64;

    private readonly ILookup<string, GearItem> byBodyMount = adapters
        .Where(a => a.Kind == GearKind.Adapter && (a.Get(AdapterFields.Extension) ?? 0) == 0)
        .ToLookup(a => a.Get(AdapterFields.BodyMount), StringComparer.OrdinalIgnoreCase);

    /// <summary>All ways, best first: those that work, then by what spoils, by what costs, by how many parts, by weight.</summary>
    /// <param name="body">The body.</param>
    /// <param name="lens">The lens.</param>
    /// <param name="front">What stands in front of the lens, and what carries the rig.</param>
    /// <param name="setting">Mode, focal length, aperture.</param>
    /// <returns>Ways whose mounts fit, <see cref="MostWays"/> at most; other things may still stop them. Empty when nothing joins the two.</returns>
    public IReadOnlyList<Way> Ways(GearItem body, GearItem lens, IReadOnlyList<GearItem> front, ChainSetting setting)
    {
        ArgumentNullException.ThrowIfNull(body);
        ArgumentNullException.ThrowIfNull(lens);
        ArgumentNullException.ThrowIfNull(front);
        var ways = new List<Way>();
        foreach (var links in Between(body, lens))
        {
            var assembly = ChainAssembler.Assemble([body, .. links, lens, .. front], mounts, setting);
            ways.Add(new(links, assembly, Why(assembly, links)));
        }

        return [.. ways.OrderBy(w => Standing.Of(w.Assembly)).ThenBy(w => w.Links.Count)];
    }

    /// <summary>What may stand between a body and a lens so that their mounts fit, not put together yet.</summary>
    internal IEnumerable<IReadOnlyList<GearItem>> Between(GearItem body, GearItem lens) =>
        Between(body.Get(BodyFields.Mounts), lens.Get(LensFields.Mount), MostLinks).Take(MostWays);

    /// <summary>In a few words what an assembly gives and takes.</summary>
    internal static string Why(Assembly assembly, IReadOnlyList<GearItem> links)
    {
        if (assembly.Findings is [{ Severity: Severity.Stops } stop, ..])
        {
            return stop.Message;
        }

        var words = new List<string> { links.Count == 0 ? "Straight on" : $"{links.Sum(l => l.Get(CommonFields.Weight) ?? 0):0} g more" };
        var k = assembly.Rig?.Optics.Magnification ?? 1;
        if (k != 1)
        {
            words.Add($"{LengthWords.Number(Math.Round(k, 3))}×, {(k < 1 ? "+" : "−")}{LengthWords.Number(Math.Round(Math.Abs(2 * PortableMath.Log2(k)), 2))} st");
        }

        var kinds = assembly.Findings.Select(f => f.Code).ToHashSet();
        words.Add(kinds.Contains(DiagnosticCode.ImageCircleTooSmall) ? "dark corners" : "covers");
        var lost = new[]
        {
            (DiagnosticCode.FocusDriveLost, "focus drive"), (DiagnosticCode.IrisStuck, "iris"),
            (DiagnosticCode.StabilisationLost, "stabilisation"), (DiagnosticCode.ZoomDriveLost, "remote zoom"),
        }.Where(l => kinds.Contains(l.Item1)).Select(l => l.Item2).ToArray();
        words.Add(lost.Length > 0 ? $"loses {string.Join(", ", lost)}"
            : kinds.Contains(DiagnosticCode.AdapterSignalsUnknown) ? "what it carries is not known"
            : links.Count > 0 ? "loses nothing" : "all works");
        if (kinds.Contains(DiagnosticCode.ConverterLimitsAperture))
        {
            words.Add("limits the aperture");
        }

        return string.Join(" · ", words);
    }

    private IEnumerable<IReadOnlyList<GearItem>> Between(IReadOnlyList<string> offered, string lensMount, int most)
    {
        if (offered.Any(m => mounts.Takes(m, lensMount)))
        {
            yield return [];
        }

        if (most == 0)
        {
            yield break;
        }

        foreach (var adapter in offered.SelectMany(Onto).Distinct())
        {
            foreach (var rest in Between([adapter.Get(AdapterFields.LensMount)], lensMount, most - 1))
            {
                // The same thing is not there twice.
                if (!rest.Contains(adapter))
                {
                    yield return [adapter, .. rest];
                }
            }
        }
    }

    private IEnumerable<GearItem> Onto(string mount) =>
        byBodyMount[mount].Concat(mounts.Find(mount)?.Get(MountFields.Takes).SelectMany(other => byBodyMount[other]) ?? []);
}

/// <summary>How an assembly stands against others: by what stops, then spoils, then costs, then weight.</summary>
/// <param name="Stops">How many things stop it.</param>
/// <param name="Spoils">How many spoil it.</param>
/// <param name="Costs">How many cost something.</param>
/// <param name="WeightG">Weight, g.</param>
public readonly record struct Standing(int Stops, int Spoils, int Costs, double WeightG) : IComparable<Standing>
{
    /// <summary>The standing of an assembly.</summary>
    /// <param name="assembly">An assembly.</param>
    /// <returns>Its standing.</returns>
    public static Standing Of(Assembly assembly)
    {
        ArgumentNullException.ThrowIfNull(assembly);
        int Count(Severity severity) => assembly.Findings.Count(f => f.Severity == severity);
        return new(Count(Severity.Stops), Count(Severity.Spoils), Count(Severity.Costs), assembly.Layout.WeightG);
    }

    /// <inheritdoc/>
    public int CompareTo(Standing other) =>
        Stops != other.Stops ? Stops.CompareTo(other.Stops)
        : Spoils != other.Spoils ? Spoils.CompareTo(other.Spoils)
        : Costs != other.Costs ? Costs.CompareTo(other.Costs)
        : WeightG.CompareTo(other.WeightG);

    /// <summary>Whether one stands better.</summary>
    /// <param name="left">One.</param>
    /// <param name="right">Another.</param>
    /// <returns>True when the first stands better.</returns>
    public static bool operator <(Standing left, Standing right) => left.CompareTo(right) < 0;

    /// <summary>Whether one stands worse.</summary>
    /// <param name="left">One.</param>
    /// <param name="right">Another.</param>
    /// <returns>True when the first stands worse.</returns>
    public static bool operator >(Standing left, Standing right) => left.CompareTo(right) > 0;

    /// <summary>Whether one stands at least as well.</summary>
    /// <param name="left">One.</param>
    /// <param name="right">Another.</param>
    /// <returns>True when the first does not stand worse.</returns>
    public static bool operator <=(Standing left, Standing right) => left.CompareTo(right) <= 0;

    /// <summary>Whether one stands at most as well.</summary>
    /// <param name="left">One.</param>
    /// <param name="right">Another.</param>
    /// <returns>True when the first does not stand better.</returns>
    public static bool operator >=(Standing left, Standing right) => left.CompareTo(right) >= 0;
}

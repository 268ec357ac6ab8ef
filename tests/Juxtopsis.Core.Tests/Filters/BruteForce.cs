using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Filters;

/// <summary>Everything that can be screwed together, by putting every row of rings and filters before the evaluator.</summary>
internal static class BruteForce
{
    /// <summary>The same for the same things, whatever their order.</summary>
    public static string KeyOf(IEnumerable<GearItem> items) => string.Join(' ', items.Select(i => $"{i.Id}").Order(StringComparer.Ordinal));

    /// <summary>Every row of one or two filters, with up to two rings before each and none that is not needed.</summary>
    public static List<(string Key, GearItem[] Added, double Least, double Most, bool Cuts)> Ways(GearItem[] shelf, GearItem[] parts, ChainSetting setting)
    {
        var filters = shelf.Where(i => i.Kind == GearKind.Filter).ToArray();
        var rows = filters.SelectMany(f => Before(shelf, f))
            .SelectMany(first => filters.SelectMany(f => Before(shelf, f)).Select(second => (GearItem[])[.. first, .. second]).Prepend(first))
            .Where(row => row.Distinct().Count() == row.Length && row.Count(i => i.Get(FrontFields.StopsMost) is not null) < 2);
        var found = new List<(string, GearItem[], double, double, bool)>();
        foreach (var row in rows)
        {
            var assembly = Made.Assemble(setting, [.. parts, .. row]);
            if (assembly.Works && !HasNeedlessRings(row, parts[^1].Get(LensFields.FilterThread)!.Value))
            {
                var taking = row.Where(i => i.Kind == GearKind.Filter).ToArray();
                found.Add((
                    KeyOf(row), row, taking.Sum(i => i.Get(FrontFields.Stops)!.Value), taking.Sum(i => i.Get(FrontFields.StopsMost) ?? i.Get(FrontFields.Stops)!.Value),
                    assembly.Findings.Any(f => f is { Code: DiagnosticCode.CornersCut, Severity: Severity.Spoils })));
            }
        }

        return found;
    }

    /// <summary>A filter with every row of up to two rings before it.</summary>
    private static IEnumerable<GearItem[]> Before(GearItem[] shelf, GearItem filter)
    {
        var rings = shelf.Where(i => i.Kind == GearKind.StepRing).ToArray();
        return rings.SelectMany(a => rings.Select(b => (GearItem[])[a, b, filter])).Concat(rings.Select(a => (GearItem[])[a, filter])).Prepend([filter]);
    }

    /// <summary>Whether rings lead from a thread back to the same one.</summary>
    private static bool HasNeedlessRings(GearItem[] row, double thread)
    {
        var (offered, rings) = (thread, 0);
        foreach (var item in row)
        {
            if (item.Kind == GearKind.StepRing)
            {
                rings++;
                continue;
            }

            if (rings > 0 && item.Get(CommonFields.RearThread) == offered)
            {
                return true;
            }

            (offered, rings) = (item.Get(CommonFields.FrontThread)!.Value, 0);
        }

        return false;
    }
}

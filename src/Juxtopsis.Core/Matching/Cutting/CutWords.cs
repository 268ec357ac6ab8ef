using System.Globalization;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Matching.Cutting;

/// <summary>How cameras cut together, in sentences.</summary>
public static class CutWords
{
    /// <summary>Less than this is alike, stops.</summary>
    private const double Alike = 0.05;

    /// <summary>How well they agree, and which is the odd one.</summary>
    /// <param name="result">An answer with a share for each camera.</param>
    /// <param name="names">What the cameras are called.</param>
    /// <param name="lead">The one that leads.</param>
    /// <returns>A sentence or two.</returns>
    public static string Say(CutResult result, IReadOnlyList<string> names, int lead)
    {
        ArgumentNullException.ThrowIfNull(result);
        ArgumentNullException.ThrowIfNull(names);
        var odd = result.Odd;
        var worst = Enumerable.Range(0, result.Shares.Count).Max(i => Parts(result.Shares[i]).Select(p => p.Stops).DefaultIfEmpty(0).Max(Math.Abs));
        if (worst < Alike)
        {
            return $"All cut together: nothing differs by {LengthWords.Number(Alike)} st.";
        }

        // Where the lead is the odd one, what it differs is told of the others.
        var told = odd == lead ? Enumerable.Range(0, result.Shares.Count).MaxBy(i => result.Shares[i].OffLead) : odd;
        var off = Parts(result.Shares[told]).Where(p => Math.Abs(p.Stops) >= Alike).OrderByDescending(p => Math.Abs(p.Stops)).Take(3).Select(p => $"{Stops(p.Stops)} {(p.Stops > 0 ? p.More : p.Less)}");
        return $"{(names.Count > 2 ? $"{names[odd]} is the odd one. " : "")}{names[told]} against {names[lead]}: {string.Join(", ", off)}.";
    }

    /// <summary>What the lead has to change for the others to follow it.</summary>
    /// <param name="kept">The lead as it is wanted.</param>
    /// <param name="given">The lead as it gives way.</param>
    /// <param name="names">What the cameras are called.</param>
    /// <param name="lead">The one that leads.</param>
    /// <returns>A sentence.</returns>
    public static string Change(CutResult kept, CutResult given, IReadOnlyList<string> names, int lead)
    {
        ArgumentNullException.ThrowIfNull(kept);
        ArgumentNullException.ThrowIfNull(given);
        ArgumentNullException.ThrowIfNull(names);
        var (before, after) = (kept.Shares[lead], given.Shares[lead]);
        var stops = 2 * PortableMath.Log2(after.Set.FNumber / before.Set.FNumber);
        var lens = after.Rig.Lens.Id == before.Rig.Lens.Id ? "" : $" with {after.Rig.Lens.Name}";
        return $"Set {names[lead]}{lens} to ƒ{LengthWords.Number(Math.Round(after.Set.FNumber, 1))}{(lens.Length == 0 && Math.Abs(stops) >= Alike ? $", {Stops(stops)} {(stops > 0 ? "narrower" : "wider")}" : "")}, and the others follow. {Say(given, names, lead)}";
    }

    private static IEnumerable<(double Stops, string More, string Less)> Parts(CutShare share) =>
    [
        (share.Rest[LookAspect.Blur], "more blur", "less blur"),
        (share.Rest[LookAspect.SharpZone], "deeper", "shallower"),
        (share.Rest[LookAspect.Light], "darker", "lighter"),
        (share.Rest[LookAspect.BlurShape], "in the shape of discs, taller", "in the shape of discs, rounder"),
        (share.PixelStops, "more enlarged", "less enlarged"),
    ];

    private static string Stops(double stops) => string.Create(CultureInfo.InvariantCulture, $"{Math.Abs(stops):0.0} st");
}

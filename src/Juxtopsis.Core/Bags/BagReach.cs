using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Bags;

/// <summary>A span of equivalent focal lengths, mm; a point where both ends are the same.</summary>
/// <param name="FromMm">The shorter end.</param>
/// <param name="ToMm">The longer end.</param>
public readonly record struct FocalSpan(double FromMm, double ToMm)
{
    /// <summary>The part that two have in common; null when there is none.</summary>
    /// <param name="other">The other.</param>
    /// <returns>The overlap.</returns>
    public FocalSpan? And(FocalSpan other) => Math.Max(FromMm, other.FromMm) is var from && Math.Min(ToMm, other.ToMm) is var to && from <= to ? new(from, to) : null;
}

/// <summary>What one rig reaches in a mode.</summary>
/// <param name="Rig">The rig.</param>
/// <param name="Span">Equivalent focal lengths for the delivered picture, mm.</param>
/// <param name="FastestAtFrom">Widest aperture at the short end, as light: with reducers and extenders counted.</param>
/// <param name="FastestAtTo">The same at the long end.</param>
/// <param name="SmallestFieldMm">Width of the smallest field that it frames, at its largest magnification, mm; null when that is not known.</param>
/// <param name="Covers">False where corners stay dark in this mode.</param>
/// <param name="Only">Of the span, what no other rig with another lens reaches in this mode.</param>
public sealed record ReachSpan(FitRig Rig, FocalSpan Span, double FastestAtFrom, double FastestAtTo, double? SmallestFieldMm, bool Covers, IReadOnlyList<FocalSpan> Only);

/// <summary>Focal lengths that two lenses of a bag both give.</summary>
/// <param name="Span">Equivalents, mm.</param>
/// <param name="One">One lens.</param>
/// <param name="Other">The other.</param>
public sealed record ReachDouble(FocalSpan Span, GearItem One, GearItem Other);

/// <summary>A rig of the shelf that fills a hole.</summary>
/// <param name="Rig">The rig.</param>
/// <param name="Span">What it reaches, mm.</param>
/// <param name="Added">What of it is not in the bag.</param>
public sealed record ReachFill(FitRig Rig, FocalSpan Span, IReadOnlyList<GearItem> Added);

/// <summary>Equivalents that nothing in the bag gives, between two that something does.</summary>
/// <param name="Span">The hole, mm.</param>
/// <param name="Fills">What of the shelf leaves no hole there, or the least: the best first.</param>
public sealed record ReachHole(FocalSpan Span, IReadOnlyList<ReachFill> Fills);

/// <summary>What a bag reaches with a camera in a mode.</summary>
/// <param name="Body">The camera.</param>
/// <param name="Mode">The mode.</param>
/// <param name="Spans">Its rigs, the widest first.</param>
/// <param name="Holes">Between them.</param>
/// <param name="Doubles">What is there twice.</param>
public sealed record ReachRow(GearItem Body, GearItem Mode, IReadOnlyList<ReachSpan> Spans, IReadOnlyList<ReachHole> Holes, IReadOnlyList<ReachDouble> Doubles);

/// <summary>What a bag reaches, camera by camera and mode by mode.</summary>
public static class BagReach
{
    /// <summary>Two neighbours that are farther apart leave a hole: more than from 35 to 50, less than from 24 to 50.</summary>
    public const double HoleRatio = 1.6;

    /// <summary>Primes that are closer give the same.</summary>
    public const double SameRatio = 1.1;

    private const double FarMm = 1e7;
    private const int MostFills = 6;

    /// <summary>What some gear reaches.</summary>
    /// <param name="bag">The rigs of the bag.</param>
    /// <param name="shelf">All rigs, to fill holes from.</param>
    /// <param name="deliveryAspect">Delivered width over height.</param>
    /// <param name="conventions">What equivalents go by.</param>
    /// <returns>A row for each mode of each camera that has a lens there.</returns>
    public static IReadOnlyList<ReachRow> Of(FittingShelf bag, FittingShelf shelf, double deliveryAspect, Conventions conventions)
    {
        ArgumentNullException.ThrowIfNull(bag);
        ArgumentNullException.ThrowIfNull(shelf);
        var here = bag.Gear.Select(i => i.Id).ToHashSet();
        var rows = new List<ReachRow>();
        foreach (var rigs in bag.Rigs.GroupBy(r => r.Body))
        {
            foreach (var mode in rigs.First().Modes)
            {
                var spans = rigs.Where(r => r.Findings.All(f => f.Severity != Diagnostics.Severity.Stops)).Select(r => Of(r, mode, deliveryAspect, conventions))
                    .OrderBy(s => s.Span.FromMm).ThenBy(s => s.Span.ToMm).ThenBy(s => s.Rig.Lens.FullName, StringComparer.Ordinal).ToArray();
                ReachSpan[] covering = [.. spans.Where(s => s.Covers)];
                rows.Add(new(
                    rigs.Key, mode.Item, [.. spans.Select(s => s with { Only = OnlyOf(s, covering) })],
                    [.. HolesOf(covering).Select(h => new ReachHole(h, FillsOf(h, rigs.Key, mode, here, shelf, deliveryAspect, conventions)))], DoublesOf(covering)));
            }
        }

        return rows;
    }

    /// <summary>What a rig reaches in a mode, by the evaluator.</summary>
    internal static ReachSpan Of(FitRig rig, FitMode mode, double deliveryAspect, Conventions conventions)
    {
        var scene = new Scene(FarMm) { DeliveryAspect = deliveryAspect };
        var atShort = RigEvaluator.Evaluate(scene, conventions, rig.In(mode, rig.AtShort.FocalLengthMm, rig.AtShort.FNumber));
        var atLong = rig.Zooms ? RigEvaluator.Evaluate(scene, conventions, rig.In(mode, rig.AtLong.FocalLengthMm, rig.AtLong.FNumber)) : atShort;
        double? Field(in RigReport report) => report.Limits.MaximumMagnification is { } m && m > 0 ? report.Sensor.UsedWidthMm * rig.Squeeze / m : null;
        var (one, other) = (Field(atShort), Field(atLong));
        return new(
            rig, new(atShort.Lens.EquivalentFocalLengthMm, atLong.Lens.EquivalentFocalLengthMm), atShort.Lens.EffectiveFNumber, atLong.Lens.EffectiveFNumber,
            one is null ? other : other is null ? one : Math.Min(one.Value, other.Value), !(atShort.Sensor.DarkShare > Coverage.Noticed || atLong.Sensor.DarkShare > Coverage.Noticed), []);
    }

    /// <summary>The holes between spans that are in order of their short ends.</summary>
    internal static IReadOnlyList<FocalSpan> HolesOf(IReadOnlyList<ReachSpan> covering)
    {
        var holes = new List<FocalSpan>();
        var reached = double.NaN;
        foreach (var span in covering.Select(s => s.Span))
        {
            if (span.FromMm > reached * HoleRatio)
            {
                holes.Add(new(reached, span.FromMm));
            }

            reached = double.IsNaN(reached) ? span.ToMm : Math.Max(reached, span.ToMm);
        }

        return holes;
    }

    private static List<ReachDouble> DoublesOf(ReachSpan[] covering)
    {
        var doubles = new Dictionary<(Guid, Guid), ReachDouble>();
        for (var i = 0; i < covering.Length; i++)
        {
            for (var j = i + 1; j < covering.Length; j++)
            {
                var (one, other) = (covering[i], covering[j]);
                if (one.Rig.Lens.Id != other.Rig.Lens.Id && Alike(one.Span, other.Span) is { } both
                    && (!doubles.TryGetValue((one.Rig.Lens.Id, other.Rig.Lens.Id), out var known) || known.Span.ToMm / known.Span.FromMm < both.ToMm / both.FromMm))
                {
                    doubles[(one.Rig.Lens.Id, other.Rig.Lens.Id)] = new(both, one.Rig.Lens, other.Rig.Lens);
                }
            }
        }

        return [.. doubles.Values.OrderBy(d => d.Span.FromMm)];
    }

    /// <summary>What two give alike: where they overlap by more than touching, or primes that are nearly the same.</summary>
    private static FocalSpan? Alike(FocalSpan one, FocalSpan other)
    {
        var (isPoint, otherIsPoint) = (one.FromMm == one.ToMm, other.FromMm == other.ToMm);
        if (isPoint && otherIsPoint)
        {
            var (least, most) = (Math.Min(one.FromMm, other.FromMm), Math.Max(one.FromMm, other.FromMm));
            return most <= least * SameRatio ? new(least, most) : null;
        }

        return one.And(other) is { } both && (isPoint || otherIsPoint || both.ToMm >= both.FromMm * SameRatio) ? both : null;
    }

    private static List<FocalSpan> OnlyOf(ReachSpan of, ReachSpan[] covering)
    {
        if (!of.Covers)
        {
            return [];
        }

        List<FocalSpan> left = [of.Span];
        foreach (var other in covering.Where(s => s.Rig.Lens.Id != of.Rig.Lens.Id).Select(s => s.Span.FromMm == s.Span.ToMm
            ? new FocalSpan(s.Span.FromMm / Math.Sqrt(SameRatio), s.Span.ToMm * Math.Sqrt(SameRatio))
            : s.Span))
        {
            left = [.. left.SelectMany(span => Without(span, other))];
        }

        return left;
    }

    private static IEnumerable<FocalSpan> Without(FocalSpan span, FocalSpan other)
    {
        if (span.And(other) is null)
        {
            yield return span;
            yield break;
        }

        if (span.FromMm < other.FromMm)
        {
            yield return new(span.FromMm, other.FromMm);
        }

        if (span.ToMm > other.ToMm)
        {
            yield return new(other.ToMm, span.ToMm);
        }
    }

    /// <summary>What of the shelf leaves the least of a hole; then what the crew has, and what is light.</summary>
    private static List<ReachFill> FillsOf(FocalSpan hole, GearItem body, FitMode mode, HashSet<Guid> here, FittingShelf shelf, double aspect, Conventions conventions)
    {
        var found = new List<(ReachFill Fill, double Left)>();
        foreach (var rig in shelf.Rigs.Where(r => r.Body.Id == body.Id && !here.Contains(r.Lens.Id) && r.Spoils == 0))
        {
            var span = Of(rig, mode, aspect, conventions);
            if (span.Covers && span.Span.ToMm > hole.FromMm * SameRatio && span.Span.FromMm < hole.ToMm / SameRatio)
            {
                // What is left over is the widest of the steps on either side.
                var left = Math.Max(Math.Max(span.Span.FromMm / hole.FromMm, hole.ToMm / span.Span.ToMm), 1);
                found.Add((new(rig, span.Span, [.. rig.Parts.Where(p => !here.Contains(p.Id))]), left));
            }
        }

        return
        [
            .. found.OrderBy(f => f.Left > HoleRatio).ThenBy(f => f.Fill.Rig.Ownership).ThenBy(f => f.Fill.Added.Count).ThenBy(f => f.Fill.Rig.WeightUnknown).ThenBy(f => f.Fill.Rig.WeightG)
                .ThenBy(f => f.Fill.Rig.Lens.FullName, StringComparer.Ordinal).DistinctBy(f => f.Fill.Rig.Lens.Id).Take(MostFills).Select(f => f.Fill),
        ];
    }
}

using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Matching.Cutting;

/// <summary>How one of the cameras takes its picture.</summary>
/// <param name="Rig">The rig.</param>
/// <param name="Mode">The mode that it is in.</param>
/// <param name="Set">The rig as it is set.</param>
/// <param name="Scene">The scene from where it stands.</param>
/// <param name="Rest">What it differs from the lead; of the lead itself nothing.</param>
/// <param name="OffLead">All of that by its weights, stops.</param>
/// <param name="OffOthers">The same against each of the others, in the mean: the odd one has the most.</param>
public sealed record CutShare(FitRig Rig, FitMode Mode, Rig Set, Scene Scene, LookRest Rest, double OffLead, double OffOthers)
{
    /// <summary>What the evaluator says of it.</summary>
    public RigReport Report { get; init; }

    /// <summary>Stops by which more is enlarged than with the lead; below 0 less.</summary>
    public double PixelStops { get; init; }

    /// <summary>0 where nothing speaks against it, 1 where something costs or is not known, 2 where something spoils it.</summary>
    public int Tier { get; init; }
}

/// <summary>How cameras cut together.</summary>
/// <param name="Shares">One for each camera, in their order; empty where there is no way.</param>
/// <param name="Sum">What they differ altogether, by its weights, stops.</param>
/// <param name="Odd">The camera that is farthest from the others; of two none is, and the lead is told.</param>
/// <param name="Misses">For each camera what is in the way where it has no lens at all; none for the others.</param>
/// <param name="IsProven">False where the search was given up before it was proven that none is better.</param>
public sealed record CutResult(IReadOnlyList<CutShare> Shares, double Sum, int Odd, IReadOnlyList<Shortfall> Misses, bool IsProven)
{
    internal static CutResult Of(
        CutSearch search, IReadOnlyList<CutCamera> cameras, int lead, in CutWishes wishes, (CutWay[] Ways, double LeadStops, double Sum)? found, Shortfall[] misses, bool isProven)
    {
        Shortfall[] said = [.. misses.Select((m, i) => search.Ways[i].Count > 0 ? Shortfall.None : m)];
        if (found is not var (ways, leadStops, sum))
        {
            return new([], 0, -1, said, isProven);
        }

        var its = wishes;
        var set = ways.Select((way, i) =>
        {
            var stops = i == lead ? leadStops : CutSearch.Follow(ways[lead], way, leadStops, its);
            var rig = way.Rig.In(way.Mode, way.FocalLengthMm, Optics.PortableMath.Exp2(stops / 2) / way.Rig.Magnification);
            var scene = search.Scene.From(way.DistanceMm) with { DeliveryAspect = search.Frames.DeliveryAspect };
            var report = RigEvaluator.Evaluate(scene, search.Conventions, rig);
            return (Rig: rig, Scene: scene, Report: report, Values: LookValues.Of(scene, rig, report)!.Value, Way: way, Stops: stops);
        }).ToArray();
        double Off(int of, int from) => CutDistance.Between(ways[from], ways[of], its).At(set[of].Stops - set[from].Stops, its) - ways[of].Against;
        var shares = set.Select((s, i) => new CutShare(s.Way.Rig, s.Way.Mode, s.Rig, s.Scene, new(s.Values, set[lead].Values, [search.BehindMm]), Off(i, lead), Enumerable.Range(0, set.Length).Where(j => j != i).Average(j => Off(i, j)))
        {
            Report = s.Report,
            PixelStops = s.Way.Pixels - ways[lead].Pixels,
            Tier = search.Frames.BurdenOf(s.Way.Rig, s.Way.Mode).Tier,
        }).ToArray();
        return new(shares, sum, shares.Length > 2 ? Enumerable.Range(0, shares.Length).MaxBy(i => shares[i].OffOthers) : lead, said, isProven);
    }
}

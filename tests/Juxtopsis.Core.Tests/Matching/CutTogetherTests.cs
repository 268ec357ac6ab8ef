using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Matching;
using Juxtopsis.Core.Matching.Cutting;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Chains;
using Juxtopsis.Core.Tests.Fitting;

namespace Juxtopsis.Core.Tests.Matching;

/// <summary>Cameras that must cut together, against all assignments and every aperture in small steps.</summary>
public sealed class CutTogetherTests
{
    private static readonly Scene Scene = new(3000) { BackgroundDistanceMm = 7000, DeliveryAspect = 1.5 };

    private static GearItem Body(string name, double height) =>
        Made.Body.With(CommonFields.Name, name).With(BodyFields.Modes, new[] { Made.Mode("All", 1.5 * height, height).With(ModeFields.Fps, new[] { 25.0 }) }).WithId(Guid.NewGuid());

    private static GearItem Lens(double focal, double widest) =>
        Made.Lens.With(CommonFields.Name, $"{focal:0} {widest:0.0}").With(LensFields.Short, focal).With(LensFields.Widest, widest).With(LensFields.Nearest, null).With(LensFields.Ratio, null).WithId(Guid.NewGuid());

    public static TheoryData<int> Seeds => [.. Enumerable.Range(1, 60)];

    [Theory]
    [MemberData(nameof(Seeds))]
    public void No_assignment_agrees_better(int seed)
    {
        var random = new Random(seed);
        GearItem[] bodies = [.. Enumerable.Range(0, 2 + seed % 2).Select(i => Body($"B{i}", RandomShelf.Between(random, 9, 24)))];
        GearItem[] lenses = [.. Enumerable.Range(0, 6).Select(_ => Lens(RandomShelf.Between(random, 18, 70), RandomShelf.Between(random, 1.2, 4)))];
        var zoom = Lens(20, 2.8).With(LensFields.Long, 80.0);
        var shelf = FittingShelf.Of([Made.Near, .. bodies, .. lenses, zoom]);
        CutCamera[] cameras = [.. bodies.Select(b => new CutCamera(b.Id, RandomShelf.Between(random, 900, 2200), 3000) { MovesShare = 1 })];
        var wishes = new CutWishes(random.Next(1, 4), random.Next(3), random.Next(3), random.Next(3), random.Next(3), random.Next(4));
        var wanted = RandomShelf.Between(random, 0.005, 0.04);
        var search = new CutSearch(shelf, Scene, Conventions.Default, cameras, 0, wanted, wishes);
        var result = search.Finish();
        var best = AllAssignments(search, wishes, wanted);
        Assert.Equal(double.IsPositiveInfinity(best), result.Shares.Count == 0);
        Assert.True(result.Shares.Count == 0 || result.IsProven && result.Sum <= best + CutSearch.Proven, $"{result.Sum} > {best}");

        // No thing twice, and the evaluator says of each what the search took it for.
        Assert.Equal(result.Shares.Count, result.Shares.Select(s => s.Rig.Lens.Id).Distinct().Count());
        for (var i = 0; i < result.Shares.Count; i++)
        {
            var (share, lead) = (result.Shares[i], result.Shares[0]);
            Assert.Equal(cameras[i].FieldHeightMm, share.Report.Focus!.Value.FieldHeightMm, 4);
            var off = wishes.Blur * Math.Abs(2 * Math.Log2(Blur(share) / Blur(lead))) + wishes.SharpZone * Math.Abs(share.Rest[LookAspect.SharpZone]) + wishes.Light * Math.Abs(share.Rest[LookAspect.Light]);
            Assert.Equal(off, share.OffLead, 6);
        }
    }

    private static double Blur(CutShare share) => share.Report.Focus!.Value.BackgroundDiscFractionOfHeight;

    /// <summary>Every way with every other, the lead at every aperture in small steps, each follower at its own best of small steps.</summary>
    private static double AllAssignments(CutSearch search, CutWishes wishes, double wanted)
    {
        var best = double.PositiveInfinity;
        foreach (var lead in search.Ways[0])
        {
            foreach (var second in search.Ways[1].Where(w => w.Rig.Lens.Id != lead.Rig.Lens.Id))
            {
                foreach (var third in search.Ways.Count > 2 ? search.Ways[2].Where(w => w.Rig.Lens.Id != lead.Rig.Lens.Id && w.Rig.Lens.Id != second.Rig.Lens.Id) : [null!])
                {
                    for (var x = lead.From; x <= lead.To; x += 0.05)
                    {
                        var sum = lead.Against + wishes.Level * Math.Abs(lead.Blur - x - 2 * Math.Log2(wanted)) + Least(lead, second, x, wishes) + (third is null ? 0 : Least(lead, third, x, wishes));
                        best = Math.Min(best, sum);
                    }
                }
            }
        }

        return best;
    }

    private static double Least(CutWay lead, CutWay way, double x, CutWishes wishes)
    {
        var best = double.PositiveInfinity;
        for (var y = way.From; y <= way.To; y += 0.05)
        {
            best = Math.Min(best, wishes.Blur * Math.Abs(way.Blur - y - lead.Blur + x) + wishes.SharpZone * Math.Abs(way.Zone + y - lead.Zone - x) + wishes.Light * Math.Abs(way.Light + y - lead.Light - x));
        }

        return best + wishes.BlurShape * Math.Abs(way.Shape - lead.Shape) + wishes.Pixels * Math.Abs(way.Pixels - lead.Pixels) + way.Against;
    }

    [Fact]
    public void Two_sensors_two_stops_apart_agree_and_the_one_that_cannot_open_is_odd()
    {
        // All frame 1 m from 3 m. On 24, 12 and 12 mm, 70 mm ƒ2.8 is as soft as 35 ƒ1.4; 35 ƒ2.8 is two stops short.
        GearItem[] bodies = [Body("A", 24), Body("B", 12), Body("C", 12)];
        var shelf = FittingShelf.Of([Made.Near, .. bodies, Lens(70, 2.8), Lens(35, 1.4), Lens(35.5, 2.8)]);
        CutCamera[] cameras = [.. bodies.Select(b => new CutCamera(b.Id, 1000, 3000))];
        var wanted = RigEvaluator.Evaluate(Scene, Conventions.Default, new Rig(36, 24, 70, 2.8)).Focus!.Value.BackgroundDiscFractionOfHeight;
        var kept = new CutSearch(shelf, Scene, Conventions.Default, cameras, 0, wanted, CutWishes.Usual).Finish();
        Assert.Equal("70 2.8", kept.Shares[0].Rig.Lens.Name);
        Assert.Contains("35 1.4", kept.Shares.Select(s => s.Rig.Lens.Name));
        Assert.Equal("36 2.8", kept.Shares[kept.Odd].Rig.Lens.Name);
        Assert.Equal(-1.96, kept.Shares[kept.Odd].Rest[LookAspect.Blur], 2);

        // Where the lead gives way, all close to what the slowest can: nothing of the blur is left over.
        var given = new CutSearch(shelf, Scene, Conventions.Default, cameras, 0, wanted, CutWishes.Usual with { Level = 0.01 }).Finish();
        Assert.All(given.Shares, s => Assert.Equal(0, s.Rest[LookAspect.Blur], 2));
    }

    [Fact]
    public void A_camera_without_a_lens_is_named()
    {
        GearItem[] bodies = [Body("A", 24), Body("B", 12).With(BodyFields.Mounts, new[] { "Far" })];
        var result = new CutSearch(FittingShelf.Of([Made.Near, Made.Far, .. bodies, Lens(70, 2.8)]), Scene, Conventions.Default, [.. bodies.Select(b => new CutCamera(b.Id, 1000, 3000))], 0, 0.02, CutWishes.Usual).Finish();
        Assert.Empty(result.Shares);
        Assert.Equal([DiagnosticCode.None, DiagnosticCode.NoLens], result.Misses.Select(m => m.Code));
    }

    [Fact]
    public void One_lens_does_not_serve_two()
    {
        GearItem[] bodies = [Body("A", 24), Body("B", 24)];
        var result = new CutSearch(FittingShelf.Of([Made.Near, .. bodies, Lens(70, 2.8)]), Scene, Conventions.Default, [.. bodies.Select(b => new CutCamera(b.Id, 1000, 3000))], 0, 0.02, CutWishes.Usual).Finish();
        Assert.Empty(result.Shares);
        Assert.All(result.Misses, m => Assert.Equal(DiagnosticCode.None, m.Code));
    }
}

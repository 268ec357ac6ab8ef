using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Matching;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Fitting;

namespace Juxtopsis.Core.Tests.Matching;

/// <summary>
/// The search for a look against brute force: every focal length, distance and aperture in small steps, each asked of the evaluator. None leaves less over
/// than what the search says, and what it says is what the evaluator says of it.
/// </summary>
public sealed class LookBruteForceTests
{
    private const int FocalSteps = 24;
    private const int DistanceSteps = 40;

    public static TheoryData<int> Seeds => [.. Enumerable.Range(1, 48)];

    public static TheoryData<int> OtherSeeds => [.. Enumerable.Range(200, 12)];

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Nothing_leaves_less_over_than_what_the_search_finds(int seed) => Compare(new Random(seed), Conventions.Default, RandomShelf.Of);

    [Theory]
    [MemberData(nameof(OtherSeeds))]
    public void Nor_by_true_focal_lengths(int seed) => Compare(new Random(seed), Conventions.Default with { FocalLength = FocalLengthSchool.Measured }, RandomShelf.Tested);

    private static void Compare(Random random, Conventions conventions, Func<Random, IEnumerable<GearItem>> gear)
    {
        var look = LookOf(random, conventions);
        var wishes = WishesOf(random);
        var rules = new FitRules { HighestIso = random.Next(2) == 0 ? 6400 : 800 };
        var shelf = FittingShelf.Of(gear(random));
        var result = new LookSearch(shelf, look, wishes, rules, most: 1000).Finish();
        Assert.NotNull(look.Values);
        Assert.True(wishes != new LookWishes() || result.Matches.All(m => m.IsProven));
        foreach (var group in shelf.Rigs.GroupBy(r => r.Group))
        {
            var match = result.Matches.FirstOrDefault(m => m.Rig.Group == group.Key);
            foreach (var (rig, mode) in group.SelectMany(r => r.Modes.Select(m => (r, m))).Where(p => p.m.Offers(look.Rig.FpsIn(look.Scene))))
            {
                var (sum, at) = Tried(rig, mode, look, wishes, rules);
                Assert.True(match is not null || double.IsPositiveInfinity(sum), $"missing: {rig.Body.Name} {mode.Item.Name} {rig.Lens.Name} {at}");
                Assert.True(match is null || match.Sum <= sum + Math.Max(0.03, sum / 500), $"better: {sum} < {match?.Sum} {rig.Body.Name} {mode.Item.Name} {rig.Lens.Name} {at}, told {match?.Mode.Item.Name} {match?.Set.FocalLengthMm} {match?.Scene.SubjectDistanceMm}");
            }
        }

        // In order, and the sum is that of its parts.
        Assert.DoesNotContain(result.Matches.Zip(result.Matches.Skip(1)), pair => pair.First.Sum > pair.Second.Sum + LookSearch.AsGood);
        Assert.All(result.Matches, m => Assert.Equal(m.Sum, SumOf(m.Rest, wishes), 9));
    }

    /// <summary>Weights and pins by hand, knowing nothing of the search's terms.</summary>
    private static double SumOf(LookRest rest, LookWishes wishes)
    {
        var sum = 0.0;
        foreach (var aspect in Enum.GetValues<LookAspect>())
        {
            var wish = wishes[aspect];
            var parts = aspect == LookAspect.Blur ? rest.BehindMm.Select(b => rest.At(aspect, b)).ToArray() : [rest[aspect]];
            sum += parts.Sum(p => wish.Weight / parts.Length * Math.Abs(p) + (wish.IsPinned ? 1000 * Math.Max(0, Math.Abs(p) - wish.ToleranceStops) : 0));
        }

        return sum;
    }

    private static (double Sum, string At) Tried(FitRig rig, FitMode mode, Look look, LookWishes wishes, FitRules rules)
    {
        var (best, where) = (double.PositiveInfinity, "");
        var near = Math.Max(rig.FrontMm + 10, look.Scene.NearestCameraMm ?? 0);
        var far = look.Scene.FarthestCameraMm ?? look.Scene.SubjectDistanceMm * 64;
        if (wishes[LookAspect.Distance] is { IsPinned: true, ToleranceStops: 0 } && look.Scene.SubjectDistanceMm >= near && look.Scene.SubjectDistanceMm <= far)
        {
            (near, far) = (look.Scene.SubjectDistanceMm, look.Scene.SubjectDistanceMm);
        }

        for (var i = 0; i <= (rig.Zooms ? FocalSteps : 0); i++)
        {
            var f = rig.AtShort.FocalLengthMm * Math.Pow(rig.AtLong.FocalLengthMm / rig.AtShort.FocalLengthMm, (double)i / FocalSteps);
            for (var j = 0; j <= (near < far ? DistanceSteps : 0); j++)
            {
                var d = near * Math.Pow(far / near, (double)j / DistanceSteps);
                var scene = look.Scene.From(d) with { DeliveryAspect = look.Report.Sensor.DeliveredAspect };
                var open = RigEvaluator.Evaluate(scene, look.Conventions, rig.In(mode, f, 0.1));
                var widest = open.Lens.UsedFNumber;
                for (var n = widest; n <= 22 && open.IsFocused && (rig.CircleIsEstimated || open.Sensor.DarkShare is not > Coverage.Noticed); n = rig.IrisIsFixed ? 99 : n * Math.Pow(2, 1 / 12.0))
                {
                    var set = rig.In(mode, f, n);
                    var report = RigEvaluator.Evaluate(scene, look.Conventions, set);
                    if (!(report.Light.SensitivityNeededIso > Math.Min(rules.HighestIso, set.HighestIso ?? 1e9)) && LookValues.Of(scene, set, report) is { } there)
                    {
                        var sum = SumOf(new(there, look.Values!.Value, look.BehindMm), wishes);
                        (best, where) = sum < best ? (sum, $"{f} mm at {d}, {n}") : (best, where);
                    }
                }
            }
        }

        return (best, where);
    }

    private static Look LookOf(Random random, Conventions conventions)
    {
        var height = RandomShelf.Between(random, 8, 33);
        var d = RandomShelf.Between(random, 1500, 9000);
        var scene = new Scene(d)
        {
            BackgroundDistanceMm = random.Next(4) == 0 ? double.PositiveInfinity : d + RandomShelf.Between(random, 300, 9000),
            DeliveryAspect = random.Next(3) == 0 ? null : 1.85,
            NearestCameraMm = random.Next(3) == 0 ? RandomShelf.Between(random, 1000, 3000) : null,
            FarthestCameraMm = random.Next(2) == 0 ? RandomShelf.Between(random, 5000, 15_000) : null,
            Light = new() { BrightnessEv = random.Next(3) == 0 ? RandomShelf.Between(random, 4, 9) : null },
        };
        var rig = new Rig(height * 1.5, height, RandomShelf.Between(random, 0.8, 4) * height, RandomShelf.Between(random, 1.2, 5)) { Squeeze = random.Next(4) == 0 ? 1.5 : 1 };
        return new(scene, conventions, rig, random.Next(3) == 0 ? [RandomShelf.Between(random, 200, 20_000), double.PositiveInfinity] : []);
    }

    private static LookWishes WishesOf(Random random)
    {
        var wishes = new LookWishes();
        if (random.Next(4) == 0)
        {
            return wishes;
        }

        foreach (var aspect in Enum.GetValues<LookAspect>())
        {
            wishes = wishes.With(aspect, new(random.Next(4)));
        }

        // One or two are pinned: the place, or else something within a tolerance that steps of the brute force can meet.
        return random.Next(2) == 0
            ? wishes.With(LookAspect.Distance, new(1, IsPinned: true))
            : wishes.With((LookAspect)random.Next(8), new(1, IsPinned: true, RandomShelf.Between(random, 0.3, 1))).With(LookAspect.Framing, new(3));
    }
}

using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Fitting;

/// <summary>
/// The search against brute force: every place in small steps, every aperture in small steps, each asked of the evaluator, which
/// knows nothing of the search.
/// </summary>
public sealed class BruteForceTests
{
    private const int Places = 600;
    private static readonly double[] Apertures = [.. Enumerable.Range(0, 61).Select(i => 1.2 * Math.Pow(2, i / 12.0))];

    public static TheoryData<int> Seeds => [.. Enumerable.Range(1, 60)];

    [Theory]
    [MemberData(nameof(Seeds))]
    public void What_the_search_says_is_what_trying_everything_finds(int seed)
    {
        var random = new Random(seed);
        var (site, brief, shelf) = (SiteOf(random), BriefOf(random), FittingShelf.Of(GearOf(random)));
        var wish = (Wish)(seed % 5);
        var result = new FitSearch(shelf, site, brief, Conventions.Default, wish).Finish(1000, 1000);
        Assert.Equal(result.FitCount, result.Fits.Count);
        foreach (var fit in result.Fits)
        {
            Assert.Null(Wrong(fit, site, brief));
        }

        // In order: each stands at least as well as the next by the evaluator's own figures.
        Assert.All(result.Fits.Zip(result.Fits.Skip(1)), pair => Assert.True(Score(pair.First, wish) <= Score(pair.Second, wish) + 1e-9));
        foreach (var miss in result.Misses)
        {
            foreach (var rig in shelf.Rigs.Where(r => r.Group == miss.Rig.Group))
            {
                Assert.All(rig.Modes, mode => Assert.Null(Tried(rig, mode, site, brief)));
            }

            Assert.All(miss.Remedies, remedy => Assert.True(Helps(remedy, miss, shelf, site, brief), $"{miss.Shortfall.Kind}: {remedy}"));
        }
    }

    /// <summary>What of a proposal is not as it says; null when all is.</summary>
    private static string? Wrong(Fit fit, Site site, ShotBrief brief)
    {
        var frame = WantedFrame.Of(brief);
        var report = RigEvaluator.Evaluate(fit.Scene, Conventions.Default, fit.Set);
        var (near, far) = Bounds(fit.Rig, site, brief);
        var d = fit.Scene.SubjectDistanceMm;
        return report.Focus is not { } focus ? "no focus"
            : Math.Abs(focus.FieldHeightMm / frame.HeightMm - 1) > 1e-7 ? $"frames {focus.FieldHeightMm}, not {frame.HeightMm}"
            : d < near - 1e-6 || d > far + 1e-6 ? $"stands at {d}, outside {near} to {far}"
            : Math.Min(focus.DepthInFrontMm, focus.DepthBehindMm) < brief.MovesMm / 2 * (1 - 1e-7) ? "moves out of focus"
            : brief.Behind == BehindWish.Soft && focus.BackgroundDiscFractionOfHeight < ShotBrief.SoftShare * (1 - 1e-7) ? "not soft"
            : brief.Behind == BehindWish.Readable && focus.BackgroundDiscFractionOfHeight > ShotBrief.ReadableShare * (1 + 1e-7) ? "not readable"
            : report.Sensor.DarkShare > 1e-6 ? "dark corners"
            : null;
    }

    private static double Score(Fit fit, Wish wish) => wish switch
    {
        Wish.MostBlur => -fit.Report.Focus!.Value.BackgroundDiscFractionOfHeight,
        Wish.Deepest => -Math.Min(1e12, fit.Report.Focus!.Value.DepthInFrontMm + fit.Report.Focus!.Value.DepthBehindMm),
        Wish.LeastWeight => fit.Rig.WeightG,
        Wish.Farthest => -fit.Scene.SubjectDistanceMm,
        _ => fit.Scene.SubjectDistanceMm,
    };

    /// <summary>Tries every place and aperture; a setting that gives the shot, or null.</summary>
    private static string? Tried(FitRig rig, FitMode mode, Site site, ShotBrief brief)
    {
        var wanted = WantedFrame.Of(brief).HeightMm;
        var (near, far) = Bounds(rig, site, brief);
        far = Math.Min(far, 60_000);
        if (!(near < far))
        {
            return null;
        }

        double? before = null;
        for (var i = 0; i <= Places; i++)
        {
            // Near places closer together than far ones; a hair within, so that rounding at the very bounds tells nothing.
            var d = near * 1.0005 * Math.Pow(far * 0.9995 / (near * 1.0005), (double)i / Places);
            var atShort = Field(rig, mode, site, brief, d, rig.AtShort.FocalLengthMm);
            var atLong = Field(rig, mode, site, brief, d, rig.AtLong.FocalLengthMm);
            var frames = rig.Zooms ? atLong < wanted * 0.999 && atShort > wanted * 1.001 : before < wanted * 0.9995 && atShort > wanted * 1.0005;
            before = atShort;
            if (frames && Apertures.Any(n => Holds(rig, mode, site, brief, d, Zoomed(rig, mode, site, brief, d, wanted), n)))
            {
                return $"{rig.Body.Name} {mode.Item.Name} {rig.Lens.Name} at {d}";
            }
        }

        return null;
    }

    private static double Zoomed(FitRig rig, FitMode mode, Site site, ShotBrief brief, double d, double wanted)
    {
        var (low, high) = (rig.AtShort.FocalLengthMm, rig.AtLong.FocalLengthMm);
        for (var i = 0; rig.Zooms && i < 50; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Field(rig, mode, site, brief, d, middle) > wanted ? (middle, high) : (low, middle);
        }

        return low;
    }

    private static RigReport At(FitRig rig, FitMode mode, Site site, ShotBrief brief, double d, double f, double n) => RigEvaluator.Evaluate(
        new Scene(d) { BackgroundDistanceMm = d + (site.BehindMm ?? double.PositiveInfinity), DeliveryAspect = brief.DeliveryAspect },
        Conventions.Default,
        rig.In(mode, f, n));

    private static double? Field(FitRig rig, FitMode mode, Site site, ShotBrief brief, double d, double f) => At(rig, mode, site, brief, d, f, 8).Focus?.FieldHeightMm;

    private static bool Holds(FitRig rig, FitMode mode, Site site, ShotBrief brief, double d, double f, double n) =>
        At(rig, mode, site, brief, d, f, n) is { Focus: { } focus } report
        && report.Sensor.DarkShare is not > 1e-4
        && Math.Min(focus.DepthInFrontMm, focus.DepthBehindMm) > brief.MovesMm / 2 * 1.02
        && (brief.Behind != BehindWish.Soft || focus.BackgroundDiscFractionOfHeight > ShotBrief.SoftShare * 1.02)
        && (brief.Behind != BehindWish.Readable || focus.BackgroundDiscFractionOfHeight < ShotBrief.ReadableShare * 0.98);

    private static (double Near, double Far) Bounds(FitRig rig, Site site, ShotBrief brief) => (
        rig.FrontMm + Math.Max(10, site.KeepOffMm),
        (site.LengthMm ?? double.PositiveInfinity) - (site.BehindMm ?? 0) - Carriages.RearMm(brief.Carriage, rig.BackMm));

    /// <summary>Asks anew with the remedy applied.</summary>
    private static bool Helps(Remedy remedy, Miss miss, FittingShelf shelf, Site site, ShotBrief brief)
    {
        switch (remedy.Kind)
        {
            case RemedyKind.PunchIn:
                var punched = Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Punched", miss.Mode.WidthMm / remedy.Value, miss.Mode.HeightMm / remedy.Value) });
                return new FitSearch(FittingShelf.Of([Made.Near, Made.Far, punched, .. miss.Rig.Links, miss.Rig.Lens]), site, brief, Conventions.Default, Wish.MostBlur).Finish().FitCount == 1;
            case RemedyKind.CloseUp or RemedyKind.Tube:
                return remedy.Item != Guid.Empty;
            default:
                var again = new FitSearch(shelf, remedy.Apply(site), remedy.Apply(brief), Conventions.Default, Wish.MostBlur).Finish(1000, 1000);
                return again.Fits.Any(f => remedy.Kind == RemedyKind.OtherLens ? f.Rig.Lens.Id == remedy.Item && f.Rig.Body.Id == miss.Rig.Body.Id : f.Rig.Group == miss.Rig.Group);
        }
    }

    private static double Between(Random random, double from, double to) => from + random.NextDouble() * (to - from);

    private static Site SiteOf(Random random) => new()
    {
        LengthMm = random.Next(5) == 0 ? null : Between(random, 2500, 12_000),
        WidthMm = Between(random, 2500, 8000),
        BehindMm = Between(random, 300, 3000),
        LeastBehindMm = 200,
        KeepOffMm = random.Next(3) == 0 ? Between(random, 200, 3000) : 0,
    };

    private static ShotBrief BriefOf(Random random) => new(new ShotSubject(SubjectKind.Standing, 1750), (ShotSize)random.Next(0, 7))
    {
        Carriage = (Carriage)random.Next(0, 4),
        MovesMm = random.Next(3) == 0 ? Between(random, 20, 600) : 0,
        Behind = (BehindWish)random.Next(0, 3),
        DeliveryAspect = random.Next(2) == 0 ? 16.0 / 9 : 2.39,
    };

    private static IEnumerable<GearItem> GearOf(Random random)
    {
        yield return Made.Near;
        yield return Made.Far;
        yield return Made.Body;
        yield return Made.Adapter.With(AdapterFields.Magnification, 0.71).WithId(Guid.NewGuid());
        for (var i = 0; i < 4; i++)
        {
            var shortest = Between(random, 14, 120);
            var lens = Made.Lens.With(CommonFields.Name, $"L{i}").With(LensFields.Mount, random.Next(2) == 0 ? "Near" : "Far").With(LensFields.Short, shortest)
                .With(LensFields.Widest, Between(random, 1.4, 4)).With(LensFields.Circle, Between(random, 28, 50)).With(LensFields.Nearest, Between(random, 8, 14) * shortest)
                .With(LensFields.Ratio, random.Next(2) == 0 ? null : 0.11).With(CommonFields.Weight, Between(random, 100, 1500)).WithId(Guid.NewGuid());
            yield return random.Next(2) == 0 ? lens : lens.With(LensFields.Long, shortest * Between(random, 1.5, 4));
        }
    }
}

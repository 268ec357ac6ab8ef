using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Fitting;

/// <summary>
/// The search against brute force: every place in small steps, every aperture in small steps, each asked of the evaluator, which knows nothing of the
/// search. Shelves have modes with rates of their own, irises that stay open, squeezes, bodies with two mounts, tubes and close-up lenses.
/// </summary>
public sealed class BruteForceTests
{
    private const int Places = 240;
    private static readonly double[] Apertures = [.. Enumerable.Range(0, 73).Select(i => 1.2 * Math.Pow(2, i / 12.0))];

    public static TheoryData<int> Seeds => [.. Enumerable.Range(1, 96)];

    [Theory]
    [MemberData(nameof(Seeds))]
    public void What_the_search_says_is_what_trying_everything_finds(int seed)
    {
        var random = new Random(seed);
        var asked = new Asked(SiteOf(random), BriefOf(random), new FitRules { HighestIso = random.Next(2) == 0 ? 6400 : 400 });
        var shelf = FittingShelf.Of(RandomShelf.Of(random));
        var criterion = (RankingCriterion)(seed % 5);
        var result = new FitSearch(shelf, asked.Location, asked.Brief, Conventions.Default, criterion, rules: asked.Rules).Finish(1000, 1000);
        Assert.Equal(result.FitCount, result.Fits.Count);
        Assert.All(result.Fits, fit => Assert.Null(Wrong(fit, asked)));

        // In order: within a tier each stands at least as well as the next by the evaluator's own figures.
        Assert.All(result.Fits.Zip(result.Fits.Skip(1)), pair => Assert.True(
            pair.First.Tier < pair.Second.Tier || pair.First.Tier == pair.Second.Tier && (Enlarged(pair.First) < Enlarged(pair.Second) || Score(pair.First.Report, pair.First.Scene, pair.First.Rig, criterion) <= Score(pair.Second.Report, pair.Second.Scene, pair.Second.Rig, criterion) + 1e-9 || pair.First.Tier == 2)));
        foreach (var group in shelf.Rigs.GroupBy(r => r.Group))
        {
            var fit = result.Fits.FirstOrDefault(f => f.Rig.Group == group.Key);
            foreach (var (rig, mode) in group.SelectMany(r => r.Modes.Select(m => (r, m))))
            {
                foreach (var (scene, report, d) in Settings(rig, mode, asked))
                {
                    Assert.True(fit is not null, $"missing: {rig.Body.Name} {mode.Item.Name} {rig.Lens.Name} at {d}");

                    // None of the same standing is better than the one that is proposed.
                    if (fit.Tier == 0 && (criterion != RankingCriterion.Deepest || !report.Reasons.HasFlag(Reasons.DiffractionSoftens)) && rig.Findings.All(f => f.Severity == Severity.Note && f.Code != DiagnosticCode.AdapterSignalsUnknown) && report.Sensor.Enlargement is not > 1.002 && mode.Shows(rig.Squeeze))
                    {
                        Assert.True(Score(fit.Report, fit.Scene, fit.Rig, criterion) <= Score(report, scene, rig, criterion) * (criterion is RankingCriterion.MostBlur or RankingCriterion.Deepest or RankingCriterion.Farthest ? 1 - 1e-4 : 1 + 1e-4), $"better: {rig.Body.Name} {mode.Item.Name} {rig.Lens.Name} at {d}");
                    }
                }
            }
        }

        foreach (var miss in result.Misses)
        {
            Assert.All(miss.Remedies, remedy => Assert.True(Helps(remedy, miss, shelf, asked), $"{miss.Shortfall.Code}: {remedy}"));
        }
    }

    private sealed record Asked(Location Location, ShotBrief Brief, FitRules Rules);

    private static double Enlarged(Fit fit) => Math.Max(1, fit.Report.Sensor.Enlargement ?? 1);

    /// <summary>What of a proposal is not as it says; null when all is. The chain is put together anew, as the Bench does it.</summary>
    private static string? Wrong(Fit fit, Asked asked)
    {
        var (location, brief, rules) = (asked.Location, asked.Brief, asked.Rules);
        var assembled = ChainAssembler.Assemble(
            [.. fit.Rig.Parts], Mounts,
            new ChainSetting { Mode = fit.Mode.Item.Name, FocalLengthMm = fit.Set.FocalLengthMm, FNumber = fit.Set.FNumber, PunchIn = fit.Mode.PunchIn, DeliveryAspect = brief.DeliveryAspect, CaptureFps = brief.CaptureFps });
        var report = RigEvaluator.Evaluate(fit.Scene, Conventions.Default, assembled.Rig!.Value with { RackedFarther = fit.Set.RackedFarther });
        var (near, far) = Bounds(fit.Rig, location, brief);
        var d = fit.Scene.SubjectDistanceMm;
        return !assembled.Works ? "does not go together"
            : report.Focus is not { } focus ? "no focus"
            : Math.Abs(focus.FieldHeightMm / WantedFrame.Of(brief).HeightMm - 1) > 1e-6 ? $"frames {focus.FieldHeightMm}"
            : d < near - 1e-6 || d > far + 1e-6 ? $"stands at {d}, outside {near} to {far}"
            : Math.Min(focus.DepthInFrontMm, focus.DepthBehindMm) < brief.MovesMm / 2 * (1 - 1e-6) ? "moves out of focus"
            : brief.Behind == BackgroundRequirement.Soft && focus.BackgroundDiscFractionOfHeight < ShotBrief.SoftShare * (1 - 1e-6) ? "not soft"
            : brief.Behind == BackgroundRequirement.Readable && focus.BackgroundDiscFractionOfHeight > ShotBrief.ReadableShare * (1 + 1e-6) ? "not readable"
            : !fit.Rig.CircleIsEstimated && report.Sensor.DarkShare > Coverage.Noticed * 1.00001 ? "dark corners"
            : report.Reasons.HasFlag(Reasons.ApertureTooWide) && report.Lens.UsedFNumber > fit.Set.FNumber * 1.001 || report.Reasons.HasFlag(Reasons.ApertureTooNarrow) ? "cannot be set so"
            : fit.Rig.IrisIsFixed && report.Lens.UsedFNumber > (report.Lens.WidestFNumber ?? 0) * 1.0001 ? "the iris stays open"
            : !fit.Mode.Rates.Contains(brief.Fps) ? "another rate"
            : report.Light.SensitivityNeededIso > rules.HighestIso * (1 + 1e-6) ? "too dark"
            : null;
    }

    private static double Score(in RigReport report, in Scene scene, FitRig rig, RankingCriterion criterion) => criterion switch
    {
        RankingCriterion.MostBlur => -report.Focus!.Value.BackgroundDiscFractionOfHeight,
        RankingCriterion.Deepest => -Math.Min(1e12, report.Focus!.Value.DepthInFrontMm + report.Focus!.Value.DepthBehindMm),
        RankingCriterion.LeastWeight => rig.WeightG,
        RankingCriterion.Farthest => -scene.SubjectDistanceMm,
        _ => scene.SubjectDistanceMm,
    };

    /// <summary>Tries every place and aperture; the settings that give the shot with a hair to spare.</summary>
    private static IEnumerable<(Scene Scene, RigReport Report, double At)> Settings(FitRig rig, FitMode mode, Asked asked)
    {
        var (location, brief) = (asked.Location, asked.Brief);
        var wanted = WantedFrame.Of(brief).HeightMm;
        var (near, far) = Bounds(rig, location, brief);
        far = Math.Min(far, 60_000);
        if (!(near < far) || !mode.Rates.Contains(brief.Fps))
        {
            yield break;
        }

        double? before = null;
        for (var i = 0; i <= Places; i++)
        {
            // Near places closer together than far ones; a hair within, so that rounding at the very bounds tells nothing.
            var d = near * 1.0005 * Math.Pow(far * 0.9995 / (near * 1.0005), (double)i / Places);
            var atShort = Field(rig, mode, asked, d, rig.AtShort.FocalLengthMm);
            var atLong = Field(rig, mode, asked, d, rig.AtLong.FocalLengthMm * (1 - 1e-7));
            var frames = rig.Zooms ? atLong < wanted * 0.999 && atShort > wanted * 1.001 : before < wanted * 0.9995 && atShort > wanted * 1.0005;
            before = atShort;
            if (!frames)
            {
                continue;
            }

            var f = rig.Zooms ? Zoomed(rig, mode, asked, d, wanted) : rig.AtShort.FocalLengthMm;
            var at = rig.Zooms ? d : Framing(rig, mode, asked, d * Math.Pow(near / far, 1.0 / Places), d, wanted);
            var widest = LensOnSensor.WidestAt(rig.AtShort.Lens, f)!.Value * 1.0001;
            foreach (var n in rig.IrisIsFixed ? [widest] : Apertures.Where(n => n > widest))
            {
                var (scene, report) = At(rig, mode, asked, at, f, n);
                if (Holds(scene, report, asked))
                {
                    yield return (scene, report, at);
                }
            }
        }
    }

    private static double Framing(FitRig rig, FitMode mode, Asked asked, double low, double high, double wanted)
    {
        for (var i = 0; i < 50; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Field(rig, mode, asked, middle, rig.AtShort.FocalLengthMm) < wanted ? (middle, high) : (low, middle);
        }

        return high;
    }

    private static double Zoomed(FitRig rig, FitMode mode, Asked asked, double d, double wanted)
    {
        var (low, high) = (rig.AtShort.FocalLengthMm, rig.AtLong.FocalLengthMm * (1 - 1e-7));
        for (var i = 0; i < 50; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Field(rig, mode, asked, d, middle) > wanted ? (middle, high) : (low, middle);
        }

        return low;
    }

    private static (Scene Scene, RigReport Report) At(FitRig rig, FitMode mode, Asked asked, double d, double f, double n)
    {
        var scene = new Scene(d)
        {
            BackgroundDistanceMm = d + (asked.Location.BehindMm ?? double.PositiveInfinity),
            DeliveryAspect = asked.Brief.DeliveryAspect,
            DeliveryWidthPx = asked.Brief.DeliveryWidthPx,
            Light = asked.Location.Light,
        };
        return (scene, RigEvaluator.Evaluate(scene, Conventions.Default, rig.In(mode, f, n) with { CaptureFps = asked.Brief.CaptureFps }));
    }

    private static double? Field(FitRig rig, FitMode mode, Asked asked, double d, double f) => At(rig, mode, asked, d, f, 8).Report.Focus?.FieldHeightMm;

    private static bool Holds(in Scene scene, in RigReport report, Asked asked) =>
        report.Focus is { } focus
        && scene.SubjectDistanceMm > 0
        && report.Sensor.DarkShare is not > Coverage.Noticed * 0.9999
        && !report.Reasons.HasFlag(Reasons.ApertureTooNarrow)
        && report.Light.SensitivityNeededIso is not { } iso | report.Light.SensitivityNeededIso < asked.Rules.HighestIso * 0.999
        && Math.Min(focus.DepthInFrontMm, focus.DepthBehindMm) >= asked.Brief.MovesMm / 2 * 1.001
        && (asked.Brief.Behind != BackgroundRequirement.Soft || focus.BackgroundDiscFractionOfHeight > ShotBrief.SoftShare * 1.001)
        && (asked.Brief.Behind != BackgroundRequirement.Readable || focus.BackgroundDiscFractionOfHeight < ShotBrief.ReadableShare * 0.999);

    private static (double Near, double Far) Bounds(FitRig rig, Location location, ShotBrief brief) => (
        rig.FrontMm + Math.Max(10, location.KeepOffMm),
        (location.LengthMm ?? double.PositiveInfinity) - (location.BehindMm ?? 0) - CameraSupports.RearMm(brief.CameraSupport, rig.BackMm));

    /// <summary>Asks anew with the remedy applied: another rig as the whole answer for that rig alone, another shot or place of the same search.</summary>
    private static bool Helps(Remedy remedy, Miss miss, FittingShelf shelf, Asked asked)
    {
        if (remedy.With is { } with)
        {
            var choice = new RigChoice(with.Rig.Body.Id, with.Mode.Item.Name, with.Rig.Lens.Id, [.. with.Rig.Links.Select(l => l.Id)])
            {
                Front = [.. with.Rig.Front.Select(l => l.Id)],
                PunchIn = with.Mode.PunchIn,
            };
            return Wrong(with, asked) is null
                && new FitSearch(shelf.Alone(choice), asked.Location, asked.Brief, Conventions.Default, RankingCriterion.MostBlur, rules: asked.Rules).Finish().FitCount == 1;
        }

        var again = new FitSearch(shelf, remedy.Apply(asked.Location), remedy.Apply(asked.Brief), Conventions.Default, RankingCriterion.MostBlur, rules: asked.Rules).Finish(1000, 1000);
        return again.Fits.Any(f => f.Rig.Group == miss.Rig.Group);
    }

    private static Location SiteOf(Random random) => new()
    {
        LengthMm = random.Next(5) == 0 ? null : RandomShelf.Between(random, 2500, 12_000),
        WidthMm = RandomShelf.Between(random, 2500, 8000),
        BehindMm = RandomShelf.Between(random, 300, 3000),
        LeastBehindMm = 200,
        KeepOffMm = random.Next(3) == 0 ? RandomShelf.Between(random, 200, 3000) : 0,
        Light = new() { BrightnessEv = random.Next(3) == 0 ? null : RandomShelf.Between(random, 3, 9) },
    };

    private static ShotBrief BriefOf(Random random) => new(new ShotSubject(SubjectKind.Standing, 1750), (ShotSize)random.Next(0, 7))
    {
        CameraSupport = (CameraSupport)random.Next(0, 4),
        MovesMm = random.Next(3) == 0 ? RandomShelf.Between(random, 20, 600) : 0,
        Behind = (BackgroundRequirement)random.Next(0, 3),
        DeliveryAspect = random.Next(2) == 0 ? 16.0 / 9 : random.Next(2) == 0 ? 2.39 : 9.0 / 16,
        DeliveryWidthPx = random.Next(2) == 0 ? null : 3840,
        CaptureFps = random.Next(3) == 0 ? 50 : null,

        // Things as small as a fist too, so that tubes and close-up lenses have something to do.
        Typed = random.Next(4) == 0 ? new(RandomShelf.Between(random, 20, 200), IsAcross: false) : null,
    };

    private static readonly MountBook Mounts = new([Made.Near, Made.Far]);
}

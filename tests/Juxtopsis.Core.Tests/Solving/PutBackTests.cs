using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Core.Tests.Solving;

/// <summary>Every answer to a question asked backwards is put back into the evaluator: what is said to be met is met.</summary>
public sealed class PutBackTests
{
    private const int Setups = 10_000;
    private const double Exact = 1e-6;

    [Fact]
    public void What_is_met_is_met_when_it_is_evaluated()
    {
        var random = new Random(20261126);
        var (asked, met) = (0, 0);
        for (var i = 0; i < Setups; i++)
        {
            var (scene, conventions, rig) = SetupOf(random);
            foreach (var (said, off) in Answers(random, scene, conventions, rig))
            {
                asked++;
                met += said ? 1 : 0;
                Assert.True(!said || off <= Exact, $"setup {i}: off by {off} in {rig} at {scene}");
            }
        }

        // The test means something: most of what can be asked can be met, and not all of it.
        Assert.InRange((double)met / asked, 0.3, 0.95);
    }

    [Fact]
    public void What_is_held_is_held_when_it_is_evaluated()
    {
        var random = new Random(2027);
        var (asked, held) = (0, 0);
        for (var i = 0; i < Setups; i++)
        {
            var (scene, conventions, rig) = SetupOf(random);
            var before = new StandingRig(scene, rig, Giving.None);
            var targets = HeldValues.Of(conventions, before);
            var after = random.Next(3) switch
            {
                0 => before with { Scene = scene.From(scene.SubjectDistanceMm * (0.6 + random.NextDouble())) },
                1 => before with { Rig = rig with { FocalLengthMm = rig.FocalLengthMm * (0.6 + random.NextDouble()) } },
                _ => before with { Rig = rig with { FNumber = rig.FNumber * (0.6 + random.NextDouble()) } },
            };
            var hold = new Hold(random.Next(3) == 0, true, random.Next(2) == 0, random.Next(2) == 0);
            var followed = ConstraintSolver.Follow(conventions, before, after, hold, LengthUnit.Metres);
            asked++;
            if (!followed.IsHeld || followed.Notes.Any(n => n.Outcome != HoldOutcome.Followed))
            {
                continue;
            }

            held++;
            var has = HeldValues.Of(conventions, new(followed.Scene, followed.Rig, Giving.None));
            Assert.True(targets.FieldHeightMm is not { } height || has.FieldHeightMm is { } field && Math.Abs(field / height - 1) <= Exact, $"setup {i}: {targets.FieldHeightMm} became {has.FieldHeightMm}");
            Assert.True(!hold.Blur || targets.BlurShare is not { } share || has.BlurShare is { } blur && Math.Abs(blur / share - 1) <= Exact, $"setup {i}: blur {targets.BlurShare} became {has.BlurShare}");
        }

        Assert.InRange((double)held / asked, 0.2, 0.95);
    }

    /// <summary>Whether each answer says that it is met, and how far off the evaluator finds it.</summary>
    private static IEnumerable<(bool Said, double Off)> Answers(Random random, Scene scene, Conventions conventions, Rig rig)
    {
        var size = Between(random, 5, 3000);
        var framing = new FramedSize(size, random.Next(2) == 0);
        double Field(in Scene there, in Rig set)
        {
            var focus = RigEvaluator.Evaluate(there, conventions, set).Focus;
            return focus is null ? double.PositiveInfinity : Math.Abs((framing.IsAcross ? focus.Value.FieldWidthMm : focus.Value.FieldHeightMm) / size - 1);
        }

        var distance = FramingSolver.Distance(scene, conventions, rig, framing, LengthUnit.Metres);
        if (distance.IsMet)
        {
            // Nothing is said to stand inside the lens, nor outside of the place.
            var at = distance.SubjectDistanceMm!.Value;
            var front = rig.Lens.FrontFromSensorMm - RigEvaluator.MarkMm(conventions, rig);
            Assert.True(at > 0 && (front is null || at > front) && at >= (scene.NearestCameraMm ?? 0) * (1 - 1e-9) && at <= (scene.FarthestCameraMm ?? double.PositiveInfinity) * (1 + 1e-9), $"{at}");
        }

        yield return (distance.IsMet, distance.SubjectDistanceMm is { } d ? Field(scene with { SubjectDistanceMm = d, BackgroundDistanceMm = double.PositiveInfinity }, rig with { RackedFarther = distance.RackedFarther }) : 1);
        var focal = FramingSolver.FocalLength(scene, conventions, rig, framing, LengthUnit.Metres);
        yield return (focal.IsMet, focal.FocalLengthMm is { } f ? Field(scene, rig with { FocalLengthMm = f, Lens = rig.Lens with { MeasuredFocalLengthMm = rig.Lens.MeasuredFocalLengthMm * (f / rig.FocalLengthMm) } }) : 1);
        var share = Between(random, 0.001, 0.2);
        var blur = ApertureSolver.ForBlur(scene, conventions, rig, share, LengthUnit.Metres);
        var blurred = blur.FNumber is { } n ? RigEvaluator.Evaluate(scene, conventions, rig with { FNumber = n }).Focus?.BackgroundDiscFractionOfHeight : null;
        yield return (blur.IsMet, blurred is { } had ? Math.Abs(had / share - 1) : 1);
        var (from, to) = (scene.SubjectDistanceMm * Between(random, 0.8, 0.98), scene.SubjectDistanceMm * Between(random, 1.02, 1.4));
        var zone = ApertureSolver.ForDepth(scene, conventions, rig, from, to, LengthUnit.Metres);
        if (zone is { FNumber: { } closed, SubjectDistanceMm: { } focusedAt })
        {
            // Sharp over more than was asked is met too.
            var focus = RigEvaluator.Evaluate(scene with { SubjectDistanceMm = focusedAt, BackgroundDistanceMm = double.PositiveInfinity }, conventions, rig with { FNumber = closed }).Focus;
            yield return (zone.IsMet, focus is null ? 1 : Math.Max(0, Math.Max(focus.Value.DepthOfFieldNearMm / from - 1, 1 - focus.Value.DepthOfFieldFarMm / to)));
        }
    }

    private static (Scene Scene, Conventions Conventions, Rig Rig) SetupOf(Random random)
    {
        var f = Between(random, 12, 300);
        var hasNearest = random.Next(3) > 0;
        var ratio = random.Next(2) == 0 ? Between(random, 0.08, 1.5) : (double?)null;
        var zooms = random.Next(3) == 0;
        var lens = new LensData
        {
            WidestFNumber = 1.4,
            NarrowestFNumber = random.Next(2) == 0 ? 22 : null,
            MinimumFocusDistanceMm = !hasNearest ? null : ratio is { } m ? f * Between(random, 0.7, 1.02) * (1 + m) * (1 + m) / m : f * Between(random, 4.2, 15),
            MaximumMagnification = hasNearest ? ratio : null,
            PupilMagnification = random.Next(2) == 0 ? null : Between(random, 0.6, 1.8),
            FrontFromSensorMm = random.Next(2) == 0 ? null : Between(random, 40, 250),
            ZoomShortMm = zooms ? f * 0.6 : null,
            ZoomLongMm = zooms ? f * 2 : null,
        };
        Converter Glass() => new(random.Next(3) switch { 0 => 0.71, 1 => 1.4, _ => 2 }, random.Next(2) == 0 ? null : Between(random, 20, 60), random.Next(5) == 0 ? 4 : 0);
        var rig = new Rig(Between(random, 12, 44), Between(random, 7, 33), f, Between(random, 1.4, 11))
        {
            Lens = lens,
            Optics = random.Next(3) == 0 ? new OpticsChain(Glass()) : OpticsChain.None,
            ExtensionMm = random.Next(3) == 0 ? Between(random, 5, 70) : 0,
            CloseUpDioptres = random.Next(4) == 0 ? Between(random, 0.5, 4) : 0,
            CloseUpFromLensMm = random.Next(2) == 0 ? 0 : 40,
            Squeeze = random.Next(5) == 0 ? 1.5 : 1,
        };
        var scene = new Scene(Between(random, 120, 8000))
        {
            DeliveryAspect = random.Next(2) == 0 ? null : 16.0 / 9,
            NearestCameraMm = random.Next(3) == 0 ? Between(random, 100, 900) : null,
            FarthestCameraMm = random.Next(3) == 0 ? Between(random, 1000, 9000) : null,
        };
        scene = scene with { BackgroundDistanceMm = scene.SubjectDistanceMm + Between(random, 200, 9000) };
        return (scene, Conventions.Default with { DistanceFrom = random.Next(4) == 0 ? DistanceMark.LensFront : DistanceMark.SensorMark }, rig);
    }

    private static double Between(Random random, double from, double to) => from * Math.Pow(to / from, random.NextDouble());
}

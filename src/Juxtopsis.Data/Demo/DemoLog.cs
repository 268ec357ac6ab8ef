using System.Globalization;
using Juxtopsis.Contracts.Log;
using Juxtopsis.Contracts.Measuring;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Data.Model;

namespace Juxtopsis.Data.Demo;

/// <summary>The log of the made-up season <i>Low Water</i>: two lenses that were tested, one of them 3 % off its mark, and a day of 30 takes.</summary>
internal static class DemoLog
{
    private const string Who = "Oda";

    private static readonly Guid old35 = new("c8943a07-cece-5beb-97da-e5c1430d0947");
    private static readonly Guid fast23 = new("45b5dc16-82ab-5f5d-b6dc-105f7cbf7cfa");

    private static readonly Guid productionId = new("10f7a7e0-0000-4000-8000-0000000000a1");

    private static readonly (Guid Lens, MeasureRequest Measured, string Note)[] tested =
    [
        (old35, OfFocal(35, [(600, 558), (1000, 981), (2000, 2045), (3500, 3632), (5000, 5226)]), "On the wall of the long shed, with the 5 m tape."),
        (fast23, OfFocal(23, [(450, 619), (900, 1325), (2000, 3053), (4000, 6190)]), "On the same wall."),
    ];

    /// <summary>A thing with what its test found; itself where it was not tested.</summary>
    /// <param name="item">A thing of the demo.</param>
    /// <param name="now">When it comes.</param>
    public static GearItem Tested(GearItem item, DateTimeOffset now) => tested.Where(t => t.Lens == item.Id).Aggregate(
        item,
        (thing, test) => TestRecord.Accept(thing, test.Measured.Kind, Results(test.Measured), $"{now.AddDays(-2).ToString("d MMM yyyy", CultureInfo.InvariantCulture)}, {Who}"));

    /// <summary>The tests, as they were accepted.</summary>
    /// <param name="now">When the demo comes.</param>
    public static IEnumerable<UnitTestRow> Tests(DateTimeOffset now) => tested.Select((test, i) => new UnitTestRow
    {
        Id = Id("f0", i + 1),
        UnitId = test.Lens,
        Kind = test.Measured.Kind,
        Measured = UnitTestRow.Of(test.Measured),
        Results = UnitTestRow.Of(Results(test.Measured)),
        Note = test.Note,
        By = Who,
        UpdatedAt = now.AddDays(-2),
        AcceptedAt = now.AddDays(-2),
        Revision = 2,
    });

    /// <summary>A day of takes, the day before the demo comes.</summary>
    /// <param name="now">When that is.</param>
    public static IEnumerable<TakeRow> Takes(DateTimeOffset now)
    {
        var begins = new DateTimeOffset(now.UtcDateTime.Date.AddDays(-1).AddHours(7), TimeSpan.Zero);
        var shots = DemoProduction.Shots.ToDictionary(s => s.Id);
        return Day().Select((take, i) =>
        {
            var shot = shots[take.ShotId!.Value];
            var at = begins.AddMinutes(11 * i + (i > 12 ? 50 : 0));
            return new TakeRow
            {
                Id = Id("f1", i + 1),
                ProductionId = productionId,
                TakenAt = at,
                UpdatedAt = at,
                By = Who,
                Take = TakeRow.Of(take with { TakenAt = at, ShotName = shot.Name, CrewUnit = shot.Unit, Rig = take.Rig ?? shot.Chosen, Fps = 25 }),
            };
        });
    }

    private static IEnumerable<TakeInput> Day()
    {
        var zoom = Rig("Selkie Tern", "Selkie 24–70 mm ƒ2.8");
        var fast = Rig("Selkie Tern", "Selkie 35 mm ƒ1.4");
        var long85 = Rig("Selkie Tern", "Selkie 85 mm ƒ1.8");
        var macro = Rig("Selkie Tern", "Selkie 100 mm ƒ2.8 macro");
        const TakeMark good = TakeMark.Good, again = TakeMark.Again;
        yield return Take(5, 1, zoom, 50, 2.8, 2100, again) with { Note = "The beam cuts the picture.", RoomMm = 4100, Reasons = [TakeReason.Room] };
        yield return Take(5, 2, zoom, 44, 2.8, 1900, again) with { Reasons = [TakeReason.Room] };
        yield return Take(5, 3, zoom, 44, 3.2, 1900, good) with { Reasons = [TakeReason.Room, TakeReason.Focus] };
        yield return Take(5, 3, long85, 85, 2.0, 3200, TakeMark.None) with { Camera = "B", Note = "Through the door." };
        yield return Take(6, 1, fast, 35, 1.4, 1500, again) with { Note = "Soft at the eyes." };
        yield return Take(6, 2, fast, 35, 2.0, 1500, good) with { Reasons = [TakeReason.Focus] };
        yield return Take(8, 1, zoom, 60, 4.0, 900, good);
        yield return Take(8, 2, macro, 100, 5.6, 700, good) with { Note = "Shavings in focus." };
        yield return Take(8, 3, macro, 100, 5.6, 640, TakeMark.None);
        yield return Take(4, 1, long85, 85, 2.0, 3600, again);
        yield return Take(4, 2, long85, 85, 2.8, 3400, good);
        yield return Take(2, 1, zoom, 35, 4.0, 2800, good);
        yield return Take(2, 2, zoom, 32, 4.0, 2600, TakeMark.None) with { Reasons = [TakeReason.Subject] };
        yield return Take(11, 1, null, 11, 2.8, 700, again) with { Note = "Horizon." };
        yield return Take(11, 2, null, 11, 2.8, 700, again);
        yield return Take(11, 3, null, 11, 4.0, 800, good) with { Reasons = [TakeReason.Look] };
        yield return Take(11, 4, null, 11, 4.0, 800, good);
        yield return Take(12, 1, null, 11, 2.8, 620, good);
        yield return Take(12, 2, null, 11, 2.8, 600, TakeMark.None) with { Note = "Gulls over the words." };
        yield return Take(13, 1, null, 18.7, 5.6, 12_000, TakeMark.None) with { Note = "For the framing only; no barge yet." };
        yield return Take(13, 2, null, 20, 5.6, 12_600, good) with { Reasons = [TakeReason.Look] };
        yield return Take(14, 1, null, 35, 5.6, 58_000, again) with { Reasons = [TakeReason.Time] };
        yield return Take(14, 2, null, 31, 4.2, 60_000, good);
        yield return Take(14, 3, null, 33, 4.2, 60_000, TakeMark.None);
        yield return Take(15, 1, null, 400, 5.6, 61_000, again) with { Note = "Gone before the shutter." };
        yield return Take(15, 2, null, 360, 5.6, 58_500, again) with { Note = "Wider, as the producer asked.", Reasons = [TakeReason.Look] };
        yield return Take(15, 3, null, 360, 6.3, 58_500, good) with { Reasons = [TakeReason.Look] };
        yield return Take(16, 1, macro, 100, 4.0, 800, good);
        yield return Take(16, 2, macro, 100, 2.8, 760, TakeMark.None);
        yield return Take(16, 3, zoom, 70, 4.0, 620, again) with { Reasons = [TakeReason.Light] };
    }

    private static TakeInput Take(int shot, int number, ChosenInput? rig, double focalLengthMm, double fNumber, double distanceMm, TakeMark mark) => new()
    {
        ProductionId = productionId,
        ShotId = Id("c0", shot),
        TakenAt = DateTimeOffset.UnixEpoch,
        Number = number,
        Rig = rig,
        FocalLengthMm = focalLengthMm,
        FNumber = fNumber,
        DistanceMm = distanceMm,
        Mark = mark,
    };

    private static ChosenInput Rig(string body, string lens)
    {
        var (camera, glass) = (Named(body), Named(lens));
        return new() { Body = camera.Id, Mode = ((IReadOnlyList<GearItem>)camera.Value(GearKinds.Of(camera.Kind).Field("modes")!)!)[0].Name, Lens = glass.Id, Name = $"{camera.Name} + {glass.Name}" };
    }

    private static GearItem Named(string fullName) => DemoShelf.Items.First(i => i.FullName == fullName);

    private static MeasureRequest OfFocal(double marked, (double DistanceMm, double WidthMm)[] readings) => new()
    {
        Kind = TestKind.FocalLength,
        Setup = new TestSetup(36) { FocalLengthMm = marked },
        Readings = [.. readings.Select(r => new TestReading(null) { DistanceMm = r.DistanceMm, WidthMm = r.WidthMm })],
    };

    private static IReadOnlyList<TestResult> Results(MeasureRequest measured) => MeasureMapping.Evaluate(measured).Results;

    private static Guid Id(string kind, int number) => new($"10f7a7e0-0000-4000-8000-00000000{kind}{number:00}");
}

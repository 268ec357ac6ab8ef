using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Data.Model;

namespace Juxtopsis.Data.Demo;

/// <summary>
/// The made-up season <i>Low Water</i>, complete: seven places at a tidal boatyard and sixteen shots. Each can be done with the demo
/// shelf; two of them only after a change that the product proposes.
/// </summary>
public static class DemoProduction
{
    private const string Shed = "Shed unit";
    private const string River = "River unit";
    private const string Loose = "Loose camera";

    /// <summary>Its identity.</summary>
    internal static readonly Guid ProductionId = new("10f7a7e0-0000-4000-8000-0000000000a1");

    /// <summary>Makes the production.</summary>
    /// <param name="now">Its time.</param>
    /// <returns>A new, unsaved production.</returns>
    public static Production Create(DateTimeOffset now) => Production.Store.Put(
        new Production { Id = ProductionId, Name = "Low Water", CreatedAt = now, UpdatedAt = now }, Document);

    /// <summary>What it holds.</summary>
    public static ProductionDocument Document { get; } = new()
    {
        SchemaVersion = ProductionDocument.CurrentVersion,
        Note = "One season at a tidal boatyard: a river barge is rebuilt, and launched on the spring tide.",
        Delivery = new() { Aspect = 16.0 / 9, WidthPx = 3840 },
        Units = [Shed, River, Loose],
        Locations = Locations(),
        Bags = DemoBags.All,
        Sheets = DemoSheets.OfProduction,
        Shots = [.. Shots],
    };

    private static Guid Id(string kind, int number) => new($"10f7a7e0-0000-4000-8000-00000000{kind}{number:d2}");

    private static Guid LocationId(int number) => Id("b0", number);

    private static LocationInput[] Locations() =>
    [
        new()
        {
            Id = LocationId(1), Name = "Long shed", LengthMm = 7200, WidthMm = 4600, HeightMm = 3800, BehindMm = 1500, LeastBehindMm = 300, BrightnessEv = 7,
            Levels = [Level(1, "Doors open, morning", 9), Level(2, "Lamps on", 8), Level(3, "One work lamp at night", 3)],
            Hazards = [Hazards.Machines], Backdrop = Backdrop.Shed, Note = "The bay between hull and wall. Saw bench near the door.",
        },
        new()
        {
            Id = LocationId(2), Name = "Sail loft", LengthMm = 4100, WidthMm = 3400, HeightMm = 2100, Taped = true, BehindMm = 1000, LeastBehindMm = 300, BrightnessEv = 8,
            Levels = [Level(4, "After three, lamps on", 6)],
            Backdrop = Backdrop.Loft, Note = "Low beams; window light until three.",
        },
        new()
        {
            Id = LocationId(3), Name = "Bending bench", LengthMm = 5200, WidthMm = 4600, HeightMm = 3400, BehindMm = 1200, LeastBehindMm = 400, KeepOffMm = 800, BrightnessEv = 7,
            Levels = [Level(5, "Lamps on", 8.5)],
            Hazards = [Hazards.Heat, Hazards.Splash], Backdrop = Backdrop.BenchTop, Note = "Steam box beside it; ask before it is opened.",
        },
        new()
        {
            Id = LocationId(4), Name = "Slipway", BehindMm = 14_000, BrightnessEv = 14, Hazards = [Hazards.Water, Hazards.Sun], Backdrop = Backdrop.Slipway,
            Levels = [Level(6, "Full sun at noon", 15), Level(7, "Overcast", 12), Level(8, "Last light", 9)],
            Note = "Slippery below the tide mark.",
        },
        new()
        {
            Id = LocationId(5), Name = "Pier, launch day", BehindMm = 22_000, KeepOffMm = 12_000, BrightnessEv = 14, Hazards = [Hazards.Water, Hazards.Heights], Backdrop = Backdrop.Slipway,
            Levels = [Level(9, "Full sun", 15)],
            Note = "The barge needs the slip to itself.",
        },
        new()
        {
            Id = LocationId(6), Name = "Far bank", KeepOffMm = 60_000, BrightnessEv = 14, Hazards = [Hazards.Water, Hazards.Animals, Hazards.Sun], Backdrop = Backdrop.FarBank,
            Note = "Across 60 m of river.",
        },
        new()
        {
            Id = LocationId(7), Name = "Tide gauge", BehindMm = 3000, KeepOffMm = 250, BrightnessEv = 13, Hazards = [Hazards.Water, Hazards.Heights], Backdrop = Backdrop.Slipway,
            Note = "At the foot of the ladder, at arm's length.",
        },
    ];

    private static LevelInput Level(int number, string name, double brightnessEv) => new() { Id = Id("d0", number), Name = name, BrightnessEv = brightnessEv };

    /// <summary>Its shots, in their order.</summary>
    internal static IEnumerable<ShotInput> Shots => [.. ShedShots(), .. LoftShots(), .. BenchShots(), .. RiverShots()];

    private static IEnumerable<ShotInput> ShedShots()
    {
        yield return Make(1, 1, Shed, "The whole hull", Thing(SubjectKind.Thing, 6800, 2600), ShotSize.CloseUp) with { Along = LooksAlong.Width, BehindMm = 300, Criterion = RankingCriterion.Deepest };
        yield return Make(2, 1, Shed, "Two people on one plank", new() { Kind = SubjectKind.Group, HeightMm = 1780, SpacingMm = 900 }, ShotSize.ThreeQuarter) with { MovesMm = 400 };
        yield return Make(3, 1, Shed, "A rivet", Thing(SubjectKind.Thing, 12, 12, 1100), ShotSize.Medium) with { Note = "No larger than a fingernail.", BehindMm = 300 };
        yield return Make(4, 1, Loose, "The apprentice watches", new() { Kind = SubjectKind.Standing, HeightMm = 1640 }, ShotSize.CloseUp) with
        {
            CameraSupport = CameraSupport.Shoulder,
            MovesMm = 60,
            Criterion = RankingCriterion.Farthest,
        };
    }

    private static IEnumerable<ShotInput> LoftShots()
    {
        yield return Make(5, 2, Shed, "The shipwright speaks", new() { Kind = SubjectKind.Seated, HeightMm = 1780 }, ShotSize.MediumCloseUp) with { MovesMm = 60, TakeSeconds = 900 };
        yield return Make(6, 2, Shed, "By the door, soft behind", new() { Kind = SubjectKind.Standing, HeightMm = 1750 }, ShotSize.Medium) with
        {
            Behind = BackgroundRequirement.Soft,
            BehindMm = 350,
            Note = "As marked out, nothing is open enough: bring the subject off the boards.",
        };
        yield return Make(7, 2, Shed, "The sailmaker, head to foot", new() { Kind = SubjectKind.Standing, HeightMm = 1700 }, ShotSize.Full) with
        {
            Along = LooksAlong.Width,
            BehindMm = 1500,
            Criterion = RankingCriterion.LeastWeight,
            Note = "Across the loft there is no room for it: look along, or bring her back.",
        };
    }

    private static IEnumerable<ShotInput> BenchShots()
    {
        yield return Make(8, 3, Shed, "Hands and a plane", Thing(SubjectKind.Table, 700, 450, 850), ShotSize.CloseUp) with { MovesMm = 200 };
        yield return Make(9, 3, Loose, "Steam bending from above", Thing(SubjectKind.Table, 1600, 900, 850), ShotSize.CloseUp) with
        {
            CameraSupport = CameraSupport.Overhead,
            Criterion = RankingCriterion.LeastWeight,
            Caution = "Rigged by the yard's own rigger before the box is lit.",
        };
        yield return Make(10, 3, Shed, "The plank gives, slowed", new() { Kind = SubjectKind.Standing, HeightMm = 1780 }, ShotSize.ThreeQuarter) with
        {
            CaptureFps = 100,
            MovesMm = 300,
            LevelId = Id("d0", 5),
            Note = "Four times slower takes two stops: see in the light what gives.",
            Criterion = RankingCriterion.LeastChange,
        };
    }

    private static IEnumerable<ShotInput> RiverShots()
    {
        yield return Make(11, 4, Loose, "Walking and talking", new() { Kind = SubjectKind.Standing, HeightMm = 1780 }, ShotSize.MediumCloseUp) with
        {
            CameraSupport = CameraSupport.Gimbal,
            Walks = true,
            MovesMm = 400,
            LevelId = Id("d0", 6),
            Chosen = Rig("Plover", "e736e61b-3799-59a1-918b-23d2138cc185", "Full width", "11 mm ƒ1.8", "f1705b4b-bbab-53b7-8566-9473662cb8cc"),
            Note = "Wide open in the sun at a film-like shutter: see in the light what goes in front.",
            Criterion = RankingCriterion.LeastWeight,
        };
        yield return Make(12, 4, Loose, "To the camera, at arm's length", new() { Kind = SubjectKind.Standing, HeightMm = 1700 }, ShotSize.MediumCloseUp) with
        {
            CameraSupport = CameraSupport.SelfHeld,
            Walks = true,
            MovesMm = 80,
            Behind = BackgroundRequirement.Readable,
            Chosen = Rig("Plover", "e736e61b-3799-59a1-918b-23d2138cc185", "Full width", "11 mm ƒ1.8", "f1705b4b-bbab-53b7-8566-9473662cb8cc"),
            Criterion = RankingCriterion.LeastWeight,
        };
        yield return Make(13, 5, River, "The launch", Thing(SubjectKind.Far, 22_000, 5000), ShotSize.CloseUp) with
        {
            DeliveryAspect = 2.39,
            Criterion = RankingCriterion.Nearest,
            Chosen = Rig("Dabchick", "09cb953e-cb0b-5f2d-bc93-6776f1324f69", "Full width", "16–35 mm ƒ4", "27edf0b1-f70b-5002-a833-f81ca9250ed7"),
        };
        yield return Make(14, 6, River, "The barge crosses", Thing(SubjectKind.Far, 24_000, 6000), ShotSize.MediumCloseUp) with
        {
            Criterion = RankingCriterion.LeastWeight,
            Chosen = Rig("Punt", "34bd9369-aeb9-583b-a2a4-06f89f926bd8", "Full width", "14–140 mm ƒ3.5–5.6", "6fbd7c61-9421-5567-b923-2ed21d0862f3"),
        };
        yield return Make(15, 6, River, "A heron", Thing(SubjectKind.Far, 500, 900), ShotSize.Medium) with
        {
            MovesMm = 500,
            Criterion = RankingCriterion.LeastWeight,
            Note = "Stands at low water; leaves when anybody comes nearer.",
            Chosen = Rig("Plover", "e736e61b-3799-59a1-918b-23d2138cc185", "Steadied", "100–400 mm ƒ4.5–5.6", "9548ea11-bf84-5988-9f70-f24400b7dce6"),
        };
        yield return Make(16, 7, River, "The tide gauge", Thing(SubjectKind.Thing, 250, 600, 500), ShotSize.MediumCloseUp) with { CameraSupport = CameraSupport.HandHeld, Criterion = RankingCriterion.Owned };
    }

    private static ChosenInput Rig(string body, string bodyId, string mode, string lens, string lensId) =>
        new() { Body = new(bodyId), Mode = mode, Lens = new(lensId), Name = $"{body} + {lens}" };

    private static SubjectInput Thing(SubjectKind kind, double width, double height, double standsAt = 0) =>
        new() { Kind = kind, WidthMm = width, HeightMm = height, BaseMm = standsAt };

    private static ShotInput Make(int number, int place, string unit, string name, SubjectInput subject, ShotSize size) =>
        new() { Id = Id("c0", number), Name = name, LocationId = LocationId(place), Unit = unit, Subject = subject, Size = size };
}

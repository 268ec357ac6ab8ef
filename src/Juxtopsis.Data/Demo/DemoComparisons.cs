using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Shelf;
using Juxtopsis.Data.Model;

namespace Juxtopsis.Data.Demo;

/// <summary>
/// Six comparisons from the made-up season <i>Low Water</i>, a crew at a tidal boatyard. Each teaches one thing. The first in
/// the list is the one that opens first.
/// </summary>
public static class DemoComparisons
{
    /// <summary>Makes the comparisons.</summary>
    /// <param name="now">Time of the newest one; the others are a minute older each.</param>
    /// <returns>New, unsaved comparisons.</returns>
    public static IEnumerable<Comparison> Create(DateTimeOffset now)
    {
        return [Make(1, SailLoft with { Sheets = DemoSheets.OfSailLoft }, LoftName, now), Make(2, Slipway, SlipwayName, now), Make(3, Launch, LaunchName, now), Make(4, LongShed, LongShedName, now), Make(5, LookReached, LookReachedName, now), Make(6, LookMissed, LookMissedName, now)];
    }

    private const string LoftName = "Sail loft: half the sensor, the same picture";
    private const string SlipwayName = "Slipway: the fast mode crops again";
    private const string LongShedName = "Long shed: the old 28 through the strong reducer";
    private const string LookReachedName = "Look: two on the plank, very open";
    private const string LookMissedName = "Look: the sailmaker on the large sensor";
    private const string LaunchName = "Launch: squeezed against trimmed";

    private static ComparisonDocument SailLoft { get; } = Document(
        "The shipwright speaks under the low beams. A reducer brings the small sensor within a few per cent of full frame: "
            + "look at blur as seen, then at light as set.",
        new Scene(2200)
        {
            Backdrop = Backdrop.Loft,
            BackgroundDistanceMm = 3900,
            DeliveryAspect = 16.0 / 9,
            DeliveryWidthPx = 3840,
            LensHeightMm = 1500,
        },
        new(new Rig(36, 24, 35, 2.8)
        {
            RecordedWidthPx = 6000,
            RecordedHeightPx = 4000,
        })
        {
            Name = "Full frame, 35 mm",
        },
        new(new Rig(17.3, 13, 25, 1.8)
        {
            RecordedWidthPx = 5184,
            RecordedHeightPx = 3888,
            Optics = new OpticsChain(0.71),
        })
        {
            Name = "Four Thirds, 25 mm × 0.71",
        });

    private static ComparisonDocument Slipway { get; } = Document(
        "Walking and talking down the slip. The same lens at the same mark: the fast mode uses a smaller part of the sensor, "
            + "so it is a longer lens, and no longer fills the delivered pixels.",
        new Scene(1800)
        {
            Backdrop = Backdrop.Slipway,
            Subject = DrawnSubject.Two,
            BackgroundDistanceMm = 14000,
            DeliveryAspect = 16.0 / 9,
            DeliveryWidthPx = 3840,
        },
        new(new Rig(23.5, 15.6, 18, 4)
        {
            RecordedWidthPx = 6000,
            RecordedHeightPx = 3984,
        })
        {
            Name = "Full width, 25 fps",
        },
        new(new Rig(14.08, 7.92, 18, 4)
        {
            WholeSensorWidthMm = 23.5,
            WholeSensorHeightMm = 15.6,
            CaptureFps = 100,
            RecordedWidthPx = 3600,
            RecordedHeightPx = 2025,
        })
        {
            Name = "Cropped mode, 100 fps",
        });

    private static ComparisonDocument Launch { get; } = Document(
        "The barge meets the spring tide, for a very wide delivery. A 2× squeeze halves the focal length across only: it sees "
            + "nearly as wide as the 25 mm, its blur stands upright, and more of the sensor is used.",
        new Scene(6000)
        {
            Backdrop = Backdrop.Slipway,
            Subject = DrawnSubject.Hull,
            BackgroundDistanceMm = 22000,
            DeliveryAspect = 2.39,
            DeliveryWidthPx = 4096,
        },
        new(new Rig(24.89, 18.66, 50, 2.8)
        {
            RecordedWidthPx = 4448,
            RecordedHeightPx = 3334,
            Squeeze = 2,
        })
        {
            Name = "2× squeeze, 50 mm",
        },
        new(new Rig(24.89, 18.66, 25, 2.8)
        {
            RecordedWidthPx = 4448,
            RecordedHeightPx = 3334,
        })
        {
            Name = "Spherical, 25 mm, trimmed",
        });

    private static ComparisonDocument LongShed { get; } = Document(
        "The hull from four metres, in a bay no wider. The small body takes the old 28 through the 0.64 reducer; the full-frame body "
            + "has its own 35. Press a part to see what else fits there, and why the rest does not.",
        new Scene(3600)
        {
            Backdrop = Backdrop.Shed,
            BackgroundDistanceMm = 6200,
            DeliveryAspect = 16.0 / 9,
            DeliveryWidthPx = 3840,
            LensHeightMm = 1500,
        },
        Built("Skiff, old 28, strong reducer", "Full width", 2.8, "Skiff", "Thole to Sill, reducer 0.64", "28 mm ƒ2.8 old"),
        Built("Tern, 35 mm", "Full width", 2.8, "Tern", "35 mm ƒ1.4"));

    private static ComparisonDocument LookReached { get; } = Document(
        "A frame that everybody liked: 50 mm wide open on full frame. Under Match the shelf comes within a tenth of a stop; the two smaller cameras are there to cut with it.",
        new Scene(1800)
        {
            Backdrop = Backdrop.Shed,
            Subject = DrawnSubject.Two,
            BackgroundDistanceMm = 6000,
            DeliveryAspect = 16.0 / 9,
            DeliveryWidthPx = 3840,
        },
        new(new Rig(36, 24, 50, 0.95)
        {
            RecordedWidthPx = 6000,
            RecordedHeightPx = 4000,
        })
        {
            Name = "The look: full frame, 50 mm ƒ0.95",
        },
        Built("Dabchick, 35 mm", "Full width", 1.4, "Dabchick", "35 mm ƒ1.4"),
        Built("Tern, 50 mm", "Full width", 1.8, "Tern", "50 mm ƒ1.8"));

    private static ComparisonDocument LookMissed { get; } = Document(
        "Seen on a 44 × 33 sensor: 110 mm at ƒ2, from two metres. Nothing of ours opens that far at that angle; Match says by how much, and what would close the gap.",
        new Scene(2000)
        {
            Backdrop = Backdrop.Loft,
            BackgroundDistanceMm = 9000,
            DeliveryAspect = 16.0 / 9,
            DeliveryWidthPx = 3840,
        },
        new RigInput(new Rig(44, 33, 110, 2)
        {
            RecordedWidthPx = 8000,
            RecordedHeightPx = 6000,
        })
        {
            Name = "The look: 44 × 33, 110 mm ƒ2",
        });

    private static RigInput Built(string name, string mode, double fNumber, params IReadOnlyList<string> parts)
    {
        var items = parts.Select(part => DemoShelf.Items.First(i => i.Name == part)).ToArray();
        var mounts = items.SelectMany(ShelfIndex.MountsOf).Distinct().Select(m => DemoShelf.Items.First(i => i.Kind == GearKind.Mount && i.Name == m)).ToArray();
        return ChainMapping.ToRig(name, items, mounts, new ChainSetting { Mode = mode, FNumber = fNumber, DeliveryAspect = 16.0 / 9 });
    }

    private static ComparisonDocument Document(string note, Scene scene, params IReadOnlyList<RigInput> rigs) => new()
    {
        SchemaVersion = ComparisonDocument.CurrentVersion,
        Note = note,
        Setup = new EvaluateRequest { Scene = new(scene), Rigs = [.. rigs.Select((rig, i) => rig with { Id = $"r{i + 1}" })] },
    };

    private static Comparison Make(int place, ComparisonDocument document, string name, DateTimeOffset now)
    {
        var when = now.AddMinutes(1 - place);
        var row = new Comparison { Id = new Guid($"10f7a7e0-0000-4000-8000-00000000000{place}"), Name = name, CreatedAt = when, UpdatedAt = when };
        return Comparison.Store.Put(row, document);
    }
}

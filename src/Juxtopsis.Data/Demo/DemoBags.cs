using Juxtopsis.Contracts.Bags;
using Juxtopsis.Core.Bags;
using Juxtopsis.Data.Model;

namespace Juxtopsis.Data.Demo;

/// <summary>
/// The bags of the season <i>Low Water</i>: two to choose from for the shed unit, one with zooms and one of primes, and one for the river unit; the units that there are twice; and who has
/// booked what in the week of the spring tide. The large gimbal of the shed unit goes to the river unit as soon as it is back: a clash that was avoided.
/// </summary>
public static class DemoBags
{
    private const string Shed = "Shed unit";
    private const string River = "River unit";

    private static readonly Guid zooms = Id("e0", 1);
    private static readonly Guid primes = Id("e0", 2);
    private static readonly Guid river = Id("e0", 3);

    /// <summary>The bags.</summary>
    public static IReadOnlyList<BagInput> All { get; } =
    [
        new()
        {
            Id = zooms,
            Name = "Shed, zooms",
            Unit = Shed,
            FirstDay = "2027-04-19",
            LastDay = "2027-04-21",
            Note = "Few changes: two zooms do nearly all of the shed and the loft.",
            Limits = new() { WeightG = 12_000, Budget = 600, BatteryWh = 100, Cases = 2, CaseLengthMm = 550, CaseWidthMm = 350, CaseHeightMm = 230 },
            Plan = new() { UsedMinutes = 6, ShootingRatio = 12 },
            Lines =
            [
                Line("Selkie Tern"), Line("Selkie 24–70 mm ƒ2.8"), Line("Selkie 16–35 mm ƒ4"), Line("Selkie 100 mm ƒ2.8 macro"), Line("Selkie Tube 16 mm"), Line("Capstan Fluid head"),
                Line("Capstan Gimbal, large"), Line("Capstan Overhead arm"), Line("Capstan Battery, small", 6), Line("Capstan Card 256 GB", 4), Line("Capstan Camera microphone", onRig: true),
            ],
        },
        new()
        {
            Id = primes,
            Name = "Shed, primes",
            Unit = Shed,
            FirstDay = "2027-04-19",
            LastDay = "2027-04-21",
            Note = "Open in the dark loft, and more changes.",
            Limits = new() { WeightG = 12_000, Budget = 600, BatteryWh = 100 },
            Plan = new() { UsedMinutes = 6, ShootingRatio = 12 },
            Lines =
            [
                Line("Selkie Tern"), Line("Selkie 20 mm ƒ1.8"), Line("Selkie 35 mm ƒ1.4"), Line("Selkie 85 mm ƒ1.8"), Line("Selkie 100 mm ƒ2.8 macro"), Line("Selkie Tube 16 mm"), Line("Capstan Fluid head"),
                Line("Capstan Gimbal, large"), Line("Capstan Overhead arm"), Line("Capstan Battery, small", 6), Line("Capstan Card 256 GB", 4),
            ],
        },
        new()
        {
            Id = river,
            Name = "River",
            Unit = River,
            FirstDay = "2027-04-22",
            LastDay = "2027-04-24",
            Note = "The far bank and the launch: reach first.",
            Limits = new() { WeightG = 16_000, Budget = 900, BudgetFor = BagCost.Hire },
            Lines =
            [
                Line("Dunlin Stint"), Line("Marram Gannet"), Line("Dunlin 24–70 mm ƒ2.8"), Line("Dunlin 70–200 mm ƒ2.8"), Line("Dunlin 150–600 mm ƒ5–6.3"), Line("Dunlin Extender 2×"),
                Line("Capstan Fluid head, heavy"), Line("Capstan Gimbal, large"), Line("Capstan Battery plate 98 Wh", 2, onRig: true), Line("Capstan Card 256 GB", 2), Line("Capstan Rain cover"),
            ],
        },
    ];

    /// <summary>The units beyond the first of their model, and what is known of some that are not new.</summary>
    /// <param name="now">Their time.</param>
    /// <returns>New, unsaved units; those under the identity of a model say what its first is called.</returns>
    public static IEnumerable<GearUnit> Units(DateTimeOffset now)
    {
        GearUnit Unit(int number, string model, string label, UnitCondition condition = UnitCondition.Good, string note = "") =>
            new() { Id = number == 0 ? Model(model) : Id("f0", number), GearId = Model(model), Label = label, Place = "Shed store", Condition = condition, ConditionNote = note, UpdatedAt = now };
        for (var i = 1; i <= 7; i++)
        {
            yield return Unit(i, "Capstan Battery, small", $"S{i + 1}", i == 7 ? UnitCondition.Damaged : UnitCondition.Good, i == 7 ? "Swollen: not to be charged" : "");
        }

        for (var i = 11; i <= 16; i++)
        {
            yield return Unit(i, "Capstan Card 256 GB", $"C{i - 9}");
        }

        yield return Unit(21, "Capstan Battery plate 98 Wh", "P2");
        yield return Unit(0, "Selkie Tern", "0417");
        yield return Unit(31, "Selkie Tern", "0418", UnitCondition.Worn, "Screen hinge is loose");
    }

    /// <summary>Who has booked what.</summary>
    /// <param name="now">Their time.</param>
    /// <returns>New, unsaved bookings; no two of one unit overlap.</returns>
    public static IEnumerable<Booking> Bookings(DateTimeOffset now)
    {
        var number = 0;
        Booking Booked(string model, Guid bag, string unit, int first, int last, int hoursAround) => new()
        {
            Id = Id("f1", ++number),
            GearUnitId = Model(model),
            ProductionId = DemoProduction.ProductionId,
            BagId = bag,
            CrewUnit = unit,
            StartsAt = At(first, 7),
            EndsAt = At(last, 19),
            BlockedFrom = At(first, 7 - hoursAround),
            BlockedTo = At(last, 19 + hoursAround),
            UpdatedAt = now,
        };
        foreach (var model in new[] { "Selkie Tern", "Selkie 24–70 mm ƒ2.8", "Selkie 16–35 mm ƒ4", "Selkie 100 mm ƒ2.8 macro", "Capstan Fluid head", "Capstan Gimbal, large" })
        {
            yield return Booked(model, zooms, Shed, 19, 21, 1);
        }

        foreach (var model in new[] { "Dunlin Stint", "Dunlin 70–200 mm ƒ2.8", "Dunlin 150–600 mm ƒ5–6.3", "Capstan Fluid head, heavy", "Capstan Gimbal, large" })
        {
            yield return Booked(model, river, River, 22, 24, 2);
        }
    }

    private static DateTimeOffset At(int day, int hour) => new(2027, 4, day, hour, 0, 0, TimeSpan.Zero);

    private static BagLineInput Line(string model, int count = 1, bool onRig = false) => new() { Id = Model(model), Count = count, OnRig = onRig };

    private static Guid Model(string name) => DemoShelf.Items.Single(i => i.FullName == name).Id;

    private static Guid Id(string kind, int number) => new($"10f7a7e0-0000-4000-8000-00000000{kind}{number:d2}");
}

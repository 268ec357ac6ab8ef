using System.Text.Json;
using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Bags;
using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits;
using Juxtopsis.Core.Kits.Front;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Bags;

/// <summary>The door to bags: what they weigh, cost and reach at once; what one does in a day a few rigs at a time, like <see cref="FitDoor"/>.</summary>
/// <param name="shelf">The shelf.</param>
public sealed class BagDoor(ShelfParts shelf)
{
    /// <summary>Of the whole work, how much asking is: an estimate, for telling progress.</summary>
    private const double ShareOfAsking = 0.6;

    private static readonly Quantity Percent = new("What is put on top", "%", 0, 1000, "19");

    private BagDayRequest? day;
    private FittingShelf? rigs;
    private IReadOnlyList<DayShot> shots = [];
    private BagSearch? search;
    private FrontRequest? front;
    private FrontSearch? fronts;
    private FittingShelf? among;
    private readonly List<AskedShot> asked = [];
    private readonly Dictionary<string, AskedShot> known = [];
    private FittingShelf? knownOf;
    private FitSearch? asking;
    private AskedShot? filtering;
    private FilterFinder? filters;

    /// <summary>What bags weigh, cost and reach.</summary>
    /// <param name="json">A <see cref="BagsRequest"/>.</param>
    /// <param name="unit">The person's unit; no sentence here has a distance.</param>
    /// <returns>200 with a <see cref="BagsResponse"/>, or a refusal.</returns>
    public WireAnswer Bags(ReadOnlySpan<byte> json, LengthUnit unit)
    {
        if (WireReader.Read(json, WireJson.Default.BagsRequest, Check, out var request) is { } refused)
        {
            return refused;
        }

        var gear = GearById();
        var usable = request!.Usable.ToDictionary(u => u.Id, u => u.Count);
        BagOutput Of(BagInput input)
        {
            var bag = input.ToCore(gear) with { Surcharge = new(request.MarginPercent, request.TaxPercent), Currency = request.Currency, Usable = usable, Elsewhere = BagMapping.Elsewhere(input, request.Bags) };
            return input.ToWire(bag, gear, BagReach.Of(shelf.Whole.Only([.. input.Lines.Select(l => l.Id)], []), shelf.Whole, request.Delivery.Aspect, Core.Rigs.Conventions.Default));
        }

        return new(200, JsonSerializer.SerializeToUtf8Bytes(new BagsResponse([.. request.Bags.Select(Of)]), WireJson.Default.BagsResponse));
    }

    /// <summary>Asks what a bag does in a day, in place of what was asked before.</summary>
    /// <param name="json">A <see cref="BagDayRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>A refusal; null when it is taken on.</returns>
    public WireAnswer? AskDay(ReadOnlySpan<byte> json, LengthUnit unit)
    {
        (day, search) = (null, null);
        if (WireReader.Read(json, WireJson.Default.BagDayRequest, (checks, r) => Check(checks, r, unit), out var request) is { } refused)
        {
            return refused;
        }

        day = request! with { Shots = BagMapping.ShotsOf(request!) };
        rigs = shelf.Whole.Only([.. day.Bag.Lines.Select(l => l.Id)], []);
        shots = [.. day.Shots.Select(s => new DayShot(LocationOf(s).ToCore(s), s.ToCore(day.Delivery) with { Support = shelf.Whole.LimitsOf(s.Support) }))];
        search = new(day.Bag.ToCore(GearById()), rigs, shots, [.. day.Shots.Select(s => s.Support)], Core.Rigs.Conventions.Default, day.Delivery.ToRules());
        return null;
    }

    /// <summary>Asks some more rigs.</summary>
    /// <param name="count">How many at most.</param>
    /// <returns>How much is done, 0 to 1; 1 also when nothing is asked.</returns>
    public double StepDay(int count) => search is null || search.Step(count) ? 1 : Math.Min(search.Done, 0.999);

    /// <summary>What the bag does.</summary>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="BagDayResponse"/>.</returns>
    /// <exception cref="InvalidOperationException">Nothing was asked.</exception>
    public WireAnswer AnswerDay(LengthUnit unit)
    {
        if (search is null || day is null)
        {
            throw new InvalidOperationException("Nothing was asked.");
        }

        string Why(int shot) => FitMapping.ToAnswer(
            new FitSearch(rigs!, shots[shot].Location, shots[shot].Brief, Core.Rigs.Conventions.Default, day.Shots[shot].Criterion, rules: day.Delivery.ToRules()).Finish(1), day.Shots[shot], unit).Say;
        return new(200, JsonSerializer.SerializeToUtf8Bytes(search.Finish().ToWire(day.Bag, day.Shots, shelf.Whole.Gear, Why, unit), WireJson.Default.BagDayResponse));
    }

    /// <summary>Asks for the front of two criteria, in place of what was asked before. Shots that were asked of the same gear before are not asked again.</summary>
    /// <param name="json">A <see cref="FrontRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>A refusal; null when it is taken on.</returns>
    public WireAnswer? AskFront(ReadOnlySpan<byte> json, LengthUnit unit)
    {
        (front, fronts, asking, filtering) = (null, null, null, null);
        asked.Clear();
        if (WireReader.Read(json, WireJson.Default.FrontRequest, (checks, r) => Check(checks, r, unit), out var request) is { } refused)
        {
            return refused;
        }

        (front, among) = (request!, shelf.Of(request!.Bag, request.LeftOut));
        if (!ReferenceEquals(among, knownOf))
        {
            known.Clear();
            (knownOf, filters) = (among, new(among.Gear, among.Mounts));
        }

        return null;
    }

    /// <summary>Asks some more rigs, or looks at some more bags.</summary>
    /// <param name="count">How many at most.</param>
    /// <returns>How much is done, 0 to 1; 1 also when nothing is asked.</returns>
    public double StepFront(int count)
    {
        if (front is null)
        {
            return 1;
        }

        if (asked.Count < front.Shots.Count)
        {
            AskShot(count);
            return ShareOfAsking * asked.Count / front.Shots.Count;
        }

        fronts ??= FrontSearch.Of(asked, [.. front.Shots.Select(s => s.CameraSupport)], among!, new(front.One, front.Other) { Given = front.Given, MostBodies = front.MostBodies, Plan = front.Plan.ToCore() });
        return fronts.Step(count) ? 1 : ShareOfAsking + (1 - ShareOfAsking) * fronts.Found / (fronts.Found + 4.0);
    }

    /// <summary>The front, or what is known of it so far.</summary>
    /// <param name="unit">The person's unit; no sentence here has a distance.</param>
    /// <returns>200 with a <see cref="FrontResponse"/>.</returns>
    /// <exception cref="InvalidOperationException">Nothing was asked.</exception>
    public WireAnswer AnswerFront(LengthUnit unit)
    {
        if (front is null)
        {
            throw new InvalidOperationException("Nothing was asked.");
        }

        while (fronts is null)
        {
            StepFront(int.MaxValue);
        }

        return new(200, JsonSerializer.SerializeToUtf8Bytes(fronts.SoFar().ToWire(fronts, front.Shots), WireJson.Default.FrontResponse));
    }

    private void AskShot(int rigs)
    {
        var shot = front!.Shots[asked.Count];
        var location = front.Locations.First(p => p.Id == shot.LocationId);
        var key = JsonSerializer.Serialize(new FitRequest { Location = location, Shot = shot with { Chosen = null, ComparisonId = null }, Delivery = front.Delivery }, WireJson.Default.FitRequest);
        if (known.TryGetValue(key, out var before))
        {
            asked.Add(before);
            return;
        }

        var rules = front.Delivery.ToRules();
        if (filtering is null)
        {
            asking ??= new(
                among!, location.ToCore(shot), shot.ToCore(front.Delivery) with { Support = shelf.Whole.LimitsOf(shot.Support) }, Core.Rigs.Conventions.Default, RankingCriterion.LeastWeight, rules: rules);
            filtering = asking.Step(rigs) ? AskedShot.Of(asking, rules) : null;
        }
        else if (filtering.FindFilters(filters!, front.Delivery.HighestIso, rigs))
        {
            asked.Add(known[key] = filtering);
            (asking, filtering) = (null, null);
        }
    }

    private Dictionary<Guid, GearItem> GearById() => shelf.Whole.Gear.Where(i => i.Kind != GearKind.Mount).ToDictionary(i => i.Id);

    private LocationInput LocationOf(ShotInput shot) => day!.Locations.First(p => p.Id == shot.LocationId);

    private static void Check(FieldChecks checks, BagsRequest request)
    {
        BagInputChecks.Check(checks, request.Bags, "bags");
        ProductionChecks.CheckDelivery(checks, request.Delivery, "delivery.");
        ProductionChecks.CheckCount(checks, "usable", request.Usable.Count, 20_000, "models");
        checks.Text("currency", request.Currency, "The currency", 8);
        checks.InRange("marginPercent", request.MarginPercent, Percent with { Name = "Margin" });
        checks.InRange("taxPercent", request.TaxPercent, Percent with { Name = "Tax" });
        if (checks.NoNull("usable", request.Usable))
        {
            for (var i = 0; i < request.Usable.Count; i++)
            {
                checks.InRange($"usable[{i}].count", request.Usable[i].Count, Quantity.Count with { Min = 0, Max = 1000 });
            }

            ProductionChecks.CheckOnce(checks, "usable", request.Usable.Select(u => u.Id), "model");
        }
    }

    private static void Check(FieldChecks checks, FrontRequest request, LengthUnit unit)
    {
        ProductionChecks.Check(checks, new ProductionDocument { SchemaVersion = ProductionDocument.CurrentVersion, Locations = request.Locations, Shots = request.Shots, Delivery = request.Delivery }, "");
        ProductionChecks.CheckCount(checks, "shots", request.Shots.Count, DaySearch.MostShots, "shots of a day");
        ProductionChecks.CheckCount(checks, "bag", request.Bag?.Count ?? 0, 5000, "things in the bag");
        ProductionChecks.CheckCount(checks, "leftOut", request.LeftOut.Count, 5000, "things left out");
        ProductionChecks.CheckCount(checks, "given", request.Given.Count, 1000, "things given");
        BagInputChecks.CheckPlan(checks, request.Plan, "plan.");
        checks.InRange("mostBodies", request.MostBodies, Quantity.Count with { Name = "Most bodies", Max = 99 });
        if (request.One == request.Other)
        {
            checks.Add("other", $"{request.Other}", "another than the one", "Both axes are the same.", "Choose another for one of them.");
        }
    }

    private static void Check(FieldChecks checks, BagDayRequest request, LengthUnit unit)
    {
        BagInputChecks.Check(checks, request.Bag, "bag.");
        ProductionChecks.Check(checks, new ProductionDocument { SchemaVersion = ProductionDocument.CurrentVersion, Locations = request.Locations, Shots = request.Shots, Delivery = request.Delivery }, "");
        ProductionChecks.CheckCount(checks, "shots", request.Shots.Count, DaySearch.MostShots, "shots of a day");
    }
}

using System.Text.Json;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Kits;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Fitting;

/// <summary>
/// The door to what fits. Unlike <see cref="CoreDoor"/> it keeps something: a shelf put together, and a question that is being
/// answered. Both are gone through a few rigs at a time, so that a page can show progress, stay quick, and stop. The server goes
/// through them at once; the answers are the same.
/// </summary>
public sealed class FitDoor
{
    private readonly ShelfParts parts;
    private readonly FittingShelf shelf;
    private FitRequest? asked;
    private FitSearch? search;
    private DayRequest? day;
    private DaySearch? days;

    /// <summary>Opens the door to a shelf.</summary>
    /// <param name="parts">The shelf; it may still have to be put together.</param>
    public FitDoor(ShelfParts parts)
    {
        ArgumentNullException.ThrowIfNull(parts);
        (this.parts, shelf) = (parts, parts.Whole);
    }

    /// <summary>Reads a part of a shelf: things that are retired or cannot be read are left aside.</summary>
    /// <param name="json">A file as <see cref="ShelfFile"/> writes it.</param>
    /// <returns>The gear.</returns>
    public static IEnumerable<GearItem> Read(ReadOnlyMemory<byte> json) =>
        ShelfFile.Read(json, "shelf").Where(r => r.Item is not null && !r.Retired).Select(r => r.Item!);

    /// <summary>Puts some more of the shelf together.</summary>
    /// <param name="pairs">How many pairs of body and lens at most.</param>
    /// <returns>How much of it is done, 0 to 1.</returns>
    public double Prepare(int pairs) => shelf.Step(pairs) ? 1 : (double)shelf.Done / shelf.Pairs;

    /// <summary>Asks what fits, in place of what was asked before.</summary>
    /// <param name="json">A <see cref="FitRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>A refusal; null when it is taken on.</returns>
    public WireAnswer? Ask(ReadOnlySpan<byte> json, LengthUnit unit)
    {
        (asked, search) = (null, null);
        if (WireReader.Read(json, WireJson.Default.FitRequest, (checks, r) => Check(checks, r, unit), out var request) is { } refused)
        {
            return refused;
        }

        asked = request;
        search = SearchOf(request!, request!.Rig is { } rig ? shelf.Alone(rig.ToCore()) : parts.Of(request.Bag, request.LeftOut));
        return null;
    }

    /// <summary>A shot with what its support carries: the shelf knows that.</summary>
    private ShotBrief BriefOf(ShotInput shot, DeliveryInput delivery) => shot.ToCore(delivery) with { Support = shelf.LimitsOf(shot.Support) };

    private FitSearch SearchOf(FitRequest request, FittingShelf among) => new(
        among, request.Location.ToCore(request.Shot), BriefOf(request.Shot, request.Delivery), Core.Rigs.Conventions.Default, request.Shot.Criterion, request.Before?.ToCore(), request.Delivery.ToRules());

    /// <summary>Asks some more rigs.</summary>
    /// <param name="rigs">How many at most.</param>
    /// <returns>How much is done, 0 to 1; 1 also when nothing is asked.</returns>
    public double Step(int rigs) => search is null || search.Step(rigs) ? 1 : (double)search.Done / search.Total;

    /// <summary>The answer.</summary>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="FitResponse"/>.</returns>
    /// <exception cref="InvalidOperationException">Nothing was asked.</exception>
    public WireAnswer Answer(LengthUnit unit)
    {
        if (search is null || asked is null)
        {
            throw new InvalidOperationException("Nothing was asked.");
        }

        var result = search.Finish(asked.Most, asked.MostMisses, withMargins: true);
        var chosen = asked.Rig is null && asked.Shot.Chosen is { } choice ? SearchOf(asked, shelf.Alone(choice.ToCore())).Finish(1, withMargins: true) : null;
        return new(200, JsonSerializer.SerializeToUtf8Bytes(result.ToWire(asked, search.Criterion, search.Looked, shelf.IsCut, chosen, unit), WireJson.Default.FitResponse));
    }

    /// <summary>Asks which lenses do all shots of a day, in place of what was asked before.</summary>
    /// <param name="json">A <see cref="DayRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>A refusal; null when it is taken on.</returns>
    public WireAnswer? AskDay(ReadOnlySpan<byte> json, LengthUnit unit)
    {
        (day, days) = (null, null);
        if (WireReader.Read(json, WireJson.Default.DayRequest, (checks, r) => Check(checks, r, unit), out var request) is { } refused)
        {
            return refused;
        }

        day = request;
        days = new(parts.Of(request!.Bag, request.LeftOut), [.. request.Shots.Select(s => new DayShot(LocationOf(request, s).ToCore(s), BriefOf(s, request.Delivery)))], Core.Rigs.Conventions.Default, request.Counts, request.Delivery.ToRules());
        return null;
    }

    /// <summary>Asks some more rigs for a shot of the day.</summary>
    /// <param name="rigs">How many at most.</param>
    /// <returns>How much is done, 0 to 1; 1 also when nothing is asked.</returns>
    public double StepDay(int rigs) => days is null || days.Step(rigs) ? 1 : Math.Min(days.Done, 0.999);

    /// <summary>The answer for the day.</summary>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="DayResponse"/>.</returns>
    /// <exception cref="InvalidOperationException">Nothing was asked.</exception>
    public WireAnswer AnswerDay(LengthUnit unit)
    {
        if (days is null || day is null)
        {
            throw new InvalidOperationException("Nothing was asked.");
        }

        return new(200, JsonSerializer.SerializeToUtf8Bytes(days.Finish().ToWire(day.Shots, OfRig(day, unit), unit), WireJson.Default.DayResponse));
    }

    /// <summary>Which filters and rings serve the shots of a day with the rigs that are chosen for them: the fewest.</summary>
    /// <param name="json">A <see cref="DayRequest"/>; what is in its bag does not matter, since filters are chosen from the whole shelf.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="FilterDayResponse"/>, or a refusal.</returns>
    public WireAnswer Filters(ReadOnlySpan<byte> json, LengthUnit unit)
    {
        if (WireReader.Read(json, WireJson.Default.DayRequest, (checks, r) => Check(checks, r, unit), out var request) is { } refused)
        {
            return refused;
        }

        var shots = request!.Shots;
        Fit?[] fits = [.. shots.Select(shot => FitOf(request, shot))];
        FilterNeed?[] needs = [.. fits.Select(fit => fit is null ? null : FilterNeed.Of(fit, request.Delivery.HighestIso))];
        var without = request.LeftOut.ToHashSet();
        var result = FilterDay.Solve(shelf.Gear.Where(i => !without.Contains(i.Id)), shelf.Mounts, needs);
        return new(200, JsonSerializer.SerializeToUtf8Bytes(result.ToWire(shots, fits, needs), WireJson.Default.FilterDayResponse));
    }

    /// <summary>How the rig that is chosen for a shot gives it; null where none is chosen, or it does not.</summary>
    private Fit? FitOf(DayRequest request, ShotInput shot) => shot.Chosen is not { } chosen ? null
        : new FitSearch(shelf.Alone(chosen.ToCore()), LocationOf(request, shot).ToCore(shot), BriefOf(shot, request.Delivery), Core.Rigs.Conventions.Default, shot.Criterion, rules: request.Delivery.ToRules())
            .Finish(1).Fits is [var fit, ..] ? fit : null;

    /// <summary>What one rig gives of the day's shots.</summary>
    private List<ShotAnswerOutput> OfRig(DayRequest request, LengthUnit unit)
    {
        if (request.Rig is not { } rig)
        {
            return [];
        }

        var alone = shelf.Alone(rig.ToCore());
        return [.. request.Shots.Select(shot => FitMapping.ToAnswer(
            new FitSearch(alone, LocationOf(request, shot).ToCore(shot), BriefOf(shot, request.Delivery), Core.Rigs.Conventions.Default, shot.Criterion, rules: request.Delivery.ToRules()).Finish(1), shot, unit))];
    }

    private static LocationInput LocationOf(DayRequest request, ShotInput shot) => request.Locations.First(p => p.Id == shot.LocationId);

    private static void Check(FieldChecks checks, FitRequest request, LengthUnit unit)
    {
        ProductionChecks.CheckLocation(checks, request.Location, unit, "location.");
        ProductionChecks.CheckShot(checks, request.Shot, unit, "shot.");
        ProductionChecks.CheckDelivery(checks, request.Delivery, "delivery.");
        ProductionChecks.CheckChosen(checks, request.Before, "before.");
        ProductionChecks.CheckChosen(checks, request.Rig, "rig.");
        ProductionChecks.CheckCount(checks, "bag", request.Bag?.Count ?? 0, 5000, "things in the bag");
        ProductionChecks.CheckCount(checks, "leftOut", request.LeftOut.Count, 5000, "things left out");
        checks.InRange("most", request.Most, Quantity.Count with { Name = "Most", Min = 1, Max = 200 });
        checks.InRange("mostMisses", request.MostMisses, Quantity.Count with { Name = "Most", Min = 0, Max = 200 });
    }

    private static void Check(FieldChecks checks, DayRequest request, LengthUnit unit)
    {
        ProductionChecks.Check(checks, new ProductionDocument { SchemaVersion = ProductionDocument.CurrentVersion, Locations = request.Locations, Shots = request.Shots, Delivery = request.Delivery, Counts = request.Counts }, "");
        ProductionChecks.CheckCount(checks, "bag", request.Bag?.Count ?? 0, 5000, "things in the bag");
        ProductionChecks.CheckCount(checks, "leftOut", request.LeftOut.Count, 5000, "things left out");
        ProductionChecks.CheckCount(checks, "shots", request.Shots.Count, DaySearch.MostShots, "shots of a day");
        ProductionChecks.CheckChosen(checks, request.Rig, "rig.");
    }
}

using Juxtopsis.Contracts.Bags;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Sheets;
using Juxtopsis.Contracts.Works;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Productions;

/// <summary>Refuses what is out of range in places, shots and productions, in the same words on both hosts.</summary>
public static class ProductionChecks
{
    private const int MaxName = 80;
    private const int MaxNote = 500;
    private const int MaxCaution = 280;
    private const int MaxUnit = 60;
    private const int MaxLinks = 8;
    private const int MaxLevels = 24;

    /// <summary>Checks a production.</summary>
    /// <param name="input">The production.</param>
    /// <returns>The problem, or null when it can be stored.</returns>
    public static Problem? Check(ProductionInput input)
    {
        ArgumentNullException.ThrowIfNull(input);
        var checks = new FieldChecks();
        WorkChecks.CheckName(checks, input.Name, "The production");
        WorkChecks.CheckVersion(checks, input.Document.SchemaVersion, ProductionDocument.CurrentVersion);
        Check(checks, input.Document, "document.");
        return checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
    }

    internal static void Check(FieldChecks checks, ProductionDocument document, string prefix)
    {
        checks.Text(prefix + "note", document.Note, "The note", MaxCaution);
        CheckDelivery(checks, document.Delivery, prefix + "delivery.");
        CheckCount(checks, prefix + "units", document.Units.Count, 40, "units");
        CheckCount(checks, prefix + "locations", document.Locations.Count, 200, "places");
        CheckCount(checks, prefix + "shots", document.Shots.Count, 1000, "shots");
        CheckCount(checks, prefix + "counts", document.Counts.Count, 12, "things that count");
        BagInputChecks.Check(checks, document.Bags, prefix + "bags");
        SheetInputChecks.Check(checks, document.Sheets, prefix + "sheets");
        if (!checks.NoNull(prefix + "locations", document.Locations) | !checks.NoNull(prefix + "shots", document.Shots))
        {
            return;
        }

        for (var i = 0; i < document.Units.Count; i++)
        {
            checks.Text($"{prefix}units[{i}]", document.Units[i], "The unit's name", MaxUnit);
        }

        for (var i = 0; i < document.Locations.Count; i++)
        {
            var (place, at) = (document.Locations[i], $"{prefix}locations[{i}].");
            checks.Of(place.Name, () => CheckLocation(checks, place, LengthUnit.Metres, at));
        }

        var places = document.Locations.Select(p => p.Id).ToHashSet();
        var levels = document.Locations.SelectMany(p => p.Levels, (p, l) => (p.Id, (Guid?)l?.Id)).ToHashSet();
        for (var i = 0; i < document.Shots.Count; i++)
        {
            var (shot, at) = (document.Shots[i], $"{prefix}shots[{i}].");
            checks.Of(shot.Name, () => CheckShot(checks, shot, LengthUnit.Metres, at));
            if (!places.Contains(shot.LocationId))
            {
                checks.Add(at + "locationId", $"{shot.LocationId}", "one of the places", $"The shot “{shot.Name}” is at a place that is not there.", "Choose one of the places.");
            }

            if (shot.LevelId is { } level && !levels.Contains((shot.LocationId, level)))
            {
                checks.Add(at + "levelId", $"{level}", "one of the levels of its place", $"The shot “{shot.Name}” is at a level of light that its place does not have.", "Choose one of them, or none.");
            }
        }

        if (document.ChooseFrom is { } bag && document.Bags.All(b => b?.Id != bag))
        {
            checks.Add(prefix + "chooseFrom", $"{bag}", "one of the bags", "The bag to choose from is not there.", "Choose one of the bags, or the whole shelf.");
        }

        CheckOnce(checks, prefix + "locations", document.Locations.Select(p => p.Id), "place");
        CheckOnce(checks, prefix + "shots", document.Shots.Select(s => s.Id), "shot");
    }

    internal static void CheckDelivery(FieldChecks checks, DeliveryInput delivery, string prefix)
    {
        checks.InRange(prefix + "aspect", delivery.Aspect, Quantity.DeliveryAspect);
        checks.InRange(prefix + "widthPx", delivery.WidthPx, Quantity.Pixels);
        checks.InRange(prefix + "timelineFps", delivery.TimelineFps, Quantity.Fps);
        checks.InRange(prefix + "shutterAngleDeg", delivery.ShutterAngleDeg, Quantity.ShutterAngle);
        checks.InRange(prefix + "shutterSeconds", delivery.ShutterSeconds, Quantity.ShutterTime);
        checks.InRange(prefix + "tolerances.focalLengthShare", delivery.Tolerances.FocalLengthShare, Quantity.Tolerance with { Name = "± of focal lengths" });
        checks.InRange(prefix + "tolerances.factorShare", delivery.Tolerances.FactorShare, Quantity.Tolerance with { Name = "± of factors" });
        checks.InRange(prefix + "tolerances.tapeMm", delivery.Tolerances.TapeMm, Quantity.Kept with { Name = "± of the tape", Max = 10_000 });
        checks.InRange(prefix + "tolerances.roomMm", delivery.Tolerances.RoomMm, Quantity.Kept with { Name = "± of the room", Max = 100_000 });
        checks.InRange(prefix + "highestIso", delivery.HighestIso, Quantity.Sensitivity with { Name = "Highest sensitivity" });
    }

    internal static void CheckLocation(FieldChecks checks, LocationInput place, LengthUnit unit, string prefix)
    {
        Name(checks, prefix + "name", place.Name, "The place");
        checks.InRange(prefix + "lengthMm", place.LengthMm, Quantity.RoomSize with { Name = "Length of the place" }, unit);
        checks.InRange(prefix + "widthMm", place.WidthMm, Quantity.RoomSize with { Name = "Width of the place" }, unit);
        checks.InRange(prefix + "heightMm", place.HeightMm, Quantity.RoomSize with { Name = "Height of the place" }, unit);
        checks.InRange(prefix + "behindMm", place.BehindMm, Quantity.Kept with { Name = "Distance to what is behind" }, unit);
        checks.InRange(prefix + "leastBehindMm", place.LeastBehindMm, Quantity.Kept with { Name = "Least distance to what is behind" }, unit);
        checks.InRange(prefix + "mostBehindMm", place.MostBehindMm, Quantity.Kept with { Name = "Most distance to what is behind" }, unit);
        checks.InRange(prefix + "sideMm", place.SideMm, Quantity.Kept with { Name = "Distance to the side" }, unit);
        checks.InRange(prefix + "keepOffMm", place.KeepOffMm, Quantity.Kept with { Name = "Distance to keep off" }, unit);
        checks.InRange(prefix + "brightnessEv", place.BrightnessEv, Quantity.Brightness);
        CheckCount(checks, prefix + "levels", place.Levels.Count, MaxLevels, "levels of light");
        if (checks.NoNull(prefix + "levels", place.Levels))
        {
            for (var i = 0; i < place.Levels.Count; i++)
            {
                Name(checks, $"{prefix}levels[{i}].name", place.Levels[i].Name, "The level");
                checks.InRange($"{prefix}levels[{i}].brightnessEv", place.Levels[i].BrightnessEv, Quantity.Brightness);
            }

            CheckOnce(checks, prefix + "levels", place.Levels.Select(l => l.Id), "level");
        }

        checks.InRange(prefix + "mainsHertz", place.MainsHertz, Quantity.Mains);
        checks.Text(prefix + "note", place.Note, "The note", MaxNote);
        checks.InOrder(
            prefix + "mostBehindMm", place.LeastBehindMm, place.MostBehindMm, "The subject may be at most nearer to what is behind it than at least.", "Change either.");
        CheckCount(checks, prefix + "hazards", place.Hazards.Count, 20, "hazards");
        if (place.BehindMm is null && (place.LengthMm ?? place.WidthMm) is not null)
        {
            checks.Add(prefix + "behindMm", "", Quantity.Kept.Range(unit), "A place with an end needs the distance from the subject to what is behind it.", "Give it, or leave length and width out.");
        }
    }

    internal static void CheckShot(FieldChecks checks, ShotInput shot, LengthUnit unit, string prefix)
    {
        Name(checks, prefix + "name", shot.Name, "The shot");
        checks.Text(prefix + "unit", shot.Unit, "The unit's name", MaxUnit);
        checks.Text(prefix + "note", shot.Note, "The note", MaxNote);
        checks.Text(prefix + "caution", shot.Caution, "The caution", MaxCaution);
        checks.InRange(prefix + "subject.heightMm", shot.Subject.HeightMm, Quantity.SubjectSize with { Name = "Height of the subject" }, unit);
        checks.InRange(prefix + "subject.widthMm", shot.Subject.WidthMm, Quantity.SubjectSize with { Name = "Width of the subject" }, unit);
        checks.InRange(prefix + "subject.spacingMm", shot.Subject.SpacingMm, Quantity.SubjectSize with { Name = "Spacing of people" }, unit);
        checks.InRange(prefix + "subject.baseMm", shot.Subject.BaseMm, Quantity.Kept with { Name = "Height of what it stands on" }, unit);
        checks.InRange(prefix + "subject.depthMm", shot.Subject.DepthMm, Quantity.Kept with { Name = "Height of what it stands on" }, unit);
        checks.InRange(prefix + "subject.count", shot.Subject.Count, Quantity.Count with { Name = "People", Min = 1, Max = 200 });
        checks.InRange(prefix + "framedMm", shot.FramedMm, Quantity.FieldSize, unit);
        checks.InRange(prefix + "headroom", shot.Headroom, Quantity.PictureShare);
        checks.InRange(prefix + "rearMm", shot.RearMm, Quantity.Kept with { Name = "Room behind the camera" }, unit);
        checks.InRange(prefix + "movesMm", shot.MovesMm, Quantity.Kept with { Name = "Movement of the subject" }, unit);
        checks.InRange(prefix + "behindMm", shot.BehindMm, Quantity.Kept with { Name = "Distance to what is behind" }, unit);
        checks.InRange(prefix + "captureFps", shot.CaptureFps, Quantity.Fps);
        checks.InRange(prefix + "deliveryAspect", shot.DeliveryAspect, Quantity.DeliveryAspect);
        checks.InRange(prefix + "takeSeconds", shot.TakeSeconds, Quantity.Seconds);
        CheckChosen(checks, shot.Chosen, prefix + "chosen.");
    }

    internal static void CheckChosen(FieldChecks checks, ChosenInput? chosen, string prefix)
    {
        if (chosen is not null)
        {
            checks.Text(prefix + "mode", chosen.Mode, "The mode", 300);
            checks.Text(prefix + "name", chosen.Name, "The rig's name", 1000);
            CheckCount(checks, prefix + "links", chosen.Links.Count, MaxLinks, "links");
            CheckCount(checks, prefix + "front", chosen.Front.Count, MaxLinks, "parts in front");
            checks.InRange(prefix + "punchIn", chosen.PunchIn, Quantity.PunchIn);
        }
    }

    internal static void CheckCount(FieldChecks checks, string field, int count, int most, string what)
    {
        if (count > most)
        {
            checks.Add(field, $"{count}", $"up to {most}", $"{count} {what} are more than {most}.", "Leave some out.");
        }
    }

    internal static void CheckOnce(FieldChecks checks, string field, IEnumerable<Guid> ids, string what)
    {
        if (ids.GroupBy(id => id).FirstOrDefault(g => g.Count() > 1) is { } twice)
        {
            checks.Add(field, $"{twice.Key}", "each identity once", $"Two of them are the same {what} by their identity.", "Give one of them another.");
        }
    }

    internal static void Name(FieldChecks checks, string field, string name, string what)
    {
        checks.Text(field, name, $"{what}'s name", MaxName);
        if (string.IsNullOrWhiteSpace(name))
        {
            checks.Add(field, "", $"1 to {MaxName} characters", $"{what} has no name.", "Give it one.");
        }
    }
}

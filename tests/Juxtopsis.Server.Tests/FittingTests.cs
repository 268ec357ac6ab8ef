using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Data.Demo;
using Juxtopsis.Server.Fitting;

namespace Juxtopsis.Server.Tests;

/// <summary>What fits, over HTTP and for the demo production; and productions that are stored.</summary>
public sealed class FittingTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private static readonly FittingShelf Shelf = FittingShelf.Of(DemoShelf.Items);

    /// <summary>The shots of the demo that nothing gives as they stand, by name.</summary>
    private static readonly string[] AfterAChange = ["By the door, soft behind", "The sailmaker, head to foot"];

    public static TheoryData<string> Shots => [.. DemoProduction.Document.Shots.Select(s => s.Name)];

    private static FitRequest RequestOf(ShotInput shot)
    {
        var document = DemoProduction.Document;
        return new() { Location = document.Locations.First(p => p.Id == shot.LocationId), Shot = shot, Delivery = document.Delivery };
    }

    private static FitResponse Ask(ShotInput shot, ChosenInput? rig = null)
    {
        var door = new FitDoor(new(Shelf));
        Assert.Null(door.Ask(JsonSerializer.SerializeToUtf8Bytes(RequestOf(shot) with { Rig = rig }, WireJson.Default.FitRequest), LengthUnit.Metres));
        return JsonSerializer.Deserialize(door.Answer(LengthUnit.Metres).Body.Span, WireJson.Default.FitResponse)!;
    }

    private static ShotInput Named(string name) => DemoProduction.Document.Shots.First(s => s.Name == name);

    [Theory]
    [MemberData(nameof(Shots))]
    public void Each_demo_shot_can_be_done_two_of_them_after_a_change_that_is_proposed(string name)
    {
        var shot = Named(name);
        var answer = Ask(shot);
        Assert.DoesNotContain(answer.Contradictions, c => c.Severity == Severity.Stops);
        Assert.Equal(Shelf.Rigs.Select(r => r.Group).Distinct().Count(), answer.FitCount + answer.MissCount);
        if (!AfterAChange.Contains(name))
        {
            Assert.NotEqual(0, answer.FitCount);
            return;
        }

        Assert.Equal(0, answer.FitCount);
        var remedy = answer.Misses.SelectMany(m => m.Remedies).First(r => r.Kind is RemedyKind.SubjectForward or RemedyKind.SubjectBack);
        Assert.NotEqual(0, Ask(shot with { BehindMm = remedy.Value }).FitCount);
    }

    [Theory]
    [MemberData(nameof(Shots))]
    public async Task Each_demo_shot_is_answered_in_every_order(string name)
    {
        foreach (var criterion in Enum.GetValues<RankingCriterion>())
        {
            var request = RequestOf(Named(name) with { Criterion = criterion });
            var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/fit", JsonSerializer.Serialize(request, WireJson.Default.FitRequest));
            Assert.True((int)answer.Status == 200, $"{name}, {criterion}: {answer.Json}");
            Assert.Equal(AfterAChange.Contains(name), answer.Json["fits"]!.AsArray().Count == 0);
        }
    }

    [Fact]
    public async Task On_all_processors_the_same_rigs_are_put_together_in_the_same_order()
    {
        static IEnumerable<string> Told(FittingShelf shelf) => shelf.Rigs.Select(r => $"{r.Group} {string.Join('+', r.Parts.Select(p => p.Id))}");
        var built = await ShelfBuilder.BuildAsync(DemoShelf.Items);
        Assert.Equal((Shelf.Pairs, false), (built.Done, built.IsCut));
        Assert.Equal(Told(Shelf), Told(built));
        Assert.Empty((await ShelfBuilder.BuildAsync([])).Rigs);
    }

    [Fact]
    public void The_pictures_of_a_production_are_those_of_its_shots_asked_one_by_one()
    {
        var document = DemoProduction.Document;
        var answer = CoreDoor.Frames(JsonSerializer.SerializeToUtf8Bytes(document, WireJson.Default.ProductionDocument));
        Assert.Equal(200, answer.Status);
        Assert.Equal(
            document.Shots.Select(shot => Ask(shot).Frame),
            JsonSerializer.Deserialize(answer.Body.Span, WireJson.Default.FrameOutputArray)!);
        Assert.Equal(422, CoreDoor.Frames(JsonSerializer.SerializeToUtf8Bytes(document with { Locations = [] }, WireJson.Default.ProductionDocument)).Status);
    }

    [Fact]
    public void Several_people_ask_one_shelf_at_once_and_each_has_the_answer_of_one_alone()
    {
        // Near and small, so that close-up lenses and tubes are tried.
        var json = JsonSerializer.SerializeToUtf8Bytes(RequestOf(Named("The shipwright speaks") with { FramedMm = 30, FramedAcross = true }), WireJson.Default.FitRequest);
        string Asked(FittingShelf shelf)
        {
            var door = new FitDoor(new(shelf));
            Assert.Null(door.Ask(json, LengthUnit.Metres));
            return Encoding.UTF8.GetString(door.Answer(LengthUnit.Metres).Body.Span);
        }

        var alone = Asked(FittingShelf.Of(DemoShelf.Items));
        var shelf = FittingShelf.Of(DemoShelf.Items);
        Assert.All(Enumerable.Range(0, 6).AsParallel().WithDegreeOfParallelism(6).Select(_ => Asked(shelf.Shared())), answer => Assert.Equal(alone, answer));
    }

    [Fact]
    public async Task The_server_answers_as_the_door_does()
    {
        var shot = Named("The shipwright speaks");
        var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/fit", JsonSerializer.Serialize(RequestOf(shot), WireJson.Default.FitRequest));
        Assert.Equal(200, (int)answer.Status);
        Assert.Equal(JsonSerializer.Serialize(Ask(shot), WireJson.Default.FitResponse), answer.Json.ToJsonString(WireJson.Default.Options));
    }

    [Fact]
    public async Task The_day_names_few_lenses_and_what_a_rig_does_alone()
    {
        var document = DemoProduction.Document;
        var rig = Ask(Named("The launch")).Fits[0].Rig;
        var request = new DayRequest
        {
            Locations = document.Locations,
            Shots = document.Shots,
            Delivery = document.Delivery,
            Rig = new() { Body = rig.Body, Mode = rig.Mode, Lens = rig.Lens, Links = rig.Links },
        };
        var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/day", JsonSerializer.Serialize(request, WireJson.Default.DayRequest));
        Assert.Equal(200, (int)answer.Status);
        var day = answer.Json.Deserialize(WireJson.Default.DayResponse)!;
        string[] Names(IEnumerable<Guid> ids) => [.. ids.Select(id => document.Shots.First(s => s.Id == id).Name)];
        Assert.Equal(AfterAChange, Names(day.Impossible));
        Assert.Equal(AfterAChange, Names(day.Kits[0].Undone));
        Assert.InRange(day.Kits[0].Lenses.Count, 1, 4);
        Assert.All(day.Kits, k => Assert.Equal(0, k.Lenses.Count(l => k.Bodies.Any(b => b.Item == l.Item))));
        Assert.True(day.Kits[^1].Undone.Count > AfterAChange.Length || day.Kits.Count < 3);

        // Every shot that is not left undone is done by a rig of things that are in the bag.
        var kit = day.Kits[0];
        var taken = kit.Bodies.Concat(kit.Lenses).Concat(kit.Adapters).Select(i => i.Item).ToHashSet();
        Assert.Equal(document.Shots.Count, kit.Shots.Select(k => k.Shot).Concat(kit.Undone).Distinct().Count());
        Assert.All(kit.Shots, k => Assert.Superset(new HashSet<Guid>([k.Rig.Body, k.Rig.Lens, .. k.Rig.Links]), taken));
        Assert.Contains("The launch", Names(day.OfRig.Where(r => r.Gives).Select(r => r.Shot)));
        Assert.All(day.OfRig, r => Assert.NotEmpty(r.Say));

        // How sure each is is what the shot's own search says of that rig, where it proposes the same mode.
        var told = day.Kits.SelectMany(k => k.Shots).Select(k => (k.Rig, k.Close, Alone: Ask(document.Shots.First(s => s.Id == k.Shot), ChosenOf(k.Rig)).Fits[0])).Where(k => k.Rig.Mode == k.Alone.Rig.Mode).ToArray();
        Assert.InRange(told.Length, kit.Shots.Count, day.Kits.Sum(k => k.Shots.Count));
        Assert.Contains(told, k => k.Close is not null);
        Assert.Contains(told, k => k.Close is null);
        Assert.All(told, k => Assert.Equal(k.Alone.Margin!.Closest is { } at ? k.Alone.Margin.Spares[at].Say : null, k.Close?.Say));
    }

    private static ChosenInput ChosenOf(RigOutput rig) => new() { Body = rig.Body, Mode = rig.Mode, Lens = rig.Lens, Links = rig.Links, Front = rig.Front, PunchIn = rig.PunchIn };

    [Fact]
    public async Task The_filters_of_the_day_serve_every_shot_in_the_sun_and_say_what_is_left_aside()
    {
        var document = DemoProduction.Document;
        var request = new DayRequest { Locations = document.Locations, Shots = document.Shots, Delivery = document.Delivery };
        var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/filters", JsonSerializer.Serialize(request, WireJson.Default.DayRequest));
        Assert.Equal(200, (int)answer.Status);
        var day = answer.Json.Deserialize(WireJson.Default.FilterDayResponse)!;
        string[] Names(IEnumerable<Guid> ids) => [.. ids.Select(id => document.Shots.First(s => s.Id == id).Name)];
        Assert.Equal(document.Shots.Where(s => s.Chosen is null).Select(s => s.Name), Names(day.WithoutRig));
        Assert.Empty(day.Unlit);
        Assert.Empty(day.Impossible);
        var kit = day.Kits[0];
        Assert.Equal(FilterKitKind.Fewest, kit.Kind);
        Assert.Equal(["Walking and talking", "To the camera, at arm's length", "The launch", "The barge crosses", "A heron"], Names(kit.Shots.Select(s => s.Shot)));
        var things = kit.Filters.Concat(kit.Rings).Select(i => i.Item).ToHashSet();
        Assert.All(kit.Shots, s => Assert.Superset(s.Added.ToHashSet(), things));

        // With what is said of it, the light of each shot comes right within what is accepted.
        Assert.All(kit.Shots, s => Assert.InRange(s.RaisedStops, 0, 3.01));
        Assert.True(day.Kits.Count > 1);
    }

    [Fact]
    public void A_shot_is_asked_in_the_light_that_it_says()
    {
        // At noon twice as bright as it usually is there, and so a stop more of filter.
        var noon = Named("Walking and talking");
        Assert.Equal(1, Ask(noon).Chosen!.FilterStops!.Value - Ask(noon with { LevelId = null }).Chosen!.FilterStops!.Value, 6);
    }

    [Fact]
    public async Task A_level_that_its_place_does_not_have_is_refused()
    {
        var document = DemoProduction.Document with { Shots = [Named("A rivet") with { LevelId = Guid.NewGuid() }] };
        var answer = await fixture.Server.SendAsync(
            HttpMethod.Put, $"/api/productions/{Guid.NewGuid()}", JsonSerializer.Serialize(new ProductionInput { Name = "Levels", Document = document }, WireJson.Default.ProductionInput), ifNoneMatch: "*");
        answer.IsProblem(422);
        Assert.Contains("document.shots[0].levelId", answer.Fields);
    }

    [Theory]
    [InlineData("location.levels[0].brightnessEv", """{"levels":[{"id":"10f7a7e0-0000-4000-8000-0000000000d1","name":"Sun","brightnessEv":99}]}""", "{}")]
    [InlineData("location.levels[0].name", """{"levels":[{"id":"10f7a7e0-0000-4000-8000-0000000000d1","name":" ","brightnessEv":9}]}""", "{}")]
    [InlineData("location.levels[0]", """{"levels":[null]}""", "{}")]
    [InlineData("location.lengthMm", """{"lengthMm":1,"behindMm":900}""", "{}")]
    [InlineData("location.behindMm", """{"lengthMm":5000}""", "{}")]
    [InlineData("location.mostBehindMm", """{"behindMm":900,"leastBehindMm":500,"mostBehindMm":400}""", "{}")]
    [InlineData("location.name", """{"name":" "}""", "{}")]
    [InlineData("shot.subject.heightMm", "{}", """{"subject":{"kind":"standing","heightMm":0}}""")]
    [InlineData("shot.subject.count", "{}", """{"subject":{"kind":"group","count":500}}""")]
    [InlineData("shot.headroom", "{}", """{"headroom":0.9}""")]
    [InlineData("shot.framedMm", "{}", """{"framedMm":-4}""")]
    [InlineData("shot.movesMm", "{}", """{"movesMm":-1}""")]
    [InlineData("shot.captureFps", "{}", """{"captureFps":0}""")]
    public async Task Nonsense_is_refused_by_its_field_with_a_mend(string field, string place, string shot)
    {
        static JsonObject Merged(JsonObject basis, string more)
        {
            foreach (var (key, value) in JsonNode.Parse(more)!.AsObject())
            {
                basis[key] = value?.DeepClone();
            }

            return basis;
        }

        var request = new JsonObject
        {
            ["location"] = Merged(new() { ["id"] = Guid.NewGuid(), ["name"] = "Shed" }, place),
            ["shot"] = Merged(new() { ["id"] = Guid.NewGuid(), ["name"] = "Shot", ["locationId"] = Guid.NewGuid(), ["subject"] = new JsonObject { ["kind"] = "standing" } }, shot),
        };
        var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/fit", request.ToJsonString());
        answer.IsProblem(422);
        Assert.Equal([field], answer.Fields.Distinct());
        Assert.NotEmpty(answer.Json["errors"]![0]!["fix"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_production_is_kept_and_nobody_overwrites_anybody()
    {
        var path = $"/api/productions/{Guid.NewGuid()}";
        string Of(string name) => JsonSerializer.Serialize(new ProductionInput { Name = name, Document = DemoProduction.Document }, WireJson.Default.ProductionInput);
        Assert.Equal(201, (int)(await fixture.Server.SendAsync(HttpMethod.Put, path, Of("Ebb"), ifNoneMatch: "*")).Status);
        Assert.Equal(200, (int)(await fixture.Server.SendAsync(HttpMethod.Put, path, Of("Flood"), ifMatch: "\"1\"")).Status);
        var late = await fixture.Server.SendAsync(HttpMethod.Put, path, Of("Slack"), ifMatch: "\"1\"");
        Assert.Equal(412, (int)late.Status);
        Assert.Equal("Flood", late.Json["current"]!["name"]!.GetValue<string>());
        var list = (await fixture.Server.SendAsync(HttpMethod.Get, "/api/productions")).Json.AsArray();
        Assert.Contains(list, p => p!["name"]!.GetValue<string>() == "Flood" && p["lines"]![0]!.GetValue<string>() == "16 shots");
        Assert.Contains(list, p => p!["name"]!.GetValue<string>() == "Low Water");
        Assert.Equal(204, (int)(await fixture.Server.SendAsync(HttpMethod.Delete, path)).Status);
        Assert.Equal(204, (int)(await fixture.Server.SendAsync(HttpMethod.Post, path + "/restore")).Status);
    }

    [Fact]
    public async Task A_production_that_does_not_hold_together_is_refused()
    {
        async Task<Answer> Put(ProductionDocument document) => await fixture.Server.SendAsync(
            HttpMethod.Put, $"/api/productions/{Guid.NewGuid()}", JsonSerializer.Serialize(new ProductionInput { Name = "Ebb", Document = document }, WireJson.Default.ProductionInput), ifNoneMatch: "*");
        var document = DemoProduction.Document;
        var lost = await Put(document with { Locations = [document.Locations[0]] });
        lost.IsProblem(422);
        Assert.Contains("document.shots[4].locationId", lost.Fields);
        var empty = await Put(document with { Shots = [document.Shots[0], null!], Locations = [.. document.Locations, null!] });
        empty.IsProblem(422);
        Assert.Equal([$"document.locations[{document.Locations.Count}]", "document.shots[1]"], empty.Fields);
        var twice = await Put(document with { Locations = [.. document.Locations, document.Locations[0]] });
        Assert.Equal(["document.locations"], twice.Fields);
        (await Put(document with { SchemaVersion = 9 })).IsProblem(422);

        // Of many places and shots it is told which one is at fault.
        var (place, shot) = (document.Locations[2] with { LengthMm = 5000, BehindMm = null }, document.Shots[1] with { Headroom = 0.9 });
        var named = await Put(document with { Locations = [.. document.Locations.Select(l => l.Id == place.Id ? place : l)], Shots = [document.Shots[0], shot, .. document.Shots.Skip(2)] });
        named.IsProblem(422);
        Assert.Equal(["document.locations[2].behindMm", "document.shots[1].headroom"], named.Fields);
        Assert.StartsWith($"{place.Name}: A place with an end", named.Json["detail"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Contains($" {shot.Name}: ", named.Json["detail"]!.GetValue<string>(), StringComparison.Ordinal);
    }
}

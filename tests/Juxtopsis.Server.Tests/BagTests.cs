using System.Text.Json;
using System.Text.Json.Nodes;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Bags;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Kits.Front;
using Juxtopsis.Data.Demo;

namespace Juxtopsis.Server.Tests;

/// <summary>Bags of the demo's gear: what they weigh, cost, reach and do, and the front of the best of them.</summary>
public sealed class BagTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private static readonly ProductionDocument Production = DemoProduction.Document;

    private static readonly Guid Tern = new("41476540-5bb1-56d9-adbf-ab509e1a7fa5");

    private static Guid Of(string name) => DemoShelf.Items.Single(i => i.FullName == name).Id;

    private static BagInput Bag(params Guid[] things) => new() { Id = Guid.NewGuid(), Name = "Bag", Lines = [.. things.Select(id => new BagLineInput { Id = id })] };

    [Fact]
    public async Task A_bag_has_totals_reach_holes_and_what_fills_them()
    {
        var bag = Bag(Tern, Of("Selkie 20 mm ƒ1.8"), Of("Selkie 100 mm ƒ2.8 macro"), Guid.NewGuid()) with { FirstDay = "2027-05-01", LastDay = "2027-05-03", Limits = new() { WeightG = 1500 } };
        var request = new BagsRequest { Bags = [bag], Usable = [new() { Id = Tern, Count = 0 }], MarginPercent = 10, TaxPercent = 20 };
        var answer = Assert.Single((await Ask("/api/bags", request, WireJson.Default.BagsRequest, WireJson.Default.BagsResponse)).Bags);
        Assert.Equal((3, 3, 1), (answer.Days, answer.Totals.Things, answer.Gone.Count));
        Assert.Equal(660 + 373 + 602, answer.Totals.WeightG.Known);
        Assert.Equal(2300 + 880 + 1050, answer.Totals.Purchase.Known);
        Assert.Equal((2300 + 880 + 1050) * 1.32, answer.Totals.PurchaseAll.Known, 6);
        Assert.Equal(["unitsShort", "bagTooHeavy"], answer.Findings.Select(f => JsonNamingPolicy.CamelCase.ConvertName($"{f.Code}")));
        Assert.Equal(4, answer.Reach.Count);
        var hole = Assert.Single(answer.Reach[0].Holes);
        Assert.Equal((20.06, 100.28), (Math.Round(hole.FromMm, 2), Math.Round(hole.ToMm, 2)));
        Assert.NotEmpty(hole.Fills);
        Assert.All(hole.Fills, f => Assert.NotEmpty(f.Added));
    }

    [Fact]
    public async Task What_bags_of_two_units_hold_on_one_day_is_told_and_alternatives_are_not()
    {
        var shed = Bag(Tern) with { Name = "Shed", Unit = "Shed unit", FirstDay = "2027-05-01", LastDay = "2027-05-03" };
        var river = Bag(Tern) with { Name = "River", Unit = "River unit", FirstDay = "2027-05-03", LastDay = "2027-05-04" };
        async Task<string[]> Codes(BagInput other, int there)
        {
            var answer = await Ask("/api/bags", new BagsRequest { Bags = [shed, other], Usable = [new() { Id = Tern, Count = there }] }, WireJson.Default.BagsRequest, WireJson.Default.BagsResponse);
            return [.. answer.Bags.SelectMany(b => b.Findings).Select(f => $"{f.Code} {f.Message}")];
        }

        var told = await Codes(river, 1);
        Assert.Equal(["UnitsShared Selkie Tern is in River on the same days too: 2 are packed, 1 there.", "UnitsShared Selkie Tern is in Shed on the same days too: 2 are packed, 1 there."], told);
        Assert.Empty(await Codes(river, 2));
        Assert.Empty(await Codes(river with { Unit = "Shed unit" }, 1));
        Assert.Empty(await Codes(river with { FirstDay = "2027-05-04" }, 1));
        Assert.Empty(await Codes(river with { FirstDay = "", LastDay = "" }, 1));
    }

    [Fact]
    public async Task A_bag_tells_what_it_does_in_a_day_and_why_it_does_not_do_the_rest()
    {
        var bag = Bag(Tern, Of("Selkie 24–70 mm ƒ2.8"), Of("Capstan Fluid head"), Of("Capstan Battery, small"), Of("Capstan Card 256 GB"));
        var day = await Ask("/api/bags/day", new BagDayRequest { Bag = bag, Locations = Production.Locations, Shots = Production.Shots, Delivery = Production.Delivery }, WireJson.Default.BagDayRequest, WireJson.Default.BagDayResponse);
        Assert.Equal(Production.Shots.Count, day.Shots.Count + day.Undone.Count);
        Assert.NotEmpty(day.Shots);
        Assert.NotEmpty(day.Undone);
        Assert.All(day.Undone, u => Assert.NotEmpty(u.Why));
        Assert.All(day.Shots, s => Assert.Equal(Tern, s.Rig.Body));
        Assert.Contains(day.Alone, a => a.Item == Tern && a.Shots.Count == day.Shots.Count);
        Assert.Contains(day.Shots, s => s.Support == Of("Capstan Fluid head") && s.CentreOfGravityMm is not null);
        Assert.Contains("PowerShort", day.Findings.Select(f => $"{f.Code}"));
        Assert.True(day.Supplies.AddBatteries!.Count >= 1);

        // A bag for a unit is asked for that unit's shots.
        var river = await Ask("/api/bags/day", new BagDayRequest { Bag = bag with { Unit = "River unit" }, Locations = Production.Locations, Shots = Production.Shots, Delivery = Production.Delivery }, WireJson.Default.BagDayRequest, WireJson.Default.BagDayResponse);
        Assert.Equal(Production.Shots.Count(s => s.Unit == "River unit"), river.Shots.Count + river.Undone.Count);
    }

    [Theory]
    [InlineData(FrontCriterion.Lenses, FrontCriterion.Weight)]
    [InlineData(FrontCriterion.Undone, FrontCriterion.Lenses)]
    [InlineData(FrontCriterion.Changes, FrontCriterion.Things)]
    [InlineData(FrontCriterion.Weight, FrontCriterion.Hire)]
    public async Task The_front_of_the_demo_day_is_proven_and_each_point_is_better_by_something(FrontCriterion one, FrontCriterion other)
    {
        var began = System.Diagnostics.Stopwatch.StartNew();
        var front = await Ask("/api/bags/front", Front(one, other), WireJson.Default.FrontRequest, WireJson.Default.FrontResponse);
        TestContext.Current.SendDiagnosticMessage($"{one} {other}: {front.Points.Count} points in {began.ElapsedMilliseconds} ms; {string.Join(' ', front.Points.Select(p => $"{p.Value}/{p.OtherValue}{(p.IsProven ? "" : "?" + p.OtherAtLeast)}"))}");
        Assert.NotEmpty(front.Points);
        Assert.All(front.Points, p => Assert.True(p.OtherAtLeast <= p.OtherValue + 1e-6));
        Assert.All(front.Points.Zip(front.Points.Skip(1)), p => Assert.True(p.Second.Value < p.First.Value && p.Second.OtherValue > p.First.OtherValue));

        // Each bag, asked by itself, does the shots that it says.
        var point = front.Points[^1];
        var bag = Bag([.. point.Bodies.Concat(point.Lenses).Concat(point.Adapters).Concat(point.Supports).Select(i => i.Item)]);
        var day = await Ask("/api/bags/day", new BagDayRequest { Bag = bag, Locations = Production.Locations, Shots = Production.Shots, Delivery = Production.Delivery }, WireJson.Default.BagDayRequest, WireJson.Default.BagDayResponse);
        Assert.Equal(point.Undone.Order(), day.Undone.Select(u => u.Shot).Order());
        Assert.True(day.Changes <= point.Changes);
    }

    [Fact]
    public async Task One_body_only_leaves_as_little_undone_as_can_be()
    {
        var front = await Ask("/api/bags/front", Front(FrontCriterion.Lenses, FrontCriterion.Weight) with { MostBodies = 1 }, WireJson.Default.FrontRequest, WireJson.Default.FrontResponse);
        Assert.All(front.Points, p => Assert.Single(p.Bodies));
        Assert.Single(front.Points.Select(p => p.Undone.Count).Distinct());
    }

    [Theory]
    [InlineData("""{"bags":[{"id":"ID","name":"a","lines":[{"id":"ID"},{"id":"ID"}]}]}""", "bags[0].lines")]
    [InlineData("""{"bags":[{"id":"ID","name":"a","lines":[{"id":"ID","count":2,"units":["ID","ID"]}]}]}""", "bags[0].lines")]
    [InlineData("""{"bags":[{"id":"ID","name":"a","lines":[{"id":"ID","units":["ID","OTHER"]}]}]}""", "bags[0].lines[0].units")]
    [InlineData("""{"bags":[{"id":"ID","name":"a","lines":[{"id":"ID","count":0}]}]}""", "bags[0].lines[0].count")]
    [InlineData("""{"bags":[{"id":"ID","name":"a","lines":[{"id":"ID","count":2,"out":3}]}]}""", "bags[0].lines[0].out")]
    [InlineData("""{"bags":[{"id":"ID","name":"a","lines":[{"id":"ID","count":2,"out":1,"back":2}]}]}""", "bags[0].lines[0].back")]
    [InlineData("""{"bags":[{"id":"ID","name":" "}]}""", "bags[0].name")]
    [InlineData("""{"bags":[{"id":"ID","name":"a"},{"id":"ID","name":"b"}]}""", "bags")]
    [InlineData("""{"bags":[{"id":"ID","name":"a","firstDay":"2027-05-02","lastDay":"2027-05-01"}]}""", "bags[0].lastDay")]
    [InlineData("""{"bags":[{"id":"ID","name":"a","firstDay":"2027-02-30","lastDay":"2027-05-01"}]}""", "bags[0].firstDay")]
    [InlineData("""{"bags":[{"id":"ID","name":"a","firstDay":"2027-05-01"}]}""", "bags[0].lastDay")]
    [InlineData("""{"bags":[{"id":"ID","name":"a","limits":{"budget":-1}}]}""", "bags[0].limits.budget")]
    [InlineData("""{"bags":[{"id":"ID","name":"a","limits":{"caseLengthMm":300,"caseWidthMm":200}}]}""", "bags[0].limits.caseHeightMm")]
    [InlineData("""{"bags":[{"id":"ID","name":"a","plan":{"rolling":0}}]}""", "bags[0].plan.rolling")]
    [InlineData("""{"bags":[],"taxPercent":-5}""", "taxPercent")]
    public async Task A_bag_that_cannot_be_is_refused(string body, string field)
    {
        var json = body.Replace("ID", $"{Tern}", StringComparison.Ordinal).Replace("OTHER", $"{Guid.NewGuid()}", StringComparison.Ordinal);
        var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/bags", json);
        answer.IsProblem(422);
        Assert.Equal([field], answer.Fields);

        // What is saved with a production is refused in the same words.
        if (JsonNode.Parse(json)!["bags"]!.AsArray() is { Count: > 0 } bags)
        {
            var saved = await fixture.Server.SendAsync(HttpMethod.Put, $"/api/productions/{Guid.NewGuid()}", $$$"""{"name":"P","document":{"schemaVersion":4,"bags":{{{bags.ToJsonString()}}}}}""", ifNoneMatch: "*");
            saved.IsProblem(422);
            Assert.Equal(["document." + field], saved.Fields);
        }
    }

    [Fact]
    public async Task A_production_keeps_its_bags_and_chooses_from_one_that_is_there()
    {
        var id = Guid.NewGuid();
        var bag = Bag(Tern) with { Unit = "Shed unit", FirstDay = "2027-05-01", LastDay = "2027-05-03", Note = "why" };
        var document = new ProductionDocument { SchemaVersion = ProductionDocument.CurrentVersion, Bags = [bag], ChooseFrom = bag.Id };
        async Task<Answer> Save(ProductionDocument what) => await fixture.Server.SendAsync(HttpMethod.Put, $"/api/productions/{id}", $$"""{"name":"P","document":{{JsonSerializer.Serialize(what, WireJson.Default.ProductionDocument)}} }""", ifNoneMatch: "*");
        Assert.Equal(201, (int)(await Save(document)).Status);
        var kept = (await fixture.Server.SendAsync(HttpMethod.Get, $"/api/productions/{id}")).Json["document"]!;
        Assert.Equal((bag.Id, "why", Tern), (kept["chooseFrom"]!.GetValue<Guid>(), kept["bags"]![0]!["note"]!.GetValue<string>(), kept["bags"]![0]!["lines"]![0]!["id"]!.GetValue<Guid>()));
        var refused = await Save(document with { ChooseFrom = Guid.NewGuid() });
        refused.IsProblem(422);
        Assert.Equal(["document.chooseFrom"], refused.Fields);
    }

    [Fact]
    public async Task Bags_go_out_and_come_in_as_JSON_and_as_a_table()
    {
        var bag = Bag(Tern, Of("Capstan Card 256 GB")) with { Name = "A \"quoted\", bag", Unit = "Shed unit", FirstDay = "2027-05-01", LastDay = "2027-05-02" };
        bag = bag with { Lines = [bag.Lines[0], bag.Lines[1] with { Count = 4, Out = 2, Units = [Guid.NewGuid()], Note = "in the lid" }] };
        var file = new BagsFile { Bags = [bag] };
        var json = JsonSerializer.Serialize(file, WireJson.Default.BagsFile);
        var table = await fixture.Server.SendAsync(HttpMethod.Post, "/api/bags/table.csv", json);
        Assert.Equal((200, "text/csv"), ((int)table.Status, table.MediaType));
        Assert.Contains("Selkie Tern", table.Body, StringComparison.Ordinal);
        foreach (var text in new[] { json, table.Body, table.Body.Replace($"{Tern}", "", StringComparison.Ordinal) })
        {
            var (status, read) = await Read(text);
            Assert.Equal(200, status);
            var came = JsonSerializer.Deserialize(read, WireJson.Default.BagsReadOutput)!;
            Assert.Empty(came.Problems);
            var one = Assert.Single(came.Bags);
            Assert.Equal((bag.Name, bag.Unit, bag.FirstDay, bag.LastDay), (one.Name, one.Unit, one.FirstDay, one.LastDay));
            Assert.NotEqual(bag.Id, one.Id);
            Assert.Equal([(Tern, 1, 0), (Of("Capstan Card 256 GB"), 4, 0)], one.Lines.Select(l => (l.Id, l.Count, l.Out)));
            Assert.Equal("in the lid", one.Lines[1].Note);
        }
    }

    [Theory]
    [InlineData("Bag,Thing,How many\nA,Selkie Tern,1\nA,Nothing known,2\nB,Selkie Plover,0\n,Selkie Plover,1\nA,Selkie Tern,1\n", 200, 4)]
    [InlineData("Name,What\nA,B\n", 422, 0)]
    [InlineData("", 422, 0)]
    [InlineData("{\"format\":\"other\",\"bags\":[]}", 422, 0)]
    [InlineData("{\"bags\":", 400, 0)]
    public async Task What_of_a_file_cannot_be_taken_is_told(string text, int expected, int problems)
    {
        var (status, body) = await Read(text);
        Assert.Equal(expected, status);
        if (status == 200)
        {
            var read = JsonSerializer.Deserialize(body, WireJson.Default.BagsReadOutput)!;
            Assert.Equal((1, problems), (read.Bags.Count, read.Problems.Count));
        }
    }

    private async Task<(int Status, string Body)> Read(string text)
    {
        using var content = new ByteArrayContent(System.Text.Encoding.UTF8.GetBytes(text));
        content.Headers.ContentType = new("application/octet-stream");
        using var answer = await fixture.Server.Client.PostAsync("/api/bags/read", content, TestContext.Current.CancellationToken);
        return ((int)answer.StatusCode, await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    private static FrontRequest Front(FrontCriterion one, FrontCriterion other) => new()
    {
        Locations = Production.Locations,
        Shots = Production.Shots,
        Delivery = Production.Delivery,
        One = one,
        Other = other,
    };

    private async Task<TAnswer> Ask<TRequest, TAnswer>(string path, TRequest request, System.Text.Json.Serialization.Metadata.JsonTypeInfo<TRequest> type, System.Text.Json.Serialization.Metadata.JsonTypeInfo<TAnswer> answerType)
    {
        var answer = await fixture.Server.SendAsync(HttpMethod.Post, path, JsonSerializer.Serialize(request, type));
        Assert.True((int)answer.Status == 200, answer.Body);
        return JsonSerializer.Deserialize(answer.Body, answerType)!;
    }
}

using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Shelf;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Data.Demo;

namespace Juxtopsis.Server.Tests;

/// <summary>The shelf over HTTP: the demo's gear, adding, changing, retiring and deleting, and two people at once.</summary>
public sealed class ShelfTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private Task<Answer> Get(string path) => fixture.Server.SendAsync(HttpMethod.Get, "/api/shelf" + path);

    private Task<Answer> Put(Guid id, string json, int? revision = null) => revision is null
        ? fixture.Server.SendAsync(HttpMethod.Put, $"/api/shelf/{id}", json, ifNoneMatch: "*")
        : fixture.Server.SendAsync(HttpMethod.Put, $"/api/shelf/{id}", json, ifMatch: $"\"{revision}\"");

    private Task<Answer> Delete(Guid id) => fixture.Server.SendAsync(HttpMethod.Delete, $"/api/shelf/{id}");

    private Task<Answer> Restore(Guid id) => fixture.Server.SendAsync(HttpMethod.Post, $"/api/shelf/{id}/restore");

    private async Task<string[]> DeletedIds() => [.. (await Get("/deleted")).Json.AsArray().Select(d => d!["id"]!.GetValue<string>())];

    private static string Lens(string name, string mount = "K-bay", string more = "") => $$"""{"kind":"lens","name":"{{name}}","mount":"{{mount}}","focalShortMm":40,"widestF":2{{more}}}""";

    private async Task<Guid> Id(string name) =>
        (await Get($"?q={Uri.EscapeDataString(name)}")).Json["items"]!.AsArray().Select(i => i!["item"]!).Single(i => i["name"]!.GetValue<string>() == name)["id"]!.GetValue<Guid>();

    [Fact]
    public async Task The_demo_shelf_is_as_large_as_promised_and_every_lens_goes_somewhere()
    {
        var page = (await Get("")).Json;
        int Count(string kind) => page["kinds"]!.AsArray().Single(k => k!["key"]!.GetValue<string>() == kind)!["count"]!.GetValue<int>();
        Assert.True(Count("body") >= 12 && Count("lens") >= 45 && Count("adapter") >= 14 && Count("attachment") >= 3 && Count("fixedLensCamera") >= 1);
        var modes = (await Get("?kind=body")).Json["items"]!.AsArray().Select(b => b!["item"]!["modes"]!.AsArray().Count);
        Assert.All(modes, count => Assert.InRange(count, 3, 6));
        var reducers = (await Get("?q=reducer")).Json["items"]!.AsArray().Select(a => a!["item"]!["magnification"]!.GetValue<double>()).Distinct();
        Assert.True(reducers.Count() >= 4);
    }

    [Fact]
    public async Task A_typed_question_is_answered_with_what_was_understood()
    {
        var page = (await Get("?q=" + Uri.EscapeDataString("fast wide under 400 g that covers full frame on K-bay"))).Json;
        Assert.Equal(["20 mm ƒ1.8", "28 mm ƒ2"], page["items"]!.AsArray().Select(i => i!["item"]!["name"]!.GetValue<string>()));
        Assert.Equal(5, page["understood"]!.AsArray().Count);
        (await Get("?kind=spoon")).IsProblem(422);
        (await Get("?order=7")).IsProblem(422);
        (await Get("?aspect=0")).IsProblem(422);
    }

    [Fact]
    public async Task A_lens_is_added_changed_and_deleted_and_deleting_can_be_undone()
    {
        var id = Guid.NewGuid();
        var made = await Put(id, Lens("Forty"));
        Assert.Equal((201, "\"1\""), ((int)made.Status, made.Tag!.Tag));
        Assert.Equal(200, (int)(await Put(id, Lens("Forty"))).Status);
        var changed = await Put(id, Lens("Forty", more: ",\"weightG\":150"), 1);
        Assert.Equal((200, "\"2\""), ((int)changed.Status, changed.Tag!.Tag));
        Assert.Equal(150, (await Get($"/{id}")).Json["item"]!["weightG"]!.GetValue<double>());

        var gone = await Delete(id);
        Assert.False(gone.Json["retired"]!.GetValue<bool>());
        (await Get($"/{id}")).IsProblem(404);
        Assert.Contains($"{id}", await DeletedIds());
        Assert.Equal(200, (int)(await Restore(id)).Status);
        Assert.Equal((150, 2), ((await Get($"/{id}")).Json["item"]!["weightG"]!.GetValue<double>(), (await Get($"/{id}")).Json["revision"]!.GetValue<int>()));
        Assert.DoesNotContain($"{id}", await DeletedIds());
        (await Restore(Guid.NewGuid())).IsProblem(404);
    }

    [Fact]
    public async Task What_is_deleted_leaves_its_name_and_its_id_to_others_and_goes_back_only_where_it_fits()
    {
        var (mount, lens, other) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        await Put(mount, """{"kind":"mount","name":"Gaff","flangeMm":31}""");
        await Put(lens, Lens("On a gaff", "Gaff"));
        await Delete(lens);
        await Put(mount, """{"kind":"mount","name":"Boom","flangeMm":31}""", 1);
        Assert.Equal(201, (int)(await Put(other, Lens("On a gaff", "Boom"))).Status);
        Assert.Equal(["name"], (await Restore(lens)).Fields);
        await Delete(other);
        await Delete(mount);
        Assert.Equal(["mount"], (await Restore(lens)).Fields);
        Assert.Equal(200, (int)(await Restore(mount)).Status);

        // The mount's new name went to what was deleted as well.
        Assert.Equal("Boom", (await Restore(lens)).Json["item"]!["mount"]!.GetValue<string>());
        await Delete(lens);
        Assert.Equal(201, (int)(await Put(lens, Lens("Anew under the same id"))).Status);
        Assert.DoesNotContain($"{lens}", await DeletedIds());

        // A file may bring a deleted thing again.
        await Delete(lens);
        var file = (await Get("/export.json")).Json;
        file["items"]!.AsArray().Add(JsonNode.Parse(Lens("Brought again", more: $",\"id\":\"{lens}\"")));
        using var content = new ByteArrayContent(Encoding.UTF8.GetBytes(file.ToJsonString())) { Headers = { ContentType = new("application/octet-stream") } };
        using var brought = await fixture.Server.Client.PostAsync("/api/shelf/import?file=shelf.json&write=true", content, TestContext.Current.CancellationToken);
        Assert.Equal(1, JsonNode.Parse(await brought.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!["added"]!.GetValue<int>());
        Assert.Equal("Brought again", (await Get($"/{lens}")).Json["item"]!["name"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_page_of_another_crew_is_refused_before_anything_is_written()
    {
        var (crew, id) = ($"{Guid.NewGuid()}", Guid.NewGuid());
        using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/shelf/{id}") { Content = new StringContent(Lens("Astray"), null, "application/json") };
        request.Headers.Add("If-None-Match", "*");
        request.Headers.Add("Juxtopsis-Crew", crew);
        using var refused = await fixture.Server.Client.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(421, (int)refused.StatusCode);
        var told = Assert.Single(refused.Headers.GetValues("Juxtopsis-Crew"));
        Assert.NotEqual(crew, told);
        (await Get($"/{id}")).IsProblem(404);

        using var right = new HttpRequestMessage(HttpMethod.Get, "/api/shelf");
        right.Headers.Add("Juxtopsis-Crew", told);
        using var answered = await fixture.Server.Client.SendAsync(right, TestContext.Current.CancellationToken);
        Assert.Equal(200, (int)answered.StatusCode);
    }

    [Fact]
    public async Task Two_people_at_one_lens_do_not_overwrite_each_other()
    {
        var id = Guid.NewGuid();
        await Put(id, Lens("Shared"));
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(i => Put(id, Lens("Shared", more: $",\"weightG\":{100 + i}"), 1)));
        Assert.Single(answers, a => (int)a.Status == 200);
        var late = answers.First(a => (int)a.Status == 412);
        late.IsProblem(412);
        Assert.Equal(2, late.Json["current"]!["revision"]!.GetValue<int>());
    }

    [Fact]
    public async Task What_cannot_be_is_refused_by_its_field()
    {
        var backwards = await Put(Guid.NewGuid(), Lens("Backwards", more: ",\"focalLongMm\":20"));
        backwards.IsProblem(422);
        Assert.Equal(["focalLongMm"], backwards.Fields);
        Assert.Equal(["mount"], (await Put(Guid.NewGuid(), Lens("Nowhere", "Unknown"))).Fields);
        Assert.Equal(["name"], (await Put(Guid.NewGuid(), Lens("20 mm ƒ1.8", more: ",\"maker\":\"Selkie\""))).Fields);
        Assert.Equal(["id"], (await Put(Guid.NewGuid(), Lens("Other", more: $",\"id\":\"{Guid.NewGuid()}\""))).Fields);
        (await Put(Guid.NewGuid(), "{\"kind\":")).IsProblem(400);
        (await Put(Guid.NewGuid(), Lens("Twice", more: ",\"name\":\"x\""))).IsProblem(400);
        (await fixture.Server.SendAsync(HttpMethod.Put, $"/api/shelf/{Guid.NewGuid()}", Lens("Bare"))).IsProblem(428);
        (await Put(Guid.NewGuid(), Lens("Gone"), 1)).IsProblem(404);
        var lens = await Id("28 mm ƒ2");
        Assert.Equal(["kind"], (await Put(lens, """{"kind":"bagItem","name":"28 mm ƒ2"}""", 1)).Fields);
    }

    [Fact]
    public async Task A_mount_in_use_is_not_deleted_and_its_new_name_goes_to_all_that_name_it()
    {
        var (mount, lens) = (Guid.NewGuid(), Guid.NewGuid());
        await Put(mount, """{"kind":"mount","name":"Spar","flangeMm":30}""");
        await Put(lens, Lens("On a spar", "Spar"));
        var refused = await Delete(mount);
        refused.IsProblem(409);
        Assert.Contains("On a spar", refused.Json["detail"]!.GetValue<string>(), StringComparison.Ordinal);

        Assert.Equal(200, (int)(await Put(mount, """{"kind":"mount","name":"Yard “2”","flangeMm":30}""", 1)).Status);
        var renamed = (await Get($"/{lens}")).Json;
        Assert.Equal(("Yard “2”", 2), (renamed["item"]!["mount"]!.GetValue<string>(), renamed["revision"]!.GetValue<int>()));
        await Delete(lens);
        Assert.Equal(200, (int)(await Delete(mount)).Status);
    }

    [Fact]
    public async Task Gear_that_a_saved_rig_uses_is_retired_and_the_rig_still_opens()
    {
        var list = (await fixture.Server.SendAsync(HttpMethod.Get, "/api/comparisons")).Json.AsArray();
        var shed = list.Single(c => c!["name"]!.GetValue<string>().StartsWith("Long shed", StringComparison.Ordinal))!["id"]!.GetValue<Guid>();
        var lens = await Id("28 mm ƒ2.8 old");
        var outcome = (await Delete(lens)).Json;
        Assert.True(outcome["retired"]!.GetValue<bool>());
        Assert.StartsWith("Long shed", outcome["usedBy"]![0]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.NotNull((await Get($"/{lens}")).Json["retiredAt"]);
        Assert.DoesNotContain("28 mm ƒ2.8 old", (await Get("?q=old")).Body, StringComparison.Ordinal);

        var opened = (await fixture.Server.SendAsync(HttpMethod.Get, $"/api/comparisons/{shed}")).Json;
        var rig = opened["document"]!["setup"]!["rigs"]![0]!;
        Assert.Equal("28 mm ƒ2.8 old", rig["chain"]!["parts"]![2]!["item"]!["name"]!.GetValue<string>());
        var again = await fixture.Server.SendAsync(HttpMethod.Post, "/api/assemble", new JsonObject { ["chain"] = rig["chain"]!.DeepClone(), ["deliveryAspect"] = 16.0 / 9 }.ToJsonString());
        Assert.Equal(rig["sensorWidthMm"]!.GetValue<double>(), again.Json["rig"]!["sensorWidthMm"]!.GetValue<double>());

        // What no part decides stays as it was set, and the parts decide the rest.
        JsonObject byHand = new()
        {
            ["name"] = "Mine",
            ["sensorWidthMm"] = 1,
            ["sensorHeightMm"] = 1,
            ["focalLengthMm"] = 28,
            ["fNumber"] = 5.6,
            ["sensitivityIso"] = 800,
            ["squeezeTurnDeg"] = 3,
            ["mountErrorMm"] = 0.02,
            ["rearFilterMm"] = 2,
            ["rearFilterIndex"] = 1.6,
            ["rackedFarther"] = true,
            ["subjectDistanceMm"] = 900,
            ["captureFps"] = 50,
            ["punchIn"] = 1.5,
        };
        var whole = (await fixture.Server.SendAsync(
            HttpMethod.Post, "/api/assemble", new JsonObject { ["chain"] = rig["chain"]!.DeepClone(), ["rig"] = byHand.DeepClone(), ["deliveryAspect"] = 16.0 / 9 }.ToJsonString())).Json["rig"]!;
        Assert.All(byHand.Where(f => !f.Key.StartsWith("sensor", StringComparison.Ordinal) || f.Key == "sensitivityIso"), f => Assert.Equal(f.Value!.ToJsonString(), whole[f.Key]!.ToJsonString()));
        Assert.Equal(rig["sensorWidthMm"]!.GetValue<double>(), whole["sensorWidthMm"]!.GetValue<double>());

        // Saving just what is stored, in whatever order its members come back, is no change.
        var saved = await fixture.Server.SendAsync(
            HttpMethod.Put, $"/api/comparisons/{shed}", new JsonObject { ["name"] = opened["name"]!.DeepClone(), ["document"] = opened["document"]!.DeepClone() }.ToJsonString(), ifMatch: "\"99\"");
        Assert.Equal((200, "\"1\""), ((int)saved.Status, saved.Tag!.Tag));
        Assert.Null((await fixture.Server.SendAsync(HttpMethod.Post, $"/api/shelf/{lens}/restore")).Json["retiredAt"]);
    }

    [Fact]
    public async Task What_fits_at_a_place_is_told_best_first_with_the_parts_that_it_takes()
    {
        var cameras = (await fixture.Server.SendAsync(HttpMethod.Post, "/api/shelf/options", "{}")).Json;
        Assert.Equal(cameras["total"]!.GetValue<int>(), cameras["fits"]!.GetValue<int>());
        var skiff = cameras["items"]!.AsArray().Single(i => i!["item"]!["name"]!.GetValue<string>() == "Skiff")!;
        var chain = new JsonObject { ["parts"] = new JsonArray(skiff.DeepClone()), ["mounts"] = cameras["mounts"]!.DeepClone() };
        var lenses = (await fixture.Server.SendAsync(
            HttpMethod.Post, "/api/shelf/options", new JsonObject { ["setup"] = new JsonObject { ["chain"] = chain }, ["place"] = 1, ["isNew"] = true, ["text"] = "lens" }.ToJsonString())).Json;
        var options = lenses["options"]!.AsArray();
        Assert.True(options[0]!["fits"]!.GetValue<bool>());
        Assert.False(options[^1]!["fits"]!.GetValue<bool>());
        Assert.NotEmpty(options[^1]!["fix"]!.GetValue<string>());
        Assert.Contains(options, o => o!["fits"]!.GetValue<bool>() && o["parts"]!.AsArray().Count == 3);
        (await fixture.Server.SendAsync(HttpMethod.Post, "/api/shelf/options", """{"place":99}""")).IsProblem(422);
        (await fixture.Server.SendAsync(HttpMethod.Post, "/api/shelf/options", """{"setup":{"chain":{"parts":[{"item":{"kind":"lens"},"revision":1}]}}}""")).IsProblem(422);
    }

    [Fact]
    public async Task Filters_for_a_chain_are_told_with_their_rings_and_what_they_take()
    {
        GearItem OnShelf(string name) => DemoShelf.Items.Single(i => i.Name == name);
        var rig = ChainMapping.ToRig("", [OnShelf("Dabchick"), OnShelf("16–35 mm ƒ4")], [OnShelf("K-bay")], new ChainSetting { Mode = "Full width", FNumber = 4 });
        string Asked(double least, double most) =>
            new JsonObject { ["setup"] = new JsonObject { ["chain"] = JsonSerializer.SerializeToNode(rig.Chain, WireJson.Default.ChainInput) }, ["leastStops"] = least, ["mostStops"] = most }.ToJsonString();
        var found = (await fixture.Server.SendAsync(HttpMethod.Post, "/api/shelf/filters", Asked(5.5, 6.5))).Json.Deserialize(WireJson.Default.FiltersResponse)!;
        string[] NamesOf(FilterWayOutput way) => [.. way.Added.Select(id => found.Items.Single(i => i.Item.GetProperty("id").GetGuid() == id).Item.GetProperty("name").GetString()!)];
        Assert.Contains(found.Ways, w => NamesOf(w).SequenceEqual(["Ring 72 to 77 mm", "ND 6 stops, 77 mm"]));
        Assert.All(found.Ways, w => Assert.True(w.LeastStops <= 6.5 && w.MostStops >= 5.5 && w.Parts.Intersect(w.Added).SequenceEqual(w.Added)));
        (await fixture.Server.SendAsync(HttpMethod.Post, "/api/shelf/filters", Asked(4, 3))).IsProblem(422);
        (await fixture.Server.SendAsync(HttpMethod.Post, "/api/shelf/filters", Asked(4, 300))).IsProblem(422);
    }

    [Fact]
    public async Task The_ways_to_join_are_told_best_first()
    {
        var ways = (await Get($"/ways?camera={await Id("Skiff")}&lens={await Id("18–35 mm ƒ1.8")}")).Json.AsArray();
        Assert.Equal("Oakum Thole to Sill, reducer 0.71", ways[0]!["links"]![0]!.GetValue<string>());
        Assert.All(ways, w => Assert.NotEmpty(w!["why"]!.GetValue<string>()));
        (await Get($"/ways?camera={Guid.NewGuid()}&lens={Guid.NewGuid()}")).IsProblem(404);
    }

    [Theory]
    [InlineData("""{"chain":{"parts":[]}}""", "chain.parts")]
    [InlineData("""{"chain":{"parts":[{"item":{"kind":"body","name":"x"},"revision":1}]}}""", "chain.parts[0].item.modes")]
    [InlineData("""{"chain":{"parts":[{"item":{"kind":"lens","name":"x","focalShortMm":35},"revision":1}]},"rig":{"sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2,"punchIn":0}}""", "rig.punchIn")]
    public async Task Parts_that_cannot_be_read_are_refused_by_their_field(string json, string field)
    {
        var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/assemble", json);
        answer.IsProblem(422);
        Assert.Contains(field, answer.Fields);
    }

    [Fact]
    public async Task A_name_of_300_characters_in_any_script_is_kept_to_the_letter()
    {
        var name = "“Объектив” ' 鏡頭 🎥 " + new string('ж', 300);
        var id = Guid.NewGuid();
        var json = new JsonObject { ["kind"] = "lens", ["name"] = name[..300], ["focalShortMm"] = 35 }.ToJsonString();
        Assert.Equal(201, (int)(await Put(id, json)).Status);
        Assert.Equal(name[..300], (await Get($"/{id}")).Json["item"]!["name"]!.GetValue<string>());
        Assert.Equal(["name"], (await Put(Guid.NewGuid(), new JsonObject { ["kind"] = "lens", ["name"] = name + "x", ["focalShortMm"] = 35 }.ToJsonString())).Fields);
        Assert.Equal(["name"], (await Put(Guid.NewGuid(), new JsonObject { ["kind"] = "lens", ["name"] = "a\nb", ["focalShortMm"] = 35 }.ToJsonString())).Fields);
        await Delete(id);
    }

    [Fact]
    public async Task A_stored_thing_that_cannot_be_read_is_set_aside_and_takes_nothing_down()
    {
        await using var database = await TestDatabase.CreateAsync();
        await using var server = await new RunningServer(database.Connection).ReadyAsync();
        var lens = (await server.SendAsync(HttpMethod.Get, "/api/shelf?kind=lens&take=1")).Json["items"]![0]!["item"]!["id"]!.GetValue<string>();
        await using (var connection = new Npgsql.NpgsqlConnection(database.Connection))
        {
            await connection.OpenAsync();
            await using var spoil = new Npgsql.NpgsqlCommand(
                $$"""
                select set_config('juxtopsis.crew', id::text, false) from crews;
                update gear set document = jsonb_set(document, '{focalShortMm}', '-5') where id = '{{lens}}';
                update crews set shelf_revision = shelf_revision + 1;
                """,
                connection);
            await spoil.ExecuteNonQueryAsync();
        }

        var page = (await server.SendAsync(HttpMethod.Get, "/api/shelf?take=1000")).Json;
        Assert.Equal([lens], page["setAside"]!.AsArray().Select(a => a!["id"]!.GetValue<string>()));
        Assert.DoesNotContain(page["items"]!.AsArray(), i => i!["item"]!["id"]!.GetValue<string>() == lens);
        Assert.Equal(-5, (await server.SendAsync(HttpMethod.Get, $"/api/shelf/{lens}/stored")).Json["focalShortMm"]!.GetValue<double>());
        Assert.Equal(["id"], (await server.SendAsync(HttpMethod.Put, $"/api/shelf/{lens}", Lens("In its place"), ifNoneMatch: "*")).Fields);
        Assert.Equal(204, (int)(await server.SendAsync(HttpMethod.Delete, $"/api/shelf/{lens}")).Status);
        Assert.Empty((await server.SendAsync(HttpMethod.Get, "/api/shelf")).Json["setAside"]!.AsArray());
        Assert.Equal(204, (int)(await server.SendAsync(HttpMethod.Post, $"/api/shelf/{lens}/restore")).Status);
        Assert.Single((await server.SendAsync(HttpMethod.Get, "/api/shelf")).Json["setAside"]!.AsArray());
    }
}

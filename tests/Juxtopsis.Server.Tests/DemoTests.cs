namespace Juxtopsis.Server.Tests;

/// <summary>The demo's gear and work as one thing that is put away and brought back.</summary>
public sealed class DemoTests
{
    private const string Cameras = "?kind=body&take=1000";

    private static Task<Answer> SetDemo(RunningServer server, bool isHere) =>
        server.SendAsync(HttpMethod.Put, "/api/demo", $$"""{"isHere":{{(isHere ? "true" : "false")}}}""");

    private static async Task<string[]> Names(RunningServer server, string path) =>
        [.. (await server.SendAsync(HttpMethod.Get, path)).Json switch
        {
            System.Text.Json.Nodes.JsonArray works => works.Select(w => w!["name"]!.GetValue<string>()),
            var page => page["items"]!.AsArray().Select(i => i!["item"]!["name"]!.GetValue<string>()),
        }];

    private static Task<Answer> Add(RunningServer server, string json) => server.SendAsync(HttpMethod.Put, $"/api/shelf/{Guid.NewGuid()}", json, ifNoneMatch: "*");

    [Fact]
    public async Task It_goes_and_comes_back_as_one_with_what_was_changed_of_it()
    {
        await using var database = await TestDatabase.CreateAsync();
        await using var server = await new RunningServer(database.Connection).ReadyAsync();
        var before = await Names(server, "/api/shelf" + Cameras);
        var tern = (await server.SendAsync(HttpMethod.Get, "/api/shelf?q=Tern&kind=body")).Json["items"]![0]!["item"]!;
        tern["weightG"] = 777;
        var id = tern["id"]!.GetValue<string>();
        Assert.Equal(200, (int)(await server.SendAsync(HttpMethod.Put, $"/api/shelf/{id}", tern.ToJsonString(), ifMatch: "\"1\"")).Status);
        Assert.True((await server.SendAsync(HttpMethod.Get, "/api/demo")).Json["isHere"]!.GetValue<bool>());

        var away = (await SetDemo(server, false)).Json;
        Assert.False(away["isHere"]!.GetValue<bool>());
        Assert.Empty(away["held"]!.AsArray());
        Assert.Equal(0, (await server.SendAsync(HttpMethod.Get, "/api/shelf")).Json["onShelf"]!.GetValue<int>());
        Assert.Empty(await Names(server, "/api/comparisons"));
        Assert.Empty(await Names(server, "/api/productions"));
        (await server.SendAsync(HttpMethod.Get, $"/api/shelf/{id}")).IsProblem(404);

        Assert.True((await SetDemo(server, true)).Json["isHere"]!.GetValue<bool>());
        Assert.Equal(before, await Names(server, "/api/shelf" + Cameras));
        Assert.Equal(777, (await server.SendAsync(HttpMethod.Get, $"/api/shelf/{id}")).Json["item"]!["weightG"]!.GetValue<double>());
        Assert.Equal(6, (await Names(server, "/api/comparisons")).Length);
        Assert.Equal(["Low Water"], await Names(server, "/api/productions"));
    }

    [Fact]
    public async Task Mounts_that_own_gear_names_stay_and_names_that_own_gear_took_hold()
    {
        await using var database = await TestDatabase.CreateAsync();
        await using var server = await new RunningServer(database.Connection).ReadyAsync();
        Assert.False((await server.SendAsync(HttpMethod.Get, "/api/demo")).Json["hasOwn"]!.GetValue<bool>());
        await Add(server, """{"kind":"lens","name":"Forty","mount":"Thole","focalShortMm":40}""");
        var away = (await SetDemo(server, false)).Json;
        Assert.Equal(["Thole"], away["held"]!.AsArray().Select(h => h!.GetValue<string>()));
        Assert.Equal(["Thole"], await Names(server, "/api/shelf?kind=mount"));

        // A name that only the demo has is free while it is away.
        Assert.Equal(201, (int)(await Add(server, """{"kind":"body","name":"Tern","maker":"Selkie","mounts":["Thole"],"modes":[{"name":"A","areaWidthMm":36,"areaHeightMm":20}]}""")).Status);
        Assert.True((await server.SendAsync(HttpMethod.Get, "/api/demo")).Json["hasOwn"]!.GetValue<bool>());
        var back = (await SetDemo(server, true)).Json;
        Assert.Equal(["Selkie Tern"], back["held"]!.AsArray().Select(h => h!.GetValue<string>()));
        Assert.Single((await Names(server, "/api/shelf" + Cameras)), name => name == "Tern");
    }

    [Fact]
    public async Task Gear_may_come_under_an_id_that_is_put_away_and_a_mount_is_renamed_for_what_is_away_too()
    {
        await using var database = await TestDatabase.CreateAsync();
        await using var server = await new RunningServer(database.Connection).ReadyAsync();
        await Add(server, """{"kind":"lens","name":"Forty","mount":"Thole","focalShortMm":40}""");
        var lens = (await server.SendAsync(HttpMethod.Get, "/api/shelf?q=on Thole&kind=lens&take=1000")).Json["items"]!.AsArray().Select(i => i!["item"]!).First(i => i["name"]!.GetValue<string>() != "Forty" && i["mount"]!.GetValue<string>() == "Thole");
        await SetDemo(server, false);
        var mount = (await server.SendAsync(HttpMethod.Get, "/api/shelf?kind=mount")).Json["items"]![0]!["item"]!;
        mount["name"] = "Gaff";
        Assert.Equal(200, (int)(await server.SendAsync(HttpMethod.Put, $"/api/shelf/{mount["id"]}", mount.ToJsonString(), ifMatch: "\"1\"")).Status);
        lens["mount"] = "Gaff";
        Assert.Equal(201, (int)(await server.SendAsync(HttpMethod.Put, $"/api/shelf/{lens["id"]}", lens.ToJsonString(), ifNoneMatch: "*")).Status);
        Assert.Equal(200, (int)(await SetDemo(server, true)).Status);
        Assert.Empty(await Names(server, "/api/shelf?mount=Thole&kind=lens"));
        Assert.True((await Names(server, "/api/shelf?mount=Gaff&kind=lens&take=1000")).Length > 2);
    }

    [Fact]
    public async Task It_can_begin_without_and_be_brought_later()
    {
        await using var database = await TestDatabase.CreateAsync();
        await using (var server = await new RunningServer(database.Connection, withDemo: false).ReadyAsync())
        {
            Assert.Equal(0, (await server.SendAsync(HttpMethod.Get, "/api/shelf")).Json["onShelf"]!.GetValue<int>());
            Assert.Empty(await Names(server, "/api/comparisons"));
            Assert.False((await server.SendAsync(HttpMethod.Get, "/api/demo")).Json["isHere"]!.GetValue<bool>());
        }

        // Whoever starts with the demo later does not get it thrown among what is there.
        await using var later = await new RunningServer(database.Connection).ReadyAsync();
        Assert.Equal(0, (await later.SendAsync(HttpMethod.Get, "/api/shelf")).Json["onShelf"]!.GetValue<int>());
        await SetDemo(later, true);
        Assert.Equal(["Low Water"], await Names(later, "/api/productions"));
        (await later.SendAsync(HttpMethod.Put, "/api/demo", """{"isHere":"perhaps"}""")).IsProblem(400);
    }
}

using System.Text.Json.Nodes;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql;

namespace Juxtopsis.Server.Tests;

/// <summary>What was stored by an older version opens in this one.</summary>
public sealed class MigrationTests
{
    private static readonly Guid Id = Guid.NewGuid();

    [Fact]
    public async Task A_comparison_of_version_1_keeps_its_reducer_and_its_order()
    {
        var document = await Opened(
            "FirstLight",
            "comparisons",
            """
            {"schemaVersion":1,"note":"","setup":{"scene":{"subjectDistanceMm":2000},"conventions":{"cocDivisor":1730},"yardstick":1,"rigs":[
              {"name":"first","sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8,"opticsMagnification":1},
              {"name":"second","sensorWidthMm":17.3,"sensorHeightMm":13,"focalLengthMm":25,"fNumber":1.8,"opticsMagnification":0.71}]}}
            """);
        Assert.Equal(5, document["schemaVersion"]!.GetValue<int>());
        Assert.Equal("r2", document["setup"]!["yardstick"]!.GetValue<string>());
        Assert.Equal(["r1", "r2"], document["setup"]!["rigs"]!.AsArray().Select(r => r!["id"]!.GetValue<string>()));
        Assert.Equal(1730, document["setup"]!["conventions"]!["cocDivisor"]!.GetValue<double>());
        var rigs = document["setup"]!["rigs"]!.AsArray();
        Assert.Equal(["first", "second"], rigs.Select(r => r!["name"]!.GetValue<string>()));
        Assert.Empty(rigs[0]!["optics"]!.AsArray());
        Assert.Equal(0.71, rigs[1]!["optics"]![0]!.GetValue<double>());
    }

    [Fact]
    public async Task A_comparison_of_version_2_keeps_its_lens_and_its_backdrop()
    {
        var document = await Opened(
            "Productions",
            "comparisons",
            """
            {"schemaVersion":2,"note":"","setup":{"scene":{"subjectDistanceMm":2000,"place":"loft"},"conventions":{},"yardstick":0,"rigs":[
              {"name":"bare","sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8},
              {"name":"known","sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8,"lens":{"nearestFocusMm":310,"largestMagnification":0.2,"blades":9,
                "widestAlong":null},
               "chain":{"mode":"Full","mounts":[],"parts":[{"revision":1,"item":{"kind":"lens","id":"10f7a7e0-0000-4000-8000-000000000777","name":"Old","focalShortMm":35,
                 "nearestFocusMm":310,"largestRatio":0.2}}]}}]}}
            """);
        Assert.Equal(5, document["schemaVersion"]!.GetValue<int>());
        Assert.Equal("loft", document["setup"]!["scene"]!["backdrop"]!.GetValue<string>());
        var rigs = document["setup"]!["rigs"]!.AsArray();
        Assert.Equal(["bare", "known"], rigs.Select(r => r!["name"]!.GetValue<string>()));
        var lens = rigs[1]!["lens"]!;
        Assert.Equal((310, 0.2, 9), (lens["minimumFocusDistanceMm"]!.GetValue<double>(), lens["maximumMagnification"]!.GetValue<double>(), lens["blades"]!.GetValue<double>()));
        Assert.Equal(310, rigs[1]!["chain"]!["parts"]![0]!["item"]!["nearestFocusMm"]!.GetValue<double>());
    }

    [Fact]
    public async Task A_production_of_version_2_keeps_the_gear_to_choose_from_as_a_bag()
    {
        var document = await Opened(
            "Productions", "productions",
            """{"schemaVersion":2,"bag":["10f7a7e0-0000-4000-8000-000000000002","10f7a7e0-0000-4000-8000-000000000003","10f7a7e0-0000-4000-8000-000000000002"],"shots":[]}""");
        var bag = Assert.Single(document["bags"]!.AsArray())!;
        Assert.Equal((4, bag["id"]!.GetValue<Guid>(), "Gear to choose from"), (document["schemaVersion"]!.GetValue<int>(), document["chooseFrom"]!.GetValue<Guid>(), bag["name"]!.GetValue<string>()));
        Assert.Equal(["10f7a7e0-0000-4000-8000-000000000002", "10f7a7e0-0000-4000-8000-000000000003"], bag["lines"]!.AsArray().Select(l => l!["id"]!.GetValue<string>()));
        Assert.Null(document["bag"]);
    }

    [Fact]
    public async Task A_production_of_version_1_keeps_places_and_wishes()
    {
        var document = await Opened(
            "Productions",
            "productions",
            """
            {"schemaVersion":1,"note":"wish and carriage","places":[{"id":"10f7a7e0-0000-4000-8000-000000000001","name":"Shed"}],"shots":[
              {"id":"10f7a7e0-0000-4000-8000-000000000002","name":"One","placeId":"10f7a7e0-0000-4000-8000-000000000001","carriage":"shoulder","wish":"farthest",
               "subject":{"kind":"standing","heightMm":1750}},
              {"id":"10f7a7e0-0000-4000-8000-000000000003","name":"Two","placeId":"10f7a7e0-0000-4000-8000-000000000001","subject":{"kind":"standing","heightMm":1750}}]}
            """);
        Assert.Equal((4, "wish and carriage"), (document["schemaVersion"]!.GetValue<int>(), document["note"]!.GetValue<string>()));
        Assert.Equal("Shed", document["locations"]![0]!["name"]!.GetValue<string>());
        var shots = document["shots"]!.AsArray();
        Assert.Equal(["One", "Two"], shots.Select(s => s!["name"]!.GetValue<string>()));
        Assert.Equal(("shoulder", "farthest"), (shots[0]!["cameraSupport"]!.GetValue<string>(), shots[0]!["criterion"]!.GetValue<string>()));
        Assert.All(shots, s => Assert.Equal("10f7a7e0-0000-4000-8000-000000000001", s!["locationId"]!.GetValue<string>()));
    }

    [Fact]
    public async Task What_cannot_be_read_is_set_aside_listed_taken_out_and_deleted()
    {
        await using var database = await TestDatabase.CreateAsync();
        await using (var old = Context(database))
        {
            await old.GetService<IMigrator>().MigrateAsync("Productions");
        }

        const string Broken = """{"schemaVersion":2,"setup":{"rigs":"none"}}""";
        await Insert(database, "comparisons", Broken);
        await using var server = await new RunningServer(database.Connection).ReadyAsync();
        var list = await server.SendAsync(HttpMethod.Get, "/api/comparisons");
        var listed = Assert.Single(list.Json.AsArray())!;
        Assert.Equal(("old", false), (listed["name"]!.GetValue<string>(), listed["canBeRead"]!.GetValue<bool>()));
        (await server.SendAsync(HttpMethod.Get, $"/api/comparisons/{Id}")).IsProblem(422);
        var stored = await server.SendAsync(HttpMethod.Get, $"/api/comparisons/{Id}/stored");
        Assert.True(JsonNode.DeepEquals(JsonNode.Parse(Broken), stored.Json));
        Assert.Equal(204, (int)(await server.SendAsync(HttpMethod.Delete, $"/api/comparisons/{Id}")).Status);
        Assert.Empty((await server.SendAsync(HttpMethod.Get, "/api/comparisons")).Json.AsArray());
        Assert.Equal(204, (int)(await server.SendAsync(HttpMethod.Post, $"/api/comparisons/{Id}/restore")).Status);
    }

    [Fact]
    public async Task What_was_stored_before_there_was_a_past_is_the_first_of_it()
    {
        await using var database = await TestDatabase.CreateAsync();
        await using (var old = Context(database))
        {
            await old.GetService<IMigrator>().MigrateAsync("Productions");
        }

        await Insert(database, "productions", """{"schemaVersion":1,"note":"As it was","places":[],"shots":[]}""");
        await using var server = await new RunningServer(database.Connection).ReadyAsync();
        var changed = await server.SendAsync(HttpMethod.Put, $"/api/productions/{Id}", """{"name":"new","document":{"schemaVersion":4}}""", ifMatch: "\"4\"");
        Assert.Equal(200, (int)changed.Status);
        var past = (await server.SendAsync(HttpMethod.Get, $"/api/productions/{Id}/past")).Json.AsArray();
        Assert.Equal([5, 4], past.Select(p => p!["revision"]!.GetValue<int>()));
        var before = await server.SendAsync(HttpMethod.Get, $"/api/productions/{Id}/past/4");
        Assert.Equal(("old", "As it was"), (before.Json["name"]!.GetValue<string>(), before.Json["document"]!["note"]!.GetValue<string>()));
    }

    [Fact]
    public async Task Two_first_starts_on_one_database_make_one_crew()
    {
        await using var database = await TestDatabase.CreateAsync();
        var crews = await Task.WhenAll(Enumerable.Range(0, 3).Select(_ => FirstStart.PrepareAsync(crew => Context(database, crew), true, DateTimeOffset.UtcNow, CancellationToken.None)));
        Assert.Single(crews.Distinct());
        await using var context = Context(database, crews[0]);
        Assert.Equal((1, 1), (await context.Crews.CountAsync(), await context.Productions.CountAsync()));
    }

    /// <summary>What this version gives of a document that was stored after a migration.</summary>
    private static async Task<JsonNode> Opened(string migration, string table, string document)
    {
        await using var database = await TestDatabase.CreateAsync();
        await using (var old = Context(database))
        {
            await old.GetService<IMigrator>().MigrateAsync(migration);
        }

        await Insert(database, table, document);
        await using var server = await new RunningServer(database.Connection).ReadyAsync();
        var opened = await server.SendAsync(HttpMethod.Get, $"/api/{table}/{Id}");
        Assert.Equal(200, (int)opened.Status);
        return opened.Json["document"]!;
    }

    private static JuxtopsisDb Context(TestDatabase database, Guid crew = default)
    {
        var options = new DbContextOptionsBuilder<JuxtopsisDb>();
        JuxtopsisDb.Configure(options, database.Connection);
        return new(options.Options, new Crew(crew));
    }

    private static async Task Insert(TestDatabase database, string table, string document)
    {
        await using var connection = new NpgsqlConnection(database.Connection);
        await connection.OpenAsync();
        await using var insert = new NpgsqlCommand(
            $"""
            insert into crews (id, name, created_at) values ('{Id}', 'crew', now());
            insert into {table} (crew_id, id, name, document, revision, created_at, updated_at) values ('{Id}', '{Id}', 'old', '{document}'::jsonb, 4, now(), now());
            """,
            connection);
        await insert.ExecuteNonQueryAsync();
    }

    private sealed record Crew(Guid CrewId) : ICrewScope;
}

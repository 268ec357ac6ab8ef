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
            {"schemaVersion":1,"note":"","setup":{"scene":{"subjectDistanceMm":2000},"conventions":{"cocDivisor":1730},"yardstick":0,"rigs":[
              {"name":"first","sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8,"opticsMagnification":1},
              {"name":"second","sensorWidthMm":17.3,"sensorHeightMm":13,"focalLengthMm":25,"fNumber":1.8,"opticsMagnification":0.71}]}}
            """);
        Assert.Equal(3, document["schemaVersion"]!.GetValue<int>());
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
        Assert.Equal(3, document["schemaVersion"]!.GetValue<int>());
        Assert.Equal("loft", document["setup"]!["scene"]!["backdrop"]!.GetValue<string>());
        var rigs = document["setup"]!["rigs"]!.AsArray();
        Assert.Equal(["bare", "known"], rigs.Select(r => r!["name"]!.GetValue<string>()));
        var lens = rigs[1]!["lens"]!;
        Assert.Equal((310, 0.2, 9), (lens["minimumFocusDistanceMm"]!.GetValue<double>(), lens["maximumMagnification"]!.GetValue<double>(), lens["blades"]!.GetValue<double>()));
        Assert.Equal(310, rigs[1]!["chain"]!["parts"]![0]!["item"]!["nearestFocusMm"]!.GetValue<double>());
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
        Assert.Equal((2, "wish and carriage"), (document["schemaVersion"]!.GetValue<int>(), document["note"]!.GetValue<string>()));
        Assert.Equal("Shed", document["locations"]![0]!["name"]!.GetValue<string>());
        var shots = document["shots"]!.AsArray();
        Assert.Equal(["One", "Two"], shots.Select(s => s!["name"]!.GetValue<string>()));
        Assert.Equal(("shoulder", "farthest"), (shots[0]!["cameraSupport"]!.GetValue<string>(), shots[0]!["criterion"]!.GetValue<string>()));
        Assert.All(shots, s => Assert.Equal("10f7a7e0-0000-4000-8000-000000000001", s!["locationId"]!.GetValue<string>()));
    }

    [Fact]
    public async Task The_names_of_before_can_be_had_back()
    {
        await using var database = await TestDatabase.CreateAsync();
        await using var context = Context(database);
        var migrator = context.GetService<IMigrator>();
        await migrator.MigrateAsync("Productions");
        await Insert(database, "productions", """{"schemaVersion":1,"places":[],"shots":[{"wish":"farthest"}]}""");
        await migrator.MigrateAsync();
        await migrator.MigrateAsync("Productions");
        await using var connection = new NpgsqlConnection(database.Connection);
        await connection.OpenAsync();
        await using var select = new NpgsqlCommand("select document::text from productions", connection);
        var document = JsonNode.Parse((string)(await select.ExecuteScalarAsync())!);
        Assert.True(JsonNode.DeepEquals(JsonNode.Parse("""{"schemaVersion":1,"places":[],"shots":[{"wish":"farthest"}]}"""), document), document!.ToJsonString());
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

    private static JuxtopsisDb Context(TestDatabase database)
    {
        var options = new DbContextOptionsBuilder<JuxtopsisDb>();
        JuxtopsisDb.Configure(options, database.Connection);
        return new(options.Options, new NoCrew());
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

    private sealed class NoCrew : ICrewScope
    {
        public Guid CrewId => Guid.Empty;
    }
}

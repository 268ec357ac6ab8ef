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
    private const string Stored =
        """
        {"schemaVersion":1,"note":"","setup":{"scene":{"subjectDistanceMm":2000},"conventions":{"cocDivisor":1730},"yardstick":0,"rigs":[
          {"name":"first","sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8,"opticsMagnification":1},
          {"name":"second","sensorWidthMm":17.3,"sensorHeightMm":13,"focalLengthMm":25,"fNumber":1.8,"opticsMagnification":0.71}]}}
        """;

    [Fact]
    public async Task A_comparison_of_version_1_keeps_its_reducer_and_its_order()
    {
        await using var database = await TestDatabase.CreateAsync();
        var options = new DbContextOptionsBuilder<JuxtopsisDb>();
        JuxtopsisDb.Configure(options, database.Connection);
        await using (var old = new JuxtopsisDb(options.Options, new NoCrew()))
        {
            await old.GetService<IMigrator>().MigrateAsync("FirstLight");
        }

        var id = Guid.NewGuid();
        await using (var connection = new NpgsqlConnection(database.Connection))
        {
            await connection.OpenAsync();
            await using var insert = new NpgsqlCommand(
                """
                insert into crews (id, name, created_at) values ($1, 'crew', now());
                insert into comparisons (crew_id, id, name, document, revision, created_at, updated_at) values ($1, $2, 'old', $3::jsonb, 4, now(), now());
                """.Replace("$1", $"'{Guid.NewGuid()}'", StringComparison.Ordinal)
                    .Replace("$2", $"'{id}'", StringComparison.Ordinal)
                    .Replace("$3", $"'{Stored}'", StringComparison.Ordinal),
                connection);
            await insert.ExecuteNonQueryAsync();
        }

        await using var server = await new RunningServer(database.Connection).ReadyAsync();
        var opened = await server.SendAsync(HttpMethod.Get, $"/api/comparisons/{id}");
        Assert.Equal(200, (int)opened.Status);
        var document = opened.Json["document"]!;
        Assert.Equal(2, document["schemaVersion"]!.GetValue<int>());
        Assert.Equal(1730, document["setup"]!["conventions"]!["cocDivisor"]!.GetValue<double>());
        var rigs = document["setup"]!["rigs"]!.AsArray();
        Assert.Equal(["first", "second"], rigs.Select(r => r!["name"]!.GetValue<string>()));
        Assert.Empty(rigs[0]!["optics"]!.AsArray());
        Assert.Equal(0.71, rigs[1]!["optics"]![0]!.GetValue<double>());
    }

    private sealed class NoCrew : ICrewScope
    {
        public Guid CrewId => Guid.Empty;
    }
}

namespace Juxtopsis.Server.Tests;

/// <summary>What the server does without its database, and when it gets it.</summary>
public sealed class AwayTests
{
    private const string Setup = """{"scene":{"subjectDistanceMm":2000},"rigs":[{"sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8}]}""";

    [Fact]
    public async Task Without_a_database_it_evaluates_and_says_what_is_down()
    {
        await using var server = new RunningServer(TestDatabase.Nowhere);
        Assert.Equal(200, (int)(await server.SendAsync(HttpMethod.Post, "/api/evaluate", Setup)).Status);
        (await server.SendAsync(HttpMethod.Get, "/api/comparisons")).IsProblem(503);
        (await server.SendAsync(HttpMethod.Get, $"/api/comparisons/{Guid.NewGuid()}")).IsProblem(503);

        var health = await server.SendAsync(HttpMethod.Get, "/health");
        Assert.Equal(503, (int)health.Status);
        var parts = health.Json["parts"]!.AsArray().ToDictionary(p => p!["name"]!.GetValue<string>(), p => p!["status"]!.GetValue<string>());
        Assert.Equal(("down", "down"), (parts["database"], parts["schema"]));
        Assert.DoesNotContain("127.0.0.1", health.Body, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_database_that_comes_later_is_prepared_then()
    {
        await using var database = TestDatabase.Unmade();
        await using var server = new RunningServer(database.OwnersConnection);
        (await server.SendAsync(HttpMethod.Get, "/api/comparisons")).IsProblem(503);

        // Once it is let in, it makes the missing database itself.
        await database.MakeOwnerAsync();
        await server.ReadyAsync();
        Assert.Equal(6, (await server.SendAsync(HttpMethod.Get, "/api/comparisons")).Json.AsArray().Count);
    }

    [Fact]
    public async Task The_demo_is_loaded_once()
    {
        await using var database = await TestDatabase.CreateAsync();
        await using (var first = await new RunningServer(database.Connection).ReadyAsync())
        {
            foreach (var item in (await first.SendAsync(HttpMethod.Get, "/api/comparisons")).Json.AsArray())
            {
                await first.SendAsync(HttpMethod.Delete, $"/api/comparisons/{item!["id"]}");
            }
        }

        await using var second = await new RunningServer(database.Connection).ReadyAsync();
        Assert.Empty((await second.SendAsync(HttpMethod.Get, "/api/comparisons")).Json.AsArray());
        Assert.Equal(6, (await second.SendAsync(HttpMethod.Get, "/api/comparisons?deleted=true")).Json.AsArray().Count);
    }
}

using System.Text.Json.Nodes;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

namespace Juxtopsis.Server.Tests;

public sealed class ComparisonTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private static string Body(string name = "On the slip", double focalLength = 35, string note = "") => $$$"""
        {"name":{{{JsonValue.Create(name).ToJsonString()}}},"document":{"schemaVersion":5,"note":"{{{note}}}","setup":{"scene":{"subjectDistanceMm":2000},
        "rigs":[{"id":"r1","sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":{{{focalLength}}},"fNumber":2.8} ] } } }
        """;

    private static string At(Guid id) => $"/api/comparisons/{id}";

    private Task<Answer> Get(Guid id) => fixture.Server.SendAsync(HttpMethod.Get, At(id));

    private Task<Answer> Create(Guid id, string? body = null) => fixture.Server.SendAsync(HttpMethod.Put, At(id), body ?? Body(), ifNoneMatch: "*");

    private Task<Answer> Change(Guid id, int revision, string body) => fixture.Server.SendAsync(HttpMethod.Put, At(id), body, ifMatch: $"\"{revision}\"");

    private async Task<string[]> Names(bool deleted = false) =>
        [.. (await fixture.Server.SendAsync(HttpMethod.Get, $"/api/comparisons?deleted={deleted}")).Json.AsArray().Select(c => c!["name"]!.GetValue<string>())];

    [Fact]
    public async Task The_first_start_brings_four_demo_comparisons_that_can_all_be_evaluated()
    {
        var list = (await fixture.Server.SendAsync(HttpMethod.Get, "/api/comparisons")).Json.AsArray().Where(c => c!["note"]!.GetValue<string>().Length > 0).ToArray();
        Assert.Equal(6, list.Length);
        foreach (var item in list)
        {
            var comparison = (await Get(item!["id"]!.GetValue<Guid>())).Json;
            var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/evaluate", comparison["document"]!["setup"]!.ToJsonString());
            Assert.Equal(200, (int)answer.Status);
            Assert.All(answer.Json["reports"]!.AsArray(), r => Assert.NotNull(r!["figures"]!["magnification"]));
        }
    }

    [Fact]
    public async Task A_comparison_is_made_read_and_changed()
    {
        var id = Guid.NewGuid();
        var made = await Create(id);
        Assert.Equal((201, "\"1\""), ((int)made.Status, made.Tag!.Tag));
        var changed = await Change(id, 1, Body("Renamed", 50));
        Assert.Equal((200, "\"2\""), ((int)changed.Status, changed.Tag!.Tag));

        var read = await Get(id);
        Assert.Equal("Renamed", read.Json["name"]!.GetValue<string>());
        Assert.Equal(50, read.Json["document"]!["setup"]!["rigs"]![0]!["focalLengthMm"]!.GetValue<double>());
        Assert.Equal(304, (int)(await fixture.Server.SendAsync(HttpMethod.Get, At(id), ifNoneMatch: "\"2\"")).Status);
    }

    [Fact]
    public async Task An_old_revision_never_overwrites_a_new_one()
    {
        var id = Guid.NewGuid();
        await Create(id);
        await Change(id, 1, Body(focalLength: 50));
        var late = await Change(id, 1, Body(focalLength: 85));
        late.IsProblem(412);
        Assert.Equal(2, late.Json["current"]!["revision"]!.GetValue<int>());
        Assert.Equal(50, (await Get(id)).Json["document"]!["setup"]!["rigs"]![0]!["focalLengthMm"]!.GetValue<double>());
        Assert.Equal(200, (int)(await Change(id, 2, Body(focalLength: 85))).Status);
    }

    [Fact]
    public async Task Of_many_writing_at_once_exactly_one_gets_through()
    {
        var id = Guid.NewGuid();
        await Create(id);
        var answers = await Task.WhenAll(Enumerable.Range(0, 12).Select(i => Change(id, 1, Body(focalLength: 20 + i))));
        Assert.Single(answers, a => (int)a.Status == 200);
        Assert.All(answers.Where(a => (int)a.Status != 200), a => Assert.Equal(412, (int)a.Status));
        Assert.Equal(2, (await Get(id)).Json["revision"]!.GetValue<int>());
    }

    [Fact]
    public async Task Making_the_same_one_at_once_makes_one()
    {
        var id = Guid.NewGuid();
        var answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(i => Create(id, Body(focalLength: 20 + i))));
        Assert.Single(answers, a => (int)a.Status == 201);
        Assert.All(answers.Where(a => (int)a.Status != 201), a => Assert.Equal(412, (int)a.Status));
    }

    [Fact]
    public async Task Saving_again_after_a_lost_answer_is_harmless()
    {
        var id = Guid.NewGuid();
        await Create(id);
        Assert.Equal(200, (int)(await Create(id)).Status);
        await Change(id, 1, Body(focalLength: 50));
        var again = await Change(id, 1, Body(focalLength: 50));
        Assert.Equal((200, "\"2\""), ((int)again.Status, again.Tag!.Tag));
    }

    [Fact]
    public async Task Deleting_can_be_undone_and_writing_brings_back()
    {
        var id = Guid.NewGuid();
        await Create(id, Body("Deleted and back"));
        Assert.Equal(204, (int)(await fixture.Server.SendAsync(HttpMethod.Delete, At(id))).Status);
        Assert.Equal(204, (int)(await fixture.Server.SendAsync(HttpMethod.Delete, At(id))).Status);
        Assert.DoesNotContain("Deleted and back", await Names());
        Assert.Contains("Deleted and back", await Names(deleted: true));

        var restored = await fixture.Server.SendAsync(HttpMethod.Post, At(id) + "/restore");
        Assert.Equal((204, "\"3\""), ((int)restored.Status, restored.Tag!.Tag));
        Assert.Contains("Deleted and back", await Names());

        await fixture.Server.SendAsync(HttpMethod.Delete, At(id));
        (await Change(id, 3, Body("Late"))).IsProblem(412);
        Assert.Equal(200, (int)(await Change(id, 4, Body("Late"))).Status);
        Assert.Contains("Late", await Names());
    }

    [Fact]
    public async Task A_write_needs_a_condition_and_a_read_needs_a_comparison()
    {
        var id = Guid.NewGuid();
        (await fixture.Server.SendAsync(HttpMethod.Put, At(id), Body())).IsProblem(428);
        (await fixture.Server.SendAsync(HttpMethod.Put, At(id), Body(), ifMatch: "rubbish")).IsProblem(428);
        (await Change(id, 1, Body())).IsProblem(404);
        (await Get(id)).IsProblem(404);
        (await fixture.Server.SendAsync(HttpMethod.Delete, At(id))).IsProblem(404);
        (await fixture.Server.SendAsync(HttpMethod.Post, At(id) + "/restore")).IsProblem(404);
        (await fixture.Server.SendAsync(HttpMethod.Get, "/api/comparisons/not-an-id")).IsProblem(404);
    }

    [Fact]
    public async Task What_cannot_be_evaluated_or_named_is_not_stored()
    {
        var id = Guid.NewGuid();
        (await Create(id, Body(name: "  "))).IsProblem(422);
        (await Create(id, Body(name: new string('x', 121)))).IsProblem(422);
        (await Create(id, Body(name: "a\u0000b"))).IsProblem(422);
        (await Create(id, Body(note: new string('x', 281)))).IsProblem(422);
        (await Create(id, Body().Replace("\"schemaVersion\":5", "\"schemaVersion\":6", StringComparison.Ordinal))).IsProblem(422);
        var nameless = await Create(id, Body().Replace("\"id\":\"r1\",", "", StringComparison.Ordinal));
        nameless.IsProblem(422);
        Assert.Equal(["document.setup.rigs[0].id"], nameless.Fields);
        var wrong = await Create(id, Body(focalLength: 0));
        wrong.IsProblem(422);
        Assert.Equal(["document.setup.rigs[0].focalLengthMm"], wrong.Fields);
        (await Get(id)).IsProblem(404);
    }

    [Theory]
    [InlineData("Größe “ƒ” 船 \U0001F6A2")]
    [InlineData("'; drop table comparisons; --")]
    [InlineData("<script>alert(1)</script>")]
    public async Task Names_of_any_script_come_back_as_they_went(string name)
    {
        var id = Guid.NewGuid();
        await Create(id, Body(name));
        Assert.Equal(name, (await Get(id)).Json["name"]!.GetValue<string>());
    }

    [Fact]
    public async Task Another_crews_comparison_is_not_seen_and_not_written()
    {
        var id = Guid.NewGuid();
        await Create(id, Body("Ours"));
        var options = fixture.Server.Services.GetRequiredService<DbContextOptions<JuxtopsisDb>>();
        var stranger = new Scope(Guid.NewGuid());
        await using (var theirs = new JuxtopsisDb(options, stranger))
        {
            theirs.Crews.Add(new Data.Model.Crew { Id = stranger.CrewId, Name = "Far bank", CreatedAt = DateTimeOffset.UtcNow });
            theirs.Comparisons.Add(new Comparison { Id = id, Name = "Theirs", CreatedAt = DateTimeOffset.UtcNow, UpdatedAt = DateTimeOffset.UtcNow });
            await theirs.SaveChangesAsync();
            Assert.Equal(["Theirs"], await theirs.Comparisons.Select(c => c.Name).ToListAsync());
        }

        await using (var theirs = new JuxtopsisDb(options, stranger))
        {
            var ours = new Comparison { CrewId = Crew, Id = id, Name = "Ours", CreatedAt = default, UpdatedAt = default };
            theirs.Attach(ours);
            ours.Name = "Stolen";
            await Assert.ThrowsAsync<InvalidOperationException>(() => theirs.SaveChangesAsync());
        }

        Assert.Equal("Ours", (await Get(id)).Json["name"]!.GetValue<string>());
        Assert.DoesNotContain("Theirs", await Names());
    }

    [Fact]
    public async Task The_database_itself_keeps_crews_apart_whatever_a_query_asks()
    {
        var id = Guid.NewGuid();
        await Create(id, Body("Kept apart"));
        var options = fixture.Server.Services.GetRequiredService<DbContextOptions<JuxtopsisDb>>();
        foreach (var scope in new[] { new Scope(Guid.NewGuid()), new Scope(Guid.Empty) })
        {
            await using var other = new JuxtopsisDb(options, scope);
            Assert.Empty(await other.Comparisons.IgnoreQueryFilters().ToListAsync());
            Assert.Empty(await other.Revisions.IgnoreQueryFilters([JuxtopsisDb.CrewFilter]).ToListAsync());
            Assert.Equal(0, await other.Database.ExecuteSqlAsync($"update comparisons set name = 'Stolen' where id = {id}"));
            Assert.Equal(0, await other.Database.ExecuteSqlAsync($"delete from gear"));
            var refused = await Assert.ThrowsAsync<PostgresException>(() => other.Database.ExecuteSqlAsync(
                $"insert into photos (crew_id, id, jpeg, width_px, height_px, created_at) values ({Crew}, {id}, '', 1, 1, now())"));
            Assert.Equal(PostgresErrorCodes.InsufficientPrivilege, refused.SqlState);
        }

        Assert.Equal("Kept apart", (await Get(id)).Json["name"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_crew_that_has_something_cannot_be_deleted()
    {
        var options = fixture.Server.Services.GetRequiredService<DbContextOptions<JuxtopsisDb>>();
        await using var db = new JuxtopsisDb(options, new Scope(Crew));
        var refused = await Assert.ThrowsAsync<PostgresException>(() => db.Database.ExecuteSqlAsync($"delete from crews where id = {Crew}"));
        Assert.Contains(refused.SqlState, new[] { PostgresErrorCodes.ForeignKeyViolation, PostgresErrorCodes.RestrictViolation });
    }

    [Fact]
    public async Task Without_a_crew_nothing_is_written()
    {
        var options = fixture.Server.Services.GetRequiredService<DbContextOptions<JuxtopsisDb>>();
        await using var nobody = new JuxtopsisDb(options, new Scope(Guid.Empty));
        nobody.Add(new Comparison { Id = Guid.NewGuid(), Name = "Nobody's", CreatedAt = default, UpdatedAt = default });
        await Assert.ThrowsAsync<InvalidOperationException>(() => nobody.SaveChangesAsync());
    }

    private Guid Crew
    {
        get
        {
            using var request = fixture.Server.Services.CreateScope();
            return request.ServiceProvider.GetRequiredService<ICrewScope>().CrewId;
        }
    }

    private sealed record Scope(Guid CrewId) : ICrewScope;
}

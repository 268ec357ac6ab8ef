using System.Text.Json.Nodes;
using Juxtopsis.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Juxtopsis.Server.Tests;

/// <summary>Tests of units, from readings into the record, and takes.</summary>
public sealed class LogTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private const string Demo = "10f7a7e0-0000-4000-8000-0000000000a1";

    private RunningServer Server => fixture.Server;

    private static string Focal(Guid unit, string readings, string note = "") =>
        $$$"""{"unitId":"{{{unit}}}","note":"{{{note}}}","measured":{"kind":"focalLength","setup":{"usedWidthMm":36,"focalLengthMm":50},"readings":[{{{readings}}}]}}""";

    private const string Two = """{"distanceMm":2000,"widthMm":1420},{"distanceMm":5000,"widthMm":3640}""";

    private async Task<Guid> NewLens()
    {
        var id = Guid.NewGuid();
        var made = await Server.SendAsync(
            HttpMethod.Put, $"/api/shelf/{id}", $$"""{"kind":"lens","name":"Trial {{id}}","maker":"Tallow","mount":"K-bay","focalShortMm":50,"widestF":2,"weightG":400,"imageCircleMm":44}""", ifNoneMatch: "*");
        Assert.Equal(201, (int)made.Status);
        return id;
    }

    private Task<Answer> PutTest(Guid id, string body, string? match = null) =>
        Server.SendAsync(HttpMethod.Put, $"/api/tests/{id}", body, ifMatch: match, ifNoneMatch: match is null ? "*" : null);

    [Fact]
    public async Task Readings_are_saved_as_they_come_and_go_into_the_record_once()
    {
        var (lens, id) = (await NewLens(), Guid.NewGuid());
        Assert.Equal(201, (int)(await PutTest(id, Focal(lens, ""))).Status);
        (await Server.SendAsync(HttpMethod.Post, $"/api/tests/{id}/accept")).IsProblem(409);
        var more = await PutTest(id, Focal(lens, Two), "\"1\"");
        Assert.Equal(200, (int)more.Status);
        (await PutTest(id, Focal(lens, """{"distanceMm":1000,"widthMm":700}"""), "\"1\"")).IsProblem(412);
        var accepted = await Server.SendAsync(HttpMethod.Post, $"/api/tests/{id}/accept");
        Assert.Equal(200, (int)accepted.Status);
        Assert.NotNull(accepted.Json["acceptedAt"]);
        var found = accepted.Json["results"]![0]!;
        Assert.Equal("focalLength", found["quantity"]!.GetValue<string>());
        var item = (await Server.SendAsync(HttpMethod.Get, $"/api/shelf/{lens}")).Json["item"]!;
        Assert.Equal(found["value"]!.GetValue<double>(), item["testedFocal"]![0]![1]!.GetValue<double>(), 0.06);
        Assert.Equal(50, item["focalShortMm"]!.GetValue<double>());
        Assert.StartsWith("True focal length: 50 mm is ", item["testedBy"]!.GetValue<string>(), StringComparison.Ordinal);

        // What is in the record stays: neither changed nor deleted, and accepting once more is nothing new.
        (await PutTest(id, Focal(lens, Two), "\"3\"")).IsProblem(409);
        (await Server.SendAsync(HttpMethod.Delete, $"/api/tests/{id}")).IsProblem(409);
        Assert.Equal(200, (int)(await Server.SendAsync(HttpMethod.Post, $"/api/tests/{id}/accept")).Status);
        var later = Guid.NewGuid();
        await PutTest(later, Focal(lens, """{"distanceMm":2000,"widthMm":1460},{"distanceMm":5000,"widthMm":3740}"""));
        await Server.SendAsync(HttpMethod.Post, $"/api/tests/{later}/accept");
        var kept = (await Server.SendAsync(HttpMethod.Get, $"/api/tests?gear={lens}")).Json.AsArray();
        Assert.Equal(2, kept.Count(t => t!["acceptedAt"] is not null));
        var after = (await Server.SendAsync(HttpMethod.Get, $"/api/shelf/{lens}")).Json["item"]!;
        Assert.NotEqual(item["testedFocal"]![0]![1]!.GetValue<double>(), after["testedFocal"]![0]![1]!.GetValue<double>());
        Assert.Single(after["testedBy"]!.GetValue<string>().Split('\n'));
    }

    private async Task<JsonNode> Thing(Guid id) => (await Server.SendAsync(HttpMethod.Get, $"/api/shelf/{id}")).Json["item"]!;

    private async Task<double> Tested(Guid id) => (await Thing(id))["testedFocal"]![0]![1]!.GetValue<double>();

    private async Task Accepted(Guid unit, string readings)
    {
        var id = Guid.NewGuid();
        Assert.Equal(201, (int)(await PutTest(id, Focal(unit, readings))).Status);
        Assert.Equal(200, (int)(await Server.SendAsync(HttpMethod.Post, $"/api/tests/{id}/accept")).Status);
    }

    private async Task<Guid> Second(Guid lens, string label)
    {
        var unit = Guid.NewGuid();
        Assert.Equal(201, (int)(await Server.SendAsync(HttpMethod.Put, $"/api/units/{unit}", $$"""{"gearId":"{{lens}}","label":"{{label}}"}""", ifNoneMatch: "*")).Status);
        return unit;
    }

    private Task<Answer> Model(Guid unit, Guid gear) => Server.SendAsync(HttpMethod.Put, $"/api/units/{unit}/model", $$"""{"gearId":"{{gear}}"}""");

    private async Task<string[]> Models(Guid unit) =>
        [.. (await Server.SendAsync(HttpMethod.Get, $"/api/units/{unit}/models")).Json.AsArray().Select(m => $"{m!["gearId"]} {m["name"]}")];

    private const string Longer = """{"distanceMm":2000,"widthMm":1460},{"distanceMm":5000,"widthMm":3740}""";

    [Fact]
    public async Task A_unit_that_differs_becomes_a_model_of_its_own_with_its_own_tests_and_goes_back()
    {
        var lens = await NewLens();
        var unit = await Second(lens, "No. 2");
        await Accepted(lens, Two);
        var first = await Tested(lens);
        await Accepted(unit, Longer);
        var second = await Tested(lens);
        Assert.NotEqual(first, second);

        var apart = await Model(unit, unit);
        Assert.Equal(200, (int)apart.Status);
        Assert.Equal($"{unit}", apart.Json["gearId"]!.GetValue<string>());
        Assert.Equal((first, second), (await Tested(lens), await Tested(unit)));
        var own = await Thing(unit);
        Assert.EndsWith(" No. 2", own["name"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal((50, 400), (own["focalShortMm"]!.GetValue<double>(), own["weightG"]!.GetValue<double>()));
        Assert.Contains("No. 2", own["testedBy"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.DoesNotContain("No. 2", (await Thing(lens))["testedBy"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal($"{unit}", Assert.Single((await Server.SendAsync(HttpMethod.Get, $"/api/tests?gear={unit}")).Json.AsArray())!["unitId"]!.GetValue<string>());
        Assert.Equal(200, (int)(await Model(unit, unit)).Status);

        // It can go back as long as its papers are those of the other, whatever was found of either.
        Assert.Contains($"{lens} Tallow {(await Thing(lens))["name"]}", await Models(unit));

        // A later test of the one says nothing of the other.
        await Accepted(lens, """{"distanceMm":2000,"widthMm":1400},{"distanceMm":5000,"widthMm":3590}""");
        Assert.Equal(second, await Tested(unit));

        Assert.Equal(200, (int)(await Model(unit, lens)).Status);
        Assert.Equal(404, (int)(await Server.SendAsync(HttpMethod.Get, $"/api/shelf/{unit}")).Status);
        Assert.Empty(await Models(unit));
        Assert.DoesNotContain(await Models(lens), model => model.StartsWith($"{unit}", StringComparison.Ordinal));
        Assert.Equal(3, (await Server.SendAsync(HttpMethod.Get, $"/api/tests?gear={lens}")).Json.AsArray().Count);
    }

    [Fact]
    public async Task Papers_that_differ_are_not_lost_by_putting_a_unit_back()
    {
        var (lens, another) = (await NewLens(), await NewLens());
        var unit = await Second(lens, "No. 2");
        await Model(unit, unit);
        var own = await Thing(unit);
        own["weightG"] = 415;
        Assert.Equal(200, (int)(await Server.SendAsync(HttpMethod.Put, $"/api/shelf/{unit}", own.ToJsonString(), ifMatch: "\"1\"")).Status);
        Assert.DoesNotContain(await Models(unit), model => model.StartsWith($"{lens}", StringComparison.Ordinal));
        (await Model(unit, lens)).IsProblem(409);
        Assert.Equal(415, (await Thing(unit))["weightG"]!.GetValue<double>());

        // Nor does a thing that was never one of another model become one of it.
        var changed = await Thing(another);
        changed["focalShortMm"] = 85;
        await Server.SendAsync(HttpMethod.Put, $"/api/shelf/{another}", changed.ToJsonString(), ifMatch: "\"1\"");
        (await Model(another, lens)).IsProblem(409);
        Assert.Equal(85, (await Thing(another))["focalShortMm"]!.GetValue<double>());
    }

    [Fact]
    public async Task What_came_with_a_file_stays_in_the_record_where_the_unit_that_goes_was_not_tested()
    {
        var lens = await NewLens();
        var item = await Thing(lens);
        item["testedWeightG"] = 407;
        Assert.Equal(200, (int)(await Server.SendAsync(HttpMethod.Put, $"/api/shelf/{lens}", item.ToJsonString(), ifMatch: "\"1\"")).Status);
        var unit = await Second(lens, "No. 2");
        Assert.Equal(200, (int)(await Model(unit, unit)).Status);
        Assert.Equal(407, (await Thing(lens))["testedWeightG"]!.GetValue<double>());
        Assert.Null((await Thing(unit))["testedWeightG"]);
        Assert.Equal(200, (int)(await Model(unit, lens)).Status);
        Assert.Equal(407, (await Thing(lens))["testedWeightG"]!.GetValue<double>());
    }

    [Fact]
    public async Task Several_who_set_one_unit_apart_at_once_end_with_one_model_of_it()
    {
        var lens = await NewLens();
        var unit = await Second(lens, "No. 2");
        var all = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => Model(unit, unit)));
        Assert.All(all, answer => Assert.Equal(200, (int)answer.Status));
        Assert.EndsWith(" No. 2", (await Thing(unit))["name"]!.GetValue<string>(), StringComparison.Ordinal);
        var units = (await Server.SendAsync(HttpMethod.Get, "/api/units")).Json.AsArray();
        Assert.Equal($"{lens}", Assert.Single(units, u => u!["id"]!.GetValue<string>() == $"{lens}")!["gearId"]!.GetValue<string>());
        Assert.Equal($"{unit}", Assert.Single(units, u => u!["id"]!.GetValue<string>() == $"{unit}")!["gearId"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_unit_of_which_nothing_was_tested_takes_no_result_with_it_and_its_name_is_its_own()
    {
        var lens = await NewLens();
        var (unit, other) = (await Second(lens, ""), await Second(lens, ""));
        await Accepted(lens, Two);
        Assert.Equal(200, (int)(await Model(unit, unit)).Status);
        Assert.Equal(200, (int)(await Model(other, other)).Status);
        var name = (await Thing(lens))["name"]!.GetValue<string>();
        Assert.Equal(($"{name} 2", $"{name} 3"), ((await Thing(unit))["name"]!.GetValue<string>(), (await Thing(other))["name"]!.GetValue<string>()));
        Assert.Null((await Thing(unit))["testedFocal"]);
        Assert.Null((await Thing(unit))["testedBy"]);
        Assert.NotNull((await Thing(lens))["testedFocal"]);
    }

    [Fact]
    public async Task A_unit_goes_to_nothing_else_and_not_away_from_what_names_it()
    {
        var (lens, another) = (await NewLens(), await NewLens());
        var unit = await Second(lens, "No. 2");
        (await Model(Guid.NewGuid(), lens)).IsProblem(404);
        (await Model(unit, Guid.NewGuid())).IsProblem(422);
        (await Model(unit, another)).IsProblem(409);
        (await Server.SendAsync(HttpMethod.Put, $"/api/units/{unit}/model", "{}")).IsProblem(400);
        var adapter = (await Server.SendAsync(HttpMethod.Get, "/api/shelf?kind=adapter&take=1")).Json["items"]![0]!["item"]!["id"]!.GetValue<Guid>();
        (await Model(unit, adapter)).IsProblem(422);

        // The first of a model was given away: what is left is the model.
        var single = await NewLens();
        var left = await Second(single, "No. 2");
        Assert.Equal(204, (int)(await Server.SendAsync(HttpMethod.Delete, $"/api/units/{single}")).Status);
        (await Model(left, left)).IsProblem(409);

        await Model(unit, unit);
        await Packed($$"""{"id":"{{lens}}","units":["{{lens}}","{{unit}}"],"count":2}""");
        Assert.Equal(200, (int)(await Model(unit, lens)).Status);
        await Model(unit, unit);
        await Packed($$"""{"id":"{{unit}}"}""");
        (await Model(unit, lens)).IsProblem(409);
        Assert.Equal(200, (int)(await Server.SendAsync(HttpMethod.Get, $"/api/shelf/{unit}")).Status);

        async Task Packed(string line) => Assert.Equal(201, (int)(await Server.SendAsync(
            HttpMethod.Put, $"/api/productions/{Guid.NewGuid()}", $$$"""{"name":"Spare","document":{"schemaVersion":4,"bags":[{"id":"{{{Guid.NewGuid()}}}","name":"A","lines":[{{{line}}}]}]}}""", ifNoneMatch: "*")).Status);
    }

    [Fact]
    public async Task A_test_that_cannot_be_is_refused_and_nothing_is_lost()
    {
        var (lens, id) = (await NewLens(), Guid.NewGuid());
        (await Server.SendAsync(HttpMethod.Put, $"/api/tests/{id}", Focal(lens, Two))).IsProblem(428);
        (await PutTest(id, Focal(Guid.NewGuid(), Two))).IsProblem(422);
        (await PutTest(id, Focal(lens, """{"distanceMm":0}"""))).IsProblem(422);
        (await PutTest(id, Focal(lens, Two).Replace("focalLength\"", "magnification\"", StringComparison.Ordinal))).IsProblem(422);
        (await PutTest(id, Focal(lens, """{"distanceMM":1}"""))).IsProblem(400);
        (await PutTest(id, Focal(lens, Two).Replace("\"usedWidthMm\":36", "\"usedWidthMm\":36,\"tapePlusMinusMm\":0", StringComparison.Ordinal))).IsProblem(422);
        (await PutTest(id, Focal(lens, Two), "\"1\"")).IsProblem(404);
        Assert.Equal(201, (int)(await PutTest(id, Focal(lens, Two))).Status);
        Assert.Equal(200, (int)(await PutTest(id, Focal(lens, Two))).Status);
        (await PutTest(id, Focal(await NewLens(), Two), "\"1\"")).IsProblem(409);
        Assert.Equal(204, (int)(await Server.SendAsync(HttpMethod.Delete, $"/api/tests/{id}")).Status);
        (await Server.SendAsync(HttpMethod.Delete, $"/api/tests/{id}")).IsProblem(404);
        (await Server.SendAsync(HttpMethod.Post, $"/api/tests/{id}/accept")).IsProblem(404);
    }

    [Fact]
    public async Task The_core_measures_over_HTTP_what_it_measures_in_the_page()
    {
        var said = await Server.SendAsync(HttpMethod.Post, "/api/measure", """{"kind":"weight","readings":[{"weightG":500},{"weightG":504}]}""");
        Assert.Equal(502, said.Json["results"]![0]!["value"]!.GetValue<double>(), 1e-9);
        var wall = string.Join(',', Enumerable.Repeat("0.3", 12));
        var even = await Server.SendAsync(HttpMethod.Post, "/api/measure", $$$"""{"kind":"falloff","wall":{"columns":4,"rows":3,"widthMm":36,"heightMm":24,"light":[{{{wall}}}]}}""");
        Assert.Equal(0, even.Json["results"]![0]!["value"]!.GetValue<double>(), 1e-6);
        (await Server.SendAsync(HttpMethod.Post, "/api/measure", """{"kind":"falloff","wall":{"columns":4,"rows":3,"widthMm":36,"heightMm":24,"light":[1]}}""")).IsProblem(422);
        var black = await Server.SendAsync(HttpMethod.Post, "/api/measure", """{"kind":"falloff","wall":{"columns":3,"rows":3,"widthMm":36,"heightMm":24,"light":[0,0,0,0,0,0,0,0,0]}}""");
        Assert.Empty(black.Json["results"]!.AsArray());
        Assert.NotEmpty(black.Json["findings"]!.AsArray());
        var marks = await Server.SendAsync(HttpMethod.Post, "/api/marks", """{"marks":[{"x":100,"y":50},{"x":900,"y":50}],"pictureWidthPx":1600,"pictureHeightPx":900,"widthMm":1000}""");
        Assert.Equal(2000, marks.Json["field"]!["widthMm"]!.GetValue<double>(), 1e-9);
        (await Server.SendAsync(HttpMethod.Post, "/api/marks", """{"marks":[{"x":1,"y":5}],"pictureWidthPx":1600,"pictureHeightPx":900,"widthMm":1000}""")).IsProblem(422);
        Assert.Equal(11, (await Server.SendAsync(HttpMethod.Get, "/api/procedures")).Json.AsArray().Count);
    }

    private static string Take(string production, string part = "") => $$"""{"productionId":"{{production}}","takenAt":"2026-11-27T10:00:00Z","shotName":"The launch","number":2,"focalLengthMm":35,"mark":"good"{{part}}}""";

    [Fact]
    public async Task Two_who_note_at_once_do_not_meet_and_nothing_is_overwritten()
    {
        var (mine, theirs) = (Guid.NewGuid(), Guid.NewGuid());
        var made = await Task.WhenAll(
            Server.SendAsync(HttpMethod.Put, $"/api/takes/{mine}", Take(Demo), ifNoneMatch: "*"),
            Server.SendAsync(HttpMethod.Put, $"/api/takes/{theirs}", Take(Demo, ",\"camera\":\"B\""), ifNoneMatch: "*"));
        Assert.All(made, m => Assert.Equal(201, (int)m.Status));
        var listed = (await Server.SendAsync(HttpMethod.Get, $"/api/takes?production={Demo}")).Json.AsArray().Select(t => t!["id"]!.GetValue<string>()).ToArray();
        Assert.Contains(mine.ToString(), listed);
        Assert.Contains(theirs.ToString(), listed);
        Assert.Equal(200, (int)(await Server.SendAsync(HttpMethod.Put, $"/api/takes/{mine}", Take(Demo), ifNoneMatch: "*")).Status);
        Assert.Equal(200, (int)(await Server.SendAsync(HttpMethod.Put, $"/api/takes/{mine}", Take(Demo, ",\"note\":\"once more\""), ifMatch: "\"2\"")).Status);
        (await Server.SendAsync(HttpMethod.Put, $"/api/takes/{mine}", Take(Demo, ",\"note\":\"late\""), ifMatch: "\"2\"")).IsProblem(412);
        Assert.Equal(204, (int)(await Server.SendAsync(HttpMethod.Delete, $"/api/takes/{mine}")).Status);
        (await Server.SendAsync(HttpMethod.Delete, $"/api/takes/{mine}")).IsProblem(404);
        Assert.Equal(200, (int)(await Server.SendAsync(HttpMethod.Put, $"/api/takes/{mine}", Take(Demo), ifMatch: "\"3\"")).Status);
    }

    [Fact]
    public async Task Who_asks_for_what_changed_is_told_that_alone_and_what_is_gone()
    {
        var (stays, goes) = (Guid.NewGuid(), Guid.NewGuid());
        await Server.SendAsync(HttpMethod.Put, $"/api/takes/{stays}", Take(Demo), ifNoneMatch: "*");
        var made = await Server.SendAsync(HttpMethod.Put, $"/api/takes/{goes}", Take(Demo), ifNoneMatch: "*");
        var since = Uri.EscapeDataString(made.Json["updatedAt"]!.GetValue<string>());
        await Server.SendAsync(HttpMethod.Delete, $"/api/takes/{goes}");
        await Server.SendAsync(HttpMethod.Put, $"/api/takes/{stays}", Take(Demo, ",\"note\":\"later\""), ifMatch: "\"1\"");
        var changed = (await Server.SendAsync(HttpMethod.Get, $"/api/takes?since={since}")).Json.AsArray();
        Assert.True(changed.Count < (await Server.SendAsync(HttpMethod.Get, "/api/takes")).Json.AsArray().Count);
        Assert.Equal("later", Assert.Single(changed, t => t!["id"]!.GetValue<Guid>() == stays)!["take"]!["note"]!.GetValue<string>());
        Assert.NotNull(Assert.Single(changed, t => t!["id"]!.GetValue<Guid>() == goes)!["deletedAt"]);
        Assert.DoesNotContain((await Server.SendAsync(HttpMethod.Get, "/api/takes")).Json.AsArray(), t => t!["id"]!.GetValue<Guid>() == goes);
        (await Server.SendAsync(HttpMethod.Get, "/api/takes?since=yesterday")).IsProblem(400);
    }

    [Theory]
    [InlineData(",\"fNumber\":0", "fNumber")]
    [InlineData(",\"number\":0", "number")]
    [InlineData(",\"distanceMm\":-4", "distanceMm")]
    [InlineData(",\"note\":\"a\\u0007\"", "note")]
    public async Task A_take_that_cannot_be_is_refused(string part, string field)
    {
        var answer = await Server.SendAsync(HttpMethod.Put, $"/api/takes/{Guid.NewGuid()}", Take(Demo, part).Replace(part.Contains("number", StringComparison.Ordinal) ? "\"number\":2," : "\u0000", "", StringComparison.Ordinal), ifNoneMatch: "*");
        answer.IsProblem(422);
        Assert.Equal(field, answer.Json["errors"]![0]!["about"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_take_waits_for_its_production_and_stays_in_it()
    {
        var id = Guid.NewGuid();
        (await Server.SendAsync(HttpMethod.Put, $"/api/takes/{id}", Take($"{Guid.NewGuid()}"), ifNoneMatch: "*")).IsProblem(404);
        Assert.Equal(201, (int)(await Server.SendAsync(HttpMethod.Put, $"/api/takes/{id}", Take(Demo), ifNoneMatch: "*")).Status);
        (await Server.SendAsync(HttpMethod.Put, $"/api/takes/{id}", Take($"{Guid.NewGuid()}"), ifMatch: "\"1\"")).IsProblem(422);
        (await Server.SendAsync(HttpMethod.Put, $"/api/takes/{Guid.NewGuid()}", Take(Demo), ifMatch: "\"1\"")).IsProblem(404);
        (await Server.SendAsync(HttpMethod.Put, $"/api/takes/{Guid.NewGuid()}", Take(Demo))).IsProblem(428);
    }

    [Fact]
    public async Task The_demo_has_two_tested_lenses_one_three_per_cent_off_and_a_day_of_thirty_takes()
    {
        using var scope = Server.Services.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<JuxtopsisDb>();
        var day = await db.Takes.AsNoTracking().Where(t => t.By == "Oda").ToListAsync(TestContext.Current.CancellationToken);
        Assert.Equal(30, day.Count);
        Assert.Contains(day, t => t.ToTake().RoomMm == 4100);
        var tests = (await db.UnitTests.AsNoTracking().Where(t => t.By == "Oda").ToListAsync(TestContext.Current.CancellationToken)).Select(t => t.ToResults()[0]).ToArray();
        Assert.Equal(2, tests.Length);
        Assert.Contains(tests, t => Math.Abs(t.Value / t.Marked!.Value - 0.97) < 0.003);
    }
}

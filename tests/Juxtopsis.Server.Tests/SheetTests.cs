using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using Npgsql;

namespace Juxtopsis.Server.Tests;

/// <summary>Frozen sheets, the links that open them, and what comes through these.</summary>
public sealed class SheetTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private const string Production = "10f7a7e0-0000-4000-8000-0000000000a1";
    private const string Secret = "only the crew knows";

    private static readonly byte[] jpeg =
    [
        0xFF, 0xD8, 0xFF, 0xDB, 0, 67, .. new byte[65], 0xFF, 0xC0, 0, 12, 8, 0x07, 0x80, 0x0A, 0x00, 1, 1, 0x11, 0, 0, 0xFF, 0xDA, 0, 8, 1, 0, 0, 63, 0, 0, 0x12, 0x34, 0xFF, 0xD9,
    ];

    private RunningServer Server => fixture.Server;

    private static string Sheet(string work = Production, string kind = "frames", string shots = """[{"id":"s1","title":"1 A rivet","options":[{"id":"s1"},{"id":"s1.1","title":"B"}]},{"id":"s2","title":"2 A heron","options":[{"id":"s2"}]}]""") =>
        $$$"""
        {"workId":"{{{work}}}","sheetId":"{{{Guid.NewGuid()}}}","workRevision":3,"kind":"{{{kind}}}","title":"For the producer","shots":{{{shots}}},"content":{"note":"{{{Secret}}}"}}
        """;

    private async Task<Guid> Freeze(string? body = null)
    {
        var id = Guid.NewGuid();
        Assert.Equal(201, (int)(await Server.SendAsync(HttpMethod.Put, $"/api/sheets/{id}", body ?? Sheet())).Status);
        return id;
    }

    private async Task<(Guid Id, string Token)> Link(Guid sheet, double days = 3)
    {
        var made = await Server.SendAsync(HttpMethod.Post, $"/api/sheets/{sheet}/links", $$"""{"endsAt":"{{DateTimeOffset.UtcNow.AddDays(days):O}}","for":"The producer"}""");
        Assert.Equal(201, (int)made.Status);
        return (made.Json["link"]!["id"]!.GetValue<Guid>(), made.Json["token"]!.GetValue<string>());
    }

    private async Task<Answer> Visit(string token, string path = "", string? answer = null, string? host = null)
    {
        using var request = new HttpRequestMessage(answer is null ? HttpMethod.Get : HttpMethod.Post, "/api/shared" + path);
        request.Headers.Authorization = new AuthenticationHeaderValue("Bearer", token);
        request.Headers.Host = host;
        if (answer is not null)
        {
            request.Content = new StringContent(answer, Encoding.UTF8, "application/json");
        }

        using var response = await Server.Client.SendAsync(request);
        Assert.False(response.Headers.Contains("Juxtopsis-Crew"), "a visitor is not told whose server it is");
        Assert.True(response.Headers.CacheControl?.NoStore);
        return new Answer(response.StatusCode, await response.Content.ReadAsStringAsync(), response.Headers.ETag, response.Content.Headers.ContentType?.MediaType);
    }

    private static string Said(string shot, string verdict = "approved", string option = "", string name = "Oda", string remark = "", Guid? id = null) =>
        $$"""{"id":"{{id ?? Guid.NewGuid()}}","shotId":"{{shot}}","optionId":"{{option}}","verdict":"{{verdict}}","remark":"{{remark}}","name":"{{name}}"}""";

    private async Task<JsonNode> Listed(Guid sheet) =>
        (await Server.SendAsync(HttpMethod.Get, $"/api/sheets?work={Production}")).Json.AsArray().Single(s => s!["id"]!.GetValue<Guid>() == sheet)!;

    [Fact]
    public async Task A_frozen_sheet_is_kept_as_it_was_and_never_changes()
    {
        var (id, body) = (Guid.NewGuid(), Sheet());
        Assert.Equal(201, (int)(await Server.SendAsync(HttpMethod.Put, $"/api/sheets/{id}", body)).Status);
        Assert.Equal(200, (int)(await Server.SendAsync(HttpMethod.Put, $"/api/sheets/{id}", body)).Status);
        (await Server.SendAsync(HttpMethod.Put, $"/api/sheets/{id}", Sheet())).IsProblem(409);
        var kept = (await Server.SendAsync(HttpMethod.Get, $"/api/sheets/{id}")).Json;
        Assert.Equal(Secret, kept["content"]!["note"]!.GetValue<string>());
        Assert.Equal((3, "For the producer"), (kept["summary"]!["workRevision"]!.GetValue<int>(), kept["summary"]!["title"]!.GetValue<string>()));
        Assert.Equal(["s1", "s2"], kept["shots"]!.AsArray().Select(s => s!["id"]!.GetValue<string>()));
        Assert.Equal(204, (int)(await Server.SendAsync(HttpMethod.Delete, $"/api/sheets/{id}")).Status);
        (await Server.SendAsync(HttpMethod.Get, $"/api/sheets/{id}")).IsProblem(404);
        (await Server.SendAsync(HttpMethod.Delete, $"/api/sheets/{id}")).IsProblem(404);
    }

    [Fact]
    public async Task What_cannot_be_kept_is_refused_and_named()
    {
        (await Server.SendAsync(HttpMethod.Put, $"/api/sheets/{Guid.NewGuid()}", Sheet(work: $"{Guid.NewGuid()}"))).IsProblem(404);
        foreach (var (shots, field) in new[]
        {
            ("""[{"id":"a b","title":"","options":[{"id":"x"}]}]""", "shots[0].id"),
            ("""[{"id":"a","title":"","options":[]}]""", "shots[0].options"),
            ("""[{"id":"a","title":"","options":[null]}]""", "shots[0].options[0]"),
            ("""[{"id":"a","title":"","options":[{"id":"x"},{"id":"x"}]}]""", "shots"),
            ("""[{"id":"a","title":"","options":[{"id":"x","aspect":99}]}]""", "shots[0].options[0].aspect"),
            ("""[{"id":"a","title":"","options":[{"id":"x"}]},{"id":"a","title":"","options":[{"id":"y"}]}]""", "shots"),
        })
        {
            var refused = await Server.SendAsync(HttpMethod.Put, $"/api/sheets/{Guid.NewGuid()}", Sheet(shots: shots));
            refused.IsProblem(422);
            Assert.Contains(field, refused.Fields);
        }

        var bytes = await Server.SendAsync(HttpMethod.Put, $"/api/sheets/{Guid.NewGuid()}", Sheet().Replace(Secret, "a\\u0000b", StringComparison.Ordinal));
        bytes.IsProblem(422);
        Assert.Contains("content", bytes.Fields);
    }

    [Fact]
    public async Task Pictures_belong_to_options_and_stay()
    {
        var sheet = await Freeze();
        Assert.Equal(204, await PutPicture(sheet, "s1.1", jpeg));
        Assert.Equal(204, await PutPicture(sheet, "s1.1", jpeg));
        Assert.Equal(409, await PutPicture(sheet, "s1.1", [.. jpeg[..^6], 0x77, 0x12, 0x34, 0x55, 0xFF, 0xD9]));
        Assert.Equal(404, await PutPicture(sheet, "s9", jpeg));
        Assert.Equal(422, await PutPicture(sheet, "s2", "<svg/>"u8.ToArray()));
        Assert.Equal("image/jpeg", (await Server.Client.GetAsync($"/api/sheets/{sheet}/pictures/s1.1")).Content.Headers.ContentType!.MediaType);
        var (_, token) = await Link(sheet);
        Assert.Equal(200, (int)(await Visit(token, "/pictures/s1.1")).Status);
        (await Visit(token, "/pictures/s2")).IsProblem(404);
        Assert.Equal(["s1.1"], (await Visit(token)).Json["pictures"]!.AsArray().Select(p => p!.GetValue<string>()));
    }

    [Fact]
    public async Task A_link_opens_its_sheet_and_nothing_else_until_it_is_withdrawn()
    {
        var (sheet, other) = (await Freeze(), await Freeze(Sheet(shots: """[{"id":"z","title":"Of another sheet","options":[{"id":"z"}]}]""")));
        var (link, token) = await Link(sheet);
        Assert.Equal(43, token.Length);
        var seen = await Visit(token);
        Assert.Equal(200, (int)seen.Status);
        Assert.DoesNotContain(Secret, seen.Body, StringComparison.Ordinal);
        Assert.DoesNotContain("another sheet", seen.Body, StringComparison.Ordinal);
        Assert.DoesNotContain(Production, seen.Body, StringComparison.Ordinal);
        Assert.DoesNotContain("The producer\"", seen.Body, StringComparison.Ordinal);
        (await Visit(token, "/answers", Said("z"))).IsProblem(422);
        (await Visit(token, "/pictures/z")).IsProblem(404);
        Assert.DoesNotContain(token, (await Server.SendAsync(HttpMethod.Get, $"/api/sheets?work={Production}")).Body, StringComparison.Ordinal);
        Assert.Equal(1, (await Listed(sheet))["links"]![0]!["opened"]!.GetValue<int>());

        Assert.Equal(204, (int)(await Server.SendAsync(HttpMethod.Delete, $"/api/sheets/links/{link}")).Status);
        foreach (var refused in new[] { await Visit(token), await Visit(token, "/pictures/s1"), await Visit(token, "/answers", Said("s1")) })
        {
            refused.IsProblem(410);
            Assert.Contains("withdrawn", refused.Json["title"]!.GetValue<string>(), StringComparison.Ordinal);
        }

        await Server.SendAsync(HttpMethod.Delete, $"/api/sheets/{other}");
        (await Server.SendAsync(HttpMethod.Delete, $"/api/sheets/links/{Guid.NewGuid()}")).IsProblem(404);
    }

    [Theory]
    [InlineData("")]
    [InlineData("A")]
    [InlineData("AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA")]
    [InlineData("' or 1=1 --")]
    public async Task What_is_guessed_opens_nothing(string token)
    {
        var sheet = await Freeze();
        var (link, real) = await Link(sheet);
        (await Visit(token)).IsProblem(404);
        (await Visit($"{link}")).IsProblem(404);
        (await Visit(real[..^1])).IsProblem(404);
        (await Visit(real.ToUpperInvariant())).IsProblem(404);
        Assert.Empty((await Listed(sheet))["answers"]!.AsArray());
    }

    [Fact]
    public async Task A_link_ends_when_it_says_and_cannot_be_made_for_longer_than_a_year()
    {
        var sheet = await Freeze();
        foreach (var days in new double[] { -1, 367 })
        {
            var refused = await Server.SendAsync(HttpMethod.Post, $"/api/sheets/{sheet}/links", $$"""{"endsAt":"{{DateTimeOffset.UtcNow.AddDays(days):O}}"}""");
            refused.IsProblem(422);
            Assert.Contains("endsAt", refused.Fields);
        }

        var (link, token) = await Link(sheet);
        await Sql($"update sheet_links set ends_at = now() - interval '1 second' where id = '{link}'");
        var ended = await Visit(token);
        ended.IsProblem(410);
        Assert.Contains("ended", ended.Json["title"]!.GetValue<string>(), StringComparison.Ordinal);
        (await Server.SendAsync(HttpMethod.Post, $"/api/sheets/{Guid.NewGuid()}/links", $$"""{"endsAt":"{{DateTimeOffset.UtcNow.AddDays(1):O}}"}""")).IsProblem(404);
        var lens = await Freeze(Sheet(kind: "lens", shots: "[]"));
        (await Server.SendAsync(HttpMethod.Post, $"/api/sheets/{lens}/links", $$"""{"endsAt":"{{DateTimeOffset.UtcNow.AddDays(1):O}}"}""")).IsProblem(409);
    }

    [Fact]
    public async Task Answers_arrive_with_time_and_name_and_each_once()
    {
        var sheet = await Freeze();
        var (link, token) = await Link(sheet);
        var (_, another) = await Link(sheet);
        var id = Guid.NewGuid();
        Assert.Equal(201, (int)(await Visit(token, "/answers", Said("s1", option: "s1.1", remark: "Wider", id: id))).Status);
        Assert.Equal(200, (int)(await Visit(token, "/answers", Said("s1", option: "s1.1", remark: "Wider", id: id))).Status);
        (await Visit(another, "/answers", Said("s1", id: id))).IsProblem(409);
        Assert.Equal(201, (int)(await Visit(another, "/answers", Said("s2", "declined", name: "Имя"))).Status);
        var answers = (await Listed(sheet))["answers"]!.AsArray();
        Assert.Equal(["s1.1 approved Wider Oda", " declined  Имя"], answers.Select(a => $"{a!["optionId"]} {a["verdict"]} {a["remark"]} {a["name"]}"));
        Assert.Equal(link, answers[0]!["linkId"]!.GetValue<Guid>());
        Assert.InRange(answers[0]!["at"]!.GetValue<DateTimeOffset>(), DateTimeOffset.UtcNow.AddMinutes(-1), DateTimeOffset.UtcNow.AddMinutes(1));
        // Whoever has one link sees what came through that one.
        Assert.Single((await Visit(token)).Json["answers"]!.AsArray());

        foreach (var (said, field) in new[] { (Said("s1", name: " "), "name"), (Said("s1", "none"), "remark"), (Said("s9"), "shotId"), (Said("s1", option: "s2"), "shotId"), (Said("s1", remark: new string('a', 1001)), "remark") })
        {
            var refused = await Visit(token, "/answers", said);
            refused.IsProblem(422);
            Assert.Contains(field, refused.Fields);
        }
    }

    [Fact]
    public async Task Under_a_shared_name_nothing_of_the_crew_can_be_reached()
    {
        await using var server = await new RunningServer(fixture.Connection, sharedHosts: "frames.example").ReadyAsync();
        var (_, token) = await Link(await Freeze());
        async Task<int> Get(string path, string host, HttpMethod? method = null)
        {
            using var request = new HttpRequestMessage(method ?? HttpMethod.Get, path);
            request.Headers.Host = host;
            request.Headers.Authorization = new AuthenticationHeaderValue("Bearer", token);
            using var response = await server.Client.SendAsync(request);
            return (int)response.StatusCode;
        }

        Assert.Equal(200, await Get("/api/shared", "frames.example"));
        foreach (var path in new[] { "/api/comparisons", "/API/productions", "/api/sheets?work=" + Production, "/api/crew/export.zip", "/api/sharedness", "/openapi/v1.json", "/health" })
        {
            Assert.Equal(404, await Get(path, "frames.example"));
        }

        Assert.Equal(404, await Get($"/api/sheets/{Guid.NewGuid()}", "frames.example", HttpMethod.Delete));
        Assert.Equal(200, await Get("/api/comparisons", "localhost"));
        Assert.Equal(421, await Get("/api/shared", "other.example"));
    }

    [Fact]
    public async Task Whoever_guesses_is_soon_held_up_and_the_crew_is_not()
    {
        await using var server = await new RunningServer(fixture.Connection).ReadyAsync();
        var counts = new Dictionary<int, int>();
        for (var i = 0; i < 400; i++)
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, "/api/shared");
            request.Headers.Authorization = new AuthenticationHeaderValue("Bearer", $"{Guid.NewGuid():N}");
            using var response = await server.Client.SendAsync(request);
            counts[(int)response.StatusCode] = counts.GetValueOrDefault((int)response.StatusCode) + 1;
        }

        Assert.Equal([404, 429], counts.Keys.Order());
        Assert.InRange(counts[404], 300, 390);
        Assert.Equal(200, (int)(await server.SendAsync(HttpMethod.Get, "/api/productions")).Status);
    }

    [Fact]
    public async Task The_database_keeps_sheets_of_other_crews_apart()
    {
        var sheet = await Freeze();
        await using var data = NpgsqlDataSource.Create(fixture.Connection);
        foreach (var table in new[] { "frozen_sheets", "frozen_pictures", "sheet_links", "sheet_answers" })
        {
            await using var command = data.CreateCommand($"select set_config('juxtopsis.crew', '{Guid.NewGuid()}', false); select count(*) from {table}");
            await using var reader = await command.ExecuteReaderAsync();
            await reader.NextResultAsync();
            await reader.ReadAsync();
            Assert.Equal(0, reader.GetInt64(0));
        }

        Assert.NotNull(await Listed(sheet));
    }

    [Fact]
    public async Task The_demo_brings_a_sheet_with_two_answers()
    {
        var demo = (await Server.SendAsync(HttpMethod.Get, $"/api/sheets?work={Production}")).Json.AsArray().Single(s => s!["answers"]!.AsArray().Any(a => a!["name"]!.GetValue<string>() == "Oda Brenwick"))!;
        Assert.Equal(2, demo["answers"]!.AsArray().Count);
        var kept = (await Server.SendAsync(HttpMethod.Get, $"/api/sheets/{demo["id"]}")).Json;
        foreach (var option in kept["shots"]!.AsArray().SelectMany(s => s!["options"]!.AsArray()))
        {
            Assert.Equal(200, (int)(await Server.Client.GetAsync($"/api/sheets/{demo["id"]}/pictures/{option!["id"]}")).StatusCode);
        }
    }

    private async Task Sql(string text)
    {
        await using var data = NpgsqlDataSource.Create(fixture.Connection);
        await using var command = data.CreateCommand($"select set_config('juxtopsis.crew', (select id from crews limit 1)::text, false); {text}");
        await command.ExecuteNonQueryAsync();
    }

    private async Task<int> PutPicture(Guid sheet, string option, byte[] bytes)
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue("image/jpeg");
        using var response = await Server.Client.PutAsync($"/api/sheets/{sheet}/pictures/{option}", content);
        return (int)response.StatusCode;
    }
}

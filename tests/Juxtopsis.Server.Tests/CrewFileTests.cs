using System.IO.Compression;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;

namespace Juxtopsis.Server.Tests;

/// <summary>All that a crew has, out and in as one file.</summary>
public sealed class CrewFileTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private static async Task<(int Status, JsonNode Body)> Bring(RunningServer server, byte[] bytes)
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/zip");
        using var answer = await server.Client.PostAsync("/api/crew/import", content);
        return ((int)answer.StatusCode, JsonNode.Parse(await answer.Content.ReadAsStringAsync())!);
    }

    private static byte[] Archive(params (string Name, string Text)[] files)
    {
        using var packed = new MemoryStream();
        using (var zip = new ZipArchive(packed, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, text) in files)
            {
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(Encoding.UTF8.GetBytes(text));
            }
        }

        return packed.ToArray();
    }

    private const string Head = """{"format":"juxtopsis-crew","version":1,"name":"Far bank","takenAt":"2026-11-26T00:00:00Z"}""";

    [Fact]
    public async Task What_one_server_has_another_takes_over_whole_and_a_second_time_nothing_is_new()
    {
        var id = Guid.NewGuid();
        await fixture.Server.SendAsync(HttpMethod.Put, $"/api/productions/{id}", """{"name":"Ebb and flood","document":{"schemaVersion":4,"note":"Taken over"}}""", ifNoneMatch: "*");
        var (thing, second, booking) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        await fixture.Server.SendAsync(HttpMethod.Put, $"/api/shelf/{thing}", $$"""{"kind":"bagItem","id":"{{thing}}","name":"Sea chest"}""", ifNoneMatch: "*");
        await fixture.Server.SendAsync(HttpMethod.Put, $"/api/units/{second}", $$"""{"gearId":"{{thing}}","label":"two"}""", ifNoneMatch: "*");
        await fixture.Server.SendAsync(
            HttpMethod.Post, "/api/bookings", $$"""{"book":[{"id":"{{booking}}","unitId":"{{second}}","crewUnit":"River unit","from":"2027-06-01T08:00","to":"2027-06-02T18:00","afterMinutes":60}]}""");
        var sheet = Guid.NewGuid();
        const string Frames = """[{"id":"s1","title":"1 A rivet","options":[{"id":"s1"},{"id":"s1.1"}]}]""";
        var frozen = $$"""{"workId":"{{id}}","sheetId":"{{Guid.NewGuid()}}","workRevision":1,"kind":"frames","title":"Sent","shots":{{Frames}},"content":{"a":1} }""";
        Assert.Equal(201, (int)(await fixture.Server.SendAsync(HttpMethod.Put, $"/api/sheets/{sheet}", frozen)).Status);
        var (test, take) = (Guid.NewGuid(), Guid.NewGuid());
        var scales = $$$"""{"unitId":"{{{second}}}","note":"in the shed","measured":{"kind":"weight","readings":[{"weightG":900}]}}""";
        Assert.Equal(201, (int)(await fixture.Server.SendAsync(HttpMethod.Put, $"/api/tests/{test}", scales, ifNoneMatch: "*")).Status);
        Assert.Equal(201, (int)(await fixture.Server.SendAsync(HttpMethod.Put, $"/api/takes/{take}", $$"""{"productionId":"{{id}}","takenAt":"2026-11-27T10:00:00Z","note":"fog"}""", ifNoneMatch: "*")).Status);
        var taken = await fixture.Server.Client.GetByteArrayAsync("/api/crew/export.zip");
        using (var zip = new ZipArchive(new MemoryStream(taken)))
        {
            Assert.Equal(["crew.json", "shelf.json", "tables.zip"], zip.Entries.Take(3).Select(e => e.FullName));
            Assert.NotNull(zip.GetEntry($"productions/{id}.json"));
        }

        await using var database = await TestDatabase.CreateAsync();
        await using var other = await new RunningServer(database.Connection).ReadyAsync();
        var (status, first) = await Bring(other, taken);
        Assert.Equal(200, status);
        Assert.Contains((await other.SendAsync(HttpMethod.Get, $"/api/tests?gear={thing}")).Json.AsArray(), t => t!["id"]!.GetValue<string>() == test.ToString() && t["note"]!.GetValue<string>() == "in the shed");
        Assert.Contains((await other.SendAsync(HttpMethod.Get, $"/api/takes?production={id}")).Json.AsArray(), t => t!["take"]!["note"]!.GetValue<string>() == "fog");
        Assert.True(first["added"]!.GetValue<int>() >= 1, first.ToJsonString());
        Assert.Equal("Taken over", (await other.SendAsync(HttpMethod.Get, $"/api/productions/{id}")).Json["document"]!["note"]!.GetValue<string>());
        Assert.Single((await other.SendAsync(HttpMethod.Get, $"/api/productions/{id}/past")).Json.AsArray());

        var moved = Assert.Single((await other.SendAsync(HttpMethod.Get, $"/api/bookings?unit={second}")).Json.AsArray())!;
        Assert.Equal((booking, "2027-06-02T19:00"), (moved["id"]!.GetValue<Guid>(), moved["return"]!.GetValue<string>()));

        var sent = (await other.SendAsync(HttpMethod.Get, $"/api/sheets/{sheet}")).Json;
        Assert.Equal(("Sent", 1), (sent["summary"]!["title"]!.GetValue<string>(), sent["content"]!["a"]!.GetValue<int>()));

        var (_, again) = await Bring(other, taken);
        Assert.Equal((0, 0), (again["added"]!.GetValue<int>(), again["copies"]!.GetValue<int>()));
        Assert.Empty(again["problems"]!.AsArray());

        // Changed since, what is brought stands beside it.
        await other.SendAsync(HttpMethod.Put, $"/api/productions/{id}", """{"name":"Ebb and flood","document":{"schemaVersion":4,"note":"Changed here"}}""", ifMatch: "\"1\"");
        var (_, third) = await Bring(other, taken);
        Assert.Equal(1, third["copies"]!.GetValue<int>());
        Assert.Equal("Changed here", (await other.SendAsync(HttpMethod.Get, $"/api/productions/{id}")).Json["document"]!["note"]!.GetValue<string>());
        var names = (await other.SendAsync(HttpMethod.Get, "/api/productions?search=brought")).Json.AsArray().Select(p => p!["name"]!.GetValue<string>());
        Assert.Equal(["Ebb and flood (brought)"], names);
    }

    [Fact]
    public async Task What_is_no_such_file_changes_nothing()
    {
        Assert.Equal(422, (await Bring(fixture.Server, Encoding.UTF8.GetBytes("no archive"))).Status);
        Assert.Equal(422, (await Bring(fixture.Server, Archive(("notes.txt", "x")))).Status);
        Assert.Equal(422, (await Bring(fixture.Server, Archive(("crew.json", Head.Replace("1,", "2,", StringComparison.Ordinal))))).Status);
        var before = (await fixture.Server.SendAsync(HttpMethod.Get, "/api/productions")).Json.AsArray().Count;
        var refused = await Bring(fixture.Server, Archive(("crew.json", Head), ("shelf.json", """{"format":"juxtopsis-shelf","version":1,"items":[{"kind":"lens"}]}"""), ("productions/a.json", Work(Guid.NewGuid(), "Not brought"))));
        Assert.Equal(422, refused.Status);
        Assert.Equal(before, (await fixture.Server.SendAsync(HttpMethod.Get, "/api/productions")).Json.AsArray().Count);
    }

    [Fact]
    public async Task What_cannot_be_read_is_kept_and_what_is_no_work_is_told()
    {
        var id = Guid.NewGuid();
        var (status, brought) = await Bring(fixture.Server, Archive(
            ("crew.json", Head), ("productions/later.json", Work(id, "From later", """{"schemaVersion":99,"tide":"high"}""")), ("productions/none.json", "[]"),
            ("comparisons/../../x.json", "{}"), ("photos/notes.jpg", "no picture")));
        Assert.Equal(200, status);
        Assert.Equal((1, 1), (brought["added"]!.GetValue<int>(), brought["unreadable"]!.GetValue<int>()));
        Assert.Equal(2, brought["problems"]!.AsArray().Count);
        (await fixture.Server.SendAsync(HttpMethod.Get, $"/api/productions/{id}")).IsProblem(422);
        Assert.Equal("high", (await fixture.Server.SendAsync(HttpMethod.Get, $"/api/productions/{id}/stored")).Json["tide"]!.GetValue<string>());
    }

    private static string Work(Guid id, string name, string document = """{"schemaVersion":4}""") =>
        $$"""{"id":"{{id}}","name":"{{name}}","document":{{document}},"updatedAt":"2026-11-26T00:00:00Z","deletedAt":null}""";
}

using System.Net.Http.Headers;
using System.Text;

namespace Juxtopsis.Server.Tests;

/// <summary>Every change has a past, and lists are found by typing.</summary>
public sealed class PastTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private const string Empty = """{"schemaVersion":4}""";

    private static string At(Guid id) => $"/api/productions/{id}";

    private async Task<int> Write(Guid id, int revision, string name, string writer, string by = "")
    {
        using var request = new HttpRequestMessage(HttpMethod.Put, At(id)) { Content = new StringContent($$"""{"name":"{{name}}","document":{{Empty}}}""", Encoding.UTF8, "application/json") };
        if (revision == 0)
        {
            request.Headers.IfNoneMatch.Add(EntityTagHeaderValue.Any);
        }
        else
        {
            request.Headers.IfMatch.Add(new EntityTagHeaderValue($"\"{revision}\""));
        }

        request.Headers.Add("Juxtopsis-Writer", writer);
        request.Headers.Add("Juxtopsis-By", Uri.EscapeDataString(by));
        using var response = await fixture.Server.Client.SendAsync(request);
        return (int)response.StatusCode;
    }

    private async Task<(int Revision, string Name, string Cause, string By, bool IsYours)[]> Past(Guid id, string writer = "")
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, At(id) + "/past");
        request.Headers.Add("Juxtopsis-Writer", writer);
        using var response = await fixture.Server.Client.SendAsync(request);
        var list = System.Text.Json.Nodes.JsonNode.Parse(await response.Content.ReadAsStringAsync())!.AsArray();
        return [.. list.Select(p => (p!["revision"]!.GetValue<int>(), p["name"]!.GetValue<string>(), p["cause"]!.GetValue<string>(), p["by"]!.GetValue<string>(), p["isYours"]!.GetValue<bool>()))];
    }

    [Fact]
    public async Task Edits_of_one_browser_that_follow_each_other_are_one_state_and_everybody_elses_stay()
    {
        var id = Guid.NewGuid();
        await Write(id, 0, "Made", "one", "Ada Größe");
        for (var revision = 1; revision <= 4; revision++)
        {
            Assert.Equal(200, await Write(id, revision, $"Edit {revision}", "one", "Ada Größe"));
        }

        Assert.Equal(200, await Write(id, 5, "Theirs", "two"));
        Assert.Equal(200, await Write(id, 6, "Mine over theirs", "one", "Ada Größe"));
        await fixture.Server.SendAsync(HttpMethod.Delete, At(id));
        await fixture.Server.SendAsync(HttpMethod.Post, At(id) + "/restore");
        Assert.Equal(
            [
                (9, "Mine over theirs", "restored", "", false), (8, "Mine over theirs", "deleted", "", false), (7, "Mine over theirs", "edited", "Ada Größe", true),
                (6, "Theirs", "edited", "", false), (5, "Edit 4", "edited", "Ada Größe", true), (1, "Made", "made", "Ada Größe", true),
            ],
            await Past(id, "one"));
        var theirs = await fixture.Server.SendAsync(HttpMethod.Get, At(id) + "/past/6");
        Assert.Equal("Theirs", theirs.Json["name"]!.GetValue<string>());
        (await fixture.Server.SendAsync(HttpMethod.Get, At(id) + "/past/3")).IsProblem(404);
        (await fixture.Server.SendAsync(HttpMethod.Get, At(Guid.NewGuid()) + "/past")).IsProblem(404);
    }

    [Fact]
    public async Task Who_writes_is_no_more_than_a_short_plain_text()
    {
        var id = Guid.NewGuid();
        Assert.Equal(201, await Write(id, 0, "One", new string('x', 41), "a\u0000b"));
        Assert.Equal(200, await Write(id, 1, "Two", new string('x', 41), new string('y', 2000)));
        Assert.Equal([(2, "", false), (1, "", false)], (await Past(id, new string('x', 41))).Select(p => (p.Revision, p.By, p.IsYours)));
    }

    [Fact]
    public async Task A_list_is_found_by_all_the_words_of_a_search()
    {
        var name = $"Keel {Guid.NewGuid():N} 100%_done";
        await Write(Guid.NewGuid(), 0, name, "one");
        async Task<int> Found(string search) => (await fixture.Server.SendAsync(HttpMethod.Get, $"/api/productions?search={Uri.EscapeDataString(search)}")).Json.AsArray().Count(p => p!["name"]!.GetValue<string>() == name);
        Assert.Equal(1, await Found("keel 100%_"));
        Assert.Equal(1, await Found($"  DONE {name[5..12]} "));
        Assert.Equal(0, await Found("keel 1%done"));
        Assert.Equal(0, await Found("keel 100__done"));
        Assert.Equal(0, await Found("keel 'drop"));
    }

    [Fact]
    public async Task A_production_of_as_many_shots_as_may_be_is_stored_and_a_larger_body_is_refused_in_words()
    {
        var place = Guid.NewGuid();
        string Shot(int i, int note) =>
            $$"""{"id":"{{Guid.NewGuid()}}","name":"Shot {{i}}","locationId":"{{place}}","subject":{"kind":"standing","heightMm":1750},"note":"{{new string('n', note)}}"}""";
        string Of(int shots, int note) =>
            $$"""{"name":"A long season","document":{"schemaVersion":4,"locations":[{"id":"{{place}}","name":"Shed"}],"shots":[{{string.Join(',', Enumerable.Range(0, shots).Select(i => Shot(i, note)))}}] } }""";
        Assert.Equal(201, (int)(await fixture.Server.SendAsync(HttpMethod.Put, At(Guid.NewGuid()), Of(1000, 490), ifNoneMatch: "*")).Status);
        using var request = new HttpRequestMessage(HttpMethod.Put, At(Guid.NewGuid())) { Content = new StringContent(Of(1000, 2500), Encoding.UTF8, "application/json") };
        request.Headers.IfNoneMatch.Add(EntityTagHeaderValue.Any);
        request.Headers.ExpectContinue = true;
        using var refused = await fixture.Server.Client.SendAsync(request);
        Assert.Equal(413, (int)refused.StatusCode);
        Assert.Contains("2 MB for a piece of work", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }
}

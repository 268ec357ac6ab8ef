using System.Globalization;
using System.IO.Compression;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;

namespace Juxtopsis.Server.Tests;

/// <summary>No request takes more than its share, whatever it sends.</summary>
public sealed class BudgetTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private async Task<JsonNode> Bring(string file, byte[] bytes, bool write = false)
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/octet-stream");
        using var answer = await fixture.Server.Client.PostAsync($"/api/shelf/import?file={file}&write={write}", content);
        return JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
    }

    private static string Said(JsonNode answer) => string.Join(' ', answer["rows"]!.AsArray().SelectMany(r => r!["problems"]!.AsArray().Select(e => e!["message"]!.GetValue<string>())));

    [Fact]
    public async Task XML_that_nests_without_end_is_refused_where_it_gets_too_deep()
    {
        var deep = Encoding.UTF8.GetBytes("<lensdatabase>" + string.Concat(Enumerable.Repeat("<lens>", 60_000)));
        Assert.Contains("more than 16 deep", Said(await Bring("deep.xml", deep)), StringComparison.Ordinal);
        var wide = Encoding.UTF8.GetBytes("<lensdatabase><lens>" + string.Concat(Enumerable.Repeat("<model/>", 10_000)) + "</lens></lensdatabase>");
        Assert.Contains("holds more than", Said(await Bring("wide.xml", wide)), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("lenses.csv", "name\n", "x\n", "")]
    [InlineData("lenses.xml", "<lensdatabase>", "<mount><name>M</name></mount>", "</lensdatabase>")]
    [InlineData("shelf.json", """{"format":"juxtopsis-shelf","version":1,"items":[1""", ",1", "]}")]
    public async Task More_rows_than_an_import_may_have_are_refused_whatever_the_format(string file, string head, string row, string foot)
    {
        var text = new StringBuilder(head);
        for (var i = 0; i <= 100_000; i++)
        {
            text.Append(row);
        }

        using var packed = new MemoryStream();
        using (var zip = new ZipArchive(packed, ZipArchiveMode.Create, leaveOpen: true))
        {
            using var entry = zip.CreateEntry(file).Open();
            entry.Write(Encoding.UTF8.GetBytes(text.Append(foot).ToString()));
        }

        var answer = await Bring("bomb.zip", packed.ToArray());
        Assert.Single(answer["rows"]!.AsArray());
        Assert.Matches("more than 100000 rows|more than one file may hold", Said(answer));
    }

    [Fact]
    public async Task Adapters_that_join_a_mount_to_itself_make_no_more_ways_than_are_looked_at()
    {
        var text = new StringBuilder("""{"format":"juxtopsis-shelf","version":1,"items":[""");
        text.Append("""{"kind":"mount","name":"Loop"},{"kind":"body","name":"Looped body","mounts":["Loop"],"sensorWidthMm":36,"sensorHeightMm":24,"modes":[{"name":"Full","areaWidthMm":36,"areaHeightMm":24}]},""");
        text.Append("""{"kind":"lens","name":"Looped lens","mount":"Loop","focalShortMm":35,"widestF":2}""");
        for (var i = 0; i < 120; i++)
        {
            text.Append(CultureInfo.InvariantCulture, $$""",{"kind":"adapter","name":"Loop {{i}}","bodyMount":"Loop","lensMount":"Loop"}""");
        }

        await using var database = await TestDatabase.CreateAsync();
        await using var server = await new RunningServer(database.Connection).ReadyAsync();
        using var content = new StringContent(text.Append("]}").ToString(), Encoding.UTF8, "application/json");
        using var brought = await server.Client.PostAsync("/api/shelf/import?file=shelf.json&write=true", content);
        Assert.True(brought.IsSuccessStatusCode, await brought.Content.ReadAsStringAsync());
        var items = (await server.SendAsync(HttpMethod.Get, "/api/shelf?q=looped&take=10")).Json["items"]!.AsArray().ToDictionary(i => i!["item"]!["kind"]!.GetValue<string>(), i => i!["item"]!["id"]!.GetValue<string>());
        var ways = await server.SendAsync(HttpMethod.Get, $"/api/shelf/ways?camera={items["body"]}&lens={items["lens"]}");
        Assert.Equal(64, ways.Json.AsArray().Count);
    }

    [Fact]
    public async Task While_many_ask_what_is_heavy_the_health_of_the_server_is_told()
    {
        var production = (await fixture.Server.SendAsync(HttpMethod.Get, "/api/productions/10f7a7e0-0000-4000-8000-0000000000a1")).Json["document"]!;
        var asked = new JsonObject { ["location"] = production["locations"]![0]!.DeepClone(), ["shot"] = production["shots"]![0]!.DeepClone() }.ToJsonString();
        using var leaves = new CancellationTokenSource();
        var asking = Enumerable.Range(0, 12).Select(async _ =>
        {
            using var body = new StringContent(asked, Encoding.UTF8, "application/json");
            using var answer = await fixture.Server.Client.PostAsync("/api/fit", body, leaves.Token);
            return $"{(int)answer.StatusCode} {(answer.IsSuccessStatusCode ? "" : await answer.Content.ReadAsStringAsync(leaves.Token))}";
        }).ToArray();
        var first = await Task.WhenAny(asking);
        Assert.Equal("200 ", await first);
        var health = await fixture.Server.SendAsync(HttpMethod.Get, "/health");
        Assert.Contains("\"database\",\"status\":\"well\"", health.Body, StringComparison.Ordinal);

        // Whoever leaves lets go of what they held: the next question is answered.
        await leaves.CancelAsync();
        await Task.WhenAll(asking.Select(async task => await task.ContinueWith(_ => "", TaskScheduler.Default)));
        Assert.Equal(200, (int)(await fixture.Server.SendAsync(HttpMethod.Post, "/api/fit", asked)).Status);
    }
}

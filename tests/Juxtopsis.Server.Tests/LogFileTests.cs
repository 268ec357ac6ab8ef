using System.Text;
using System.Text.Json.Nodes;

namespace Juxtopsis.Server.Tests;

/// <summary>Takes and readings as files, out and in.</summary>
public sealed class LogFileTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private const string Demo = "10f7a7e0-0000-4000-8000-0000000000a1";

    private RunningServer Server => fixture.Server;

    private Task<(int Status, string Text)> Post(string path, string text, string type = "application/octet-stream") => Post(path, Encoding.UTF8.GetBytes(text), type);

    private async Task<(int Status, string Text)> Post(string path, byte[] bytes, string type = "application/octet-stream")
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new(type);
        using var answer = await Server.Client.PostAsync(path, content, TestContext.Current.CancellationToken);
        return ((int)answer.StatusCode, await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    private static string FileOf(JsonNode takes, string format = "juxtopsis-takes") =>
        new JsonObject { ["format"] = format, ["version"] = 1, ["takes"] = takes.DeepClone() }.ToJsonString();

    private async Task<JsonArray> DemoTakes() =>
        [.. (await Server.SendAsync(HttpMethod.Get, $"/api/takes?production={Demo}")).Json.AsArray().Where(t => t!["by"]!.GetValue<string>() == "Oda").Select(t => t!["take"]!.DeepClone())];

    [Fact]
    public async Task A_day_goes_out_as_a_table_and_comes_back_the_same()
    {
        var takes = await DemoTakes();
        var (status, table) = await Post("/api/takes/table.csv", FileOf(takes), "application/json");
        Assert.Equal(200, status);
        Assert.Equal(31, table.Split('\n', StringSplitOptions.RemoveEmptyEntries).Length);
        var (read, text) = await Post($"/api/takes/read?production={Demo}", table);
        Assert.Equal(200, read);
        var back = JsonNode.Parse(text)!;
        Assert.Empty(back["problems"]!.AsArray());
        Assert.Equal(30, back["takes"]!.AsArray().Count);
        foreach (var (before, after) in takes.Zip(back["takes"]!.AsArray()))
        {
            foreach (var key in new[] { "shotName", "number", "camera", "crewUnit", "mark", "note", "focalLengthMm", "fNumber", "distanceMm", "fps", "iso", "reasons", "roomMm" })
            {
                Assert.Equal(before![key]?.ToJsonString(), after![key]?.ToJsonString());
            }

            foreach (var key in new[] { "body", "mode", "lens", "links", "front", "punchIn" })
            {
                Assert.Equal(before!["rig"]?[key]?.ToJsonString(), after!["rig"]?[key]?.ToJsonString());
            }
        }
    }

    [Fact]
    public async Task A_table_in_other_letters_is_read_where_it_says_so_and_else_refused_with_how_to_mend_it()
    {
        const string Table = "When,Shot,Word\r\n2027-05-02T10:00:00Z,The rivet,\u00dcber die Kante\r\n";
        byte[] wide = [.. Encoding.Unicode.Preamble, .. Encoding.Unicode.GetBytes(Table)];
        var (status, text) = await Post($"/api/takes/read?production={Demo}", wide);
        Assert.Equal(200, status);
        Assert.Equal("\u00dcber die Kante", JsonNode.Parse(text)!["takes"]![0]!["note"]!.GetValue<string>());
        var (refused, why) = await Post($"/api/takes/read?production={Demo}", Encoding.Latin1.GetBytes(Table));
        Assert.Equal(422, refused);
        Assert.Contains("Save it as CSV in UTF-8", why, StringComparison.Ordinal);
        var (bags, whyBags) = await Post("/api/bags/read", Encoding.Latin1.GetBytes("Bag,Thing\r\n\u00dcber,x\r\n"));
        Assert.Equal(422, bags);
        Assert.Contains("Save it as CSV in UTF-8", whyBags, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(';')]
    [InlineData('\t')]
    public async Task A_table_as_spreadsheets_with_decimal_commas_save_it_is_read_as_it_is_meant(char between)
    {
        var rig = (await DemoTakes()).First(t => t!["rig"] is not null)!["rig"]!;
        var table = $"When;Focal length (mm);Aperture;Distance (mm);Body id;Lens id;Punch-in;Word\r\n2027-04-19T09:30:00Z;33,95;2,8;3200,5;{rig["body"]};{rig["lens"]};1,5;\"near, and low\"\r\n"
            .Replace(';', between);
        var (status, text) = await Post($"/api/takes/read?production={Demo}", table);
        Assert.Equal(200, status);
        var read = JsonNode.Parse(text)!;
        Assert.Empty(read["problems"]!.AsArray());
        var take = Assert.Single(read["takes"]!.AsArray())!;
        Assert.Equal([33.95, 2.8, 3200.5], new[] { "focalLengthMm", "fNumber", "distanceMm" }.Select(key => take[key]!.GetValue<double>()));
        Assert.Equal(1.5, take["rig"]!["punchIn"]!.GetValue<double>());
        Assert.Equal("near, and low", take["note"]!.GetValue<string>());
    }

    [Theory]
    [InlineData("\"33,5\"", 33.5)]
    [InlineData("\"0,125\"", 0.125)]
    [InlineData("\"1,250\"", null)]
    [InlineData("\"1,250,000\"", null)]
    [InlineData("1e2", 100.0)]
    public async Task A_comma_in_a_number_between_commas_is_decimal_where_it_cannot_be_else(string cell, double? grams)
    {
        var (status, text) = await Post("/api/tests/read?kind=weight", $"Scales say (g),Set aside\n{cell},\n");
        Assert.Equal(200, status);
        var read = JsonNode.Parse(text)!;
        Assert.Equal(grams, read["measured"]!["readings"]![0]!["weightG"]?.GetValue<double?>());
        Assert.Equal(grams is null ? 1 : 0, read["problems"]!.AsArray().Count);
    }

    [Fact]
    public async Task The_table_tells_the_equivalent_of_each_rig_and_no_formula_of_somebody_else()
    {
        var takes = await DemoTakes();
        takes[0]!["note"] = "=HYPERLINK(\"x\")";
        var (_, table) = await Post("/api/takes/table.csv", FileOf(takes), "application/json");
        var header = table.Split('\n')[0].Trim().Split(',');
        var at = Array.FindIndex(header, h => h.Trim('"') == "Equivalent (mm)");
        var told = table.Split('\n', StringSplitOptions.RemoveEmptyEntries).Skip(2).Select(row => row.Split(',')[at].Trim('"')).Where(cell => cell.Length > 0).Select(cell => double.Parse(cell, System.Globalization.CultureInfo.InvariantCulture)).ToArray();
        Assert.NotEmpty(told);
        Assert.All(told, mm => Assert.InRange(mm, 8, 2000));
        Assert.DoesNotContain(",=HYPERLINK", table, StringComparison.Ordinal);
        Assert.Contains("'=HYPERLINK", table, StringComparison.Ordinal);
        var (_, text) = await Post($"/api/takes/read?production={Demo}", table);
        Assert.Equal("=HYPERLINK(\"x\")", JsonNode.Parse(text)!["takes"]![0]!["note"]!.GetValue<string>());
    }

    [Fact]
    public async Task Each_take_is_told_by_what_it_is_delivered_as()
    {
        var takes = new JsonArray([.. Enumerable.Repeat((await DemoTakes()).First(t => t!["rig"] is not null && t["focalLengthMm"] is not null)!, 3).Select(t => t!.DeepClone())]);
        async Task<(int Status, double[] Told)> Equivalents(double[] aspects)
        {
            var file = JsonNode.Parse(FileOf(takes))!;
            file["aspects"] = new JsonArray([.. aspects.Select(a => JsonValue.Create(a))]);
            var (status, table) = await Post("/api/takes/table.csv", file.ToJsonString(), "application/json");
            var rows = table.Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(row => row.Trim().Split(',')).ToArray();
            var at = status == 200 ? Array.IndexOf(rows[0], "Equivalent (mm)") : 0;
            return (status, status == 200 ? [.. rows.Skip(1).Select(row => double.Parse(row[at], System.Globalization.CultureInfo.InvariantCulture))] : []);
        }

        var (_, asOne) = await Equivalents([]);
        var (_, told) = await Equivalents([16.0 / 9, 1, 2.39]);

        // Wide pictures use the whole width of sensor and full frame alike; a square one uses the height of each.
        Assert.Equal([asOne[0], asOne[0]], [told[0], told[2]]);
        Assert.NotEqual(asOne[0], told[1]);
        Assert.Equal(422, (await Equivalents([1, 2])).Status);
        Assert.Equal(422, (await Equivalents([1, 2, 0])).Status);
    }

    [Fact]
    public async Task What_cannot_be_read_is_left_out_and_told_and_the_rest_is_taken()
    {
        var gear = (await Server.SendAsync(HttpMethod.Get, "/api/takes")).Json.AsArray().First(t => t!["take"]!["rig"] is not null)!["take"]!["rig"]!;
        var (status, text) = await Post($"/api/takes/read?production={Demo}", $"""
            When,Shot,Take,Focal length (mm),Mark,Body id,Lens id,Body,Lens,Reasons
            2027-04-19T09:30:00Z,The launch,2,abc,good,,,,,room nonsense
            yesterday,The launch,3,35,good,,,,,
            2027-04-19T10:00:00+02:00,The launch,4,-5,perhaps,{gear["body"]},{gear["lens"]},,,
            2027-04-19T11:00:00Z,The launch,5,35,,,,Nobody 7,Nothing 50 mm,
            """);
        Assert.Equal(200, status);
        var read = JsonNode.Parse(text)!;
        var takes = read["takes"]!.AsArray();
        Assert.Equal([2, 4, 5], takes.Select(t => t!["number"]!.GetValue<int>()));
        Assert.Null(takes[0]!["focalLengthMm"]?.GetValue<double?>());
        Assert.Equal("[\"room\"]", takes[0]!["reasons"]!.ToJsonString());
        Assert.Equal(gear["lens"]!.GetValue<string>(), takes[1]!["rig"]!["lens"]!.GetValue<string>());
        Assert.Equal(8, takes[1]!["takenAt"]!.GetValue<DateTimeOffset>().ToUniversalTime().Hour);
        Assert.Null(takes[2]!["rig"]);
        var problems = read["problems"]!.AsArray().Select(p => p!.GetValue<string>()).ToArray();
        Assert.Equal(4, problems.Length);
        Assert.Contains(problems, p => p.StartsWith("Line 2, Focal length (mm): “abc” is no number", StringComparison.Ordinal));
        Assert.Contains(problems, p => p.StartsWith("Line 3: “yesterday” is no time", StringComparison.Ordinal));
        Assert.Contains(problems, p => p.StartsWith("Line 5: “Nobody 7” is not on the shelf", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("", 422)]
    [InlineData("a,b\n1,2", 422)]
    [InlineData("""{"format":"juxtopsis-takes","version":2,"takes":[]}""", 422)]
    [InlineData("""{"format":"else","version":1,"takes":[]}""", 422)]
    [InlineData("""{"format":"juxtopsis-takes","version":1,"takes":[null]}""", 422)]
    [InlineData("""{"format":"juxtopsis-takes","version":1}""", 400)]
    [InlineData("When\n\"never ends", 422)]
    public async Task A_file_that_is_none_is_refused(string text, int status) => Assert.Equal(status, (await Post($"/api/takes/read?production={Demo}", text)).Status);

    [Fact]
    public async Task Takes_of_JSON_become_takes_of_the_production_that_asks()
    {
        var takes = await DemoTakes();
        takes[0]!["fNumber"] = -1;
        var other = Guid.NewGuid();
        var (status, text) = await Post($"/api/takes/read?production={other}", FileOf(takes));
        Assert.Equal(200, status);
        var read = JsonNode.Parse(text)!;
        Assert.Equal(29, read["takes"]!.AsArray().Count);
        Assert.All(read["takes"]!.AsArray(), t => Assert.Equal(other, t!["productionId"]!.GetValue<Guid>()));
        Assert.StartsWith("Take 1 of the file is left out: ", Assert.Single(read["problems"]!.AsArray())!.GetValue<string>(), StringComparison.Ordinal);
    }

    private const string Focal =
        """{"format":"juxtopsis-readings","version":1,"measured":{"kind":"focalLength","setup":{"usedWidthMm":36},"readings":[{"distanceMm":2000,"widthMm":1420.5},{"distanceMm":5000,"widthMm":3640,"isSetAside":true}]}}""";

    [Fact]
    public async Task Readings_go_out_as_a_table_and_come_back_the_same()
    {
        var (status, table) = await Post("/api/tests/table.csv", Focal, "application/json");
        Assert.Equal(200, status);
        var (read, text) = await Post("/api/tests/read?kind=focalLength", table);
        Assert.Equal(200, read);
        var back = JsonNode.Parse(text)!;
        Assert.Empty(back["problems"]!.AsArray());
        var readings = back["measured"]!["readings"]!.AsArray();
        Assert.Equal([2000.0, 5000], readings.Select(r => r!["distanceMm"]!.GetValue<double>()));
        Assert.Equal([1420.5, 3640], readings.Select(r => r!["widthMm"]!.GetValue<double>()));
        Assert.True(readings[1]!["isSetAside"]!.GetValue<bool>());
        var whole = await Post("/api/tests/read?kind=focalLength", Focal);
        Assert.Equal(36, JsonNode.Parse(whole.Text)!["measured"]!["setup"]!["usedWidthMm"]!.GetValue<double>());
    }

    [Fact]
    public async Task Readings_that_cannot_be_are_told_and_the_rest_is_taken()
    {
        var (status, text) = await Post("/api/tests/read?kind=weight", "Scales say (g)\n500\nheavy\n-4\n");
        Assert.Equal(200, status);
        var read = JsonNode.Parse(text)!;
        Assert.Equal(3, read["measured"]!["readings"]!.AsArray().Count);
        Assert.Equal(2, read["problems"]!.AsArray().Count);
        Assert.Equal(422, (await Post("/api/tests/read?kind=weight", Focal)).Status);
        Assert.Equal(422, (await Post("/api/tests/read?kind=falloff", "Tape (mm)\n1")).Status);
        Assert.Equal(422, (await Post("/api/tests/read?kind=weight", "Nothing that is known\n1")).Status);
        Assert.Equal(400, (await Post("/api/tests/read?kind=nonsense", "x")).Status);
        Assert.Equal(422, (await Post("/api/tests/read?kind=weight", """{"format":"juxtopsis-readings","version":1,"measured":{"kind":"weight","readings":[{"weightG":-1}]}}""")).Status);
    }
}

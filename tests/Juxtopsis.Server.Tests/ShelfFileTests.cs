using System.IO.Compression;
using System.Text;
using System.Text.Json.Nodes;
using Npgsql;

namespace Juxtopsis.Server.Tests;

/// <summary>Bringing gear in and taking it out: nothing is lost on the way, and nothing bad gets in.</summary>
public sealed class ShelfFileTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private const string Database =
        """
        <?xml version="1.0"?>
        <!DOCTYPE lensdatabase SYSTEM "lens.dtd">
        <lensdatabase version="1">
          <mount><name>Spindle</name><compat>Old Spindle</compat></mount>
          <camera><maker>Tallow</maker><maker lang="xx">Другой</maker><model>T1</model><mount>Spindle</mount><cropfactor>1.5</cropfactor></camera>
          <camera><maker>Tallow</maker><model>Square</model><mount>tallowFixed</mount><cropfactor>2</cropfactor><aspect-ratio>4:3</aspect-ratio></camera>
          <lens><maker>Tallow</maker><model>T 24-70mm f/2.8-4</model><mount>Spindle</mount><focal min="24" max="70"/><aperture min="2.8" max="22"/><type>rectilinear</type><cropfactor>1</cropfactor></lens>
          <lens><maker>Tallow</maker><model>Round 8mm</model><mount>Spindle</mount><mount>Old Spindle</mount><type>fisheye</type><cropfactor>1.5</cropfactor></lens>
          <lens><maker>Tallow</maker><model>Nameless</model><mount>Spindle</mount><cropfactor>1</cropfactor><calibration><distortion model="poly3" focal="17" k1="0"/><distortion model="poly3" focal="55" k1="0"/></calibration></lens>
        </lensdatabase>
        """;

    private Task<JsonNode> Bring(string file, string content, bool write = false, int? expect = null) => Bring(file, Encoding.UTF8.GetBytes(content), write, expect);

    private async Task<JsonNode> Bring(string file, byte[] content, bool write = false, int? expect = null)
    {
        using var body = new ByteArrayContent(content);
        using var answer = await fixture.Server.Client.PostAsync($"/api/shelf/import?file={Uri.EscapeDataString(file)}&write={write}{(expect is null ? "" : $"&expect={expect}")}", body);
        return JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
    }

    private static (int Added, int Changed, int Same, int Refused) Counts(JsonNode result) =>
        (result["added"]!.GetValue<int>(), result["changed"]!.GetValue<int>(), result["same"]!.GetValue<int>(), result["refused"]!.GetValue<int>());

    private static string Why(JsonNode result) => string.Join('\n', result["rows"]!.AsArray().SelectMany(r => r!["problems"]!.AsArray()).Select(p => p!["message"]!.GetValue<string>()));

    private static byte[] Zip(params (string Name, byte[] Bytes)[] files)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, bytes) in files)
            {
                using var entry = zip.CreateEntry(name, CompressionLevel.Fastest).Open();
                entry.Write(bytes);
            }
        }

        return stream.ToArray();
    }

    [Theory]
    [InlineData("json")]
    [InlineData("zip")]
    public async Task The_whole_shelf_taken_out_and_brought_back_changes_nothing(string format)
    {
        var taken = await fixture.Server.Client.GetByteArrayAsync($"/api/shelf/export.{format}");
        var back = await Bring($"shelf.{format}", taken);
        Assert.Equal((0, 0, (await fixture.Server.SendAsync(HttpMethod.Get, "/api/shelf")).Json["onShelf"]!.GetValue<int>(), 0), Counts(back));
    }

    [Fact]
    public async Task A_shelf_in_tables_comes_back_whole_on_an_empty_one()
    {
        await using var database = await TestDatabase.CreateAsync();
        await using var server = await new RunningServer(database.Connection).ReadyAsync();
        var before = await server.Client.GetByteArrayAsync("/api/shelf/export.json");
        var tables = await server.Client.GetByteArrayAsync("/api/shelf/export.zip");
        await using (var connection = new NpgsqlConnection(database.Connection))
        {
            await connection.OpenAsync();
            await using var empty = new NpgsqlCommand("""
                select set_config('juxtopsis.crew', id::text, false) from crews;
                delete from gear;
                update crews set shelf_revision = shelf_revision + 1;
                """, connection);
            await empty.ExecuteNonQueryAsync();
        }

        Assert.Equal(0, (await server.SendAsync(HttpMethod.Get, "/api/shelf")).Json["onShelf"]!.GetValue<int>());
        using var body = new ByteArrayContent(tables);
        using var answer = await server.Client.PostAsync("/api/shelf/import?file=shelf.zip&write=true", body);
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        string Sorted(byte[] json) => string.Join('\n', JsonNode.Parse(json)!["items"]!.AsArray().Select(i => i!.ToJsonString()).Order(StringComparer.Ordinal));
        Assert.Equal(Sorted(before), Sorted(await server.Client.GetByteArrayAsync("/api/shelf/export.json")));
    }

    [Fact]
    public async Task A_table_is_looked_through_row_by_row_and_written_all_or_nothing()
    {
        const string Table = "Name;Maker;Mount;Focal length;Weight (kg);Widest aperture\nNew one;Tallow;K-bay;35 mm;0,4;f/2\n28 mm ƒ2;Selkie;K-bay;28;0.21;2\n";
        var looked = await Bring("lenses.csv", Table);
        Assert.Equal((1, 1, 0, 0), Counts(looked));
        var changes = looked["rows"]!.AsArray().Single(r => r!["outcome"]!.GetValue<string>() == "changed")!["changes"]!.AsArray();
        Assert.Contains(changes, c => c!["field"]!.GetValue<string>() == "Weight (g)" && c["from"]!.GetValue<string>() == "200" && c["to"]!.GetValue<string>() == "210");

        var bad = await Bring("lenses.csv", Table + "Bad;Tallow;K-bay;wide;;\n", write: true);
        Assert.Equal((1, 1, 0, 1), Counts(bad));
        Assert.False(bad["written"]!.GetValue<bool>());
        Assert.Equal(0, (await fixture.Server.SendAsync(HttpMethod.Get, "/api/shelf?q=new+one")).Json["total"]!.GetValue<int>());

        const string Bag = "Name,Is for,Weight (g)\n\"A \"\"quoted\"\", two-\nline? no: note\",power,10\n";
        Assert.Contains("one line", Why(await Bring("bag-items.csv", Bag)), StringComparison.Ordinal);
        var revision = (await Bring("bag-items.csv", "Name,Note\nKept,\"two\nlines, \"\"quoted\"\"\"\n"))["revision"]!.GetValue<int>();
        Assert.True((await Bring("bag-items.csv", "Name,Note\nKept,\"two\nlines, \"\"quoted\"\"\"\n", write: true, revision))["written"]!.GetValue<bool>());
        Assert.Equal(409, (await Bring("bag-items.csv", "Name\nLate\n", write: true, revision))["status"]!.GetValue<int>());
    }

    [Theory]
    [InlineData("lenses.csv", "Name,Colour\nx,red\n", "Colour")]
    [InlineData("lenses.csv", "Name,Name\nx,y\n", "twice")]
    [InlineData("lenses.csv", "Name,Focal length\nx\n", "1 cells, the header 2")]
    [InlineData("lenses.csv", "Name,Focal length\na\"b,35\n", "quote")]
    [InlineData("lenses.csv", "Name,Focal length\nx,wide\n", "wide")]
    [InlineData("lenses.csv", "Name,Focal length,Long end\nx,70,24\n", "shorter than the short end")]
    [InlineData("lenses.csv", "Name,Focal length\nx,35\nX,35\n", "stands in the file twice")]
    [InlineData("lenses.csv", "Id,Name,Focal length\nseven,x,35\n", "is no id")]
    [InlineData("lenses.csv", "", "nothing in the file")]
    [InlineData("bodies.csv", "Name,Mount\nx,K-bay\n", "Recording modes is missing")]
    [InlineData("modes.csv", "Camera id,Name,Used width,Used height\n00000000-0000-4000-8000-000000000009,Full,36,24\n", "no camera called")]
    [InlineData("modes.csv", "Name,Used width,Used height\nFull,36,24\n", "belongs to no camera")]
    [InlineData("mounts.csv", "Name,Note\nK-bay,\nA;B,x\n", "semicolon")]
    [InlineData("spoons.csv", "Name\nx\n", "which kind")]
    [InlineData("shelf.json", "{\"items\":[]}", "no shelf")]
    [InlineData("shelf.json", "{\"format\":\"juxtopsis-shelf\",\"version\":9,\"items\":[]}", "Version 9")]
    [InlineData("shelf.json", "{\"format\":\"juxtopsis-shelf\",\"version\":1,\"items\":[{\"kind\":\"lens\"}]}", "Name is missing")]
    [InlineData("shelf.json", "{", "not JSON")]
    [InlineData("some.xml", "<other/>", "no lens database")]
    [InlineData("some.xml", "<lensdatabase><lens>", "not XML")]
    [InlineData("some.xml", "<lensdatabase><camera><maker>T</maker><model>X</model></camera></lensdatabase>", "no crop factor")]
    public async Task Whatever_is_wrong_is_told(string file, string content, string words)
    {
        var result = await Bring(file, content, write: true);
        Assert.False(result["written"]!.GetValue<bool>());
        Assert.Contains(words, Why(result), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Bombs_are_refused()
    {
        var zeros = new byte[8 * 1024 * 1024];
        var zip = Zip([.. Enumerable.Range(0, 20).Select(i => ($"lenses{i}.csv", zeros))]);
        Assert.True(zip.Length < 4 * 1024 * 1024);
        Assert.Contains("Unpacked", Why(await Bring("bomb.zip", zip, write: true)), StringComparison.Ordinal);
        Assert.Contains("41 files", Why(await Bring("many.zip", Zip([.. Enumerable.Range(0, 41).Select(i => ($"{i}.csv", Array.Empty<byte>()))]))), StringComparison.Ordinal);
        Assert.Contains("broken", Why(await Bring("broken.zip", [0x50, 0x4B, 3, 4, 1, 2, 3])), StringComparison.Ordinal);

        const string Laughs = "<?xml version=\"1.0\"?><!DOCTYPE l [<!ENTITY a \"ha\"><!ENTITY b \"&a;&a;&a;&a;\"><!ENTITY c \"&b;&b;&b;&b;\">]><lensdatabase><mount><name>&c;</name></mount></lensdatabase>";
        Assert.Contains("entity", Why(await Bring("bomb.xml", Laughs, write: true)), StringComparison.Ordinal);
        const string Outside = "<!DOCTYPE l [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><lensdatabase><mount><name>&x;</name></mount></lensdatabase>";
        Assert.Contains("entity", Why(await Bring("outside.xml", Outside, write: true)), StringComparison.Ordinal);
        Assert.Contains("quote", Why(await Bring("lenses.csv", "Name,Focal length\n\"" + new string('x', 300_000))), StringComparison.Ordinal);
        Assert.Contains("nothing in the file", Why(await Bring("nothing.bin", [])), StringComparison.Ordinal);
        Assert.Contains("UTF-8", Why(await Bring("lenses.csv", [0x4E, 0xFF, 0xFE, 0x0A])), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_table_of_50_000_rows_with_broken_ones_among_them_tells_each()
    {
        var rows = new StringBuilder("Name,Maker,Focal length,Long end,Weight (g),Mount\n");
        string[] broken = ["x{0},T,thirty,,,K-bay", "x{0},T,35,20,,K-bay", "x{0},T,35,,-5,K-bay", "x{0},T,35,,9999999,K-bay", "x{0},T,35,,", "x\"{0},T,35,,,K-bay", ",T,35,,,K-bay", "same,T,35,,,K-bay"];
        for (var i = 0; i < 50_000; i++)
        {
            rows.AppendLine(i % 1000 < broken.Length ? string.Format(System.Globalization.CultureInfo.InvariantCulture, broken[i % 1000], i) : $"lens {i},T,35,,400,K-bay");
        }

        var result = await Bring("lenses.csv", rows.ToString(), write: true);
        var (added, changed, same, refused) = Counts(result);

        // Eight broken rows in each thousand; the first of those that are all called the same is not at fault.
        Assert.Equal((49_601, 0, 0, 399), (added, changed, same, refused));
        Assert.False(result["written"]!.GetValue<bool>());
        Assert.All(result["rows"]!.AsArray().Take(399), r => Assert.StartsWith("lenses.csv, line ", r!["where"]!.GetValue<string>(), StringComparison.Ordinal));
    }

    [Fact]
    public async Task The_xml_lens_database_brings_mounts_cameras_and_lenses()
    {
        var result = await Bring("tallow.xml", Database, write: true);
        Assert.True(result["written"]!.GetValue<bool>(), Why(result));

        // Spindle, and by name Old Spindle and tallowFixed; two cameras; one lens, one for each of two mounts, one by its measurements.
        Assert.Equal((9, 0, 0, 0), Counts(result));
        var found = (await fixture.Server.SendAsync(HttpMethod.Get, "/api/shelf?q=tallow&order=name")).Json["items"]!.AsArray().Select(i => i!["item"]!).ToDictionary(i => i["name"]!.GetValue<string>());
        Assert.Equal((24, 70, 2.8, 4, 22), (F("T 24-70mm f/2.8-4", "focalShortMm"), F("T 24-70mm f/2.8-4", "focalLongMm"), F("T 24-70mm f/2.8-4", "widestF"), F("T 24-70mm f/2.8-4", "widestLongF"), F("T 24-70mm f/2.8-4", "narrowestF")));
        Assert.Equal(("fisheye", 8), (found["Round 8mm (Old Spindle)"]["projection"]!.GetValue<string>(), F("Round 8mm (Old Spindle)", "focalShortMm")));
        Assert.Equal((17, 55), (F("Nameless", "focalShortMm"), F("Nameless", "focalLongMm")));
        Assert.Equal((24.0, 16.0), (F("T1", "sensorWidthMm"), F("T1", "sensorHeightMm")));
        Assert.Equal((17.31, 12.98), (F("Square", "sensorWidthMm"), F("Square", "sensorHeightMm")));
        Assert.Equal("APS-C, 23.5 wide", found["Round 8mm (Spindle)"]["madeFor"]!.GetValue<string>());
        Assert.Equal((0, 0, 9, 0), Counts(await Bring("tallow.xml", Database)));

        double F(string name, string field) => found[name][field]!.GetValue<double>();
    }

    [Fact]
    public async Task Modes_alone_replace_those_of_the_cameras_that_they_name()
    {
        var looked = await Bring("modes.csv", "Camera,Name,Used width (mm),Used height (mm),Frame rates (fps)\nPintle Sixteen,Only,12.48,7.02,24; 25\n");
        Assert.Equal((0, 1, 0, 0), Counts(looked));
        Assert.Equal("Only", looked["rows"]![0]!["changes"]![0]!["to"]!.GetValue<string>());
    }

    [Fact]
    public async Task The_published_schema_names_every_kind_and_field()
    {
        var schema = JsonNode.Parse(await fixture.Server.Client.GetStringAsync("/api/shelf/schema.json"))!;
        var kinds = JsonNode.Parse(await fixture.Server.Client.GetStringAsync("/api/shelf/kinds"))!.AsArray();
        foreach (var kind in kinds)
        {
            var properties = schema["$defs"]![kind!["key"]!.GetValue<string>()]!["properties"]!.AsObject();
            Assert.All(kind["fields"]!.AsArray(), f => Assert.True(properties.ContainsKey(f!["key"]!.GetValue<string>())));
        }
    }

    [Theory]
    [InlineData("Name,Focal length,Widest aperture\nKindless,35,2\n", "Lens")]
    [InlineData("Name,Sensor width,Sensor height\nKindless,36,24\n", "Body")]
    [InlineData("Name,Sensor width,Sensor height,Focal length\nKindless,13.2,8.8,9\n", "Fixed-lens camera")]
    [InlineData("Name,Goes on,Takes\nKindless,K-bay,Thole\n", "Adapter")]
    [InlineData("Name,Thread to the lens,Thread in front\nKindless,52,77\n", "Step ring")]
    [InlineData("Name,Does what,Thread to the lens\nKindless,polariser,77\n", "Filter")]
    [InlineData("Name,Power,Thread to the lens\nKindless,2,77\n", "Close-up lens")]
    [InlineData("Name,Flange distance\nKindless,20\n", "Mount")]
    [InlineData("Name,Is a,Payload\nKindless,gimbal,2000\n", "Support")]
    [InlineData("Camera,Name,Used width,Used height\nSelkie Tern,Other,36,24\n", "Body")]
    public async Task The_kind_is_told_by_the_columns_whatever_the_file_is_called(string table, string kind)
    {
        var result = await Bring("export (3).csv", table);
        Assert.Equal(0, Counts(result).Refused);
        Assert.Contains(result["rows"]!.AsArray(), r => r!["kind"]!.GetValue<string>() == kind);
    }

    [Fact]
    public async Task A_single_table_is_enough_and_brings_what_it_names()
    {
        var lenses = await Bring("mine.csv", "Name,Mount,Focal length\nForty,Hawse,40\nFifty,hawse,50\n");
        Assert.Equal((3, 0, 0, 0), Counts(lenses));
        Assert.Equal(["Hawse|named by Forty, mine.csv, line 2"], lenses["rows"]!.AsArray().Where(r => r!["kind"]!.GetValue<string>() == "Mount").Select(r => $"{r!["name"]}|{r["where"]}"));
        var modes = await Bring("mine.csv", "Camera,Name,Used width,Used height\nPetrel,Full,36,20.25\nPetrel,Crop,24,13.5\n");
        Assert.Equal((1, 0, 0, 0), Counts(modes));
        var body = await Bring("mine.csv", "Name,Sensor width,Sensor height\nPetrel,36,24\n", write: true);
        Assert.True(body["written"]!.GetValue<bool>());
        var petrel = (await fixture.Server.SendAsync(HttpMethod.Get, "/api/shelf?q=Petrel")).Json["items"]![0]!["item"]!;
        Assert.Equal("Whole sensor", petrel["modes"]![0]!["name"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_column_that_is_absent_changes_nothing_and_one_that_is_empty_makes_unknown()
    {
        Assert.True((await Bring("lenses.csv", "Name,Maker,Mount,Focal length,Weight (g),Filter thread (mm),Retired\nStays,Tallow,K-bay,35,400,67,yes\n", write: true))["written"]!.GetValue<bool>());
        var same = await Bring("lenses.csv", "Name,Maker,Focal length\nStays,Tallow,35\n");
        Assert.Equal((1, 0, 0, 0), Counts(same));
        await Bring("lenses.csv", "Name,Maker,Mount,Focal length,Weight (g),Filter thread (mm)\nGoes on,Tallow,K-bay,35,400,67\n", write: true);
        var changed = await Bring("lenses.csv", "Name,Maker,Focal length,Weight (g)\nGoes on,Tallow,36,\n", write: true);
        Assert.Equal((0, 1, 0, 0), Counts(changed));
        var item = (await fixture.Server.SendAsync(HttpMethod.Get, "/api/shelf?q=Tallow&take=1000")).Json["items"]!.AsArray().Select(i => i!["item"]!).Single(i => i["name"]!.GetValue<string>() == "Goes on");
        Assert.Equal((36, 67, "K-bay"), (item["focalShortMm"]!.GetValue<double>(), item["filterThreadMm"]!.GetValue<double>(), item["mount"]!.GetValue<string>()));
        Assert.Null(item["weightG"]);
        Assert.Equal((0, 0, 1, 0), Counts(await Bring("lenses.csv", "Name,Maker,Focal length\nGoes on,Tallow,36\n")));
    }

    [Fact]
    public async Task Several_files_come_at_once()
    {
        var result = await BringSeveral(("a.csv", "Name,Sensor width,Sensor height,Mount\nSkua,36,24,Rowlock\n"), ("b.csv", "Camera,Name,Used width,Used height\nSkua,Full,36,20.25\n"), ("mounts (1).csv", "Name,Flange distance\nRowlock,21\n"));
        Assert.Equal((2, 0, 0, 0), Counts(result));
        var broken = new ByteArrayContent(Encoding.UTF8.GetBytes("--x\r\n"));
        broken.Headers.TryAddWithoutValidation("Content-Type", "multipart/mixed; boundary=x");
        using var answer = await fixture.Server.Client.PostAsync("/api/shelf/import", broken);
        Assert.Contains("nothing in the file", Why(JsonNode.Parse(await answer.Content.ReadAsStringAsync())!), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Too_many_files_and_too_large_ones_are_refused_by_what_is_too_much()
    {
        var many = await BringSeveral([.. Enumerable.Range(0, 41).Select(i => ($"{i}.csv", "Name,Focal length\n"))]);
        Assert.Contains("40 files at once are the most", Why(many), StringComparison.Ordinal);
        using var large = new MultipartContent("mixed") { new ByteArrayContent(new byte[33 * 1024 * 1024]) };
        // Asked first whether it may come, so that the answer is not lost under what is still being sent.
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/shelf/import") { Content = large, Headers = { ExpectContinue = true } };
        using var answer = await fixture.Server.Client.SendAsync(request);
        Assert.Equal(413, (int)answer.StatusCode);
    }

    [Fact]
    public async Task What_an_import_renamed_stays_where_something_else_has_its_former_name()
    {
        var made = await Bring("lenses.csv", "Name,Maker,Focal length\nWas so,Tallow,35\nWas that,Tallow,50\n", write: true);
        Assert.Equal((2, 0, 0, 0), Counts(made));
        var items = (await fixture.Server.SendAsync(HttpMethod.Get, "/api/shelf?q=Tallow&take=1000")).Json["items"]!.AsArray().Select(i => i!["item"]!).ToArray();
        string IdOf(string name) => items.Single(i => i["name"]!.GetValue<string>() == name)["id"]!.GetValue<string>();
        var done = await Bring("lenses.csv", $"Id,Name,Maker,Focal length\n{IdOf("Was so")},Is so,Tallow,35\n{IdOf("Was that")},Is that,Tallow,50\n", write: true);
        Assert.Equal((0, 2, 0, 0), Counts(done));
        await Bring("lenses.csv", "Name,Maker,Focal length\nWas so,Tallow,85\n", write: true);

        var back = (await fixture.Server.SendAsync(HttpMethod.Post, $"/api/shelf/import/{done["revision"]}/back")).Json;
        Assert.Equal(1, back["back"]!.GetValue<int>());
        Assert.Equal(["Tallow Is so"], back["stayed"]!.AsArray().Select(n => n!.GetValue<string>()));
    }

    [Fact]
    public async Task An_import_is_taken_back_but_for_what_was_changed_since()
    {
        await Bring("lenses.csv", "Name,Maker,Focal length,Weight (g)\nBefore,Tallow,35,400\n", write: true);
        var done = await Bring("lenses.csv", "Name,Maker,Mount,Focal length,Weight (g)\nBefore,Tallow,Parrel,35,450\nNew A,Tallow,Parrel,50,1\nNew B,Tallow,K-bay,50,1\n", write: true);
        Assert.Equal((3, 1, 0, 0), Counts(done));
        var b = (await fixture.Server.SendAsync(HttpMethod.Get, "/api/shelf?q=Tallow&take=1000")).Json["items"]!.AsArray().Select(i => i!["item"]!).Single(i => i["name"]!.GetValue<string>() == "New B");
        b["weightG"] = 2;
        Assert.Equal(200, (int)(await fixture.Server.SendAsync(HttpMethod.Put, $"/api/shelf/{b["id"]}", b.ToJsonString(), ifMatch: "\"1\"")).Status);

        var path = $"/api/shelf/import/{done["revision"]}/back";
        var back = (await fixture.Server.SendAsync(HttpMethod.Post, path)).Json;
        Assert.Equal(3, back["back"]!.GetValue<int>());
        Assert.Equal(["Tallow New B"], back["stayed"]!.AsArray().Select(n => n!.GetValue<string>()));
        (await fixture.Server.SendAsync(HttpMethod.Post, path)).IsProblem(404);
        var left = (await fixture.Server.SendAsync(HttpMethod.Get, "/api/shelf?q=Tallow&take=1000")).Json["items"]!.AsArray().Select(i => i!["item"]!).ToArray();
        Assert.Equal(400, left.Single(i => i["name"]!.GetValue<string>() == "Before")["weightG"]!.GetValue<double>());
        Assert.DoesNotContain(left, i => i["name"]!.GetValue<string>() == "New A");
        Assert.Contains("New A", (await fixture.Server.SendAsync(HttpMethod.Get, "/api/shelf/deleted")).Body, StringComparison.Ordinal);
    }

    private async Task<JsonNode> BringSeveral(params (string Name, string Content)[] files)
    {
        using var body = new MultipartContent("mixed");
        foreach (var (name, content) in files)
        {
            var part = new StringContent(content);
            part.Headers.ContentDisposition = new("attachment") { FileNameStar = name };
            body.Add(part);
        }

        using var answer = await fixture.Server.Client.PostAsync("/api/shelf/import", body);
        return JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
    }
}

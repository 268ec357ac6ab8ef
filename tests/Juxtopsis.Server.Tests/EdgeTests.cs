namespace Juxtopsis.Server.Tests;

/// <summary>What the server shows of itself.</summary>
public sealed class EdgeTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    [Fact]
    public async Task The_OpenAPI_document_lists_every_address()
    {
        var document = (await fixture.Server.SendAsync(HttpMethod.Get, "/openapi/v1.json")).Json;
        Assert.Equal(
            [
                "/api/evaluate", "/api/working", "/api/solve", "/api/hold", "/api/conventions", "/api/assemble", "/api/measure", "/api/marks", "/api/figures", "/api/procedures", "/api/shelf/kinds", "/api/shelf/schema.json",
                "/api/comparisons", "/api/comparisons/{id}", "/api/comparisons/{id}/stored", "/api/comparisons/{id}/restore", "/api/comparisons/{id}/past", "/api/comparisons/{id}/past/{revision}",
                "/api/productions", "/api/productions/{id}", "/api/productions/{id}/stored", "/api/productions/{id}/restore", "/api/productions/{id}/past", "/api/productions/{id}/past/{revision}",
                "/api/fit", "/api/filters", "/api/day", "/api/bags", "/api/bags/day", "/api/bags/front", "/api/look", "/api/cut", "/api/photos/{id}", "/api/photos/{id}/restore",
                "/api/bags/table.csv", "/api/bags/read", "/api/bookings", "/api/bookings.ics", "/api/units", "/api/units/{id}", "/api/units/{id}/model", "/api/units/{id}/models", "/api/tests", "/api/tests/{id}", "/api/tests/{id}/accept", "/api/tests/table.csv", "/api/tests/read", "/api/takes", "/api/takes/{id}", "/api/takes/table.csv", "/api/takes/read",
                "/api/sheets", "/api/sheets/{id}", "/api/sheets/{id}/pictures/{option}", "/api/sheets/{id}/links", "/api/sheets/links/{link}", "/api/shared", "/api/shared/pictures/{option}", "/api/shared/answers",
                "/api/crew/export.zip", "/api/crew/import", "/api/crew/terms", "/api/crew/terms/zones", "/api/demo",
                "/api/shelf", "/api/shelf/{id}", "/api/shelf/{id}/stored", "/api/shelf/options", "/api/shelf/filters", "/api/shelf/ways", "/api/shelf/deleted", "/api/shelf/{id}/retire", "/api/shelf/{id}/restore",
                "/api/shelf/export.json", "/api/shelf/export.zip", "/api/shelf/export/{table}.csv", "/api/shelf/import", "/api/shelf/import/{revision}/back",
            ],
            document["paths"]!.AsObject().Select(p => p.Key));
        Assert.Equal("number", document["components"]!["schemas"]!["RigInput"]!["properties"]!["focalLengthMm"]!["type"]!.GetValue<string>());
        Assert.Equal("#/components/schemas/RigInput", document["components"]!["schemas"]!["EvaluateRequest"]!["properties"]!["rigs"]!["items"]!["$ref"]!.GetValue<string>());
    }

    [Fact]
    public async Task The_readable_page_needs_nothing_from_elsewhere()
    {
        var page = await fixture.Server.SendAsync(HttpMethod.Get, "/api/docs");
        Assert.Equal(200, (int)page.Status);
        Assert.DoesNotMatch("(src|href)=\"https?://", page.Body);
    }

    [Fact]
    public async Task An_unknown_address_of_the_API_is_a_problem() =>
        (await fixture.Server.SendAsync(HttpMethod.Get, "/api/nothing")).IsProblem(404);

    [Fact]
    public async Task Every_answer_says_what_a_browser_may_do()
    {
        using var response = await fixture.Server.Client.GetAsync("/health");
        Assert.Equal("nosniff", response.Headers.GetValues("X-Content-Type-Options").Single());
        Assert.Contains("frame-ancestors 'none'", response.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
        Assert.False(response.Headers.Contains("Server"));
    }

    [Theory]
    [InlineData("evil.example", 421)]
    [InlineData("localhost.evil.example", 421)]
    [InlineData("localhost", 200)]
    [InlineData("juxtopsis.localhost:5480", 200)]
    [InlineData("192.0.2.7:5480", 200)]
    [InlineData("[::1]:5480", 200)]
    public async Task A_name_that_somebody_else_points_here_is_refused(string host, int status)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/figures");
        request.Headers.Host = host;
        using var response = await fixture.Server.Client.SendAsync(request);
        Assert.Equal(status, (int)response.StatusCode);
        Assert.Equal("nosniff", response.Headers.GetValues("X-Content-Type-Options").Single());
    }

    [Theory]
    [InlineData("Sec-Fetch-Site", "cross-site", 403)]
    [InlineData("Sec-Fetch-Site", "same-site", 403)]
    [InlineData("Sec-Fetch-Site", "same-origin", 400)]
    [InlineData("Sec-Fetch-Site", "none", 400)]
    [InlineData("Origin", "http://evil.example", 403)]
    [InlineData("Origin", "null", 403)]
    [InlineData("Origin", "OWN", 400)]
    [InlineData("X-Program", "any", 400)]
    public async Task Another_page_changes_nothing(string header, string value, int status)
    {
        var address = fixture.Server.Client.BaseAddress!.GetLeftPart(UriPartial.Authority);
        foreach (var (method, path) in new[] { (HttpMethod.Post, "/api/evaluate"), (HttpMethod.Put, $"/api/comparisons/{Guid.NewGuid()}"), (HttpMethod.Post, "/api/shelf/import") })
        {
            using var request = new HttpRequestMessage(method, path) { Content = new StringContent("{", null, "application/json") };
            request.Headers.Add(header, value == "OWN" ? address : value);
            request.Headers.Add("If-None-Match", "*");
            using var response = await fixture.Server.Client.SendAsync(request);
            Assert.Equal(path.EndsWith("import", StringComparison.Ordinal) && status == 400 ? 200 : status, (int)response.StatusCode);
        }
    }

    [Theory]
    [InlineData("text/plain")]
    [InlineData("application/x-www-form-urlencoded")]
    [InlineData("multipart/form-data; boundary=x")]
    public async Task What_any_page_may_send_unasked_is_no_file_of_gear(string type)
    {
        using var content = new StringContent("Name,Mount\nA,B\n");
        content.Headers.Remove("Content-Type");
        content.Headers.TryAddWithoutValidation("Content-Type", type);
        using var response = await fixture.Server.Client.PostAsync("/api/shelf/import?file=lenses.csv&write=true", content);
        Assert.Equal(415, (int)response.StatusCode);
    }

    [Theory]
    [InlineData("GET", "/api/comparisons")]
    [InlineData("GET", "/api/nothing")]
    [InlineData("POST", "/api/evaluate")]
    public async Task What_belongs_to_a_crew_is_kept_by_nobody_on_the_way_faults_too(string method, string path)
    {
        using var request = new HttpRequestMessage(new HttpMethod(method), path);
        if (method == "POST")
        {
            request.Content = new ByteArrayContent(new byte[300 * 1024]);
            request.Content.Headers.ContentType = new("application/json");
        }

        using var response = await fixture.Server.Client.SendAsync(request);
        Assert.Equal(method == "POST" ? 413 : path.EndsWith("nothing", StringComparison.Ordinal) ? 404 : 200, (int)response.StatusCode);
        Assert.True(response.Headers.CacheControl!.NoStore);
        Assert.Contains("frame-ancestors 'none'", response.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
    }

    /// <summary>Half a surrogate pair, one the wrong way round, and bytes that are not UTF-8, wherever a text, a number, a name or an object may stand.</summary>
    public static TheoryData<string, string> NoUnicode
    {
        get
        {
            const string Lens = """{"kind":"lens","id":"10f7a7e0-0000-4000-8000-000000000555","name":"N","focalShortMm":35,"weightG":4,"retired":0}""";
            var gear = new[] { "\"N\"", "\"lens\"", "35", "4", "\"weightG\"", "\"10f7a7e0-0000-4000-8000-000000000555\"" }.Select(part => Lens.Replace(part, "HOLE", StringComparison.Ordinal));
            var data = new TheoryData<string, string>();
            foreach (var item in gear)
            {
                data.Add("/api/shelf/10f7a7e0-0000-4000-8000-000000000555", item);
                data.Add("/api/assemble", $$$"""{"chain":{"parts":[{"item":{{{item}}},"revision":1}]}}""");
                data.Add("/api/shelf/options", $$$"""{"setup":{"chain":{"parts":[{"item":{{{item}}},"revision":1}]}},"place":0,"isNew":true}""");
                data.Add("/api/shelf/import", $$"""{"format":"juxtopsis-shelf","version":1,"items":[{{item}}]}""");
            }

            data.Add("/api/shelf/import", """{"format":"juxtopsis-shelf","version":HOLE,"items":[]}""");
            data.Add("/api/shelf/import", """{"format":"juxtopsis-shelf","version":1,"items":[],"retired":[HOLE]}""");
            data.Add("/api/shelf/import", """{"format":HOLE,"version":1,"items":[]}""");
            data.Add("/api/evaluate", """{"scene":{"subjectDistanceMm":2000},"rigs":[{"name":HOLE,"sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8}]}""");
            data.Add("/api/evaluate", """{"scene":{"subjectDistanceMm":2000},"rigs":[{HOLE:1,"sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8}]}""");
            data.Add("/api/evaluate", """{"scene":{"subjectDistanceMm":2000,"backdrop":HOLE},"rigs":[]}""");
            return data;
        }
    }

    [Theory]
    [MemberData(nameof(NoUnicode))]
    public async Task What_is_no_Unicode_is_refused_and_no_fault(string path, string body)
    {
        byte[][] holes = [[.. "\"\\ud800\""u8], [.. "\"\\udc00\\ud800\""u8], [(byte)'"', 0xff, (byte)'"']];
        foreach (var hole in holes)
        {
            var parts = body.Split("HOLE").Select(System.Text.Encoding.UTF8.GetBytes).ToArray();
            using var content = new ByteArrayContent([.. parts[0], .. hole, .. parts[1]]);
            content.Headers.ContentType = new("application/json");
            using var request = new HttpRequestMessage(path.Contains("555", StringComparison.Ordinal) ? HttpMethod.Put : HttpMethod.Post, path) { Content = content };
            request.Headers.Add("If-None-Match", "*");
            using var response = await fixture.Server.Client.SendAsync(request);
            var status = (int)response.StatusCode;
            Assert.True(status is 400 or 422 || status == 200 && path.EndsWith("import", StringComparison.Ordinal), $"{status} {path} {body}");
        }
    }

    [Theory]
    [InlineData("/api/comparisons?skip=abc", "skip")]
    [InlineData("/api/comparisons?deleted=perhaps", "deleted")]
    [InlineData("/api/shelf?take=1e9", "take")]
    [InlineData("/api/shelf?aspect=wide", "aspect")]
    [InlineData("/api/shelf/ways?camera=x&lens=10f7a7e0-0000-4000-8000-000000000001", "camera")]
    [InlineData("/api/shelf?body=12", "body")]
    public async Task A_bad_parameter_of_an_address_is_named(string address, string parameter)
    {
        var refused = await fixture.Server.SendAsync(HttpMethod.Get, address);
        refused.IsProblem(400);
        Assert.Equal([parameter], refused.Fields);
    }

    [Theory]
    [InlineData("""{"scene":{"subjectDistanceMm":2000},"rigs":[[[[[[[[[[[[[[[[[[[1]]]]]]]]]]]]]]]]]]]}""", "rigs[0]")]
    [InlineData("""{"scene":[],"rigs":[]}""", "scene")]
    [InlineData("""{"scene":{"subjectDistanceMm":2000},"rigs":{}}""", "rigs")]
    [InlineData("""{"scene":{"subjectDistanceMm":2000},"rigs":null}""", "rigs")]
    [InlineData("""{"scene":{"subjectDistanceMm":2000},"rigs":[],"yardstick":1}""", "yardstick")]
    [InlineData("""{"scene":{"subjectDistanceMm":2000},"rigs":[{"sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":"35","fNumber":2}]}""", "rigs[0].focalLengthMm")]
    [InlineData("""{"scene":{"subjectDistanceMm":2000,"photo":{"id":"x","widthPx":1,"heightPx":1,"focalLengthMm":1}},"rigs":[]}""", "scene.photo.id")]
    [InlineData("""{"scene":{"subjectDistanceMm":2000},"rigs":[],"rigs":[]}""", "rigs")]
    [InlineData("""[1]""", "")]
    [InlineData("5", "")]
    public async Task Valid_JSON_of_another_kind_is_never_called_no_JSON(string json, string field)
    {
        var refused = await fixture.Server.SendAsync(HttpMethod.Post, "/api/evaluate", json);
        refused.IsProblem(400);
        Assert.Equal([field], refused.Fields);
        Assert.DoesNotContain("not JSON", refused.Body, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("""{"scene":""", 1)]
    [InlineData("{\n\"scene\": NaN}", 2)]
    [InlineData("", 1)]
    public async Task What_is_no_JSON_is_told_with_its_line(string json, int line)
    {
        var refused = await fixture.Server.SendAsync(HttpMethod.Post, "/api/evaluate", json);
        refused.IsProblem(400);
        Assert.Contains($"is not JSON from line {line},", refused.Json["detail"]!.GetValue<string>(), StringComparison.Ordinal);
    }
}

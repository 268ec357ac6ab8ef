using System.Net.Http.Headers;
using System.Text;

namespace Juxtopsis.Server.Tests;

/// <summary>Photographs: what is taken out of them, and what is refused.</summary>
public sealed class PhotoTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private static readonly byte[] Start = [0xFF, 0xD8];
    private static readonly byte[] End = [0xFF, 0xD9];
    private static readonly byte[] Tables = Segment(0xDB, new byte[65]);
    private static readonly byte[] Frame = Segment(0xC0, 8, 0x07, 0x80, 0x0A, 0x00, 1, 1, 0x11, 0);
    private static readonly byte[] Colours = Segment(0xEE, [.. "Adobe"u8, 0, 100, 0, 0, 0, 0, 1]);

    /// <summary>A scan with a stuffed zero and a restart in its data.</summary>
    private static readonly byte[] Scan = [.. Segment(0xDA, 1, 1, 0, 0, 63, 0), 0x12, 0xFF, 0x00, 0x34, 0xFF, 0xD0, 0x56];

    [Fact]
    public async Task Only_the_picture_is_kept()
    {
        byte[] location = Segment(0xE1, [.. "Exif\0\0GPS 52.1 4.3"u8]);
        byte[] brought =
        [
            .. Start, .. Segment(0xE0, [.. "JFIF"u8, 0]), .. location, .. Colours, .. Tables, .. Segment(0xFE, [.. "written at home"u8]), .. Frame, .. Scan,
            .. Segment(0xC4, new byte[20]), .. Segment(0xE1, [.. "http://ns/xmp"u8]), .. Scan, .. End, .. "a second file behind it"u8,
        ];
        var id = Guid.NewGuid();
        var (status, _) = await Put(id, brought);
        Assert.Equal(201, status);
        using var response = await fixture.Server.Client.GetAsync($"/api/photos/{id}");
        Assert.Equal("image/jpeg", response.Content.Headers.ContentType!.MediaType);
        Assert.Equal(304, (int)(await fixture.Server.SendAsync(HttpMethod.Get, $"/api/photos/{id}", ifNoneMatch: response.Headers.ETag!.Tag)).Status);
        byte[] expected = [.. Start, .. Colours, .. Tables, .. Frame, .. Scan, .. Segment(0xC4, new byte[20]), .. Scan, .. End];
        Assert.Equal(expected, await response.Content.ReadAsByteArrayAsync());
    }

    [Fact]
    public async Task Storing_again_is_harmless_and_another_picture_does_not_take_its_place()
    {
        var id = Guid.NewGuid();
        byte[] jpeg = [.. Start, .. Tables, .. Frame, .. Scan, .. End];
        var (_, first) = await Put(id, jpeg);
        Assert.Contains("\"widthPx\":2560,\"heightPx\":1920", first, StringComparison.Ordinal);
        Assert.Equal(200, (await Put(id, jpeg)).Status);
        Assert.Equal(409, (await Put(id, [.. Start, .. Tables, .. Frame, .. Scan, .. Scan, .. End])).Status);
        using var deleted = await fixture.Server.Client.DeleteAsync($"/api/photos/{id}");
        Assert.Equal(204, (int)deleted.StatusCode);
        (await fixture.Server.SendAsync(HttpMethod.Get, $"/api/photos/{id}")).IsProblem(404);
    }

    [Fact]
    public async Task A_photograph_that_another_comparison_shows_stays_and_a_deleted_one_comes_back()
    {
        var photo = Guid.NewGuid();
        await Put(photo, [.. Start, .. Tables, .. Frame, .. Scan, .. End]);
        async Task<Guid> Comparison(string name)
        {
            var id = Guid.NewGuid();
            var made = await fixture.Server.SendAsync(
                HttpMethod.Put,
                $"/api/comparisons/{id}",
                $$"""
                {"name":"{{name}}","document":{"schemaVersion":5,"setup":{"scene":{"subjectDistanceMm":2000,"photo":{"id":"{{photo}}","widthPx":2560,"heightPx":1920,"focalLengthMm":35} },
                "rigs":[{"id":"r1","sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":4}] } } }
                """,
                ifNoneMatch: "*");
            Assert.Equal(201, (int)made.Status);
            return id;
        }

        var (first, second) = (await Comparison("First"), await Comparison("Its copy"));
        var refused = await fixture.Server.SendAsync(HttpMethod.Delete, $"/api/photos/{photo}?from={first}");
        refused.IsProblem(409);
        Assert.Contains("“Its copy”", refused.Json["detail"]!.GetValue<string>(), StringComparison.Ordinal);
        await fixture.Server.SendAsync(HttpMethod.Delete, $"/api/comparisons/{second}");
        Assert.Equal(204, (int)(await fixture.Server.SendAsync(HttpMethod.Delete, $"/api/photos/{photo}?from={first}")).Status);
        (await fixture.Server.SendAsync(HttpMethod.Get, $"/api/photos/{photo}")).IsProblem(404);
        Assert.Equal(204, (int)(await fixture.Server.SendAsync(HttpMethod.Post, $"/api/photos/{photo}/restore")).Status);
        Assert.Equal(200, (int)(await fixture.Server.Client.GetAsync($"/api/photos/{photo}")).StatusCode);
        (await fixture.Server.SendAsync(HttpMethod.Post, $"/api/photos/{Guid.NewGuid()}/restore")).IsProblem(404);
    }

    public static TheoryData<string, byte[]> Broken => new()
    {
        { "nothing", [] },
        { "text", Encoding.UTF8.GetBytes("<svg onload=alert(1)>") },
        { "a start alone", Start },
        { "no frame", [.. Start, .. Tables, .. Scan, .. End] },
        { "no scan", [.. Start, .. Tables, .. Frame, .. End] },
        { "cut short", [.. Start, .. Tables, .. Frame, .. Scan] },
        { "a segment longer than the file", [.. Start, 0xFF, 0xDB, 0xFF, 0xFF, 1, 2, 3] },
        { "a segment shorter than its length", [.. Start, 0xFF, 0xDB, 0, 0, .. Frame, .. Scan, .. End] },
        { "two frames", [.. Start, .. Frame, .. Frame, .. Scan, .. End] },
        { "a lossless frame", [.. Start, .. Segment(0xC3, 8, 0, 9, 0, 9, 1, 1, 0x11, 0), .. Scan, .. End] },
        { "too many pixels", [.. Start, .. Segment(0xC0, 8, 0xFF, 0xFF, 0xFF, 0xFF, 1, 1, 0x11, 0), .. Scan, .. End] },
    };

    [Theory]
    [MemberData(nameof(Broken))]
    public async Task What_is_no_whole_photograph_is_refused(string what, byte[] bytes)
    {
        var (status, body) = await Put(Guid.NewGuid(), bytes);
        Assert.True(status == 422, $"{what}: {status}");
        Assert.Contains("JPEG", body.Replace("pixels", "JPEG", StringComparison.Ordinal), StringComparison.Ordinal);
    }

    [Fact]
    public async Task One_too_large_and_one_of_another_kind_are_refused()
    {
        Assert.Equal(413, (await Put(Guid.NewGuid(), new byte[7 * 1024 * 1024])).Status);
        Assert.Equal(415, (await Put(Guid.NewGuid(), [1], "text/html")).Status);
    }

    [Fact]
    public async Task A_scene_names_its_photograph_and_each_rig_says_how_much_of_it_it_takes_in()
    {
        // A rig that is what took the still sees all of it, but for the little that focusing near draws it in.
        const string Photo = """{"id":"6a0f3e52-7d1c-4f5e-9a55-000000000001","widthPx":1500,"heightPx":1000,"sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35}""";
        const string Rig = """{"sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":4}""";
        var elsewhere = Rig.Replace("}", ",\"subjectDistanceMm\":2000}", StringComparison.Ordinal);
        var answer = await fixture.Server.SendAsync(
            HttpMethod.Post, "/api/evaluate", $$"""{"scene":{"subjectDistanceMm":100000,"backdrop":"photo","photo":{{Photo}}},"rigs":[{{Rig}},{{elsewhere}}]}""");
        var reports = answer.Json["reports"]!;
        Assert.Equal(1, reports[0]!["figures"]!["stillShareAcross"]!.GetValue<double>(), 0.001);
        Assert.Null(reports[1]!["figures"]!["stillShareAcross"]);
        var half = Photo.Replace("}", ",\"latitudeDeg\":95}", StringComparison.Ordinal);
        var refused = await fixture.Server.SendAsync(HttpMethod.Post, "/api/evaluate", $$"""{"scene":{"subjectDistanceMm":1000,"photo":{{half}}},"rigs":[{{Rig}}]}""");
        refused.IsProblem(422);
        Assert.Contains("scene.photo.latitudeDeg", refused.Fields);
    }

    private static byte[] Segment(byte kind, params byte[] content) => [0xFF, kind, (byte)((content.Length + 2) >> 8), (byte)(content.Length + 2), .. content];

    private async Task<(int Status, string Body)> Put(Guid id, byte[] bytes, string type = "image/jpeg")
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue(type);
        using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/photos/{id}") { Content = content };
        // A body that is too large is refused before it is sent.
        request.Headers.ExpectContinue = true;
        using var response = await fixture.Server.Client.SendAsync(request);
        return ((int)response.StatusCode, await response.Content.ReadAsStringAsync());
    }
}

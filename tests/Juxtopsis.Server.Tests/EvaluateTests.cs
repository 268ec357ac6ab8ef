using System.Text;
using System.Text.Json.Nodes;
using Juxtopsis.Contracts;
using Juxtopsis.Core.Tests.Reference;

namespace Juxtopsis.Server.Tests;

public sealed class EvaluateTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private const string Rig = """{"sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8}""";

    private static string Request(string rigs = Rig, string scene = """{"subjectDistanceMm":2000}""", string more = "") =>
        $$"""{"scene":{{scene}},"rigs":[{{rigs}}]{{more}}}""";

    private Task<Answer> Evaluate(string json) => fixture.Server.SendAsync(HttpMethod.Post, "/api/evaluate", json);

    [Fact]
    public async Task The_server_hands_on_what_the_core_answers_for_every_reference_case()
    {
        for (var i = 0; i < ReferenceCase.Count; i++)
        {
            var request = ReferenceCase.At(i).ToRequest();
            var direct = Encoding.UTF8.GetString(CoreDoor.Evaluate(Encoding.UTF8.GetBytes(request)).Body.Span);
            Assert.Equal(direct, (await Evaluate(request)).Body);
        }
    }

    [Fact]
    public async Task Defaults_are_full_frame_and_infinity_and_no_squeeze()
    {
        var answer = await Evaluate(Request());
        Assert.Equal(200, (int)answer.Status);
        Assert.Equal(36, answer.Json["conventions"]!["referenceWidthMm"]!.GetValue<double>());
        Assert.Equal(1500, answer.Json["conventions"]!["cocDivisor"]!.GetValue<double>());
        var report = answer.Json["reports"]![0]!;
        Assert.Equal(35, report["figures"]!["equivalentFocalLengthMm"]!.GetValue<double>());
        Assert.True(report["figures"]!.AsObject().ContainsKey("backgroundFieldWidthMm"));
        Assert.Null(report["figures"]!["backgroundFieldWidthMm"]);
        Assert.Contains("crop as delivered", answer.Json["conventionWords"]!.AsArray().Select(w => w!.GetValue<string>()));
    }

    [Fact]
    public async Task A_subject_too_close_is_an_answer_that_says_the_limit_and_the_mend()
    {
        var answer = await Evaluate(Request(scene: """{"subjectDistanceMm":100}"""));
        Assert.Equal(200, (int)answer.Status);
        var report = answer.Json["reports"]![0]!;
        var reason = report["reasons"]![0]!;
        Assert.False(report["figures"]!.AsObject().ContainsKey("magnification"));
        Assert.Equal("tooClose", reason["code"]!.GetValue<string>());
        Assert.Equal("stops", reason["severity"]!.GetValue<string>());
        Assert.Equal("14 cm", reason["limit"]!.GetValue<string>());
        Assert.Contains("14 cm", reason["message"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(140, report["figures"]!["nearestSubjectDistanceMm"]!.GetValue<double>());
    }

    [Theory]
    [InlineData("focalLengthMm", "0", "0.5 mm to 5000 mm")]
    [InlineData("focalLengthMm", "-35", "0.5 mm to 5000 mm")]
    [InlineData("focalLengthMm", "1e308", "0.5 mm to 5000 mm")]
    [InlineData("focalLengthMm", "1e999", "0.5 mm to 5000 mm")]
    [InlineData("fNumber", "0", "0.3 to 512")]
    [InlineData("sensorWidthMm", "1e-300", "0.5 mm to 500 mm")]
    [InlineData("squeeze", "0.5", "1 to 3")]
    [InlineData("punchIn", "0.99", "1 to 50")]
    [InlineData("optics", "[1, 0]", "0.2 to 10")]
    public async Task A_value_out_of_range_names_field_value_limit_and_mend(string field, string value, string limit)
    {
        var rig = JsonNode.Parse(Rig)!.AsObject();
        rig.Remove(field);
        var answer = await Evaluate(Request(rig.ToJsonString().TrimEnd('}') + $",\"{field}\":{value}}}"));
        answer.IsProblem(422);
        Assert.Equal([field == "optics" ? "rigs[0].optics[1]" : $"rigs[0].{field}"], answer.Fields);
        var error = answer.Json["errors"]![0]!;
        Assert.Equal(limit, error["limit"]!.GetValue<string>());
        Assert.NotEmpty(error["value"]!.GetValue<string>());
        Assert.NotEmpty(error["fix"]!.GetValue<string>());
    }

    [Fact]
    public async Task All_faults_are_named_at_once()
    {
        var answer = await Evaluate(Request(
            """{"sensorWidthMm":0,"sensorHeightMm":24,"focalLengthMm":0,"fNumber":2.8,"recordedWidthPx":4000}""",
            """{"subjectDistanceMm":2000,"backgroundDistanceMm":1000}"""));
        answer.IsProblem(422);
        Assert.Equal(
            ["scene.backgroundDistanceMm", "rigs[0].sensorWidthMm", "rigs[0].focalLengthMm", "rigs[0].recordedHeightPx"],
            answer.Fields);
    }

    [Fact]
    public async Task A_background_nearer_than_the_subject_is_refused_in_metres()
    {
        var answer = await Evaluate(Request(scene: """{"subjectDistanceMm":3000,"backgroundDistanceMm":2000}"""));
        answer.IsProblem(422);
        Assert.Contains("2 m is nearer than the subject at 3 m", answer.Json["detail"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Twelve_rigs_are_compared_and_thirteen_are_refused()
    {
        Assert.Equal(200, (int)(await Evaluate(Request(string.Join(',', Enumerable.Repeat(Rig, 12))))).Status);
        var thirteen = await Evaluate(Request(string.Join(',', Enumerable.Repeat(Rig, 13))));
        thirteen.IsProblem(422);
        Assert.Equal("1 to 12", thirteen.Json["errors"]![0]!["limit"]!.GetValue<string>());
        (await Evaluate(Request(""))).IsProblem(422);
        (await Evaluate(Request(more: ",\"yardstick\":\"none\""))).IsProblem(422);
    }

    [Theory]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("hello")]
    [InlineData("""{"scene":{"subjectDistanceMm":NaN},"rigs":[]}""")]
    [InlineData("""{"scene":{"subjectDistanceMm":"2000"},"rigs":[]}""")]
    [InlineData("""{"scene":{"subjectDistanceMm":null},"rigs":[]}""")]
    [InlineData("""{"scene":null,"rigs":[]}""")]
    [InlineData("""{"scene":{"subjectDistanceMm":2000,"subjectDistanceMm":3000},"rigs":[]}""")]
    [InlineData("""{"scene":{"subjectDistanceMm":2000}}""")]
    [InlineData("""{"scene":{"subjectDistanceMm":2000},"rigs":[{"name":"\ud800","sensorWidthMm":1,"sensorHeightMm":1,"focalLengthMm":1,"fNumber":1}]}""")]
    public async Task What_is_not_the_JSON_asked_for_is_a_400_in_words(string body)
    {
        var answer = await Evaluate(body);
        answer.IsProblem(400);
        Assert.DoesNotContain("System.", answer.Body, StringComparison.Ordinal);
        Assert.DoesNotContain("Juxtopsis.", answer.Body, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Null_among_the_rigs_is_refused() => (await Evaluate(Request("null"))).IsProblem(422);

    [Fact]
    public async Task Deep_nesting_is_refused() => (await Evaluate(new string('[', 5000))).IsProblem(400);

    [Fact]
    public async Task An_unknown_field_is_named()
    {
        var answer = await Evaluate(Request("""{"sensorWidthMm":36,"sensorHeightMm":24,"focalLength":35,"fNumber":2.8}"""));
        answer.IsProblem(400);
        Assert.Contains("focalLength", answer.Json["detail"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_missing_field_is_named()
    {
        var answer = await Evaluate(Request("""{"sensorWidthMm":36,"sensorHeightMm":24,"fNumber":2.8}"""));
        answer.IsProblem(400);
        Assert.Contains("focalLengthMm", answer.Json["detail"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Ten_megabytes_are_refused_before_they_are_read()
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/evaluate");
        request.Content = new StringContent(Request(more: ",\"x\":\"" + new string('a', 10_000_000) + "\""), Encoding.UTF8, "application/json");
        request.Headers.ExpectContinue = true;
        using var response = await fixture.Server.Client.SendAsync(request);
        Assert.Equal(413, (int)response.StatusCode);
        Assert.Contains("256 kB", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Only_JSON_is_read_and_only_posted()
    {
        using var form = new FormUrlEncodedContent([new("a", "b")]);
        using var response = await fixture.Server.Client.PostAsync("/api/evaluate", form);
        Assert.Equal(415, (int)response.StatusCode);
        Assert.Contains("application/json", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        (await fixture.Server.SendAsync(HttpMethod.Get, "/api/evaluate")).IsProblem(405);
    }
}

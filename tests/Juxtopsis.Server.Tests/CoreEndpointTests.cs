namespace Juxtopsis.Server.Tests;

/// <summary>Working, solving and conventions over HTTP, and the checks of everything that came with them.</summary>
public sealed class CoreEndpointTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private const string Rig = "\"sensorWidthMm\":36,\"sensorHeightMm\":24,\"focalLengthMm\":50,\"fNumber\":4";

    private static string Setup(string rigMore = "", string sceneMore = "", string conventions = "{}") =>
        $$"""{"scene":{"subjectDistanceMm":2000{{sceneMore}}},"conventions":{{conventions}},"rigs":[{{{Rig}}{{rigMore}}}]}""";

    private Task<Answer> Post(string path, string json) => fixture.Server.SendAsync(HttpMethod.Post, "/api/" + path, json);

    [Fact]
    public async Task A_working_tells_formula_values_steps_conventions_and_source()
    {
        var answer = await Post("working", $$"""{"setup":{{Setup()}},"rig":0,"figure":"hyperfocalDistanceMm"}""");
        Assert.Equal(200, (int)answer.Status);
        var last = answer.Json["steps"]!.AsArray()[^1]!;
        Assert.Equal("f·(1 + mh)²/mh", last["formula"]!.GetValue<string>());

        // c = 43.267/1500 = 0.028844; mh = 4·0.028844/50; f·(1 + mh)²/mh = 21768 mm.
        Assert.Equal(21768, last["value"]!.GetValue<double>(), 1.0);
        Assert.Contains("circle 1/1500 of the delivered diagonal", answer.Json["conventions"]!.AsArray().Select(c => c!.GetValue<string>()));
        Assert.Contains("Ray", answer.Json["source"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Contains(answer.Json["inputs"]!.AsArray(), i => i!["symbol"]!.GetValue<string>() == "f₀");
    }

    [Fact]
    public async Task A_working_of_a_rig_or_figure_that_is_not_there_is_refused()
    {
        (await Post("working", $$"""{"setup":{{Setup()}},"rig":1,"figure":"cropChain"}""")).IsProblem(422);
        (await Post("working", $$"""{"setup":{{Setup()}},"rig":0,"figure":"charm"}""")).IsProblem(400);
        (await Post("working", $$"""{"setup":{{Setup()}},"rig":0,"figure":3}""")).IsProblem(400);
    }

    [Theory]
    [InlineData("""{"setup":SETUP,"goal":"distance","sizeMm":600}""", "1.352 m frames 60 cm upright.")]
    [InlineData("""{"setup":SETUP,"goal":"focalLength","sizeMm":600}""", "frames 60 cm upright.")]
    [InlineData("""{"setup":SETUP,"goal":"depth","fromMm":1800,"toMm":2300}""", "1.8 m to 2.3 m sharp: focus at")]
    [InlineData("""{"setup":SETUP,"goal":"blur","share":0.01}""", "A disc of 1 % of the height")]
    [InlineData("""{"setup":SETUP,"goal":"range"}""", "the place has no end")]
    public async Task A_question_asked_backwards_is_answered(string request, string said)
    {
        var answer = await Post("solve", request.Replace("SETUP", Setup(), StringComparison.Ordinal));
        Assert.Equal(200, (int)answer.Status);
        Assert.Contains(said, answer.Json["rigs"]![0]![0]!["message"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("""{"setup":SETUP,"goal":"distance"}""", "sizeMm")]
    [InlineData("""{"setup":SETUP,"goal":"distance","sizeMm":0}""", "sizeMm")]
    [InlineData("""{"setup":SETUP,"goal":"depth","fromMm":3000,"toMm":2000}""", "toMm")]
    [InlineData("""{"setup":SETUP,"goal":"depth","toMm":2000}""", "fromMm")]
    [InlineData("""{"setup":SETUP,"goal":"blur"}""", "share")]
    public async Task A_question_without_its_value_is_refused_with_a_mend(string request, string field)
    {
        var answer = await Post("solve", request.Replace("SETUP", Setup(), StringComparison.Ordinal));
        answer.IsProblem(422);
        Assert.Equal([field], answer.Fields);
        Assert.NotEmpty(answer.Json["errors"]![0]!["fix"]!.GetValue<string>());
    }

    [Fact]
    public async Task Conventions_tell_what_each_answer_would_change()
    {
        var answer = await Post("conventions", Setup());
        var questions = answer.Json.AsArray();
        Assert.Equal(["reference", "crop", "circle", "distance", "squeezedDepth", "focalLength"], questions.Select(q => q!["school"]!.GetValue<string>()));
        Assert.All(questions, q => Assert.Single(q!["options"]!.AsArray(), o => o!["isChosen"]!.GetValue<bool>()));
        var cine = questions[0]!["options"]![1]!;
        var change = cine["changes"]!.AsArray().Single(c => c!["figure"]!.GetValue<string>() == "equivalentFocalLengthMm")!;
        Assert.Equal(50, change["now"]![0]!.GetValue<double>());

        // The delivered shape is the rig's own 3:2, which trims 24.89 × 18.66 to 24.89 wide: 24.89/36 of 50 mm.
        Assert.Equal(50 * 24.89 / 36, change["then"]![0]!.GetValue<double>(), 9);
    }

    [Fact]
    public async Task Every_figure_is_told()
    {
        var answer = await fixture.Server.SendAsync(HttpMethod.Get, "/api/figures");
        var first = answer.Json.AsArray()[0]!;
        Assert.Equal("usedWidthMm", first["id"]!.GetValue<string>());
        Assert.Equal("lensMm", first["unit"]!.GetValue<string>());
    }

    [Theory]
    [InlineData("feet", "7.87″")]
    [InlineData("Metres", "20 cm")]
    public async Task Sentences_are_in_the_units_asked_for(string units, string said)
    {
        var answer = await Post("evaluate?units=" + units, Setup().Replace("2000", "100", StringComparison.Ordinal));
        Assert.Contains(said, answer.Json["reports"]![0]!["reasons"]![0]!["message"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Units_that_are_not_known_are_refused()
    {
        var answer = await Post("evaluate?units=furlongs", Setup());
        answer.IsProblem(422);
        Assert.Equal(["units"], answer.Fields);
    }

    [Theory]
    [InlineData(",\"optics\":[1,1,1,1,1]", "", "optics")]
    [InlineData(",\"recordedWidthPx\":3840", "", "recordedHeightPx")]
    [InlineData(",\"wholeSensorHeightMm\":24", "", "wholeSensorWidthMm")]
    [InlineData(",\"variableFilterMinStops\":5,\"variableFilterMaxStops\":2", "", "variableFilterMaxStops")]
    [InlineData(",\"lens\":{\"zoomShortMm\":70,\"zoomLongMm\":24}", "", "lens.zoomLongMm")]
    [InlineData(",\"lens\":{\"zoomShortMm\":70}", "", "lens.zoomLongMm")]
    [InlineData(",\"lens\":{\"widestTNumber\":2}", "", "lens.widestFNumber")]
    [InlineData(",\"lens\":{\"widestFNumber\":4,\"narrowestFNumber\":2}", "", "lens.narrowestFNumber")]
    [InlineData(",\"lens\":{\"maximumMagnification\":21}", "", "lens.maximumMagnification")]
    [InlineData(",\"closeUpDioptres\":-1", "", "closeUpDioptres")]
    [InlineData(",\"squeezeTurnDeg\":21", "", "squeezeTurnDeg")]
    [InlineData("", ",\"shutterAngleDeg\":361", "scene.shutterAngleDeg")]
    [InlineData("", ",\"nearestCameraMm\":3000,\"farthestCameraMm\":2000", "scene.farthestCameraMm")]
    public async Task What_cannot_be_is_refused_by_field(string rigMore, string sceneMore, string field)
    {
        var answer = await Post("evaluate", Setup(rigMore, sceneMore));
        answer.IsProblem(422);
        Assert.Equal([field.StartsWith("scene.", StringComparison.Ordinal) ? field : "rigs[0]." + field], answer.Fields);
        Assert.NotEmpty(answer.Json["errors"]![0]!["fix"]!.GetValue<string>());
    }

    [Theory]
    [InlineData("""{"crop":"sideways"}""")]
    [InlineData("""{"circle":2}""")]
    [InlineData("""{"distanceFrom":null}""")]
    public async Task A_convention_that_is_not_known_is_refused(string conventions) =>
        (await Post("evaluate", Setup(conventions: conventions))).IsProblem(400);
}

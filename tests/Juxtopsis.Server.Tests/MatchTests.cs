using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Matching;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Matching;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Data.Demo;

namespace Juxtopsis.Server.Tests;

/// <summary>Looks and cameras that cut together, over HTTP and for the demo.</summary>
public sealed class MatchTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private static readonly FittingShelf Shelf = FittingShelf.Of(DemoShelf.Items);

    private static ComparisonDocument Demo(int place) =>
        Comparisons().ElementAt(place);

    private static IEnumerable<ComparisonDocument> Comparisons() =>
        DemoComparisons.Create(DateTimeOffset.UnixEpoch).Select(row => ComparisonShape.Instance.Read(row.Document, out _)!);

    private static LookRequest Asked(ComparisonDocument document) => new()
    {
        Setup = new EvaluateRequest { Scene = document.Setup.Scene, Conventions = document.Setup.Conventions, Rigs = [document.Setup.Rigs[0]] },
    };

    private static CutRequest Cutting(ComparisonDocument document)
    {
        RigInput[] rigs = [.. document.Setup.Rigs.Where(r => r.Chain is not null)];
        return new()
        {
            Setup = new EvaluateRequest { Scene = document.Setup.Scene, Rigs = [.. rigs.Select(r => r with { Chain = null })] },
            Cameras = [.. rigs.Select(r => new CutCameraInput { Rig = r.Id, Body = r.Chain!.Parts[0].Item.GetProperty("id").GetGuid() })],
        };
    }

    private static string Body(LookRequest request) => JsonSerializer.Serialize(request, WireJson.Default.LookRequest);

    private static string Body(CutRequest request) => JsonSerializer.Serialize(request, WireJson.Default.CutRequest);

    private async Task<LookResponse> Ask(LookRequest request)
    {
        var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/look", Body(request));
        Assert.True((int)answer.Status == 200, $"{answer.Json}");
        return answer.Json.Deserialize(WireJson.Default.LookResponse)!;
    }

    [Fact]
    public async Task The_shelf_reaches_one_demo_look_and_misses_the_other_by_a_stated_rest()
    {
        var reached = await Ask(Asked(Demo(4)));
        Assert.InRange(reached.Matches[0].Sum, 0, 0.15);
        Assert.Empty(reached.Missing);
        Assert.True(reached.IsProven);

        var missed = await Ask(Asked(Demo(5)));
        var blur = missed.Matches[0].Rest.Single(r => r.Aspect == LookAspect.Blur);
        Assert.InRange(blur.Stops, -0.5, -0.3);
        Assert.True(missed.Matches[0].IsWideOpen);
        Assert.EndsWith("short of blur: it opens no farther.", missed.Matches[0].Say, StringComparison.Ordinal);
        Assert.InRange(missed.Missing[0].Match.Rest.Single(r => r.Aspect == LookAspect.Blur).Stops, -1e-6, 1e-6);

        // What is missing is gear that the Shelf takes.
        var item = JsonNode.Parse(missed.Missing[0].Item.GetRawText())!.AsObject();
        item["id"] = Guid.NewGuid().ToString();
        item["ownership"] = "wish";
        var put = await fixture.Server.SendAsync(HttpMethod.Put, $"/api/shelf/{item["id"]}", item.ToJsonString(), ifNoneMatch: "*");
        Assert.Equal(201, (int)put.Status);

        // It is in no answer until wishes are asked for too.
        bool IsIn(LookResponse response) => response.Matches.Any(m => $"{m.Rig.Lens}" == $"{item["id"]}");
        Assert.False(IsIn(await Ask(Asked(Demo(5)))));
        var wished = await Ask(Asked(Demo(5)) with { Wishes = true });
        Assert.True(IsIn(wished));
        Assert.True(wished.Matches[0].Sum < missed.Matches[0].Sum);
        await fixture.Server.SendAsync(HttpMethod.Delete, $"/api/shelf/{item["id"]}");
    }

    [Fact]
    public async Task The_server_answers_as_the_door_does()
    {
        var door = new MatchDoor(new(Shelf));
        Assert.Null(door.AskLook(Encoding.UTF8.GetBytes(Body(Asked(Demo(4)))), LengthUnit.Metres));

        // A page goes through it a little at a time, and has a first answer half way.
        var first = false;
        for (var done = 0.0; done < 1; done = door.StepLook(7))
        {
            if (done >= 0.5 && !first)
            {
                first = true;
                Assert.False(JsonSerializer.Deserialize(door.AnswerLook(LengthUnit.Metres).Body.Span, WireJson.Default.LookResponse)!.IsProven);
            }
        }

        Assert.True(first);
        Assert.Equal(
            JsonSerializer.Serialize(await Ask(Asked(Demo(4))), WireJson.Default.LookResponse),
            JsonSerializer.Serialize(JsonSerializer.Deserialize(door.AnswerLook(LengthUnit.Metres).Body.Span, WireJson.Default.LookResponse)!, WireJson.Default.LookResponse));
    }

    [Fact]
    public async Task Two_cameras_of_the_demo_cut_together_and_no_lens_serves_both()
    {
        var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/cut", Body(Cutting(Demo(4))));
        Assert.True((int)answer.Status == 200, $"{answer.Json}");
        var cut = answer.Json.Deserialize(WireJson.Default.CutResponse)!;
        Assert.NotNull(cut.Kept);
        Assert.Equal(2, cut.Kept.Shares.Select(s => s.Rig.Lens).Distinct().Count());
        Assert.True(cut.Kept.IsProven);
        Assert.Equal(0, cut.Kept.Shares[0].OffLead);
        Assert.NotEmpty(cut.Kept.Say);
    }

    [Fact]
    public async Task What_is_pinned_and_what_counts_is_kept_with_a_comparison()
    {
        var document = Demo(4) with { Match = new() { Aspects = new() { Blur = new() { Weight = 5, Pinned = true, Tolerance = 0.3 } }, AlsoBehindMm = [500, null], Tie = LookTie.Price } };
        var input = JsonSerializer.Serialize(new ComparisonInput { Name = "Kept", Document = document }, WireJson.Default.ComparisonInput);
        var id = Guid.NewGuid();
        Assert.Equal(201, (int)(await fixture.Server.SendAsync(HttpMethod.Put, $"/api/comparisons/{id}", input, ifNoneMatch: "*")).Status);
        var kept = (await fixture.Server.SendAsync(HttpMethod.Get, $"/api/comparisons/{id}")).Json.Deserialize(WireJson.Default.ComparisonOutput)!.Document.Match;
        Assert.Equal((5.0, true, 0.3), (kept.Aspects.Blur!.Weight, kept.Aspects.Blur.Pinned, kept.Aspects.Blur.Tolerance));
        Assert.Equal([500.0, null], kept.AlsoBehindMm);
        Assert.Equal(LookTie.Price, kept.Tie);
        Assert.Null(kept.Aspects.Angle);
    }

    [Theory]
    [InlineData("aspects.blur.weight", """{"aspects":{"blur":{"weight":11}}}""")]
    [InlineData("aspects.angle.tolerance", """{"aspects":{"angle":{"weight":1,"tolerance":-1}}}""")]
    [InlineData("alsoBehindMm", """{"alsoBehindMm":[1,2,3,4,5,6,7,8]}""")]
    [InlineData("alsoBehindMm[1]", """{"alsoBehindMm":[1000,0]}""")]
    [InlineData("most", """{"most":0}""")]
    [InlineData("highestIso", """{"highestIso":0}""")]
    public async Task A_look_that_cannot_be_is_refused_by_field(string field, string part)
    {
        var body = JsonNode.Parse(Body(Asked(Demo(4))))!.AsObject();
        foreach (var (key, value) in JsonNode.Parse(part)!.AsObject().ToList())
        {
            body[key] = value?.DeepClone();
        }

        var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/look", body.ToJsonString());
        Assert.Equal(422, (int)answer.Status);
        Assert.Contains(field, answer.Json["errors"]!.AsArray().Select(e => (string)e!["about"]!));
    }

    [Fact]
    public async Task Cameras_that_cannot_be_are_refused_by_field()
    {
        var request = Cutting(Demo(4));
        var (one, other) = (request.Cameras[0], request.Cameras[1]);
        async Task Refused(string field, CutRequest asked)
        {
            var answer = await fixture.Server.SendAsync(HttpMethod.Post, "/api/cut", Body(asked));
            Assert.Equal(422, (int)answer.Status);
            Assert.Contains(field, answer.Json["errors"]!.AsArray().Select(e => (string)e!["about"]!));
        }

        await Refused("cameras", request with { Cameras = [one] });
        await Refused("cameras[1].body", request with { Cameras = [one, other with { Body = one.Body }] });
        await Refused("cameras[1].rig", request with { Cameras = [one, other with { Rig = "none" }] });
        await Refused("setup.yardstick", request with { Cameras = [other, other with { Body = Guid.NewGuid() }] });
        await Refused("cameras[0].movesShare", request with { Cameras = [one with { MovesShare = 11 }, other] });
        await Refused("agree.blur", request with { Agree = new() { Blur = -1 } });
    }

    [Fact]
    public async Task A_body_that_is_gone_and_an_empty_bag_are_said_and_no_fault()
    {
        var request = Cutting(Demo(4));
        var gone = await fixture.Server.SendAsync(HttpMethod.Post, "/api/cut", Body(request with { Cameras = [request.Cameras[0], request.Cameras[1] with { Body = Guid.NewGuid() }] }));
        Assert.Equal(200, (int)gone.Status);
        Assert.Contains("has no lens", (string)gone.Json["misses"]![0]!["message"]!, StringComparison.Ordinal);

        // Nothing behind the subject, and a camera that does not focus where it stands.
        async Task<JsonNode> Cut(SceneInput scene) =>
            (await fixture.Server.SendAsync(HttpMethod.Post, "/api/cut", Body(request with { Setup = new EvaluateRequest { Scene = scene, Rigs = request.Setup.Rigs } }))).Json;
        var scene = request.Setup.Scene.Scene;
        Assert.NotNull((await Cut(new(scene with { BackgroundDistanceMm = scene.SubjectDistanceMm })))["kept"]);
        Assert.NotEmpty((await Cut(new(new(20))))["misses"]!.AsArray());
        Assert.NotEmpty((await Ask(Asked(Demo(4)) with { Setup = new EvaluateRequest { Scene = new(scene with { BackgroundDistanceMm = scene.SubjectDistanceMm }), Rigs = Demo(4).Setup.Rigs.Take(1).ToArray() } })).Matches);

        var empty = await Ask(Asked(Demo(4)) with { Bag = [] });
        Assert.Empty(empty.Matches);
        Assert.Empty(empty.Missing);
    }
}

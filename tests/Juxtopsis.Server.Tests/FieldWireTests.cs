using System.Text.Json;
using System.Text.Json.Nodes;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Core.Fields;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Server.Tests;

/// <summary>Rig, scene and conventions as JSON: nothing is lost on the way, and what is wrong is named by its path.</summary>
public sealed class FieldWireTests
{
    private const string Rig = """{"sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8}""";

    [Fact]
    public void A_rig_of_which_everything_is_known_comes_back_whole()
    {
        var rig = RigFields.All.Fields.Aggregate(new Rig(36, 24, 35, 2.8), Changed) with
        {
            Optics = OpticsChain.Of([new Converter(0.71, 33.5, 4), new Converter(2), new Converter(1.4, 51)]),
        };
        rig = rig with { Lens = rig.Lens with { WidestAlong = [new(24, 2.8), new(70, 4)] } };
        var read = There(new RigInput(rig) { Name = "Größe 船", SubjectDistanceMm = 1234.5678901234567 });
        Assert.Equal(rig with { Lens = LensData.Unknown }, read.Rig with { Lens = LensData.Unknown });
        Assert.Equal(rig.Lens.WidestAlong, read.Rig.Lens.WidestAlong);
        Assert.Equal(rig.Lens with { WidestAlong = [] }, read.Rig.Lens with { WidestAlong = [] });
        Assert.Equal(("Größe 船", 1234.5678901234567, null), (read.Name, read.SubjectDistanceMm, read.Chain));
    }

    [Fact]
    public void A_scene_and_conventions_come_back_whole()
    {
        var scene = SceneFields.All.Fields.Aggregate(new Scene(2000), Changed);
        Assert.Equal(scene, JsonSerializer.Deserialize(JsonSerializer.Serialize(new SceneInput(scene), WireJson.Default.SceneInput), WireJson.Default.SceneInput)!.Scene);
        var conventions = ConventionFields.All.Fields.Aggregate(Conventions.Default, Changed);
        Assert.Equal(conventions, JsonSerializer.Deserialize(JsonSerializer.Serialize(conventions, WireJson.Default.Conventions), WireJson.Default.Conventions));
    }

    [Fact]
    public void What_is_left_out_has_the_defaults_and_the_order_of_members_does_not_matter()
    {
        var plain = Read(Rig);
        Assert.Equal(new Rig(36, 24, 35, 2.8), plain.Rig);
        Assert.Equal(new Scene(2000), JsonSerializer.Deserialize("""{"subjectDistanceMm":2000}""", WireJson.Default.SceneInput)!.Scene);
        var turned = Read("""{"opticsPlaces":[{"placeMm":33}],"fNumber":2.8,"optics":[0.71],"lens":{},"focalLengthMm":35,"sensorHeightMm":24,"sensorWidthMm":36}""");
        Assert.Equal(new Converter(0.71, 33), turned.Rig.Optics.First);
    }

    [Theory]
    [InlineData("""{"sensorWidthMm":36,"sensorHeightMm":24,"focalLengthMm":35}""", 400, "rigs[0]", "fNumber")]
    [InlineData("""{"sensorWidthMm":"36","sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8}""", 400, "rigs[0].sensorWidthMm", "not of the kind")]
    [InlineData("""{"sensorWidthMm":null,"sensorHeightMm":24,"focalLengthMm":35,"fNumber":2.8}""", 400, "rigs[0].sensorWidthMm", "not of the kind")]
    [InlineData("""RIG,"squeeze":null}""", 400, "rigs[0].squeeze", "not of the kind")]
    [InlineData("""RIG,"squeezePlace":"side"}""", 400, "rigs[0].squeezePlace", "not of the kind")]
    [InlineData("""RIG,"squeezePlace":0}""", 400, "rigs[0].squeezePlace", "not of the kind")]
    [InlineData("""RIG,"rackedFarther":"yes"}""", 400, "rigs[0].rackedFarther", "not of the kind")]
    [InlineData("""RIG,"lens":null}""", 400, "rigs[0].lens", "not of the kind")]
    [InlineData("""RIG,"lens":{"sharpness":9}}""", 400, "rigs[0].lens.sharpness", "not a field")]
    [InlineData("""RIG,"lens":{"blades":9,"blades":7}}""", 400, "rigs[0].lens.blades", "twice")]
    [InlineData("""RIG,"lens":{},"lens":{}}""", 400, "rigs[0].lens", "twice")]
    [InlineData("""RIG,"name":"a","name":"b"}""", 400, "rigs[0].name", "twice")]
    [InlineData("""RIG,"name":null}""", 400, "rigs[0].name", "not of the kind")]
    [InlineData("""RIG,"nearestFocusMm":300}""", 400, "rigs[0].nearestFocusMm", "not a field")]
    [InlineData("""RIG,"lens":{"widestAlong":[{"focalLengthMm":24}]}}""", 400, "rigs[0]", "lens.widestAlong[0].fNumber")]
    [InlineData("""RIG,"optics":0.71}""", 400, "rigs[0].optics", "not of the kind")]
    [InlineData("""RIG,"optics":[0.7,0.7,0.7,0.7,0.7]}""", 422, "rigs[0].optics", "up to 4")]
    [InlineData("""RIG,"optics":[1,0]}""", 422, "rigs[0].optics[1]", "outside")]
    [InlineData("""RIG,"optics":[0.71],"opticsPlaces":[{"placeMm":40},{"placeMm":40}]}""", 422, "rigs[0].opticsPlaces", "more rows")]
    [InlineData("""RIG,"optics":[0.71],"opticsPlaces":[{"placeMm":0}]}""", 422, "rigs[0].opticsPlaces[0].placeMm", "outside")]
    [InlineData("""RIG,"lens":{"widestAlong":[{"focalLengthMm":24,"fNumber":2.8},{"focalLengthMm":24,"fNumber":4}]}}""", 422, "rigs[0].lens.widestAlong[1].focalLengthMm", "do not rise")]
    [InlineData("""RIG,"subjectDistanceMm":0}""", 422, "rigs[0].subjectDistanceMm", "outside")]
    public void What_is_wrong_is_named_by_its_path(string rig, int status, string about, string words)
    {
        var answer = CoreDoor.Evaluate(System.Text.Encoding.UTF8.GetBytes($$"""{"scene":{"subjectDistanceMm":2000},"rigs":[{{rig.Replace("RIG", Rig[..^1], StringComparison.Ordinal)}}]}"""));
        var problem = JsonNode.Parse(answer.Body.Span)!;
        var error = problem["errors"]![0]!;
        Assert.Equal((status, about), (problem["status"]!.GetValue<int>(), error["about"]!.GetValue<string>()));
        Assert.Contains(words, error["message"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.NotEqual("", error["fix"]!.GetValue<string>());
    }

    private static RigInput There(RigInput rig) => Read(JsonSerializer.Serialize(rig, WireJson.Default.RigInput));

    private static RigInput Read(string json) => JsonSerializer.Deserialize(json, WireJson.Default.RigInput)!;

    private static T Changed<T>(T before, Field<T> field) => field switch
    {
        NumberField<T> number => number.Set(before, number.Quantity.Min + (number.Quantity.Max - number.Quantity.Min) / 3),
        ChoiceField<T> choice => choice.Set(before, choice.Choices.Count - 1),
        FlagField<T> flag => flag.Set(before, true),
        _ => before,
    };
}

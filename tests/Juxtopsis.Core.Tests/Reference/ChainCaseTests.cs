using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Juxtopsis.Contracts;

namespace Juxtopsis.Core.Tests.Reference;

/// <summary>
/// Chains of two and more elements against <c>chain_cases.py</c>, which images from one element to the next and shares neither code nor closed forms with
/// ours: tubes before and behind, close-up lenses in their place, pupils, two pieces of glass, beyond life size.
/// </summary>
public sealed class ChainCaseTests
{
    private const double Tolerance = 1e-8;

    private static readonly JsonElement[] Cases =
        [.. JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", "chain-cases.json"))).RootElement.EnumerateArray()];

    public static TheoryData<string> Kinds => [.. Cases.Select(c => c.GetProperty("name").GetString()!).Distinct()];

    [Fact]
    public void There_are_more_than_two_hundred() => Assert.InRange(Cases.Length, 200, 1000);

    [Theory]
    [MemberData(nameof(Kinds))]
    public void A_chain_gives_what_tracing_it_gives(string kind)
    {
        foreach (var traced in Cases.Where(c => c.GetProperty("name").GetString() == kind))
        {
            var answer = CoreDoor.Evaluate(Encoding.UTF8.GetBytes(RequestOf(traced.GetProperty("input"))));
            Assert.Equal(200, answer.Status);
            var figures = JsonDocument.Parse(answer.Body).RootElement.GetProperty("reports")[0].GetProperty("figures");
            foreach (var expected in traced.GetProperty("expected").EnumerateObject().Where(e => e.Value.ValueKind == JsonValueKind.Number))
            {
                Assert.True(figures.TryGetProperty(expected.Name, out var actual), $"{expected.Name} is missing: {traced}");
                var wanted = expected.Value.GetDouble();
                Assert.True(
                    Math.Abs(actual.GetDouble() - wanted) <= Tolerance * Math.Max(Math.Abs(wanted), 1e-2), $"{expected.Name}: traced {wanted:R}, got {actual.GetRawText()}: {traced}");
            }
        }
    }

    private static string RequestOf(JsonElement input)
    {
        string[] ofScene = ["subjectDistanceMm", "backgroundDistanceMm"];
        string[] ofLens = ["minimumFocusDistanceMm", "maximumMagnification", "pupilMagnification"];
        var (scene, rig, lens) = (new JsonObject(), new JsonObject { ["sensorWidthMm"] = 36, ["sensorHeightMm"] = 24 }, new JsonObject());
        foreach (var given in input.EnumerateObject().Where(p => p.Value.ValueKind != JsonValueKind.Null))
        {
            (ofScene.Contains(given.Name) ? scene : ofLens.Contains(given.Name) ? lens : rig)[given.Name] = JsonNode.Parse(given.Value.GetRawText());
        }

        rig["lens"] = lens;
        return new JsonObject { ["scene"] = scene, ["rigs"] = new JsonArray(rig) }.ToJsonString();
    }
}

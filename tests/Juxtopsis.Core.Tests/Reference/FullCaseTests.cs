using System.Text;
using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Core.Figures;

namespace Juxtopsis.Core.Tests.Reference;

/// <summary>
/// Every figure against a value from <c>full_cases.py</c>, a program of its own that traces images behind the lens, finds focus and
/// limits by bisection, and shares no code with ours.
/// </summary>
public sealed class FullCaseTests
{
    private static readonly JsonElement[] Cases =
        [.. JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", "full-cases.json"))).RootElement.EnumerateArray()];

    public static TheoryData<string> Names => [.. Cases.Select(c => c.GetProperty("name").GetString()!)];

    [Theory]
    [MemberData(nameof(Names))]
    public void The_figures_agree_with_the_other_program(string name)
    {
        var full = Cases.First(c => c.GetProperty("name").GetString() == name);
        var answer = CoreDoor.Evaluate(Encoding.UTF8.GetBytes(full.GetProperty("input").GetRawText()));
        Assert.Equal(200, answer.Status);
        var figures = JsonDocument.Parse(answer.Body).RootElement.GetProperty("reports")[0].GetProperty("figures");
        foreach (var expected in full.GetProperty("expected").EnumerateObject())
        {
            Assert.True(figures.TryGetProperty(expected.Name, out var actual), $"{expected.Name} is missing.");
            if (expected.Value.ValueKind == JsonValueKind.Null)
            {
                Assert.True(actual.ValueKind == JsonValueKind.Null, $"{expected.Name} should be infinite, not {actual}.");
                continue;
            }

            // Strips and bisection far away leave a few digits fewer.
            var wanted = expected.Value.GetDouble();
            var tolerance = expected.Name is "darkShare" ? 1e-6 : 1e-8;
            Assert.True(
                Math.Abs(actual.GetDouble() - wanted) <= tolerance * Math.Max(Math.Abs(wanted), 1e-3),
                $"{expected.Name}: expected {wanted:R}, got {actual.GetRawText()}.");
        }

        Assert.Empty(figures.EnumerateObject().Select(p => p.Name).Except(full.GetProperty("expected").EnumerateObject().Select(p => p.Name)));
    }

    [Fact]
    public void No_figure_of_optics_is_left_out() => Assert.Empty(
        Enum.GetNames<FigureId>().Except(LoadFigures.All.Select(f => $"{f.Id}")).Select(JsonNamingPolicy.CamelCase.ConvertName)
            .Except(Cases.SelectMany(c => c.GetProperty("expected").EnumerateObject().Select(p => p.Name))));
}

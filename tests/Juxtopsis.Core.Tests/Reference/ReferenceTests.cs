using System.Text;
using System.Text.Json;
using Juxtopsis.Contracts;

namespace Juxtopsis.Core.Tests.Reference;

/// <summary>All worked cases, through the very door that both hosts use.</summary>
public sealed class ReferenceTests
{
    private const double Tolerance = 1e-9;
    private const double CountsAsInfiniteMm = 1e9;

    public static TheoryData<int> Indexes => [.. Enumerable.Range(0, ReferenceCase.Count)];

    [Fact]
    public void There_are_sixty_cases_and_some_cannot_focus()
    {
        Assert.Equal(60, ReferenceCase.Count);
        Assert.Contains(Enumerable.Range(0, 60), i => ReferenceCase.At(i).Expected.TryGetProperty("error", out _));
    }

    [Theory]
    [MemberData(nameof(Indexes))]
    public void The_report_agrees_with_the_reference(int index)
    {
        var reference = ReferenceCase.At(index);
        var answer = CoreDoor.Evaluate(Encoding.UTF8.GetBytes(reference.ToRequest()));
        Assert.Equal(200, answer.Status);
        var report = JsonDocument.Parse(answer.Body).RootElement.GetProperty("reports")[0];
        var leaves = report.GetProperty("figures").EnumerateObject().ToDictionary(p => p.Name, p => p.Value);
        if (report.GetProperty("reasons").EnumerateArray().FirstOrDefault(r => r.GetProperty("severity").GetString() == "stops") is { ValueKind: JsonValueKind.Object } stop)
        {
            leaves["error"] = stop.GetProperty("code");
        }

        foreach (var expected in reference.Expected.EnumerateObject())
        {
            Assert.True(leaves.TryGetValue(expected.Name, out var actual), $"{expected.Name} is missing.");
            AssertAgrees(expected.Name, expected.Value, actual);
        }

        Assert.Equal(reference.Expected.TryGetProperty("error", out _), !leaves.ContainsKey("magnification"));
    }

    private static void AssertAgrees(string name, JsonElement expected, JsonElement actual)
    {
        if (expected.ValueKind == JsonValueKind.String)
        {
            Assert.Equal(expected.GetString(), actual.GetString());
            return;
        }

        if (expected.ValueKind == JsonValueKind.Null)
        {
            Assert.True(actual.ValueKind == JsonValueKind.Null || actual.GetDouble() > CountsAsInfiniteMm, $"{name} should be infinite.");
            return;
        }

        var wanted = expected.GetDouble();
        Assert.True(
            Math.Abs(actual.GetDouble() - wanted) <= Tolerance * Math.Abs(wanted),
            $"{name}: expected {wanted:R}, got {actual.GetRawText()}");
    }
}

using System.Text.Json;

namespace Juxtopsis.Core.Tests.Reference;

/// <summary>One worked case from the independent reference program.</summary>
public sealed record ReferenceCase(JsonElement Input, JsonElement Expected)
{
    private static readonly JsonElement[] Cases = Load();

    public static int Count => Cases.Length;

    public static ReferenceCase At(int index) =>
        new(Cases[index].GetProperty("input"), Cases[index].GetProperty("expected"));

    /// <summary>The case as the contract's request: the same leaf names, sorted into scene and rig.</summary>
    public string ToRequest()
    {
        HashSet<string> ofScene = ["subjectDistanceMm", "backgroundDistanceMm", "deliveryAspect"];
        var leaves = Input.EnumerateObject().ToLookup(
            p => ofScene.Contains(p.Name),
            p => p.Name == "opticsMagnification" ? $"\"optics\":[{p.Value.GetRawText()}]" : $"\"{p.Name}\":{p.Value.GetRawText()}");
        return $$"""{"scene":{{{string.Join(',', leaves[true])}}},"rigs":[{{{string.Join(',', leaves[false])}}}]}""";
    }

    private static JsonElement[] Load()
    {
        var path = Path.Combine(AppContext.BaseDirectory, "Reference", "thin-lens-cases.json");
        return [.. JsonDocument.Parse(File.ReadAllText(path)).RootElement.EnumerateArray()];
    }
}

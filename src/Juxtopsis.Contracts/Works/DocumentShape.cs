using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization.Metadata;

namespace Juxtopsis.Contracts.Works;

/// <summary>
/// Documents of one kind as they are kept, by a server or by a browser, in whatever version they were written: brought up step by
/// step, then read. A document that cannot be read is no error of the program; it is set aside with the reason.
/// </summary>
/// <typeparam name="TDocument">What such a document holds now.</typeparam>
/// <param name="type">How it is read and written.</param>
/// <param name="steps">What brings a document from version 1 to 2, from 2 to 3 and so on, in order.</param>
public sealed class DocumentShape<TDocument>(JsonTypeInfo<TDocument> type, params IReadOnlyList<Action<JsonObject>> steps)
    where TDocument : class
{
    private const string VersionMember = "schemaVersion";

    /// <summary>The version that is written now.</summary>
    public int CurrentVersion => steps.Count + 1;

    /// <summary>A document as it is kept.</summary>
    /// <param name="document">The document.</param>
    /// <returns>JSON of the version of now.</returns>
    public string Write(TDocument document) => JsonSerializer.Serialize(document, type);

    /// <summary>Reads a kept document.</summary>
    /// <param name="json">JSON of any version.</param>
    /// <param name="why">Why it cannot be read; empty when it was.</param>
    /// <returns>The document; null when it cannot be read.</returns>
    public TDocument? Read(string json, out string why)
    {
        try
        {
            if (JsonNode.Parse(json) is not JsonObject kept || kept[VersionMember] is not JsonValue version || !version.TryGetValue<int>(out var from))
            {
                why = "It does not say of which version it is.";
                return null;
            }

            if (from < 1 || from > CurrentVersion)
            {
                why = $"It is of version {from}; this program reads 1 to {CurrentVersion}.";
                return null;
            }

            foreach (var step in steps.Skip(from - 1))
            {
                step(kept);
            }

            kept[VersionMember] = CurrentVersion;
            var document = JsonSerializer.Deserialize(kept, type);
            why = document is null ? "It is empty." : "";
            return document;
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException or FormatException or ArgumentException)
        {
            why = e is JsonException { Path: { Length: > 2 } path } ? $"What stands at {path} is not understood." : "It is not of the shape that its version says.";
            return null;
        }
    }
}

/// <summary>What the steps from version to version are made of.</summary>
internal static class DocumentSteps
{
    /// <summary>Something was added that older programs would drop: what is there stays as it is.</summary>
    public static void Unchanged(JsonObject document)
    {
    }

    /// <summary>Gives a member another name; nothing happens where it is not there.</summary>
    public static void Rename(JsonObject of, string before, string now)
    {
        if (of.Remove(before, out var value))
        {
            of[now] = value;
        }
    }

    /// <summary>The objects of a list; none where there is no list.</summary>
    public static IEnumerable<JsonObject> Objects(JsonNode? list) => list is JsonArray array ? array.OfType<JsonObject>() : [];
}

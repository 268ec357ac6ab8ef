using System.Text.Json;

namespace Juxtopsis.Contracts.Gear;

/// <summary>Texts of a JSON document that may hold what is no Unicode: half a surrogate pair, or bytes that are not UTF-8.</summary>
public static class JsonTexts
{
    private const string NotUnicode = "text that is not Unicode";

    /// <summary>A text.</summary>
    /// <param name="json">A value.</param>
    /// <returns>The text; null for another kind of value, and for what is no Unicode.</returns>
    public static string? Of(JsonElement json) => json.ValueKind == JsonValueKind.String ? Try(() => json.GetString()!) : null;

    /// <summary>A member's name.</summary>
    /// <param name="member">A member of an object.</param>
    /// <returns>The name, or words that stand in for one that is no Unicode.</returns>
    public static string NameOf(JsonProperty member) => Try(() => member.Name) ?? NotUnicode;

    /// <summary>A value as it is shown in messages, not shortened.</summary>
    /// <param name="json">A value.</param>
    /// <returns>A text's own words, or the JSON.</returns>
    public static string Shown(JsonElement json) => Try(() => json.ValueKind == JsonValueKind.String ? json.GetString()! : json.GetRawText()) ?? NotUnicode;

    /// <summary>Reads a document of which every member's name is given once, 16 levels deep at most.</summary>
    /// <param name="json">UTF-8 text.</param>
    /// <returns>The document.</returns>
    /// <exception cref="JsonException">It is no such document, or a name is no Unicode.</exception>
    public static JsonDocument Parse(ReadOnlyMemory<byte> json)
    {
        try
        {
            return JsonDocument.Parse(json, new JsonDocumentOptions { MaxDepth = 16, AllowDuplicateProperties = false });
        }
        catch (InvalidOperationException e)
        {
            throw new JsonException("A member's name is no Unicode.", e);
        }
    }

    private static string? Try(Func<string> read)
    {
        try
        {
            return read();
        }
        catch (InvalidOperationException)
        {
            // The one way in which System.Text.Json says that a text is no Unicode.
            return null;
        }
    }
}

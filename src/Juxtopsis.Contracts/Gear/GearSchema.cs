using System.Text.Json;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Gear;

/// <summary>The published JSON Schema (draft 2020-12) of a shelf, made from the fields themselves.</summary>
public static class GearSchema
{
    /// <summary>What a shelf's file calls itself.</summary>
    public const string Format = "juxtopsis-shelf";

    /// <summary>Version of the shape of a shelf's file.</summary>
    public const int Version = 1;

    /// <summary>The schema.</summary>
    /// <returns>UTF-8 JSON.</returns>
    public static byte[] ToUtf8()
    {
        using var stream = new MemoryStream();
        using (var writer = new Utf8JsonWriter(stream, new JsonWriterOptions { Indented = true }))
        {
            Write(writer);
        }

        return stream.ToArray();
    }

    private static void Write(Utf8JsonWriter writer)
    {
        writer.WriteStartObject();
        writer.WriteString("$schema", "https://json-schema.org/draft/2020-12/schema");
        writer.WriteString("title", "A shelf of camera gear");
        writer.WriteString("description", "Lengths are millimetres, weights grams, light in stops. What is not known is left out.");
        writer.WriteString("type", "object");
        Names(writer, "required", "format", "version", "items");
        writer.WriteBoolean("additionalProperties", false);
        writer.WriteStartObject("properties");
        writer.WriteStartObject("format");
        writer.WriteString("const", Format);
        writer.WriteEndObject();
        writer.WriteStartObject("version");
        writer.WriteNumber("const", Version);
        writer.WriteEndObject();
        writer.WriteStartObject("retired");
        writer.WriteString("description", "Ids of those items that are kept for what used them, and offered no more.");
        Items(writer, () => writer.WriteString("type", "string"), least: 0);
        writer.WriteEndObject();
        writer.WriteStartObject("$schema");
        writer.WriteString("type", "string");
        writer.WriteEndObject();
        writer.WriteStartObject("items");
        writer.WriteString("type", "array");
        writer.WriteStartObject("items");
        writer.WriteStartArray("oneOf");
        foreach (var kind in GearKinds.OnShelf)
        {
            Reference(writer, kind.Key);
        }

        writer.WriteEndArray();
        writer.WriteEndObject();
        writer.WriteEndObject();
        writer.WriteEndObject();
        writer.WriteStartObject("$defs");
        foreach (var kind in GearKinds.OnShelf.Append(GearKinds.Modes))
        {
            Kind(writer, kind);
        }

        writer.WriteEndObject();
        writer.WriteEndObject();
    }

    private static void Kind(Utf8JsonWriter writer, KindDefinition kind)
    {
        var onShelf = kind.Kind != GearKind.Mode;
        writer.WriteStartObject(kind.Key);
        writer.WriteString("title", kind.Name);
        writer.WriteString("type", "object");
        Names(writer, "required", [.. onShelf ? ["kind"] : Array.Empty<string>(), .. kind.Fields.Where(f => f.Required).Select(f => f.Key)]);
        writer.WriteBoolean("additionalProperties", false);
        writer.WriteStartObject("properties");
        if (onShelf)
        {
            writer.WriteStartObject("kind");
            writer.WriteString("const", kind.Key);
            writer.WriteEndObject();
            writer.WriteStartObject("id");
            writer.WriteString("type", "string");
            writer.WriteString("format", "uuid");
            writer.WriteString("description", "Left out for something new.");
            writer.WriteEndObject();
        }

        foreach (var field in kind.Fields)
        {
            writer.WriteStartObject(field.Key);
            writer.WriteString("title", field.Header);
            writer.WriteString("description", field.Help);
            Type(writer, field);
            writer.WriteEndObject();
        }

        writer.WriteEndObject();
        writer.WriteEndObject();
    }

    private static void Type(Utf8JsonWriter writer, GearField field)
    {
        switch (field)
        {
            case NumberField number:
                Number(writer, number.Quantity);
                break;
            case NumbersField numbers:
                Items(writer, () => Number(writer, numbers.Quantity));
                break;
            case PointsField points:
                Items(writer, () => Pair(writer, points));
                break;
            case FlagField:
                writer.WriteString("type", "boolean");
                break;
            case ChoiceField choice:
                Names(writer, "enum", [.. choice.Choices.Select(c => c.Key)]);
                break;
            case TextField text:
                writer.WriteString("type", "string");
                writer.WriteNumber("minLength", 1);
                writer.WriteNumber("maxLength", text.MaxLength);
                break;
            case MountsField:
                Items(writer, () => writer.WriteString("type", "string"));
                break;
            default:
                Items(writer, () => writer.WriteString("$ref", $"#/$defs/{GearKinds.Modes.Key}"));
                break;
        }
    }

    private static void Pair(Utf8JsonWriter writer, PointsField points)
    {
        writer.WriteString("type", "array");
        writer.WriteStartArray("prefixItems");
        foreach (var quantity in (ReadOnlySpan<Quantity>)[points.Place, points.Quantity])
        {
            writer.WriteStartObject();
            Number(writer, quantity);
            writer.WriteEndObject();
        }

        writer.WriteEndArray();
        writer.WriteNumber("minItems", 2);
        writer.WriteNumber("maxItems", 2);
    }

    private static void Number(Utf8JsonWriter writer, Quantity quantity)
    {
        writer.WriteString("type", "number");
        writer.WriteNumber("minimum", quantity.Min);
        writer.WriteNumber("maximum", quantity.Max);
    }

    private static void Items(Utf8JsonWriter writer, Action item, int least = 1)
    {
        writer.WriteString("type", "array");
        writer.WriteNumber("minItems", least);
        writer.WriteStartObject("items");
        item();
        writer.WriteEndObject();
    }

    private static void Reference(Utf8JsonWriter writer, string key)
    {
        writer.WriteStartObject();
        writer.WriteString("$ref", $"#/$defs/{key}");
        writer.WriteEndObject();
    }

    private static void Names(Utf8JsonWriter writer, string name, params ReadOnlySpan<string> values)
    {
        writer.WriteStartArray(name);
        foreach (var value in values)
        {
            writer.WriteStringValue(value);
        }

        writer.WriteEndArray();
    }
}

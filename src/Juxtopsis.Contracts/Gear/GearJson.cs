using System.Text.Json;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Contracts.Gear;

/// <summary>
/// Gear as JSON: an object with its kind, its id and a member for each thing that is known of it. Strict: an unknown member is
/// refused, so that a slip of spelling is not lost.
/// </summary>
public static class GearJson
{
    /// <summary>The version of the shape that items are written in: 2 since members have the field's standard names.</summary>
    public const int CurrentVersion = 2;

    private const string Id = "id";
    private const string Kind = "kind";

    /// <summary>Writes an item.</summary>
    /// <param name="writer">Where to.</param>
    /// <param name="item">The item.</param>
    public static void Write(Utf8JsonWriter writer, GearItem item)
    {
        ArgumentNullException.ThrowIfNull(writer);
        ArgumentNullException.ThrowIfNull(item);
        writer.WriteStartObject();
        if (item.Kind != GearKind.Mode)
        {
            writer.WriteString(Kind, GearKinds.Of(item.Kind).Key);
            writer.WriteString(Id, item.Id);
        }

        foreach (var field in item.Known)
        {
            writer.WritePropertyName(field.Key);
            WriteValue(writer, field, item.Value(field)!);
        }

        writer.WriteEndObject();
    }

    /// <summary>An item as an element, to be put into larger answers.</summary>
    /// <param name="item">The item.</param>
    /// <returns>A JSON object.</returns>
    public static JsonElement ToElement(GearItem item) => JsonElement.Parse(ToUtf8(item));

    /// <summary>An item as UTF-8 text.</summary>
    /// <param name="item">The item.</param>
    /// <returns>A JSON object.</returns>
    public static byte[] ToUtf8(GearItem item)
    {
        using var stream = new MemoryStream();
        using (var writer = new Utf8JsonWriter(stream))
        {
            Write(writer, item);
        }

        return stream.ToArray();
    }

    /// <summary>A value of a field as an element.</summary>
    /// <param name="field">The field.</param>
    /// <param name="value">A value of it.</param>
    /// <returns>A JSON value.</returns>
    public static JsonElement ToElement(GearField field, object value)
    {
        using var stream = new MemoryStream();
        using (var writer = new Utf8JsonWriter(stream))
        {
            WriteValue(writer, field, value);
        }

        return JsonElement.Parse(stream.ToArray());
    }

    /// <summary>Some values as the members of an element.</summary>
    /// <param name="known">The values by field.</param>
    /// <returns>A JSON object.</returns>
    public static JsonElement ToElement(IReadOnlyDictionary<GearField, object> known)
    {
        ArgumentNullException.ThrowIfNull(known);
        using var stream = new MemoryStream();
        using (var writer = new Utf8JsonWriter(stream))
        {
            writer.WriteStartObject();
            foreach (var (field, value) in known)
            {
                writer.WritePropertyName(field.Key);
                WriteValue(writer, field, value);
            }

            writer.WriteEndObject();
        }

        return JsonElement.Parse(stream.ToArray());
    }

    /// <summary>Reads and checks an item.</summary>
    /// <param name="json">A JSON object.</param>
    /// <param name="prefix">Path before the members' names, for messages; ends with a point, or is empty.</param>
    /// <param name="errors">Takes what is wrong, field by field.</param>
    /// <returns>The item; null together with at least one error. Its id is empty when none was given.</returns>
    public static GearItem? Read(JsonElement json, string prefix, ICollection<DiagnosticOutput> errors)
    {
        ArgumentNullException.ThrowIfNull(errors);
        if (json.ValueKind != JsonValueKind.Object)
        {
            errors.Add(new(prefix.TrimEnd('.'), Shown(json), "an object", "This is not an object.", "Give an object with its kind and name."));
            return null;
        }

        var key = json.TryGetProperty(Kind, out var said) ? JsonTexts.Of(said) ?? "" : "";
        if (GearKinds.ByKey(key) is not { } kind)
        {
            var known = string.Join(", ", GearKinds.OnShelf.Select(k => k.Key));
            errors.Add(new(prefix + Kind, key, known, key.Length == 0 ? "The kind is missing." : $"“{Short(key)}” is no kind of gear.", $"Give one of {known}."));
            return null;
        }

        return ReadAs(kind, json, prefix, errors) is { } item && Passes(item, prefix, errors) ? item : null;
    }

    /// <summary>Adds what an item does not satisfy.</summary>
    private static bool Passes(GearItem item, string prefix, ICollection<DiagnosticOutput> errors)
    {
        var faults = GearChecks.Check(item);
        foreach (var fault in faults)
        {
            var field = GearChecks.FieldOf(item, fault);
            errors.Add(new(prefix + field.Key, item.Value(field) is { } value ? Short(field.Write(value)) : "", field.Header, fault.Message, fault.Fix, fault.Code));
        }

        return faults.Count == 0;
    }

    private static GearItem? ReadAs(KindDefinition kind, JsonElement json, string prefix, ICollection<DiagnosticOutput> errors)
    {
        var before = errors.Count;
        var id = Guid.Empty;
        var known = new Dictionary<GearField, object>();
        foreach (var member in json.EnumerateObject())
        {
            if (kind.Kind != GearKind.Mode && member.NameEquals(Kind))
            {
                continue;
            }

            if (kind.Kind != GearKind.Mode && member.NameEquals(Id))
            {
                if (!Guid.TryParseExact(JsonTexts.Of(member.Value), "D", out id))
                {
                    errors.Add(new(prefix + Id, Shown(member.Value), "a UUID", "The id is not a UUID.", "Leave it out for something new."));
                }

                continue;
            }

            var name = JsonTexts.NameOf(member);
            if (kind.Field(name) is not { } field)
            {
                errors.Add(new(prefix + Short(name), Shown(member.Value), "known fields only", $"“{Short(name)}” is nothing that is known of a {kind.Name.ToLowerInvariant()}.", "Leave it out, or mend its spelling."));
            }
            else if (member.Value.ValueKind != JsonValueKind.Null)
            {
                var value = ReadValue(field, member.Value, prefix, errors);
                var problem = value is null ? null : field.Check(value);
                if (problem is not null)
                {
                    errors.Add(new(prefix + field.Key, Shown(member.Value), field.Header, problem, "Mend it, or leave it out when it is not known."));
                }
                else if (value is not null && !known.TryAdd(field, value))
                {
                    errors.Add(new(prefix + field.Key, "", "each field once", $"{field.Label} is given twice.", "Give it once."));
                }
            }
        }

        var item = GearItem.Of(kind.Kind, id, known);
        return errors.Count > before ? null : json.TryGetProperty(FormerPrice.Key, out _) ? FormerPrice.Apart(item) : item;
    }

    private static object? ReadValue(GearField field, JsonElement json, string prefix, ICollection<DiagnosticOutput> errors)
    {
        var (value, asked) = field switch
        {
            NumberField => (AsNumber(json), "a number"),
            TextField => (AsText(json), "a text"),
            FlagField => (json.ValueKind is JsonValueKind.True or JsonValueKind.False ? json.GetBoolean() : (object?)null, "true or false"),
            ChoiceField choice => (AsText(json) is string text && choice.Choices.Any(c => c.Key == text) ? choice.Read(text).Value : null, string.Join(", ", choice.Choices.Select(c => c.Key))),
            NumbersField => (AsList(json, AsNumber)?.Cast<double>().ToArray(), "a list of numbers"),
            MountsField => (AsList(json, AsText)?.Cast<string>().ToArray(), "a list of texts"),
            PointsField => (AsList(json, AsPoint)?.Cast<GearPoint>().ToArray(), "a list of pairs such as [[24, 2.8], [70, 4]]"),
            ModesField => (AsModes(json, $"{prefix}{field.Key}", errors), "a list of recording modes"),
            _ => throw new ArgumentOutOfRangeException(nameof(field), field.GetType(), "No such class of field."),
        };
        if (value is null && !(field is ModesField && json.ValueKind == JsonValueKind.Array))
        {
            errors.Add(new(prefix + field.Key, Shown(json), asked, $"{field.Label} is not {asked}.", $"Give {asked}, or leave it out when it is not known."));
        }

        return value;
    }

    private static object? AsModes(JsonElement json, string path, ICollection<DiagnosticOutput> errors)
    {
        if (json.ValueKind != JsonValueKind.Array)
        {
            return null;
        }

        var modes = new List<GearItem>();
        foreach (var element in json.EnumerateArray())
        {
            var prefix = $"{path}[{modes.Count}].";
            var mode = element.ValueKind == JsonValueKind.Object ? ReadAs(GearKinds.Modes, element, prefix, errors) : null;
            if (mode is null)
            {
                if (element.ValueKind != JsonValueKind.Object)
                {
                    errors.Add(new(prefix.TrimEnd('.'), Shown(element), "an object", "A recording mode is not an object.", "Give an object with its name and area."));
                }

                return null;
            }

            modes.Add(mode);
        }

        return modes;
    }

    private static object? AsNumber(JsonElement json) => json.ValueKind == JsonValueKind.Number && json.TryGetDouble(out var number) && double.IsFinite(number) ? number : null;

    private static object? AsText(JsonElement json) => JsonTexts.Of(json);

    private static object? AsPoint(JsonElement json) =>
        json.ValueKind == JsonValueKind.Array && json.GetArrayLength() == 2 && AsNumber(json[0]) is double at && AsNumber(json[1]) is double value
            ? new GearPoint(at, value)
            : null;

    private static List<object>? AsList(JsonElement json, Func<JsonElement, object?> read)
    {
        if (json.ValueKind != JsonValueKind.Array)
        {
            return null;
        }

        var list = new List<object>();
        foreach (var element in json.EnumerateArray())
        {
            if (read(element) is not { } value)
            {
                return null;
            }

            list.Add(value);
        }

        return list;
    }

    private static void WriteValue(Utf8JsonWriter writer, GearField field, object value)
    {
        switch (field)
        {
            case NumberField:
                writer.WriteNumberValue((double)value);
                break;
            case FlagField:
                writer.WriteBooleanValue((bool)value);
                break;
            case ChoiceField choice:
                writer.WriteStringValue(choice.KeyOf(value));
                break;
            case TextField:
                writer.WriteStringValue((string)value);
                break;
            default:
                WriteList(writer, value);
                break;
        }
    }

    private static void WriteList(Utf8JsonWriter writer, object value)
    {
        writer.WriteStartArray();
        foreach (var one in (System.Collections.IEnumerable)value)
        {
            switch (one)
            {
                case double number:
                    writer.WriteNumberValue(number);
                    break;
                case string text:
                    writer.WriteStringValue(text);
                    break;
                case GearPoint point:
                    writer.WriteStartArray();
                    writer.WriteNumberValue(point.At);
                    writer.WriteNumberValue(point.Value);
                    writer.WriteEndArray();
                    break;
                case GearItem mode:
                    Write(writer, mode);
                    break;
            }
        }

        writer.WriteEndArray();
    }

    private static string Shown(JsonElement json) => Short(JsonTexts.Shown(json));

    private static string Short(string text) => text.Length <= 40 ? text : string.Concat(text.AsSpan(0, 40), "…");
}

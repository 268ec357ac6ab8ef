using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Fields;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Problems;

namespace Juxtopsis.Contracts;

/// <summary>Reads JSON into a wire type, and says in words of its own why it could not.</summary>
public static class WireReader
{
    private const int MostDeep = 1000;

    /// <summary>Reads a body.</summary>
    /// <typeparam name="T">The wire type.</typeparam>
    /// <param name="json">UTF-8 text.</param>
    /// <param name="type">Metadata from <see cref="WireJson"/>.</param>
    /// <param name="problem">Why it could not be read; null when it was.</param>
    /// <returns>The value; null together with a problem.</returns>
    public static T? Read<T>(ReadOnlySpan<byte> json, JsonTypeInfo<T> type, out Problem? problem)
        where T : class
    {
        try
        {
            problem = null;
            var value = JsonSerializer.Deserialize(json, type);
            if (value is null)
            {
                problem = Problem.OfBody(new DiagnosticOutput("", "null", "a JSON object", "The body is null.", "Send a JSON object."));
            }

            return value;
        }
        catch (JsonException)
        {
            problem = Problem.OfBody(Explain(json, type));
            return null;
        }
    }

    /// <summary>Reads a body and checks what it says.</summary>
    /// <typeparam name="T">The wire type.</typeparam>
    /// <param name="json">UTF-8 text.</param>
    /// <param name="type">Metadata from <see cref="WireJson"/>.</param>
    /// <param name="check">What it must satisfy.</param>
    /// <param name="request">The value; of use only where it is not refused.</param>
    /// <returns>A refusal; null when it can be answered.</returns>
    internal static WireAnswer? Read<T>(ReadOnlySpan<byte> json, JsonTypeInfo<T> type, Action<FieldChecks, T> check, out T? request)
        where T : class
    {
        request = Read(json, type, out var unread);
        if (request is null)
        {
            return WireAnswer.Refuse(unread!);
        }

        var checks = new FieldChecks();
        check(checks, request);
        return checks.Errors.Count > 0 ? WireAnswer.Refuse(Problem.OfFields(checks.Errors)) : null;
    }

    /// <summary>Looks for the first fault: first of the text, then, along the shape that is asked for, of what it says.</summary>
    private static DiagnosticOutput Explain(ReadOnlySpan<byte> json, JsonTypeInfo type)
    {
        JsonDocument document;
        try
        {
            document = JsonDocument.Parse(json.ToArray(), new JsonDocumentOptions { MaxDepth = MostDeep });
        }
        catch (JsonException e)
        {
            return new(
                "", "", "JSON (RFC 8259)", $"The body is not JSON from line {e.LineNumber + 1 ?? 1}, byte {e.BytePositionInLine + 1 ?? 1}.", "Mend it there. JSON has no NaN, no infinity and no comments.");
        }

        using (document)
        {
            return FaultOf(document.RootElement, type, "", depth: 1) ?? OtherKind("");
        }
    }

    private static DiagnosticOutput? FaultOf(JsonElement element, JsonTypeInfo type, string path, int depth)
    {
        if (depth > type.Options.MaxDepth)
        {
            return new(path, "", $"{type.Options.MaxDepth} deep", $"{At(path)}, objects and lists stand more than {type.Options.MaxDepth} deep in each other.", "Nothing that is known here is that deep.");
        }

        return type.Kind switch
        {
            JsonTypeInfoKind.Object => element.ValueKind == JsonValueKind.Object ? FaultOfObject(element, type, path, depth) : OtherKind(path),
            JsonTypeInfoKind.Enumerable when type.ElementType is { } of => element.ValueKind == JsonValueKind.Array
                ? element.EnumerateArray().Select((one, i) => FaultOf(one, type.Options.GetTypeInfo(of), $"{path}[{i}]", depth + 1)).FirstOrDefault(fault => fault is not null)
                : OtherKind(path),
            _ => FaultOfValue(element, type, path, depth),
        };
    }

    private static DiagnosticOutput? FaultOfObject(JsonElement element, JsonTypeInfo type, string path, int depth)
    {
        var members = type.Properties.ToDictionary(p => p.Name, StringComparer.Ordinal);
        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var member in element.EnumerateObject())
        {
            var name = JsonTexts.NameOf(member);
            if (!members.TryGetValue(name, out var property))
            {
                return Unknown(Under(path, name), name);
            }

            if (!seen.Add(name))
            {
                return Twice(Under(path, name));
            }

            var fault = member.Value.ValueKind != JsonValueKind.Null ? FaultOf(member.Value, type.Options.GetTypeInfo(property.PropertyType), Under(path, name), depth + 1)
                : MayBeNull(property) ? null
                : OtherKind(Under(path, name));
            if (fault is not null)
            {
                return fault;
            }
        }

        var missing = string.Join(", ", type.Properties.Where(p => p.IsRequired && !seen.Contains(p.Name)).Select(p => p.Name));
        return missing.Length > 0 ? Missing(path, missing) : null;
    }

    /// <summary>What a converter of its own hands on to another type.</summary>
    private static readonly Dictionary<Type, (string Member, JsonTypeInfo Type)> Within = new()
    {
        [typeof(SceneInput)] = ("photo", WireJson.Default.PhotoInput),
        [typeof(RigInput)] = ("chain", WireJson.Default.ChainInput),
    };

    private static bool MayBeNull(JsonPropertyInfo property) =>
        property.PropertyType.IsValueType ? Nullable.GetUnderlyingType(property.PropertyType) is not null : property.IsSetNullable;

    /// <summary>What is read by a converter of its own, or by a plain one.</summary>
    private static DiagnosticOutput? FaultOfValue(JsonElement element, JsonTypeInfo type, string path, int depth)
    {
        if (Within.TryGetValue(type.Type, out var within)
            && element.ValueKind == JsonValueKind.Object
            && element.EnumerateObject().FirstOrDefault(m => JsonTexts.NameOf(m) == within.Member) is { Value.ValueKind: not (JsonValueKind.Null or JsonValueKind.Undefined) } member
            && FaultOf(member.Value, within.Type, Under(path, within.Member), depth + 1) is { } fault)
        {
            return fault;
        }

        try
        {
            element.Deserialize(type);
            return null;
        }
        catch (MemberException e)
        {
            return Explain(e, path + Inner(e));
        }
        catch (JsonException e)
        {
            return OtherKind(path + Inner(e));
        }
    }

    /// <summary>The path from the value that was read to what is at fault in it.</summary>
    private static string Inner(JsonException e) => e.Path is { Length: > 1 } path && path[0] == '$' ? path[1..] : "";

    private static DiagnosticOutput Explain(MemberException e, string within)
    {
        var path = within.TrimStart('.');
        var field = Under(path, e.Members[0]);
        return e.Fault switch
        {
            MemberFault.Missing => Missing(path, string.Join(", ", e.Members)),
            MemberFault.Unknown => Unknown(field, string.Join(", ", e.Members)),
            MemberFault.Twice => Twice(field),
            _ => OtherKind(field),
        };
    }

    private static string Under(string path, string name) => path.Length > 0 && name.Length > 0 ? $"{path}.{name}" : path + name;

    private static string At(string path) => path.Length > 0 ? $"At {path}" : "At the top";

    private static DiagnosticOutput Missing(string path, string names) => new(path, "", "required", $"{At(path)}, this is missing: {names}.", $"Add {names}.");

    private static DiagnosticOutput Unknown(string field, string name) => new(field, name, "known fields only", $"“{name}” is not a field that is known here.", "Leave it out, or mend its spelling.");

    private static DiagnosticOutput Twice(string field) => new(field, "", "each field once", $"{At(field)}, a field is given twice.", "Give it once.");

    private static DiagnosticOutput OtherKind(string path)
    {
        var field = path.TrimStart('.');
        return new(field, "", "see /openapi/v1.json", $"{At(field)}, the value is not of the kind asked for.", "Numbers stand without quotes; a null stands only where it is allowed.");
    }
}

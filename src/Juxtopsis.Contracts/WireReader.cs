using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Fields;
using Juxtopsis.Contracts.Problems;

namespace Juxtopsis.Contracts;

/// <summary>Reads JSON into a wire type, and says in words of its own why it could not.</summary>
public static class WireReader
{
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
        catch (JsonException e)
        {
            problem = Problem.OfBody(Explain(e));
            return null;
        }
    }

    private static DiagnosticOutput Explain(JsonException e)
    {
        var field = e.Path is { Length: > 2 } path && path.StartsWith("$.", StringComparison.Ordinal) ? path[2..] : "";
        if (e is MemberException member)
        {
            return Explain(member, field);
        }

        var quoted = Quoted(e.Message);
        var where = field.Length > 0 ? $"At {field}" : "At the top";
        if (e.Message.Contains("missing required", StringComparison.Ordinal))
        {
            // The first name is that of the type, which is nobody's business.
            var names = string.Join(", ", quoted.Skip(1));
            return new DiagnosticOutput(field, "", "required", $"{where}, this is missing: {names}.", $"Add {names}.");
        }

        if (e.Message.Contains("could not be mapped", StringComparison.Ordinal))
        {
            var name = quoted.FirstOrDefault() ?? field;
            return new DiagnosticOutput(field, name, "known fields only", $"“{name}” is not a field that is known here.", "Leave it out, or mend its spelling.");
        }

        if (e.Message.Contains("Duplicate", StringComparison.OrdinalIgnoreCase))
        {
            return new DiagnosticOutput(field, "", "each field once", $"{where}, a field is given twice.", "Give it once.");
        }

        return e.Message.Contains("could not be converted", StringComparison.Ordinal) || e.Message.Contains("nullable", StringComparison.Ordinal)
            ? OtherKind(field, where)
            : new DiagnosticOutput(
                field,
                "",
                "JSON (RFC 8259)",
                $"The body is not JSON from line {e.LineNumber + 1 ?? 1}, byte {e.BytePositionInLine + 1 ?? 1}.",
                "Mend it there. JSON has no NaN, no infinity and no comments.");
    }

    private static DiagnosticOutput Explain(MemberException e, string path)
    {
        var field = string.Join('.', new[] { path, e.Members[0] }.Where(p => p.Length > 0));
        var at = field.Length > 0 ? $"At {field}" : "At the top";
        var names = string.Join(", ", e.Members);
        return e.Fault switch
        {
            MemberFault.Missing => new(path, "", "required", $"{(path.Length > 0 ? $"At {path}" : "At the top")}, this is missing: {names}.", $"Add {names}."),
            MemberFault.Unknown => new(field, names, "known fields only", $"“{names}” is not a field that is known here.", "Leave it out, or mend its spelling."),
            MemberFault.Twice => new(field, "", "each field once", $"{at}, a field is given twice.", "Give it once."),
            _ => OtherKind(field, at),
        };
    }

    private static DiagnosticOutput OtherKind(string field, string at) =>
        new(field, "", "see /openapi/v1.json", $"{at}, the value is not of the kind asked for.", "Numbers stand without quotes; a null stands only where it is allowed.");

    /// <summary>The names between single quotes: every second piece.</summary>
    private static string[] Quoted(string message) => [.. message.Split('\'').Where((_, i) => i % 2 == 1)];
}

using System.Text;
using System.Text.Json;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fields;

namespace Juxtopsis.Contracts.Fields;

/// <summary>Reads a member that is none of the fields.</summary>
/// <param name="reader">At the member's name; at the end of its value afterwards, when it was read.</param>
/// <returns>True when it was read.</returns>
internal delegate bool OtherMember(ref Utf8JsonReader reader);

/// <summary>
/// A rig, a scene or conventions as a JSON object, by the definitions of their fields: strict about unknown, repeated and missing members.
/// </summary>
/// <typeparam name="T">What has the fields.</typeparam>
/// <param name="set">The fields.</param>
internal sealed class FieldObject<T>(FieldSet<T> set)
{
    private const int Unseen = -1;

    private readonly Field<T>[] fields = [.. set.Fields];
    private readonly (string Name, byte[] Utf8)[] groups = [.. set.Fields.Select(f => f.Group).Where(g => g.Length > 0).Distinct().Select(g => (g, Encoding.UTF8.GetBytes(g)))];

    /// <summary>Reads an object.</summary>
    /// <param name="reader">At the start of the object; at its end afterwards.</param>
    /// <param name="value">Takes what is read; has every default before.</param>
    /// <param name="faults">Takes what is wrong with rows, by path from here.</param>
    /// <param name="other">Reads what is none of the fields.</param>
    /// <exception cref="MemberException">The JSON is not of that shape.</exception>
    public void Read(ref Utf8JsonReader reader, ref T value, List<Diagnostic> faults, OtherMember? other = null)
    {
        // How many rows each field has, 0 for what has none, or that it was not there.
        Span<int> seen = stackalloc int[fields.Length];
        seen.Fill(Unseen);
        ReadMembers(ref reader, "", ref value, seen, faults, other);
        List<string>? missing = null;
        for (var i = 0; i < fields.Length; i++)
        {
            if (fields[i].Required && seen[i] == Unseen)
            {
                (missing ??= []).Add(fields[i].Key);
            }

            if (fields[i] is RowsField<T> { RowOfEach: { } rows } && seen[i] > Math.Max(0, seen[Array.IndexOf(fields, rows)]))
            {
                faults.Add(new(
                    DiagnosticCode.ValueRefused, Severity.Stops, fields[i].Key, $"{seen[i]}", $"up to {Math.Max(0, seen[Array.IndexOf(fields, rows)])}",
                    $"{fields[i].Label}: there are more rows than {rows.Label.ToLowerInvariant()}.", "Give one for each, in the same order, or leave them out."));
            }
        }

        if (missing is not null)
        {
            throw MemberException.Missing(missing);
        }
    }

    /// <summary>Writes the members; the caller begins and ends the object.</summary>
    /// <param name="writer">Where to.</param>
    /// <param name="value">What has the fields.</param>
    public void Write(Utf8JsonWriter writer, in T value)
    {
        var group = "";
        foreach (var field in fields)
        {
            if (field.Group != group)
            {
                if (group.Length > 0)
                {
                    writer.WriteEndObject();
                }

                group = field.Group;
                if (group.Length > 0)
                {
                    writer.WriteStartObject(group);
                }
            }

            writer.WritePropertyName(field.Utf8Name);
            WriteValue(writer, field, value);
        }

        if (group.Length > 0)
        {
            writer.WriteEndObject();
        }
    }

    /// <summary>Reads a number.</summary>
    /// <param name="reader">At the value.</param>
    /// <param name="key">Its path.</param>
    /// <param name="mayBeUnknown">Whether null is a value.</param>
    /// <returns>The number; null for unknown.</returns>
    /// <exception cref="MemberException">It is none.</exception>
    public static double? Number(ref Utf8JsonReader reader, string key, bool mayBeUnknown) => reader.TokenType switch
    {
        JsonTokenType.Number => reader.GetDouble(),
        JsonTokenType.Null when mayBeUnknown => null,
        _ => throw MemberException.OtherKind(key),
    };

    private void ReadMembers(ref Utf8JsonReader reader, string group, ref T value, scoped Span<int> seen, List<Diagnostic> faults, OtherMember? other)
    {
        if (reader.TokenType != JsonTokenType.StartObject)
        {
            throw MemberException.OtherKind(group);
        }

        Span<bool> nested = stackalloc bool[groups.Length];
        var next = 0;
        while (reader.Read() && reader.TokenType == JsonTokenType.PropertyName)
        {
            if (Find(ref reader, group, next) is var at and >= 0)
            {
                if (seen[at] != Unseen)
                {
                    throw MemberException.Twice(fields[at].Key);
                }

                next = at + 1;
                reader.Read();
                seen[at] = ReadValue(ref reader, fields[at], ref value, faults);
            }
            else if (group.Length == 0 && Group(ref reader) is var inner and >= 0)
            {
                if (nested[inner])
                {
                    throw MemberException.Twice(groups[inner].Name);
                }

                nested[inner] = true;
                reader.Read();
                ReadMembers(ref reader, groups[inner].Name, ref value, seen, faults, null);
            }
            else if (other is null || !other(ref reader))
            {
                throw MemberException.Unknown(reader.GetString()!, group);
            }
        }
    }

    /// <summary>The field of a member, looked for first where it follows the last one.</summary>
    private int Find(ref Utf8JsonReader reader, string group, int next)
    {
        for (var i = 0; i < fields.Length; i++)
        {
            var at = next + i < fields.Length ? next + i : next + i - fields.Length;
            if (fields[at].Group == group && reader.ValueTextEquals(fields[at].Utf8Name))
            {
                return at;
            }
        }

        return -1;
    }

    private int Group(ref Utf8JsonReader reader)
    {
        for (var i = 0; i < groups.Length; i++)
        {
            if (reader.ValueTextEquals(groups[i].Utf8))
            {
                return i;
            }
        }

        return -1;
    }

    /// <summary>Reads the value of a field.</summary>
    /// <returns>How many rows it has; 0 for what has none.</returns>
    private static int ReadValue(ref Utf8JsonReader reader, Field<T> field, ref T value, List<Diagnostic> faults)
    {
        switch (field)
        {
            case NumberField<T> number:
                value = number.Set(value, Number(ref reader, field.Key, field.MayBeUnknown));
                return 0;
            case ChoiceField<T> choice:
                value = choice.Set(value, Choice(ref reader, choice));
                return 0;
            case FlagField<T> flag:
                value = flag.Set(value, reader.TokenType switch
                {
                    JsonTokenType.True => true,
                    JsonTokenType.False => false,
                    _ => throw MemberException.OtherKind(field.Key),
                });
                return 0;
            case RowsField<T> rows:
                var read = Rows(ref reader, rows, faults);
                if (read.Count > rows.Most)
                {
                    faults.Add(new(
                        DiagnosticCode.ValueRefused, Severity.Stops, field.Key, $"{read.Count}", $"up to {rows.Most}", $"{field.Label}: up to {rows.Most} are reckoned with.", "Leave some out."));
                    return read.Count;
                }

                value = rows.Set(value, read);
                return read.Count;
            default:
                throw new InvalidOperationException($"{field.Key} is of a kind that is not read.");
        }
    }

    private static int Choice(ref Utf8JsonReader reader, ChoiceField<T> field)
    {
        for (var i = 0; reader.TokenType == JsonTokenType.String && i < field.Choices.Count; i++)
        {
            if (reader.ValueTextEquals(field.Choices[i]))
            {
                return i;
            }
        }

        throw MemberException.OtherKind(field.Key);
    }

    private static List<double?[]> Rows(ref Utf8JsonReader reader, RowsField<T> field, List<Diagnostic> faults)
    {
        var rows = new List<double?[]>();
        if (reader.TokenType == JsonTokenType.Null && field.MayBeUnknown)
        {
            return rows;
        }

        if (reader.TokenType != JsonTokenType.StartArray)
        {
            throw MemberException.OtherKind(field.Key);
        }

        while (reader.Read() && reader.TokenType != JsonTokenType.EndArray)
        {
            var path = $"{field.Key}[{rows.Count}]";
            var row = Row(ref reader, field, path);
            for (var i = 0; i < row.Length; i++)
            {
                var column = field.Columns[i];
                if (row[i] is { } value && !column.Quantity.Accepts(value))
                {
                    faults.Add(column.Quantity.Refusal(column.Name.Length == 0 ? path : $"{path}.{column.Name}", value));
                }
            }

            rows.Add(row);
        }

        return rows;
    }

    private static double?[] Row(ref Utf8JsonReader reader, RowsField<T> field, string path)
    {
        var columns = field.Columns;
        var row = new double?[columns.Count];
        if (columns[0].Name.Length == 0)
        {
            row[0] = Number(ref reader, path, columns[0].MayBeUnknown);
            return row;
        }

        if (reader.TokenType == JsonTokenType.Null && columns.All(c => c.MayBeUnknown))
        {
            return row;
        }

        if (reader.TokenType != JsonTokenType.StartObject)
        {
            throw MemberException.OtherKind(path);
        }

        Span<bool> seen = stackalloc bool[columns.Count];
        while (reader.Read() && reader.TokenType == JsonTokenType.PropertyName)
        {
            var name = reader.GetString()!;
            var at = 0;
            while (at < columns.Count && columns[at].Name != name)
            {
                at++;
            }

            if (at == columns.Count)
            {
                throw MemberException.Unknown(name, path);
            }

            if (seen[at])
            {
                throw MemberException.Twice($"{path}.{name}");
            }

            seen[at] = true;
            reader.Read();
            row[at] = Number(ref reader, $"{path}.{name}", columns[at].MayBeUnknown);
        }

        for (var i = 0; i < columns.Count; i++)
        {
            if (!seen[i] && !columns[i].MayBeUnknown)
            {
                throw MemberException.Missing([$"{path}.{columns[i].Name}"]);
            }
        }

        return row;
    }

    private static void WriteValue(Utf8JsonWriter writer, Field<T> field, in T value)
    {
        switch (field)
        {
            case NumberField<T> number:
                Write(writer, number.Get(value));
                break;
            case ChoiceField<T> choice:
                writer.WriteStringValue(choice.Choices[choice.Get(value)]);
                break;
            case FlagField<T> flag:
                writer.WriteBooleanValue(flag.Get(value));
                break;
            case RowsField<T> rows:
                WriteRows(writer, rows, rows.Get(value));
                break;
            default:
                throw new InvalidOperationException($"{field.Key} is of a kind that is not written.");
        }
    }

    private static void WriteRows(Utf8JsonWriter writer, RowsField<T> field, IReadOnlyList<double?[]> rows)
    {
        if (rows.Count == 0 && field.MayBeUnknown)
        {
            writer.WriteNullValue();
            return;
        }

        writer.WriteStartArray();
        foreach (var row in rows)
        {
            if (field.Columns[0].Name.Length == 0)
            {
                Write(writer, row[0]);
                continue;
            }

            writer.WriteStartObject();
            for (var i = 0; i < row.Length; i++)
            {
                writer.WritePropertyName(field.Columns[i].Name);
                Write(writer, row[i]);
            }

            writer.WriteEndObject();
        }

        writer.WriteEndArray();
    }

    private static void Write(Utf8JsonWriter writer, double? value)
    {
        if (value is { } number)
        {
            writer.WriteNumberValue(number);
        }
        else
        {
            writer.WriteNullValue();
        }
    }
}

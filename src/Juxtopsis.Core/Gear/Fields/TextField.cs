namespace Juxtopsis.Core.Gear;

/// <summary>A text.</summary>
/// <param name="key">Name in JSON.</param>
/// <param name="label">What people call it.</param>
/// <param name="maxLength">Longest text, in UTF-16 code units.</param>
/// <param name="help">What it means.</param>
public sealed class TextField(string key, string label, int maxLength, string help) : GearField(key, label, help)
{
    /// <summary>Longest text, in UTF-16 code units.</summary>
    public int MaxLength { get; } = maxLength;

    /// <summary>True when it may have more than one line.</summary>
    public bool ManyLines { get; init; }

    /// <summary>True when it names a mount.</summary>
    public bool NamesMount { get; init; }

    /// <inheritdoc/>
    public override string Write(object value) => (string)value;

    /// <inheritdoc/>
    public override FieldReading Read(string text) => Checked(ManyLines ? text.ReplaceLineEndings("\n").Trim() : text.Trim());

    /// <inheritdoc/>
    public override string? Check(object value) => Texts.Problem(Label, (string)value, MaxLength, ManyLines);
}

/// <summary>Names in a row, such as the mounts of a body.</summary>
/// <param name="key">Name in JSON.</param>
/// <param name="label">What people call it.</param>
/// <param name="help">What it means.</param>
public sealed class MountsField(string key, string label, string help) : GearField(key, label, help)
{
    /// <inheritdoc/>
    public override string Write(object value) => string.Join("; ", (IReadOnlyList<string>)value);

    /// <inheritdoc/>
    public override FieldReading Read(string text) => Checked(Numbers.Parts(text));

    /// <inheritdoc/>
    public override string? Check(object value) =>
        Numbers.CheckAll(Label, (IReadOnlyList<string>)value, name => Texts.Problem(Label, name, Texts.MaxMountName, manyLines: false));

    /// <inheritdoc/>
    public override bool Same(object one, object other) => ((IReadOnlyList<string>)one).SequenceEqual((IReadOnlyList<string>)other);
}

/// <summary>Yes or no; not held when it is not known.</summary>
/// <param name="key">Name in JSON.</param>
/// <param name="label">What people call it.</param>
/// <param name="help">What it means.</param>
public sealed class FlagField(string key, string label, string help) : GearField(key, label, help)
{
    /// <inheritdoc/>
    public override string Write(object value) => (bool)value ? "yes" : "no";

    /// <inheritdoc/>
    public override FieldReading Read(string text) => text.Trim().ToUpperInvariant() switch
    {
        "YES" or "TRUE" or "Y" or "1" => new(true, null),
        "NO" or "FALSE" or "N" or "0" => new(false, null),
        _ => FieldReading.Refused($"{Label}: “{Numbers.Short(text)}” is neither yes nor no. Type yes or no, or leave it empty when it is not known."),
    };

    /// <inheritdoc/>
    public override string? Check(object value) => null;
}

/// <summary>One of a few words.</summary>
/// <param name="key">Name in JSON.</param>
/// <param name="label">What people call it.</param>
/// <param name="help">What it means.</param>
public abstract class ChoiceField(string key, string label, string help) : GearField(key, label, help)
{
    /// <summary>The words in JSON, and what people call them.</summary>
    public abstract IReadOnlyList<(string Key, string Label)> Choices { get; }

    /// <inheritdoc/>
    public override string? Check(object value) => null;

    /// <summary>The word of a value in JSON.</summary>
    /// <param name="value">A value of this field.</param>
    /// <returns>One of the keys of <see cref="Choices"/>.</returns>
    public abstract string KeyOf(object value);

    private protected string Unknown(string text) =>
        $"{Label}: “{Numbers.Short(text)}” is none of {string.Join(", ", Choices.Select(c => c.Label))}. Type one of them.";
}

/// <summary>One of a few words, as an enumeration.</summary>
/// <typeparam name="T">The enumeration.</typeparam>
/// <param name="key">Name in JSON.</param>
/// <param name="label">What people call it.</param>
/// <param name="help">What it means.</param>
/// <param name="labels">What people call its members, in their order.</param>
public sealed class ChoiceField<T>(string key, string label, string help, params IReadOnlyList<string> labels) : ChoiceField(key, label, help)
    where T : struct, Enum
{
    private readonly T[] members = Enum.GetValues<T>();

    /// <inheritdoc/>
    public override IReadOnlyList<(string Key, string Label)> Choices { get; } = [.. Enum.GetNames<T>().Select((name, i) => (char.ToLowerInvariant(name[0]) + name[1..], labels[i]))];

    /// <inheritdoc/>
    public override string Write(object value) => labels[Array.IndexOf(members, (T)value)];

    /// <inheritdoc/>
    public override string KeyOf(object value) => Choices[Array.IndexOf(members, (T)value)].Key;

    /// <inheritdoc/>
    public override FieldReading Read(string text)
    {
        for (var i = 0; i < members.Length; i++)
        {
            if (text.Trim().Equals(labels[i], StringComparison.OrdinalIgnoreCase) || text.Trim().Equals(Choices[i].Key, StringComparison.OrdinalIgnoreCase))
            {
                return new(members[i], null);
            }
        }

        return FieldReading.Refused(Unknown(text));
    }
}

/// <summary>The recording modes of a body. In tables they have a file of their own.</summary>
/// <param name="key">Name in JSON.</param>
/// <param name="label">What people call it.</param>
/// <param name="help">What it means.</param>
public sealed class ModesField(string key, string label, string help) : GearField(key, label, help)
{
    internal const int Most = 60;

    /// <inheritdoc/>
    public override string Write(object value) => string.Join("; ", ((IReadOnlyList<GearItem>)value).Select(m => m.Name));

    /// <inheritdoc/>
    public override FieldReading Read(string text) => FieldReading.Refused("Recording modes have a table of their own, modes.csv. Leave them out here.");

    /// <inheritdoc/>
    public override string? Check(object value)
    {
        var modes = (IReadOnlyList<GearItem>)value;
        var twice = modes.GroupBy(m => m.Name, StringComparer.OrdinalIgnoreCase).FirstOrDefault(g => g.Count() > 1);
        return modes.Count > Most ? $"{Label}: {modes.Count} are more than fit; at most {Most}."
            : twice is not null ? $"{Label}: two are called “{Numbers.Short(twice.Key)}”. Give each a name of its own."
            : null;
    }

    /// <inheritdoc/>
    public override bool Same(object one, object other) => ((IReadOnlyList<GearItem>)one).SequenceEqual((IReadOnlyList<GearItem>)other);
}

/// <summary>What fields of texts share.</summary>
internal static class Texts
{
    public const int MaxName = 300;
    public const int MaxMountName = 60;

    public static string? Problem(string label, string text, int maxLength, bool manyLines) =>
        text.Length > maxLength ? $"{label} has {text.Length} characters; at most {maxLength} fit. Shorten it."
        : string.IsNullOrWhiteSpace(text) ? $"{label} is blank. Type something, or leave it out."
        : text.Any(c => char.IsControl(c) && !(manyLines && c == '\n')) ? $"{label} holds a line break or another control character. Write it in one line."
        : text.Trim().Length != text.Length ? $"{label} begins or ends with a space. Take it away."
        : HasLoneSurrogate(text) ? $"{label} holds half a character. Type it again."
        : null;

    private static bool HasLoneSurrogate(string text)
    {
        for (var i = 0; i < text.Length; i++)
        {
            if (char.IsSurrogate(text[i]) && !(char.IsHighSurrogate(text[i]) && i + 1 < text.Length && char.IsLowSurrogate(text[++i])))
            {
                return true;
            }
        }

        return false;
    }
}

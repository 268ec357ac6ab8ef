using System.Text;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Fields;

/// <summary>Reads a value out of what it belongs to.</summary>
/// <typeparam name="T">What has the field.</typeparam>
/// <typeparam name="TValue">The value.</typeparam>
/// <param name="of">What has the field.</param>
/// <returns>The value.</returns>
public delegate TValue FieldGetter<T, out TValue>(in T of);

/// <summary>Gives the same with another value.</summary>
/// <typeparam name="T">What has the field.</typeparam>
/// <typeparam name="TValue">The value.</typeparam>
/// <param name="of">What has the field.</param>
/// <param name="value">The value.</param>
/// <returns>A copy with that value.</returns>
public delegate T FieldSetter<T, in TValue>(in T of, TValue value);

/// <summary>
/// One thing that can be said of a rig, a scene or the conventions. It is defined once: the wire, its schema, checks, the page's fields and
/// their help all take name, range and unit from here. The default is what an untouched <typeparamref name="T"/> holds.
/// </summary>
/// <typeparam name="T">What has the field.</typeparam>
/// <param name="key">Name on the wire, in camel case, with the unit at its end where there is one; a member of a nested object has a point: <c>lens.blades</c>.</param>
/// <param name="label">What people call it.</param>
/// <param name="help">What it means, in a sentence or two.</param>
public abstract class Field<T>(string key, string label, string help)
{
    /// <summary>Path on the wire.</summary>
    public string Key { get; } = key;

    /// <summary>Name within its object, as UTF-8.</summary>
    public byte[] Utf8Name { get; } = Encoding.UTF8.GetBytes(key[(key.IndexOf('.', StringComparison.Ordinal) + 1)..]);

    /// <summary>Name of the nested object that it is in; empty for none.</summary>
    public string Group { get; } = key[..Math.Max(0, key.IndexOf('.', StringComparison.Ordinal))];

    /// <summary>What people call it.</summary>
    public string Label { get; } = label;

    /// <summary>What it means.</summary>
    public string Help { get; } = help;

    /// <summary>True when nothing can stand in for it.</summary>
    public bool Required { get; init; }

    /// <summary>True when it may be unknown: null on the wire, empty on the page.</summary>
    public bool MayBeUnknown { get; init; }
}

/// <summary>A number with a unit and a range.</summary>
/// <typeparam name="T">What has the field.</typeparam>
/// <param name="key">Path on the wire.</param>
/// <param name="label">What people call it.</param>
/// <param name="kind">How it is typed; gives unit and range.</param>
/// <param name="help">What it means.</param>
/// <param name="get">Reads it; null for what is not known.</param>
/// <param name="set">Sets it.</param>
public sealed class NumberField<T>(string key, string label, EntryKind kind, string help, FieldGetter<T, double?> get, FieldSetter<T, double?> set)
    : Field<T>(key, label, help)
{
    /// <summary>How it is typed.</summary>
    public EntryKind Kind { get; } = kind;

    /// <summary>Unit and range.</summary>
    public Quantity Quantity { get; } = EntryRule.Of(kind).Quantity;

    /// <summary>Reads it.</summary>
    public FieldGetter<T, double?> Get { get; } = get;

    /// <summary>Sets it.</summary>
    public FieldSetter<T, double?> Set { get; } = set;
}

/// <summary>One of some names.</summary>
/// <typeparam name="T">What has the field.</typeparam>
/// <param name="key">Path on the wire.</param>
/// <param name="label">What people call it.</param>
/// <param name="help">What it means.</param>
/// <param name="choices">The names on the wire.</param>
/// <param name="get">The place of its name among these.</param>
/// <param name="set">Sets it by that place.</param>
public sealed class ChoiceField<T>(string key, string label, string help, IReadOnlyList<string> choices, FieldGetter<T, int> get, FieldSetter<T, int> set)
    : Field<T>(key, label, help)
{
    /// <summary>The names on the wire.</summary>
    public IReadOnlyList<string> Choices { get; } = choices;

    /// <summary>Reads it.</summary>
    public FieldGetter<T, int> Get { get; } = get;

    /// <summary>Sets it.</summary>
    public FieldSetter<T, int> Set { get; } = set;

    /// <summary>The enumeration that the names are of.</summary>
    public required Type Enumeration { get; init; }
}

/// <summary>Yes or no.</summary>
/// <typeparam name="T">What has the field.</typeparam>
/// <param name="key">Path on the wire.</param>
/// <param name="label">What people call it.</param>
/// <param name="help">What it means.</param>
/// <param name="get">Reads it.</param>
/// <param name="set">Sets it.</param>
public sealed class FlagField<T>(string key, string label, string help, FieldGetter<T, bool> get, FieldSetter<T, bool> set) : Field<T>(key, label, help)
{
    /// <summary>Reads it.</summary>
    public FieldGetter<T, bool> Get { get; } = get;

    /// <summary>Sets it.</summary>
    public FieldSetter<T, bool> Set { get; } = set;
}

/// <summary>Rows of numbers: a list of plain numbers, or of objects with a number under each name.</summary>
/// <typeparam name="T">What has the field.</typeparam>
/// <param name="key">Path on the wire.</param>
/// <param name="label">What people call it.</param>
/// <param name="help">What it means.</param>
/// <param name="columns">What each row holds; one without a name for plain numbers.</param>
/// <param name="most">Most rows.</param>
/// <param name="get">Reads the rows.</param>
/// <param name="set">Sets them, not more than the most.</param>
public sealed class RowsField<T>(
    string key, string label, string help, IReadOnlyList<FieldColumn> columns, int most, FieldGetter<T, IReadOnlyList<double?[]>> get, FieldSetter<T, IReadOnlyList<double?[]>> set)
    : Field<T>(key, label, help)
{
    /// <summary>What each row holds.</summary>
    public IReadOnlyList<FieldColumn> Columns { get; } = columns;

    /// <summary>Most rows.</summary>
    public int Most { get; } = most;

    /// <summary>The rows that these belong to, one to each at most; null for rows of their own.</summary>
    public RowsField<T>? RowOfEach { get; init; }

    /// <summary>Reads the rows.</summary>
    public FieldGetter<T, IReadOnlyList<double?[]>> Get { get; } = get;

    /// <summary>Sets the rows.</summary>
    public FieldSetter<T, IReadOnlyList<double?[]>> Set { get; } = set;
}

/// <summary>A column of rows of numbers.</summary>
/// <param name="Name">Name on the wire; empty where the row is that number alone.</param>
/// <param name="Quantity">Unit and range.</param>
/// <param name="MayBeUnknown">True when it may be null.</param>
/// <param name="Help">What it means.</param>
public sealed record FieldColumn(string Name, Quantity Quantity, bool MayBeUnknown, string Help);

/// <summary>Makes fields, and names on the wire.</summary>
internal static class Field
{
    /// <summary>A choice of an enumeration's members.</summary>
    public static ChoiceField<T> Choice<T, TEnum>(string key, string label, string help, FieldGetter<T, TEnum> get, FieldSetter<T, TEnum> set)
        where TEnum : struct, Enum
    {
        var members = Enum.GetValues<TEnum>();
        return new(
            key, label, help, [.. members.Select(m => NameOf(m))], (in T of) => Array.IndexOf(members, get(of)), (in T of, int place) => set(of, members[place]))
        {
            Enumeration = typeof(TEnum),
        };
    }

    private static string NameOf<TEnum>(TEnum member)
        where TEnum : struct, Enum => member.ToString() is var name ? char.ToLowerInvariant(name[0]) + name[1..] : "";
}

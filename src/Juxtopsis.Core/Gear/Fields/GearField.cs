namespace Juxtopsis.Core.Gear;

/// <summary>
/// One thing that can be known of a piece of gear. A field is defined once: forms, CSV headers, the JSON Schema, checks and
/// search all take name, unit and range from here.
/// </summary>
/// <remarks>
/// A field is also the key under which a <see cref="GearItem"/> holds its value, typed by the field's own class. What is not
/// known is not held: there is no null and no zero that stands for unknown.
/// </remarks>
/// <param name="key">Name in JSON, in camel case, with the unit at its end where there is one.</param>
/// <param name="label">What people call it.</param>
/// <param name="help">One sentence on what it means and how it is found.</param>
public abstract class GearField(string key, string label, string help)
{
    /// <summary>Name in JSON.</summary>
    public string Key { get; } = key;

    /// <summary>Name in JSON that was written before, and is still read; null where there was no other.</summary>
    public string? FormerKey { get; init; }

    /// <summary>What people call it.</summary>
    public string Label { get; } = label;

    /// <summary>One sentence on what it means.</summary>
    public string Help { get; } = help;

    /// <summary>Unit of its values; empty for none.</summary>
    public virtual string Unit => "";

    /// <summary>What it costs not to know it, as the end of a sentence; empty where nothing is worth a word.</summary>
    public string Without { get; init; } = "";

    /// <summary>True when an item makes no sense without it.</summary>
    public bool Required { get; init; }

    /// <summary>
    /// The field whose place its value takes, for one that a test of a physical unit has found; null for all others. What the papers say stays
    /// beside it: see <see cref="GearItem.AsTested"/>.
    /// </summary>
    public GearField? StandsFor { get; init; }

    /// <summary>True when nobody types it: it comes from a test.</summary>
    public bool IsFromTest { get; init; }

    /// <summary>Its column in a table: the label with the unit.</summary>
    public string Header => Unit.Length == 0 ? Label : $"{Label} ({Unit})";

    /// <summary>A value as text, so that <see cref="Read"/> gives the very same back.</summary>
    /// <param name="value">A value of this field.</param>
    /// <returns>Text without a unit.</returns>
    public abstract string Write(object value);

    /// <summary>Reads a text, with or without a unit.</summary>
    /// <param name="text">A text that is not blank.</param>
    /// <returns>The value, or what is wrong and how to mend it.</returns>
    public abstract FieldReading Read(string text);

    /// <summary>Checks a value that did not come by text.</summary>
    /// <param name="value">A value of this field.</param>
    /// <returns>What is wrong; null when nothing is.</returns>
    public abstract string? Check(object value);

    /// <summary>Whether two values are the same.</summary>
    /// <param name="one">A value of this field.</param>
    /// <param name="other">Another.</param>
    /// <returns>True when nothing tells them apart.</returns>
    public virtual bool Same(object one, object other) => one.Equals(other);

    /// <inheritdoc/>
    public override string ToString() => Key;

    private protected FieldReading Checked(object value) => Check(value) is { } problem ? FieldReading.Refused(problem) : new(value, null);
}

/// <summary>What came of reading a field.</summary>
/// <param name="Value">The value; null together with a problem.</param>
/// <param name="Problem">What is wrong and how to mend it; null when nothing is.</param>
public readonly record struct FieldReading(object? Value, string? Problem)
{
    internal static FieldReading Refused(string problem) => new(null, problem);
}

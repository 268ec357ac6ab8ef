using System.Globalization;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Gear;

/// <summary>A number with a unit and a range.</summary>
/// <param name="key">Name in JSON.</param>
/// <param name="label">What people call it.</param>
/// <param name="kind">How it is typed; gives unit and range.</param>
/// <param name="help">What it means.</param>
public sealed class NumberField(string key, string label, EntryKind kind, string help) : GearField(key, label, help)
{
    /// <summary>How it is typed.</summary>
    public EntryKind Kind { get; } = kind;

    /// <summary>Its unit and range.</summary>
    public Quantity Quantity { get; } = EntryRule.Of(kind).Quantity;

    /// <inheritdoc/>
    public override string Unit => Quantity.Unit;

    /// <inheritdoc/>
    public override string Write(object value) => Text((double)value);

    /// <inheritdoc/>
    public override FieldReading Read(string text) => Numbers.TryRead(Kind, text, out var value, out var problem)
        ? Checked(value)
        : FieldReading.Refused(problem);

    /// <inheritdoc/>
    public override string? Check(object value) => Numbers.OutOfRange(Label, Quantity, (double)value);

    /// <summary>A number in the fewest digits that give it back, without an exponent.</summary>
    internal static string Text(double value)
    {
        var text = value.ToString("R", CultureInfo.InvariantCulture);
        return text.Contains('E', StringComparison.Ordinal)
            ? decimal.Parse(text, NumberStyles.Float, CultureInfo.InvariantCulture).ToString(CultureInfo.InvariantCulture)
            : text;
    }
}

/// <summary>Numbers of one unit in a row, such as frame rates.</summary>
/// <param name="key">Name in JSON.</param>
/// <param name="label">What people call it.</param>
/// <param name="kind">How one of them is typed.</param>
/// <param name="help">What it means.</param>
public sealed class NumbersField(string key, string label, EntryKind kind, string help) : GearField(key, label, help)
{
    internal const int Most = 100;

    /// <summary>How one of them is typed.</summary>
    public EntryKind Kind { get; } = kind;

    /// <summary>Unit and range of each.</summary>
    public Quantity Quantity { get; } = EntryRule.Of(kind).Quantity;

    /// <inheritdoc/>
    public override string Unit => Quantity.Unit;

    /// <inheritdoc/>
    public override string Write(object value) => string.Join("; ", ((IReadOnlyList<double>)value).Select(NumberField.Text));

    /// <inheritdoc/>
    public override FieldReading Read(string text)
    {
        var values = new List<double>();
        if (Numbers.TwoOrOne(text) is { } unclear)
        {
            return FieldReading.Refused(unclear);
        }

        foreach (var part in Numbers.Row(text))
        {
            if (!Numbers.TryRead(Kind, part, out var value, out var problem))
            {
                return FieldReading.Refused(problem);
            }

            values.Add(value);
        }

        return Checked(values);
    }

    /// <inheritdoc/>
    public override string? Check(object value) => Numbers.CheckAll(Label, (IReadOnlyList<double>)value, v => Numbers.OutOfRange(Label, Quantity, v));

    /// <inheritdoc/>
    public override bool Same(object one, object other) => ((IReadOnlyList<double>)one).SequenceEqual((IReadOnlyList<double>)other);
}

/// <summary>A value at each of some places, such as the widest aperture along a zoom: <c>24: 2.8; 70: 4</c>.</summary>
/// <param name="key">Name in JSON.</param>
/// <param name="label">What people call it.</param>
/// <param name="at">How a place is typed.</param>
/// <param name="kind">How a value is typed.</param>
/// <param name="help">What it means.</param>
public sealed class PointsField(string key, string label, EntryKind at, EntryKind kind, string help) : GearField(key, label, help)
{
    private readonly Quantity place = EntryRule.Of(at).Quantity;
    private readonly Quantity quantity = EntryRule.Of(kind).Quantity;

    /// <summary>Range of the places.</summary>
    public Quantity Place => place;

    /// <summary>Range of the values.</summary>
    public Quantity Quantity => quantity;

    /// <inheritdoc/>
    public override string Unit => string.Join(": ", new[] { place.Unit, quantity.Unit }.Where(u => u.Length > 0));

    /// <inheritdoc/>
    public override string Write(object value) =>
        string.Join("; ", ((IReadOnlyList<GearPoint>)value).Select(p => $"{NumberField.Text(p.At)}: {NumberField.Text(p.Value)}"));

    /// <inheritdoc/>
    public override FieldReading Read(string text)
    {
        var points = new List<GearPoint>();
        foreach (var part in Numbers.Parts(text))
        {
            var split = part.IndexOf(':', StringComparison.Ordinal);
            if (split < 1)
            {
                return FieldReading.Refused($"“{Numbers.Short(part)}” is not read as a place and a value. Type for example {place.Example}: {quantity.Example}.");
            }

            if (!Numbers.TryRead(at, part[..split].Trim(), out var where, out var problem)
                || !Numbers.TryRead(kind, part[(split + 1)..].Trim(), out var value, out problem))
            {
                return FieldReading.Refused(problem);
            }

            points.Add(new(where, value));
        }

        return Checked(points.OrderBy(p => p.At).ToArray());
    }

    /// <inheritdoc/>
    public override string? Check(object value)
    {
        var points = (IReadOnlyList<GearPoint>)value;
        for (var i = 1; i < points.Count; i++)
        {
            if (points[i].At <= points[i - 1].At)
            {
                return $"{Label}: {LengthWords.Number(points[i].At)} does not come after {LengthWords.Number(points[i - 1].At)}. Give the places from small to large, each once.";
            }
        }

        return Numbers.CheckAll(Label, points, p => Numbers.OutOfRange(Label, place, p.At) ?? Numbers.OutOfRange(Label, quantity, p.Value));
    }

    /// <inheritdoc/>
    public override bool Same(object one, object other) => ((IReadOnlyList<GearPoint>)one).SequenceEqual((IReadOnlyList<GearPoint>)other);
}

/// <summary>A value at a place.</summary>
/// <param name="At">The place, such as a focal length as marked.</param>
/// <param name="Value">The value there.</param>
public readonly record struct GearPoint(double At, double Value);

/// <summary>What fields of numbers share.</summary>
internal static class Numbers
{
    /// <summary>A plain number is in the field's unit; anything else is read as people type it.</summary>
    public static bool TryRead(EntryKind kind, string text, out double value, out string problem)
    {
        problem = "";
        if (NumberText.TryRead(text, out value))
        {
            return true;
        }

        var read = EntryReader.Read(kind, text, LengthUnit.Metres);
        if (read.Problem is null && read.Values.Count == 1 && double.IsFinite(read.Values[0]))
        {
            value = read.Values[0];
            return true;
        }

        var quantity = EntryRule.Of(kind).Quantity;
        problem = read.Problem ?? $"“{Short(text)}” is more than one value. Type for example {quantity.Example}.";
        return false;
    }

    public static string? OutOfRange(string label, Quantity quantity, double value) => quantity.Accepts(value)
        ? null
        : $"{label}: {(double.IsFinite(value) ? quantity.Say(value) : "this number")} is outside {quantity.Range()}. Type a value within it.";

    public static string? CheckAll<T>(string label, IReadOnlyList<T> values, Func<T, string?> check) => values.Count switch
    {
        0 => $"{label} is an empty list. Leave it out when it is not known.",
        > NumbersField.Most => $"{label} has {values.Count} values; at most {NumbersField.Most} fit.",
        _ => values.Select(check).FirstOrDefault(p => p is not null),
    };

    public static string[] Parts(string text) => text.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    /// <summary>
    /// The parts of a row of numbers, which people set apart by semicolons, lines, commas or spaces. A comma with digits around it is a
    /// decimal comma unless there is more than one of them.
    /// </summary>
    public static string[] Row(string text)
    {
        const StringSplitOptions tidy = StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries;
        if (text.AsSpan().ContainsAny(';', '\n'))
        {
            return text.Split([';', '\n'], tidy);
        }

        if (text.Contains(", ", StringComparison.Ordinal))
        {
            return text.Split(", ", tidy);
        }

        if (text.Count(c => c == ',') > 1)
        {
            return text.Split(',', tidy);
        }

        var words = text.Split(' ', tidy);
        return words.Length > 1 && words.All(w => char.IsAsciiDigit(w[0])) ? words : [text.Trim()];
    }

    /// <summary>What to ask where a row such as <c>24,25</c> may be one number or two; null where it is clear.</summary>
    public static string? TwoOrOne(string text)
    {
        var parts = text.Trim().Split(',');
        return parts.Length == 2 && parts.All(p => p.Length == 2 && p.All(char.IsAsciiDigit))
            ? $"“{Short(text.Trim())}” could be {parts[0]}.{parts[1]}, or {parts[0]} and {parts[1]}. Type {parts[0]}; {parts[1]} for two."
            : null;
    }

    public static string Short(string text) => text.Length <= 40 ? text : string.Concat(text.AsSpan(0, 40), "…");
}

using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Entry;

/// <summary>Turns what people type into numbers, or into a sentence that says what is wrong and how to mend it.</summary>
public static class EntryReader
{
    /// <summary>Longest text that is looked at, in characters.</summary>
    public const int MaxLength = 60;

    /// <summary>Reads a typed text.</summary>
    /// <param name="kind">What the text stands for.</param>
    /// <param name="text">What was typed.</param>
    /// <param name="unit">The person's unit: a bare number is a distance in it. Focal lengths and sensors are always mm.</param>
    /// <returns>The number or pair, within its <see cref="Quantity"/>'s range, or a problem.</returns>
    public static EntryResult Read(EntryKind kind, string text, LengthUnit unit)
    {
        ArgumentNullException.ThrowIfNull(text);
        var quantity = QuantityOf(kind);
        var trimmed = text.Trim();
        if (trimmed.Length == 0)
        {
            return EntryResult.Refused($"{quantity.Name} is empty. Type for example {quantity.Example}.");
        }

        if (trimmed.Length > MaxLength)
        {
            return EntryResult.Refused($"{quantity.Name} is too long to read. Type for example {quantity.Example}.");
        }

        if (NumberText.IsThousands(trimmed))
        {
            return EntryResult.Refused($"“{trimmed}” could mean two numbers. Leave the comma out, or write a point.");
        }

        return kind switch
        {
            EntryKind.SensorArea or EntryKind.RecordedPixels => Pair(quantity, trimmed),
            EntryKind.DeliveryAspect => Shape(quantity, trimmed),
            EntryKind.FNumber => Aperture(quantity, trimmed),
            EntryKind.FocalLength => Length(quantity, trimmed, 1),
            EntryKind.SubjectDistance or EntryKind.BackgroundDistance or EntryKind.LensHeight =>
                Length(quantity, trimmed, unit == LengthUnit.Feet ? 304.8 : 1000),
            EntryKind.DeliveryWidth => Plain(quantity, trimmed, "px", "pixels", "wide"),
            _ => Plain(quantity, trimmed, "x", "×", "times"),
        };
    }

    internal static Quantity QuantityOf(EntryKind kind) => kind switch
    {
        EntryKind.SubjectDistance => Quantity.SubjectDistance,
        EntryKind.BackgroundDistance => Quantity.BackgroundDistance,
        EntryKind.LensHeight => Quantity.LensHeight,
        EntryKind.FocalLength => Quantity.FocalLength,
        EntryKind.FNumber => Quantity.FNumber,
        EntryKind.OpticsMagnification => Quantity.OpticsMagnification,
        EntryKind.Squeeze => Quantity.Squeeze,
        EntryKind.PunchIn => Quantity.PunchIn,
        EntryKind.DeliveryAspect => Quantity.DeliveryAspect,
        EntryKind.SensorArea => Quantity.SensorSide,
        EntryKind.DeliveryWidth or EntryKind.RecordedPixels => Quantity.Pixels,
        _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No such kind of entry."),
    };

    private static EntryResult Length(Quantity quantity, string text, double bareMm)
    {
        if (!LengthText.TryRead(text, bareMm, out var mm))
        {
            return NotRead(quantity, text);
        }

        return double.IsPositiveInfinity(mm) && quantity == Quantity.BackgroundDistance
            ? EntryResult.Of(mm)
            : InRange(quantity, text, mm);
    }

    private static EntryResult Aperture(Quantity quantity, string text)
    {
        if (text[0] is 't' or 'T' && NumberText.TryRead(text.AsSpan(1).TrimStart('/'), out _))
        {
            return EntryResult.Refused($"“{text}” is a T-number: it says light, not blur. Type the lens's f-number, for example f/2.8.");
        }

        var digits = text.AsSpan();
        foreach (var prefix in (ReadOnlySpan<string>)["1:", "f", "F", "ƒ", "/", ":"])
        {
            digits = digits.StartsWith(prefix, StringComparison.Ordinal) ? digits[prefix.Length..].TrimStart() : digits;
        }

        return NumberText.TryRead(digits, out var value) ? InRange(quantity, text, value) : NotRead(quantity, text);
    }

    private static EntryResult Shape(Quantity quantity, string text)
    {
        if (NumberText.TryRead(text, out var single))
        {
            return InRange(quantity, text, single);
        }

        return TrySplit(text, ":/x×X", out var width, out var height) && width > 0 && height > 0
            ? InRange(quantity, text, width / height)
            : NotRead(quantity, text);
    }

    private static EntryResult Pair(Quantity quantity, string text)
    {
        var bare = text;
        foreach (var unit in (ReadOnlySpan<string>)["mm", "px"])
        {
            bare = bare.Replace(unit, "", StringComparison.OrdinalIgnoreCase);
        }

        if (!TrySplit(bare, "x×X*", out var width, out var height))
        {
            return NotRead(quantity, text);
        }

        return quantity.Accepts(width) && quantity.Accepts(height)
            ? EntryResult.Of(width, height)
            : OutOfRange(quantity, text);
    }

    private static EntryResult Plain(Quantity quantity, string text, params ReadOnlySpan<string> marks)
    {
        var digits = text.AsSpan();
        foreach (var mark in marks)
        {
            digits = digits.StartsWith(mark, StringComparison.OrdinalIgnoreCase) ? digits[mark.Length..] : digits;
            digits = digits.EndsWith(mark, StringComparison.OrdinalIgnoreCase) ? digits[..^mark.Length] : digits;
            digits = digits.Trim();
        }

        return NumberText.TryRead(digits, out var value) ? InRange(quantity, text, value) : NotRead(quantity, text);
    }

    private static bool TrySplit(string text, string marks, out double first, out double second)
    {
        second = double.NaN;
        var at = text.AsSpan().IndexOfAny(marks);
        first = double.NaN;
        return at > 0 && NumberText.TryRead(text.AsSpan(0, at), out first) && NumberText.TryRead(text.AsSpan(at + 1), out second);
    }

    private static EntryResult InRange(Quantity quantity, string text, double value) =>
        quantity.Accepts(value) ? EntryResult.Of(value) : OutOfRange(quantity, text);

    private static EntryResult NotRead(Quantity quantity, string text) =>
        EntryResult.Refused($"“{text}” is not read as {LowerFirst(quantity.Name)}. Type for example {quantity.Example}.");

    private static EntryResult OutOfRange(Quantity quantity, string text) =>
        EntryResult.Refused($"{quantity.Name} “{text}” is outside {quantity.Range}. Type a value within it.");

    private static string LowerFirst(string text) => char.ToLowerInvariant(text[0]) + text[1..];
}

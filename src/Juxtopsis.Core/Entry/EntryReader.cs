using Juxtopsis.Core.Light;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Entry;

/// <summary>Turns what people type into numbers, or into a sentence that says what is wrong and how to mend it.</summary>
public static class EntryReader
{
    /// <summary>Longest text that is looked at, in characters.</summary>
    public const int MaxLength = 60;

    /// <summary>Units of weight, the longer ones first, with their grams; a pound and an ounce are the avoirdupois ones.</summary>
    private static readonly (string Mark, double Grams)[] WeightUnits =
    [
        ("grams", 1), ("kg", 1000), ("lbs", 453.59237), ("lb", 453.59237), ("oz", 28.349523125), ("g", 1),
    ];

    /// <summary>Reads a typed text.</summary>
    /// <param name="kind">What the text stands for.</param>
    /// <param name="text">What was typed.</param>
    /// <param name="unit">The person's unit: a bare number is a distance in it. Focal lengths and sensors are always mm.</param>
    /// <param name="fps">Frames a second, for an exposure time in place of a shutter angle; NaN where none is known.</param>
    /// <returns>The numbers, within their <see cref="Quantity"/>'s range, or a problem.</returns>
    public static EntryResult Read(EntryKind kind, string text, LengthUnit unit, double fps = double.NaN)
    {
        ArgumentNullException.ThrowIfNull(text);
        var rule = EntryRule.Of(kind);
        var reading = new Reading(rule, text.Trim(), unit) { Fps = fps };
        if (reading.Text.Length == 0)
        {
            return EntryResult.Refused($"{rule.Quantity.Name} is empty. Type for example {reading.Example}.");
        }

        if (reading.Text.Length > MaxLength)
        {
            return EntryResult.Refused($"{rule.Quantity.Name} is too long to read. Type for example {reading.Example}.");
        }

        var meanings = NumberText.Meanings(reading.Text);
        var results = meanings.Select(meaning => ReadAs(reading with { Text = meaning })).ToArray();
        var read = results.Where(r => r.Problem is null).ToArray();
        var likely = read.Where(r => r.Values.All(v => v >= rule.Likely.Min && v <= rule.Likely.Max)).ToArray();
        return (read.Length, likely.Length) switch
        {
            (0, _) => results[0],
            (1, _) => read[0],
            (_, 1) => likely[0],
            _ => EntryResult.Refused($"“{reading.Text}” could be {meanings[0]} or {meanings[1]}. Type the one that is meant."),
        };
    }

    private static EntryResult ReadAs(Reading reading)
    {
        var (rule, unit) = (reading.Rule, reading.Unit);
        return rule.Notation switch
        {
            Notation.NearestFocus => NearestFocus(reading),
            Notation.Time => Time(reading, rule.Quantity == Quantity.Minutes ? 60 : 1),
            Notation.Shutter => Shutter(reading),
            Notation.SceneLength => Length(reading, unit == LengthUnit.Feet ? 304.8 : 1000),
            Notation.LensLength => Length(reading, 1),
            Notation.Aperture => Aperture(reading),
            Notation.TNumber => TNumber(reading),
            Notation.Shape => Shape(reading, ":/x×X"),
            Notation.Ratio => Shape(reading with { Text = Bare(reading) }, ":/"),
            Notation.Pair => Pair(reading),
            Notation.Span => Span(reading),
            Notation.Chain => Chain(reading),
            Notation.Signed => Signed(reading),
            Notation.Filter => FilterStops(reading),
            Notation.Brightness => Brightness(reading),
            Notation.ExposureTime => ExposureTime(reading),
            Notation.Rate => Shape(reading with { Text = Bare(reading) }, "/"),
            Notation.Weight => Weight(reading),
            Notation.Percent => One(reading, Bare(reading), 0.01),
            _ => One(reading, Bare(reading), 1),
        };
    }

    private static EntryResult Length(Reading reading, double bareMm)
    {
        if (!LengthText.TryRead(reading.Text, bareMm, out var mm))
        {
            return reading.NotRead();
        }

        return double.IsPositiveInfinity(mm) && (reading.Rule.Quantity == Quantity.BackgroundDistance || reading.Rule.Quantity == Quantity.BehindSubject) ? EntryResult.Of(mm) : reading.InRange(mm);
    }

    /// <summary>Lenses focus from a hand's breadth to some metres: above these a bare number is more likely in the smaller unit.</summary>
    private static EntryResult NearestFocus(Reading reading)
    {
        var (bareMm, unclearFrom, small, large) = reading.Unit == LengthUnit.Feet ? (304.8, 10, "in", "ft") : (1000.0, 3, "cm", "m");
        return NumberText.TryRead(reading.Text, out var bare) && bare >= unclearFrom
            ? EntryResult.Refused($"“{reading.Text}” could be {reading.Text} {small} or {reading.Text} {large}. Type the unit too.")
            : Length(reading, bareMm);
    }

    private static EntryResult Time(Reading reading, double unitSeconds) =>
        TimeText.TryRead(reading.Text, unitSeconds, out var seconds, out var isUnclear) ? reading.InRange(seconds / unitSeconds)
        : isUnclear ? EntryResult.Refused($"“{reading.Text}” could be hours or minutes. Type {reading.Text} h or {reading.Text} min.")
        : reading.NotRead();

    private static EntryResult Shutter(Reading reading)
    {
        var text = reading.Text;
        foreach (var mark in (ReadOnlySpan<string>)["seconds", "sec", "s"])
        {
            text = text.EndsWith(mark, StringComparison.OrdinalIgnoreCase) ? text[..^mark.Length] : text;
        }

        if (!TrySplit(text, "/", out var top, out var bottom) || bottom == 0)
        {
            return One(reading, Bare(reading), 1);
        }

        return double.IsNaN(reading.Fps)
            ? EntryResult.Refused($"“{reading.Text}” is a time; how wide a shutter that is depends on the frame rate. Type the angle, for example {reading.Example}.")
            : reading.InRange(360 * reading.Fps * top / bottom);
    }

    private static EntryResult Aperture(Reading reading)
    {
        var text = reading.Text;
        if (text[0] is 't' or 'T' && NumberText.TryRead(text.AsSpan(1).TrimStart('/'), out _))
        {
            return EntryResult.Refused($"“{text}” is a T-number: it says light, not blur. Type the lens's f-number, for example f/2.8.");
        }

        return NumberText.TryRead(WithoutMarks(text, "1:", "f", "F", "ƒ", "/", ":"), out var value) ? reading.InRange(value) : reading.NotRead();
    }

    private static EntryResult TNumber(Reading reading)
    {
        var text = reading.Text;
        if (text[0] is 'f' or 'F' or 'ƒ')
        {
            return EntryResult.Refused($"“{text}” is an f-number. Type the T-number, for example T2.1, or leave it empty.");
        }

        return NumberText.TryRead(WithoutMarks(text, "T", "t", "/"), out var value) ? reading.InRange(value) : reading.NotRead();
    }

    /// <summary>One number, or one over another.</summary>
    private static EntryResult Shape(Reading reading, string marks)
    {
        if (NumberText.TryRead(reading.Text, out var single))
        {
            return reading.InRange(single);
        }

        return TrySplit(reading.Text, marks, out var first, out var second) && first > 0 && second > 0
            ? reading.InRange(first / second)
            : reading.NotRead();
    }

    private static EntryResult Pair(Reading reading) =>
        reading.Rule.Quantity == Quantity.SensorSide && SensorFormat.Typed(reading.Text) is { } format ? reading.InRange(format.WidthMm, format.HeightMm)
        : reading.Rule.Quantity == Quantity.Pixels && PixelNames.Find(reading.Text) is { } pixels ? reading.InRange(pixels.Across, pixels.Up)
        : TrySplit(Bare(reading, everywhere: true).Replace("by", "x", StringComparison.OrdinalIgnoreCase), "x×X*", out var width, out var height) ? reading.InRange(width, height) : reading.NotRead();

    private static EntryResult Span(Reading reading)
    {
        var text = Bare(reading, everywhere: true);
        if (NumberText.TryRead(text, out var single))
        {
            return reading.InRange(single);
        }

        if (!TrySplit(text.Replace("to", "-", StringComparison.OrdinalIgnoreCase), "-–—", out var from, out var to))
        {
            return reading.NotRead();
        }

        return from <= to
            ? reading.InRange(from, to)
            : EntryResult.Refused($"“{reading.Text}” runs backwards. Type the smaller number first, for example {reading.Rule.Quantity.Example}.");
    }

    private static EntryResult Chain(Reading reading)
    {
        // 2x0.71 and "2x × 0.71" both are two links; a mark at the end, as in 2x, is none.
        var links = reading.Text.Split(['x', '×', 'X', '*', '·', ' '], StringSplitOptions.RemoveEmptyEntries);
        var values = new double[links.Length];
        for (var i = 0; i < links.Length; i++)
        {
            if (!NumberText.TryRead(links[i], out values[i]))
            {
                return reading.NotRead();
            }
        }

        if (values.Length > OpticsChain.Most)
        {
            return EntryResult.Refused($"{values.Length} reducers and extenders in a row are more than is reckoned with. Give {OpticsChain.Most} at most.");
        }

        return values.Length == 0 ? reading.NotRead() : reading.InRange(values);
    }

    private static EntryResult Signed(Reading reading)
    {
        var text = Bare(reading);
        var below = text.StartsWith('-') || text.StartsWith('−');
        var size = below || text.StartsWith('+') ? text[1..] : text;
        return NumberText.TryReadFraction(size, out var value) ? reading.InRange(below ? -value : value) : One(reading, size, below ? -1 : 1);
    }

    private static EntryResult FilterStops(Reading reading)
    {
        if (!reading.Text.StartsWith("nd", StringComparison.OrdinalIgnoreCase))
        {
            return Signed(reading);
        }

        return FilterText.StopsOf(reading.Text.AsSpan(2)) is { } stops ? reading.InRange(stops) : reading.NotRead();
    }

    private static EntryResult Brightness(Reading reading)
    {
        foreach (var mark in (ReadOnlySpan<string>)["lux", "lx"])
        {
            if (reading.Text.EndsWith(mark, StringComparison.OrdinalIgnoreCase))
            {
                return NumberText.TryRead(reading.Text.AsSpan(0, reading.Text.Length - mark.Length), out var lux) && lux > 0
                    ? reading.InRange(Exposure.ValueFromLuxEv(lux))
                    : reading.NotRead();
            }
        }

        foreach (var mark in (ReadOnlySpan<string>)["cd/m²", "cd/m2", "nits", "nit"])
        {
            if (reading.Text.EndsWith(mark, StringComparison.OrdinalIgnoreCase))
            {
                return NumberText.TryRead(reading.Text.AsSpan(0, reading.Text.Length - mark.Length), out var luminance) && luminance > 0
                    ? reading.InRange(Exposure.ValueFromLuminanceEv(luminance))
                    : reading.NotRead();
            }
        }

        if (!SettingsText.IsMeant(reading.Text))
        {
            return Signed(reading);
        }

        return SettingsText.TryRead(reading.Text, reading.Fps, out var settings, out var missing)
            ? reading.InRange(settings.RightForEv!.Value)
            : EntryResult.Refused($"“{reading.Text}” lacks {missing}. Type the settings that looked right, for example {SettingsText.Example}.");
    }

    /// <summary>A bare number above one is as likely the lower half of a fraction.</summary>
    private static EntryResult ExposureTime(Reading reading)
    {
        var text = reading.Text;
        if (text.EndsWith("ms", StringComparison.OrdinalIgnoreCase))
        {
            return One(reading, text[..^2], 0.001);
        }

        var bare = Bare(reading);
        if (TrySplit(bare, "/", out var top, out var bottom) && bottom > 0)
        {
            return reading.InRange(top / bottom);
        }

        return bare == text && NumberText.TryRead(text, out var number) && number > 1
            ? EntryResult.Refused($"“{text}” could be 1/{text} s or {text} s. Type the one that is meant.")
            : One(reading, bare, 1);
    }

    private static EntryResult Weight(Reading reading)
    {
        foreach (var (mark, grams) in WeightUnits)
        {
            if (reading.Text.EndsWith(mark, StringComparison.OrdinalIgnoreCase))
            {
                return One(reading, reading.Text[..^mark.Length], grams);
            }
        }

        return One(reading, reading.Text, 1);
    }

    private static EntryResult One(Reading reading, string text, double times) =>
        NumberText.TryRead(text, out var value) ? reading.InRange(value * times) : reading.NotRead();

    /// <summary>The text without the marks of its kind, before and behind or wherever they stand.</summary>
    private static string Bare(Reading reading, bool everywhere = false)
    {
        var text = reading.Text;
        foreach (var mark in reading.Rule.Marks)
        {
            if (everywhere)
            {
                text = text.Replace(mark, "", StringComparison.OrdinalIgnoreCase);
                continue;
            }

            text = text.StartsWith(mark, StringComparison.OrdinalIgnoreCase) ? text[mark.Length..].Trim() : text;
            text = text.EndsWith(mark, StringComparison.OrdinalIgnoreCase) ? text[..^mark.Length].Trim() : text;
        }

        return text;
    }

    private static ReadOnlySpan<char> WithoutMarks(ReadOnlySpan<char> text, params ReadOnlySpan<string> marks)
    {
        foreach (var mark in marks)
        {
            text = text.StartsWith(mark, StringComparison.Ordinal) ? text[mark.Length..].TrimStart() : text;
        }

        return text;
    }

    private static bool TrySplit(string text, string marks, out double first, out double second)
    {
        second = double.NaN;
        var at = text.AsSpan().IndexOfAny(marks);
        first = double.NaN;
        return at > 0 && NumberText.TryRead(text.AsSpan(0, at), out first) && NumberText.TryRead(text.AsSpan(at + 1), out second);
    }

    /// <summary>A text on its way to numbers.</summary>
    private readonly record struct Reading(EntryRule Rule, string Text, LengthUnit Unit)
    {
        /// <summary>Frames a second; NaN where none is known.</summary>
        public double Fps { get; init; } = double.NaN;

        /// <summary>What may be typed; a time stands for a shutter only where a frame rate is known.</summary>
        public string Example => Rule.Notation == Notation.Shutter && double.IsNaN(Fps) ? "180" : Rule.Quantity.Example;

        public EntryResult InRange(params ReadOnlySpan<double> values)
        {
            foreach (var value in values)
            {
                if (!Rule.Quantity.Accepts(value))
                {
                    return EntryResult.Refused($"{Rule.Quantity.Name} “{Text}” is outside {Rule.Quantity.Range(Unit)}. Type a value within it.");
                }
            }

            return EntryResult.Of(values.ToArray());
        }

        public EntryResult NotRead() =>
            EntryResult.Refused($"“{Text}” is not read as {LowerFirst(Rule.Quantity.Name)}. Type for example {Example}.");

        private static string LowerFirst(string text) => text.Length > 1 && char.IsUpper(text[1]) || text.StartsWith("T-", StringComparison.Ordinal)
            ? text
            : char.ToLowerInvariant(text[0]) + text[1..];
    }
}

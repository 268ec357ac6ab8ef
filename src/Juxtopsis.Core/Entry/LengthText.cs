namespace Juxtopsis.Core.Entry;

/// <summary>Reads lengths as people write them: <c>3m</c>, <c>320 cm</c>, <c>10'6"</c>, <c>10 ft 6 in</c>, <c>6 1/2"</c>, <c>inf</c>.</summary>
internal static class LengthText
{
    private static readonly (string Suffix, double Mm)[] Units =
    [
        ("millimetres", 1), ("millimeters", 1), ("millimetre", 1), ("millimeter", 1), ("mm", 1),
        ("centimetres", 10), ("centimeters", 10), ("centimetre", 10), ("centimeter", 10), ("cm", 10),
        ("kilometres", 1e6), ("kilometers", 1e6), ("kilometre", 1e6), ("kilometer", 1e6), ("km", 1e6),
        ("metres", 1000), ("meters", 1000), ("metre", 1000), ("meter", 1000), ("m", 1000),
        ("feet", 304.8), ("foot", 304.8), ("ft", 304.8), ("'", 304.8),
        ("inches", 25.4), ("inch", 25.4), ("in", 25.4), ("\"", 25.4),
    ];

    /// <summary>Reads a length.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="bareMm">Millimetres of one when no unit is given.</param>
    /// <param name="mm">The length, mm; positive infinity for a word that says so.</param>
    /// <returns>False when the text is not a length.</returns>
    public static bool TryRead(string text, double bareMm, out double mm)
    {
        var plain = Plain(text);
        if (plain is "inf" or "infinity" or "infinite" or "∞")
        {
            mm = double.PositiveInfinity;
            return true;
        }

        return TrySingle(plain, bareMm, out mm) || TryFeetAndInches(plain, out mm);
    }

    private static string Plain(string text) => text.Trim().ToLowerInvariant()
        .Replace('\u2032', '\'').Replace('\u2019', '\'').Replace('\u2018', '\'')
        .Replace('\u2033', '"').Replace('\u201D', '"').Replace('\u201C', '"')
        .Replace("''", "\"", StringComparison.Ordinal)
        .Replace('\u00A0', ' ').Replace('\u202F', ' ').Replace('\u2009', ' ');

    private static bool TrySingle(string text, double bareMm, out double mm)
    {
        foreach (var (suffix, unit) in Units)
        {
            if (text.EndsWith(suffix, StringComparison.Ordinal))
            {
                return TryAmount(text[..^suffix.Length], out mm, unit);
            }
        }

        return TryAmount(text, out mm, bareMm);
    }

    private static bool TryFeetAndInches(string text, out double mm)
    {
        mm = double.NaN;
        foreach (var mark in (ReadOnlySpan<string>)["feet", "foot", "ft", "'"])
        {
            var at = text.IndexOf(mark, StringComparison.Ordinal);
            if (at <= 0)
            {
                continue;
            }

            var rest = text[(at + mark.Length)..].Trim();
            foreach (var inch in (ReadOnlySpan<string>)["inches", "inch", "in", "\""])
            {
                rest = rest.EndsWith(inch, StringComparison.Ordinal) ? rest[..^inch.Length] : rest;
            }

            if (NumberText.TryRead(text.AsSpan(0, at), out var feet) && TryAmount(rest, out var inches, 25.4) && inches < 304.8)
            {
                mm = feet * 304.8 + inches;
                return true;
            }
        }

        return false;
    }

    /// <summary>A number, a fraction such as 1/2, or a number and a fraction.</summary>
    private static bool TryAmount(string text, out double mm, double unit)
    {
        var isRead = NumberText.TryReadFraction(text, out var number);
        mm = isRead ? number * unit : double.NaN;
        return isRead;
    }
}

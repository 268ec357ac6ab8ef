using System.Buffers;
using System.Globalization;
using System.Text.RegularExpressions;

namespace Juxtopsis.Core.Entry;

/// <summary>Reads the plain numbers inside typed texts: a decimal point or a decimal comma, no exponent.</summary>
internal static partial class NumberText
{
    /// <summary>No text that is short enough to be read takes nearly so long, ms.</summary>
    internal const int MostMs = 1000;

    private static readonly SearchValues<char> Marks = SearchValues.Create("0123456789.,");

    /// <summary>Reads a number.</summary>
    /// <param name="text">Text without units.</param>
    /// <param name="value">The number; never negative, never infinite.</param>
    /// <returns>False for anything but digits with at most one decimal mark between or before them, and for what <see cref="Meanings"/> tells apart.</returns>
    public static bool TryRead(ReadOnlySpan<char> text, out double value)
    {
        value = double.NaN;
        text = text.Trim();
        if (text.IsEmpty || text.Length > 32 || text.ContainsAnyExcept(Marks) || CommaBeforeThree().IsMatch(text))
        {
            return false;
        }

        Span<char> plain = stackalloc char[text.Length];
        text.Replace(plain, ',', '.');
        return double.TryParse(plain, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out value);
    }

    /// <summary>Reads a number that may have a fraction: <c>2.5</c>, <c>1/3</c>, <c>2 1/3</c>.</summary>
    /// <param name="text">Text without units.</param>
    /// <param name="value">The number; never negative, never infinite.</param>
    /// <returns>False for anything else.</returns>
    public static bool TryReadFraction(string text, out double value)
    {
        text = text.Trim();
        if (TryRead(text, out value))
        {
            return true;
        }

        var space = text.LastIndexOf(' ');
        var slash = text.IndexOf('/', StringComparison.Ordinal);
        double whole = 0;
        if (slash < 0 || (space > 0 && !TryRead(text.AsSpan(0, space), out whole))
            || !TryRead(text.AsSpan(space + 1, Math.Max(0, slash - space - 1)), out var top)
            || !TryRead(text.AsSpan(slash + 1), out var bottom) || bottom == 0)
        {
            return false;
        }

        value = whole + top / bottom;
        return true;
    }

    /// <summary>
    /// What a text may mean, since a comma is a decimal mark to some and parts thousands for others: <c>23,976</c> is both, until
    /// something else tells. A point and a comma in one number tell it: the last of them is the decimal mark.
    /// </summary>
    /// <param name="text">A text with numbers in it.</param>
    /// <returns>The text with plain numbers in it, in one way or in two: first with decimal commas, then with thousands.</returns>
    public static IReadOnlyList<string> Meanings(string text)
    {
        text = PointAfterCommas().Replace(text, m => m.Value.Replace(",", "", StringComparison.Ordinal));
        text = CommaAfterPoints().Replace(text, m => m.Value.Replace(".", "", StringComparison.Ordinal).Replace(',', '.'));
        var unclear = CommaBeforeThree().Matches(text);
        if (unclear.Count == 0)
        {
            return [text];
        }

        var thousands = CommaBeforeThree().Replace(text, m => m.Value.Replace(",", "", StringComparison.Ordinal));
        return unclear.Any(m => m.Value.Count(c => c == ',') > 1)
            ? [thousands]
            : [CommaBeforeThree().Replace(text, m => m.Value.Replace(',', '.')), thousands];
    }

    [GeneratedRegex(@"(?<![\d.,])[1-9]\d{0,2}(?:,\d{3})+(?![\d.,])", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, MostMs)]
    private static partial Regex CommaBeforeThree();

    [GeneratedRegex(@"(?<![\d.,])\d{1,3}(?:,\d{3})+\.\d+(?![\d.,])", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, MostMs)]
    private static partial Regex PointAfterCommas();

    [GeneratedRegex(@"(?<![\d.,])\d{1,3}(?:\.\d{3})+,\d+(?![\d.,])", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, MostMs)]
    private static partial Regex CommaAfterPoints();
}

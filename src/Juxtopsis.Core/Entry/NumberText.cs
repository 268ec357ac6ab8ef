using System.Buffers;
using System.Globalization;

namespace Juxtopsis.Core.Entry;

/// <summary>Reads the plain numbers inside typed texts: a decimal point or a decimal comma, no exponent, no thousands mark.</summary>
internal static class NumberText
{
    private static readonly SearchValues<char> Marks = SearchValues.Create("0123456789.,");

    /// <summary>Reads a number.</summary>
    /// <param name="text">Text without units.</param>
    /// <param name="value">The number; never negative, never infinite.</param>
    /// <returns>False for anything but digits with at most one decimal mark between or before them.</returns>
    public static bool TryRead(ReadOnlySpan<char> text, out double value)
    {
        value = double.NaN;
        text = text.Trim();
        if (text.IsEmpty || text.Length > 32 || text.ContainsAnyExcept(Marks) || IsThousands(text))
        {
            return false;
        }

        Span<char> plain = stackalloc char[text.Length];
        text.Replace(plain, ',', '.');
        return double.TryParse(plain, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out value);
    }

    /// <summary>True for texts such as <c>1,000</c>, which may mean one or a thousand.</summary>
    /// <param name="text">Text without units.</param>
    /// <returns>Whether a comma stands before exactly three last digits.</returns>
    public static bool IsThousands(ReadOnlySpan<char> text)
    {
        text = text.Trim();
        var comma = text.LastIndexOf(',');
        return comma > 0 && text[0] != '0' && text.Length - comma == 4 && !text.Contains('.');
    }
}

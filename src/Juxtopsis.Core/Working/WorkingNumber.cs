using System.Globalization;

namespace Juxtopsis.Core.Working;

/// <summary>Numbers as they stand in a working: seven digits, a true minus, and powers of ten that people read.</summary>
public static class WorkingNumber
{
    /// <summary>Writes a number.</summary>
    /// <param name="value">Any number.</param>
    /// <returns>For example <c>35.5</c>, <c>−0.0123</c>, <c>1.2·10⁻⁷</c>, <c>∞</c>.</returns>
    public static string Say(double value)
    {
        if (!double.IsFinite(value))
        {
            return double.IsNaN(value) ? "—" : value > 0 ? "∞" : "−∞";
        }

        var text = value.ToString("G7", CultureInfo.InvariantCulture);
        var at = text.IndexOf('E', StringComparison.Ordinal);
        if (at >= 0)
        {
            var power = int.Parse(text.AsSpan(at + 1), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture);
            text = $"{text[..at]}·10{Raised(power)}";
        }

        return text.Replace('-', '−');
    }

    private static string Raised(int power)
    {
        const string Digits = "⁰¹²³⁴⁵⁶⁷⁸⁹";
        var text = power.ToString(CultureInfo.InvariantCulture);
        return string.Concat(text.Select(c => c == '-' ? '⁻' : Digits[c - '0']));
    }
}

using System.Text.RegularExpressions;
using Juxtopsis.Core.Light;

namespace Juxtopsis.Core.Entry;

/// <summary>Reads settings that looked right, in any order: <c>ISO 800 ƒ2.8 1/50 ND8</c>, <c>T2 180° iso 400 3 st</c>.</summary>
internal static partial class SettingsText
{
    /// <summary>What may be typed.</summary>
    public const string Example = "ISO 800 ƒ2.8 1/50 ND8";

    /// <summary>Whether a text is meant for settings: it names a sensitivity.</summary>
    /// <param name="text">What was typed.</param>
    /// <returns>True then.</returns>
    public static bool IsMeant(string text) => Iso().IsMatch(text);

    /// <summary>Reads them.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="fps">Frames a second, for a shutter angle; NaN where none is known.</param>
    /// <param name="settings">The settings.</param>
    /// <param name="missing">What is not there, or not read.</param>
    /// <returns>False when something is missing.</returns>
    public static bool TryRead(string text, double fps, out ExposureSettings settings, out string missing)
    {
        settings = default;
        var rest = text;
        var iso = Take(ref rest, Iso(), "number");
        var density = Density().Match(rest) is { Success: true } nd ? FilterText.StopsOf(nd.Groups["number"].ValueSpan) : null;
        rest = Density().Replace(rest, " ", 1);
        var stops = Take(ref rest, Stops(), "number") ?? 0;
        var aperture = Take(ref rest, Aperture(), "number");
        var time = Fraction().Match(rest) is { Success: true } fraction && Of(fraction, "top") is { } top && Of(fraction, "bottom") is { } bottom ? top / bottom : (double?)null;
        rest = Fraction().Replace(rest, " ", 1);
        time ??= Take(ref rest, Seconds(), "number");
        time ??= Take(ref rest, Angle(), "number") is { } angle && !double.IsNaN(fps) ? Exposure.TimeSeconds(angle, fps) : null;
        missing = iso is not > 0 ? "a sensitivity" : aperture is not > 0 ? "an aperture" : time is not > 0 ? "a shutter time" : rest.Trim(' ', ',', ';').Length > 0 ? $"a meaning for “{rest.Trim(' ', ',', ';')}”" : "";
        if (missing.Length > 0)
        {
            return false;
        }

        settings = new(aperture!.Value, time!.Value, stops + (density ?? 0), iso);
        return true;
    }

    private static double? Take(ref string text, Regex regex, string group)
    {
        var match = regex.Match(text);
        if (!match.Success || Of(match, group) is not { } value)
        {
            return null;
        }

        text = text.Remove(match.Index, match.Length).Insert(match.Index, " ");
        return value;
    }

    private static double? Of(Match match, string group) => NumberText.TryRead(match.Groups[group].ValueSpan, out var value) ? value : null;

    [GeneratedRegex(@"\b(iso|ei)\s*(?<number>\d[\d.]*)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, NumberText.MostMs)]
    private static partial Regex Iso();

    [GeneratedRegex(@"\bnd\s*(?<number>\d[\d.]*)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, NumberText.MostMs)]
    private static partial Regex Density();

    [GeneratedRegex(@"(?<number>\d[\d.]*)\s*(stops?|st)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, NumberText.MostMs)]
    private static partial Regex Stops();

    [GeneratedRegex(@"(ƒ|\bf|\bt)\s*/?\s*(?<number>\d[\d.]*)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, NumberText.MostMs)]
    private static partial Regex Aperture();

    [GeneratedRegex(@"(?<top>\d[\d.]*)\s*/\s*(?<bottom>\d[\d.]*)\s*(seconds|sec|s)?(?![\d.a-z])", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, NumberText.MostMs)]
    private static partial Regex Fraction();

    [GeneratedRegex(@"(?<number>\d[\d.]*)\s*(seconds|sec|s)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, NumberText.MostMs)]
    private static partial Regex Seconds();

    [GeneratedRegex(@"(?<number>\d[\d.]*)\s*(°|deg(rees)?\b)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, NumberText.MostMs)]
    private static partial Regex Angle();
}

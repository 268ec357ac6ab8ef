using System.Text.RegularExpressions;

namespace Juxtopsis.Core.Entry;

/// <summary>Reads lengths of time as people write them: <c>90 s</c>, <c>10 min</c>, <c>1:30 h</c>, <c>1 h 30 min</c>, <c>1:30:00</c>.</summary>
internal static partial class TimeText
{
    private const double Minute = 60;
    private const double Hour = 3600;

    /// <summary>Reads a length of time.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="bareSeconds">Seconds of one when no unit is given.</param>
    /// <param name="seconds">The length, s.</param>
    /// <param name="isUnclear">True for 1:30 without a unit where one is in minutes: hours and minutes, or minutes and seconds.</param>
    /// <returns>False when the text is not read.</returns>
    public static bool TryRead(string text, double bareSeconds, out double seconds, out bool isUnclear)
    {
        (seconds, isUnclear) = (double.NaN, false);
        if (NumberText.TryRead(text, out var bare))
        {
            seconds = bare * bareSeconds;
            return true;
        }

        var clock = Clock().Match(text);
        if (clock.Success)
        {
            var (first, second) = (Of(clock, "first"), Of(clock, "second"));
            var (hasThird, unit) = (clock.Groups["third"].Success, clock.Groups["unit"].Value);
            isUnclear = !hasThird && unit.Length == 0 && bareSeconds == Minute;
            var inHours = hasThird || unit.StartsWith("h", StringComparison.OrdinalIgnoreCase);
            seconds = inHours ? first * Hour + second * Minute + (hasThird ? Of(clock, "third") : 0) : first * Minute + second;
            return !isUnclear && second < 60 && (!hasThird || Of(clock, "third") < 60);
        }

        var words = Words().Match(text);
        if (!words.Success || text.Length == 0)
        {
            return false;
        }

        seconds = Part(words, "hours", Hour) + Part(words, "minutes", Minute) + Part(words, "seconds", 1);
        return double.IsFinite(seconds);
    }

    private static double Of(Match match, string group) => NumberText.TryRead(match.Groups[group].ValueSpan, out var value) ? value : double.NaN;

    private static double Part(Match match, string group, double unit) => match.Groups[group].Success ? Of(match, group) * unit : 0;

    [GeneratedRegex(@"^(?<first>\d{1,4}):(?<second>\d{2})(:(?<third>\d{2}))?\s*(?<unit>h|hrs?|hours?|min|mins|minutes)?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, NumberText.MostMs)]
    private static partial Regex Clock();

    [GeneratedRegex(@"^((?<hours>[\d.,]+)\s*(h|hrs?|hours?))?\s*((?<minutes>[\d.,]+)\s*(m|min|mins|minutes?|′|'))?\s*((?<seconds>[\d.,]+)\s*(s|secs?|seconds?|″|""))?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, NumberText.MostMs)]
    private static partial Regex Words();
}

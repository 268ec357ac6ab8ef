using System.Globalization;
using Juxtopsis.Contracts.Bookings;
using Juxtopsis.Contracts.Diagnostics;
using NodaTime;
using NodaTime.Text;

namespace Juxtopsis.Server.Bookings;

/// <summary>A span of use, and the span in which nobody else can have the thing.</summary>
internal readonly record struct BookedSpan(Instant Starts, Instant Ends, Instant BlockedFrom, Instant BlockedTo)
{
    public bool Overlaps(BookedSpan other) => BlockedFrom < other.BlockedTo && other.BlockedFrom < BlockedTo;
}

/// <summary>
/// What a time on a clock of the crew's zone means, and back. Where clocks go back an hour is there twice: a use that begins in it begins
/// the first time, one that ends in it ends the second time, so that nobody is left without. An hour that is left out is refused.
/// </summary>
/// <param name="zone">The crew's time zone.</param>
internal sealed class BookingTimes(DateTimeZone zone)
{
    private static readonly LocalDateTimePattern Pattern = LocalDateTimePattern.CreateWithInvariantCulture("uuuu-MM-dd'T'HH:mm");
    private static readonly Duration Longest = Duration.FromDays(731);

    /// <summary>A time zone by its name in the tz database; null when there is none of that name.</summary>
    public static DateTimeZone? ZoneOf(string name) => DateTimeZoneProviders.Tzdb.GetZoneOrNull(name);

    /// <summary>The names of all time zones.</summary>
    public static IReadOnlyCollection<string> Zones => DateTimeZoneProviders.Tzdb.Ids;

    /// <summary>Reads the span of a booking.</summary>
    /// <param name="input">The booking.</param>
    /// <param name="prefix">Path to its fields, for what is refused.</param>
    /// <param name="errors">Takes what is wrong.</param>
    /// <returns>The span; null when something is wrong.</returns>
    public BookedSpan? Read(BookingInput input, string prefix, List<DiagnosticOutput> errors)
    {
        var starts = At(input.From, prefix + "from", atEnd: false, errors);
        var ends = At(input.To, prefix + "to", atEnd: true, errors);
        if (starts is not { } from || ends is not { } to)
        {
            return null;
        }

        if (to <= from)
        {
            errors.Add(new(prefix + "to", input.To, $"later than {input.From}", "The booking ends before it begins, or as it begins.", "Give a later end."));
            return null;
        }

        if (to - from > Longest)
        {
            errors.Add(new(prefix + "to", input.To, "within two years", "The booking lasts longer than two years.", "Give an earlier end, or several bookings."));
            return null;
        }

        return new(from, to, from - Duration.FromMinutes(input.BeforeMinutes), to + Duration.FromMinutes(input.AfterMinutes));
    }

    /// <summary>An instant on the crew's clock.</summary>
    public string Text(DateTimeOffset at) => Pattern.Format(Local(at));

    /// <summary>The days that begin, or go on, between two instants: those for which a house charges. A return at midnight begins no day.</summary>
    public int Days(DateTimeOffset from, DateTimeOffset to)
    {
        var (first, end) = (Local(from).Date, Local(to));
        var last = end.TimeOfDay == LocalTime.Midnight ? end.Date.PlusDays(-1) : end.Date;
        return Math.Max(1, Period.DaysBetween(first, last) + 1);
    }

    private LocalDateTime Local(DateTimeOffset at) => Instant.FromDateTimeOffset(at).InZone(zone).LocalDateTime;

    private Instant? At(string text, string field, bool atEnd, List<DiagnosticOutput> errors)
    {
        if (Pattern.Parse(text) is not { Success: true, Value: { Year: >= 2000 and <= 2200 } local })
        {
            errors.Add(new(field, text.Length > 40 ? text[..40] + "…" : text, "such as 2027-03-28T07:30", "That is no day and time of the years 2000 to 2200.", "Give year, month, day, hour and minute: 2027-03-28T07:30."));
            return null;
        }

        var mapping = zone.MapLocal(local);
        if (mapping.Count > 0)
        {
            return (atEnd ? mapping.Last() : mapping.First()).ToInstant();
        }

        var after = mapping.LateInterval.IsoLocalStart;
        errors.Add(new(
            field, text, $"{Pattern.Format(after)} or later",
            string.Create(CultureInfo.InvariantCulture, $"{text[11..]} does not exist on {text[..10]} in {zone.Id}: the clocks go forward to {text[..10]} {after:HH:mm}."),
            $"Give {Pattern.Format(after)} or later, or a time before the clocks change."));
        return null;
    }
}

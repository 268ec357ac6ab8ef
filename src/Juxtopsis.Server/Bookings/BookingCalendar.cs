using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using Juxtopsis.Contracts.Bookings;

namespace Juxtopsis.Server.Bookings;

/// <summary>Bookings as an iCalendar file (RFC 5545): an event for each, over the time for which others cannot have the thing.</summary>
internal static class BookingCalendar
{
    /// <summary>Writes bookings.</summary>
    /// <param name="bookings">The bookings.</param>
    /// <param name="nameOf">What a booked unit is called.</param>
    /// <param name="written">When it is written.</param>
    /// <returns>The file.</returns>
    public static string Write(IEnumerable<BookingOutput> bookings, Func<BookingOutput, string> nameOf, DateTimeOffset written)
    {
        var calendar = new Calendar { ProductId = "-//Juxtopsis//Bookings//EN", Method = "PUBLISH" };
        foreach (var booking in bookings)
        {
            calendar.Events.Add(new CalendarEvent
            {
                Uid = $"{booking.Id}@juxtopsis",
                DtStamp = At(written),
                Start = At(booking.PickUpAt),
                End = At(booking.ReturnAt),
                Summary = $"{nameOf(booking)}: {booking.CrewUnit}",
                Description = $"Used {booking.From.Replace('T', ' ')} to {booking.To.Replace('T', ' ')}.{(booking.Note.Length > 0 ? $" {booking.Note}" : "")}",
            });
        }

        return new CalendarSerializer().SerializeToString(calendar) ?? "";
    }

    private static CalDateTime At(DateTimeOffset at) => new(at.UtcDateTime, "UTC");
}

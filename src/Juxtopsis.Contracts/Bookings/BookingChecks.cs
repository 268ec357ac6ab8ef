using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Bookings;

/// <summary>Refuses units, bookings and terms that cannot be; what depends on the calendar is checked where the time zone is known.</summary>
public static class BookingChecks
{
    /// <summary>The most bookings that are made or cancelled at once.</summary>
    public const int MostAtOnce = 500;

    /// <summary>The longest way and cleaning, minutes: a fortnight.</summary>
    public const int MostAroundMinutes = 14 * 24 * 60;

    private static readonly Quantity Around = new("Time before and after", "min", 0, MostAroundMinutes, "60");
    private static readonly Quantity Charged = new("Days charged", "", 0, 1000, "3");
    private static readonly Quantity Percent = new("What is put on top", "%", 0, 1000, "19");

    /// <summary>Checks a physical unit.</summary>
    /// <param name="input">The unit.</param>
    /// <returns>The problem; null when it can be stored.</returns>
    public static Problem? Check(UnitInput input)
    {
        ArgumentNullException.ThrowIfNull(input);
        var checks = new FieldChecks();
        checks.Text("label", input.Label, "The label", 80);
        checks.Text("owner", input.Owner, "The owner", 120);
        checks.Text("place", input.Place, "The place", 120);
        checks.Text("conditionNote", input.ConditionNote, "The note", 500);
        return Of(checks);
    }

    /// <summary>Checks what is to be booked and cancelled.</summary>
    /// <param name="input">The request.</param>
    /// <returns>The problem; null when it can be tried.</returns>
    public static Problem? Check(BookingsRequest input)
    {
        ArgumentNullException.ThrowIfNull(input);
        var checks = new FieldChecks();
        Count(checks, "book", input.Book.Count);
        Count(checks, "cancel", input.Cancel.Count);
        if (checks.NoNull("book", input.Book))
        {
            for (var i = 0; i < input.Book.Count; i++)
            {
                Check(checks, input.Book[i], $"book[{i}].");
            }

            if (input.Book.GroupBy(b => b.Id).FirstOrDefault(g => g.Count() > 1) is { } twice)
            {
                checks.Add("book", $"{twice.Key}", "each identity once", "Two of the bookings are the same by their identity.", "Give one of them another.");
            }
        }

        return Of(checks);
    }

    /// <summary>Checks what a crew reckons with; whether its time zone is known is not asked here.</summary>
    /// <param name="input">The terms.</param>
    /// <returns>The problem; null when they can be stored.</returns>
    public static Problem? Check(CrewTerms input)
    {
        ArgumentNullException.ThrowIfNull(input);
        var checks = new FieldChecks();
        checks.Text("currency", input.Currency, "The currency", 8);
        checks.Text("timeZone", input.TimeZone, "The time zone", 40);
        if (string.IsNullOrWhiteSpace(input.Currency))
        {
            checks.Add("currency", "", "1 to 8 characters", "The currency has no sign.", "Give one, such as € or EUR.");
        }

        checks.InRange("taxPercent", input.TaxPercent, Percent with { Name = "Tax" });
        checks.InRange("marginPercent", input.MarginPercent, Percent with { Name = "Margin" });
        return Of(checks);
    }

    private static void Check(FieldChecks checks, BookingInput input, string prefix)
    {
        checks.Text(prefix + "crewUnit", input.CrewUnit, "Who has it", 60);
        if (string.IsNullOrWhiteSpace(input.CrewUnit))
        {
            checks.Add(prefix + "crewUnit", "", "1 to 60 characters", "It is not said who has it.", "Choose a unit of the crew.");
        }

        checks.Text(prefix + "note", input.Note, "The note", 500);
        checks.InRange(prefix + "beforeMinutes", input.BeforeMinutes, Around with { Name = "Time before" });
        checks.InRange(prefix + "afterMinutes", input.AfterMinutes, Around with { Name = "Time after" });
        checks.InRange(prefix + "daysCharged", input.DaysCharged, Charged);
    }

    private static void Count(FieldChecks checks, string field, int count)
    {
        if (count > MostAtOnce)
        {
            checks.Add(field, $"{count}", $"up to {MostAtOnce}", $"{count} bookings are more than {MostAtOnce} at once.", "Send them in parts.");
        }
    }

    private static Problem? Of(FieldChecks checks) => checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
}

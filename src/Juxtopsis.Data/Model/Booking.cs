namespace Juxtopsis.Data.Model;

/// <summary>A physical unit that a unit of the crew has for a span of time. The database refuses two that overlap.</summary>
public sealed class Booking : ICrewOwned
{
    /// <summary>The constraint of the database that makes a double booking impossible.</summary>
    public const string NoOverlap = "ex_bookings_unit_blocked";

    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>Identity within the crew, chosen by whoever makes it, so that saving again after a lost answer is harmless.</summary>
    public required Guid Id { get; init; }

    /// <summary>The physical unit.</summary>
    public required Guid GearUnitId { get; set; }

    /// <summary>The production that it is for; null for none.</summary>
    public Guid? ProductionId { get; set; }

    /// <summary>The bag of that production that it goes into; null for none.</summary>
    public Guid? BagId { get; set; }

    /// <summary>Who has it: a unit of the crew, by name, up to 60 characters.</summary>
    public required string CrewUnit { get; set; }

    /// <summary>When its use begins.</summary>
    public required DateTimeOffset StartsAt { get; set; }

    /// <summary>When its use ends; later than it begins.</summary>
    public required DateTimeOffset EndsAt { get; set; }

    /// <summary>When it is kept from others: the way there is before the use.</summary>
    public required DateTimeOffset BlockedFrom { get; set; }

    /// <summary>When others may have it: way back and cleaning are after the use.</summary>
    public required DateTimeOffset BlockedTo { get; set; }

    /// <summary>The days for which a house charges, where that is not every day begun; null for that.</summary>
    public int? DaysCharged { get; set; }

    /// <summary>Anything else to know, up to 500 characters.</summary>
    public string Note { get; set; } = "";

    /// <summary>What whoever booked it is called; empty where that was not said.</summary>
    public string By { get; set; } = "";

    /// <summary>Counts changes from 1; guards against two people overwriting each other.</summary>
    public int Revision { get; set; } = 1;

    /// <summary>When it was last changed.</summary>
    public required DateTimeOffset UpdatedAt { get; set; }

    /// <summary>When it was cancelled; null when it was not. A cancelled one keeps nobody out.</summary>
    public DateTimeOffset? CancelledAt { get; set; }
}

using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Core.Bags;

namespace Juxtopsis.Contracts.Bookings;

/// <summary>A physical unit of a model, as a person saves it.</summary>
public sealed record UnitInput
{
    /// <summary>Identity of the model on the shelf.</summary>
    public required Guid GearId { get; init; }

    /// <summary>Serial number or tag, up to 80 characters.</summary>
    public string Label { get; set; } = "";

    /// <summary>Whose it is, up to 120 characters; empty where the model says so.</summary>
    public string Owner { get; set; } = "";

    /// <summary>Where it is, up to 120 characters.</summary>
    public string Place { get; set; } = "";

    /// <summary>What state it is in.</summary>
    public UnitCondition Condition { get; set; }

    /// <summary>What is wrong with it, up to 500 characters.</summary>
    public string ConditionNote { get; set; } = "";
}

/// <summary>A physical unit of a model.</summary>
/// <param name="Id">Its identity; of a model's first unit that of the model.</param>
/// <param name="GearId">The model.</param>
/// <param name="Label">Serial number or tag; may be empty.</param>
/// <param name="Owner">Whose it is; empty where the model says so.</param>
/// <param name="Place">Where it is; may be empty.</param>
/// <param name="Condition">What state it is in.</param>
/// <param name="ConditionNote">What is wrong with it; may be empty.</param>
/// <param name="Revision">Counts its changes, from 1.</param>
public sealed record UnitOutput(Guid Id, Guid GearId, string Label, string Owner, string Place, UnitCondition Condition, string ConditionNote, int Revision);

/// <summary>Which model a unit is one of.</summary>
public sealed record UnitModelInput
{
    /// <summary>Identity of the model; that of the unit itself makes it a model of its own.</summary>
    public required Guid GearId { get; init; }
}

/// <summary>A model that a unit can be one of: its papers are those of the unit's own.</summary>
/// <param name="GearId">Its identity.</param>
/// <param name="Name">Its full name.</param>
public sealed record UnitModelOutput(Guid GearId, string Name);

/// <summary>A physical unit that somebody wants for a span of time. Times are of the crew's time zone.</summary>
public sealed record BookingInput
{
    /// <summary>Identity, chosen by whoever books; the same again changes the booking, and brings a cancelled one back.</summary>
    public required Guid Id { get; init; }

    /// <summary>The physical unit.</summary>
    public required Guid UnitId { get; init; }

    /// <summary>The production that it is for; left out for none.</summary>
    public Guid? ProductionId { get; set; }

    /// <summary>The bag of that production; left out for none.</summary>
    public Guid? BagId { get; set; }

    /// <summary>Who has it: a unit of the crew, 1 to 60 characters.</summary>
    public required string CrewUnit { get; init; }

    /// <summary>When its use begins, such as 2027-03-28T07:30.</summary>
    public required string From { get; init; }

    /// <summary>When it ends, likewise; later.</summary>
    public required string To { get; init; }

    /// <summary>For how long before that it is on its way, minutes: 0 to 20 160.</summary>
    public int BeforeMinutes { get; set; }

    /// <summary>For how long after that it comes back and is cleaned, minutes: 0 to 20 160.</summary>
    public int AfterMinutes { get; set; }

    /// <summary>The days for which a house charges, 0 to 1000; left out for every day begun between pick up and return.</summary>
    public int? DaysCharged { get; set; }

    /// <summary>Anything else to know, up to 500 characters.</summary>
    public string Note { get; set; } = "";
}

/// <summary>Books and cancels, all or nothing.</summary>
public sealed record BookingsRequest
{
    /// <summary>What is wanted, up to 500.</summary>
    public IReadOnlyList<BookingInput> Book { get; set; } = [];

    /// <summary>Identities of bookings that are no longer wanted, up to 500; they give way to what is wanted.</summary>
    public IReadOnlyList<Guid> Cancel { get; set; } = [];
}

/// <summary>A booking. Times without an offset are of the crew's time zone.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="UnitId">The physical unit.</param>
/// <param name="GearId">Its model.</param>
/// <param name="ProductionId">The production; null for none.</param>
/// <param name="BagId">The bag; null for none.</param>
/// <param name="CrewUnit">Who has it.</param>
/// <param name="From">When its use begins.</param>
/// <param name="To">When it ends.</param>
/// <param name="PickUp">When it is kept from others; of what is hired, when it is picked up.</param>
/// <param name="Return">When others may have it; of what is hired, when it is returned.</param>
/// <param name="PickUpAt">The same instant, with its offset.</param>
/// <param name="ReturnAt">The same instant, with its offset.</param>
/// <param name="BeforeMinutes">For how long before its use it is on its way, minutes of the clock.</param>
/// <param name="AfterMinutes">For how long after.</param>
/// <param name="DaysCharged">The days for which a house charges.</param>
/// <param name="DaysGiven">True when these were given rather than counted.</param>
/// <param name="Note">Anything else to know.</param>
/// <param name="By">What whoever booked it is called; may be empty.</param>
public sealed record BookingOutput(
    Guid Id,
    Guid UnitId,
    Guid GearId,
    Guid? ProductionId,
    Guid? BagId,
    string CrewUnit,
    string From,
    string To,
    string PickUp,
    string Return,
    DateTimeOffset PickUpAt,
    DateTimeOffset ReturnAt,
    int BeforeMinutes,
    int AfterMinutes,
    int DaysCharged,
    bool DaysGiven,
    string Note,
    string By);

/// <summary>Somebody else has it then.</summary>
/// <param name="Wanted">Identity of the booking that cannot be.</param>
/// <param name="Held">The booking that stands; null where what is asked for books one unit twice by itself.</param>
/// <param name="Production">The name of its production; empty for none.</param>
/// <param name="Say">Who has what, until when, in words.</param>
/// <param name="Free">Other units of the same model that are free then, and can be used.</param>
public sealed record ClashOutput(Guid Wanted, BookingOutput? Held, string Production, string Say, IReadOnlyList<Guid> Free);

/// <summary>An RFC 9457 problem of status 409: something is booked already. Nothing was changed.</summary>
/// <param name="Type">A URI reference that names the kind of problem.</param>
/// <param name="Title">The kind of problem in a few words.</param>
/// <param name="Status">409.</param>
/// <param name="Detail">What happened.</param>
/// <param name="Errors">The same, by the booking that is at fault.</param>
/// <param name="Clashes">Each booking that cannot be, and who has its unit.</param>
public sealed record BookingConflict(string Type, string Title, int Status, string Detail, IReadOnlyList<DiagnosticOutput> Errors, IReadOnlyList<ClashOutput> Clashes);

/// <summary>What the crew reckons with.</summary>
public sealed record CrewTerms
{
    /// <summary>The sign or code of its currency, 1 to 8 characters.</summary>
    public string Currency { get; set; } = "€";

    /// <summary>Tax on top of what things cost with the margin, per cent: 0 to 1000.</summary>
    public double TaxPercent { get; set; }

    /// <summary>Margin on top of what things cost, per cent: 0 to 1000.</summary>
    public double MarginPercent { get; set; }

    /// <summary>The time zone in which it books, by its name in the tz database, such as Etc/UTC.</summary>
    public string TimeZone { get; set; } = "Etc/UTC";
}

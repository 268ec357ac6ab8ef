using System.Text.Json;
using Juxtopsis.Contracts.Bookings;
using Juxtopsis.Contracts.Log;
using Juxtopsis.Contracts.Measuring;
using Juxtopsis.Contracts.Sheets;

namespace Juxtopsis.Contracts.Works;

/// <summary>What a crew's file says of itself.</summary>
/// <param name="Format">Always <see cref="CrewFile.Format"/>.</param>
/// <param name="Version">The version of the file's layout.</param>
/// <param name="Name">What the crew is called.</param>
/// <param name="TakenAt">When it was taken out.</param>
public sealed record CrewFileHead(string Format, int Version, string Name, DateTimeOffset TakenAt);

/// <summary>A piece of work in a crew's file.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="Name">Its name.</param>
/// <param name="Document">What it holds, of the version that it says.</param>
/// <param name="UpdatedAt">When it was last changed.</param>
/// <param name="DeletedAt">When it was deleted; null when it was not.</param>
public sealed record CrewFileWork(Guid Id, string Name, JsonElement Document, DateTimeOffset UpdatedAt, DateTimeOffset? DeletedAt);

/// <summary>Physical units and their bookings in a crew's file.</summary>
/// <param name="Units">The units.</param>
/// <param name="Bookings">Who has them when.</param>
public sealed record CrewFileUnits(IReadOnlyList<UnitOutput> Units, IReadOnlyList<CrewFileBooking> Bookings);

/// <summary>A booking in a crew's file.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="UnitId">The physical unit.</param>
/// <param name="ProductionId">The production; null for none.</param>
/// <param name="BagId">The bag; null for none.</param>
/// <param name="CrewUnit">Who has it.</param>
/// <param name="StartsAt">When its use begins.</param>
/// <param name="EndsAt">When it ends.</param>
/// <param name="BlockedFrom">When it is kept from others.</param>
/// <param name="BlockedTo">When others may have it.</param>
/// <param name="DaysCharged">The days for which a house charges; null for each day begun.</param>
/// <param name="Note">Anything else to know.</param>
/// <param name="By">What whoever booked it is called.</param>
public sealed record CrewFileBooking(
    Guid Id, Guid UnitId, Guid? ProductionId, Guid? BagId, string CrewUnit, DateTimeOffset StartsAt, DateTimeOffset EndsAt, DateTimeOffset BlockedFrom, DateTimeOffset BlockedTo, int? DaysCharged, string Note,
    string By);

/// <summary>A frozen sheet in a crew's file. Its links stay behind: they open a sheet of one server.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="Sheet">What it shows.</param>
/// <param name="MadeAt">When it was frozen.</param>
/// <param name="By">What whoever did it is called.</param>
/// <param name="Answers">What was answered.</param>
public sealed record CrewFileSheet(Guid Id, FrozenInput Sheet, DateTimeOffset MadeAt, string By, IReadOnlyList<SheetAnswerOutput> Answers);

/// <summary>Tests and takes in a crew's file.</summary>
/// <param name="Tests">What was tested of the units.</param>
/// <param name="Takes">What was really used.</param>
public sealed record CrewFileLog(IReadOnlyList<UnitTestOutput> Tests, IReadOnlyList<TakeOutput> Takes);

/// <summary>The layout of a crew's file: a ZIP archive of <c>crew.json</c>, <c>shelf.json</c>, tables, units with their bookings, works, tests and takes, frozen sheets and photographs.</summary>
public static class CrewFile
{
    /// <summary>What the head says.</summary>
    public const string Format = "juxtopsis-crew";

    /// <summary>The layout that is written and read.</summary>
    public const int Version = 1;
}

/// <summary>What came of bringing a crew's file in.</summary>
/// <param name="Added">Pieces of work that were not here.</param>
/// <param name="Same">Those that are here just so.</param>
/// <param name="Copies">Those that are here otherwise: what was brought stands beside it, under another identity.</param>
/// <param name="Unreadable">Those that this version cannot read; they are kept as they are.</param>
/// <param name="Photos">Photographs that were not here.</param>
/// <param name="Gear">Things of the shelf that were added or changed.</param>
/// <param name="Problems">What was left out, and why.</param>
public sealed record CrewImportOutput(int Added, int Same, int Copies, int Unreadable, int Photos, int Gear, IReadOnlyList<string> Problems);

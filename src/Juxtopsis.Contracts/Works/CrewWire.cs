using System.Text.Json;

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

/// <summary>The layout of a crew's file: a ZIP archive of <c>crew.json</c>, <c>shelf.json</c>, tables, works and photographs.</summary>
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

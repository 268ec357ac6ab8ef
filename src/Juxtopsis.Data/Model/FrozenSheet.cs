using System.Text.Json;
using Juxtopsis.Contracts;
using Juxtopsis.Contracts.Sheets;

namespace Juxtopsis.Data.Model;

/// <summary>A sheet as it was sent: what it showed stays, whatever becomes of the work.</summary>
public sealed class FrozenSheet : ICrewOwned
{
    /// <summary>The most of them that a crew may keep.</summary>
    public const int Most = 2000;

    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>Identity within the crew, chosen by whoever freezes it.</summary>
    public required Guid Id { get; init; }

    /// <summary>The production or comparison that it is of.</summary>
    public required Guid WorkId { get; init; }

    /// <summary>The sheet within it.</summary>
    public required Guid SheetId { get; init; }

    /// <summary>The revision of the work that it shows.</summary>
    public required int WorkRevision { get; init; }

    /// <summary>What it is.</summary>
    public required SheetKind Kind { get; init; }

    /// <summary>Its title.</summary>
    public required string Title { get; init; }

    /// <summary>What stands under the title.</summary>
    public required string Note { get; init; }

    /// <summary>What stands at the foot.</summary>
    public required string Foot { get; init; }

    /// <summary>Its shots, as whoever it is sent to sees them: JSON of a list of <see cref="SheetShot"/>.</summary>
    public required string Shots { get; init; }

    /// <summary>All that its pages are made of, as JSON; only the crew's page reads it.</summary>
    public required string Content { get; init; }

    /// <summary>When it was frozen.</summary>
    public required DateTimeOffset MadeAt { get; init; }

    /// <summary>What whoever did it is called; empty where that was not said.</summary>
    public required string By { get; init; }

    /// <summary>A sheet as it is to be kept.</summary>
    /// <param name="id">Its identity.</param>
    /// <param name="input">What it shows.</param>
    /// <param name="at">When it was frozen.</param>
    /// <param name="by">What whoever did it is called.</param>
    /// <returns>A new, unsaved sheet.</returns>
    public static FrozenSheet Of(Guid id, FrozenInput input, DateTimeOffset at, string by)
    {
        ArgumentNullException.ThrowIfNull(input);
        return new()
        {
            Id = id,
            WorkId = input.WorkId,
            SheetId = input.SheetId,
            WorkRevision = input.WorkRevision,
            Kind = input.Kind,
            Title = input.Title,
            Note = input.Note,
            Foot = input.Foot,
            Shots = JsonSerializer.Serialize(input.Shots, WireJson.Default.IReadOnlyListSheetShot),
            Content = input.Content.GetRawText(),
            MadeAt = at,
            By = by,
        };
    }

    /// <summary>What it shows, as it was kept.</summary>
    /// <returns>The same that it was made of.</returns>
    public FrozenInput ToInput()
    {
        using var content = JsonDocument.Parse(Content);
        return new()
        {
            WorkId = WorkId,
            SheetId = SheetId,
            WorkRevision = WorkRevision,
            Kind = Kind,
            Title = Title,
            Note = Note,
            Foot = Foot,
            Shots = ToShots(),
            Content = content.RootElement.Clone(),
        };
    }

    /// <summary>Its shots.</summary>
    /// <returns>As whoever it is sent to sees them.</returns>
    public IReadOnlyList<SheetShot> ToShots() => JsonSerializer.Deserialize(Shots, WireJson.Default.IReadOnlyListSheetShot) ?? [];
}

/// <summary>A picture on a frozen sheet.</summary>
public sealed class FrozenPicture : ICrewOwned
{
    /// <summary>The most bytes that one may have.</summary>
    public const int MaxBytes = 3 * 1024 * 1024;

    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>The sheet.</summary>
    public required Guid FrozenSheetId { get; init; }

    /// <summary>Which of its options it is of.</summary>
    public required string OptionId { get; init; }

    /// <summary>The picture, as JPEG.</summary>
    public required byte[] Jpeg { get; init; }
}

/// <summary>A link that opens a frozen sheet without an account.</summary>
public sealed class SheetLink : ICrewOwned
{
    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>Identity within the crew.</summary>
    public required Guid Id { get; init; }

    /// <summary>The sheet.</summary>
    public required Guid FrozenSheetId { get; init; }

    /// <summary>SHA-256 of what opens it. The token itself is stored nowhere: it has 256 bits of chance, so its hash needs no salt.</summary>
    public required byte[] TokenHash { get; init; }

    /// <summary>For whom it is.</summary>
    public required string For { get; init; }

    /// <summary>When it was made.</summary>
    public required DateTimeOffset MadeAt { get; init; }

    /// <summary>When it ends.</summary>
    public required DateTimeOffset EndsAt { get; init; }

    /// <summary>When it was withdrawn; null when it was not.</summary>
    public DateTimeOffset? WithdrawnAt { get; set; }

    /// <summary>How often it was opened.</summary>
    public int Opened { get; set; }

    /// <summary>When it was opened last; null for never.</summary>
    public DateTimeOffset? OpenedAt { get; set; }
}

/// <summary>What somebody who had a link said of a shot. Written once, never changed.</summary>
public sealed class SheetAnswer : ICrewOwned
{
    /// <summary>The most answers of one sheet.</summary>
    public const int Most = 5000;

    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>Identity within the crew, chosen by whoever answers.</summary>
    public required Guid Id { get; init; }

    /// <summary>The sheet.</summary>
    public required Guid FrozenSheetId { get; init; }

    /// <summary>The link through which it came.</summary>
    public required Guid LinkId { get; init; }

    /// <summary>The shot.</summary>
    public required string ShotId { get; init; }

    /// <summary>Which of its pictures is meant; empty for all of it.</summary>
    public required string OptionId { get; init; }

    /// <summary>Yes or no.</summary>
    public required SheetVerdict Verdict { get; init; }

    /// <summary>The remark.</summary>
    public required string Remark { get; init; }

    /// <summary>Who, as they typed it.</summary>
    public required string Name { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}

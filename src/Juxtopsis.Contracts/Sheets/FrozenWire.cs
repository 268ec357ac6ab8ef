using System.Text.Json;

namespace Juxtopsis.Contracts.Sheets;

/// <summary>What somebody who looked at a sheet says of a shot.</summary>
public enum SheetVerdict
{
    /// <summary>Only a remark.</summary>
    None,

    /// <summary>Yes, like this.</summary>
    Approved,

    /// <summary>Not like this.</summary>
    Declined,
}

/// <summary>One picture of a shot: that of its rig, or of an alternative.</summary>
public sealed record SheetOption
{
    /// <summary>Identity within the sheet, 1 to 80 letters, digits, dots and dashes.</summary>
    public required string Id { get; init; }

    /// <summary>What it is called, up to 300 characters.</summary>
    public string Title { get; set; } = "";

    /// <summary>Its settings, line by line; what is missing, where there is no picture.</summary>
    public IReadOnlyList<string> Lines { get; set; } = [];

    /// <summary>Width over height of its picture, 0.1 to 10.</summary>
    public double Aspect { get; set; } = 16.0 / 9;
}

/// <summary>A shot on a sheet that was sent.</summary>
public sealed record SheetShot
{
    /// <summary>Identity within the sheet, 1 to 80 letters, digits, dots and dashes.</summary>
    public required string Id { get; init; }

    /// <summary>Its title, up to 300 characters.</summary>
    public required string Title { get; init; }

    /// <summary>What the crew remarks, up to 500 characters.</summary>
    public string Remark { get; set; } = "";

    /// <summary>Its pictures to choose from, 1 to 4; the crew's own choice first.</summary>
    public required IReadOnlyList<SheetOption> Options { get; init; }
}

/// <summary>A sheet as it is kept: what it showed when it was sent. It never changes afterwards.</summary>
public sealed record FrozenInput
{
    /// <summary>The production or comparison that it is of.</summary>
    public required Guid WorkId { get; init; }

    /// <summary>The sheet within it.</summary>
    public required Guid SheetId { get; init; }

    /// <summary>The revision of the work that it shows; 0 where it was never stored.</summary>
    public required int WorkRevision { get; init; }

    /// <summary>What it is.</summary>
    public required SheetKind Kind { get; init; }

    /// <summary>Its title, up to 300 characters.</summary>
    public required string Title { get; init; }

    /// <summary>What stands under the title, up to 500 characters.</summary>
    public string Note { get; set; } = "";

    /// <summary>What stands at the foot: conventions and units, up to 1000 characters.</summary>
    public string Foot { get; set; } = "";

    /// <summary>Its shots, as whoever it is sent to sees them; none unless it is of frames.</summary>
    public IReadOnlyList<SheetShot> Shots { get; set; } = [];

    /// <summary>All that its pages are made of, for the page of the crew; nobody else sees it.</summary>
    public required JsonElement Content { get; init; }
}

/// <summary>A frozen sheet in a list.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="WorkId">The production or comparison that it is of.</param>
/// <param name="SheetId">The sheet within it.</param>
/// <param name="WorkRevision">The revision of the work that it shows.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Title">Its title.</param>
/// <param name="MadeAt">When it was frozen.</param>
/// <param name="By">What whoever did it is called; empty where that was not said.</param>
/// <param name="Links">Its links, newest first.</param>
/// <param name="Answers">What was answered, oldest first.</param>
public sealed record FrozenSummary(
    Guid Id, Guid WorkId, Guid SheetId, int WorkRevision, SheetKind Kind, string Title, DateTimeOffset MadeAt, string By, IReadOnlyList<SheetLinkOutput> Links, IReadOnlyList<SheetAnswerOutput> Answers);

/// <summary>A frozen sheet.</summary>
/// <param name="Summary">What lists say of it.</param>
/// <param name="Note">What stands under the title.</param>
/// <param name="Foot">What stands at the foot.</param>
/// <param name="Shots">Its shots, as whoever it is sent to sees them.</param>
/// <param name="Content">All that its pages are made of.</param>
public sealed record FrozenOutput(FrozenSummary Summary, string Note, string Foot, IReadOnlyList<SheetShot> Shots, JsonElement Content);

/// <summary>Asks for a link to a frozen sheet.</summary>
public sealed record SheetLinkInput
{
    /// <summary>When it ends, at most a year from now.</summary>
    public required DateTimeOffset EndsAt { get; init; }

    /// <summary>For whom it is, up to 120 characters; only the crew sees it.</summary>
    public string For { get; set; } = "";
}

/// <summary>A link to a frozen sheet. Its address is told once, when it is made; what is stored is only enough to know it again.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="For">For whom it is.</param>
/// <param name="MadeAt">When it was made.</param>
/// <param name="EndsAt">When it ends.</param>
/// <param name="WithdrawnAt">When it was withdrawn; null when it was not.</param>
/// <param name="Opened">How often it was opened.</param>
/// <param name="OpenedAt">When it was opened last; null for never.</param>
public sealed record SheetLinkOutput(Guid Id, string For, DateTimeOffset MadeAt, DateTimeOffset EndsAt, DateTimeOffset? WithdrawnAt, int Opened, DateTimeOffset? OpenedAt);

/// <summary>A new link.</summary>
/// <param name="Link">The link.</param>
/// <param name="Token">What opens it: 43 characters that cannot be guessed.</param>
public sealed record SheetLinkMade(SheetLinkOutput Link, string Token);

/// <summary>What somebody who looked says of a shot.</summary>
public sealed record SheetAnswerInput
{
    /// <summary>Identity, chosen by whoever answers, so that sending again after a lost answer is harmless.</summary>
    public required Guid Id { get; init; }

    /// <summary>The shot.</summary>
    public required string ShotId { get; init; }

    /// <summary>Which of its pictures is meant; empty for all of it.</summary>
    public string OptionId { get; set; } = "";

    /// <summary>Yes or no; left out where only something is remarked.</summary>
    public SheetVerdict Verdict { get; set; }

    /// <summary>The remark, up to 1000 characters.</summary>
    public string Remark { get; set; } = "";

    /// <summary>Name of whoever answers, 1 to 80 characters.</summary>
    public required string Name { get; init; }
}

/// <summary>An answer.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="LinkId">The link through which it came.</param>
/// <param name="ShotId">The shot.</param>
/// <param name="OptionId">Which of its pictures is meant; empty for all of it.</param>
/// <param name="Verdict">Yes or no.</param>
/// <param name="Remark">The remark.</param>
/// <param name="Name">Who, as they typed it.</param>
/// <param name="At">When.</param>
public sealed record SheetAnswerOutput(Guid Id, Guid LinkId, string ShotId, string OptionId, SheetVerdict Verdict, string Remark, string Name, DateTimeOffset At);

/// <summary>A sheet as whoever has its link sees it.</summary>
/// <param name="Title">Its title.</param>
/// <param name="Note">What stands under the title.</param>
/// <param name="Foot">What stands at the foot.</param>
/// <param name="MadeAt">When it was frozen.</param>
/// <param name="EndsAt">When the link ends.</param>
/// <param name="Shots">Its shots.</param>
/// <param name="Pictures">The options that have a picture.</param>
/// <param name="Answers">What was answered through this link, oldest first.</param>
public sealed record SharedSheet(
    string Title, string Note, string Foot, DateTimeOffset MadeAt, DateTimeOffset EndsAt, IReadOnlyList<SheetShot> Shots, IReadOnlyList<string> Pictures, IReadOnlyList<SheetAnswerOutput> Answers);

namespace Juxtopsis.Data.Model;

/// <summary>The people who share comparisons. Everything stored belongs to one crew.</summary>
public sealed class Crew
{
    /// <summary>Identity.</summary>
    public required Guid Id { get; init; }

    /// <summary>What the crew is called, up to 120 characters.</summary>
    public required string Name { get; set; }

    /// <summary>When it was made.</summary>
    public required DateTimeOffset CreatedAt { get; init; }

    /// <summary>The sign or code of its currency, up to 8 characters.</summary>
    public string Currency { get; set; } = "€";

    /// <summary>Tax on top of what things cost, per cent.</summary>
    public double TaxPercent { get; set; }

    /// <summary>Margin on top of what things cost, before tax, per cent.</summary>
    public double MarginPercent { get; set; }

    /// <summary>The time zone in which it books, by its name in the tz database.</summary>
    public string TimeZone { get; set; } = "Etc/UTC";

    /// <summary>Counts changes of the crew's shelf, so that whoever keeps it in memory knows when to read it again.</summary>
    public int ShelfRevision { get; set; }
}

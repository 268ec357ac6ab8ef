using System.Text;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Data.Model;

/// <summary>A thing on the crew's shelf. What must be unlike others is in columns; what is known of it is its own document.</summary>
public sealed class GearRow : ICrewOwned
{
    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>Identity within the crew, chosen by whoever makes it.</summary>
    public required Guid Id { get; init; }

    /// <summary>Its kind, by its name in JSON.</summary>
    public required string Kind { get; init; }

    /// <summary>Maker and name without regard to case; of one kind no two that are offered have the same.</summary>
    public required string NameKey { get; set; }

    /// <summary>The item as JSON, of the shape that /api/shelf/schema.json tells.</summary>
    public required string Document { get; set; }

    /// <summary>The version of the shape that it was written in; members of before are still read under their names of then.</summary>
    public int SchemaVersion { get; set; } = GearJson.CurrentVersion;

    /// <summary>Counts changes from 1; guards against two people overwriting each other.</summary>
    public int Revision { get; set; } = 1;

    /// <summary>When it was last changed.</summary>
    public required DateTimeOffset UpdatedAt { get; set; }

    /// <summary>When it was retired: kept for what used it, offered no more; null when it was not.</summary>
    public DateTimeOffset? RetiredAt { get; set; }

    /// <summary>When it was deleted; null when it was not. It is kept for a while, for whoever wants it back.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>When it was put away with the rest of the demo; null when it was not.</summary>
    public DateTimeOffset? PutAwayAt { get; set; }

    /// <summary>A row of an item.</summary>
    /// <param name="item">The item.</param>
    /// <param name="now">When it is written.</param>
    /// <param name="retiredAt">When it was retired; null when it was not.</param>
    /// <returns>A new row, of revision 1.</returns>
    public static GearRow Of(GearItem item, DateTimeOffset now, DateTimeOffset? retiredAt = null)
    {
        ArgumentNullException.ThrowIfNull(item);
        return new()
        {
            Id = item.Id,
            Kind = GearKinds.Of(item.Kind).Key,
            NameKey = KeyOf(item),
            Document = Encoding.UTF8.GetString(GearJson.ToUtf8(item)),
            UpdatedAt = now,
            RetiredAt = retiredAt,
        };
    }

    /// <summary>Maker and name without regard to case.</summary>
    /// <param name="item">An item.</param>
    /// <returns>The same for two of one kind that people would call the same.</returns>
    public static string KeyOf(GearItem item)
    {
        ArgumentNullException.ThrowIfNull(item);
        return item.FullName.ToLowerInvariant();
    }
}

namespace Juxtopsis.Data.Model;

/// <summary>A still photograph of a place, without anything but its picture: no location, no camera, no thumbnail.</summary>
public sealed class Photo : ICrewOwned
{
    /// <summary>The most bytes that one may have.</summary>
    public const int MaxBytes = 6 * 1024 * 1024;

    /// <inheritdoc/>
    public Guid CrewId { get; set; }

    /// <summary>Identity within the crew, chosen by whoever brings it.</summary>
    public required Guid Id { get; init; }

    /// <summary>The picture, as JPEG.</summary>
    public required byte[] Jpeg { get; init; }

    /// <summary>Pixels across.</summary>
    public required int WidthPx { get; init; }

    /// <summary>Pixels up.</summary>
    public required int HeightPx { get; init; }

    /// <summary>When it was deleted; null when it was not. It is kept for a while, for whoever wants it back.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>When it was brought.</summary>
    public required DateTimeOffset CreatedAt { get; init; }
}

using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>A still photograph that was taken from where the scene's camera stands, and what took it.</summary>
public sealed record PhotoInput
{
    /// <summary>Its identity under /api/photos.</summary>
    public required Guid Id { get; init; }

    /// <summary>Pixels across, 16 to 100000.</summary>
    public required double WidthPx { get; init; }

    /// <summary>Pixels up.</summary>
    public required double HeightPx { get; init; }

    /// <summary>
    /// Width of the sensor that took it, mm: 0.5 to 500; turned with the picture, so that an upright still has an upright sensor. Left
    /// out together with the height where only an equivalent focal length is known.
    /// </summary>
    public double? SensorWidthMm { get; set; }

    /// <summary>Height of that sensor, mm.</summary>
    public double? SensorHeightMm { get; set; }

    /// <summary>Focal length that took it, mm: 0.5 to 5000; without a sensor the one on 36 × 24 with the same diagonal angle.</summary>
    public required double FocalLengthMm { get; init; }

    /// <summary>Where it was taken, degrees north; only where a person asked to keep it, and together with the longitude.</summary>
    public double? LatitudeDeg { get; set; }

    /// <summary>Where it was taken, degrees east.</summary>
    public double? LongitudeDeg { get; set; }

    internal Still ToCore() => this is { SensorWidthMm: { } width, SensorHeightMm: { } height }
        ? Still.Trim(width, height, FocalLengthMm, WidthPx / HeightPx)
        : Still.Equivalent(FocalLengthMm, WidthPx / HeightPx);
}

namespace Juxtopsis.Core.Rigs;

/// <summary>A camera setup in bare numbers: the part of a sensor that records, and the lens in front of it.</summary>
/// <param name="SensorWidthMm">Width of the area that the recording mode uses, mm.</param>
/// <param name="SensorHeightMm">Height of that area, mm.</param>
/// <param name="FocalLengthMm">Focal length as marked on the lens, mm.</param>
/// <param name="FNumber">f-number as marked on the lens.</param>
public readonly record struct Rig(double SensorWidthMm, double SensorHeightMm, double FocalLengthMm, double FNumber)
{
    /// <summary>Electronic zoom or a crop afterwards; 1 is none, 2 keeps half the width and half the height.</summary>
    public double PunchIn { get; init; } = 1;

    /// <summary>Anamorphic squeeze; 1 for a spherical lens. The picture is this many times wider than it lies on the sensor.</summary>
    public double Squeeze { get; init; } = 1;

    /// <summary>Product of the magnifications of all reducers (below 1) and extenders (above 1) between lens and sensor.</summary>
    public double OpticsMagnification { get; init; } = 1;

    /// <summary>Pixels that the mode records over its area; null when not known.</summary>
    public PixelSize? Recorded { get; init; }
}

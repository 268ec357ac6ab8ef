namespace Juxtopsis.Core.Rigs;

/// <summary>Where things stand and what is to be delivered: the same for every rig that is compared.</summary>
/// <param name="SubjectDistanceMm">Sensor mark to the plane of focus, mm.</param>
public readonly record struct Scene(double SubjectDistanceMm)
{
    /// <summary>Sensor mark to what is behind the subject, mm; infinity for the open.</summary>
    public double BackgroundDistanceMm { get; init; } = double.PositiveInfinity;

    /// <summary>Delivered width over height; null takes each mode's own desqueezed shape.</summary>
    public double? DeliveryAspect { get; init; }

    /// <summary>Pixels across that delivery asks for; null when it does not say.</summary>
    public double? DeliveryWidthPx { get; init; }

    /// <summary>Height of the lens above the ground, mm. The camera is level.</summary>
    public double LensHeightMm { get; init; } = 1600;

    /// <summary>Height of the standing figures at the subject's and at the background's distance, mm.</summary>
    public double FigureHeightMm { get; init; } = 1750;
}

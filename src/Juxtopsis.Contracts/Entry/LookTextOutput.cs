namespace Juxtopsis.Contracts.Entry;

/// <summary>What was read of a look in words.</summary>
/// <param name="SensorWidthMm">Width of its format, mm.</param>
/// <param name="SensorHeightMm">Height of its format, mm.</param>
/// <param name="FocalLengthMm">Focal length, mm.</param>
/// <param name="FNumber">Aperture.</param>
/// <param name="Squeeze">Squeeze; 1 for none.</param>
/// <param name="DistanceMm">Distance to the subject, mm; null when nothing is said of it.</param>
/// <param name="BehindMm">How far what is behind is from the subject, mm; null likewise, and for the open.</param>
/// <param name="IsOpenBehind">True where what is behind is infinitely far.</param>
/// <param name="DeliveryAspect">Delivered width over height; null when nothing is said of it.</param>
/// <param name="Problem">What is missing or contradicts itself; null when the text was read.</param>
public sealed record LookTextOutput(
    double SensorWidthMm, double SensorHeightMm, double FocalLengthMm, double FNumber, double Squeeze, double? DistanceMm, double? BehindMm, bool IsOpenBehind, double? DeliveryAspect, string? Problem);

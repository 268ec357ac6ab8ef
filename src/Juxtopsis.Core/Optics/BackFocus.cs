namespace Juxtopsis.Core.Optics;

/// <summary>What happens when the distance from mount to sensor is not what the lens expects.</summary>
public static class BackFocus
{
    /// <summary>How far a plane filter behind the lens moves the image away: t·(1 − 1/n), about a third of its thickness.</summary>
    /// <param name="thicknessMm">t, mm.</param>
    /// <param name="refractiveIndex">n, 1 or more; glass has about 1.5.</param>
    /// <returns>Millimetres. Source: Hecht, <i>Optics</i>, "plane-parallel plate", for rays near the axis.</returns>
    public static double FilterShiftMm(double thicknessMm, double refractiveIndex) => thicknessMm * (1 - 1 / refractiveIndex);

    /// <summary>The farthest distance that is sharp when the sensor is δ too far back: f + f²/δ from the lens.</summary>
    /// <param name="focalLengthMm">f as the sensor sees it, mm.</param>
    /// <param name="tooLongMm">δ, mm; positive when the mount is too long.</param>
    /// <returns>Millimetres from the lens; infinite when the mount is not too long.</returns>
    public static double FarthestFromLensMm(double focalLengthMm, double tooLongMm) =>
        tooLongMm > 0 ? focalLengthMm + focalLengthMm * focalLengthMm / tooLongMm : double.PositiveInfinity;
}

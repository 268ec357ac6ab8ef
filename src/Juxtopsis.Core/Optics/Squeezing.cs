namespace Juxtopsis.Core.Optics;

/// <summary>What a squeezed (anamorphic) picture asks of its parts.</summary>
public static class Squeezing
{
    /// <summary>Largest turn of the squeeze that is told, degrees.</summary>
    public const double MaxTurnDeg = 20;

    /// <summary>How far upright lines lean when the squeeze is turned against the sensor: (S − 1)/2·sin 2a.</summary>
    /// <param name="squeeze">S.</param>
    /// <param name="turnDeg">a, degrees, up to <see cref="MaxTurnDeg"/> either way.</param>
    /// <returns>
    /// A ratio, sideways over upwards, in the desqueezed picture. Source: the squeeze as a stretch along a turned axis, followed by
    /// the straight desqueeze.
    /// </returns>
    public static double UprightLean(double squeeze, double turnDeg) => (squeeze - 1) / 2 * SinOfTwice(turnDeg);

    /// <summary>How far level lines tilt when the squeeze is turned against the sensor: (1 − 1/S)/2·sin 2a.</summary>
    /// <param name="squeeze">S.</param>
    /// <param name="turnDeg">a, degrees.</param>
    /// <returns>A ratio, upwards over sideways, in the desqueezed picture.</returns>
    public static double LevelTilt(double squeeze, double turnDeg) => (1 - 1 / squeeze) / 2 * SinOfTwice(turnDeg);

    private static double SinOfTwice(double turnDeg) => PortableMath.Sin(turnDeg * (Math.PI / 90));
}

namespace Juxtopsis.Core.Optics;

/// <summary>What a squeezed (anamorphic) picture asks of its parts.</summary>
public static class Squeezing
{
    /// <summary>Largest turn of the squeeze that is told, degrees.</summary>
    public const double MaxTurnDeg = 20;

    /// <summary>How far upright lines lean when the squeeze is turned against the sensor.</summary>
    /// <param name="squeeze">S.</param>
    /// <param name="turnDeg">a, degrees, up to <see cref="MaxTurnDeg"/> either way.</param>
    /// <returns>
    /// A ratio, sideways over upwards, in the desqueezed picture: (S − 1)·sin a·cos a/(cos²a + sin²a/S), exact at any angle. Source: the
    /// stretch diag(S, 1)·R(−a)·diag(1/S, 1)·R(a) of an upright line.
    /// </returns>
    public static double UprightLean(double squeeze, double turnDeg)
    {
        var (sine, cosine) = SineCosine(turnDeg);
        return (squeeze - 1) * sine * cosine / (cosine * cosine + sine * sine / squeeze);
    }

    /// <summary>How far level lines tilt when the squeeze is turned against the sensor.</summary>
    /// <param name="squeeze">S.</param>
    /// <param name="turnDeg">a, degrees.</param>
    /// <returns>A ratio, upwards over sideways, in the desqueezed picture: (1 − 1/S)·sin a·cos a/(cos²a + S·sin²a), by the same stretch of a level line.</returns>
    public static double LevelTilt(double squeeze, double turnDeg)
    {
        var (sine, cosine) = SineCosine(turnDeg);
        return (1 - 1 / squeeze) * sine * cosine / (cosine * cosine + squeeze * sine * sine);
    }

    private static (double Sine, double Cosine) SineCosine(double turnDeg)
    {
        var sine = PortableMath.Sin(turnDeg * (Math.PI / 180));
        return (sine, Math.Sqrt(1 - sine * sine));
    }
}

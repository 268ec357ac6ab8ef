namespace Juxtopsis.Core.Optics;

/// <summary>
/// A ray-transfer (ABCD) matrix of paraxial optics: it takes a ray's height and angle before some optics to those behind it.
/// </summary>
/// <remarks>
/// Light travels from the first factor to the last: <c>a.Then(b)</c> is first a, then b. Lengths are millimetres, powers 1/mm. The index is
/// that of air on both sides, so the determinant is 1. Source: Hecht, <i>Optics</i>, chapter 6.
/// </remarks>
/// <param name="A">Height from height: behind a plane that is imaged onto another (B = 0) the transverse magnification.</param>
/// <param name="B">Height from angle, mm; 0 between planes that are images of each other.</param>
/// <param name="C">Angle from height, 1/mm: the power with its sign turned.</param>
/// <param name="D">Angle from angle.</param>
public readonly record struct RayMatrix(double A, double B, double C, double D)
{
    /// <summary>Nothing at all.</summary>
    public static RayMatrix Identity { get; } = new(1, 0, 0, 1);

    /// <summary>A length of air.</summary>
    /// <param name="lengthMm">Millimetres; negative to go back.</param>
    /// <returns>The matrix.</returns>
    public static RayMatrix Air(double lengthMm) => new(1, lengthMm, 0, 1);

    /// <summary>A thin lens.</summary>
    /// <param name="powerPerMm">1/f, 1/mm; negative for one that spreads light.</param>
    /// <returns>The matrix.</returns>
    public static RayMatrix Lens(double powerPerMm) => new(1, 0, -powerPerMm, 1);

    /// <summary>This, then something behind it.</summary>
    /// <param name="next">What follows in the direction of the light.</param>
    /// <returns>Both together.</returns>
    public RayMatrix Then(RayMatrix next) => new(
        next.A * A + next.B * C,
        next.A * B + next.B * D,
        next.C * A + next.D * C,
        next.C * B + next.D * D);
}

namespace Juxtopsis.Core.Rigs;

/// <summary>The choices on which working people differ, and on which figures depend.</summary>
/// <param name="ReferenceWidthMm">Width of the format that equivalents refer to, mm.</param>
/// <param name="ReferenceHeightMm">Height of that format, mm.</param>
/// <param name="CocDivisor">Circle of confusion = diagonal of the delivered picture on the sensor over this number.</param>
public readonly record struct Conventions(double ReferenceWidthMm, double ReferenceHeightMm, double CocDivisor)
{
    /// <summary>Full frame, 36 mm × 24 mm, and a circle of 1/1500 of the delivered picture's diagonal.</summary>
    public static Conventions Default { get; } = new(36, 24, 1500);
}

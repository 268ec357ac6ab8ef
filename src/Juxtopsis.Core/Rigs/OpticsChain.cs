namespace Juxtopsis.Core.Rigs;

/// <summary>Up to four reducers and extenders between lens and sensor, in order from the sensor; 1 is none.</summary>
/// <param name="First">Magnification of the first.</param>
/// <param name="Second">Magnification of the second.</param>
/// <param name="Third">Magnification of the third.</param>
/// <param name="Fourth">Magnification of the fourth.</param>
public readonly record struct OpticsChain(double First, double Second = 1, double Third = 1, double Fourth = 1)
{
    /// <summary>Most that can stand in a row.</summary>
    public const int Most = 4;

    /// <summary>Nothing between lens and sensor.</summary>
    public static OpticsChain None { get; } = new(1);

    /// <summary>k, the product of all.</summary>
    public double Magnification => First * Second * Third * Fourth;

    /// <summary>One of them.</summary>
    /// <param name="index">0 to 3.</param>
    /// <returns>Its magnification.</returns>
    public double At(int index) => index switch { 0 => First, 1 => Second, 2 => Third, _ => Fourth };

    /// <summary>A chain of a list.</summary>
    /// <param name="magnifications">At most four, in order from the sensor.</param>
    /// <returns>The chain.</returns>
    /// <exception cref="ArgumentOutOfRangeException">There are more than four.</exception>
    public static OpticsChain Of(IReadOnlyList<double> magnifications)
    {
        ArgumentNullException.ThrowIfNull(magnifications);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(magnifications.Count, Most, nameof(magnifications));
        double One(int i) => i < magnifications.Count ? magnifications[i] : 1;
        return new OpticsChain(One(0), One(1), One(2), One(3));
    }
}

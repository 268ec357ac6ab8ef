using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Up to four reducers and extenders between lens and sensor, in order from the sensor.</summary>
/// <param name="First">The one nearest to the sensor.</param>
/// <param name="Second">The next.</param>
/// <param name="Third">The one after that.</param>
/// <param name="Fourth">The last.</param>
public readonly record struct OpticsChain(Converter First, Converter Second, Converter Third, Converter Fourth)
{
    /// <summary>Most that can stand in a row.</summary>
    public const int Most = 4;

    /// <summary>One or two of them.</summary>
    /// <param name="first">The one nearest to the sensor.</param>
    /// <param name="second">The next; none when left out.</param>
    public OpticsChain(Converter first, Converter? second = null)
        : this(first, second ?? Converter.None, Converter.None, Converter.None)
    {
    }

    /// <summary>Nothing between lens and sensor.</summary>
    public static OpticsChain None { get; } = new(Converter.None);

    /// <summary>k, the product of all.</summary>
    public double Magnification => First.Magnification * Second.Magnification * Third.Magnification * Fourth.Magnification;

    /// <summary>True when there is no glass at all.</summary>
    public bool IsNone => First.IsNone && Second.IsNone && Third.IsNone && Fourth.IsNone;

    /// <summary>True when the place of every converter is known.</summary>
    public bool PlacesKnown => IsPlaced(First) && IsPlaced(Second) && IsPlaced(Third) && IsPlaced(Fourth);

    /// <summary>Tubes that stand behind a converter, altogether, mm.</summary>
    public double TubesBehindMm => First.TubeBehindMm + Second.TubeBehindMm + Third.TubeBehindMm + Fourth.TubeBehindMm;

    /// <summary>One of them.</summary>
    /// <param name="index">0 to 3.</param>
    /// <returns>The converter; <see cref="Converter.None"/> where there is none.</returns>
    public Converter At(int index) => index switch { 0 => First, 1 => Second, 2 => Third, _ => Fourth };

    /// <summary>A chain of a list.</summary>
    /// <param name="converters">At most four, in order from the sensor.</param>
    /// <returns>The chain.</returns>
    /// <exception cref="ArgumentOutOfRangeException">There are more than four.</exception>
    public static OpticsChain Of(IReadOnlyList<Converter> converters)
    {
        ArgumentNullException.ThrowIfNull(converters);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(converters.Count, Most, nameof(converters));
        Converter One(int i) => i < converters.Count ? converters[i] : Converter.None;
        return new OpticsChain(One(0), One(1), One(2), One(3));
    }

    private static bool IsPlaced(in Converter converter) => converter.IsNone || converter.PlaceMm.HasValue;
}

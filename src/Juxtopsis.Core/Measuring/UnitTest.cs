namespace Juxtopsis.Core.Measuring;

/// <summary>Tests of a physical unit: from readings to what they say, how surely, and what one more would bring.</summary>
public static class UnitTest
{
    /// <summary>The most readings of one test.</summary>
    public const int MostReadings = 200;

    /// <summary>What readings come to.</summary>
    /// <param name="kind">What is tested; <see cref="TestKind.Falloff"/> has a still in place of readings, see <see cref="FalloffTest"/>.</param>
    /// <param name="setup">What stays as it is.</param>
    /// <param name="readings">The readings, up to <see cref="MostReadings"/>.</param>
    /// <returns>The report; without results while the readings do not tell.</returns>
    /// <exception cref="ArgumentOutOfRangeException">There is no such kind, or it has no readings.</exception>
    public static TestReport Evaluate(TestKind kind, in TestSetup setup, IReadOnlyList<TestReading> readings)
    {
        ArgumentNullException.ThrowIfNull(readings);
        return kind switch
        {
            TestKind.FocalLength => FocalLengthTest.Evaluate(setup, readings),
            TestKind.Magnification => ConverterTest.Evaluate(setup, readings),
            TestKind.Squeeze => RepeatedTest.Squeeze(setup, readings),
            TestKind.SqueezeTurn => RepeatedTest.Turn(setup, readings),
            TestKind.Transmission => RepeatedTest.Transmission(setup, readings),
            TestKind.BackFocus => BackFocusTest.Evaluate(setup, readings),
            TestKind.MinimumFocusDistance => RepeatedTest.Nearest(setup, readings),
            TestKind.MaximumMagnification => RepeatedTest.Ratio(setup, readings),
            TestKind.Weight => RepeatedTest.Weight(setup, readings),
            TestKind.Price => RepeatedTest.Price(readings),
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "It has no readings."),
        };
    }
}

using FsCheck.Xunit;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Tests.Optics;

/// <summary>Our own arithmetic against the platform's, which shares no code with it.</summary>
public sealed class PortableMathTests
{
    private static double UnitsInLastPlace(double actual, double expected) =>
        actual.Equals(expected) ? 0 : Math.Abs(actual - expected) / (Math.BitIncrement(Math.Abs(expected)) - Math.Abs(expected));

    [Property(MaxTest = 5000)]
    public bool Atan_is_right_to_the_last_place(int mantissa, byte exponent)
    {
        var x = mantissa / 1e6 * Math.Pow(2, exponent % 60 - 30);
        return UnitsInLastPlace(PortableMath.Atan(x), Math.Atan(x)) <= 1.5;
    }

    [Theory]
    [InlineData(0)]
    [InlineData(double.PositiveInfinity)]
    [InlineData(double.NegativeInfinity)]
    [InlineData(double.NaN)]
    [InlineData(0.4375)]
    [InlineData(0.6875)]
    [InlineData(1.1875)]
    [InlineData(2.4375)]
    [InlineData(1e300)]
    public void Atan_at_its_seams(double x) => Assert.True(UnitsInLastPlace(PortableMath.Atan(x), Math.Atan(x)) <= 1);

    [Property(MaxTest = 5000)]
    public bool Log2_is_right_to_two_places(uint mantissa, short exponent)
    {
        var x = (1 + mantissa / 4294967296.0) * Math.Pow(2, exponent % 1000);
        return UnitsInLastPlace(PortableMath.Log2(x), Math.Log2(x)) <= 3;
    }

    [Property(MaxTest = 5000)]
    public bool Exp2_is_right_to_two_places(int thousandths)
    {
        var stops = thousandths % 1_000_000 / 1e3;
        return UnitsInLastPlace(PortableMath.Exp2(stops), Math.Pow(2, stops)) <= 3;
    }

    [Fact]
    public void Exp2_of_whole_stops_is_exact_and_leads_back()
    {
        for (var stops = -1000; stops <= 1000; stops++)
        {
            Assert.Equal(Math.Pow(2, stops), PortableMath.Exp2(stops));
            Assert.Equal(stops, PortableMath.Log2(PortableMath.Exp2(stops)));
        }
    }

    [Theory]
    [InlineData(1000.5)]
    [InlineData(-1001)]
    [InlineData(double.NaN)]
    public void Exp2_refuses_more_stops_than_it_can_tell(double stops) => Assert.Throws<ArgumentOutOfRangeException>(() => PortableMath.Exp2(stops));

    [Property(MaxTest = 5000)]
    public bool Sin_is_right_to_the_last_place(short part)
    {
        var x = part / 32768.0 * (Math.PI / 4);
        return UnitsInLastPlace(PortableMath.Sin(x), Math.Sin(x)) <= 1.5;
    }

    [Theory]
    [InlineData(0.8)]
    [InlineData(-0.8)]
    [InlineData(double.NaN)]
    public void Sin_refuses_larger_angles(double x) => Assert.Throws<ArgumentOutOfRangeException>(() => PortableMath.Sin(x));

    [Fact]
    public void Log2_of_powers_of_two_is_exact()
    {
        for (var power = -1000; power <= 1000; power++)
        {
            Assert.Equal(power, PortableMath.Log2(Math.Pow(2, power)));
        }
    }

    [Theory]
    [InlineData(0)]
    [InlineData(-1)]
    [InlineData(double.NaN)]
    [InlineData(double.PositiveInfinity)]
    public void Log2_refuses_what_has_no_logarithm(double x) => Assert.Throws<ArgumentOutOfRangeException>(() => PortableMath.Log2(x));
}

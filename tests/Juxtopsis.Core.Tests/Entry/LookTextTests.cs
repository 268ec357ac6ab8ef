using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Tests.Entry;

/// <summary>Looks as people say them.</summary>
public sealed class LookTextTests
{
    [Theory]
    [InlineData("full frame 85 mm ƒ1.4 at 2 m, 4 m behind", "Full frame", 85, 1.4, 1, 2000.0, 4000.0, null)]
    [InlineData("85mm f/1.4", "Full frame", 85, 1.4, 1, null, null, null)]
    [InlineData("Super 35, open gate, T2 50 mm, 2x squeeze, 2.39:1, from 10'6\"", "Super 35, open gate", 50, 2, 2, 3200.4, null, 2.39)]
    [InlineData("44 x 33, 110 mm f2 at 200cm, inf behind", "44 × 33", 110, 2, 1, 2000.0, double.PositiveInfinity, null)]
    [InlineData("36x24 mm 50mm f1,8 background at 12 m 16:9", "Full frame", 50, 1.8, 1, null, 12000.0, 16.0 / 9)]
    [InlineData("four thirds type 25 mm f1.4 anamorphic 1.33x", "Four Thirds type", 25, 1.4, 1.33, null, null, null)]
    public void A_look_is_read_in_any_order(string text, string format, double focal, double fNumber, double squeeze, double? distance, double? behind, double? aspect)
    {
        var look = LookText.Read(text, LengthUnit.Metres, null, out var problem);
        Assert.Equal("", problem);
        Assert.Equal(format, look!.Format.Name);
        Assert.Equal((focal, fNumber, squeeze), (look.FocalLengthMm, look.FNumber, look.Squeeze));
        Assert.Equal(distance, look.DistanceMm);
        Assert.Equal(behind, look.BehindMm);
        Assert.Equal(aspect, look.DeliveryAspect);
    }

    [Fact]
    public void An_angle_is_a_focal_length_on_the_format_as_it_is_delivered()
    {
        // 36/(2·tan 20°) = 49.455; at 1:1 the picture is 24 mm wide.
        Assert.Equal(49.455, LookText.Read("full frame 40° ƒ2", LengthUnit.Metres, null, out _)!.FocalLengthMm, 3);
        Assert.Equal(24 / 36.0 * 49.4546, LookText.Read("full frame 40° ƒ2 1:1", LengthUnit.Metres, null, out _)!.FocalLengthMm, 3);
        Assert.Equal(24 / 36.0 * 49.4546, LookText.Read("full frame 40° upright ƒ2", LengthUnit.Metres, null, out _)!.FocalLengthMm, 3);

        // Twice as wide a picture through a squeeze of 2.
        Assert.Equal(2 * 49.4546, LookText.Read("full frame 40° ƒ2 2x squeeze", LengthUnit.Metres, null, out _)!.FocalLengthMm, 3);
    }

    [Theory]
    [InlineData("full frame ƒ2", "Say a focal length or an angle")]
    [InlineData("full frame 50 mm", "Say an aperture")]
    [InlineData("85 mm ƒ1.4 46°", "That contradicts itself: 85 mm on Full frame takes in 23.9°, not 46°.")]
    [InlineData("porridge 85 mm ƒ1.4", "“porridge” is not read.")]
    [InlineData("85 mm ƒ1.4 at 0 m", "A number in it is beyond")]
    [InlineData("900000 mm ƒ1.4", "A number in it is beyond")]
    [InlineData("", "Say a focal length or an angle")]
    public void What_is_missing_or_contradicts_itself_is_said(string text, string says)
    {
        Assert.Null(LookText.Read(text, LengthUnit.Metres, null, out var problem));
        Assert.StartsWith(says, problem, StringComparison.Ordinal);
    }

    [Fact]
    public void Numbers_without_a_unit_are_in_the_persons_own() =>
        Assert.Equal(10 * 304.8, LookText.Read("85 mm ƒ1.4 at 10", LengthUnit.Feet, null, out _)!.DistanceMm!.Value, 9);
}

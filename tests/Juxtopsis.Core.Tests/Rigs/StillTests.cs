using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Tests.Rigs;

public sealed class StillTests
{
    [Theory]
    [InlineData(1.5, 36, 24)]
    [InlineData(16.0 / 9, 36, 20.25)]
    [InlineData(1, 24, 24)]
    public void A_still_of_a_shape_of_its_own_shows_a_part_of_its_sensor(double aspect, double width, double height)
    {
        var still = Still.Trim(36, 24, 28, aspect);
        Assert.Equal(width, still.WidthMm, 1e-9);
        Assert.Equal(height, still.HeightMm, 1e-9);
    }

    [Theory]
    [InlineData(1.5, 36, 24)]
    [InlineData(4.0 / 3, 34.6133, 25.9600)]
    [InlineData(0.75, 25.9600, 34.6133)]
    public void One_with_an_equivalent_focal_length_has_the_diagonal_of_36_by_24(double aspect, double width, double height)
    {
        var still = Still.Equivalent(26, aspect);
        Assert.Equal(width, still.WidthMm, 1e-3);
        Assert.Equal(height, still.HeightMm, 1e-3);
    }

    [Fact]
    public void From_elsewhere_there_is_no_still()
    {
        var scene = new Scene(2000) { Still = new Still(36, 24, 28) };
        Assert.NotNull(scene.From(2000).Still);
        Assert.Null(scene.From(2500).Still);
    }
}

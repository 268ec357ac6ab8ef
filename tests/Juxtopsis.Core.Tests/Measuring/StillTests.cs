using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Measuring;

namespace Juxtopsis.Core.Tests.Measuring;

public sealed class StillTests
{
    private const double Width = 1920;
    private const double Height = 1080;

    /// <summary>A rectangle's corners as a camera of some scale (pixels) sees it, turned about both of its middle lines.</summary>
    private static StillPoint[] Seen(double scale, double away, double wide, double high, double turn, double nod, double aside = 0) =>
        [.. new[] { (-1, -1), (1, -1), (1, 1), (-1, 1) }.Select(corner =>
        {
            var (x, y) = (corner.Item1 * wide / 2, corner.Item2 * high / 2);
            var (x1, z1) = (x * Math.Cos(turn), x * Math.Sin(turn));
            var (y2, z2) = (y * Math.Cos(nod) - z1 * Math.Sin(nod), y * Math.Sin(nod) + z1 * Math.Cos(nod));
            return new StillPoint(Width / 2 + scale * (x1 + aside) / (away + z2), Height / 2 + scale * y2 / (away + z2));
        })];

    [Fact]
    public void Two_marks_tell_the_width_and_a_squeezed_still_is_stretched_first()
    {
        var plain = StillMarks.OfTwo(new(100, 500), new(1060, 500), 1000, Width, 1, 2)!;
        Assert.Equal(2000, plain.WidthMm, 1e-9);
        Assert.Equal(2000 * Math.Sqrt(2) * 2 / 960, plain.PlusMinusMm, 1e-9);
        Assert.Equal(4000, StillMarks.OfTwo(new(100, 500), new(100, 980), 500, Width, 2, 2)!.WidthMm, 1e-9);
        Assert.Null(StillMarks.OfTwo(new(100, 500), new(101, 500), 1000, Width, 1, 2));
    }

    [Theory]
    [InlineData(0, 0, 0)]
    [InlineData(0.35, 0, 0)]
    [InlineData(0.2, -0.3, 400)]
    [InlineData(-0.6, 0.1, -200)]
    public void Four_marks_of_a_rectangle_take_out_the_tilt(double turn, double nod, double aside)
    {
        const double scale = 2600;
        var field = StillMarks.OfRectangle(Seen(scale, 3000, 900, 2000 * 0.3, turn, nod, aside), 900, 600, 3000, Width, Height, 1, 1)!;
        Assert.Equal(Width * 3000 / scale, field.WidthMm, 0.005 * field.WidthMm);
        Assert.Equal(Math.Acos(Math.Cos(turn) * Math.Cos(nod)) * 180 / Math.PI, field.TiltDeg!.Value, 1.0);
        Assert.True(field.PlusMinusMm > 0);
    }

    [Fact]
    public void Corners_that_are_no_rectangle_are_refused()
    {
        StillPoint one = new(400, 300);
        Assert.Null(StillMarks.OfRectangle([one, one, one, one], 900, 600, 3000, Width, Height, 1, 1));
        Assert.Null(StillMarks.OfRectangle([new(100, 100), new(300, 100), new(500, 100), new(700, 100)], 900, 600, 3000, Width, Height, 1, 1));
        Assert.Throws<ArgumentException>(() => StillMarks.OfRectangle([one], 900, 600, 3000, Width, Height, 1, 1));
    }

    private static LightGrid Wall(Func<double, double> stopsAt, double slope = 0, double noise = 0)
    {
        const int columns = 48, rows = 27;
        var (wide, high, errors) = (36.0, 20.25, new Noise(7));
        return new(columns, rows, [.. Enumerable.Range(0, columns * rows).Select(i =>
        {
            var (x, y) = (((i % columns + 0.5) / columns - 0.5) * wide, ((i / columns + 0.5) / rows - 0.5) * high);
            return 0.4 * Math.Pow(2, stopsAt(Math.Sqrt(x * x + y * y)) + slope * x / wide + errors.Normal(noise));
        })], wide, high);
    }

    [Fact]
    public void Corners_are_told_in_stops_and_a_wall_that_is_brighter_on_one_side_is_taken_out()
    {
        var corner = Math.Sqrt(36 * 36 + 20.25 * 20.25) / 2;
        var report = FalloffTest.Evaluate(Wall(r => -1.5 * r * r / corner / corner, 0.8, 0.02))!;
        Assert.Equal(1.5 * 0.95, report.CornerStops, 0.12);
        Assert.Null(report.CircleMm);
        Assert.Contains(report.Findings, f => f.Code == DiagnosticCode.WallUneven);
        Assert.All(report.Map, stops => Assert.InRange(stops, -1.7, 0));
    }

    [Fact]
    public void An_image_circle_ends_where_three_stops_are_lost()
    {
        var report = FalloffTest.Evaluate(Wall(r => r < 14 ? 0 : -4 * (r - 14)))!;
        Assert.Equal(2 * 14.75, report.CircleMm!.Value, report.CirclePlusMinusMm);
        Assert.True(report.CornerStops > 3);
    }

    [Fact]
    public void A_black_frame_says_nothing_and_an_overexposed_one_is_told()
    {
        Assert.Null(FalloffTest.Evaluate(new(3, 3, new double[9], 36, 24)));
        var burnt = Wall(r => Math.Min(-0.7, -2 * r * r / 426));
        Assert.Contains(FalloffTest.Evaluate(burnt)!.Findings, f => f.Code == DiagnosticCode.WallTooBright);
    }
}

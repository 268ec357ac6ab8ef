using Juxtopsis.Core.Measuring;

namespace Juxtopsis.Core.Tests.Measuring;

/// <summary>What the tests of units rest on: quantiles, least squares, and telling slips.</summary>
public sealed class FitTests
{
    private static readonly double[] Constant = [1];

    [Theory]
    [InlineData(0.02, 2.053749)]
    [InlineData(0.0025, 2.807034)]
    [InlineData(0.0001, 3.719016)]
    [InlineData(1e-8, 5.612001)]
    public void The_normal_tail_is_that_of_tables(double probability, double deviations) => Assert.Equal(deviations, Distributions.NormalTail(probability), 1e-5);

    [Theory]
    [InlineData(1, 12.7062)]
    [InlineData(3, 3.18245)]
    [InlineData(6, 2.44691)]
    [InlineData(10, 2.22814)]
    [InlineData(30, 2.04227)]
    [InlineData(1000, 1.96234)]
    public void Students_t_is_that_of_tables(int freedom, double factor) => Assert.Equal(factor, Distributions.StudentT95(freedom), 2e-4 * factor);

    [Theory]
    [InlineData(1, 6.635)]
    [InlineData(2, 9.210)]
    [InlineData(5, 15.086)]
    [InlineData(30, 50.892)]
    public void The_limit_of_chi_squared_is_that_of_tables(int freedom, double limit) => Assert.Equal(limit, Distributions.ChiSquared99(freedom), 0.012 * limit);

    [Fact]
    public void A_line_through_points_comes_back_with_its_variance()
    {
        Observation[] points = [.. Enumerable.Range(0, 5).Select(x => new Observation([x, 1], 3 * x - 2, 0.5))];
        var fit = LinearFit.Of(points, [Prior.None, Prior.None])!;
        Assert.Equal(3, fit.Values[0], 1e-12);
        Assert.Equal(-2, fit.Values[1], 1e-12);
        Assert.Equal(0, fit.ChiSquared, 1e-12);
        Assert.Equal(3, fit.Freedom);

        // Σ(x − x̄)² = 10.
        Assert.Equal(0.25 / 10, fit.VarianceAt([1, 0]), 1e-12);
        Assert.Equal(0.25 / 5, fit.VarianceAt([2, 1]), 1e-12);
    }

    [Fact]
    public void One_more_reading_makes_the_variance_what_a_fit_with_it_has()
    {
        Observation[] points = [new([0.0, 1], 1, 1), new([1.0, 1], 2, 1), new([3.0, 1], 4, 2)];
        var (more, row) = (new Observation([5.0, 1], 6, 0.7), new double[] { 1, 0 });
        var before = LinearFit.Of(points, [Prior.None, new(0, 3)])!;
        var after = LinearFit.Of([.. points, more], [Prior.None, new(0, 3)])!;
        Assert.Equal(after.VarianceAt(row), before.VarianceWith(row, more), 1e-12);
    }

    [Fact]
    public void A_prior_counts_as_one_more_reading_and_what_nothing_tells_is_no_fit()
    {
        var fit = LinearFit.Of([new(Constant, 10, 1)], [new(4, 1)])!;
        Assert.Equal(7, fit.Values[0], 1e-12);
        Assert.Equal(0.5, fit.VarianceAt(Constant), 1e-12);
        Assert.Null(LinearFit.Of([], [Prior.None]));
        Assert.Null(LinearFit.Of([new([1.0, 1], 2, 1)], [Prior.None, Prior.None]));
    }

    [Fact]
    public void Slips_are_told_even_where_there_are_two_of_seven()
    {
        double[] values = [10.1, 9.9, 10.0, 10.2, 9.8, 30, 31];
        var fit = RobustFit.Of([.. values.Select(v => new Observation(Constant, v, 0.2))], [Prior.None])!;
        Assert.Equal([false, false, false, false, false, true, true], fit.IsLeftOut);
        Assert.Equal(10, fit.Fit.Values[0], 0.05);
        Assert.False(fit.Scatters);
    }

    [Fact]
    public void Where_half_says_one_thing_and_half_another_none_is_left_out_and_the_scatter_is_told()
    {
        double[] values = [10, 10.1, 20, 20.1];
        var fit = RobustFit.Of([.. values.Select(v => new Observation(Constant, v, 0.2))], [Prior.None])!;
        Assert.DoesNotContain(true, fit.IsLeftOut);
        Assert.True(fit.Scatters);
        Assert.True(fit.PlusMinus(Constant) > 5);
    }

    [Fact]
    public void Hardly_anything_is_left_out_where_nothing_slipped()
    {
        var left = 0;
        for (var seed = 0; seed < 1000; seed++)
        {
            var noise = new Noise(seed);
            var fit = RobustFit.Of([.. Enumerable.Range(0, 8).Select(_ => new Observation(Constant, 5 + noise.Normal(0.3), 0.3))], [Prior.None])!;
            left += fit.IsLeftOut.Contains(true) ? 1 : 0;
        }

        Assert.InRange(left, 0, 12);
    }

    [Fact]
    public void The_plus_minus_of_marks_is_what_moving_them_about_does()
    {
        StillPoint[] corners = [new(300, 220), new(1500, 300), new(1480, 800), new(320, 900)];
        FieldOfMarks Of(IReadOnlyList<StillPoint> at) => StillMarks.OfRectangle(at, 900, 500, 2500, 1920, 1080, 1, 1)!;
        var told = Of(corners);
        var noise = new Noise(11);
        double[] tried = [.. Enumerable.Range(0, 2000).Select(_ => Of([.. corners.Select(c => new StillPoint(c.X + noise.Normal(1 / 1.96), c.Y + noise.Normal(1 / 1.96)))]).WidthMm)];
        var mean = tried.Average();
        var spread = 1.96 * Math.Sqrt(tried.Average(w => (w - mean) * (w - mean)));
        Assert.Equal(spread, told.PlusMinusMm, 0.12 * spread);
    }
}

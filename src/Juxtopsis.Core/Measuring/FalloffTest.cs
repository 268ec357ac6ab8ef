using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Measuring;

/// <summary>How bright a still of an even wall is, in a grid over the whole frame.</summary>
/// <param name="Columns">Cells across; 3 or more.</param>
/// <param name="Rows">Cells up and down; 3 or more.</param>
/// <param name="Light">Light in each cell, row by row from the top left: in proportion to what fell on the sensor, 0 or more.</param>
/// <param name="WidthMm">What the still shows of the sensor across, mm.</param>
/// <param name="HeightMm">And up and down, mm.</param>
public sealed record LightGrid(int Columns, int Rows, IReadOnlyList<double> Light, double WidthMm, double HeightMm);

/// <summary>How the light falls off from the middle.</summary>
/// <param name="CornerStops">Light lost in the corners against the middle, stops, of an even wall.</param>
/// <param name="PlusMinus">Its ±, from how uneven the wall is beyond a slope.</param>
/// <param name="SlopeStops">How much brighter one side of the wall was, stops from edge to edge, which was taken out.</param>
/// <param name="CircleMm">Diameter of the image circle, mm; null where it lies outside the frame.</param>
/// <param name="CirclePlusMinusMm">Its ±: the width of a step of the profile.</param>
/// <param name="Map">Light against the middle, stops, 0 or below, for each cell, the slope taken out; −∞ where no light fell.</param>
/// <param name="Profile">Stops against the radius, mm, from the middle on.</param>
/// <param name="Findings">What is to be said of it.</param>
public sealed record FalloffReport(
    double CornerStops, double PlusMinus, double SlopeStops, double? CircleMm, double CirclePlusMinusMm, IReadOnlyList<double> Map, IReadOnlyList<ChartPoint> Profile, IReadOnlyList<Diagnostic> Findings);

/// <summary>Corner darkening and image circle from a still of an even wall.</summary>
public static class FalloffTest
{
    /// <summary>The image circle ends where so many stops are lost.</summary>
    public const double CircleStops = 3;

    /// <summary>What is darker than this against the middle says nothing of a wall.</summary>
    private const double DarkStops = -8;

    /// <summary>
    /// Fits log2 of the light by a slope across, a slope up and a fall by r², r⁴ and r⁶ over the part that is lit; a wall is never lit
    /// quite evenly, and its slope is not the lens's.
    /// </summary>
    /// <param name="grid">The still.</param>
    /// <returns>The report; null where the frame is black.</returns>
    public static FalloffReport? Evaluate(LightGrid grid)
    {
        ArgumentNullException.ThrowIfNull(grid);
        var brightest = grid.Light.Max();
        if (!(brightest > 0))
        {
            return null;
        }

        var halfDiagonal = Math.Sqrt(grid.WidthMm * grid.WidthMm + grid.HeightMm * grid.HeightMm) / 2;
        var cells = grid.Light.Select((light, i) =>
        {
            var x = ((i % grid.Columns + 0.5) / grid.Columns - 0.5) * grid.WidthMm;
            var y = ((i / grid.Columns + 0.5) / grid.Rows - 0.5) * grid.HeightMm;
            return new Cell(x / halfDiagonal, y / halfDiagonal, light > 0 ? PortableMath.Log2(light / brightest) : double.NegativeInfinity);
        }).ToArray();
        var middle = cells.Where(c => c.R2 < 0.02).Select(c => c.Stops).DefaultIfEmpty(0).Average();
        var lit = cells.Where(c => c.Stops - middle > DarkStops).ToArray();
        var (slopeX, slopeY, rest) = Slope(lit);
        double Flat(Cell c) => c.Stops - slopeX * c.X - slopeY * c.Y;
        var centre = cells.Where(c => c.R2 < 0.02).Select(Flat).DefaultIfEmpty(0).Average();
        ChartPoint[] profile = [.. cells.GroupBy(c => (int)(Math.Sqrt(c.R2) * Bins)).OrderBy(g => g.Key).Select(g => new ChartPoint(
            g.Average(c => Math.Sqrt(c.R2)) * halfDiagonal, Math.Max(DarkStops * 2, g.Average(c => Math.Max(DarkStops * 2, Flat(c) - centre))), 0, -1))];
        var corner = ((int[])[0, grid.Columns - 1, cells.Length - grid.Columns, cells.Length - 1]).Average(i => Math.Max(DarkStops * 2, Flat(cells[i]) - centre));
        var findings = new List<Diagnostic>();
        var tilt = Math.Sqrt(slopeX * slopeX + slopeY * slopeY) * 2;
        if (tilt > 0.25)
        {
            findings.Add(new(DiagnosticCode.WallUneven, Severity.Note, $"One side of the wall was {Math.Round(tilt, 1).ToString(System.Globalization.CultureInfo.InvariantCulture)} stops brighter; that was taken out.", "A sheet of paper close to the lens, lit from behind the camera, is more even."));
        }

        var top = grid.Light.Count(l => l > 0.97 * brightest);
        if (top > grid.Light.Count / 4 && corner < -0.3)
        {
            findings.Add(new(DiagnosticCode.WallTooBright, Severity.Costs, "A large part of the still has one brightness, as where it is overexposed; then the fall is told too small.", "Expose so that the middle is below half of the scale."));
        }

        return new(-corner, 2 * rest, tilt, CircleOf(profile), profile.Length > 1 ? profile[1].X - profile[0].X : 0, [.. cells.Select(c => Math.Min(0, Flat(c) - centre))], profile, findings);
    }

    private const double Bins = 16;

    private static (double X, double Y, double Scatter) Slope(Cell[] lit)
    {
        Observation[] observations = [.. lit.Select(c => new Observation([1, c.X, c.Y, c.R2, c.R2 * c.R2, c.R2 * c.R2 * c.R2], c.Stops, 1))];
        return LinearFit.Of(observations, [.. Enumerable.Repeat(Prior.None, 6)]) is { } fit
            ? (fit.Values[1], fit.Values[2], fit.Freedom > 0 ? Math.Sqrt(fit.ChiSquared / fit.Freedom) : 0)
            : (0, 0, 0);
    }

    private static double? CircleOf(ChartPoint[] profile)
    {
        for (var i = 1; i < profile.Length; i++)
        {
            var (inner, outer) = (profile[i - 1], profile[i]);
            if (outer.Y <= -CircleStops && inner.Y > -CircleStops)
            {
                var share = (inner.Y + CircleStops) / (inner.Y - outer.Y);
                return 2 * (inner.X + share * (outer.X - inner.X));
            }
        }

        return null;
    }

    private readonly record struct Cell(double X, double Y, double Stops)
    {
        public double R2 => X * X + Y * Y;
    }
}

using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Filters;

/// <summary>Made-up filters and rings.</summary>
internal static class MadeFilters
{
    public static GearItem Fixed(double stops, double thread, string name = "ND") => Made.Of(
        GearKind.Filter, $"{name} {stops}, {thread} mm", (FrontFields.Effect, FilterEffect.NeutralDensity), (FrontFields.Stops, stops), (CommonFields.RearThread, thread),
        (CommonFields.FrontThread, thread), (CommonFields.Thickness, 4.0), (CommonFields.Weight, 40 + stops));

    public static GearItem Variable(double from, double to, double thread) =>
        Fixed(from, thread, "Variable").With(FrontFields.Effect, FilterEffect.Variable).With(FrontFields.StopsMost, to).With(CommonFields.Thickness, 8.0);

    public static GearItem Polariser(double thread) => Fixed(1.3, thread, "Polariser").With(FrontFields.Effect, FilterEffect.Polariser);

    public static GearItem Ring(double from, double to) =>
        Made.Of(GearKind.StepRing, $"Ring {from} to {to}", (CommonFields.RearThread, from), (CommonFields.FrontThread, to), (CommonFields.Thickness, 3.0), (CommonFields.Weight, 20.0));

    public static GearItem Lens(double focalLengthMm, double thread) => Made.Lens.With(LensFields.Short, focalLengthMm).With(LensFields.FilterThread, thread).With(LensFields.Widest, 2.8);

    /// <summary>A shelf of some filters and rings of four threads.</summary>
    public static GearItem[] ShelfOf(Random random, int filters, int rings)
    {
        double[] threads = [49, 67, 77, 82];
        double Thread() => threads[random.Next(threads.Length)];
        var made = new List<GearItem>();
        for (var i = 0; i < filters; i++)
        {
            var stops = random.Next(1, 11);
            made.Add((random.Next(4) == 0 ? Variable(stops, stops + 3, Thread()) : Fixed(stops, Thread())).WithId(new Guid(i, 1, 0, new byte[8])));
        }

        while (made.Count < filters + rings)
        {
            if ((Thread(), Thread()) is var (from, to) && from != to)
            {
                made.Add(Ring(from, to).WithId(new Guid(made.Count, 2, 0, new byte[8])));
            }
        }

        return [.. made];
    }
}

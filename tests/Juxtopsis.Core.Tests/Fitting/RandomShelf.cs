using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Fitting;

/// <summary>Shelves to try searches on: modes with rates of their own, irises that stay open, squeezes, bodies with two mounts, tubes and close-up lenses.</summary>
internal static class RandomShelf
{
    /// <summary>A number between two.</summary>
    public static double Between(Random random, double from, double to) => from + random.NextDouble() * (to - from);

    private static GearItem Rated(GearItem mode, params double[] rates) => mode.With(ModeFields.Fps, rates);

    /// <summary>The same kind of shelf, where most lenses were tested and are other than their marks.</summary>
    public static IEnumerable<GearItem> Tested(Random random) => Of(random).Select(item =>
    {
        if (item.Kind != GearKind.Lens || random.Next(4) == 0)
        {
            return item;
        }

        var (from, to) = (item.Get(LensFields.Short)!.Value, item.Get(LensFields.Long));
        GearPoint[] points = to is { } end ? [new(from, from * Between(random, 0.95, 1.05)), new(end, end * Between(random, 0.95, 1.05))] : [new(from, from * Between(random, 0.95, 1.05))];
        return item.With(LensFields.TestedFocal, points);
    });

    public static IEnumerable<GearItem> Of(Random random)
    {
        GearItem[] modes =
        [
            Rated(Made.Mode("Full", 36, 20.25), 24, 25), Rated(Made.Mode("Crop", 23.5, 13.22), 25, 50), Rated(Made.Mode("Open", 36, 24, 1.5, 2), 25), Rated(Made.Mode("Window", 9, 5).With(ModeFields.PixelsAcross, 960.0).With(ModeFields.PixelsUp, 540.0), 25, 50, 100),
        ];
        yield return Made.Near;
        yield return Made.Far;
        yield return Made.Body.With(BodyFields.Modes, modes);
        yield return Made.Body.With(BodyFields.Modes, modes.Take(2).ToArray()).With(BodyFields.Mounts, new[] { "Far", "Near" }).With(CommonFields.Name, "Two mounts").With(BodyFields.SetsIris, random.Next(2) == 0).WithId(Guid.NewGuid());
        yield return Made.Adapter.With(AdapterFields.Magnification, 0.71).With(CommonFields.Length, random.Next(2) == 0 ? 15.0 : null).WithId(Guid.NewGuid());
        yield return Made.Adapter.With(AdapterFields.CarriesIris, random.Next(2) == 0 ? false : null).With(CommonFields.Name, "Bare").WithId(Guid.NewGuid());
        yield return Made.Tube;
        yield return Made.Of(GearKind.CloseUpLens, "Close-up", (FrontFields.Dioptres, 2.0), (CommonFields.RearThread, 67.0), (CommonFields.Thickness, 8.0), (CommonFields.Weight, 90.0));
        for (var i = 0; i < 4; i++)
        {
            var shortest = Between(random, 14, 120);
            var lens = Made.Lens.With(CommonFields.Name, $"L{i}").With(LensFields.Mount, random.Next(2) == 0 ? "Near" : "Far").With(LensFields.Short, shortest)
                .With(LensFields.Widest, Between(random, 1.4, 4)).With(LensFields.ImageCircle, Between(random, 28, 50)).With(LensFields.Nearest, Between(random, 8, 14) * shortest)
                .With(LensFields.Ratio, random.Next(2) == 0 ? null : 0.11).With(CommonFields.Weight, Between(random, 100, 1500)).With(LensFields.Iris, (IrisControl)random.Next(0, 3))
                .With(LensFields.Squeeze, random.Next(4) == 0 ? 1.5 : null).WithId(Guid.NewGuid());
            if (random.Next(2) == 0)
            {
                var longest = shortest * Between(random, 1.5, 4);
                lens = lens.With(LensFields.Long, longest).With(LensFields.WidestLong, random.Next(2) == 0 ? null : lens.Get(LensFields.Widest) * Between(random, 1.1, 2));
            }

            yield return lens;
        }
    }
}

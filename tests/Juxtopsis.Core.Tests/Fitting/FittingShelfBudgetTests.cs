using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Tests.Fitting;

/// <summary>A shelf that makes more rigs than anybody looks through is cut, and says so.</summary>
public sealed class FittingShelfBudgetTests
{
    private static GearItem Of(GearKind kind, string name, params (string Key, object Value)[] known) =>
        GearItem.Of(kind, Guid.NewGuid(), known.Append(("name", name)).ToDictionary(k => GearKinds.Of(kind).Field(k.Item1)!, k => k.Item2));

    [Fact]
    public void Adapters_that_join_a_mount_to_itself_stay_within_the_bounds()
    {
        var mode = Of(GearKind.Mode, "Full", ("areaWidthMm", 36.0), ("areaHeightMm", 24.0));
        IEnumerable<GearItem> Gear(int bodies, int lenses, int adapters) =>
        [
            Of(GearKind.Mount, "Loop", ("flangeMm", 20.0)),
            .. Enumerable.Range(0, bodies).Select(i => Of(GearKind.Body, $"Body {i}", ("mounts", new[] { "Loop" }), ("sensorWidthMm", 36.0), ("sensorHeightMm", 24.0), ("modes", new[] { mode }))),
            .. Enumerable.Range(0, lenses).Select(i => Of(GearKind.Lens, $"Lens {i}", ("mount", "Loop"), ("focalShortMm", 35.0), ("widestF", 2.0))),
            .. Enumerable.Range(0, adapters).Select(i => Of(GearKind.Adapter, $"Loop {i}", ("bodyMount", "Loop"), ("lensMount", "Loop"))),
        ];

        var some = FittingShelf.Of(Gear(2, 3, 12));
        Assert.False(some.IsCut);
        Assert.InRange(some.Rigs.Count, 6, 6 * 64);
        var many = FittingShelf.Of(Gear(30, 60, 12));
        Assert.True(many.IsCut);
        Assert.Equal(FittingShelf.MostRigs, many.Rigs.Count);
        Assert.Equal(many.Pairs, many.Done);
    }
}

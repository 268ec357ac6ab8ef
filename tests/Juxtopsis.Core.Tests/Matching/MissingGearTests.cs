using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Matching;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Matching;

/// <summary>What would close the gap, worked by hand.</summary>
public sealed class MissingGearTests
{
    private static readonly Look Look = new(new Scene(3000) { BackgroundDistanceMm = 9000, DeliveryAspect = 1.5 }, Conventions.Default, new Rig(36, 24, 85, 1.8));

    private static GearItem Lens(string mount, double focal, double widest) =>
        Made.Lens.With(CommonFields.Name, $"{focal} {widest}").With(LensFields.Mount, mount).With(LensFields.Short, focal).With(LensFields.Widest, widest).With(LensFields.Nearest, null).With(LensFields.Ratio, null).WithId(Guid.NewGuid());

    private static (LookResult Result, IReadOnlyList<MissingGear> Missing) Ask(params GearItem[] lenses)
    {
        var shelf = FittingShelf.Of([Made.Near, Made.Far, Made.Body.With(BodyFields.Modes, new[] { Made.Mode("Small", 18, 12).With(ModeFields.Fps, new[] { 25.0 }) }), .. lenses]);
        var result = new LookSearch(shelf, Look, new()).Finish();
        return (result, MissingGear.Of(shelf, result, new()));
    }

    [Fact]
    public void The_lens_that_is_missing_has_half_the_focal_length_and_opens_two_stops_wider()
    {
        // 85 mm ƒ1.8 on 24 mm is 42.5 mm ƒ0.9 on 12.
        var (result, missing) = Ask(Lens("Near", 40, 2));
        var lens = missing[0];
        Assert.Equal((42.5, 0.8), (lens.Item.Get(LensFields.Short), lens.Item.Get(LensFields.Widest)));
        Assert.Equal("Near", lens.Item.Get(LensFields.Mount));
        Assert.InRange(lens.Match.Rest[LookAspect.Blur], -1e-6, 1e-6);
        Assert.True(lens.Match.Sum < result.Matches[0].Sum / 10);
    }

    [Fact]
    public void A_reducer_makes_a_lens_of_another_mount_do()
    {
        // 60 mm ƒ1.2 through 0.7 is 42 mm ƒ0.84: open enough for ƒ0.9.
        var (result, missing) = Ask(Lens("Near", 40, 2), Lens("Far", 60, 1.2));
        var reducer = missing.Single(m => m.Item.Kind == GearKind.Adapter);
        Assert.Equal(0.7, reducer.Item.Get(AdapterFields.Magnification));
        Assert.Equal(("Near", "Far"), (reducer.Item.Get(AdapterFields.BodyMount), reducer.Item.Get(AdapterFields.LensMount)));
        Assert.Equal("60 1.2", reducer.Match.Rig.Lens.Name);
        Assert.InRange(reducer.Match.Rest[LookAspect.Blur], -0.05, 0.05);
        Assert.True(reducer.Match.Sum < result.Matches[0].Sum);
    }

    [Fact]
    public void Nothing_is_missing_where_the_shelf_reaches_it() => Assert.Empty(Ask(Lens("Near", 42.5, 0.85)).Missing);
}

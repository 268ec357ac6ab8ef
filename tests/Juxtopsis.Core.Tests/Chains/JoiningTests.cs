using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Tests.Chains;

/// <summary>Ways to join, and what fits where.</summary>
public sealed class JoiningTests
{
    private static readonly GearItem Bare = Made.Adapter.With(CommonFields.Name, "Bare").With(AdapterFields.CarriesFocus, false).With(AdapterFields.CarriesIris, false).WithId(Guid.NewGuid());
    private static readonly GearItem Weak = Made.Adapter.With(CommonFields.Name, "Weak").With(AdapterFields.Magnification, 0.5).WithId(Guid.NewGuid());
    private static readonly GearItem Extender = Made.Adapter.With(CommonFields.Name, "Extender").With(AdapterFields.BodyMount, "Far").With(AdapterFields.Magnification, 1.4).WithId(Guid.NewGuid());
    private static readonly Joining Joined = new([Bare, Weak, Extender, Made.Tube, Made.Adapter], Made.Mounts);

    private static string[] Names(IEnumerable<Way> ways) => [.. ways.Select(w => string.Join('+', w.Links.Select(l => l.Name)))];

    [Fact]
    public void The_best_way_comes_first_and_tubes_are_no_way()
    {
        var ways = Joined.Ways(Made.Body, Made.FarLens, [], new ChainSetting());

        // Carrying all goes before losing light, that before dark corners and a stuck iris.
        Assert.Equal(["Adapter", "Adapter+Extender"], Names(ways).Take(2));
        Assert.Equal("100 g more · covers · loses nothing", ways[0].Why);
        Assert.Contains("loses focus drive, iris", Assert.Single(ways, w => Names([w])[0] == "Bare").Why, StringComparison.Ordinal);
        Assert.Contains("dark corners", Assert.Single(ways, w => Names([w])[0] == "Weak").Why, StringComparison.Ordinal);
        Assert.DoesNotContain("Tube", string.Join(' ', Names(ways)), StringComparison.Ordinal);
    }

    [Fact]
    public void A_lens_of_the_same_mount_goes_straight_on()
    {
        Assert.Equal("Straight on · covers · all works", Assert.Single(Joined.Ways(Made.Body, Made.Lens, [], new ChainSetting())).Why);
    }

    [Fact]
    public void Nothing_joins_what_no_adapter_goes_between()
    {
        Assert.Empty(Joined.Ways(Made.Body, Made.Lens.With(LensFields.Mount, "Elsewhere"), [], new ChainSetting()));
    }

    [Fact]
    public void A_lens_that_is_picked_brings_the_adapter_that_it_needs()
    {
        var picker = new PartPicker([Made.Body, Made.Lens, Made.FarLens.WithId(Guid.NewGuid()), Made.Adapter, Bare, Made.Filter, Made.Gimbal], Made.Mounts);
        var options = picker.Options([Made.Body, Made.Lens, Made.Filter], new Slot(1, IsNew: false), new ChainSetting());
        Assert.Equal(["Lens", "Far lens"], options.Select(o => o.Item.Name));
        Assert.All(options, o => Assert.True(o.Fits));
        Assert.Equal(["Body", "Adapter", "Far lens", "Filter"], options[1].Parts.Select(p => p.Name));
        Assert.StartsWith("Through Adapter", options[1].Why, StringComparison.Ordinal);
    }

    [Fact]
    public void A_camera_that_is_picked_first_is_not_blamed_for_the_lens_that_is_still_to_come()
    {
        var picker = new PartPicker([Made.Body.With(CommonFields.Weight, 660.0), Made.Camera.With(CommonFields.Weight, null)], Made.Mounts);
        var options = picker.Options([], new Slot(0, IsNew: true), new ChainSetting());
        Assert.All(options, o => Assert.True(o.Fits));
        Assert.Equal(["Fits", "660 g"], options.Select(o => o.Why.Replace('\u2009', ' ')).Order(StringComparer.Ordinal).Reverse());
    }

    [Fact]
    public void What_does_not_fit_comes_last_and_says_why()
    {
        var other = Made.Filter.With(CommonFields.Name, "A 77").With(CommonFields.RearThread, 77.0).WithId(Guid.NewGuid());
        var picker = new PartPicker([other, Made.Filter, Made.Gimbal, Made.Lens], Made.Mounts);
        var options = picker.Options([Made.Body, Made.Lens], new Slot(2, IsNew: true), new ChainSetting());
        Assert.Equal(["Filter", "Gimbal", "A 77"], options.Select(o => o.Item.Name));
        Assert.False(options[2].Fits);
        Assert.Contains("screws into 77 mm", options[2].Why, StringComparison.Ordinal);
        Assert.Contains("ring from 67 mm to 77 mm", options[2].Fix, StringComparison.Ordinal);
        Assert.Equal("A 77", Assert.Single(picker.Options([Made.Body, Made.Lens], new Slot(2, true), new ChainSetting(), i => i.Name == "A 77")).Item.Name);
    }

    [Fact]
    public void A_camera_that_keeps_its_lens_takes_the_place_of_body_adapter_and_lens()
    {
        var picker = new PartPicker([Made.Camera], Made.Mounts);
        var option = Assert.Single(picker.Options([Made.Body, Made.Adapter, Made.FarLens, Made.Gimbal], new Slot(0, IsNew: false), new ChainSetting { Mode = "Crop" }));
        Assert.True(option.Fits);
        Assert.Equal(["Camera", "Gimbal"], option.Parts.Select(p => p.Name));
    }

    [Theory]
    [InlineData(0, false, "Body,FixedLensCamera")]
    [InlineData(0, true, "")]
    [InlineData(1, true, "Adapter")]
    [InlineData(1, false, "Lens")]
    [InlineData(2, true, "Filter,CloseUpLens,StepRing,Attachment,Support,BagItem")]
    public void Each_place_takes_its_own_kinds(int place, bool isNew, string kinds)
    {
        Assert.Equal(kinds, string.Join(',', PartPicker.KindsAt([Made.Body, Made.Lens], new Slot(place, isNew))));
    }

    private static GearItem Ring(double from, double to) => Made.Of(
        GearKind.StepRing, $"Ring {from}–{to}", (CommonFields.RearThread, from), (CommonFields.FrontThread, to), (CommonFields.Thickness, 3.0));

    private static readonly GearItem Small = Made.Lens.With(LensFields.FilterThread, 52.0);
    private static readonly GearItem Filter77 = Made.Filter.With(CommonFields.RearThread, 77.0);

    [Fact]
    public void A_filter_of_another_thread_brings_its_rings_in_their_place()
    {
        var picker = new PartPicker([Filter77, Ring(52, 77), Ring(77, 52), Ring(52, 67), Ring(67, 77)], Made.Mounts);
        var one = picker.Options([Made.Body, Small], new(2, true), new()).Single(o => o.Item.Equals(Filter77));
        Assert.True(one.Fits);
        Assert.Equal([Made.Body.Name, Small.Name, "Ring 52–77", Filter77.Name], one.Parts.Select(p => p.Name));
        Assert.StartsWith("Through Ring 52–77 · ", one.Why, StringComparison.Ordinal);
        Assert.Empty(one.Fix);

        var two = new PartPicker([Filter77, Ring(52, 67), Ring(67, 77)], Made.Mounts).Options([Made.Body, Small], new(2, true), new()).Single(o => o.Item.Equals(Filter77));
        Assert.Equal(["Ring 52–67", "Ring 67–77"], two.Parts.Skip(2).SkipLast(1).Select(p => p.Name));
    }

    [Fact]
    public void A_ring_is_offered_the_right_way_round_alone_and_a_missing_one_is_named()
    {
        var picker = new PartPicker([Filter77, Ring(77, 52), Ring(52, 58)], Made.Mounts);
        var options = picker.Options([Made.Body, Small], new(2, true), new()).ToDictionary(o => o.Item.Name);
        Assert.True(options["Ring 52–58"].Fits);
        Assert.False(options["Ring 77–52"].Fits);
        Assert.False(options[Filter77.Name].Fits);
        Assert.Equal("Needs a ring from 52 mm to 77 mm, which is not on the shelf.", options[Filter77.Name].Fix.Replace('\u2009', ' '));
    }

    [Fact]
    public void Another_lens_keeps_the_filter_with_the_ring_that_it_needs_and_without_the_one_of_before()
    {
        var ring = Ring(52, 77);
        var large = Made.Lens.With(LensFields.FilterThread, 77.0).With(CommonFields.Name, "Large").WithId(Guid.NewGuid());
        var bulging = Made.Lens.With(LensFields.FilterThread, null).With(LensFields.NoFilters, true).With(CommonFields.Name, "Bulging").WithId(Guid.NewGuid());
        var picker = new PartPicker([large, Small, bulging, ring, Filter77], Made.Mounts);
        var swapped = picker.Options([Made.Body, Small, ring, Filter77], new(1, false), new()).ToDictionary(o => o.Item.Name);
        Assert.Equal([Made.Body.Name, "Large", Filter77.Name], swapped["Large"].Parts.Select(p => p.Name));
        Assert.True(swapped["Large"].Fits);
        Assert.False(swapped["Bulging"].Fits);
        var back = picker.Options([Made.Body, large, Filter77], new(1, false), new()).Single(o => o.Item.Equals(Small));
        Assert.Equal([Made.Body.Name, Small.Name, ring.Name, Filter77.Name], back.Parts.Select(p => p.Name));
    }
}

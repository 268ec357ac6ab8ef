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
}

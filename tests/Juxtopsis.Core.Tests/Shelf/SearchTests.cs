using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Shelf;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Shelf;

/// <summary>Finding gear by typing, and what is counted beside it.</summary>
public sealed class SearchTests
{
    private static readonly GearItem Wide = Lens("Wide", 20, "Near").With(LensFields.Widest, 1.8).With(CommonFields.Weight, 373.0).With(LensFields.MadeFor, "Full frame").With(CommonFields.Price, 800.0);
    private static readonly GearItem Small = Lens("Small", 20, "Near").With(LensFields.Widest, 1.8).With(LensFields.ImageCircle, 28.5).With(LensFields.MadeFor, "APS-C").With(LensFields.FilterThread, 77.0);
    private static readonly GearItem Zoom = Lens("Zoom", 24, "Far").With(LensFields.Long, 70.0).With(LensFields.Widest, 2.8).With(LensFields.MadeFor, "Full frame").With(LensFields.Stabilisation, 4.0).With(CommonFields.Ownership, Ownership.Hire);
    private static readonly GearItem Slow = Lens("Slow zoom", 28, "Near").With(LensFields.Long, 70.0).With(LensFields.Widest, 3.5).With(LensFields.WidestLong, 5.6).With(LensFields.MadeFor, "Full frame").With(CommonFields.Weight, null);
    private static readonly GearItem Macro = Lens("Close", 100, "Near").With(LensFields.Ratio, 1.0).With(LensFields.MadeFor, "Full frame").With(LensFields.Squeeze, 1.33).With(LensFields.NoFilters, true).With(LensFields.FilterThread, null);
    private static readonly GearItem Old = Lens("Old", 50, "Far").With(LensFields.MadeFor, "Full frame").With(CommonFields.Note, "Swirls, which the director likes.");
    private static readonly ShelfIndex Index = new(
    [
        .. new[] { Made.Near, Made.Far, Made.Odd, Made.Body, Made.Adapter, Made.Gimbal, Made.Battery, Wide, Small, Zoom, Slow, Macro }.Select(i => new ShelfEntry(i, 1, null)),
        new ShelfEntry(Old, 2, DateTimeOffset.UnixEpoch),
    ]);

    private static GearItem Lens(string name, double f, string mount) => Made.Lens.With(CommonFields.Name, name).With(LensFields.Short, f).With(LensFields.Mount, mount).WithId(Guid.NewGuid());

    private static string Found(string text) => string.Join(", ", Index.Search(new ShelfQuery { Text = text, Order = ShelfOrder.Name }).Rows.Select(r => r.Entry.Item.Name));

    [Theory]
    [InlineData("aps-c", "covers APS-C, 23.5 wide")]
    [InlineData("covers Full Frame", "covers full frame")]
    [InlineData("super 35", "covers Super 35, open gate")]
    public void What_was_understood_is_told_in_the_words_of_the_trade(string typed, string meaning) =>
        Assert.Contains(Index.Search(new ShelfQuery { Text = typed }).Understood, u => u.Meaning == meaning);

    [Theory]
    [InlineData("fast wide under 400 g that covers full frame on Near", "Wide")]
    [InlineData("fast wide", "Wide")]
    [InlineData("lens over 390g", "Close, Small, Zoom")]
    [InlineData("lenses at least 0,4 kg", "Close, Small, Zoom")]
    [InlineData("wide under €900 over 600 eur", "Wide")]
    [InlineData("zoom", "Slow zoom, Zoom")]
    [InlineData("held zoom", "Zoom")]
    [InlineData("prime on far", "")]
    [InlineData("lens on Near", "Close, Slow zoom, Small, Wide, Zoom")]
    [InlineData("lens Far", "Zoom")]
    [InlineData("24-70", "Zoom")]
    [InlineData("60mm", "Slow zoom, Zoom")]
    [InlineData("f/2.8 zoom", "Zoom")]
    [InlineData("ƒ1.8", "Small, Wide")]
    [InlineData("77 mm thread", "Small")]
    [InlineData("stabilised lens", "Zoom")]
    [InlineData("1.33x squeeze", "Close")]
    [InlineData("macro", "Close")]
    [InlineData("macro bulging", "Close")]
    [InlineData("to hire", "Zoom")]
    [InlineData("retired", "Old")]
    [InlineData("retired swirls", "Old")]
    [InlineData("swirls", "")]
    [InlineData("GIMBAL", "Gimbal")]
    [InlineData("reducer", "")]
    [InlineData("20 mm equivalent", "Wide")]
    [InlineData("focuses to 30 cm macro", "Close")]
    [InlineData("focuses to 29 cm macro", "")]
    [InlineData("covers full frame camera", "Body")]
    [InlineData("zzz", "")]
    [InlineData("'; drop table gear; -- %_", "")]
    public void Typing_finds(string text, string names)
    {
        Assert.Equal(names, Found(text));
    }

    [Fact]
    public void Blank_and_endless_texts_are_met_by_everything_or_by_nothing_but_always_answered()
    {
        Assert.Equal(12, Index.Search(new ShelfQuery { Text = "  , ; " }).Rows.Count);
        Assert.Empty(Index.Search(new ShelfQuery { Text = new string('(', 100_000) }).Rows);
        Assert.Single(Index.Search(new ShelfQuery { Text = "fast wide " + new string(' ', 100_000) }).Rows);
    }

    [Fact]
    public void What_was_understood_is_said()
    {
        var understood = Index.Search(new ShelfQuery { Text = "fast under 400 g on Near blue" }).Understood;
        Assert.Equal(["ƒ2 or wider", "weighs 400 g or less", "goes on Near", ""], understood.Select(u => u.Meaning));
        Assert.Equal(["fast", "under 400 g", "on Near", "blue"], understood.Select(u => u.Typed));
    }

    [Fact]
    public void Counts_tell_what_each_further_choice_would_leave()
    {
        var found = Index.Search(new ShelfQuery { Kind = GearKind.Lens, Mount = "near" });
        Assert.Equal(4, found.Rows.Count);
        Assert.Equal(4, Assert.Single(found.Kinds, k => k.Key == "lens").Count);
        Assert.Equal(1, Assert.Single(found.Kinds, k => k.Key == "body").Count);
        Assert.Equal(1, Assert.Single(found.Mounts, m => m.Key == "Far").Count);
        Assert.Equal([("own", 4)], found.Ownerships.Select(h => (h.Key, h.Count)));
    }

    [Fact]
    public void Equivalents_are_told_for_the_lens_s_own_format_or_for_a_camera_and_mode()
    {
        LensReach? Reach(GearItem lens, Guid? body, string mode = "") =>
            Index.Search(new ShelfQuery { Body = body, Mode = mode }).Rows.Single(r => r.Entry.Item.Id == lens.Id).Reach;
        Assert.Equal(20, Reach(Wide, null)!.ShortMm, 9);
        Assert.Equal(20 * 36 / 23.5, Reach(Small, null)!.ShortMm, 1);
        var cropped = Reach(Zoom, Made.Body.Id, "Crop")!;
        Assert.Equal((24 * 36 / 23.5, 70 * 36 / 23.5), (cropped.ShortMm, cropped.LongMm), new Near(0.1));
        Assert.Equal(("Adapter", true, 2.8), (cropped.Through, cropped.Covers, cropped.WidestShort));
        Assert.False(Reach(Small, Made.Body.Id)!.Covers);
    }

    [Theory]
    [InlineData(ShelfOrder.Weight, "Wide")]
    [InlineData(ShelfOrder.Price, "Close")]
    [InlineData(ShelfOrder.Aperture, "Small")]
    [InlineData(ShelfOrder.Kind, "Small")]
    public void Order_puts_what_is_not_known_last(ShelfOrder order, string first)
    {
        Assert.Equal(first, Index.Search(new ShelfQuery { Kind = GearKind.Lens, Order = order }).Rows[0].Entry.Item.Name);
    }

    private sealed class Near(double by) : IEqualityComparer<(double, double)>
    {
        public bool Equals((double, double) x, (double, double) y) => Math.Abs(x.Item1 - y.Item1) < by && Math.Abs(x.Item2 - y.Item2) < by;

        public int GetHashCode((double, double) obj) => 0;
    }
}

using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Filters;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Tests.Chains;
using static Juxtopsis.Core.Tests.Filters.MadeFilters;

namespace Juxtopsis.Core.Tests.Filters;

public sealed class FilterFinderTests
{
    private static readonly ChainSetting Open = new() { Mode = "Full", FNumber = 4 };

    public static TheoryData<int> Seeds => [.. Enumerable.Range(1, 60)];

    [Fact]
    public void Of_two_that_take_as_much_the_one_that_needs_no_ring_goes_first()
    {
        GearItem[] shelf = [Fixed(6, 82), Fixed(6, 67), Ring(67, 82), Fixed(3, 67)];
        var ways = Ways(shelf, [Made.Body, Lens(50, 67)], 5.5, 6.5);
        Assert.Equal(["ND 6, 67 mm"], Names(ways[0]));
        Assert.Equal(["Ring 67 to 82", "ND 6, 82 mm"], Names(ways[1]));
        Assert.Equal(2, ways.Count);
    }

    [Fact]
    public void Two_are_stacked_where_one_is_not_enough_and_what_turns_goes_outermost()
    {
        GearItem[] shelf = [Variable(2, 5, 77), Fixed(6, 77), Ring(67, 77)];
        var way = Assert.Single(Ways(shelf, [Made.Body, Lens(85, 67)], 9, 10));
        Assert.Equal(["Ring 67 to 77", "ND 6, 77 mm", "Variable 2, 77 mm"], Names(way));
        Assert.Equal((8, 11, 9.4), (way.LeastStops, way.MostStops, way.Nearest(9.4)));
        Assert.Equal(way.Parts, (IEnumerable<GearItem>)[Made.Body, way.Parts[1], .. way.Added]);
    }

    [Fact]
    public void A_polariser_stays_on_and_no_variable_one_joins_it()
    {
        var polariser = Polariser(67);
        GearItem[] shelf = [Variable(2, 5, 67), Fixed(3, 67), polariser];
        var way = Assert.Single(Ways(shelf, [Made.Body, Lens(85, 67), polariser], 2, 4));
        Assert.Equal(["ND 3, 67 mm"], Names(way));
        Assert.Equal(["Body", "Lens", "ND 3, 67 mm", "Polariser 1.3, 67 mm"], way.Parts.Select(p => p.Name));
    }

    [Fact]
    public void Filters_that_are_on_are_changed_and_not_stacked_upon()
    {
        GearItem[] shelf = [Fixed(3, 67), Fixed(6, 67)];
        var way = Assert.Single(Ways(shelf, [Made.Body, Lens(85, 67), shelf[0]], 5, 7));
        Assert.Equal(["Body", "Lens", "ND 6, 67 mm"], way.Parts.Select(p => p.Name));
    }

    [Fact]
    public void A_front_that_bulges_takes_what_a_matte_box_an_adapter_or_its_own_back_holds()
    {
        var bulging = Lens(14, 67).With(LensFields.NoFilters, true).With(LensFields.FilterThread, null);
        GearItem[] shelf =
        [
            Fixed(6, 67), Fixed(6, 100, "Box").With(FrontFields.Seat, FilterSeat.MatteBox), Fixed(6, 40, "Drop").With(FrontFields.Seat, FilterSeat.Adapter),
            Fixed(6, 30, "Gel").With(FrontFields.Seat, FilterSeat.Rear),
        ];
        Assert.Equal(["Box 6, 100 mm"], Names(Assert.Single(Ways(shelf, [Made.Body, bulging], 5, 7))));
        var holding = Made.Adapter.With(AdapterFields.TakesFilter, true);
        var far = bulging.With(LensFields.Mount, "Far").With(LensFields.TakesRearFilter, true);
        var ways = Ways(shelf, [Made.Body, holding, far], 5, 7);
        Assert.Equal(["Box 6, 100 mm", "Drop 6, 40 mm", "Gel 6, 30 mm"], ways.Select(w => Assert.Single(w.Added).Name).Order(StringComparer.Ordinal));
        Assert.All(ways, w => Assert.True(Made.Assemble(Open, [.. w.Parts]).Works));
        Assert.All(ways, w => Assert.Equal(6, Made.Assemble(Open, [.. w.Parts]).Rig!.Value.FilterStops));
    }

    [Fact]
    public void A_stack_that_cuts_goes_last_and_a_wide_end_is_looked_at_too()
    {
        // A short lens behind a long narrow stack; the same stack on a long one leaves the corners clear.
        GearItem[] shelf = [Variable(2, 5, 49), Ring(67, 49), Fixed(3, 67)];
        var ways = Ways(shelf, [Made.Body, Lens(18, 67)], 2, 4);
        Assert.Equal(["ND 3, 67 mm"], Names(ways[0]));
        Assert.False(ways[0].Cuts);
        Assert.True(ways[^1].Cuts);
        var zoom = Lens(18, 67).With(LensFields.Long, 135.0);
        var long135 = new FilterFinder(shelf, Made.Mounts).Ways([Made.Body, zoom], Open with { FocalLengthMm = 135 }, 2, 2.5);
        Assert.All(long135, w => Assert.True(w.ClearShareWidest < w.ClearShare && !w.Cuts));
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void All_ways_are_found_and_each_can_be_screwed_together(int seed)
    {
        var random = new Random(seed);
        var shelf = ShelfOf(random, 4, 4);
        GearItem[] parts = [Made.Body, Lens(random.Next(2) == 0 ? 24 : 85, 67)];
        var (least, most) = (random.Next(1, 8), random.Next(8, 14));
        var ways = Ways(shelf, parts, least, most);
        foreach (var way in ways)
        {
            var assembly = Made.Assemble(Open, [.. way.Parts]);
            Assert.True(assembly.Works, string.Join(" ", assembly.Findings.Select(f => f.Message)));
            var rig = assembly.Rig!.Value;
            Assert.Equal(way.LeastStops, rig.FilterStops + (rig.VariableFilterMinStops ?? 0), 9);
            Assert.Equal(way.MostStops, rig.FilterStops + (rig.VariableFilterMaxStops ?? 0), 9);
            Assert.Equal(way.Cuts, assembly.Findings.Any(f => f is { Code: DiagnosticCode.CornersCut, Severity: Severity.Spoils }));
        }

        Assert.Equal(
            BruteForce.Ways(shelf, parts, Open).Where(w => w.Most >= least && w.Least <= most).Select(w => w.Key).Distinct().Order(StringComparer.Ordinal),
            ways.Select(w => BruteForce.KeyOf(w.Added)).Order(StringComparer.Ordinal));
    }

    private static IReadOnlyList<FilterWay> Ways(GearItem[] shelf, GearItem[] parts, double least, double most) => new FilterFinder(shelf, Made.Mounts).Ways(parts, Open, least, most);

    private static IEnumerable<string> Names(FilterWay way) => way.Added.Select(i => i.Name);
}

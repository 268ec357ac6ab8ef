using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Core.Tests.Chains;
using TestResult = Juxtopsis.Core.Measuring.TestResult;

namespace Juxtopsis.Core.Tests.Measuring;

public sealed class RecordTests
{
    private static TestResult Found(TestQuantity quantity, double value, double plusMinus, double? at = null) => new(quantity, at, value, plusMinus, at, 5);

    [Fact]
    public void A_result_stands_beside_what_the_papers_say_and_tells_where_it_comes_from()
    {
        var tested = TestRecord.Accept(Made.Lens, TestKind.FocalLength, [Found(TestQuantity.FocalLength, 34.1234, 0.21, 35), Found(TestQuantity.EntrancePupil, 61.2, 8)], "No. 2, 27 Nov 2026, Oda");
        Assert.Equal([new GearPoint(35, 34.12)], tested.Get(LensFields.TestedFocal));
        Assert.Empty(tested.Get(LensFields.Measured));
        Assert.Equal("True focal length: 35 mm is 34.1 ± 0.2 mm, entrance pupil 61 ± 8 mm before the mark (5 readings, No. 2, 27 Nov 2026, Oda)", tested.Get(CommonFields.TestedBy));
        Assert.Empty(GearChecks.Check(tested));
        Assert.Same(Made.Lens, TestRecord.Accept(Made.Lens, TestKind.FocalLength, [], "nobody"));
    }

    [Fact]
    public void A_later_test_takes_the_place_of_the_same_mark_and_leaves_the_others()
    {
        var once = TestRecord.Accept(Made.Lens.With(LensFields.Short, 24.0).With(LensFields.Long, 70.0), TestKind.FocalLength, [Found(TestQuantity.FocalLength, 23.6, 0.1, 24)], "first");
        var twice = TestRecord.Accept(once, TestKind.FocalLength, [Found(TestQuantity.FocalLength, 69.1, 0.2, 70)], "second");
        var again = TestRecord.Accept(twice, TestKind.FocalLength, [Found(TestQuantity.FocalLength, 23.8, 0.1, 24)], "third");
        Assert.Equal([new GearPoint(24, 23.8), new GearPoint(70, 69.1)], again.Get(LensFields.TestedFocal));
        string[] lines = again.Get(CommonFields.TestedBy).Split('\n');
        Assert.Equal(2, lines.Length);
        Assert.Contains("second", lines[0], StringComparison.Ordinal);
        Assert.Contains("third", lines[1], StringComparison.Ordinal);
        Assert.Equal(3, TestRecord.Accept(again, TestKind.Weight, [Found(TestQuantity.Weight, 812, 5)], "scales").Get(CommonFields.TestedBy).Split('\n').Length);
    }

    [Fact]
    public void A_record_made_anew_holds_what_these_tests_found_in_their_order_and_nothing_of_others()
    {
        var both = TestRecord.Accept(Made.Lens, TestKind.FocalLength, [Found(TestQuantity.FocalLength, 34, 0.34, 35)], "No. 1");
        both = TestRecord.Accept(both, TestKind.Weight, [Found(TestQuantity.Weight, 812, 5)], "No. 2");
        Assert.Equal(Made.Lens, TestRecord.Anew(both, []));
        var one = TestRecord.Anew(both, [(TestKind.Weight, [Found(TestQuantity.Weight, 812, 5)], "No. 2"), (TestKind.Weight, [Found(TestQuantity.Weight, 815, 5)], "No. 2 again")]);
        Assert.Equal(815, one.Get(CommonFields.TestedWeight));
        Assert.Empty(one.Get(LensFields.TestedFocal));
        Assert.Null(one.Get(LensFields.TestedFocalPlusMinus));
        Assert.Contains("No. 2 again", one.Get(CommonFields.TestedBy), StringComparison.Ordinal);
        Assert.Equal(Made.Lens.Get(LensFields.Short), one.Get(LensFields.Short));
    }

    [Theory]
    [InlineData("35 mm", "No. 2", "35 mm No. 2")]
    [InlineData("", "2", " 2")]
    public void A_label_stands_after_the_name(string name, string label, string expected) =>
        Assert.Equal(expected, Made.Lens.With(CommonFields.Name, name).Labelled(label).Name);

    [Fact]
    public void A_name_gives_way_to_its_label_where_both_are_too_long()
    {
        var labelled = Made.Lens.With(CommonFields.Name, new string('x', CommonFields.Name.MaxLength)).Labelled("No. 2");
        Assert.Equal(CommonFields.Name.MaxLength, labelled.Name.Length);
        Assert.EndsWith("x No. 2", labelled.Name, StringComparison.Ordinal);
        Assert.Empty(GearChecks.Check(labelled));
    }

    [Fact]
    public void How_sure_it_is_goes_into_the_record_too_and_on_to_rigs()
    {
        var lens = TestRecord.Accept(Made.FarLens.With(LensFields.Squeeze, 1.5), TestKind.FocalLength, [Found(TestQuantity.FocalLength, 34, 0.34, 35)], "x");
        lens = TestRecord.Accept(lens, TestKind.Squeeze, [Found(TestQuantity.Squeeze, 1.48, 0.0148)], "x");
        var adapter = TestRecord.Accept(Made.Adapter.With(AdapterFields.Magnification, 0.71), TestKind.Magnification, [Found(TestQuantity.Magnification, 0.72, 0.0036)], "x");
        Assert.Equal(0.01, lens.Get(LensFields.TestedFocalPlusMinus)!.Value, 1e-9);
        Assert.Equal(0.005, adapter.Get(AdapterFields.TestedMagnificationPlusMinus)!.Value, 1e-9);
        Assert.Empty(GearChecks.Check(lens));
        Assert.Empty(GearChecks.Check(adapter));
        var rig = Made.Assemble(new ChainSetting(), Made.Body, adapter, lens).Rig!.Value;
        Assert.Equal(0.01, rig.Lens.MeasuredPlusMinusShare);
        Assert.Equal(0.01, rig.SqueezePlusMinusShare!.Value, 1e-9);
        Assert.Equal(0.005, rig.Optics.First.PlusMinusShare);

        // Where one of two that squeeze was not tested, nobody knows how sure both are.
        var both = Made.Assemble(new ChainSetting { FocalLengthMm = 50 }, Made.Body, Made.Lens.With(LensFields.Short, 50.0).With(LensFields.Squeeze, 1.5).With(LensFields.TestedSqueezePlusMinus, 0.01), Made.Attachment).Rig!.Value;
        Assert.Null(both.SqueezePlusMinusShare);
        var plain = Made.Assemble(new ChainSetting(), Made.Body, Made.Lens).Rig!.Value;
        Assert.Null(plain.SqueezePlusMinusShare);
        Assert.Null(plain.Lens.MeasuredPlusMinusShare);
    }

    [Fact]
    public void Of_the_marks_of_a_zoom_the_one_that_is_least_sure_counts_and_a_prime_is_as_sure_as_its_last_test()
    {
        var zoom = TestRecord.Accept(Made.Lens.With(LensFields.Short, 24.0).With(LensFields.Long, 70.0), TestKind.FocalLength, [Found(TestQuantity.FocalLength, 24, 0.48, 24)], "x");
        zoom = TestRecord.Accept(zoom, TestKind.FocalLength, [Found(TestQuantity.FocalLength, 70, 0.35, 70)], "x");
        Assert.Equal(0.02, zoom.Get(LensFields.TestedFocalPlusMinus)!.Value, 1e-9);
        var prime = TestRecord.Accept(Made.Lens, TestKind.FocalLength, [Found(TestQuantity.FocalLength, 35, 1.05, 35)], "x");
        prime = TestRecord.Accept(prime, TestKind.FocalLength, [Found(TestQuantity.FocalLength, 35, 0.175, 35)], "x");
        Assert.Equal(0.005, prime.Get(LensFields.TestedFocalPlusMinus)!.Value, 1e-9);

        // One reading that says next to nothing stays within what a field takes.
        Assert.Equal(0.3, TestRecord.Accept(Made.Lens, TestKind.FocalLength, [Found(TestQuantity.FocalLength, 35, 30, 35)], "x").Get(LensFields.TestedFocalPlusMinus));
    }

    [Theory]
    [InlineData(TestQuantity.Magnification, 0.7184, 0.004, "0.718 ± 0.004")]
    [InlineData(TestQuantity.Weight, 812.3, 5, "812 ± 5 g")]
    [InlineData(TestQuantity.Breathing, 0.062, 0.011, "6 ± 1 %")]
    [InlineData(TestQuantity.MinimumFocusDistance, 431, 6, "43.1 ± 0.6 cm")]
    [InlineData(TestQuantity.Price, 850, 0, "850")]
    public void A_value_is_told_in_as_many_digits_as_it_is_worth(TestQuantity quantity, double value, double plusMinus, string said) =>
        Assert.Equal(said, TestRecord.Say(Found(quantity, value, plusMinus)));

    [Fact]
    public void What_was_tested_takes_the_place_of_what_the_papers_say_wherever_parts_are_put_together()
    {
        var lens = TestRecord.Accept(Made.Lens, TestKind.FocalLength, [Found(TestQuantity.FocalLength, 33.9, 0.1, 35)], "x");
        lens = TestRecord.Accept(lens, TestKind.Weight, [Found(TestQuantity.Weight, 700, 5)], "x");
        lens = TestRecord.Accept(lens, TestKind.MinimumFocusDistance, [Found(TestQuantity.MinimumFocusDistance, 333, 5)], "x");
        var (plain, tested) = (Made.Assemble(new ChainSetting(), Made.Body, Made.Lens), Made.Assemble(new ChainSetting(), Made.Body, lens));
        Assert.Equal(33.9, tested.Rig!.Value.Lens.MeasuredFocalLengthMm);
        Assert.Equal(333, tested.Rig!.Value.Lens.MinimumFocusDistanceMm);
        Assert.Equal(700 - Made.Lens.Get(CommonFields.Weight), tested.Rig!.Value.Load.WeightG - plain.Rig!.Value.Load.WeightG);
        Assert.Equal(35, tested.Rig!.Value.FocalLengthMm);
        Assert.Same(Made.Lens, Made.Lens.AsTested());
    }

    [Fact]
    public void Every_procedure_names_fields_that_there_are()
    {
        string[] setup = [.. TestFields.Setup.Fields.Select(f => f.Key)];
        string[] reading = [.. TestFields.Reading.Fields.Select(f => f.Key)];
        Assert.Equal(Enum.GetValues<TestKind>(), TestProcedure.All.Select(p => p.Kind));
        Assert.All(TestProcedure.All, p =>
        {
            Assert.Subset(setup.ToHashSet(), p.Setup.ToHashSet());
            Assert.Subset(reading.ToHashSet(), p.Reading.ToHashSet());
            Assert.NotEmpty(p.Steps);
            Assert.NotEmpty(p.Of);
        });
        Assert.Equal(TestProcedure.All[0], TestProcedure.For(TestKind.FocalLength));
    }
}

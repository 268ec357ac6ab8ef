using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Gear;

/// <summary>Fields give back what they write, as text and as JSON, and refuse with a sentence that says how to mend it.</summary>
public sealed class FieldTests
{
    [Property(MaxTest = 300, Arbitrary = [typeof(AnyGear)])]
    public void Every_item_comes_back_from_json_as_it_was(GearItem item)
    {
        var errors = new List<DiagnosticOutput>();
        var back = GearJson.Read(GearJson.ToElement(item), "", errors);
        Assert.DoesNotContain(errors, e => !GearChecks.Check(item).Any(f => f.About == e.About));
        Assert.True(errors.Count > 0 || item.Equals(back));
    }

    [Property(MaxTest = 300, Arbitrary = [typeof(AnyGear)])]
    public void Every_value_comes_back_from_its_text_as_it_was(GearItem item)
    {
        foreach (var field in item.Known.Where(f => f is not ModesField))
        {
            var value = item.Value(field)!;
            var read = field.Read(field.Write(value));
            Assert.Null(read.Problem);
            Assert.True(field.Same(value, read.Value!), $"{field.Key}: {field.Write(value)}");
        }
    }

    [Theory]
    [InlineData("lens", "minimumFocusDistanceMm", "45cm", "450")]
    [InlineData("lens", "minimumFocusDistanceMm", "450", "450")]
    [InlineData("lens", "widestF", "f/2.8", "2.8")]
    [InlineData("lens", "weightG", "1.2kg", "1200")]
    [InlineData("lens", "weightG", "1 lb", "453.59237")]
    [InlineData("lens", "maximumMagnification", "1:4", "0.25")]
    [InlineData("lens", "widestAlong", "70: 4; 24: f/2.8", "24: 2.8; 70: 4")]
    [InlineData("lens", "frontBulges", "TRUE", "yes")]
    [InlineData("lens", "focusDrive", "byWire", "by wire")]
    [InlineData("lens", "focusDrive", "By Wire", "by wire")]
    [InlineData("body", "mounts", "Near;  Far ", "Near; Far")]
    [InlineData("mode", "fps", "24; 25;50", "24; 25; 50")]
    [InlineData("mode", "fps", "24, 25, 29,97", "24; 25; 29.97")]
    [InlineData("mode", "fps", "24,25,50", "24; 25; 50")]
    [InlineData("mode", "fps", "24 25 50", "24; 25; 50")]
    [InlineData("mode", "fps", "24\n25\n50 fps", "24; 25; 50")]
    [InlineData("mode", "fps", "23,976", "23.976")]
    [InlineData("mode", "fps", "23,98; 25", "23.98; 25")]
    [InlineData("lens", "widestAlong", "24: 2,8; 70: 4", "24: 2.8; 70: 4")]
    [InlineData("filter", "stops", "ND8", "3")]
    public void People_s_notations_are_read(string kind, string field, string typed, string written)
    {
        var definition = kind == "mode" ? GearKinds.Modes : GearKinds.ByKey(kind)!;
        var read = definition.Field(field)!.Read(typed);
        Assert.Null(read.Problem);
        Assert.Equal(written, definition.Field(field)!.Write(read.Value!));
    }

    [Theory]
    [InlineData("mode", "fps", "24,25", "could be 24.25, or 24 and 25. Type 24; 25 for two.")]
    [InlineData("lens", "weightG", "-3", "not read as weight")]
    [InlineData("lens", "weightG", "heavy", "420g or 1.2kg")]
    [InlineData("lens", "focalShortMm", "0.1", "outside")]
    [InlineData("lens", "widestF", "T2", "T-number")]
    [InlineData("lens", "widestAlong", "24", "place and a value")]
    [InlineData("lens", "frontBulges", "maybe", "yes or no")]
    [InlineData("lens", "focusDrive", "telepathy", "by hand, motor and ring, by wire")]
    [InlineData("lens", "name", "two\nlines", "one line")]
    [InlineData("body", "modes", "anything", "modes.csv")]
    public void What_cannot_be_read_says_how_to_mend_it(string kind, string field, string typed, string words)
    {
        var read = (kind == "mode" ? GearKinds.Modes : GearKinds.ByKey(kind)!).Field(field)!.Read(typed);
        Assert.Null(read.Value);
        Assert.Contains(words, read.Problem, StringComparison.Ordinal);
    }

    [Fact]
    public void Names_of_any_script_with_quotes_and_300_characters_are_names()
    {
        var name = CommonFields.Name;
        Assert.Null(name.Check("Объектив \"50\" 'f', ƒ/1.4; 鏡頭 🎥 ‮"));
        Assert.Null(name.Check(new string('x', 300)));
        Assert.Contains("at most 300", name.Check(new string('x', 301)), StringComparison.Ordinal);
        Assert.Contains("half a character", name.Check("a\ud83d"), StringComparison.Ordinal);
        Assert.Contains("space", name.Check(" a"), StringComparison.Ordinal);
    }

    [Fact]
    public void Fields_that_contradict_each_other_are_told()
    {
        string[] Faults(GearItem item) => [.. GearChecks.Check(item).Select(f => f.About)];
        Assert.Empty(Faults(Made.Lens));
        Assert.Equal(["focalLongMm"], Faults(Made.Lens.With(LensFields.Long, 20.0)));
        Assert.Equal(["narrowestF"], Faults(Made.Lens.With(LensFields.Narrowest, 1.4)));
        Assert.Equal(["filterThreadMm"], Faults(Made.Lens.With(LensFields.NoFilters, true)));
        Assert.Equal(["widestAlong"], Faults(Made.Lens.With(LensFields.WidestAlong, new GearPoint[] { new(24, 2) })));
        Assert.Equal(["focalShortMm"], Faults(Made.Lens.With(LensFields.Short, null)));
        Assert.Equal(["widestF"], Faults(Made.Lens.With(LensFields.Widest, null).With(LensFields.WidestLong, 5.6)));

        // A T-number alone is something to know: of the aperture nothing is, and a rig is put together all the same.
        var onlyT = Made.Lens.With(LensFields.Widest, null).With(LensFields.WidestT, 2.1);
        Assert.Empty(Faults(onlyT));
        Assert.Null(Made.Assemble(new(), Made.Body, onlyT).Rig!.Value.Lens.WidestTNumber);
        Assert.Equal(["modes"], Faults(Made.Body.With(BodyFields.SensorWidth, 30.0).With(BodyFields.Modes, new[] { Made.Mode("Full", 36, 20) })));
        Assert.Equal(["modes"], Faults(Made.Body.With(BodyFields.Modes, Array.Empty<GearItem>())));
        Assert.Equal(["name"], Faults(Made.Near.With(CommonFields.Name, "a; b")));
    }

    [Theory]
    [InlineData("""{"kind":"lens","name":"a","focalShortMm":"35"}""", "focalShortMm", "a number")]
    [InlineData("""{"kind":"lens","name":"a","focalShortMm":35,"colour":"red"}""", "colour", "known of a lens")]
    [InlineData("""{"kind":"lens","name":"a","focalShortMm":35,"id":"7"}""", "id", "UUID")]
    [InlineData("""{"kind":"lens","name":"a","focalShortMm":35,"focusDrive":"by wire"}""", "focusDrive", "byWire")]
    [InlineData("""{"kind":"lens","name":"a","focalShortMm":35,"widestAlong":[[35]]}""", "widestAlong", "pairs")]
    [InlineData("""{"kind":"body","name":"a","modes":[{"name":"m","areaWidthMm":"x","areaHeightMm":1}]}""", "modes[0].areaWidthMm", "a number")]
    [InlineData("""{"kind":"spoon","name":"a"}""", "kind", "spoon")]
    [InlineData("[]", "", "object")]
    public void Json_is_refused_by_the_field_at_fault(string json, string field, string words)
    {
        var errors = new List<DiagnosticOutput>();
        Assert.Null(GearJson.Read(System.Text.Json.JsonElement.Parse(json), "", errors));
        var error = Assert.Single(errors);
        Assert.Equal(field, error.About);
        Assert.Contains(words, error.Message + error.Limit, StringComparison.Ordinal);
    }

    private sealed class AnyGear
    {
        public static Arbitrary<GearItem> Items() => Gen.Elements(GearKinds.OnShelf.Select(k => k.Kind)).SelectMany(ItemOf).ToArbitrary();

        private static Gen<GearItem> ItemOf(GearKind kind) =>
            from values in Gen.CollectToArray(GearKinds.Of(kind).Fields, field =>
                from known in Gen.Frequency((3, Gen.Constant(true)), (1, Gen.Constant(field.Required)))
                from value in Value(field)
                select known ? new KeyValuePair<GearField, object>(field, value) : default)
            select GearItem.Of(kind, kind == GearKind.Mode ? Guid.Empty : Guid.NewGuid(), values.Where(v => v.Key is not null));

        private static Gen<object> Value(GearField field) => field switch
        {
            NumberField number => Number(number.Quantity).Select(v => (object)v),
            NumbersField numbers => Number(numbers.Quantity).NonEmptyListOf().Select(l => (object)l.Take(20).ToArray()),
            PointsField points =>
                from ats in Number(points.Place).NonEmptyListOf()
                from values in Number(points.Quantity).ListOf(ats.Count)
                select (object)ats.Distinct().Order().Zip(values, (at, v) => new GearPoint(at, v)).ToArray(),
            FlagField => Gen.Elements<object>(true, false),
            ChoiceField choice => Gen.Elements(choice.Choices.Select(c => choice.Read(c.Key).Value!)),
            TextField text => Text(text),
            MountsField => Gen.Elements("Near", "Far", "Ödd “x”").NonEmptyListOf().Select(l => (object)l.Take(5).ToArray()),
            ModesField => ItemOf(GearKind.Mode).NonEmptyListOf().Select(l => (object)l.DistinctBy(m => m.Name, StringComparer.OrdinalIgnoreCase).Take(4).ToArray()),
            _ => throw new InvalidOperationException(field.Key),
        };

        private static Gen<double> Number(Core.Quantities.Quantity quantity) => Gen.OneOf(
            Gen.Elements(quantity.Min, quantity.Max),
            Gen.Choose(0, int.MaxValue).Select(i => quantity.Min + (quantity.Max - quantity.Min) * i / int.MaxValue),
            Gen.Choose(0, 1000).Select(i => Math.Clamp(i / 7.0, quantity.Min, quantity.Max)));

        private static Gen<object> Text(TextField field) =>
            from characters in Gen.Elements("a", "Ω", "語", "\"", "'", ",", ";", " ", "=", "🎥", "é", "-", field.ManyLines ? "\n" : "x").NonEmptyListOf()
            let text = string.Concat(characters.Take(field.MaxLength / 2)).Trim()
            select (object)(text.Length == 0 ? "a" : text);
    }

    [Theory]
    [InlineData("lens", "nearestFocusMm", "minimumFocusDistanceMm")]
    [InlineData("lens", "largestRatio", "maximumMagnification")]
    [InlineData("lens", "holding", "ownership")]
    [InlineData("fixedLensCamera", "nearestFocusMm", "minimumFocusDistanceMm")]
    public void A_name_of_before_is_the_same_field(string kind, string before, string now)
    {
        var of = GearKinds.ByKey(kind)!;
        Assert.Same(of.Field(now), of.Field(before));
        Assert.Equal(now, of.Field(before)!.Key);
    }
}

using Juxtopsis.Core.Fields;
using Juxtopsis.Core.Light;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Tests.Rigs;

/// <summary>Fields of rig, scene and conventions: each reads and sets its own value and no other.</summary>
public sealed class FieldSetTests
{
    public static TheoryData<string> OfRig => [.. RigFields.All.Fields.Select(f => f.Key)];

    public static TheoryData<string> OfScene => [.. SceneFields.All.Fields.Select(f => f.Key)];

    public static TheoryData<string> OfConventions => [.. ConventionFields.All.Fields.Select(f => f.Key)];

    [Theory]
    [MemberData(nameof(OfRig))]
    public void A_rigs_field_sets_itself_alone(string key) => SetsItselfAlone(RigFields.All, new Rig(36, 24, 35, 2.8), key);

    [Theory]
    [MemberData(nameof(OfScene))]
    public void A_scenes_field_sets_itself_alone(string key) => SetsItselfAlone(SceneFields.All, new Scene(2000), key);

    [Theory]
    [MemberData(nameof(OfConventions))]
    public void A_field_of_the_conventions_sets_itself_alone(string key) => SetsItselfAlone(ConventionFields.All, Conventions.Default, key);

    [Fact]
    public void Every_property_that_people_can_know_has_a_field()
    {
        Assert.Empty(Properties<Rig>().Except([.. Keys(RigFields.All), "optics", "opticsRef", "lens", "load", "wholeSensor", "recorded"]));
        Assert.Empty(Properties<LensData>().Except(Keys(RigFields.All).Where(k => k.StartsWith("lens.", StringComparison.Ordinal)).Select(k => k[5..]).Append("unknown")));
        Assert.Empty(Properties<RigLoad>().Except(Keys(RigFields.All).Where(k => k.StartsWith("load.", StringComparison.Ordinal)).Select(k => k[5..]).Append("unknown")));
        Assert.Empty(Properties<Scene>().Except([.. Keys(SceneFields.All), "still", "light", "shutter"]));
        Assert.Empty(Properties<LightSource>().Except(Keys(SceneFields.All)));
        Assert.Equal(["shutterAngleDeg", "shutterSeconds"], Keys(SceneFields.All).Where(k => k.StartsWith("shutter", StringComparison.Ordinal)));
        Assert.Empty(Properties<Conventions>().Except([.. Keys(ConventionFields.All), "default", "tolerances"]));
    }

    [Fact]
    public void Ranges_and_rules_are_told_together()
    {
        var rig = new Rig(36, 0, 35, 2.8) { RecordedWidthPx = 3840, Lens = new LensData { ZoomShortMm = 70, ZoomLongMm = 24, WidestTNumber = 2.1 } };
        Assert.Equal(
            ["sensorHeightMm", "recordedHeightPx", "lens.zoomLongMm", "lens.widestFNumber"],
            RigFields.All.Check(rig, LengthUnit.Metres).Select(d => d.About));
        Assert.All(RigFields.All.Check(rig, LengthUnit.Metres), d => Assert.NotEqual("", d.Fix));
        Assert.Empty(RigFields.All.Check(new Rig(36, 24, 35, 2.8), LengthUnit.Metres));
        var inside = Assert.Single(SceneFields.All.Check(new Scene(3000) { BackgroundDistanceMm = 2000 }, LengthUnit.Metres));
        Assert.Equal(("backgroundDistanceMm", "2 m", "3 m or more"), (inside.About, inside.Value.Replace('\u2009', ' '), inside.Limit.Replace('\u2009', ' ')));
    }

    private static IEnumerable<string> Keys<T>(FieldSet<T> set) => set.Fields.Select(f => f.Key);

    private static IEnumerable<string> Properties<T>() => typeof(T).GetProperties().Select(p => char.ToLowerInvariant(p.Name[0]) + p.Name[1..]);

    private static void SetsItselfAlone<T>(FieldSet<T> set, T before, string key)
    {
        var field = set.Fields.Single(f => f.Key == key);
        var after = Changed(field, before);
        Assert.NotEqual(Said(field, before), Said(field, after));
        Assert.All(set.Fields.Where(f => f != field && !key.StartsWith("optics", StringComparison.Ordinal)), f => Assert.Equal(Said(f, before), Said(f, after)));
        if (field is NumberField<T> { MayBeUnknown: true } number)
        {
            Assert.Null(number.Get(number.Set(after, null)));
        }
    }

    private static T Changed<T>(Field<T> field, T before) => field switch
    {
        NumberField<T> number => number.Set(before, (number.Quantity.Min + 3 * number.Quantity.Max) / 4),
        ChoiceField<T> choice => choice.Set(before, (choice.Get(before) + 1) % choice.Choices.Count),
        FlagField<T> flag => flag.Set(before, !flag.Get(before)),
        RowsField<T> rows => rows.Set(before, [[.. rows.Columns.Select(c => (double?)(c.Quantity.Min + c.Quantity.Max) / 2)]]),
        _ => throw new InvalidOperationException(field.Key),
    };

    private static string Said<T>(Field<T> field, T of) => field switch
    {
        NumberField<T> number => $"{number.Get(of)}",
        ChoiceField<T> choice => choice.Choices[choice.Get(of)],
        FlagField<T> flag => $"{flag.Get(of)}",
        RowsField<T> rows => string.Join(';', rows.Get(of).Select(r => string.Join(',', r))),
        _ => throw new InvalidOperationException(field.Key),
    };
}

using FsCheck.Xunit;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Tests.Entry;

public sealed class EntryReaderTests
{
    public static TheoryData<EntryKind> Kinds => [.. Enum.GetValues<EntryKind>()];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void No_message_shows_an_example_that_its_field_refuses(EntryKind kind)
    {
        foreach (var fps in (ReadOnlySpan<double>)[double.NaN, 25])
        {
            const string before = "Type for example ";
            var shown = EntryReader.Read(kind, "no such thing", LengthUnit.Metres, fps).Problem!;
            var examples = shown[(shown.IndexOf(before, StringComparison.Ordinal) + before.Length)..^1];
            foreach (var example in examples.Split([" or ", ", "], StringSplitOptions.TrimEntries))
            {
                Assert.All(Enum.GetValues<LengthUnit>(), unit => Assert.Null(EntryReader.Read(kind, example, unit, fps).Problem));
            }
        }
    }

    [Theory]
    [InlineData("30 centimetres", 300)]
    [InlineData("3 metres", 3000)]
    [InlineData("1 meter", 1000)]
    [InlineData("850 millimeters", 850)]
    [InlineData("3,8 m", 3800)]
    [InlineData("0,125 m", 125)]
    [InlineData("12,345.6 mm", 12345.6)]
    [InlineData("12.345,6 mm", 12345.6)]
    [InlineData("1,234,567 mm", 1234567)]
    public void Lengths_in_words_and_with_either_comma(string text, double mm) => Reads(EntryKind.SubjectDistance, text, mm);

    [Theory]
    [InlineData(EntryKind.Fps, "23,976", 23.976)]
    [InlineData(EntryKind.Fps, "59,940 fps", 59.94)]
    [InlineData(EntryKind.DeliveryWidth, "3,840", 3840)]
    [InlineData(EntryKind.Sensitivity, "ISO 12,800", 12800)]
    public void Where_only_one_meaning_of_a_comma_can_be_it_is_that(EntryKind kind, string text, double expected) => Reads(kind, text, expected);

    [Theory]
    [InlineData(EntryKind.SubjectDistance, "1,234 m", "could be 1.234 m or 1234 m")]
    [InlineData(EntryKind.MinimumFocusDistance, "45", "could be 45 cm or 45 m")]
    [InlineData(EntryKind.Minutes, "1:30", "Type 1:30 h or 1:30 min")]
    [InlineData(EntryKind.ShutterTime, "50", "could be 1/50 s or 50 s")]
    [InlineData(EntryKind.ShutterAngle, "1/50", "depends on the frame rate")]
    [InlineData(EntryKind.Seconds, "1:75", "not read")]
    [InlineData(EntryKind.Seconds, "10 miles", "not read")]
    public void Where_two_things_are_likely_it_is_asked(EntryKind kind, string text, string asked) =>
        Assert.Contains(asked, EntryReader.Read(kind, text, LengthUnit.Metres).Problem!, StringComparison.Ordinal);

    [Theory]
    [InlineData("0.45", LengthUnit.Metres, 450)]
    [InlineData("45 cm", LengthUnit.Metres, 450)]
    [InlineData("5 m", LengthUnit.Metres, 5000)]
    [InlineData("1.5", LengthUnit.Feet, 457.2)]
    [InlineData("18 in", LengthUnit.Feet, 457.2)]
    public void Nearest_focus(string text, LengthUnit unit, double mm) => Assert.Equal(mm, EntryReader.Read(EntryKind.MinimumFocusDistance, text, unit).Values[0], 6);

    [Theory]
    [InlineData(EntryKind.Seconds, "90", 90)]
    [InlineData(EntryKind.Seconds, "90 s", 90)]
    [InlineData(EntryKind.Seconds, "1:30", 90)]
    [InlineData(EntryKind.Seconds, "10 min", 600)]
    [InlineData(EntryKind.Seconds, "1 min 30 s", 90)]
    [InlineData(EntryKind.Seconds, "1,5 minutes", 90)]
    [InlineData(EntryKind.Seconds, "0:01:30", 90)]
    [InlineData(EntryKind.Minutes, "90", 90)]
    [InlineData(EntryKind.Minutes, "1:30 h", 90)]
    [InlineData(EntryKind.Minutes, "1:30 min", 1.5)]
    [InlineData(EntryKind.Minutes, "1 h 30 min", 90)]
    [InlineData(EntryKind.Minutes, "2 hours", 120)]
    [InlineData(EntryKind.Minutes, "1h30m", 90)]
    public void Lengths_of_time(EntryKind kind, string text, double expected) => Reads(kind, text, expected);

    [Theory]
    [InlineData("1/50", 25, 180)]
    [InlineData("1/50 s", 25, 180)]
    [InlineData("1/48", 24, 180)]
    [InlineData("1/100", 25, 90)]
    [InlineData("180", 25, 180)]
    [InlineData("172.8°", 24, 172.8)]
    public void A_shutter_is_an_angle_or_a_time_at_a_frame_rate(string text, double fps, double degrees) =>
        Assert.Equal(degrees, EntryReader.Read(EntryKind.ShutterAngle, text, LengthUnit.Metres, fps).Values[0], 9);

    [Fact]
    public void Settings_that_looked_right_may_have_a_shutter_angle_where_the_frame_rate_is_known()
    {
        Assert.Equal(5.614709844115207, EntryReader.Read(EntryKind.Brightness, "ISO 800 ƒ2.8 180°", LengthUnit.Metres, 25).Values[0], 9);
        Assert.Contains("lacks a shutter time", EntryReader.Read(EntryKind.Brightness, "ISO 800 ƒ2.8 180°", LengthUnit.Metres).Problem!, StringComparison.Ordinal);
    }

    [Fact]
    public void A_time_longer_than_a_frame_is_no_shutter() =>
        Assert.Contains("outside", EntryReader.Read(EntryKind.ShutterAngle, "1/12", LengthUnit.Metres, 25).Problem!, StringComparison.Ordinal);

    [Theory]
    [InlineData("24.8 by 16.6")]
    [InlineData("24.8x16.6")]
    [InlineData("24.8×16.6")]
    [InlineData("24,8 × 16,6 mm")]
    public void A_sensor_is_wide_by_high(string text) =>
        Assert.Equal([24.8, 16.6], EntryReader.Read(EntryKind.SensorArea, text, LengthUnit.Metres).Values);

    [Theory]
    [InlineData("3m", 3000)]
    [InlineData("3 m", 3000)]
    [InlineData("3", 3000)]
    [InlineData("3,2", 3200)]
    [InlineData("320 cm", 3200)]
    [InlineData("320cm", 3200)]
    [InlineData("3200mm", 3200)]
    [InlineData("0.06km", 60000)]
    [InlineData("10'6\"", 3200.4)]
    [InlineData("10' 6\"", 3200.4)]
    [InlineData("10′6″", 3200.4)]
    [InlineData("10’6”", 3200.4)]
    [InlineData("10'6''", 3200.4)]
    [InlineData("10'6", 3200.4)]
    [InlineData("10ft 6in", 3200.4)]
    [InlineData("10 ft 6", 3200.4)]
    [InlineData("10 feet 6 inches", 3200.4)]
    [InlineData("10'6 1/2\"", 3213.1)]
    [InlineData("10ft", 3048)]
    [InlineData("10.5 FT", 3200.4)]
    [InlineData("18\"", 457.2)]
    [InlineData("1/2 m", 500)]
    public void Distances_are_read_as_people_write_them(string text, double mm)
    {
        var read = EntryReader.Read(EntryKind.SubjectDistance, text, LengthUnit.Metres);
        Assert.Null(read.Problem);
        Assert.Equal(mm, read.Values[0], 6);
    }

    [Fact]
    public void A_bare_number_is_in_the_persons_unit()
    {
        Assert.Equal(3048, EntryReader.Read(EntryKind.SubjectDistance, "10", LengthUnit.Feet).Values[0], 6);
        Assert.Equal(10000, EntryReader.Read(EntryKind.SubjectDistance, "10", LengthUnit.Metres).Values[0], 6);
        Assert.Equal(35, EntryReader.Read(EntryKind.FocalLength, "35", LengthUnit.Feet).Values[0]);
    }

    [Theory]
    [InlineData("2.8", 2.8)]
    [InlineData("f/2.8", 2.8)]
    [InlineData("F2.8", 2.8)]
    [InlineData("ƒ2.8", 2.8)]
    [InlineData("ƒ/2,8", 2.8)]
    [InlineData("f 4", 4)]
    [InlineData("1:1.4", 1.4)]
    public void Apertures(string text, double expected) => Reads(EntryKind.FNumber, text, expected);

    [Theory]
    [InlineData("2.39", 2.39)]
    [InlineData("16:9", 16.0 / 9)]
    [InlineData("16/9", 16.0 / 9)]
    [InlineData("16x9", 16.0 / 9)]
    [InlineData("2.39:1", 2.39)]
    [InlineData("9:16", 0.5625)]
    [InlineData("2:3", 2.0 / 3)]
    public void Shapes(string text, double expected) => Reads(EntryKind.DeliveryAspect, text, expected);

    [Theory]
    [InlineData("0.71", 0.71)]
    [InlineData("0.71x", 0.71)]
    [InlineData("x0.71", 0.71)]
    [InlineData("× 2", 2)]
    public void Reducers(string text, double expected) => Reads(EntryKind.Optics, text, expected);

    [Theory]
    [InlineData("0.71 × 1.4", 0.71, 1.4)]
    [InlineData("0.71x1.4x", 0.71, 1.4)]
    [InlineData("2 0.64", 2, 0.64)]
    public void Reducers_in_a_row(string text, double first, double second) =>
        Assert.Equal([first, second], EntryReader.Read(EntryKind.Optics, text, LengthUnit.Metres).Values);

    [Theory]
    [InlineData(EntryKind.TNumber, "T2.1", 2.1)]
    [InlineData(EntryKind.TNumber, "t/2,1", 2.1)]
    [InlineData(EntryKind.Magnification, "1:4", 0.25)]
    [InlineData(EntryKind.Magnification, "0.25x", 0.25)]
    [InlineData(EntryKind.Magnification, "1:1", 1)]
    [InlineData(EntryKind.CloseUp, "+2", 2)]
    [InlineData(EntryKind.CloseUp, "1.8 dpt", 1.8)]
    [InlineData(EntryKind.MountError, "-0.04", -0.04)]
    [InlineData(EntryKind.MountError, "−0.04 mm", -0.04)]
    [InlineData(EntryKind.MountError, "+0.04", 0.04)]
    [InlineData(EntryKind.SqueezeTurn, "-0.5°", -0.5)]
    [InlineData(EntryKind.Sensitivity, "ISO 800", 800)]
    [InlineData(EntryKind.Filter, "3 stops", 3)]
    [InlineData(EntryKind.Filter, "1 2/3 stops", 1.6666666666666667)]
    [InlineData(EntryKind.StopsDifference, "-1/3", -0.33333333333333331)]
    [InlineData(EntryKind.StopsDifference, "+2 1/3 st", 2.3333333333333335)]
    [InlineData(EntryKind.Tolerance, "± 3 %", 0.03)]
    [InlineData(EntryKind.Tolerance, "0.5", 0.005)]
    [InlineData(EntryKind.Filter, "ND8", 3)]
    [InlineData(EntryKind.Filter, "nd 64", 6)]
    [InlineData(EntryKind.Fps, "25 fps", 25)]
    [InlineData(EntryKind.Fps, "24000/1001", 24000.0 / 1001)]
    [InlineData(EntryKind.ShutterAngle, "172.8°", 172.8)]
    [InlineData(EntryKind.Brightness, "EV 12", 12)]
    [InlineData(EntryKind.Brightness, "-2", -2)]
    [InlineData(EntryKind.Brightness, "640 lux", 8)]
    [InlineData(EntryKind.Brightness, "100 cd/m²", 9.643856189774724)] // log2(8·100)
    [InlineData(EntryKind.Brightness, "0.125 nits", 0)]
    [InlineData(EntryKind.Brightness, "ISO 100 ƒ4 1/50", 9.643856189774724)] // log2(4²·50)
    [InlineData(EntryKind.Brightness, "f/2.8 ND8 1/50s iso800", 8.614709844115207)] // log2(2.8²·50) + 3 − 3
    [InlineData(EntryKind.Brightness, "ISO 400, T2, 0.02 s, 3 st", 8.643856189774724)] // log2(2²·50) + 3 − 2
    [InlineData(EntryKind.Brightness, "EI 100 ƒ4 1/50 ND0.9", 12.633591475173348)] // 0.9/log10 2 stops of density
    [InlineData(EntryKind.ShutterTime, "1/50", 0.02)]
    [InlineData(EntryKind.ShutterTime, "20 ms", 0.02)]
    [InlineData(EntryKind.ShutterTime, "1/48 s", 1 / 48.0)]
    [InlineData(EntryKind.ShutterTime, "0.5", 0.5)]
    [InlineData(EntryKind.CocDivisor, "1/1730", 1730)]
    [InlineData(EntryKind.BlurShare, "2 %", 0.02)]
    [InlineData(EntryKind.MinimumFocusDistance, "45cm", 450)]
    [InlineData(EntryKind.FrontFromSensor, "14cm", 140)]
    public void What_is_written_on_gear_is_read(EntryKind kind, string text, double expected) => Reads(kind, text, expected);

    [Fact]
    public void A_density_and_a_factor_are_the_same_filter()
    {
        // Density 0.9 lets 10^-0.9 through, which is 2.99 stops; ND8 lets an eighth through, 3 stops.
        Assert.Equal(2.98974, EntryReader.Read(EntryKind.Filter, "ND0.9", LengthUnit.Metres).Values[0], 5);
        Assert.Equal(3, EntryReader.Read(EntryKind.Filter, "ND8", LengthUnit.Metres).Values[0], 12);
    }

    [Theory]
    [InlineData(EntryKind.ZoomRange, "24-70", new double[] { 24, 70 })]
    [InlineData(EntryKind.ZoomRange, "24–70 mm", new double[] { 24, 70 })]
    [InlineData(EntryKind.ZoomRange, "35", new double[] { 35 })]
    [InlineData(EntryKind.WidestAperture, "f/3.5-5.6", new double[] { 3.5, 5.6 })]
    [InlineData(EntryKind.WidestAperture, "1:2.8", new double[] { 2.8 })]
    [InlineData(EntryKind.VariableFilter, "2 to 5 stops", new double[] { 2, 5 })]
    public void Spans(EntryKind kind, string text, double[] expected) =>
        Assert.Equal(expected, EntryReader.Read(kind, text, LengthUnit.Metres).Values);

    [Theory]
    [InlineData(EntryKind.ZoomRange, "70-24", "backwards")]
    [InlineData(EntryKind.TNumber, "f/2", "f-number")]
    [InlineData(EntryKind.Optics, "0.7x0.7x0.7x0.7x0.7", "in a row")]
    [InlineData(EntryKind.Optics, "x", "not read")]
    [InlineData(EntryKind.Filter, "ND", "not read")]
    [InlineData(EntryKind.Brightness, "0 lux", "not read")]
    [InlineData(EntryKind.Brightness, "ISO 800 1/50", "lacks an aperture")]
    [InlineData(EntryKind.Brightness, "ISO 800 ƒ2.8", "lacks a shutter time")]
    [InlineData(EntryKind.Brightness, "ISO 800 ƒ2.8 1/50 and a cloud", "lacks a meaning for")]
    [InlineData(EntryKind.Brightness, "ISO 0 ƒ2.8 1/50", "lacks a sensitivity")]
    [InlineData(EntryKind.ShutterTime, "1/0", "not read")]
    [InlineData(EntryKind.ShutterTime, "30 s", "outside")]
    [InlineData(EntryKind.Filter, "-3", "outside")]
    [InlineData(EntryKind.ShutterAngle, "361", "outside")]
    [InlineData(EntryKind.ShutterAngle, "half", "Type for example 180.")]
    public void What_cannot_be_is_refused(EntryKind kind, string text, string reason) =>
        Assert.Contains(reason, EntryReader.Read(kind, text, LengthUnit.Metres).Problem!, StringComparison.Ordinal);

    [Fact]
    public void A_range_is_told_in_the_persons_unit() =>
        Assert.Contains("0.04″ to 328084′", EntryReader.Read(EntryKind.SubjectDistance, "0", LengthUnit.Feet).Problem!, StringComparison.Ordinal);

    [Theory]
    [InlineData(EntryKind.SensorArea, "36 x 24", 36, 24)]
    [InlineData(EntryKind.SensorArea, "36×24mm", 36, 24)]
    [InlineData(EntryKind.SensorArea, "36 mm * 24 mm", 36, 24)]
    [InlineData(EntryKind.SensorArea, "17,3 x 13", 17.3, 13)]
    [InlineData(EntryKind.RecordedPixels, "3840x2160", 3840, 2160)]
    [InlineData(EntryKind.RecordedPixels, "3840 × 2160 px", 3840, 2160)]
    public void Pairs(EntryKind kind, string text, double first, double second)
    {
        var read = EntryReader.Read(kind, text, LengthUnit.Metres);
        Assert.Null(read.Problem);
        Assert.Equal([first, second], read.Values);
    }

    [Fact]
    public void Only_a_background_may_be_infinite()
    {
        Assert.Equal(double.PositiveInfinity, EntryReader.Read(EntryKind.BackgroundDistance, "∞", LengthUnit.Metres).Values[0]);
        Assert.Equal(double.PositiveInfinity, EntryReader.Read(EntryKind.BackgroundDistance, "Inf", LengthUnit.Metres).Values[0]);
        Assert.NotNull(EntryReader.Read(EntryKind.SubjectDistance, "inf", LengthUnit.Metres).Problem);
        Assert.NotNull(EntryReader.Read(EntryKind.FocalLength, "inf", LengthUnit.Metres).Problem);
    }

    [Theory]
    [InlineData("abc", "not read")]
    [InlineData("", "empty")]
    [InlineData("   ", "empty")]
    [InlineData("0", "outside 1 mm to 100 km")]
    [InlineData("-3", "not read")]
    [InlineData("1e308", "not read")]
    [InlineData("NaN", "not read")]
    [InlineData("3mm m", "not read")]
    [InlineData("3 3 m", "not read")]
    [InlineData("3/0 m", "not read")]
    [InlineData("1,000", "could be 1.000 or 1000")]
    [InlineData("10'14\"", "not read")]
    [InlineData("99999 km", "outside 1 mm to 100 km")]
    [InlineData("1234567890123456789012345678901234567890123456789012345678901234567890", "too long")]
    public void What_is_not_a_distance_is_refused_with_a_mend(string text, string reason)
    {
        var problem = EntryReader.Read(EntryKind.SubjectDistance, text, LengthUnit.Metres).Problem;
        Assert.NotNull(problem);
        Assert.Contains(reason, problem, StringComparison.Ordinal);
        Assert.Matches("Type|Leave", problem);
    }

    [Fact]
    public void A_range_is_told_without_powers_of_ten() =>
        Assert.Equal("1 ISO to 10000000 ISO", Quantity.Sensitivity.Range());

    [Fact]
    public void A_T_number_is_not_an_aperture_for_blur() =>
        Assert.Contains("T-number", EntryReader.Read(EntryKind.FNumber, "T2", LengthUnit.Metres).Problem!, StringComparison.Ordinal);

    [Property(MaxTest = 3000)]
    public bool Any_text_whatever_is_read_within_range_or_refused_in_words(string? text, byte kind)
    {
        var which = Enum.GetValues<EntryKind>()[kind % Enum.GetValues<EntryKind>().Length];
        var read = EntryReader.Read(which, text ?? "", LengthUnit.Metres);
        return read.Problem is { Length: > 10 } ? read.Values.Count == 0 : read.Values.Count > 0 && !read.Values.Any(double.IsNaN);
    }

    private static void Reads(EntryKind kind, string text, double expected)
    {
        var read = EntryReader.Read(kind, text, LengthUnit.Metres);
        Assert.Null(read.Problem);
        Assert.Equal(expected, read.Values[0], 12);
    }

    [Fact]
    public void What_is_put_on_top_of_a_price_is_a_share_of_it_and_may_be_more_than_half()
    {
        Reads(EntryKind.Surcharge, "19 %", 0.19);
        Reads(EntryKind.Surcharge, "150", 1.5);
        Assert.Contains("on top", EntryReader.Read(EntryKind.Surcharge, "2000 %", LengthUnit.Metres).Problem, StringComparison.Ordinal);
    }
}

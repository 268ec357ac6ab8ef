using FsCheck.Xunit;
using Juxtopsis.Core.Entry;

namespace Juxtopsis.Core.Tests.Entry;

public sealed class EntryReaderTests
{
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
        Assert.Equal(mm, read.Value, 6);
    }

    [Fact]
    public void A_bare_number_is_in_the_persons_unit()
    {
        Assert.Equal(3048, EntryReader.Read(EntryKind.SubjectDistance, "10", LengthUnit.Feet).Value, 6);
        Assert.Equal(10000, EntryReader.Read(EntryKind.SubjectDistance, "10", LengthUnit.Metres).Value, 6);
        Assert.Equal(35, EntryReader.Read(EntryKind.FocalLength, "35", LengthUnit.Feet).Value);
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
    public void Reducers(string text, double expected) => Reads(EntryKind.OpticsMagnification, text, expected);

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
        Assert.Equal((first, second), (read.Value, read.Second));
    }

    [Fact]
    public void Only_a_background_may_be_infinite()
    {
        Assert.Equal(double.PositiveInfinity, EntryReader.Read(EntryKind.BackgroundDistance, "∞", LengthUnit.Metres).Value);
        Assert.Equal(double.PositiveInfinity, EntryReader.Read(EntryKind.BackgroundDistance, "Inf", LengthUnit.Metres).Value);
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
    [InlineData("1,000", "could mean two numbers")]
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
    public void A_T_number_is_not_an_aperture_for_blur() =>
        Assert.Contains("T-number", EntryReader.Read(EntryKind.FNumber, "T2", LengthUnit.Metres).Problem!, StringComparison.Ordinal);

    [Property(MaxTest = 3000)]
    public bool Any_text_whatever_is_read_within_range_or_refused_in_words(string? text, byte kind)
    {
        var which = (EntryKind)(kind % 12);
        var read = EntryReader.Read(which, text ?? "", LengthUnit.Metres);
        return read.Problem is { Length: > 10 } || read.Value > 0 || (which == EntryKind.LensHeight && read.Value == 0);
    }

    private static void Reads(EntryKind kind, string text, double expected)
    {
        var read = EntryReader.Read(kind, text, LengthUnit.Metres);
        Assert.Null(read.Problem);
        Assert.Equal(expected, read.Value, 12);
    }
}

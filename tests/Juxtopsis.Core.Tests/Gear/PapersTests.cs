using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Gear.Papers;

namespace Juxtopsis.Core.Tests.Gear;

/// <summary>What papers, shops and people say of a thing in a line or some.</summary>
public sealed class PapersTests
{
    private static readonly KnownNames Names = new(["Selkie", "Heron & Daughter"], ["K-bay", "K-bay S", "Thole"]);

    [Theory]
    [InlineData("Corrie 24–70 f/2.8 Zoom, 82 mm, 0.38 m, 695 g", "Corrie|24-70 f/2.8 Zoom|24|70|2.8||82|380|695")]
    [InlineData("Corrie 24-70mm F2.8-4, ø77 mm, min. focus 38 cm, 0.7 kg", "Corrie|24-70mm F2.8-4|24|70|2.8|4|77|380|700")]
    [InlineData("Heron & Daughter Slow 35mm ƒ/1.4; filter 52 mm; focus from 0,25 m; 310 g", "Heron & Daughter|Slow 35mm f/1.4|35||1.4||52|250|310")]
    [InlineData("50 mm 1:1.8", "|50 mm 1:1.8|50||1.8||||")]
    [InlineData("Selkie Drift 85 f/1.8\nThread: 67 mm\nWeight: 371 g\nNearest focus: 0.8 m", "Selkie|Drift 85 f/1.8|85||1.8||67|800|371")]
    [InlineData("Corrie 70–200 mm f/4, 2'6\", 1 lb", "Corrie|70-200 mm f/4|70|200|4|||762|453.59237")]
    [InlineData("Corrie 16 mm f/2.8 no filter thread 1,250 g", "Corrie|16 mm f/2.8|16||2.8||||1250")]
    public void A_lens_is_told_by_its_usual_line(string text, string expected)
    {
        var read = PapersReader.Read(GearKind.Lens, text, Names);
        GearField[] fields =
        [
            CommonFields.Maker, CommonFields.Name, LensFields.Short, LensFields.Long, LensFields.Widest, LensFields.WidestLong, LensFields.FilterThread, LensFields.Nearest, CommonFields.Weight,
        ];
        Assert.Equal(expected, string.Join('|', fields.Select(f => read.Known.TryGetValue(f, out var value) ? f.Write(value) : "")));
        Assert.Empty(read.Left);
        Assert.Empty(read.Notes);
    }

    [Fact]
    public void A_lens_tells_its_transmission_circle_ratio_blades_mount_format_and_size()
    {
        var read = PapersReader.Read(GearKind.Lens, "Selkie Keel 32 T2.1, K-bay S, covers Super 35, image circle 31.5 mm, ø 80 x 95 mm, 0.25x, 11 blades, € 1,450", Names);
        Assert.Equal(2.1, read.Known[LensFields.WidestT]);
        Assert.False(read.Known.ContainsKey(LensFields.Widest));
        Assert.Equal("K-bay S", read.Known[LensFields.Mount]);
        Assert.Equal("Super 35, open gate", read.Known[LensFields.MadeFor]);
        Assert.Equal(31.5, read.Known[LensFields.ImageCircle]);
        Assert.Equal((80.0, 95.0), (read.Known[CommonFields.Diameter], read.Known[CommonFields.Length]));
        Assert.Equal(0.25, read.Known[LensFields.Ratio]);
        Assert.Equal(11.0, read.Known[LensFields.Blades]);
        Assert.Equal(1450.0, read.Known[CommonFields.Price]);
        Assert.False(read.Known.ContainsKey(LensFields.FilterThread));
        Assert.Equal((object)"Keel 32 T2.1", read.Known[CommonFields.Name]);
    }

    [Fact]
    public void What_was_not_understood_is_told_and_what_is_out_of_range_is_not_kept()
    {
        var read = PapersReader.Read(GearKind.Lens, "Corrie 35 f/1.8, weather sealed, 9000 blades", Names);
        Assert.Equal(["weather", "sealed"], read.Left);
        Assert.DoesNotContain(LensFields.Blades, read.Known.Keys);
        Assert.Contains("Blades", Assert.Single(read.Notes), StringComparison.Ordinal);
    }

    [Fact]
    public void A_body_is_told_by_its_papers_with_a_line_for_each_mode()
    {
        var read = PapersReader.Read(GearKind.Body, "Selkie Shearwater, full frame, K-bay, 660 g, 129 x 78 x 63 mm, ISO 640/12800, 5 stops\nUHD 24/25/50 fps\nUHD 1.21x 100, 120 fps\n6000 × 4000 open gate 24p", Names);
        Assert.Equal(("Selkie", "Shearwater"), (read.Known[CommonFields.Maker], read.Known[CommonFields.Name]));
        Assert.Equal((36.0, 24.0), (read.Known[BodyFields.SensorWidth], read.Known[BodyFields.SensorHeight]));
        Assert.Equal<string>(["K-bay"], (string[])read.Known[BodyFields.Mounts]);
        Assert.Equal((129.0, 78.0, 63.0), (read.Known[BodyFields.Width], read.Known[BodyFields.Height], read.Known[BodyFields.Depth]));
        Assert.Equal<double>([640, 12800], (double[])read.Known[BodyFields.BaseSensitivities]);
        Assert.Equal(5.0, read.Known[BodyFields.Stabilisation]);
        Assert.Empty(read.Left);
        Assert.Empty(read.Notes);
        var modes = (GearItem[])read.Known[BodyFields.Modes];
        Assert.Equal(
            ["UHD|36|20.25|3840|2160|24; 25; 50", "UHD, 1.21×|29.752|16.736|3840|2160|100; 120", "6000 × 4000|36|24|6000|4000|24"],
            modes.Select(m => string.Join('|', GearKinds.Modes.Groups[0].Fields.OrderBy(f => f == CommonFields.Name ? 0 : f == ModeFields.AreaWidth ? 1 : f == ModeFields.AreaHeight ? 2 : f == ModeFields.PixelsAcross ? 3 : f == ModeFields.PixelsUp ? 4 : 5).Select(f => m.Value(f) is { } v ? f.Write(v) : ""))));
    }

    [Theory]
    [InlineData("Selkie Petrel, 24.8 x 16.6 mm, UHD 25 fps, 4K 1.5x 50 fps", "UHD|24.8|13.95;4K, 1.5×|16.533|9.3", "4K is taken as 3840 × 2160; type DCI 4K for 4096 × 2160.")]
    [InlineData("Selkie Petrel, APS-C, UHD 29.2 x 16.4 mm", "UHD|29.2|16.4", null)]
    [InlineData("Selkie Petrel, full frame, UHD 54.4° with 35 mm", "UHD|35.975|20.236", null)]
    [InlineData("Selkie Petrel, Super 35", "Whole sensor|24.89|18.66", null)]
    [InlineData("Selkie Petrel, full frame, 6K 24 fps", "", "6K is another size on each camera: type its pixels, such as 6000 x 4000.")]
    [InlineData("Selkie Petrel, UHD 24 fps", "", "Without the sensor's size nobody knows what a mode uses: begin with its format, or with width x height in mm.")]
    public void A_mode_is_told_by_pixels_and_area_crop_or_field(string text, string modes, string? note)
    {
        var read = PapersReader.Read(GearKind.Body, text, Names);
        var made = read.Known.TryGetValue(BodyFields.Modes, out var list) ? (GearItem[])list : [];
        Assert.Equal(modes, string.Join(';', made.Select(m => $"{m.Name}|{ModeFields.AreaWidth.Write(m.Get(ModeFields.AreaWidth)!)}|{ModeFields.AreaHeight.Write(m.Get(ModeFields.AreaHeight)!)}")));
        Assert.Equal(note, read.Notes.SingleOrDefault());
    }

    [Theory]
    [InlineData("1.21x", 29.752, 16.736)]
    [InlineData("crop 1.5", 24, 13.5)]
    [InlineData("1,5", 24, 13.5)]
    [InlineData("29.2 by 16.4", 29.2, 16.4)]
    [InlineData("full width", 36, 20.25)]
    [InlineData("open gate", 36, 24)]
    [InlineData("54.4 degrees at 35 mm", 35.975, 20.236)]
    [InlineData("Super 35", 24.89, 18.66)]
    public void A_used_area_is_read_as_people_tell_it(string text, double widthMm, double heightMm)
    {
        var read = ModeArea.Read(text, (36, 24), 16.0 / 9);
        Assert.Null(read.Problem);
        Assert.Equal([widthMm, heightMm], read.Values);
    }

    [Theory]
    [InlineData("0.5x", "no crop")]
    [InlineData("200° with 35 mm", "no field")]
    [InlineData("wide", "not read")]
    [InlineData("", "not read")]
    public void What_is_no_area_is_refused_with_what_to_type(string text, string said)
    {
        var read = ModeArea.Read(text, (36, 24), 16.0 / 9);
        Assert.Contains(said, read.Problem, StringComparison.Ordinal);
        Assert.Contains("1.21x", ModeArea.Read("wide", null, double.NaN).Problem, StringComparison.Ordinal);
        Assert.Contains("sensor is not known", ModeArea.Read("1.21x", null, double.NaN).Problem, StringComparison.Ordinal);
    }

    [Fact]
    public void A_text_that_is_too_long_is_not_looked_at()
    {
        var read = PapersReader.Read(GearKind.Lens, new string('9', PapersReader.MaxLength + 1), Names);
        Assert.Empty(read.Known);
        Assert.Contains("4000", Assert.Single(read.Notes), StringComparison.Ordinal);
    }

    /// <summary>Whatever is pasted is read in a moment and breaks nothing.</summary>
    [Fact]
    public void Nonsense_is_read_in_a_moment()
    {
        var random = new Random(15);
        const string letters = "0123456789.,-–x×°ƒ/:;|\n mmfTgkøUHDISO1:2\"'";
        for (var i = 0; i < 400; i++)
        {
            var text = string.Concat(Enumerable.Range(0, random.Next(1, 400)).Select(_ => letters[random.Next(letters.Length)]));
            foreach (var kind in PapersReader.Kinds)
            {
                var read = PapersReader.Read(kind, text, Names);
                Assert.All(read.Known, k => Assert.Null(k.Key.Check(k.Value)));
            }
        }
    }
}

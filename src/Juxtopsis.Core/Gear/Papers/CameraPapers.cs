using System.Globalization;
using System.Text.RegularExpressions;
using Juxtopsis.Core.Entry;

namespace Juxtopsis.Core.Gear.Papers;

/// <summary>What the papers of a camera say: the body first, then its recording modes.</summary>
internal static partial class CameraPapers
{
    private const int Patience = 500;
    private const string N = @"\d+(?:[.,]\d+)?";

    /// <summary>Takes what a text says of a camera.</summary>
    public static void Read(string text, GearKind kind, Dictionary<GearField, object> known, List<string> left, List<string> notes, KnownNames names)
    {
        var (body, modes) = Split(text);
        var line = new PaperText(body);
        ReadBody(line, kind, known, names);
        left.AddRange(line.Left());
        var sensor = known.TryGetValue(BodyFields.SensorWidth, out var w) && known.TryGetValue(BodyFields.SensorHeight, out var h) ? ((double)w, (double)h) : ((double, double)?)null;
        var made = modes.Select(m => ReadMode(m, sensor, left, notes)).OfType<GearItem>().ToArray();
        if (made.Length > 0)
        {
            known[BodyFields.Modes] = Unlike(made);
        }
        else if (modes.Count == 0 && CameraModes.WholeSensor(GearItem.Of(kind, Guid.Empty, known)) is { } whole)
        {
            known[BodyFields.Modes] = new[] { whole };
        }
    }

    /// <summary>A mode begins where pixels are told; rates and crops that follow belong to it.</summary>
    private static (string Body, IReadOnlyList<string> Modes) Split(string text)
    {
        var body = new List<string>();
        var modes = new List<string>();
        foreach (var row in text.Split(['\n', '\r', ';', '|'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var inMode = false;
            foreach (var part in Parts().Split(row))
            {
                if (Pixels().IsMatch(new PaperText(part).Whole))
                {
                    modes.Add(part);
                    inMode = true;
                }
                else if (inMode || modes.Count > 0 && Belongs().IsMatch(new PaperText(part).Whole))
                {
                    modes[^1] += ", " + part;
                }
                else
                {
                    body.Add(part);
                }
            }
        }

        return (string.Join(", ", body), modes);
    }

    private static void ReadBody(PaperText line, GearKind kind, Dictionary<GearField, object> known, KnownNames names)
    {
        if (line.Take(Box()) is { } box)
        {
            known[BodyFields.Width] = PaperText.Number(box, "a")!.Value;
            known[BodyFields.Height] = PaperText.Number(box, "b")!.Value;
            known[BodyFields.Depth] = PaperText.Number(box, "c")!.Value;
        }

        var format = CommonPapers.Format(line);
        if (line.Take(Sensor()) is { } sensor)
        {
            known[BodyFields.SensorWidth] = PaperText.Number(sensor, "a")!.Value;
            known[BodyFields.SensorHeight] = PaperText.Number(sensor, "b")!.Value;
        }
        else if (format is not null)
        {
            known[BodyFields.SensorWidth] = format.WidthMm;
            known[BodyFields.SensorHeight] = format.HeightMm;
        }

        if (line.Take(Bases()) is { } bases)
        {
            known[BodyFields.BaseSensitivities] = bases.Groups["iso"].Captures.Select(c => double.Parse(c.Value, CultureInfo.InvariantCulture)).ToArray();
        }

        if (line.Take(Steady()) is { } steady)
        {
            known[BodyFields.Stabilisation] = PaperText.Number(steady, "n")!.Value;
        }

        CommonPapers.Read(line, known);
        if (kind == GearKind.Body)
        {
            CommonPapers.Mount(line, names, mount => known[BodyFields.Mounts] = new[] { mount });
        }
        else
        {
            LensPapers.Read(line, known, names, isCamera: true);
        }

        CommonPapers.Name(line, known, names);
    }

    private static GearItem? ReadMode(string text, (double WidthMm, double HeightMm)? sensor, List<string> left, List<string> notes)
    {
        var line = new PaperText(text);
        if (line.Take(Pixels()) is not { } pixels)
        {
            return null;
        }

        var size = PaperText.Number(pixels, "across") is { } across && PaperText.Number(pixels, "up") is { } up ? ((int)across, (int)up) : PixelNames.Find(pixels.Groups["name"].Value);
        if (size is null)
        {
            notes.Add($"{pixels.Value.Trim()} is another size on each camera: type its pixels, such as 6000 x 4000.");
            left.Add(text.Trim());
            return null;
        }

        if (pixels.Groups["name"].Value.Trim() is { } name && name.Equals("4k", StringComparison.OrdinalIgnoreCase))
        {
            notes.Add("4K is taken as 3840 × 2160; type DCI 4K for 4096 × 2160.");
        }

        var shape = (double)size.Value.Item1 / size.Value.Item2;
        var rates = ReadRates(line);
        var (area, said) = ReadArea(line, sensor, shape);
        if (area is not { Problem: null })
        {
            notes.Add(area?.Problem ?? "Without the sensor's size nobody knows what a mode uses: begin with its format, or with width x height in mm.");
            left.Add(text.Trim());
            return null;
        }

        var words = string.Join(' ', line.Left());
        var label = words.Length > 0 ? char.ToUpper(words[0], CultureInfo.InvariantCulture) + words[1..] : Called(pixels, size.Value) + said;
        var mode = CameraModes.Of(label, area.Values[0], area.Values[1])
            .With(ModeFields.PixelsAcross, (double)size.Value.Item1).With(ModeFields.PixelsUp, (double)size.Value.Item2);
        return rates.Length > 0 ? mode.With(ModeFields.Fps, rates) : mode;
    }

    private static double[] ReadRates(PaperText line)
    {
        var rates = new List<double>();
        while (line.Take(Rates()) is { } match)
        {
            rates.AddRange(match.Groups["fps"].Captures.Select(c => NumberText.TryRead(c.Value, out var fps) ? fps : double.NaN).Where(double.IsFinite));
        }

        return [.. rates.Distinct().Order()];
    }

    private static (EntryResult? Area, string Said) ReadArea(PaperText line, (double WidthMm, double HeightMm)? sensor, double shape)
    {
        if ((line.Take(Sensor()) ?? line.Take(Crop()) ?? line.Take(Field()) ?? line.Take(Whole())) is { } told)
        {
            var area = told.Groups["area"].Success ? told.Groups["area"].Value : told.Value;
            return (ModeArea.Read(area.Trim(), sensor, shape), told.Groups["crop"].Success ? $", {told.Groups["crop"].Value}×" : "");
        }

        if (CommonPapers.Format(line) is { } format)
        {
            return (ModeArea.Read("full width", (format.WidthMm, format.HeightMm), shape), $", {format.InSentence}");
        }

        return (sensor is null ? null : ModeArea.Read("full width", sensor, shape), "");
    }

    private static string Called(Match pixels, (int Across, int Up) size) => pixels.Groups["name"] is { Success: true } name
        ? name.Value.Trim().ToUpperInvariant()
        : string.Create(CultureInfo.InvariantCulture, $"{size.Across} × {size.Up}");

    /// <summary>Modes of one name get numbers, since each is called by its name.</summary>
    private static GearItem[] Unlike(GearItem[] modes)
    {
        var seen = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
        return [.. modes.Select(m =>
        {
            var count = seen[m.Name] = seen.GetValueOrDefault(m.Name) + 1;
            return count == 1 ? m : m.With(CommonFields.Name, $"{m.Name} ({count})");
        })];
    }

    [GeneratedRegex(@",(?!\d{3}\b)\s*", RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Parts();

    [GeneratedRegex($@"(?<![\w.,])((?<across>\d{{3,5}})\s*x\s*(?<up>\d{{3,5}})(\s*(px|pixels))?|(?<name>(dci|uhd|cinema)\s*-?\s*[248]k|[248]k\s*-?\s*(dci|uhd)|c4k|uhd|full hd|fhd|hd|2160p|1080p|4320p|720p|[2-9](\.\d)?k|1[0-2]k))(?!\w)", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Pixels();

    [GeneratedRegex($@"^\s*((up to )?{N}\s*((/|,|-|\s|and)\s*{N}\s*)*(fps|p|frames)\b|(crop(ped)?( by)?\s*)?{N}\s*x(?!\s*\d)|{N}\s*°|whole|open gate|full width)", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Belongs();

    [GeneratedRegex($@"(?<![\w.,])(?<fps>{N})(\s*(/|,|\+|;|and|\s)\s*(?<fps>{N}))*\s*(fps|p|frames( a second)?)\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Rates();

    [GeneratedRegex($@"(?<![\w.,])(?<a>\d{{1,2}}([.,]\d+)?)\s*(mm)?\s*(x|by)\s*(?<b>\d{{1,2}}([.,]\d+)?)(\s*mm)?(?!\s*(x|by|\d))\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Sensor();

    [GeneratedRegex($@"(?<area>(?<![\w.,])(?<crop>{N})\s*x(?!\s*\d)|crop(ped)?( by| factor)?:?\s*(?<crop>{N})(\s*x)?)(\s*crop)?", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Crop();

    [GeneratedRegex($@"{N}\s*(°|degrees|deg)\s*(at|with|on|by)?\s*(a )?{N}\s*mm", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Field();

    [GeneratedRegex(@"\b(whole sensor|open gate|full width|whole width)\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Whole();

    [GeneratedRegex($@"(?<![\w.,])(?<a>{N})\s*(mm)?\s*x\s*(?<b>{N})\s*(mm)?\s*x\s*(?<c>{N})\s*(mm)?\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Box();

    [GeneratedRegex(@"(base )?iso:?\s*(?<iso>\d{2,6})(\s*(/|,|and|or)\s*(?<iso>\d{2,6}))*(?![\w])", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Bases();

    [GeneratedRegex($@"(stabili[sz](ed|ation|er):?( by| of)?\s*)?(?<![\w.,])(?<n>{N})\s*stops( of)?( stabili[sz]ation)?\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Steady();
}

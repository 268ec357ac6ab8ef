using System.Globalization;
using System.Text.RegularExpressions;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Entry;

/// <summary>A look in words of the trade.</summary>
/// <param name="Format">The format that took it; full frame where nothing is said.</param>
/// <param name="FocalLengthMm">Focal length, mm.</param>
/// <param name="FNumber">Aperture.</param>
/// <param name="Squeeze">Squeeze; 1 for none.</param>
public sealed record LookDescription(SensorFormat Format, double FocalLengthMm, double FNumber, double Squeeze)
{
    /// <summary>Distance to the subject, mm; null when nothing is said of it.</summary>
    public double? DistanceMm { get; init; }

    /// <summary>How far what is behind is from the subject, mm; infinite for the open, null when nothing is said of it.</summary>
    public double? BehindMm { get; init; }

    /// <summary>Delivered width over height; null when nothing is said of it.</summary>
    public double? DeliveryAspect { get; init; }
}

/// <summary>Reads a look as people say it, in any order: <c>full frame 85 mm ƒ1.4 at 2 m, 4 m behind, 2.39</c>, <c>Super 35 46° T2 2x squeeze</c>.</summary>
public static partial class LookText
{
    /// <summary>What may be typed.</summary>
    public const string Example = "full frame 85 mm ƒ1.4 at 2 m, 4 m behind";

    private const double SameAngle = 0.03;

    /// <summary>Reads a look.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <param name="deliveryAspect">Delivered width over height where the text says none; null for the format's own shape.</param>
    /// <param name="problem">What is missing, contradicts itself or is not read, with how to mend it; empty when it was read.</param>
    /// <returns>The look; null together with a problem.</returns>
    public static LookDescription? Read(string text, LengthUnit unit, double? deliveryAspect, out string problem)
    {
        ArgumentNullException.ThrowIfNull(text);
        var rest = $" {text.Trim()} ";
        var squeeze = Number(Take(ref rest, SqueezeWord())) ?? 1;
        var fNumber = Number(Take(ref rest, Aperture()));
        var (angle, side) = Take(ref rest, Angle()) is { } turned ? (Number(turned), turned.Groups["side"].Value) : (null, "");
        var behind = Length(Take(ref rest, Behind()), unit);
        var distance = Length(Take(ref rest, Distance()), unit);
        var focal = Number(Take(ref rest, Focal()));
        var aspect = Take(ref rest, Shape()) is { } shape && Number(shape) is { } wide ? wide / (Number(shape, "high") ?? 1) : (double?)null;
        var words = Filler().Replace(rest, " ").Trim(' ', ',', ';', '.');
        var format = words.Length == 0 ? SensorFormat.All.First(f => f is { WidthMm: 36, HeightMm: 24 }) : SensorFormat.Typed(words) ?? SensorFormat.All.FirstOrDefault(f => Letters(f.Name).StartsWith(Letters(words), StringComparison.OrdinalIgnoreCase)) ?? Area(words);
        problem = format is null ? $"“{words}” is not read. Write such as {Example}."
            : focal is null && angle is null ? "Say a focal length or an angle, such as 85 mm or 46°."
            : fNumber is null ? "Say an aperture, such as ƒ1.4."
            : !Quantity.FNumber.Accepts(fNumber.Value) || !Quantity.Squeeze.Accepts(squeeze) || focal is { } f && !Quantity.FocalLength.Accepts(f) || angle is <= 0 or >= 175
                || distance is { } d && !Quantity.SubjectDistance.Accepts(d) || behind is <= 0 || aspect is { } a && !Quantity.DeliveryAspect.Accepts(a) ? "A number in it is beyond what there is."
            : "";
        if (problem.Length > 0)
        {
            return null;
        }

        var used = UsedArea.Of(new Rig(format!.WidthMm, format.HeightMm, 1, 1) { Squeeze = squeeze }, aspect ?? deliveryAspect);
        var span = side is "up" or "upright" or "high" or "vertical" ? used.HeightMm : side == "diagonal" ? used.PictureDiagonalMm : used.PictureWidthMm;
        if (angle is { } across)
        {
            var itsFocal = span / (2 * Tangent(across / 2));
            if (focal is { } told && Math.Abs(told / itsFocal - 1) > SameAngle)
            {
                problem = string.Create(
                    CultureInfo.InvariantCulture, $"That contradicts itself: {told:0.#} mm on {format.Name} takes in {ThinLens.AngleOfViewDeg(span, told):0.#}°, not {across:0.#}°. Leave one of the two out.");
                return null;
            }

            focal ??= itsFocal;
        }

        return new(format, focal!.Value, fNumber!.Value, squeeze) { DistanceMm = distance, BehindMm = behind, DeliveryAspect = aspect };
    }

    private static double Tangent(double degrees)
    {
        var sine = PortableMath.Sin(degrees * Math.PI / 180);
        return sine / Math.Sqrt(1 - sine * sine);
    }

    private static SensorFormat? Area(string words) => Sides().Match(words) is { Success: true } sides && Number(sides, "wide") is { } w && Number(sides, "high") is { } h
        && Quantity.SensorSide.Accepts(w) && Quantity.SensorSide.Accepts(h) ? new SensorFormat(string.Create(CultureInfo.InvariantCulture, $"{w:0.##} × {h:0.##} mm"), w, h, 0.03) : null;

    private static string Letters(string text) => string.Concat(text.Where(char.IsLetterOrDigit));

    private static Match? Take(ref string text, Regex regex)
    {
        var match = regex.Match(text);
        if (!match.Success)
        {
            return null;
        }

        text = text.Remove(match.Index, match.Length).Insert(match.Index, " ");
        return match;
    }

    private static double? Number(Match? match, string group = "number") => match is not null && NumberText.TryRead(match.Groups[group].ValueSpan, out var value) ? value : null;

    private static double? Length(Match? match, LengthUnit unit) =>
        match is not null && LengthText.TryRead(match.Groups["length"].Value, unit == LengthUnit.Feet ? 304.8 : 1000, out var mm) ? mm : null;

    private const RegexOptions Usual = RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture;

    private const string AnyLength = @"(?<length>inf\w*|∞|\d[\d.,]*\s*(millimet(re|er)s?|centimet(re|er)s?|met(re|er)s?|feet|foot|ft|inch(es)?|mm|cm|km|m|in|'|′|""|″)?(\s*\d[\d.]*\s*(""|″|in\b))?)";

    [GeneratedRegex(@"(?<number>\d[\d.,]*)\s*[x×]\s*(squeezed?|anamorphic)\b|\b(squeezed?|anamorphic)\s*(by\s*)?(?<number>\d[\d.,]*)\s*[x×]?", Usual, NumberText.MostMs)]
    private static partial Regex SqueezeWord();

    [GeneratedRegex(@"(ƒ|\bf\s*/|\bf|\bt)\s*(?<number>\d[\d.,]*)(?!\d)", Usual, NumberText.MostMs)]
    private static partial Regex Aperture();

    [GeneratedRegex(@"(?<number>\d[\d.,]*)\s*(°|deg(rees)?\b)\s*(?<side>across|wide|horizontal|upright|up|high|vertical|diagonal)?", Usual, NumberText.MostMs)]
    private static partial Regex Angle();

    [GeneratedRegex(AnyLength + @"\s*behind\b|\b(background|behind)\s*(at|in|of)?\s*" + AnyLength, Usual, NumberText.MostMs)]
    private static partial Regex Behind();

    [GeneratedRegex(@"\b(at|from)\s*" + AnyLength, Usual, NumberText.MostMs)]
    private static partial Regex Distance();

    [GeneratedRegex(@"(?<![x×]\s*)(?<![\d.,])(?<number>\d[\d.,]*)\s*mm\b", Usual, NumberText.MostMs)]
    private static partial Regex Focal();

    [GeneratedRegex(@"(?<![\d.])(?<number>\d[\d.,]*)\s*:\s*(?<high>\d[\d.,]*)|(?<![\d.])(?<number>[0-3][.,]\d{2})(?![\d.])", Usual, NumberText.MostMs)]
    private static partial Regex Shape();

    [GeneratedRegex(@"(?<wide>\d[\d.,]*)\s*[x×]\s*(?<high>\d[\d.,]*)", Usual, NumberText.MostMs)]
    private static partial Regex Sides();

    [GeneratedRegex(@"\b(a|an|the|on|with|and|lens|sensor|mm|delivered|subject|camera|look|of)\b|[,;]", Usual, NumberText.MostMs)]
    private static partial Regex Filler();
}

using System.Globalization;
using System.Text.RegularExpressions;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Gear.Papers;

/// <summary>The part of a sensor that a recording mode uses, from what papers tell of it.</summary>
public static partial class ModeArea
{
    private const int Patience = 200;

    /// <summary>The widest part of a sensor that has the shape of what is recorded.</summary>
    /// <param name="sensor">The whole sensor, mm.</param>
    /// <param name="shape">Recorded width over height; NaN where it is not known, for the whole sensor.</param>
    /// <returns>Width and height, mm.</returns>
    public static (double WidthMm, double HeightMm) Widest((double WidthMm, double HeightMm) sensor, double shape) =>
        double.IsNaN(shape) ? sensor
        : sensor.WidthMm / shape <= sensor.HeightMm ? (sensor.WidthMm, sensor.WidthMm / shape)
        : (sensor.HeightMm * shape, sensor.HeightMm);

    /// <summary>Reads how much of the sensor a mode uses.</summary>
    /// <param name="text">
    /// A size (<c>29.2 x 16.4</c>), a crop against the widest area of its shape (<c>1.21×</c>), a field against a lens of known focal
    /// length (<c>54.4° with 35 mm</c>), <c>whole</c> or <c>open gate</c> for the whole sensor, <c>full width</c>, or a format's name.
    /// </param>
    /// <param name="sensor">The whole sensor, mm; null where it is not known.</param>
    /// <param name="shape">Recorded width over height; NaN where it is not known.</param>
    /// <returns>Width and height in mm, or what is wrong.</returns>
    public static EntryResult Read(string text, (double WidthMm, double HeightMm)? sensor, double shape)
    {
        ArgumentNullException.ThrowIfNull(text);
        var typed = text.Trim();
        if (typed.Length > EntryReader.MaxLength)
        {
            return EntryResult.Refused("The used area is too long to read. Type for example 29.2 x 16.4, or 1.21x.");
        }

        if (Whole().IsMatch(typed))
        {
            return sensor is { } all ? EntryResult.Of(all.WidthMm, all.HeightMm) : NoSensor();
        }

        if (FullWidth().IsMatch(typed))
        {
            return sensor is { } wide ? Of(Widest(wide, shape)) : NoSensor();
        }

        if (Field().Match(typed) is { Success: true } field)
        {
            var (angle, focal) = (Number(field, "angle"), Number(field, "focal"));
            return angle is > 0 and < 180 && focal > 0
                ? Shaped(2 * focal * Math.Tan(angle * Math.PI / 360), sensor, shape)
                : EntryResult.Refused($"“{typed}” is no field of a lens. Type for example 54.4° with 35 mm.");
        }

        if (Crop().Match(typed) is { Success: true } crop)
        {
            return sensor is not { } full ? NoSensor()
                : Number(crop, "crop") is >= 1 and <= 20 and var by ? Of(Scaled(Widest(full, shape), by))
                : EntryResult.Refused($"“{typed}” is no crop: it is 1 or more, since no mode uses more than the sensor. Type for example 1.21x.");
        }

        var read = EntryReader.Read(EntryKind.SensorArea, typed, LengthUnit.Metres);
        return read.Problem is null ? read
            : EntryResult.Refused($"“{(typed.Length > 40 ? typed[..40] + "…" : typed)}” is not read as a used area. Type its size (29.2 x 16.4), its crop (1.21x) or its field (54.4° with 35 mm).");
    }

    private static (double WidthMm, double HeightMm) Scaled((double WidthMm, double HeightMm) area, double by) => (area.WidthMm / by, area.HeightMm / by);

    private static EntryResult Shaped(double widthMm, (double WidthMm, double HeightMm)? sensor, double shape)
    {
        var heightMm = !double.IsNaN(shape) ? widthMm / shape : sensor is { } s ? widthMm * s.HeightMm / s.WidthMm : double.NaN;
        return double.IsNaN(heightMm)
            ? EntryResult.Refused("The field tells the width alone. Give the recorded pixels or the sensor too.")
            : Of((widthMm, heightMm));
    }

    private static EntryResult Of((double WidthMm, double HeightMm) area)
    {
        // To a thousandth of a millimetre: a tenth of a pixel.
        var (width, height) = (Math.Round(area.WidthMm, 3), Math.Round(area.HeightMm, 3));
        return Quantity.SensorSide.Accepts(width) && Quantity.SensorSide.Accepts(height)
            ? EntryResult.Of(width, height)
            : EntryResult.Refused($"That would be an area of {width.ToString(CultureInfo.InvariantCulture)} × {height.ToString(CultureInfo.InvariantCulture)} mm; sides go {Quantity.SensorSide.Range()}.");
    }

    private static EntryResult NoSensor() => EntryResult.Refused("The sensor is not known yet. Give its format or size first, or type this mode's area in mm.");

    private static double Number(Match match, string group) => NumberText.TryRead(match.Groups[group].Value, out var value) ? value : double.NaN;

    [GeneratedRegex(@"^(the )?(whole|open gate|all)( sensor)?$", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Whole();

    [GeneratedRegex(@"^(the )?(full|whole) (width|sensor width)$|^(no crop|uncropped)$", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex FullWidth();

    [GeneratedRegex(@"^(crop(ped)?( by)? *)?(?<crop>\d+([.,]\d+)?) *([x×]|times)?( crop)?$", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Crop();

    [GeneratedRegex(@"^(?<angle>\d+([.,]\d+)?) *(°|degrees|deg) *(at|with|on|by|,)? *(a )?(?<focal>\d+([.,]\d+)?) *mm$", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Field();
}

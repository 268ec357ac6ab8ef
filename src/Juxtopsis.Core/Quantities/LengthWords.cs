using System.Globalization;

namespace Juxtopsis.Core.Quantities;

/// <summary>Lengths in words, for messages.</summary>
public static class LengthWords
{
    private const double FootMm = 304.8;
    private const double InchMm = 25.4;

    /// <summary>A distance in a scene, in the unit that people use at its size.</summary>
    /// <param name="mm">Millimetres; infinity allowed.</param>
    /// <param name="unit">The person's unit.</param>
    /// <returns>For example <c>3.2 m</c>, <c>45 cm</c>, <c>10′ 6″</c>.</returns>
    public static string Distance(double mm, LengthUnit unit)
    {
        if (double.IsInfinity(mm))
        {
            return "infinity";
        }

        return unit == LengthUnit.Feet ? Feet(mm) : Math.Abs(mm) switch
        {
            >= 1e6 => $"{Number(mm / 1e6)} km",
            >= 1000 => $"{Number(mm / 1000)} m",
            >= 100 => $"{Number(mm / 10)} cm",
            _ => Millimetres(mm),
        };
    }

    /// <summary>A length of a lens or a sensor.</summary>
    /// <param name="mm">Millimetres.</param>
    /// <returns>For example <c>0.05 mm</c>.</returns>
    public static string Millimetres(double mm) => $"{Number(mm)} mm";

    /// <summary>A number with the digits that a message needs.</summary>
    /// <param name="value">Any number.</param>
    /// <returns>At most six digits; whole numbers of more in full, so that people read no powers of ten.</returns>
    public static string Number(double value) => value.ToString(Math.Abs(value) is >= 1e6 and < 1e12 ? "0" : "G6", CultureInfo.InvariantCulture);

    private static string Feet(double mm)
    {
        var inches = Math.Round(mm / InchMm, mm < FootMm ? 2 : 1);
        var feet = Math.Floor(inches / 12);
        var rest = Number(inches - 12 * feet);
        return feet >= 100 ? $"{Number(Math.Round(mm / FootMm))}′" : feet < 1 ? $"{rest}″" : rest == "0" ? $"{feet}′" : $"{feet}′ {rest}″";
    }
}

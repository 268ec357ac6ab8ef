namespace Juxtopsis.Core.Entry;

/// <summary>Where an arrow key takes a value: by steps that mean something on set.</summary>
public static class EntryStep
{
    /// <summary>Aperture marks, a third of a stop apart.</summary>
    private static readonly double[] ThirdStops =
    [
        0.5, 0.56, 0.63, 0.7, 0.8, 0.9, 0.95, 1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10,
        11, 13, 14, 16, 18, 20, 22, 25, 29, 32, 36, 40, 45, 51, 57, 64, 72, 81, 90,
    ];

    private static readonly double[] FullStops = [0.5, 0.7, 1, 1.4, 2, 2.8, 4, 5.6, 8, 11, 16, 22, 32, 45, 64, 90];

    private static readonly double[] FocalLengths =
    [
        4, 6, 8, 10, 12, 14, 16, 18, 20, 24, 28, 35, 40, 50, 65, 75, 85, 100, 135, 150, 180, 200, 250, 300, 400, 500, 600, 800, 1000,
    ];

    private static readonly double[] Reducers = [0.58, 0.64, 0.71, 0.8, 1, 1.4, 2];

    private static readonly double[] Squeezes = [1, 1.25, 1.33, 1.5, 1.6, 1.8, 2];

    private static readonly double[] Shapes = [0.5625, 0.8, 1, 4.0 / 3, 1.5, 16.0 / 9, 1.85, 2, 2.2, 2.39];

    private static readonly double[] DeliveryWidths = [1080, 1280, 1920, 2048, 2560, 3840, 4096, 5120, 6144, 7680, 8192];

    /// <summary>The next value in a direction.</summary>
    /// <param name="kind">What the value is. Pairs do not step.</param>
    /// <param name="value">Where it is now, in the kind's unit.</param>
    /// <param name="up">True for the arrow up: more of the number.</param>
    /// <param name="large">True with Shift: a larger step.</param>
    /// <param name="unit">Distances step by 10 cm or by 3 in, large by 1 m or 3 ft; under half a metre by a tenth of that.</param>
    /// <returns>The next value, within the quantity's range; the same value where there is no further one.</returns>
    public static double Next(EntryKind kind, double value, bool up, bool large, LengthUnit unit)
    {
        var quantity = EntryReader.QuantityOf(kind);
        var next = kind switch
        {
            EntryKind.FNumber => Along(large ? FullStops : ThirdStops, value, up),
            EntryKind.FocalLength => large ? Along(FocalLengths, value, up) : By(value, value < 10 ? 0.5 : value < 200 ? 1 : 10, up),
            EntryKind.OpticsMagnification => Along(Reducers, value, up),
            EntryKind.Squeeze => Along(Squeezes, value, up),
            EntryKind.DeliveryAspect => Along(Shapes, value, up),
            EntryKind.DeliveryWidth => Along(DeliveryWidths, value, up),
            EntryKind.PunchIn => By(value, large ? 0.5 : 0.05, up),
            EntryKind.SubjectDistance or EntryKind.BackgroundDistance or EntryKind.LensHeight => Distance(value, up, large, unit),
            _ => value,
        };
        return double.IsInfinity(next) ? next : Math.Clamp(next, quantity.Min, quantity.Max);
    }

    private static double Distance(double value, bool up, bool large, LengthUnit unit)
    {
        var step = unit == LengthUnit.Feet ? (large ? 914.4 : 76.2) : (large ? 1000.0 : 100.0);
        var close = value < 500 || (value == 500 && !up);
        return By(value, close ? step / 10 : step, up);
    }

    /// <summary>A step that never passes zero, with the noise of repeated sums rounded off.</summary>
    private static double By(double value, double step, bool up)
    {
        var next = up ? value + step : value - step;
        return next > 0 && double.IsFinite(next) ? Math.Round(next, 6) : value;
    }

    private static double Along(double[] marks, double value, bool up)
    {
        var tolerance = value * 1e-6;
        if (up)
        {
            foreach (var mark in marks)
            {
                if (mark > value + tolerance)
                {
                    return mark;
                }
            }

            return value;
        }

        for (var i = marks.Length - 1; i >= 0; i--)
        {
            if (marks[i] < value - tolerance)
            {
                return marks[i];
            }
        }

        return value;
    }
}

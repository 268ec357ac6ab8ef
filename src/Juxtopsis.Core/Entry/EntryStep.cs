using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Entry;

/// <summary>Where an arrow key takes a value: by steps that mean something on set.</summary>
public static class EntryStep
{
    /// <summary>The next value in a direction.</summary>
    /// <param name="kind">What the value is. Pairs and spans do not step.</param>
    /// <param name="value">Where it is now, in the kind's unit.</param>
    /// <param name="up">True for the arrow up: more of the number.</param>
    /// <param name="large">True with Shift: a larger step.</param>
    /// <param name="unit">Distances step by 10 cm or by 3 in, large by 1 m or 3 ft; under half a metre by a tenth of that.</param>
    /// <returns>The next value, within the quantity's range; the same value where there is no further one.</returns>
    public static double Next(EntryKind kind, double value, bool up, bool large, LengthUnit unit)
    {
        var rule = EntryRule.Of(kind);
        var marks = large && rule.LargeStops.Count > 0 ? rule.LargeStops : rule.Stops;
        var next = rule.Notation == Notation.SceneLength ? Distance(value, up, large, unit)
            : marks.Count > 0 ? Along(marks, value, up)
            : kind == EntryKind.FocalLength ? By(value, value < 10 ? 0.5 : value < 200 ? 1 : 10, up)
            : By(value, large ? rule.LargeStep : rule.Step, up);
        return double.IsFinite(next) ? Math.Clamp(next, rule.Quantity.Min, rule.Quantity.Max) : value;
    }

    private static double Distance(double value, bool up, bool large, LengthUnit unit)
    {
        var step = unit == LengthUnit.Feet ? (large ? 914.4 : 76.2) : (large ? 1000.0 : 100.0);
        var close = value < 500 || (value == 500 && !up);
        var next = By(value, close ? step / 10 : step, up);
        return next > 0 ? next : value;
    }

    /// <summary>A step, with the noise of repeated sums rounded off.</summary>
    private static double By(double value, double step, bool up) => Math.Round(up ? value + step : value - step, 6);

    private static double Along(IReadOnlyList<double> marks, double value, bool up)
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

        for (var i = marks.Count - 1; i >= 0; i--)
        {
            if (marks[i] < value - tolerance)
            {
                return marks[i];
            }
        }

        return value;
    }
}

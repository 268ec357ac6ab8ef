using System.Globalization;

namespace Juxtopsis.Core.Tests.Working;

/// <summary>Reads a formula as it is shown to people and reckons it with the platform's own functions: an independent check.</summary>
internal sealed class FormulaCalculator(string text, Func<string, double> symbol)
{
    private int at;

    public static double Reckon(string formula, Func<string, double> symbol)
    {
        var calculator = new FormulaCalculator(formula.Replace(" ", "", StringComparison.Ordinal), symbol);
        var value = calculator.Sum();
        return calculator.at == calculator.text.Length ? value : throw new FormatException($"“{formula}” stops making sense at {calculator.at}.");
    }

    private readonly string text = text;

    private char Next => at < text.Length ? text[at] : '\0';

    private bool Take(char c)
    {
        if (Next != c)
        {
            return false;
        }

        at++;
        return true;
    }

    private double Sum()
    {
        var value = Take('−') ? -Product() : Product();
        while (true)
        {
            if (Take('+'))
            {
                value += Product();
            }
            else if (Take('−'))
            {
                value -= Product();
            }
            else
            {
                return value;
            }
        }
    }

    private double Product()
    {
        var value = Power();
        while (true)
        {
            if (Take('·'))
            {
                value *= Power();
            }
            else if (Take('/'))
            {
                value /= Power();
            }
            else
            {
                return value;
            }
        }
    }

    private double Power()
    {
        var value = Atom();
        return Take('²') ? value * value : Take('^') ? Math.Pow(value, Atom()) : value;
    }

    private double Atom()
    {
        if (Take('('))
        {
            return Closed(Sum(), ')');
        }

        if (Take('|'))
        {
            return Math.Abs(Closed(Sum(), '|'));
        }

        if (Take('√'))
        {
            return Math.Sqrt(Atom());
        }

        if (Take('∞'))
        {
            return double.PositiveInfinity;
        }

        var from = at;
        if (char.IsDigit(Next) && Next < '₀')
        {
            while (char.IsAsciiDigit(Next) || Next == '.')
            {
                at++;
            }

            return double.Parse(text.AsSpan(from, at - from), CultureInfo.InvariantCulture);
        }

        while (char.IsLetter(Next) || (at > from && Next is >= '₀' and <= '₉'))
        {
            at++;
        }

        var name = text[from..at];
        return name.Length == 0 ? throw new FormatException($"Nothing to reckon at {at} of “{text}”.") : Take('(') ? Function(name) : symbol(name);
    }

    private double Function(string name)
    {
        var first = Sum();
        var second = Take(',') ? Sum() : double.NaN;
        return Closed(
            name switch
            {
                "atan" => Math.Atan(first) * 180 / Math.PI,
                "sin" => Math.Sin(first * Math.PI / 180),
                "tan" => Math.Tan(first * Math.PI / 180),
                "log₂" => Math.Log2(first),
                "min" => Math.Min(first, second),
                "max" => Math.Max(first, second),
                "floor" => Math.Floor(first * (1 + 1e-12)),
                "ceil" => Math.Ceiling(first),
                _ => throw new FormatException($"{name} is no function of the notation."),
            },
            ')');
    }

    private double Closed(double value, char close) => Take(close) ? value : throw new FormatException($"{close} is missing at {at} of “{text}”.");
}

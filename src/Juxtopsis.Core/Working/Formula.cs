using System.Text;

namespace Juxtopsis.Core.Working;

/// <summary>
/// The notation of formulas: numbers, symbols (a letter, then letters or subscripts), + − · / ^ ², parentheses, |x|, √( ) and the
/// functions atan, sin, tan (degrees), log₂, min, max, floor and ceil. Written for people; exact enough for a machine to check.
/// </summary>
public static class Formula
{
    /// <summary>The symbols in a formula, in order, each once; names of functions are not among them.</summary>
    /// <param name="formula">A formula.</param>
    /// <returns>Symbols.</returns>
    public static IReadOnlyList<string> Symbols(string formula)
    {
        var symbols = new List<string>();
        Scan(formula, symbol =>
        {
            if (!symbols.Contains(symbol))
            {
                symbols.Add(symbol);
            }

            return symbol;
        });
        return symbols;
    }

    /// <summary>A formula with other text in place of its symbols.</summary>
    /// <param name="formula">A formula.</param>
    /// <param name="value">What stands for a symbol.</param>
    /// <returns>The formula with values put in; negative ones in parentheses.</returns>
    public static string Put(string formula, Func<string, string> value)
    {
        ArgumentNullException.ThrowIfNull(value);
        return Scan(formula, symbol => value(symbol) is var text && text.StartsWith('−') ? $"({text})" : text);
    }

    private static string Scan(string formula, Func<string, string> replace)
    {
        ArgumentNullException.ThrowIfNull(formula);
        var result = new StringBuilder();
        for (var i = 0; i < formula.Length;)
        {
            var from = i;
            while (i < formula.Length && (char.IsLetter(formula[i]) || (i > from && IsSubscript(formula[i]))))
            {
                i++;
            }

            if (i == from)
            {
                result.Append(formula[i++]);
                continue;
            }

            var name = formula[from..i];
            var isFunction = i < formula.Length && formula[i] == '(';
            result.Append(isFunction ? name : replace(name));
        }

        return result.ToString();
    }

    private static bool IsSubscript(char c) => c is >= '₀' and <= '₉';
}

using System.Globalization;
using System.Text.Json;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>From the core's cases to the wire: figures by name for a program that reads JSON, or in one row of numbers for the page.</summary>
internal static class FigureMapping
{
    private static readonly string[] Names = [.. FigureCatalogue.All.Select(f => JsonNamingPolicy.CamelCase.ConvertName(f.Id.ToString()))];

    public static string[] Texts =>
        [.. FigureCatalogue.All.SelectMany((f, i) => (string[])[Names[i], f.Name, JsonNamingPolicy.CamelCase.ConvertName(f.Unit.ToString()), Comparison(f.Comparison), f.Meaning, f.WorryAbove?.ToString(CultureInfo.InvariantCulture) ?? ""])];

    public static IReadOnlyList<FigureInfo> Infos =>
        [.. FigureCatalogue.All.Select(f => new FigureInfo(f.Id, f.Name, f.Unit, Comparison(f.Comparison), f.Meaning, f.WorryAbove))];

    /// <summary>Numbers a rig: all figures, then all differences.</summary>
    public static int CountEach => 2 * FigureCatalogue.All.Count;

    public static IReadOnlyList<RigReportOutput> ToWire(FigureCase[] cases, int yardstick, LengthUnit unit)
    {
        var numbers = new double[cases.Length * CountEach];
        Pack(cases, yardstick, numbers, CountEach);
        return [.. cases.Select((given, i) => new RigReportOutput(
            Named(numbers.AsSpan(i * CountEach, CountEach / 2)).ToDictionary(p => p.Name, p => double.IsInfinity(p.Value) ? (double?)null : p.Value),
            Named(numbers.AsSpan(i * CountEach + CountEach / 2, CountEach / 2)).ToDictionary(p => p.Name, p => p.Value),
            given.Reasons(unit)))];
    }

    /// <summary>Writes all figures and then all differences of each rig; NaN for what does not exist.</summary>
    /// <param name="cases">The rigs.</param>
    /// <param name="yardstick">Index of the one that the others are measured against.</param>
    /// <param name="numbers">Room for them.</param>
    /// <param name="apart">Numbers from the start of one rig to that of the next, at least <see cref="CountEach"/>.</param>
    public static void Pack(FigureCase[] cases, int yardstick, Span<double> numbers, int apart)
    {
        var count = FigureCatalogue.All.Count;
        for (var i = 0; i < cases.Length; i++)
        {
            FigureCatalogue.Fill(cases[i], numbers.Slice(i * apart, count));
        }

        var theirs = numbers.Slice(yardstick * apart, count);
        for (var i = 0; i < cases.Length; i++)
        {
            var ours = numbers.Slice(i * apart, count);
            var differences = numbers.Slice(i * apart + count, count);
            for (var n = 0; n < count; n++)
            {
                differences[n] = FigureCatalogue.All[n].Difference(ours[n], theirs[n]) ?? double.NaN;
            }
        }
    }

    private static List<(string Name, double Value)> Named(ReadOnlySpan<double> numbers)
    {
        var named = new List<(string, double)>(numbers.Length);
        for (var i = 0; i < numbers.Length; i++)
        {
            if (!double.IsNaN(numbers[i]))
            {
                named.Add((Names[i], numbers[i]));
            }
        }

        return named;
    }

    public static IReadOnlyList<DiagnosticOutput> Reasons(this in FigureCase given, LengthUnit unit) =>
        [.. ReasonWords.Of(given, unit).Select(r => r.ToWire())];

    private static string Comparison(FigureComparison comparison) => comparison switch
    {
        FigureComparison.Percent => "percent",
        FigureComparison.Stops => "stops",
        FigureComparison.Plain => "own",
        _ => "",
    };
}

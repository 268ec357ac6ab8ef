using System.Text.Json;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>From the core's cases to the wire: figures by name for a program that reads JSON, or in one row of numbers for the page.</summary>
internal static class FigureMapping
{
    private static readonly string[] Names = [.. FigureCatalogue.All.Select(f => JsonNamingPolicy.CamelCase.ConvertName(f.Id.ToString()))];

    public static IReadOnlyList<FigureInfo> Infos =>
        [.. FigureCatalogue.All.Select(f => new FigureInfo(f.Id, f.Name, f.Unit, Comparison(f.Comparison), f.Meaning))];

    public static RigReportOutput ToWire(this in FigureCase given, in FigureCase yardstick, LengthUnit unit)
    {
        var count = FigureCatalogue.All.Count;
        Span<double> numbers = stackalloc double[2 * count];
        given.Pack(yardstick, numbers);
        var figures = new Dictionary<string, double?>(count);
        var differences = new Dictionary<string, double>(count);
        for (var i = 0; i < count; i++)
        {
            if (!double.IsNaN(numbers[i]))
            {
                figures.Add(Names[i], double.IsInfinity(numbers[i]) ? null : numbers[i]);
            }

            if (!double.IsNaN(numbers[count + i]))
            {
                differences.Add(Names[i], numbers[count + i]);
            }
        }

        return new RigReportOutput(figures, differences, given.Reasons(unit));
    }

    /// <summary>Writes all figures and then all differences; NaN for what does not exist.</summary>
    public static void Pack(this in FigureCase given, in FigureCase yardstick, Span<double> numbers)
    {
        var count = FigureCatalogue.All.Count;
        for (var i = 0; i < count; i++)
        {
            var figure = FigureCatalogue.All[i];
            var value = figure.Value(given);
            numbers[i] = value ?? double.NaN;
            numbers[count + i] = figure.Comparison == FigureComparison.None ? double.NaN : figure.Difference(value, figure.Value(yardstick)) ?? double.NaN;
        }
    }

    public static IReadOnlyList<ReasonOutput> Reasons(this in FigureCase given, LengthUnit unit) =>
        [.. ReasonWords.Of(given, unit).Select(r => new ReasonOutput(r.Kind, r.Severity, r.Quantity, r.Value, r.Bound, r.Message, r.Mend))];

    private static string Comparison(FigureComparison comparison) => comparison switch
    {
        FigureComparison.Percent => "percent",
        FigureComparison.Stops => "stops",
        FigureComparison.Plain => "own",
        _ => "",
    };
}

using System.Globalization;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Measuring;

/// <summary>What a test found, put into the record of a thing: beside what its papers say, with where it comes from.</summary>
public static class TestRecord
{
    private const int MostSourceLength = 2000;

    private static readonly double[] Steps = [1, 0.1, 0.01, 0.001, 0.0001];

    /// <summary>Takes results in.</summary>
    /// <param name="item">The thing.</param>
    /// <param name="kind">The test.</param>
    /// <param name="results">What it found; empty takes nothing in.</param>
    /// <param name="source">Which unit, when and by whom, for whoever reads it later.</param>
    /// <returns>The thing with what was found; results of the same test from before give way, those of other marks of a zoom stay.</returns>
    public static GearItem Accept(GearItem item, TestKind kind, IReadOnlyList<TestResult> results, string source)
    {
        ArgumentNullException.ThrowIfNull(item);
        ArgumentNullException.ThrowIfNull(results);
        var changed = results.Aggregate(item, With);
        return results.Count == 0 ? item : changed.With(CommonFields.TestedBy, Sources(item.Get(CommonFields.TestedBy), TestProcedure.For(kind).Name, results, source));
    }

    /// <summary>A thing with what some tests found, and nothing of any other: its record anew.</summary>
    /// <param name="item">The thing, tested or not.</param>
    /// <param name="tests">Each test's kind, results and source as <see cref="Accept"/> takes them, the oldest first.</param>
    /// <returns>The thing. What an earlier test wrote over its papers, such as a price, stays where none of these says otherwise.</returns>
    public static GearItem Anew(GearItem item, IEnumerable<(TestKind Kind, IReadOnlyList<TestResult> Results, string Source)> tests)
    {
        ArgumentNullException.ThrowIfNull(item);
        ArgumentNullException.ThrowIfNull(tests);
        var untested = item.Known.Where(f => f.IsFromTest).Aggregate(item, (known, field) => known.With(field, null));
        return tests.Aggregate(untested, (known, test) => Accept(known, test.Kind, test.Results, test.Source));
    }

    /// <summary>A result with its ±, in as many digits as it is worth.</summary>
    /// <param name="result">What was found.</param>
    /// <returns>For example <c>48.6 ± 0.2 mm</c>.</returns>
    public static string Say(TestResult result)
    {
        ArgumentNullException.ThrowIfNull(result);
        var (scale, unit) = result.Quantity switch
        {
            TestQuantity.FocalLength or TestQuantity.EntrancePupil or TestQuantity.ImageCircle or TestQuantity.MountError => (1, " mm"),
            TestQuantity.MinimumFocusDistance => (0.1, " cm"),
            TestQuantity.Breathing => (100, " %"),
            TestQuantity.SqueezeTurn => (1, "°"),
            TestQuantity.CornerFalloff => (1, " stops"),
            TestQuantity.Weight => (1, " g"),
            _ => (1.0, ""),
        };
        var (value, plusMinus) = (result.Value * scale, result.PlusMinus * scale);
        if (!(plusMinus > 0))
        {
            return $"{LengthWords.Number(value)}{unit}";
        }

        var digits = Array.FindIndex(Steps, step => plusMinus >= step) is var found && found >= 0 ? found : Steps.Length - 1;
        var format = "F" + digits.ToString(CultureInfo.InvariantCulture);
        return $"{value.ToString(format, CultureInfo.InvariantCulture)} ± {Math.Max(plusMinus, Steps[digits]).ToString(format, CultureInfo.InvariantCulture)}{unit}";
    }

    private static GearItem With(GearItem item, TestResult result) => result.Quantity switch
    {
        TestQuantity.FocalLength => item.With(LensFields.TestedFocal, Points(item, result)).With(LensFields.TestedFocalPlusMinus, FocalShare(item, result)),
        TestQuantity.Magnification => item.With(AdapterFields.TestedMagnification, Rounded(result)).With(AdapterFields.TestedMagnificationPlusMinus, Share(result)),
        TestQuantity.Squeeze when item.Kind == GearKind.Attachment => item.With(FrontFields.TestedSqueeze, Rounded(result)).With(FrontFields.TestedSqueezePlusMinus, Share(result)),
        TestQuantity.Squeeze => item.With(LensFields.TestedSqueeze, Rounded(result)).With(LensFields.TestedSqueezePlusMinus, Share(result)),
        TestQuantity.TNumber => item.With(LensFields.TestedT, Rounded(result)),
        TestQuantity.ImageCircle => item.With(LensFields.TestedCircle, Rounded(result)),
        TestQuantity.MinimumFocusDistance => item.With(LensFields.TestedNearest, Rounded(result)),
        TestQuantity.MaximumMagnification => item.With(LensFields.TestedRatio, Rounded(result)),
        TestQuantity.Weight => item.With(CommonFields.TestedWeight, Rounded(result)),
        TestQuantity.Price => item.With(CommonFields.Price, result.Value),
        _ => item,
    };

    private static GearPoint[] Points(GearItem item, TestResult result)
    {
        var at = result.AtMm ?? item.Get(LensFields.Short) ?? Math.Round(result.Value);
        return [.. item.Get(LensFields.TestedFocal).Where(p => p.At != at).Append(new(at, Rounded(result))).OrderBy(p => p.At)];
    }

    /// <summary>The ± as a share, within what a field takes; it stands beside what was found.</summary>
    private static double Share(TestResult result) => Math.Round(Math.Clamp(result.PlusMinus / result.Value, 0, Quantity.Tolerance.Max), 5);

    /// <summary>Of all marks of a zoom the largest counts; of a prime that is tested again, the last.</summary>
    private static double FocalShare(GearItem item, TestResult result)
    {
        var at = result.AtMm ?? item.Get(LensFields.Short);
        var others = item.Get(LensFields.TestedFocal).Any(p => p.At != at);
        return others && item.Get(LensFields.TestedFocalPlusMinus) is { } before ? Math.Max(before, Share(result)) : Share(result);
    }

    /// <summary>To a tenth of its ±, so that no digit stands there that says nothing.</summary>
    private static double Rounded(TestResult result)
    {
        if (!(result.PlusMinus > 0))
        {
            return result.Value;
        }

        var digits = 1;
        for (var step = 0.1; step > result.PlusMinus / 3 && digits < 6; step /= 10)
        {
            digits++;
        }

        return Math.Round(result.Value, digits);
    }

    private static string Sources(string before, string test, IReadOnlyList<TestResult> results, string source)
    {
        var head = test + ": ";
        var at = results[0].AtMm;
        var told = string.Join(", ", results.Select(Named));
        var line = $"{head}{told} ({results[0].Count} {(results[0].Count == 1 ? "reading" : "readings")}, {source})";
        string[] kept = [.. before.Split('\n', StringSplitOptions.RemoveEmptyEntries).Where(l => !l.StartsWith(head, StringComparison.Ordinal) || at is not null && !SameMark(l, results))];
        var all = string.Join('\n', [.. kept, line]);
        return all.Length <= MostSourceLength ? all : all[^MostSourceLength..];
    }

    private static string Named(TestResult result) => result.Quantity switch
    {
        TestQuantity.FocalLength when result.AtMm is { } mm => $"{LengthWords.Millimetres(mm)} is {Say(result)}",
        TestQuantity.EntrancePupil => $"entrance pupil {Say(result)} before the mark",
        TestQuantity.Breathing => $"angle changes by {Say(result)} to the nearest",
        TestQuantity.ImageCircle => $"image circle {Say(result)}",
        TestQuantity.CornerFalloff => $"corners lose {Say(result)}",
        TestQuantity.MarkFactor => $"distance marks times {Say(result)}",
        TestQuantity.MountError => $"mount too long by {Say(result)}",
        _ => Say(result),
    };

    private static bool SameMark(string line, IReadOnlyList<TestResult> results) =>
        results.Any(r => r.AtMm is { } mm && line.Contains(LengthWords.Millimetres(mm) + " is ", StringComparison.Ordinal));
}

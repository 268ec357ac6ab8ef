using System.Globalization;
using System.Text.RegularExpressions;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Shelf;

/// <summary>
/// Reads what people type to find gear: <c>fast wide under 400 g that covers full frame on K-bay</c>. What is understood becomes
/// a criterion with its meaning in words; every other word must be found somewhere in the thing's own words.
/// </summary>
public sealed partial class QueryReader
{
    /// <summary>Longest text that is looked at, in characters.</summary>
    public const int MaxLength = 200;

    private const RegexOptions Loose = RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture;
    private const string At = @"\G(?<!\w)";
    private const string N = @"(?<n>\d+(?:[.,]\d+)?)";
    private const string Most = "(?:(?:under|below|less\\s+than|up\\s+to|at\\s+most|lighter\\s+than|cheaper\\s+than|max(?:imum)?|<)\\s*)";
    private const string Least = "(?:(?:over|above|more\\s+than|at\\s+least|heavier\\s+than|min(?:imum)?|>)\\s*)";

    private readonly IReadOnlyList<(Regex Pattern, Func<Match, Criterion?> Read)> rules;
    private readonly MountBook mounts;
    private readonly HashSet<(string Body, string Lens)> joined;

    /// <summary>Makes a reader for a shelf.</summary>
    /// <param name="mounts">The mounts, whose names are understood.</param>
    /// <param name="adapters">The adapters, through which a lens goes on another mount too.</param>
    public QueryReader(MountBook mounts, IEnumerable<GearItem> adapters)
    {
        ArgumentNullException.ThrowIfNull(mounts);
        this.mounts = mounts;
        joined = [.. adapters.Where(a => a.Kind == GearKind.Adapter)
            .Select(a => (Lower(a.Get(AdapterFields.BodyMount)), Lower(a.Get(AdapterFields.LensMount))))];
        rules =
        [
            (WeightLimit(), m => Limit(m, "weighs", "g", i => i.Get(CommonFields.Weight), m.Groups["u"].Value.ToLowerInvariant() switch { "kg" => 1000, "lb" or "lbs" => 453.59237, "oz" => 28.349523125, _ => 1 })),
            (PriceLimit(), m => Limit(m, "costs", "", CommonFields.CostOf, 1)),
            (FocusLimit(), m => Nearest(m)),
            (ThreadOf(), m => Thread(m)),
            (EquivalentOf(), m => Equivalent(m)),
            (ZoomRange(), m => Range(m)),
            (TNumberOf(), m => Is(m, $"T{m.Groups["n"].Value} or wider", i => i.Get(LensFields.WidestT) <= Number(m) + 0.01)),
            (ApertureOf(), m => Is(m, $"ƒ{m.Groups["n"].Value} or wider", i => i.Get(LensFields.Widest) <= Number(m) + 0.01)),
            (FocalLengthOf(), m => Is(m, $"has {m.Groups["n"].Value} mm", i => i.Get(LensFields.Short) <= Number(m) && (i.Get(LensFields.Long) ?? i.Get(LensFields.Short)) >= Number(m))),
            (SqueezeOf(), m => Is(m, $"squeezes {m.Groups["n"].Value}×", i => Math.Abs((i.Get(LensFields.Squeeze) ?? i.Get(FrontFields.Squeeze) ?? 1) - Number(m)) < 0.011)),
            (CoversFormat(), m => Covers(m)),
            (Joins(), m => GoesOn(m)),
        ];
    }

    /// <summary>Reads a search.</summary>
    /// <param name="text">What was typed; what is longer than <see cref="MaxLength"/> is left aside.</param>
    /// <returns>What it asks for; empty for a blank text, which everything meets.</returns>
    public IReadOnlyList<Criterion> Read(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        var typed = text.Length > MaxLength ? text[..MaxLength] : text;
        var criteria = new List<Criterion>();
        var at = 0;
        while (at < typed.Length)
        {
            if (char.IsWhiteSpace(typed[at]) || typed[at] is ',' or ';')
            {
                at++;
                continue;
            }

            var (criterion, length) = Next(typed, at);
            if (criterion is not null)
            {
                criteria.Add(criterion);
            }

            at += Math.Max(1, length);
        }

        return criteria;
    }

    private (Criterion? Criterion, int Length) Next(string typed, int at)
    {
        foreach (var (pattern, read) in rules)
        {
            if (pattern.Match(typed, at) is { Success: true, Length: > 0 } match && match.Index == at && read(match) is { } criterion)
            {
                return (criterion, criterion.Typed.Length);
            }
        }

        if (QueryWords.Longest(typed, at) is { } word)
        {
            return (word.Accepts is null ? null : new Criterion(typed.Substring(at, word.Length), word.Meaning, word.Accepts), word.Length);
        }

        var end = at;
        while (end < typed.Length && !char.IsWhiteSpace(typed[end]) && typed[end] is not (',' or ';'))
        {
            end++;
        }

        var plain = typed[at..end];
        var lower = plain.ToLowerInvariant();
        return (new Criterion(plain, "", row => row.Entry.Words.Contains(lower, StringComparison.Ordinal)), plain.Length);
    }

    private static Criterion Limit(Match m, string verb, string unit, Func<GearItem, double?> of, double times)
    {
        var value = Number(m) * times;
        var most = m.Groups["most"].Success;
        var shown = unit.Length > 0 ? $"{LengthWords.Number(value)} {unit}" : LengthWords.Number(value);
        return Is(m, $"{verb} {shown} or {(most ? "less" : "more")}", i => most ? of(i) <= value : of(i) >= value);
    }

    private static Criterion Nearest(Match m)
    {
        var mm = Number(m) * (m.Groups["u"].Value.ToLowerInvariant() switch { "m" => 1000, "cm" => 10, _ => 1 });
        return Is(m, $"focuses to {LengthWords.Distance(mm, LengthUnit.Metres)}", i => i.Get(LensFields.Nearest) <= mm);
    }

    private static Criterion Thread(Match m) => Is(
        m, $"thread of {m.Groups["n"].Value} mm",
        i => i.Get(LensFields.FilterThread) == Number(m) || i.Get(CommonFields.RearThread) == Number(m) || i.Get(CommonFields.FrontThread) == Number(m));

    private static Criterion Equivalent(Match m)
    {
        // A prime meets an equivalent when it is within a tenth of it.
        var mm = Number(m);
        return new(m.Value, $"like {LengthWords.Number(mm)} mm on full frame", row => row.Reach is { } r && r.ShortMm <= mm * 1.1 && r.LongMm >= mm / 1.1);
    }

    private static Criterion? Range(Match m)
    {
        var (from, to) = (Number(m), Number(m, "m"));
        return from >= to ? null : Is(
            m, $"spans {LengthWords.Number(from)}–{LengthWords.Number(to)} mm",
            i => i.Get(LensFields.Short) <= from && i.Get(LensFields.Long) >= to);
    }

    private static Criterion? Covers(Match m)
    {
        var said = m.Groups["f"].Value.Replace('-', ' ').Replace("  ", " ", StringComparison.Ordinal);
        var format = SensorFormat.All.FirstOrDefault(f => Lower(f.Name).Replace('-', ' ').StartsWith(Lower(said), StringComparison.Ordinal));
        if (format is null)
        {
            return null;
        }

        var diagonal = Math.Sqrt(format.WidthMm * format.WidthMm + format.HeightMm * format.HeightMm);
        return Is(m, $"covers {format.InSentence}", i => i.Kind switch
        {
            GearKind.Lens => ChainOptics.ImageCircleOf(i).ImageCircleMm >= diagonal - 0.5,
            GearKind.Body or GearKind.FixedLensCamera => i.Get(BodyFields.SensorWidth) is { } w && i.Get(BodyFields.SensorHeight) is { } h
                && SensorFormat.Nearest(w, h) == format,
            _ => false,
        });
    }

    /// <summary>A mount's name alone, or after <i>on</i> or <i>for</i>, which counts adapters too.</summary>
    private Criterion? GoesOn(Match m)
    {
        var rest = m.Groups["rest"].Value;
        var mount = mounts.All.Select(x => x.Name).Where(name => rest.StartsWith(name, StringComparison.OrdinalIgnoreCase)
                && (rest.Length == name.Length || !char.IsLetterOrDigit(rest[name.Length]))).MaxBy(name => name.Length);
        if (mount is null)
        {
            return null;
        }

        var typed = m.Value[..(m.Value.Length - rest.Length + mount.Length)];
        var adapted = m.Groups["on"].Success;
        return new(typed, adapted ? $"goes on {mount}" : $"has {mount}", row => Has(row.Entry.Item, mount, adapted));
    }

    private bool Has(GearItem item, string mount, bool adapted) => item.Kind switch
    {
        GearKind.Lens => mounts.Takes(mount, item.Get(LensFields.Mount)) || adapted && joined.Contains((Lower(mount), Lower(item.Get(LensFields.Mount)))),
        GearKind.Body => item.Get(BodyFields.Mounts).Any(m => MountBook.Same(m, mount)),
        GearKind.Adapter => MountBook.Same(item.Get(AdapterFields.BodyMount), mount) || !adapted && MountBook.Same(item.Get(AdapterFields.LensMount), mount),
        GearKind.Mount => MountBook.Same(item.Name, mount),
        _ => false,
    };

    private static Criterion Is(Match m, string meaning, Func<GearItem, bool> accepts) => new(m.Value, meaning, row => accepts(row.Entry.Item));

    private static double Number(Match m, string group = "n") => double.Parse(m.Groups[group].Value.Replace(',', '.'), CultureInfo.InvariantCulture);

    private static string Lower(string text) => text.ToLowerInvariant();

    [GeneratedRegex(At + "((?<most>" + Most + ")|" + Least + ")" + N + @"\s*(?<u>kg|grams?|g|lbs?|oz)\b", Loose, 100)]
    private static partial Regex WeightLimit();

    [GeneratedRegex(At + "((?<most>" + Most + ")|" + Least + @")(€\s*" + N + "|" + N + @"\s*(€|eur(o|os)?\b))", Loose, 100)]
    private static partial Regex PriceLimit();

    [GeneratedRegex(At + @"(focus(es|ing)?\s+(to|at|down\s+to|from)|closer\s+than)\s*" + N + @"\s*(?<u>mm|cm|m)\b", Loose, 100)]
    private static partial Regex FocusLimit();

    [GeneratedRegex(At + "(" + N + @"\s*mm\s+(thread|filters?)|thread\s+(of\s+)?" + N + @"(\s*mm)?)\b", Loose, 100)]
    private static partial Regex ThreadOf();

    [GeneratedRegex(At + N + @"\s*(mm)?\s*(eq|equiv|equivalent)\b", Loose, 100)]
    private static partial Regex EquivalentOf();

    [GeneratedRegex(At + N + @"\s*[-–]\s*(?<m>\d+(?:[.,]\d+)?)(\s*mm)?\b", Loose, 100)]
    private static partial Regex ZoomRange();

    [GeneratedRegex(At + @"T/?" + N + @"\b", Loose, 100)]
    private static partial Regex TNumberOf();

    [GeneratedRegex(At + @"(f/|ƒ/?|f)\s?" + N + @"\b", Loose, 100)]
    private static partial Regex ApertureOf();

    [GeneratedRegex(At + N + @"\s*mm\b", Loose, 100)]
    private static partial Regex FocalLengthOf();

    [GeneratedRegex(At + N + @"\s*[x×]\s*(squeeze[ds]?|anamorphic)\b", Loose, 100)]
    private static partial Regex SqueezeOf();

    [GeneratedRegex(At + @"(covers?|covering)?\s*(?<f>full[\s-]frame|aps-?c|four\s+thirds|super[\s-](35|16)|one[\s-]inch|44\s*×\s*33)\b", Loose, 100)]
    private static partial Regex CoversFormat();

    [GeneratedRegex(At + @"((?<on>on|for|onto)\s+(an?\s+|the\s+)?)?(?<rest>\S.*)", Loose | RegexOptions.Singleline, 100)]
    private static partial Regex Joins();
}

using System.Text.RegularExpressions;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Gear.Papers;

/// <summary>What papers say of any thing: name, maker, weight, price, mount, format.</summary>
internal static partial class CommonPapers
{
    private const int Patience = 500;
    private const string N = @"\d+(?:[.,]\d+)?";

    /// <summary>Takes weight and price.</summary>
    public static void Read(PaperText line, Dictionary<GearField, object> known)
    {
        if (line.Take(Weight()) is { } weight && PaperText.Entry(EntryKind.Weight, weight.Groups["weight"].Value) is { } grams)
        {
            known[CommonFields.Weight] = grams;
        }

        if (line.Take(Price()) is { } price && (price.Groups["a"].Success ? price.Groups["a"] : price.Groups["b"]).Value is { } typed && PaperText.Entry(EntryKind.Price, typed) is { } value)
        {
            known[CommonFields.Price] = value;
        }
    }

    /// <summary>Takes a mount that the shelf knows; the longest name that is there.</summary>
    public static void Mount(PaperText line, KnownNames names, Action<string> put)
    {
        foreach (var mount in names.Mounts.OrderByDescending(m => m.Length))
        {
            if (line.TakeWord(mount))
            {
                put(mount);
                return;
            }
        }
    }

    /// <summary>Takes a sensor format.</summary>
    public static SensorFormat? Format(PaperText line) => line.Take(Formats()) is { } match ? SensorFormat.Typed(match.Groups["format"].Value) : null;

    /// <summary>Takes maker and name: what stands before the first fact, or before the first comma.</summary>
    public static void Name(PaperText line, Dictionary<GearField, object> known, KnownNames names)
    {
        var comma = Separator().Match(line.Whole) is { Success: true } separator ? separator.Index : line.Whole.Length;
        var end = Math.Min(Math.Min(line.FirstFact, comma), line.Whole.Length);
        var title = line.Whole[..end].Trim(' ', '-', ':', '(');
        line.TakeName(0, end);
        if (title.Length == 0)
        {
            return;
        }

        var maker = names.Makers.OrderByDescending(m => m.Length).FirstOrDefault(m => title.StartsWith(m + " ", StringComparison.OrdinalIgnoreCase))
            ?? (FirstWord().Match(title) is { Success: true } first ? first.Groups["maker"].Value : null);
        if (maker is not null)
        {
            known[CommonFields.Maker] = maker;
            title = title[maker.Length..].Trim();
        }

        known[CommonFields.Name] = title;
    }

    [GeneratedRegex($@"(weighs |weight:?\s*)?(?<![\w.,])(?<weight>\d[\d.,]*\s*(kg|grams|g|lbs|lb|oz))\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Weight();

    [GeneratedRegex(@"(€|eur)\s*(?<a>\d[\d.,]*)|(?<![\w.,])(?<b>\d[\d.,]*)\s*(€|eur)(?!\w)", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Price();

    [GeneratedRegex(@"(?<![\w-])(covers |for |made for )?(?<format>full[ -]?frame|aps[ -]?c|super[ -]?35|s35|four thirds|m?4/3|one[ -]inch|1[ -]inch|1""|super[ -]?16|s16)( type)?(?![\w])", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Formats();

    [GeneratedRegex(@"[;|]|,(?!\d)", RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Separator();

    /// <summary>A word without digits, before further words: a maker as a rule.</summary>
    [GeneratedRegex(@"^(?<maker>[^\W\d][^\s\d]*)\s+\S", RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex FirstWord();
}

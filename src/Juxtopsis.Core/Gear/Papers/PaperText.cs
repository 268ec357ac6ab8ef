using System.Text.RegularExpressions;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Gear.Papers;

/// <summary>A line of papers out of which one thing after another is taken; what is left was not understood.</summary>
internal sealed partial class PaperText
{
    private const int Patience = 500;
    private readonly char[] left;

    /// <summary>A line, with the many marks that stand for one made alike.</summary>
    /// <param name="text">As it was pasted.</param>
    public PaperText(string text)
    {
        Whole = Alike(text);
        left = Whole.ToCharArray();
    }

    /// <summary>The line as it is read.</summary>
    public string Whole { get; }

    /// <summary>Where what was taken as a fact, rather than as part of the name, begins; the end of the line when nothing was.</summary>
    public int FirstFact { get; private set; } = int.MaxValue;

    /// <summary>Takes what a pattern finds first, if it is there.</summary>
    /// <param name="pattern">The pattern.</param>
    /// <param name="inName">True for what people say when they name the thing, such as its focal length.</param>
    /// <returns>The match; null when there is none.</returns>
    public Match? Take(Regex pattern, bool inName = false)
    {
        if (pattern.Match(new string(left)) is not { Success: true, Length: > 0 } match)
        {
            return null;
        }

        // What was taken stays in its place as a mark that no pattern finds, so that nothing joins across it.
        left.AsSpan(match.Index, match.Length).Fill('\u0001');
        if (!inName)
        {
            FirstFact = Math.Min(FirstFact, match.Index);
        }

        return match;
    }

    /// <summary>Takes a name that is known, where it stands as a word of its own.</summary>
    /// <param name="name">The name.</param>
    /// <returns>True when it was there.</returns>
    public bool TakeWord(string name)
    {
        var text = new string(left);
        name = Alike(name);
        for (var at = text.IndexOf(name, StringComparison.OrdinalIgnoreCase); at >= 0 && name.Length > 0; at = text.IndexOf(name, at + 1, StringComparison.OrdinalIgnoreCase))
        {
            var end = at + name.Length;
            if ((at == 0 || !IsOfWord(text[at - 1])) && (end == text.Length || !IsOfWord(text[end])))
            {
                left.AsSpan(at, name.Length).Fill('\u0001');
                FirstFact = Math.Min(FirstFact, at);
                return true;
            }
        }

        return false;

        static bool IsOfWord(char c) => char.IsLetterOrDigit(c) || c == '-';
    }

    /// <summary>Takes a stretch out as part of the name.</summary>
    /// <param name="from">Where it begins.</param>
    /// <param name="to">Where it ends.</param>
    public void TakeName(int from, int to) => left.AsSpan(from, to - from).Fill('\u0001');

    /// <summary>What nothing was made of, word by word.</summary>
    public IEnumerable<string> Left() => Between().Split(new string(left)).Select(w => w.Trim(' ', '-', '.', ':', '(', ')')).Where(w => w.Any(char.IsLetterOrDigit) && !Glue().IsMatch(w));

    /// <summary>A number of a match.</summary>
    /// <param name="match">The match.</param>
    /// <param name="group">Its group.</param>
    /// <returns>The number; null where the group found nothing.</returns>
    public static double? Number(Match match, string group) => match.Groups[group] is { Success: true } found && NumberText.TryRead(found.Value, out var value) ? value : null;

    /// <summary>A text as an entry of a kind.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="text">The text.</param>
    /// <returns>The number; null when it is not one, or out of range.</returns>
    public static double? Entry(EntryKind kind, string text) =>
        EntryReader.Read(kind, text, LengthUnit.Metres) is { Problem: null, Values: [var value] } ? value : null;

    private static string Alike(string text)
    {
        text = Dashes().Replace(text, "-");
        text = Signs().Replace(text, m => m.Value switch { "×" or "✕" or "✖" => "x", "ƒ" => "f", "⌀" or "Ø" or "ø" or "φ" or "∅" => "ø", "″" or "”" or "“" => "\"", "′" or "’" => "'", _ => " " });
        return text;
    }

    [GeneratedRegex("[‐‑‒–—−]", RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Dashes();

    [GeneratedRegex("[×✕✖ƒ⌀Øøφ∅″”“′’\u00a0\u2000-\u200b\u202f\t]", RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Signs();

    [GeneratedRegex("[\\s,;|/\u0001]+", RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Between();

    [GeneratedRegex("^(mm|and|with|the|a|of|at|to|for|in|from|up|lens|zoom|prime|weight|weighs|filter|filters|thread|size|sensor|camera|mount|price|max|min|maximum|minimum|closest|nearest|near|focus|focusing|distance|aperture|focal|length|diameter|about|approx|mode|modes|recording|video|body)$", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, Patience)]
    private static partial Regex Glue();
}

using System.Globalization;
using System.Text.Json;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Sheets;

/// <summary>Refuses frozen sheets, links and answers that cannot be.</summary>
public static class FrozenChecks
{
    /// <summary>The longest that a link may live.</summary>
    public static readonly TimeSpan LongestLink = TimeSpan.FromDays(366);

    private const int MostShots = 1000;
    private const int MostOptions = 4;
    private const int MostLines = 12;
    private const int MaxTitle = 300;
    private const int MaxLine = 500;

    /// <summary>Checks a sheet that is to be kept.</summary>
    /// <param name="input">The sheet.</param>
    /// <returns>The problem; null when it can be kept.</returns>
    public static Problem? Check(FrozenInput input)
    {
        ArgumentNullException.ThrowIfNull(input);
        var checks = new FieldChecks();
        checks.Text("title", input.Title, "The title", MaxTitle);
        checks.Text("note", input.Note, "The note", MaxLine);
        checks.Text("foot", input.Foot, "The foot", 1000);
        // PostgreSQL keeps no null characters.
        if (input.Content.ValueKind != JsonValueKind.Object || input.Content.GetRawText().Contains("\\u0000", StringComparison.Ordinal))
        {
            checks.Add("content", "", "a JSON object without null characters", "The content is no object that can be kept.", "Open the sheet anew and freeze it again.");
        }

        ProductionChecks.CheckCount(checks, "shots", input.Shots.Count, MostShots, "shots");
        if (checks.NoNull("shots", input.Shots))
        {
            for (var i = 0; i < input.Shots.Count; i++)
            {
                Check(checks, input.Shots[i], string.Create(CultureInfo.InvariantCulture, $"shots[{i}]."));
            }

            Once(checks, input.Shots.Select(s => s.Id), "shots");
            Once(checks, input.Shots.SelectMany(s => s.Options.Where(o => o is not null)).Select(o => o.Id), "options");
        }

        return Of(checks);
    }

    /// <summary>Checks a link that is asked for.</summary>
    /// <param name="input">The link.</param>
    /// <param name="now">What time it is.</param>
    /// <returns>The problem; null when it can be made.</returns>
    public static Problem? Check(SheetLinkInput input, DateTimeOffset now)
    {
        ArgumentNullException.ThrowIfNull(input);
        var checks = new FieldChecks();
        checks.Text("for", input.For, "The name", 120);
        if (input.EndsAt <= now || input.EndsAt - now > LongestLink)
        {
            checks.Add("endsAt", input.EndsAt.ToString("O", CultureInfo.InvariantCulture), "between now and a year from now", "The link would have ended already, or live longer than a year.", "Choose a day within the next year.");
        }

        return Of(checks);
    }

    /// <summary>Checks an answer.</summary>
    /// <param name="input">The answer.</param>
    /// <returns>The problem; null when it can be kept.</returns>
    public static Problem? Check(SheetAnswerInput input)
    {
        ArgumentNullException.ThrowIfNull(input);
        var checks = new FieldChecks();
        checks.Text("name", input.Name, "The name", 80);
        checks.Text("remark", input.Remark, "The remark", 1000);
        if (string.IsNullOrWhiteSpace(input.Name))
        {
            checks.Add("name", "", "1 to 80 characters", "The answer has no name.", "Say who answers.");
        }

        if (input.Verdict == SheetVerdict.None && string.IsNullOrWhiteSpace(input.Remark))
        {
            checks.Add("remark", "", "a verdict or a remark", "The answer says nothing.", "Approve, decline, or write a remark.");
        }

        return Of(checks);
    }

    private static void Check(FieldChecks checks, SheetShot shot, string prefix)
    {
        Identity(checks, prefix + "id", shot.Id);
        checks.Text(prefix + "title", shot.Title, "The title", MaxTitle);
        checks.Text(prefix + "remark", shot.Remark, "The remark", MaxLine);
        if (shot.Options.Count is 0 or > MostOptions)
        {
            checks.Add(prefix + "options", $"{shot.Options.Count}", $"1 to {MostOptions}", "A shot has one picture to four.", "Leave some out, or give the one.");
        }

        if (!checks.NoNull(prefix + "options", shot.Options))
        {
            return;
        }

        for (var i = 0; i < shot.Options.Count; i++)
        {
            var (option, at) = (shot.Options[i], string.Create(CultureInfo.InvariantCulture, $"{prefix}options[{i}]."));
            Identity(checks, at + "id", option.Id);
            checks.Text(at + "title", option.Title, "The title", MaxTitle);
            checks.InRange(at + "aspect", option.Aspect, Quantity.DeliveryAspect);
            ProductionChecks.CheckCount(checks, at + "lines", option.Lines.Count, MostLines, "lines");
            for (var line = 0; line < Math.Min(option.Lines.Count, MostLines); line++)
            {
                checks.Text(string.Create(CultureInfo.InvariantCulture, $"{at}lines[{line}]"), option.Lines[line], "The line", MaxLine);
            }
        }
    }

    private static void Identity(FieldChecks checks, string field, string id)
    {
        if (id.Length is 0 or > 80 || !id.All(c => char.IsAsciiLetterOrDigit(c) || c is '.' or '-'))
        {
            checks.Add(field, id.Length > 20 ? id[..20] + "…" : id, "1 to 80 letters, digits, dots and dashes", "This is no identity.", "Give it another.");
        }
    }

    private static void Once(FieldChecks checks, IEnumerable<string> ids, string what)
    {
        if (ids.GroupBy(id => id).FirstOrDefault(g => g.Count() > 1) is { } twice)
        {
            checks.Add("shots", twice.Key, "each identity once", $"Two of the {what} have the same identity.", "Give one of them another.");
        }
    }

    private static Problem? Of(FieldChecks checks) => checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
}

using Juxtopsis.Core.Gear;

namespace Juxtopsis.Contracts.Gear;

/// <summary>A kind of gear, and what can be known of it.</summary>
/// <param name="Key">Its name in JSON.</param>
/// <param name="Table">Name of its CSV file, without the ending.</param>
/// <param name="Name">What one is called.</param>
/// <param name="Plural">What several are called.</param>
/// <param name="Fields">Its fields, in the order of forms and columns.</param>
public sealed record KindOutput(string Key, string Table, string Name, string Plural, IReadOnlyList<FieldOutput> Fields)
{
    /// <summary>All kinds on a shelf, then recording modes.</summary>
    public static IReadOnlyList<KindOutput> All { get; } = [.. GearKinds.OnShelf.Append(GearKinds.Modes).Select(Of)];

    private static KindOutput Of(KindDefinition kind) => new(kind.Key, kind.Table, kind.Name, kind.Plural, [.. kind.Groups.SelectMany(g => g.Fields.Select(f => FieldOutput.Of(f, g.Title)))]);
}

/// <summary>A field of a kind.</summary>
/// <param name="Key">Its name in JSON.</param>
/// <param name="Label">What people call it.</param>
/// <param name="Help">One sentence on what it means.</param>
/// <param name="Unit">Its unit; empty for none.</param>
/// <param name="Type">number, numbers, points, text, mount, mounts, flag, choice or modes.</param>
/// <param name="Entry">How a number is typed, see the entry kinds; empty for others.</param>
/// <param name="Required">True when an item makes no sense without it.</param>
/// <param name="ManyLines">True for a text of more than one line.</param>
/// <param name="MaxLength">Longest text; 0 for others.</param>
/// <param name="Choices">The words of a choice.</param>
/// <param name="Subject">What it belongs to; empty for what matters first.</param>
/// <param name="Without">What it costs not to know it, as the end of a sentence; empty where nothing is worth a word.</param>
/// <param name="FromTest">True when nobody types it: it comes from a test of a unit.</param>
public sealed record FieldOutput(
    string Key,
    string Label,
    string Help,
    string Unit,
    string Type,
    string Entry,
    bool Required,
    bool ManyLines,
    int MaxLength,
    IReadOnlyList<ChoiceOutput> Choices,
    string Subject,
    string Without,
    bool FromTest)
{
    internal static FieldOutput Of(GearField field, string subject) => new(
        field.Key,
        field.Label,
        field.Help,
        field.Unit,
        TypeOf(field),
        field is NumberField number ? char.ToLowerInvariant($"{number.Kind}"[0]) + $"{number.Kind}"[1..] : "",
        field.Required,
        field is TextField { ManyLines: true },
        field is TextField text ? text.MaxLength : 0,
        field is ChoiceField choice ? [.. choice.Choices.Select(c => new ChoiceOutput(c.Key, c.Label))] : [],
        subject,
        field.Without,
        field.IsFromTest);

    private static string TypeOf(GearField field) => field switch
    {
        NumberField => "number",
        NumbersField => "numbers",
        PointsField => "points",
        TextField { NamesMount: true } => "mount",
        TextField => "text",
        MountsField => "mounts",
        FlagField => "flag",
        ChoiceField => "choice",
        ModesField => "modes",
        _ => throw new ArgumentOutOfRangeException(nameof(field), field.GetType(), "No such class of field."),
    };
}

/// <summary>A word of a choice.</summary>
/// <param name="Key">Its name in JSON.</param>
/// <param name="Label">What people call it.</param>
public sealed record ChoiceOutput(string Key, string Label);

/// <summary>What was read of a field's text.</summary>
/// <param name="Value">The value in JSON; null when there is none.</param>
/// <param name="Problem">What is wrong and how to mend it; null when nothing is.</param>
public sealed record FieldReadingOutput(System.Text.Json.JsonElement? Value, string? Problem);

/// <summary>What was read of a thing's papers.</summary>
/// <param name="Known">What is known now, as members of the thing's JSON.</param>
/// <param name="Left">Words that nothing was made of.</param>
/// <param name="Notes">What was taken to mean one of several things, and what is still needed.</param>
public sealed record PapersOutput(System.Text.Json.JsonElement Known, IReadOnlyList<string> Left, IReadOnlyList<string> Notes);

namespace Juxtopsis.Core.Gear.Papers;

/// <summary>What was read of a thing's papers.</summary>
/// <param name="Known">What is known now, by field.</param>
/// <param name="Left">Words that nothing was made of.</param>
/// <param name="Notes">What was taken to mean one of several things, and what is still needed.</param>
public sealed record PapersReading(IReadOnlyDictionary<GearField, object> Known, IReadOnlyList<string> Left, IReadOnlyList<string> Notes);

/// <summary>The names that a shelf knows already: they tell a maker and a mount from other words.</summary>
/// <param name="Makers">Makers.</param>
/// <param name="Mounts">Mounts.</param>
public sealed record KnownNames(IReadOnlyList<string> Makers, IReadOnlyList<string> Mounts);

/// <summary>Reads what papers, shops and people say of a thing in a line or some.</summary>
public static class PapersReader
{
    /// <summary>Longest text that is looked at, in characters.</summary>
    public const int MaxLength = 4000;

    /// <summary>The kinds whose papers can be read.</summary>
    public static IReadOnlyList<GearKind> Kinds { get; } = [GearKind.Body, GearKind.FixedLensCamera, GearKind.Lens];

    /// <summary>Reads papers.</summary>
    /// <param name="kind">What the thing is: one of <see cref="Kinds"/>.</param>
    /// <param name="text">
    /// Of a lens its usual line, such as <c>Corrie 24–70 f/2.8, 82 mm, 0.38 m, 695 g</c>; of a camera its name, sensor and mount, then a
    /// line for each mode, such as <c>UHD 1.21x 25/50 fps</c>.
    /// </param>
    /// <param name="names">The names that the shelf knows.</param>
    /// <returns>What is known now; whatever is not in the text stays unknown.</returns>
    public static PapersReading Read(GearKind kind, string text, KnownNames names)
    {
        ArgumentNullException.ThrowIfNull(text);
        ArgumentNullException.ThrowIfNull(names);
        var known = new Dictionary<GearField, object>();
        var left = new List<string>();
        var notes = new List<string>();
        if (text.Length > MaxLength)
        {
            return new(known, left, [$"The text has {text.Length} characters; the papers of one thing have fewer than {MaxLength}."]);
        }

        if (kind == GearKind.Lens)
        {
            var line = new PaperText(text.ReplaceLineEndings(", "));
            LensPapers.Read(line, known, names, isCamera: false);
            left.AddRange(line.Left());
        }
        else if (kind is GearKind.Body or GearKind.FixedLensCamera)
        {
            CameraPapers.Read(text, kind, known, left, notes, names);
        }

        // Each value as its own field would take it: what is out of range is told, and not kept.
        foreach (var (field, value) in known.ToArray())
        {
            if (field.Check(value) is { } problem)
            {
                known.Remove(field);
                notes.Add(problem);
            }
        }

        return new(known, left, notes);
    }
}

namespace Juxtopsis.Core.Diagnostics;

/// <summary>How much a diagnostic weighs.</summary>
public enum Severity
{
    /// <summary>It cannot be.</summary>
    Stops,

    /// <summary>It can, but spoilt or other than was set.</summary>
    Spoils,

    /// <summary>It works, at a cost: light, a function, weight.</summary>
    Costs,

    /// <summary>Something to know.</summary>
    Note,
}

/// <summary>
/// Something that a person should know of a rig, a shot, a place, a thing or a field, with what to do about it: what physics says no to, what is found
/// about parts, what a shot lacks, what cannot be, a caution, a value that is refused. The one kind of them all.
/// </summary>
/// <param name="Code">What it is, for programs.</param>
/// <param name="Severity">How much it weighs.</param>
/// <param name="Message">What is so, in one sentence.</param>
/// <param name="Fix">What to do, in one sentence; empty where nothing needs doing.</param>
public sealed record Diagnostic(DiagnosticCode Code, Severity Severity, string Message, string Fix)
{
    /// <summary>About a part of a chain.</summary>
    /// <param name="code">What it is.</param>
    /// <param name="severity">How much it weighs.</param>
    /// <param name="part">Place of the part concerned, from 0; −1 for the whole.</param>
    /// <param name="other">Place of the other part concerned; −1 for none.</param>
    /// <param name="message">What is so.</param>
    /// <param name="fix">What to do.</param>
    public Diagnostic(DiagnosticCode code, Severity severity, int part, int other, string message, string fix)
        : this(code, severity, message, fix) => (Part, Other) = (part, other);

    /// <summary>About a quantity, or a field, and its bound.</summary>
    /// <param name="code">What it is.</param>
    /// <param name="severity">How much it weighs.</param>
    /// <param name="about">The quantity, or the path of the field.</param>
    /// <param name="value">The value that it is about, with its unit.</param>
    /// <param name="limit">The bound that was met, with its unit.</param>
    /// <param name="message">What is so.</param>
    /// <param name="fix">What to do.</param>
    public Diagnostic(DiagnosticCode code, Severity severity, string about, string value, string limit, string message, string fix)
        : this(code, severity, message, fix) => (About, Value, Limit) = (about, value, limit);

    /// <summary>The quantity or field that it is about; empty where the code says all.</summary>
    public string About { get; init; } = "";

    /// <summary>The value that it is about, with its unit; empty where there is none.</summary>
    public string Value { get; init; } = "";

    /// <summary>The bound that was met; empty where there is none.</summary>
    public string Limit { get; init; } = "";

    /// <summary>Place of the part of a chain that it is about, from 0; −1 for none.</summary>
    public int Part { get; init; } = -1;

    /// <summary>Place of the other part that it is about; −1 for none.</summary>
    public int Other { get; init; } = -1;
}

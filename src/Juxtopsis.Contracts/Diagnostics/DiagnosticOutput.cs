using System.Text.Json.Serialization;
using Juxtopsis.Core.Diagnostics;

namespace Juxtopsis.Contracts.Diagnostics;

/// <summary>Something to know of a rig, a shot, a part or a field, with what to do about it.</summary>
/// <param name="Code">What it is, for programs: one code for one fact, wherever it is found.</param>
/// <param name="Severity">How much it weighs.</param>
/// <param name="About">The quantity that it is about, or the path of a field, such as <c>rigs[0].focalLengthMm</c>; empty where the code says all.</param>
/// <param name="Value">The value that it is about, with its unit; empty where there is none.</param>
/// <param name="Limit">The bound that was met, or what is accepted; empty where there is none.</param>
/// <param name="Message">What is so.</param>
/// <param name="Fix">What to do; empty where nothing needs doing.</param>
/// <param name="Part">Place of the part of a chain that it is about, from 0; −1 for none.</param>
[method: JsonConstructor]
public sealed record DiagnosticOutput(DiagnosticCode Code, Severity Severity, string About, string Value, string Limit, string Message, string Fix, int Part)
{
    /// <summary>A field that is refused.</summary>
    /// <param name="about">Path of the field.</param>
    /// <param name="value">The value as given, shortened; empty when there was none.</param>
    /// <param name="limit">What is accepted.</param>
    /// <param name="message">What is wrong, naming value and limit.</param>
    /// <param name="fix">What to do.</param>
    /// <param name="code">What it is.</param>
    public DiagnosticOutput(string about, string value, string limit, string message, string fix, DiagnosticCode code = DiagnosticCode.ValueRefused)
        : this(code, Severity.Stops, about, value, limit, message, fix, -1)
    {
    }
}

/// <summary>From the core's diagnostics to the wire.</summary>
public static class DiagnosticMapping
{
    /// <summary>A diagnostic on the wire.</summary>
    /// <param name="diagnostic">The diagnostic.</param>
    /// <returns>The same.</returns>
    public static DiagnosticOutput ToWire(this Diagnostic diagnostic)
    {
        ArgumentNullException.ThrowIfNull(diagnostic);
        return new(diagnostic.Code, diagnostic.Severity, diagnostic.About, diagnostic.Value, diagnostic.Limit, diagnostic.Message, diagnostic.Fix, diagnostic.Part);
    }
}

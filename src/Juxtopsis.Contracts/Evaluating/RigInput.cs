using System.Text.Json.Serialization;
using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Fields;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>A rig: its numbers, as <see cref="RigFields"/> define them, and the parts that they came from where it has some.</summary>
/// <param name="Rig">Its numbers.</param>
[JsonConverter(typeof(RigConverter))]
public sealed record RigInput(Rig Rig)
{
    /// <summary>Longest identity.</summary>
    public const int MaxIdLength = 36;

    /// <summary>Longest name.</summary>
    public const int MaxNameLength = 60;

    /// <summary>Its numbers.</summary>
    public Rig Rig { get; set; } = Rig;

    /// <summary>
    /// Its identity among the rigs that it stands beside: up to 36 letters, digits and hyphens. Stored rigs have one; for a bare
    /// evaluation it may be empty.
    /// </summary>
    public string Id { get; set; } = "";

    /// <summary>What a person calls it, up to 60 characters; may be empty.</summary>
    public string Name { get; set; } = "";

    /// <summary>
    /// The rig's own distance to the subject, mm from the mark that the conventions name; null for the scene's. What is behind the
    /// subject stays as far behind it.
    /// </summary>
    public double? SubjectDistanceMm { get; set; }

    /// <summary>
    /// The parts that the numbers came from; null for a rig of bare numbers. Evaluation goes by the numbers alone; what came of
    /// the parts is told by /api/assemble.
    /// </summary>
    public ChainInput? Chain { get; set; }

    /// <summary>What was wrong with its lists when it was read.</summary>
    internal List<Diagnostic> Faults { get; } = [];
}

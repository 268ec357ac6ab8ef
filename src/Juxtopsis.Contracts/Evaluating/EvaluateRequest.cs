using Juxtopsis.Core.Rigs;
using CoreConventions = Juxtopsis.Core.Rigs.Conventions;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>A scene, the conventions, and 1 to 12 rigs to evaluate in it.</summary>
/// <remarks>
/// What may be left out has a setter, not an initialiser: generated serializers assign every init-only property, and would put
/// zero in place of the default.
/// </remarks>
public sealed record EvaluateRequest
{
    /// <summary>Most rigs in one request.</summary>
    public const int MaxRigs = 12;

    /// <summary>Where things stand and what is delivered; the same for every rig.</summary>
    public required SceneInput Scene { get; init; }

    /// <summary>The choices that figures depend on; full frame and 1/1500 of the diagonal when left out.</summary>
    public CoreConventions Conventions { get; set; } = CoreConventions.Default;

    /// <summary>The rigs, 1 to 12.</summary>
    public required IReadOnlyList<RigInput> Rigs { get; init; }

    /// <summary>The rig that the others are measured against, by its identity; the first where it is left out or empty.</summary>
    public string Yardstick { get; set; } = "";

    /// <summary>The place of the yardstick among the rigs, from 0.</summary>
    /// <returns>An index.</returns>
    public int YardstickIndex() => Yardstick.Length == 0 ? 0 : Math.Max(0, Enumerable.Range(0, Rigs.Count).FirstOrDefault(i => Rigs[i].Id == Yardstick));

    /// <summary>The scene from where a rig stands.</summary>
    /// <param name="rig">One of the rigs.</param>
    /// <returns>The scene, with the rig's own distance where it has one.</returns>
    public Scene SceneOf(RigInput rig)
    {
        ArgumentNullException.ThrowIfNull(rig);
        var scene = Scene.ToCore();
        return rig.SubjectDistanceMm is { } own ? scene.From(own) : scene;
    }
}

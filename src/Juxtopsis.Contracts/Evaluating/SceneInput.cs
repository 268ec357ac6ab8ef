using System.Text.Json.Serialization;
using Juxtopsis.Contracts.Fields;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>Where things stand, how bright it is and what is delivered, as <see cref="SceneFields"/> define it, and a photograph of the place.</summary>
/// <param name="Scene">The scene, without the photograph.</param>
[JsonConverter(typeof(SceneConverter))]
public sealed record SceneInput(Scene Scene)
{
    /// <summary>A photograph of the place; null when there is none.</summary>
    public PhotoInput? Photo { get; set; }

    /// <summary>The scene as the core takes it.</summary>
    /// <returns>The scene, with the photograph as a still.</returns>
    public Scene ToCore() => Photo is null ? Scene : Scene with { Still = Photo.ToCore() };
}

namespace Juxtopsis.Core.Fitting;

/// <summary>What decides the order of what fits.</summary>
public enum RankingCriterion
{
    /// <summary>The most blur behind: the largest disc of a point at the background, as a share of the picture's height.</summary>
    MostBlur,

    /// <summary>The deepest sharp zone, closed as far as diffraction does not soften what counts as sharp.</summary>
    Deepest,

    /// <summary>The lightest rig.</summary>
    LeastWeight,

    /// <summary>The camera farthest from the subject.</summary>
    Farthest,

    /// <summary>The camera nearest to the subject.</summary>
    Nearest,

    /// <summary>The fewest parts that differ from the rig of the shot before.</summary>
    LeastChange,

    /// <summary>Owned before borrowed before hired.</summary>
    Owned,
}

/// <summary>A rig that was chosen, by its parts.</summary>
/// <param name="Body">Identity of the body.</param>
/// <param name="Mode">Name of its mode.</param>
/// <param name="Lens">Identity of the lens; that of the camera when it keeps its own.</param>
/// <param name="Links">Identities of what stands between, from the body on; tubes too.</param>
public sealed record RigChoice(Guid Body, string Mode, Guid Lens, IReadOnlyList<Guid> Links)
{
    /// <summary>Identities of what is screwed on in front.</summary>
    public IReadOnlyList<Guid> Front { get; init; } = [];

    /// <summary>Electronic zoom or a crop afterwards; 1 for none.</summary>
    public double PunchIn { get; init; } = 1;

    /// <summary>How many parts of a rig differ from these: body, lens and what joins them count one each, another mode a tenth.</summary>
    internal double ChangeTo(FitRig rig, FitMode mode)
    {
        var same = rig.Links.Select(l => l.Id).SequenceEqual(Links) && rig.Front.Select(l => l.Id).SequenceEqual(Front);
        return (rig.Body.Id == Body ? 0 : 1) + (rig.Lens.Id == Lens ? 0 : 1) + (same ? 0 : 1) + (mode.Item.Name == Mode ? 0 : 0.1);
    }
}

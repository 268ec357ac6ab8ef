using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>
/// What a proposal must keep to be usable on the day. Each can be turned off, to see what comes then; what is turned off no longer refuses a rig nor
/// lowers it.
/// </summary>
public sealed record FitRules
{
    /// <summary>The sensitivity that is accepted where nobody says otherwise, ISO.</summary>
    public const double UsualHighestIso = 6400;

    /// <summary>All of them.</summary>
    public static FitRules All { get; } = new();

    /// <summary>The mode lists the very frame rate that is asked for; else one that is as fast is enough.</summary>
    public bool Rates { get; init; } = true;

    /// <summary>An iris that cannot be set on the rig stays wide open; else it is taken to be set.</summary>
    public bool Iris { get; init; } = true;

    /// <summary>What is found about the chain of parts lowers a rig.</summary>
    public bool Findings { get; init; } = true;

    /// <summary>A rig that records fewer pixels than are delivered is lowered.</summary>
    public bool Pixels { get; init; } = true;

    /// <summary>A rig that needs more than <see cref="HighestIso"/> does not give the shot.</summary>
    public bool Sensitivity { get; init; } = true;

    /// <summary>True focal lengths count, where they were measured; else all are taken as marked.</summary>
    public bool Measured { get; init; } = true;

    /// <summary>How far off what is not measured may be.</summary>
    public Tolerances Tolerances { get; init; } = Tolerances.Usual;

    /// <summary>The highest sensitivity that the crew accepts, ISO.</summary>
    public double HighestIso { get; init; } = UsualHighestIso;
}

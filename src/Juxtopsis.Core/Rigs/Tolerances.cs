namespace Juxtopsis.Core.Rigs;

/// <summary>How far off what is not measured may be: half an interval that holds the truth 95 times in 100.</summary>
public readonly record struct Tolerances
{
    /// <summary>What counts for a focal length that a person says is measured, without saying how surely, as a share.</summary>
    public const double MeasuredShare = 0.01;

    /// <summary>Those that are usual.</summary>
    public Tolerances()
    {
    }

    /// <summary>What counts where nobody says otherwise: focal lengths 3 %, factors 2 %, a tape 2 cm, a room that nobody taped 10 cm.</summary>
    public static Tolerances Usual { get; } = new();

    /// <summary>Of a marked focal length, as a share.</summary>
    public double FocalLengthShare { get; init; } = 0.03;

    /// <summary>Of the factor of a reducer or extender, and of a squeeze, as a share.</summary>
    public double FactorShare { get; init; } = 0.02;

    /// <summary>Of a distance by tape, mm.</summary>
    public double TapeMm { get; init; } = 20;

    /// <summary>Of the length of a place that nobody taped, and of what stands behind the subject on the Bench, mm.</summary>
    public double RoomMm { get; init; } = 100;
}

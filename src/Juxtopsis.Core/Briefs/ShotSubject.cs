namespace Juxtopsis.Core.Briefs;

/// <summary>What a shot shows.</summary>
public enum SubjectKind
{
    /// <summary>One person who stands.</summary>
    Standing,

    /// <summary>One person who sits.</summary>
    Seated,

    /// <summary>Two people or more beside each other.</summary>
    Group,

    /// <summary>An area of a table or bench.</summary>
    Table,

    /// <summary>A thing with a width and a height.</summary>
    Thing,

    /// <summary>Something far away, with a width and a height.</summary>
    Far,
}

/// <summary>What is in the picture, in true size.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="HeightMm">Standing height of a person, also of one who sits; height of a thing; depth of a table's area; mm.</param>
public sealed record ShotSubject(SubjectKind Kind, double HeightMm)
{
    /// <summary>Sine of 35°, at which a table is looked down upon when the camera does not hang above it.</summary>
    public const double TableSlope = 0.5736;

    /// <summary>Width of a thing or of a table's area, mm; of people their shoulders are taken.</summary>
    public double WidthMm { get; init; }

    /// <summary>Depth of a thing along the axis of the lens, mm: all of it is to be sharp. 0 where it does not matter.</summary>
    public double DepthMm { get; init; }

    /// <summary>People beside each other.</summary>
    public int Count { get; init; } = 2;

    /// <summary>From the middle of one to the middle of the next, mm.</summary>
    public double SpacingMm { get; init; } = 650;

    /// <summary>Height of what the subject stands or lies on above the ground, mm.</summary>
    public double BaseMm { get; init; }

    /// <summary>True for people.</summary>
    public bool IsPeople => Kind is SubjectKind.Standing or SubjectKind.Seated or SubjectKind.Group;

    /// <summary>True for somebody who sits.</summary>
    public bool IsSeated => Kind == SubjectKind.Seated;

    /// <summary>Its whole width, mm.</summary>
    public double WholeWidthMm => Kind == SubjectKind.Group ? (Count - 1) * SpacingMm + ShotSizes.Shoulders * HeightMm
        : IsPeople ? ShotSizes.Shoulders * HeightMm
        : WidthMm;

    /// <summary>Its whole height as the camera sees it, mm.</summary>
    /// <param name="fromAbove">True when the camera hangs above it.</param>
    /// <returns>Millimetres.</returns>
    public double WholeHeightMm(bool fromAbove) => Kind switch
    {
        SubjectKind.Table when !fromAbove => TableSlope * HeightMm,
        SubjectKind.Seated => (1 - ShotSizes.SeatedBy) * HeightMm,
        _ => HeightMm,
    };
}

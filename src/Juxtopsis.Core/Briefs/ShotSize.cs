namespace Juxtopsis.Core.Briefs;

/// <summary>How tight a shot is, by its usual names. Of a figure each is a cut; of a thing, the share of the picture that it fills.</summary>
public enum ShotSize
{
    /// <summary>From the brow to the chin; of a thing, a detail.</summary>
    ExtremeCloseUp,

    /// <summary>Head and neck, to the shoulders; of a thing, all of it and hardly more.</summary>
    CloseUp,

    /// <summary>To the chest.</summary>
    MediumCloseUp,

    /// <summary>To the waist.</summary>
    Medium,

    /// <summary>To the middle of the thigh; of somebody seated, to the knees.</summary>
    ThreeQuarter,

    /// <summary>From head to foot.</summary>
    Full,

    /// <summary>The figure is half as tall as the picture.</summary>
    Wide,

    /// <summary>The figure is a sixth as tall as the picture.</summary>
    VeryWide,
}

/// <summary>Where a picture cuts a figure.</summary>
/// <param name="Top">The upper line, in shares of the standing height above the ground: 1 is the top of the head.</param>
/// <param name="Bottom">The lower line, likewise: 0 is the ground.</param>
/// <param name="Share">The share of the picture's height between the two lines, where headroom does not decide it; else null.</param>
public readonly record struct FigureCut(double Top, double Bottom, double? Share);

/// <summary>What the names of shot sizes mean here.</summary>
/// <remarks>
/// The cuts lie at joints and landmarks of an average adult, in shares of the standing height: eye 0.936, chin 0.87, shoulder
/// 0.818, chest 0.72, elbow and waist 0.63, hip 0.53, knee 0.285. Source: Drillis and Contini, <i>Body Segment Parameters</i>
/// (1966). Crews differ by a hand's breadth; whoever wants another cut types a width or a height.
/// </remarks>
public static class ShotSizes
{
    /// <summary>Height of the eyes, in shares of the standing height.</summary>
    public const double Eyes = 0.936;

    /// <summary>Breadth of the shoulders, in shares of the standing height.</summary>
    public const double Shoulders = 0.259;

    /// <summary>How much lower the upper body is when its owner sits, in shares of the standing height.</summary>
    public const double SeatedBy = 0.22;

    private const double Hip = 0.53;
    private const double Footroom = 0.05;

    private static readonly (double Bottom, double Things)[] Table =
    [
        (0.87, 1 / 0.35), (0.80, 0.95), (0.72, 0.75), (0.60, 0.5), (0.40, 0.35), (0, 0.25), (0, 0.15), (0, 0.06),
    ];

    /// <summary>Where a size cuts a figure.</summary>
    /// <param name="size">The size.</param>
    /// <param name="seated">True for somebody who sits.</param>
    /// <returns>The cut, in shares of the standing height.</returns>
    public static FigureCut Cut(ShotSize size, bool seated)
    {
        var top = size == ShotSize.ExtremeCloseUp ? 0.97 : 1;
        var bottom = seated && size == ShotSize.ThreeQuarter ? 0.45 : Table[(int)size].Bottom;
        double? share = size switch { ShotSize.ExtremeCloseUp => 1, ShotSize.Wide => 0.5, ShotSize.VeryWide => 1.0 / 6, _ => null };

        // What is above the hip comes down with the seat; feet stay on the ground.
        var lowered = seated ? SeatedBy : 0;
        return new(top - lowered, bottom > 0 ? bottom - lowered : 0, share);
    }

    /// <summary>Room below the feet where a size shows them, as a share of the picture's height.</summary>
    /// <param name="size">The size.</param>
    /// <returns>A share.</returns>
    public static double FootroomOf(ShotSize size) => size == ShotSize.Full ? Footroom : 0;

    /// <summary>How much of the picture a thing fills, in the direction that it fills more.</summary>
    /// <param name="size">The size.</param>
    /// <returns>A share; above 1 the picture shows a part of it.</returns>
    public static double ShareOfThing(ShotSize size) => Table[(int)size].Things;

    /// <summary>True where a size shows the whole width of shoulders.</summary>
    /// <param name="size">The size.</param>
    /// <returns>False for the tight ones, which cut the shoulders at the sides.</returns>
    public static bool ShowsShoulders(ShotSize size) => Table[(int)size].Bottom < Hip + 0.2;
}

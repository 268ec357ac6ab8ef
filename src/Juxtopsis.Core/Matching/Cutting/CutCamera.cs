using Juxtopsis.Core.Fitting;

namespace Juxtopsis.Core.Matching.Cutting;

/// <summary>One of several cameras that film one scene and must cut together.</summary>
/// <param name="Body">Identity of its body.</param>
/// <param name="FieldHeightMm">What its picture takes in upright at the subject, mm; 0 where it has none, since it does not focus there.</param>
/// <param name="DistanceMm">Where it stands, mm from the sensor mark to the subject.</param>
public sealed record CutCamera(Guid Body, double FieldHeightMm, double DistanceMm)
{
    /// <summary>Name of its mode; null for whichever is best.</summary>
    public string? Mode { get; init; }

    /// <summary>By how much of its distance it may be moved, for a prime to frame: 0.2 for a fifth nearer or farther.</summary>
    public double MovesShare { get; init; } = 0.2;
}

/// <summary>What should agree, and how much each counts, 0 to 10.</summary>
/// <param name="Blur">The blur of what is behind, as a share of the picture's height.</param>
/// <param name="SharpZone">The depth of the sharp zone.</param>
/// <param name="BlurShape">The shape of discs: the squeeze.</param>
/// <param name="Light">Light that reaches the sensor: what sensitivity or lamps must make up for.</param>
/// <param name="Pixels">How much what is recorded is enlarged for delivery.</param>
/// <param name="Level">How much the lead should keep the blur that it is wanted with; more, and the others come after it as they can; less, and it gives way to them.</param>
public readonly record struct CutWishes(double Blur, double SharpZone, double BlurShape, double Light, double Pixels, double Level)
{
    /// <summary>The usual ones: blur before all, the lead as it is wanted.</summary>
    public static CutWishes Usual { get; } = new(1, 0.25, 0.5, 0.25, 0.5, 2);
}

/// <summary>A way for a camera to take its picture, with all but the aperture decided; in stops, 2·log₂ of each number.</summary>
internal sealed record CutWay(FitRig Rig, FitMode Mode, double FocalLengthMm, double DistanceMm)
{
    /// <summary>Blur of what is behind at ƒ1.</summary>
    public double Blur { get; init; }

    /// <summary>Depth of the sharp zone at ƒ1.</summary>
    public double Zone { get; init; }

    /// <summary>Working T-number at ƒ1.</summary>
    public double Light { get; init; }

    /// <summary>How much taller than wide discs are.</summary>
    public double Shape { get; init; }

    /// <summary>How much what is recorded is enlarged; 0 where it need not be.</summary>
    public double Pixels { get; init; }

    /// <summary>The widest aperture.</summary>
    public double From { get; init; }

    /// <summary>The narrowest.</summary>
    public double To { get; init; }

    /// <summary>A hair for what speaks against it and whose it is, so that of ways as good the better one is told.</summary>
    public double Against { get; init; }

    /// <summary>Whether both need one thing, the body aside.</summary>
    public bool Shares(CutWay other) => Uses(other.Rig.Lens.Id) || other.Rig.Links.Any(l => Uses(l.Id));

    private bool Uses(Guid id) => Rig.Lens.Id == id || Rig.Links.Any(l => l.Id == id);
}

/// <summary>How far one way is from another as a function of how much farther one is closed: convex, made of straight pieces.</summary>
/// <param name="Blur">Blur of the other less that of the one.</param>
/// <param name="Zone">Zone likewise.</param>
/// <param name="Light">Light likewise.</param>
/// <param name="Fixed">What no aperture changes, by its weights.</param>
internal readonly record struct CutDistance(double Blur, double Zone, double Light, double Fixed)
{
    public static CutDistance Between(CutWay lead, CutWay follower, in CutWishes wishes) => new(
        follower.Blur - lead.Blur, follower.Zone - lead.Zone, follower.Light - lead.Light,
        wishes.BlurShape * Math.Abs(follower.Shape - lead.Shape) + wishes.Pixels * Math.Abs(follower.Pixels - lead.Pixels) + follower.Against);

    /// <summary>What it costs where the follower is closed so much farther than the lead.</summary>
    public double At(double closed, in CutWishes wishes) =>
        Fixed + wishes.Blur * Math.Abs(Blur - closed) + wishes.SharpZone * Math.Abs(Zone + closed) + wishes.Light * Math.Abs(Light + closed);

    /// <summary>The best of all differences: one of the three places where it bends.</summary>
    public double Best(in CutWishes wishes)
    {
        var (a, b, c) = (At(Blur, wishes), At(-Zone, wishes), At(-Light, wishes));
        return a <= b && a <= c ? Blur : b <= c ? -Zone : -Light;
    }
}

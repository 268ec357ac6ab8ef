namespace Juxtopsis.Core.Matching;

/// <summary>What makes the look of a picture, one by one.</summary>
public enum LookAspect
{
    /// <summary>What the picture takes in far away: focal length over the picture's height.</summary>
    Angle,

    /// <summary>What it takes in at the subject: the field's height there.</summary>
    Framing,

    /// <summary>Perspective: it follows from the distance to the subject alone.</summary>
    Distance,

    /// <summary>How large what is behind is drawn.</summary>
    BackgroundSize,

    /// <summary>The disc that a point behind becomes, as a share of the picture's height; at one distance or several.</summary>
    Blur,

    /// <summary>How much taller than wide that disc is: only a squeeze before the iris changes it.</summary>
    BlurShape,

    /// <summary>How deep the sharp zone is: the harmonic mean of its depths before and behind the subject, which has no end where one of them has none.</summary>
    SharpZone,

    /// <summary>Light that reaches the sensor: the working T-number.</summary>
    Light,
}

/// <summary>How much an aspect counts when a look is copied.</summary>
/// <param name="Weight">Times what is left over of it; 0 tells it and no more. 0 to 10.</param>
/// <param name="IsPinned">Whether it must be met: what is left over beyond the tolerance goes before all weights.</param>
/// <param name="ToleranceStops">How far one that is pinned may be off, stops; sides count as in <see cref="LookRest"/>.</param>
public readonly record struct AspectWish(double Weight, bool IsPinned = false, double ToleranceStops = 0);

/// <summary>How much each aspect counts.</summary>
public sealed record LookWishes
{
    private readonly AspectWish[] wishes;

    /// <summary>The usual ones: from the same place, framing before angle and blur, and these before the shape of discs.</summary>
    public LookWishes()
        : this([new(1), new(2), new(1, IsPinned: true), default, new(1), new(0.5), default, default])
    {
    }

    private LookWishes(AspectWish[] wishes) => this.wishes = wishes;

    /// <summary>The wish for an aspect.</summary>
    /// <param name="aspect">The aspect.</param>
    public AspectWish this[LookAspect aspect] => wishes[(int)aspect];

    /// <summary>The same but for one aspect.</summary>
    /// <param name="aspect">The aspect.</param>
    /// <param name="wish">How much it counts.</param>
    /// <returns>The wishes.</returns>
    public LookWishes With(LookAspect aspect, AspectWish wish)
    {
        AspectWish[] changed = [.. wishes];
        changed[(int)aspect] = wish;
        return new(changed);
    }

    /// <inheritdoc/>
    public bool Equals(LookWishes? other) => other is not null && wishes.SequenceEqual(other.wishes);

    /// <inheritdoc/>
    public override int GetHashCode() => wishes.Aggregate(0, (hash, wish) => HashCode.Combine(hash, wish));
}

namespace Juxtopsis.Core.Light;

/// <summary>A shutter, held by its angle or by its time.</summary>
public readonly record struct Shutter
{
    /// <summary>A whole frame.</summary>
    public const double WholeDeg = 360;

    /// <summary>A shutter of 180°.</summary>
    public Shutter()
    {
    }

    /// <summary>A shutter held by its angle.</summary>
    /// <param name="angleDeg">Degrees, above 0 up to 360.</param>
    public Shutter(double angleDeg) => AngleDeg = angleDeg;

    /// <summary>How much of each frame gathers light, degrees; counts where no time is held.</summary>
    public double AngleDeg { get; init; } = 180;

    /// <summary>The time that is held whatever the frame rate, s; null where the angle is.</summary>
    public double? HeldSeconds { get; init; }

    /// <summary>Exposure time of a frame. A frame cannot gather light for longer than it lasts.</summary>
    /// <param name="framesPerSecond">Captured frames a second.</param>
    /// <returns>Seconds.</returns>
    public double TimeSeconds(double framesPerSecond) =>
        HeldSeconds is { } held ? Math.Min(held, 1 / framesPerSecond) : Exposure.TimeSeconds(AngleDeg, framesPerSecond);

    /// <summary>The shutter angle at a frame rate.</summary>
    /// <param name="framesPerSecond">Captured frames a second.</param>
    /// <returns>Degrees up to 360.</returns>
    public double AngleAt(double framesPerSecond) => HeldSeconds is { } held ? Math.Min(WholeDeg, WholeDeg * held * framesPerSecond) : AngleDeg;

    /// <summary>True where the time that is held is longer than a frame lasts.</summary>
    /// <param name="framesPerSecond">Captured frames a second.</param>
    /// <returns>Whether it is.</returns>
    public bool IsLongerThanFrame(double framesPerSecond) => HeldSeconds * framesPerSecond > 1 + 1e-9;
}

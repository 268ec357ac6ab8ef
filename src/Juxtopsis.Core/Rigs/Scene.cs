using Juxtopsis.Core.Light;

namespace Juxtopsis.Core.Rigs;

/// <summary>Where things stand, how bright it is and what is to be delivered: the same for every rig that is compared.</summary>
/// <param name="SubjectDistanceMm">To the plane of focus, mm, from the mark that the conventions name.</param>
public readonly record struct Scene(double SubjectDistanceMm)
{
    /// <summary>To what is behind the subject, mm from the same mark; infinity for the open.</summary>
    public double BackgroundDistanceMm { get; init; } = double.PositiveInfinity;

    /// <summary>Delivered width over height; null takes each mode's own desqueezed shape.</summary>
    public double? DeliveryAspect { get; init; }

    /// <summary>Pixels across that delivery asks for; null when it does not say.</summary>
    public double? DeliveryWidthPx { get; init; }

    /// <summary>Height of the lens above the ground, mm. The camera is level.</summary>
    public double LensHeightMm { get; init; } = 1600;

    /// <summary>Height of the standing figures at the subject's and at the background's distance, mm.</summary>
    public double FigureHeightMm { get; init; } = 1750;

    /// <summary>Nearest that the camera may come (heat, water, animals), mm from the mark; null when nothing keeps it off.</summary>
    public double? NearestCameraMm { get; init; }

    /// <summary>Farthest that the camera can go back (the room), mm from the mark; null in the open.</summary>
    public double? FarthestCameraMm { get; init; }

    /// <summary>From the microphone to the subject, mm; null for one on the camera.</summary>
    public double? MicrophoneMm { get; init; }

    /// <summary>A still that was taken from where the scene says; null when there is none.</summary>
    public Still? Still { get; init; }

    /// <summary>Sideways move of the camera for which parallax is told, mm.</summary>
    public double SidewaysMm { get; init; } = 100;

    /// <summary>How bright it is, and what lamps hang on.</summary>
    public LightSource Light { get; init; } = new();

    /// <summary>Frames a second of the timeline.</summary>
    public double TimelineFps { get; init; } = 25;

    /// <summary>The shutter of all rigs that have none of their own.</summary>
    public Shutter Shutter { get; init; } = new();

    /// <summary>How long a movement takes of which is told how long it lasts on screen, s.</summary>
    public double MovementSeconds { get; init; } = 1;

    /// <summary>What frames are drawn before.</summary>
    public Backdrop Backdrop { get; init; }

    /// <summary>What is drawn at the subject's distance.</summary>
    public DrawnSubject Subject { get; init; }

    /// <summary>The same scene for a camera at another distance from the subject: what is behind stays as far behind it.</summary>
    /// <param name="subjectDistanceMm">The distance, mm.</param>
    /// <returns>The scene; without the still, which shows it from elsewhere.</returns>
    public Scene From(double subjectDistanceMm) => this with
    {
        Still = subjectDistanceMm == SubjectDistanceMm ? Still : null,
        SubjectDistanceMm = subjectDistanceMm,
        BackgroundDistanceMm = subjectDistanceMm + (BackgroundDistanceMm - SubjectDistanceMm),
    };
}

/// <summary>A still photograph by what took it.</summary>
/// <param name="WidthMm">Width of the part of the sensor that the still shows, mm.</param>
/// <param name="HeightMm">Height of that part, mm.</param>
/// <param name="FocalLengthMm">Focal length, mm: the true one for a true sensor, the equivalent one for a diagonal like that of 36 × 24.</param>
public readonly record struct Still(double WidthMm, double HeightMm, double FocalLengthMm)
{
    /// <summary>A still of a shape of its own, trimmed from a sensor.</summary>
    /// <param name="sensorWidthMm">Width of the sensor, mm.</param>
    /// <param name="sensorHeightMm">Height of the sensor, mm.</param>
    /// <param name="focalLengthMm">Focal length, mm.</param>
    /// <param name="aspect">Width over height of the still.</param>
    /// <returns>The still.</returns>
    public static Still Trim(double sensorWidthMm, double sensorHeightMm, double focalLengthMm, double aspect)
    {
        var used = UsedArea.Trim(sensorWidthMm, sensorHeightMm, 1, aspect);
        return new(used.WidthMm, used.HeightMm, focalLengthMm);
    }

    /// <summary>A still of which only an equivalent focal length is known.</summary>
    /// <param name="focalLengthMm">The focal length on 36 × 24 with the same angle over the diagonal, mm.</param>
    /// <param name="aspect">Width over height of the still.</param>
    /// <returns>The still, on a sensor of its shape with the diagonal of 36 × 24.</returns>
    public static Still Equivalent(double focalLengthMm, double aspect)
    {
        var height = Math.Sqrt((36.0 * 36 + 24 * 24) / (1 + aspect * aspect));
        return new(aspect * height, height, focalLengthMm);
    }
}

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>Where things stand, how bright it is and what is delivered.</summary>
public sealed record SceneInput
{
    /// <summary>To the plane of focus, mm from the mark that the conventions name: 1 to 1e8.</summary>
    public required double SubjectDistanceMm { get; init; }

    /// <summary>To what is behind the subject, mm: not nearer than the subject; left out or null for infinity.</summary>
    public double? BackgroundDistanceMm { get; set; }

    /// <summary>Delivered width over height, 0.1 to 10; left out or null for each mode's own desqueezed shape.</summary>
    public double? DeliveryAspect { get; set; }

    /// <summary>Pixels across that delivery asks for, 16 to 100000; left out when it does not say.</summary>
    public double? DeliveryWidthPx { get; set; }

    /// <summary>Height of the level lens above the ground, mm: 0 to 200000.</summary>
    public double LensHeightMm { get; set; } = 1600;

    /// <summary>Height of the standing figures, mm: 10 to 20000.</summary>
    public double FigureHeightMm { get; set; } = 1750;

    /// <summary>Nearest that the camera may come, mm; left out when nothing keeps it off.</summary>
    public double? NearestCameraMm { get; set; }

    /// <summary>Farthest that the camera can go back, mm; left out in the open.</summary>
    public double? FarthestCameraMm { get; set; }

    /// <summary>From the microphone to the subject, mm; left out for one on the camera.</summary>
    public double? MicrophoneMm { get; set; }

    /// <summary>Sideways move of the camera for which parallax is told, mm.</summary>
    public double SidewaysMm { get; set; } = 100;

    /// <summary>Brightness as exposure value at ISO 100, −15 to 30; left out when not known.</summary>
    public double? BrightnessEv { get; set; }

    /// <summary>Frames a second of the timeline.</summary>
    public double TimelineFps { get; set; } = 25;

    /// <summary>Shutter angle, degrees: up to 360.</summary>
    public double ShutterAngleDeg { get; set; } = 180;

    /// <summary>Mains frequency of the lamps, Hz.</summary>
    public double MainsHertz { get; set; } = 50;

    /// <summary>A photograph of the place; left out when there is none.</summary>
    public PhotoInput? Photo { get; set; }

    /// <summary>The place that frames are drawn in; figures do not go by it.</summary>
    public Place Place { get; set; } = Place.Shed;

    /// <summary>What stands at the subject's distance in it.</summary>
    public Subject Subject { get; set; } = Subject.Standing;
}

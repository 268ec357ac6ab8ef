using Juxtopsis.Core.Light;
using Juxtopsis.Core.Solving;

namespace Juxtopsis.Core.Briefs;

/// <summary>What should be made out behind the subject.</summary>
public enum BackgroundRequirement
{
    /// <summary>As it comes.</summary>
    AsItComes,

    /// <summary>Soft: shapes and no more.</summary>
    Soft,

    /// <summary>Readable.</summary>
    Readable,
}

/// <summary>A shot that somebody wants.</summary>
/// <param name="Subject">What is in it.</param>
/// <param name="Size">How tight.</param>
public sealed record ShotBrief(ShotSubject Subject, ShotSize Size)
{
    /// <summary>Soft is a point that becomes a disc of this share of the picture's height or more.</summary>
    public const double SoftShare = 0.02;

    /// <summary>Readable is one that becomes no more than this.</summary>
    public const double ReadableShare = 0.005;

    /// <summary>A width or height at the subject instead of <see cref="Size"/>; null when the name decides.</summary>
    public FramedSize? Typed { get; init; }

    /// <summary>Room above a head, as a share of the picture's height.</summary>
    public double Headroom { get; init; } = 0.08;

    /// <summary>How the camera is carried.</summary>
    public CameraSupport CameraSupport { get; init; }

    /// <summary>What the support that is chosen carries; null while none is.</summary>
    public SupportLimits? Support { get; init; }

    /// <summary>From the sensor mark to the last thing behind it that must fit, mm; null for what the support usually needs.</summary>
    public double? RearMm { get; init; }

    /// <summary>How far the subject moves to and fro altogether, mm: the sharp zone must hold it without focus being pulled.</summary>
    public double MovesMm { get; init; }

    /// <summary>How deep the sharp zone must be, mm: the subject's depth and its movement; half of it in front, half behind.</summary>
    public double HeldMm => MovesMm + Subject.DepthMm;

    /// <summary>True when the camera walks along with the subject.</summary>
    public bool Walks { get; init; }

    /// <summary>What should be made out behind.</summary>
    public BackgroundRequirement Behind { get; init; }

    /// <summary>Captured frames a second; null for the timeline's.</summary>
    public double? CaptureFps { get; init; }

    /// <summary>Frames a second of the timeline.</summary>
    public double TimelineFps { get; init; } = 25;

    /// <summary>The shutter.</summary>
    public Shutter Shutter { get; init; } = new();

    /// <summary>Delivered width over height.</summary>
    public double DeliveryAspect { get; init; } = 16.0 / 9;

    /// <summary>Pixels across that delivery asks for; null when it does not say.</summary>
    public double? DeliveryWidthPx { get; init; }

    /// <summary>True when the camera hangs above and looks down.</summary>
    public bool IsOverhead => CameraSupport == CameraSupport.Overhead;

    /// <summary>Captured frames a second.</summary>
    public double Fps => CaptureFps ?? TimelineFps;
}

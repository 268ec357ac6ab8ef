using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Briefs;

/// <summary>How the camera is carried.</summary>
public enum CameraSupport
{
    /// <summary>On a tripod, with somebody behind it.</summary>
    Tripod,

    /// <summary>In both hands.</summary>
    HandHeld,

    /// <summary>On the shoulder.</summary>
    Shoulder,

    /// <summary>On a gimbal.</summary>
    Gimbal,

    /// <summary>Clamped to a wall or a post, with nobody behind it.</summary>
    Clamp,

    /// <summary>Hung overhead, looking straight down.</summary>
    Overhead,

    /// <summary>Held at arm's length by the person who is filmed.</summary>
    SelfHeld,

    /// <summary>Flown by a drone.</summary>
    Drone,
}

/// <summary>What each way of carrying needs behind the camera. Our own round figures of usual practice; a shot may say otherwise.</summary>
public static class CameraSupports
{
    /// <summary>How far an arm holds a camera from the eyes, in shares of the standing height: the elbow slightly bent.</summary>
    public const double ArmsLength = 0.38;

    private const double TripodFeetMm = 450;

    /// <summary>The kind of support of the shelf that a way of carrying asks for.</summary>
    /// <param name="by">How it is carried.</param>
    /// <returns>The kind; null where hands, a shoulder or a clamp do: a rig for the shoulder is carried only where a shot names it.</returns>
    public static SupportType? Asks(CameraSupport by) => by switch
    {
        CameraSupport.Gimbal => SupportType.Gimbal,
        CameraSupport.Tripod => SupportType.Head,
        CameraSupport.Overhead => SupportType.Arm,
        CameraSupport.Drone => SupportType.Drone,
        _ => null,
    };

    /// <summary>From the sensor mark to the last thing behind it that must fit in the room.</summary>
    /// <param name="support">How it is carried.</param>
    /// <param name="backMm">From the sensor mark to the back of the camera, mm.</param>
    /// <returns>
    /// Millimetres. A tripod's feet stand 450 mm behind the mark, unless the camera reaches farther, and 450 mm more are for whoever
    /// stands there; hands 350 mm, shoulder 300 mm, gimbal 600 mm behind the camera's back; a clamp or an overhead bar 80 mm; at
    /// arm's length nothing; a drone 1500 mm, a rotor's width and clear air.
    /// </returns>
    public static double RearMm(CameraSupport support, double backMm) => support switch
    {
        CameraSupport.Tripod => Math.Max(backMm, TripodFeetMm) + 450,
        CameraSupport.HandHeld => backMm + 350,
        CameraSupport.Shoulder => backMm + 300,
        CameraSupport.Gimbal => backMm + 600,
        CameraSupport.SelfHeld => 0,
        CameraSupport.Drone => backMm + 1500,
        _ => backMm + 80,
    };

    /// <summary>How unsteady a way of carrying is against standing still with the camera in both hands.</summary>
    /// <param name="support">How it is carried.</param>
    /// <returns>A factor on the unsteadiness of the rig; relative only, our own figures; 0 where the camera does not move.</returns>
    public static double Unsteadiness(CameraSupport support) => support switch
    {
        CameraSupport.Tripod or CameraSupport.Clamp or CameraSupport.Overhead => 0,
        CameraSupport.Gimbal or CameraSupport.Drone => 0.15,
        CameraSupport.Shoulder => 0.7,
        CameraSupport.SelfHeld => 1.5,
        _ => 1,
    };
}

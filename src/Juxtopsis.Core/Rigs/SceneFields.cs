using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Fields;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Rigs;

/// <summary>What can be said of a scene.</summary>
public static class SceneFields
{
    private static readonly NumberField<Scene> NearestCamera = Unknown(
        "nearestCameraMm", "Camera not nearer", EntryKind.CameraPlace, "Heat, water, animals: the nearest that the camera may come to the subject.",
        (in s) => s.NearestCameraMm, (in s, v) => s with { NearestCameraMm = v });

    private static readonly NumberField<Scene> FarthestCamera = Unknown(
        "farthestCameraMm", "Camera not farther", EntryKind.CameraPlace, "The farthest that the sensor mark can be from the subject: the room less what stands behind the mark.",
        (in s) => s.FarthestCameraMm, (in s, v) => s with { FarthestCameraMm = v });

    private static readonly NumberField<Scene> Background = Unknown(
        "backgroundDistanceMm", "To what is behind", EntryKind.BackgroundDistance, "From the sensor mark to the background, not nearer than the subject. Empty or “inf” for the open.",
        (in s) => double.IsPositiveInfinity(s.BackgroundDistanceMm) ? null : s.BackgroundDistanceMm, (in s, v) => s with { BackgroundDistanceMm = v ?? double.PositiveInfinity });

    /// <summary>A rig's own distance to the subject; empty for the scene's.</summary>
    public static NumberField<double?> OwnDistance { get; } = new(
        "subjectDistanceMm", "Its own distance", EntryKind.SubjectDistance, "The rig's own distance to the subject; empty for the scene's. What is behind the subject stays as far behind it.",
        (in d) => d, (in _, v) => v)
    {
        MayBeUnknown = true,
    };

    /// <summary>All of them.</summary>
    public static FieldSet<Scene> All { get; } = new(
        new Scene(0),
        [
            new NumberField<Scene>(
                "subjectDistanceMm", "To the subject", EntryKind.SubjectDistance, "From the mark that the conventions name to where focus is set. Type 3m, 320 cm, or 10'6\".",
                (in s) => s.SubjectDistanceMm, (in s, v) => s with { SubjectDistanceMm = v!.Value }) { Required = true },
            Background,
            Unknown("deliveryAspect", "Delivered shape", EntryKind.DeliveryAspect, "Width over height of the finished picture: 16:9, 2.39, 9:16. Empty takes each mode as it records.", (in s) => s.DeliveryAspect, (in s, v) => s with { DeliveryAspect = v }),
            Unknown("deliveryWidthPx", "Delivered width", EntryKind.DeliveryWidth, "Pixels across that delivery asks for. Empty when it does not say.", (in s) => s.DeliveryWidthPx, (in s, v) => s with { DeliveryWidthPx = v }),
            Usual("lensHeightMm", "Lens height", EntryKind.LensHeight, "Height of the level lens above the ground: where the horizon lies on a standing figure.", (in s) => s.LensHeightMm, (in s, v) => s with { LensHeightMm = v }),
            Usual("figureHeightMm", "Standing figure", EntryKind.FigureHeight, "Height of the figures in the frames.", (in s) => s.FigureHeightMm, (in s, v) => s with { FigureHeightMm = v }),
            NearestCamera,
            FarthestCamera,
            Unknown("microphoneMm", "Microphone", EntryKind.CameraPlace, "From the microphone to the mouth; empty for one on the camera. Each doubling costs 6 dB in the open.", (in s) => s.MicrophoneMm, (in s, v) => s with { MicrophoneMm = v }),
            Usual("sidewaysMm", "Sideways move", EntryKind.Sideways, "The move of the camera for which parallax is told.", (in s) => s.SidewaysMm, (in s, v) => s with { SidewaysMm = v }),
            Unknown("brightnessEv", "Brightness", EntryKind.Brightness, "EV 12 at ISO 100, 500 lx on the subject, 40 cd/m² off it, or settings that looked right: ISO 800 ƒ2.8 1/50 ND8.", (in s) => s.Light.BrightnessEv, (in s, v) => s with { Light = s.Light with { BrightnessEv = v } }),
            Usual("timelineFps", "Timeline", EntryKind.Fps, "Frames a second of the finished film.", (in s) => s.TimelineFps, (in s, v) => s with { TimelineFps = v }),
            Usual("shutterAngleDeg", "Shutter angle", EntryKind.ShutterAngle, "How much of each frame gathers light; 180° looks natural.", (in s) => s.Shutter.AngleDeg, (in s, v) => s with { Shutter = s.Shutter with { AngleDeg = v } }),
            Unknown("shutterSeconds", "Shutter time", EntryKind.ShutterTime, "Held whatever the frame rate, such as 1/50; empty holds the angle.", (in s) => s.Shutter.HeldSeconds, (in s, v) => s with { Shutter = s.Shutter with { HeldSeconds = v } }),
            Usual("movementSeconds", "Movement", EntryKind.Seconds, "How long a movement takes, a step or a splash: how long it lasts on screen is told of each rig.", (in s) => s.MovementSeconds, (in s, v) => s with { MovementSeconds = v }),
            Usual("mainsHertz", "Mains", EntryKind.Mains, "Frequency of the mains that lamps hang on; of other lamps half of that at which they flicker.", (in s) => s.Light.MainsHertz, (in s, v) => s with { Light = s.Light with { MainsHertz = v } }),
            Field.Choice<Scene, Backdrop>("backdrop", "Drawn in", "Where the frames are drawn; no figure goes by it.", (in s) => s.Backdrop, (in s, v) => s with { Backdrop = v }),
            Field.Choice<Scene, DrawnSubject>("subject", "Subject", "What stands where focus is set; no figure goes by it.", (in s) => s.Subject, (in s, v) => s with { Subject = v }),
        ],
        FieldSet<Scene>.InOrder(NearestCamera, FarthestCamera, "The farthest place of the camera is nearer than the nearest.", "Give the nearer one first."),
        BackgroundIsBehind);

    private static Diagnostic? BackgroundIsBehind(in Scene scene, LengthUnit unit)
    {
        if (!(scene.BackgroundDistanceMm < scene.SubjectDistanceMm))
        {
            return null;
        }

        var subject = Quantity.SubjectDistance.Say(scene.SubjectDistanceMm, unit);
        var background = Quantity.SubjectDistance.Say(scene.BackgroundDistanceMm, unit);
        return FieldSet<Scene>.Refused(
            Background.Key, background, $"{subject} or more", $"The background at {background} is nearer than the subject at {subject}.",
            $"Put the background at {subject} or more, or bring the subject nearer.");
    }

    private static NumberField<Scene> Usual(string key, string label, EntryKind kind, string help, FieldGetter<Scene, double> get, FieldSetter<Scene, double> set) =>
        new(key, label, kind, help, (in s) => get(s), (in s, v) => set(s, v!.Value));

    private static NumberField<Scene> Unknown(string key, string label, EntryKind kind, string help, FieldGetter<Scene, double?> get, FieldSetter<Scene, double?> set) =>
        new(key, label, kind, help, get, set) { MayBeUnknown = true };
}

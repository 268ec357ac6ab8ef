using Juxtopsis.Core.Entry;

namespace Juxtopsis.Core.Gear;

/// <summary>What a mount has.</summary>
internal static class MountFields
{
    public static readonly NumberField Flange = new("flangeMm", "Flange distance", EntryKind.Flange, "From the mount's face to the sensor.") { Without = "which adapters reach infinity is taken from their own papers" };
    public static readonly NumberField Throat = new("throatMm", "Throat", EntryKind.PartLength, "Clear diameter through the mount.");
    public static readonly MountsField Takes = new("takes", "Also takes", "Other mounts whose lenses go straight onto this one.");
    public static readonly NumberField SafeLoad = new("safeLoadG", "Safe load", EntryKind.Weight, "The weight that may hang on it without a support of its own; 1.5 kg when it is not known.");
}

/// <summary>What a camera body has.</summary>
internal static class BodyFields
{
    public static readonly MountsField Mounts = new("mounts", "Mount", "The mount; several where it can be changed.") { Without = "no lens goes on it" };
    public static readonly NumberField SensorWidth = new("sensorWidthMm", "Sensor width", EntryKind.SensorSide, "The whole sensor.") { Without = "crops are not checked against it" };
    public static readonly NumberField SensorHeight = new("sensorHeightMm", "Sensor height", EntryKind.SensorSide, "The whole sensor.");
    public static readonly ModesField Modes = new("modes", "Recording modes", "Each uses its own part of the sensor.") { Required = true };
    public static readonly NumberField Stabilisation = new("bodyStabilisationStops", "Body stabilisation", EntryKind.StabilisationStops, "In stops; 0 for none.");
    public static readonly FlagField AddsUp = new("stabilisersAddUp", "Works with the lens's", "Yes when stabilisation of body and lens are known to add up.");
    public static readonly NumbersField BaseSensitivities = new("baseIso", "Base sensitivities", EntryKind.Sensitivity, "The sensitivities with the least noise.") { Without = "the noise is taken to be least at ISO 800" };
    public static readonly NumberField HighestSensitivity = new("highestIso", "Highest sensitivity", EntryKind.Sensitivity, "The highest that you accept of this camera; the lower of this and the production’s counts.");
    public static readonly NumberField Power = new("powerW", "Draws, recording", EntryKind.Watts, "What it draws while it records, with screen and lens.") { Without = "what a day takes is told without it" };
    public static readonly NumberField Standby = new("standbyW", "Draws, standing by", EntryKind.Watts, "What it draws while it is on and does not record; as while recording, when it is not known.");
    public static readonly NumberField Limit = new("limitMin", "Recording limit", EntryKind.Minutes, "The longest single take, by heat or by rule; empty for none.");
    public static readonly FlagField DrivesFocus = new("drivesFocus", "Drives focus", "Yes when it can drive a lens's focus motor.");
    public static readonly FlagField SetsIris = new("setsIris", "Sets the iris", "Yes when it can set an iris that has no ring.");
    public static readonly NumberField Width = new("widthMm", "Width", EntryKind.PartLength, "The body, without what is screwed to it.");
    public static readonly NumberField Height = new("heightMm", "Height", EntryKind.PartLength, "The body, without what is screwed to it.");
    public static readonly NumberField Depth = new("depthMm", "Depth", EntryKind.PartLength, "From the mount's face to the back; screen folded in.");
}

/// <summary>What a recording mode has.</summary>
internal static class ModeFields
{
    public static readonly NumberField AreaWidth = new("areaWidthMm", "Used width", EntryKind.SensorSide, "The part of the sensor that this mode reads.") { Required = true };
    public static readonly NumberField AreaHeight = new("areaHeightMm", "Used height", EntryKind.SensorSide, "The part of the sensor that this mode reads.") { Required = true };
    public static readonly NumberField PixelsAcross = new("widthPx", "Recorded width", EntryKind.Pixels, "Recorded pixels across.");
    public static readonly NumberField PixelsUp = new("heightPx", "Recorded height", EntryKind.Pixels, "Recorded pixels up and down.");
    public static readonly NumbersField Fps = new("fps", "Frame rates", EntryKind.Fps, "The rates that this mode offers.");
    public static readonly NumbersField Squeezes = new("squeezes", "Shows squeezes", EntryKind.Squeeze, "The squeezes that it shows and records as they should look.");
    public static readonly NumberField PunchIn = new("electronicZoom", "Electronic zoom", EntryKind.PunchIn, "The strongest electronic zoom that it offers.");
    public static readonly NumberField SteadyCrop = new("steadyCrop", "Crop when steadied", EntryKind.PunchIn, "How much electronic stabilisation crops, 1.1 for a tenth.");
    public static readonly NumbersField BaseSensitivities = new("modeBaseIso", "Base sensitivities", EntryKind.Sensitivity, "Where they differ from the camera’s in this mode.");
    public static readonly NumberField HighestSensitivity = new("modeHighestIso", "Highest sensitivity", EntryKind.Sensitivity, "The highest that you accept in this mode, where it differs from the camera’s.");
    public static readonly NumberField DataRate = new("dataRateMbps", "Data rate", EntryKind.DataRate, "What it writes, in megabits a second.");
    public static readonly NumberField Limit = new("modeLimitMin", "Longest take", EntryKind.Minutes, "Where this mode stops sooner than the others.");
}

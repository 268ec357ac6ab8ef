using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Log;

/// <summary>How a take is marked.</summary>
public enum TakeMark
{
    /// <summary>Not marked.</summary>
    None,

    /// <summary>A good one.</summary>
    Good,

    /// <summary>To be done again.</summary>
    Again,
}

/// <summary>Why it was done otherwise than planned.</summary>
public enum TakeReason
{
    /// <summary>The room was another.</summary>
    Room,

    /// <summary>The light was another.</summary>
    Light,

    /// <summary>Focus could not be held, or not found.</summary>
    Focus,

    /// <summary>A microphone, or its shadow.</summary>
    Sound,

    /// <summary>What is filmed did otherwise.</summary>
    Subject,

    /// <summary>The thing was not there, or did not work.</summary>
    Gear,

    /// <summary>There was no time.</summary>
    Time,

    /// <summary>It looked better so.</summary>
    Look,

    /// <summary>By mistake.</summary>
    Mistake,
}

/// <summary>What was really used: one camera in one take.</summary>
public sealed record TakeInput
{
    /// <summary>The production.</summary>
    public required Guid ProductionId { get; init; }

    /// <summary>The shot of that production; left out for one that nobody planned.</summary>
    public Guid? ShotId { get; set; }

    /// <summary>What the shot was called then, up to 80 characters.</summary>
    public string ShotName { get; set; } = "";

    /// <summary>When it was taken.</summary>
    public required DateTimeOffset TakenAt { get; init; }

    /// <summary>Which take of the shot it is, 1 to 999; cameras that ran at once have the same.</summary>
    public int Number { get; set; } = 1;

    /// <summary>Which camera, such as A, up to 20 characters.</summary>
    public string Camera { get; set; } = "A";

    /// <summary>The unit of the crew, up to 60 characters.</summary>
    public string CrewUnit { get; set; } = "";

    /// <summary>Good, or to be done again.</summary>
    public TakeMark Mark { get; set; }

    /// <summary>A word, up to 500 characters.</summary>
    public string Note { get; set; } = "";

    /// <summary>The rig; left out when that was not noted.</summary>
    public ChosenInput? Rig { get; set; }

    /// <summary>Focal length that was set, as marked, mm.</summary>
    public double? FocalLengthMm { get; set; }

    /// <summary>f-number that was set.</summary>
    public double? FNumber { get; set; }

    /// <summary>Sensor mark to the subject, mm.</summary>
    public double? DistanceMm { get; set; }

    /// <summary>Height of the lens above the ground, mm.</summary>
    public double? LensHeightMm { get; set; }

    /// <summary>Captured frames a second.</summary>
    public double? Fps { get; set; }

    /// <summary>Sensitivity, ISO.</summary>
    public double? Iso { get; set; }

    /// <summary>What filters took, stops.</summary>
    public double? FilterStops { get; set; }

    /// <summary>Exposure time, s.</summary>
    public double? ShutterSeconds { get; set; }

    /// <summary>The room along the camera's axis as it really was, mm.</summary>
    public double? RoomMm { get; set; }

    /// <summary>Why it was done otherwise than planned.</summary>
    public IReadOnlyList<TakeReason> Reasons { get; set; } = [];

    /// <summary>A still of it, stored as a photograph.</summary>
    public Guid? PhotoId { get; set; }

    /// <summary>Name of the clip or still, up to 200 characters.</summary>
    public string File { get; set; } = "";
}

/// <summary>A take.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="Take">What was used.</param>
/// <param name="By">What whoever noted it is called; empty where that was not said.</param>
/// <param name="UpdatedAt">When it was saved last.</param>
/// <param name="Revision">Counts its changes, from 1.</param>
/// <param name="DeletedAt">When it was deleted; null for one that stands. Only told where what changed is asked for.</param>
public sealed record TakeOutput(Guid Id, TakeInput Take, string By, DateTimeOffset UpdatedAt, int Revision, DateTimeOffset? DeletedAt);

/// <summary>Refuses takes that cannot be stored.</summary>
public static class TakeChecks
{
    private static readonly Quantity Number = new("The take's number", "", 1, 999, "3");

    /// <summary>Checks a take.</summary>
    /// <param name="input">The take.</param>
    /// <returns>The problem; null when it can be stored.</returns>
    public static Problem? Check(TakeInput input)
    {
        ArgumentNullException.ThrowIfNull(input);
        var checks = new FieldChecks();
        checks.Text("shotName", input.ShotName, "The shot's name", 80);
        checks.Text("camera", input.Camera, "The camera", 20);
        checks.Text("crewUnit", input.CrewUnit, "The unit's name", 60);
        checks.Text("note", input.Note, "The word", 500);
        checks.Text("file", input.File, "The file's name", 200);
        checks.InRange("number", input.Number, Number);
        checks.InRange("focalLengthMm", input.FocalLengthMm, Quantity.FocalLength);
        checks.InRange("fNumber", input.FNumber, Quantity.FNumber);
        checks.InRange("distanceMm", input.DistanceMm, Quantity.SubjectDistance);
        checks.InRange("lensHeightMm", input.LensHeightMm, Quantity.LensHeight);
        checks.InRange("fps", input.Fps, Quantity.Fps);
        checks.InRange("iso", input.Iso, Quantity.Sensitivity);
        checks.InRange("filterStops", input.FilterStops, Quantity.FilterStops);
        checks.InRange("shutterSeconds", input.ShutterSeconds, Quantity.ShutterTime);
        checks.InRange("roomMm", input.RoomMm, Quantity.RoomSize);
        ProductionChecks.CheckChosen(checks, input.Rig, "rig.");
        ProductionChecks.CheckCount(checks, "reasons", input.Reasons.Count, 9, "reasons");
        return checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
    }
}

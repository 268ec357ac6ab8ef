using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Productions;

/// <summary>A location, as people measure it.</summary>
public sealed record LocationInput
{
    /// <summary>Identity within the production.</summary>
    public required Guid Id { get; init; }

    /// <summary>Name, up to 80 characters.</summary>
    public required string Name { get; init; }

    /// <summary>Length, mm; left out for a place without an end.</summary>
    public double? LengthMm { get; set; }

    /// <summary>Width, mm; left out likewise.</summary>
    public double? WidthMm { get; set; }

    /// <summary>Height under the lowest beam, mm; left out under the sky.</summary>
    public double? HeightMm { get; set; }

    /// <summary>True when its sides were taped on the spot; else they are as somebody was told, and less sure.</summary>
    public bool Taped { get; set; }

    /// <summary>From the subject to what is behind it, mm; left out in the open. A place with a length needs it.</summary>
    public double? BehindMm { get; set; }

    /// <summary>Nearest that the subject may be to what is behind it, mm.</summary>
    public double LeastBehindMm { get; set; }

    /// <summary>Farthest that the subject may be brought from what is behind it, mm; left out for as far as there is room.</summary>
    public double? MostBehindMm { get; set; }

    /// <summary>From the subject to the wall on the left of the camera, mm; left out for the middle. Only drawings go by it.</summary>
    public double? SideMm { get; set; }

    /// <summary>How far every part of the camera must stay from the subject, mm.</summary>
    public double KeepOffMm { get; set; }

    /// <summary>Which way the camera looks.</summary>
    public LooksAlong Along { get; set; }

    /// <summary>Brightness as it usually is there, exposure value at ISO 100; left out when not known.</summary>
    public double? BrightnessEv { get; set; }

    /// <summary>How bright it is at other times: in the morning, with the lamps on. A shot says which.</summary>
    public IReadOnlyList<LevelInput> Levels { get; set; } = [];

    /// <summary>Mains frequency of the lamps, Hz.</summary>
    public double MainsHertz { get; set; } = 50;

    /// <summary>What to mind there.</summary>
    public IReadOnlyList<Hazards> Hazards { get; set; } = [];

    /// <summary>What frames are drawn in.</summary>
    public Backdrop Backdrop { get; set; } = Backdrop.Shed;

    /// <summary>Anything else to know, up to 500 characters.</summary>
    public string Note { get; set; } = "";

    /// <summary>How bright it is for a shot.</summary>
    /// <param name="shot">A shot there.</param>
    /// <returns>Exposure value at ISO 100 of the level that the shot says, else as it usually is; null when not known.</returns>
    public double? BrightnessFor(ShotInput shot)
    {
        ArgumentNullException.ThrowIfNull(shot);
        return Levels.FirstOrDefault(l => l.Id == shot.LevelId)?.BrightnessEv ?? BrightnessEv;
    }
}

/// <summary>How bright a place is at a time of its own.</summary>
public sealed record LevelInput
{
    /// <summary>Identity within the place.</summary>
    public required Guid Id { get; init; }

    /// <summary>What it is called: morning, lamps on. Up to 80 characters.</summary>
    public required string Name { get; init; }

    /// <summary>Exposure value at ISO 100.</summary>
    public required double BrightnessEv { get; init; }
}

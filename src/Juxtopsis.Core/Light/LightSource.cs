namespace Juxtopsis.Core.Light;

/// <summary>The light of a scene or a place.</summary>
public readonly record struct LightSource
{
    /// <summary>Light of which nothing is known but that lamps hang on the mains of 50 Hz.</summary>
    public LightSource()
    {
    }

    /// <summary>Brightness as exposure value at ISO 100; null when not known.</summary>
    public double? BrightnessEv { get; init; }

    /// <summary>Mains frequency of the lamps, Hz.</summary>
    public double MainsHertz { get; init; } = 50;
}

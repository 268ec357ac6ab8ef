namespace Juxtopsis.Core.Light;

/// <summary>A setting that decides exposure and can give way to keep it.</summary>
public enum ExposureControl
{
    /// <summary>Fixed filters.</summary>
    Filter,

    /// <summary>The sensitivity.</summary>
    Sensitivity,

    /// <summary>The shutter.</summary>
    Shutter,

    /// <summary>The aperture.</summary>
    Aperture,
}

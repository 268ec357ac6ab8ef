namespace Juxtopsis.Core.Figures;

/// <summary>Which conventions a figure goes by.</summary>
[Flags]
public enum Schools
{
    /// <summary>None: every school gives the same.</summary>
    None = 0,

    /// <summary>The format that equivalents refer to.</summary>
    Reference = 1,

    /// <summary>The crop school.</summary>
    Crop = 2,

    /// <summary>The circle of confusion.</summary>
    Circle = 4,

    /// <summary>The mark that distances begin at.</summary>
    Distance = 8,

    /// <summary>Depth of squeezed lenses.</summary>
    SqueezedDepth = 16,

    /// <summary>Marked or measured focal length.</summary>
    FocalLength = 32,
}

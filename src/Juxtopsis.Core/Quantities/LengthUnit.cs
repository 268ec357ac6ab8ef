namespace Juxtopsis.Core.Quantities;

/// <summary>The unit that a person reads distances in, and that a bare number is taken to be in.</summary>
public enum LengthUnit
{
    /// <summary>Metres.</summary>
    Metres,

    /// <summary>Feet and inches.</summary>
    Feet,
}

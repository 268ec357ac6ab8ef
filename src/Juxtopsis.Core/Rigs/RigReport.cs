namespace Juxtopsis.Core.Rigs;

/// <summary>Everything the core says of one rig in one scene.</summary>
/// <remarks>
/// Distances are from the mark that the conventions name. A null is a figure that does not exist for this rig; the reasons say
/// why where that is not plain. The catalogue in <see cref="Figures.FigureCatalogue"/> names every figure.
/// </remarks>
/// <param name="Sensor">What of the sensor is used.</param>
/// <param name="Crop">How the format compares with the reference format.</param>
/// <param name="Lens">The lens as the sensor sees it, and its equivalents.</param>
/// <param name="Angle">What the rig takes in, as angles at infinity.</param>
/// <param name="Sharpness">What counts as sharp.</param>
/// <param name="Limits">Between which distances it can focus.</param>
/// <param name="Focus">What follows from the plane of focus; null when there is none.</param>
/// <param name="Squeeze">What the squeeze costs and needs.</param>
/// <param name="Light">Time, light and filters.</param>
/// <param name="Handling">Steadiness, back focus and what is in front.</param>
/// <param name="Reasons">What physics, the lens or a convention said no to.</param>
public readonly record struct RigReport(
    SensorUse Sensor,
    CropFactors Crop,
    LensOnSensor Lens,
    AngleOfView Angle,
    SharpnessLimits Sharpness,
    FocusLimits Limits,
    FocusReport? Focus,
    SqueezeReport Squeeze,
    LightReport Light,
    HandlingReport Handling,
    Reasons Reasons);

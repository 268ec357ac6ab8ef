namespace Juxtopsis.Core.Gear;

/// <summary>Recording modes that follow from a camera.</summary>
public static class CameraModes
{
    /// <summary>The mode that reads a whole sensor.</summary>
    /// <param name="camera">A camera.</param>
    /// <returns>The mode, of which no more than its area is known; null where the sensor is not known.</returns>
    public static GearItem? WholeSensor(GearItem camera)
    {
        ArgumentNullException.ThrowIfNull(camera);
        return camera.Get(BodyFields.SensorWidth) is { } width && camera.Get(BodyFields.SensorHeight) is { } height ? Of("Whole sensor", width, height) : null;
    }

    /// <summary>A mode of which the name and the area are known.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="widthMm">Used width, mm.</param>
    /// <param name="heightMm">Used height, mm.</param>
    /// <returns>The mode.</returns>
    public static GearItem Of(string name, double widthMm, double heightMm) => GearItem.Of(
        GearKind.Mode, Guid.Empty, [new(CommonFields.Name, name), new(ModeFields.AreaWidth, widthMm), new(ModeFields.AreaHeight, heightMm)]);
}

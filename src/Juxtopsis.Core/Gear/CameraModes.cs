namespace Juxtopsis.Core.Gear;

/// <summary>Recording modes that follow from a camera.</summary>
public static class CameraModes
{
    /// <summary>Papers round an area to a hundredth of a millimetre, and some to a tenth: up to this share its shape is that of the pixels.</summary>
    private const double Rounded = 0.003;

    /// <summary>
    /// The area that a mode reads. Pixels are square: where its shape is that of the recorded pixels but for rounding, it is just that of the
    /// pixels, so that a shape which takes all pixels takes the whole area.
    /// </summary>
    /// <param name="mode">A recording mode.</param>
    /// <returns>Width and height, mm; 36 and 24 where they are not known.</returns>
    public static (double WidthMm, double HeightMm) AreaOf(GearItem mode)
    {
        ArgumentNullException.ThrowIfNull(mode);
        var (width, height) = (mode.Get(ModeFields.AreaWidth) ?? 36, mode.Get(ModeFields.AreaHeight) ?? 24);
        return mode.Get(ModeFields.PixelsAcross) is { } across && mode.Get(ModeFields.PixelsUp) is { } up && Math.Abs(width * up / (height * across) - 1) < Rounded
            ? (width, width * up / across)
            : (width, height);
    }

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

namespace Juxtopsis.Core.Rigs;

/// <summary>The part of a sensor that ends up in the delivered picture.</summary>
/// <param name="WidthMm">Width on the sensor, before the desqueeze, mm.</param>
/// <param name="HeightMm">Height on the sensor, mm.</param>
/// <param name="Squeeze">Anamorphic squeeze; 1 for a spherical lens.</param>
public readonly record struct UsedArea(double WidthMm, double HeightMm, double Squeeze)
{
    /// <summary>Width of the desqueezed picture, mm on the sensor's scale.</summary>
    public double PictureWidthMm => Squeeze * WidthMm;

    /// <summary>Diagonal of the desqueezed picture, mm on the sensor's scale.</summary>
    public double PictureDiagonalMm => Math.Sqrt(PictureWidthMm * PictureWidthMm + HeightMm * HeightMm);

    /// <summary>The stage of the frame: what a rig's mode uses after punch-in and trim.</summary>
    /// <param name="rig">The rig.</param>
    /// <param name="deliveryAspect">Delivered width over height; null takes the mode's own desqueezed shape.</param>
    /// <returns>The used area.</returns>
    public static UsedArea Of(in Rig rig, double? deliveryAspect)
    {
        var (width, height) = (rig.SensorWidthMm / rig.PunchIn, rig.SensorHeightMm / rig.PunchIn);
        return deliveryAspect is { } aspect ? Trim(width, height, rig.Squeeze, aspect) : new UsedArea(width, height, rig.Squeeze);
    }

    /// <summary>Diagonal on the sensor, before the desqueeze, mm.</summary>
    public double SensorDiagonalMm => Math.Sqrt(WidthMm * WidthMm + HeightMm * HeightMm);

    /// <summary>Trims an area to a delivered shape: the full width is kept where the shape is wider, else the full height.</summary>
    /// <param name="widthMm">Width before the trim, after any punch-in, mm.</param>
    /// <param name="heightMm">Height before the trim, after any punch-in, mm.</param>
    /// <param name="squeeze">Anamorphic squeeze; 1 for a spherical lens.</param>
    /// <param name="aspect">Delivered width over height.</param>
    /// <returns>The area that is left. Nothing is trimmed where the shapes agree.</returns>
    public static UsedArea Trim(double widthMm, double heightMm, double squeeze, double aspect)
    {
        var own = squeeze * widthMm / heightMm;
        return aspect > own
            ? new UsedArea(widthMm, squeeze * widthMm / aspect, squeeze)
            : new UsedArea(aspect * heightMm / squeeze, heightMm, squeeze);
    }
}

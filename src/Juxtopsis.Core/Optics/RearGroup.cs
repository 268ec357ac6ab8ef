namespace Juxtopsis.Core.Optics;

/// <summary>
/// All that stands still between lens and sensor (tubes, reducers, extenders) seen from the lens: the plane that it must image onto, and how
/// much larger that plane's image is drawn on the sensor.
/// </summary>
/// <param name="ShiftMm">E, how much farther behind its own focal plane the lens must image, mm: the extension in effect.</param>
/// <param name="Magnification">K, size on the sensor over size in that plane. 0 where light cannot be brought to the sensor.</param>
/// <param name="TrackMm">X, from that plane to the sensor, counted towards the subject, mm; below 0 the plane lies behind the sensor.</param>
public readonly record struct RearGroup(double ShiftMm, double Magnification, double TrackMm)
{
    /// <summary>Nothing in between.</summary>
    public static RearGroup None { get; } = new(0, 1, 0);

    /// <summary>A tube and no glass.</summary>
    /// <param name="extensionMm">Its length, mm.</param>
    /// <returns>The group.</returns>
    public static RearGroup Tube(double extensionMm) => new(extensionMm, 1, 0);

    /// <summary>Converters and tubes in their places, traced by ray-transfer matrices.</summary>
    /// <param name="converters">From the sensor on; those without glass are skipped but for their tube.</param>
    /// <param name="extensionMm">Tube between the last of them and the lens, mm.</param>
    /// <returns>The group.</returns>
    public static RearGroup Of(ReadOnlySpan<Converter> converters, double extensionMm)
    {
        var tubesBehind = 0.0;
        foreach (var converter in converters)
        {
            tubesBehind += converter.TubeBehindMm;
        }

        return tubesBehind == 0 ? AsMade(converters, extensionMm) : Traced(converters, extensionMm);
    }

    /// <summary>Without a tube behind any of them each images the plane that it was made for: k multiplies, and the track is d·(1 − k) shorter.</summary>
    private static RearGroup AsMade(ReadOnlySpan<Converter> converters, double extensionMm)
    {
        var (magnification, track) = (1.0, 0.0);
        foreach (var converter in converters)
        {
            magnification *= converter.Magnification;
            track -= converter.IsNone ? 0 : (converter.PlaceMm ?? Converter.UsualPlaceMm) * (1 - converter.Magnification);
        }

        return new(extensionMm, magnification, track);
    }

    private static RearGroup Traced(ReadOnlySpan<Converter> converters, double extensionMm)
    {
        // From the sensor towards the subject: where each converter stands, and the plane that all behind it were made to image.
        var (toSensor, last, focalPlane) = (RayMatrix.Identity, 0.0, 0.0);
        foreach (var converter in converters)
        {
            focalPlane += converter.TubeBehindMm;
            if (converter.IsNone)
            {
                continue;
            }

            var k = converter.Magnification;
            var d = converter.PlaceMm ?? Converter.UsualPlaceMm;
            var at = focalPlane + k * d;
            toSensor = RayMatrix.Lens((1 - k) / (k * d)).Then(RayMatrix.Air(at - last)).Then(toSensor);
            (last, focalPlane) = (at, at - d);
            if (toSensor.A <= 0)
            {
                // A tube behind it is too long: no real or virtual plane before it is imaged onto the sensor.
                return new(extensionMm, 0, 0);
            }
        }

        // The plane that is imaged onto the sensor: where air before all that makes B vanish.
        var imaged = last - toSensor.B / toSensor.A;
        focalPlane += extensionMm;
        return new(focalPlane - imaged, toSensor.A, imaged);
    }
}

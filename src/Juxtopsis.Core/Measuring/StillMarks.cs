namespace Juxtopsis.Core.Measuring;

/// <summary>A place on a still, in pixels from its top left corner.</summary>
/// <param name="X">To the right.</param>
/// <param name="Y">Down.</param>
public readonly record struct StillPoint(double X, double Y);

/// <summary>What the marks on a still say of the field at their distance.</summary>
/// <param name="WidthMm">Width that the whole picture shows there, square to the axis, mm.</param>
/// <param name="PlusMinusMm">Its ±, from how well marks are set.</param>
/// <param name="TiltDeg">How far the plane of the marks is turned from square, degrees; null where two marks cannot tell.</param>
public sealed record FieldOfMarks(double WidthMm, double PlusMinusMm, double? TiltDeg);

/// <summary>The width of the field from marks of known size on one still. The picture is taken as straight-lined and not cropped off its middle.</summary>
public static class StillMarks
{
    /// <summary>From two marks whose distance from each other is known, on a plane square to the axis.</summary>
    /// <param name="first">One.</param>
    /// <param name="second">The other.</param>
    /// <param name="separationMm">What lies between them, mm.</param>
    /// <param name="pictureWidthPx">Width of the still, pixels.</param>
    /// <param name="squeeze">How much the still is still squeezed; 1 for a desqueezed or spherical one.</param>
    /// <param name="markPlusMinusPx">± of a mark, pixels.</param>
    /// <returns>The field; null where the marks lie on one spot.</returns>
    public static FieldOfMarks? OfTwo(StillPoint first, StillPoint second, double separationMm, double pictureWidthPx, double squeeze, double markPlusMinusPx)
    {
        var (across, up) = ((first.X - second.X) * squeeze, first.Y - second.Y);
        var apart = Math.Sqrt(across * across + up * up);
        if (!(apart > 2 * markPlusMinusPx))
        {
            return null;
        }

        var width = pictureWidthPx * squeeze * separationMm / apart;
        return new(width, width * Math.Sqrt(2) * markPlusMinusPx / apart, null);
    }

    /// <summary>
    /// From the four corners of a rectangle, in order around it: the homography of its plane is taken apart for where the plane lies, so that
    /// a tilt does not count.
    /// </summary>
    /// <param name="corners">Top left, top right, bottom right, bottom left.</param>
    /// <param name="widthMm">Width of the rectangle, mm.</param>
    /// <param name="heightMm">Its height, mm.</param>
    /// <param name="distanceMm">From the entrance pupil to its middle, about, mm: it only weighs the tilt.</param>
    /// <param name="pictureWidthPx">Width of the still, pixels.</param>
    /// <param name="pictureHeightPx">Its height, pixels.</param>
    /// <param name="squeeze">How much the still is still squeezed.</param>
    /// <param name="markPlusMinusPx">± of a mark, pixels.</param>
    /// <returns>The field at the distance of the rectangle's middle along the axis; null where the corners are no rectangle seen from the front.</returns>
    /// <remarks>Source: Hartley and Zisserman, <em>Multiple View Geometry</em>, chapters 4 and 8; square pixels, the axis through the middle.</remarks>
    public static FieldOfMarks? OfRectangle(
        IReadOnlyList<StillPoint> corners, double widthMm, double heightMm, double distanceMm, double pictureWidthPx, double pictureHeightPx, double squeeze, double markPlusMinusPx)
    {
        ArgumentNullException.ThrowIfNull(corners);
        if (corners.Count != 4)
        {
            throw new ArgumentException("A rectangle has four corners.", nameof(corners));
        }

        var centred = corners.Select(c => new StillPoint((c.X - pictureWidthPx / 2) * squeeze, c.Y - pictureHeightPx / 2)).ToArray();
        if (Field(centred, widthMm, heightMm, distanceMm, pictureWidthPx * squeeze) is not { } field)
        {
            return null;
        }

        // How much each mark moves the answer, by trying.
        var sum = 0.0;
        for (var i = 0; i < 8; i++)
        {
            var moved = centred.ToArray();
            var (x, y) = (moved[i / 2].X, moved[i / 2].Y);
            moved[i / 2] = i % 2 == 0 ? new(x + markPlusMinusPx, y) : new(x, y + markPlusMinusPx);
            if (Field(moved, widthMm, heightMm, distanceMm, pictureWidthPx * squeeze) is not { } other)
            {
                return null;
            }

            sum += (other.Width - field.Width) * (other.Width - field.Width);
        }

        return new(field.Width, Math.Sqrt(sum), field.TiltDeg);
    }

    private static (double Width, double TiltDeg)? Field(StillPoint[] corners, double widthMm, double heightMm, double distanceMm, double pictureWidthPx)
    {
        if (Homography(corners, widthMm, heightMm) is not { } h)
        {
            return null;
        }

        // The scale of the picture follows from the field, and the field from the scale: it settles at once, since only the tilt goes by it.
        var scale = pictureWidthPx;
        (double Width, double TiltDeg)? found = null;
        for (var round = 0; round < 20; round++)
        {
            // Columns of K⁻¹H: the plane's two directions and its middle, all to one unknown factor.
            var (ax, ay, az) = (h[0] / scale, h[3] / scale, h[6]);
            var (bx, by, bz) = (h[1] / scale, h[4] / scale, h[7]);
            var length = (Math.Sqrt(ax * ax + ay * ay + az * az) + Math.Sqrt(bx * bx + by * by + bz * bz)) / 2;
            var away = 1 / length;
            if (!(length > 0) || !(away > 0))
            {
                return null;
            }

            var (nx, ny, nz) = (ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx);
            var cosine = Math.Clamp(Math.Abs(nz) / Math.Sqrt(nx * nx + ny * ny + nz * nz), 0, 1);
            var width = pictureWidthPx * away / scale;
            var next = pictureWidthPx * distanceMm / width;
            found = (width, 180 / Math.PI * Optics.PortableMath.Atan(Math.Sqrt(1 - cosine * cosine) / Math.Max(cosine, 1e-9)));
            if (Math.Abs(next - scale) < 1e-9 * scale)
            {
                break;
            }

            scale = next;
        }

        return found is { TiltDeg: < 75 } ? found : null;
    }

    /// <summary>From the rectangle, its middle at 0, to the picture; row by row, the last element 1.</summary>
    private static double[]? Homography(StillPoint[] to, double widthMm, double heightMm)
    {
        (double X, double Y)[] from = [(-widthMm / 2, -heightMm / 2), (widthMm / 2, -heightMm / 2), (widthMm / 2, heightMm / 2), (-widthMm / 2, heightMm / 2)];
        var m = new double[8, 9];
        for (var i = 0; i < 4; i++)
        {
            var ((x, y), (u, v)) = (from[i], (to[i].X, to[i].Y));
            double[] across = [x, y, 1, 0, 0, 0, -u * x, -u * y, u];
            double[] up = [0, 0, 0, x, y, 1, -v * x, -v * y, v];
            for (var j = 0; j < 9; j++)
            {
                (m[2 * i, j], m[2 * i + 1, j]) = (across[j], up[j]);
            }
        }

        for (var pivot = 0; pivot < 8; pivot++)
        {
            var best = pivot;
            for (var i = pivot + 1; i < 8; i++)
            {
                best = Math.Abs(m[i, pivot]) > Math.Abs(m[best, pivot]) ? i : best;
            }

            if (!(Math.Abs(m[best, pivot]) > 1e-12))
            {
                return null;
            }

            for (var j = 0; j < 9; j++)
            {
                (m[pivot, j], m[best, j]) = (m[best, j], m[pivot, j]);
            }

            for (var i = 0; i < 8; i++)
            {
                if (i == pivot)
                {
                    continue;
                }

                var factor = m[i, pivot] / m[pivot, pivot];
                for (var j = pivot; j < 9; j++)
                {
                    m[i, j] -= factor * m[pivot, j];
                }
            }
        }

        var h = new double[9];
        for (var i = 0; i < 8; i++)
        {
            h[i] = m[i, 8] / m[i, i];
        }

        h[8] = 1;
        return h;
    }
}

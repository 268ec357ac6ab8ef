using System.Buffers.Binary;

namespace Juxtopsis.Server.Photos;

/// <summary>A JPEG with nothing in it but its picture.</summary>
/// <param name="Bytes">The file.</param>
/// <param name="WidthPx">Pixels across.</param>
/// <param name="HeightPx">Pixels up.</param>
internal sealed record CleanJpeg(byte[] Bytes, int WidthPx, int HeightPx);

/// <summary>
/// Takes out of a JPEG all that is not needed to draw it: every application segment and comment (EXIF with its location and thumbnail,
/// XMP, notes of makers) and whatever follows the end of the picture. Segments as in ITU-T T.81, annex B.
/// </summary>
internal static class JpegCleaner
{
    private const byte Mark = 0xFF;
    private const byte Start = 0xD8;
    private const byte End = 0xD9;
    private const byte Scan = 0xDA;
    private const byte AdobeSegment = 0xEE;
    private const int AdobeLength = 14;

    /// <summary>Cleans a file.</summary>
    /// <param name="jpeg">What was brought; anything at all.</param>
    /// <returns>The clean file, or null when it is no whole JPEG that browsers draw.</returns>
    public static CleanJpeg? Clean(ReadOnlySpan<byte> jpeg)
    {
        if (jpeg is not [Mark, Start, ..])
        {
            return null;
        }

        using var clean = new MemoryStream(jpeg.Length);
        clean.Write(jpeg[..2]);
        var (width, height, scans) = (0, 0, 0);
        var at = 2;
        while (TryReadSegment(jpeg, ref at, out var kind, out var segment))
        {
            if (kind == End)
            {
                clean.Write([Mark, End]);
                return width > 0 && height > 0 && scans > 0 ? new(clean.ToArray(), width, height) : null;
            }

            if (IsFrame(kind))
            {
                if (width > 0 || segment.Length < 10)
                {
                    return null;
                }

                height = BinaryPrimitives.ReadUInt16BigEndian(segment[5..]);
                width = BinaryPrimitives.ReadUInt16BigEndian(segment[7..]);
            }

            if (IsNeeded(kind, segment))
            {
                clean.Write(segment);
            }

            if (kind == Scan)
            {
                scans++;
                var from = at;
                SkipPicture(jpeg, ref at);
                clean.Write(jpeg[from..at]);
            }
        }

        return null;
    }

    /// <summary>Reads a marker with its segment; false at the end of the file or where it is broken.</summary>
    private static bool TryReadSegment(ReadOnlySpan<byte> jpeg, ref int at, out byte kind, out ReadOnlySpan<byte> segment)
    {
        kind = 0;
        segment = default;
        var start = at;
        while (at < jpeg.Length && jpeg[at] == Mark)
        {
            at++;
        }

        if (at == start || at >= jpeg.Length)
        {
            return false;
        }

        kind = jpeg[at];
        if (kind == End)
        {
            at++;
            return true;
        }

        var first = at - 1;
        if (at + 3 > jpeg.Length)
        {
            return false;
        }

        at += 1 + BinaryPrimitives.ReadUInt16BigEndian(jpeg[(at + 1)..]);
        if (at < first + 4 || at > jpeg.Length)
        {
            return false;
        }

        segment = jpeg[first..at];
        return true;
    }

    /// <summary>Goes on to the marker after the compressed picture: stuffed zeros and restarts belong to it.</summary>
    private static void SkipPicture(ReadOnlySpan<byte> jpeg, ref int at)
    {
        while (at < jpeg.Length && !(jpeg[at] == Mark && at + 1 < jpeg.Length && jpeg[at + 1] is not (0 or Mark or (>= 0xD0 and <= 0xD7))))
        {
            at++;
        }
    }

    /// <summary>The frames that browsers draw: baseline, extended and progressive.</summary>
    private static bool IsFrame(byte kind) => kind is 0xC0 or 0xC1 or 0xC2;

    /// <summary>Tables, frames and scans; of what programs add, only the fourteen bytes that tell how colours are coded.</summary>
    private static bool IsNeeded(byte kind, ReadOnlySpan<byte> segment) =>
        IsFrame(kind) || kind is 0xC4 or 0xDB or 0xDD or Scan || (kind == AdobeSegment && segment.Length == 2 + AdobeLength && segment[4..].StartsWith("Adobe"u8));
}

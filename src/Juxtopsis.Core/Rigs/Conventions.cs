namespace Juxtopsis.Core.Rigs;

/// <summary>
/// The choices on which working people differ, and on which figures depend. They travel with every request and are printed with
/// every result.
/// </summary>
/// <param name="ReferenceWidthMm">Width of the format that equivalents refer to, mm.</param>
/// <param name="ReferenceHeightMm">Height of that format, mm.</param>
public readonly record struct Conventions(double ReferenceWidthMm, double ReferenceHeightMm)
{
    /// <summary>Full frame, delivered crop, 1/1500 of the delivered diagonal, sensor mark, vertical, marked.</summary>
    public static Conventions Default { get; } = new(36, 24);

    /// <summary>What is divided by what to get the crop factor that equivalents use.</summary>
    public CropSchool Crop { get; init; } = CropSchool.Delivered;

    /// <summary>What counts as sharp.</summary>
    public CircleSchool Circle { get; init; } = CircleSchool.ShareOfDiagonal;

    /// <summary>For <see cref="CircleSchool.ShareOfDiagonal"/>: the diagonal of the delivered picture over this number.</summary>
    public double CocDivisor { get; init; } = 1500;

    /// <summary>For <see cref="CircleSchool.FixedSize"/>: one circle for all rigs, mm; null takes that of the nearest generic format.</summary>
    public double? CocFixedMm { get; init; }

    /// <summary>For <see cref="CircleSchool.DeliveredPixels"/>: as many delivered pixels across.</summary>
    public double CocPx { get; init; } = 2;

    /// <summary>For <see cref="CircleSchool.Acuity"/>: width of the picture as it is watched, mm.</summary>
    public double ScreenWidthMm { get; init; } = 1200;

    /// <summary>For <see cref="CircleSchool.Acuity"/>: from the eye to that picture, mm.</summary>
    public double ViewingDistanceMm { get; init; } = 2500;

    /// <summary>Where distances begin.</summary>
    public DistanceMark DistanceFrom { get; init; } = DistanceMark.SensorMark;

    /// <summary>Which direction decides the sharp zone of a squeezed lens.</summary>
    public DepthSchool SqueezedDepth { get; init; } = DepthSchool.Vertical;

    /// <summary>Whether focal lengths are taken as marked or as measured.</summary>
    public FocalLengthSchool FocalLength { get; init; } = FocalLengthSchool.Marked;

    /// <summary>How far off what is not measured may be. Figures do not change by it; it says how sure they are.</summary>
    public Tolerances Tolerances { get; init; } = Tolerances.Usual;
}

/// <summary>What is divided by what to get a crop factor.</summary>
public enum CropSchool
{
    /// <summary>Both formats trimmed to the delivered shape first; diagonal, width and height then agree.</summary>
    Delivered,

    /// <summary>Diagonals of the whole areas.</summary>
    Diagonal,

    /// <summary>Widths of the whole areas.</summary>
    Width,

    /// <summary>Heights of the whole areas.</summary>
    Height,
}

/// <summary>What the largest disc is that still reads as a point.</summary>
public enum CircleSchool
{
    /// <summary>A share of the delivered picture's diagonal.</summary>
    ShareOfDiagonal,

    /// <summary>A customary size for each format.</summary>
    FixedSize,

    /// <summary>A number of delivered pixels.</summary>
    DeliveredPixels,

    /// <summary>What an eye of one arc minute can tell at the viewing distance.</summary>
    Acuity,
}

/// <summary>Where distances begin.</summary>
public enum DistanceMark
{
    /// <summary>The mark of the sensor's plane, where a tape is hooked.</summary>
    SensorMark,

    /// <summary>The front of the lens.</summary>
    LensFront,
}

/// <summary>Which direction decides the sharp zone of a squeezed lens.</summary>
public enum DepthSchool
{
    /// <summary>Up and down, where blur is largest.</summary>
    Vertical,

    /// <summary>Across.</summary>
    Horizontal,
}

/// <summary>Which focal length counts.</summary>
public enum FocalLengthSchool
{
    /// <summary>As marked on the lens.</summary>
    Marked,

    /// <summary>As measured, where it was.</summary>
    Measured,
}

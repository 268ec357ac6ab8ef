using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Evaluating;

/// <summary>The choices that figures depend on.</summary>
public sealed record ConventionsInput
{
    /// <summary>Width of the format that equivalents refer to, mm.</summary>
    public double ReferenceWidthMm { get; set; } = 36;

    /// <summary>Height of that format, mm.</summary>
    public double ReferenceHeightMm { get; set; } = 24;

    /// <summary>What is divided by what to get the crop factor.</summary>
    public CropSchool Crop { get; set; } = CropSchool.Delivered;

    /// <summary>What counts as sharp.</summary>
    public CircleSchool Circle { get; set; } = CircleSchool.ShareOfDiagonal;

    /// <summary>Circle of confusion = delivered picture's diagonal on the sensor / this; 100 to 20000.</summary>
    public double CocDivisor { get; set; } = 1500;

    /// <summary>One fixed circle for all rigs, mm; left out for the customary one of each format.</summary>
    public double? CocFixedMm { get; set; }

    /// <summary>Circle of confusion in delivered pixels.</summary>
    public double CocPx { get; set; } = 2;

    /// <summary>Width of the picture as it is watched, mm.</summary>
    public double ScreenWidthMm { get; set; } = 1200;

    /// <summary>From the eye to that picture, mm.</summary>
    public double ViewingDistanceMm { get; set; } = 2500;

    /// <summary>Where distances begin.</summary>
    public DistanceMark DistanceFrom { get; set; } = DistanceMark.SensorMark;

    /// <summary>Which direction decides the sharp zone of a squeezed lens.</summary>
    public DepthSchool SqueezedDepth { get; set; } = DepthSchool.Vertical;

    /// <summary>Whether focal lengths are taken as marked or as measured.</summary>
    public FocalLengthSchool FocalLength { get; set; } = FocalLengthSchool.Marked;
}

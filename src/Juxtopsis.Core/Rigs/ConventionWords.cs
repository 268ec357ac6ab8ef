using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Rigs;

/// <summary>Conventions in words, so that they can be printed with every result.</summary>
public static class ConventionWords
{
    private static readonly Schools[] Each = [.. Enum.GetValues<Schools>().Where(s => s != Schools.None)];

    /// <summary>The conventions that a figure went by, a short phrase each.</summary>
    /// <param name="conventions">The conventions.</param>
    /// <param name="schools">Which of them to say.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>Phrases such as <c>equivalents on 36 × 24 mm</c>.</returns>
    public static IReadOnlyList<string> Of(Conventions conventions, Schools schools, LengthUnit unit) =>
        [.. Each.Where(one => schools.HasFlag(one)).Select(one => Say(conventions, one, unit))];

    private static string Say(in Conventions c, Schools school, LengthUnit unit) => school switch
    {
        Schools.Reference => $"equivalents on {LengthWords.Number(c.ReferenceWidthMm)} × {LengthWords.Number(c.ReferenceHeightMm)} mm",
        Schools.Crop => c.Crop switch
        {
            CropSchool.Diagonal => "crop by bare diagonals",
            CropSchool.Width => "crop by bare widths",
            CropSchool.Height => "crop by bare heights",
            _ => "crop as delivered",
        },
        Schools.Circle => c.Circle switch
        {
            CircleSchool.FixedSize when c.CocFixedMm is { } fixedMm => $"circle {LengthWords.Millimetres(fixedMm)} for all",
            CircleSchool.FixedSize => "circle customary for each format",
            CircleSchool.DeliveredPixels => $"circle {LengthWords.Number(c.CocPx)} delivered pixels",
            CircleSchool.Acuity =>
                $"circle by an eye at {LengthWords.Distance(c.ViewingDistanceMm, unit)} from a picture {LengthWords.Distance(c.ScreenWidthMm, unit)} wide",
            _ => $"circle 1/{LengthWords.Number(c.CocDivisor)} of the delivered diagonal",
        },
        Schools.Distance => c.DistanceFrom == DistanceMark.LensFront ? "from the front of the lens" : "from the sensor mark",
        Schools.SqueezedDepth => c.SqueezedDepth == DepthSchool.Horizontal ? "squeezed depth across" : "squeezed depth up and down",
        _ => c.FocalLength == FocalLengthSchool.Measured ? "focal lengths as measured" : "focal lengths as marked",
    };
}

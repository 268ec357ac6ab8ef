using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Rigs;

/// <summary>Angles that the delivered picture takes in with the lens at infinity, degrees.</summary>
/// <param name="HorizontalDeg">Across.</param>
/// <param name="VerticalDeg">Up.</param>
/// <param name="DiagonalDeg">Corner to corner.</param>
/// <param name="EdgeStretch">How much wider a thing is drawn at the side edge than in the middle; a ratio from 1.</param>
public readonly record struct AngleOfView(double HorizontalDeg, double VerticalDeg, double DiagonalDeg, double EdgeStretch)
{
    internal static AngleOfView Of(in UsedArea used, double focalLengthMm) => new(
        ThinLens.AngleOfViewDeg(used.PictureWidthMm, focalLengthMm),
        ThinLens.AngleOfViewDeg(used.HeightMm, focalLengthMm),
        ThinLens.AngleOfViewDeg(used.PictureDiagonalMm, focalLengthMm),
        Perspective.EdgeStretch(used.PictureWidthMm, focalLengthMm));
}

namespace Juxtopsis.Core.Rigs;

/// <summary>Reference format over this format, by each school, and the chain that leads there.</summary>
/// <param name="Diagonal">Bare, by the diagonals: whole mode area after punch-in, no squeeze, no trim.</param>
/// <param name="Width">Bare, by the widths.</param>
/// <param name="Height">Bare, by the heights.</param>
/// <param name="Delivered">Both formats trimmed to the delivered shape first; this one answers "same picture".</param>
/// <param name="Chosen">The one of these that the conventions choose.</param>
/// <param name="SensorStep">Reference over the whole sensor (over the mode, when the sensor is not known), bare.</param>
/// <param name="ModeStep">Whole sensor over the mode, bare; 1 when the sensor is not known.</param>
/// <param name="PunchInStep">The punch-in.</param>
/// <param name="ShapeStep">What the trim to the delivered shape adds; 1 for the bare schools.</param>
/// <param name="OpticsStep">k, reducers and extenders.</param>
/// <param name="Chain">The product of the five steps: focal length as marked times this is the equivalent one.</param>
public readonly record struct CropFactors(
    double Diagonal,
    double Width,
    double Height,
    double Delivered,
    double Chosen,
    double SensorStep,
    double ModeStep,
    double PunchInStep,
    double ShapeStep,
    double OpticsStep,
    double Chain)
{
    internal static CropFactors Of(in Conventions conventions, in Rig rig, double aspect, in UsedArea used)
    {
        var (width, height) = (conventions.ReferenceWidthMm, conventions.ReferenceHeightMm);
        var (modeWidth, modeHeight) = (rig.SensorWidthMm / rig.PunchIn, rig.SensorHeightMm / rig.PunchIn);
        var diagonal = Math.Sqrt((width * width + height * height) / (modeWidth * modeWidth + modeHeight * modeHeight));
        var across = width / modeWidth;
        var up = height / modeHeight;
        var delivered = UsedArea.Trim(width, height, 1, aspect).HeightMm / used.HeightMm;
        var (chosen, bare) = conventions.Crop switch
        {
            CropSchool.Width => (across, across),
            CropSchool.Height => (up, up),
            CropSchool.Diagonal => (diagonal, diagonal),
            _ => (delivered, diagonal),
        };
        var modeStep = rig.WholeSensor is { } whole ? Measure(conventions.Crop, whole) / Measure(conventions.Crop, new(rig.SensorWidthMm, rig.SensorHeightMm)) : 1;
        var k = rig.Optics.Magnification;
        return new CropFactors(
            diagonal,
            across,
            up,
            delivered,
            chosen,
            bare / rig.PunchIn / modeStep,
            modeStep,
            rig.PunchIn,
            chosen / bare,
            k,
            chosen * k);
    }

    private static double Measure(CropSchool school, in AreaSize area) => school switch
    {
        CropSchool.Width => area.WidthMm,
        CropSchool.Height => area.HeightMm,
        _ => Math.Sqrt(area.WidthMm * area.WidthMm + area.HeightMm * area.HeightMm),
    };
}

namespace Juxtopsis.Core.Rigs;

/// <summary>Reference format over this format, by each school, and the chain that leads there.</summary>
public readonly record struct CropFactors
{
    /// <summary>Bare, by the diagonals: whole mode area after punch-in, no squeeze, no trim.</summary>
    public double Diagonal { get; init; }

    /// <summary>Bare, by the widths.</summary>
    public double Width { get; init; }

    /// <summary>Bare, by the heights.</summary>
    public double Height { get; init; }

    /// <summary>Both formats trimmed to the delivered shape first; this one answers "same picture".</summary>
    public double Delivered { get; init; }

    /// <summary>The one of these that the conventions choose.</summary>
    public double Chosen { get; init; }

    /// <summary>Reference over the whole sensor (over the mode, when the sensor is not known), bare.</summary>
    public double SensorStep { get; init; }

    /// <summary>Whole sensor over the mode, bare; 1 when the sensor is not known.</summary>
    public double ModeStep { get; init; }

    /// <summary>The punch-in.</summary>
    public double PunchInStep { get; init; }

    /// <summary>What the trim to the delivered shape adds; 1 for the bare schools.</summary>
    public double ShapeStep { get; init; }

    /// <summary>k, reducers and extenders.</summary>
    public double OpticsStep { get; init; }

    /// <summary>The product of the five steps: focal length as marked times this is the equivalent one.</summary>
    public double Chain { get; init; }

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
        return new CropFactors
        {
            Diagonal = diagonal,
            Width = across,
            Height = up,
            Delivered = delivered,
            Chosen = chosen,
            SensorStep = bare / rig.PunchIn / modeStep,
            ModeStep = modeStep,
            PunchInStep = rig.PunchIn,
            ShapeStep = chosen / bare,
            OpticsStep = k,
            Chain = chosen * k,
        };
    }

    private static double Measure(CropSchool school, in AreaSize area) => school switch
    {
        CropSchool.Width => area.WidthMm,
        CropSchool.Height => area.HeightMm,
        _ => Math.Sqrt(area.WidthMm * area.WidthMm + area.HeightMm * area.HeightMm),
    };
}

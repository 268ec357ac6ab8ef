using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Figures;

/// <summary>What of the sensor is used, and how it compares with the reference format.</summary>
internal static class SensorFigures
{
    /// <summary>True when the delivered shape is wider than the mode, so that the full width is kept.</summary>
    private static bool KeepsWidth(in FigureCase c) => c.Report.Sensor.DeliveredAspect > c.Report.Sensor.DesqueezedAspect;

    public static IReadOnlyList<FigureDefinition> All { get; } =
    [
        new(
            FigureId.UsedWidthMm, "Wu", "Used width", FigureUnit.LensMm, FigureComparison.Percent,
            "How much of the sensor's width ends up in the delivered picture, before any desqueeze.",
            (in c) => KeepsWidth(c) ? "Wa/z" : "A·Ha/(z·S)",
            (in c) => c.Report.Sensor.UsedWidthMm),
        new(
            FigureId.UsedHeightMm, "Hu", "Used height", FigureUnit.LensMm, FigureComparison.Percent,
            "How much of the sensor's height ends up in the delivered picture.",
            (in c) => KeepsWidth(c) ? "S·Wa/(z·A)" : "Ha/z",
            (in c) => c.Report.Sensor.UsedHeightMm),
        new(
            FigureId.DesqueezedAspect, "Am", "Shape, desqueezed", FigureUnit.Ratio, FigureComparison.None,
            "Width over height of the whole mode after the desqueeze, before anything is trimmed.",
            (in _) => "S·Wa/Ha",
            (in c) => c.Report.Sensor.DesqueezedAspect),
        new(
            FigureId.DeliveredAspect, "A", "Delivered shape", FigureUnit.Ratio, FigureComparison.None,
            "Width over height of the finished picture.",
            (in c) => c.Scene.DeliveryAspect is null ? "Am" : "Aq",
            (in c) => c.Report.Sensor.DeliveredAspect),
        new(
            FigureId.UsedWidthPx, "Pu", "Used pixels across", FigureUnit.Pixels, FigureComparison.Percent,
            "Recorded pixels that fall on the used width.",
            (in _) => "Px·Wu/Wa",
            (in c) => c.Report.Sensor.UsedPixels?.Width) { Limits = "Not rounded: a trim rarely falls on a whole pixel." },
        new(
            FigureId.UsedHeightPx, "Pv", "Used pixels up", FigureUnit.Pixels, FigureComparison.Percent,
            "Recorded pixels that fall on the used height.",
            (in _) => "Py·Hu/Ha",
            (in c) => c.Report.Sensor.UsedPixels?.Height) { Limits = "Not rounded: a trim rarely falls on a whole pixel." },
        new(
            FigureId.Enlargement, "G", "Enlargement", FigureUnit.Times, FigureComparison.Percent,
            "How much recorded pixels must be enlarged for what delivery asks; above 1 detail is made up.",
            (in _) => "max(Q/Pu, Q/(A·Pv))",
            (in c) => c.Report.Sensor.Enlargement) { WorryAbove = ReasonFinder.MeasuringError },
        new(
            FigureId.PunchInLeft, "Gz", "Punch-in left", FigureUnit.Times, FigureComparison.Percent,
            "How far one can still punch in before delivery asks for more pixels than were recorded. Below 1 the picture is enlarged.",
            (in _) => "1/G",
            (in c) => c.Report.Sensor.PunchInLeft),
        new(
            FigureId.CropFactorDiagonal, "Cd", "Crop factor, bare diagonal", FigureUnit.Times, FigureComparison.Percent,
            "Reference diagonal over the diagonal of the whole mode, without any trim: the figure on spec sheets.",
            (in _) => "z·√((Wr² + Hr²)/(Wa² + Ha²))",
            (in c) => c.Report.Crop.Diagonal) { Schools = Schools.Reference },
        new(
            FigureId.CropFactorWidth, "Cw", "Crop factor, bare width", FigureUnit.Times, FigureComparison.Percent,
            "Reference width over the width of the whole mode.",
            (in _) => "z·Wr/Wa",
            (in c) => c.Report.Crop.Width) { Schools = Schools.Reference },
        new(
            FigureId.CropFactorHeight, "Ch", "Crop factor, bare height", FigureUnit.Times, FigureComparison.Percent,
            "Reference height over the height of the whole mode.",
            (in _) => "z·Hr/Ha",
            (in c) => c.Report.Crop.Height) { Schools = Schools.Reference },
        new(
            FigureId.DeliveredCropFactor, "Cf", "Crop factor, delivered", FigureUnit.Times, FigureComparison.Percent,
            "Reference format over this one, both first trimmed to the delivered shape: the factor that answers “same picture”.",
            (in _) => "Ht/Hu",
            (in c) => c.Report.Crop.Delivered) { Schools = Schools.Reference },
        new(
            FigureId.CropFactor, "C", "Crop factor", FigureUnit.Times, FigureComparison.Percent,
            "The crop factor that equivalents are reckoned with, by the chosen school.",
            (in c) => BareOrDelivered(c, "Cf"),
            (in c) => c.Report.Crop.Chosen) { Schools = Schools.Reference | Schools.Crop },
        new(
            FigureId.CropSensorStep, "q₁", "Crop of the sensor", FigureUnit.Times, FigureComparison.Percent,
            "First link of the chain: the reference format over the whole sensor (over the mode, where the sensor is not known).",
            (in c) => BareOrDelivered(c, "Cd") + "/(z·q₂)",
            (in c) => c.Report.Crop.SensorStep) { Schools = Schools.Reference | Schools.Crop },
        new(
            FigureId.CropModeStep, "q₂", "Crop of the mode", FigureUnit.Times, FigureComparison.Percent,
            "Second link: the whole sensor over the part that this recording mode uses.",
            (in c) => c.Rig.WholeSensor is null ? "1" : c.Conventions.Crop switch
            {
                CropSchool.Width => "Ww/Wa",
                CropSchool.Height => "Hw/Ha",
                _ => "√((Ww² + Hw²)/(Wa² + Ha²))",
            },
            (in c) => c.Report.Crop.ModeStep) { Schools = Schools.Crop },
        new(
            FigureId.CropPunchInStep, "q₃", "Crop of the punch-in", FigureUnit.Times, FigureComparison.Percent,
            "Third link: electronic zoom or a crop afterwards.",
            (in _) => "z",
            (in c) => c.Report.Crop.PunchInStep),
        new(
            FigureId.CropShapeStep, "q₄", "Crop of the delivered shape", FigureUnit.Times, FigureComparison.Percent,
            "Fourth link: what trimming both formats to the delivered shape changes. 1 for schools that do not trim.",
            (in c) => c.Conventions.Crop == CropSchool.Delivered ? "Cf/Cd" : "1",
            (in c) => c.Report.Crop.ShapeStep) { Schools = Schools.Crop },
        new(
            FigureId.OpticsMagnification, "k", "Reducers and extenders", FigureUnit.Times, FigureComparison.Percent,
            "Last link: the product of all glass between lens and sensor. Below 1 it reduces.",
            (in c) => OpticsProduct(c),
            (in c) => c.Report.Crop.OpticsStep),
        new(
            FigureId.CropChain, "Cc", "Crop chain", FigureUnit.Times, FigureComparison.Percent,
            "The whole chain: what the marked focal length is multiplied by. Only the product means anything.",
            (in _) => "q₁·q₂·q₃·q₄·k",
            (in c) => c.Report.Crop.Chain) { Schools = Schools.Reference | Schools.Crop },
        new(
            FigureId.ImageCircleMm, "Ic", "Image circle", FigureUnit.LensMm, FigureComparison.Percent,
            "Diameter of the circle of light on the sensor; reducers shrink it.",
            (in _) => "I₀·k",
            (in c) => c.Report.Sensor.ImageCircleMm),
        new(
            FigureId.DarkShare, "Sd", "Dark corners", FigureUnit.Share, FigureComparison.Plain,
            "Share of the picture that lies outside the image circle.",
            (in _) => "1 − Ar/(Wu·Hu)",
            (in c) => c.Report.Sensor.DarkShare) { Limits = "The circle is taken to have a sharp edge; a real one fades.", WorryAbove = Coverage.Noticed },
    ];

    private static string BareOrDelivered(in FigureCase c, string delivered) => c.Conventions.Crop switch
    {
        CropSchool.Diagonal => "Cd",
        CropSchool.Width => "Cw",
        CropSchool.Height => "Ch",
        _ => delivered,
    };

    private static string OpticsProduct(in FigureCase c)
    {
        var product = "";
        for (var i = 0; i < OpticsChain.Most; i++)
        {
            if (!c.Rig.Optics.At(i).IsNone)
            {
                product += (product.Length > 0 ? "·" : "") + Givens.OpticsSymbols[i];
            }
        }

        return product.Length > 0 ? product : "1";
    }
}

using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Figures;

namespace Juxtopsis.Core.Rigs;

/// <content>Where a convention asks for what is not known.</content>
public static partial class ReasonWords
{
    private static Diagnostic Convention(in FigureCase given, Reasons kind)
    {
        var rig = given.Rig;
        switch (kind)
        {
            case Reasons.PixelsUnknown:
                return new(
                    CodeOf(kind), Severity.Note, "Circle of confusion", "from pixels", "pixels not known",
                    "The circle is wanted from pixels, but neither delivered nor recorded pixels are known; 1/1500 of the diagonal stands in.",
                    "Give the delivered width, or the recorded pixels of this rig.");
            case Reasons.FrontUnknown:
                return new(
                    CodeOf(kind), Severity.Note, "Distance", "from the front of the lens", "length not known",
                    "Distances are wanted from the front of the lens, but where it lies is not known for this rig; its sensor mark stands in.",
                    "Give the distance from the sensor mark to the front of the lens.");
            default:
                return new(
                    CodeOf(kind), Severity.Note, "Focal length", "as measured", "not measured",
                    "Measured focal lengths are wanted, but this lens has none; the marked one stands in.",
                    "Give the measured focal length, or go by the marked ones.");
        }
    }
}

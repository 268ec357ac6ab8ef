using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Rigs;

/// <summary>Puts reasons in words: the quantity, its bound and a mend.</summary>
public static partial class ReasonWords
{
    private static readonly Reasons[] Each = [.. Enum.GetValues<Reasons>().Where(r => r != Reasons.None)];

    /// <summary>All reasons of a case in words, the weightiest first.</summary>
    /// <param name="given">The case.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>Reasons; empty when nothing stands in the way.</returns>
    public static IReadOnlyList<Diagnostic> Of(in FigureCase given, LengthUnit unit)
    {
        var words = new List<Diagnostic>();
        foreach (var reason in Each)
        {
            if (given.Report.Reasons.HasFlag(reason))
            {
                words.Add(Say(given, reason, unit));
            }
        }

        return [.. words.OrderBy(w => w.Severity)];
    }

    /// <summary>The code of a reason: of the same name but where a chain of parts finds the same.</summary>
    /// <param name="reason">One reason.</param>
    /// <returns>Its code.</returns>
    public static DiagnosticCode CodeOf(Reasons reason) => reason switch
    {
        Reasons.CircleDoesNotCover => DiagnosticCode.ImageCircleTooSmall,
        Reasons.ReducerLimitsAperture => DiagnosticCode.ConverterLimitsAperture,
        Reasons.CircleLargerThanFrame => DiagnosticCode.CircleOfConfusionTooLarge,
        Reasons.MinimumFocusIncomplete => DiagnosticCode.MinimumFocusIncomplete,
        Reasons.MinimumFocusUnlikely => DiagnosticCode.MinimumFocusUnlikely,
        Reasons.Enlarged => DiagnosticCode.TooFewPixels,
        _ => Enum.Parse<DiagnosticCode>(reason.ToString()),
    };

    private static Diagnostic Say(in FigureCase given, Reasons kind, LengthUnit unit) => kind switch
    {
        Reasons.TooClose
            or Reasons.TooFar
            or Reasons.InsideLens
            or Reasons.MinimumFocusIncomplete
            or Reasons.MinimumFocusUnlikely
            or Reasons.InfinityLost
            or Reasons.FaceStretched
            or Reasons.ThinSharpZone => Focus(given, kind, unit),
        Reasons.ApertureTooWide
            or Reasons.ApertureTooNarrow
            or Reasons.OutsideZoom
            or Reasons.ReducerLimitsAperture
            or Reasons.FasterThanPossible
            or Reasons.TakingLensTooShort => Aperture(given, kind),
        Reasons.CircleLargerThanFrame
            or Reasons.CircleDoesNotCover
            or Reasons.OpeningTooSmall
            or Reasons.Enlarged
            or Reasons.DiffractionSoftens => Picture(given, kind),
        Reasons.PixelsUnknown
            or Reasons.FrontUnknown
            or Reasons.NotMeasured => Convention(given, kind),
        Reasons.TooDark
            or Reasons.TooBright
            or Reasons.VariableFilterOutOfRange
            or Reasons.ShutterLongerThanFrame
            or Reasons.MotionStutters
            or Reasons.MotionSmears
            or Reasons.Flickers => Light(given, kind),
        _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "One reason at a time."),
    };
}

using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Rigs;

/// <summary>How much a reason weighs.</summary>
public enum Severity
{
    /// <summary>There is no such picture.</summary>
    Stops,

    /// <summary>The picture is there, but spoilt or other than was set.</summary>
    Spoils,

    /// <summary>It works, at a cost: light, a function, weight.</summary>
    Costs,

    /// <summary>Something to know.</summary>
    Note,
}

/// <summary>A reason in words.</summary>
/// <param name="Kind">Which.</param>
/// <param name="Severity">How much it weighs.</param>
/// <param name="Quantity">What it is about.</param>
/// <param name="Value">The value that it is about, with its unit.</param>
/// <param name="Bound">The bound that was met, with its unit.</param>
/// <param name="Message">What is so, naming value and bound.</param>
/// <param name="Mend">What to do.</param>
public sealed record Reason(Reasons Kind, Severity Severity, string Quantity, string Value, string Bound, string Message, string Mend);

/// <summary>Puts reasons in words: the quantity, its bound and a mend.</summary>
public static partial class ReasonWords
{
    private static readonly Reasons[] Each = [.. Enum.GetValues<Reasons>().Where(r => r != Reasons.None)];

    /// <summary>All reasons of a case in words, the weightiest first.</summary>
    /// <param name="given">The case.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>Reasons; empty when nothing stands in the way.</returns>
    public static IReadOnlyList<Reason> Of(in FigureCase given, LengthUnit unit)
    {
        var words = new List<Reason>();
        foreach (var reason in Each)
        {
            if (given.Report.Reasons.HasFlag(reason))
            {
                words.Add(Say(given, reason, unit));
            }
        }

        return [.. words.OrderBy(w => w.Severity)];
    }

    private static Reason Say(in FigureCase given, Reasons kind, LengthUnit unit) => kind switch
    {
        Reasons.TooClose
            or Reasons.TooFar
            or Reasons.InsideLens
            or Reasons.NearestFocusIncomplete
            or Reasons.NearestFocusUnlikely
            or Reasons.InfinityLost
            or Reasons.FaceStretched => Focus(given, kind, unit),
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
            or Reasons.Flickers => Light(given, kind),
        _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "One reason at a time."),
    };
}

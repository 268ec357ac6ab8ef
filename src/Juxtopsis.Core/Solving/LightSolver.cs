using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Solving;

/// <summary>Which sensitivity and filter bring a picture to a brightness.</summary>
public static class LightSolver
{
    /// <summary>The sensitivity that exposure values go by, and the lowest of a body of which none is known.</summary>
    internal const double UsualIso = 100;

    private const double Nothing = 1e-9;

    /// <summary>Makes a picture brighter or darker.</summary>
    /// <param name="rig">The rig.</param>
    /// <param name="stops">How much brighter it is to be, stops; negative for darker.</param>
    /// <param name="giving">Which of sensitivity and filter may move.</param>
    /// <returns>
    /// Brighter: filters come off first, then the sensitivity rises. Darker: the sensitivity falls to the lowest that the body has (ISO
    /// 100 when that is not known), then filters go on. So there is never more noise than must be.
    /// </returns>
    public static Solution Brighten(in Rig rig, double stops, Giving giving)
    {
        var filter = rig.FilterStops;
        var iso = rig.SensitivityIso;
        var left = stops;
        if (left > 0 && giving.HasFlag(Giving.Filter))
        {
            left -= Move(ref filter, Math.Max(0, filter - left));
        }

        if (giving.HasFlag(Giving.Sensitivity) && iso is { } now)
        {
            var lowest = Math.Min(now, rig.LowestIso ?? UsualIso);
            iso = Math.Clamp(now * PortableMath.Exp2(left), lowest, Quantity.Sensitivity.Max);
            left -= PortableMath.Log2(iso.Value / now);
        }

        if (left < 0 && giving.HasFlag(Giving.Filter))
        {
            left += Move(ref filter, Math.Min(Quantity.FilterStops.Max, filter - left));
        }

        var isMet = Math.Abs(left) < Nothing;
        return new Solution(
            "Light",
            isMet ? SolveBound.None : left > 0 ? SolveBound.Sensitivity : SolveBound.Filter,
            isMet ? Said(rig, iso, filter) : $"{Said(rig, iso, filter)} It stays {Count(Math.Round(Math.Abs(left), 1))} too {(left > 0 ? "dark" : "bright")}.".TrimStart(),
            isMet ? "" : Fix(rig, left > 0, giving))
        {
            SensitivityIso = iso == rig.SensitivityIso ? null : iso,
            FilterStops = filter == rig.FilterStops ? null : filter,
        };
    }

    private static double Move(ref double filter, double to)
    {
        var moved = Math.Abs(to - filter);
        filter = to;
        return moved;
    }

    private static string Said(in Rig rig, double? iso, double filter)
    {
        var sensitivity = iso == rig.SensitivityIso ? "" : $"ISO {Rounded(rig.SensitivityIso!.Value)} → {Rounded(iso!.Value)}";
        var filters = filter == rig.FilterStops ? "" : $"filter {LengthWords.Number(Math.Round(rig.FilterStops, 2))} → {Count(Math.Round(filter, 2))}";
        return sensitivity + (sensitivity.Length > 0 && filters.Length > 0 ? ", " : "") + filters + (sensitivity.Length + filters.Length > 0 ? "." : "");
    }

    private static string Rounded(double iso) => LengthWords.Number(Math.Round(iso));

    private static string Count(double stops) => $"{LengthWords.Number(stops)} {(stops == 1 ? "stop" : "stops")}";

    private static string Fix(in Rig rig, bool isDark, Giving giving) => (isDark, rig.SensitivityIso, giving.HasFlag(Giving.Filter)) switch
    {
        (true, null, _) => "Give the rig a sensitivity, so that it can rise; or add light.",
        (true, _, _) => "Add light, or open the aperture.",
        (false, _, false) => "Put a filter of that many stops on.",
        (false, _, true) => "Close the aperture, or shorten the shutter angle.",
    };
}

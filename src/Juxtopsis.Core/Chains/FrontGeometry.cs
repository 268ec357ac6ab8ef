using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Chains;

/// <summary>What decides how much of the corners' light passes the openings in front of a lens.</summary>
/// <param name="PupilToThreadMm">
/// From the entrance pupil to the front thread, mm: a lens's thread is taken to be as small as its maker dared, so that at the short end, wide open, one filter
/// leaves the corners of the lens's own image circle clear. Null when thread, circle or aperture are not known, or a filter would not be screwed on.
/// </param>
/// <param name="PupilRadiusMm">Radius of the entrance pupil as it is set, mm.</param>
/// <param name="CornerTangent">Tangent of the half angle to the corner of the picture.</param>
internal readonly record struct FrontGeometry(double? PupilToThreadMm, double PupilRadiusMm, double CornerTangent)
{
    /// <summary>That of a chain as it is set.</summary>
    public static FrontGeometry Of(ChainOptics optics) => new(PupilToThread(optics), optics.FocalLengthMm / optics.FNumber / 2, optics.CornerTangent);

    private static double? PupilToThread(ChainOptics optics)
    {
        if (optics.Lens.Get(LensFields.FilterThread) is not { } thread || optics.ImageCircleMm is not { } circle || optics.Lens.Get(LensFields.Widest) is not { } widest)
        {
            return null;
        }

        var tangent = circle / 2 / optics.Short;
        var room = (thread - FrontChecks.ThreadWallMm) / 2 - optics.Short / widest / 2;
        var most = optics.Lens.Get(CommonFields.Length) ?? 1.5 * optics.Short + 40;
        return Math.Clamp(room / tangent - FrontChecks.OneFilterMm, 0, most);
    }

    /// <summary>The openings of a stack, from the lens on, each with its distance from the entrance pupil; up to an attachment, whose rear opening is the last.</summary>
    public IEnumerable<(int Index, double ClearMm, double FromPupilMm)> Openings(IEnumerable<GearItem> front)
    {
        if (PupilToThreadMm is not { } away)
        {
            yield break;
        }

        var index = -1;
        foreach (var opening in front.Select(Opening.Of))
        {
            index++;
            away += opening.ThicknessMm;
            if (double.IsFinite(opening.ClearMm))
            {
                yield return (index, opening.ClearMm, away);
            }

            if (opening.IsLast)
            {
                yield break;
            }
        }
    }

    /// <summary>The opening that lets least of the corner's rays through.</summary>
    /// <param name="front">What is in front, from the lens on.</param>
    /// <returns>Its place, the share that it lets through, how far the rays pass from its middle and its radius; null where none is known.</returns>
    public (int Index, double Share, double OffsetMm, double RadiusMm)? Worst(IEnumerable<GearItem> front)
    {
        (int Index, double Share, double OffsetMm, double RadiusMm)? worst = null;
        foreach (var (index, clear, away) in Openings(front))
        {
            var offset = away * CornerTangent;
            var share = Coverage.BundleShare(clear / 2, PupilRadiusMm, offset);
            if (share < (worst?.Share ?? double.PositiveInfinity))
            {
                worst = (index, share, offset, clear / 2);
            }
        }

        return worst;
    }

    /// <summary>The share of the corner's rays that a stack lets through, 1 where nothing is known to cut.</summary>
    public double ClearShare(IEnumerable<GearItem> front) => ClearShare((Opening[])[.. front.Select(Opening.Of)]);

    /// <summary>The same by its openings.</summary>
    public double ClearShare(ReadOnlySpan<Opening> stack)
    {
        var least = 1.0;
        if (PupilToThreadMm is { } away)
        {
            foreach (var opening in stack)
            {
                away += opening.ThicknessMm;
                least = double.IsFinite(opening.ClearMm) ? Math.Min(least, Coverage.BundleShare(opening.ClearMm / 2, PupilRadiusMm, away * CornerTangent)) : least;
                if (opening.IsLast)
                {
                    break;
                }
            }
        }

        return least;
    }
}

/// <summary>A part in front of a lens as what light passes.</summary>
/// <param name="ThicknessMm">How far its front is before its back, mm; 0 for an attachment, of which the rear counts.</param>
/// <param name="ClearMm">Clear diameter, mm; infinite where it is not known.</param>
/// <param name="IsLast">True for an attachment: what is before that is behind other glass.</param>
internal readonly record struct Opening(double ThicknessMm, double ClearMm, bool IsLast)
{
    /// <summary>That of a part.</summary>
    public static Opening Of(GearItem item)
    {
        if (item.Kind == GearKind.Attachment)
        {
            return new(0, item.Get(FrontFields.RearOpening) ?? double.PositiveInfinity, true);
        }

        var thread = Math.Min(item.Get(CommonFields.RearThread) ?? double.PositiveInfinity, item.Get(CommonFields.FrontThread) ?? double.PositiveInfinity);
        return new(item.Get(CommonFields.Thickness) ?? FrontChecks.UsualThicknessMm(item), item.Get(CommonFields.Clear) ?? thread - FrontChecks.ThreadWallMm, false);
    }
}

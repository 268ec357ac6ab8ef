using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Chains;

/// <summary>The thread chain in front of a lens, and whether it cuts the corners.</summary>
internal static class FrontChecks
{
    /// <summary>Wall and thread of a ring or filter, mm across.</summary>
    public const double ThreadWallMm = 2;

    /// <summary>A filter that a maker leaves room for, mm.</summary>
    private const double OneFilterMm = 5;

    /// <summary>Below this share of the rays, the middle ones to the corner are gone: it looks cut rather than shaded.</summary>
    private const double Cut = 0.5;

    /// <summary>Below this, shading can be seen beside the lens's own: a tenth of a stop.</summary>
    private const double Shaded = 0.933;

    public static void Check(Anatomy anatomy, List<Diagnostic> findings)
    {
        if (anatomy.Lens is not { } lens)
        {
            return;
        }

        CheckCrossing(anatomy, findings);
        var before = lens;
        double? thread = lens.Item.Get(LensFields.FilterThread);
        var none = lens.Item.Get(LensFields.NoFilters) == true;
        foreach (var link in anatomy.Front)
        {
            Join(before, none, thread, link, findings);
            CheckTurning(lens, link, findings);
            none = link.Item.Get(CommonFields.NoFrontThread) == true;
            thread = link.Item.Get(CommonFields.FrontThread) ?? (link.Item.Kind is GearKind.StepRing or GearKind.Attachment ? null : link.Item.Get(CommonFields.RearThread));
            before = link;
        }
    }

    /// <summary>A variable filter is two polarisers; another one before or behind it crosses with them.</summary>
    private static void CheckCrossing(Anatomy anatomy, List<Diagnostic> findings)
    {
        var turning = anatomy.Front.Where(l => l.Item.Get(FrontFields.Effect) is FilterEffect.Variable or FilterEffect.Polariser).ToArray();
        if (turning is [var first, var second, ..] && turning.Any(l => l.Item.Get(FrontFields.Effect) == FilterEffect.Variable))
        {
            findings.Add(new(
                DiagnosticCode.CrossedPolarisers, Severity.Spoils, second.Place, first.Place,
                $"{first.Item.Name} and {second.Item.Name} both polarise: together they take light unevenly, and more or less as either is turned.",
                "Use a fixed filter beside a variable one or a polariser."));
        }
    }

    private static void Join(Link before, bool none, double? thread, Link link, List<Diagnostic> findings)
    {
        var needed = link.Item.Get(CommonFields.RearThread);
        if (none)
        {
            findings.Add(new(
                DiagnosticCode.NoThread, Severity.Stops, link.Place, before.Place, $"Nothing can be screwed on in front of {before.Item.Name}.",
                "Use a filter behind the lens or in a matte box, or another lens."));
        }
        else if (thread is null || needed is null)
        {
            var unknown = thread is null ? before : link;
            findings.Add(new(
                DiagnosticCode.ThreadUnknown, Severity.Note, unknown.Place, link.Place, $"The thread of {unknown.Item.Name} is not known; it is taken to fit.",
                "Measure it, and note it on the Shelf."));
        }
        else if (thread != needed)
        {
            findings.Add(new(
                DiagnosticCode.ThreadDiffers, Severity.Stops, link.Place, before.Place,
                $"{link.Item.Name} screws into {LengthWords.Millimetres(needed.Value)}; {before.Item.Name} offers {LengthWords.Millimetres(thread.Value)}.",
                $"Put a ring from {LengthWords.Millimetres(thread.Value)} to {LengthWords.Millimetres(needed.Value)} between them."));
        }
    }

    private static void CheckTurning(Link lens, Link link, List<Diagnostic> findings)
    {
        var turns = lens.Item.Get(LensFields.Rotates) == true;
        if (turns && (link.Item.Kind == GearKind.Attachment || link.Item.Get(FrontFields.Effect) is FilterEffect.Polariser or FilterEffect.Variable))
        {
            var attachment = link.Item.Kind == GearKind.Attachment;
            findings.Add(new(
                DiagnosticCode.FrontTurns, attachment ? Severity.Spoils : Severity.Costs, lens.Place, link.Place,
                $"The front of {lens.Item.Name} turns while focusing, and {link.Item.Name} with it.",
                attachment ? "Set the lens to infinity and leave it, or carry the attachment on rails." : "Set focus first, then turn the filter."));
        }
    }

    /// <summary>
    /// From the entrance pupil to the front thread, mm: a lens's thread is taken to be as small as its maker dared, so that at the
    /// short end, wide open, one filter leaves the corners of the lens's own image circle clear.
    /// </summary>
    /// <returns>Millimetres; null when thread, circle or aperture are not known.</returns>
    public static double? PupilToThreadMm(ChainOptics optics)
    {
        if (optics.Lens.Get(LensFields.FilterThread) is not { } thread || optics.ImageCircleMm is not { } circle || optics.Lens.Get(LensFields.Widest) is not { } widest)
        {
            return null;
        }

        var tangent = circle / 2 / optics.Short;
        var room = (thread - ThreadWallMm) / 2 - optics.Short / widest / 2;
        var most = optics.Lens.Get(CommonFields.Length) ?? 1.5 * optics.Short + 40;
        return Math.Clamp(room / tangent - OneFilterMm, 0, most);
    }

    /// <summary>The openings in front, each with its distance from the entrance pupil; up to an attachment, whose rear opening is the last.</summary>
    public static IEnumerable<(Link Link, double ClearMm, double FromPupilMm)> Openings(ChainOptics optics)
    {
        if (PupilToThreadMm(optics) is not { } away)
        {
            yield break;
        }

        foreach (var link in optics.Anatomy.Front)
        {
            if (link.Item.Kind == GearKind.Attachment)
            {
                if (link.Item.Get(FrontFields.RearOpening) is { } opening)
                {
                    yield return (link, opening, away);
                }

                yield break;
            }

            away += link.Item.Get(CommonFields.Thickness) ?? UsualThicknessMm(link.Item);
            var thread = Math.Min(link.Item.Get(CommonFields.RearThread) ?? double.PositiveInfinity, link.Item.Get(CommonFields.FrontThread) ?? double.PositiveInfinity);
            if ((link.Item.Get(CommonFields.Clear) ?? thread - ThreadWallMm) is var clear && double.IsFinite(clear))
            {
                yield return (link, clear, away);
            }
        }
    }

    public static double UsualThicknessMm(GearItem item) => item.Kind switch
    {
        GearKind.StepRing => 3,
        GearKind.CloseUpLens => 8,
        GearKind.Attachment => 120,
        _ => item.Get(FrontFields.Effect) is FilterEffect.Variable or FilterEffect.Polariser ? 8 : OneFilterMm,
    };

    /// <summary>Whether the stack in front cuts the corners at the focal length and aperture that are set.</summary>
    public static void CheckCorners(ChainOptics optics, List<Diagnostic> findings)
    {
        var pupil = optics.FocalLengthMm / optics.FNumber / 2;
        (Link Link, double Share, double Offset, double Radius)? worst = null;
        foreach (var (link, clear, away) in Openings(optics))
        {
            var offset = away * optics.CornerTangent;
            var share = Coverage.BundleShare(clear / 2, pupil, offset);
            if (share < (worst?.Share ?? Shaded))
            {
                worst = (link, share, offset, clear / 2);
            }
        }

        if (worst is not { } cut)
        {
            return;
        }

        var isCut = cut.Share < Cut;
        var to = PictureChecks.Percent(Math.Min(1, cut.Radius / cut.Offset));
        findings.Add(new(
            DiagnosticCode.CornersCut, isCut ? Severity.Spoils : Severity.Costs, cut.Link.Place, optics.Anatomy.Lens!.Value.Place,
            isCut
                ? $"At {LengthWords.Millimetres(Math.Round(optics.FocalLengthMm, 1))} {cut.Link.Item.Name} cuts the corners: the picture is clear to about {to} of the way to them."
                : $"At {LengthWords.Millimetres(Math.Round(optics.FocalLengthMm, 1))} {cut.Link.Item.Name} shades the corners by about {LengthWords.Number(Math.Round(-PortableMath.Log2(cut.Share), 1))} stops.",
            "An estimate from the lens’s own thread: try it. Fewer or thinner parts, a larger ring, a longer focal length or a smaller mode would cure it."));
    }
}

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
    public const double OneFilterMm = 5;

    /// <summary>Below this share of the rays, the middle ones to the corner are gone: it looks cut rather than shaded.</summary>
    public const double Cut = 0.5;

    /// <summary>Below this, shading can be seen beside the lens's own: a tenth of a stop.</summary>
    public const double Shaded = 0.933;

    public static void Check(Anatomy anatomy, List<Diagnostic> findings)
    {
        if (anatomy.Lens is not { } lens)
        {
            return;
        }

        CheckCrossing(anatomy, findings);
        CheckSeats(anatomy, findings);
        var before = lens;
        double? thread = lens.Item.Get(LensFields.FilterThread);
        var none = lens.Item.Get(LensFields.NoFilters) == true;
        foreach (var link in anatomy.Front.Where(l => l.Item.Get(FrontFields.Seat) is not FilterSeat.MatteBox))
        {
            Join(before, none, thread, link, findings);
            CheckTurning(lens, link, findings);
            none = link.Item.Get(CommonFields.NoFrontThread) == true;
            thread = StepRings.FrontOf(link.Item);
            before = link;
        }
    }

    /// <summary>A variable filter is two polarisers; another one before or behind it crosses with them.</summary>
    private static void CheckCrossing(Anatomy anatomy, List<Diagnostic> findings)
    {
        var turning = anatomy.Filters.Where(l => l.Item.Get(FrontFields.Effect) is FilterEffect.Variable or FilterEffect.Polariser).ToArray();
        if (turning is [var first, var second, ..] && turning.Any(l => l.Item.Get(FrontFields.Effect) == FilterEffect.Variable))
        {
            findings.Add(new(
                DiagnosticCode.CrossedPolarisers, Severity.Spoils, second.Place, first.Place,
                $"{first.Item.Name} and {second.Item.Name} both polarise: together they take light unevenly, and more or less as either is turned.",
                "Use a fixed filter beside a variable one or a polariser."));
        }
    }

    /// <summary>What goes into an adapter or behind the lens needs a place there, and there is one for one.</summary>
    private static void CheckSeats(Anatomy anatomy, List<Diagnostic> findings)
    {
        var (dropped, behind) = (0, 0);
        foreach (var link in anatomy.Inside)
        {
            if (link.Item.Get(FrontFields.Seat) == FilterSeat.Adapter)
            {
                if (dropped++ >= anatomy.Behind.Count(l => l.Item.Get(AdapterFields.TakesFilter) == true))
                {
                    findings.Add(new(
                        DiagnosticCode.NoFilterSeat, Severity.Stops, link.Place, -1, $"{link.Item.Name} goes into an adapter, and none of this chain has a place left for it.",
                        "Use an adapter that takes a filter, or a filter in front."));
                }
            }
            else if (behind++ > 0 || anatomy.Lens?.Item.Get(LensFields.TakesRearFilter) == false)
            {
                findings.Add(new(
                    DiagnosticCode.NoFilterSeat, Severity.Stops, link.Place, anatomy.Lens?.Place ?? -1, $"{anatomy.Lens?.Item.Name} has no place left for {link.Item.Name} behind it.",
                    "Use a filter in front, or in an adapter."));
            }
            else if (anatomy.Lens?.Item.Get(LensFields.TakesRearFilter) is null)
            {
                findings.Add(new(
                    DiagnosticCode.NoFilterSeat, Severity.Note, link.Place, anatomy.Lens?.Place ?? -1, $"Whether {anatomy.Lens?.Item.Name} takes a filter behind it is not known; it is taken to.",
                    "Try it, and note it on the Shelf."));
            }
        }
    }

    /// <summary>A polariser takes a sky unevenly that is wider than this across, degrees: it darkens most at a right angle to the sun.</summary>
    private const double SkyEvenDeg = 60;

    /// <summary>What polarises, against how wide the lens sees.</summary>
    public static void CheckWide(ChainOptics optics, List<Diagnostic> findings)
    {
        var equivalentMm = Math.Sqrt(36.0 * 36 + 24 * 24) / 2 / optics.CornerTangent;
        var acrossDeg = 360 / Math.PI * PortableMath.Atan(optics.Used.PictureWidthMm / (2 * optics.Magnification * optics.FocalLengthMm));
        foreach (var link in optics.Anatomy.Filters)
        {
            var effect = link.Item.Get(FrontFields.Effect);
            if (effect == FilterEffect.Polariser && acrossDeg > SkyEvenDeg)
            {
                findings.Add(new(
                    DiagnosticCode.PolariserUneven, Severity.Note, link.Place, optics.Anatomy.Lens!.Value.Place,
                    $"{link.Item.Name} darkens a clear sky unevenly over {LengthWords.Number(Math.Round(acrossDeg))}°: most at a right angle to the sun.",
                    "Keep the sky small in the picture, or use a longer lens."));
            }
            else if (effect == FilterEffect.Variable && link.Item.Get(FrontFields.CrossBelow) is { } below && equivalentMm < below)
            {
                findings.Add(new(
                    DiagnosticCode.CrossInCorners, Severity.Costs, link.Place, optics.Anatomy.Lens!.Value.Place,
                    $"At {LengthWords.Number(Math.Round(equivalentMm))} mm equivalent {link.Item.Name} draws a dark cross towards its strongest setting; it does so below {LengthWords.Number(below)} mm.",
                    "Turn it less far, use a fixed filter, or a longer lens."));
            }
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
        var geometry = FrontGeometry.Of(optics);
        var worst = geometry.Worst(optics.Anatomy.Front.Select(l => l.Item));
        if (worst is not { Share: < Shaded } cut)
        {
            return;
        }

        var (isCut, link) = (cut.Share < Cut, optics.Anatomy.Front[cut.Index]);
        var to = PictureChecks.Percent(Math.Min(1, cut.RadiusMm / cut.OffsetMm));
        findings.Add(new(
            DiagnosticCode.CornersCut, isCut ? Severity.Spoils : Severity.Costs, link.Place, optics.Anatomy.Lens!.Value.Place,
            isCut
                ? $"At {LengthWords.Millimetres(Math.Round(optics.FocalLengthMm, 1))} {link.Item.Name} cuts the corners: the picture is clear to about {to} of the way to them."
                : $"At {LengthWords.Millimetres(Math.Round(optics.FocalLengthMm, 1))} {link.Item.Name} shades the corners by about {LengthWords.Number(Math.Round(-PortableMath.Log2(cut.Share), 1))} stops.",
            "An estimate from the lens’s own thread: try it. Fewer or thinner parts, a larger ring, a longer focal length or a smaller mode would cure it."));
    }
}

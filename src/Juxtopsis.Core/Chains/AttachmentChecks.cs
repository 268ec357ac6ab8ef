using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Chains;

/// <summary>A squeeze attachment against the lens behind it.</summary>
internal static class AttachmentChecks
{
    public static void Check(ChainOptics optics, List<Diagnostic> findings)
    {
        var lens = optics.Anatomy.Lens!.Value;
        foreach (var link in optics.Anatomy.Front.Where(l => l.Item.Kind == GearKind.Attachment))
        {
            if (ShortestTakingMm(optics, link.Item) is { } shortest && optics.FocalLengthMm < shortest - 1e-6)
            {
                var least = LengthWords.Millimetres(Math.Round(shortest, 1));
                findings.Add(new(
                    DiagnosticCode.TakingLensTooShort, Severity.Spoils, link.Place, lens.Place,
                    $"On this area {link.Item.Name} wants a taking lens of {least} or longer; {LengthWords.Millimetres(Math.Round(optics.FocalLengthMm, 1))} shows dark corners.",
                    optics.Long >= shortest ? $"Zoom to {least} or longer." : "Use a longer lens, or a smaller mode."));
            }

            if (link.Item.Get(FrontFields.FocusesItself) == true)
            {
                findings.Add(new(
                    DiagnosticCode.SetToInfinity, Severity.Note, lens.Place, link.Place, $"Set {lens.Item.Name} to infinity; {link.Item.Name} focuses.",
                    "Check alignment: a point light’s streak must be level."));
            }
        }
    }

    /// <summary>
    /// The shortest taking lens for the used area: its maker's figure for the diagonal nearest to it, scaled by the diagonal, which
    /// keeps the angle.
    /// </summary>
    public static double? ShortestTakingMm(ChainOptics optics, GearItem attachment)
    {
        var points = attachment.Get(FrontFields.ShortestTaking);
        if (points.Count == 0)
        {
            return null;
        }

        var diagonal = optics.UsedDiagonalMm / optics.Magnification;
        var nearest = points.MinBy(p => Math.Max(p.At / diagonal, diagonal / p.At));
        return nearest.Value * diagonal / nearest.At;
    }
}

using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Chains;

/// <summary>Where focus begins and ends with tubes and close-up lenses.</summary>
internal static class FocusChecks
{
    public static void Check(ChainOptics optics, in Rig rig, LengthUnit unit, List<Diagnostic> findings)
    {
        var lens = optics.Anatomy.Lens!.Value;
        if (lens.Item.Get(LensFields.Nearest) is null)
        {
            findings.Add(new(
                DiagnosticCode.MinimumFocusUnknown, Severity.Note, lens.Place, -1, $"The nearest focus of {lens.Item.Name} is not known; the plain lens stands in.",
                "Look at its ring, and note it on the Shelf."));
        }

        CheckGlass(optics, rig, findings);
        var travel = LensInChain.Of(rig, rig.FocalLengthMm).Travel;
        if (!travel.HasFarEnd)
        {
            return;
        }

        var at = optics.Anatomy.Front.Concat(optics.Anatomy.Behind).First(l => l.Item.Get(FrontFields.Dioptres) > 0 || l.Item.Get(AdapterFields.Extension) > 0);
        if (!travel.CanFocus)
        {
            findings.Add(new(
                DiagnosticCode.CannotFocus, Severity.Stops, at.Place, lens.Place, $"With {at.Item.Name} behind the glass no light is brought to the sensor.",
                $"Put {at.Item.Name} between the glass and the lens, or take it off."));
            return;
        }

        var (near, far) = (travel.NearestMm(), travel.FarthestMm());
        findings.Add(new(
            DiagnosticCode.FocusEnds, Severity.Costs, at.Place, lens.Place,
            $"Focus reaches from {Say(near, unit)} to {Say(far, unit)} from the sensor mark, and no farther.", $"Take {at.Item.Name} off for anything farther."));
    }

    /// <summary>Where glass stands decides how near a lens focuses through it, and what a tube does.</summary>
    private static void CheckGlass(ChainOptics optics, in Rig rig, List<Diagnostic> findings)
    {
        var unknown = optics.Anatomy.Behind.Where(l => l.Item.Get(AdapterFields.Magnification) is not (null or 1)).Zip(optics.Converters)
            .Where(p => p.Second.PlaceMm is null).Select(p => p.First).ToArray();
        if (unknown is [var link, ..])
        {
            var k = link.Item.Get(AdapterFields.Magnification)!.Value;
            var off = Math.Round(Converter.UsualPlaceMarginMm * Math.Abs(1 - k), 1);
            findings.Add(new(
                DiagnosticCode.ConverterPlaceUnknown, Severity.Note, link.Place, -1,
                $"Where the glass of {link.Item.Name} stands is not known; {LengthWords.Millimetres(Converter.UsualPlaceMm)} before the lens’s focal plane stand in, and distances may be {LengthWords.Millimetres(off)} off.",
                "Give the length of the adapter and the flange distances of both mounts on the Shelf."));
        }
    }

    private static string Say(double mm, LengthUnit unit) => LengthWords.Distance(mm >= 1000 ? Math.Round(mm, 0) : Math.Round(mm, 1), unit);
}

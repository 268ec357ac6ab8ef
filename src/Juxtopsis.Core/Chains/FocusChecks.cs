using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Chains;

/// <summary>Where focus begins and ends with tubes and close-up lenses.</summary>
internal static class FocusChecks
{
    public static void Check(ChainOptics optics, in Rig rig, LengthUnit unit, List<Finding> findings)
    {
        var lens = optics.Anatomy.Lens!.Value;
        if (lens.Item.Get(LensFields.Nearest) is null)
        {
            findings.Add(new(
                FindingKind.NearestUnknown, Severity.Note, lens.Place, -1, $"The nearest focus of {lens.Item.Name} is not known; the plain lens stands in.",
                "Look at its ring, and note it on the Shelf."));
        }

        if (rig.ExtensionMm == 0 && rig.CloseUpDioptres == 0)
        {
            return;
        }

        var travel = RigEvaluator.TravelOf(rig, rig.Optics.Magnification * rig.FocalLengthMm);
        var at = optics.Anatomy.Front.Concat(optics.Anatomy.Behind).First(l => l.Item.Get(FrontFields.Dioptres) > 0 || l.Item.Get(AdapterFields.Extension) > 0);
        var (near, far) = (travel.NearestMm(), travel.FarthestMm());
        findings.Add(new(
            FindingKind.FocusEnds, Severity.Costs, at.Place, lens.Place,
            $"Focus reaches from {Say(near, unit)} to {Say(far, unit)} from the sensor mark, and no farther.", $"Take {at.Item.Name} off for anything farther."));
    }

    private static string Say(double mm, LengthUnit unit) => LengthWords.Distance(mm >= 1000 ? Math.Round(mm, 0) : Math.Round(mm, 1), unit);
}

using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Chains;

/// <summary>What the rig weighs and how long it is, against what carries it.</summary>
internal static class LoadChecks
{
    /// <summary>What may hang on a mount when its safe load is not known, g.</summary>
    public const double UsualSafeLoadG = 1500;

    /// <summary>From this share of the payload on, motors work hard and each lens change means balancing anew.</summary>
    private const double Near = 0.9;

    /// <summary>Most carriers ask about lithium batteries above this, Wh.</summary>
    private const double FlightWh = 100;

    public static void Check(Anatomy anatomy, ChainLayout layout, MountBook mounts, List<Diagnostic> findings)
    {
        CheckSupports(anatomy, layout, findings);
        CheckHanging(anatomy, mounts, findings);
        foreach (var link in anatomy.Extras.Where(l => l.Item.Get(BagFields.Energy) > FlightWh))
        {
            findings.Add(new(
                DiagnosticCode.BatteryInFlight, Severity.Note, link.Place, -1, $"{link.Item.Name} holds {LengthWords.Number(link.Item.Get(BagFields.Energy)!.Value)} Wh.",
                "Large lithium batteries have limits in flight: ask the carrier."));
        }
    }

    public static string Weight(double grams) => grams >= 1000 ? $"{LengthWords.Number(Math.Round(grams / 1000, 2))} kg" : $"{LengthWords.Number(Math.Round(grams))} g";

    private static void CheckSupports(Anatomy anatomy, ChainLayout layout, List<Diagnostic> findings)
    {
        foreach (var link in anatomy.Supports)
        {
            if (link.Item.Get(SupportFields.Type) == SupportType.Arm)
            {
                findings.Add(new(
                    DiagnosticCode.OverheadRigging, Severity.Note, link.Place, -1, $"{link.Item.Name} may hold the camera over people.",
                    "Rated fixings, a second safety of its own, nobody underneath while rigging; ask competent people and follow local rules."));
            }

            var load = layout.WeightG - layout.SupportWeightG(link.Place);
            if (link.Item.Get(SupportFields.Payload) is { } payload)
            {
                CheckPayload(link, load, payload, layout.WeightUnknown > 0, findings);
            }

            if (link.Item.Get(SupportFields.Longest) is { } longest && layout.LengthMm > longest)
            {
                findings.Add(new(
                    DiagnosticCode.RigTooLong, Severity.Stops, link.Place, -1,
                    $"The rig is {PictureChecks.Mm(layout.LengthMm)} long; {link.Item.Name} balances {PictureChecks.Mm(longest)} at most.", "Use a shorter lens or fewer parts, or a larger support."));
            }
        }
    }

    private static void CheckPayload(Link link, double load, double payload, bool atLeast, List<Diagnostic> findings)
    {
        var says = $"{(atLeast ? "at least " : "")}{Weight(load)}";
        if (load > payload)
        {
            findings.Add(new(
                DiagnosticCode.RigTooHeavy, Severity.Stops, link.Place, -1, $"{link.Item.Name} carries {Weight(payload)}; the rig weighs {says}.",
                $"Take {Weight(load - payload)} off, or use a stronger support."));
        }
        else if (load > Near * payload)
        {
            findings.Add(new(
                DiagnosticCode.NearPayload, Severity.Costs, link.Place, -1, $"The rig weighs {says}, {PictureChecks.Percent(load / payload)} of what {link.Item.Name} carries.",
                "Balance it anew at every lens change, and watch its motors."));
        }
    }

    private static void CheckHanging(Anatomy anatomy, MountBook mounts, List<Diagnostic> findings)
    {
        var carried = anatomy.Supports.Any(l => l.Item.Get(SupportFields.CarriesLens) == true);
        foreach (var link in anatomy.Front.Where(l => l.Item.Get(FrontFields.NeedsSupport) == true && !carried))
        {
            findings.Add(new(
                DiagnosticCode.LensNeedsSupport, Severity.Costs, link.Place, -1, $"{link.Item.Name} must not hang on the lens’s thread.", "Carry it on rails with a lens support."));
        }

        if (anatomy is not { Camera: { Item.Kind: GearKind.Body } camera, Lens: { } lens } || carried)
        {
            return;
        }

        var hanging = anatomy.Behind.Append(lens).Concat(anatomy.Filters).Sum(l => l.Item.Get(CommonFields.Weight) ?? 0);
        var safe = mounts.Find(anatomy.BodyMount(mounts))?.Get(MountFields.SafeLoad) ?? UsualSafeLoadG;
        if (hanging > safe)
        {
            var foot = lens.Item.Get(LensFields.HasFoot) == true;
            findings.Add(new(
                DiagnosticCode.LensNeedsSupport, foot ? Severity.Note : Severity.Costs, lens.Place, camera.Place,
                $"{Weight(hanging)} hang on the mount, which bears {Weight(safe)} by itself.",
                foot ? "Carry it by the lens’s foot." : "Add rails with a lens support."));
        }
    }
}

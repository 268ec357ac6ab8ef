using Juxtopsis.Core.Briefs;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Bags;

/// <summary>A rig as it is built for a shot, on what carries it.</summary>
/// <param name="Shot">Index of the shot.</param>
/// <param name="Support">What of the bag carries it; null where nothing need, or nothing does.</param>
/// <param name="WeightG">What hangs or stands on it, g, in so far as it is known.</param>
/// <param name="WeightsUnknown">Of how many parts the weight is not known.</param>
/// <param name="LengthMm">From the back of the camera to the front; null when a length on the way is not known.</param>
/// <param name="CentreOfGravityMm">Where it balances, from the sensor mark towards the subject, mm; see <see cref="ChainLayout.CentreOfGravityMm"/>.</param>
/// <param name="Findings">What speaks against it.</param>
/// <param name="Rebalances">True when it is another rig on the same gimbal than in the shot before, and so must be balanced anew.</param>
public sealed record CarriedRig(
    int Shot, GearItem? Support, double WeightG, int WeightsUnknown, double? LengthMm, double? CentreOfGravityMm, IReadOnlyList<Diagnostic> Findings, bool Rebalances);

/// <summary>Whether what a bag has to carry the camera carries the whole rig, shot by shot.</summary>
public static class BagCarry
{
    private static readonly DiagnosticCode[] OfLoad = [DiagnosticCode.RigTooHeavy, DiagnosticCode.NearPayload, DiagnosticCode.RigTooLong, DiagnosticCode.LensNeedsSupport];

    /// <summary>The rigs of a bag on what carries them.</summary>
    /// <param name="bag">The bag: its supports, and what sits on the rig.</param>
    /// <param name="mounts">The mounts.</param>
    /// <param name="shots">The shots that the bag does, in shooting order: how each is carried, the support that it names, if any, its rig and mode.</param>
    /// <returns>One for each shot.</returns>
    public static IReadOnlyList<CarriedRig> Of(Bag bag, MountBook mounts, IReadOnlyList<(int Shot, CameraSupport By, Guid? Named, FitRig Rig, FitMode Mode)> shots)
    {
        ArgumentNullException.ThrowIfNull(bag);
        ArgumentNullException.ThrowIfNull(shots);
        GearItem[] onRig = [.. bag.Lines.Where(l => l.OnRig && l.Item.Kind is GearKind.BagItem or GearKind.Support && l.Item.Get(SupportFields.Type) is null or SupportType.Rails).Select(l => l.Item)];
        GearItem[] supports = [.. bag.Lines.Where(l => l.Item.Kind == GearKind.Support && l.Item.Get(SupportFields.Type) != SupportType.Rails).Select(l => l.Item)];
        var carried = new List<CarriedRig>();
        (GearItem? Support, IReadOnlyList<Guid> Parts) before = (null, []);
        foreach (var (shot, by, named, rig, mode) in shots)
        {
            var made = Best(shot, by, named, [.. rig.Parts, .. onRig], mode, supports, mounts);
            Guid[] parts = [.. rig.Parts.Select(p => p.Id)];
            var again = made.Support?.Get(SupportFields.Type) is SupportType.Gimbal or SupportType.Drone && made.Support.Id == before.Support?.Id && !parts.SequenceEqual(before.Parts);
            carried.Add(made with { Rebalances = again });
            before = made.Support is null ? before : (made.Support, parts);
        }

        return carried;
    }

    /// <summary>The one that is named, else the lightest that carries the rig, else the strongest of its kind.</summary>
    private static CarriedRig Best(int shot, CameraSupport by, Guid? named, IReadOnlyList<GearItem> parts, FitMode mode, GearItem[] supports, MountBook mounts)
    {
        var type = CameraSupports.Asks(by);
        var kind = named is { } id && Array.Find(supports, s => s.Id == id) is { } own ? [own] : type is null ? [] : supports.Where(s => s.Get(SupportFields.Type) == type).ToArray();
        var tried = kind.Select(s => On(shot, s, parts, mode, mounts)).OrderBy(c => c.Findings.Count(f => f.Severity == Severity.Stops)).ToArray();
        if (tried.Length > 0)
        {
            return tried[0].Findings.Any(f => f.Severity == Severity.Stops)
                ? tried.OrderBy(c => c.Findings.Count(f => f.Severity == Severity.Stops)).ThenByDescending(c => c.Support!.Get(SupportFields.Payload) ?? 0).First()
                : tried.Where(c => c.Findings.All(f => f.Severity != Severity.Stops)).OrderBy(c => c.Findings.Count).ThenBy(c => c.Support!.WeightG ?? double.MaxValue).ThenBy(c => c.Support!.FullName, StringComparer.Ordinal).First();
        }

        var bare = On(shot, null, parts, mode, mounts);
        return type is { } lacking
            ? bare with
            {
                Findings =
                [
                    new(DiagnosticCode.SupportMissing, Severity.Costs, $"No {Word(lacking)} is in the bag, which the shot asks for.", "Pack one, or carry the camera otherwise."), .. bare.Findings,
                ],
            }
            : bare;
    }

    private static CarriedRig On(int shot, GearItem? support, IReadOnlyList<GearItem> parts, FitMode mode, MountBook mounts)
    {
        IReadOnlyList<GearItem> all = support is null ? parts : [.. parts, support];
        var made = ChainAssembler.Assemble(all, mounts, new ChainSetting { Mode = mode.Item.Name });
        return new(
            shot, support, made.Layout.WeightG - (support?.WeightG ?? 0), made.Layout.WeightUnknown - (support is { WeightG: null } ? 1 : 0), made.Layout.LengthKnown ? made.Layout.LengthMm : null,
            made.Layout.CentreOfGravityMm, [.. made.Findings.Where(f => OfLoad.Contains(f.Code))], false);
    }

    private static string Word(SupportType type) => type switch
    {
        SupportType.Gimbal => "gimbal",
        SupportType.Head => "tripod head",
        SupportType.Drone => "drone",
        _ => "arm",
    };
}

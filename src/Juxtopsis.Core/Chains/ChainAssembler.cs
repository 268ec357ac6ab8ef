using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Chains;

/// <summary>What came of putting parts together.</summary>
/// <param name="Rig">The rig in numbers; null when camera, mode or lens are missing.</param>
/// <param name="Findings">What was found, the weightiest first.</param>
/// <param name="Layout">The parts along the axis, weight and price.</param>
public sealed record Assembly(Rig? Rig, IReadOnlyList<Diagnostic> Findings, ChainLayout Layout)
{
    /// <summary>True when its image circle only goes by what the lens was made for.</summary>
    public bool CircleIsEstimated { get; init; }

    /// <summary>The well-known format whose diagonal is nearest to what the lens sees through all glass behind it; null without a rig.</summary>
    public SensorFormat? LikeFormat { get; init; }

    /// <summary>The frame rate to capture, where the mode lacks the one that is set; null where it does not.</summary>
    public double? RateInstead { get; init; }

    /// <summary>True when nothing stops it.</summary>
    public bool Works => Rig is not null && Findings.All(f => f.Severity != Severity.Stops);
}

/// <summary>
/// Puts parts together, in order from the sensor to the front: a rig, and what stops it, spoils it, costs something or is to be
/// known. What is not known of a part never stops a chain; what stands in for it is said.
/// </summary>
public static class ChainAssembler
{
    /// <summary>Puts parts together.</summary>
    /// <param name="parts">A camera, then what stands between body and lens, the lens, what is in front; supports and items anywhere after the camera.</param>
    /// <param name="mounts">The mounts that the parts name.</param>
    /// <param name="setting">Mode, focal length, aperture.</param>
    /// <param name="unit">The person's unit for distances in sentences.</param>
    /// <returns>The assembly. Even one that is stopped has its rig, where there are a camera, a mode and a lens.</returns>
    public static Assembly Assemble(IReadOnlyList<GearItem> parts, MountBook mounts, ChainSetting setting, LengthUnit unit = LengthUnit.Metres)
    {
        ArgumentNullException.ThrowIfNull(parts);
        ArgumentNullException.ThrowIfNull(mounts);
        ArgumentNullException.ThrowIfNull(setting);
        var findings = new List<Diagnostic>();
        NoteTests(parts, findings);
        var anatomy = Anatomy.Of([.. parts.Select(p => p.AsTested())], setting, findings);
        var layout = new ChainLayout(anatomy, mounts);
        MountChecks.Check(anatomy, mounts, findings);
        SignalChecks.Check(anatomy, findings);
        FrontChecks.Check(anatomy, findings);
        LoadChecks.Check(anatomy, layout, mounts, findings);
        NoteUnknownWeights(anatomy, findings);
        Rig? rig = null;
        var estimated = false;
        double? instead = null;
        SensorFormat? like = null;
        if (anatomy is { Camera: not null, Mode: not null, Lens: not null })
        {
            var optics = new ChainOptics(anatomy, mounts, setting);
            estimated = optics.CircleIsEstimated;
            PictureChecks.Check(optics, findings);
            instead = PictureChecks.RateInstead(optics);
            like = SensorFormat.Nearest(optics.Used.PictureWidthMm / optics.Magnification, optics.Used.HeightMm / optics.Magnification);
            FrontChecks.CheckCorners(optics, findings);
            FrontChecks.CheckWide(optics, findings);
            AttachmentChecks.Check(optics, findings);
            rig = RigOfChain.Build(optics, layout, findings);
            FocusChecks.Check(optics, rig.Value, unit, findings);
        }

        return new(rig, [.. findings.OrderBy(f => f.Severity)], layout) { CircleIsEstimated = estimated, RateInstead = instead, LikeFormat = like };
    }

    /// <summary>What rests on a test says so.</summary>
    private static void NoteTests(IReadOnlyList<GearItem> parts, List<Diagnostic> findings)
    {
        for (var i = 0; i < parts.Count; i++)
        {
            if (parts[i].Get(CommonFields.TestedBy) is { Length: > 0 } tests)
            {
                findings.Add(new(DiagnosticCode.GoesByTests, Severity.Note, i, -1, $"{parts[i].Name} goes by tests: {tests.ReplaceLineEndings("; ")}.", ""));
            }
        }
    }

    private static void NoteUnknownWeights(Anatomy anatomy, List<Diagnostic> findings)
    {
        var unknown = anatomy.Parts.Where(p => p.Get(CommonFields.Weight) is null).Select(p => p.Name).ToArray();
        if (unknown.Length > 0)
        {
            findings.Add(new(
                DiagnosticCode.WeightUnknown, Severity.Note, -1, -1,
                $"The weight of {string.Join(", ", unknown.Take(3))}{(unknown.Length > 3 ? " and others" : "")} is not known; the total is at least what is told.", "Weigh it, and note it on the Shelf."));
        }
    }
}

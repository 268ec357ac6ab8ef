using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Chains;

/// <summary>What still works through the links between body and lens: focus drive, iris, stabilisation, remote zoom.</summary>
internal static class SignalChecks
{
    public static void Check(Anatomy anatomy, List<Diagnostic> findings)
    {
        if (anatomy is not { Camera: { Item.Kind: GearKind.Body } camera, Lens: { Item.Kind: GearKind.Lens } lens })
        {
            return;
        }

        CheckFocus(anatomy, camera, lens, findings);
        CheckIris(anatomy, camera, lens, findings);
        if (lens.Item.Get(LensFields.Stabilisation) is > 0 and var stops)
        {
            Weigh(
                anatomy, AdapterFields.CarriesStabilisation, "the lens’s stabilisation", findings,
                link => new(
                    DiagnosticCode.StabilisationLost, Severity.Costs, link.Place, lens.Place,
                    $"{link.Item.Name} does not carry the lens’s stabilisation of {LengthWords.Number(stops)} stops.", "Steady the body, or use an adapter that carries it."));
        }

        if (lens.Item.Get(LensFields.RemoteZoom) == true)
        {
            Weigh(
                anatomy, AdapterFields.CarriesZoom, "the remote zoom", findings,
                link => new(
                    DiagnosticCode.ZoomDriveLost, Severity.Costs, link.Place, lens.Place,
                    $"{link.Item.Name} does not carry the remote zoom.", "Zoom by hand, or use an adapter that carries it."));
        }
    }

    /// <summary>Whether all links are known to carry something; a link that says nothing is taken not to.</summary>
    public static bool Carries(Anatomy anatomy, FlagField field) => anatomy.Behind.All(l => l.Item.Get(field) == true);

    private static void CheckFocus(Anatomy anatomy, Link camera, Link lens, List<Diagnostic> findings)
    {
        var drive = lens.Item.Get(LensFields.Focus);
        if (drive is null or FocusDrive.Hand)
        {
            return;
        }

        Diagnostic Lost(Link at, string why) => drive == FocusDrive.ByWire
            ? new(DiagnosticCode.FocusStuck, Severity.Stops, at.Place, lens.Place, $"{why}; {lens.Item.Name} focuses by wire, so nothing moves its focus.", "Use an adapter that carries the focus drive, or a lens with a ring of its own.")
            : new(DiagnosticCode.FocusDriveLost, Severity.Costs, at.Place, lens.Place, $"{why}: focus is pulled by hand.", "Pull focus by hand, or use an adapter that carries the focus drive.");
        if (camera.Item.Get(BodyFields.DrivesFocus) == false)
        {
            findings.Add(Lost(camera, $"{camera.Item.Name} cannot drive a lens’s focus"));
            return;
        }

        Weigh(anatomy, AdapterFields.CarriesFocus, "the focus drive", findings, link => Lost(link, $"{link.Item.Name} does not carry the focus drive"));
    }

    /// <summary>Whether the iris can be set on the rig as it stands: on the lens, by a ring of an adapter, or by the body through all that is between.</summary>
    public static IrisSetting IrisOf(Anatomy anatomy)
    {
        if (anatomy is not { Camera: { Item.Kind: GearKind.Body } camera, Lens: { Item.Kind: GearKind.Lens } lens }
            || lens.Item.Get(LensFields.Iris) != IrisControl.ByBody || anatomy.Behind.Any(l => l.Item.Get(AdapterFields.OwnIris) == true))
        {
            return IrisSetting.CanBeSet;
        }

        return camera.Item.Get(BodyFields.SetsIris) == false || anatomy.Behind.Any(l => l.Item.Get(AdapterFields.CarriesIris) == false) ? IrisSetting.Stuck
            : anatomy.Behind.Any(l => l.Item.Get(AdapterFields.CarriesIris) is null) ? IrisSetting.Unknown
            : IrisSetting.CanBeSet;
    }

    private static void CheckIris(Anatomy anatomy, Link camera, Link lens, List<Diagnostic> findings)
    {
        if (IrisOf(anatomy) == IrisSetting.CanBeSet)
        {
            return;
        }

        Diagnostic Stuck(Link at, string why) => new(
            DiagnosticCode.IrisStuck, Severity.Spoils, at.Place, lens.Place, $"{why}, and {lens.Item.Name} has no ring: the iris stays as it was left, mostly wide open.",
            "Use an adapter that carries the iris or has a ring for it, or a lens with a ring.");
        if (camera.Item.Get(BodyFields.SetsIris) == false)
        {
            findings.Add(Stuck(camera, $"{camera.Item.Name} cannot set a lens’s iris"));
            return;
        }

        Weigh(anatomy, AdapterFields.CarriesIris, "the iris", findings, link => Stuck(link, $"{link.Item.Name} does not carry the iris"));
    }

    /// <summary>The first link that drops something is told; else the first that says nothing of it.</summary>
    private static void Weigh(Anatomy anatomy, FlagField field, string what, List<Diagnostic> findings, Func<Link, Diagnostic> lost)
    {
        var drops = anatomy.Behind.FindIndex(l => l.Item.Get(field) == false);
        var silent = anatomy.Behind.FindIndex(l => l.Item.Get(field) is null);
        if (drops >= 0)
        {
            findings.Add(lost(anatomy.Behind[drops]));
        }
        else if (silent >= 0)
        {
            var link = anatomy.Behind[silent];
            findings.Add(new(
                DiagnosticCode.AdapterSignalsUnknown, Severity.Note, link.Place, -1, $"It is not known whether {link.Item.Name} carries {what}; it is taken not to.",
                "Try it, and note it on the Shelf."));
        }
    }
}

/// <summary>Whether an iris can be set on a rig as it stands.</summary>
internal enum IrisSetting
{
    /// <summary>It can.</summary>
    CanBeSet,

    /// <summary>Whether something carries it is not known: it is taken to stay as it is.</summary>
    Unknown,

    /// <summary>It stays as it is.</summary>
    Stuck,
}

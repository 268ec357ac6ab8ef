using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Chains;

/// <summary>A part and its place in the chain.</summary>
internal readonly record struct Link(int Place, GearItem Item);

/// <summary>Which part of a chain plays which role.</summary>
internal sealed class Anatomy
{
    private Anatomy(IReadOnlyList<GearItem> parts) => Parts = parts;

    public IReadOnlyList<GearItem> Parts { get; }

    public Link? Camera { get; private set; }

    public GearItem? Mode { get; private set; }

    /// <summary>The mount of the body that the chain goes onto: the one of that name, else one that takes it, else its first.</summary>
    /// <param name="mounts">The mounts.</param>
    /// <returns>Its name; empty when none is known.</returns>
    public string BodyMount(MountBook mounts)
    {
        var offered = Camera is { } camera ? camera.Item.Get(BodyFields.Mounts) : [];
        var needed = Behind.Count > 0 ? Behind[0].Item.Get(AdapterFields.BodyMount) : Lens is { Item.Kind: GearKind.Lens } lens ? lens.Item.Get(LensFields.Mount) : "";
        return offered.FirstOrDefault(m => MountBook.Same(m, needed)) ?? offered.FirstOrDefault(m => needed.Length > 0 && mounts.Takes(m, needed)) ?? offered.FirstOrDefault("");
    }

    /// <summary>Between body and lens, from the body on.</summary>
    public List<Link> Behind { get; } = [];

    /// <summary>The lens; the camera itself where the lens stays on it.</summary>
    public Link? Lens { get; private set; }

    /// <summary>In front of the lens, from the lens on.</summary>
    public List<Link> Front { get; } = [];

    /// <summary>Filters in the chain that no light passes in front of the lens: in an adapter, or behind the lens.</summary>
    public List<Link> Inside { get; } = [];

    /// <summary>All that takes light on its way, in front and inside.</summary>
    public IEnumerable<Link> Filters => Front.Concat(Inside);

    public List<Link> Supports { get; } = [];

    /// <summary>What sits on the rig besides.</summary>
    public List<Link> Extras { get; } = [];

    public static Anatomy Of(IReadOnlyList<GearItem> parts, ChainSetting setting, List<Diagnostic> findings)
    {
        var anatomy = new Anatomy(parts);
        for (var i = 0; i < parts.Count; i++)
        {
            anatomy.Place(new Link(i, parts[i]), findings);
        }

        anatomy.ChooseMode(setting, findings);
        if (anatomy.Camera is null)
        {
            findings.Add(new(DiagnosticCode.NoCamera, Severity.Stops, -1, -1, "There is no camera.", "Start with a body, or with a camera that has its lens."));
        }
        else if (anatomy.Lens is null)
        {
            findings.Add(new(DiagnosticCode.NoLens, Severity.Stops, anatomy.Camera.Value.Place, -1, $"{anatomy.Camera.Value.Item.Name} has no lens.", "Add a lens."));
        }

        return anatomy;
    }

    private void Place(Link link, List<Diagnostic> findings)
    {
        switch (link.Item.Kind)
        {
            case GearKind.Body when link.Place == 0:
                Camera = link;
                break;
            case GearKind.FixedLensCamera when link.Place == 0:
                Camera = link;
                Lens = link;
                break;
            case GearKind.Adapter when Camera is { Item.Kind: GearKind.Body } && Lens is null:
                Behind.Add(link);
                break;
            case GearKind.Lens when Camera is not null && Lens is null:
                Lens = link;
                break;
            case GearKind.Filter when link.Item.Get(FrontFields.Seat) is FilterSeat.Adapter or FilterSeat.Rear && Camera is not null:
                Inside.Add(link);
                break;
            case GearKind.Attachment or GearKind.CloseUpLens or GearKind.Filter or GearKind.StepRing when Lens is not null:
                Front.Add(link);
                break;
            case GearKind.Support:
                Supports.Add(link);
                break;
            case GearKind.BagItem:
                Extras.Add(link);
                break;
            default:
                findings.Add(OutOfOrder(link));
                break;
        }
    }

    private Diagnostic OutOfOrder(Link link)
    {
        var name = link.Item.Name;
        var (reason, mend) = link.Item.Kind switch
        {
            GearKind.Body or GearKind.FixedLensCamera => ($"{name} is not at the start of the chain.", "Put the camera first; a chain has one."),
            GearKind.Lens when Camera is { Item.Kind: GearKind.FixedLensCamera } => ($"{Camera.Value.Item.Name} keeps its own lens, and takes no {name}.", "Take the lens out, or use a body."),
            GearKind.Lens when Lens is not null => ($"{name} is a second lens.", "Take one of the two out."),
            GearKind.Adapter when Camera is { Item.Kind: GearKind.FixedLensCamera } => ($"{Camera.Value.Item.Name} keeps its own lens, and takes no {name}.", "Take the adapter out, or use a body."),
            GearKind.Adapter => ($"{name} stands in front of the lens.", "Put it between body and lens."),
            GearKind.Mount => ($"{name} is a mount, not a part.", "Take it out."),
            _ => ($"{name} stands behind the lens, and belongs in front of it.", "Put it after the lens."),
        };
        return new(DiagnosticCode.OutOfOrder, Severity.Stops, link.Place, -1, reason, mend);
    }

    private void ChooseMode(ChainSetting setting, List<Diagnostic> findings)
    {
        if (Camera is not { } camera)
        {
            return;
        }

        var modes = camera.Item.Get(BodyFields.Modes);
        Mode = setting.Mode.Length == 0 ? modes.Count > 0 ? modes[0] : null : modes.FirstOrDefault(m => m.Name.Equals(setting.Mode, StringComparison.OrdinalIgnoreCase));
        if (Mode is null)
        {
            var asked = setting.Mode.Length == 0 ? "a recording mode" : $"the mode “{setting.Mode}”";
            findings.Add(new(
                DiagnosticCode.NoMode, Severity.Stops, camera.Place, -1, $"{camera.Item.Name} has no data of {asked}.",
                modes.Count == 0 ? "Add its recording modes on the Shelf." : $"Choose one of {string.Join(", ", modes.Take(6).Select(m => m.Name))}."));
        }
    }
}

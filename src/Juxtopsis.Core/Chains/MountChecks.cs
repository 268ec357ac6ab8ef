using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Chains;

/// <summary>Whether each part goes onto the one behind it, and infinity is where it should be.</summary>
internal static class MountChecks
{
    public static void Check(Anatomy anatomy, MountBook mounts, List<Diagnostic> findings)
    {
        if (anatomy.Camera is not { Item.Kind: GearKind.Body } camera)
        {
            return;
        }

        var behind = camera;
        IReadOnlyList<string> offered = camera.Item.Get(BodyFields.Mounts);
        foreach (var link in anatomy.Behind)
        {
            Join(behind, offered, link, link.Item.Get(AdapterFields.BodyMount), mounts, findings);
            CheckFlange(link, mounts, findings);
            (behind, offered) = (link, [link.Item.Get(AdapterFields.LensMount)]);
        }

        if (anatomy.Lens is { Item.Kind: GearKind.Lens } lens)
        {
            Join(behind, offered, lens, lens.Item.Get(LensFields.Mount), mounts, findings);
        }
    }

    private static void Join(Link behind, IReadOnlyList<string> offered, Link link, string needed, MountBook mounts, List<Diagnostic> findings)
    {
        var known = offered.Where(m => m.Length > 0).ToArray();
        if (needed.Length == 0 || known.Length == 0)
        {
            var without = needed.Length == 0 ? link : behind;
            findings.Add(new(
                DiagnosticCode.MountUnknown, Severity.Note, without.Place, -1, $"The mount of {without.Item.Name} is not known; it is taken to fit.",
                "Give its mount on the Shelf."));
        }
        else if (!known.Any(m => mounts.Takes(m, needed)))
        {
            var has = string.Join(" or ", known);
            findings.Add(new(
                DiagnosticCode.MountDiffers, Severity.Stops, link.Place, behind.Place,
                $"{link.Item.Name} ends in {needed}; {behind.Item.Name} takes {has}.",
                $"Put an adapter that goes on {has} and takes {needed} between them."));
        }
    }

    /// <summary>An adapter must fit between the two flange distances; glass may break the rule, and so may a tube.</summary>
    private static void CheckFlange(Link link, MountBook mounts, List<Diagnostic> findings)
    {
        var (bodyMount, lensMount) = (link.Item.Get(AdapterFields.BodyMount), link.Item.Get(AdapterFields.LensMount));
        if (MountBook.Same(bodyMount, lensMount) || (link.Item.Get(AdapterFields.Magnification) ?? 1) != 1)
        {
            return;
        }

        if (mounts.FlangeMm(bodyMount) is not { } body || mounts.FlangeMm(lensMount) is not { } lens)
        {
            var unknown = mounts.FlangeMm(bodyMount) is null ? bodyMount : lensMount;
            findings.Add(new(
                DiagnosticCode.FlangeUnknown, Severity.Note, link.Place, -1, $"The flange distance of {unknown} is not known; infinity is taken to be reached.",
                "Give it on the Shelf."));
        }
        else if (lens <= body)
        {
            findings.Add(new(
                DiagnosticCode.FlangeTooShort, Severity.Stops, link.Place, -1,
                $"Lenses for {lensMount} sit {LengthWords.Millimetres(lens)} from the sensor, {bodyMount} bodies keep them {LengthWords.Millimetres(body)} away: {link.Item.Name} has no room without glass.",
                "Use an adapter with glass, or give its magnification if it has some; or check the mounts’ flange distances."));
        }
    }
}

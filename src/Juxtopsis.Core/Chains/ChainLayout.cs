using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Optics;

namespace Juxtopsis.Core.Chains;

/// <summary>Where a part lies along the axis, for a drawing to scale. The sensor is at 0, the subject on the positive side.</summary>
/// <param name="Place">Place of the part in the chain.</param>
/// <param name="FromMm">Its back, mm.</param>
/// <param name="ToMm">Its front, mm.</param>
/// <param name="DiameterMm">Its height or diameter, mm.</param>
/// <param name="Assumed">True when length or diameter are not known and usual ones stand in.</param>
public readonly record struct PartSpan(int Place, double FromMm, double ToMm, double DiameterMm, bool Assumed);

/// <summary>A chain laid out along its axis, and what it weighs.</summary>
public sealed class ChainLayout
{
    private const double UsualFlangeMm = 20;
    private const double UsualDepthMm = 60;
    private const double UsualBodyHeightMm = 90;
    private const double UsualDiameterMm = 70;

    private readonly List<PartSpan> spans = [];
    private readonly double frontMm;

    internal ChainLayout(Anatomy anatomy, MountBook mounts)
    {
        Anatomy = anatomy;
        var at = 0.0;
        var backMm = 0.0;
        if (anatomy.Camera is { } camera)
        {
            var mount = anatomy.BodyMount(mounts);
            var flange = mounts.FlangeMm(mount);
            var depth = camera.Item.Get(BodyFields.Depth);
            var height = camera.Item.Get(BodyFields.Height);
            at = flange ?? UsualFlangeMm;
            backMm = at - Math.Max(depth ?? UsualDepthMm, at);
            spans.Add(new(camera.Place, backMm, at, height ?? UsualBodyHeightMm, flange is null || depth is null || height is null));
        }

        FrontKnown = spans.Count > 0 && (!spans[0].Assumed || anatomy.Camera!.Value.Item.Kind == GearKind.FixedLensCamera);
        foreach (var link in anatomy.Behind)
        {
            at = Add(link, at, BehindLengthMm(link.Item, mounts), null);
        }

        if (anatomy.Lens is { } lens)
        {
            at = Add(lens, at, lens.Item.Get(CommonFields.Length), (lens.Item.Get(LensFields.Short) ?? 50) * 0.5 + 45);
        }

        foreach (var link in anatomy.Front)
        {
            var length = link.Item.Get(CommonFields.Length) ?? link.Item.Get(CommonFields.Thickness);
            at = Add(link, at, length, FrontChecks.UsualThicknessMm(link.Item));
        }

        frontMm = at;
        LengthMm = frontMm - backMm;
        WeightG = anatomy.Parts.Where(p => p.Kind != GearKind.BagItem || p.Get(BagFields.Mounted) != false).Sum(p => p.Get(CommonFields.Weight) ?? 0);
        WeightUnknown = anatomy.Parts.Count(p => p.Get(CommonFields.Weight) is null);
    }

    /// <summary>The parts along the axis, from the camera on; supports and other items are not among them.</summary>
    public IReadOnlyList<PartSpan> Spans => spans;

    /// <summary>From the back of the camera to the front of the last part, mm.</summary>
    public double LengthMm { get; }

    /// <summary>Sensor to the front of the last part, mm; null when a length on the way is not known.</summary>
    public double? FrontFromSensorMm => FrontKnown && Anatomy.Lens is not null ? frontMm : null;

    /// <summary>Sum of the weights that are known, supports and items on the rig included, g.</summary>
    public double WeightG { get; }

    /// <summary>How many weights are not known: where it is not 0, the sum is a least one.</summary>
    public int WeightUnknown { get; }

    /// <summary>
    /// Where the rig balances along its axis, from the sensor mark towards the subject, mm: each part is taken to weigh as much in front of its middle as behind.
    /// Null where a length or a weight along the axis is not known. Supports and what sits on the rig are left out: where they are mounted is not told.
    /// </summary>
    public double? CentreOfGravityMm
    {
        get
        {
            var parts = spans.Select(s => (Middle: (s.FromMm + s.ToMm) / 2, s.Assumed, Weight: Anatomy.Parts[s.Place].Get(CommonFields.Weight))).ToArray();
            var sum = parts.Sum(p => p.Weight ?? 0);
            return FrontKnown && sum > 0 && parts.All(p => p.Weight is not null) ? parts.Sum(p => p.Middle * p.Weight!.Value) / sum : null;
        }
    }

    /// <summary>True when every part along the axis has a known length, so that <see cref="LengthMm"/> is no estimate.</summary>
    public bool LengthKnown => FrontKnown;

    /// <summary>What the parts cost to buy that are not hired.</summary>
    public PartialSum Purchase => PartialSum.Of(Anatomy.Parts.Where(p => p.Value(CommonFields.Ownership) is not Ownership.Hire), CommonFields.Price);

    /// <summary>What the hired parts cost a day.</summary>
    public PartialSum HirePerDay => PartialSum.Of(Anatomy.Parts.Where(p => p.Value(CommonFields.Ownership) is Ownership.Hire), CommonFields.Hire);

    /// <summary>What all parts are insured for.</summary>
    public PartialSum Insured => PartialSum.Of(Anatomy.Parts, CommonFields.Insured);

    private Anatomy Anatomy { get; }

    private bool FrontKnown { get; set; }

    /// <summary>Weight of the support at a place and of all other supports that are no rails: none of these lies on it.</summary>
    internal double SupportWeightG(int place) => Anatomy.Supports
        .Where(l => l.Place == place || l.Item.Get(SupportFields.Type) != SupportType.Rails)
        .Sum(l => l.Item.Get(CommonFields.Weight) ?? 0);

    /// <summary>An adapter is as long as the flange distances differ, and a tube as long as it extends, unless it says otherwise; glass shortens or lengthens that.</summary>
    private static double? BehindLengthMm(GearItem item, MountBook mounts) =>
        item.Get(CommonFields.Length)
        ?? mounts.FlangeMm(item.Get(AdapterFields.LensMount)) - mounts.FlangeMm(item.Get(AdapterFields.BodyMount)) + (item.Get(AdapterFields.Extension) ?? 0)
        - (item.Get(AdapterFields.Magnification) is { } k && k != 1 ? Converter.UsualPlaceMm * (1 - k) : 0);

    private double Add(Link link, double at, double? length, double? usual)
    {
        var diameter = link.Item.Get(CommonFields.Diameter) ?? link.Item.Get(CommonFields.FrontThread) ?? link.Item.Get(CommonFields.RearThread)
            ?? link.Item.Get(LensFields.FilterThread) + 6;
        var known = length is > 0 || length == 0 && link.Item.Kind != GearKind.Lens;
        FrontKnown &= known;
        var to = at + (known ? length!.Value : usual ?? 15);
        spans.Add(new(link.Place, at, to, diameter ?? UsualDiameterMm, !known || diameter is null));
        return to;
    }
}

using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;

namespace Juxtopsis.Core.Filters;

/// <summary>A rig as it is set, before whose lens filters go.</summary>
internal sealed class FilteredRig
{
    private readonly GearItem[] before;
    private readonly GearItem[] after;
    private readonly Lazy<FrontGeometry> widest;
    private readonly FrontGeometry asSet;

    /// <summary>Begins.</summary>
    /// <param name="front">The front of its lens.</param>
    /// <param name="bare">Its parts without filters that take light alone.</param>
    /// <param name="anatomy">What those parts are.</param>
    /// <param name="mounts">The mounts.</param>
    /// <param name="setting">How it is set.</param>
    public FilteredRig(FilterFront front, IReadOnlyList<GearItem> bare, Anatomy anatomy, MountBook mounts, ChainSetting setting)
    {
        Front = front;
        var lens = anatomy.Lens!.Value.Item;
        before = [.. bare.TakeWhile(p => !ReferenceEquals(p, lens)), lens];
        after = [.. bare.Skip(before.Length).Where(p => !front.Keeps(p))];
        var optics = new ChainOptics(anatomy, mounts, setting);
        asSet = FrontGeometry.Of(optics);
        widest = new(() => optics.FocalLengthMm == optics.Short ? asSet : FrontGeometry.Of(new ChainOptics(anatomy, mounts, WithFocalLength(setting, optics.Short))));
    }

    /// <summary>The front of its lens.</summary>
    public FilterFront Front { get; }

    /// <summary>The lens as it is set.</summary>
    public ref readonly FrontGeometry AsSet => ref asSet;

    /// <summary>The whole chain with filters.</summary>
    public IReadOnlyList<GearItem> With(FilterStack stack) => [.. before, .. stack.Inside, .. stack.Items, .. after];

    /// <summary>How much of the corners' light a stack lets through at the short end of a zoom.</summary>
    public double ClearShareWidest(FilterStack stack) => widest.Value.ClearShare(stack.Openings);

    private static ChainSetting WithFocalLength(ChainSetting setting, double mm) => setting.Set is { } set ? setting with { Set = set with { FocalLengthMm = mm } } : setting with { FocalLengthMm = mm };
}

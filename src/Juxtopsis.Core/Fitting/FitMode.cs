using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Fitting;

/// <summary>A recording mode as the search reads it.</summary>
public sealed class FitMode
{
    /// <summary>Rates are the same up to this share: 23.976 is sold as 24, and 29.97 as 30.</summary>
    private const double SameRate = 0.0015;

    private FitMode(GearItem item, int index, double punchIn)
    {
        (Item, Index, PunchIn) = (item, index, punchIn);
        var (width, height) = CameraModes.AreaOf(item);
        (WidthMm, HeightMm) = (width / punchIn, height / punchIn);
        Rates = item.Get(ModeFields.Fps);
        Recorded = item.Get(ModeFields.PixelsAcross) is { } x && item.Get(ModeFields.PixelsUp) is { } y ? new PixelSize(x, y) : null;
    }

    /// <summary>The mode.</summary>
    public GearItem Item { get; }

    /// <summary>Electronic zoom or a crop afterwards; 1 for none.</summary>
    public double PunchIn { get; }

    /// <summary>Width used, after the punch-in, mm.</summary>
    public double WidthMm { get; }

    /// <summary>Height used, after the punch-in, mm.</summary>
    public double HeightMm { get; }

    /// <summary>Frame rates that it offers; empty when they are not known.</summary>
    public IReadOnlyList<double> Rates { get; }

    /// <summary>Pixels that it records over its whole area; null when not known.</summary>
    public PixelSize? Recorded { get; }

    /// <summary>Its number on the shelf; −1 for one that is punched in.</summary>
    internal int Index { get; }

    /// <summary>Whether it offers a frame rate.</summary>
    /// <param name="fps">Frames a second.</param>
    /// <returns>True too where its rates are not known.</returns>
    public bool Offers(double fps) => Rates.Count == 0 || Rates.Any(r => Math.Abs(r / fps - 1) <= SameRate);

    /// <summary>Whether it offers a frame rate or a faster one.</summary>
    /// <param name="fps">Frames a second.</param>
    /// <returns>True too where its rates are not known.</returns>
    public bool IsAsFastAs(double fps) => Rates.Count == 0 || Rates.Max() >= fps * (1 - SameRate);

    /// <summary>The rate that is nearest to one, as a ratio.</summary>
    /// <param name="fps">Frames a second.</param>
    /// <returns>A rate that it offers.</returns>
    public double NearestRate(double fps) => Rates.MinBy(r => Math.Max(r / fps, fps / r));

    /// <summary>Whether it shows a squeeze as it should look.</summary>
    /// <param name="squeeze">The squeeze; 1 is always shown.</param>
    /// <returns>True when it names that squeeze.</returns>
    public bool Shows(double squeeze) => squeeze == 1 || Item.Get(ModeFields.Squeezes).Any(s => Math.Abs(s - squeeze) < 0.02);

    /// <summary>A part of the picture of this mode.</summary>
    /// <param name="times">How many times smaller than the whole mode, 1 or more.</param>
    /// <returns>The mode, punched in.</returns>
    public FitMode Punched(double times) => new(Item, -1, times);

    internal static FitMode Of(GearItem mode, int index) => new(mode, index, 1);
}
